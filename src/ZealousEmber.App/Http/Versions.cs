using Microsoft.Net.Http.Headers;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Http;

/// <summary>Versions as entity tags (RFC 9110), so that nobody saves over what they have not seen.</summary>
internal static class Versions
{
    /// <summary>The key of the last save, so that a device knows its own save even when the answer to it was lost.</summary>
    public const string SaveKeyHeader = "Save-Key";

    private const string IdempotencyKey = "Idempotency-Key";
    private const string Person = "Studio-Person";
    private const int LongestKey = 64;
    private const int LongestName = 60;

    public static string Tag(int version) => new EntityTagHeaderValue($"\"{version}\"").ToString();

    /// <summary>Tells the version and the key of its save with an answer.</summary>
    public static void WriteTag(HttpResponse response, int version, string? saveKey)
    {
        response.Headers.ETag = Tag(version);
        if (saveKey?.All(c => c is >= ' ' and <= '~') == true)
            response.Headers[SaveKeyHeader] = saveKey;
    }

    /// <summary>
    /// The version an If-Match header names; none for <c>*</c>. False when the header is missing or names no version of ours: a weak tag matches nothing.
    /// </summary>
    public static bool TryReadIfMatch(HttpRequest request, out int? version)
    {
        version = null;
        var tags = request.GetTypedHeaders().IfMatch;
        if (tags is not [var tag])
            return false;
        if (tag.Equals(EntityTagHeaderValue.Any))
            return true;
        if (tag.IsWeak || !int.TryParse(tag.Tag.AsSpan().Trim('"'), System.Globalization.NumberStyles.None, null, out var number))
            return false;
        version = number;
        return true;
    }

    /// <summary>True when the reader has this very version already.</summary>
    public static bool IsKnown(HttpRequest request, int version) =>
        request.GetTypedHeaders().IfNoneMatch.Any(t => t.Compare(new EntityTagHeaderValue(Tag(version)), useStrongComparison: false));

    /// <summary>Who saves, and the key of the save as the client says it; too long ones are as if they had not been said.</summary>
    public static SaveStamp Stamp(HttpRequest request)
    {
        var key = request.Headers[IdempotencyKey].ToString().Trim();
        var caller = request.HttpContext.Caller();
        // Where there are accounts, who somebody is comes from the session; what a page says of it counts for nothing.
        var person = caller is { IsAlone: false } ? caller.Name ?? "" : Uri.UnescapeDataString(request.Headers[Person].ToString()).Trim();
        return new SaveStamp(
            person.Length is > 0 and <= LongestName ? person : null,
            key.Length is > 0 and <= LongestKey ? key : null,
            PersonId: caller?.PersonId
        );
    }

    /// <summary>The answer to a save whose If-Match is missing, or names no version of ours.</summary>
    public static IResult PreconditionFailed(HttpRequest request) =>
        request.Headers.IfMatch.Count == 0
            ? Results.Problem(
                statusCode: StatusCodes.Status428PreconditionRequired,
                title: "Which version?",
                detail: "Send the ETag of the version you changed as If-Match."
            )
            : Results.Problem(
                statusCode: StatusCodes.Status412PreconditionFailed,
                title: "Another version",
                detail: "The If-Match header names no version of this."
            );

    /// <summary>The answer when it was changed since; it carries what is there now.</summary>
    public static IResult Conflict(string what, int version, string? saveKey, object current, HttpResponse response)
    {
        WriteTag(response, version, saveKey);
        return Results.Problem(
            statusCode: StatusCodes.Status412PreconditionFailed,
            title: "Changed by someone else while you were editing",
            detail: $"This {what} was changed after you opened it; it is at version {version} now. Nothing was overwritten.",
            extensions: new Dictionary<string, object?> { ["current"] = current }
        );
    }
}
