using System.Reflection;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Metadata;
using ZealousEmber.Core;

namespace ZealousEmber.App.Http;

/// <summary>422: something that was given is wrong, each message at its field.</summary>
/// <param name="problems">At least one.</param>
/// <param name="extensions">What else to tell.</param>
internal sealed class Invalid(IReadOnlyList<Problem> problems, IDictionary<string, object?>? extensions = null) : IResult, IEndpointMetadataProvider
{
    public Task ExecuteAsync(HttpContext context) => ProblemResponses.Of(problems, extensions).ExecuteAsync(context);

    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        builder.Metadata.Add(
            new ProducesResponseTypeMetadata(StatusCodes.Status422UnprocessableEntity, typeof(HttpValidationProblemDetails), ["application/problem+json"])
        );
}

/// <summary>Answers made of what the core returns.</summary>
internal static class Answer
{
    /// <summary>The value, or what is wrong with what was asked.</summary>
    public static Results<Ok<T>, Invalid> Of<T>(Result<T> made) => made.IsOk ? TypedResults.Ok(made.Value) : new Invalid(made.Problems);

    /// <summary>A file of that name.</summary>
    public static IResult Named(HttpResponse response, string name, IResult result)
    {
        response.Headers.ContentDisposition = $"attachment; filename=\"{name}\"";
        return result;
    }
}
