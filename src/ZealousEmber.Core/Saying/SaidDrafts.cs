using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Saying;

/// <summary>From what was said to what is planned.</summary>
public static class SaidDrafts
{
    private const int MostNamed = 3;

    /// <summary>
    /// The wishes, and the studio’s own default where nobody said. Slowly is a gentle climb and a long drying hold, fast a quick one to the hold and on,
    /// where nothing else was said.
    /// </summary>
    public static PlanningPreferences Preferences(SaidWishes wishes, PlanningPreferences studio) =>
        studio with
        {
            Drying = wishes.Drying
                ?? wishes.Pace switch
                {
                    SaidPace.Slow => DryingOption.LongHold,
                    SaidPace.Fast => DryingOption.FastToHold,
                    _ => studio.Drying,
                },
            Approach = wishes.Approach ?? studio.Approach,
            Cooling = wishes.Cooling ?? studio.Cooling,
            Hold = wishes.Hold ?? studio.Hold,
            Goal = wishes.Goal ?? studio.Goal,
            DropBy = wishes.DropBy ?? studio.DropBy,
            Air = wishes.Air ?? studio.Air,
            Pace = wishes.Pace switch
            {
                SaidPace.Slow => PaceOption.Gently,
                SaidPace.Fast => PaceOption.Fast,
                _ => studio.Pace,
            },
        };

    /// <summary>"Bisque: mugs, bowls and plates".</summary>
    public static string Name(ScheduleKind kind, IEnumerable<string?> ware)
    {
        var called = kind switch
        {
            ScheduleKind.OnceFired => "Once-fired",
            ScheduleKind.Refiring => "Refire",
            _ => kind.ToString(),
        };
        var all = ware.OfType<string>().Distinct().ToList();
        var named = all.Count > MostNamed ? [.. all.Take(MostNamed - 1), "more"] : all;
        var name = named.Count == 0 ? called : $"{called}: {Phrases.List(named)}";
        return name.Length <= ScheduleLimits.Name ? name : called;
    }

    /// <summary>A lot as a row of a load: bone dry where nobody said, as a row is; with the sizes its ware had last.</summary>
    public static LotDraft Row(SaidLot said, UsualWare usual) =>
        usual.Complete(
            new LotDraft(
                What: said.What,
                Count: said.Count,
                Wall: said.Wall,
                Width: null,
                ClosedHollow: said.ClosedHollow,
                OneSided: said.OneSided,
                Dryness: said.Dryness ?? Dryness.BoneDry,
                ClayId: said.ClayId,
                GlazeIds: said.GlazeIds,
                Whose: said.Whose,
                Next: said.Next ?? NextStep.Dipping,
                PieceMass: said.PieceMass,
                Typed: said.Typed,
                GlazedAlready: said.GlazedAlready,
                Piece: said is { Across: null, Deep: null, Height: null, Handle: null, Stacking: null }
                    ? null
                    : new PieceDraft(
                        said.Shape ?? PieceShape.Round,
                        said.Across,
                        said.Deep,
                        said.Height,
                        said.Handle,
                        Stacking: said.Stacking ?? Stacking.None
                    ),
                Must: said.Must
            )
        );
}
