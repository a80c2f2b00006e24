using ZealousEmber.App.Cones;
using ZealousEmber.App.Http;
using ZealousEmber.App.Preview;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Controllers.Turning;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Repositories;
using Answer = ZealousEmber.App.Http.Answer;

namespace ZealousEmber.App.Controllers;

/// <summary>The controllers there are, what can be said to them, and their keys.</summary>
internal static class ControllerEndpoints
{
    private const double LongestDelay = 7 * 24 * 60;
    // Beyond this a hand on the switch would do as well.
    private const double LoosestRms = 25;
    private static readonly Kiln UsualKiln = Kiln.Create(new KilnSpecification("A kiln", "top-190", null, null, null, new Dictionary<string, double?>())).Value;

    public static void MapControllers(this WebApplication app)
    {
        var api = app.MapGroup("/api/controllers").WithTags("Controllers");
        api.AddEndpointFilter(async (context, next) => await IsBuiltIn(context.HttpContext) ? ProblemResponses.Of([new Problem("name", "The controllers that come with the program are copied, not changed. Add a copy under a name of its own.")]) : await next(context));
        new RepositoryEndpoints<ProfileData, ControllerListed, ListedController>("controller", ListedController.Own, ControllerMapping.Write).Map(api, "/api/controllers");
        api.MapPost("fit", async (FitRequestContract? request, StudioLookup lookup, Repository<ListedController> shelf, CancellationToken cancel) => Answer.Of(await Fit(request, lookup, shelf, cancel)))
            .WithSummary("A schedule as a controller can be told it: the program, what is different, and the keys");
        api.MapPost("press", async (PressRequest? request, Repository<ListedController> shelf, CancellationToken cancel) => Answer.Of(await Press(request, shelf, cancel)))
            .WithSummary("Keys pressed on a controller: what it says and remembers");
        api.MapPost("read-back", async (ReadBackRequest? request, Repository<ListedController> shelf, CancellationToken cancel) => Answer.Of(await ReadBackTask.Of(request, shelf, cancel)))
            .WithSummary("What a controller shows beside what was set: differences, what they would do, and what somebody probably did");
    }

    /// <summary>A change of one that came with the program.</summary>
    private static async Task<bool> IsBuiltIn(HttpContext context) =>
        (HttpMethods.IsPut(context.Request.Method) || HttpMethods.IsDelete(context.Request.Method)) && int.TryParse(context.Request.RouteValues["id"] as string, out var id)
        && (await context.RequestServices.GetRequiredService<Repository<ListedController>>().Find(id, context.RequestAborted))?.Item.IsBuiltIn == true;

    private static async Task<Result<FitResultContract>> Fit(FitRequestContract? wire, StudioLookup lookup, Repository<ListedController> shelf, CancellationToken cancel)
    {
        wire ??= new FitRequestContract(null);
        var problems = new List<Problem>();
        var (schedule, start) = ScheduleMapping.ReadUnnamed(wire.Schedule, wire.StartTemperature, problems);
        var goal = ScheduleMapping.ReadCone(wire.GoalCone, "goalCone", problems);
        var profile = await ControllerMapping.ReadProfile(wire.ProfileId, wire.Profile, shelf, problems, cancel);
        var firing = await KilnAndLoad.Read(wire.KilnId, wire.Kiln, wire.Load, schedule?.Kind ?? ScheduleKind.Glaze, start, lookup, problems);
        if (wire.DelayMinutes is { } delay && !(delay >= 0 && delay <= LongestDelay)) problems.Add(new Problem("delayMinutes", $"A delay is 0 to {Phrases.Number(LongestDelay)} minutes; this says {Phrases.Number(delay)}."));
        if (wire.Slot is { } slot && profile is not null && profile.Find("slot")?.IsAnswer(slot) != true) problems.Add(new Problem("slot", "This controller has no such program."));
        if (problems.Count > 0) return Result<FitResultContract>.Failed(problems);
        if (profile!.Give == Giving.Dials) return Turn(schedule!, profile, goal, firing.Kiln, start, cancel);
        var units = (await lookup.Settings()).Display.Units;
        var request = new FitWish(schedule!, profile!, goal, start, wire.Slot, wire.DelayMinutes ?? 0, firing.Ware is null ? null : firing.Kiln, firing.Ware, units);
        var fit = ControllerFit.Of(request);
        return fit.IsOk ? Write(fit.Value, schedule!, profile!) : Result<FitResultContract>.Failed(fit.Problems);
    }

    /// <summary>Switches by the clock; on a usual kiln of 190 litres where none is named.</summary>
    private static Result<FitResultContract> Turn(Schedule schedule, ControllerProfile profile, Cone? goal, IKilnModel model, Temperature start, CancellationToken cancel)
    {
        var (kiln, load) = model is ElectricKiln named ? (named.Kiln, named.Standing) : (UsualKiln, UsualKiln.UsualLoad(schedule.Kind));
        var turned = DialFit.Of(profile, schedule, goal, kiln, load, start, cancel);
        if (!turned.IsOk) return Result<FitResultContract>.Failed(turned.Problems);
        if (turned.Value is not { } plan)
        {
            var cone = goal ?? schedule.Goal ?? Cone.All[0];
            return new FitResultContract(null, "With every switch at its highest this kiln does not get there.", null, [], null, [], new FitDifference(0, 0, ConeReadings.Of(cone, 0), null), []);
        }
        var cools = schedule.Program.Steps.Skip(schedule.Program.TopStep + 1).Any(s => s.Pace.Kind != PaceKind.Natural);
        var why = cools ? "The cooling that was asked for is the kiln's own." : plan.Rms > LoosestRms ? "It cannot be followed closely with these switches." : "";
        return new FitResultContract(
            why.Length == 0 ? "nearly" : "no", why, null, [], null, [], new FitDifference(plan.Late, TemperatureDifference.FromKelvins(plan.MaxDegrees).In(schedule.Unit), ConeReadings.Of(plan.Cone, plan.Wanted), ConeReadings.Of(plan.Cone, plan.Told)), [],
            [.. plan.Turns.Select(t => new DialTurnContract(t.Minute, t.Positions))], plan.OffMinute, plan.Cutoff, plan.TimerMinutes, TemperatureDifference.FromKelvins(plan.Rms).In(schedule.Unit));
    }

    private static FitResultContract Write(ControllerProgram fit, Schedule wanted, ControllerProfile profile)
    {
        ConeReadingContract Reading(double progress) => ConeReadings.Of(fit.Cone, progress);
        string? WhyOf(int? step) => step is null ? null : fit.Changes.FirstOrDefault(c => c.Step == step)?.Text;
        var isReached = fit.Schedule is not null;
        return new FitResultContract(
            fit.Fits switch { Fits.Exactly => "exactly", Fits.Nearly => "nearly", Fits.No => "no", _ => null }, fit.Why, isReached ? EntryCard.Code(profile, fit.Program) : null, ControllerMapping.Write(fit.Program),
            isReached ? ScheduleMapping.Write(wanted.With(fit.Schedule!)) : null, [.. fit.Changes.Select(c => new FitChangeContract(c.Kind, c.Step, c.Text))],
            new FitDifference(fit.Minutes, TemperatureDifference.FromKelvins(fit.MaxDegrees).In(wanted.Unit), Reading(fit.Wanted), isReached ? Reading(fit.Fitted) : null),
            isReached ? [.. EntryCard.Of(profile, fit.Program).Select(l => new KeystrokeContract(l.Asked?.Id, l.Keys, l.Display, l.Asked?.Step, WhyOf(l.Asked?.Step)))] : []);
    }

    private static async Task<Result<PressResponse>> Press(PressRequest? wire, Repository<ListedController> shelf, CancellationToken cancel)
    {
        wire ??= new PressRequest();
        var problems = new List<Problem>();
        var profile = await ControllerMapping.ReadProfile(wire.ProfileId, wire.Profile, shelf, problems, cancel);
        var keys = ControllerMapping.ReadKeys(wire.Keys, problems);
        var memory = profile is null ? null : ControllerMapping.Read(wire.Memory, profile, problems);
        if (profile?.Give == Giving.Dials) problems.Add(new Problem("profile", "Switches have no keys: they are turned by the clock."));
        if (problems.Count > 0) return Result<PressResponse>.Failed(problems);
        var machine = new KeyMachine(profile!, memory!).Press(keys);
        return new PressResponse(machine.Display, machine.Memory.State.ToString().ToLowerInvariant(), ControllerMapping.Write(machine.Memory.Program(profile!)), ControllerMapping.Write(machine.Memory));
    }
}
