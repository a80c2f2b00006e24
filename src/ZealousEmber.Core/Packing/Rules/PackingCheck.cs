using System.Collections.Immutable;
using ZealousEmber.Core.Packing.Geometry;

namespace ZealousEmber.Core.Packing.Rules;

/// <summary>A rule a plan breaks, and where.</summary>
/// <param name="Rule">Stable: touches, wall, off-shelf, prop, too-tall, lid, thermocouple, stack, could-tip, props-over-props, prop-stock, shelf-stock,
/// shelves-mixed, pack-hidden, pack-missing.</param>
/// <param name="Shelf">Its number, from 1; 0 for the whole.</param>
/// <param name="Piece">Index of the piece on that shelf; nothing where it is about no piece.</param>
/// <param name="Text">In a sentence.</param>
public sealed record BrokenRule(string Rule, int Shelf, int? Piece, string Text);

/// <summary>
/// Whether a plan, the packer's or somebody's own, keeps every rule. It measures between true outlines and shares no code with the packer.
/// </summary>
public static class PackingCheck
{
    // What rounding a plan to thousandths may cost.
    private const double Slack = 0.01;
    private const double SamePlace = 1;

    /// <summary>Every broken rule; none for a plan that can be loaded as it is drawn.</summary>
    public static IReadOnlyList<BrokenRule> Of(PackingRequest request, IReadOnlyList<PlacedShelf> shelves)
    {
        var broken = new List<BrokenRule>();
        foreach (var shelf in shelves)
        {
            var hulls = shelf.Pieces.Select(p => HullsOf(request, p)).ToList();
            Pieces(request, shelves, shelf, hulls, broken);
            PackOf(request, shelves, shelf, hulls, broken);
            Carried(request, shelves, shelf, broken);
        }
        Stocks(request, shelves, broken);
        if (request.Packs && shelves.Count > 0 && shelves.All(s => s.Pack is null))
            broken.Add(new("pack-missing", 0, null, "No shelf has a witness pack."));
        return broken;
    }

    private static void Pieces(PackingRequest request, IReadOnlyList<PlacedShelf> shelves, PlacedShelf shelf, List<Hull[]> hulls, List<BrokenRule> broken)
    {
        var (chamber, rules) = (request.Chamber, request.Rules);
        var isTopmost = Above(shelves, shelf) is null;
        var onIt = PropsOn(shelves, shelf).Select(p => Hull.Disc(p.X, p.Y, request.Props.Across / 2)).ToList();
        for (var i = 0; i < shelf.Pieces.Length; i++)
        {
            var (piece, lot) = (shelf.Pieces[i], request.Lots[shelf.Pieces[i].Lot]);
            void Say(string rule, string text) => broken.Add(new(rule, shelf.Number, i, text));
            if (piece.Stack < 1 || piece.Stack > request.MostInStack(lot))
                Say(
                    "stack",
                    request.Raw
                        ? $"{lot.What} stand {request.MostInStack(lot)} on one another at most."
                        : "Glazed ware stands by itself: what touches is one piece afterwards."
                );
            var height = lot.Piece.HeightOf(Math.Max(1, piece.Stack)) + (lot.Runny && !request.Raw ? PackingRules.Slab.Thick : 0);
            if (height + (isTopmost ? rules.Lid : rules.Above) > shelf.Opening + Slack)
                Say(
                    isTopmost ? "lid" : "too-tall",
                    $"{lot.What}: {Mm(height)} tall, and there are {Mm(shelf.Opening)} to the {(isTopmost ? "lid" : "next shelf")}."
                );
            if (hulls[i].Any(h => h.Corners.Any(c => RoomInChamber(chamber, c.X, c.Y) - h.R < rules.Wall - Slack)))
                Say("wall", $"{lot.What} too near the wall: {Mm(rules.Wall)} are kept.");
            if (OffShelf(request, shelf, piece))
                Say("off-shelf", $"The foot of {lot.What} is not wholly on the shelf.");
            if (onIt.Any(p => hulls[i].Any(h => h.Between(p) < rules.Prop - Slack)))
                Say("prop", $"{lot.What} too near a prop: {Mm(rules.Prop)} are kept.");
            if (chamber.Thermocouple is { } tip && NearTip(chamber, tip, shelf.Top, height, hulls[i]) < rules.Tip - Slack)
                Say("thermocouple", $"{lot.What} too near the thermocouple: {Mm(rules.Tip)} are kept.");
            for (var j = 0; j < i; j++)
            {
                if (hulls[i].Any(a => hulls[j].Any(b => a.Between(b) < rules.MayTouch - Slack)))
                    Say(
                        "touches",
                        $"{lot.What} {(rules.MayTouch > 0 ? $"nearer than {Mm(rules.MayTouch)} to" : "run into")} {request.Lots[shelf.Pieces[j].Lot].What}."
                    );
            }
            // Across the cut, what stands at the same height on the other half is in the way as well.
            foreach (
                var other in shelves.Where(s =>
                    s.Number < shelf.Number && s.Slot != shelf.Slot && s.Top < shelf.Top + height && s.Top + HighestOn(request, s) > shelf.Top
                )
            )
            {
                if (other.Pieces.Any(p => HullsOf(request, p).Any(b => hulls[i].Any(a => a.Between(b) < rules.MayTouch - Slack))))
                    Say("touches", $"{lot.What} touches what stands on the shelf beside it.");
            }
        }
        if (chamber.Thermocouple is { } t && ShelfToTip(request, shelf, t) < rules.TipShelf - Slack)
            broken.Add(new("thermocouple", shelf.Number, null, $"The shelf is at the thermocouple: {Mm(rules.TipShelf)} are kept."));
    }

    private static void PackOf(PackingRequest request, IReadOnlyList<PlacedShelf> shelves, PlacedShelf shelf, List<Hull[]> hulls, List<BrokenRule> broken)
    {
        if (shelf.Pack is not { } pack)
            return;
        void Say(string text, int? piece = null) => broken.Add(new("pack-hidden", shelf.Number, piece, text));
        var (chamber, (width, depth, _, free)) = (request.Chamber, PackingRules.Pack);
        if (!chamber.Peepholes.Any(z => Math.Abs(z - pack.Peephole) < SamePlace))
            Say("There is no peephole at that height.");
        if (shelf.Opening < PackingRules.PackOpening - Slack)
            Say($"A pack wants an opening of {Mm(PackingRules.PackOpening)}.");
        if (pack.Peephole < shelf.Top + PackingRules.PeepholeFree - Slack || pack.Peephole > shelf.Top + shelf.Opening - PackingRules.PeepholeFree + Slack)
            Say("The peephole looks at a shelf, not between shelves.");
        if (Math.Abs(pack.X) > PackingRules.PackSideways + Slack)
            Say("The pack stands too far beside the peephole.");
        var (body, bends, sight) = (
            Hull.Rectangle(pack.X, pack.Y, width, depth, 0),
            Hull.Rectangle(pack.X + free / 2, pack.Y, width + free, depth, 0),
            Hull.Bar(0, -chamber.Depth / 2, pack.X, pack.Y, PackingRules.SightWidth / 2)
        );
        if (body.Corners.Any(c => c.Y < pack.Y && RoomInChamber(chamber, c.X, c.Y) < PackingRules.PackFromWall - Slack))
            Say($"The pack is too near the front wall: {Mm(PackingRules.PackFromWall)} are kept.");
        if (body.Corners.Any(c => RoomOnShelf(request, shelf, c.X, c.Y) < -Slack))
            Say("The pack is not wholly on the shelf.");
        for (var i = 0; i < hulls.Count; i++)
        {
            if (hulls[i].Any(h => h.Between(bends) < -Slack))
                Say($"{request.Lots[shelf.Pieces[i].Lot].What} stand where the cones bend.", i);
            else if (hulls[i].Any(h => h.Between(sight) < -Slack))
                Say($"{request.Lots[shelf.Pieces[i].Lot].What} stand in the line of sight.", i);
        }
        if (PropsOn(shelves, shelf).Select(p => Hull.Disc(p.X, p.Y, request.Props.Across / 2)).Any(p => p.Between(sight) < -Slack || p.Between(bends) < -Slack))
            Say("A prop stands in the line of sight.");
    }

    /// <summary>What carries a shelf: enough props, of one height, over those below, with the weight between them.</summary>
    private static void Carried(PackingRequest request, IReadOnlyList<PlacedShelf> shelves, PlacedShelf shelf, List<BrokenRule> broken)
    {
        void Say(string rule, string text) => broken.Add(new(rule, shelf.Number, null, text));
        var below = Below(shelves, shelf);
        var from = below?.Top ?? 0;
        if (shelf.Props.Length < 3)
        {
            if (shelf.Z > 0)
                Say("could-tip", "A shelf stands on three props at least.");
            return;
        }
        if (shelf.Props.Any(p => Math.Abs(from + p.Height - shelf.Z) > Slack))
            Say("prop", $"The props under this shelf do not come to its height of {Mm(shelf.Z - from)}.");
        if (shelf.Props.Any(p => p.Heights.Length > request.Props.MostOnOneAnother))
            Say("prop", $"At most {request.Props.MostOnOneAnother} props on one another.");
        if (shelf.Props.Any(p => RoomOnShelf(request, shelf, p.X, p.Y) < request.Props.Across / 2 - Slack))
            Say("prop", "A prop is not wholly under the shelf.");
        if (below is not null && shelf.Props.Any(p => RoomOnShelf(request, below, p.X, p.Y) < request.Props.Across / 2 - Slack))
            Say("prop", "A prop is not wholly on the shelf below.");
        if (
            below is not null
            && below.Props.Length > 0
            && shelf.Props.Any(p => below.Props.All(b => Math.Sqrt(Math.Pow(p.X - b.X, 2) + Math.Pow(p.Y - b.Y, 2)) > PackingRules.PropsOver + Slack))
        )
            Say("props-over-props", "A prop does not stand over one below: the shelf between bends.");
        if (!Balanced(request, shelf))
            Say("could-tip", "The weight lies too near the edge of its props.");
    }

    private static bool Balanced(PackingRequest request, PlacedShelf shelf)
    {
        var (grid, slot) = ShelfGrid.Of(request.Chamber, shelf);
        var (mass, place) = (
            ShelfSpaces.ShelfOf(request.Chamber, grid, slot).Area * grid.Shelf.Thickness * 1e-9 * PackingRules.Furniture.Density,
            grid.At(slot)
        );
        var (x, y) = (mass * place.X, mass * place.Y);
        foreach (var p in shelf.Pieces)
        {
            var m = p.Stack * request.Lots[p.Lot].PieceMass;
            (mass, x, y) = (mass + m, x + m * p.X, y + m * p.Y);
        }
        (x, y) = (x / mass, y / mass);
        // Inside the hull of the props by ten millimetres: no line through two of them has all props on one side and the weight on the other, or near it.
        foreach (var a in shelf.Props)
        {
            foreach (var b in shelf.Props)
            {
                var (ex, ey) = (b.X - a.X, b.Y - a.Y);
                var length = Math.Sqrt(ex * ex + ey * ey);
                if (length < SamePlace || shelf.Props.Any(c => (ex * (c.Y - a.Y) - ey * (c.X - a.X)) / length < -1e-6))
                    continue;
                if ((ex * (y - a.Y) - ey * (x - a.X)) / length < PackingRules.TipsOver - Slack)
                    return false;
            }
        }
        return true;
    }

    private static void Stocks(PackingRequest request, IReadOnlyList<PlacedShelf> shelves, List<BrokenRule> broken)
    {
        foreach (var used in shelves.SelectMany(s => s.Props).SelectMany(p => p.Heights).GroupBy(h => h))
        {
            var there = request.Props.Stock.FirstOrDefault(p => Math.Abs(p.Height - used.Key) < 1e-6)?.Count ?? 0;
            // The floor raise may be the kiln's own, where there are too few props for it.
            if (used.Count() > there && !(there < 3 && Math.Abs(used.Key - request.Chamber.Raise) < 1e-6))
                broken.Add(new("prop-stock", 0, null, $"{used.Count()} props of {Mm(used.Key)} are asked for, and there are {there}."));
        }
        foreach (var kind in shelves.GroupBy(s => ShelfGrid.Of(request.Chamber, s).Grid.Shelf.Half))
        {
            var there = request.Chamber.Shelves.Where(s => s.Half == kind.Key).Sum(s => s.Count);
            if (kind.Count() > there)
                broken.Add(new("shelf-stock", 0, null, $"{kind.Count()} {(kind.Key ? "half" : "full")} shelves are used, and there are {there}."));
        }
        if (shelves.Any(s => s.Region == ShelfRegion.Full) && shelves.Any(s => s.Region != ShelfRegion.Full))
            broken.Add(new("shelves-mixed", 0, null, "Full and half shelves do not stand over one another."));
    }

    /// <summary>The outlines of a piece with the room its handle is given.</summary>
    internal static Hull[] HullsOf(PackingRequest request, PlacedPiece placed)
    {
        var lot = request.Lots[placed.Lot];
        var piece = lot.Piece;
        var slab = lot.Runny && !request.Raw ? piece.Foot + PackingRules.Slab.Wider : 0;
        var handle = piece.Handle * (request.Raw && request.Handles == HandleChoice.Any ? 0.5 : 1);
        var turn = placed.Turn * Math.PI / 180;
        if (piece.Shape == PieceShape.Rectangle)
            return
            [
                Hull.Rectangle(
                    placed.X,
                    placed.Y,
                    Math.Max(piece.Across + piece.Handle * (request.Raw ? 0.5 : 1), slab),
                    Math.Max(piece.Deep, slab * piece.Deep / piece.Across),
                    turn
                ),
            ];
        if (request.Handles == HandleChoice.Any || piece.Handle == 0)
            return [Hull.Disc(placed.X, placed.Y, Math.Max(piece.Across + handle, slab) / 2)];
        var half = PackingRules.HandleWidth / 2;
        var end = Math.Max(0, piece.Across / 2 + piece.Handle - half);
        return
        [
            Hull.Disc(placed.X, placed.Y, Math.Max(piece.Across, slab) / 2),
            Hull.Bar(placed.X, placed.Y, placed.X + end * Math.Cos(turn), placed.Y + end * Math.Sin(turn), half),
        ];
    }

    private static bool OffShelf(PackingRequest request, PlacedShelf shelf, PlacedPiece placed)
    {
        var lot = request.Lots[placed.Lot];
        var stands = lot.Piece.Foot + (lot.Runny && !request.Raw ? PackingRules.Slab.Wider : 0);
        if (lot.Piece.Shape == PieceShape.Round)
            return RoomOnShelf(request, shelf, placed.X, placed.Y) < stands / 2 - Slack;
        var foot = Hull.Rectangle(placed.X, placed.Y, stands, stands * lot.Piece.Deep / lot.Piece.Across, placed.Turn * Math.PI / 180);
        return foot.Corners.Any(c => RoomOnShelf(request, shelf, c.X, c.Y) < -Slack);
    }

    private static double NearTip(Chamber chamber, Thermocouple tip, double top, double height, Hull[] hulls)
    {
        var at = Hull.Disc(0, chamber.Depth / 2 - tip.Reach, 0);
        var sideways = Math.Max(0, hulls.Min(h => h.Between(at)));
        var dz = Math.Max(0, Math.Max(top - tip.Z, tip.Z - top - height));
        return Math.Sqrt(sideways * sideways + dz * dz);
    }

    private static double ShelfToTip(PackingRequest request, PlacedShelf shelf, Thermocouple tip)
    {
        var sideways = Math.Max(0, -RoomOnShelf(request, shelf, 0, request.Chamber.Depth / 2 - tip.Reach));
        var dz = Math.Max(0, Math.Max(shelf.Z - tip.Z, tip.Z - shelf.Top));
        return Math.Sqrt(sideways * sideways + dz * dz);
    }

    private static double RoomInChamber(Chamber chamber, double x, double y) => RoomIn(chamber.Shape == ChamberShape.Round, chamber.Width, chamber.Depth, x, y);

    private static double RoomOnShelf(PackingRequest request, PlacedShelf shelf, double x, double y)
    {
        var (grid, slot) = ShelfGrid.Of(request.Chamber, shelf);
        var (round, at) = (request.Chamber.Shape == ChamberShape.Round, grid.At(slot));
        if (round && grid.Rows == 1 && grid.Width == grid.Depth)
            return RoomIn(true, grid.Width, grid.Depth, x - at.X, y);
        var within = RoomIn(round, grid.WholeWidth, grid.WholeDepth, x, y);
        if (grid.Rows > 1)
            within = Math.Min(within, (slot.Region == ShelfRegion.Front ? -y : y) - grid.Cut);
        return grid.Columns > 1 ? Math.Min(within, at.Width / 2 - Math.Abs(x - at.X)) : within;
    }

    /// <summary>From a point to the edge of a round, oval or rectangular outline about the axis; less than nothing outside.</summary>
    private static double RoomIn(bool round, double width, double depth, double x, double y)
    {
        if (!round)
            return Math.Min(width / 2 - Math.Abs(x), depth / 2 - Math.Abs(y));
        var (r, straight) = (Math.Min(width, depth) / 2, Math.Abs(width - depth) / 2);
        var (along, over) = width >= depth ? (Math.Abs(x), y) : (Math.Abs(y), x);
        return r - Math.Sqrt(Math.Pow(Math.Max(0, along - straight), 2) + over * over);
    }

    private static PlacedShelf? Above(IReadOnlyList<PlacedShelf> shelves, PlacedShelf shelf) =>
        shelves.Where(s => s.Slot == shelf.Slot && s.Z > shelf.Z).MinBy(s => s.Z);

    private static PlacedShelf? Below(IReadOnlyList<PlacedShelf> shelves, PlacedShelf shelf) =>
        shelves.Where(s => s.Slot == shelf.Slot && s.Z < shelf.Z).MaxBy(s => s.Z);

    private static ImmutableArray<PlacedProp> PropsOn(IReadOnlyList<PlacedShelf> shelves, PlacedShelf shelf) => Above(shelves, shelf)?.Props ?? [];

    private static double HighestOn(PackingRequest request, PlacedShelf shelf) =>
        shelf.Pieces.Length == 0 ? 0 : shelf.Pieces.Max(p => request.HeightOf(request.Lots[p.Lot], p.Stack));

    private static string Mm(double mm) => $"{Phrases.Number(Math.Round(mm))} mm";
}
