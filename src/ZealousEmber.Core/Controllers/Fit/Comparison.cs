using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>The wanted firing beside the one a controller can be told.</summary>
internal sealed class Comparison(WantedCurve wanted, CompiledSchedule compiled, CompiledSchedule told)
{
    /// <summary>Steps: heat work may differ by so much.</summary>
    public const double StepWork = 0.05;

    /// <summary>Built-in programs: their rates are their own.</summary>
    public const double PresetWork = 0.18;

    private const double KeptOfABand = 2 / 3.0;
    private const double KeptOfCooling = 0.5;

    /// <summary>Powered, more than wanted.</summary>
    public double Minutes => told.Powered.TotalMinutes - compiled.Powered.TotalMinutes;

    /// <summary>Bands that keep less than two thirds of their time: which, hours wanted, hours kept.</summary>
    public IEnumerable<(Band Band, double Wanted, double Told)> Shortened =>
        wanted.Bands.Select(b => (b, HoursWithPower(b, compiled), HoursWithPower(b, told))).Where(b => b.Item2 > 0 && b.Item3 < b.Item2 * KeptOfABand - 1e-9);

    /// <summary>The same firing for the ware: heat work, time in bands and cooling.</summary>
    public bool IsNearly(double work, double told, double sameWork) => Math.Abs(told / work - 1) <= sameWork && !Shortened.Any() && !IsCoolingHalved;

    /// <summary>Less than half of the powered cooling is left.</summary>
    public bool IsCoolingHalved => Cooling(told) < Cooling(compiled) * KeptOfCooling - 1e-9;

    /// <summary>The furthest both are apart at one time while they have power, K.</summary>
    public double FurthestApart
    {
        get
        {
            var until = Math.Min(compiled.Powered.TotalMinutes, told.Powered.TotalMinutes);
            return compiled
                .Curve.Points.ToArray()
                .Concat(told.Curve.Points.ToArray())
                .Select(p => p.Minutes)
                .Where(m => m <= until)
                .Select(NodaTime.Duration.FromMinutes)
                .Select(at => Math.Abs((compiled.Curve.At(at) - told.Curve.At(at)).Kelvins))
                .DefaultIfEmpty(0)
                .Max();
        }
    }

    /// <summary>Hours with power after the top.</summary>
    public static double Cooling(CompiledSchedule schedule) => Math.Max(0, (schedule.Powered - schedule.Curve.EndOfTop).TotalHours);

    /// <summary>What a kiln does by itself is no schedule's doing.</summary>
    private static double HoursWithPower(Band band, CompiledSchedule schedule)
    {
        var powered = schedule.Powered.TotalMinutes;
        return band.Cooling ? band.HoursOf(new Curve(schedule.Curve.Points.ToArray().Where(p => p.Minutes <= powered + 1e-9))) : band.HoursOf(schedule.Curve);
    }
}
