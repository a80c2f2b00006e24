using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>Why a row of the sheet is there.</summary>
public enum TurnKind
{
    /// <summary>Burners or damper are set anew.</summary>
    Turn,

    /// <summary>Nothing is turned: look, and leave it.</summary>
    Look,

    /// <summary>Burners out for good.</summary>
    ShutOff,
}

/// <summary>A row of the turn-up sheet: how to set it, and what to expect until the next. Temperatures °C.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="Kind">Why it is there.</param>
/// <param name="Setting">How burners and damper stand from then on.</param>
/// <param name="Step">Of the schedule; the last one for the shut-off.</param>
/// <param name="InHold">Whether the step is at its hold.</param>
/// <param name="Asked">The atmosphere the step asks for.</param>
/// <param name="Celsius">The chamber then.</param>
/// <param name="EndCelsius">The chamber at the next row.</param>
/// <param name="Wanted">Where the schedule wants it then.</param>
/// <param name="Breath">What goes through at first.</param>
/// <param name="EndLambda">λ at the next row.</param>
/// <param name="FlameAtFlue">How far flame stands out of the flue, m; 0 where none does.</param>
/// <param name="IsLate">Whether the step goes on for longer than asked with it.</param>
public sealed record PlannedTurn(
    double Minute,
    TurnKind Kind,
    BurnerSetting Setting,
    int Step,
    bool InHold,
    Atmosphere? Asked,
    double Celsius,
    double EndCelsius,
    double Wanted,
    Breath Breath,
    double EndLambda,
    double FlameAtFlue,
    bool IsLate
);

/// <summary>How near a plan keeps to what was asked, above 200 °C, K.</summary>
/// <param name="Rms">Root of the mean square.</param>
/// <param name="Worst">The largest, without a sign.</param>
/// <param name="Late">How much later it is over than asked.</param>
public sealed record FollowError(double Rms, double Worst, Duration Late);

/// <summary>What a kiln cannot do of what was asked.</summary>
public enum TurnTrouble
{
    /// <summary>With everything open it stays below.</summary>
    ShortOfHeat,

    /// <summary>With one small flame and the damper open it gets hotter.</summary>
    CannotBeHeldThisCool,

    /// <summary>No setting gives the air asked for with the heat.</summary>
    AirCannotBeHad,
}

/// <summary>Where a kiln cannot do what was asked.</summary>
/// <param name="Trouble">What.</param>
/// <param name="Step">Of the schedule.</param>
/// <param name="Minute">When.</param>
/// <param name="Celsius">What it comes to.</param>
/// <param name="Wanted">What was wanted, °C.</param>
public sealed record TurnShortfall(TurnTrouble Trouble, int Step, double Minute, double Celsius, double Wanted);

/// <summary>A firing as turns: what to set when, and what comes of it.</summary>
/// <param name="Turns">In order of time.</param>
/// <param name="Segments">The schedule's steps with the times they get.</param>
/// <param name="Curve">The chamber, to the end of the last step.</param>
/// <param name="Line">What was wanted, over the same time.</param>
/// <param name="Cooling">From there until it may be opened, closed up.</param>
/// <param name="Air">λ over time; without bound is told as 99.</param>
/// <param name="Follow">How near it keeps.</param>
/// <param name="Trouble">What it cannot do; the first of each kind in each step.</param>
/// <param name="Powered">Until the burners go out for good.</param>
/// <param name="Fuel">kg in each <see cref="KilnRun.Bin"/> from the start.</param>
/// <param name="Heat">Where its heat went.</param>
/// <param name="Energy">Balance of the time before the cooling, kWh.</param>
/// <param name="Stall">Where it gave up.</param>
/// <param name="PeakFuel">Most fuel at any moment, kg/h.</param>
/// <param name="OpensAt">When it may be opened.</param>
public sealed record TurnPlan(
    ImmutableArray<PlannedTurn> Turns,
    ImmutableArray<CompiledSegment> Segments,
    Curve Curve,
    Curve Line,
    Curve Cooling,
    ImmutableArray<AirPoint> Air,
    FollowError Follow,
    ImmutableArray<TurnShortfall> Trouble,
    Duration Powered,
    ImmutableArray<double> Fuel,
    FlameHeat Heat,
    KilnEnergy Energy,
    KilnStall? Stall,
    double PeakFuel,
    Duration? OpensAt
)
{
    /// <summary>All of the fuel, kg.</summary>
    public double TotalFuel => Fuel.Sum();

    /// <summary>Its energy as bills count it, with the heat of the steam.</summary>
    public EnergyUse Use(Fuel fuel) => new(EnergyCarrier.Gas, TotalFuel * PerKg(fuel), [.. Fuel.Select(kg => kg * PerKg(fuel))]);

    private static double PerKg(Fuel fuel) => fuel.Gross / 3.6;

    /// <summary>The schedule with the times it gets.</summary>
    public CompiledSchedule Compiled => new(Segments, Curve, Powered);

    /// <summary>The same as every kiln tells a firing.</summary>
    public FuelRun Run(Fuel fuel)
    {
        var asked = Segments.Select((_, i) => new KilnStep(Duration.FromMinutes(LateOf(i)), null, Duration.Zero, PerKg(fuel) * FuelOf(Segments[i])));
        return new FuelRun(this, [.. asked], [Use(fuel)]);
    }

    private double LateOf(int step)
    {
        var rows = Turns.Where(t => t.Step == step && t.IsLate).ToList();
        return rows.Count == 0 ? 0 : Segments[step].RampEnd.TotalMinutes - rows[0].Minute;
    }

    private double FuelOf(CompiledSegment segment)
    {
        var width = KilnRun.Bin.TotalMinutes;
        var (from, to, kg) = (segment.Start.TotalMinutes, segment.End.TotalMinutes, 0.0);
        for (var i = (int)(from / width); i < Fuel.Length && i * width < to; i++)
            kg += Fuel[i] * Math.Max(0, Math.Min(to, (i + 1) * width) - Math.Max(from, i * width)) / width;
        return kg;
    }
}

/// <summary>The air at a moment.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="Lambda">Air there is over air needed, at most 99.</param>
public readonly record struct AirPoint(double Minute, double Lambda);

/// <summary>What a fuel kiln makes of a program, with the turns it is fired by.</summary>
public sealed record FuelRun : KilnRun
{
    internal FuelRun(TurnPlan plan, ImmutableArray<KilnStep> steps, ImmutableArray<EnergyUse> uses)
        : base(plan.Compiled, plan.Line, steps, plan.Cooling, plan.OpensAt, plan.Energy, Duration.Zero, uses, plan.Stall) => Plan = plan;

    /// <summary>The turns, the air and what cannot be done.</summary>
    public TurnPlan Plan { get; }
}
