using BenchmarkDotNet.Attributes;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Controllers.ReadingBack;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Bench;

/// <summary>Saying a schedule to a controller, and reading it back. Bars: 20 ms and 50 ms.</summary>
[MemoryDiagnoser]
public class ControllerBench
{
    private static readonly Schedule Bisque = Read(
        "80/h to 90 hold 240m; 100/h to 600; 150/h to 950; 60/h to 1060 hold 10m; 100/h to 900; 60/h to 800; off",
        ScheduleKind.Bisque,
        "04"
    );
    private static readonly Schedule SixtyFour = Read(
        string.Join("; ", Enumerable.Range(1, 60).Select(i => $"{40 + i * 7 % 100}/h to {20 + i * 20}{(i % 5 == 0 ? " hold 10m" : "")}"))
            + "; 60/h to 1222 hold 10m; 100/h to 1000; 60/h to 800; off",
        ScheduleKind.Glaze,
        "6"
    );
    private readonly ControllerProgram set = ControllerFit.Of(Wish(Bisque, "Wedge")).Value;
    private readonly List<Answer> wrong;

    public ControllerBench() => wrong = [.. set.Program.Select((a, i) => i == 4 ? new Answer(a.Asked, "0.04") : a)];

    private static Schedule Read(string text, ScheduleKind kind, string cone) =>
        Schedule
            .Create("bench", kind, TemperatureUnit.Celsius, [.. NotationReader.Read(text, TemperatureUnit.Celsius).Segments!], goal: Cone.Named(cone))
            .Value;

    private static ControllerProfile Profile(string name) => BuiltInProfiles.All.Single(p => p.Profile.Name == name).Profile;

    private static ProgramRequest Wish(Schedule schedule, string profile) => new(schedule, Profile(profile), null, Temperature.FromCelsius(20));

    [Benchmark(Baseline = true)]
    public Fits InSteps() => ControllerFit.Of(Wish(Bisque, "Kidney")).Value.Fits;

    [Benchmark]
    public Fits SixtyFourSteps() => ControllerFit.Of(Wish(SixtyFour, "Ewer")).Value.Fits;

    [Benchmark]
    public Fits ConeAndHours() => ControllerFit.Of(Wish(Bisque, "Stilt")).Value.Fits;

    [Benchmark]
    public int Differences() =>
        ReadBack
            .Of(
                Profile("Wedge"),
                set.Program,
                [.. wrong.Select(a => a.Shown)],
                null,
                new Consequences(Profile("Wedge"), set.Program, ScheduleKind.Bisque, Temperature.FromCelsius(20))
            )
            .Value.Differences.Length;

    [Benchmark]
    public int Slips() => SlipFinder.Of(Profile("Wedge"), set.Program, wrong, 1060, null).Length;
}
