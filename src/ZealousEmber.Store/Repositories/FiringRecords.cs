using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Json;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>What is asked of the logbook; what is missing narrows nothing.</summary>
public sealed record LogbookQuery(
    string? Words = null,
    int? KilnId = null,
    int? GlazeId = null,
    int? ClayId = null,
    string? Person = null,
    string? Fault = null,
    string? Reached = null,
    ScheduleKind? Kind = null,
    int? ScheduleId = null,
    Instant? Since = null,
    Instant? Until = null,
    bool ReferenceOnly = false,
    bool GoodOnly = false
);

/// <summary>A firing in the logbook.</summary>
public sealed record LogbookRow(
    int FiringId,
    string Name,
    ScheduleKind Kind,
    int KilnId,
    Instant StartsAt,
    string? By,
    string? Goal,
    string? Reached,
    int? ScheduleId,
    int? ScheduleVersion,
    IReadOnlyList<int> Glazes,
    IReadOnlyList<int> Clays,
    IReadOnlyList<string> Faults,
    int? Out,
    int? Lost,
    bool IsReference,
    FiringFigures? Figures
);

/// <summary>What is followed over time of a firing.</summary>
public sealed record FollowedFiring(
    int FiringId,
    string Name,
    Instant StartsAt,
    int KilnId,
    ScheduleKind Kind,
    IReadOnlyList<string> Faults,
    int? Out,
    int? Lost,
    double? TopHours,
    double? Last100Hours,
    double? Past,
    double? Offset,
    double? Kwh,
    double? Cost,
    double? FullPowerHours
);

/// <summary>Readings of finished firings, and the logbook made of them.</summary>
public sealed class FiringRecords(StudioContext context, WriteQueue queue, TimeProvider time)
{
    private DbSet<FiringRecordRow> All => context.Set<FiringRecordRow>();

    private DbSet<FiringFiguresRow> Figures => context.Set<FiringFiguresRow>();

    private Instant Now => Instant.FromUnixTimeMilliseconds(time.GetUtcNow().ToUnixTimeMilliseconds());

    /// <summary>What was read of a firing; an empty reading where nothing was.</summary>
    public async Task<FiringRecord> Find(int firingId, CancellationToken cancel) =>
        await All.AsNoTracking().FirstOrDefaultAsync(r => r.FiringId == firingId, cancel) is { } row
            ? Read(row, await Figures.AsNoTracking().FirstOrDefaultAsync(f => f.FiringId == firingId, cancel))
            : FiringRecord.Of(firingId);

    /// <summary>Of several firings, the earliest first.</summary>
    public async Task<IReadOnlyList<FiringRecord>> FindAll(IReadOnlyCollection<int> firings, CancellationToken cancel)
    {
        var rows = await All.AsNoTracking().Where(r => firings.Contains(r.FiringId)).OrderBy(r => r.StartsAt).ToListAsync(cancel);
        var figures = await Figures.AsNoTracking().Where(f => firings.Contains(f.FiringId)).ToDictionaryAsync(f => f.FiringId, cancel);
        return [.. RowReader.Readable(FiringRecordRow.Table, rows, r => r.Read(figures.GetValueOrDefault(r.FiringId)))];
    }

    /// <summary>What was read of firings hangs on these: how often each was read, whether its figures are there. Without looking into any of them.</summary>
    public async Task<string> MarkOf(IReadOnlyCollection<int> firings, CancellationToken cancel)
    {
        var read = await All.AsNoTracking()
            .Where(r => firings.Contains(r.FiringId))
            .OrderBy(r => r.FiringId)
            .Select(r => new
            {
                r.FiringId,
                r.Version,
                IsKnown = r.FiguresOf != null,
            })
            .ToListAsync(cancel);
        return string.Join(' ', read.Select(r => $"{r.FiringId}.{r.Version}.{r.IsKnown}"));
    }

    /// <summary>Saves what is changed over the version that was read.</summary>
    /// <param name="firingId">Which.</param>
    /// <param name="kilnId">Where it was fired.</param>
    /// <param name="readVersion">The version the change was made on; none means whichever is there.</param>
    /// <param name="packs">As they are now; nothing where they stay.</param>
    /// <param name="results">As they are now; nothing where they stay.</param>
    /// <param name="stamp">Who, and the key of the save.</param>
    /// <param name="cancel">Stops waiting.</param>
    public async Task<SaveOutcome<FiringRecord>> Save(
        int firingId,
        int kilnId,
        int? readVersion,
        ImmutableArray<ReadPack>? packs,
        FiringResults? results,
        SaveStamp stamp,
        CancellationToken cancel
    )
    {
        using var turn = await queue.Enter(cancel);
        var row = await Row(firingId, kilnId, cancel);
        var figures = await Figures.AsNoTracking().FirstOrDefaultAsync(f => f.FiringId == firingId, cancel);
        if (readVersion is { } version && version != row.Version)
        {
            var again = stamp.Key is { } key && row.SaveKey == key && row.Version == version + 1;
            var there = Read(row, figures);
            context.ChangeTracker.Clear();
            return again ? new SaveOutcome<FiringRecord>.Saved(there) : new SaveOutcome<FiringRecord>.Conflict(there);
        }
        var before = Read(row, figures);
        row.WriteReading(packs ?? before.Packs, results ?? before.Results);
        (row.Version, row.UpdatedAt, row.UpdatedBy, row.SaveKey) = (row.Version + 1, Now, stamp.By, stamp.Key);
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
        return new SaveOutcome<FiringRecord>.Saved(Read(row, figures));
    }

    /// <summary>Keeps what was worked out of a firing, and what it is found by; its version stays.</summary>
    public async Task SaveFigures(int firingId, FiringIndex index, FiringFigures figures, string of, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = await Row(firingId, index.KilnId, cancel);
        (row.KilnId, row.StartsAt, row.Name, row.Kind, row.Goal, row.Reached, row.By) = (
            index.KilnId,
            index.StartsAt,
            index.Name,
            index.Kind.ToString(),
            index.Goal?.Number,
            index.Reached?.Number,
            index.By
        );
        (row.ScheduleId, row.ScheduleVersion) = (index.Schedule?.ScheduleId, index.Schedule?.Version);
        row.Glazes = FiringRecordRow.Between(index.Glazes.Select(g => g.ToString(System.Globalization.CultureInfo.InvariantCulture)));
        row.Clays = FiringRecordRow.Between(index.Clays.Select(c => c.ToString(System.Globalization.CultureInfo.InvariantCulture)));
        row.People = FiringRecordRow.Between(index.People.Select(p => p.ToLowerInvariant()));
        row.SearchText = index.Words.ToLowerInvariant();
        row.Write(figures);
        row.FiguresOf = of;
        var beside = await Figures.FirstOrDefaultAsync(f => f.FiringId == firingId, cancel);
        if (beside is null)
            Figures.Add(beside = new FiringFiguresRow { FiringId = firingId });
        beside.Figures = StoredJson.Write(StoredFigures.From(figures));
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
    }

    /// <summary>What was worked out of a firing no longer holds: its log or its load changed.</summary>
    public async Task MarkStale(int firingId, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        await All.Where(r => r.FiringId == firingId).ExecuteUpdateAsync(s => s.SetProperty(r => r.FiguresOf, (string?)null), cancel);
        await Figures.Where(f => f.FiringId == firingId).ExecuteDeleteAsync(cancel);
    }

    /// <summary>
    /// Finished firings whose figures are missing, or were worked out from something else: by their number, with what they are to be worked out from.
    /// </summary>
    public async Task<IReadOnlyList<(int FiringId, string Of)>> Stale(CancellationToken cancel)
    {
        // Asked of the database as a whole: thousands of firings are nearly always as they were.
        var found = await context
            .Database.SqlQuery<StaleRow>(
                $"""
                SELECT r.FiringId, f.Version FROM firing_runs r JOIN firings f ON f.Id = r.FiringId LEFT JOIN firing_records k ON k.FiringId = r.FiringId
                WHERE r.OpenedAt IS NOT NULL AND f.DeletedAt IS NULL AND (k.FiguresOf IS NULL OR k.FiguresOf <> {Shape} || f.Version)
                """
            )
            .ToListAsync(cancel);
        return [.. found.Select(f => (f.FiringId, Mark(f.Version)))];
    }

    // Goes up when figures are worked out in another way.
    private const string Shape = "4.";

    private sealed record StaleRow(int FiringId, int Version);

    /// <summary>What figures are worked out from, as far as the firing itself goes.</summary>
    public static string Mark(int firingVersion) => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{Shape}{firingVersion}");

    /// <summary>What matches, the latest first, and how many there are in all.</summary>
    public async Task<Page<LogbookRow>> Search(LogbookQuery query, int skip, int take, CancellationToken cancel)
    {
        var rows = Matching(query);
        var total = await rows.CountAsync(cancel);
        var found = await rows.OrderByDescending(r => r.StartsAt).ThenByDescending(r => r.FiringId).Skip(skip).Take(take).ToListAsync(cancel);
        var ids = found.Select(r => r.FiringId).ToList();
        var figures = await Figures.AsNoTracking().Where(f => ids.Contains(f.FiringId)).ToDictionaryAsync(f => f.FiringId, cancel);
        return new Page<LogbookRow>(
            [.. RowReader.Readable(FiringRecordRow.Table, found, r => Read(r, FiringFiguresRow.Readable(figures.GetValueOrDefault(r.FiringId))))],
            total
        );
    }

    /// <summary>Everything that matches, the earliest first, by what is followed over time: without its curves.</summary>
    public async Task<IReadOnlyList<FollowedFiring>> Follow(LogbookQuery query, int most, CancellationToken cancel) =>
        [
            .. RowReader
                .Readable(
                    FiringRecordRow.Table,
                    await Matching(query)
                        .OrderByDescending(r => r.StartsAt)
                        .Take(most)
                        .Select(r => new
                        {
                            r.FiringId,
                            r.Name,
                            r.StartsAt,
                            r.KilnId,
                            r.Kind,
                            r.Faults,
                            r.Out,
                            r.Lost,
                            r.TopHours,
                            r.Last100Hours,
                            r.Past,
                            r.PackOffset,
                            r.Kwh,
                            r.Cost,
                            r.FullPowerHours,
                        })
                        .ToListAsync(cancel),
                    r => new FollowedFiring(
                        FiringId: r.FiringId,
                        Name: r.Name,
                        StartsAt: r.StartsAt,
                        KilnId: r.KilnId,
                        Kind: StoredWord.Read<ScheduleKind>(r.Kind),
                        Faults: Parts(r.Faults),
                        Out: r.Out,
                        Lost: r.Lost,
                        TopHours: r.TopHours,
                        Last100Hours: r.Last100Hours,
                        Past: r.Past,
                        Offset: r.PackOffset,
                        Kwh: r.Kwh,
                        Cost: r.Cost,
                        FullPowerHours: r.FullPowerHours
                    )
                )
                .Reverse(),
        ];

    private static FiringRecord Read(FiringRecordRow row, FiringFiguresRow? figures) =>
        RowReader.Read(FiringRecordRow.Table, row.FiringId, row.Name, row, r => r.Read(figures));

    private IQueryable<FiringRecordRow> Matching(LogbookQuery query)
    {
        var rows = All.AsNoTracking().Where(r => r.FiguresOf != null && context.Set<FiringRow>().Any(f => f.Id == r.FiringId && f.DeletedAt == null));
        foreach (var word in SearchWords.Of(query.Words))
            rows = rows.Where(r => r.SearchText.Contains(word));
        if (query.KilnId is { } kiln)
            rows = rows.Where(r => r.KilnId == kiln);
        string Bar(object value) => $"|{Convert.ToString(value, System.Globalization.CultureInfo.InvariantCulture)!.ToLowerInvariant()}|";
        if (query.GlazeId is { } glaze && Bar(glaze) is var g)
            rows = rows.Where(r => r.Glazes.Contains(g));
        if (query.ClayId is { } clay && Bar(clay) is var c)
            rows = rows.Where(r => r.Clays.Contains(c));
        if (query.Person is { Length: > 0 } person && Bar(person) is var p)
            rows = rows.Where(r => r.People.Contains(p));
        if (query.Fault is { Length: > 0 } fault && Bar(fault) is var f)
            rows = rows.Where(r => r.Faults.Contains(f));
        if (query.Reached is { Length: > 0 } reached)
            rows = rows.Where(r => r.Reached == reached);
        if (query.Kind is { } kind && kind.ToString() is var k)
            rows = rows.Where(r => r.Kind == k);
        if (query.ScheduleId is { } schedule)
            rows = rows.Where(r => r.ScheduleId == schedule);
        if (query.Since is { } since)
            rows = rows.Where(r => r.StartsAt >= since);
        if (query.Until is { } until)
            rows = rows.Where(r => r.StartsAt < until);
        if (query.ReferenceOnly)
            rows = rows.Where(r => r.IsReference);
        if (query.GoodOnly)
            rows = rows.Where(r => r.Out != null && (r.Lost == null || r.Lost == 0) && r.Faults == "|");
        return rows;
    }

    private async Task<FiringRecordRow> Row(int firingId, int kilnId, CancellationToken cancel)
    {
        if (await All.FirstOrDefaultAsync(r => r.FiringId == firingId, cancel) is { } row)
            return row;
        row = new FiringRecordRow
        {
            FiringId = firingId,
            KilnId = kilnId,
            UpdatedAt = Now,
        };
        All.Add(row);
        return row;
    }

    private static IReadOnlyList<string> Parts(string bars) => bars.Split('|', StringSplitOptions.RemoveEmptyEntries);

    private static IReadOnlyList<int> Numbers(string bars) => [.. Parts(bars).Select(n => int.Parse(n, System.Globalization.CultureInfo.InvariantCulture))];

    private static LogbookRow Read(FiringRecordRow r, FiringFigures? figures) =>
        new(
            FiringId: r.FiringId,
            Name: r.Name,
            Kind: StoredWord.Read<ScheduleKind>(r.Kind),
            KilnId: r.KilnId,
            StartsAt: r.StartsAt,
            By: r.By,
            Goal: r.Goal,
            Reached: r.Reached,
            ScheduleId: r.ScheduleId,
            ScheduleVersion: r.ScheduleVersion,
            Glazes: Numbers(r.Glazes),
            Clays: Numbers(r.Clays),
            Faults: Parts(r.Faults),
            Out: r.Out,
            Lost: r.Lost,
            IsReference: r.IsReference,
            Figures: figures
        );
}
