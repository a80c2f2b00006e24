using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Schedules;
using ZealousEmber.Store.Shelves;
using ZealousEmber.Store.Studio;

namespace ZealousEmber.Store;

/// <summary>Brings the store into a program.</summary>
public static class StoreSetup
{
    /// <summary>Adds the database file <c>ember.db</c> in a folder, and the stores that read and write it.</summary>
    public static IServiceCollection AddStudioStore(this IServiceCollection services, string folder)
    {
        var file = Path.Combine(folder, "ember.db");
        services.AddDbContext<StudioContext>(options => options.UseSqlite($"Data Source={file};Default Timeout=10"));
        services.AddScoped<ScheduleStore>();
        AddShelf<KilnRow, Kiln>(services, r => r.Read(), (r, k) => r.Write(k));
        AddShelf<ClayRow, Clay>(services, r => r.Read(), (r, c) => r.Write(c));
        AddShelf<GlazeRow, Glaze>(services, r => r.Read(), (r, g) => r.Write(g));
        AddShelf<FiringRow, FiringDraft>(services, r => r.Read(), (r, f) => r.Write(f));
        services.AddScoped<Sheet<StudioHours>>(s => Hours(s.GetRequiredService<StudioContext>()));
        services.AddScoped<Sheet<PlanWays>>(s => new Sheet<StudioWaysRow, PlanWays>(s.GetRequiredService<StudioContext>(), r => r.Read(), (r, w) => r.Write(w), PlanWays.Usual));
        services.AddScoped<FiringFinder>();
        services.AddScoped<PhotoStore>();
        return services;
    }

    /// <summary>The sheet of the studio's hours.</summary>
    internal static Sheet<StudioHours> Hours(StudioContext context) => new Sheet<StudioHoursRow, StudioHours>(context, r => r.Read(), (r, h) => r.Write(h), StudioHoursRow.Unsaid);

    private static void AddShelf<TRow, T>(IServiceCollection services, Func<TRow, T> read, Action<TRow, T> write)
        where TRow : ShelfRow, new() =>
        services.AddScoped<Shelf<T>>(s => new Shelf<TRow, T>(s.GetRequiredService<StudioContext>(), s.GetRequiredService<TimeProvider>(), read, write));

    /// <summary>Makes the folder and brings the file to the present shape.</summary>
    public static async Task Prepare(IServiceProvider services, string folder)
    {
        Directory.CreateDirectory(folder);
        await using var scope = services.CreateAsyncScope();
        var context = scope.ServiceProvider.GetRequiredService<StudioContext>();
        await context.Database.MigrateAsync();
        // Readers do not wait for a writer; the setting stays with the file.
        await context.Database.ExecuteSqlRawAsync("PRAGMA journal_mode = WAL");
    }
}
