using Microsoft.AspNetCore.Http.Metadata;

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

    /// <summary>A whole log of a firing, as a file: two million readings and more.</summary>
    public const int WholeLog = 250_000_000;

    /// <summary>A whole studio: many years of logs and photos.</summary>
    public const long Studio = 2_000_000_000;
}

/// <summary>Lets one address take a larger body than the usual.</summary>
internal sealed record BodySize(long? MaxRequestBodySize) : IRequestSizeLimitMetadata;

/// <summary>A strict content security policy, and its like, on everything that is sent, answers to faults too.</summary>
internal sealed class SecurityHeaders(RequestDelegate next, IWebHostEnvironment environment, AllowedHosts hosts)
{
    private readonly string policy = Policy($"'self'{InlineScripts.Hashes(environment.WebRootFileProvider)}", "'self'");

    // The readable docs are a packaged page that starts itself with an inline script and styles.
    private readonly string docsPolicy = Policy("'self' 'unsafe-inline'", "'self' 'unsafe-inline'");

    public Task InvokeAsync(HttpContext context)
    {
        // At the last moment: what handles a fault clears the headers set before it.
        context.Response.OnStarting(() =>
        {
            Set(context.Response.Headers, context.Request.Path);
            // Other programs of this machine speak plainly at the same name.
            if (hosts.IsTls && context.Request.Host.Host != "localhost")
                context.Response.Headers.StrictTransportSecurity = "max-age=31536000";
            return Task.CompletedTask;
        });
        return next(context);
    }

    private void Set(IHeaderDictionary headers, PathString path)
    {
        headers.ContentSecurityPolicy = path.StartsWithSegments("/api/docs") ? docsPolicy : policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        headers["Permissions-Policy"] = Permissions;
        if (path.StartsWithSegments("/api"))
            headers.CacheControl = "no-cache";
    }

    // Nothing a page of this program ever asks for; the camera is reached through the file chooser, which needs no leave.
    private const string Permissions = "camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), midi=(), display-capture=()";

    // Style attributes are let through: the page framework hides its announcer for screen readers with one.
    private static string Policy(string scripts, string styles) =>
        $"default-src 'none'; script-src {scripts}; style-src {styles}; style-src-attr 'unsafe-inline'; img-src 'self' data:; font-src 'self'; "
        + "connect-src 'self'; "
        + "manifest-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
}
