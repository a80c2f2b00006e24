using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using NodaTime;
using ZealousEmber.Store.Schedules;

namespace ZealousEmber.Store;

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
            schedule.OwnsMany(s => s.Segments, segments => segments.ToJson());
        });
        model.Entity<ScheduleVersionRow>(version =>
        {
            version.ToTable("schedule_versions");
            version.HasKey(v => new { v.ScheduleId, v.Number });
            version.HasOne<ScheduleRow>().WithMany().HasForeignKey(v => v.ScheduleId);
            version.OwnsMany(v => v.Segments, segments => segments.ToJson());
        });
    }

    protected override void ConfigureConventions(ModelConfigurationBuilder conventions)
    {
        // Milliseconds since 1970: sorts and compares in SQLite, which knows no dates.
        conventions.Properties<Instant>().HaveConversion<InstantConverter>();
        conventions.Properties<Enum>().HaveConversion<string>();
    }

    private sealed class InstantConverter() : ValueConverter<Instant, long>(
        instant => instant.ToUnixTimeMilliseconds(), milliseconds => Instant.FromUnixTimeMilliseconds(milliseconds));
}

/// <summary>For the migrations tool only; the program itself is given its file by the App.</summary>
internal sealed class DesignTimeStudioContext : IDesignTimeDbContextFactory<StudioContext>
{
    public StudioContext CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<StudioContext>().UseSqlite("Data Source=:memory:").Options);
}
