using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Logbook;

/// <summary>A line of a log sheet.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="Celsius">What it was then; nothing where nobody knows.</param>
/// <param name="Asked">What it should have been, °C; nothing before the start and once it cools by itself.</param>
/// <param name="Text">What was noted; nothing for an hour that only went by.</param>
/// <param name="By">Who noted it.</param>
/// <param name="Kind">What was noted.</param>
public sealed record LogSheetLine(double Minute, double? Celsius, double? Asked, string? Text = null, string? By = null, EntryKind? Kind = null);

/// <summary>A finished firing line by line, as it is pinned up: each hour of an electric one, each turn of one by hand, and all that was noted.</summary>
public static class LogSheet
{
    private const int Hour = 60;
    private const int CoolingHours = 6;
    private const double Same = 12;
    private const double AfterLog = 5;

    /// <summary>Its lines in the order of time.</summary>
    /// <param name="run">As it was started.</param>
    /// <param name="log">What it was, by its log or its turns; nothing where nobody knows.</param>
    /// <param name="asked">What was promised; nothing where the program cannot be run.</param>
    /// <param name="poweredMinutes">Until when something was asked of it.</param>
    /// <param name="entries">In force.</param>
    public static ImmutableArray<LogSheetLine> Of(FiringRun run, Curve? log, Curve? asked, double poweredMinutes, IReadOnlyList<FiringEntry> entries)
    {
        double? Was(double minute) =>
            log is not null && minute >= log.Points[0].Minutes - AfterLog && minute <= log.Points[^1].Minutes + AfterLog
                ? Math.Round(log.At(Duration.FromMinutes(minute)).Celsius)
                : null;
        double? Wanted(double minute) =>
            asked is not null && minute >= 0 && minute <= poweredMinutes ? Math.Round(asked.At(Duration.FromMinutes(minute)).Celsius) : null;

        var lines = new List<LogSheetLine>();
        foreach (var entry in entries)
        {
            if (EntryWords.Of(entry, run.Kiln) is not { } text)
                continue;
            var minute = Math.Round(run.Minutes(entry.At), 1);
            lines.Add(new LogSheetLine(minute, entry.Celsius ?? Was(minute), Wanted(minute), text, entry.By, entry.Kind));
        }
        foreach (var minute in Hours(log, poweredMinutes, run.IsFuel))
        {
            if (lines.TrueForAll(l => l.Kind is null || Math.Abs(l.Minute - minute) > Same))
                lines.Add(new LogSheetLine(minute, Was(minute), Wanted(minute)));
        }
        return [.. lines.OrderBy(l => l.Minute)];
    }

    /// <summary>Each hour while something is asked of it, then every sixth; of one by hand, whose turns are lines already, only as it cools.</summary>
    private static IEnumerable<int> Hours(Curve? log, double poweredMinutes, bool byHand)
    {
        if (log is null)
            yield break;
        var end = log.Points[^1].Minutes;
        for (var minute = 0; minute <= end; minute += minute < poweredMinutes ? Hour : CoolingHours * Hour)
        {
            if (!byHand || minute > poweredMinutes)
                yield return minute;
        }
    }
}
