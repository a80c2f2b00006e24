using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Firings;

/// <summary>What hands can set on a kiln.</summary>
/// <param name="Burners">How many.</param>
/// <param name="Mark">Of the gauge, bar.</param>
/// <param name="MostPressure">bar.</param>
/// <param name="Flames">What can be set, cold to hot, whatever the damper.</param>
public sealed record HandsContract(int Burners, double Mark, double MostPressure, IReadOnlyList<SettingContract> Flames);

/// <summary>The plan as it would be from now, and how it differs.</summary>
/// <param name="Turns">From now on.</param>
/// <param name="Says">A sentence for each thing that changes; empty when nothing does.</param>
public sealed record FreshPlanContract(IReadOnlyList<TurnContract> Turns, double EndMinute, double FuelKg, IReadOnlyList<string> Says);

/// <summary>The turns of a firing under way; °C, minutes since the start.</summary>
/// <param name="Minute">Now.</param>
/// <param name="Turns">The plan that is followed, all of it.</param>
/// <param name="Due">Index of the next row nobody has made; as many as there are rows when all are made.</param>
/// <param name="EndMinute">When it is to be shut off.</param>
/// <param name="FuelKg">In all, by this plan.</param>
/// <param name="Fresh">As it would be planned from now; nothing before the first turn and after the shut-off.</param>
/// <param name="Estimate">Where it is by what was turned and seen; nothing before the first turn.</param>
/// <param name="ReducingSince">Since when it is in reduction; nothing while it is not.</param>
/// <param name="IsOff">The burners are out for good.</param>
/// <param name="Gas">What is left in the cylinders; nothing where gas is piped.</param>
public sealed record FiringTurnsContract(
    double Minute,
    HandsContract Hands,
    IReadOnlyList<TurnContract> Turns,
    int Due,
    double EndMinute,
    double FuelKg,
    FreshPlanContract? Fresh,
    FuelEstimateContract? Estimate,
    double? ReducingSince,
    bool IsOff,
    GasLeftContract? Gas = null
);

/// <summary>What is left in the cylinders, side by side and alike; full at the start where nobody weighed one.</summary>
/// <param name="Cylinders">How many share the load.</param>
/// <param name="FullKg">Gas in a full one.</param>
/// <param name="Kg">Left in all of them.</param>
/// <param name="KgEach">Left in each.</param>
/// <param name="Celsius">Of liquid and steel.</param>
/// <param name="ColdestCelsius">Below it the pressure as it is set cannot be kept up; nothing with the burners out.</param>
/// <param name="KgPerHour">Burned as it is set now.</param>
/// <param name="HoursHere">How long they last as it is set now; nothing with the burners out, and for more than two days.</param>
/// <param name="ShortAtMinute">When they run short by the plan; nothing where they last.</param>
/// <param name="IsByCold">They run short because they are too cold, not empty.</param>
/// <param name="KgAtEnd">Left at the shut-off by the plan.</param>
/// <param name="WeighedMinute">When one was last weighed; nothing while nobody did.</param>
public sealed record GasLeftContract(
    int Cylinders,
    double FullKg,
    double Kg,
    double KgEach,
    double Celsius,
    double? ColdestCelsius,
    double KgPerHour,
    double? HoursHere,
    double? ShortAtMinute,
    bool IsByCold,
    double? KgAtEnd,
    double? WeighedMinute
);

/// <summary>The turn-up sheet of a firing under way.</summary>
internal static class FiringTurns
{
    private const double WorthTime = 10;
    private const double WorthDamper = 0.1;
    private const double WorthCone = 15;

    public static void MapTurns(this WebApplication app) =>
        app.MapGroup("/api/firings/{id:int}")
            .WithTags("Fuel kilns")
            .MapGet("turns", Show)
            .WithSummary("The turns of a firing in a fuel kiln: the plan, what is due, where it is, and the plan as it would be from now")
            .Produces<FiringTurnsContract>()
            .ProducesProblem(404)
            .ProducesProblem(409);

    private static async Task<IResult> Show(int id, [AsParameters] LiveStudio studio, HttpContext context, CancellationToken cancel)
    {
        if (await studio.Runs.Find(id, cancel) is not { } run)
            return ProblemResponses.NotFound("started firing");
        if (!run.IsFuel)
            return ProblemResponses.Conflict("This kiln is not turned up by hand.");
        var running = studio.Live.Find(id);
        var now = running?.Minutes(studio.Now) ?? run.Minutes(run.OpenedAt ?? run.Clock(studio.Now));
        var moment = running is not null
            ? await studio.Live.Look(running, f => (f.Live as FuelFollower)?.At(now), cancel)
            : (await studio.Live.Followed(run, context.RequestServices, cancel) as FuelFollower)?.At(now);
        return moment is null ? ProblemResponses.Conflict("This schedule cannot be fired in this kiln.") : Results.Ok(Write(moment, run, now));
    }

    private static FiringTurnsContract Write(FuelMoment m, FiringRun run, double now)
    {
        var kiln = m.Kiln.Kiln;
        var plan = FuelPreviews.Turns(m.InForce, m.Kiln, run.Program, TemperatureUnit.Celsius, run.StartsAt, run.Goal);
        return new FiringTurnsContract(
            Math.Round(now, 2),
            Hands(kiln),
            plan,
            m.Due,
            m.InForce.Powered.TotalMinutes,
            Math.Round(m.InForce.TotalFuel, 2),
            m.Fresh is { } fresh ? Write(fresh, m, run, now) : null,
            m.Estimate is { } e ? FuelPreviews.Write(e, TemperatureUnit.Celsius) : null,
            m.ReducingSince,
            m.Due >= plan.Count && m.Fresh is null,
            m.Gas is { } gas ? Write(gas) : null
        );
    }

    private static GasLeftContract Write(GasLeft g) =>
        new(
            g.Count,
            g.FullKg,
            Math.Round(g.Kg, 1),
            Math.Round(g.KgEach, 1),
            Math.Round(g.Celsius, 1),
            g.ColdestCelsius is { } cold ? Math.Round(cold, 1) : null,
            Math.Round(g.KgPerHour, 2),
            g.HoursHere is { } hours ? Math.Round(hours, 1) : null,
            g.ShortAt is { } at ? Math.Round(at) : null,
            g.IsByCold,
            g.KgAtEnd is { } end ? Math.Round(end, 1) : null,
            g.WeighedAt is { } weighed ? Math.Round(weighed, 1) : null
        );

    private static HandsContract Hands(FuelKiln kiln) =>
        new(
            kiln.Burners,
            kiln.Mark,
            kiln.MostPressure,
            [.. BurnerSetting.Flames(kiln).Select(f => new SettingContract(f.Flame == Flame.Gauge ? Math.Round(f.Pressure, 4) : null, null, f.Lit, f.Flame))]
        );

    private static FreshPlanContract Write(TurnPlan fresh, FuelMoment m, FiringRun run, double now)
    {
        var turns = FuelPreviews
            .Turns(fresh, m.FreshKiln!, run.Program, TemperatureUnit.Celsius, run.StartsAt, run.Goal)
            .Where(t => t.Minute >= now - 1e-6)
            .ToList();
        var says = new List<string>();
        double Degrees(TurnPlan plan) =>
            run.Goal is { } cone && ConeTable.Of(cone).Kinetics is var kinetics
                ? kinetics.EndPoint(60, Math.Clamp(HeatWork.Of(kinetics, plan.Curve), 1e-3, 100))
                : 0;
        var before = m.InForce.Turns.LastOrDefault(t => t.Minute <= now + 1e-6);
        // What the card asks for next anyway is no news.
        var isDue =
            turns.Count > 0
            && m.Due < m.InForce.Turns.Length
            && m.InForce.Turns[m.Due] is var due
            && due.Minute <= now + WorthTime * 2
            && Same(turns[0], due, m.Kiln.Kiln.Mark);
        if (
            turns.Count > 0
            && !isDue
            && before is not null
            && turns[0].Kind != TurnKind.ShutOff
            && turns[0].Set != TurnWords.Setting(before.Setting, m.Kiln.Kiln)
            && !Same(turns[0], before, m.Kiln.Kiln.Mark)
        )
            says.Add($"Now: {TurnWords.Setting(before.Setting, m.Kiln.Kiln)} becomes {Small(turns[0].Set)}.");
        var late = fresh.Powered.TotalMinutes - m.InForce.Powered.TotalMinutes;
        if (Math.Abs(late) > WorthTime)
            says.Add($"Shut-off {Phrases.Hours(Duration.FromMinutes(Math.Round(Math.Abs(late))))} {(late > 0 ? "later" : "sooner")}.");
        var fuel = fresh.TotalFuel - m.InForce.TotalFuel;
        if (run.Goal is { } goal && Math.Abs(Degrees(fresh) - Degrees(m.InForce)) > WorthCone)
            says.Add(
                $"Cone {goal.Number}: {Math.Round(Math.Abs(Degrees(fresh) - Degrees(m.InForce))):0} °C of cone "
                    + $"{(Degrees(fresh) > Degrees(m.InForce) ? "more" : "less")}."
            );
        // What it costs is told with what it changes, and is no reason of its own.
        if (says.Count > 0 && Math.Abs(fuel) >= 0.5)
            says.Add($"About {Phrases.Number(Math.Round(Math.Abs(fuel), 1))} kg of gas {(fuel > 0 ? "more" : "less")}.");
        return new FreshPlanContract(turns, fresh.Powered.TotalMinutes, Math.Round(fresh.TotalFuel, 2), says);
    }

    /// <summary>Within a mark and a tenth of the damper: no reason to turn anything.</summary>
    private static bool Same(TurnContract row, PlannedTurn before, double mark) =>
        row.Flame == before.Setting.Flame
        && row.Lit == before.Setting.Lit
        && Math.Abs(row.PressureBar - before.Setting.Pressure) <= mark + 1e-6
        && Math.Abs(row.Damper - before.Setting.Damper) <= WorthDamper + 1e-6;

    private static string Small(string text) => char.ToLowerInvariant(text[0]) + text[1..];
}
