using System.Collections.Immutable;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Learning;

namespace ZealousEmber.App.Mapping;

/// <summary>Packs on the wire.</summary>
internal static class PackMapping
{
    private const int MostPacks = 24;

    /// <summary>Packs, each shelf once; problems name <c>packs[i].…</c>.</summary>
    public static ImmutableArray<ReadPack> Read(IReadOnlyList<PackContract?>? wire, string field, List<Problem> problems)
    {
        var packs = ImmutableArray.CreateBuilder<ReadPack>();
        if (wire?.Count > MostPacks)
            problems.Add(new Problem(field, $"At most {MostPacks} packs are read of one firing."));
        foreach (var (i, pack) in (wire ?? []).Take(MostPacks).Index())
        {
            var at = $"{field}[{i}]";
            var before = problems.Count;
            var cones = (pack?.Cones ?? []).Take(ReadPack.MostCones + 1).Select((c, j) => ReadCone(c, $"{at}.cones[{j}]", problems)).ToList();
            if (problems.Count > before)
                continue;
            var read = ReadPack.Create(pack?.Shelf?.Text, cones);
            problems.AddRange(read.Problems.Select(p => p.Under(at)));
            if (!read.IsOk)
                continue;
            if (packs.Any(p => p.Shelf == read.Value.Shelf))
                problems.Add(new Problem($"{at}.shelf", $"There is a pack on this shelf already: {read.Value.Shelf}."));
            else
                packs.Add(read.Value);
        }
        return packs.ToImmutable();
    }

    public static PackContract Write(ReadPack pack) =>
        new(
            new ShelfName(pack.Shelf),
            [.. pack.Cones.Select(c => new ReadConeContract(c.Cone.Number, Math.Round(c.Bend, 1), Math.Round(ConeBend.Clock(c.Bend), 2)))]
        );

    private static ConeRead ReadCone(ReadConeContract? wire, string field, List<Problem> problems)
    {
        const double Latest = 7.93;
        var cone = ConeNumber.Parse(wire?.Cone ?? "", "cone");
        problems.AddRange(cone.Problems.Select(p => p.Under(field)));
        if (wire?.Clock is { } clock && !(clock is >= 0 and <= Latest or >= 12 and < 13))
            problems.Add(
                new Problem(
                    $"{field}.clock",
                    $"Where its tip points, like the hand of a clock: 12 is upright, 3 half way, 6 down; this says {Phrases.Number(clock)}."
                )
            );
        else if (wire?.BendDegrees is { } && wire.Clock is { })
            problems.Add(new Problem($"{field}.clock", "One of bend and clock is enough."));
        else if (wire?.BendDegrees is null && wire?.Clock is null)
            problems.Add(new Problem($"{field}.bendDegrees", "How far has it bent? 0 upright, 90 down at 6 o’clock."));
        return new ConeRead(
            cone.IsOk ? cone.Value : default,
            wire?.BendDegrees ?? (wire?.Clock is { } at ? Math.Min(ConeBend.DegreesAtClock(at), ConeRead.MostBend) : 0)
        );
    }
}
