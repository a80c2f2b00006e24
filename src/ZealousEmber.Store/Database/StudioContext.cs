using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using NodaTime;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.Store.Database;

/// <summary>The one database file of a studio.</summary>
public sealed class StudioContext(DbContextOptions<StudioContext> options) : DbContext(options)
{
    internal DbSet<ScheduleRow> Schedules => Set<ScheduleRow>();

    internal DbSet<ScheduleVersionRow> ScheduleVersions => Set<ScheduleVersionRow>();

    protected override void OnModelCreating(ModelBuilder model)
    {
        model.Entity<ScheduleRow>(schedule =>
        {
            schedule.ToTable("schedules");
            schedule.Property(s => s.Version).IsConcurrencyToken();
            schedule.HasIndex(s => s.DeletedAt);
            schedule.HasIndex(s => s.CreateKey);
        });
        model.Entity<ScheduleVersionRow>(version =>
        {
            version.ToTable("schedule_versions");
            version.HasKey(v => new { v.ScheduleId, v.Number });
            version.HasOne<ScheduleRow>().WithMany().HasForeignKey(v => v.ScheduleId);
        });
        model.Entity<KilnRow>(kiln =>
        {
            kiln.ToTable("kilns");
            kiln.Property(k => k.Version).IsConcurrencyToken();
        });
        model.Entity<ControllerRow>(controller =>
        {
            controller.ToTable("controllers");
            controller.Property(c => c.Version).IsConcurrencyToken();
        });
        model.Entity<ClayRow>(clay =>
        {
            clay.ToTable("clays");
            clay.Property(c => c.Version).IsConcurrencyToken();
        });
        model.Entity<GlazeRow>(glaze =>
        {
            glaze.ToTable("glazes");
            glaze.Property(g => g.Version).IsConcurrencyToken();
        });
        model.Entity<FiringRow>(firing =>
        {
            firing.ToTable("firings");
            firing.HasIndex(f => f.ScheduleId);
            firing.HasIndex(f => new { f.DeletedAt, f.Version });
            firing.Property(f => f.Version).IsConcurrencyToken();
        });
        model.Entity<EnteredProgramRow>(entered =>
        {
            entered.ToTable("entered_programs");
            entered.HasIndex(e => new { e.KilnId, e.At });
            entered.HasIndex(e => e.FiringId);
            entered.HasIndex(e => e.CreateKey).IsUnique();
        });
        model.Entity<FiringRunRow>(run =>
        {
            run.ToTable("firing_runs");
            run.HasKey(r => r.FiringId);
            run.Property(r => r.FiringId).ValueGeneratedNever();
            run.HasIndex(r => r.OccupiesKiln).IsUnique();
            run.HasIndex(r => r.KilnId);
            run.HasIndex(r => r.OpenedAt);
        });
        model.Entity<FiringEntryRow>(entry =>
        {
            entry.ToTable("firing_entries");
            entry.HasIndex(e => new { e.FiringId, e.Key }).IsUnique();
        });
        model.Entity<SampleBlockRow>(block =>
        {
            block.ToTable("sample_blocks");
            block.HasIndex(b => new
            {
                b.FiringId,
                b.Logger,
                b.Stream,
                b.First,
            });
        });
        model.Entity<KilnTokenRow>(token =>
        {
            token.ToTable("kiln_tokens");
            token.HasKey(t => t.KilnId);
            token.Property(t => t.KilnId).ValueGeneratedNever();
        });
        model.Entity<FiringRecordRow>(record =>
        {
            record.ToTable("firing_records");
            record.HasKey(r => r.FiringId);
            record.Property(r => r.FiringId).ValueGeneratedNever();
            record.HasIndex(r => r.StartsAt);
            record.HasIndex(r => new { r.KilnId, r.StartsAt });
        });
        model.Entity<FiringFiguresRow>(figures =>
        {
            figures.ToTable("firing_figures");
            figures.HasKey(f => f.FiringId);
            figures.Property(f => f.FiringId).ValueGeneratedNever();
        });
        model.Entity<MaintenanceRow>(done =>
        {
            done.ToTable("maintenance");
            done.HasIndex(m => new { m.KilnId, m.At });
        });
        model.Entity<KilnCareRow>(care =>
        {
            care.ToTable("kiln_care");
            care.HasKey(c => c.KilnId);
            care.Property(c => c.KilnId).ValueGeneratedNever();
        });
        model.Entity<PracticeRow>(practice =>
        {
            practice.ToTable("practice");
            practice.HasIndex(p => new { p.Person, p.At });
        });
        model.Entity<PhotoRow>(photo =>
        {
            photo.ToTable("photos");
            photo.HasKey(p => new { p.Of, p.OwnerId });
        });
        model.Entity<PlanningPreferencesRow>(preferences =>
        {
            preferences.ToTable("studio_ways");
            preferences.Property(p => p.Id).ValueGeneratedNever();
            preferences.Property(p => p.Version).IsConcurrencyToken();
        });
        model.Entity<CheckListsRow>(lists =>
        {
            lists.ToTable("check_lists");
            lists.Property(l => l.Id).ValueGeneratedNever();
            lists.Property(l => l.Version).IsConcurrencyToken();
        });
        model.Entity<StudioSettingsRow>(hours =>
        {
            hours.ToTable("studio_hours");
            hours.Property(h => h.Id).ValueGeneratedNever();
            hours.Property(h => h.Version).IsConcurrencyToken();
        });
    }

    protected override void ConfigureConventions(ModelConfigurationBuilder conventions)
    {
        // Milliseconds since 1970: sorts and compares in SQLite, which knows no dates.
        conventions.Properties<Instant>().HaveConversion<InstantConverter>();
        conventions.Properties<Enum>().HaveConversion<string>();
    }

    private sealed class InstantConverter()
        : ValueConverter<Instant, long>(
            instant => instant.ToUnixTimeMilliseconds(),
            milliseconds => Instant.FromUnixTimeMilliseconds(Math.Clamp(milliseconds, Earliest, Latest))
        );

    // A moment that is none, in a file that was damaged, would stop the reading of every row of its table. 1900 and 2300.
    private const long Earliest = -2_208_988_800_000;
    private const long Latest = 10_413_792_000_000;
}

/// <summary>For the migrations tool only; the program itself is given its file by the App.</summary>
internal sealed class DesignTimeStudioContext : IDesignTimeDbContextFactory<StudioContext>
{
    public StudioContext CreateDbContext(string[] args) => new(new DbContextOptionsBuilder<StudioContext>().UseSqlite("Data Source=:memory:").Options);
}
