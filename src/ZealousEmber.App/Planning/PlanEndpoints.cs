using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Settings;

namespace ZealousEmber.App.Planning;

/// <summary>From what is in the kiln to a schedule, with reasons.</summary>
internal static class PlanEndpoints
{
    public static void MapPlans(this WebApplication app)
    {
        var api = app.MapGroup("/api/plan").WithTags("Planning");
        api.MapPost("", async (PlanRequest? request, Finder find) => Answer(await Make(request, find)))
            .WithSummary("The fastest schedule this ware, these glazes and this kiln can stand").Produces<PlanResponse>().ProducesValidationProblem(422);
        api.MapPost("what-if", async (WhatIfRequest? request, Finder find, SettingsStore<StudioHours> studio, CancellationToken cancel) => Answer(await WhatIfs.Make(request, find, (await studio.Read(cancel)).Item)))
            .WithSummary("The plan for a thicker, wetter, cooler or later firing, and how it differs").Produces<WhatIfResponse>().ProducesValidationProblem(422);
        api.MapPost("load", async (LoadRequest? request, Finder find) => Answer(await LoadSummaries.Make(request, find)))
            .WithSummary("What follows from a load, before anything is planned").Produces<LoadSummary>().ProducesValidationProblem(422);
        api.MapGet("schools", async (Finder find) =>
            {
                var studio = await find.Ways();
                return PlanningOption.All.Select(s => new PlanningOptionContract(s.Choice, PlanningTerms.Format(s), s.Name, s.Why, s.IsOf(studio)));
            })
            .WithSummary("What practitioners differ on, with a line of why each").Produces<PlanningOptionContract[]>();
    }

    private static IResult Answer<T>(Result<T> made) => made.IsOk ? Results.Ok(made.Value) : ProblemResponses.Of(made.Problems);

    /// <summary>A request made whole: what is in the kiln, what is wished, where.</summary>
    internal sealed record Task(WareLoad Load, PlanWish Wish, FiringKiln Firing)
    {
        public Result<Plan> Plan() => Planner.Make(Load, Wish, Place(Firing, Wish.Kind));
    }

    internal static async Task<Result<Task>> Read(PlanRequest? request, Finder find)
    {
        request ??= new PlanRequest(null, null);
        var problems = new List<Problem>();
        var kind = WireTerms.Kinds.Read(request.Kind);
        if (kind is null) problems.Add(new Problem("kind", WireTerms.Kinds.Refuse(request.Kind, "a kind of firing")));
        var unit = request.Unit is null ? TemperatureUnit.Celsius : ScheduleMapping.ReadUnit(request.Unit, "unit", problems) ?? TemperatureUnit.Celsius;
        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        var ways = PlanningTerms.Read(request, await find.Ways(), problems);
        Duration? hold = null;
        if (request.HoldMinutes is { } minutes)
        {
            if (minutes >= 0 && minutes <= ScheduleLimits.LongestHold.TotalMinutes) hold = Duration.FromMinutes(minutes);
            else problems.Add(new Problem("holdMinutes", $"A hold lasts 0 to 5940 minutes; this says {Phrases.Number(minutes)}."));
        }
        if (request.MaxSteps is { } most && most is < 2 or > ScheduleLimits.Segments) problems.Add(new Problem("maxSteps", $"A controller takes 2 to {ScheduleLimits.Segments} steps."));
        var start = ScheduleMapping.ReadStart(request.StartTemperature, unit, problems);
        var load = request.Load ?? new LoadContract();
        var firing = await FiringKiln.Read(request.KilnId, request.Kiln, load with { Lots = load.Lots ?? [] }, kind ?? ScheduleKind.Glaze, start, find, problems);
        return problems.Count > 0
            ? Result<Task>.Failed(problems)
            : new Task(firing.Ware!, new PlanWish(kind!.Value, goal, ways, hold, request.MaxSteps ?? 20, unit, string.IsNullOrWhiteSpace(request.Name) ? "Planned" : request.Name), firing);
    }

    internal static async Task<Result<PlanResponse>> Make(PlanRequest? request, Finder find)
    {
        var task = await Read(request, find);
        if (!task.IsOk) return Result<PlanResponse>.Failed(task.Problems);
        var plan = task.Value.Plan();
        return plan.IsOk ? Write(plan.Value, task.Value) : Result<PlanResponse>.Failed([.. plan.Problems.Select(AtTheLoad)]);
    }

    internal static PlanResponse Write(Plan plan, Task task) => new(
        ScheduleMapping.Write(plan.Schedule), [.. plan.Steps.Select(s => new PlanStepContract(s.Why, s.By, s.Look?.TotalMinutes))], plan.GoalWhy, [.. plan.Notes.Select(n => new PlanNoteContract(n.Id, n.Text))],
        LoadSummaries.Write(task.Load, task.Wish.Kind, plan.Schedule.Goal, task.Firing));

    /// <summary>What the planner says of the lots stands at the load's on the wire.</summary>
    internal static Problem AtTheLoad(Problem problem) => problem.Field == "lots" ? problem with { Field = "load.lots" } : problem;

    private static PlanPlace Place(FiringKiln firing, ScheduleKind kind) => firing.Kiln is { } kiln
        ? PlanPlace.In(kiln, firing.Load!, kind, firing.Start, firing.Boiling, firing.Times)
        : PlanPlace.Plain(firing.Start, firing.Boiling, firing.Times);
}
