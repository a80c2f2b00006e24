using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Planning;

/// <summary>A request for a plan made whole: what is in the kiln, what is wished for, where and when.</summary>
internal sealed record PlanTask(WareLoad Load, PlanOptions Wish, IKilnModel Kiln, OffsetDateTime? Start, StudioSettings Studio, FuelOptions? Turned = null)
{
    private const int UsualSteps = 20;

    // Fewer than two make no plan at all; the fit says what is lost.
    private const int FewestSteps = 2;

    public static async Task<Result<PlanTask>> Read(PlanRequest? request, StudioLookup lookup)
    {
        request ??= new PlanRequest(Load: null, Kind: null);
        var problems = new List<Problem>();
        if (request.Kind is null)
            problems.Add(WireEnums.Missing<ScheduleKind>("kind", "a kind of firing"));
        var unit = request.Unit ?? TemperatureUnit.Celsius;
        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        Duration? hold = null;
        if (request.HoldMinutes is { } minutes)
        {
            if (minutes >= 0 && minutes <= ScheduleLimits.LongestHold.TotalMinutes)
                hold = Duration.FromMinutes(minutes);
            else
                problems.Add(new Problem("holdMinutes", $"A hold lasts 0 to 5940 minutes; this says {Phrases.Number(minutes)}."));
        }
        if (request.MaxSteps is { } most && most is < 2 or > ScheduleLimits.Segments)
            problems.Add(new Problem("maxSteps", $"A controller takes 2 to {ScheduleLimits.Segments} steps."));
        var start = ScheduleMapping.ReadStart(request.StartTemperature, unit, problems);
        var clock = WireTime.Check(request.Start, "start", problems);
        var load = request.Load ?? new LoadContract();
        var firing = await KilnAndLoad.Read(
            request.KilnId,
            request.Kiln,
            load.FiringId is null ? load with { Lots = load.Lots ?? [] } : load,
            request.Kind ?? ScheduleKind.Glaze,
            start,
            lookup,
            problems,
            request.StartTemperature is not null
        );
        var turned = FuelReading.Read(request, firing.Kiln, unit, problems);
        if (problems.Count > 0)
            return Result<PlanTask>.Failed(problems);
        if (turned is not null)
            firing = firing with { Kiln = ((LoadedFuelKiln)firing.Kiln) with { Every = turned.Every } };
        var studio = await lookup.Settings();
        var controller = firing.Kiln is ElectricKiln { Kiln.ControllerId: { } id } ? await lookup.Controller(id) : null;
        var preferences = PlanningTerms.Read(request, await lookup.Preferences());
        return new PlanTask(
            firing.Ware!,
            new PlanOptions(
                request.Kind!.Value,
                goal,
                preferences,
                hold,
                request.MaxSteps ?? StepsOf(controller),
                unit,
                string.IsNullOrWhiteSpace(request.Name) ? "Planned" : request.Name,
                studio.Display.Units,
                clock is { } at && studio.People.Length > 0 ? after => studio.InAt(at.ToInstant() + after).Any() : null,
                request.Anyway ?? false,
                request.MaxSteps is not null || controller is not { Hold: HoldRule.Top }
            ),
            firing.Kiln,
            clock,
            studio,
            turned
        );
    }

    /// <summary>
    /// As many as the kiln's controller takes. One with built-in programs or switches takes none of its own: there the plan is what comes nearest to.
    /// </summary>
    private static int StepsOf(ControllerProfile? controller) =>
        controller is { Give: StepForm.Rate or StepForm.Time } ? Math.Max(FewestSteps, controller.Most) : UsualSteps;
}
