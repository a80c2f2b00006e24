using BenchmarkDotNet.Attributes;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Packing.Rules;
using ZealousEmber.Core.Packing.Search;

namespace ZealousEmber.Bench;

/// <summary>How long a kiln takes to be packed, and a plan to be checked.</summary>
[MemoryDiagnoser]
public class PackingBench
{
    private static readonly Piece Mug = Piece.Create(PieceShape.Round, 85, null, 100, 35, stacking: Stacking.Layers).Value;
    private static readonly Piece Bowl = Piece.Create(PieceShape.Round, 150, null, 70, stacking: Stacking.Nest).Value;
    private static readonly Piece Plate = Piece.Create(PieceShape.Round, 250, null, 28, stacking: Stacking.Spacers).Value;
    private static readonly Piece Jug = Piece.Create(PieceShape.Round, 110, null, 180, 45).Value;
    private static readonly Piece Tile = Piece.Create(PieceShape.Rectangle, 100, 100, 8, stacking: Stacking.Flat).Value;

    private static PackingRequest Request(bool raw, params PackingLot[] lots) =>
        new(ChamberClass.Usual("top-190"), ChamberClass.UsualProps("top-190"), raw ? PackingRules.Bisque : PackingRules.Glaze, raw, [.. lots]);

    private readonly PackingRequest supper = Request(
        false,
        new("plates", Plate, 4, 0.9),
        new("bowls", Bowl, 12, 0.5),
        new("jugs", Jug, 6, 0.9),
        new("mugs", Mug, 8, 0.4)
    ) with
    {
        Packs = true,
    };
    private readonly PackingRequest seventy = Request(
        true,
        new("mugs", Mug, 30, 0.4),
        new("bowls", Bowl, 24, 0.5),
        new("plates", Plate, 8, 0.9),
        new("jugs", Jug, 8, 0.9)
    );
    private readonly PackingRequest howManyMugs = Request(false, new PackingLot("mugs", Mug, 800, 0.4));
    private readonly PackingRequest threeHundred = Request(true, new("tiles", Tile, 160, 0.2), new("mugs", Mug, 60, 0.4), new("bowls", Bowl, 80, 0.5)) with
    {
        Chamber = ChamberClass.Usual("top-290"),
    };
    private PackingPlan? planned;

    [GlobalSetup]
    public void Plan() => planned = Packer.Pack(seventy).Value;

    [Benchmark(Baseline = true)]
    public PackingPlan ThirtyOfASupperSet() => Packer.Pack(supper).Value;

    [Benchmark]
    public PackingPlan SeventyOfABisque() => Packer.Pack(seventy).Value;

    [Benchmark]
    public PackingPlan HowManyMugs() => Packer.Pack(howManyMugs).Value;

    [Benchmark]
    public PackingPlan ThreeHundred() => Packer.Pack(threeHundred).Value;

    [Benchmark]
    public int Check() => PackingCheck.Of(seventy, planned!.Shelves).Count;
}
