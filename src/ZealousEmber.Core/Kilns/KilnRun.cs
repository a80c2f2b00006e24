using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns;

/// <summary>How one step went.</summary>
/// <param name="Late">How much longer its climb or cooling took than asked; none for full power and off.</param>
/// <param name="BehindFrom">The temperature from which the kiln could not keep to what was asked; none when it did.</param>
/// <param name="FullPower">Time at full power.</param>
/// <param name="Kwh">Energy of every carrier together.</param>
public sealed record KilnStep(Duration Late, Temperature? BehindFrom, Duration FullPower, double Kwh);

/// <summary>A kiln that gives up: the set point stood at the target and less than 1 °C was gained in 2 h.</summary>
/// <param name="Segment">Which step.</param>
/// <param name="At">How hot it gets at best.</param>
/// <param name="When">When it had got there.</param>
public sealed record KilnStall(int Segment, Temperature At, Duration When);

/// <summary>Where the energy of a run went, kWh; lost and stored add up to what was used.</summary>
/// <param name="Used">Of every carrier together.</param>
/// <param name="Lost">Given to the room.</param>
/// <param name="Stored">Still in chamber and wall, against the start; with the heat that boiled water off.</param>
public sealed record KilnEnergy(double Used, double Lost, double Stored)
{
    /// <summary>What does not add up, as a share of what was used; 0 when nothing was used.</summary>
    public double Imbalance => Used > 0 ? Math.Abs(Used - Lost - Stored) / Used : 0;
}

/// <summary>What a kiln makes of a program.</summary>
/// <param name="Compiled">The program with the kiln's own times; its curve is the chamber's.</param>
/// <param name="SetPoint">What was asked, as the controller sees it.</param>
/// <param name="Steps">One for each step of the program.</param>
/// <param name="Afterwards">From the end of the program until it may be opened; one point when that is so already, or not known.</param>
/// <param name="OpensAt">When it may be opened; never while the program still runs. Nothing where the program ends hot and nobody knows how it cools.</param>
/// <param name="Energy">Balance of the program itself, without the cooling after it.</param>
/// <param name="FullPower">Time at full power.</param>
/// <param name="Uses">What was taken of each carrier; empty where that is not known.</param>
/// <param name="Stall">Where it gives up; nothing when it reaches everything. Times after it suppose that somebody skips the step.</param>
public record KilnRun(
    CompiledSchedule Compiled,
    Curve SetPoint,
    ImmutableArray<KilnStep> Steps,
    Curve Afterwards,
    Duration? OpensAt,
    KilnEnergy Energy,
    Duration FullPower,
    ImmutableArray<EnergyUse> Uses,
    KilnStall? Stall
)
{
    /// <summary>Length of a bin of <see cref="EnergyUse.KwhPerBin"/>.</summary>
    public static readonly Duration Bin = Duration.FromMinutes(5);

    /// <summary>How late it is in all: the steps' own lateness added up.</summary>
    public Duration Late => Duration.FromTicks(Steps.Sum(s => s.Late.BclCompatibleTicks));

    /// <summary>The chamber as far as it is known: the program, then the cooling after it.</summary>
    public Curve WholeCurve => Afterwards.Points.Length > 1 ? new Curve([.. Compiled.Curve.Points, .. Afterwards.Points[1..]]) : Compiled.Curve;
}
