using ZealousEmber.Core.Cones;

namespace ZealousEmber.Core.Ware;

/// <summary>What a clay is.</summary>
public enum ClayKind
{
    /// <summary>Earthenware.</summary>
    Earthenware,

    /// <summary>Stoneware.</summary>
    Stoneware,

    /// <summary>Porcelain.</summary>
    Porcelain,

    /// <summary>Anything else.</summary>
    Other,
}

/// <summary>A clay of the studio. Cannot be built wrong.</summary>
public sealed record Clay
{
    /// <summary>Longest name, characters; also of glazes and lots.</summary>
    public const int LongestName = 60;

    /// <summary>Longest notes, characters; also of glazes.</summary>
    public const int LongestNotes = 2000;

    private Clay(string name) => Name = name;

    /// <summary>What people call it.</summary>
    public string Name { get; }

    /// <summary>What it is.</summary>
    public ClayKind Kind { get; private init; }

    /// <summary>The cones it matures at, where known.</summary>
    public ConeRange? Range { get; private init; }

    /// <summary>Whole shrinkage from wet to fired, %, where known.</summary>
    public double? Shrinkage { get; private init; }

    /// <summary>Water it takes up when fired, %, where known.</summary>
    public double? Absorption { get; private init; }

    /// <summary>Dark, iron-bearing or recycled: carbon and sulphur leave it slowly.</summary>
    public bool BurnsOutSlowly { get; private init; }

    /// <summary>Anything worth keeping.</summary>
    public string? Notes { get; private init; }

    /// <summary>
    /// Builds a clay. Problems name <c>name</c>, <c>kind</c>, <c>coneFrom</c>, <c>coneTo</c>, <c>shrinkage</c>, <c>absorption</c>, <c>notes</c>.
    /// </summary>
    public static Result<Clay> Create(
        string? name,
        ClayKind? kind,
        string? coneFrom,
        string? coneTo,
        double? shrinkage = null,
        double? absorption = null,
        bool burnsOutSlowly = false,
        string? notes = null
    )
    {
        var problems = new List<Problem>();
        var called = StockText.Name(name, "A clay", problems);
        var kept = StockText.Notes(notes, problems);
        var range = ConeRange.Read(coneFrom, coneTo);
        problems.AddRange(range.Problems);
        if (shrinkage is not (null or (>= 0 and <= 40)))
            problems.Add(new Problem("shrinkage", $"A shrinkage is between 0 and 40 %; this says {Phrases.Number(shrinkage.Value)}."));
        if (absorption is not (null or (>= 0 and <= 40)))
            problems.Add(new Problem("absorption", $"An absorption is between 0 and 40 %; this says {Phrases.Number(absorption.Value)}."));
        return problems.Count > 0
            ? Result<Clay>.Failed(problems)
            : new Clay(called)
            {
                Kind = kind ?? ClayKind.Stoneware,
                Range = range.Value,
                Shrinkage = shrinkage,
                Absorption = absorption,
                BurnsOutSlowly = burnsOutSlowly,
                Notes = kept,
            };
    }
}

/// <summary>Names and notes of what stands on the shelves, checked in one way.</summary>
internal static class StockText
{
    public static string Name(string? name, string what, List<Problem> problems)
    {
        var line = Text.OneLine(name);
        if (line is null)
            problems.Add(new Problem("name", $"{what} needs a name to find it by."));
        else if (line.Length > Clay.LongestName)
            problems.Add(new Problem("name", $"A name has at most {Clay.LongestName} characters; this one has {line.Length}."));
        return line ?? "";
    }

    public static string? Notes(string? notes, List<Problem> problems)
    {
        var kept = Text.Lines(notes);
        if (kept?.Length > Clay.LongestNotes)
            problems.Add(new Problem("notes", $"Notes have at most {Clay.LongestNotes} characters; these have {kept.Length}."));
        return kept;
    }
}
