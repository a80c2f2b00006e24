using System.Collections.Immutable;
using ZealousEmber.Core.Packing.Geometry;

namespace ZealousEmber.Core.Packing.Search;

/// <summary>What could be done otherwise.</summary>
public enum PackingChoiceKind
{
    /// <summary>Each handle turned as it is drawn.</summary>
    HandlesTurned,

    /// <summary>Full shelves instead of halves.</summary>
    FullShelves,

    /// <summary>Half shelves, front and back with heights of their own.</summary>
    HalfShelves,

    /// <summary>Another kiln of the studio.</summary>
    OtherKiln,

    /// <summary>Raw ware in a heap, as some do: an estimate only.</summary>
    Tumbled,
}

/// <summary>A choice and what it comes to.</summary>
/// <param name="Kind">What is done otherwise.</param>
/// <param name="Kiln">Index of the other kiln, where it is one.</param>
/// <param name="Placed">Pieces that go in.</param>
/// <param name="Shelves">Used.</param>
/// <param name="Share">Of the kiln, what is full, 0 to 1.</param>
public sealed record PackingChoice(PackingChoiceKind Kind, int? Kiln, int Placed, int Shelves, double Share);

/// <summary>What is in now, of how many, and what would take more.</summary>
public sealed record ChoicesFound(int Placed, int Asked, ImmutableArray<PackingChoice> Choices);

/// <summary>What would take more than the plan at hand: each choice is packed, not guessed.</summary>
public static class PackingChoices
{
    /// <summary>Of a chamber, what ware thrown together fills. Source: the project's paper on packing.</summary>
    public const double TumbledShare = 0.55;

    /// <summary>Choices that take more pieces than the request does as it stands, in the order they are tried.</summary>
    /// <param name="request">As it is asked now.</param>
    /// <param name="others">The other kilns' insides and props.</param>
    /// <param name="cancel">Nobody waits any more.</param>
    public static Result<ChoicesFound> Of(PackingRequest request, IReadOnlyList<(Chamber Chamber, PropStock Props)> others, CancellationToken cancel = default)
    {
        var now = Packer.Pack(request, cancel);
        if (!now.IsOk)
            return Result<ChoicesFound>.Failed(now.Problems);
        var (free, placed, asked) = (
            request with
            {
                Openings = [],
                Pieces = [],
                Regions = [],
                Columns = [],
            },
            now.Value.Totals.Pieces,
            request.Lots.Sum(l => l.Count)
        );
        if (now.Value.Fits)
            return new ChoicesFound(placed, asked, []);
        var tried = new List<(PackingChoiceKind Kind, int? Kiln, PackingRequest Request)>();
        if (request.Handles == HandleChoice.Any && request.Lots.Any(l => l.Piece.Handle > 0))
            tried.Add((PackingChoiceKind.HandlesTurned, null, free with { Handles = HandleChoice.Turned }));
        if (request.Chamber is { Full: not null, Half: not null })
        {
            if (request.Shelves != ShelfChoice.Full)
                tried.Add((PackingChoiceKind.FullShelves, null, free with { Shelves = ShelfChoice.Full }));
            if (request.Shelves != ShelfChoice.Half)
                tried.Add((PackingChoiceKind.HalfShelves, null, free with { Shelves = ShelfChoice.Half }));
        }
        tried.AddRange(
            others.Select(
                (other, i) => (PackingChoiceKind.OtherKiln, (int?)i, free with { Chamber = other.Chamber, Props = other.Props, Shelves = ShelfChoice.Any })
            )
        );
        var choices = tried.Select(t => Packed(t.Kind, t.Kiln, t.Request, cancel)).Where(c => c.Placed > placed).ToList();
        if (Tumbled(request) is var tumbled && request.Raw && tumbled > placed)
            choices.Add(new PackingChoice(PackingChoiceKind.Tumbled, null, Math.Min(asked, tumbled), 0, Math.Min(1, (double)asked / tumbled)));
        return new ChoicesFound(placed, asked, [.. choices]);
    }

    private static PackingChoice Packed(PackingChoiceKind kind, int? kiln, PackingRequest request, CancellationToken cancel)
    {
        var totals = Packer.Pack(request, cancel).Value.Totals;
        return new PackingChoice(kind, kiln, totals.Pieces, totals.Shelves, totals.Share);
    }

    /// <summary>Pieces of such a mix that lie in the room between floor, walls and lid.</summary>
    private static int Tumbled(PackingRequest request)
    {
        var (chamber, rules) = (request.Chamber, request.Rules);
        var floor = Outline.Of(chamber.Shape == ChamberShape.Round, chamber.Width, chamber.Depth, rules.Wall).Area;
        var room = floor * Math.Max(0, chamber.Height - chamber.Raise - chamber.Shelves[0].Thickness - rules.Lid) * TumbledShare;
        var pieces = request.Lots.Sum(l => l.Count);
        return pieces == 0 ? 0 : (int)(room / (request.Lots.Sum(l => l.Count * l.Piece.Envelope) / pieces));
    }
}
