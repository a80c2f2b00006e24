using System.Collections.Immutable;
using System.Globalization;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>What became of the pieces that have a fault.</summary>
public enum FaultSeverity
{
    /// <summary>It only looks so.</summary>
    Looks,

    /// <summary>They are fired again.</summary>
    Refire,

    /// <summary>They are lost.</summary>
    Lost,
}

/// <summary>A fault somebody found, with what is known where it was seen.</summary>
/// <param name="Fault">One of <see cref="FaultRules.Faults"/>.</param>
/// <param name="Numbers">Of the firing, there.</param>
/// <param name="Pieces">How many have it, 1 at least.</param>
/// <param name="Severity">What became of them.</param>
public sealed record FoundFault(string Fault, FiringNumbers Numbers, int Pieces = 1, FaultSeverity Severity = FaultSeverity.Looks);

/// <summary>Something of the firing that speaks for a cause or against it.</summary>
/// <param name="Text">In words.</param>
/// <param name="Value">The number; nothing where it is only so.</param>
/// <param name="Limit">What it was held against.</param>
/// <param name="Points">For it, or against.</param>
/// <param name="Number">Which number it is about, by <see cref="FiringNumbers.Measured"/>'s names; nothing where it is only so.</param>
public sealed record Evidence(string Text, double? Value, double? Limit, int Points, string? Number = null);

/// <summary>A cause, weighed.</summary>
/// <param name="Rule">Which.</param>
/// <param name="Points">Before and with the evidence.</param>
/// <param name="Share">Its weight among the causes of this fault, together 1; no frequency.</param>
/// <param name="Evidence">What was met.</param>
/// <param name="Leads">It is the one to go by, alone or with another.</param>
public sealed record WeighedCause(CauseRule Rule, int Points, double Share, ImmutableArray<Evidence> Evidence, bool Leads);

/// <summary>Weighs the causes of a fault by what is known of the firing.</summary>
public static class Diagnoser
{
    /// <summary>The first leads alone when it weighs so many times the second.</summary>
    public const double LeadsAlone = 1.5;

    /// <summary>Causes of a fault, the weightiest first; nothing for a fault nobody knows.</summary>
    public static ImmutableArray<WeighedCause> Of(string fault, FiringNumbers numbers)
    {
        var causes = FaultRules
            .All.Where(c => c.Fault == fault)
            .Select(rule =>
            {
                var met = rule.Evidence.Where(e => e.All.All(c => c.IsMet(numbers))).ToList();
                return (Rule: rule, Points: rule.Base + met.Sum(e => e.Points), Met: met);
            })
            .OrderByDescending(c => c.Points)
            .ToList();
        var total = causes.Sum(c => Math.Pow(2, c.Points));
        var shares = causes.Select(c => Math.Pow(2, c.Points) / total).ToList();
        var alone = shares.Count < 2 || shares[0] >= LeadsAlone * shares[1];
        return
        [
            .. causes.Select(
                (c, i) => new WeighedCause(c.Rule, c.Points, shares[i], [.. c.Met.Select(e => Describe(e, numbers))], i == 0 || (i == 1 && !alone))
            ),
        ];
    }

    private static Evidence Describe(EvidenceRule rule, FiringNumbers numbers)
    {
        var measured = rule.All.FirstOrDefault(c => numbers.Values.ContainsKey(c.Name));
        return new Evidence(
            string.Join(", ", rule.All.Select(c => Describe(c, numbers))),
            measured is null ? null : numbers.Values[measured.Name],
            measured?.Limit,
            rule.Points,
            measured?.Name
        );
    }

    private static string Describe(Condition condition, FiringNumbers numbers) =>
        condition.Operator switch
        {
            "" => FiringNumbers.Stated.Single(n => n.Name == condition.Name).Phrase,
            "=" => condition.Place switch
            {
                FaultPlace.All => "all over the kiln",
                FaultPlace.OneShelf => "on one shelf",
                FaultPlace.OneGlaze => "on one glaze",
                FaultPlace.OneClay => "on one clay",
                FaultPlace.OnePiece => "on a single piece",
                _ => "on one lot",
            },
            var sign => string.Format(
                CultureInfo.InvariantCulture,
                FiringNumbers.Measured.Single(n => n.Name == condition.Name).Phrase,
                Phrases.Number(numbers.Values[condition.Name])
            ) + $" ({sign switch { "<" => "less than", "<=" => "at most", ">" => "more than", _ => "at least" }} {Phrases.Number(condition.Limit)})",
        };
}
