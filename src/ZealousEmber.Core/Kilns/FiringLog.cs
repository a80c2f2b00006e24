using System.Collections.Immutable;

namespace ZealousEmber.Core.Kilns;

/// <summary>A moment of a logged firing.</summary>
/// <param name="Minutes">Since the start of the log.</param>
/// <param name="Celsius">What the display showed.</param>
/// <param name="Share">Power share 0 … 1, where logged: the mean until the next sample.</param>
/// <param name="SetPoint">What was asked, °C; nothing where the power was off, or where it was not logged at all.</param>
public readonly record struct LogSample(double Minutes, double Celsius, double? Share, double? SetPoint);

/// <summary>How a log says what the elements did.</summary>
public enum LogDrive
{
    /// <summary>The power share was logged.</summary>
    Share,

    /// <summary>The set point was logged; the model's own controller follows it.</summary>
    SetPoint,

    /// <summary>Only temperatures: the kiln did what they say until the power went off, and cooled by itself afterwards.</summary>
    Temperature,
}

/// <summary>A logged firing fit to learn a kiln from. Times go up; far too dense logs are thinned.</summary>
public sealed record FiringLog
{
    private const double ShortestMinutes = 60;
    private const int FewestSamples = 20;
    private const double LongestMinutes = 20 * 24 * 60;
    private const double SpacingMinutes = 0.5;
    private const double LeastRise = 150;

    /// <summary>Longer without a sample than this is a gap, minutes.</summary>
    public const double GapMinutes = 15;

    private FiringLog(ImmutableArray<LogSample> samples, LogDrive drive, double? offAt) => (Samples, Drive, OffAt) = (samples, drive, offAt);

    /// <summary>In order of time, at least half a minute apart.</summary>
    public ImmutableArray<LogSample> Samples { get; }

    /// <summary>How the log says what the elements did.</summary>
    public LogDrive Drive { get; }

    /// <summary>Minutes at which the power went off for good, with <see cref="LogDrive.Temperature"/>.</summary>
    public double? OffAt { get; }

    /// <summary>Full-power hours: the sum of the power share over time; nothing where it was not logged.</summary>
    public double? FullPowerHours =>
        Drive == LogDrive.Share
            ? Enumerable.Range(0, Samples.Length - 1).Sum(i => Samples[i].Share!.Value * (Samples[i + 1].Minutes - Samples[i].Minutes)) / 60
            : null;

    /// <summary>Builds a log from samples in the order they were read. Problems name <c>log</c> or <c>offAtMinute</c>.</summary>
    /// <param name="samples">Finite times and temperatures.</param>
    /// <param name="offAtMinute">When the power went off; only read where neither share nor set point was logged.</param>
    public static Result<FiringLog> Create(IReadOnlyList<LogSample> samples, double? offAtMinute)
    {
        if (samples.Count < FewestSamples)
            return new Problem("log", $"A log needs at least {FewestSamples} readings; this one has {samples.Count}.");
        var kept = new List<LogSample>(Math.Min(samples.Count, 8192));
        var first = samples[0].Minutes;
        foreach (var (i, sample) in samples.Index())
        {
            var minutes = sample.Minutes - first;
            if (i > 0 && sample.Minutes < samples[i - 1].Minutes)
                return new Problem("log", $"The time goes back at reading {i + 1}. Sort the log, or cut it where the clock was changed.");
            if (kept.Count == 0 || minutes - kept[^1].Minutes >= SpacingMinutes - 1e-6)
                kept.Add(sample with { Minutes = minutes });
        }
        var length = kept[^1].Minutes;
        if (length < ShortestMinutes)
            return new Problem(
                "log",
                $"This log covers {Phrases.Number(Math.Round(length, 1))} minutes; an hour is the least there is anything to learn from. Is the time in "
                    + "another unit?"
            );
        if (length > LongestMinutes)
            return new Problem(
                "log",
                $"This log covers {Phrases.Number(Math.Round(length / 1440))} days. Is the time in another unit, or are several firings in one file?"
            );
        if (kept.Max(s => s.Celsius) - kept.Min(s => s.Celsius) < LeastRise)
            return new Problem("log", "Nothing was fired in this log: the temperature hardly changes.");

        var drive =
            kept.SkipLast(1).All(s => s.Share is not null) ? LogDrive.Share
            : kept.Count(s => s.SetPoint is not null) >= FewestSamples ? LogDrive.SetPoint
            : LogDrive.Temperature;
        if (drive != LogDrive.Temperature)
            return new FiringLog([.. kept], drive, null);
        if (offAtMinute is not { } off)
            return new Problem(
                "offAtMinute",
                "This log has temperatures only. Say when the power went off for good: what the kiln did by itself after that is what can be learned from."
            );
        if (!(off >= 0 && off <= length - ShortestMinutes))
            return new Problem("offAtMinute", "At least an hour of the log has to be cooling with the power off.");
        return new FiringLog([.. kept], drive, off);
    }
}
