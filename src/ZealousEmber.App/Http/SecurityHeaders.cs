using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.Extensions.Primitives;

namespace ZealousEmber.App.Http;

/// <summary>Sizes a request body may have, bytes.</summary>
internal static class BodyLimit
{
    /// <summary>A schedule of 64 steps with all its words is under 50 kB.</summary>
    public const int Usual = 1_000_000;

    /// <summary>An import of some hundred schedules.</summary>
    public const int Import = 8_000_000;

    /// <summary>A photo, made small before it is sent.</summary>
    public const int Photo = 2_000_000;

    /// <summary>A log of two hundred thousand points.</summary>
    public const int Log = 16_000_000;
}

/// <summary>Lets one address take a larger body than the usual.</summary>
internal sealed record BodySize(long? MaxRequestBodySize) : IRequestSizeLimitMetadata;

/// <summary>Same origin only, and a strict content security policy on everything that is sent.</summary>
internal sealed class SecurityHeaders(RequestDelegate next, IWebHostEnvironment environment)
{
    private readonly string policy = Policy($"'self'{InlineScripts.Hashes(environment.WebRootFileProvider)}", "'self'");

    // The readable docs are a packaged page that starts itself with an inline script and styles.
    private readonly string docsPolicy = Policy("'self' 'unsafe-inline'", "'self' 'unsafe-inline'");

    public Task InvokeAsync(HttpContext context)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = context.Request.Path.StartsWithSegments("/api/docs") ? docsPolicy : policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        if (context.Request.Path.StartsWithSegments("/api")) headers.CacheControl = "no-cache";
        return Writes(context.Request.Method) && FromElsewhere(context.Request)
            ? Results.Problem(statusCode: StatusCodes.Status403Forbidden, detail: "Changes are only taken from this program's own pages.").ExecuteAsync(context)
            : next(context);
    }

    private static bool Writes(string method) => !HttpMethods.IsGet(method) && !HttpMethods.IsHead(method) && !HttpMethods.IsOptions(method);

    private static bool FromElsewhere(HttpRequest request)
    {
        if (request.Headers["Sec-Fetch-Site"] is { Count: > 0 } site && site != "same-origin" && site != "none") return true;
        return request.Headers.Origin is { Count: > 0 } origin && origin != new StringValues($"{request.Scheme}://{request.Host}");
    }

    // Style attributes are let through: the page framework hides its announcer for screen readers with one.
    private static string Policy(string scripts, string styles) =>
        $"default-src 'none'; script-src {scripts}; style-src {styles}; style-src-attr 'unsafe-inline'; img-src 'self' data:; font-src 'self'; connect-src 'self'; "
        + "manifest-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
}
