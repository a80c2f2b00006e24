using System.Collections.Immutable;
using ZealousEmber.Core.Packing;

namespace ZealousEmber.Core.Firing;

/// <summary>The sizes a studio's ware usually has, by what it is called: those of the last time it was written down.</summary>
public sealed class UsualWare
{
    private readonly Dictionary<string, LotDraft> known = [];

    private UsualWare() { }

    /// <summary>Nothing was written down yet.</summary>
    public static UsualWare None => new();

    /// <summary>What is known of each, in the order it was last written.</summary>
    public ImmutableArray<LotDraft> All => [.. known.Values];

    /// <summary>From lots as they were written, the latest first.</summary>
    public static UsualWare From(IEnumerable<LotDraft> latestFirst)
    {
        var usual = new UsualWare();
        foreach (var lot in latestFirst.Where(l => l.What is not null && IsSized(l)))
            usual.known.TryAdd(Key(lot.What!), OnlySizes(lot));
        return usual;
    }

    /// <summary>The usual sizes of ware of a name; nothing where it is new.</summary>
    public LotDraft? Of(string what) => known.GetValueOrDefault(Key(what));

    /// <summary>How ware of a name is usually stacked raw.</summary>
    private static readonly ImmutableArray<(string Name, Stacking Way)> Stacked =
    [
        ("mug", Stacking.Layers),
        ("cup", Stacking.Layers),
        ("beaker", Stacking.Layers),
        ("bowl", Stacking.Nest),
        ("plate", Stacking.Spacers),
        ("platter", Stacking.Spacers),
        ("dish", Stacking.Nest),
        ("tile", Stacking.Flat),
    ];

    /// <summary>A lot with its usual sizes, stacked as ware of its name usually is, where nobody said; wide flat ware counts as flat.</summary>
    public LotDraft Complete(LotDraft said)
    {
        var lot = Fill(said);
        if (lot.Piece is not { } piece)
            return lot;
        if (
            piece.Stacking == Stacking.None
            && Stacked.FirstOrDefault(u => lot.What?.Contains(u.Name, StringComparison.OrdinalIgnoreCase) == true) is { Name: not null } usual
        )
            piece = piece with { Stacking = usual.Way };
        var isFlat = piece is { Across: { } across, Height: { } height } && height < across / 4 && across >= 150;
        return lot with { Piece = piece, Width = lot.Width ?? (isFlat ? piece.Across : null) };
    }

    /// <summary>A lot with what is usual for it where nobody said.</summary>
    public LotDraft Fill(LotDraft lot)
    {
        if (lot.What is null || IsSized(lot) || Of(lot.What) is not { } usual)
            return lot;
        var said = lot.Piece;
        return lot with
        {
            Piece = usual.Piece! with
            {
                Across = said?.Across ?? usual.Piece.Across,
                Deep = said?.Across is null ? usual.Piece.Deep : said.Deep,
                Height = said?.Height ?? usual.Piece.Height,
                Handle = said?.Handle ?? usual.Piece.Handle,
                Stacking = said is { Stacking: not Stacking.None } ? said.Stacking : usual.Piece.Stacking,
            },
            Wall = lot.Wall ?? usual.Wall,
            Width = lot.Width ?? usual.Width,
            PieceMass = lot.PieceMass ?? usual.PieceMass,
            Typed = usual.Typed.AddRange(lot.Typed.Where(t => !usual.Typed.ContainsKey(t.Key))).RemoveRange(SaidOtherwise(lot)),
        };
    }

    private static IEnumerable<string> SaidOtherwise(LotDraft lot) =>
        new[] { ("wall", lot.Wall), ("width", lot.Width), ("pieceKg", lot.PieceMass) }
            .Where(f => f.Item2 is not null && !lot.Typed.ContainsKey(f.Item1))
            .Select(f => f.Item1);

    private static bool IsSized(LotDraft lot) => lot.Piece is { Across: not null, Height: not null };

    private static LotDraft OnlySizes(LotDraft lot) =>
        new(
            What: lot.What,
            Count: null,
            Wall: lot.Wall,
            Width: lot.Width,
            ClosedHollow: false,
            OneSided: false,
            Dryness: Core.Ware.Dryness.BoneDry,
            ClayId: null,
            GlazeIds: [],
            Whose: null,
            Next: Core.Ware.NextStep.Dipping,
            PieceMass: lot.PieceMass,
            Typed: lot.Typed,
            Piece: lot.Piece
        );

    /// <summary>One mug and twelve Mugs are the same ware.</summary>
    private static string Key(string what) => what.Trim().ToLowerInvariant().TrimEnd('s');
}
