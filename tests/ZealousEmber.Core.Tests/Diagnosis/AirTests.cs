using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Diagnosis;

/// <summary>Faults of reduction: what the air was in numbers, which cause it speaks for, and how the schedule changes.</summary>
public sealed class AirTests
{
    private const string Body =
        "120/h to 600 in oxidation; 150/h to 900 in oxidation; 40/h to 930 in heavy reduction; 110/h to 1200 in light reduction; "
        + "60/h to 1275 hold 20m in light reduction; off";
    private const string Clear = "120/h to 600; 150/h to 1275 hold 10m; off";

    private static readonly FuelKiln Bittern = FuelKiln
        .Create(new FuelKilnSpecification("Bittern", "updraft-300", null, null, new Dictionary<string, double?>()))
        .Value;

    private static readonly IKilnModel Gas = new LoadedFuelKiln(Bittern, Bittern.UsualLoad(ScheduleKind.Glaze), Bittern.Room);

    private static FiringProgram Program(string line) => FiringProgram.Create([.. NotationReader.Read(line, TemperatureUnit.Celsius).Segments]).Value;

    private static PatchTask Task(string line) =>
        new(
            Schedule.Create("Reduction", ScheduleKind.Glaze, TemperatureUnit.Celsius, [.. Program(line).Steps]).Value,
            Gas,
            ConeNumber.Parse("10").Value,
            FiringNumbers.None,
            [],
            ScheduleKind.Glaze
        );

    /// <summary>100 °C an hour to 1275, twenty minutes there, and down.</summary>
    private static Curve Log() => new([new CurvePoint(0, 20), new CurvePoint(753, 1275), new CurvePoint(773, 1275), new CurvePoint(1400, 100)]);

    private static FiringNumbers Numbers(params AirStretch[] air) =>
        new FiringFacts(Log(), ScheduleKind.Glaze, ConeNumber.Parse("10").Value, Temperature.FromCelsius(100), null, [], Air: [.. air]).Numbers(
            null,
            null,
            null
        );

    private static double At(double celsius) => (celsius - 20) * 0.6;

    [Fact]
    public void The_air_is_told_in_minutes()
    {
        var numbers = Numbers(
            new(0, At(900), Atmosphere.Oxidising),
            new(At(900), At(950), Atmosphere.HeavyReduction),
            new(At(950), At(1100), Atmosphere.LightReduction),
            new(At(1100), At(1150), Atmosphere.HeavyReduction),
            new(At(1150), 763, Atmosphere.LightReduction),
            new(763, 800, Atmosphere.Oxidising)
        ).Values;
        numbers["reduced"].ShouldBe(763 - At(900), 0.2);
        numbers["heavy"].ShouldBe(60, 0.2);
        numbers["heavyAbove"].ShouldBe(30, 0.2);
        numbers["reducedFrom"].ShouldBe(900, 0.5);
        numbers["oxidisedLast"].ShouldBe(10, 0.2);
        // A candle with little air is no reduction, and what nobody knows has no number.
        Numbers(new(0, At(400), Atmosphere.HeavyReduction), new(At(400), 773, Atmosphere.Oxidising)).Values["reduced"].ShouldBe(0);
        Numbers().Values.ShouldNotContainKey("reduced");
    }

    [Theory]
    [InlineData("too-little-reduction", 1150, 1200, 0, 0, "too short or too light a reduction", "air+")]
    [InlineData("too-little-reduction", 1050, 1270, 60, 0, "begun after the glaze had closed", "airearly")]
    [InlineData("too-much-reduction", 900, 1275, 120, 0, "too long or too dark a fire", "air-")]
    [InlineData("carbon-trapped", 900, 1275, 60, 30, "dark fire while the glaze closed", "airsoft")]
    [InlineData("carbon-trapped", 800, 1100, 30, 0, "begun too early: soot under the glaze", "airlater")]
    [InlineData("copper-colour", 1100, 1130, 0, 0, "too little reduction or too late: green or clear", "air+")]
    [InlineData("iron-colour", 900, 1275, 120, 30, "too dark a fire: grey", "air-")]
    public void What_the_air_was_speaks_for_its_cause(string fault, double from, double to, double heavy, double heavyAbove, string first, string patch)
    {
        var stretches = new List<AirStretch> { new(0, At(from), Atmosphere.Oxidising) };
        var dark = At(from) + heavy - heavyAbove;
        if (heavy > heavyAbove)
            stretches.Add(new(At(from), dark, Atmosphere.HeavyReduction));
        stretches.Add(new(dark, At(to) - heavyAbove, Atmosphere.LightReduction));
        if (heavyAbove > 0)
            stretches.Add(new(At(to) - heavyAbove, At(to), Atmosphere.HeavyReduction));
        stretches.Add(new(At(to), 780, Atmosphere.Oxidising));
        var leading = Diagnoser.Of(fault, Numbers([.. stretches]))[0];
        (leading.Rule.Name, leading.Rule.Patch).ShouldBe((first, patch));
    }

    [Fact]
    public void A_change_of_the_air_keeps_every_temperature()
    {
        foreach (var patch in new[] { "air+", "air-", "airearly", "airlater", "airend", "airclear", "airsoft" })
        {
            foreach (var line in new[] { Body, Clear, "off to 100", "100/h to 860 in heavy reduction; 100/h to 1275; off" })
            {
                var made = SchedulePatcher.Make(patch, Task(line));
                made.IsOk.ShouldBeTrue($"{patch} {line}");
                if (made.Value.Schedule is not { } schedule)
                {
                    made.Value.Text.ShouldNotBeEmpty();
                    continue;
                }
                schedule.Program.Steps.Max(s => s.Target?.Celsius).ShouldBe(Program(line).Steps.Max(s => s.Target?.Celsius));
                schedule
                    .Program.Steps.Where(s => s.Target is not null)
                    .Select(s => s.Target!.Value.Celsius)
                    .ShouldBeSubsetOf([
                        .. Program(line).Steps.Where(s => s.Target is not null).Select(s => s.Target!.Value.Celsius),
                        805,
                        880,
                        900,
                        915,
                        930,
                        1000,
                    ]);
            }
        }
        string Notated(string patch, string line) =>
            NotationWriter.Write(SchedulePatcher.Make(patch, Task(line)).Value.Schedule!.Program.Steps, TemperatureUnit.Celsius);
        Notated("air+", Body).ShouldContain("26/h to 930 in heavy reduction");
        Notated("air+", Clear).ShouldContain("150/h to 900 in oxidation; 40/h to 930 in heavy reduction \"body reduction\"; 150/h to 1275 hold 10m in light");
        Notated("air-", Body).ShouldContain("40/h to 915 in heavy reduction; 40/h to 930 in light reduction");
        Notated("airearly", Body).ShouldContain("150/h to 880 in oxidation; 150/h to 900 in heavy reduction");
        Notated("airclear", Body).ShouldContain("60/h to 1275 hold 10m in light reduction; 60/h to 1275 hold 10m in oxidation");
        SchedulePatcher.Make("air-", Task(Clear)).Value.Schedule.ShouldBeNull();
    }

    [Fact]
    public void Any_air_gives_minutes_within_the_firing() =>
        Gen.Select(Gen.Double[0, 1400], Gen.Int[0, 3])
            .Array[0, 12]
            .Sample(cuts =>
            {
                var at = 0.0;
                var air = new List<AirStretch>();
                foreach (var (to, band) in cuts.OrderBy(c => c.Item1))
                {
                    air.Add(new AirStretch(at, to, (Atmosphere)band));
                    at = to;
                }
                var minutes = AirNumbers.Minutes(air, Log());
                minutes.Values.Sum().ShouldBeInRange(0, 773 - At(AirNumbers.ReducesFrom) + 1e-6);
                foreach (var (_, value, span) in AirNumbers.Of(air, Log()))
                {
                    double.IsFinite(value).ShouldBeTrue();
                    span.To.ShouldBeGreaterThanOrEqualTo(span.From);
                }
            });

    [Fact]
    public void More_and_less_at_once_are_settled()
    {
        FoundFault Found(string fault, params AirStretch[] air) => new(fault, Numbers(air), 4);
        var advice = Advice.Of([
            Found("too-little-reduction", new AirStretch(0, 773, Atmosphere.Oxidising)),
            Found("too-much-reduction", new AirStretch(0, At(900), Atmosphere.Oxidising), new AirStretch(At(900), 773, Atmosphere.HeavyReduction)),
        ]);
        (advice.Patch, advice.Conflicts.Length).ShouldBe(("airsoft", 1));
    }
}
