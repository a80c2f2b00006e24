using Microsoft.Net.Http.Headers;
using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Files;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Live;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Records;

namespace ZealousEmber.App.Firings;

/// <summary>What people note of a firing.</summary>
internal static class FiringEntries
{
    private static readonly TimeSpan LongestOnDevice = TimeSpan.FromDays(30);

    public static void MapEntries(this WebApplication app)
    {
        var api = app.MapGroup("/api/firings/{id:int}").Needs(Right.See).WithTags("Live");
        api.MapGet("entries", All).WithSummary("Everything noted of a firing, in the order of time").Produces<EntryContract[]>().ProducesProblem(404);
        api.MapPost("entries", Add)
            .Needs(Right.NoteReading)
            .WithSummary("Note something; the same key again is the same entry")
            .Produces<EntryContract>(201)
            .Produces<EntryContract>()
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesValidationProblem(422);
        api.MapPut("entries/{key}/photo", AddPhoto)
            .Needs(Right.NoteReading)
            .WithMetadata(new BodySize(BodyLimit.Photo))
            .RequireRateLimiting(LargeBodies.Photos)
            .WithSummary("Note a photo: the bytes themselves; ?at= says when, ?text= what it shows. The same key again is the same entry")
            .Produces<EntryContract>(201)
            .Produces<EntryContract>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        api.MapGet("entries/{key}/photo", ShowPhoto)
            .WithSummary("The photo of an entry")
            .Produces(200, contentType: PhotoReader.ContentType)
            .ProducesProblem(404);
    }

    /// <summary>
    /// When something was so, by the firing's own clock. A device says in Device-Time what its clock shows as it sends: how long ago it was is what counts, not
    /// what a clock that is wrong by hours called it.
    /// </summary>
    private static DateTimeOffset ByOwnClock(DateTimeOffset at, FiringRun? run, Instant wall, HttpRequest request)
    {
        if (WireTime.Read(request.Headers["Device-Time"]) is not { } device || (device - at).Duration() > LongestOnDevice)
            return at;
        var age = Duration.FromTimeSpan(device - at) * (run is { Link: LinkKind.Simulated } ? run.Speed : 1);
        return ((run?.Clock(wall) ?? wall) - age).ToDateTimeOffset();
    }

    private static async Task<IResult> All(int id, [AsParameters] LiveStudio studio, CancellationToken cancel) =>
        !await studio.Firings.Exists(id, cancel)
            ? ProblemResponses.NotFound("firing")
            : Results.Ok((await studio.Runs.Entries(id, cancel)).Select(e => RunMapping.Write(e, studio.Now)));

    private static async Task<IResult> Add(
        int id,
        EntryRequest? wire,
        [AsParameters] LiveStudio studio,
        SwitchPlanner switches,
        HttpContext context,
        CancellationToken cancel
    )
    {
        if (!await studio.Firings.Exists(id, cancel))
            return ProblemResponses.NotFound("firing");
        var run = await studio.Runs.Find(id, cancel);
        var now = run?.Clock(studio.Now) ?? studio.Now;
        var problems = new List<Problem>();
        var key = wire?.Key?.Trim();
        if (string.IsNullOrEmpty(key) || key.Length > FiringEntry.LongestSubject)
            problems.Add(new Problem("key", $"A key made by the device, up to {FiringEntry.LongestSubject} characters."));
        if (wire?.Kind is null or EntryKind.State)
            problems.Add(WireEnums.Missing<EntryKind>("kind", "an entry"));
        // Another time for an entry is said in the time the entry was told in.
        var at =
            wire?.At is { } said && (wire.Kind == EntryKind.Retimed ? said : ByOwnClock(said, run, studio.Now, context.Request)) is var given
                ? run is null
                    ? Instant.FromUnixTimeMilliseconds(given.ToUnixTimeMilliseconds())
                    : RunMapping.ReadMoment(given, run, now, "at", problems)
                : now;
        Check(wire, problems);
        var subject = Text.OneLine(wire?.Subject);
        var text = Text.Lines(wire?.Text);
        if (wire?.Kind == EntryKind.Turned)
            (subject, text) = run?.Dials is { } dials ? ReadSwitches(wire.Positions, dials, problems) : (ReadTurn(wire.Setting, run, problems), text);
        else if (wire?.Setting is not null)
            problems.Add(new Problem("setting", "Only a turn has a setting."));
        else if (wire?.Positions is not null)
            problems.Add(new Problem("positions", "Only a turn has positions."));
        if (wire?.Kind is EntryKind.AirSign or EntryKind.Replanned or EntryKind.LeftOut or EntryKind.Weighed && run?.IsFuel == false)
            problems.Add(new Problem("kind", "That belongs to a fuel kiln."));
        if (wire?.Kind == EntryKind.Reprogrammed && run is { IsFuel: true } or { Link: LinkKind.Simulated })
            problems.Add(new Problem("kind", "Only a kiln with a controller of its own is told another program."));
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        if (run is null && wire!.Kind is not (EntryKind.Before or EntryKind.Note or EntryKind.TakenBack or EntryKind.Retimed))
            return ProblemResponses.Conflict("This firing has not been started yet.");
        if (wire!.Kind == EntryKind.Acknowledged && studio.Live.Find(id) is { } live && live.Live.Board.All.All(a => a.Id != wire.Subject))
            return ProblemResponses.Of([new Problem("subject", "There is no such alarm in this firing.")]);
        if (wire.Kind is EntryKind.TakenBack or EntryKind.Retimed && await CannotChange(id, subject, key!, studio, cancel) is { } refused)
            return refused;
        var (entry, isNew) = await studio.Runs.Add(
            id,
            new FiringEntry(key!, wire.Kind!.Value, at, Versions.Stamp(context.Request).By, wire.Celsius, subject, text, studio.Now),
            cancel
        );
        if (isNew && studio.Live.Find(id) is { } running)
        {
            await studio.Live.EntryAdded(running, entry, context.RequestServices);
            // Stored already: whoever asked may have gone, the turns to come are planned all the same.
            if (await switches.Anew(running, entry, CancellationToken.None) is { } replanned)
            {
                await studio.Runs.Add(id, replanned, CancellationToken.None);
                await studio.Live.EntryAdded(running, replanned, context.RequestServices);
            }
        }
        return isNew ? Results.Created($"/api/firings/{id}/entries", RunMapping.Write(entry, studio.Now)) : Results.Ok(RunMapping.Write(entry, studio.Now));
    }

    /// <summary>Why an entry cannot be taken back or given another time; nothing where it can, and where that was noted already.</summary>
    private static async Task<IResult?> CannotChange(int id, string? subject, string key, LiveStudio studio, CancellationToken cancel)
    {
        var all = await studio.Runs.Entries(id, cancel);
        if (all.Any(e => e.Key == key))
            return null;
        if (all.FirstOrDefault(e => e.Key == subject) is not { } entry)
            return ProblemResponses.Of([new Problem("subject", "There is no such entry in this firing.")]);
        return entry.CanBeChanged(studio.Now)
            ? null
            : ProblemResponses.Conflict(
                $"Only what was noted in the last {FiringEntry.CanBeChangedFor.TotalMinutes:0} minutes is taken back or given another time; note what is "
                    + "right instead."
            );
    }

    private static async Task<IResult> AddPhoto(
        int id,
        string key,
        DateTimeOffset? at,
        string? text,
        [AsParameters] LiveStudio studio,
        HttpRequest request,
        CancellationToken cancel
    )
    {
        if (!await studio.Firings.Exists(id, cancel))
            return ProblemResponses.NotFound("firing");
        var run = await studio.Runs.Find(id, cancel);
        var now = run?.Clock(studio.Now) ?? studio.Now;
        var problems = new List<Problem>();
        if (key.Length > FiringEntry.LongestSubject)
            problems.Add(new Problem("key", $"A key made by the device, up to {FiringEntry.LongestSubject} characters."));
        if (text?.Length > FiringEntry.LongestText)
            problems.Add(new Problem("text", $"At most {FiringEntry.LongestText} characters."));
        var moment =
            at is { } said && ByOwnClock(said, run, studio.Now, request) is var given && run is not null
                ? RunMapping.ReadMoment(given, run, now, "at", problems)
                : now;
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var photo = PhotoReader.Read(body.ToArray());
        if (!photo.IsOk)
            return ProblemResponses.Of(photo.Problems);
        var entry = new FiringEntry(key, EntryKind.Photo, moment, Versions.Stamp(request).By, Text: Text.Lines(text), NotedAt: studio.Now);
        (entry, var isNew) = await studio.Runs.Add(id, entry, cancel, new Photo(PhotoReader.ContentType, photo.Value, studio.Now));
        return isNew ? Results.Created($"/api/firings/{id}/entries", RunMapping.Write(entry, studio.Now)) : Results.Ok(RunMapping.Write(entry, studio.Now));
    }

    private static async Task<IResult> ShowPhoto(int id, string key, [AsParameters] LiveStudio studio, CancellationToken cancel) =>
        await studio.Runs.PhotoAt(id, key, cancel) is { } photo
            ? Results.Bytes(photo.Bytes, photo.SentAs, entityTag: new EntityTagHeaderValue($"\"{photo.TakenInAt.ToUnixTimeMilliseconds()}\""))
            : ProblemResponses.NotFound("photo");

    private static void Check(EntryRequest? wire, List<Problem> problems)
    {
        if (wire?.Text?.Length > FiringEntry.LongestText)
            problems.Add(new Problem("text", $"At most {FiringEntry.LongestText} characters."));
        if (wire?.Subject?.Length > FiringEntry.LongestSubject)
            problems.Add(new Problem("subject", $"At most {FiringEntry.LongestSubject} characters."));
        if (wire?.Celsius is { } celsius && new FiringSample(0, celsius).Refusal(null) is { } why)
            problems.Add(new Problem("celsius", why));
        switch (wire?.Kind)
        {
            case EntryKind.Reading or EntryKind.Colour when wire.Celsius is null:
                problems.Add(new Problem("celsius", "How hot, in °C?"));
                break;
            case EntryKind.ConeDown when ConeNumber.Parse(wire.Subject ?? "", "subject") is { IsOk: false, Problems: var wrong }:
                problems.AddRange(wrong);
                break;
            case EntryKind.AirSign when WireEnums.Read<AirSign>(wire.Subject) is null:
                problems.Add(new Problem("subject", $"A sign of the air is one of {string.Join(", ", Enum.GetValues<AirSign>().Select(WireEnums.Word))}."));
                break;
            case EntryKind.LeftOut when FuelNumbers.Read(wire.Subject) is not (>= 0 and <= FuelNumbers.LatestRow):
                problems.Add(new Problem("subject", "Which row of the sheet: its minute since the start."));
                break;
            case EntryKind.Weighed when FuelNumbers.Read(wire.Subject) is not { } kg || !(kg >= 0 && kg <= FuelLimits.Cylinder.Most):
                problems.Add(
                    new Problem(
                        "subject",
                        $"Gas left in one cylinder, 0 to {Phrases.Number(FuelLimits.Cylinder.Most)} kg: its weight less what it weighs empty."
                    )
                );
                break;
            case EntryKind.Reprogrammed:
                problems.AddRange(Reprogramming.Read(wire.Subject, wire.Text).Problems);
                break;
            case EntryKind.Retimed when wire.At is null:
                problems.Add(new Problem("at", "When was it so?"));
                break;
            case EntryKind.Photo:
                problems.Add(new Problem("kind", "A photo is sent as it is, to entries/{key}/photo."));
                break;
            case EntryKind.Note when Text.Lines(wire.Text) is null:
                problems.Add(new Problem("text", "What is to be noted?"));
                break;
            case EntryKind.Acknowledged
            or EntryKind.Before
            or EntryKind.After
            or EntryKind.TakenBack
            or EntryKind.Retimed when Text.OneLine(wire.Subject) is null:
                problems.Add(new Problem("subject", "Which one?"));
                break;
            default:
                break;
        }
    }

    /// <summary>A turn as it is kept; problems name the fields of the setting.</summary>
    private static (string? Places, string? Text) ReadSwitches(IReadOnlyList<string?>? positions, DialCourse dials, List<Problem> problems)
    {
        if (positions is null || positions.Count != dials.Sections.Length)
            problems.Add(new Problem("positions", $"Where does each switch stand: {Phrases.List(dials.Sections)}?"));
        else if (positions.Index().FirstOrDefault(p => !dials.Positions.Contains(p.Item ?? ""), (-1, null)) is { Index: >= 0 and var at })
            problems.Add(new Problem($"positions[{at}]", $"A switch stands at {Phrases.List(dials.Positions)}."));
        else
            return (dials.Write([.. positions.OfType<string>()]), Phrases.List(dials.Sections.Zip(positions, (section, position) => $"{section} {position}")));
        return (null, null);
    }

    private static string? ReadTurn(SettingContract? wire, FiringRun? run, List<Problem> problems)
    {
        if (run is not null && run.Kiln is not FuelKiln)
        {
            problems.Add(new Problem("kind", "Only a fuel kiln, or one with switches, is turned."));
            return null;
        }
        if (wire is null || run?.Kiln is not FuelKiln kiln)
        {
            problems.Add(new Problem("setting", "How were burners and damper set?"));
            return null;
        }
        return FuelReading
            .ReadSetting(new TurnRequest(0, wire.PressureBar, wire.Damper, wire.Lit, wire.Flame), kiln, (field, what) =>
                problems.Add(new Problem($"setting.{field}", what))
            )
            .Written;
    }
}
