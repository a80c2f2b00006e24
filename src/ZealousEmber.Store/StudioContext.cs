using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using NodaTime;
using ZealousEmber.Store.Schedules;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Settings;

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
        model.Entity<KilnRow>(kiln =>
        {
            kiln.ToTable("kilns");
            kiln.Property(k => k.Version).IsConcurrencyToken();
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
            firing.Property(f => f.Version).IsConcurrencyToken();
        });
        model.Entity<PhotoRow>(photo =>
        {
            photo.ToTable("photos");
            photo.HasKey(p => new { p.Of, p.OwnerId });
        });
        model.Entity<PlanningPreferencesRow>(ways =>
        {
            ways.ToTable("studio_ways");
            ways.Property(w => w.Id).ValueGeneratedNever();
            ways.Property(w => w.Version).IsConcurrencyToken();
        });
        model.Entity<StudioHoursRow>(hours =>
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
        conventions.Properties<Dictionary<string, double>>().HaveConversion<NumbersConverter, NumbersComparer>();
        conventions.Properties<Enum>().HaveConversion<string>();
    }

    private sealed class InstantConverter() : ValueConverter<Instant, long>(
        instant => instant.ToUnixTimeMilliseconds(), milliseconds => Instant.FromUnixTimeMilliseconds(milliseconds));
}

/// <summary>Named numbers as a JSON object.</summary>
internal sealed class NumbersConverter() : ValueConverter<Dictionary<string, double>, string>(
    numbers => JsonSerializer.Serialize(numbers, JsonSerializerOptions.Default), text => JsonSerializer.Deserialize<Dictionary<string, double>>(text, JsonSerializerOptions.Default)!);

/// <summary>Two sets of numbers are the same when each number is.</summary>
internal sealed class NumbersComparer() : ValueComparer<Dictionary<string, double>>(
    (a, b) => a!.Count == b!.Count && !a.Except(b).Any(), n => n.Count, n => new Dictionary<string, double>(n));

/// <summary>For the migrations tool only; the program itself is given its file by the App.</summary>
internal sealed class DesignTimeStudioContext : IDesignTimeDbContextFactory<StudioContext>
{
    public StudioContext CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<StudioContext>().UseSqlite("Data Source=:memory:").Options);
}
