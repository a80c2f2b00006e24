using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Bank;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Controllers.ReadingBack;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.App.Kilns;

/// <summary>What is in which program of a kiln's controller, and what was read back from it.</summary>
internal static class KilnBank
{
    public static void MapBanks(this WebApplication app)
    {
        var api = app.MapGroup("/api/kilns/{id:int}").Needs(Right.See).WithTags("Controllers");
        api.MapGet("bank", Bank).WithSummary("What is in which program of a kiln, and where a schedule belongs").Produces<BankContract>().ProducesProblem(404);
        api.MapGet("entered", Entered)
            .WithSummary("What was entered at a kiln and read back, the latest first")
            .Produces<EnteredContract[]>()
            .ProducesProblem(404);
        api.MapPost("entered", Enter)
            .Needs(Right.Run, NeedOf.Kiln)
            .WithSummary(
                "What a kiln's controller shows after a schedule was entered: compared and recorded; sent again with the same Idempotency-Key it is "
                    + "recorded once"
            )
            .Produces<EnteredResponse>(201)
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> Bank(int id, int? scheduleId, [AsParameters] Studio studio, CancellationToken cancel)
    {
        if (await studio.Kilns.Find(id, cancel) is not { } kiln)
            return ProblemResponses.NotFound("kiln");
        if (kiln.Item.ControllerId is not { } controllerId || await studio.Controllers.Find(controllerId, cancel) is not { } controller)
            return Results.Ok(new BankContract(null, null, [], null));
        var profile = controller.Item.Profile;
        if (profile.Give == StepForm.Dials)
            return Results.Ok(new BankContract(controllerId, profile.Name, [], null));
        var bank = ProgramBank.Of(profile, await studio.Programs.Find(id, null, cancel), studio.Now, await studio.Schedules.PresentVersions(cancel));
        // One alone takes its place whatever it is for.
        var wish = new BankRequest(scheduleId ?? 0, ScheduleKind.Glaze, kiln.Item.Room);
        return Results.Ok(
            new BankContract(
                controllerId,
                profile.Name,
                [
                    .. bank.Select(s => new BankSlotContract(
                        s.Slot,
                        s.Holds is { } holds ? BankMapping.Write(holds) : null,
                        [.. s.Stale.Select(WireEnums.Word)],
                        s.IsReliable
                    )),
                ],
                ProgramBank.Arrange(bank, [wish]).GetValueOrDefault(wish.ScheduleId)
            )
        );
    }

    private static async Task<IResult> Entered(int id, int? firingId, [AsParameters] Studio studio, CancellationToken cancel) =>
        await studio.Kilns.Find(id, cancel) is null
            ? ProblemResponses.NotFound("kiln")
            : Results.Ok((await studio.Programs.Find(id, firingId, cancel)).Select(BankMapping.Write));

    private static async Task<IResult> Enter(int id, EnteredRequest? wire, [AsParameters] Studio studio, HttpRequest http, CancellationToken cancel)
    {
        if (await studio.Kilns.Find(id, cancel) is not { } kiln)
            return ProblemResponses.NotFound("kiln");
        wire ??= new EnteredRequest();
        var problems = new List<Problem>();
        var controller = kiln.Item.ControllerId is { } controllerId ? await studio.Controllers.Find(controllerId, cancel) : null;
        if (controller is null)
            problems.Add(new Problem("controllerId", "This kiln names no controller yet: choose one on its page."));
        var version = await FindVersion(wire, studio, problems, cancel);
        if (wire.FiringId is { } firing && !await studio.Firings.Exists(firing, cancel))
            problems.Add(new Problem("firingId", $"There is no firing {firing} in this studio."));
        if (wire.Slip is { } said && SlipKinds.All.All(k => k.Kind != said))
            problems.Add(new Problem("slip", $"A slip is one of these: {string.Join(", ", SlipKinds.All.Select(k => k.Kind))}."));
        var shown = ReadBackTask.ReadShown(wire.Shown, wire.Text, problems);
        var wish = FitTask.ReadWish(
            new FitRequestContract(
                Schedule: wire.Schedule,
                GoalCone: wire.GoalCone,
                StartTemperature: wire.StartTemperature,
                Slot: wire.Slot,
                DelayMinutes: wire.DelayMinutes
            ),
            controller?.Item.Profile,
            problems
        );
        if (problems.Count > 0 || wish is null)
            return ProblemResponses.Of(problems);
        var fit = ControllerFit.Of(wish);
        if (!fit.IsOk)
            return ProblemResponses.Of(fit.Problems);
        if (fit.Value.Schedule is not { } fired)
            return ProblemResponses.Of([new Problem("schedule", fit.Value.Why)]);
        var back = ReadBackTask.Compare(wish.Profile, fit.Value.Program, wish.Schedule.Kind, wish.Start, shown, null, await studio.Programs.Slips(cancel));
        if (!back.IsOk)
            return ProblemResponses.Of(back.Problems);
        var (response, read) = back.Value;
        var stamp = Versions.Stamp(http);
        var entered = new EnteredProgram(
            KilnId: id,
            FiringId: wire.FiringId,
            ScheduleId: wire.ScheduleId,
            ScheduleVersion: version,
            Name: wish.Schedule.Name,
            Kind: wish.Schedule.Kind,
            Controller: wish.Profile.Name,
            Slot: fit.Value.Program.Where(a => a.Asked.Id == "slot").Select(a => a.Shown).FirstOrDefault(),
            DelayMinutes: wish.Delay,
            Program: Values(fit.Value.Program),
            Code: EntryCard.Code(wish.Profile, fit.Value.Program),
            Unit: wish.Profile.Unit,
            Fired: fired,
            Shown: Values(read.Read),
            IsClean: response.Matches,
            Slip: response.Matches ? null : wire.Slip,
            At: studio.Now,
            By: stamp.By
        );
        var stored = await studio.Programs.Add(entered, stamp.Key, cancel);
        if (response.Matches && wire.FiringId is { } set)
            await Tick(set, stamp.By, studio, cancel);
        return Results.Created($"/api/kilns/{id}/entered", new EnteredResponse(BankMapping.Write(stored), response));
    }

    /// <summary>What was just proved need not be ticked by hand: the item of the studio's list that says so, once, where the firing has not begun.</summary>
    private static async Task Tick(int firingId, string? by, Studio studio, CancellationToken cancel)
    {
        if ((await studio.Lists.Read(cancel)).Item.ReadBack is not { } item || await studio.Runs.Started(firingId, cancel) is not null)
            return;
        if (FiringEntry.InForce(await studio.Runs.Entries(firingId, cancel)).Any(e => e.Kind == EntryKind.Before && e.Subject == item))
            return;
        await studio.Runs.Add(
            firingId,
            new FiringEntry($"read-back-{studio.Now.ToUnixTimeMilliseconds()}", EntryKind.Before, studio.Now, by, Subject: item, NotedAt: studio.Now),
            cancel
        );
    }

    /// <summary>The version that was entered; problems where schedule or version are not there.</summary>
    private static async Task<int?> FindVersion(EnteredRequest wire, Studio studio, List<Problem> problems, CancellationToken cancel)
    {
        if (wire.ScheduleId is not { } id)
            return null;
        if (await studio.Schedules.Find(id, cancel) is not { } schedule)
            problems.Add(new Problem("scheduleId", $"There is no schedule {id} in this studio."));
        else if (wire.ScheduleVersion is not { } version)
            return schedule.Version;
        else if (await studio.Schedules.Version(id, version, cancel) is null)
            problems.Add(new Problem("scheduleVersion", $"There is no version {version} of schedule {id}."));
        return wire.ScheduleVersion;
    }

    private static ImmutableArray<ShownValue> Values(IEnumerable<Core.Controllers.Answer> program) =>
        [.. program.Select(a => new ShownValue(a.Asked.Id, a.Shown))];

    /// <summary>Where things are found.</summary>
    private readonly record struct Studio(
        Repository<StudioKiln> Kilns,
        Repository<ListedController> Controllers,
        Repository<FiringDraft> Firings,
        EnteredPrograms Programs,
        ScheduleRepository Schedules,
        FiringRuns Runs,
        SettingsStore<CheckLists> Lists,
        TimeProvider Time
    )
    {
        // As fine as it is stored.
        public Instant Now => Instant.FromUnixTimeMilliseconds(Time.GetUtcNow().ToUnixTimeMilliseconds());
    }
}
