using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.App.Learning;
using ZealousEmber.App.Live;
using ZealousEmber.App.Reading;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Logbook;

/// <summary>Every finished firing: found, compared, followed over time.</summary>
internal static class LogbookEndpoints
{
    private const int MostTaken = 200;
    private const int UsualTaken = 50;
    private const int MostCompared = 12;
    private const int MostFollowed = 5000;

    // A line through more points than a screen is wide shows no more.
    private const int MostDrawn = 500;

    public static void MapLogbook(this WebApplication app)
    {
        app.MapGet("/api/logbook", Search).WithTags("Logbook").WithSummary("Finished firings that match, the latest first").Produces<LogbookPage>().ProducesValidationProblem(422);
        app.MapGet("/api/logbook/trends", Trends).WithTags("Logbook").WithSummary("Climb times, offset, cost and losses over time, of what matches").Produces<TrendsResponse>().ProducesValidationProblem(422);
        app.MapPost("/api/compare", Compare).WithTags("Logbook").WithSummary("Firings on one chart, and what probably set them apart").Produces<CompareResponse>().ProducesProblem(404).ProducesValidationProblem(422);
        app.MapGet("/api/kilns/{id:int}/history", History).WithTags("Learning").WithSummary("A kiln's firings, maintenance, reminders, climbs and months").Produces<KilnHistoryContract>().ProducesProblem(404);
    }

    private static async Task<IResult> Search([AsParameters] LogbookSearch search, FiringReader reader, FiringRecords records, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var query = search.Read(problems);
        if (search.Skip is < 0 or > 1_000_000) problems.Add(new Problem("skip", "From 0 to a million."));
        if (search.Take is < 1 or > MostTaken) problems.Add(new Problem("take", $"From 1 to {MostTaken}."));
        if (problems.Count > 0) return ProblemResponses.Of(problems);
        await reader.Refresh(cancel);
        var page = await records.Search(query, search.Skip ?? 0, search.Take ?? UsualTaken, cancel);
        return Results.Ok(new LogbookPage([.. page.Items.Select(Write)], page.Total));
    }

    internal static LogbookFiring Write(LogbookRow r) => new(
        r.FiringId, r.Name, r.Kind, r.KilnId, r.StartsAt.ToDateTimeOffset(), r.By, r.Goal, r.Reached, r.ScheduleId, r.ScheduleVersion, r.Glazes, r.Clays, r.Faults, r.Out, r.Lost, r is { Out: not null, Lost: null or 0, Faults.Count: 0 }, r.IsReference,
        r.Figures?.Numbers ?? (IReadOnlyDictionary<string, double>)new Dictionary<string, double>(), [.. (r.Figures?.Thumbnail ?? []).Select(p => new CurveMinute(p.Minutes, p.Celsius))]);

    private static async Task<IResult> Trends([AsParameters] LogbookSearch search, FiringReader reader, FiringRecords records, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var query = search.Read(problems);
        if (problems.Count > 0) return ProblemResponses.Of(problems);
        await reader.Refresh(cancel);
        var all = await records.Follow(query, MostFollowed, cancel);
        return Results.Ok(new TrendsResponse(
            [.. all.TakeLast(MostDrawn).Select(r => new TrendPoint(
                r.FiringId, r.Name, r.StartsAt.ToDateTimeOffset(), r.KilnId, r.Kind, r.TopHours, r.Past, r.Offset, r.Cost, r.Kwh, r.Lost, r.Out))],
            [.. all.SelectMany(r => r.Faults).CountBy(f => f).OrderByDescending(f => f.Value).Select(f => new FaultCount(f.Key, f.Value))], all.Count, all.Sum(r => r.Out ?? 0), all.Sum(r => r.Lost ?? 0)));
    }

    private static async Task<IResult> Compare(CompareRequest? wire, FiringReader reader, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var ids = wire?.Firings?.Distinct().ToList() ?? [];
        if (ids.Count is < 2 or > MostCompared) problems.Add(new Problem("firings", $"Name 2 to {MostCompared} firings to compare; this names {ids.Count}."));
        var (align, celsius) = ReadAlignment(wire, problems);
        if (problems.Count > 0) return ProblemResponses.Of(problems);
        await reader.Refresh(cancel);
        var firings = new List<ReadFiring>();
        foreach (var id in ids)
        {
            if (await reader.Read(id, cancel) is { } firing) firings.Add(firing);
            else return ProblemResponses.Of([new Problem("firings", $"Firing {id} was never started, or is not there.")]);
        }
        var rows = FigureRow.Compare([.. firings.Select(WithHealth)]);
        return Results.Ok(new CompareResponse(
            align, celsius, [.. firings.Select(f => Write(f, align, celsius))], [.. rows.Select(r => new ComparedNumber(r.Figure.Name, r.Figure.Label, r.Figure.Unit, r.Values, r.Weight, r.Weight >= FigureRow.Mattered))],
            Words(firings, rows)));
    }

    private static (Alignment Align, double? Celsius) ReadAlignment(CompareRequest? wire, List<Problem> problems)
    {
        var (align, celsius) = (Alignment.Start, wire?.Celsius);
        switch (wire?.Align)
        {
            case null or { ValueKind: JsonValueKind.Null }:
                break;
            case { ValueKind: JsonValueKind.Number } number when number.TryGetDouble(out var through):
                (align, celsius) = (Alignment.Rise, through);
                break;
            case { ValueKind: JsonValueKind.String } word when Enum.TryParse<Alignment>(word.TextOf(), ignoreCase: true, out var named) && Enum.IsDefined(named) && !double.TryParse(word.TextOf(), out _):
                align = named;
                break;
            default:
                problems.Add(new Problem("align", "Laid over each other at start, top, rise or fall; a number is a rise through so many °C."));
                break;
        }
        if (align is Alignment.Rise or Alignment.Fall && celsius is null) problems.Add(new Problem("celsius", "Through which temperature, in °C?"));
        if (celsius is { } c && !(c is >= -20 and <= 1400)) problems.Add(new Problem("celsius", "From −20 to 1400 °C."));
        return (align, align is Alignment.Rise or Alignment.Fall ? celsius : null);
    }

    private static FiringFigures WithHealth(ReadFiring firing)
    {
        var figures = firing.Record.Figures ?? FiringFigures.None;
        return firing.Taught?.History.FirstOrDefault(h => h.FiringId == firing.Run.FiringId) is { Learned: { Logs: > 0 } learned } ? figures with { Numbers = figures.Numbers.SetItem("health", Math.Round(learned.Health.Mean, 3)) } : figures;
    }

    private static ComparedFiring Write(ReadFiring f, Alignment align, double? celsius)
    {
        var curve = f.Log?.Thinned(TemperatureDifference.FromKelvins(1.5));
        var zero = curve is null ? null : Aligned.Zero(curve, align, celsius);
        return new ComparedFiring(
            f.Run.FiringId, f.Draft.Item.Name, f.Run.StartsAt.ToDateTimeOffset(), f.Run.KilnId, zero is { } z ? Math.Round(z, 1) : null,
            curve is null ? [] : [.. curve.Points.ToArray().Select(p => new CurveMinute(Math.Round(p.Minutes - (zero ?? 0), 1), Math.Round(p.Celsius, 1)))], [.. f.Record.Results.Faults.Select(x => x.Kind).Distinct()], f.Record.Results.Out,
            f.Record.Results.Lost, f.Record.Results.IsReference);
    }

    /// <summary>Where some came out well and others did not: what sets the two apart; else what differs most.</summary>
    private static IReadOnlyList<string> Words(List<ReadFiring> firings, IReadOnlyList<FigureRow> rows)
    {
        const int Most = 4;
        var good = firings.Select(f => f.Record.Results.IsGood || f.Record.Results.IsReference).ToList();
        var split = good.Contains(true) && good.Contains(false);
        double Apart(FigureRow row)
        {
            if (!split) return row.Weight;
            var (well, badly) = (row.Values.Where((v, i) => good[i] && v is not null).ToList(), row.Values.Where((v, i) => !good[i] && v is not null).ToList());
            return well.Count == 0 || badly.Count == 0 ? 0 : Math.Abs(well.Average()!.Value - badly.Average()!.Value) / row.Figure.Matters;
        }

        // What costs more or less follows from the rest and explains nothing.
        string[] follows = ["cost", "kwh", "gas", "fullPowerHours"];
        return
        [
            .. rows.Where(r => !follows.Contains(r.Figure.Name)).Select(r => (Row: r, Apart: Apart(r))).Where(r => r.Apart >= FigureRow.Mattered).OrderByDescending(r => r.Apart).Take(Most)
                .Select(r => $"{r.Row.Figure.Label}: {string.Join(", ", r.Row.Values.Select((v, i) => $"{(v is { } value ? Phrases.Number(Math.Round(value, Math.Abs(value) switch { > 100 => 0, > 10 => 1, _ => 2 })) : "not known")}{(r.Row.Figure.Unit.Length > 0 ? $" {r.Row.Figure.Unit}" : "")} in “{firings[i].Draft.Item.Name}”"))}."),
        ];
    }

    private static async Task<IResult> History(int id, Repository<StudioKiln> kilns, FiringReader reader, FiringRecords records, KilnCareBook book, StudioLookup lookup, TimeProvider time, CancellationToken cancel)
    {
        if (await kilns.Find(id, cancel) is not { } kiln) return ProblemResponses.NotFound("kiln");
        await reader.Refresh(cancel);
        var (zone, done, care) = ((await lookup.Settings()).Zone, await book.Of(id, cancel), await book.Care(id, cancel));
        var all = await records.Follow(new LogbookQuery(KilnId: id), MostFollowed, cancel);
        string MonthOf(Instant at) => at.InZone(zone).Date is var d ? $"{d.Year:0000}-{d.Month:00}" : "";
        return Results.Ok(new KilnHistoryContract(
            id, all.Count, Math.Round(all.Sum(r => r.FullPowerHours ?? 0), 1), [.. done.Select(LearningEndpoints.Write)], [.. Reminders(kiln.Item is FuelKiln, all, done, care)],
            [.. all.GroupBy(r => MonthOf(r.StartsAt)).TakeLast(24).Select(m => new MonthContract(
                m.Key, m.Count(), m.Any(r => r.Kwh is not null) ? Math.Round(m.Sum(r => r.Kwh ?? 0), 1) : null, m.Any(r => r.Cost is not null) ? Math.Round(m.Sum(r => r.Cost ?? 0), 2) : null, m.Sum(r => r.Lost ?? 0)))],
            [.. all.Where(r => r.TopHours is not null).TakeLast(MostDrawn).Select(r => new ClimbContract(r.FiringId, r.Name, r.StartsAt.ToDateTimeOffset(), r.Kind, Math.Round(r.TopHours!.Value, 2), r.Last100Hours))]));
    }

    private static IEnumerable<ReminderContract> Reminders(bool isFuel, IReadOnlyList<FollowedFiring> all, IReadOnlyList<Maintenance> done, KilnCare care)
    {
        var shelves = (MaintenanceKind.Shelves, care.ShelvesAfter, "shelves scraped and washed");
        (MaintenanceKind Kind, int After, string What)[] due = isFuel
            ? [(MaintenanceKind.Burners, care.BurnersAfter, "burners and hoses looked at, leak test made"), shelves]
            : [(MaintenanceKind.Thermocouple, care.ThermocoupleAfter, "a new thermocouple"), shelves, (MaintenanceKind.Vent, care.VentAfter, "the vent looked at")];
        foreach (var (kind, after, what) in due)
        {
            if (after == 0) continue;
            var last = done.Where(d => d.Kind == kind).Select(d => (Instant?)d.At).Max();
            var since = all.Count(r => last is null || r.StartsAt >= last);
            yield return new ReminderContract(kind, after, since, since >= after, $"{char.ToUpperInvariant(what[0])}{what[1..]}: {(last is null ? "never noted" : Phrases.Count(since, "firing") + " ago")}, due every {after}.");
        }
    }
}

/// <summary>What is asked of the logbook.</summary>
/// <param name="Search">Words: names, glazes, clays, people, notes.</param>
/// <param name="Kiln">Number of a kiln.</param>
/// <param name="Glaze">Number of a glaze.</param>
/// <param name="Clay">Number of a clay.</param>
/// <param name="Who">Somebody whose ware was in it, or who fired it.</param>
/// <param name="Fault">A kind of fault.</param>
/// <param name="Cone">The cone that was reached.</param>
/// <param name="Kind">A kind of firing.</param>
/// <param name="Schedule">Number of a schedule.</param>
/// <param name="Since">Not before.</param>
/// <param name="Until">Before.</param>
/// <param name="Reference">Only those to go by.</param>
/// <param name="Good">Only those that came out well.</param>
internal sealed record LogbookSearch(
    [FromQuery(Name = "search")] string? Search,
    [FromQuery(Name = "kiln")] int? Kiln,
    [FromQuery(Name = "glaze")] int? Glaze,
    [FromQuery(Name = "clay")] int? Clay,
    [FromQuery(Name = "who")] string? Who,
    [FromQuery(Name = "fault")] string? Fault,
    [FromQuery(Name = "cone")] string? Cone,
    [FromQuery(Name = "kind")] string? Kind,
    [FromQuery(Name = "schedule")] int? Schedule,
    [FromQuery(Name = "since")] DateTimeOffset? Since,
    [FromQuery(Name = "until")] DateTimeOffset? Until,
    [FromQuery(Name = "reference")] bool? Reference,
    [FromQuery(Name = "good")] bool? Good,
    [FromQuery(Name = "skip")] int? Skip,
    [FromQuery(Name = "take")] int? Take)
{
    private const int LongestWords = 200;

    public LogbookQuery Read(List<Problem> problems)
    {
        if (Search?.Length > LongestWords) problems.Add(new Problem("search", $"At most {LongestWords} characters."));
        if (Who?.Length > LongestWords) problems.Add(new Problem("who", $"At most {LongestWords} characters."));
        if (Fault is { Length: > 0 } fault && !FaultRules.Faults.Contains(fault)) problems.Add(new Problem("fault", $"Which fault? One of {string.Join(", ", FaultRules.Faults)}."));
        string? cone = null;
        if (Cone is { Length: > 0 } number)
        {
            var read = ConeNumber.Parse(number, "cone");
            problems.AddRange(read.Problems);
            if (read.IsOk) cone = read.Value.Number;
        }
        ScheduleKind? kind = null;
        if (Kind is { Length: > 0 } word)
        {
            kind = WireEnums.Read<ScheduleKind>(word);
            if (kind is null) problems.Add(WireEnums.Unknown<ScheduleKind>("kind", "a kind of firing", word));
        }
        Instant? Moment(DateTimeOffset? at) => at is { } given ? Instant.FromUnixTimeMilliseconds(given.ToUnixTimeMilliseconds()) : null;
        return new LogbookQuery(Search, Kiln, Glaze, Clay, Who?.Trim(), Fault, cone, kind, Schedule, Moment(Since), Moment(Until), Reference == true, Good == true);
    }
}
