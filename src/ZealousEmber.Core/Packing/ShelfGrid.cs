namespace ZealousEmber.Core.Packing;

/// <summary>Where on its level a shelf lies: shelves over one another have the same.</summary>
/// <param name="Region">Front, back, or all of the depth.</param>
/// <param name="Column">From the left, from 1: above 1 only in chambers as wide as two shelves.</param>
public readonly record struct ShelfSlot(ShelfRegion Region, int Column = 1) : IComparable<ShelfSlot>
{
    /// <inheritdoc/>
    public int CompareTo(ShelfSlot other) => (Region, Column).CompareTo((other.Region, other.Column));
}

/// <summary>A shelf as it lies, mm from the chamber's axis.</summary>
/// <param name="X">Its middle.</param>
/// <param name="Y">Its middle.</param>
/// <param name="Width">From left to right.</param>
/// <param name="Depth">From front to back.</param>
public readonly record struct ShelfPlace(double X, double Y, double Width, double Depth);

/// <summary>
/// How shelves of one kind lie beside each other in a chamber: one, two halves, or as many as there is room for, turned where more lie that way.
/// </summary>
public sealed record ShelfGrid
{
    /// <summary>Left between shelves beside each other, mm.</summary>
    public const double Between = 10;

    /// <summary>Most shelves from left to right.</summary>
    public const int MostColumns = 6;

    private const int MostRows = 2;

    private ShelfGrid(ShelfStock shelf, double width, double depth, int columns, int rows, double cut) =>
        (Shelf, Width, Depth, Columns, Rows, Cut, PropsAtTheCut) = (shelf, width, depth, columns, rows, cut, shelf.Half && columns == 1);

    /// <summary>Of which kind.</summary>
    public ShelfStock Shelf { get; }

    /// <summary>Of a shelf as it lies, from left to right.</summary>
    public double Width { get; }

    /// <summary>Of a shelf as it lies, from front to back.</summary>
    public double Depth { get; }

    /// <summary>Shelves from left to right.</summary>
    public int Columns { get; }

    /// <summary>Shelves from front to back: 1 or 2.</summary>
    public int Rows { get; }

    /// <summary>From the axis to the edge of a shelf in front or behind; 0 where one covers all of the depth.</summary>
    public double Cut { get; }

    /// <summary>Of their three props two stand at the cut and one opposite, as under halves.</summary>
    public bool PropsAtTheCut { get; init; }

    /// <summary>Left to right over all shelves of a level.</summary>
    public double WholeWidth => Columns * Width + (Columns - 1) * Between;

    /// <summary>Front to back over all shelves of a level.</summary>
    public double WholeDepth => Rows == 1 ? Depth : 2 * (Cut + Depth);

    /// <summary>The places, the front before the back, from the left.</summary>
    public IEnumerable<ShelfSlot> Slots =>
        (Rows == 1 ? new[] { ShelfRegion.Full } : [ShelfRegion.Front, ShelfRegion.Back]).SelectMany(r =>
            Enumerable.Range(1, Columns).Select(c => new ShelfSlot(r, c))
        );

    /// <summary>How shelves of a kind lie in a chamber.</summary>
    public static ShelfGrid Of(Chamber chamber, ShelfStock shelf)
    {
        if (shelf.Half)
            return new ShelfGrid(shelf, shelf.Width, shelf.Depth, ColumnsOf(chamber, shelf.Width, shelf.Depth * 2), MostRows, CutOf(chamber, shelf));
        var rowsAtMost = chamber.Half is null ? MostRows : 1;
        ShelfGrid Lying(double width, double depth)
        {
            var rows = Math.Min(rowsAtMost, Beside(chamber.Depth, depth));
            // Round shelves do not lie behind each other as halves of a round one.
            if (chamber.Shape == ChamberShape.Round && width == depth)
                rows = 1;
            return new ShelfGrid(shelf, width, depth, ColumnsOf(chamber, width, depth * rows), rows, rows == 1 ? 0 : Between / 2);
        }
        var (straight, turned) = (Lying(shelf.Width, shelf.Depth), Lying(shelf.Depth, shelf.Width));
        var mayTurn = chamber.Shape == ChamberShape.Rectangle && shelf.Depth <= chamber.Width && shelf.Width <= chamber.Depth;
        return mayTurn && turned.Columns * turned.Rows > straight.Columns * straight.Rows ? turned : straight;
    }

    /// <summary>How the shelves of a plan lie, and where this one.</summary>
    public static (ShelfGrid Grid, ShelfSlot Slot) Of(Chamber chamber, PlacedShelf shelf)
    {
        var stock = chamber.Shelves.FirstOrDefault(s => s.Half == (shelf.Region != ShelfRegion.Full)) ?? chamber.Shelves[0];
        var grid = Of(chamber, stock);
        return (grid, grid.Nearest(shelf.Slot));
    }

    /// <summary>Where a shelf lies.</summary>
    public ShelfPlace At(ShelfSlot slot) =>
        new(
            (slot.Column - (Columns + 1) / 2.0) * (Width + Between),
            slot.Region switch
            {
                ShelfRegion.Front => -Cut - Depth / 2,
                ShelfRegion.Back => Cut + Depth / 2,
                _ => 0,
            },
            Width,
            Depth
        );

    /// <summary>A place in words: "left, front"; nothing where a shelf covers all.</summary>
    public string Said(ShelfSlot slot)
    {
        var across = (Columns, slot.Column) switch
        {
            (1, _) => null,
            (_, 1) => "left",
            var (all, column) when column == all => "right",
            (3, _) => "middle",
            _ => $"number {slot.Column} from the left",
        };
        var deep = slot.Region switch
        {
            ShelfRegion.Front => "front",
            ShelfRegion.Back => "back",
            _ => null,
        };
        return string.Join(", ", new[] { across, deep }.OfType<string>());
    }

    /// <summary>The place of this grid that is meant, where somebody's is none of it.</summary>
    public ShelfSlot Nearest(ShelfSlot slot) =>
        new(
            Rows == 1 ? ShelfRegion.Full
                : slot.Region == ShelfRegion.Full ? ShelfRegion.Front
                : slot.Region,
            Math.Clamp(slot.Column, 1, Columns)
        );

    private static int Beside(double room, double each) => Math.Max(1, (int)((room + Between) / (each + Between)));

    /// <summary>In a round chamber only where it is wide: an oval with its shelves side by side.</summary>
    private static int ColumnsOf(Chamber chamber, double width, double depth) =>
        chamber.Shape == ChamberShape.Round && (chamber.Width <= chamber.Depth || depth < chamber.Depth / 2)
            ? 1
            : Math.Min(MostColumns, Beside(chamber.Width, width));

    private static double CutOf(Chamber chamber, ShelfStock shelf)
    {
        // Half shelves that have no full one beside them are taken to leave so much between them.
        var halves = 2 * shelf.Depth + Between;
        var full =
            chamber.Full is { } whole && !(whole.Depth < halves - Between) ? whole.Depth
            : chamber.Shape == ChamberShape.Round ? Math.Max(halves - Between, Math.Min(shelf.Width, halves))
            : halves;
        return Math.Max(0, full / 2 - shelf.Depth);
    }
}
