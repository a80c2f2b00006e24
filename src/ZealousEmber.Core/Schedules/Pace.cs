using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Schedules;

/// <summary>How a step goes to its target: at a rate, as fast as the kiln can, or with the power off.</summary>
public abstract record Pace
{
    private Pace() { }

    /// <summary>As fast as the kiln can climb. Towards a lower target it is the same as <see cref="Natural"/>.</summary>
    public static readonly Pace Full = new FullPace();

    /// <summary>Power off: the kiln cools by itself.</summary>
    public static readonly Pace Natural = new NaturalPace();

    /// <summary>At a steady rate; always positive, since the targets say whether it climbs or cools.</summary>
    public static Pace At(Rate rate) =>
        rate.KelvinsPerHour > 0 ? new RatePace(rate) : throw new ArgumentOutOfRangeException(nameof(rate), rate, "a pace is more than nothing");

    /// <summary>Which of the three it is.</summary>
    public PaceKind Kind =>
        this switch
        {
            RatePace => PaceKind.Rate,
            FullPace => PaceKind.Full,
            _ => PaceKind.Natural,
        };

    /// <summary>The rate, where it goes at one.</summary>
    public Rate? Rate => (this as RatePace)?.Steady;

    private sealed record RatePace(Rate Steady) : Pace;

    private sealed record FullPace : Pace;

    private sealed record NaturalPace : Pace;
}

/// <summary>The three paces by name.</summary>
public enum PaceKind
{
    /// <summary>Degrees an hour.</summary>
    Rate,

    /// <summary>As fast as the kiln can.</summary>
    Full,

    /// <summary>Power off.</summary>
    Natural,
}

/// <summary>What the kiln's air is meant to be during a step; nothing said means the kiln's own habit.</summary>
public enum Atmosphere
{
    /// <summary>More air than the fuel needs; the only one for bisque.</summary>
    Oxidising,

    /// <summary>Just the air the fuel needs.</summary>
    Neutral,

    /// <summary>A little less air than the fuel needs.</summary>
    LightReduction,

    /// <summary>Much less air than the fuel needs; carbon monoxide comes with it.</summary>
    HeavyReduction,
}
