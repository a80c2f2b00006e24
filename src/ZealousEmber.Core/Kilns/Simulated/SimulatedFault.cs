namespace ZealousEmber.Core.Kilns.Simulated;

/// <summary>What can go wrong in a simulated kiln.</summary>
public enum FaultKind
{
    /// <summary>A section of elements gives nothing; size is the share lost, a third when missing.</summary>
    DeadSection,

    /// <summary>A relay that does not let go: full power whatever is asked.</summary>
    StuckOn,

    /// <summary>A relay that does not close: no power whatever is asked.</summary>
    StuckOff,

    /// <summary>The thermocouple is broken: no value, or 1372 where the size says so; the controller stops heating.</summary>
    ThermocoupleOpen,

    /// <summary>Its wires touch: it shows 35 °C, or the size.</summary>
    ThermocoupleShort,

    /// <summary>Its wires are crossed: it falls as the kiln climbs.</summary>
    ThermocoupleReversed,

    /// <summary>It has slid out of the wall: it shows 0.7, or the size, of what is above the room.</summary>
    ThermocoupleSlid,

    /// <summary>It drifts; size in °C an hour, −15 when missing.</summary>
    ThermocoupleDrifting,

    /// <summary>It shows the same number all the time.</summary>
    Frozen,

    /// <summary>No mains: no power and no readings.</summary>
    PowerCut,

    /// <summary>No power for the elements, while readings go on.</summary>
    ElementsCut,

    /// <summary>No readings, while the firing goes on.</summary>
    Link,

    /// <summary>Lid or door open; size in W/K, 40 when missing.</summary>
    LidOpen,

    /// <summary>Low mains; size is the share of power lost, 0.15 when missing.</summary>
    LowMains,

    /// <summary>A hold that never ends.</summary>
    EndlessHold,

    /// <summary>A top entered too high; size in °C, 40 when missing.</summary>
    TopTooHot,
}

/// <summary>Something that goes wrong.</summary>
/// <param name="Kind">What.</param>
/// <param name="FromMinute">From when, minutes since the start, 0 or more.</param>
/// <param name="Minutes">For how long, more than 0; to the end when missing.</param>
/// <param name="Size">How badly, as its kind says.</param>
public sealed record SimulatedFault(FaultKind Kind, double FromMinute, double? Minutes = null, double? Size = null)
{
    /// <summary>Most faults of one firing.</summary>
    public const int Most = 20;

    private const double Longest = 60 * 24 * 60;

    /// <summary>Whether it is there at a moment, s.</summary>
    internal bool IsAt(double seconds) => seconds >= FromMinute * 60 && !(Minutes is { } lasts && seconds >= (FromMinute + lasts) * 60);

    /// <summary>How badly.</summary>
    internal double Strength =>
        Size
        ?? Kind switch
        {
            FaultKind.DeadSection => 1 / 3.0,
            FaultKind.ThermocoupleShort => 35,
            FaultKind.ThermocoupleSlid => 0.7,
            FaultKind.ThermocoupleDrifting => -15,
            FaultKind.LidOpen => 40,
            FaultKind.LowMains => 0.15,
            FaultKind.TopTooHot => 40,
            _ => 0,
        };

    /// <summary>A problem at <c>fromMinute</c>, <c>minutes</c> or <c>size</c>; nothing when it can be simulated.</summary>
    public Problem? Check()
    {
        if (!(FromMinute >= 0 && FromMinute <= Longest))
            return new Problem("fromMinute", "Minutes since the start, 0 or more.");
        if (Minutes is { } lasts && !(lasts > 0 && lasts <= Longest))
            return new Problem("minutes", "How many minutes it lasts, more than 0.");
        if (Size is not { } size)
            return null;
        var (least, most) = Kind switch
        {
            FaultKind.DeadSection or FaultKind.LowMains => (0.0, 1.0),
            FaultKind.ThermocoupleOpen => (1300, 1400),
            FaultKind.ThermocoupleShort => (0, 100),
            FaultKind.ThermocoupleSlid => (0.1, 1),
            FaultKind.ThermocoupleDrifting => (-200, 200),
            FaultKind.LidOpen => (0, 500),
            FaultKind.TopTooHot => (-200, 200),
            _ => (double.MinValue, double.MaxValue),
        };
        return size >= least && size <= most
            ? null
            : new Problem(
                "size",
                $"For this fault the size lies between {Phrases.Number(least)} and {Phrases.Number(most)}; this says {Phrases.Number(size)}."
            );
    }
}
