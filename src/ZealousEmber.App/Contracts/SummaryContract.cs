namespace ZealousEmber.App.Contracts;

/// <summary>Where a program of a firing comes from.</summary>
public enum ProgramSource
{
    /// <summary>As it was planned.</summary>
    Plan,

    /// <summary>The schedule, changed since it was planned.</summary>
    Schedule,

    /// <summary>Read back from the controller.</summary>
    Entered,

    /// <summary>What the firing was started with.</summary>
    Run,
}

/// <summary>A firing by one of its programs; every stage takes its numbers from here.</summary>
/// <param name="Source">Where the program comes from.</param>
/// <param name="ScheduleId">The schedule behind it.</param>
/// <param name="Version">And its version.</param>
/// <param name="Line">The program in shorthand, °C.</param>
/// <param name="TopC">Its hottest target.</param>
/// <param name="PowerOnMinutes">From the start until the power goes off, or the burners out, for good.</param>
/// <param name="EnergyKwh">Of an electric kiln.</param>
/// <param name="GasKg">Of a gas kiln.</param>
/// <param name="OpensMinutes">From the start until it may be opened.</param>
/// <param name="LoadKg">Ware.</param>
/// <param name="FurnitureKg">Shelves and props.</param>
/// <param name="EndCone">The hottest cone it brings down.</param>
public sealed record FiringSummary(
    ProgramSource Source,
    int? ScheduleId,
    int? Version,
    string Line,
    double TopC,
    double PowerOnMinutes,
    double? EnergyKwh,
    double? GasKg,
    double? OpensMinutes,
    double LoadKg,
    double FurnitureKg,
    string? EndCone
);

/// <summary>Something in which two of them differ.</summary>
/// <param name="Between">Which two: planned, set, watched.</param>
/// <param name="What">program, load, shelves or kiln.</param>
/// <param name="A">As the first has it.</param>
/// <param name="B">As the second has it.</param>
/// <param name="Text">In a sentence.</param>
public sealed record SummaryDifference(IReadOnlyList<string> Between, string What, string A, string B, string Text);

/// <summary>A firing as it is planned, as it was set at its controller and as it is watched, and where these differ.</summary>
public sealed record FiringSummaries(FiringSummary? Planned, FiringSummary? Set, FiringSummary? Watched, IReadOnlyList<SummaryDifference> Differs);
