using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>A log on the wire to a curve of the core.</summary>
internal static class LogMapping
{
    private const int MostPoints = 200_000;

    /// <summary>Far beyond any firing, so that a time in seconds or a date by mistake is noticed: a year.</summary>
    private const double LongestMinutes = 366 * 24 * 60;

    /// <summary>The curve, or the first thing wrong with it at its place: <c>curve[17].minute</c>.</summary>
    public static Result<Curve> Read(IReadOnlyList<LogPoint?>? wire, TemperatureUnit? unit)
    {
        var scale = unit ?? TemperatureUnit.Celsius;
        if (wire is null or [])
            return new Problem("curve", "There is no point in this curve.");
        if (wire.Count > MostPoints)
            return new Problem("curve", $"A curve has at most {MostPoints} points; this one has {wire.Count}.");

        var points = new CurvePoint[wire.Count];
        for (var i = 0; i < points.Length; i++)
        {
            if (wire[i] is not { Minute: { } minute } point || !double.IsFinite(minute))
                return new Problem($"curve[{i}].minute", "A time in minutes is missing here.");
            if (Math.Abs(minute) > LongestMinutes)
                return new Problem($"curve[{i}].minute", "Times are minutes since the start; this one is more than a year away.");
            if (i > 0 && minute < points[i - 1].Minutes)
                return new Problem(
                    $"curve[{i}].minute",
                    $"The time goes back here, from {Phrases.Number(points[i - 1].Minutes)} to {Phrases.Number(minute)} min. Sort the log, or cut it "
                        + "where the clock was changed."
                );
            var temperature = ScheduleLimits.ReadTemperature(point.Temperature, scale, $"curve[{i}].temperature");
            if (!temperature.IsOk)
                return Result<Curve>.Failed(temperature.Problems);
            points[i] = new CurvePoint(minute, temperature.Value.Celsius);
        }
        return new Curve(points);
    }
}
