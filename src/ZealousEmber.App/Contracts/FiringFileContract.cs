namespace ZealousEmber.App.Contracts;

/// <summary>A firing as one open file.</summary>
/// <param name="Format">zealous-ember-firing.</param>
/// <param name="Program">As it was entered; °C.</param>
/// <param name="Kiln">As it was then.</param>
/// <param name="Samples">Its log, as it came in: seconds since the start, °C, power share, set point.</param>
/// <param name="Photos">By the key of their entry, base64.</param>
public sealed record FiringFile(
    string Format,
    int Version,
    FiringContract Firing,
    DateTimeOffset StartsAt,
    DateTimeOffset? OpenedAt,
    string? By,
    string? GoalCone,
    bool IsAsEntered,
    IReadOnlyList<SegmentContract> Program,
    KilnContract Kiln,
    IReadOnlyList<FiringFileSample> Samples,
    IReadOnlyList<EntryContract> Entries,
    IReadOnlyDictionary<string, string> Photos,
    ReadingContract Reading,
    IReadOnlyDictionary<string, double> Figures
);

/// <summary>A reading in a file.</summary>
public sealed record FiringFileSample(double Seconds, double? Celsius, double? Share = null, double? SetPoint = null);
