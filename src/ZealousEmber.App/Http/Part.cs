using System.Globalization;
using ZealousEmber.Core;

namespace ZealousEmber.App.Http;

/// <summary>
/// A part of a list: <c>?skip=</c> and <c>?take=</c>; the answer tells in X-Total-Count how many there are, and where the next part is in Link.
/// </summary>
internal readonly record struct Part(int Skip, int Take)
{
    /// <summary>Of most lists.</summary>
    public const int Usual = 100;

    private const int Most = 500;

    /// <summary>The part that is asked for.</summary>
    public static Result<Part> Read(int? skip, int? take, int usual = Usual) =>
        skip is < 0 ? new Problem("skip", "How many to pass over: 0 or more.")
        : take is < 1 or > Most ? new Problem("take", $"How many to send: 1 to {Most}.")
        : new Part(skip ?? 0, take ?? usual);

    /// <summary>Says how many there are, and where the rest is.</summary>
    public void WriteHeaders(HttpContext context, int total)
    {
        context.Response.Headers["X-Total-Count"] = total.ToString(CultureInfo.InvariantCulture);
        // Both are numbers a caller chose: they may add up to more than there is room for.
        if ((long)Skip + Take >= total)
            return;
        var query = QueryString.Create([
            .. context.Request.Query.Where(q => q.Key is not ("skip" or "take")).SelectMany(q => q.Value.Select(v => KeyValuePair.Create(q.Key, v))),
            KeyValuePair.Create("skip", (string?)$"{Skip + Take}"),
            KeyValuePair.Create("take", (string?)$"{Take}"),
        ]);
        context.Response.Headers.Link = $"<{context.Request.Path}{query}>; rel=\"next\"";
    }
}
