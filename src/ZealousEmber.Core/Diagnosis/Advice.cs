using System.Collections.Immutable;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>What to change next time, from several faults weighed together: one change at a time, and what belongs to the bisque beside it.</summary>
/// <param name="Patch">One of <see cref="Patches"/>; nothing where no schedule mends it.</param>
/// <param name="WithBisque">A change of the bisque that may go along.</param>
/// <param name="Conflicts">Where changes pull apart, and what was done about it, in sentences.</param>
public sealed record Advice(string? Patch, string? WithBisque, ImmutableArray<string> Conflicts)
{
    private static readonly ImmutableHashSet<string> Longer = [Patches.Heal, Patches.Even];
    private static readonly ImmutableHashSet<string> OfBisque = [Patches.BurnOut, Patches.Vent, Patches.CoolerBisque];

    // What a cone and whoever reads it are sure of.
    private const double WorthChanging = 4;

    /// <summary>
    /// The one change to make next: what faults ask for; where they ask for none, heat work, if the packs say that it was off by more than they may be.
    /// </summary>
    /// <param name="faults">As they were found.</param>
    /// <param name="past">What the packs say, °C of cone past the goal; nothing without packs.</param>
    public static string? Next(IReadOnlyList<FoundFault> faults, double? past) =>
        (faults.Count > 0 ? Of(faults).Patch : null)
        ?? past switch
        {
            < -WorthChanging => Patches.MoreWork,
            > WorthChanging => Patches.LessWork,
            _ => null,
        };

    /// <summary>Weighs the changes that the leading causes ask for.</summary>
    public static Advice Of(IReadOnlyList<FoundFault> faults)
    {
        var wishes = faults
            .SelectMany(f =>
                Diagnoser
                    .Of(f.Fault, f.Numbers)
                    .Where(c => c is { Leads: true, Rule.Patch: not null })
                    .Select(c =>
                        (Patch: c.Rule.Patch!, f.Fault, Cause: c.Rule.Name, f.Numbers, Weight: c.Share * Math.Max(1, f.Pieces) * SeverityOf(f.Severity))
                    )
            )
            .ToList();
        var bisque = Weightiest(wishes.Where(w => OfBisque.Contains(w.Patch)));
        var glaze = wishes.Where(w => !OfBisque.Contains(w.Patch)).ToList();
        bool Wanted(string patch) => glaze.Any(w => w.Patch == patch);

        if (Wanted(Patches.MoreWork) && Wanted(Patches.Elements))
            return new Advice(
                Patches.Elements,
                bisque,
                ["It could not get there: more heat work cannot be asked of this kiln before its elements are seen to."]
            );
        if (Wanted(Patches.LessWork) && glaze.Any(w => w.Patch == Patches.Heal))
            return new Advice(Patches.LessWork, bisque, ["Pinholes ask for a longer hold, but the glaze has boiled: less heat work first, then look again."]);
        if (Opposite(glaze))
            return new Advice(
                Patches.Even,
                bisque,
                [
                    "One shelf had too much heat work and another too little: more or less for all of them helps one and spoils the other. Even the kiln "
                        + "out first.",
                ]
            );
        if (glaze.Any(w => Longer.Contains(w.Patch)) && Wanted(Patches.ShorterHold))
            return new Advice(
                Patches.DropAndHold,
                bisque,
                ["One fault asks for a longer hold, another for a shorter one: a hold 50 °C below the top heals the glaze without adding much heat work."]
            );
        if (Wanted(Patches.MoreReduction) && Wanted(Patches.LessReduction))
            return new Advice(
                Patches.SofterWhileClosing,
                bisque,
                ["One fault asks for more reduction, another for less: reduce the body well before 1000 °C and lightly above, then look again."]
            );
        if (Wanted(Patches.FastCool) && (Wanted(Patches.SlowBand) || glaze.Any(w => w.Patch == Patches.FastCool && w.Numbers.Values.ContainsKey("band"))))
            return new Advice(null, bisque, ["One glaze wants to cool fast where another needs its slow band: fire them separately."]);
        return new Advice(Weightiest(glaze) ?? bisque, Weightiest(glaze) is null ? null : bisque, []);
    }

    private static int SeverityOf(FaultSeverity severity) =>
        severity switch
        {
            FaultSeverity.Lost => 3,
            FaultSeverity.Refire => 2,
            _ => 1,
        };

    /// <summary>What several faults ask for alike weighs together.</summary>
    private static string? Weightiest(IEnumerable<(string Patch, string Fault, string Cause, FiringNumbers Numbers, double Weight)> wishes) =>
        wishes.GroupBy(w => w.Patch).OrderByDescending(g => g.Sum(w => w.Weight)).Select(g => g.Key).FirstOrDefault();

    private static bool Opposite(List<(string Patch, string Fault, string Cause, FiringNumbers Numbers, double Weight)> wishes)
    {
        bool Somewhere(Func<double, bool> off, string patch) =>
            wishes.Any(w => w.Patch == patch || (w.Patch == Patches.Even && w.Numbers.Values.TryGetValue("here", out var here) && off(here)));
        return Somewhere(here => here < 0, Patches.MoreWork) && Somewhere(here => here > 0, Patches.LessWork);
    }
}
