using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using ZealousEmber.Core;

namespace ZealousEmber.App.Http;

/// <summary>Everything that goes wrong is answered as problem details (RFC 9457) with the field at fault.</summary>
internal static class ProblemResponses
{
    public static void AddProblemResponses(this IServiceCollection services)
    {
        services.AddProblemDetails(options => options.CustomizeProblemDetails = context => context.ProblemDetails.Detail ??= TextOfStatus(context.ProblemDetails.Status));
        services.AddExceptionHandler<UnreadableRequest>();
        // In every environment: let the handler below see what could not be read, and say it in words.
        services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
    }

    /// <summary>422 with the messages under their fields.</summary>
    public static IResult Of(IReadOnlyList<Problem> problems) => Results.ValidationProblem(
        problems.GroupBy(p => p.Field).ToDictionary(g => g.Key, g => g.Select(p => p.Message).ToArray()),
        statusCode: StatusCodes.Status422UnprocessableEntity,
        title: "Something here needs mending.",
        detail: problems[0].Message);

    /// <summary>404 in the words of the workshop.</summary>
    public static IResult NotFound(string what) =>
        Results.Problem(statusCode: StatusCodes.Status404NotFound, title: "Not found", detail: $"There is no {what} here; it may have been deleted.");

    /// <summary>What to say where nothing closer to the fault has spoken.</summary>
    private static string? TextOfStatus(int? status) => status switch
    {
        StatusCodes.Status404NotFound => "There is nothing at this address.",
        StatusCodes.Status405MethodNotAllowed => "This address does not do that; see /api/docs.",
        StatusCodes.Status413PayloadTooLarge => "This is larger than anything the program keeps.",
        StatusCodes.Status415UnsupportedMediaType => "The body has to be application/json.",
        StatusCodes.Status500InternalServerError => "Something went wrong in the program. Nothing that was saved before is lost.",
        _ => null,
    };

    /// <summary>Turns a body that could not be read into a message at the place where context stopped.</summary>
    private sealed class UnreadableRequest(IProblemDetailsService problems) : IExceptionHandler
    {
        public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancel)
        {
            if (exception is not BadHttpRequestException bad) return false;
            context.Response.StatusCode = bad.StatusCode;
            var details = new HttpValidationProblemDetails { Status = bad.StatusCode, Title = "This request could not be read.", Detail = TextOf(bad) };
            if (bad.InnerException is JsonException { Path: { } path } json)
                details.Errors[path.TrimStart('$', '.')] = [TextOf(json)];
            return await problems.TryWriteAsync(new ProblemDetailsContext { HttpContext = context, ProblemDetails = details });
        }

        private static string TextOf(BadHttpRequestException bad) =>
            bad.InnerException is JsonException json ? TextOf(json) : TextOfStatus(bad.StatusCode) ?? "The address or the body is not as described in /api/docs.";

        private static string TextOf(JsonException json)
        {
            var message = $"{json.Message} {json.InnerException?.Message}";
            if (message.Contains("could not be converted", StringComparison.Ordinal))
                return message.Contains("Double", StringComparison.Ordinal) || message.Contains("as a number", StringComparison.Ordinal) ? "A number is expected here."
                    : message.Contains("Int32", StringComparison.Ordinal) ? "A whole number is expected here."
                    : message.Contains("System.String", StringComparison.Ordinal) || message.Contains("as a string", StringComparison.Ordinal) ? "Text is expected here."
                    : "Another kind of value is expected here.";
            return $"This is not valid JSON (line {json.LineNumber + 1}, character {json.BytePositionInLine + 1}); NaN and Infinity are not numbers in it.";
        }
    }
}
