using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store;

/// <summary>Brings the store into a program.</summary>
public static class StoreSetup
{
    /// <summary>Adds the database file of a folder, and the repositories that read and write it.</summary>
    public static IServiceCollection AddStudioStore(this IServiceCollection services, string folder)
    {
        services.AddSingleton<WriteQueue>();
        services.AddSingleton<StoreHealth>();
        services.AddSingleton<IInterceptor, ConnectionSettings>();
        services.AddSingleton<IInterceptor, LenientReading>();
        services.AddSingleton<IInterceptor, HealthWatch>();
        services.AddSingleton<IInterceptor, SaveWatch>();
        services.AddDbContext<StudioContext>(
            (provider, options) =>
                options.UseSqlite($"Data Source={StudioFolder.DatabaseIn(folder)};Default Timeout=10").AddInterceptors(provider.GetServices<IInterceptor>())
        );
        services.AddScoped<ScheduleRepository>();
        AddRepository<KilnRow, StudioKiln>(services, r => r.Read(), (r, k) => r.Write(k));
        AddRepository<ControllerRow, ListedController>(services, r => r.Read(), (r, c) => r.Write(c));
        AddRepository<ClayRow, Clay>(services, r => r.Read(), (r, c) => r.Write(c));
        AddRepository<GlazeRow, Glaze>(services, r => r.Read(), (r, g) => r.Write(g));
        AddRepository<FiringRow, FiringDraft>(services, r => r.Read(), (r, f) => r.Write(f));
        AddSettings<StudioSettingsRow, StudioSettings>(services, r => r.Read(), (r, s) => r.Write(s), StudioSettingsStore.Defaults);
        AddSettings<PlanningPreferencesRow, PlanningPreferences>(
            services,
            r => r.ReadPreferences(),
            (r, p) => r.WritePreferences(p),
            PlanningPreferences.Usual
        );
        AddSettings<CheckListsRow, CheckLists>(services, r => r.Read(), (r, l) => r.Write(l), CheckLists.Usual);
        services.AddScoped<FiringFinder>();
        services.AddScoped<EnteredPrograms>();
        services.AddScoped<PracticeLog>();
        services.AddScoped<FiringRuns>();
        services.AddScoped<SampleLog>();
        services.AddScoped<FiringRecords>();
        services.AddScoped<KilnCareRepository>();
        services.AddScoped<PhotoRepository>();
        services.AddScoped<RawRows>();
        AddMembers(services);
        services.AddScoped(s => new StudioCopies(
            s.GetRequiredService<StudioContext>(),
            s.GetRequiredService<WriteQueue>(),
            s.GetRequiredService<StudioFolder>(),
            s.GetRequiredService<TimeProvider>()
        ));
        return services;
    }

    // A password is worth this much work to whoever has stolen its hash.
    internal const int Rounds = 210_000;

    private static void AddMembers(IServiceCollection services)
    {
        services.AddSingleton<AuditTrail>();
        services
            .AddIdentityCore<PersonRow>(options =>
            {
                // A name is whatever the studio calls somebody; what a password must be is said by the core.
                options.User.AllowedUserNameCharacters = "";
                options.User.RequireUniqueEmail = false;
            })
            .AddEntityFrameworkStores<StudioContext>();
        services.Configure<PasswordHasherOptions>(hashing => hashing.IterationCount = Rounds);
        services.AddScoped(s => new PeopleStore(
            s.GetRequiredService<StudioContext>(),
            s.GetRequiredService<WriteQueue>(),
            s.GetRequiredService<UserManager<PersonRow>>(),
            s.GetRequiredService<IPasswordHasher<PersonRow>>(),
            s.GetRequiredService<TimeProvider>()
        ));
        services.AddScoped<DeviceStore>();
        services.AddScoped<SessionStore>();
        services.AddScoped<AuditLog>();
        services.AddScoped<Erasure>();
        services.AddScoped<PersonalData>();
        services.AddScoped<OldNames>();
    }

    private static void AddRepository<TRow, T>(IServiceCollection services, Func<TRow, T> read, Action<TRow, T> write)
        where TRow : EntityRow, new() =>
        services.AddScoped<Repository<T>>(s => new Repository<TRow, T>(
            s.GetRequiredService<StudioContext>(),
            s.GetRequiredService<WriteQueue>(),
            s.GetRequiredService<TimeProvider>(),
            read,
            write
        ));

    private static void AddSettings<TRow, T>(IServiceCollection services, Func<TRow, T> read, Action<TRow, T> write, T unsaid)
        where TRow : SettingsRow, new() =>
        services.AddScoped<SettingsStore<T>>(s => new SettingsStore<TRow, T>(
            s.GetRequiredService<StudioContext>(),
            s.GetRequiredService<WriteQueue>(),
            read,
            write,
            unsaid
        ));
}
