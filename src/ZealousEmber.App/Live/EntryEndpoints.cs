using Microsoft.Net.Http.Headers;
using NodaTime;
using ZealousEmber.App.FuelKilns;
using ZealousEmber.App.Http;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Store.Firings;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Live;

/// <summary>What loggers push and people note.</summary>
internal static class EntryEndpoints
{
    private const int MostSamples = 50_000;
    private const int LongestName = 64;
    private static readonly TimeSpan LongestOnDevice = TimeSpan.FromDays(30);
    private static readonly Duration MostAhead = Duration.FromMinutes(FiringSample.MostAhead);

    public static void MapEntries(this WebApplication app)
    {
        var api = app.MapGroup("/api/firings/{id:int}").WithTags("Live");
        api.MapPost("samples", Push).WithMetadata(new BodySize(BodyLimit.Log))
            .WithSummary("Readings from a logger, with the kiln's token as Bearer; the same again is accepted once")
            .Produces<SamplesResponse>().ProducesProblem(401).ProducesProblem(404).ProducesProblem(409).ProducesValidationProblem(422);
        api.MapGet("entries", All).WithSummary("Everything noted of a firing, in the order of time").Produces<EntryContract[]>().ProducesProblem(404);
        api.MapPost("entries", Add).WithSummary("Note something; the same key again is the same entry").Produces<EntryContract>(201).Produces<EntryContract>().ProducesProblem(404).ProducesProblem(409).ProducesValidationProblem(422);
        api.MapPut("entries/{key}/photo", AddPhoto).WithMetadata(new BodySize(BodyLimit.Photo)).RequireRateLimiting(LargeBodies.Photos).WithSummary("Note a photo: the bytes themselves; ?at= says when, ?text= what it shows. The same key again is the same entry")
            .Produces<EntryContract>(201).Produces<EntryContract>().ProducesProblem(404).ProducesValidationProblem(422);
        api.MapGet("entries/{key}/photo", ShowPhoto).WithSummary("The photo of an entry").Produces(200, contentType: PhotoReader.ContentType).ProducesProblem(404);
        var kiln = app.MapGroup("/api/kilns/{id:int}/token").WithTags("Live");
        kiln.MapPost("", GiveToken).WithSummary("A token for a kiln's logger, told once; the one before is no longer taken").Produces<TokenContract>(201).ProducesProblem(404);
        kiln.MapDelete("", RevokeToken).WithSummary("Take a kiln's token away").Produces(204).ProducesProblem(404);
    }

    /// <summary>
    /// When something was so, by the firing's own clock. A device says in Device-Time what its clock shows as it sends: how long ago it was is what counts, not
    /// what a clock that is wrong by hours called it.
    /// </summary>
    private static DateTimeOffset ByOwnClock(DateTimeOffset at, FiringRun? run, Instant wall, HttpRequest request)
    {
        if (WireTime.Read(request.Headers["Device-Time"]) is not { } device || (device - at).Duration() > LongestOnDevice) return at;
        var age = Duration.FromTimeSpan(device - at) * (run is { Link: LinkKind.Simulated } ? run.Speed : 1);
        return ((run?.Clock(wall) ?? wall) - age).ToDateTimeOffset();
    }

    /// <summary>A moment of a firing: not before it by more than a day, nor ahead of its clock.</summary>
    internal static Instant ReadMoment(DateTimeOffset given, FiringRun run, Instant now, string field, List<Problem> problems)
    {
        var at = Instant.FromUnixTimeMilliseconds(given.ToUnixTimeMilliseconds());
        if (at > now + MostAhead) problems.Add(new Problem(field, "This is in the future: check the clock of this device."));
        else if (at < run.StartsAt - Duration.FromDays(1)) problems.Add(new Problem(field, "This is from before the firing."));
        return at;
    }

    private static async Task<IResult> Push(int id, SamplesRequest? wire, [AsParameters] LiveStudio studio, SampleLog store, HttpContext context, CancellationToken cancel)
    {
        // A firing that cannot be followed, or whose start cannot even be read, keeps its readings all the same.
        if (await studio.Runs.Started(id, cancel) is not { } run) return ProblemResponses.NotFound("started firing");
        if (await studio.Runs.Token(run.KilnId, cancel) is not { } hash || !KilnTokens.IsCarried(context.Request, hash))
        {
            context.Response.Headers.WWWAuthenticate = "Bearer";
            return Results.Problem(statusCode: StatusCodes.Status401Unauthorized, title: "Which kiln?", detail: "Send the kiln’s token as Authorization: Bearer. A new one is made on the kiln’s page.");
        }
        if (run.Link == nameof(LinkKind.Simulated)) return RunEndpoints.Refused("This firing runs on a simulated kiln; it takes no other readings.");
        if (run.OpenedAt is not null) return RunEndpoints.Refused("This firing is over: the kiln was opened.");
        var problems = new List<Problem>();
        if (string.IsNullOrWhiteSpace(wire?.Logger) || wire.Logger.Length > LongestName) problems.Add(new Problem("logger", $"The logger’s own name, up to {LongestName} characters."));
        if (string.IsNullOrWhiteSpace(wire?.Stream) || wire.Stream.Length > LongestName) problems.Add(new Problem("stream", $"New at every restart of the logger, up to {LongestName} characters."));
        if (wire?.Samples is null) problems.Add(new Problem("samples", "Readings are missing here."));
        else if (wire.Samples.Count > MostSamples) problems.Add(new Problem("samples", $"At most {MostSamples} readings at once; this has {wire.Samples.Count}. Send them in batches."));
        if (problems.Count > 0) return ProblemResponses.Of(problems);
        var rejected = new List<RejectedSample>();
        var samples = ReadSamples(wire!.Samples!, run.StartsAt, studio.Now, rejected);
        var appended = studio.Live.Find(id) is { } running
            ? await studio.Live.Push(running, wire.Logger!, wire.Stream!, samples, store, context.RequestServices, cancel)
            : await store.Append(id, wire.Logger!, wire.Stream!, samples, cancel);
        return Results.Ok(new SamplesResponse(await store.AcceptedThrough(id, wire.Logger!, wire.Stream!, cancel), appended.Duplicates, appended.Conflicts, rejected));
    }

    private static List<StoredSample> ReadSamples(IReadOnlyList<SampleContract?> wire, Instant startsAt, Instant now, List<RejectedSample> rejected)
    {
        var samples = new List<StoredSample>(wire.Count);
        var seen = new HashSet<long>();
        double Minutes(Instant at) => (at - startsAt).TotalMinutes;
        foreach (var sample in wire)
        {
            if (sample is not { Sequence: { } sequence and >= 0, At: not null })
            {
                rejected.Add(new RejectedSample(sample?.Sequence, "A reading has a sequence of 0 or more, and a time."));
                continue;
            }
            if (WireTime.Read(sample.At) is not { } at)
            {
                if (seen.Add(sequence)) samples.Add(StoredSample.Refused(sequence));
                rejected.Add(new RejectedSample(sequence, $"“{(sample.At.Length > 40 ? sample.At[..40] : sample.At)}” is no moment: {WireTime.Expected}"));
                continue;
            }
            var moment = Instant.FromUnixTimeMilliseconds(at.ToUnixTimeMilliseconds());
            var minutes = Minutes(moment);
            var reading = new FiringSample(minutes, sample.Celsius, sample.Share, sample.SetPoint);
            var never = reading.Refusal(null) ?? (minutes < -24 * 60 ? "This reading is from before the firing." : null);
            // What is from the future may be right once a clock is: only the rest need not come again.
            if (never is not null && seen.Add(sequence)) samples.Add(StoredSample.Refused(sequence));
            if ((never ?? reading.Refusal(Minutes(now))) is { } why) rejected.Add(new RejectedSample(sequence, why));
            // Twice in one batch: the first is taken, the second is looked at like any other repetition.
            else if (seen.Add(sequence)) samples.Add(new StoredSample(sequence, moment.ToUnixTimeMilliseconds(), sample.Celsius, sample.Share, sample.SetPoint));
            else rejected.Add(new RejectedSample(sequence, "This sequence comes twice in the batch; the first was taken."));
        }
        return samples;
    }

    private static async Task<IResult> All(int id, [AsParameters] LiveStudio studio, CancellationToken cancel) =>
        !await studio.Firings.Exists(id, cancel) ? ProblemResponses.NotFound("firing") : Results.Ok((await studio.Runs.Entries(id, cancel)).Select(e => Write(e, studio.Now)));

    private static async Task<IResult> Add(int id, EntryRequest? wire, [AsParameters] LiveStudio studio, HttpContext context, CancellationToken cancel)
    {
        if (!await studio.Firings.Exists(id, cancel)) return ProblemResponses.NotFound("firing");
        var run = await studio.Runs.Find(id, cancel);
        var now = run?.Clock(studio.Now) ?? studio.Now;
        var problems = new List<Problem>();
        var key = wire?.Key?.Trim();
        if (string.IsNullOrEmpty(key) || key.Length > FiringEntry.LongestSubject) problems.Add(new Problem("key", $"A key made by the device, up to {FiringEntry.LongestSubject} characters."));
        if (wire?.Kind is null or EntryKind.State) problems.Add(WireEnums.Missing<EntryKind>("kind", "an entry"));
        // Another time for an entry is said in the time the entry was told in.
        var at = wire?.At is { } said && (wire.Kind == EntryKind.Retimed ? said : ByOwnClock(said, run, studio.Now, context.Request)) is var given ? run is null ? Instant.FromUnixTimeMilliseconds(given.ToUnixTimeMilliseconds()) : ReadMoment(given, run, now, "at", problems) : now;
        Check(wire, problems);
        var subject = Text.OneLine(wire?.Subject);
        if (wire?.Kind == EntryKind.Turned) subject = ReadTurn(wire.Setting, run, problems);
        else if (wire?.Setting is not null) problems.Add(new Problem("setting", "Only a turn has a setting."));
        if (wire?.Kind is EntryKind.AirSign or EntryKind.Replanned or EntryKind.LeftOut or EntryKind.Weighed && run?.IsFuel == false) problems.Add(new Problem("kind", "That belongs to a fuel kiln."));
        if (wire?.Kind == EntryKind.Reprogrammed && run is { IsFuel: true } or { Link: LinkKind.Simulated }) problems.Add(new Problem("kind", "Only a kiln with a controller of its own is told another program."));
        if (problems.Count > 0) return ProblemResponses.Of(problems);
        if (run is null && wire!.Kind is not (EntryKind.Before or EntryKind.Note or EntryKind.TakenBack or EntryKind.Retimed)) return RunEndpoints.Refused("This firing has not been started yet.");
        if (wire!.Kind == EntryKind.Acknowledged && studio.Live.Find(id) is { } live && live.Live.Board.All.All(a => a.Id != wire.Subject)) return ProblemResponses.Of([new Problem("subject", "There is no such alarm in this firing.")]);
        if (wire.Kind is EntryKind.TakenBack or EntryKind.Retimed && await CannotChange(id, subject, key!, studio, cancel) is { } refused) return refused;
        var (entry, isNew) = await studio.Runs.Add(id, new FiringEntry(key!, wire.Kind!.Value, at, Versions.Stamp(context.Request).By, wire.Celsius, subject, Text.Lines(wire.Text), studio.Now), cancel);
        if (isNew && studio.Live.Find(id) is { } running) await studio.Live.Noted(running, entry, context.RequestServices);
        return isNew ? Results.Created($"/api/firings/{id}/entries", Write(entry, studio.Now)) : Results.Ok(Write(entry, studio.Now));
    }

    /// <summary>Why an entry cannot be taken back or given another time; nothing where it can, and where that was noted already.</summary>
    private static async Task<IResult?> CannotChange(int id, string? subject, string key, LiveStudio studio, CancellationToken cancel)
    {
        var all = await studio.Runs.Entries(id, cancel);
        if (all.Any(e => e.Key == key)) return null;
        if (all.FirstOrDefault(e => e.Key == subject) is not { } entry) return ProblemResponses.Of([new Problem("subject", "There is no such entry in this firing.")]);
        return entry.CanBeChanged(studio.Now) ? null : RunEndpoints.Refused($"Only what was noted in the last {FiringEntry.CanBeChangedFor.TotalMinutes:0} minutes is taken back or given another time; note what is right instead.");
    }

    private static async Task<IResult> AddPhoto(int id, string key, DateTimeOffset? at, string? text, [AsParameters] LiveStudio studio, HttpRequest request, CancellationToken cancel)
    {
        if (!await studio.Firings.Exists(id, cancel)) return ProblemResponses.NotFound("firing");
        var run = await studio.Runs.Find(id, cancel);
        var now = run?.Clock(studio.Now) ?? studio.Now;
        var problems = new List<Problem>();
        if (key.Length > FiringEntry.LongestSubject) problems.Add(new Problem("key", $"A key made by the device, up to {FiringEntry.LongestSubject} characters."));
        if (text?.Length > FiringEntry.LongestText) problems.Add(new Problem("text", $"At most {FiringEntry.LongestText} characters."));
        var moment = at is { } said && ByOwnClock(said, run, studio.Now, request) is var given && run is not null ? ReadMoment(given, run, now, "at", problems) : now;
        if (problems.Count > 0) return ProblemResponses.Of(problems);
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var photo = PhotoReader.Read(body.ToArray());
        if (!photo.IsOk) return ProblemResponses.Of(photo.Problems);
        var entry = new FiringEntry(key, EntryKind.Photo, moment, Versions.Stamp(request).By, Text: Text.Lines(text), NotedAt: studio.Now);
        (entry, var isNew) = await studio.Runs.Add(id, entry, cancel, new Photo(PhotoReader.ContentType, photo.Value, studio.Now));
        return isNew ? Results.Created($"/api/firings/{id}/entries", Write(entry, studio.Now)) : Results.Ok(Write(entry, studio.Now));
    }

    private static async Task<IResult> ShowPhoto(int id, string key, [AsParameters] LiveStudio studio, CancellationToken cancel) =>
        await studio.Runs.PhotoAt(id, key, cancel) is { } photo
            ? Results.Bytes(photo.Bytes, photo.SentAs, entityTag: new EntityTagHeaderValue($"\"{photo.TakenInAt.ToUnixTimeMilliseconds()}\""))
            : ProblemResponses.NotFound("photo");

    private static void Check(EntryRequest? wire, List<Problem> problems)
    {
        if (wire?.Text?.Length > FiringEntry.LongestText) problems.Add(new Problem("text", $"At most {FiringEntry.LongestText} characters."));
        if (wire?.Subject?.Length > FiringEntry.LongestSubject) problems.Add(new Problem("subject", $"At most {FiringEntry.LongestSubject} characters."));
        if (wire?.Celsius is { } celsius && new FiringSample(0, celsius).Refusal(null) is { } why) problems.Add(new Problem("celsius", why));
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
                problems.Add(new Problem("subject", $"Gas left in one cylinder, 0 to {Phrases.Number(FuelLimits.Cylinder.Most)} kg: its weight less what it weighs empty."));
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
            case EntryKind.Acknowledged or EntryKind.Before or EntryKind.After or EntryKind.TakenBack or EntryKind.Retimed when Text.OneLine(wire.Subject) is null:
                problems.Add(new Problem("subject", "Which one?"));
                break;
            default:
                break;
        }
    }

    /// <summary>A turn as it is kept; problems name the fields of the setting.</summary>
    private static string? ReadTurn(SettingContract? wire, FiringRun? run, List<Problem> problems)
    {
        if (run is not null && run.Kiln is not FuelKiln)
        {
            problems.Add(new Problem("kind", "Only a fuel kiln is turned."));
            return null;
        }
        if (wire is null || run?.Kiln is not FuelKiln kiln)
        {
            problems.Add(new Problem("setting", "How were burners and damper set?"));
            return null;
        }
        return FuelReading.ReadSetting(new TurnRequest(0, wire.PressureBar, wire.Damper, wire.Lit, wire.Flame), kiln, (field, what) => problems.Add(new Problem($"setting.{field}", what))).Written;
    }

    private static async Task<IResult> GiveToken(int id, Repository<StudioKiln> kilns, [AsParameters] LiveStudio studio, HttpRequest request, CancellationToken cancel)
    {
        if (await kilns.Find(id, cancel) is null) return ProblemResponses.NotFound("kiln");
        var token = KilnTokens.Make();
        await studio.Runs.GiveToken(id, KilnTokens.Hash(token), studio.Now, Versions.Stamp(request).By, cancel);
        return Results.Created($"/api/kilns/{id}/token", new TokenContract(token));
    }

    private static async Task<IResult> RevokeToken(int id, [AsParameters] LiveStudio studio, CancellationToken cancel) => await studio.Runs.RevokeToken(id, cancel) ? Results.NoContent() : ProblemResponses.NotFound("token");

    internal static EntryContract Write(FiringEntry e, Instant wall) => new(
        e.Key, e.Kind, e.At.ToDateTimeOffset(), e.By, e.Celsius, e.Subject, e.Text, e.Kind == EntryKind.Turned && BurnerSetting.Read(e.Subject) is { } s ? new SettingContract(s.Pressure, s.Damper, s.Lit, s.Flame) : null,
        e.CanBeChanged(wall));

}
