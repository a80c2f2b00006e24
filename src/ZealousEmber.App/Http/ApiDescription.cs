using System.Text.Json.Nodes;
using Microsoft.OpenApi;
using NodaTime;
using ZealousEmber.App.Wire;

namespace ZealousEmber.App.Http;

/// <summary>The description of the API, made so that the client's types come out as strict as the server's.</summary>
internal static class ApiDescription
{
    public static void AddApiDescription(this IServiceCollection services) => services.AddOpenApi("v1", options =>
        {
            options.AddDocumentTransformer(
                (document, _, _) =>
                {
                    document.Info.Title = "Zealous Ember";
                    document.Info.Description = "Plan, set, run and learn from kiln firings. Temperatures are in the unit each request or schedule names.";
                    // The address differs from machine to machine; the description must not.
                    document.Servers = [];
                    // The words of an enum stand once; whether none may be said is up to each member.
                    foreach (var schema in (document.Components?.Schemas?.Values ?? []).OfType<OpenApiSchema>().Where(s => s.Enum is { Count: > 0 }))
                        schema.Type = JsonSchemaType.String;
                    return Task.CompletedTask;
                }
            );
            options.AddSchemaTransformer(
                (schema, context, _) =>
                {
                    // A member that is never null is always there.
                    foreach (var property in context.JsonTypeInfo.Properties.Where(p => !p.IsGetNullable))
                    {
                        schema.Required ??= new HashSet<string>();
                        schema.Required.Add(property.Name);
                    }
                    var within = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type);
                    var type = within ?? context.JsonTypeInfo.Type;
                    var text = within is null ? JsonSchemaType.String : JsonSchemaType.String | JsonSchemaType.Null;
                    if (type.IsEnum)
                    {
                        schema.Type = text;
                        schema.Enum = [.. WireEnums.Words(type).Select(w => JsonValue.Create(w)!)];
                    }
                    else if (type == typeof(OffsetDateTime) || type == typeof(DateTimeOffset))
                    {
                        schema.Type = text;
                        schema.Format = "date-time";
                    }
                    else if (context.JsonPropertyInfo?.CustomConverter is AnyText)
                    {
                        // What it should be, though anything is read.
                        schema.Type = JsonSchemaType.String;
                    }
                    if (context.JsonPropertyInfo?.AttributeProvider?.GetCustomAttributes(typeof(NamedInAttribute), false) is [NamedInAttribute list])
                        schema.Enum = [.. list.Names.Select(n => JsonValue.Create(n)!)];
                    return Task.CompletedTask;
                }
            );
        });
}
