using System.Security.Cryptography;
using System.Text;
using System.Text.RegularExpressions;
using Microsoft.Extensions.FileProviders;

namespace ZealousEmber.App.Http;

/// <summary>The built web pages, with how long a browser may keep them.</summary>
internal static class ShippedPages
{
    /// <summary>Files whose name carries their hash are kept for ever; the rest is asked for again.</summary>
    public static readonly StaticFileOptions FileOptions = new()
    {
        OnPrepareResponse = sent =>
            sent.Context.Response.Headers.CacheControl = sent.Context.Request.Path.StartsWithSegments("/_app/immutable")
                ? "public, max-age=31536000, immutable"
                : "no-cache",
    };

    public static void UseShippedPages(this WebApplication app) => app.UseStaticFiles(FileOptions);
}

/// <summary>The page that starts the client holds short inline scripts; the policy names each by its hash.</summary>
internal static partial class InlineScripts
{
    /// <summary>A space and a quoted SHA-256 for each inline script of index.html; empty while nothing is built.</summary>
    public static string Hashes(IFileProvider files)
    {
        var index = files.GetFileInfo("index.html");
        if (!index.Exists)
            return "";
        using var reader = new StreamReader(index.CreateReadStream());
        return string.Concat(
            Script().Matches(reader.ReadToEnd()).Select(m => $" 'sha256-{Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes(m.Groups[1].Value)))}'")
        );
    }

    [GeneratedRegex("<script>(.*?)</script>", RegexOptions.Singleline)]
    private static partial Regex Script();
}
