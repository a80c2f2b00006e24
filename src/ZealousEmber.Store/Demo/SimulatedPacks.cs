using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Store.Demo;

/// <summary>Witness cones on the shelves of a simulated kiln, read by somebody who is not quite exact.</summary>
internal sealed class SimulatedPacks(ImmutableArray<Cone> cones, (string Shelf, double Own)[] shelves, ulong seed)
{
    private const double Hot = 600;
    private const double Reading = 3;
    private readonly double[,] work = new double[shelves.Length, cones.Length];
    private (double Minutes, double Chamber)? before;

    /// <summary>The chamber has come so far.</summary>
    public void Feel(double minutes, double chamber)
    {
        if (before is { } b && b.Chamber > Hot)
        {
            for (var s = 0; s < shelves.Length; s++)
            {
                for (var c = 0; c < cones.Length; c++)
                    work[s, c] += ConeTable.Of(cones[c]).Kinetics.Over(b.Chamber + shelves[s].Own, chamber + shelves[s].Own, (minutes - b.Minutes) / 60);
            }
        }
        before = (minutes, chamber);
    }

    /// <summary>The packs as they were read.</summary>
    public ImmutableArray<ReadPack> Read()
    {
        var hand = new Random((int)seed);
        return
        [
            .. shelves
                .Select(
                    (shelf, s) =>
                        ReadPack.Create(
                            shelf.Shelf,
                            [
                                .. cones.Select(
                                    (cone, c) =>
                                        new ConeRead(
                                            cone,
                                            Math.Round(
                                                Math.Clamp(
                                                    ConeBend.Degrees(work[s, c])
                                                        + Reading * (hand.NextDouble() + hand.NextDouble() + hand.NextDouble() - 1.5) * 2,
                                                    4,
                                                    150
                                                )
                                            )
                                        )
                                ),
                            ]
                        )
                )
                .Where(p => p.IsOk)
                .Select(p => p.Value),
        ];
    }
}
