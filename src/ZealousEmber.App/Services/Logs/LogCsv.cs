using NodaTime;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Services.Logs;

/// <summary>A log read from CSV, with what was understood of it.</summary>
/// <param name="Samples">In their order.</param>
/// <param name="Understood">In a sentence or two.</param>
/// <param name="LeftOut">The lines that could not be read, with a blank before it; empty where all could.</param>
internal sealed record ReadLog(IReadOnlyList<LogSample> Samples, string Understood, string LeftOut);

/// <summary>A log by itself, as a kiln is learned from: read as any log is, its moments counted from the first.</summary>
internal static class LogCsv
{
    private const int MostReadings = 400_000;
    private const int Named = 3;

    /// <summary>Every reading of it. Problems name <c>csv</c>.</summary>
    /// <param name="text">Whole.</param>
    /// <param name="unit">Of its temperatures; as it says or looks when missing.</param>
    /// <param name="now">Nothing was logged later.</param>
    /// <param name="cancel">Nobody waits any more.</param>
    public static Result<ReadLog> Read(string? text, TemperatureUnit? unit, Instant now, CancellationToken cancel)
    {
        if (string.IsNullOrWhiteSpace(text))
            return new Problem("csv", "This log is empty.");
        var look = LogPreview.Of(new LogLookRequest(text), now, DateTimeZone.Utc, begun: false);
        if (!look.IsOk)
            return Result<ReadLog>.Failed([.. look.Problems.Select(p => p with { Field = "csv" })]);
        var reading = look.Value.Reading with { Unit = unit ?? look.Value.Reading.Unit };
        // Only how long it took counts: which day it was, or whose clock, changes nothing.
        var began = now - Duration.FromDays(365);
        var moments = new LogMoments(
            reading.TimeIn,
            reading.Dates,
            DateTimeZone.Utc,
            began,
            reading.DecimalSign,
            reading.FirstDay is { } day ? LocalDate.FromDateOnly(day) : null
        );
        var file = LogFile.Read(new StringReader(text), reading, moments, now, cancel);
        if (!file.IsOk)
            return Result<ReadLog>.Failed(file.Problems);
        var seen = file.Value.Samples.FindAll(s => s.Celsius is not null);
        if (seen.Count > MostReadings)
            return new Problem("csv", $"At most {MostReadings} readings are taken; this log has {seen.Count}. One every half minute is plenty.");
        if (seen.Count == 0)
            return new Problem("csv", "This log has no temperatures that can be read.");
        double? share = null;
        var samples = seen.ConvertAll(s =>
        {
            // A missing share is that of the line before.
            share = s.Share ?? share ?? (reading.Power is null ? null : 0);
            return new LogSample((s.At - seen[0].At) / 60_000.0, s.Celsius!.Value, share, s.SetPoint);
        });
        var extra =
            reading.Power is not null ? ", with the power share"
            : reading.SetPoint is not null ? ", with the set point"
            : ", temperatures only";
        var leftOut = LeftOut(file.Value);
        var understood = $"{Phrases.Count(samples.Count, "reading")}, time in {Words(reading.TimeIn)}, {reading.Unit.Symbol()}{extra}.{leftOut}";
        return new ReadLog(samples, understood, leftOut);
    }

    private static string LeftOut(LogFileRead file) =>
        file.Skipped == 0
            ? ""
            : $" {Phrases.Count(file.Skipped, "line")} left out: "
                + string.Join(" ", file.FirstSkipped.Take(Named).Select(s => $"line {s.Line}: {s.Why}"))
                + (file.Skipped > Named ? " …" : "");

    private static string Words(LogTime time) =>
        time switch
        {
            LogTime.Dates or LogTime.Epoch or LogTime.Days => "dates",
            LogTime.Clock or LogTime.Elapsed => "hours and minutes",
            LogTime.Hours => "hours",
            LogTime.Minutes => "minutes",
            _ => "seconds",
        };
}
