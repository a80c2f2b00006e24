using CsvHelper;
using NodaTime;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Records;

namespace ZealousEmber.App.Services.Logs;

/// <summary>A whole log, read.</summary>
/// <param name="Samples">In the order of the file; the sequence is the line.</param>
/// <param name="Skipped">Lines that could not be read.</param>
/// <param name="FirstSkipped">The first of them.</param>
internal sealed record LogFileRead(List<StoredSample> Samples, int Skipped, List<SkippedLine> FirstSkipped)
{
    /// <summary>°C; nothing where none saw anything.</summary>
    public double? Hottest => Samples.Max(s => s.Celsius);

    /// <summary>°C of the latest that saw anything.</summary>
    public double? Last => Samples.Where(s => s.Celsius is not null).Cast<StoredSample?>().MaxBy(s => s!.Value.At)?.Celsius;
}

/// <summary>Reads a whole log from CSV as it is told to; lines that cannot be read are left out and counted.</summary>
internal static class LogFile
{
    private const int MostReadings = 4_000_000;
    private const int Named = 20;
    private const int LongestCell = 10_000;

    // How loggers write that they see nothing.
    private static readonly string[] Nothing = ["", "-", "--", "---", "nan", "open", "null", "n/a", "err", "error", "fault"];

    public static Result<LogFileRead> Read(TextReader text, LogReading reading, LogMoments moments, Instant now, CancellationToken cancel)
    {
        try
        {
            return ReadAll(text, reading, moments, now, cancel);
        }
        catch (MaxFieldSizeException error)
        {
            // A quotation mark that is never closed would make one cell of all the rest.
            return new Problem("csv", $"Line {error.Context?.Parser?.RawRow} does not end: is a quotation mark missing there?");
        }
    }

    private static Result<LogFileRead> ReadAll(TextReader text, LogReading reading, LogMoments moments, Instant now, CancellationToken cancel)
    {
        var decimals = reading.DecimalSign;
        var (samples, skipped, first) = (new List<StoredSample>(1 << 16), 0, new List<SkippedLine>());
        var latest = now + Duration.FromMinutes(FiringSample.MostAhead);
        var (headLines, isFirst) = (reading.HeadLines, true);
        foreach (var (line, cells) in LogRows.Of(text, reading.Delimiter ?? ",", LongestCell))
        {
            if ((line & 4095) == 0)
                cancel.ThrowIfCancellationRequested();
            var isHead = headLines is { } lines ? line <= lines : isFirst && reading.Headed;
            isFirst = false;
            if (isHead)
                continue;
            string? Cell(int? column) => column is { } at && at < cells.Length ? cells[at] : null;
            var why = ReadOne(out var sample);
            if (why is null)
                samples.Add(sample);
            else
            {
                skipped++;
                if (first.Count < Named)
                    first.Add(new SkippedLine(line, why));
            }
            if (samples.Count > MostReadings)
                return new Problem(
                    "csv",
                    $"At most {Phrases.Number(MostReadings)} readings are taken from one file. One every ten seconds is plenty; thin it, or send it in parts."
                );

            string? ReadOne(out StoredSample sample)
            {
                sample = default;
                if (moments.Read(reading.Date is null ? null : Cell(reading.Date) ?? "", Cell(reading.Time)) is not { } at)
                    return $"No time that can be read: “{LogRows.Short(Cell(reading.Time))}”.";
                if (at > latest)
                    return "This is in the future.";
                var shown = Cell(reading.Temperature);
                double? celsius = null;
                if (LogNumbers.Read(shown, decimals) is { } value)
                {
                    if (!Temperature.TryFrom(value, reading.Unit, out var read))
                        return $"No kiln is at {LogRows.Short(shown)} {reading.Unit.Symbol()}.";
                    celsius = read.Celsius;
                }
                else if (!Nothing.Contains(shown?.ToLowerInvariant() ?? ""))
                    return $"No temperature that can be read: “{LogRows.Short(shown)}”.";
                double? set =
                    LogNumbers.Read(Cell(reading.SetPoint), decimals) is { } asked
                    && Temperature.TryFrom(asked, reading.Unit, out var wanted)
                    && wanted.Celsius >= 1
                        ? wanted.Celsius
                        : null;
                double? share = LogNumbers.Read(Cell(reading.Power), decimals) is { } power
                    ? Math.Clamp(reading.PowerIn == LogPower.Percent ? power / 100 : power, 0, 1)
                    : null;
                if (new FiringSample(0, celsius, share, set).Refusal(null) is { } refused)
                    return refused;
                sample = new StoredSample(line, at.ToUnixTimeMilliseconds(), celsius, share, set);
                return null;
            }
        }
        if (samples.Count == 0)
            return new Problem("csv", first.Count > 0 ? $"Not one line could be read this way. Line {first[0].Line}: {first[0].Why}" : "This log is empty.");
        if (skipped > samples.Count)
            return new Problem("csv", $"More than half of the lines cannot be read this way: is a column another one? Line {first[0].Line}: {first[0].Why}");
        return new LogFileRead(samples, skipped, first);
    }
}
