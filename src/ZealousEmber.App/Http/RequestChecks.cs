using System.Net.Http.Headers;
using System.Text;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Server.Kestrel.Core;
using Microsoft.AspNetCore.Server.Kestrel.Core.Features;
using Microsoft.Extensions.Primitives;

namespace ZealousEmber.App.Http;

/// <summary>Marks what is read but costs much: the whole studio in one answer is for the program's own pages.</summary>
internal sealed class OwnPagesOnly;

/// <summary>Refuses, with problem details, what no page of this program would send: other hosts, other origins, too much, and text nobody can read.</summary>
internal sealed class RequestChecks(RequestDelegate next, AllowedHosts hosts)
{
    private const int LargestHeaders = 32 * 1024;

    private const int LongestAddress = 8 * 1024;

    // Who sends slower keeps others waiting, bytes a second.
    private const double SlowestUpload = 20_000;

    // What is refused for its size is still read to its end within this, so that the client gets to read the answer.
    private const long ReadOut = 64_000_000;

    public Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        // A page of another site that has its name point to this machine is still of another site.
        if (!hosts.Knows(request.Host))
            return ProblemResponses.Write(
                context,
                StatusCodes.Status400BadRequest,
                "Unknown host",
                $"This program answers only at {Core.Phrases.List(hosts.Names)}."
            );
        if (request.Headers.Sum(h => h.Key.Length + h.Value.Sum(v => (long)(v?.Length ?? 0))) > LargestHeaders)
            return ProblemResponses.Write(context, StatusCodes.Status431RequestHeaderFieldsTooLarge);
        if (request.Path.Value?.Length + request.QueryString.Value?.Length > LongestAddress)
            return ProblemResponses.Write(context, StatusCodes.Status414UriTooLong);
        // It is told back as a header, which is plain text.
        if (!request.Headers["Idempotency-Key"].ToString().All(c => c is >= ' ' and <= '~'))
            return ProblemResponses.Write(
                context,
                StatusCodes.Status400BadRequest,
                detail: "An Idempotency-Key is made of letters, digits and signs of plain ASCII."
            );
        // A socket is opened with GET, and then carries anything.
        if (
            (Writes(request.Method) || request.Headers.Upgrade.Count > 0 || context.GetEndpoint()?.Metadata.GetMetadata<OwnPagesOnly>() is not null)
            && FromElsewhere(request)
        )
            return ProblemResponses.Write(context, StatusCodes.Status403Forbidden, detail: "Changes are only taken from this program's own pages.");
        if (!IsReadable(request.ContentType))
            return ProblemResponses.Write(context, StatusCodes.Status415UnsupportedMediaType);
        if (context.GetEndpoint()?.Metadata.GetMetadata<BodySize>() is not null && context.Features.Get<IHttpMinRequestBodyDataRateFeature>() is { } rate)
            rate.MinDataRate = new MinDataRate(SlowestUpload, TimeSpan.FromSeconds(10));
        if (TooLarge(context))
            return ProblemResponses.Write(context, StatusCodes.Status413PayloadTooLarge);
        // The framework's own answers to a method or a body no address takes: they tell nothing, and come before the question who asks.
        if (context.GetEndpoint() is { RequestDelegate: { } refuse } and not RouteEndpoint)
            return refuse(context);
        return next(context);
    }

    private static bool Writes(string method) => !HttpMethods.IsGet(method) && !HttpMethods.IsHead(method) && !HttpMethods.IsOptions(method);

    private static bool FromElsewhere(HttpRequest request)
    {
        if (request.Headers["Sec-Fetch-Site"] is { Count: > 0 } site && site != "same-origin" && site != "none")
            return true;
        return request.Headers.Origin is { Count: > 0 } origin && origin != new StringValues($"{request.Scheme}://{request.Host}");
    }

    private static bool IsReadable(string? contentType) =>
        !MediaTypeHeaderValue.TryParse(contentType, out var type)
        || type.CharSet is not { } charset
        || charset.Trim('"').Equals(Encoding.UTF8.WebName, StringComparison.OrdinalIgnoreCase);

    private static bool TooLarge(HttpContext context)
    {
        if (context.Features.Get<IHttpMaxRequestBodySizeFeature>() is not { IsReadOnly: false } size)
            return false;
        var most = context.GetEndpoint()?.Metadata.GetMetadata<IRequestSizeLimitMetadata>()?.MaxRequestBodySize ?? BodyLimit.Usual;
        if (!(context.Request.ContentLength > most))
            return false;
        size.MaxRequestBodySize = ReadOut;
        return true;
    }
}
