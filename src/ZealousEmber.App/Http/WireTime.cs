using NodaTime;
using ZealousEmber.Core;

namespace ZealousEmber.App.Http;

/// <summary>Moments on the wire: a date and time with its offset.</summary>
internal static class WireTime
{
    /// <summary>What to say of text that is no moment.</summary>
    public const string Expected = "A moment is a date and time with its offset, like 2026-11-24T17:30:00+00:00.";

    /// <summary>A moment within the years anything is fired in; nothing, and a problem, for one outside them.</summary>
    public static OffsetDateTime? Check(OffsetDateTime? given, string field, List<Problem> problems)
    {
        // The longest possible firing lasts a century; further out the calendar itself ends.
        if (given is null or { Year: >= 1900 and <= 2400 }) return given;
        problems.Add(new Problem(field, "A moment lies between the years 1900 and 2400."));
        return null;
    }
}
