using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.App.Mapping;

/// <summary>Readings of a log on the wire.</summary>
internal static class LogSamples
{
    private const int MostSamples = 250_000;
    private const double LongestMinutes = 21 * 24 * 60;

    /// <summary>In their order; problems name <c>samples[i]</c>, or the field given.</summary>
    public static List<FiringSample> ReadSamples(IReadOnlyList<ReplaySample?> wire, List<Problem> problems, string field = "samples")
    {
        var samples = new List<FiringSample>(Math.Min(wire.Count, MostSamples));
        if (wire.Count > MostSamples)
            problems.Add(new Problem(field, $"At most {MostSamples} readings are taken at once; this has {wire.Count}."));
        foreach (var (i, sample) in wire.Take(MostSamples).Index())
        {
            if (problems.Count > 20)
                break;
            if (ReadMinute(sample?.Minute, $"{field}[{i}].minute", problems) is not { } minute)
            {
                if (sample?.Minute is null)
                    problems.Add(new Problem($"{field}[{i}].minute", "When was this read? Minutes since the start."));
                continue;
            }
            var read = new FiringSample(minute, sample!.Celsius, sample.Share, sample.SetPoint);
            if (read.Refusal(null) is { } why)
                problems.Add(new Problem($"{field}[{i}]", why));
            else
                samples.Add(read);
        }
        samples.Sort((a, b) => a.Minutes.CompareTo(b.Minutes));
        return samples;
    }

    /// <summary>A minute of a firing.</summary>
    public static double? ReadMinute(double? minute, string field, List<Problem> problems)
    {
        if (minute is null or (>= -60 and <= LongestMinutes))
            return minute;
        problems.Add(new Problem(field, $"Minutes since the start, up to {Phrases.Number(LongestMinutes)}; this says {Phrases.Number(minute.Value)}."));
        return null;
    }
}
