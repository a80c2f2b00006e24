using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Planning;

/// <summary>From what is in the kiln to a schedule, with reasons.</summary>
internal static class PlanEndpoints
{
    public static void MapPlans(this WebApplication app)
    {
        app.MapPost("/api/plan", async (PlanRequest? request, Finder find) =>
            {
                var plan = await Make(request ?? new PlanRequest(null, null), find);
                return plan.IsOk ? Results.Ok(plan.Value) : ClearProblems.Of(plan.Problems);
            })
            .WithTags("Planning").WithSummary("The fastest schedule this ware, these glazes and this kiln can stand").Produces<PlanResponse>().ProducesValidationProblem(422);
        app.MapGet("/api/plan/schools", () => School.All.Select(s => new SchoolContract(s.Choice, PlanWords.Say(s), s.Name, s.Why)))
            .WithTags("Planning").WithSummary("What practitioners differ on, with a line of why each").Produces<SchoolContract[]>();
    }

    internal static async Task<Result<PlanResponse>> Make(PlanRequest request, Finder find)
    {
        var problems = new List<Problem>();
        var kind = WireWords.Kinds.Read(request.Kind);
        if (kind is null) problems.Add(new Problem("kind", WireWords.Kinds.Refuse(request.Kind, "a kind of firing")));
        var unit = request.Unit is null ? TemperatureUnit.Celsius : ScheduleMapping.ReadUnit(request.Unit, "unit", problems) ?? TemperatureUnit.Celsius;
        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        var drying = PlanWords.Drying(request.Drying, problems);
        var approach = PlanWords.Approach(request.Approach, problems);
        var cooling = PlanWords.Cooling(request.Cooling, problems);
        Duration? hold = null;
        if (request.HoldMinutes is { } minutes)
        {
            if (minutes >= 0 && minutes <= ScheduleLimits.LongestHold.TotalMinutes) hold = Duration.FromMinutes(minutes);
            else problems.Add(new Problem("holdMinutes", $"A hold lasts 0 to 5940 minutes; this says {Words.Number(minutes)}."));
        }
        if (request.MaxSteps is { } most && most is < 2 or > ScheduleLimits.Segments) problems.Add(new Problem("maxSteps", $"A controller takes 2 to {ScheduleLimits.Segments} steps."));
        var start = ScheduleMapping.ReadStart(request.StartTemperature, unit, problems);
        var load = request.Load ?? new LoadContract();
        var firing = await FiringKiln.Read(request.KilnId, request.Kiln, load with { Lots = load.Lots ?? [] }, kind ?? ScheduleKind.Glaze, start, find, problems);
        if (problems.Count > 0) return Result<PlanResponse>.Failed(problems);

        var wish = new PlanWish(kind!.Value, goal, drying, approach, cooling, hold, request.MaxSteps ?? 20, unit, string.IsNullOrWhiteSpace(request.Name) ? "Planned" : request.Name);
        var plan = Planner.Make(firing.Ware!, wish, Place(firing));
        return plan.IsOk
            ? new PlanResponse(ScheduleMapping.Write(plan.Value.Schedule), [.. plan.Value.Steps.Select(s => new PlanStepContract(s.Why, s.By))], plan.Value.GoalWhy,
                [.. plan.Value.Notes.Select(n => new PlanNoteContract(n.Id, n.Text))], Summary(firing.Ware!))
            : Result<PlanResponse>.Failed([.. plan.Problems.Select(p => p.Field == "lots" ? p with { Field = "load.lots" } : p)]);
    }

    private static LoadSummary Summary(WareLoad load)
    {
        static string Say(WareLot lot) => $"{lot.What}, {Words.Number(lot.Wall)} mm";
        return new LoadSummary(load.Lots.Length, load.Pieces, load.Mass, Say(load.Thickest), Say(load.Wettest), Say(load.SlowestToDry), [.. load.Clashes.Select(c => c.Say())]);
    }

    private static PlanPlace Place(FiringKiln firing)
    {
        if (firing.Kiln is null)
        {
            var plain = GenericKiln.Instance;
            // The plain kiln halves its difference to the room every 3.5 h; full power is not what limits a plan on it.
            return new PlanPlace(firing.Start, firing.Boiling, firing.Hottest, firing.Times, _ => null, t => Fall(plain.Cool(t, t - TemperatureDifference.FromKelvins(10))));
        }
        // With what really stands in it: a thinly loaded kiln climbs and falls much faster than a full one.
        var (climb, fall, hottest) = KilnPortrait.With(firing.Kiln, firing.Load!);
        return new PlanPlace(firing.Start, firing.Boiling, hottest < firing.Hottest ? hottest : firing.Hottest, firing.Times,
            t => At(climb, t), t => At(fall, t));
    }

    private static Rate? Fall(IReadOnlyList<CurvePoint> curve) =>
        curve[^1].Minutes > 0 ? Rate.PerHour((curve[0].Celsius - curve[^1].Celsius) / curve[^1].Minutes * 60) : null;

    /// <summary>The pace at the nearest temperature it is known at.</summary>
    private static Rate? At(IReadOnlyCollection<PaceAt> paces, Temperature t) => paces.Count == 0 ? null : paces.MinBy(p => (p.At - t).Abs().Kelvins).Rate;
}
