using ZealousEmber.Core.Firing.Live;

namespace ZealousEmber.App.Contracts;

/// <summary>What was foretold of a firing when it was started, beside what came.</summary>
/// <param name="Numbers">Empty where nothing was foretold.</param>
/// <param name="Text">In one sentence.</param>
public sealed record ForetoldContract(int FiringId, IReadOnlyList<ForetoldNumberContract> Numbers, string Text);

/// <summary>A number foretold, beside what came.</summary>
/// <param name="Unit">°C, h, kWh, kg, °C of cone.</param>
/// <param name="Shelf">Of what a shelf gets: which; nothing for the kiln as a whole.</param>
/// <param name="From">Lower end; four in five are to lie between the ends.</param>
/// <param name="Likely">Most likely.</param>
/// <param name="To">Upper end.</param>
/// <param name="Widened">So many times as wide as its kiln's numbers alone would have it.</param>
/// <param name="Came">What it was; nothing while it is not known.</param>
/// <param name="IsInside">Whether it lies inside, as far as it can be read.</param>
public sealed record ForetoldNumberContract(
    ForetoldKind Kind,
    string Label,
    string Unit,
    string? Shelf,
    double From,
    double Likely,
    double To,
    double Widened,
    double? Came,
    bool? IsInside
);

/// <summary>How well a kiln's last firings were foretold.</summary>
/// <param name="Firings">Of which something was foretold, 24 at most.</param>
/// <param name="Figures">Those of which something came.</param>
/// <param name="Text">In one sentence.</param>
public sealed record KilnScoreContract(int KilnId, int Firings, IReadOnlyList<KilnScoreFigure> Figures, string Text);

/// <summary>One kind of number over a kiln's firings.</summary>
/// <param name="Unit">°C, h, kWh, kg, °C of cone.</param>
/// <param name="Inside">So many came out inside their band.</param>
/// <param name="Of">Of so many that are known.</param>
/// <param name="Share">0 … 1; four in five are to.</param>
/// <param name="Widened">So many times as wide the next one is told; 1 as a rule.</param>
/// <param name="Text">In words.</param>
/// <param name="Points">The earliest first.</param>
public sealed record KilnScoreFigure(
    ForetoldKind Kind,
    string Label,
    string Unit,
    int Inside,
    int Of,
    double Share,
    double Widened,
    string Text,
    IReadOnlyList<ScoredPoint> Points
);

/// <summary>A number of one firing, foretold and come.</summary>
/// <param name="Shelf">Of what a shelf gets: which.</param>
public sealed record ScoredPoint(
    int FiringId,
    string Name,
    DateTimeOffset At,
    string? Shelf,
    double From,
    double Likely,
    double To,
    double Came,
    bool IsInside
);
