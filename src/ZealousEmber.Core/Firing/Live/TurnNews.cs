using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>What a plan made anew would change, where that is worth a word. Source: the project's paper on fuel kilns.</summary>
public static class TurnNews
{
    // A smaller change is no reason to turn anything: minutes, share of the damper, °C of cone, kg of gas.
    private const double WorthTime = 10;
    private const double WorthDamper = 0.1;
    private const double WorthCone = 15;
    private const double WorthGas = 0.5;

    /// <summary>A sentence for each thing; empty where nothing is worth one, and where there is no plan made anew.</summary>
    /// <param name="moment">Where the firing is.</param>
    /// <param name="program">What is fired.</param>
    /// <param name="goal">The cone it is for; nothing where there is none.</param>
    /// <param name="now">Minutes since the start.</param>
    public static ImmutableArray<string> Of(FuelMoment moment, FiringProgram program, Cone? goal, double now)
    {
        if (moment is not { Fresh: { } fresh, FreshKiln: { } kiln })
            return [];
        var said = ImmutableArray.CreateBuilder<string>();
        var next = fresh.Turns.FirstOrDefault(t => t.Minute >= now - 1e-6);
        var before = moment.InForce.Turns.LastOrDefault(t => t.Minute <= now + 1e-6);
        if (next is not null && before is not null && next.Kind != TurnKind.ShutOff && !IsDue(moment, next, now) && !IsNear(next, before, moment.Kiln.Kiln))
        {
            var was = TurnWords.Setting(before.Setting, moment.Kiln.Kiln);
            var becomes = TurnWords.Of(fresh, kiln.Kiln, program, TemperatureUnit.Celsius)[fresh.Turns.IndexOf(next)].Set;
            if (becomes != was)
                said.Add($"Now: {was} becomes {Text.Small(becomes)}.");
        }
        var late = fresh.Powered.TotalMinutes - moment.InForce.Powered.TotalMinutes;
        if (Math.Abs(late) > WorthTime)
            said.Add($"Shut-off {Phrases.Hours(Duration.FromMinutes(Math.Round(Math.Abs(late))))} {(late > 0 ? "later" : "sooner")}.");
        if (goal is { } cone)
        {
            var more = Degrees(fresh, cone) - Degrees(moment.InForce, cone);
            if (Math.Abs(more) > WorthCone)
                said.Add($"Cone {cone.Number}: {Math.Round(Math.Abs(more)):0} °C of cone {(more > 0 ? "more" : "less")}.");
        }
        // What it costs is told with what it changes, and is no reason of its own.
        var fuel = fresh.TotalFuel - moment.InForce.TotalFuel;
        if (said.Count > 0 && Math.Abs(fuel) >= WorthGas)
            said.Add($"About {Phrases.Number(Math.Round(Math.Abs(fuel), 1))} kg of gas {(fuel > 0 ? "more" : "less")}.");
        return said.ToImmutable();
    }

    /// <summary>What the card asks for next anyway is no news.</summary>
    private static bool IsDue(FuelMoment moment, PlannedTurn next, double now) =>
        moment.Due < moment.InForce.Turns.Length
        && moment.InForce.Turns[moment.Due] is var due
        && due.Minute <= now + WorthTime * 2
        && IsNear(next, due, moment.Kiln.Kiln);

    /// <summary>Within a mark and a tenth of the damper.</summary>
    private static bool IsNear(PlannedTurn one, PlannedTurn other, FuelKiln kiln) =>
        one.Setting.Flame == other.Setting.Flame
        && one.Setting.Lit == other.Setting.Lit
        && Math.Abs(one.Setting.Pressure - other.Setting.Pressure) <= kiln.Mark + 1e-6
        && Math.Abs(one.Setting.Damper - other.Setting.Damper) <= WorthDamper + 1e-6;

    private static double Degrees(TurnPlan plan, Cone cone)
    {
        var kinetics = ConeTable.Of(cone).Kinetics;
        return kinetics.EndPoint(60, Math.Clamp(HeatWork.Of(kinetics, plan.Curve), 1e-3, 100));
    }
}
