using System.Collections.Immutable;
using System.Globalization;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>Where a cause lies.</summary>
public enum CauseFrom
{
    /// <summary>In this firing's schedule.</summary>
    Firing,

    /// <summary>In the bisque before it.</summary>
    Bisque,

    /// <summary>In how the kiln was loaded.</summary>
    Load,

    /// <summary>In the kiln itself.</summary>
    Kiln,

    /// <summary>In the air of the kiln.</summary>
    Atmosphere,

    /// <summary>In clay or glaze.</summary>
    Stuff,

    /// <summary>In the making.</summary>
    Making,

    /// <summary>In what somebody did or said.</summary>
    Person,
}

/// <summary>One thing a rule looks at: a number against a limit, or whether something is so.</summary>
/// <param name="Name">Of the number, of what is so, or "where".</param>
/// <param name="Operator">&lt;, &lt;=, &gt;, &gt;= against <paramref name="Limit"/>; = for a place; nothing where it only has to be so.</param>
/// <param name="Limit">For a number.</param>
/// <param name="Place">For a place.</param>
public sealed record Condition(string Name, string Operator, double Limit, FaultPlace? Place)
{
    /// <summary>Whether it is met; a number that is not known meets nothing.</summary>
    public bool IsMet(FiringNumbers numbers) =>
        Operator switch
        {
            "" => numbers.Flags.Contains(Name),
            "=" => numbers.Where == Place,
            _ => numbers.Values.TryGetValue(Name, out var value)
                && Operator switch
                {
                    "<" => value < Limit,
                    "<=" => value <= Limit,
                    ">" => value > Limit,
                    _ => value >= Limit,
                },
        };
}

/// <summary>What speaks for or against a cause: all conditions together.</summary>
/// <param name="All">Each has to be met.</param>
/// <param name="Points">One more doubles the odds.</param>
public sealed record EvidenceRule(ImmutableArray<Condition> All, int Points);

/// <summary>A cause a fault may have.</summary>
/// <param name="Fault">Which fault.</param>
/// <param name="Name">The cause, in words.</param>
/// <param name="From">Where it lies.</param>
/// <param name="Base">Points before anything is known.</param>
/// <param name="Evidence">What speaks for and against it.</param>
/// <param name="Patch">What mends it next time; nothing where no schedule does.</param>
public sealed record CauseRule(string Fault, string Name, CauseFrom From, int Base, ImmutableArray<EvidenceRule> Evidence, string? Patch);

/// <summary>
/// Which causes which fault may have, and what speaks for each: embedded as <c>faults.csv</c>, a row a cause, evidence as
/// <c>condition&amp;condition:points|…</c>. Changing a judgement is changing a row.
/// </summary>
public static class FaultRules
{
    private const string None = "-";
    private static readonly Lazy<ImmutableArray<CauseRule>> Table = new(Read);

    /// <summary>All causes, by fault, in the order they are written in.</summary>
    public static ImmutableArray<CauseRule> All => Table.Value;

    /// <summary>Names of all faults.</summary>
    public static ImmutableArray<string> Faults { get; } = [.. All.Select(c => c.Fault).Distinct()];

    /// <summary>Those a kiln can make: faults of reduction belong to a fire.</summary>
    public static ImmutableArray<string> FaultsIn(bool burns) =>
        burns ? Faults : [.. Faults.Where(f => All.First(c => c.Fault == f).From != CauseFrom.Atmosphere)];

    private static ImmutableArray<CauseRule> Read()
    {
        using var stream = typeof(FaultRules).Assembly.GetManifestResourceStream("ZealousEmber.Core.Diagnosis.faults.csv")!;
        using var reader = new StreamReader(stream);
        return
        [
            .. reader
                .ReadToEnd()
                .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Skip(1)
                .Select(row => ReadCause(row.Split(','))),
        ];
    }

    private static CauseRule ReadCause(string[] cells) =>
        new(
            cells[0],
            cells[1],
            Enum.Parse<CauseFrom>(cells[2], ignoreCase: true),
            int.Parse(cells[3], CultureInfo.InvariantCulture),
            [.. cells[4].Split('|', StringSplitOptions.RemoveEmptyEntries).Select(ReadEvidence)],
            cells[5] == None ? null : cells[5]
        );

    private static EvidenceRule ReadEvidence(string text)
    {
        var at = text.LastIndexOf(':');
        return new EvidenceRule(
            [.. text[..at].Split('&').Select(ReadCondition)],
            int.Parse(text[(at + 1)..], NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture)
        );
    }

    private static Condition ReadCondition(string text)
    {
        var from = text.AsSpan().IndexOfAny('<', '>', '=');
        if (from < 0)
            return Known(new Condition(text, "", 0, null), FiringNumbers.Stated);
        var to = from + (text.AsSpan(from).StartsWith("<=", StringComparison.Ordinal) || text.AsSpan(from).StartsWith(">=", StringComparison.Ordinal) ? 2 : 1);
        var (name, sign, value) = (text[..from], text[from..to], text[to..]);
        return sign == "="
            ? new Condition(name, sign, 0, Enum.Parse<FaultPlace>(value, ignoreCase: true))
            : Known(new Condition(name, sign, double.Parse(value, CultureInfo.InvariantCulture), null), FiringNumbers.Measured);
    }

    /// <summary>A name misspelt in the table would never be met and never be noticed.</summary>
    private static Condition Known(Condition condition, ImmutableArray<FiringNumber> names) =>
        names.Any(n => n.Name == condition.Name)
            ? condition
            : throw new InvalidDataException($"The rules of faults name {condition.Name}, which nothing measures.");
}
