using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Kilns;

/// <summary>What was done to kilns, and what is said over what they taught.</summary>
internal static class KilnCareEndpoints
{
    private const int LongestNote = 500;

    public static void MapKilnCare(this WebApplication app)
    {
        var api = app.MapGroup("/api/kilns/{id:int}").Needs(Right.See).WithTags("Learning");
        api.MapPut("care", SaveCare)
            .Needs(Right.Run, NeedOf.Kiln)
            .WithSummary("Say something over what was learned, with a note; and when to be reminded")
            .Produces<CareContract>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        api.MapPost("maintenance", AddDone)
            .Needs(Right.Run, NeedOf.Kiln)
            .WithSummary("Something was done: new elements or a new thermocouple start their numbers anew")
            .Produces<MaintenanceContract>(201)
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        api.MapDelete("maintenance/{entry:int}", (int id, int entry, KilnCareRepository book, CancellationToken cancel) =>
                Remove(id, entry, false, book, cancel)
            )
            .Needs(Right.Run, NeedOf.Kiln)
            .WithSummary("Take something out again; can be undone")
            .Produces(204)
            .ProducesProblem(404);
        api.MapPost("maintenance/{entry:int}/restore", (int id, int entry, KilnCareRepository book, CancellationToken cancel) =>
                Remove(id, entry, true, book, cancel)
            )
            .Needs(Right.Run, NeedOf.Kiln)
            .WithSummary("Bring it back")
            .Produces(204)
            .ProducesProblem(404);
    }

    private static async Task<IResult> SaveCare(int id, CareContract? wire, Repository<StudioKiln> kilns, KilnCareRepository book, CancellationToken cancel)
    {
        if (await kilns.Find(id, cancel) is null)
            return ProblemResponses.NotFound("kiln");
        var problems = new List<Problem>();
        var note = Text.Lines(wire?.Note);
        if (wire?.Offset is { } offset && !(Math.Abs(offset) <= KilnCare.MostOffset))
            problems.Add(new Problem("offset", $"A display is off by at most {Phrases.Number(KilnCare.MostOffset)} °C; beyond that change the thermocouple."));
        if (wire?.Power is { } power && !(power is >= 0.4 and <= 1.1))
            problems.Add(new Problem("power", "A share of the stored power, from 0.4 to 1.1."));
        if (note?.Length > LongestNote)
            problems.Add(new Problem("note", $"At most {LongestNote} characters."));
        if ((wire?.Offset is not null || wire?.Power is not null) && note is null)
            problems.Add(new Problem("note", "Say in a few words why the learned number is not to count."));
        int After(int? given, int usual, string field)
        {
            if (given is null or (>= 0 and <= KilnCare.MostFirings))
                return given ?? usual;
            problems.Add(new Problem(field, $"After 1 to {KilnCare.MostFirings} firings, or 0 for never."));
            return usual;
        }

        var care = new KilnCare(
            wire?.Offset,
            wire?.Power,
            note,
            After(wire?.ThermocoupleAfter, KilnCare.Usual.ThermocoupleAfter, "thermocoupleAfter"),
            After(wire?.ShelvesAfter, KilnCare.Usual.ShelvesAfter, "shelvesAfter"),
            After(wire?.VentAfter, KilnCare.Usual.VentAfter, "ventAfter"),
            After(wire?.BurnersAfter, KilnCare.Usual.BurnersAfter, "burnersAfter")
        );
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        await book.Save(id, care, cancel);
        return Results.Ok(CareMapping.Write(care));
    }

    private static async Task<IResult> AddDone(
        int id,
        MaintenanceRequest? wire,
        Repository<StudioKiln> kilns,
        KilnCareRepository book,
        TimeProvider time,
        HttpRequest request,
        CancellationToken cancel
    )
    {
        if (await kilns.Find(id, cancel) is null)
            return ProblemResponses.NotFound("kiln");
        var problems = new List<Problem>();
        var now = Instant.FromDateTimeOffset(time.GetUtcNow());
        if (wire?.Kind is null)
            problems.Add(WireEnums.Missing<MaintenanceKind>("kind", "what was done"));
        var at = wire?.At is { } given ? Instant.FromUnixTimeMilliseconds(given.ToUnixTimeMilliseconds()) : now;
        if (at > now + Duration.FromDays(1))
            problems.Add(new Problem("at", "This is in the future; note it once it is done."));
        if (at < now - Duration.FromDays(40 * 366))
            problems.Add(new Problem("at", "This is longer ago than any kiln is remembered."));
        if (wire?.Note?.Length > LongestNote)
            problems.Add(new Problem("note", $"At most {LongestNote} characters."));
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        var stamp = Versions.Stamp(request);
        var done = await book.Add(id, new Maintenance(0, wire!.Kind!.Value, at, stamp.By, Text.Lines(wire.Note)), stamp.Key, cancel);
        return Results.Created($"/api/kilns/{id}/maintenance/{done.Id}", CareMapping.Write(done));
    }

    private static async Task<IResult> Remove(int id, int entry, bool back, KilnCareRepository book, CancellationToken cancel) =>
        await book.Remove(id, entry, back, cancel) ? Results.NoContent() : ProblemResponses.NotFound("entry");
}
