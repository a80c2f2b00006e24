using System.Collections.Immutable;

namespace ZealousEmber.Core.Controllers.Turning;

/// <summary>The settings that are used: all sections within one position of each other, the lower ones first, from all off to all full.</summary>
internal sealed class DialLevels(Dials dials)
{
    /// <summary>How many there are.</summary>
    public int Count { get; } = (dials.Positions.Length - 1) * dials.Sections.Length + 1;

    /// <summary>Position of a section at a level, by its place.</summary>
    public int At(int level, int section)
    {
        var (all, more) = (level / dials.Sections.Length, level % dials.Sections.Length);
        return section >= dials.Sections.Length - more ? all + 1 : all;
    }

    /// <summary>Of full power, 0 to 1.</summary>
    public double Power(int level) => Enumerable.Range(0, dials.Sections.Length).Sum(s => dials.Sections[s].Share * dials.Positions[At(level, s)].Power);

    /// <summary>Switches to be turned from one level to another.</summary>
    public int Turned(int from, int to) => Enumerable.Range(0, dials.Sections.Length).Count(s => At(from, s) != At(to, s));

    /// <summary>The level at which the switches read so; nothing where none does.</summary>
    public int? Find(IReadOnlyList<string> positions) =>
        Enumerable.Range(0, Count).Select(l => (int?)l).FirstOrDefault(l => Words(l!.Value).SequenceEqual(positions));

    /// <summary>What every switch reads.</summary>
    public ImmutableArray<string> Words(int level) => [.. Enumerable.Range(0, dials.Sections.Length).Select(s => dials.Positions[At(level, s)].Word)];
}
