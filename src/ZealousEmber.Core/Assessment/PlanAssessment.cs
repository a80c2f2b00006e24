using System.Collections.Immutable;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Assessment;

/// <summary>A plan with all there is to know about it in its kiln.</summary>
/// <param name="Plan">The proposed schedule with its reasons.</param>
/// <param name="Firing">What the kiln and a colleague make of it.</param>
/// <param name="Offers">Where few steps make it long: what else could be done.</param>
public sealed record PlanAssessment(Plan Plan, FiringAssessment Firing, ImmutableArray<PlanOffer> Offers)
{
    /// <summary>Plans and assesses. Problems as the planner gives them: <c>lots</c>, <c>goalCone</c>, <c>drying</c>, <c>maxSteps</c>.</summary>
    public static Result<PlanAssessment> Of(WareLoad load, PlanOptions wish, IKilnModel kiln)
    {
        var plan = Planner.Make(load, wish, kiln);
        if (!plan.IsOk)
            return Result<PlanAssessment>.Failed(plan.Problems);
        var firing = FiringAssessment.Of(plan.Value.Schedule, kiln, load, wish.Units);
        if (!firing.IsOk)
            return Result<PlanAssessment>.Failed(firing.Problems);
        var run = firing.Value.Run;
        var priced = Priced(plan.Value, load, wish, kiln, run);
        return new PlanAssessment(
            priced with
            {
                Notes = [.. priced.Notes, .. WornElements.Note(load, wish, kiln, run)],
            },
            firing.Value,
            FewStepOffers.Of(priced, load, wish, kiln, run)
        );
    }

    /// <summary>Where somebody prefers the coolest cone: what that saves over the one in the middle.</summary>
    private static Plan Priced(Plan plan, WareLoad load, PlanOptions wish, IKilnModel kiln, KilnRun run)
    {
        if (wish.Goal is not null || wish.Preferences.Goal != GoalOption.Coolest || !wish.Kind.MeltsGlaze() || run.Uses.Length == 0)
            return plan;
        var middle = Planner.Make(load, wish with { Preference = wish.Preferences with { Goal = GoalOption.Middle } }, kiln);
        if (!middle.IsOk || middle.Value.Schedule.Goal == plan.Schedule.Goal || kiln.Run(middle.Value.Schedule.Program) is not { IsOk: true } other)
            return plan;
        var saved = other.Value.Energy.Used - run.Energy.Used;
        return saved < 0.5
            ? plan
            : plan with
            {
                GoalWhy = $"{plan.GoalWhy} It saves about {Phrases.Number(Math.Round(saved))} kWh over cone {middle.Value.Schedule.Goal!.Value.Number}.",
            };
    }

    /// <summary>The same after a change of mind. Problems at <c>coolerCones</c>, or as the planner gives them.</summary>
    /// <param name="load">What is in the kiln as it is.</param>
    /// <param name="wish">What is wished for as it is.</param>
    /// <param name="kiln">With what stands in it as it is.</param>
    /// <param name="change">What would be otherwise.</param>
    public Result<PlanAssessment> After(WareLoad load, PlanOptions wish, IKilnModel kiln, WhatIf change)
    {
        var changed = change.Of(load, wish, Plan.Schedule.Goal);
        if (!changed.IsOk)
            return Result<PlanAssessment>.Failed(changed.Problems);
        // Wetter ware brings that much more water for the kiln to boil off.
        var wetter = kiln.Load is { FreeWater: { } water } && load.Water > 0 ? kiln.Wetter(water * changed.Value.Load.Water / load.Water) : kiln;
        return Of(changed.Value.Load, changed.Value.Wish, wetter);
    }
}
