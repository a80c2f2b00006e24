using NodaTime;
using ZealousEmber.App.Clock;
using ZealousEmber.App.Http;
using ZealousEmber.App.Preview;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Planning;

namespace ZealousEmber.App.Planning;

/// <summary>Plans a firing twice, as it is and as it might be, and tells the difference.</summary>
internal static class WhatIfs
{
    private const double MostLaterHours = 24 * 14;

    public static async Task<Result<WhatIfResponse>> Make(WhatIfRequest? request, Finder find, StudioHours studio)
    {
        request ??= new WhatIfRequest(null);
        var problems = new List<Problem>();
        var (thicker, wetter, cooler, later) = (request.ThickerMm ?? 0, request.Wetter ?? 0, request.CoolerCones ?? 0, request.LaterHours ?? 0);
        void Check(string field, double value, double most, string what)
        {
            if (!(Math.Abs(value) <= most)) problems.Add(new Problem(field, $"{what} from {Phrases.Number(-most)} to {Phrases.Number(most)}; this says {Phrases.Number(value)}."));
        }
        Check("thickerMm", thicker, WhatIf.MostThicker, "Walls are asked for");
        Check("wetter", wetter, WhatIf.MostSteps, "Steps of dryness go");
        Check("coolerCones", cooler, WhatIf.MostSteps, "Cones go");
        Check("laterHours", later, MostLaterHours, "Hours later go");
        var start = WireTime.Read(request.Start, "start", problems);
        var read = await PlanEndpoints.Read(request.Plan, find);
        problems.AddRange(read.Problems.Select(p => p.Under("plan")));
        if (problems.Count > 0) return Result<WhatIfResponse>.Failed(problems);

        var task = read.Value;
        var before = Timed(task);
        if (!before.IsOk) return Result<WhatIfResponse>.Failed([.. before.Problems.Select(p => p.Under("plan"))]);
        var changed = new WhatIf(thicker, wetter, cooler).Of(task.Load, task.Wish, before.Value.Plan.Schedule.Goal);
        if (!changed.IsOk) return Result<WhatIfResponse>.Failed(changed.Problems);
        // Wetter ware brings that much more water for the kiln to boil off.
        var wet = task.Firing.Load is { FreeWater: { } water } kilnLoad && task.Load.Water > 0 ? kilnLoad with { FreeWater = water * changed.Value.Load.Water / task.Load.Water } : task.Firing.Load;
        var other = task with { Load = changed.Value.Load, Wish = changed.Value.Wish, Firing = task.Firing with { Ware = changed.Value.Load, Load = wet } };
        var after = Timed(other);
        if (!after.IsOk) return Result<WhatIfResponse>.Failed(after.Problems);
        return Write(other, before.Value, after.Value, start, Duration.FromHours(later), studio);
    }

    private static WhatIfResponse Write(
        PlanEndpoints.Task other, (Plan Plan, TimedFiring Firing) before, (Plan Plan, TimedFiring Firing) after, OffsetDateTime? start, Duration later, StudioHours studio)
    {
        var difference = PlanDifference.Between((before.Plan, before.Firing.Compiled), (after.Plan, after.Firing.Compiled));
        var unit = other.Wish.Unit;
        var shift = start is { } at ? StartShift.Between((before.Firing.Task, at.ToInstant()), (after.Firing.Task, at.ToInstant() + later), studio) : null;
        DateTimeOffset? At(Duration since) => start is { } s ? (s.ToInstant() + later + since).InZone(studio.Zone).ToDateTimeOffset() : null;
        return new WhatIfResponse(
            PlanEndpoints.Write(after.Plan, other), difference.Longer.TotalMinutes, difference.Hotter.In(unit), Round(after.Firing.Run?.Energy.Used - before.Firing.Run?.Energy.Used),
            Round(shift?.Cost), studio.Tariff.Currency, [.. difference.Says, .. shift?.Says ?? []], CurvePointContract.From(after.Firing.WholeCurve, unit), At(after.Firing.TopAt), At(after.Firing.OpensAt));
    }

    /// <summary>Differences of large sums keep no more than the meter shows.</summary>
    private static double? Round(double? difference) => difference is { } d ? Math.Round(d, 3) : null;

    private static Result<(Plan Plan, TimedFiring Firing)> Timed(PlanEndpoints.Task task)
    {
        var plan = task.Plan();
        if (!plan.IsOk) return Result<(Plan, TimedFiring)>.Failed([.. plan.Problems.Select(PlanEndpoints.AtTheLoad)]);
        var timed = TimedFiring.Of(plan.Value.Schedule, task.Firing);
        return timed.IsOk ? (plan.Value, timed.Value) : Result<(Plan, TimedFiring)>.Failed(timed.Problems);
    }
}
