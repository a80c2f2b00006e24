using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Schedules;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Settings;

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
        AddRepository<KilnRow, Kiln>(services, r => r.Read(), (r, k) => r.Write(k));
        AddRepository<ClayRow, Clay>(services, r => r.Read(), (r, c) => r.Write(c));
        AddRepository<GlazeRow, Glaze>(services, r => r.Read(), (r, g) => r.Write(g));
        AddRepository<FiringRow, FiringDraft>(services, r => r.Read(), (r, f) => r.Write(f));
        services.AddScoped<SettingsStore<StudioHours>>(s => Hours(s.GetRequiredService<StudioContext>()));
        services.AddScoped<SettingsStore<PlanningPreferences>>(s => new SettingsStore<PlanningPreferencesRow, PlanningPreferences>(s.GetRequiredService<StudioContext>(), r => r.Read(), (r, w) => r.Write(w), PlanningPreferences.Usual));
        services.AddScoped<FiringFinder>();
        services.AddScoped<PhotoStore>();
        return services;
    }

    /// <summary>The settings of the studio's hours.</summary>
    internal static SettingsStore<StudioHours> Hours(StudioContext context) => new SettingsStore<StudioHoursRow, StudioHours>(context, r => r.Read(), (r, h) => r.Write(h), StudioHoursRow.Unsaid);

    private static void AddRepository<TRow, T>(IServiceCollection services, Func<TRow, T> read, Action<TRow, T> write)
        where TRow : EntityRow, new() =>
        services.AddScoped<Repository<T>>(s => new Repository<TRow, T>(s.GetRequiredService<StudioContext>(), s.GetRequiredService<TimeProvider>(), read, write));

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
