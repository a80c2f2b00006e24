using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.Core;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Firings;

/// <summary>Why a firing's faults came, and the next version of its schedule.</summary>
internal static class FiringChange
{
    public static void MapChanges(this WebApplication app)
    {
        var api = app.MapGroup("/api/firings/{id:int}").Needs(Right.See).WithTags("Diagnosis");
        api.MapGet("diagnosis", Why)
            .WithSummary("Causes of its faults, weighed by its own numbers, each with the change that fixes it")
            .Produces<FiringCause[]>()
            .ProducesProblem(404);
        api.MapPost("change", Change)
            .Needs(Right.OwnSchedules, NeedOf.FiringSchedule)
            .WithSummary("Make a change the next version of its schedule, with the reason and the firing it came from")
            .Produces<ChangeResponse>(201)
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> Why(int id, FiringReader reader, ScheduleRepository schedules, StudioLookup lookup, CancellationToken cancel) =>
        await reader.Read(id, cancel) is { } firing
            ? Results.Ok(new DiagnosisTask(firing, await Named(firing, schedules, cancel), await lookup.Settings()).Causes())
            : ProblemResponses.NotFound("started firing");

    private static async Task<Schedule?> Named(ReadFiring firing, ScheduleRepository schedules, CancellationToken cancel) =>
        firing.Draft.Item.Schedule is { } pinned
            ? (pinned.Version is { } version ? await schedules.Version(pinned.Id, version, cancel) : await schedules.Find(pinned.Id, cancel))?.Item
            : null;

    private static async Task<IResult> Change(
        int id,
        ChangeRequest? wire,
        FiringReader reader,
        ScheduleRepository schedules,
        StudioLookup lookup,
        HttpContext context,
        CancellationToken cancel
    )
    {
        if (await reader.Read(id, cancel) is not { } firing)
            return ProblemResponses.NotFound("started firing");
        if (wire?.Patch is null || Patches.Find(wire.Patch) is null)
            return ProblemResponses.Of([new Problem("patch", $"Which change? One of {string.Join(", ", Patches.All.Select(p => p.Name))}.")]);
        var changed = new DiagnosisTask(firing, await Named(firing, schedules, cancel), await lookup.Settings()).Make(wire.Patch);
        if (!changed.IsOk)
            return ProblemResponses.Of(changed.Problems);
        var stamp = Versions.Stamp(context.Request) with { Reason = Reason(firing, changed.Value.Text), FromFiring = id };
        if (firing.Draft.Item.Schedule is not { } pinned || await schedules.Find(pinned.Id, cancel) is not { } present)
        {
            var added = (await schedules.Add([changed.Value.Schedule.Renamed(", next")], stamp, cancel))[0];
            return Results.Created($"/api/schedules/{added.Id}", new ChangeResponse(added.Id, added.Version, 0, added.Item.Name, changed.Value.Text));
        }
        // Somebody may have changed it since this firing: what they did is not to be lost without their knowing.
        if (present.Version != (wire.OverVersion ?? pinned.Version ?? present.Version))
            return Results.Problem(
                statusCode: StatusCodes.Status409Conflict,
                title: "Changed since this firing",
                detail: $"“{present.Item.Name}” is at version {present.Version} now; this firing used version {pinned.Version ?? 1}. The change starts "
                    + "from what was fired. Make it the next version all the same?",
                extensions: new Dictionary<string, object?> { ["presentVersion"] = present.Version }
            );
        return await schedules.Save(present.Id, present.Version, present.Item.With(changed.Value.Schedule.Program), stamp, cancel) switch
        {
            SaveOutcome<Versioned<Schedule>>.Saved { Stored: var stored } => Results.Created(
                $"/api/schedules/{stored.Id}",
                new ChangeResponse(stored.Id, stored.Version, present.Version, stored.Item.Name, changed.Value.Text)
            ),
            SaveOutcome<Versioned<Schedule>>.Conflict => ProblemResponses.Conflict(
                "This schedule was changed by another person just now. Look again, then make the change."
            ),
            _ => ProblemResponses.NotFound("schedule"),
        };
    }

    private static string Reason(ReadFiring firing, string text)
    {
        var faults = firing.Record.Results.Faults.Select(f => f.Kind.Replace('-', ' ')).Distinct().ToList();
        var reason = $"{text} After “{firing.Draft.Item.Name}”{(faults.Count > 0 ? $": {Phrases.List(faults)}" : "")}.";
        return reason.Length <= ScheduleLimits.Reason ? reason : $"{reason[..(ScheduleLimits.Reason - 1)]}…";
    }
}
