using System.Collections.Immutable;
using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Diagnosis;

/// <summary>Changes as steps: the paper's figures in a 190 litre kiln, and what must hold for any schedule.</summary>
public sealed class PatchTests
{
    private const string Plain = "60/h to 1208 hold 12m; off";
    private static readonly Kiln Heron = Make.Kiln("top-190");
    private static readonly Cone Six = ConeNumber.Parse("6").Value;
    private static readonly Glaze Oyster = Glaze.Create("Oyster matte", "5", "7", slowFrom: 1040, slowTo: 850, slowHours: 3.5).Value;

    private static ElectricKiln Full(ScheduleKind kind = ScheduleKind.Glaze, DisplayOffset? offset = null) =>
        new(Heron.With(offset), Heron.UsualLoad(kind), Heron.Room);

    private static PatchTask Task(
        string line,
        Dictionary<string, double>? numbers = null,
        string[]? flags = null,
        ScheduleKind kind = ScheduleKind.Glaze,
        double wall = 6,
        double? width = null,
        Glaze? glaze = null,
        IKilnModel? kiln = null,
        string goal = "6"
    ) =>
        new(
            Schedule.Create("S", kind, TemperatureUnit.Celsius, NotationReader.Read(line, TemperatureUnit.Celsius).Segments).Value,
            kiln ?? Full(kind),
            ConeNumber.Parse(goal).Value,
            new FiringNumbers((numbers ?? []).ToImmutableDictionary(), [.. flags ?? []]),
            [WareLot.Create("mugs", 20, wall, width, glazes: glaze is null ? [] : [glaze]).Value],
            kind
        );

    private static (double Top, double Hold) TopOf(Schedule schedule) =>
        (schedule.Program.Steps[schedule.Program.TopStep].Target!.Value.Celsius, schedule.Program.Steps[schedule.Program.TopStep].HoldMinutes);

    private static double EndPoint(FiringProgram program, IKilnModel? kiln = null) =>
        ConeTable.Of(Six).Kinetics.EndPoint(60, HeatWork.Of(ConeTable.Of(Six).Kinetics, (kiln ?? Full()).FeltTimes(program).Value.Curve));

    private static Schedule Patched(string patch, PatchTask task) => SchedulePatcher.Make(patch, task).Value.Schedule.ShouldNotBeNull();

    [Theory]
    [InlineData("work+", -9, 1209, 27)]
    [InlineData("work-", 9, 1207, 0)]
    public void Heat_work_is_shifted_by_the_hold_first(string patch, double d60, double top, double hold)
    {
        var task = Task(Plain, new() { ["d60"] = d60 });
        var after = Patched(patch, task);
        TopOf(after).Top.ShouldBe(top, 1);
        TopOf(after).Hold.ShouldBe(hold, 2);
        (EndPoint(after.Program) - EndPoint(task.Schedule.Program)).ShouldBe(-d60, 1);
    }

    [Fact]
    public void At_most_twelve_degrees_of_cone_are_changed_at_once()
    {
        var task = Task(Plain, new() { ["d60"] = -30 });
        var made = SchedulePatcher.Make("work+", task).Value;
        (EndPoint(made.Schedule!.Program) - EndPoint(task.Schedule.Program)).ShouldBe(12, 1);
        made.Note.ShouldNotBeNull().ShouldContain("at most 12");
    }

    [Fact]
    public void A_shorter_hold_keeps_the_heat_work()
    {
        var shorter = TopOf(Patched("hold-", Task(Plain)));
        shorter.Hold.ShouldBe(5);
        shorter.Top.ShouldBe(1212, 1.01);
        SchedulePatcher.Make("hold-", Task("60/h to 1215 hold 5m; off")).Value.Schedule.ShouldBeNull("there is nothing to shorten");
    }

    [Fact]
    public void Healing_is_a_longer_hold_or_one_below_the_top()
    {
        var longer = Patched("heal", Task(Plain));
        TopOf(longer).Hold.ShouldBe(22);
        TopOf(longer).Top.ShouldBeLessThan(1208);
        var dropped = Patched("heal", Task(Plain, flags: ["runny"]));
        TopOf(dropped).Top.ShouldBe(1205, 1.01);
        dropped.Program.Steps[1].Target!.Value.Celsius.ShouldBe(TopOf(dropped).Top - 50, 1.01);
        dropped.Program.Steps[1].HoldMinutes.ShouldBe(30);
    }

    [Theory]
    [InlineData("hold-", "")]
    [InlineData("heal", "")]
    [InlineData("heal", "runny")]
    [InlineData("last100", "")]
    [InlineData("even", "")]
    [InlineData(Patches.DropAndHold, "")]
    public void One_thing_is_changed_at_a_time(string patch, string flag)
    {
        var task = Task("100/h to 200; 200/h to 1120; 120/h to 1216 hold 20m; off", flags: flag.Length > 0 ? [flag] : []);
        EndPoint(Patched(patch, task).Program).ShouldBe(EndPoint(task.Schedule.Program), 1.2, "the heat work stays");
    }

    [Fact]
    public void The_display_is_heeded_once_it_is_known()
    {
        var low = Full(offset: new DisplayOffset(9, 0, 2, 5));
        var after = Patched("offset", Task("60/h to 1214 hold 12m; off", kiln: low));
        TopOf(after).Top.ShouldBe(1208 - 9, 1.5, "what is hotter than it says is asked for less");
        EndPoint(after.Program, low).ShouldBe(ConeTable.Of(Six).Kinetics.EndPoint(60), 0.7);
        SchedulePatcher.Make("offset", Task(Plain)).Value.Schedule.ShouldBeNull("nothing is known of it");
    }

    [Fact]
    public void A_slow_band_gets_half_as_long_again_or_what_it_wants()
    {
        var task = Task("100/h to 200; 200/h to 1120; 60/h to 1208 hold 12m; off", new() { ["band"] = 0.3 }, glaze: Oyster);
        var after = Patched("band+", task);
        var curve = Full().Run(after.Program).Value.WholeCurve;
        curve.TimeBetween(Temperature.FromCelsius(1040), Temperature.FromCelsius(850)).After.TotalHours.ShouldBe(3.5, 0.5);
        EndPoint(after.Program).ShouldBe(EndPoint(task.Schedule.Program), 1.2);
    }

    [Fact]
    public void Walls_go_through_size_changes_no_faster_than_they_stand()
    {
        var down = Patched("quartzdown", Task("150/h to 1208 hold 12m; off", wall: 20));
        var through = down.Program.Steps.Single(s => s.Target?.Celsius == 530);
        through.Pace.Rate!.Value.KelvinsPerHour.ShouldBeInRange(100, 5 * 3600 / (12.0 * 12));
        var up = Patched("quartzup", Task("300/h to 1000; off", kind: ScheduleKind.Bisque, wall: 20, width: 250, goal: "06"));
        up.Program.Steps.Select(s => s.Target?.Celsius).ShouldBe([540, 610, 1000, null]);
        up.Program.Steps[1].Pace.Rate!.Value.KelvinsPerHour.ShouldBeLessThanOrEqualTo(5 * 3600 / (12.0 * 12) / 2, "halved for wide ware");
    }

    [Fact]
    public void A_bisque_burns_out_and_dries_longer_and_a_glaze_firing_leaves_that_to_it()
    {
        var burnt = Patched("burn", Task("100/h to 600; 200/h to 1000; off", kind: ScheduleKind.Bisque, wall: 12, flags: ["slowClay"], goal: "06"));
        var curve = Full(ScheduleKind.Bisque).Run(burnt.Program).Value.Compiled.Curve;
        BurnOut.Given(curve).TotalHours.ShouldBeGreaterThanOrEqualTo(4.5 * 0.98);
        var dried = Patched("dry", Task("100/h to 600; 200/h to 1000; off", new() { ["water"] = 0.9 }, kind: ScheduleKind.Bisque, wall: 20, goal: "06"));
        dried.Program.Steps[0].Target!.Value.Celsius.ShouldBeLessThan(100);
        dried.Program.Steps[0].HoldMinutes.ShouldBeGreaterThan(60);
        SchedulePatcher.Make("burn", Task(Plain)).Value.Schedule.ShouldBeNull();
    }

    [Fact]
    public void What_holds_a_cooling_back_goes_and_wet_glaze_dries_first()
    {
        var fast = Patched("fastcool", Task("150/h to 1208 hold 12m; off to 1040; 60/h to 850; off"));
        fast.Program.Steps.Length.ShouldBe(2);
        SchedulePatcher.Make("fastcool", Task(Plain)).Value.Schedule.ShouldBeNull();
        var dry = Patched("glazedry", Task(Plain));
        (dry.Program.Steps[0].Target!.Value.Celsius, dry.Program.Steps[0].HoldMinutes).ShouldBe((90, 30));
    }

    [Fact]
    public void Every_patch_is_made_or_says_why_not()
    {
        foreach (var patch in Patches.All)
        {
            foreach (
                var line in new[] { Plain, "full to 1200; off", "off to 100", "100/h to 600; 100/h to 1000 hold 10m; 50/h to 900; off to 400; 100/h to 600" }
            )
            {
                var made = SchedulePatcher.Make(patch.Name, Task(line, glaze: Oyster));
                (made.IsOk ? made.Value.Text : made.Problems[0].Message).ShouldNotBeEmpty();
                if (made.IsOk && made.Value.Schedule is { } schedule)
                    Full().Run(schedule.Program).IsOk.ShouldBeTrue(patch.Name);
            }
        }
        SchedulePatcher.Make("nonsense", Task(Plain)).IsOk.ShouldBeFalse();
    }

    /// <summary>No change is absurd: nothing jumps, nothing gets hotter than asked for.</summary>
    [Fact]
    public void Changes_are_small() =>
        Gen.Select(Gen.Double[1195, 1225], Gen.Int[0, 40], Gen.Double[-40, 40], Make.OneOf("work+", "work-", "hold-", "heal", "last100", "even"))
            .Sample(
                (top, hold, d60, patch) =>
                {
                    var task = Task(FormattableString.Invariant($"100/h to 200; 200/h to 1100; 60/h to {top:0} hold {hold}m; off"), new() { ["d60"] = d60 });
                    var made = SchedulePatcher.Make(patch, task);
                    if (!made.IsOk || made.Value.Schedule is not { } after)
                        return;
                    Math.Abs(EndPoint(after.Program) - EndPoint(task.Schedule.Program)).ShouldBeLessThan(13.5);
                    Math.Abs(TopOf(after).Top - Math.Round(top)).ShouldBeLessThan(25);
                    TopOf(after).Hold.ShouldBeInRange(0, 60);
                },
                iter: 150
            );
}
