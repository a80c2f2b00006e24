using System.Collections.Immutable;
using System.Text.Json;

namespace ZealousEmber.Core.Controllers.ReadingBack;

/// <summary>A slip people make at a keypad.</summary>
/// <param name="Kind">Stable: digit-dropped, hours-minutes, kept.</param>
/// <param name="Weight">How often, against the others.</param>
/// <param name="Means">In words.</param>
public sealed record SlipKind(string Kind, double Weight, string Means);

/// <summary>The slips there are. Source: the project's paper on controllers.</summary>
public static class SlipKinds
{
    private static readonly Lazy<ImmutableArray<SlipKind>> Known = new(Read);

    /// <summary>Every kind.</summary>
    public static ImmutableArray<SlipKind> All => Known.Value;

    /// <summary>One of them.</summary>
    public static SlipKind Of(string kind) => All.First(s => s.Kind == kind);

    private static ImmutableArray<SlipKind> Read()
    {
        using var stream = typeof(SlipKinds).Assembly.GetManifestResourceStream("ZealousEmber.Core.Controllers.ReadingBack.slips.json")!;
        return [.. JsonSerializer.Deserialize<SlipKind[]>(stream, BuiltInProfiles.Json)!];
    }
}
