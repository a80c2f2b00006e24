using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Clock;

/// <summary>What somebody is wanted for.</summary>
public enum WatchKind
{
    /// <summary>Switch it on and check that nothing touches.</summary>
    SwitchOn,

    /// <summary>See whether steam still comes, before it passes boiling.</summary>
    SteamCheck,

    /// <summary>First dull red: draughts and peepholes.</summary>
    FirstColour,

    /// <summary>The air is to be changed.</summary>
    Reduction,

    /// <summary>Cones go down.</summary>
    Top,

    /// <summary>The power goes off for good.</summary>
    PowerOff,

    /// <summary>It may be opened.</summary>
    Open,
}

/// <summary>A moment that wants a person.</summary>
/// <param name="Kind">What for.</param>
/// <param name="At">Since the start.</param>
/// <param name="Lasts">How long somebody is wanted.</param>
/// <param name="Text">What to do, in a few words.</param>
public sealed record WatchMoment(WatchKind Kind, Duration At, Duration Lasts, string Text)
{
    private static readonly Temperature Colour = Temperature.FromCelsius(580);
    private const string LookForSteam = "Look for steam: a cold mirror over the peephole, then once round the kiln";

    // A block of a hold stays where it is, give or take what a display lags, K.
    private const double Level = 3;
    private static readonly Duration QuarterHour = Duration.FromMinutes(15);

    /// <summary>The moments of a firing that want a person, in order of time.</summary>
    /// <param name="schedule">What is fired.</param>
    /// <param name="compiled">Its times.</param>
    /// <param name="opensAt">When it may be opened, where that is known.</param>
    /// <param name="boiling">When water boils where the kiln stands.</param>
    public static IReadOnlyList<WatchMoment> Of(Schedule schedule, CompiledSchedule compiled, Duration? opensAt, Temperature boiling)
    {
        var moments = new List<WatchMoment>();
        void Add(WatchKind kind, Duration? at, Duration lasts, string text)
        {
            if (at is { } time)
                moments.Add(new WatchMoment(kind, time, lasts, text));
        }

        var curve = compiled.Curve;
        var peak = curve.Peak;
        Add(WatchKind.SwitchOn, Duration.Zero, QuarterHour, "Switch on; nothing touching, nothing flammable near");
        if (schedule.Kind.FiresRaw())
        {
            var passes = curve.FirstRiseThrough(boiling);
            // Looked for where a drying hold ends, and where each block of it does; or when it comes to boiling without one.
            bool IsLow(CompiledSegment s) => s.Hold > Duration.Zero && s.To <= boiling + TemperatureDifference.FromKelvins(40);
            var first = compiled.Segments.ToList().FindLastIndex(s => IsLow(s) && (s.To - s.From).Kelvins > Level);
            if (first < 0)
                Add(WatchKind.SteamCheck, passes, QuarterHour, LookForSteam);
            foreach (
                var hold in compiled
                    .Segments.Skip(Math.Max(0, first))
                    .TakeWhile((s, i) => first >= 0 && IsLow(s) && (i == 0 || Math.Abs((s.To - s.From).Kelvins) <= Level))
            )
                Add(
                    WatchKind.SteamCheck,
                    hold.End - Duration.FromTicks(Math.Min(QuarterHour.BclCompatibleTicks, hold.Hold.BclCompatibleTicks)),
                    QuarterHour,
                    LookForSteam
                );
        }
        Add(WatchKind.FirstColour, curve.FirstRiseThrough(Colour), QuarterHour, "First dull red: peepholes and vent as this kiln wants them");
        foreach (var (i, segment) in schedule.Segments.Index())
        {
            var reduces = segment.Atmosphere is Atmosphere.LightReduction or Atmosphere.HeavyReduction;
            if (reduces && (i == 0 || schedule.Segments[i - 1].Atmosphere != segment.Atmosphere))
                Add(WatchKind.Reduction, compiled.Segments[i].Start, QuarterHour, "Set the reduction; carbon monoxide: air and an alarm");
        }
        var top = compiled.Segments.FirstOrDefault(s => s.To >= peak && s.To > s.From);
        if (top is not null)
            Add(
                WatchKind.Top,
                top.RampEnd,
                Duration.Max(QuarterHour, Duration.Min(top.Hold, Duration.FromHours(1))),
                "The top: look at the cones through shaded glass"
            );
        if (compiled.Powered > Duration.Zero)
            Add(WatchKind.PowerOff, compiled.Powered, QuarterHour, "Power off; see that it really is");
        Add(WatchKind.Open, opensAt, QuarterHour, "Cool enough to open");
        return [.. moments.OrderBy(m => m.At)];
    }
}
