using System.Collections.Immutable;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.Core;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Firings;

/// <summary>Why the faults of a firing came, and what to change: causes with the numbers of its own log, changes as steps with before and after.</summary>
internal sealed class DiagnosisTask
{
    private readonly ReadFiring firing;
    private readonly FiringFacts facts;
    private readonly Schedule schedule;
    private readonly StudioSettings studio;
    private readonly ImmutableArray<FoundFault> found;
    private readonly IKilnModel kiln;
    private readonly Dictionary<(string, string), FiringPatch?> made = [];
    private PatchSide? before;

    /// <summary>Looks at a firing.</summary>
    /// <param name="firing">Which.</param>
    /// <param name="named">The schedule it was fired with, for its name.</param>
    /// <param name="studio">Prices and units.</param>
    public DiagnosisTask(ReadFiring firing, Schedule? named, StudioSettings studio)
    {
        (this.firing, this.studio, facts, schedule) = (firing, studio, firing.Facts(), firing.AsSchedule(named));
        kiln = firing.Kiln.With(firing.Run.Load, firing.Run.Start);
        found = [.. firing.Record.Results.Faults.GroupBy(f => f.Kind).Select(g => facts.Found([.. g]))];
    }

    /// <summary>The one change to make next; nothing where nothing asks for one.</summary>
    public string? Next =>
        Advice.Next(found, firing.Run.Goal is { } goal && firing.Packs.Mean() is { } got ? got - ConeTable.Of(goal).Kinetics.EndPoint(60) : null);

    /// <summary>All causes of all faults, those to go by first.</summary>
    public IReadOnlyList<FiringCause> Causes()
    {
        if (found.IsEmpty)
            return [];
        var advice = Advice.Of(found);
        var all = new List<FiringCause>();
        foreach (var fault in found)
        {
            foreach (var cause in Diagnoser.Of(fault.Fault, fault.Numbers))
            {
                var isAdvised =
                    cause.Leads
                    && cause.Rule.Patch is { } patch
                    && (patch == advice.Patch || patch == advice.WithBisque || (advice.Patch == Patches.DropAndHold && patch is "heal" or "hold-"));
                // What hardly counts needs no sum; what leads, and what is advised, does.
                var change =
                    cause.Rule.Patch is { } wished && (cause.Leads || cause.Share >= 0.1)
                        ? Change(isAdvised && advice.Patch == Patches.DropAndHold ? Patches.DropAndHold : wished, fault)
                        : null;
                all.Add(
                    new FiringCause(
                        Cause: cause.Rule.Name,
                        Probability: Math.Round(cause.Share, 4),
                        Evidence: [.. cause.Evidence.Select(Write)],
                        NotFiring: cause.Rule.Patch is null || cause.Rule.From is CauseFrom.Stuff or CauseFrom.Making,
                        Patch: change,
                        Fault: fault.Fault,
                        Pieces: fault.Pieces,
                        From: cause.Rule.From,
                        Points: cause.Points,
                        Leads: cause.Leads,
                        Advised: isAdvised,
                        Conflicts: isAdvised || (cause.Leads && advice.Patch is null) ? advice.Conflicts : []
                    )
                );
            }
        }
        return [.. all.OrderByDescending(c => c.Advised).ThenByDescending(c => c.Leads).ThenByDescending(c => c.Probability)];
    }

    /// <summary>A change of the schedule it was fired with; a problem where it cannot be made, or changes no step.</summary>
    public Result<(Schedule Schedule, string Text)> Make(string patch)
    {
        var fault = found.Where(f => Diagnoser.Of(f.Fault, f.Numbers).Any(c => c.Rule.Patch == patch)).Cast<FoundFault?>().FirstOrDefault()
            ?? found.Cast<FoundFault?>().FirstOrDefault();
        var result = SchedulePatcher.Make(patch, Task(fault));
        if (!result.IsOk)
            return Result<(Schedule, string)>.Failed(result.Problems);
        return result.Value.Schedule is { } changed ? (changed, result.Value.Text) : new Problem("patch", $"No step changes with this. {result.Value.Text}");
    }

    private PatchTask Task(FoundFault? fault)
    {
        var lots = firing
            .Record.Results.Faults.Where(f => f.Kind == fault?.Fault && f.Lot < (firing.Load?.Lots.Length ?? 0))
            .Select(f => firing.Load!.Lots[f.Lot!.Value])
            .Distinct()
            .ToImmutableArray();
        return new PatchTask(
            schedule,
            kiln,
            firing.Run.Goal ?? schedule.Goal,
            fault?.Numbers ?? facts.Numbers(null, null, null),
            lots.IsEmpty ? firing.Load?.Lots ?? [] : lots,
            firing.Run.Kind
        );
    }

    private FiringPatch? Change(string patch, FoundFault fault)
    {
        // The same change for the same fault is worked out once.
        if (made.TryGetValue((patch, fault.Fault), out var known))
            return known;
        var result = SchedulePatcher.Make(patch, Task(fault));
        var change =
            !result.IsOk ? new FiringPatch(patch, Patches.Find(patch)?.Operation ?? patch, result.Problems[0].Message, null, null, null, null)
            : result.Value.Schedule is not { } changed ? new FiringPatch(patch, result.Value.Text, result.Value.Note, null, null, null, null)
            : new FiringPatch(
                patch,
                result.Value.Text,
                result.Value.Note,
                ScheduleMapping.Write(changed).Segments!.OfType<SegmentContract>().ToList(),
                before ??= Side(schedule),
                Side(changed),
                ScheduleMapping.Write(changed)
            );
        made[(patch, fault.Fault)] = change;
        return change;
    }

    private PatchSide? Side(Schedule side)
    {
        if (FiringAssessment.Of(side, kiln, firing.Load, studio.Display.Units) is not { IsOk: true, Value: var a })
            return null;
        var top = side.Program.Steps[side.Program.TopStep];
        var cones = firing.Run.Watched.Cones;
        return new PatchSide(
            NotationWriter.Write(side.Segments, TemperatureUnit.Celsius),
            Math.Round(top.Target?.Celsius ?? 0),
            top.HoldMinutes,
            Math.Round(a.Compiled.Powered.TotalMinutes),
            Math.Round(a.OpensAt.TotalMinutes),
            Math.Round(a.Run.Energy.Used, 1),
            studio.Prices.Knows(a.Run.Uses) ? Math.Round(studio.Prices.Cost(a.Run.Uses, null, studio.Zone), 2) : null,
            a.ConePhrase,
            [.. cones.Select(c => new PatchCone(c.Number, Math.Round(ConeBend.Degrees(a.Progress[c.Order]), 1)))],
            LiveMapping.Write(a.Run.WholeCurve.Thinned(TemperatureDifference.FromKelvins(1)))
        );
    }

    private FiringEvidence Write(Evidence e)
    {
        var span = e.Number is { } number ? facts.Span(number) : null;
        return new FiringEvidence(e.Text, e.Value, e.Limit, span is { } s ? Math.Round(s.From, 1) : null, span is { } t ? Math.Round(t.To, 1) : null, e.Points);
    }
}
