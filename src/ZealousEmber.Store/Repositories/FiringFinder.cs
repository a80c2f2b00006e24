using Microsoft.EntityFrameworkCore;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>How far a firing has come, as a list of firings is asked for.</summary>
public enum FiringStage
{
    /// <summary>Not started.</summary>
    Planned,

    /// <summary>In its kiln.</summary>
    UnderWay,

    /// <summary>Opened.</summary>
    Fired,
}

/// <summary>Where a firing belongs.</summary>
/// <param name="Kiln">Number of its kiln.</param>
/// <param name="Schedule">Number of its schedule.</param>
public sealed record FiringPlace(int? Kiln, int? Schedule);

/// <summary>Finds firings by what they are fired with.</summary>
public sealed class FiringFinder(StudioContext context)
{
    private const int LookedBack = 60;

    /// <summary>Firings at a stage whose name or notes hold all the words: what was started the latest first, what was not as it was last changed.</summary>
    public async Task<Page<Versioned<FiringDraft>>> At(FiringStage stage, string? words, int skip, int take, CancellationToken cancel)
    {
        var (rows, runs) = (SearchWords.In(context.Set<FiringRow>().AsNoTracking().Where(f => f.DeletedAt == null), words), context.Set<FiringRunRow>());
        rows =
            stage == FiringStage.Planned
                ? rows.Where(f => !runs.Any(r => r.FiringId == f.Id)).OrderByDescending(f => f.UpdatedAt).ThenByDescending(f => f.Id)
                : rows.Join(runs.Where(r => r.OpenedAt == null == (stage == FiringStage.UnderWay)), f => f.Id, r => r.FiringId, (f, r) => new { f, r.StartsAt })
                    .OrderByDescending(x => x.StartsAt)
                    .ThenByDescending(x => x.f.Id)
                    .Select(x => x.f);
        var found = await rows.Skip(skip).Take(take).ToListAsync(cancel);
        return new Page<Versioned<FiringDraft>>([.. found.Select(Readable).OfType<Versioned<FiringDraft>>()], await rows.CountAsync(cancel));
    }

    /// <summary>The kiln a firing is in, once it was started the one it was started in, and its schedule; nothing where there is no such firing.</summary>
    public async Task<FiringPlace?> PlaceOf(int id, CancellationToken cancel) =>
        await context
            .Set<FiringRow>()
            .AsNoTracking()
            .Where(f => f.Id == id && f.DeletedAt == null)
            .Select(f => new FiringPlace(
                context.Set<FiringRunRow>().Where(r => r.FiringId == id).Select(r => (int?)r.KilnId).FirstOrDefault() ?? f.KilnId,
                f.ScheduleId
            ))
            .FirstOrDefaultAsync(cancel);

    /// <summary>The sizes ware has in the firings last written, the latest first.</summary>
    public async Task<UsualWare> UsualWare(CancellationToken cancel) => Core.Firing.UsualWare.From(await LatestLots(cancel));

    /// <summary>Whose ware it was in the firings last written; first names and groups, each once.</summary>
    public async Task<IReadOnlyList<string>> Owners(CancellationToken cancel) =>
        [.. (await LatestLots(cancel)).Select(l => l.Whose).OfType<string>().Distinct()];

    /// <summary>
    /// The kiln the last firing of a kind was planned in, else the last of any, else the first there is. One that was deleted is left out.
    /// </summary>
    public async Task<int?> UsualKiln(ScheduleKind kind, CancellationToken cancel)
    {
        var (word, there) = (kind.ToString(), context.Set<KilnRow>().Where(k => k.DeletedAt == null));
        return await context
            .Set<FiringRow>()
            .AsNoTracking()
            .Where(f => f.DeletedAt == null && f.KilnId != null && there.Any(k => k.Id == f.KilnId))
            .OrderByDescending(f => f.Kind == word)
            .ThenByDescending(f => f.UpdatedAt)
            .Select(f => f.KilnId)
            .FirstOrDefaultAsync(cancel)
            ?? await there.OrderBy(k => k.Id).Select(k => (int?)k.Id).FirstOrDefaultAsync(cancel);
    }

    private async Task<IEnumerable<LotDraft>> LatestLots(CancellationToken cancel)
    {
        var rows = await context
            .Set<FiringRow>()
            .AsNoTracking()
            .Where(f => f.DeletedAt == null)
            .OrderByDescending(f => f.UpdatedAt)
            .Take(LookedBack)
            .ToListAsync(cancel);
        return rows.Select(r => RowReader.TryRead("firings", r, row => row.Read()).Item).OfType<FiringDraft>().SelectMany(f => f.Lots);
    }

    /// <summary>
    /// The firing a schedule was last opened in the editor for; nothing when there is none. One that was started is fired with the version it has.
    /// </summary>
    public async Task<Versioned<FiringDraft>?> Of(int scheduleId, CancellationToken cancel)
    {
        var row = await context
            .Set<FiringRow>()
            .AsNoTracking()
            .Where(f => f.ScheduleId == scheduleId && f.DeletedAt == null && !context.Set<FiringRunRow>().Any(r => r.FiringId == f.Id))
            .OrderByDescending(f => f.UpdatedAt)
            .FirstOrDefaultAsync(cancel);
        return row is null ? null : Readable(row);
    }

    private static Versioned<FiringDraft>? Readable(FiringRow row) =>
        RowReader.TryRead("firings", row, r => r.Read()) is { Item: { } firing }
            ? new Versioned<FiringDraft>(row.Id, row.Version, row.UpdatedAt, firing, row.UpdatedBy, row.SaveKey)
            : null;
}
