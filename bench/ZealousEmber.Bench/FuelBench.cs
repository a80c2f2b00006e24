using System.Collections.Immutable;
using BenchmarkDotNet.Attributes;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Bench;

/// <summary>Two days of turns in a gas kiln, a cone 10 firing planned into turns, and where a firing is by what was seen of it.</summary>
[MemoryDiagnoser]
public class FuelBench
{
    private static readonly FuelKiln Bittern = FuelKiln
        .Create(new FuelKilnSpecification("Bittern", "updraft-300", null, null, new Dictionary<string, double?>()))
        .Value;
    private static readonly KilnLoad Load = Bittern.UsualLoad(ScheduleKind.Glaze);
    private static readonly Temperature Cold = Temperature.FromCelsius(20);
    private static readonly FiringProgram Glaze = FiringProgram.Create(NotationReader.Read(FuelPortrait.GlazeLine, TemperatureUnit.Celsius).Segments).Value;
    private static readonly ImmutableArray<FuelTurn> Turns =
    [
        .. TurnPlanner.Plan(Bittern, Load, Cold, Glaze).Value.Turns.Select(t => new FuelTurn(t.Minute, t.Setting)),
    ];
    private static readonly FuelObservation[] Seen = [.. EyeColour.All.Skip(1).Take(6).Select((c, i) => new FuelObservation(200 + 60 * i, Colour: c))];

    [Benchmark(Baseline = true)]
    public TurnPlan TwoDaysOfTurns() => TurnPlanner.Follow(Bittern, Load, Cold, Turns, 48 * 60);

    [Benchmark]
    public TurnPlan AFiringPlanned() => TurnPlanner.Plan(Bittern, Load, Cold, Glaze).Value;

    [Benchmark]
    public FuelEstimate WhereItIs() => FuelEstimator.At(Bittern, Load, 20, Turns, Seen, 560);
}
