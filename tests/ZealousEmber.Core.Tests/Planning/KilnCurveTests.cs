using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Tests;

namespace ZealousEmber.Core.Tests.Planning;

/// <summary>Plans on the kiln's real curve: nothing slower than ware and kiln ask, nothing commanded that does not bind, and neighbours fire alike.</summary>
public sealed class KilnCurveTests
{
    private static readonly Clay Marsh = Clay.Create("Marsh White", ClayKind.Stoneware, "5", "7").Value;
    private static readonly Glaze Reed = Glaze.Create("Reed green", "5", "7", needsHold: true).Value;
    private static readonly Glaze Oyster = Glaze.Create("Oyster matte", "5", "7", slowFrom: 1040, slowTo: 850, slowHours: 3.5).Value;

    private static WareLoad Load(ScheduleKind kind, double wall, int count, double? width, Dryness dryness = Dryness.BoneDry, Glaze[]? glazes = null) =>
        WareLoad
            .Create([
                WareLot
                    .Create(
                        "pots",
                        count,
                        wall,
                        width,
                        dryness: dryness,
                        clay: Marsh,
                        glazes: glazes ?? (kind == ScheduleKind.Bisque ? [] : [Reed]),
                        pieceKg: 0.6
                    )
                    .Value,
            ])
            .Value;

    private static ElectricKiln In(Kiln kiln, WareLoad load, ScheduleKind kind) => new(kiln, kiln.UsualLoad(kind) with { WareMass = load.Mass }, kiln.Room);

    private static double EndOf(FiringAssessment firing) => firing.Compiled.Segments[firing.Schedule.Program.TopStep].End.TotalHours;

    private static FiringAssessment Planned(WareLoad load, PlanOptions wish, IKilnModel kiln) => PlanAssessment.Of(load, wish, kiln).Value.Firing;

    /// <summary>
    /// The same firing in many small steps at the ware's own planned limits, full power wherever the kiln is the limit: what no plan of a few steps beats by
    /// much.
    /// </summary>
    private static double FullPowerUnderTheLimits(ElectricKiln kiln, WareLoad load, FiringAssessment planned, ScheduleKind kind)
    {
        var lot = load.Lots[0];
        var segments = planned.Schedule.Segments;
        var raw = kind.FiresRaw();
        var after = segments.TakeWhile(s => s.Target?.Celsius < 131).Select(s => Segment.Of(s.Pace, s.Target, s.Hold).Value).ToList();
        var from = after[^1].Target!.Value.Celsius;
        double Limit(double t) =>
            new[]
            {
                raw
                    ? t < 650
                        ? Math.Min(100, 0.8 * WallGradient.RawUp(lot.Depth))
                        : t < 950
                            ? Math.Min(150, 300 / BurnOut.Needed(lot.Wall, false, load.IsPacked(kiln.UsualWare(kind))).TotalHours)
                            : 150
                    : 250,
                t < 540
                    ? raw
                        ? 1e9
                        : 0.8 * WallGradient.FiredUp(lot.Depth)
                    : 1e9,
                t < 540 ? WallGradient.AcrossFlatClimbing(lot.Width) : 1e9,
                t is > 540 and < 610 ? Math.Min(0.85 * WallGradient.AcrossFlat(lot.Width), raw ? 1e9 : 0.8 * WallGradient.FiredThrough(lot.Depth)) : 1e9,
            }.Min();
        var top = planned.Schedule.Segments[planned.Schedule.Program.TopStep];
        for (var t = Math.Ceiling((from + 1) / 25) * 25; t < top.Target!.Value.Celsius - 5; t += 25)
        {
            var limit = Limit(t - 12);
            if (t > top.Target.Value.Celsius - 100 && kiln.FastestClimb(Temperature.FromCelsius(t))?.KelvinsPerHour > 60)
                limit = Math.Min(limit, 60);
            after.Add(
                Segment
                    .Of(
                        kiln.FastestClimb(Temperature.FromCelsius(t))?.KelvinsPerHour < limit ? Pace.Full : Pace.At(Rate.PerHour(limit)),
                        Temperature.FromCelsius(t)
                    )
                    .Value
            );
        }
        after.Add(Segment.Of(kiln.FastestClimb(top.Target.Value)?.KelvinsPerHour < 60 ? Pace.Full : Pace.At(Rate.PerHour(60)), top.Target, top.Hold).Value);
        return kiln.Run(FiringProgram.Create(after).Value).Value.Compiled.Total.TotalHours;
    }

    [Fact]
    public void No_plan_is_slower_than_ware_and_kiln_ask_whatever_the_elements_give()
    {
        Gen.Select(
                Gen.Double[4, 20],
                Gen.Int[20, 110],
                Make.OneOf<double?>(null, null, 200, 300, 400),
                Make.OneOf(ScheduleKind.Bisque, ScheduleKind.Glaze),
                Gen.Double[62, 100],
                Make.OneOf("top-190", "top-100", "front-200")
            )
            .Sample(
                (wall, count, width, kind, health, which) =>
                {
                    var (kiln, load) = (Make.Kiln(which, ("elementHealth", health)), Load(kind, wall, count, width));
                    if (load.Mass > 1.3 * kiln.UsualLoad(kind).WareMass)
                        return;
                    var place = In(kiln, load, kind);
                    var made = PlanAssessment.Of(load, new PlanOptions(kind), place);
                    if (!made.IsOk)
                    {
                        // Only where full power truly does not get there.
                        made.Problems[0].Field.ShouldBe("goalCone");
                        place.Hottest.Celsius.ShouldBeLessThan(1135);
                        return;
                    }
                    var firing = made.Value.Firing;
                    var least = FullPowerUnderTheLimits(place, load, firing, kind);
                    EndOf(firing)
                        .ShouldBeLessThanOrEqualTo(
                            1.05 * least + 0.4,
                            $"{which} at {health} %, {kind}, {count} of {wall} mm, {width} mm wide: "
                                + $"{NotationWriter.Write(firing.Schedule.Segments, TemperatureUnit.Celsius)}"
                        );
                    firing.Findings.Where(f => f.Severity > Severity.Note).ShouldBeEmpty();
                    var keyed = firing.Schedule.Segments;
                    keyed
                        .Zip(keyed.Skip(1))
                        .ShouldAllBe(p => p.First.Hold > NodaTime.Duration.Zero || p.First.Pace.Rate == null || p.First.Pace != p.Second.Pace, "no step twice");
                },
                iter: LongRun.Of(100, 1500)
            );
    }

    [Fact]
    public void No_fall_is_commanded_that_the_kiln_would_not_pass_by_itself()
    {
        Gen.Select(
                Gen.Double[4, 35],
                Gen.Double[0.1, 1.2],
                Make.OneOf<double?>(null, 250, 300, 400, 500),
                Make.OneOf(ScheduleKind.Bisque, ScheduleKind.Glaze, ScheduleKind.Refiring),
                Make.OneOf("top-190", "bench", "front-200"),
                Gen.Bool
            )
            .Sample(
                (wall, fill, width, kind, which, slow) =>
                {
                    var kiln = Make.Kiln(which);
                    var usual = kiln.UsualLoad(kind, fill);
                    var load = Load(kind, wall, Math.Max(1, (int)(usual.WareMass / 0.6)), width, glazes: slow ? [Oyster] : []);
                    var place = new ElectricKiln(kiln, usual, kiln.Room);
                    var made = Planner.Make(
                        load,
                        new PlanOptions(kind, kind == ScheduleKind.Bisque ? null : ConeNumber.Parse(kind == ScheduleKind.Refiring ? "018" : "6").Value),
                        place
                    );
                    if (!made.IsOk)
                        return;
                    var steps = made.Value.Schedule.Segments;
                    for (var i = made.Value.Schedule.Program.TopStep + 1; i < steps.Length; i++)
                    {
                        if (steps[i].Pace.Rate is not { } rate || made.Value.Steps[i].By != "quartz-cooling")
                            continue;
                        // Off instead: through the same temperatures it would go faster than the ware stands.
                        var off = place.Run(FiringProgram.Create([.. steps.Take(i), Segment.Of(Pace.Natural, null).Value]).Value).Value.WholeCurve;
                        var (high, low) = (Temperature.FromCelsius(Math.Min(steps[i - 1].Target!.Value.Celsius, off.Peak.Celsius - 1)), steps[i].Target!.Value);
                        var falls = (high.Celsius - low.Celsius) / (off.LastFallThrough(low)!.Value - off.LastFallThrough(high)!.Value).TotalHours;
                        falls.ShouldBeGreaterThan(
                            rate.KelvinsPerHour,
                            $"{which} {fill}, {kind} {wall} mm {width}: {NotationWriter.Write(steps, TemperatureUnit.Celsius)}"
                        );
                    }
                },
                iter: LongRun.Of(100, 1500)
            );
    }

    [Fact]
    public void Both_scales_fire_alike()
    {
        Gen.Select(
                Gen.Double[4, 20],
                Gen.Int[20, 110],
                Make.OneOf<double?>(null, 300),
                Make.OneOf(ScheduleKind.Bisque, ScheduleKind.Glaze, ScheduleKind.OnceFired),
                Make.OneOf(Dryness.BoneDry, Dryness.CoolToTouch)
            )
            .Sample(
                (wall, count, width, kind, dryness) =>
                {
                    var (kiln, load) = (Make.Kiln("top-190"), Load(kind, wall, count, width, kind == ScheduleKind.Glaze ? Dryness.BoneDry : dryness));
                    var place = In(kiln, load, kind);
                    var (celsius, fahrenheit) = (
                        Planned(load, new PlanOptions(kind), place),
                        Planned(load, new PlanOptions(kind, Unit: TemperatureUnit.Fahrenheit), place)
                    );
                    string Says() =>
                        $"{NotationWriter.Write(celsius.Schedule.Segments, TemperatureUnit.Celsius)} "
                        + $"{NotationWriter.Write(fahrenheit.Schedule.Segments, TemperatureUnit.Fahrenheit)}";
                    EndOf(fahrenheit).ShouldBe(EndOf(celsius), Math.Max(5 / 60.0, 0.008 * EndOf(celsius)), Says());
                    double Work(FiringAssessment firing) => HeatWork.Of(ConeTable.Of(firing.Schedule.Goal!.Value).Kinetics, firing.Run.WholeCurve);
                    (Work(fahrenheit) / Work(celsius)).ShouldBeInRange(0.85, 1.18, Says());
                },
                iter: LongRun.Of(50, 600)
            );
    }

    /// <summary>A piece, a per cent of element, a degree of the room: the hours hardly move.</summary>
    [Fact]
    public void Neighbours_fire_alike()
    {
        Gen.Select(
                Gen.Double[4, 25],
                Gen.Int[20, 100],
                Make.OneOf<double?>(null, 300, 420),
                Make.OneOf(ScheduleKind.Bisque, ScheduleKind.Glaze),
                Gen.Double[82, 100],
                Gen.Int[0, 2]
            )
            .Sample(
                (wall, count, width, kind, health, what) =>
                {
                    (double Hours, string Line) At(int n, double elements, double room)
                    {
                        var (kiln, load) = (Make.Kiln("top-190", ("elementHealth", elements), ("room", room)), Load(kind, wall, n, width));
                        var made = PlanAssessment.Of(load, new PlanOptions(kind), In(kiln, load, kind));
                        return made.IsOk
                            ? (EndOf(made.Value.Firing), NotationWriter.Write(made.Value.Firing.Schedule.Segments, TemperatureUnit.Celsius))
                            : (double.NaN, "");
                    }
                    var here = At(count, health, 20);
                    var there = what switch
                    {
                        0 => At(count + 1, health, 20),
                        1 => At(count, health - 1, 20),
                        _ => At(count, health, 21),
                    };
                    if (double.IsNaN(here.Hours) || double.IsNaN(there.Hours))
                        return;
                    // A kiln at the end of its strength takes its own time: that much a per cent of its elements makes, whatever the plan.
                    var allowed = 0.03 + (what == 1 && health < 95 ? 0.04 : 0);
                    Math.Abs(there.Hours / here.Hours - 1)
                        .ShouldBeLessThanOrEqualTo(
                            allowed,
                            $"{kind} {wall} mm, {count}, {width}, {health} %, {what}: {here.Hours} {here.Line}\n{there.Hours} {there.Line}"
                        );
                },
                iter: LongRun.Of(120, 2000)
            );
    }

    [Theory]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(6)]
    [InlineData(8)]
    public void Few_steps_come_near_the_free_plan_or_offer_what_else_to_do(int most)
    {
        Gen.Select(
                Gen.Double[4, 22],
                Gen.Int[20, 100],
                Make.OneOf<double?>(null, null, 350),
                Make.OneOf(ScheduleKind.Bisque, ScheduleKind.Glaze, ScheduleKind.OnceFired),
                Make.OneOf(Dryness.BoneDry, Dryness.CoolToTouch, Dryness.Damp),
                Gen.Bool,
                Make.OneOf(100, 85, 78, 72)
            )
            .Sample(
                (wall, count, width, kind, dryness, slow, health) =>
                {
                    var (kiln, load) = (
                        Make.Kiln("top-190", ("elementHealth", health)),
                        Load(
                            kind,
                            wall,
                            count,
                            width,
                            kind == ScheduleKind.Glaze ? Dryness.BoneDry : dryness,
                            slow && kind != ScheduleKind.Bisque ? [Oyster] : null
                        )
                    );
                    var place = In(kiln, load, kind);
                    var wish = new PlanOptions(kind, MaxSteps: most);
                    var made = PlanAssessment.Of(load, wish, place);
                    if (PlanAssessment.Of(load, wish with { MaxSteps = 64 }, place) is not { IsOk: true, Value.Firing: var free })
                        return;
                    if (!made.IsOk)
                    {
                        // Raw ware in two steps: what is offered instead can be planned.
                        (most, kind.FiresRaw(), made.Problems[0].Field).ShouldBe((2, true, "maxSteps"));
                        foreach (var way in Fireable.WaysOn(load, wish, place, made.Problems))
                            PlanAssessment
                                .Of(
                                    load,
                                    wish with
                                    {
                                        Kind = way.Kind ?? kind,
                                        Goal = null,
                                        Preference = wish.Preferences with { Cooling = way.Cooling ?? wish.Preferences.Cooling },
                                    },
                                    place
                                )
                                .IsOk.ShouldBeTrue(way.Text);
                        return;
                    }
                    var (few, firing) = (made.Value, made.Value.Firing);
                    firing.Schedule.Segments.Count(s => !s.IsEndOff).ShouldBeLessThanOrEqualTo(most);
                    firing
                        .Findings.Where(f => f.Severity > Severity.Note)
                        .Select(f => f.Text)
                        .ShouldBeEmpty(NotationWriter.Write(firing.Schedule.Segments, TemperatureUnit.Celsius));
                    if (firing.Compiled.Powered.TotalHours > 1.3 * free.Compiled.Powered.TotalHours)
                        few.Offers.ShouldNotBeEmpty();
                },
                iter: LongRun.Of(20, 240)
            );
    }

    /// <summary>The small picture behind a number shows the way of its own step, also where air cuts a climb in two.</summary>
    [Fact]
    public void What_was_weighed_is_told_for_the_whole_way_of_each_step_and_no_more()
    {
        var gas = Core.Kilns.Fuel.FuelKiln.Create(new("Bittern", "updraft-300", null, null, new Dictionary<string, double?>())).Value;
        Gen.Select(
                Gen.Double[4, 25],
                Gen.Int[20, 100],
                Make.OneOf<double?>(null, 350),
                Make.OneOf(ScheduleKind.Bisque, ScheduleKind.Glaze),
                Gen.Bool,
                Make.OneOf(TemperatureUnit.Celsius, TemperatureUnit.Fahrenheit)
            )
            .Sample(
                (wall, count, width, kind, burns, unit) =>
                {
                    var (kiln, load) = (Make.Kiln("top-190"), Load(kind, wall, count, width, glazes: kind == ScheduleKind.Glaze ? [Oyster] : null));
                    IKilnModel place = burns ? new Core.Kilns.Fuel.LoadedFuelKiln(gas, gas.UsualLoad(kind), gas.Room) : In(kiln, load, kind);
                    if (Planner.Make(load, new PlanOptions(kind, Unit: unit), place) is not { IsOk: true, Value: var plan })
                        return;
                    var at = place.Start;
                    foreach (var step in plan.Steps)
                    {
                        if (!step.Paces.IsEmpty)
                        {
                            (step.Paces[0].From, step.Paces[^1].To).ShouldBe((at, step.Step.Target!.Value));
                            step.Paces.Zip(step.Paces.Skip(1)).ShouldAllBe(p => p.First.To == p.Second.From);
                        }
                        at = step.Step.Target ?? at;
                    }
                    plan.Steps.ShouldContain(s => s.Paces.Length > 0);
                },
                iter: 40
            );
    }
}
