using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Http;

/// <summary>Everything that goes wrong is answered as problem details (RFC 9457) with the field at fault.</summary>
internal static class ProblemResponses
{
    public static void AddProblemResponses(this IServiceCollection services)
    {
        services.AddProblemDetails(options =>
            options.CustomizeProblemDetails = context => context.ProblemDetails.Detail ??= TextOf(context.ProblemDetails.Status)
        );
        services.AddExceptionHandler<UnreadableRequest>();
        services.AddExceptionHandler<StoreTrouble>();
        // In every environment: let the handler below see what could not be read, and say it in words.
        services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
    }

    /// <summary>422 with the messages under their fields.</summary>
    public static IResult Of(IReadOnlyList<Problem> problems, IDictionary<string, object?>? extensions = null) =>
        Results.Json(
            Describe(StatusCodes.Status422UnprocessableEntity, "Please correct the marked fields.", problems[0].Message, problems, extensions),
            contentType: "application/problem+json",
            statusCode: StatusCodes.Status422UnprocessableEntity
        );

    /// <summary>409: it cannot be done as things stand, and why.</summary>
    public static IResult Conflict(string why) => Results.Problem(statusCode: StatusCodes.Status409Conflict, title: "Not now", detail: why);

    /// <summary>404 in the words of the workshop.</summary>
    public static IResult NotFound(string what) =>
        Results.Problem(statusCode: StatusCodes.Status404NotFound, title: "Not found", detail: $"There is no {what} here; it may have been deleted.");

    /// <summary>Writes problem details whatever the client says it accepts: a browser that asks for HTML is told what is wrong as well.</summary>
    public static Task Write(HttpContext context, int status, string? title = null, string? detail = null)
    {
        context.Response.StatusCode = status;
        return Results.Problem(statusCode: status, title: title, detail: detail ?? TextOf(status)).ExecuteAsync(context);
    }

    private static HttpValidationProblemDetails Describe(
        int status,
        string title,
        string detail,
        IReadOnlyList<Problem> problems,
        IDictionary<string, object?>? extensions = null
    )
    {
        var details = new HttpValidationProblemDetails(problems.GroupBy(p => p.Field).ToDictionary(g => g.Key, g => g.Select(p => p.Message).ToArray()))
        {
            Status = status,
            Title = title,
            Detail = detail,
            Type = "https://tools.ietf.org/html/rfc4918#section-11.2",
        };
        foreach (var (name, value) in extensions ?? new Dictionary<string, object?>())
            details.Extensions[name] = value;
        return details;
    }

    /// <summary>What to say where nothing closer to the fault has spoken.</summary>
    private static string? TextOf(int? status) =>
        status switch
        {
            StatusCodes.Status400BadRequest => "This request is not well formed; see /api/docs.",
            StatusCodes.Status404NotFound => "There is nothing at this address.",
            StatusCodes.Status405MethodNotAllowed => "This address does not do that; see /api/docs.",
            StatusCodes.Status413PayloadTooLarge => "This is larger than anything the program takes.",
            StatusCodes.Status414UriTooLong => "This address is too long.",
            StatusCodes.Status415UnsupportedMediaType => "The body has to be application/json, in UTF-8.",
            StatusCodes.Status431RequestHeaderFieldsTooLarge => "The headers of this request are too large.",
            StatusCodes.Status500InternalServerError => "Something went wrong in the program. Nothing that was saved before is lost.",
            _ => null,
        };

    /// <summary>Turns a body that could not be read into a message at the place where reading stopped.</summary>
    private sealed class UnreadableRequest : IExceptionHandler
    {
        public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancel)
        {
            if (exception is not BadHttpRequestException bad)
                return false;
            var json = bad.InnerException as JsonException;
            var field = json?.Path?.TrimStart('$', '.') ?? "";
            // A word or a moment that is not known is wrong like any other value; what is no such kind of value at all cannot be read.
            var wrong = json is null ? null : WrongWord(json);
            var status = wrong is null ? bad.StatusCode : StatusCodes.Status422UnprocessableEntity;
            var message = wrong ?? (json is null ? TextOf(bad.StatusCode) ?? "The address or the body is not as described in /api/docs." : Unreadable(json));
            var details = Describe(
                status,
                wrong is null ? "This request could not be read." : "Please correct the marked fields.",
                message,
                json is null ? [] : [new Problem(field, message)]
            );
            context.Response.StatusCode = status;
            await Results.Json(details, contentType: "application/problem+json", statusCode: status).ExecuteAsync(context);
            return true;
        }

        private static string? WrongWord(JsonException json) =>
            WireEnums.Expected(json) ?? (MessageOf(json).Contains("NodaTime", StringComparison.Ordinal) ? WireTime.Expected : null);

        private static string MessageOf(JsonException json) => $"{json.Message} {json.InnerException?.Message} {json.InnerException?.GetType().FullName}";

        private static string Unreadable(JsonException json)
        {
            var message = MessageOf(json);
            if (!message.Contains("could not be converted", StringComparison.Ordinal))
                return $"This is not valid JSON (line {json.LineNumber + 1}, character {json.BytePositionInLine + 1}); NaN and Infinity are not numbers in it.";
            return message.Contains("Double", StringComparison.Ordinal) || message.Contains("as a number", StringComparison.Ordinal)
                    ? "A number is expected here."
                : message.Contains("Int32", StringComparison.Ordinal) ? "A whole number is expected here."
                : message.Contains("System.String", StringComparison.Ordinal) || message.Contains("as a string", StringComparison.Ordinal)
                    ? "Text is expected here."
                : "Another kind of value is expected here.";
        }
    }

    /// <summary>What goes wrong in the store, each in a sentence of its own.</summary>
    private sealed class StoreTrouble : IExceptionHandler
    {
        public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancel)
        {
            switch (exception)
            {
                case UnreadableRowException { Row: var row }:
                    context.Response.StatusCode = StatusCodes.Status409Conflict;
                    await Results
                        .Problem(
                            statusCode: StatusCodes.Status409Conflict,
                            title: "This cannot be read",
                            detail: $"“{row.Name}” is stored in a way this program cannot read. Its raw content can be downloaded.",
                            extensions: new Dictionary<string, object?> { ["raw"] = $"/api/unreadable/{row.Table}/{row.Id}" }
                        )
                        .ExecuteAsync(context);
                    return true;
                case not null when StoreHealth.IsFull(exception):
                    await Write(
                        context,
                        StatusCodes.Status507InsufficientStorage,
                        "The disk is full",
                        "The disk is full. Nothing was saved, and nothing that was saved before is lost. Make room and try again."
                    );
                    return true;
                case not null when StoreHealth.IsBusy(exception):
                    context.Response.Headers.RetryAfter = "2";
                    await Write(
                        context,
                        StatusCodes.Status503ServiceUnavailable,
                        "Busy",
                        "Another change is taking long. Nothing was saved; try again in a moment."
                    );
                    return true;
                case not null when StoreHealth.IsDamaged(exception):
                    context.RequestServices.GetRequiredService<StoreHealth>().Damage ??= "found while reading";
                    await Write(
                        context,
                        StatusCodes.Status507InsufficientStorage,
                        "The data file is damaged",
                        "What is asked for lies in a damaged part of the data file. The rest still works: make a backup, and put the last good one in its "
                            + "place (see the README)."
                    );
                    return true;
                default:
                    return false;
            }
        }
    }
}
