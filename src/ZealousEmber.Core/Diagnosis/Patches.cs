using System.Collections.Immutable;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>A change of the next firing that mends a cause.</summary>
/// <param name="Name">As the rules name it.</param>
/// <param name="Operation">What it does, in a sentence.</param>
public sealed record Patch(string Name, string Operation);

/// <summary>All changes that mend something, embedded as <c>patches.csv</c>.</summary>
public static class Patches
{
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
