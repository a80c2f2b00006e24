using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Packing;

namespace ZealousEmber.App.Mapping;

/// <summary>Sizes of pieces between the wire and the core.</summary>
internal static class PieceMapping
{
    public static PieceDraft? Read(PieceContract? wire) =>
        wire is null
            ? null
            : new PieceDraft(
                wire.Shape ?? PieceShape.Round,
                wire.Across,
                wire.Deep,
                wire.Height,
                wire.Handle,
                wire.Foot,
                wire.Stacking ?? Stacking.None,
                wire.Most,
                wire.Step
            );

    public static PieceContract? Write(PieceDraft? piece) =>
        piece is null
            ? null
            : new PieceContract(piece.Shape, piece.Across, piece.Deep, piece.Height, piece.Handle, piece.Foot, piece.Stacking, piece.Most, piece.Step);
}
