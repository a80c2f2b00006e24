using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.People;
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
    public static void MapTurns(this WebApplication app) =>
        app.MapGroup("/api/firings/{id:int}")
            .Needs(Right.See)
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
            Cylinders: g.Count,
            FullKg: g.FullKg,
            Kg: Math.Round(g.Kg, 1),
            KgEach: Math.Round(g.KgEach, 1),
            Celsius: Math.Round(g.Celsius, 1),
            ColdestCelsius: g.ColdestCelsius is { } cold ? Math.Round(cold, 1) : null,
            KgPerHour: Math.Round(g.KgPerHour, 2),
            HoursHere: g.HoursHere is { } hours ? Math.Round(hours, 1) : null,
            ShortAtMinute: g.ShortAt is { } at ? Math.Round(at) : null,
            IsByCold: g.IsByCold,
            KgAtEnd: g.KgAtEnd is { } end ? Math.Round(end, 1) : null,
            WeighedMinute: g.WeighedAt is { } weighed ? Math.Round(weighed, 1) : null
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
        return new FreshPlanContract(turns, fresh.Powered.TotalMinutes, Math.Round(fresh.TotalFuel, 2), TurnNews.Of(m, run.Program, run.Goal, now));
    }
}
