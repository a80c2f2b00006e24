using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Schedules;

/// <summary>A schedule as a line in the library: enough to know it by and to draw it small.</summary>
/// <param name="Line">The whole in shorthand.</param>
/// <param name="TotalMinutes">From a start at 20 °C to the end of the last step.</param>
/// <param name="PoweredMinutes">Until the power goes off for good.</param>
/// <param name="Curve">The curve with few points.</param>
public sealed record ScheduleSummary(
    int Id,
    int Version,
    DateTimeOffset UpdatedAt,
    string Name,
    ScheduleKind Kind,
    TemperatureUnit Unit,
    string? GoalCone,
    IReadOnlyList<string> Tags,
    int Steps,
    string Line,
    double Peak,
    double TotalMinutes,
    double PoweredMinutes,
    IReadOnlyList<CurvePointContract> Curve
);

/// <summary>A version of a schedule.</summary>
/// <param name="SavedBy">Who saved it, where somebody said.</param>
public sealed record VersionSummary(
    int Number,
    DateTimeOffset SavedAt,
    string? SavedBy,
    string Name,
    string Line,
    double Peak,
    TemperatureUnit Unit,
    string? Reason = null,
    int? FromFiring = null
);

/// <summary>A tag and how many schedules carry it.</summary>
public sealed record TagCount(string Tag, int Count);

/// <summary>A schedule to be read in another unit.</summary>
public sealed record ConvertRequest(ScheduleContract? Schedule, TemperatureUnit? Unit);

/// <summary>The library: make, find, change, delete, bring back.</summary>
internal static class ScheduleEndpoints
{
    /// <summary>Saves closer together than this are one sitting; the history shows the last of each.</summary>
    private static readonly Duration Sitting = Duration.FromMinutes(10);

    // A picture as small as a thumb shows no more.
    private static readonly TemperatureDifference DrawnSmall = TemperatureDifference.FromKelvins(12);

    public static void MapSchedules(this WebApplication app)
    {
        var api = app.MapGroup("/api/schedules").Needs(Right.See).WithTags("Schedules");

        api.MapGet("", Search)
            .WithSummary("Find schedules, a part at a time: ?skip= and ?take=; X-Total-Count tells how many there are")
            .Produces<ScheduleSummary[]>()
            .ProducesValidationProblem(422);
        api.MapPost("", Create)
            .Needs(Right.OwnSchedules)
            .WithSummary("Save a new schedule")
            .Produces<VersionedScheduleContract>(201)
            .ProducesValidationProblem(422);
        api.MapGet("tags", async (ScheduleRepository schedules, CancellationToken cancel) =>
                (await schedules.Tags(cancel)).Select(t => new TagCount(t.Tag, t.Count))
            )
            .WithSummary("All tags in use");
        api.MapPost("convert", Convert)
            .Needs(Right.BeSomebody)
            .WithSummary("Read a schedule in another unit, exactly")
            .Produces<ScheduleContract>()
            .ProducesValidationProblem(422);
        api.MapGet("{id:int}", Find).WithSummary("One schedule").Produces<VersionedScheduleContract>().ProducesProblem(404);
        api.MapPut("{id:int}", Save)
            .Needs(Right.OwnSchedules, NeedOf.Schedule)
            .WithSummary("Save over the version named in If-Match")
            .Produces<VersionedScheduleContract>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(412)
            .ProducesProblem(428);
        api.MapDelete("{id:int}", Delete).Needs(Right.OwnSchedules, NeedOf.Schedule).WithSummary("Delete; can be undone").Produces(204).ProducesProblem(404);
        api.MapPost("{id:int}/restore", Restore)
            .Needs(Right.OwnSchedules, NeedOf.Schedule)
            .WithSummary("Bring a deleted schedule back")
            .Produces<VersionedScheduleContract>()
            .ProducesProblem(404);
        api.MapPost("{id:int}/copy", Copy).Needs(Right.OwnSchedules).WithSummary("Make a copy").Produces<VersionedScheduleContract>(201).ProducesProblem(404);
        api.MapGet("{id:int}/versions", History)
            .WithSummary("Its history, newest first, one for each sitting; all with ?all=true")
            .Produces<VersionSummary[]>()
            .ProducesProblem(404);
        api.MapGet("{id:int}/versions/{number:int}", Version).WithSummary("One version").Produces<VersionedScheduleContract>().ProducesProblem(404);
    }

    public static VersionedScheduleContract Write(Versioned<Schedule> stored)
    {
        var wire = ScheduleMapping.Write(stored.Item);
        return new(
            stored.Id,
            stored.Version,
            stored.UpdatedAt.ToDateTimeOffset(),
            wire.Name!,
            stored.Item.Kind,
            stored.Item.Unit,
            [.. wire.Segments!.OfType<SegmentContract>()],
            wire.Notes,
            [.. wire.Tags!.OfType<string>()],
            wire.GoalCone
        );
    }

    /// <summary>A part of what was found; the headers tell how much there is, and where the next part is.</summary>
    private static async Task<IResult> Search(
        string? search,
        string? kind,
        string? tag,
        int? skip,
        int? take,
        ScheduleRepository schedules,
        HttpContext context,
        CancellationToken cancel
    )
    {
        var kindRead = WireEnums.Read<ScheduleKind>(kind);
        if (kindRead is null && !string.IsNullOrWhiteSpace(kind))
            return ProblemResponses.Of([WireEnums.Unknown<ScheduleKind>("kind", "a kind of firing", kind)]);
        var part = Part.Read(skip, take);
        if (!part.IsOk)
            return ProblemResponses.Of(part.Problems);
        var found = await schedules.Search(new ScheduleQuery(search, kindRead, tag), part.Value.Skip, part.Value.Take, cancel);
        part.Value.WriteHeaders(context, found.Total);
        return Results.Ok(found.Items.Select(Summarise));
    }

    private static async Task<IResult> Create(ScheduleContract? schedule, ScheduleRepository schedules, HttpContext context, CancellationToken cancel)
    {
        var read = ScheduleMapping.Read(schedule);
        return read.IsOk
            ? Created((await schedules.Add([read.Value], Versions.Stamp(context.Request), cancel))[0], context.Response)
            : ProblemResponses.Of(read.Problems);
    }

    private static IResult Convert(ConvertRequest? request)
    {
        var problems = new List<Problem>();
        if (request?.Unit is null)
            problems.Add(WireEnums.Missing<TemperatureUnit>("unit", "a unit of temperature"));
        var schedule = ScheduleMapping.Read(request?.Schedule);
        problems.AddRange(schedule.Problems.Select(p => p.Under("schedule")));
        return problems.Count > 0 ? ProblemResponses.Of(problems) : Results.Ok(ScheduleMapping.Write(schedule.Value.In(request!.Unit!.Value)));
    }

    private static async Task<IResult> Find(int id, ScheduleRepository schedules, HttpContext context, CancellationToken cancel)
    {
        if (await schedules.Find(id, cancel) is not { } stored)
            return ProblemResponses.NotFound("schedule");
        if (Versions.IsKnown(context.Request, stored.Version))
            return Results.StatusCode(StatusCodes.Status304NotModified);
        return Ok(stored, context.Response);
    }

    private static async Task<IResult> Save(int id, ScheduleContract? schedule, ScheduleRepository schedules, HttpContext context, CancellationToken cancel)
    {
        if (!Versions.TryReadIfMatch(context.Request, out var version))
            return Versions.PreconditionFailed(context.Request);
        var read = ScheduleMapping.Read(schedule);
        if (!read.IsOk)
            return ProblemResponses.Of(read.Problems);
        switch (await schedules.Save(id, version, read.Value, Versions.Stamp(context.Request), cancel))
        {
            case SaveOutcome<Versioned<Schedule>>.Saved { Stored: var stored }:
                return Ok(stored, context.Response);
            case SaveOutcome<Versioned<Schedule>>.Conflict { Current: var current }:
                return Versions.Conflict("schedule", current.Version, current.SaveKey, Write(current), context.Response);
            default:
                return ProblemResponses.NotFound("schedule");
        }
    }

    private static async Task<IResult> Delete(int id, ScheduleRepository schedules, HttpContext context, CancellationToken cancel)
    {
        int? version = null;
        if (context.Request.Headers.IfMatch.Count > 0 && !Versions.TryReadIfMatch(context.Request, out version))
            return Versions.PreconditionFailed(context.Request);
        return await schedules.Delete(id, version, cancel) switch
        {
            SaveOutcome<Versioned<Schedule>>.Saved => Results.NoContent(),
            SaveOutcome<Versioned<Schedule>>.Conflict { Current: var current } => Versions.Conflict(
                "schedule",
                current.Version,
                current.SaveKey,
                Write(current),
                context.Response
            ),
            _ => ProblemResponses.NotFound("schedule"),
        };
    }

    private static async Task<IResult> Restore(int id, ScheduleRepository schedules, HttpResponse response, CancellationToken cancel) =>
        await schedules.Restore(id, cancel) is { } stored ? Ok(stored, response) : ProblemResponses.NotFound("schedule");

    private static async Task<IResult> Copy(int id, ScheduleRepository schedules, HttpContext context, CancellationToken cancel)
    {
        if (await schedules.Find(id, cancel) is not { Item: var original })
            return ProblemResponses.NotFound("schedule");
        return Created((await schedules.Add([original.Renamed(", copy")], Versions.Stamp(context.Request), cancel))[0], context.Response);
    }

    private static async Task<IResult> History(int id, bool? all, ScheduleRepository schedules, CancellationToken cancel)
    {
        var versions = await schedules.Versions(id, cancel);
        if (versions.Count == 0)
            return ProblemResponses.NotFound("schedule");
        var reasons = await schedules.Reasons(id, cancel);
        return Results.Ok(
            versions
                .Where((v, i) => all == true || i == 0 || reasons.ContainsKey(v.Version) || Apart(versions[i - 1].UpdatedAt, v.UpdatedAt) > Sitting)
                .Select(v => new VersionSummary(
                    v.Version,
                    v.UpdatedAt.ToDateTimeOffset(),
                    v.UpdatedBy,
                    v.Item.Name,
                    NotationWriter.Write(v.Item.Segments, v.Item.Unit),
                    v.Item.Segments.Max(s => s.Target?.In(v.Item.Unit) ?? double.MinValue),
                    v.Item.Unit,
                    reasons.TryGetValue(v.Version, out var why) ? why.Reason : null,
                    reasons.TryGetValue(v.Version, out var after) ? after.FromFiring : null
                ))
        );
    }

    private static async Task<IResult> Version(int id, int number, ScheduleRepository schedules, CancellationToken cancel) =>
        await schedules.Version(id, number, cancel) is { } version ? Results.Ok(Write(version)) : ProblemResponses.NotFound("version");

    /// <summary>Either way round: a clock that was put back hides no version.</summary>
    private static Duration Apart(Instant one, Instant other) => one > other ? one - other : other - one;

    private static IResult Ok(Versioned<Schedule> stored, HttpResponse response)
    {
        Versions.WriteTag(response, stored.Version, stored.SaveKey);
        return Results.Ok(Write(stored));
    }

    private static IResult Created(Versioned<Schedule> stored, HttpResponse response)
    {
        Versions.WriteTag(response, stored.Version, stored.SaveKey);
        return Results.Created($"/api/schedules/{stored.Id}", Write(stored));
    }

    private static ScheduleSummary Summarise(Versioned<Schedule> stored)
    {
        var (schedule, unit) = (stored.Item, stored.Item.Unit);
        // A first "off" to somewhere above 20 °C is meant for a kiln that is still hot; draw it from there.
        var cold = Temperature.FromCelsius(20);
        var start = schedule.Segments[0] is { Pace.Kind: PaceKind.Natural, Target: { } warm } ? Temperature.Max(cold, warm) : cold;
        var compiled = new PlainKiln(start).Times(schedule.Program).Value;
        var curve = compiled.Curve.Thinned(DrawnSmall);
        return new ScheduleSummary(
            Id: stored.Id,
            Version: stored.Version,
            UpdatedAt: stored.UpdatedAt.ToDateTimeOffset(),
            Name: schedule.Name,
            Kind: schedule.Kind,
            Unit: unit,
            GoalCone: schedule.Goal?.Number,
            Tags: schedule.Tags,
            Steps: schedule.Segments.Length,
            Line: NotationWriter.Write(schedule.Segments, unit),
            Peak: compiled.Curve.Peak.In(unit),
            TotalMinutes: compiled.Total.TotalMinutes,
            PoweredMinutes: compiled.Powered.TotalMinutes,
            Curve: CurvePointContract.Rounded(curve, unit)
        );
    }
}
