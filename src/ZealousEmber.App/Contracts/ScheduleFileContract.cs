namespace ZealousEmber.App.Contracts;

/// <summary>Schedules in a file; docs/formats.md and docs/schedules.schema.json describe it.</summary>
/// <param name="Format">Always <c>zealous-ember-schedules</c>.</param>
/// <param name="Version">1.</param>
public sealed record ScheduleFile(string? Format, int? Version, IReadOnlyList<ScheduleContract?>? Schedules)
{
    internal const string FormatName = "zealous-ember-schedules";
}

/// <summary>What was imported.</summary>
public sealed record ImportResponse(IReadOnlyList<VersionedScheduleContract> Imported);
