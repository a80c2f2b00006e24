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
    /// <summary>B of a bone dry wall on a steady climb from 20 °C: ± 6 % or 0.01.</summary>
    [Theory]
    [InlineData(6.0, 0.01, 0.04, 0.07, 0.11, 0.17, 0.23, 0.37)]
    [InlineData(10.0, 0.05, 0.10, 0.18, 0.25, 0.36, 0.49, 0.76)]
    [InlineData(15.0, 0.11, 0.21, 0.35, 0.50, 0.69, 0.93, 1.42)]
    [InlineData(25.0, 0.31, 0.53, 0.87, 1.21, 1.66, 2.22, 2.5)]
    public void Steam_of_a_bone_dry_wall_on_a_steady_climb(double wall, params double[] expected)
    {
        foreach (var (rate, b) in new[] { 30.0, 50, 80, 110, 150, 200, 300 }.Zip(expected))
        {
            var climb = new SteamClimb(new Curve([new(0, 20), new(60 * 280 / rate, 300)]), Make.Celsius(100));
            var worst = climb.Worst(Drying.Depth(wall, false), 1).B;
            if (b == 2.5)
                worst.ShouldBeGreaterThan(2.5);
            else
                worst.ShouldBe(b, Math.Max(0.01, 0.06 * b), $"{wall} mm at {rate}");
        }
    }

    /// <summary>Hold at 90 °C that brings B to 0.15, h: ± 8 %; 60/h to it, 30 to 130, then min(100, 10 080/L²).</summary>
    [Theory]
    [InlineData(1.0, 0.0, 0.0, 0.0, 0.3, 3.0, 7.1, 11.7, 17.1)]
    [InlineData(3.0, 0.6, 1.3, 2.1, 3.5, 7.5, 14.3, 22.1, 31.4)]
    [InlineData(6.0, 1.4, 2.4, 3.6, 5.5, 10.3, 18.7, 28.6, 40.4)]
    public void The_hold_at_90_that_lets_the_steam_out(double water, params double[] expected)
    {
        foreach (var (wall, hours) in new[] { 6.0, 8, 10, 12, 15, 20, 25, 30 }.Zip(expected))
        {
            var depth = Drying.Depth(wall, false);
            var rate = Math.Min(100, 10_080 / (depth * depth));
            var past = Math.Min(30, rate);
            var after = new SteamClimb(new Curve([new(0, 90), new(60 * 40 / past, 130), new(60 * 40 / past + 60 * 100 / rate, 230)]), Make.Celsius(100));
            var before = Drying.Progress(new Curve([new(0, 20), new(70, 90)]), Duration.Zero, Duration.FromMinutes(70));
            var hold = Math.Max(0, after.ProgressFor(depth, water) - before) / Drying.Diffusivity(90) / 3600;
            hold.ShouldBe(hours, Math.Max(0.08, 0.08 * hours), $"{wall} mm");
        }
    }

    [Theory]
    [InlineData(12, 197, 366, 20.6)]
    [InlineData(20, 88, 162, 9.2)]
    [InlineData(25, 60, 111, 6.3)]
    [InlineData(38, 29, 53, 3.0)]
    public void What_a_wall_stands_at_573_and_while_it_shrinks(double wall, double raw, double fired, double leatherHard)
    {
        var depth = Drying.Depth(wall, false);
        WallGradient.RawUp(depth).ShouldBe(raw, 0.03 * raw);
        WallGradient.FiredThrough(depth).ShouldBe(fired, 0.03 * fired);
        Shrinking.Fastest(depth, Dryness.LeatherHard)!.Value.ShouldBe(leatherHard, 0.03 * leatherHard);
        Shrinking.Fastest(depth, Dryness.Damp)!.Value.ShouldBe(4 * leatherHard, 0.12 * leatherHard);
        WallGradient.In(depth, Rate.PerHour(WallGradient.RawUp(depth))).Kelvins.ShouldBe(3.5, 0.01);
        WallGradient.In(depth, Rate.PerHour(WallGradient.FiredThrough(depth))).Kelvins.ShouldBe(6.5, 0.01);
    }

    [Fact]
    public void Ware_that_dries_from_one_side_is_deeper()
    {
        WallGradient.RawUp(Drying.Depth(20, true)).ShouldBe(75, 2.3);
        WallGradient.FiredThrough(Drying.Depth(20, true)).ShouldBe(138, 4.2);
        Drying.Depth(6, true).ShouldBe(5, 1e-9, "a thin foot is no deeper than a thin wall");
    }

    [Theory]
    [InlineData(250, 170)]
    [InlineData(300, 118)]
    [InlineData(350, 87)]
    [InlineData(420, 60)]
    public void Flat_ware_by_its_width(double width, double rate) => WallGradient.AcrossFlat(width).ShouldBe(rate, 0.03 * rate);

    [Fact]
    public void Leather_hard_ware_becomes_damp_between_40_and_65()
    {
        var depth = Drying.Depth(12, false);
        Shrinking.Stay(depth).TotalHours.ShouldBe(7.68, 0.01);
        Shrinking.Stay(Drying.Depth(4, false)).TotalHours.ShouldBe(6);
        Shrinking.DampAt(new Curve([new(0, 20), new(160, 60), new(160 + 60 * 8, 60)]), depth)!.Value.TotalHours.ShouldBe(160 / 60.0 + 7.68 - 80 / 60.0, 0.02);
        Shrinking.DampAt(new Curve([new(0, 20), new(300, 90), new(3000, 90)]), depth).ShouldBeNull();
    }

    [Theory]
    [InlineData(0, 100)]
    [InlineData(1000, 96.7)]
    [InlineData(2000, 93.4)]
    public void Water_boils_sooner_higher_up(double metres, double celsius) => Boiling.At(metres).Celsius.ShouldBe(celsius, 0.1);

    [Theory]
    [InlineData(4, false, false, 1.5)]
    [InlineData(6, false, false, 1.5)]
    [InlineData(9, false, false, 2.25)]
    [InlineData(12, false, false, 3)]
    [InlineData(20, false, false, 5)]
    [InlineData(60, false, false, 5)]
    [InlineData(12, true, false, 4.5)]
    [InlineData(12, true, true, 6.75)]
    public void Burn_out_takes_its_time(double wall, bool slow, bool packed, double hours) =>
        BurnOut.Needed(wall, slow, packed).TotalHours.ShouldBe(hours, 1e-9);

    [Fact]
    public void The_series_is_the_diffusion_equation()
    {
        // The same wall by plain finite differences: half of it, no flux in the middle, dry face.
        const int cells = 60;
        var m = Enumerable.Repeat(1.0, cells + 1).ToArray();
        m[cells] = 0;
        const double dx = 1.0 / cells,
            dt = 0.25 * dx * dx;
        for (var f = 0.0; f < 0.8; f += dt)
        {
            var next = (double[])m.Clone();
            for (var i = 0; i < cells; i++)
                next[i] = m[i] + dt / (dx * dx) * ((i == 0 ? m[1] : m[i - 1]) - 2 * m[i] + m[i + 1]);
            next[cells] = 0;
            m = next;
            if (Math.Abs(f - 0.1) < dt / 2 || Math.Abs(f - 0.3) < dt / 2 || Math.Abs(f - 0.7) < dt / 2)
                Drying.CentreShare(f).ShouldBe(m[0], 2e-3, $"F {f}");
        }
    }

    [Fact]
    public void Inverse_and_forward_agree() => Gen.Double[0.001, 0.97].Sample(share => Math.Abs(Drying.CentreShare(Drying.For(share)) - share) < 2e-3);

    [Fact]
    public void After_the_hold_it_asked_for_the_wall_is_safe() =>
        Gen.Select(Gen.Double[3, 40], Gen.Double[1, 6], Gen.Bool, Gen.Double[20, 150])
            .Sample(
                (wall, water, oneSided, rate) =>
                {
                    var depth = Drying.Depth(wall, oneSided);
                    var after = new SteamClimb(new Curve([new(0, 90), new(60 * 140 / rate, 230)]), Make.Celsius(100));
                    var needed = after.ProgressFor(depth, water);
                    after.Worst(depth, water, needed).B.ShouldBeLessThanOrEqualTo(Steam.Planned + 1e-6);
                    after.WaterAtBoiling(depth, water, needed).ShouldBeLessThanOrEqualTo(Steam.MostAtBoiling + 1e-6);
                    if (needed > 0)
                        (
                            after.Worst(depth, water, needed * 0.98).B > Steam.Planned * 0.9
                            || after.WaterAtBoiling(depth, water, needed * 0.98) > Steam.MostAtBoiling * 0.95
                        ).ShouldBeTrue("and no longer than that");
                },
                iter: 200
            );

    [Fact]
    public void More_wall_water_or_rate_never_steams_less() =>
        Gen.Select(Gen.Double[3, 30], Gen.Double[1, 6], Gen.Double[20, 200], Gen.Double[1, 1.3])
            .Sample(
                (wall, water, rate, more) =>
                {
                    double B(double w, double m, double r) =>
                        new SteamClimb(new Curve([new(0, 20), new(60 * 210 / r, 230)]), Make.Celsius(100)).Worst(Drying.Depth(w, false), m).B;
                    var b = B(wall, water, rate);
                    B(wall * more, water, rate).ShouldBeGreaterThanOrEqualTo(b - 1e-9);
                    B(wall, water * more, rate).ShouldBeGreaterThanOrEqualTo(b - 1e-9);
                    B(wall, water, rate * more).ShouldBeGreaterThanOrEqualTo(b - 1e-9);
                },
                iter: 200
            );

    [Fact]
    public void A_log_tells_from_when_a_wall_was_safe()
    {
        var curve = new Curve([new(0, 20), new(60, 90), new(60 + 600, 90)]);
        var depth = Drying.Depth(20, false);
        var safe = Steam.SafeAt(curve, depth, 1, 100)!.Value;
        var left = Drying.CentreShare(Drying.Progress(curve, Duration.Zero, safe) / (depth * depth / 1e6));
        (left * 100 * depth * depth).ShouldBe(Steam.SafeInALog, 20);
        Steam.SafeAt(curve, Drying.Depth(60, false), 6, 100).ShouldBeNull();
    }

    [Fact]
    public void The_dry_plan_never_gets_shorter_by_more_wall_or_more_water() =>
        Gen.Select(Gen.Double[2, 60], Gen.Enum<Dryness>(), Gen.Bool, Gen.Double[0.1, 3])
            .Sample(
                (wall, dryness, oneSided, more) =>
                {
                    DryingPlan Of(double w, Dryness d) =>
                        DryingPlan.For(
                            [WareLot.Create("ware", 1, w, oneSided: oneSided, dryness: d).Value],
                            l => Moisture.Of(l.Dryness),
                            Make.Celsius(100),
                            TemperatureUnit.Celsius
                        );
                    double Hours(DryingPlan p) =>
                        (p.Softens is { } s ? 40 / s.Climb + s.Stay.TotalHours : 0)
                        + (p.Softens is { } f ? p.HoldAt - f.At : p.HoldAt - 20) / p.ToHold
                        + p.Hold.TotalHours
                        + (DryingPlan.PastTo - p.HoldAt) / Math.Min(p.PastBoiling, p.To200 ?? 1000)
                        + 70 / (p.To200 ?? FriendlyNumbers.RateDown(100, TemperatureUnit.Celsius));
                    var hours = Hours(Of(wall, dryness));
                    Hours(Of(wall + more, dryness)).ShouldBeGreaterThanOrEqualTo(hours - 1e-6, $"{wall} + {more} mm {dryness}");
                    if (dryness != Dryness.LeatherHard)
                        Hours(Of(wall, dryness + 1)).ShouldBeGreaterThanOrEqualTo(hours - 1e-6, $"wetter, {wall} mm {dryness}");
                },
                iter: 300
            );

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
        Gen.Select(Gen.Double[1, 90], Gen.Double[20, 1250])
            .Array[2, 30]
            .Sample(
                pieces =>
                {
                    var at = 0.0;
                    var curve = new Curve(pieces.Select(p => new CurvePoint(at += p.Item1, p.Item2)));
                    var (first, last) = (curve.Points[0].Minutes, curve.Points[^1].Minutes);
                    var fastest = Cooling.FastestDrop(curve).Drop.Kelvins;
                    for (var m = first; m < last; m += 1.7)
                        (curve.At(Duration.FromMinutes(m)) - curve.At(Duration.FromMinutes(m + 60))).Kelvins.ShouldBeLessThanOrEqualTo(fastest + 1e-6);
                },
                iter: 300
            );
}
