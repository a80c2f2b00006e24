using System.Collections.Immutable;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Planning;

/// <summary>Where it is fired, as far as a plan needs it.</summary>
/// <param name="Start">The kiln's temperature.</param>
/// <param name="Boiling">When water boils there.</param>
/// <param name="Hottest">The kiln's limit.</param>
/// <param name="Times">Times a schedule there.</param>
/// <param name="FastestClimb">At a temperature; nothing when not known.</param>
/// <param name="NaturalFall">With the power off, at a temperature.</param>
/// <param name="UsualMass">kg of ware usual there for this kind of firing; nothing when not known.</param>
public sealed record PlanPlace(
    Temperature Start, Temperature Boiling, Temperature Hottest, ScheduleTimes Times, Func<Temperature, Rate?> FastestClimb, Func<Temperature, Rate?> NaturalFall, double? UsualMass = null)
{
    /// <summary>On the plain kiln: it halves its difference to the room every 3.5 h, and full power is not what limits a plan on it.</summary>
    public static PlanPlace Plain(Temperature start, Temperature boiling, ScheduleTimes times) =>
        new(start, boiling, ScheduleLimits.Hottest, times, _ => null, t => Pace(GenericKiln.Instance.Cool(t, t - TemperatureDifference.FromKelvins(10))));

    /// <summary>In a kiln with what really stands in it: a thinly loaded one climbs and falls much faster than a full one.</summary>
    public static PlanPlace In(Kiln kiln, KilnLoad load, ScheduleKind kind, Temperature start, Temperature boiling, ScheduleTimes times)
    {
        var (climb, fall, reaches) = KilnPortrait.With(kiln, load);
        var hottest = new[] { reaches, kiln.TopLimit, ScheduleLimits.Hottest }.MinBy(t => t.Celsius);
        return new PlanPlace(start, boiling, hottest, times, t => Nearest(climb, t), t => Nearest(fall, t), kiln.UsualLoad(kind).WareMass);
    }

    private static Rate? Pace(IReadOnlyList<CurvePoint> curve) =>
        curve[^1].Minutes > 0 ? Rate.PerHour((curve[0].Celsius - curve[^1].Celsius) / curve[^1].Minutes * 60) : null;

    /// <summary>The pace at the nearest temperature it is known at.</summary>
    private static Rate? Nearest(ImmutableArray<PaceAt> paces, Temperature t) => paces.IsEmpty ? null : paces.MinBy(p => (p.At - t).Abs().Kelvins).Rate;
}
