namespace ZealousEmber.App.Http;

/// <summary>Row versions as entity tags, so that nobody saves over what they have not seen.</summary>
internal static class Versions
{
    public static string Tag(int version) => $"\"{version}\"";

    /// <summary>The version an If-Match header names; none for <c>*</c>. False when the header is missing or names no version of ours.</summary>
    public static bool TryReadIfMatch(HttpRequest request, out int? version)
    {
        var header = request.Headers.IfMatch.ToString().Trim();
        version = int.TryParse(header.Trim('"'), out var number) && header == Tag(number) ? number : null;
        return version is not null || header == "*";
    }

    /// <summary>True when the reader has this very version already.</summary>
    public static bool IsKnown(HttpRequest request, int version) =>
        request.Headers.IfNoneMatch.ToString().Split(',', StringSplitOptions.TrimEntries).Contains(Tag(version));
}
