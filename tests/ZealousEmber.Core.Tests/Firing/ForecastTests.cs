using Shouldly;
using Xunit;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>How well a firing is forecast under way, in kilns that are not as stored; figures of the paper on the firing day, times 1.5.</summary>
public class ForecastTests
{
    private sealed record Miss(double Top, double Cone, double Cooling, bool HoldsTop, bool HoldsCone, bool HoldsOpening);

    private static readonly (string Kind, double Power, double Loss)[] Kilns =
    [
        ("top-100", 100, 90),
        ("top-100", 110, 110),
        ("top-190", 90, 90),
        ("top-190", 100, 110),
        ("top-290", 100, 100),
        ("top-290", 110, 90),
        ("front-200", 90, 110),
        ("front-200", 100, 90),
        ("top-190", 90, 100),
    ];

    private static readonly Lazy<Dictionary<(bool Share, int Mark), List<Miss>>> Misses = new(Measure);

    [Theory]
    [InlineData(25, 13.5, 60, 0.45, 6.6, 9, 13)]
    [InlineData(50, 7.5, 40.5, 0.45, 4.5, 6, 12)]
    [InlineData(75, 3, 16.5, 0.45, 2.85, 6, 12)]
    public void Top_cone_and_cooling_are_forecast_as_well_as_they_can_be(
        int mark,
        double top,
        double worstTop,
        double cone,
        double worstCone,
        double cooling,
        double worstCooling
    )
    {
        var misses = Misses.Value[(true, mark)];
        Median(misses.Select(m => m.Top)).ShouldBeLessThan(top);
        misses.Max(m => Math.Abs(m.Top)).ShouldBeLessThan(worstTop);
        Median(misses.Select(m => m.Cone)).ShouldBeLessThan(cone);
        misses.Max(m => Math.Abs(m.Cone)).ShouldBeLessThan(worstCone);
        Median(misses.Select(m => m.Cooling)).ShouldBeLessThan(cooling);
        misses.Max(m => Math.Abs(m.Cooling)).ShouldBeLessThan(worstCooling);
    }

    [Theory]
    [InlineData(25, 52, 130)]
    [InlineData(50, 16.5, 61)]
    [InlineData(75, 3, 21)]
    public void Without_a_share_it_is_less_sure_and_says_so(int mark, double top, double worst)
    {
        var misses = Misses.Value[(false, mark)];
        Median(misses.Select(m => m.Top)).ShouldBeLessThan(top);
        misses.Max(m => Math.Abs(m.Top)).ShouldBeLessThan(worst);
    }

    [Fact]
    public void The_bands_hold_what_comes()
    {
        var all = Misses.Value.Values.SelectMany(m => m).ToList();
        double Share(Func<Miss, bool> holds) => all.Count(holds) / (double)all.Count;
        Share(m => m.HoldsTop).ShouldBeGreaterThan(0.8);
        // Without a share as well: 92 to 95 % of sixty kilns drawn at random, three programs among them.
        Misses.Value.Where(m => !m.Key.Share).SelectMany(m => m.Value).Average(m => m.HoldsTop ? 1 : 0).ShouldBeInRange(0.75, 1);
        Share(m => m.HoldsCone).ShouldBeGreaterThan(0.9);
        Share(m => m.HoldsOpening).ShouldBeGreaterThan(0.75);
    }

    [Fact]
    public void A_kiln_that_cannot_get_there_is_found_out()
    {
        var stored = Make.Kiln("bench");
        var load = stored.UsualLoad(ScheduleKind.Glaze);
        var fired = LiveRun.Fire(LiveRun.Truth("bench", 80), load, Make.Program(LiveRun.Glaze), 3, 900);
        var live = LiveRun.Watch(stored, load, Make.Program(LiveRun.Glaze));
        live.Feed(fired, 700);
        live.Board.All.ShouldContain(a => a.Id == "cannot-reach");
        live.Report(700).Forecast!.CannotShare.ShouldBeGreaterThan(0.8);
        double.IsInfinity(live.Forecast!.Top.P50).ShouldBeTrue();
    }

    [Fact]
    public void Same_readings_same_words_whenever_they_are_asked_for()
    {
        var stored = Make.Kiln("top-190");
        var load = stored.UsualLoad(ScheduleKind.Glaze);
        var fired = LiveRun.Fire(stored, load, Make.Program(LiveRun.Glaze), 9, 420);
        var (often, once) = (LiveRun.Watch(stored, load, Make.Program(LiveRun.Glaze)), LiveRun.Watch(stored, load, Make.Program(LiveRun.Glaze)));
        for (var minute = 5.0; minute <= 400; minute += 7)
        {
            often.Feed(fired, minute);
            often.Report(minute);
        }
        often.Feed(fired, 400);
        once.Feed(fired, 400);
        var (a, b) = (often.Report(400), once.Report(400));
        a.Forecast!.Top.ShouldBe(b.Forecast!.Top);
        a.Estimate.ShouldBe(b.Estimate);
        a.Progress.ShouldBe(b.Progress);
    }

    [Fact]
    public void The_hold_ends_when_the_cone_will_come_down_by_itself()
    {
        var stored = Make.Kiln("top-190");
        var load = stored.UsualLoad(ScheduleKind.Glaze);
        var program = Make.Program("200/h to 1120; 60/h to 1190 hold 20m; off");
        var fired = LiveRun.Fire(stored, load, program, 4, 600);
        var live = LiveRun.Watch(stored, load, program);
        live.Feed(fired, fired.TopAt - 20);
        var at = live.Report(fired.TopAt - 20).Forecast!.EndHoldAt!.Value;
        // Fired once more with the hold ended there, the cone is down to within two degrees.
        var exact = LiveRun.Fire(
            stored,
            load,
            program.WithStep(1, program.Steps[1].Target!.Value, NodaTime.Duration.FromMinutes(at - fired.TopAt)),
            4,
            at + 200
        );
        Math.Abs(exact.ConeDegrees).ShouldBeLessThan(2.5);
    }

    private static double Median(IEnumerable<double> values)
    {
        var sorted = values.Select(Math.Abs).Order().ToList();
        return sorted[sorted.Count / 2];
    }

    private static Dictionary<(bool Share, int Mark), List<Miss>> Measure()
    {
        var misses = new Dictionary<(bool, int), List<Miss>>();
        var program = Make.Program(LiveRun.Glaze);
        foreach (var (i, (kind, power, loss)) in Kilns.Index())
        {
            var stored = Make.Kiln(kind);
            var load = stored.UsualLoad(ScheduleKind.Glaze);
            var fired = LiveRun.Fire(LiveRun.Truth(kind, power, loss), load, program, (ulong)(i * 7 + 1));
            foreach (var withShare in new[] { true, false })
            {
                var live = LiveRun.Watch(stored, load, program);
                foreach (var mark in new[] { 25, 50, 75 })
                {
                    var now = Math.Round(fired.TopAt * mark / 100);
                    live.Feed(fired, now, withShare);
                    var forecast = live.Report(now).Forecast!;
                    var (cone, took, takes) = (forecast.Cones[1].Degrees, fired.OpenAt - fired.EndAt, forecast.Open.P50 - forecast.End.P50);
                    if (!misses.TryGetValue((withShare, mark), out var list))
                        misses[(withShare, mark)] = list = [];
                    list.Add(
                        new Miss(
                            forecast.Top.P50 - fired.TopAt,
                            cone.P50 - fired.ConeDegrees,
                            (takes - took) / took * 100,
                            forecast.Top.P10 - 2 <= fired.TopAt && fired.TopAt <= forecast.Top.P90 + 2,
                            cone.P10 - 1 <= fired.ConeDegrees && fired.ConeDegrees <= cone.P90 + 1,
                            forecast.Open.P10 <= fired.OpenAt && fired.OpenAt <= forecast.Open.P90
                        )
                    );
                }
            }
        }
        return misses;
    }
}
