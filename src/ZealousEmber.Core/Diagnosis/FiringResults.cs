using System.Collections.Immutable;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>What came out of the kiln. Cannot be built wrong.</summary>
public sealed record FiringResults
{
    /// <summary>Most faults of one firing.</summary>
    public const int MostFaults = 200;

    /// <summary>Most pieces of anything.</summary>
    public const int MostPieces = 20_000;

    /// <summary>Longest word about it, characters.</summary>
    public const int LongestWord = 2000;

    private FiringResults() { }

    /// <summary>Pieces out of the kiln; nothing while nobody counted.</summary>
    public int? Out { get; private init; }

    /// <summary>Of them lost.</summary>
    public int? Lost { get; private init; }

    /// <summary>What is wrong with some.</summary>
    public ImmutableArray<WareFault> Faults { get; private init; } = [];

    /// <summary>A word about it.</summary>
    public string? Word { get; private init; }

    /// <summary>This is what such a firing should look like.</summary>
    public bool IsReference { get; private init; }

    /// <summary>Nothing noted yet.</summary>
    public static FiringResults None { get; } = new();

    /// <summary>It came out well, as far as anybody said: counted, nothing lost, no fault.</summary>
    public bool IsGood => Out is not null && Lost is null or 0 && Faults.IsEmpty;

    /// <summary>
    /// Builds them. Problems name <c>out</c>, <c>lost</c>, <c>word</c>, <c>faults</c>, <c>faults[i].kind</c>, <c>.lot</c>, <c>.shelf</c>, <c>.count</c>,
    /// <c>.note</c>.
    /// </summary>
    /// <param name="count">Pieces out.</param>
    /// <param name="lost">Pieces lost.</param>
    /// <param name="faults">In any order.</param>
    /// <param name="lots">Pieces of each lot that went in; empty where nobody said.</param>
    /// <param name="word">A word about it.</param>
    /// <param name="isReference">The one to go by.</param>
    public static Result<FiringResults> Create(
        int? count,
        int? lost,
        IReadOnlyList<WareFault> faults,
        IReadOnlyList<int?> lots,
        string? word = null,
        bool isReference = false
    )
    {
        var problems = new List<Problem>();
        if (count is < 0 or > MostPieces)
            problems.Add(new Problem("out", $"From 0 to {MostPieces} pieces; this says {count}."));
        if (lost is < 0 or > MostPieces)
            problems.Add(new Problem("lost", $"From 0 to {MostPieces} pieces; this says {lost}."));
        else if (lost > count)
            problems.Add(new Problem("lost", $"No more can be lost than there were: {count} out, {lost} lost."));
        if (word?.Length > LongestWord)
            problems.Add(new Problem("word", $"At most {LongestWord} characters; this has {word.Length}."));
        if (faults.Count > MostFaults)
            problems.Add(new Problem("faults", $"At most {MostFaults} faults of one firing."));
        foreach (var (i, fault) in faults.Take(MostFaults).Index())
        {
            if (!FaultRules.Faults.Contains(fault.Kind))
                problems.Add(new Problem($"faults[{i}].kind", $"Which fault? One of {string.Join(", ", FaultRules.Faults)}."));
            if (fault.Lot is { } lot && (lot < 0 || lot >= lots.Count))
                problems.Add(
                    new Problem(
                        $"faults[{i}].lot",
                        lots.Count == 0
                            ? "Nobody said what was in this firing: leave the lot out, or add it under Load."
                            : $"There is no such lot in this firing; it has {lots.Count}, counted from 0."
                    )
                );
            if (fault.Count is < 1 or > MostPieces)
                problems.Add(new Problem($"faults[{i}].count", $"From 1 to {MostPieces} pieces; this says {fault.Count}."));
            else if (fault.Lot is { } of && of >= 0 && of < lots.Count && fault.Count > lots[of])
                problems.Add(new Problem($"faults[{i}].count", $"There were {lots[of]} of them."));
            if (fault.Shelf?.Length > Learning.ReadPack.LongestShelf)
                problems.Add(new Problem($"faults[{i}].shelf", $"At most {Learning.ReadPack.LongestShelf} characters."));
            if (fault.Note?.Length > LongestWord)
                problems.Add(new Problem($"faults[{i}].note", $"At most {LongestWord} characters."));
        }
        return problems.Count > 0
            ? Result<FiringResults>.Failed(problems)
            : new FiringResults
            {
                Out = count,
                Lost = lost,
                Faults = [.. faults.Select(f => f with { Shelf = Text.OneLine(f.Shelf)?.ToLowerInvariant(), Note = Text.Lines(f.Note) })],
                Word = Text.Lines(word),
                IsReference = isReference,
            };
    }
}
