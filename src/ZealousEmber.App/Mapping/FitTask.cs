using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Controllers.Turning;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Mapping;

/// <summary>A schedule from the wire, as a controller can be told it.</summary>
internal static class FitTask
{
    private const double LongestDelay = 7 * 24 * 60;
    private static readonly Kiln UsualKiln = Kiln.Create(new KilnSpecification("A kiln", "top-190", null, null, null, new Dictionary<string, double?>())).Value;

    public static async Task<Result<FitResultContract>> Of(
        FitRequestContract? wire,
        StudioLookup lookup,
        Repository<ListedController> shelf,
        CancellationToken cancel
    )
    {
        wire ??= new FitRequestContract(Schedule: null);
        var problems = new List<Problem>();
        var profile = await ControllerMapping.ReadProfile(wire.ProfileId, wire.Profile, shelf, problems, cancel);
        var wish = ReadWish(wire, profile, problems);
        var firing = await KilnAndLoad.Read(
            wire.KilnId,
            wire.Kiln,
            wire.Load,
            wish?.Schedule.Kind ?? ScheduleKind.Glaze,
            wish?.Start ?? UsualKiln.Room,
            lookup,
            problems,
            wire.StartTemperature is not null
        );
        if (problems.Count > 0 || wish is null)
            return Result<FitResultContract>.Failed(problems);
        if (wish.Profile.Give == StepForm.Dials)
            return Turn(wish, ReadSoFar(wire, wish.Schedule.Unit, problems), firing.Kiln, problems, cancel);
        if (firing.Ware is not null)
            wish = wish with { Kiln = firing.Kiln, Load = firing.Ware, Units = (await lookup.Settings()).Display.Units };
        var fit = ControllerFit.Of(wish);
        return fit.IsOk ? Write(fit.Value, wish.Schedule, wish.Profile) : Result<FitResultContract>.Failed(fit.Problems);
    }

    /// <summary>What is to be said to a controller, wherever it is fired; nothing, and problems, where it cannot be read.</summary>
    public static ProgramRequest? ReadWish(FitRequestContract wire, ControllerProfile? profile, List<Problem> problems)
    {
        var (schedule, start) = ScheduleMapping.ReadUnnamed(wire.Schedule, wire.StartTemperature, problems);
        var goal = ScheduleMapping.ReadCone(wire.GoalCone, "goalCone", problems);
        if (wire.DelayMinutes is { } delay && !(delay >= 0 && delay <= LongestDelay))
            problems.Add(new Problem("delayMinutes", $"A delay is 0 to {Phrases.Number(LongestDelay)} minutes; this says {Phrases.Number(delay)}."));
        if (wire.Slot is { } slot && profile is not null && profile.Find("slot")?.IsAnswer(slot) != true)
            problems.Add(new Problem("slot", "This controller has no such program."));
        return schedule is null || profile is null ? null : new ProgramRequest(schedule, profile, goal, start, wire.Slot, wire.DelayMinutes ?? 0);
    }

    /// <summary>Switches by the clock; on a usual kiln of 190 litres where none is named.</summary>
    private static Result<FitResultContract> Turn(ProgramRequest wish, DialsSoFar? so, IKilnModel model, List<Problem> problems, CancellationToken cancel)
    {
        if (problems.Count > 0)
            return Result<FitResultContract>.Failed(problems);
        var (schedule, goal) = (wish.Schedule, wish.Goal);
        var (kiln, load) = model is ElectricKiln named ? (named.Kiln, named.Standing) : (UsualKiln, UsualKiln.UsualLoad(schedule.Kind));
        var turned = DialFit.Of(wish.Profile, schedule, goal, kiln, load, wish.Start, so, cancel);
        if (!turned.IsOk)
            return Result<FitResultContract>.Failed(turned.Problems);
        if (turned.Value is not { } plan)
        {
            var cone = goal ?? schedule.Goal ?? Cone.All[0];
            return new FitResultContract(
                Fits: "no",
                Why: "With every switch at its highest this kiln does not get there.",
                Code: null,
                Program: null,
                Schedule: null,
                Changes: [],
                Difference: new FitDifference(0, 0, ConeReadings.Of(cone, 0), null),
                Keystrokes: []
            );
        }
        var (fits, why) = plan.Verdict(schedule.Program);
        return new FitResultContract(
            Fits: Word(fits),
            Why: why,
            Code: null,
            Program: [],
            Schedule: null,
            Changes: [],
            Difference: new FitDifference(
                plan.Late,
                TemperatureDifference.FromKelvins(plan.MaxDegrees).In(schedule.Unit),
                ConeReadings.Of(plan.Cone, plan.Wanted),
                ConeReadings.Of(plan.Cone, plan.Told)
            ),
            Keystrokes: [],
            Turns: [.. plan.Turns.Select(t => new DialTurnContract(t.Minute, t.Positions))],
            OffMinute: plan.OffMinute,
            Cutoff: plan.Cutoff,
            TimerMinutes: plan.TimerMinutes,
            Rms: TemperatureDifference.FromKelvins(plan.Rms).In(schedule.Unit),
            Power: plan.Share
        );
    }

    private static string Word(Fits fits) =>
        fits switch
        {
            Fits.Exactly => "exactly",
            Fits.Nearly => "nearly",
            _ => "no",
        };

    /// <summary>What was turned and read so far.</summary>
    private static DialsSoFar? ReadSoFar(FitRequestContract wire, TemperatureUnit unit, List<Problem> problems)
    {
        if (wire.Done is not { Count: > 0 } && wire.Readings is not { Count: > 0 })
            return null;
        if (wire.Done is not { Count: > 0 })
            problems.Add(new Problem("done", "Readings tell something only with the turns that were done."));
        var readings = new List<DialReading>();
        foreach (var (i, reading) in (wire.Readings ?? []).Index())
        {
            var at = ScheduleLimits.ReadTemperature(reading?.Temperature, unit, $"readings[{i}].temperature");
            problems.AddRange(at.Problems);
            if (at.IsOk)
                readings.Add(new DialReading(reading!.Minute, at.Value));
        }
        return new DialsSoFar([.. (wire.Done ?? []).Select(t => new DialTurn(t?.Minute ?? -1, [.. t?.Positions ?? []]))], [.. readings]);
    }

    private static FitResultContract Write(ControllerProgram fit, Schedule wanted, ControllerProfile profile)
    {
        ConeReadingContract Reading(double progress) => ConeReadings.Of(fit.Cone, progress);
        string? WhyOf(int? step) => step is null ? null : fit.Changes.FirstOrDefault(c => c.Step == step)?.Text;
        var isReached = fit.Schedule is not null;
        return new FitResultContract(
            Fits: Word(fit.Fits),
            Why: fit.Why,
            Code: isReached ? EntryCard.Code(profile, fit.Program) : null,
            Program: isReached ? ControllerMapping.Write(fit.Program) : null,
            Schedule: isReached ? ScheduleMapping.Write(wanted.With(fit.Schedule!)) : null,
            Changes: [.. fit.Changes.Select(c => new FitChangeContract(c.Kind, c.Step, c.Text))],
            Difference: new FitDifference(
                fit.Minutes,
                TemperatureDifference.FromKelvins(fit.MaxDegrees).In(wanted.Unit),
                Reading(fit.Wanted),
                isReached ? Reading(fit.Fitted) : null
            ),
            Keystrokes: isReached
                ?
                [
                    .. EntryCard
                        .Of(profile, fit.Program)
                        .Select(l => new KeystrokeContract(l.Asked?.Id, l.Keys, l.Display, l.Asked?.Step, WhyOf(l.Asked?.Step))),
                ]
                : []
        );
    }
}
