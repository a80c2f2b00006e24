using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Live;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Learning;

/// <summary>What kilns have taught, and what was done to them.</summary>
internal static class LearningEndpoints
{
    private const int MostFirings = 200;
    private const int LongestNote = 500;
    private const double UsualTop = 1222;

    public static void MapLearning(this WebApplication app)
    {
        app.MapPost("/api/learning/replay", async (LearningRequest? request, StudioLookup lookup, CancellationToken cancel) => Answer.Of(await Replay(request, lookup, cancel)))
            .WithMetadata(new BodySize(BodyLimit.Log)).RequireRateLimiting(LargeBodies.Queue).WithTags("Learning").WithSummary("What a kiln would have taught after each of these firings: pure");
        var api = app.MapGroup("/api/kilns/{id:int}").WithTags("Learning");
        api.MapGet("learned", Learned).WithSummary("What a kiln has taught: each number, how sure, how many readings stand behind it, how it moved").Produces<LearnedContract>().ProducesProblem(404);
        api.MapPut("care", SaveCare).WithSummary("Say something over what was learned, with a note; and when to be reminded").Produces<CareContract>().ProducesProblem(404).ProducesValidationProblem(422);
        api.MapPost("maintenance", AddDone).WithSummary("Something was done: new elements or a new thermocouple start their numbers anew").Produces<MaintenanceContract>(201).ProducesProblem(404).ProducesValidationProblem(422);
        api.MapDelete("maintenance/{entry:int}", (int id, int entry, KilnCareBook book, CancellationToken cancel) => Remove(id, entry, false, book, cancel)).WithSummary("Take something out again; can be undone").Produces(204).ProducesProblem(404);
        api.MapPost("maintenance/{entry:int}/restore", (int id, int entry, KilnCareBook book, CancellationToken cancel) => Remove(id, entry, true, book, cancel)).WithSummary("Bring it back").Produces(204).ProducesProblem(404);
    }

    private static async Task<Result<LearningResponse>> Replay(LearningRequest? request, StudioLookup lookup, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        if (request?.Firings is not { Count: > 0 } wire) return new Problem("firings", "Give the firings to learn from, the earliest first.");
        if (wire.Count > MostFirings) return new Problem("firings", $"At most {MostFirings} firings are learned from at once.");
        if (request.Kiln is null && request.KilnId is null) return new Problem("kiln", "Say which kiln these were fired in: kilnId, or a kiln described here.");
        KilnLearner? learner = null;
        var after = new List<LearnedAfter>();
        foreach (var (i, firing) in wire.Index())
        {
            cancel.ThrowIfCancellationRequested();
            var own = new List<Problem>();
            var (schedule, start) = ScheduleMapping.ReadUnnamed(firing?.Schedule, firing?.StartTemperature, own);
            var goal = ScheduleMapping.ReadCone(firing?.GoalCone, "goalCone", own) ?? schedule?.Goal;
            var model = await KilnAndLoad.Read(request.KilnId, request.Kiln, firing?.Load, schedule?.Kind ?? ScheduleKind.Glaze, start, lookup, problems);
            var samples = ReplayEndpoints.ReadSamples(firing?.Log ?? [], own, "log");
            var packs = PackMapping.Read(firing?.Packs, "packs", own);
            if (schedule?.Program.CannotBeginAt(start) is { } cannot) own.Add(cannot.Under("schedule"));
            problems.AddRange(own.Select(p => p.Under($"firings[{i}]")));
            if (problems.Count > 0 || schedule is null || model.Kiln is not ElectricKiln electric)
            {
                if (problems.Count > 20) break;
                continue;
            }
            // As it stands, without what the studio's own firings have taught: only what is given here counts.
            learner ??= new KilnLearner(electric.Kiln.With(offset: null));
            if (firing!.NewElements == true) learner.NewElements();
            if (firing.NewThermocouple == true) learner.NewThermocouple();
            var finished = new FinishedFiring(new WatchedFiring(electric.Kiln.With(offset: null), electric.Standing, schedule.Program, goal, start), samples);
            learner.Learn(finished);
            learner.Learn(packs, finished.Progress(), goal);
            after.Add(LearnedAfter.From(learner.Learned));
        }
        return problems.Count > 0 ? Result<LearningResponse>.Failed(problems) : new LearningResponse(after);
    }

    private static async Task<IResult> Learned(int id, Repository<StudioKiln> kilns, TaughtKilns taught, CancellationToken cancel) =>
        await kilns.Find(id, cancel) is { } found && found.Of<Kiln>() is { } kiln ? Results.Ok(Write(id, await taught.Of(kiln, cancel))) : ProblemResponses.NotFound("kiln");

    private static LearnedContract Write(int id, TaughtKiln t)
    {
        var records = t.History.Select(h => t.Read.GetValueOrDefault(h.FiringId)).OfType<FiringRecord>().ToList();
        Instant? Last(MaintenanceKind kind) => t.Done.Where(d => d.Kind == kind).Select(d => (Instant?)d.At).Max();
        var (elements, thermocouple) = (Last(MaintenanceKind.Elements), Last(MaintenanceKind.Thermocouple));
        var top = records.Select(r => r.Figures?["top"]).Where(x => x > 1100).TakeLast(10).Median() ?? UsualTop;
        // Worn is told against the stored power; health against what the elements were as new.
        var wornPower = ElementLife.WornAt(t.Stored, t.Stored.UsualLoad(ScheduleKind.Glaze), Temperature.FromCelsius(Math.Min(top, t.Stored.TopLimit.Celsius)));
        var perFiring = t.PerFiring;
        var advice = ElementLife.Of(t.Learned.Power.Mean, wornPower, perFiring ?? 0);
        var asNew = t.Learned.Health.Mean > 0 ? t.Learned.Power.Mean / t.Learned.Health.Mean : 1;
        int? left = perFiring > 0.0005 ? (int)Math.Clamp((t.Learned.Power.Mean - wornPower) / perFiring.Value, 0, 999) : null;
        var since = t.History.Where(h => elements is null || h.At >= elements).Select(h => h.FiringId).ToHashSet();
        var hours = records.Where(r => since.Contains(r.FiringId)).Sum(r => r.Figures?["fullPowerHours"] ?? 0);
        var best = t.Learned.Shelves.Length > 1 ? t.Learned.Shelves.MinBy(s => Math.Abs(s.Own.Mean)).Shelf : null;
        var (l, after) = (t.Learned, LearnedAfter.From(t.Learned));
        return new LearnedContract(
            id, SinceNumber.From(l.Offset, l.Packs, thermocouple, 2), Evenness(l) is { } even ? SinceNumber.From(even, l.Packs, elements, 2) : null, after.Shelves, SinceNumber.From(l.Health, since.Count, elements), SinceNumber.From(l.Power, l.Logs, elements),
            SinceNumber.From(l.Heat, l.Logs, null), SinceNumber.From(l.Loss, l.Logs, null), after.HeldBack, t.History.Length,
            [.. t.History.Select(h => new LearnedTrend(h.FiringId, h.At.ToDateTimeOffset(), Math.Round(h.Learned.Offset.Mean, 2), Math.Round(h.Learned.Offset.Sd, 2), h.Learned.Evenness is { } e ? Math.Round(e, 2) : null, Math.Round(h.Learned.Health.Mean, 4), Math.Round(h.Learned.Health.Sd, 4)))],
            new ElementsContract(advice, Math.Round(wornPower / asNew, 3), Math.Round(top), perFiring is { } p ? Math.Round(p, 4) : null, left, since.Count, Math.Round(hours, 1)), Write(t.Care),
            new UsedContract(t.Kiln.Offset is { } offset ? Math.Round(t.Care.Offset ?? (t.Learned.Packs > 0 ? t.Learned.Offset.Mean : offset.At1150), 1) : null, Math.Round(t.Kiln.ElementHealth / t.Stored.ElementHealth, 3), Math.Round(t.Kiln.LossFactor / t.Stored.LossFactor, 3), best),
            Sentence(t));
    }

    /// <summary>The spread of the shelves, as sure as its two ends are.</summary>
    private static Estimated? Evenness(KilnLessons l)
    {
        if (l.Evenness is not { } spread) return null;
        var (hot, cool) = (l.Shelves.MaxBy(s => s.Own.Mean).Own.Sd, l.Shelves.MinBy(s => s.Own.Mean).Own.Sd);
        return new Estimated(spread, Math.Sqrt(hot * hot + cool * cool));
    }

    private static string Sentence(TaughtKiln t)
    {
        if (t.History.IsEmpty) return $"Nothing yet. {t.Stored.Name} teaches its numbers with every firing that is logged, and its display with every pack that is read.";
        var said = new List<string>();
        if (LessonWords.Display(t.Learned.Offset, t.Learned.Packs) is { } display) said.Add(display);
        if (LessonWords.Evenness(t.Learned.Shelves, Place) is { } even) said.Add(even);
        if (t.Learned.Logs > 0) said.Add($"its elements give {Phrases.Number(Math.Round(t.Learned.Health.Mean * 100))} % of what new ones do");
        var text = string.Join("; ", said);
        return text.Length == 0 ? "" : $"{char.ToUpperInvariant(text[0])}{text[1..]}.";
    }

    private static string Place(string shelf) => shelf.All(char.IsAsciiDigit) ? $"shelf {shelf}" : $"the {shelf}";

    private static double? Median(this IEnumerable<double?> values)
    {
        var sorted = values.OfType<double>().Order().ToList();
        return sorted.Count == 0 ? null : sorted[sorted.Count / 2];
    }

    private static CareContract Write(KilnCare care) => new(care.Offset, care.Power, care.Note, care.ThermocoupleAfter, care.ShelvesAfter, care.VentAfter, care.BurnersAfter);

    private static async Task<IResult> SaveCare(int id, CareContract? wire, Repository<StudioKiln> kilns, KilnCareBook book, CancellationToken cancel)
    {
        if (await kilns.Find(id, cancel) is null) return ProblemResponses.NotFound("kiln");
        var problems = new List<Problem>();
        var note = Text.Lines(wire?.Note);
        if (wire?.Offset is { } offset && !(Math.Abs(offset) <= KilnCare.MostOffset)) problems.Add(new Problem("offset", $"A display is off by at most {Phrases.Number(KilnCare.MostOffset)} °C; beyond that change the thermocouple."));
        if (wire?.Power is { } power && !(power is >= 0.4 and <= 1.1)) problems.Add(new Problem("power", "A share of the stored power, from 0.4 to 1.1."));
        if (note?.Length > LongestNote) problems.Add(new Problem("note", $"At most {LongestNote} characters."));
        if ((wire?.Offset is not null || wire?.Power is not null) && note is null) problems.Add(new Problem("note", "Say in a few words why the learned number is not to count."));
        int After(int? given, int usual, string field)
        {
            if (given is null or (>= 0 and <= KilnCare.MostFirings)) return given ?? usual;
            problems.Add(new Problem(field, $"After 1 to {KilnCare.MostFirings} firings, or 0 for never."));
            return usual;
        }

        var care = new KilnCare(wire?.Offset, wire?.Power, note, After(wire?.ThermocoupleAfter, KilnCare.Usual.ThermocoupleAfter, "thermocoupleAfter"), After(wire?.ShelvesAfter, KilnCare.Usual.ShelvesAfter, "shelvesAfter"), After(wire?.VentAfter, KilnCare.Usual.VentAfter, "ventAfter"),
            After(wire?.BurnersAfter, KilnCare.Usual.BurnersAfter, "burnersAfter"));
        if (problems.Count > 0) return ProblemResponses.Of(problems);
        await book.Save(id, care, cancel);
        return Results.Ok(Write(care));
    }

    private static async Task<IResult> AddDone(int id, MaintenanceRequest? wire, Repository<StudioKiln> kilns, KilnCareBook book, TimeProvider time, HttpRequest request, CancellationToken cancel)
    {
        if (await kilns.Find(id, cancel) is null) return ProblemResponses.NotFound("kiln");
        var problems = new List<Problem>();
        var now = Instant.FromDateTimeOffset(time.GetUtcNow());
        if (wire?.Kind is null) problems.Add(WireEnums.Missing<MaintenanceKind>("kind", "what was done"));
        var at = wire?.At is { } given ? Instant.FromUnixTimeMilliseconds(given.ToUnixTimeMilliseconds()) : now;
        if (at > now + Duration.FromDays(1)) problems.Add(new Problem("at", "This is in the future; note it once it is done."));
        if (at < now - Duration.FromDays(40 * 366)) problems.Add(new Problem("at", "This is longer ago than any kiln is remembered."));
        if (wire?.Note?.Length > LongestNote) problems.Add(new Problem("note", $"At most {LongestNote} characters."));
        if (problems.Count > 0) return ProblemResponses.Of(problems);
        var stamp = Versions.Stamp(request);
        var done = await book.Add(id, new Maintenance(0, wire!.Kind!.Value, at, stamp.By, Text.Lines(wire.Note)), stamp.Key, cancel);
        return Results.Created($"/api/kilns/{id}/maintenance/{done.Id}", Write(done));
    }

    internal static MaintenanceContract Write(Maintenance m) => new(m.Id, m.Kind, m.At.ToDateTimeOffset(), m.By, m.Note);

    private static async Task<IResult> Remove(int id, int entry, bool back, KilnCareBook book, CancellationToken cancel) =>
        await book.Remove(id, entry, back, cancel) ? Results.NoContent() : ProblemResponses.NotFound("entry");
}
