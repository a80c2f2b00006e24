using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>
/// What goes wrong is said, soon; what does not is not. Delays are those of the project's list of alarms, times 1.5 and the half minute between readings.
/// </summary>
public class AlarmTests
{
    private static readonly string[] Kinds = ["top-190", "front-200"];

    [Theory]
    [InlineData(FaultKind.ThermocoupleOpen, 300, null, "tc-broken", 1.5)]
    [InlineData(FaultKind.ThermocoupleOpen, 300, 1372.0, "tc-jump", 2.5)]
    [InlineData(FaultKind.ThermocoupleShort, 350, null, "tc-short", 2.5)]
    [InlineData(FaultKind.ThermocoupleSlid, 350, null, "tc-jump", 2.5)]
    [InlineData(FaultKind.ThermocoupleReversed, 0, null, "tc-reversed", 9)]
    [InlineData(FaultKind.Frozen, 300, null, "frozen", 15)]
    [InlineData(FaultKind.Link, 300, null, "no-reading", 15.5)]
    [InlineData(FaultKind.StuckOn, 90, null, "stuck-on", 15.5)]
    [InlineData(FaultKind.StuckOff, 300, null, "no-heat", 15)]
    [InlineData(FaultKind.ElementsCut, 300, null, "no-heat", 15)]
    [InlineData(FaultKind.LidOpen, 400, null, "falls-fast", 14)]
    [InlineData(FaultKind.DeadSection, 200, null, "weak", 50)]
    [InlineData(FaultKind.DeadSection, 0, null, "weak", 300)]
    public void Every_fault_is_found(FaultKind kind, double from, double? size, string alarm, double within)
    {
        foreach (var (i, kiln) in Kinds.Index())
        {
            var live = Fire(kiln, LiveRun.Glaze, (ulong)(i * 31 + 7), 780, new SimulatedFault(kind, from, null, size));
            var said = live.Board.All.FirstOrDefault(a => a.Id == alarm);
            said.ShouldNotBeNull($"{kiln}: {string.Join(", ", live.Board.All.Select(a => a.Id))}");
            (said.Since - from).ShouldBeInRange(0, within, kiln);
            said.Text.ShouldBe(AlarmWords.Of(alarm));
            said.Evidence.ShouldNotBeEmpty();
        }
    }

    [Theory]
    [InlineData(700, true)]
    [InlineData(700, false)]
    [InlineData(1000, false)]
    [InlineData(1203, false)]
    public void Power_that_comes_back_ends_its_alarm(double at, bool withShare)
    {
        var cut = Math.Floor(Simulate("top-190", LiveRun.Glaze, 3, 700).Truth.First(t => t.Chamber >= at).Minutes);
        var fired = Simulate("top-190", LiveRun.Glaze, 3, cut + 60, new SimulatedFault(FaultKind.ElementsCut, cut, 30));
        var live = Follow("top-190", LiveRun.Glaze, fired, cut + 60, withShare: withShare);
        var alarm = live.Board.All.Single(a => a.Id == "no-heat");
        (alarm.Since - cut).ShouldBeLessThan(18);
        (alarm.Until.ShouldNotBeNull() - cut).ShouldBeInRange(30, 42);
        live.Board.All.ShouldNotContain(a => a.Id == "stalled", "it fell: that is no stall");
    }

    [Fact]
    public void A_top_entered_too_high_is_seen_as_the_kiln_passes_it()
    {
        var fired = Simulate("top-190", LiveRun.Glaze, 5, 700, new SimulatedFault(FaultKind.TopTooHot, 0));
        var live = Follow("top-190", LiveRun.Glaze, fired, 700);
        var passed = fired.Truth.First(t => t.Chamber > 1208 + 12).Minutes;
        live.Board.All.Single(a => a.Id == "over-set-point").Since.ShouldBeInRange(passed, passed + 8.5);
        live.Board.All.ShouldContain(a => a.Id == "over-limit");
    }

    [Fact]
    public void A_hold_that_never_ends_is_past_its_end()
    {
        var fired = Simulate("top-190", LiveRun.Glaze, 5, 700, new SimulatedFault(FaultKind.EndlessHold, 0));
        var live = Follow("top-190", LiveRun.Glaze, fired, 700);
        (live.Board.All.First(a => a.Id == "past-end").Since - fired.TopAt - 12).ShouldBeInRange(10, 25);
    }

    [Fact]
    public void A_power_cut_is_recorded_and_the_heat_work_stays()
    {
        var fired = Simulate("top-190", LiveRun.Glaze, 8, 800, new SimulatedFault(FaultKind.PowerCut, 480, 30));
        var live = Follow("top-190", LiveRun.Glaze, fired, 760);
        var cut = live.Board.All.Single(a => a.Id == "power-cut");
        cut.Since.ShouldBeInRange(509, 512, "dated at the first reading after it");
        cut.Until.ShouldBe(cut.Since);
        var report = live.Report(760);
        var kinetics = ConeTable.Of(LiveRun.Six).Kinetics;
        var (told, truth) = (report.Progress!.Value, LiveRun.Work(fired, 760));
        Math.Abs(kinetics.EndPoint(60, told.Value) - kinetics.EndPoint(60, truth)).ShouldBeLessThan(1);
    }

    [Theory]
    [InlineData(0, true)]
    [InlineData(2, false)]
    [InlineData(3, false)]
    public void A_sound_firing_is_left_in_peace(int seed, bool withShare)
    {
        foreach (var (i, kiln) in Kinds.Index())
        {
            // A kiln a little other than stored, and a goal it meets.
            var fired = LiveRun.Fire(
                LiveRun.Truth(kiln, 98 + seed, 96 + 2 * seed, 103 - seed),
                Make.Kiln(kiln).UsualLoad(ScheduleKind.Glaze),
                Make.Program(LiveRun.Glaze),
                (ulong)(seed * 101 + i),
                1200
            );
            var live = LiveRun.Watch(Make.Kiln(kiln), Make.Kiln(kiln).UsualLoad(ScheduleKind.Glaze), Make.Program(LiveRun.Glaze));
            live.Feed(fired, 1200, withShare, withSetPoint: seed == 3);
            live.Board.All.ShouldBeEmpty($"{kiln}: {string.Join(", ", live.Board.All.Select(a => $"{a.Id} {a.Evidence}"))}");
        }
    }

    [Fact]
    public void Steam_is_looked_for_at_the_end_of_the_block_and_a_dry_mirror_ends_it()
    {
        var fired = Simulate("top-190", LiveRun.Bisque, 3, 400);
        var asked = Follow("top-190", LiveRun.Bisque, fired, 230);
        var first = asked.Board.All.Single(a => a.Id == "steam-look");
        first.Since.ShouldBeInRange(190, 205);
        first.Weight.ShouldBe(AlarmWeight.Danger, "nobody looked, and it boils");

        var dry = Follow("top-190", LiveRun.Bisque, fired, 200);
        dry.Looked(200, isDry: true, 30, "Tobin");
        dry.Feed(fired, 260);
        dry.Board.Active.ShouldNotContain(a => a.Id == "steam-look");
        dry.Board.All.Single(a => a.Id == "steam-look").AcknowledgedBy.ShouldBe("Tobin");
    }

    [Theory]
    [InlineData(LiveRun.Bisque, 3)]
    [InlineData("80/h to 600; 130/h to 1000 hold 10m; off", 3)]
    public void Steam_is_asked_after_with_or_without_a_block_and_never_past_the_use_of_it(string line, int most)
    {
        var fired = Simulate("top-190", line, 3, 500);
        var live = LiveRun.Watch(Make.Kiln("top-190"), Make.Kiln("top-190").UsualLoad(ScheduleKind.Bisque), Make.Program(line));
        var askedAt = new List<double>();
        foreach (var minute in Enumerable.Range(1, 500))
        {
            live.Feed(fired, minute);
            if (live.Report(minute, withForecast: false).SteamAskedAt is { } at && !askedAt.Contains(at))
                askedAt.Add(at);
        }
        askedAt.Count.ShouldBeInRange(1, most);
        var look = live.Board.All.Where(a => a.Id == "steam-look").ShouldHaveSingleItem();
        look.Weight.ShouldBe(AlarmWeight.Danger, "it boiled and nobody had looked");
        fired.At(look.Until.ShouldNotBeNull()).Chamber.ShouldBeInRange(155, 170, "well past boiling a look helps no more");
    }

    [Fact]
    public void A_damp_load_that_was_dry_at_one_hold_is_asked_after_at_the_next()
    {
        const string line = "40/h to 70 hold 1h; 40/h to 95 hold 1h; 100/h to 600; off";
        var fired = Simulate("top-190", line, 3, 300);
        foreach (var (water, again) in new[] { (0.3, false), (3, true) })
        {
            var live = LiveRun.Watch(Make.Kiln("top-190"), new ZealousEmber.Core.Kilns.KilnLoad(30, 20, true, water), Make.Program(line));
            live.Feed(fired, 145);
            live.Report(145, withForecast: false).SteamAskedAt.ShouldNotBeNull();
            live.Looked(145, isDry: true, 0, "Tobin");
            live.Feed(fired, 185);
            live.Report(185, withForecast: false).SteamAskedAt.ShouldBeNull();
            live.Feed(fired, 250);
            (live.Report(250, withForecast: false).SteamAskedAt is not null).ShouldBe(again, $"{water} kg");
        }
    }

    [Fact]
    public void A_danger_stays_until_somebody_has_seen_it()
    {
        var board = new AlarmBoard();
        board.Look("stuck-on", AlarmWeight.Danger, 10, true, false, 4, 3, () => "a");
        board.All.ShouldBeEmpty();
        board.Look("stuck-on", AlarmWeight.Danger, 14, true, false, 4, 3, () => "b");
        board.Look("stuck-on", AlarmWeight.Danger, 20, false, true, 4, 3, () => "c");
        board.Look("stuck-on", AlarmWeight.Danger, 23, false, true, 4, 3, () => "c");
        board.All.Single().Until.ShouldBeNull();
        board.Acknowledge("stuck-on", "Isolde", "relay changed", 30).ShouldBeTrue();
        board.All.Single().ShouldBe(new Alarm("stuck-on", AlarmWeight.Danger, 14, 30, AlarmWords.Of("stuck-on"), "b", "Isolde", "relay changed"));
        board.Acknowledge("weak", "Isolde", null, 31).ShouldBeFalse();
    }

    private static SimulatedFiring Simulate(string kiln, string line, ulong seed, double minutes, params SimulatedFault[] faults) =>
        LiveRun.Fire(LiveRun.Truth(kiln, 102, 97, 103), Make.Kiln(kiln).UsualLoad(KindOf(line)), Make.Program(line), seed, minutes, faults);

    private static LiveFiring Follow(string kiln, string line, SimulatedFiring fired, double until, bool withShare = true)
    {
        var stored = Make.Kiln(kiln);
        var live = LiveRun.Watch(stored, stored.UsualLoad(KindOf(line)), Make.Program(line), line == LiveRun.Bisque ? ConeNumber.Parse("06").Value : null);
        live.Feed(fired, until, withShare);
        return live;
    }

    private static ScheduleKind KindOf(string line) => line == LiveRun.Bisque ? ScheduleKind.Bisque : ScheduleKind.Glaze;

    private static LiveFiring Fire(string kiln, string line, ulong seed, double until, params SimulatedFault[] faults) =>
        Follow(kiln, line, Simulate(kiln, line, seed, until, faults), until);
}
