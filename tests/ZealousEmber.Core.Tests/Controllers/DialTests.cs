using Shouldly;
using Xunit;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Controllers.Turning;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Controllers;

/// <summary>Switches turned by the clock on the kiln model, with the figures of the paper.</summary>
public sealed class DialTests
{
    private const string Bisque = "80/h to 90 hold 180m; 100/h to 600; 120/h to 950; 60/h to 1060; off";
    private const string Glaze = "100/h to 200; 150/h to 900; 110/h to 1110; 60/h to 1213 hold 12m; off";
    private static readonly Kiln Top190 = Kiln.Create(new KilnSpecification("Teal", "top-190", null, null, null, new Dictionary<string, double?>())).Value;

    private static Result<DialPlan?> Plan(string profile, string text, string cone)
    {
        var kind = text == Bisque ? ScheduleKind.Bisque : ScheduleKind.Glaze;
        return DialFit.Of(
            KeyMachineTests.Profile(profile),
            FitTests.Written(text, kind, cone),
            null,
            Top190,
            Top190.UsualLoad(kind),
            Temperature.FromCelsius(20)
        );
    }

    [Theory]
    [InlineData("Spyhole", Bisque, "04", 4.8, 10)]
    [InlineData("Bung", Bisque, "04", 5.1, 8)]
    [InlineData("Spyhole", Glaze, "6", 3.3, 11)]
    [InlineData("Bung", Glaze, "6", 4.7, 7)]
    public void A_kiln_with_switches_follows_a_curve_as_closely_as_the_paper_says(string profile, string text, string cone, double rms, int turns)
    {
        var plan = Plan(profile, text, cone).Value!;
        plan.Rms.ShouldBeLessThan(Math.Min(7.5, rms * 1.15 + 0.2));
        plan.Turns.Length.ShouldBeLessThanOrEqualTo(turns + 2);
        (plan.Told / plan.Wanted).ShouldBe(1, 0.04);
        Math.Abs(plan.Late).ShouldBeLessThan(15);
        var dials = KeyMachineTests.Profile(profile).Dials!;
        plan.Turns[0].Minute.ShouldBe(0);
        foreach (var (one, next) in plan.Turns.Zip(plan.Turns.Skip(1)))
        {
            (next.Minute - one.Minute).ShouldBeGreaterThanOrEqualTo(dials.Apart);
            next.Positions.ShouldNotBe(one.Positions);
        }
        foreach (var turn in plan.Turns)
        {
            // Within one position of each other, the lower ones ahead.
            var at = turn.Positions.Select(p => dials.Positions.Select(x => x.Word).ToList().IndexOf(p)).ToList();
            (at.Max() - at.Min()).ShouldBeLessThanOrEqualTo(1);
            at.ShouldBe(at.Order());
        }
        (plan.Cutoff, plan.TimerMinutes is null).ShouldBe(profile == "Bung" ? (cone, false) : (null, true));
        if (plan.TimerMinutes is { } timer)
            (timer - plan.OffMinute).ShouldBeInRange(30, 60);
    }

    [Fact]
    public void The_same_question_gets_the_same_turns_and_what_cannot_be_is_said()
    {
        Plan("Bung", Glaze, "6")
            .Value!.Turns.Select(t => (t.Minute, string.Join('/', t.Positions)))
            .ShouldBe(Plan("Bung", Glaze, "6").Value!.Turns.Select(t => (t.Minute, string.Join('/', t.Positions))));
        Plan("Wedge", Glaze, "6").Problems[0].Field.ShouldBe("profile");
        var weak = Kiln.Create(new KilnSpecification("Teal", "top-190", null, null, null, new Dictionary<string, double?> { ["power"] = 4000 })).Value;
        DialFit
            .Of(
                KeyMachineTests.Profile("Bung"),
                FitTests.Written(Glaze, ScheduleKind.Glaze, "6"),
                null,
                weak,
                weak.UsualLoad(ScheduleKind.Glaze),
                Temperature.FromCelsius(20)
            )
            .Value.ShouldBeNull("it never gets there");
    }

    [Fact]
    public void Levels_go_from_all_off_to_all_full_the_lower_sections_first()
    {
        var levels = new DialLevels(KeyMachineTests.Profile("Spyhole").Dials!);
        levels.Count.ShouldBe(10);
        levels.Words(0).ShouldBe(["off", "off", "off"]);
        levels.Words(1).ShouldBe(["off", "off", "low"]);
        levels.Words(9).ShouldBe(["high", "high", "high"]);
        levels.Power(9).ShouldBe(1, 1e-9);
        Enumerable.Range(1, 9).ShouldAllBe(l => levels.Power(l) > levels.Power(l - 1));
        levels.Turned(0, 4).ShouldBe(3);
    }

    [Theory]
    [InlineData("Bung", Glaze, "6", 1.1)]
    [InlineData("Bung", Bisque, "04", 0.9)]
    [InlineData("Spyhole", Bisque, "04", 1.1)]
    public void With_a_reading_at_each_turn_it_keeps_to_the_curve_though_the_power_is_not_what_the_plate_says(
        string profile,
        string text,
        string cone,
        double power
    )
    {
        var (kind, read) = (text == Bisque ? ScheduleKind.Bisque : ScheduleKind.Glaze, KeyMachineTests.Profile(profile));
        var schedule = FitTests.Written(text, kind, cone);
        var (start, load) = (Temperature.FromCelsius(20), Top190.UsualLoad(kind));
        var curve = new PlainKiln(start).Times(schedule.Program).Value.Curve;
        var ends = curve.EndOfTop.TotalMinutes;
        // The real one: nobody knows how much it gives.
        var real = new KilnSimulation(Top190, load, null, 20, Fineness.Usual, null);
        var levels = new DialLevels(read.Dials!);
        var (done, readings) = (new List<DialTurn>(), new List<DialReading>());
        DialPlan Plan(DialsSoFar? so) => DialFit.Of(read, schedule, null, Top190, load, start, so).Value!;
        var plan = Plan(null);
        var (minute, square) = (0, 0.0);
        void RunTo(double until)
        {
            for (; minute < until; minute++)
            {
                real.LeadWithPower(60, levels.Power(levels.Find(done[^1].Positions)!.Value) * Top190.FullPower * power);
                if (minute + 1 > ends)
                    continue;
                var off = real.Chamber - curve.At(NodaTime.Duration.FromMinutes(minute + 1)).Celsius;
                square += off * off;
            }
        }

        done.Add(plan.Turns[0]);
        while (plan.Turns.Length > done.Count)
        {
            var next = plan.Turns[done.Count];
            RunTo(next.Minute);
            readings.Add(new DialReading(minute, Temperature.FromCelsius(real.Chamber)));
            done.Add(next);
            plan = Plan(new DialsSoFar([.. done], [.. readings]));
            plan.Turns.Take(done.Count)
                .Select(t => (t.Minute, string.Join(' ', t.Positions)))
                .ShouldBe(done.Select(t => (t.Minute, string.Join(' ', t.Positions))), "what is done stays");
        }
        RunTo(plan.OffMinute);
        plan.Share.ShouldBe(power, 0.01);
        Math.Sqrt(square / Math.Min(minute, ends)).ShouldBeLessThan(7 * 1.15);
    }

    [Fact]
    public void What_was_turned_and_read_is_looked_at_first()
    {
        Problem Refused(DialTurn[] turns, params DialReading[] readings) =>
            DialFit
                .Of(
                    KeyMachineTests.Profile("Bung"),
                    FitTests.Written(Glaze, ScheduleKind.Glaze, "6"),
                    null,
                    Top190,
                    Top190.UsualLoad(ScheduleKind.Glaze),
                    Temperature.FromCelsius(20),
                    new DialsSoFar([.. turns], [.. readings])
                )
                .Problems[0];
        var first = new DialTurn(0, ["1", "1"]);
        Refused([new DialTurn(5, ["1", "1"])]).Field.ShouldBe("done[0].minute");
        Refused([first, new DialTurn(30, ["1", "6"])]).Field.ShouldBe("done[1].positions");
        Refused([first, new DialTurn(30, ["2", "2"]), new DialTurn(20, ["1", "1"])]).Field.ShouldBe("done[2].minute");
        Refused([first], new DialReading(-1, Temperature.FromCelsius(100))).Field.ShouldBe("readings[0].minute");
        Refused([first], new DialReading(20, Temperature.FromCelsius(60)), new DialReading(10, Temperature.FromCelsius(50)))
            .Field.ShouldBe("readings[1].minute");
    }

    [Fact]
    public void Switches_say_what_they_cannot_give()
    {
        var plan = Plan("Spyhole", Glaze, "6").Value!;
        plan.Verdict(Make.Program(Glaze)).ShouldBe((Fits.Nearly, ""));
        plan.Verdict(Make.Program("100/h to 1213; cool 60/h to 900; off")).ShouldBe((Fits.No, "The cooling that was asked for is the kiln's own."));
        (plan with { Rms = 26 }).Verdict(Make.Program(Glaze)).Fits.ShouldBe(Fits.No);
    }
}
