using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Planning;

namespace ZealousEmber.App.Planning;

/// <summary>Plans a firing twice, as it is and as it might be, and tells the difference.</summary>
internal static class WhatIfs
{
    private const double MostLaterHours = 24 * 14;

    public static async Task<Result<WhatIfResponse>> Make(WhatIfRequest? request, StudioLookup lookup)
    {
        request ??= new WhatIfRequest(null);
        var problems = new List<Problem>();
        var (thicker, wetter, cooler, later) = (request.ThickerMm ?? 0, request.Wetter ?? 0, request.CoolerCones ?? 0, request.LaterHours ?? 0);
        void Check(string field, double value, double most, string what)
        {
            if (!(Math.Abs(value) <= most))
                problems.Add(new Problem(field, $"{what} from {Phrases.Number(-most)} to {Phrases.Number(most)}; this says {Phrases.Number(value)}."));
        }
        Check("thickerMm", thicker, WhatIf.MostThicker, "Walls are asked for");
        Check("wetter", wetter, WhatIf.MostSteps, "Steps of dryness go");
        Check("coolerCones", cooler, WhatIf.MostSteps, "Cones go");
        Check("laterHours", later, MostLaterHours, "Hours later go");
        var start = WireTime.Check(request.Start, "start", problems);
        var read = await PlanTask.Read(request.Plan, lookup);
        problems.AddRange(read.Problems.Select(p => p.Under("plan")));
        if (problems.Count > 0)
            return Result<WhatIfResponse>.Failed(problems);

        var task = read.Value;
        var before = PlanAssessment.Of(task.Load, task.Wish, task.Kiln);
        if (!before.IsOk)
            return Result<WhatIfResponse>.Failed([.. before.Problems.Select(p => PlanEndpoints.AtTheLoad(p).Under("plan"))]);
        var change = new WhatIf(thicker, wetter, cooler);
        var changed = before.Value.After(task.Load, task.Wish, task.Kiln, change);
        return changed.IsOk
            ? Write(task, change, before.Value, changed.Value, start, Duration.FromHours(later))
            : Result<WhatIfResponse>.Failed([.. changed.Problems.Select(PlanEndpoints.AtTheLoad)]);
    }

    private static WhatIfResponse Write(PlanTask task, WhatIf change, PlanAssessment before, PlanAssessment after, OffsetDateTime? start, Duration later)
    {
        var studio = task.Studio;
        var difference = PlanDifference.Between((before.Plan, before.Firing.Compiled), (after.Plan, after.Firing.Compiled), after.Firing.Kiln.HasElements);
        var (one, other) = (ClockOf(before), ClockOf(after));
        var shift = start is { } at ? StartShift.Between((one, at.ToInstant()), (other, at.ToInstant() + later), studio) : null;
        DateTimeOffset? At(Duration since) => start is { } s ? (s.ToInstant() + later + since).InZone(studio.Zone).ToDateTimeOffset() : null;
        var changed = change.Of(task.Load, task.Wish, before.Plan.Schedule.Goal).Value;
        double? more = after.Firing.Run.Uses.IsEmpty ? null : after.Firing.Run.Energy.Used - before.Firing.Run.Energy.Used;
        return new WhatIfResponse(
            PlanEndpoints.Write(after, task with { Load = changed.Load, Wish = changed.Wish, Kiln = after.Firing.Kiln, Start = start }),
            difference.Longer.TotalMinutes,
            difference.Hotter.In(task.Wish.Unit),
            Round(more),
            Round(shift?.Cost),
            studio.Prices.Currency,
            [.. difference.Says, .. shift?.Says ?? []],
            CurvePointContract.From(after.Firing.Run.WholeCurve, task.Wish.Unit),
            At(other.TopAt),
            At(other.OpensAt)
        );
    }

    private static StartTask ClockOf(PlanAssessment planned) => StartTask.Of(planned.Plan.Schedule, planned.Firing.Run, planned.Firing.Kiln.Boiling);

    /// <summary>Differences of large sums keep no more than the meter shows.</summary>
    private static double? Round(double? difference) => difference is { } d ? Math.Round(d, 3) : null;
}
