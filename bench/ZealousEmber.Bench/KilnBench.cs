using BenchmarkDotNet.Attributes;
using NodaTime;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Tests;

namespace ZealousEmber.Bench;

/// <summary>A firing of two days on a kiln, a week of starts, a kiln learned from a log, and a general solver as the anchor.</summary>
[MemoryDiagnoser]
public class KilnBench
{
    private static readonly Kiln Heron = Kiln.Create(new KilnSpecification("Heron", "top-190", null, null, null, new Dictionary<string, double?>())).Value;
    private static readonly KilnLoad Load = Heron.UsualLoad(ScheduleKind.Glaze);
    private static readonly Temperature Cold = Temperature.FromCelsius(20);
    private static readonly Temperature Hot = Temperature.FromCelsius(1222);

    /// <summary>48 h from switching on to opening.</summary>
    private static readonly FiringProgram TwoDays = Read(
        "60/h to 90 hold 5:30; 100/h to 600; 150/h to 1000; 60/h to 1222 hold 12m; cool 150/h to 1040; cool 60/h to 850 hold 30m; off"
    );
    private static readonly FiringProgram Off = Read("off");

    private static readonly KilnRun Run = KilnRunner.Run(TwoDays, Cold, Heron, Load).Value;
    private static readonly StartTask Task = StartTask.Of(
        Schedule.Create("Bench", ScheduleKind.Glaze, TemperatureUnit.Celsius, TwoDays.Steps).Value,
        Run,
        Temperature.FromCelsius(100)
    );
    private static readonly StartWindow Week = new(Instant.FromUtc(2026, 11, 23, 9, 0), Instant.FromUtc(2026, 11, 30, 9, 0));
    private static readonly StudioSettings Studio = new(
        DateTimeZoneProviders.Tzdb["Europe/London"],
        new EnergyPrices(
            "£",
            [new Tariff(EnergyCarrier.Electricity, 0.29, [new TariffBand("night", 0.13, new WeeklySpan([], new LocalTime(0, 30), new LocalTime(7, 30)))])]
        ),
        [
            new Presence("Maren", [new WeeklySpan([IsoDayOfWeek.Monday, IsoDayOfWeek.Wednesday], new LocalTime(8, 0), new LocalTime(17, 0))]),
            new Presence(
                "Tobin",
                [new WeeklySpan([IsoDayOfWeek.Saturday, IsoDayOfWeek.Sunday, IsoDayOfWeek.Tuesday], new LocalTime(9, 0), new LocalTime(23, 0))]
            ),
        ],
        AttendanceRule.MarkedMoments,
        [WatchKind.SwitchOn, WatchKind.Top],
        StudioDisplay.Usual
    );

    private static readonly LoggedFiring Log = MakeLog();

    private static FiringProgram Read(string line) => FiringProgram.Create(NotationReader.Read(line, TemperatureUnit.Celsius).Segments).Value;

    /// <summary>24 h of another kiln than the one the fit starts from, a reading a minute.</summary>
    private static LoggedFiring MakeLog()
    {
        var truth = Heron.Learned(1.15, 0.9, 1, 0.1);
        var run = KilnRunner.Run(Read("100/h to 200; 200/h to 1120; 60/h to 1222 hold 10m; off"), Cold, truth, Load).Value;
        var used = run.Uses[0].KwhPerBin;
        var random = new Random(1);
        return new LoggedFiring(
            FiringLog
                .Create(
                    [
                        .. Enumerable
                            .Range(0, 24 * 60)
                            .Select(m => new LogSample(
                                m,
                                run.Compiled.Curve.At(Duration.FromMinutes(m - 1.5)).Celsius + random.NextDouble(),
                                m / 5 < used.Length ? used[m / 5] * 12_000 / truth.FullPower : 0,
                                null
                            )),
                    ],
                    null
                )
                .Value,
            Load
        );
    }

    [Benchmark(Baseline = true)]
    public KilnRun TwoDaysOnAKiln() => KilnRunner.Run(TwoDays, Cold, Heron, Load).Value;

    [Benchmark]
    public KilnRun TwoDaysInStepsOf30Seconds() => KilnRunner.Run(TwoDays, Cold, Heron, Load, new Fineness(30, 12, 30)).Value;

    [Benchmark]
    public KilnPortrait Portrait() => KilnPortrait.Of(Heron);

    [Benchmark]
    public StartAnswer AWeekOfStarts() => StartSolver.Best(Task, Week, Studio);

    [Benchmark]
    public object LearnFrom24Hours() => KilnFit.Learn(Heron, [Log], LearnWhat.Kiln).Value;

    [Benchmark]
    public KilnRun CoolingOurs() => KilnRunner.Run(Off, Hot, Heron, Load).Value;

    /// <summary>The anchor: MathNet.Numerics' Runge–Kutta on the same cooling, as many hours, steps as short as it needs to stay stable.</summary>
    [Benchmark]
    public double[] CoolingByRungeKutta() => KilnOde.Cooling(Heron, Load, 1222, 20, 20 * 3600 / 2, 12);

    /// <summary>How far the quick model is from finer ones.</summary>
    internal static void PrintError()
    {
        var fine = KilnRunner.Run(TwoDays, Cold, Heron, Load, new Fineness(7.5, 45, 7.5)).Value;
        double worst = 0,
            worstHot = 0;
        foreach (var (one, other) in Run.Compiled.Segments.Zip(fine.Compiled.Segments))
        {
            for (var m = 1.0; m < Math.Min(one.Ramp.TotalMinutes, other.Ramp.TotalMinutes); m++)
            {
                var apart = (Run.Compiled.Curve.At(one.Start + Duration.FromMinutes(m)) - fine.Compiled.Curve.At(other.Start + Duration.FromMinutes(m)))
                    .Abs()
                    .Kelvins;
                if (one.To > one.From)
                    worstHot = Math.Max(worstHot, apart);
                else
                    worst = Math.Max(worst, apart);
            }
        }
        Console.WriteLine(
            FormattableString.Invariant(
                $"{Run.OpensAt!.Value.TotalHours:0.0} h on Heron, against 45 nodes and 7.5 s: climbing within {worstHot:0.00} K, cooling within {worst:0.00} K, open {(Run.OpensAt.Value - fine.OpensAt!.Value).TotalMinutes:0.0} min later, {(Run.Energy.Used / fine.Energy.Used - 1) * 100:0.00} % kWh; energy closes to {Run.Energy.Imbalance:0.0e0}"
            )
        );
        var ours = KilnRunner.Run(Off, Hot, Heron, Load).Value.Compiled.Curve;
        var ode = KilnOde.Cooling(Heron, Load, 1222, 20, 20 * 3600 / 2, 12);
        var differ = Enumerable
            .Range(1, 39)
            .Select(h => Math.Abs(ours.At(Duration.FromMinutes(30 * h)).Celsius - ode[(int)(h * 0.5 / 20 * (ode.Length - 1))]))
            .Max();
        Console.WriteLine(FormattableString.Invariant($"20 h of cooling: within {differ:0.0} K of Runge-Kutta at every half hour"));
    }
}
