using System.Collections.Immutable;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Saying;

namespace ZealousEmber.App.Mapping;

/// <summary>Sentences from the core to the wire.</summary>
internal static class SayMapping
{
    public static SayResponse Write(Said said) =>
        new(
            Write(said.Firing),
            [.. said.Read.Select(r => new ReadWordsContract(r.From, r.To, r.As, r.Text))],
            [.. said.Unread.Select(u => new UnreadWordsContract(u.From, u.To))],
            [.. said.Asked.Select(a => new AskedWordsContract(a.From, a.To, a.About, a.Text, [.. a.Choices.Select(Write)]))]
        );

    /// <summary>Lots of a said firing, back from the wire.</summary>
    public static SaidLot ReadLot(LotContract lot) =>
        new()
        {
            What = Text.OneLine(lot.What),
            Count = lot.Count,
            Wall = lot.Wall,
            Dryness = lot.Dryness,
            ClayId = lot.ClayId,
            GlazeIds = [.. lot.GlazeIds ?? []],
            Whose = Text.OneLine(lot.Whose),
            Next = lot.Next,
            PieceMass = lot.PieceKg,
            Typed = (lot.Typed ?? new Dictionary<string, string>()).Where(t => t.Value is not null).ToImmutableSortedDictionary(),
            ClosedHollow = lot.ClosedHollow == true,
            OneSided = lot.OneSided == true,
            GlazedAlready = lot.GlazedAlready == true,
            Must = lot.Must == true,
            Shape = lot.Piece?.Shape,
            Across = lot.Piece?.Across,
            Deep = lot.Piece?.Deep,
            Height = lot.Piece?.Height,
            Handle = lot.Piece?.Handle,
            Stacking = lot.Piece?.Stacking,
        };

    public static SaidWishes Read(SaidWishesContract wishes) =>
        new()
        {
            Drying = wishes.Drying,
            Approach = wishes.Approach,
            Cooling = wishes.Cooling,
            Hold = wishes.Hold,
            Goal = wishes.Goal,
            DropBy = wishes.DropBy,
            HoldMinutes = wishes.HoldMinutes,
            Air = wishes.Air,
            Packed = wishes.Packed,
            WitnessPack = wishes.WitnessPack,
            Pace = wishes.Pace,
            Cheap = wishes.Cheap,
        };

    private static SaidChoiceContract Write(SaidChoice choice) => new(choice.Label, choice.Set.ToDictionary(s => s.Pointer, s => s.Value));

    private static SaidFiringContract Write(SaidFiring firing) =>
        new(
            Name: null,
            Kind: firing.Kind,
            KilnId: firing.KilnId,
            GoalCone: firing.Goal?.Number,
            StartsAt: firing.StartsAt,
            ReadyBy: firing.ReadyBy,
            Lots: [.. firing.Lots.Select(Write)],
            Wishes: Write(firing.Wishes)
        );

    private static LotContract Write(SaidLot lot) =>
        new(
            What: lot.What,
            Count: lot.Count,
            Wall: lot.Wall,
            ClosedHollow: OrNull(lot.ClosedHollow),
            OneSided: OrNull(lot.OneSided),
            Dryness: lot.Dryness,
            ClayId: lot.ClayId,
            GlazeIds: lot.GlazeIds,
            Whose: lot.Whose,
            Next: lot.Next,
            PieceKg: lot.PieceMass,
            Typed: lot.Typed.IsEmpty ? null : lot.Typed,
            GlazedAlready: OrNull(lot.GlazedAlready),
            Piece: lot is { Across: null, Deep: null, Height: null, Handle: null, Stacking: null }
                ? null
                : new PieceContract(lot.Shape, lot.Across, lot.Deep, lot.Height, lot.Handle, Stacking: lot.Stacking),
            Must: OrNull(lot.Must)
        );

    private static SaidWishesContract Write(SaidWishes wishes) =>
        new(
            Drying: wishes.Drying,
            Approach: wishes.Approach,
            Cooling: wishes.Cooling,
            Hold: wishes.Hold,
            Goal: wishes.Goal,
            DropBy: wishes.DropBy,
            HoldMinutes: wishes.HoldMinutes,
            Air: wishes.Air,
            Packed: wishes.Packed,
            WitnessPack: wishes.WitnessPack,
            Pace: wishes.Pace,
            Cheap: wishes.Cheap
        );

    private static bool? OrNull(bool said) => said ? true : null;
}
