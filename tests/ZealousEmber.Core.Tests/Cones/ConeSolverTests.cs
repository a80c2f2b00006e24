using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Cones;

public class ConeSolverTests
{
    private static Cone Cone(string number) => Core.Cones.ConeNumber.Parse(number).Value;

    private static Schedule Schedule(string line) => Make.Schedule([.. NotationReader.Read(line, TemperatureUnit.Celsius).Segments]);

    private static double Progress(FiringProgram program, Cone cone) => HeatWork.Of(ConeTable.Of(cone).Kinetics, Make.Plain(program).Value.Curve);

    [Theory]
    [InlineData("6", 0, 1223)]
    [InlineData("6", 10, 1215)]
    [InlineData("6", 20, 1208)]
    [InlineData("6", 30, 1203)]
    [InlineData("6", 60, 1192)]
    [InlineData("10", 0, 1286)]
    [InlineData("10", 60, 1256)]
    [InlineData("04", 0, 1063)]
    [InlineData("04", 60, 1041)]
    public void The_top_for_a_hold_agrees_with_the_paper(string cone, int hold, double top) =>
        ConeSolver.Top(Cone(cone), Duration.FromMinutes(hold)).Value.Top.Celsius.ShouldBe(top, 3);

    [Theory]
    [InlineData("6", "5", 80)]
    [InlineData("10", "9", 40)]
    [InlineData("03", "04", 75)]
    public void One_cones_worth_of_hold_is_about_what_the_paper_says(string cone, string below, double minutes) =>
        ConeSolver.Hold(Cone(cone), Make.Celsius(ConeTable.Of(Cone(below)).At60)).Value.Hold.TotalMinutes.ShouldBe(minutes, minutes * 0.15);

    [Fact]
    public void Top_and_hold_undo_each_other() =>
        Gen.Select(Gen.Int[0, 35], Gen.Double[0, 180])
            .Sample(
                (index, minutes) =>
                {
                    var cone = Core.Units.Cone.All[index];
                    var top = ConeSolver.Top(cone, Duration.FromMinutes(minutes)).Value.Top;
                    ConeSolver.Hold(cone, top).Value.Hold.TotalMinutes.ShouldBe(minutes, 0.01);
                }
            );

    [Fact]
    public void A_hold_that_is_out_of_reach_or_past_is_said()
    {
        ConeSolver.Hold(Cone("10"), Make.Celsius(900)).Problems.Single().Message.ShouldContain("not reachable below 99 hours");
        ConeSolver.Hold(Cone("10"), Make.Celsius(-20)).Problems.Single().Message.ShouldContain("not reachable");
        ConeSolver.Hold(Cone("04"), Make.Celsius(1200)).Problems.Single().Message.ShouldContain("is past");
    }

    [Fact]
    public void A_schedule_is_solved_by_its_top_or_by_its_hold()
    {
        var schedule = Schedule("150/h to 1040; 60/h to 1190 hold 12m; cool 55/h to 850; off");
        var hotter = ConeSolver.TopOf(schedule.Program, Cone("6"), Make.Celsius(20), Make.Plain).Value;
        Progress(hotter, Cone("6")).ShouldBe(1, 1e-6);
        hotter.Steps[1].Hold.ShouldBe(schedule.Segments[1].Hold);
        hotter.Steps[1].Target!.Value.Celsius.ShouldBeInRange(1190, 1215);

        var longer = ConeSolver.HoldOf(schedule.Program, Cone("6"), Make.Plain).Value;
        Progress(longer, Cone("6")).ShouldBe(1, 1e-4);
        longer.Steps[1].Target.ShouldBe(schedule.Segments[1].Target);
        longer.Steps[1].Hold.ShouldBeGreaterThan(schedule.Segments[1].Hold);
    }

    [Theory]
    [InlineData("150/h to 1040; 60/h to 1190; off", "022", "down before")]
    [InlineData("2000/h to 1200", "14", "stays up even at 1400 °C")]
    public void A_goal_far_outside_is_said(string line, string cone, string says) =>
        ConeSolver.TopOf(Schedule(line).Program, Cone(cone), Make.Celsius(20), Make.Plain).Problems.Single().Message.ShouldContain(says);

    [Fact]
    public void A_pack_tells_how_much_hotter_the_shelf_was()
    {
        ConeSolver.Offset(Cone("6"), 1, 1).Kelvins.ShouldBe(0, 1e-6);
        // Half the progress is some eighteen degrees less on cone 6: θ/T² is 0.0375 per kelvin, ln 2 over it.
        ConeSolver.Offset(Cone("6"), 0.5, 1).Kelvins.ShouldBe(-18, 1.5);
        ConeSolver.EndPoint(Cone("6"), Rate.PerHour(60)).Celsius.ShouldBe(1222, 2.5);
        ConeSolver.EndPoint(Cone("6"), Rate.PerHour(300)).ShouldBeGreaterThan(ConeSolver.EndPoint(Cone("6"), Rate.PerHour(10)));
    }
}
