using BenchmarkDotNet.Attributes;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Planning;
using ZealousEmber.App.Preview;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Bench;

/// <summary>Planning a load of twenty lots, doubting the plan, and reviewing a spoiled schedule, each with and without a kiln.</summary>
[MemoryDiagnoser]
public class PlanBench
{
    private static readonly LoadContract Load = new(
        Lots:
        [
            .. Enumerable
                .Range(0, 20)
                .Select(i => new LotContract(
                    $"lot {i}",
                    6,
                    4 + i % 5,
                    Dryness: i % 2 == 0 ? Dryness.BoneDry : Dryness.CoolToTouch,
                    Clay: new ClayContract("Marsh White", ClayKind.Stoneware, "5", "7"),
                    Glazes: [new GlazeContract("Oyster matte", "5", "7", SlowFrom: 1040, SlowTo: 850, SlowHours: 3.5)]
                )),
        ]
    );

    private static readonly KilnContract Heron = new("Heron", "top-190");
    private static readonly PlanRequest Glaze = new(Load, ScheduleKind.Glaze);

    private static readonly PlanRequest Thick = new(
        Load with
        {
            Lots = [.. Load.Lots!, new LotContract("planters", 4, 34, Dryness: Dryness.Damp)],
        },
        ScheduleKind.Bisque
    );

    private static readonly PreviewRequest Spoiled = new(
        new ScheduleContract(
            "Spoiled",
            ScheduleKind.Glaze,
            TemperatureUnit.Celsius,
            [
                .. NotationReader
                    .Read("100/h to 600; 200/h to 1100; 60/h to 1150 hold 40m; off", TemperatureUnit.Celsius)
                    .Segments.Select(s => ScheduleMapping.Write(s, TemperatureUnit.Celsius)),
            ],
            GoalCone: "6"
        ),
        Load: Load
    );

    [Benchmark(Baseline = true)]
    public object Plan() => Make(Glaze);

    [Benchmark]
    public object PlanInAKiln() => Make(Glaze with { Kiln = Heron });

    [Benchmark]
    public object BisqueOfThickWare() => Make(Thick);

    [Benchmark]
    public object BisqueOfThickWareInAKiln() => Make(Thick with { Kiln = Heron });

    [Benchmark]
    public object WhatIfInAKiln() =>
        WhatIfs.Make(new WhatIfRequest(Glaze with { Kiln = Heron }, CoolerCones: -1), StudioLookup.Nothing).GetAwaiter().GetResult().Value;

    [Benchmark]
    public object PreviewOfASpoiledSchedule() => PreviewEndpoints.Make(Spoiled, StudioLookup.Nothing).GetAwaiter().GetResult().Value;

    [Benchmark]
    public object PreviewOfASpoiledScheduleInAKiln() =>
        PreviewEndpoints.Make(Spoiled with { Kiln = Heron }, StudioLookup.Nothing).GetAwaiter().GetResult().Value;

    private static PlanResponse Make(PlanRequest request)
    {
        var task = PlanTask.Read(request, StudioLookup.Nothing).GetAwaiter().GetResult().Value;
        return PlanEndpoints.Write(PlanAssessment.Of(task.Load, task.Wish, task.Kiln).Value, task);
    }
}
