using NodaTime;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Schedules;

/// <summary>What a moment of a firing is.</summary>
public enum MomentKind
{
    /// <summary>Climbs past the boiling point of water at sea level.</summary>
    PastBoiling,

    /// <summary>Climbs through the quartz inversion.</summary>
    QuartzRising,

    /// <summary>Reaches its hottest.</summary>
    Top,

    /// <summary>Leaves its hottest for good.</summary>
    CoolingBegins,

    /// <summary>The power goes off for good.</summary>
    PowerOff,

    /// <summary>Cools through the quartz inversion.</summary>
    QuartzFalling,

    /// <summary>Cool enough to open.</summary>
    MayOpen,
}

/// <summary>A moment people plan their day by.</summary>
/// <param name="Kind">What happens.</param>
/// <param name="At">Since the start of the firing.</param>
/// <param name="Temperature">Of the kiln then.</param>
public sealed record Moment(MomentKind Kind, Duration At, Temperature Temperature)
{
    private static readonly Temperature Boiling = Temperature.FromCelsius(100);
    private static readonly Temperature Quartz = Temperature.FromCelsius(573);

    /// <summary>The moments of a timed schedule, in order of time; those that do not happen are left out.</summary>
    /// <param name="compiled">The timed schedule.</param>
    /// <param name="opens">When it may be opened.</param>
    /// <param name="boiling">When water boils where it stands; 100 °C when not said.</param>
    public static IReadOnlyList<Moment> Of(CompiledSchedule compiled, Temperature opens, Temperature? boiling = null)
    {
        var curve = compiled.Curve;
        var moments = new List<Moment>();
        void Add(MomentKind kind, Duration? at, Temperature temperature)
        {
            if (at is { } time)
                moments.Add(new Moment(kind, time, temperature));
        }

        var peak = curve.Peak;
        var atTop = curve.Points.ToArray().Where(p => p.Celsius == peak.Celsius).ToList();
        var last = Duration.FromMinutes(atTop[^1].Minutes);
        Add(MomentKind.PastBoiling, curve.FirstRiseThrough(boiling ?? Boiling), boiling ?? Boiling);
        Add(MomentKind.QuartzRising, curve.FirstRiseThrough(Quartz), Quartz);
        Add(MomentKind.Top, Duration.FromMinutes(atTop[0].Minutes), peak);
        if (last > Duration.FromMinutes(atTop[0].Minutes) && last < curve.Length)
            Add(MomentKind.CoolingBegins, last, peak);
        if (compiled.PowerOff is { } off && off != last)
            Add(MomentKind.PowerOff, off, curve.At(off));
        Add(MomentKind.QuartzFalling, curve.LastFallThrough(Quartz), Quartz);
        Add(MomentKind.MayOpen, curve.LastFallThrough(opens), opens);
        return [.. moments.OrderBy(m => m.At)];
    }
}
