using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using ZealousEmber.Core;

namespace ZealousEmber.App.Http;

/// <summary>Everything that goes wrong is answered as problem details (RFC 9457) with the field at fault.</summary>
internal static class ClearProblems
{
    public static void AddClearProblems(this IServiceCollection services)
    {
        services.AddProblemDetails();
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
    public static IResult Missing(string what) =>
        Results.Problem(statusCode: StatusCodes.Status404NotFound, title: "Not found", detail: $"There is no {what} here; it may have been deleted.");

    /// <summary>Turns a body that could not be read into a message at the place where reading stopped.</summary>
    private sealed class UnreadableRequest(IProblemDetailsService problems) : IExceptionHandler
    {
        public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancel)
        {
            if (exception is not BadHttpRequestException bad) return false;
            context.Response.StatusCode = bad.StatusCode;
            var details = new HttpValidationProblemDetails { Status = bad.StatusCode, Title = "This request could not be read.", Detail = Say(bad) };
            if (bad.InnerException is JsonException { Path: { } path } json)
                details.Errors[path.TrimStart('$', '.')] = [Say(json)];
            return await problems.TryWriteAsync(new ProblemDetailsContext { HttpContext = context, ProblemDetails = details });
        }

        private static string Say(BadHttpRequestException bad) => (bad.StatusCode, bad.InnerException) switch
        {
            (StatusCodes.Status413PayloadTooLarge, _) => "This is larger than anything the program keeps.",
            (StatusCodes.Status415UnsupportedMediaType, _) => "The body has to be application/json.",
            (_, JsonException json) => Say(json),
            _ => "The address or the body is not as described in /api/docs.",
        };

        private static string Say(JsonException json)
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
