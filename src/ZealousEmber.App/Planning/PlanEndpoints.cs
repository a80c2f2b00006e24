using Microsoft.AspNetCore.Http.HttpResults;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Planning;

/// <summary>From what is in the kiln to a schedule, with reasons.</summary>
internal static class PlanEndpoints
{
    public static void MapPlans(this WebApplication app)
    {
        var api = app.MapGroup("/api/plan").Needs(Right.See).WithTags("Planning");
        api.MapPost("", async (PlanRequest? request, StudioLookup lookup) => await Plan(request, lookup))
            .Needs(Right.BeSomebody)
            .WithSummary("The fastest schedule this ware, these glazes and this kiln can stand, with all there is to know about it");
        api.MapPost("what-if", async (WhatIfRequest? request, StudioLookup lookup) => Answer.Of(await WhatIfs.Make(request, lookup)))
            .Needs(Right.BeSomebody)
            .WithSummary("The plan for a thicker, wetter, cooler or later firing, and how it differs");
        api.MapPost("load", async (LoadRequest? request, StudioLookup lookup) => Answer.Of(await LoadSummaries.Make(request, lookup)))
            .Needs(Right.BeSomebody)
            .WithSummary("What follows from a load, before anything is planned");
        api.MapGet("schools", async (StudioLookup lookup) => Options(await lookup.Preferences()))
            .WithSummary("What practitioners differ on, with a line of why each");
    }

    internal static PlanResponse Write(PlanAssessment planned, PlanTask task) =>
        new(
            ScheduleMapping.Write(planned.Plan.Schedule),
            [
                .. planned.Plan.Steps.Select(s => new PlanStepContract(
                    s.Why,
                    s.By,
                    s.Look?.TotalMinutes,
                    PreviewMapping.Write(s.Basis),
                    [.. (s.Paces.IsDefault ? [] : s.Paces).Select(p => Write(p, task.Wish.Unit))]
                )),
            ],
            planned.Plan.GoalWhy,
            [.. planned.Plan.Notes.Select(n => new PlanNoteContract(n.Id, n.Text))],
            LoadSummaries.Write(task.Load, task.Wish.Kind, planned.Plan.Schedule.Goal, task.Kiln, task.Wish.Units),
            PreviewMapping.Write(planned.Firing, new PreviewOptions(task.Start, Anchor.Start, [], false), task.Studio),
            [.. planned.Offers.Select(o => Write(o, task.Studio.Prices.Of(EnergyCarrier.Electricity).Price))]
        );

    private static PaceLimitsContract Write(PaceLimits paces, TemperatureUnit unit) =>
        new(
            Math.Round(paces.From.In(unit), 1),
            Math.Round(paces.To.In(unit), 1),
            paces.Ware is { } ware ? Math.Round(ware.PerHourIn(unit), 1) : null,
            paces.Kiln is { } kiln ? Math.Round(kiln.PerHourIn(unit), 1) : null
        );

    private static PlanOfferContract Write(PlanOffer offer, double price) =>
        new(
            offer.Id,
            offer.Text,
            Math.Round(offer.Takes.TotalHours, 2),
            offer.Kwh is { } used ? Math.Round(used, 1) : null,
            offer.Kwh is { } kwh && price > 0 ? Math.Round(kwh * price, 2) : null
        );

    /// <summary>What the planner says of the lots stands at the load's on the wire.</summary>
    internal static Problem AtTheLoad(Problem problem) => problem.Field == "lots" ? problem with { Field = "load.lots" } : problem;

    /// <summary>One answer, whatever comes of it: what follows from the load is told even where no plan does.</summary>
    private static async Task<Results<Ok<PlanResponse>, Invalid>> Plan(PlanRequest? request, StudioLookup lookup)
    {
        var task = await PlanTask.Read(request, lookup);
        if (!task.IsOk)
            return new Invalid(task.Problems);
        var planned = PlanAssessment.Of(task.Value.Load, task.Value.Wish, task.Value.Kiln);
        if (planned.IsOk)
        {
            var seen = AsSeen(planned.Value, task.Value);
            return seen.IsOk ? TypedResults.Ok(Write(seen.Value, task.Value)) : new Invalid(seen.Problems);
        }
        var (load, wish) = (task.Value.Load, task.Value.Wish);
        return new Invalid(
            [.. planned.Problems.Select(AtTheLoad)],
            new Dictionary<string, object?>
            {
                ["load"] = LoadSummaries.Write(load, wish.Kind, wish.Goal, task.Value.Kiln, wish.Units),
                ["ways"] = Fireable
                    .WaysOn(load, wish, task.Value.Kiln, planned.Problems)
                    .Select(w => new WayOnContract(w.Id, w.Text, w.Kind, w.Without, w.Anyway, w.Cooling))
                    .ToList(),
            }
        );
    }

    /// <summary>In a fuel kiln: the proposed schedule with what was turned and seen already, planned anew where that is asked.</summary>
    private static Result<PlanAssessment> AsSeen(PlanAssessment planned, PlanTask task)
    {
        if (task.Turned is not { } turned || (turned.Turns.IsEmpty && turned.Observations.Count == 0 && turned.ReplanFrom is null))
            return planned;
        var kiln = FuelFiring.Of((LoadedFuelKiln)task.Kiln, turned, planned.Plan.Schedule.Program);
        if (!kiln.IsOk)
            return Result<PlanAssessment>.Failed(kiln.Problems);
        var again = FiringAssessment.Of(planned.Plan.Schedule, kiln.Value, task.Load, task.Studio.Display.Units);
        return again.IsOk ? planned with { Firing = again.Value } : Result<PlanAssessment>.Failed(again.Problems);
    }

    private static IEnumerable<PlanningOptionContract> Options(PlanningPreferences studio) =>
        PlanningOption.All.Select(o => new PlanningOptionContract(o.Choice, PlanningTerms.Word(o), o.Name, o.Why, o.IsOf(studio)));
}
