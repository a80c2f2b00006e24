using BenchmarkDotNet.Attributes;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Bench;

/// <summary>Heat work over a long plan and over a long log, a solve, and a fixed fine step as the anchor.</summary>
[MemoryDiagnoser]
public class HeatWorkBench
{
    private static readonly Schedule Plan = Schedule
        .Create(
            "Bench",
            ScheduleKind.Glaze,
            TemperatureUnit.Celsius,
            [
                .. NotationReader
                    .Read(
                        "20/h to 90 hold 8:00; 60/h to 200; 80/h to 540; 60/h to 610; 120/h to 950; 100/h to 1100; 80/h to 1140; 60/h to 1222 hold 12m; cool 150/h to 1040; cool 30/h to 850 hold 2:00; cool 60/h to 700; cool 80/h to 60",
                        TemperatureUnit.Celsius
                    )
                    .Segments,
            ]
        )
        .Value;

    private static readonly Curve PlanCurve = PlainKiln.Instance.Times(Plan.Program).Value.Curve;

    private static readonly Curve Log = new(
        Enumerable
            .Range(0, 100_000)
            .Select(i =>
            {
                var minutes = PlanCurve.Points[^1].Minutes * i / 99_999;
                return new CurvePoint(minutes, PlanCurve.At(NodaTime.Duration.FromMinutes(minutes)).Celsius);
            })
    );

    private static readonly Cone Six = ConeNumber.Parse("6").Value;

    [Benchmark(Baseline = true)]
    public double[] AllConesOverThePlan() => [.. HeatWork.OfAll(PlanCurve)];

    [Benchmark]
    public double OneConeOverALogOf100000() => HeatWork.Of(ConeTable.Of(Six).Kinetics, Log);

    [Benchmark]
    public double[] AllConesOverALogOf100000() => [.. HeatWork.OfAll(Log)];

    [Benchmark]
    public object SolveTheTop() => ConeSolver.TopOf(Plan.Program, Six, PlainKiln.Instance.Start, PlainKiln.Instance.Times).Value;

    /// <summary>The anchor: the plan in fixed steps of a second, midpoint rule, one cone.</summary>
    [Benchmark]
    public double OneConeInFixedSeconds()
    {
        var points = PlanCurve.Points;
        var (kinetics, sum) = (ConeTable.Of(Six).Kinetics, 0.0);
        for (var i = 1; i < points.Length; i++)
        {
            var seconds = (int)Math.Ceiling((points[i].Minutes - points[i - 1].Minutes) * 60);
            for (var s = 0; s < seconds; s++)
            {
                var celsius = points[i - 1].Celsius + (points[i].Celsius - points[i - 1].Celsius) * (s + 0.5) / seconds;
                sum += kinetics.RateAt(celsius) * (points[i].Minutes - points[i - 1].Minutes) / 60 / seconds;
            }
        }
        return sum;
    }

    /// <summary>How far the method is from the anchor on this plan.</summary>
    internal static void PrintError()
    {
        var bench = new HeatWorkBench();
        var (ours, anchor, log) = (HeatWork.Of(ConeTable.Of(Six).Kinetics, PlanCurve), bench.OneConeInFixedSeconds(), bench.OneConeOverALogOf100000());
        Console.WriteLine(
            FormattableString.Invariant(
                $"{PlanCurve.Length.TotalHours:0.0} h plan: D {ours:0.000000}; fixed seconds differ by {(ours / anchor - 1) * 100:0.0000} %, the log of 100 000 points by {(log / ours - 1) * 100:0.0000} %"
            )
        );
    }
}
