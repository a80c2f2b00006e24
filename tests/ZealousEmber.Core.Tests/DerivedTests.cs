using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests;

/// <summary>A changed copy of a record is what it would be if it had been made so.</summary>
public sealed class DerivedTests
{
    private static readonly FiringProgram Program = Make.Program("100/h to 900; off");

    [Fact]
    public void It_is_worked_out_once_for_what_it_depends_on_and_anew_for_something_else()
    {
        var (derived, worked) = (new Derived<string, int>(), 0);
        int Length(string of)
        {
            worked++;
            return of.Length;
        }
        (derived.Of("cone", Length), derived.Of("cone", Length), derived.Of("kiln room", Length), derived.Of("cone", Length)).ShouldBe((4, 4, 9, 4));
        worked.ShouldBe(3, "only the last is remembered");
        derived.ShouldBe(new Derived<string, int>());
    }

    [Fact]
    public void A_kiln_higher_up_boils_at_less_under_the_same_firing()
    {
        var low = Make.Kiln("top-190");
        var high = Make.Kiln("top-190", ("altitude", 2500));
        var firing = new WatchedFiring(low, low.UsualLoad(ScheduleKind.Bisque), Program, ConeNumber.Parse("06").Value, low.Room);
        (firing with { Kiln = high }).Boiling.ShouldBe(new WatchedFiring(high, firing.Load, Program, firing.Goal, low.Room).Boiling);
        (firing with { Kiln = high }).Boiling.ShouldBeLessThan(firing.Boiling);
        var loaded = new ElectricKiln(low, low.UsualLoad(ScheduleKind.Bisque), low.Room);
        (loaded with { Kiln = high }).Boiling.ShouldBe(new ElectricKiln(high, loaded.Standing, low.Room).Boiling);
    }

    [Fact]
    public void Another_goal_is_watched_with_its_own_neighbours_but_for_who_chose_them()
    {
        var kiln = Make.Kiln("top-190");
        var firing = new WatchedFiring(kiln, kiln.UsualLoad(ScheduleKind.Glaze), Program, ConeNumber.Parse("06").Value, kiln.Room);
        firing.Cones.Select(c => c.Number).ShouldBe(["07", "06", "05½"]);
        (firing with { Goal = ConeNumber.Parse("6").Value }).Cones.Select(c => c.Number).ShouldContain("6");
        (firing with { Goal = null }).Cones.ShouldBeEmpty();
        (firing with { Cones = [.. Cone.All] } with { Goal = null }).Cones.Length.ShouldBe(Cone.All.Length);
    }

    [Fact]
    public void Another_fuel_kiln_is_turned_as_often_as_it_says_but_where_somebody_said_otherwise()
    {
        FuelKiln Kiln(int every) => FuelKiln.Create(new("Bittern", "updraft-300", null, null, new Dictionary<string, double?> { ["turnEvery"] = every })).Value;
        var (kiln, often) = (Kiln(30), Kiln(15));
        var loaded = new LoadedFuelKiln(kiln, kiln.UsualLoad(ScheduleKind.Glaze), kiln.Room);
        (loaded with { Kiln = often }).Every.ShouldBe(15);
        (loaded with { Every = 45 } with { Kiln = often }).Every.ShouldBe(45);
    }
}
