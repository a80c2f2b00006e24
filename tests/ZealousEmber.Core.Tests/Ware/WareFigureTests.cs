using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Ware;

/// <summary>The figures of the paper on what ware can stand.</summary>
public sealed class WareFigureTests
{
    [Theory]
    [InlineData(Dryness.BoneDry, 6, 0.2)]
    [InlineData(Dryness.BoneDry, 8, 0.6)]
    [InlineData(Dryness.BoneDry, 10, 1.2)]
    [InlineData(Dryness.BoneDry, 15, 3.3)]
    [InlineData(Dryness.BoneDry, 20, 6.1)]
    [InlineData(Dryness.BoneDry, 25, 9.8)]
    [InlineData(Dryness.BoneDry, 30, 14)]
    [InlineData(Dryness.BoneDry, 40, 26)]
    [InlineData(Dryness.CoolToTouch, 6, 0.6)]
    [InlineData(Dryness.CoolToTouch, 8, 1.4)]
    [InlineData(Dryness.CoolToTouch, 10, 2.5)]
    [InlineData(Dryness.CoolToTouch, 15, 6.1)]
    [InlineData(Dryness.CoolToTouch, 20, 11)]
    [InlineData(Dryness.CoolToTouch, 25, 17.5)]
    [InlineData(Dryness.CoolToTouch, 30, 25)]
    [InlineData(Dryness.CoolToTouch, 40, 45)]
    public void The_hold_at_90_after_a_climb_of_80(Dryness dryness, double wall, double hours)
    {
        var climb = Make.Plain(Make.Schedule("80/h to 90")).Value.Curve;
        var hold = Drying.HoldFor(wall, false, dryness, Make.Celsius(90), Drying.Progress(climb, climb.Length));
        hold.TotalHours.ShouldBe(hours, Math.Max(0.07, hours * 0.1));
    }

    [Theory]
    [InlineData(30, 8, 0.2)]
    public void A_slow_climb_dries_thin_ware_on_the_way(double rate, double wall, double water)
    {
        var climb = Make.Plain(Make.Schedule(FormattableString.Invariant($"{rate}/h to 120"))).Value.Curve;
        Drying.CentreWater(climb, wall, false, Dryness.BoneDry, Make.Celsius(100)).ShouldBe(water, 0.06);
        Drying.CentreWater(climb, 25, false, Dryness.BoneDry, Make.Celsius(100)).ShouldBeGreaterThan(Drying.LookWater);
    }

    [Theory]
    [InlineData(0, 100)]
    [InlineData(1000, 96.7)]
    [InlineData(2000, 93.4)]
    public void Water_boils_sooner_higher_up(double metres, double celsius) => Boiling.At(metres).Celsius.ShouldBe(celsius, 0.1);

    [Theory]
    [InlineData(10, 0.7)]
    [InlineData(25, 4.3)]
    [InlineData(40, 11)]
    public void A_wall_lags_behind_a_climb_of_100(double wall, double kelvins)
    {
        WallGradient.In(wall, false, Rate.PerHour(100)).Kelvins.ShouldBe(kelvins, 0.15);
        WallGradient.In(wall, true, Rate.PerHour(50)).Kelvins.ShouldBe(kelvins, 0.15);
        WallGradient.In(wall, false, WallGradient.Fastest(wall, false)).Kelvins.ShouldBe(WallGradient.Fine, 1e-9);
        WallGradient.In(wall, true, WallGradient.Fastest(wall, true)).Kelvins.ShouldBe(WallGradient.Fine, 1e-9);
    }

    [Theory]
    [InlineData(4, false, false, 1.5)]
    [InlineData(6, false, false, 1.5)]
    [InlineData(9, false, false, 2.25)]
    [InlineData(12, false, false, 3)]
    [InlineData(20, false, false, 5)]
    [InlineData(60, false, false, 5)]
    [InlineData(12, true, false, 4.5)]
    [InlineData(12, true, true, 6.75)]
    public void Burn_out_takes_its_time(double wall, bool slow, bool packed, double hours) => BurnOut.Needed(wall, slow, packed).TotalHours.ShouldBe(hours, 1e-9);

    [Fact]
    public void The_series_is_the_diffusion_equation()
    {
        // The same wall by plain finite differences: half of it, no flux in the middle, dry face.
        const int cells = 60;
        var m = Enumerable.Repeat(1.0, cells + 1).ToArray();
        m[cells] = 0;
        const double dx = 1.0 / cells, dt = 0.25 * dx * dx;
        for (var f = 0.0; f < 0.8; f += dt)
        {
            var next = (double[])m.Clone();
            for (var i = 0; i < cells; i++) next[i] = m[i] + dt / (dx * dx) * ((i == 0 ? m[1] : m[i - 1]) - 2 * m[i] + m[i + 1]);
            next[cells] = 0;
            m = next;
            if (Math.Abs(f - 0.1) < dt / 2 || Math.Abs(f - 0.3) < dt / 2 || Math.Abs(f - 0.7) < dt / 2) Drying.CentreShare(f).ShouldBe(m[0], 2e-3, $"F {f}");
        }
    }

    [Fact]
    public void Inverse_and_forward_agree() => Gen.Double[0.001, 0.97].Sample(share => Math.Abs(Drying.CentreShare(Drying.For(share)) - share) < 2e-3);

    [Fact]
    public void After_the_hold_it_asked_for_the_middle_is_dry()
    {
        Gen.Select(Gen.Double[3, 40], Gen.Enum<Dryness>(), Gen.Bool).Sample((wall, dryness, oneSided) =>
        {
            var climb = Make.Plain(Make.Schedule("80/h to 90")).Value.Curve;
            var hold = Drying.HoldFor(wall, oneSided, dryness, Make.Celsius(90), Drying.Progress(climb, climb.Length));
            var curve = new Curve([.. climb.Points.ToArray(), new(climb.Length.TotalMinutes + hold.TotalMinutes, 90), new(climb.Length.TotalMinutes + hold.TotalMinutes + 0.01, 101)]);
            var water = Drying.CentreWater(curve, wall, oneSided, dryness, Make.Celsius(100));
            water.ShouldBeLessThanOrEqualTo(Drying.FineWater + 0.003);
            if (hold > Duration.Zero) Drying.SafeAt(curve, wall, oneSided, dryness)!.Value.TotalMinutes.ShouldBe((climb.Length + hold).TotalMinutes, 1);
        }, iter: 200);
    }

    [Theory]
    [InlineData(0.4, 1)]
    [InlineData(1.0, 1.5)]
    [InlineData(3.3, 4.5)]
    public void Holds_carry_a_margin(double needed, double proposed) => Drying.WithMargin(Duration.FromHours(needed)).TotalHours.ShouldBe(proposed);

    [Fact]
    public void The_fastest_drop_is_over_an_hour_not_a_moment()
    {
        (double Drop, double From) Of(params CurvePoint[] points)
        {
            var (drop, from) = Cooling.FastestDrop(new Curve(points));
            return (Math.Round(drop.Kelvins, 6), Math.Round(from.TotalMinutes, 6));
        }
        Of(new(0, 20), new(600, 1200)).ShouldBe((0, 0), "it only climbs");
        Of(new(0, 1200), new(120, 900)).ShouldBe((150, 0));
        Of(new(0, 1200), new(30, 1200), new(31, 1100), new(300, 1100)).ShouldBe((100, 0), "a drop of a minute counts once");
        Of(new(0, 1200), new(60, 1180), new(90, 1000), new(150, 990)).ShouldBe((190, 30), "the hour that ends where it turns");
        Of(new(0, 1000), new(30, 800)).ShouldBe((200, 0), "shorter than an hour");
    }

    /// <summary>No hour tried by hand loses more.</summary>
    [Fact]
    public void No_hour_loses_more_than_the_fastest_drop() =>
        Gen.Select(Gen.Double[1, 90], Gen.Double[20, 1250]).Array[2, 30].Sample(pieces =>
        {
            var at = 0.0;
            var curve = new Curve(pieces.Select(p => new CurvePoint(at += p.Item1, p.Item2)));
            var (first, last) = (curve.Points[0].Minutes, curve.Points[^1].Minutes);
            var fastest = Cooling.FastestDrop(curve).Drop.Kelvins;
            for (var m = first; m < last; m += 1.7)
                (curve.At(Duration.FromMinutes(m)) - curve.At(Duration.FromMinutes(m + 60))).Kelvins.ShouldBeLessThanOrEqualTo(fastest + 1e-9);
        }, iter: 300);
}
