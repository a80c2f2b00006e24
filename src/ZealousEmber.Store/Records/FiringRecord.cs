using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Store.Records;

/// <summary>A finished firing's reading as stored.</summary>
/// <param name="FiringId">Which.</param>
/// <param name="Version">Counts its saves; 0 before the first.</param>
/// <param name="UpdatedAt">When it was saved last.</param>
/// <param name="UpdatedBy">By whom.</param>
/// <param name="SaveKey">The key of the last save.</param>
/// <param name="Packs">As read.</param>
/// <param name="Results">What came out.</param>
/// <param name="Figures">In numbers; nothing while they are to be worked out.</param>
/// <param name="FiguresOf">What they were worked out from.</param>
public sealed record FiringRecord(
    int FiringId,
    int Version,
    Instant UpdatedAt,
    string? UpdatedBy,
    string? SaveKey,
    ImmutableArray<ReadPack> Packs,
    FiringResults Results,
    FiringFigures? Figures = null,
    string? FiguresOf = null
)
{
    /// <summary>Of a firing nothing was read of.</summary>
    public static FiringRecord Of(int firingId) => new(firingId, 0, Instant.MinValue, null, null, [], FiringResults.None);
}

/// <summary>What the logbook finds a firing by.</summary>
public sealed record FiringIndex(
    int KilnId,
    Instant StartsAt,
    string Name,
    ScheduleKind Kind,
    Cone? Goal,
    Cone? Reached,
    PlannedBy? Schedule,
    string? By,
    IReadOnlyList<int> Glazes,
    IReadOnlyList<int> Clays,
    IReadOnlyList<string> People,
    string Words
);

/// <summary>The schedule it was fired with.</summary>
public sealed record PlannedBy(int ScheduleId, int? Version);
