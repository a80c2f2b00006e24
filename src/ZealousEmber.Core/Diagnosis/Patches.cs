using System.Collections.Immutable;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>A change of the next firing that mends a cause.</summary>
/// <param name="Name">As the rules name it.</param>
/// <param name="Operation">What it does, in a sentence.</param>
public sealed record Patch(string Name, string Operation);

/// <summary>All changes that mend something, embedded as <c>patches.csv</c>.</summary>
public static class Patches
{
    /// <summary>More heat work.</summary>
    public const string MoreWork = "work+";

    /// <summary>Less heat work.</summary>
    public const string LessWork = "work-";

    /// <summary>The learned offset, which the next plan is solved with.</summary>
    public const string Offset = "offset";

    /// <summary>A shorter hold at the top, with the same heat work.</summary>
    public const string ShorterHold = "hold-";

    /// <summary>Time for a glaze to heal over.</summary>
    public const string Heal = "heal";

    /// <summary>The last 100 °C slower.</summary>
    public const string SlowTop = "last100";

    /// <summary>Slower and longer at the top, so that the shelves come together.</summary>
    public const string Even = "even";

    /// <summary>A longer burn-out in the bisque.</summary>
    public const string BurnOut = "burn";

    /// <summary>The same with air let in.</summary>
    public const string Vent = "vent";

    /// <summary>Less heat work in the bisque.</summary>
    public const string CoolerBisque = "bisque-";

    /// <summary>A drying hold below boiling.</summary>
    public const string Dry = "dry";

    /// <summary>Slower through quartz’s change, climbing.</summary>
    public const string QuartzUp = "quartzup";

    /// <summary>The same, cooling.</summary>
    public const string QuartzDown = "quartzdown";

    /// <summary>Slower through cristobalite’s change, cooling.</summary>
    public const string CristobaliteDown = "cristodown";

    /// <summary>Opened later.</summary>
    public const string OpenLater = "open";

    /// <summary>Longer in the glaze’s slow band.</summary>
    public const string SlowBand = "band+";

    /// <summary>Nothing that slows the first cooling.</summary>
    public const string FastCool = "fastcool";

    /// <summary>A glaze dried before it is fired.</summary>
    public const string DryGlaze = "glazedry";

    /// <summary>Elements looked at before anything else.</summary>
    public const string Elements = "elements";

    /// <summary>More reduction.</summary>
    public const string MoreReduction = "air+";

    /// <summary>Less of it.</summary>
    public const string LessReduction = "air-";

    /// <summary>Reduction begun before glazes close.</summary>
    public const string EarlierReduction = "airearly";

    /// <summary>Reduction begun after carbon has burnt out.</summary>
    public const string LaterReduction = "airlater";

    /// <summary>Reduction kept up to the top.</summary>
    public const string ReduceToTheEnd = "airend";

    /// <summary>Cleared before the end.</summary>
    public const string ClearAtTheEnd = "airclear";

    /// <summary>No dark fire while glazes close.</summary>
    public const string SofterWhileClosing = "airsoft";

    /// <summary>Instead of a longer hold at the top: below it.</summary>
    public const string DropAndHold = "drop-and-hold";

    private static readonly Lazy<ImmutableArray<Patch>> Table = new(Read);

    /// <summary>In the order they are written in.</summary>
    public static ImmutableArray<Patch> All => Table.Value;

    /// <summary>By name; nothing where there is none.</summary>
    public static Patch? Find(string name) => All.FirstOrDefault(p => p.Name == name);

    private static ImmutableArray<Patch> Read()
    {
        using var stream = typeof(Patches).Assembly.GetManifestResourceStream("ZealousEmber.Core.Diagnosis.patches.csv")!;
        using var reader = new StreamReader(stream);
        return
        [
            .. reader
                .ReadToEnd()
                .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Skip(1)
                .Select(row => row.Split(','))
                .Select(c => new Patch(c[0], c[1])),
            new Patch(DropAndHold, "after the top fall by 50 °C and hold there for half an hour"),
        ];
    }
}
