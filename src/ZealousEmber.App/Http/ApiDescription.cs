using System.ComponentModel.DataAnnotations;
using System.Text.Json.Nodes;

namespace ZealousEmber.App.Http;

/// <summary>The description of the API, made so that the client's types come out as strict as the server's.</summary>
internal static class ApiDescription
{
    public static void AddApiDescription(this IServiceCollection services) => services.AddOpenApi("v1", options =>
    {
        options.AddDocumentTransformer((document, _, _) =>
        {
            document.Info.Title = "Zealous Ember";
            document.Info.Description = "Plan, set, run and learn from kiln firings. Temperatures are in the unit each request or schedule names.";
            // The address differs from machine to machine; the description must not.
            document.Servers = [];
            return Task.CompletedTask;
        });
        options.AddSchemaTransformer((schema, context, _) =>
        {
            // A member that is never null is always there.
            foreach (var property in context.JsonTypeInfo.Properties.Where(p => !p.IsGetNullable))
            {
                schema.Required ??= new HashSet<string>();
                schema.Required.Add(property.Name);
            }
            if (context.JsonPropertyInfo?.AttributeProvider?.GetCustomAttributes(typeof(AllowedValuesAttribute), true) is [AllowedValuesAttribute allowed])
                schema.Enum = [.. allowed.Values.Select(v => JsonValue.Create((string)v!)!)];
            return Task.CompletedTask;
        });
    });
}
