using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using NodaTime;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Database;

/// <summary>The one database file of a studio.</summary>
public sealed class StudioContext : DbContext
{
    private readonly AuditTrail? trail;

    /// <summary>One whose saves are not audited: a file that arrives, or a tool's.</summary>
    public StudioContext(DbContextOptions<StudioContext> options)
        : base(options) { }

    /// <summary>The studio's own, whose every change is told to the audit.</summary>
    public StudioContext(DbContextOptions<StudioContext> options, AuditTrail trail)
        : base(options) => this.trail = trail;

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
        model.Entity<PersonRow>(person =>
        {
            person.ToTable("people");
            person.HasIndex(p => p.NormalizedUserName).IsUnique();
            person.Property(p => p.Version).IsConcurrencyToken();
            person.Ignore(p => p.Email).Ignore(p => p.NormalizedEmail).Ignore(p => p.EmailConfirmed);
            person.Ignore(p => p.PhoneNumber).Ignore(p => p.PhoneNumberConfirmed).Ignore(p => p.TwoFactorEnabled);
            person.Ignore(p => p.LockoutEnd).Ignore(p => p.LockoutEnabled).Ignore(p => p.AccessFailedCount);
        });
        model.Entity<CertificateRow>(certificate =>
        {
            certificate.ToTable("certificates");
            certificate.HasKey(c => new { c.PersonId, c.KilnId });
        });
        model.Entity<DeviceRow>(device => device.ToTable("devices"));
        model.Entity<SessionRow>(session => session.ToTable("sessions"));
        model.Entity<AuditRow>(audit =>
        {
            audit.ToTable(AuditRow.Table);
            audit.HasKey(a => a.N);
            audit.Property(a => a.N).ValueGeneratedNever();
            audit.HasIndex(a => a.At);
            audit.HasIndex(a => a.PersonId);
        });
        model.Entity<AuditDetailRow>(details =>
        {
            details.ToTable(AuditDetailRow.Table);
            details.HasKey(d => d.N);
            details.Property(d => d.N).ValueGeneratedNever();
        });
        model.Entity<StudioSettingsRow>(hours =>
        {
            hours.ToTable("studio_hours");
            hours.Property(h => h.Id).ValueGeneratedNever();
            hours.Property(h => h.Version).IsConcurrencyToken();
        });
    }

    /// <summary>Saves, and tells the audit of it, all of it or nothing.</summary>
    public override async Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        if (trail?.Writer is not { } writer || AuditTrail.Of(ChangeTracker) is not { Count: > 0 } changes)
            return await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
        await using var own = Database.CurrentTransaction is null ? await Database.BeginTransactionAsync(cancellationToken) : null;
        var saved = await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
        await trail.Add(this, writer, changes, cancellationToken);
        await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
        if (own is not null)
            await own.CommitAsync(cancellationToken);
        return saved;
    }

    /// <summary>Tells the audit of what is no row of its own: a sign-in, a copy that was taken.</summary>
    internal async Task Note(Writer writer, string what, string subject, System.Text.Json.Nodes.JsonObject? after, CancellationToken cancel)
    {
        if (trail is null)
            return;
        await trail.Add(this, writer, [new AuditTrail.Change(what, () => subject, null, after)], cancel);
        await base.SaveChangesAsync(true, cancel);
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
