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
internal sealed record LogFileRead(List<StoredSample> Samples, int Skipped, List<SkippedLine> FirstSkipped);

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
        var (delimiter, decimalComma) = (reading.Delimiter ?? ",", reading.Delimiter is ";" or "\t");
        using var parser = LogCsv.Parser(text, delimiter, LongestCell);
        var (samples, skipped, first) = (new List<StoredSample>(1 << 16), 0, new List<SkippedLine>());
        var latest = now + Duration.FromMinutes(FiringSample.MostAhead);
        if (reading.Headed)
            parser.Read();
        while (parser.Read())
        {
            if ((parser.Row & 4095) == 0)
                cancel.ThrowIfCancellationRequested();
            var line = parser.RawRow;
            string? Cell(int? column) => column is { } at && at < parser.Count ? parser[at] : null;
            string? NumberCell(int? column) => decimalComma ? Cell(column)?.Replace(',', '.') : Cell(column);
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
                if (
                    moments.Read(Cell(reading.Date), reading.TimeIn is LogTime.Dates or LogTime.Clock ? Cell(reading.Time) : NumberCell(reading.Time))
                    is not { } at
                )
                    return $"No time that can be read: “{LogCsv.Short(Cell(reading.Time))}”.";
                if (at > latest)
                    return "This is in the future.";
                var shown = NumberCell(reading.Temperature);
                double? celsius = null;
                if (LogCsv.Number(shown) is { } value)
                {
                    if (!Temperature.TryFrom(value, reading.Unit, out var read))
                        return $"No kiln is at {LogCsv.Short(shown)} {reading.Unit.Symbol()}.";
                    celsius = read.Celsius;
                }
                else if (!Nothing.Contains(shown?.ToLowerInvariant() ?? ""))
                    return $"No temperature that can be read: “{LogCsv.Short(shown)}”.";
                double? set =
                    LogCsv.Number(NumberCell(reading.SetPoint)) is { } asked && Temperature.TryFrom(asked, reading.Unit, out var wanted) && wanted.Celsius >= 1
                        ? wanted.Celsius
                        : null;
                double? share = LogCsv.Number(NumberCell(reading.Power)?.TrimEnd('%')) is { } power
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
