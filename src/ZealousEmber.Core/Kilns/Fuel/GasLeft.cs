using System.Collections.Immutable;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A cylinder that was weighed under way.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="Kg">Gas in it: its weight less what it weighs empty.</param>
public sealed record WeighedCylinder(double Minute, double Kg);

/// <summary>
/// What is left in the cylinders of a firing under way, side by side and alike, full at the start as far as nobody weighed one. Source: the fuel kiln paper,
/// "Fuel"; good to 40 % until one is weighed.
/// </summary>
/// <param name="Count">How many share the load.</param>
/// <param name="FullKg">Gas in a full one.</param>
/// <param name="KgEach">Left in each.</param>
/// <param name="Celsius">Of liquid and steel.</param>
/// <param name="ColdestCelsius">Below it the pressure as it is set cannot be kept up; nothing with the burners out.</param>
/// <param name="KgPerHour">Burned as it is set now, all together.</param>
/// <param name="HoursHere">How long they last as it is set now; nothing with the burners out, and for more than two days.</param>
/// <param name="ShortAt">When they run short by the plan, minutes since the start, with a little more use than planned; nothing where they last.</param>
/// <param name="IsByCold">They run short because they are too cold, not empty.</param>
/// <param name="KgAtEnd">Left in all of them at the shut-off; nothing where they run short.</param>
/// <param name="WeighedAt">When one was last weighed; nothing while nobody did.</param>
public sealed record GasLeft(
    int Count,
    double FullKg,
    double KgEach,
    double Celsius,
    double? ColdestCelsius,
    double KgPerHour,
    double? HoursHere,
    double? ShortAt,
    bool IsByCold,
    double? KgAtEnd,
    double? WeighedAt
)
{
    private const double Longest = 48 * 60;
    private const double MoreUse = 1.15;

    /// <summary>Left in all of them, kg.</summary>
    public double Kg => Count * KgEach;

    /// <summary>What is left; nothing where gas is piped.</summary>
    /// <param name="kiln">With what a cylinder holds.</param>
    /// <param name="count">How many share the load; they are no more and no fewer because the plan is another.</param>
    /// <param name="made">The turns that were made, in order of time.</param>
    /// <param name="weighed">In order of time.</param>
    /// <param name="ahead">The plan that is followed.</param>
    /// <param name="now">Minutes since the start.</param>
    public static GasLeft? At(FuelKiln kiln, int count, ImmutableArray<FuelTurn> made, IReadOnlyList<WeighedCylinder> weighed, TurnPlan ahead, double now)
    {
        if (kiln.Cylinder <= 0)
            return null;
        var (full, room, air) = (kiln.Cylinder, kiln.Room.Celsius, new Draft(kiln));
        double Rate(BurnerSetting setting) => air.Fuel(setting) / count;
        var (cylinder, turn, next) = (new CylinderState(full, room), -1, 0);
        for (var minute = 0.0; minute < now; minute++)
        {
            while (turn + 1 < made.Length && made[turn + 1].Minute <= minute)
                turn++;
            for (; next < weighed.Count && weighed[next].Minute <= minute; next++)
                cylinder = cylinder with { Left = weighed[next].Kg };
            cylinder = cylinder.Gives(turn < 0 ? 0 : Rate(made[turn].Setting), 60 * Math.Min(1, now - minute), full, room);
        }
        for (; next < weighed.Count && weighed[next].Minute <= now; next++)
            cylinder = cylinder with { Left = weighed[next].Kg };
        var setting = made.Any(t => t.Minute <= now) ? made.Last(t => t.Minute <= now).Setting : BurnerSetting.Off(0);
        double? coldest = setting.Lit > 0 ? Cylinders.Coldest(setting.Pressure) : null;
        double? here = null;
        if (setting.Lit > 0)
        {
            var (left, minutes) = (cylinder, 0.0);
            for (; minutes < Longest && !left.Starves(setting.Pressure); minutes++)
                left = left.Gives(Rate(setting), 60, full, room);
            if (minutes < Longest)
                here = minutes / 60;
        }
        var (end, shortAt, last) = (cylinder, (double?)null, ahead.Powered.TotalMinutes);
        for (var (minute, row) = (now, -1); minute < last && shortAt is null; minute++)
        {
            while (row + 1 < ahead.Turns.Length && ahead.Turns[row + 1].Minute <= minute)
                row++;
            var then = row < 0 || ahead.Turns[row].Minute < now ? setting : ahead.Turns[row].Setting;
            if (then.Lit == 0)
                continue;
            end = end.Gives(MoreUse * Rate(then), 60, full, room);
            if (end.Starves(then.Pressure))
                shortAt = minute;
        }
        return new GasLeft(
            count,
            full,
            cylinder.Left,
            cylinder.Celsius,
            coldest,
            3600 * air.Fuel(setting),
            here,
            shortAt,
            shortAt is not null && end.Left > 0,
            shortAt is null ? count * end.Left : null,
            weighed.LastOrDefault(w => w.Minute <= now)?.Minute
        );
    }
}
