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

    /// <summary>As it stands in the kiln: what lies flat is as tall as its wall is thick, where nobody said how tall.</summary>
    public static PieceDraft? Read(PieceContract? wire, double? wall) =>
        Read(wire) is { } piece ? piece with { Height = piece.Height ?? (piece.Stacking == Stacking.Flat ? wall : null) } : null;

    public static PieceContract? Write(PieceDraft? piece) =>
        piece is null
            ? null
            : new PieceContract(piece.Shape, piece.Across, piece.Deep, piece.Height, piece.Handle, piece.Foot, piece.Stacking, piece.Most, piece.Step);
}
