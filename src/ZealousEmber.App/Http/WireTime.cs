using NodaTime;
using NodaTime.Text;
using ZealousEmber.Core;

namespace ZealousEmber.App.Http;

/// <summary>Moments on the wire: a date and time with its offset.</summary>
internal static class WireTime
{
    /// <summary>The moment given, nothing when none was, or nothing and a problem.</summary>
    public static OffsetDateTime? Read(string? text, string field, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(text)) return null;
        var parsed = OffsetDateTimePattern.ExtendedIso.Parse(text.Trim());
        // The longest possible firing lasts a century; further out the calendar itself ends.
        if (parsed.Success && parsed.Value.Year is >= 1900 and <= 2400) return parsed.Value;
        problems.Add(new Problem(field, "A moment is a date and time with its offset, like 2026-11-24T17:30:00+00:00."));
        return null;
    }
}
