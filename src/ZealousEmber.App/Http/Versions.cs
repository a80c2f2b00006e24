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

    /// <summary>The answer to a save whose If-Match is missing, or names no version of ours.</summary>
    public static IResult PreconditionFailed(HttpRequest request) => request.Headers.IfMatch.Count == 0
        ? Results.Problem(statusCode: StatusCodes.Status428PreconditionRequired, title: "Which version?", detail: "Send the ETag of the version you changed as If-Match.")
        : Results.Problem(statusCode: StatusCodes.Status412PreconditionFailed, title: "Another version", detail: "The If-Match header names no version of this.");

    /// <summary>The answer when somebody else saved in between; it carries what is there now.</summary>
    public static IResult Conflict(string what, int version, object current, HttpResponse response)
    {
        response.Headers.ETag = Tag(version);
        return Results.Problem(
            statusCode: StatusCodes.Status412PreconditionFailed,
            title: "Saved by somebody else meanwhile",
            detail: $"This {what} was changed after you opened it; it is at version {version} now. Nothing was overwritten.",
            extensions: new Dictionary<string, object?> { ["current"] = current });
    }
}
