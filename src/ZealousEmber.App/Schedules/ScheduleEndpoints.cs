using System.ComponentModel.DataAnnotations;
using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.App.Preview;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store;
using ZealousEmber.Store.Schedules;

namespace ZealousEmber.App.Schedules;

/// <summary>A kept schedule.</summary>
public sealed record VersionedScheduleContract(
    int Id, int Version, DateTimeOffset UpdatedAt, string Name,
    [property: AllowedValues("drying", "bisque", "glaze", "once-fired")] string Kind, [property: AllowedValues("C", "F")] string Unit,
    IReadOnlyList<SegmentContract> Segments, string? Notes, IReadOnlyList<string> Tags, string? GoalCone);

/// <summary>A schedule as a line in the library: enough to know it by and to draw it small.</summary>
/// <param name="Line">The whole in shorthand.</param>
/// <param name="TotalMinutes">From a start at 20 °C to the end of the last step.</param>
/// <param name="PoweredMinutes">Until the power goes off for good.</param>
/// <param name="Curve">The curve with few points.</param>
public sealed record ScheduleSummary(
    int Id, int Version, DateTimeOffset UpdatedAt, string Name,
    [property: AllowedValues("drying", "bisque", "glaze", "once-fired")] string Kind, [property: AllowedValues("C", "F")] string Unit,
    string? GoalCone, IReadOnlyList<string> Tags, int Steps,
    string Line, double Peak, double TotalMinutes, double PoweredMinutes, IReadOnlyList<CurvePointContract> Curve);

/// <summary>A version of a schedule.</summary>
public sealed record VersionSummary(int Number, DateTimeOffset SavedAt, string Name, string Line, double Peak, [property: AllowedValues("C", "F")] string Unit);

/// <summary>A tag and how many schedules carry it.</summary>
public sealed record TagCount(string Tag, int Count);

/// <summary>A schedule to be read in another unit.</summary>
public sealed record ConvertRequest(ScheduleContract? Schedule, string? Unit);

/// <summary>The library: make, find, change, delete, bring back.</summary>
internal static class ScheduleEndpoints
{
    /// <summary>Saves closer together than this are one sitting; the history shows the last of each.</summary>
    private static readonly Duration Sitting = Duration.FromMinutes(10);

    public static void MapSchedules(this WebApplication app)
    {
        var api = app.MapGroup("/api/schedules").WithTags("Schedules");

        api.MapGet("", Search).WithSummary("Find schedules").Produces<ScheduleSummary[]>().ProducesValidationProblem(422);
        api.MapPost("", Create).WithSummary("Keep a new schedule").Produces<VersionedScheduleContract>(201).ProducesValidationProblem(422);
        api.MapGet("tags", async (ScheduleStore store, CancellationToken cancel) =>
                (await store.Tags(cancel)).Select(t => new TagCount(t.Tag, t.Count)))
            .WithSummary("All tags in use");
        api.MapPost("convert", Convert).WithSummary("Read a schedule in another unit, exactly").Produces<ScheduleContract>().ProducesValidationProblem(422);
        api.MapGet("{id:int}", Find).WithSummary("One schedule").Produces<VersionedScheduleContract>().ProducesProblem(404);
        api.MapPut("{id:int}", Save).WithSummary("Save over the version named in If-Match")
            .Produces<VersionedScheduleContract>().ProducesValidationProblem(422).ProducesProblem(404).ProducesProblem(412).ProducesProblem(428);
        api.MapDelete("{id:int}", Delete).WithSummary("Delete; can be undone").Produces(204).ProducesProblem(404);
        api.MapPost("{id:int}/restore", Restore).WithSummary("Bring a deleted schedule back").Produces<VersionedScheduleContract>().ProducesProblem(404);
        api.MapPost("{id:int}/copy", Copy).WithSummary("Make a copy").Produces<VersionedScheduleContract>(201).ProducesProblem(404);
        api.MapGet("{id:int}/versions", History).WithSummary("Its history, newest first, one for each sitting; all with ?all=true").Produces<VersionSummary[]>().ProducesProblem(404);
        api.MapGet("{id:int}/versions/{number:int}", Version).WithSummary("One version").Produces<VersionedScheduleContract>().ProducesProblem(404);
    }

    public static VersionedScheduleContract Write(VersionedSchedule stored)
    {
        var wire = ScheduleMapping.Write(stored.Schedule);
        return new(stored.Id, stored.Version, stored.UpdatedAt.ToDateTimeOffset(), wire.Name!, wire.Kind!, wire.Unit!, wire.Segments!.OfType<SegmentContract>().ToList(), wire.Notes, wire.Tags!.OfType<string>().ToList(), wire.GoalCone);
    }

    private static async Task<IResult> Search(string? search, string? kind, string? tag, ScheduleStore store, CancellationToken cancel)
    {
        var kindRead = WireTerms.Kinds.Read(kind);
        if (kindRead is null && !string.IsNullOrWhiteSpace(kind))
            return ProblemResponses.Of([new Problem("kind", WireTerms.Kinds.Refuse(kind, "a kind of firing"))]);
        var found = await store.Search(new ScheduleQuery(search, kindRead, tag), cancel);
        return Results.Ok(found.Select(Summarise));
    }

    private static async Task<IResult> Create(ScheduleContract? schedule, ScheduleStore store, HttpResponse response, CancellationToken cancel)
    {
        var read = ScheduleMapping.Read(schedule);
        return read.IsOk ? Created((await store.Add([read.Value], cancel))[0], response) : ProblemResponses.Of(read.Problems);
    }

    private static IResult Convert(ConvertRequest? request)
    {
        var problems = new List<Problem>();
        var unit = ScheduleMapping.ReadUnit(request?.Unit, "unit", problems);
        var schedule = ScheduleMapping.Read(request?.Schedule);
        problems.AddRange(schedule.Problems.Select(p => p.Under("schedule")));
        return problems.Count > 0 ? ProblemResponses.Of(problems) : Results.Ok(ScheduleMapping.Write(schedule.Value.In(unit!.Value)));
    }

    private static async Task<IResult> Find(int id, ScheduleStore store, HttpContext context, CancellationToken cancel)
    {
        if (await store.Find(id, cancel) is not { } stored) return ProblemResponses.NotFound("schedule");
        if (Versions.IsKnown(context.Request, stored.Version)) return Results.StatusCode(StatusCodes.Status304NotModified);
        return Ok(stored, context.Response);
    }

    private static async Task<IResult> Save(int id, ScheduleContract? schedule, ScheduleStore store, HttpContext context, CancellationToken cancel)
    {
        if (!Versions.TryReadIfMatch(context.Request, out var version)) return Versions.PreconditionFailed(context.Request);
        var read = ScheduleMapping.Read(schedule);
        if (!read.IsOk) return ProblemResponses.Of(read.Problems);
        switch (await store.Save(id, version, read.Value, cancel))
        {
            case SaveOutcome<VersionedSchedule>.Saved { Stored: var stored }:
                return Ok(stored, context.Response);
            case SaveOutcome<VersionedSchedule>.Conflict { Current: var current }:
                return Versions.Conflict("schedule", current.Version, Write(current), context.Response);
            default:
                return ProblemResponses.NotFound("schedule");
        }
    }

    private static async Task<IResult> Delete(int id, ScheduleStore store, HttpContext context, CancellationToken cancel)
    {
        if (context.Request.Headers.IfMatch.Count > 0 && Versions.TryReadIfMatch(context.Request, out var version)
            && version is not null && await store.Find(id, cancel) is { } stored && stored.Version != version)
        {
            return Results.Problem(statusCode: StatusCodes.Status412PreconditionFailed, title: "Saved by somebody else meanwhile", detail: "This schedule was changed after you opened it; it was not deleted.");
        }
        return await store.Delete(id, cancel) ? Results.NoContent() : ProblemResponses.NotFound("schedule");
    }

    private static async Task<IResult> Restore(int id, ScheduleStore store, HttpResponse response, CancellationToken cancel) =>
        await store.Restore(id, cancel) is { } stored ? Ok(stored, response) : ProblemResponses.NotFound("schedule");

    private static async Task<IResult> Copy(int id, ScheduleStore store, HttpResponse response, CancellationToken cancel)
    {
        if (await store.Find(id, cancel) is not { Schedule: var original }) return ProblemResponses.NotFound("schedule");
        const string ending = ", copy";
        var name = original.Name.EndsWith(ending, StringComparison.Ordinal) ? original.Name : original.Name[..Math.Min(original.Name.Length, ScheduleLimits.Name - ending.Length)] + ending;
        var copy = Schedule.Create(name, original.Kind, original.Unit, original.Segments, original.Notes, original.Tags, original.Goal);
        return Created((await store.Add([copy.Value], cancel))[0], response);
    }

    private static async Task<IResult> History(int id, bool? all, ScheduleStore store, CancellationToken cancel)
    {
        var versions = await store.Versions(id, cancel);
        if (versions.Count == 0) return ProblemResponses.NotFound("schedule");
        return Results.Ok(versions
            .Where((v, i) => all == true || i == 0 || versions[i - 1].UpdatedAt - v.UpdatedAt > Sitting)
            .Select(v => new VersionSummary(
                v.Version, v.UpdatedAt.ToDateTimeOffset(), v.Schedule.Name, NotationWriter.Write(v.Schedule.Segments, v.Schedule.Unit),
                v.Schedule.Segments.Max(s => s.Target?.In(v.Schedule.Unit) ?? double.MinValue), v.Schedule.Unit.Letter())));
    }

    private static async Task<IResult> Version(int id, int number, ScheduleStore store, CancellationToken cancel) =>
        (await store.Versions(id, cancel)).FirstOrDefault(v => v.Version == number) is { } version
            ? Results.Ok(Write(version))
            : ProblemResponses.NotFound("version");

    private static IResult Ok(VersionedSchedule stored, HttpResponse response)
    {
        response.Headers.ETag = Versions.Tag(stored.Version);
        return Results.Ok(Write(stored));
    }

    private static IResult Created(VersionedSchedule stored, HttpResponse response)
    {
        response.Headers.ETag = Versions.Tag(stored.Version);
        return Results.Created($"/api/schedules/{stored.Id}", Write(stored));
    }

    private static ScheduleSummary Summarise(VersionedSchedule stored)
    {
        var (schedule, unit) = (stored.Schedule, stored.Schedule.Unit);
        // A first "off" to somewhere above 20 °C is meant for a kiln that is still hot; draw it from there.
        var cold = Temperature.FromCelsius(20);
        var start = schedule.Segments[0] is { Pace.Kind: PaceKind.Natural, Target: { } warm } ? Temperature.Max(cold, warm) : cold;
        var compiled = CompiledSchedule.From(schedule, start, GenericKiln.Instance).Value;
        var curve = compiled.Curve.Thinned(TemperatureDifference.FromKelvins(6));
        return new ScheduleSummary(
            stored.Id, stored.Version, stored.UpdatedAt.ToDateTimeOffset(), schedule.Name, WireTerms.Kinds.Format(schedule.Kind), unit.Letter(), schedule.Goal?.Number, schedule.Tags,
            schedule.Segments.Length, NotationWriter.Write(schedule.Segments, unit), compiled.Curve.Peak.In(unit),
            compiled.Total.TotalMinutes, compiled.Powered.TotalMinutes, CurvePointContract.From(curve, unit));
    }
}
