using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.TimeZones;
using ZealousEmber.Core.Clock;

namespace ZealousEmber.Store.Studio;

/// <summary>The studio's hours with their version; 0 until somebody has said them.</summary>
public sealed record StoredStudioHours(int Version, StudioHours Hours);

/// <summary>Keeps the one set of studio hours.</summary>
public sealed class StudioHoursStore(StudioContext context)
{
    /// <summary>What holds until somebody says otherwise: the machine's own zone, no price, nobody's hours, no rule broken.</summary>
    private static readonly StudioHours Unsaid = new(
        SystemZone(), new Tariff("", 0, []), [], AttendanceRule.MarkedMoments, []);

    /// <summary>The hours as they stand.</summary>
    public async Task<StoredStudioHours> Read(CancellationToken cancel) =>
        await context.StudioHours.AsNoTracking().SingleOrDefaultAsync(cancel) is { } row ? new(row.Version, row.Read()) : new(0, Unsaid);

    /// <summary>Saves over the version the writer had read; none means whichever is there.</summary>
    public async Task<SaveOutcome<StoredStudioHours>> Save(int? readVersion, StudioHours hours, CancellationToken cancel)
    {
        var row = await context.StudioHours.SingleOrDefaultAsync(cancel);
        if (readVersion is { } read && read != (row?.Version ?? 0)) return new SaveOutcome<StoredStudioHours>.Clash(await Read(cancel));
        if (row is null) context.StudioHours.Add(row = new StudioHoursRow());
        row.Write(hours);
        row.Version++;
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome<StoredStudioHours>.Saved(new(row.Version, row.Read()));
        }
        catch (DbUpdateException)
        {
            // Two savers at once: the row moved on, or both made the first one.
            context.ChangeTracker.Clear();
            return new SaveOutcome<StoredStudioHours>.Clash(await Read(cancel));
        }
    }

    private static DateTimeZone SystemZone()
    {
        try
        {
            return DateTimeZoneProviders.Tzdb.GetSystemDefault();
        }
        catch (DateTimeZoneNotFoundException)
        {
            return DateTimeZone.Utc;
        }
    }
}
