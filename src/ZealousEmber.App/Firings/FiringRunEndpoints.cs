using System.Globalization;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Firings;

/// <summary>A firing from its start to its opening.</summary>
internal static class FiringRunEndpoints
{
    private const int LongestNote = FiringEntry.LongestText;
    private const int UsualPart = 400;
    private const int MostNamed = 500;

    public static void MapRuns(this WebApplication app)
    {
        var api = app.MapGroup("/api/firings/{id:int}").Needs(Right.See).WithTags("Live");
        api.MapPost("start", Start)
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("Start a firing: from here on what it is fired with stays as it is")
            .Produces<RunContract>(201)
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409);
        api.MapPost("stop", Say(RunChange.Stopped))
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("Stop it before its end")
            .Produces<RunContract>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409);
        api.MapPost("opened", Opened)
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("The kiln was opened")
            .Produces<RunContract>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409);
        api.MapPost("read", Say(RunChange.Read))
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("Its packs and its ware were read")
            .Produces<RunContract>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409);
        api.MapPost("closed", Close)
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("Nothing more is to be noted; saying it again with reopen takes that back")
            .Produces<RunContract>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409);
        api.MapPost("resume", Say(RunChange.Resumed))
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("Go on with a firing that was stopped")
            .Produces<RunContract>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409);
        api.MapGet("summary", async (int id, FiringAssessor assessor, CancellationToken cancel) =>
                await assessor.Of(id, cancel) is { } summaries ? Results.Ok(summaries) : ProblemResponses.NotFound("firing")
            )
            .WithSummary("The firing as planned, as set and as watched, and where these differ")
            .Produces<FiringSummaries>()
            .ProducesProblem(404);
        api.MapGet("run", Show).WithSummary("How it was started; nothing before it is").Produces<RunContract>().Produces(204).ProducesProblem(404);
        api.MapGet("live", Live).WithSummary("Where it is, how it goes on, what is wrong").Produces<LiveContract>().ProducesProblem(404);
        api.MapGet("log", Log)
            .WithSummary("Its readings, reduced so that no peak and no gap is lost")
            .Produces<LogContract>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        app.MapGet("/api/firings/runs", Started)
            .Needs(Right.See)
            .WithTags("Live")
            .WithSummary("Firings that were started and where they stand, the latest first, a part at a time; ?firings=1,2 for those alone")
            .Produces<RunSummary[]>()
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> Start(
        int id,
        StartFiringRequest? wire,
        [AsParameters] LiveStudio studio,
        RunStarter starter,
        HttpContext context,
        CancellationToken cancel
    )
    {
        if (await studio.Firings.Find(id, cancel) is not { } firing)
            return ProblemResponses.NotFound("firing");
        var stamp = Versions.Stamp(context.Request);
        var key = wire?.Key ?? stamp.Key;
        if (await studio.Runs.Find(id, cancel) is { } before)
            return key is not null && (await studio.Runs.Entries(id, cancel)).Any(e => e.Key == key)
                ? Results.Ok(RunMapping.Write(before, studio.Now))
                : ProblemResponses.Conflict($"This firing was started already{By(before.By)}. Duplicate it to fire the same again.");
        var read = await starter.Read(id, firing.Item, wire, studio.Now, stamp.By, cancel);
        if (!read.IsOk)
            return ProblemResponses.Of(read.Problems);
        if (read.Value.Run is not { } run)
        {
            return Results.Problem(
                statusCode: StatusCodes.Status409Conflict,
                title: "Which program?",
                detail: "The schedule was changed after it was read back from the controller. Say whether the firing follows what is set there, or what "
                    + "is planned now.",
                extensions: new Dictionary<string, object?> { ["set"] = read.Value.Set, ["planned"] = read.Value.Planned }
            );
        }
        var entry = new FiringEntry(
            Key(key, "start"),
            EntryKind.State,
            studio.Now,
            stamp.By,
            Subject: "started",
            Text: run.IsAsEntered ? "As it was read back from the controller."
                : run.IsFuel ? "By the turn-up sheet of its schedule."
                : run.Dials is not null ? "By switches, turned by the clock."
                : "As planned: nothing was read back from the controller, or the plan was chosen."
        );
        if (await studio.Runs.Start(run, entry, cancel) is null)
        {
            var taken = (await studio.Runs.UnderWay(cancel)).FirstOrDefault(r => r.KilnId == run.KilnId);
            var what = taken is null ? null : await studio.NameOf(taken.FiringId, cancel);
            return ProblemResponses.Conflict(
                $"{await starter.NameOf(run.KilnId, cancel)} still has {(what is null ? "a firing" : $"“{what}”")} in it. Note there that it was opened, "
                    + "then start this one."
            );
        }
        await studio.Live.Follow(run, context.RequestServices, cancel);
        return Results.Created($"/api/firings/{id}/run", RunMapping.Write(run, studio.Now));
    }

    private static async Task<IResult> Opened(int id, ChangeStateRequest? wire, [AsParameters] LiveStudio studio, HttpContext context, CancellationToken cancel)
    {
        if (studio.Live.Unreadable.All(r => r.FiringId != id))
            return await Change(id, RunChange.Opened, wire, studio, context, cancel);
        // Whatever it was started with: whoever stands at the kiln says that it is open.
        var entry = new FiringEntry(Key(wire?.Key, "opened"), EntryKind.State, studio.Now, Versions.Stamp(context.Request).By, Subject: "opened");
        if (!await studio.Runs.OpenUnreadable(id, studio.Now, entry, cancel))
            return ProblemResponses.Conflict("It was opened already.");
        studio.Live.Forget(id);
        return Results.NoContent();
    }

    private static Delegate Say(RunChange change) =>
        (int id, ChangeStateRequest? wire, [AsParameters] LiveStudio studio, HttpContext context, CancellationToken cancel) =>
            Change(id, change, wire, studio, context, cancel);

    private static Task<IResult> Close(int id, ChangeStateRequest? wire, [AsParameters] LiveStudio studio, HttpContext context, CancellationToken cancel) =>
        Change(id, wire?.Reopen == true ? RunChange.Reopened : RunChange.Closed, wire, studio, context, cancel);

    private static async Task<IResult> Change(
        int id,
        RunChange change,
        ChangeStateRequest? wire,
        LiveStudio studio,
        HttpContext context,
        CancellationToken cancel
    )
    {
        if (await studio.Runs.Find(id, cancel) is not { } run)
            return ProblemResponses.NotFound("started firing");
        var stamp = Versions.Stamp(context.Request);
        var key = wire?.Key ?? stamp.Key;
        if (key is not null && (await studio.Runs.Entries(id, cancel)).Any(e => e.Key == key))
            return Results.Ok(RunMapping.Write(run, studio.Now));
        var problems = new List<Problem>();
        var now = run.Clock(studio.Now);
        var at = wire?.At is { } given ? RunMapping.ReadMoment(given, run, now, "at", problems) : now;
        if (wire?.Note?.Length > LongestNote)
            problems.Add(new Problem("note", $"At most {LongestNote} characters."));
        if (wire?.Key?.Length > FiringEntry.LongestSubject)
            problems.Add(new Problem("key", $"At most {FiringEntry.LongestSubject} characters."));
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        if (change.Refusal(run, at) is { } why)
            return ProblemResponses.Conflict(why + Said(await studio.Runs.Entries(id, cancel), run));
        // What it was like then is noted with it: an early opening carries its risk.
        var hot = studio.Live.Find(id) is { } live && (await studio.Live.Now(live, cancel)).Chamber is { } chamber ? Math.Round(chamber) : (double?)null;
        var entry = new FiringEntry(Key(key, change.Word), EntryKind.State, at, stamp.By, hot, change.Word, Text.Lines(wire?.Note));
        // Asked again where nobody else writes: of two people at once the second is told who was first.
        string? late = null;
        var changed = await studio.Runs.Change(id, r => (late = change.Refusal(r, at)) is null ? change.Of(r, at) : r, entry, cancel);
        if (changed is null)
            return ProblemResponses.NotFound("started firing");
        if (late is not null)
            return ProblemResponses.Conflict(late + Said(await studio.Runs.Entries(id, cancel), changed));
        if (studio.Live.Find(id) is { } running)
        {
            if (change == RunChange.Resumed)
                await studio.Live.Resume(running, changed, context.RequestServices);
            else
                await studio.Live.Changed(running, changed);
        }
        return Results.Ok(RunMapping.Write(changed, studio.Now));
    }

    private static async Task<IResult> Show(int id, [AsParameters] LiveStudio studio, CancellationToken cancel)
    {
        if (await studio.Runs.Find(id, cancel) is { } run)
            return Results.Ok(RunMapping.Write(run, studio.Now, (studio.Live.Find(id)?.Live as LiveFiring)?.Firing.Program));
        return !await studio.Firings.Exists(id, cancel) ? ProblemResponses.NotFound("firing") : Results.NoContent();
    }

    private static async Task<IResult> Live(int id, [AsParameters] LiveStudio studio, HttpContext context, CancellationToken cancel)
    {
        if (studio.Live.Find(id) is { } running)
            return Results.Ok(await studio.Live.Settled(running, cancel));
        return await studio.Runs.Find(id, cancel) is { } run
            ? Results.Ok(await studio.Live.AtItsEnd(run, context.RequestServices, cancel))
            : ProblemResponses.NotFound("started firing");
    }

    private static async Task<IResult> Log(
        int id,
        int? points,
        double? from,
        double? to,
        [AsParameters] LiveStudio studio,
        SampleLog samples,
        CancellationToken cancel
    )
    {
        if (await studio.Runs.Find(id, cancel) is not { } run)
            return ProblemResponses.NotFound("started firing");
        var problems = new List<Problem>();
        if (points is { } asked && asked is < Core.Firing.Readings.Reduction.Fewest or > Core.Firing.Readings.Reduction.Most)
            problems.Add(new Problem("points", $"From {Core.Firing.Readings.Reduction.Fewest} to {Core.Firing.Readings.Reduction.Most} points."));
        if (from > to)
            problems.Add(new Problem("from", "It ends before it begins."));
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        var entries = FiringEntry.InForce(await studio.Runs.Entries(id, cancel)).Where(e => e is { Kind: EntryKind.Reading, Celsius: not null });
        return Results.Ok(LogReduction.Of(run, await samples.Read(id, cancel), entries, points ?? 1500, from, to));
    }

    private static async Task<IResult> Started(
        string? firings,
        int? skip,
        int? take,
        [AsParameters] LiveStudio studio,
        HttpContext context,
        CancellationToken cancel
    )
    {
        var named = firings?.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var ids = named?.Select(n => int.TryParse(n, NumberStyles.None, CultureInfo.InvariantCulture, out var id) ? (int?)id : null).ToList();
        if (ids?.Contains(null) == true || ids?.Count > MostNamed)
            return ProblemResponses.Of([new Problem("firings", $"Numbers of firings with commas between them, at most {MostNamed}.")]);
        var part = Part.Read(skip, take, UsualPart);
        if (!part.IsOk)
            return ProblemResponses.Of(part.Problems);
        var found = await studio.Runs.Started(ids?.OfType<int>().ToList(), part.Value.Skip, part.Value.Take, cancel);
        part.Value.WriteHeaders(context, found.Total);
        return Results.Ok(
            found.Items.Select(r => new RunSummary(
                r.FiringId,
                r.KilnId,
                r.State(studio.Now),
                r.StartsAt.ToDateTimeOffset(),
                r.OpenedAt?.ToDateTimeOffset(),
                r.By
            ))
        );
    }

    private static string Key(string? given, string what) => given ?? $"{what}-{Guid.NewGuid():N}";

    private static string By(string? who) => who is null ? "" : $" by {who}";

    private static string Said(IReadOnlyList<FiringEntry> entries, FiringRun run) =>
        entries.LastOrDefault(e => e.Kind == EntryKind.State && e.Subject == (run.OpenedAt is not null ? "opened" : "stopped")) is { By: { } who }
            ? $" {who} did."
            : "";
}
