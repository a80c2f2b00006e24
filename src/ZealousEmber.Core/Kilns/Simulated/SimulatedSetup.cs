using System.Collections.Immutable;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Simulated;

/// <summary>How a thermocouple and its logger read.</summary>
/// <param name="OffsetAt1000">What the display shows too much at 1000 °C, K.</param>
/// <param name="OffsetPer200">How much more of it at 1200 °C, K.</param>
/// <param name="Noise">Standard deviation of a reading, K.</param>
/// <param name="Quantum">Readings are told in steps of so much, K.</param>
/// <param name="Spikes">Share of readings that are 80 K off.</param>
/// <param name="Lost">Share of readings that never arrive.</param>
public sealed record SimulatedReadings(
    double OffsetAt1000 = 0,
    double OffsetPer200 = 0,
    double Noise = 0.5,
    double Quantum = 0.25,
    double Spikes = 1e-4,
    double Lost = 1e-3
);

/// <summary>A kiln to be simulated with its controller.</summary>
/// <param name="Kiln">As it really is: its own power, heat and loss.</param>
/// <param name="Load">What stands in it.</param>
/// <param name="Program">What its controller was told.</param>
/// <param name="Start">Its temperature when it is switched on, °C.</param>
/// <param name="Seed">Of all that is random.</param>
/// <param name="Faults">What goes wrong.</param>
/// <param name="Readings">How it is read; as usual when missing.</param>
/// <param name="Physics">In what it differs from what the model takes every kiln to have.</param>
/// <param name="Supply">Standard deviations of the mains, as shares: of a firing, and within it over two hours.</param>
public sealed record SimulatedSetup(
    Kiln Kiln,
    KilnLoad Load,
    FiringProgram Program,
    double Start,
    ulong Seed,
    ImmutableArray<SimulatedFault> Faults = default,
    SimulatedReadings? Readings = null,
    KilnPhysics? Physics = null,
    (double Firing, double Within)? Supply = null
);

/// <summary>A reading as a logger sends it.</summary>
/// <param name="Sequence">From 1, in order.</param>
/// <param name="Minutes">Since the start.</param>
/// <param name="Celsius">What was shown; nothing where the thermocouple is broken.</param>
/// <param name="Share">Mean power share since the reading before.</param>
/// <param name="SetPoint">What is asked; nothing with the power off.</param>
public readonly record struct SimulatedSample(int Sequence, double Minutes, double? Celsius, double Share, double? SetPoint);
