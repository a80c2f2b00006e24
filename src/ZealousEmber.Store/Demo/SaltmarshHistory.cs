using System.Collections.Immutable;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Store.Demo;

/// <summary>A firing of the past: what was fired, how the kiln really was then, and what came out.</summary>
/// <param name="Schedule">By name.</param>
/// <param name="Version">Of it.</param>
/// <param name="Name">What people called it.</param>
/// <param name="DaysAgo">When it was switched on.</param>
/// <param name="By">Who fired it.</param>
/// <param name="Health">Power of the elements then, against the stored.</param>
/// <param name="Offset">What the display showed too much at 1000 °C, K.</param>
/// <param name="Lots">What was in it.</param>
/// <param name="Results">What came out.</param>
/// <param name="Entry">Something noted while it was fired.</param>
/// <param name="StoppedAfter">Hours after which somebody switched it off.</param>
internal sealed record PastFiring(
    string Schedule,
    int Version,
    string Name,
    double DaysAgo,
    string By,
    double Health,
    double Offset,
    ImmutableArray<LotDraft> Lots,
    FiringResults Results,
    (EntryKind Kind, double Hour, string Text)? Entry = null,
    double? StoppedAfter = null
);

/// <summary>
/// Three years of Heron, told as a story: elements that grow old until a glaze firing cannot get there, and are changed; a thermocouple that drifts until the
/// packs give it away, and is
/// changed; a bisque that burst; a matte that came out dull and was mended in three versions.
/// </summary>
internal static class SaltmarshHistory
{
    /// <summary>When Heron got new elements, and a new thermocouple: days ago.</summary>
    public const double NewElements = 402;

    /// <summary>When its thermocouple was changed: days ago.</summary>
    public const double NewThermocouple = 266;

    private const string Bisque = "Marsh White bisque, for dipping";
    private const string Reed = "Reed green, everyday";
    private const string Matte = "Oyster matte, supper set";
    private const string FirstMatte = "Oyster matte, first try";

    /// <summary>How far each shelf is from the mean, °C of cone: with the old elements, and with the new.</summary>
    public static (string Shelf, double Own)[] Shelves(double daysAgo) =>
        daysAgo > NewElements ? [("top", -6), ("middle", 1), ("bottom", 5)] : [("top", -3), ("middle", 0.5), ("bottom", 2.5)];

    /// <summary>The firings, the earliest first.</summary>
    public static IEnumerable<PastFiring> All()
    {
        string[] people = ["Maren", "Tobin", "Isolde"];
        var number = 61;
        foreach (var (i, daysAgo) in new[] { 1090.0, 1041, 978, 910, 846, 777, 706, 640, 571, 498, 431 }.Index())
        {
            // The elements were a year old when the book begins.
            var health = 1.03 - 0.00016 * (1090 - daysAgo);
            var offset = -0.006 * (1090 - daysAgo);
            var glaze = i % 2 == 1;
            yield return new PastFiring(
                glaze ? Reed : Bisque,
                1,
                $"{(glaze ? "Reed green" : "Bisque")}, load {number++}",
                daysAgo,
                people[i % 3],
                health,
                offset,
                glaze ? [.. Greens(26 + i, 6)] : [.. Raw(30 - i, 12)],
                Good(glaze ? 32 + i : 42 - i)
            );
        }
        yield return new PastFiring(
            Reed,
            1,
            $"Reed green, load {number++}",
            411,
            "Tobin",
            0.9,
            -4.2,
            [.. Greens(28, 8)],
            FiringResults
                .Create(
                    36,
                    0,
                    [new WareFault("underfired", null, null, 30, FaultSeverity.Refire, Note: "Dry and pale on every shelf.")],
                    [28, 8],
                    "It never got there. Switched off at midnight, two hours late and hardly climbing."
                )
                .Value,
            (EntryKind.Note, 10.9, "Full power since 1100 °C and hardly climbing."),
            StoppedAfter: 11.4
        );
        yield return new PastFiring(
            Bisque,
            1,
            $"Bisque, load {number++}",
            389,
            "Maren",
            1.005,
            -4.6,
            [.. Raw(34, 10)],
            Good(44),
            (EntryKind.Note, 0.1, "First firing with the new elements.")
        );
        yield return new PastFiring(Reed, 1, $"Reed green, load {number++}", 352, "Isolde", 1.003, -6.5, [.. Greens(24, 10)], Good(34));
        yield return new PastFiring(
            Reed,
            1,
            $"Reed green, load {number++}",
            283,
            "Maren",
            0.998,
            -9.5,
            [.. Greens(30, 6)],
            FiringResults
                .Create(
                    36,
                    2,
                    [
                        new WareFault("overfired", 1, null, 4, FaultSeverity.Refire, Note: "Runs at the feet."),
                        new WareFault("stuck", 1, null, 2, FaultSeverity.Lost),
                    ],
                    [30, 6],
                    "Cone 7 down on all shelves, with a display that never showed more than it should."
                )
                .Value
        );
        yield return new PastFiring(
            Bisque,
            1,
            $"Bisque, load {number++}",
            240,
            "Tobin",
            0.993,
            0.5,
            [.. Raw(32, 14)],
            Good(46),
            (EntryKind.Note, 0.2, "New thermocouple.")
        );
        yield return new PastFiring(
            Reed,
            1,
            $"Reed green, load {number++}",
            221,
            "Isolde",
            0.991,
            0.2,
            [.. Greens(28, 6)],
            FiringResults.Create(34, 0, [], [28, 6], "Just as it should be.", isReference: true).Value
        );
        yield return new PastFiring(
            Bisque,
            1,
            $"Garden pots and mugs, load {number++}",
            181,
            "Isolde",
            0.987,
            0,
            [
                Lot("mugs", 24, 6, 1, [], "the class", Dryness.BoneDry, 0.4, Round(85, 100, 35, Stacking.Layers)),
                Lot("garden pots", 5, 20, 2, [], "Isolde", Dryness.CoolToTouch, 2.6, Round(190, 170)),
            ],
            FiringResults
                .Create(
                    29,
                    4,
                    [
                        new WareFault("burst", 1, "middle", 3, FaultSeverity.Lost, Note: "From the foot up."),
                        new WareFault("burst", 0, "middle", 1, FaultSeverity.Lost, Note: "Hit by the shards."),
                    ],
                    [24, 5],
                    "Three of the five pots in pieces."
                )
                .Value,
            (EntryKind.Note, 1.4, "Two bangs at about 140 °C. Garden pots, still cool to the touch when they went in.")
        );
        yield return new PastFiring(Bisque, 2, $"Bisque, load {number++}", 140, "Maren", 0.982, -0.8, [.. Raw(30, 12)], Good(42));
        yield return new PastFiring(
            FirstMatte,
            1,
            "Supper set, first plates",
            95,
            "Maren",
            0.978,
            -1.5,
            [.. Plates(12, 10)],
            FiringResults
                .Create(
                    22,
                    0,
                    [
                        new WareFault("dull-crystals", 0, null, 12, FaultSeverity.Refire, Note: "Grey, hardly a crystal."),
                        new WareFault("dull-crystals", 1, null, 10, FaultSeverity.Looks),
                    ],
                    [12, 10],
                    "Dull grey. The cones were right."
                )
                .Value,
            (EntryKind.Note, 12.0, "Went through 1040 to 850 °C in about an hour.")
        );
        yield return new PastFiring(
            Matte,
            1,
            "Supper set, second try",
            76,
            "Maren",
            0.976,
            -1.8,
            [.. Plates(10, 12)],
            FiringResults
                .Create(
                    22,
                    1,
                    [new WareFault("overfired", 1, "bottom", 5, FaultSeverity.Looks, Note: "Shiny at the rims, thin on the edges.")],
                    [10, 12],
                    "The matte is there, but it was cooled slowly from the very top: too much heat work."
                )
                .Value
        );
        yield return new PastFiring(
            Matte,
            2,
            "Supper set, third try",
            41,
            "Tobin",
            0.972,
            -2.2,
            [.. Plates(14, 8)],
            FiringResults
                .Create(
                    22,
                    0,
                    [new WareFault("dull-crystals", 0, "top", 3, FaultSeverity.Looks, Note: "The three at the front.")],
                    [14, 8],
                    "Nearly. Half an hour more at the bottom of the band, says Maren."
                )
                .Value
        );
        yield return new PastFiring(
            Matte,
            3,
            "Supper set, first half",
            14.5,
            "Maren",
            0.969,
            -2.6,
            [.. Plates(12, 16)],
            FiringResults.Create(28, 0, [], [12, 16], "This is the matte. Every plate of it.", isReference: true).Value
        );
    }

    private static FiringResults Good(int count) => FiringResults.Create(count, 0, [], []).Value;

    private static IEnumerable<LotDraft> Raw(int mugs, int bowls) =>
        [
            Lot("mugs", mugs, 6, 1, [], "the class", Dryness.BoneDry, 0.4, Round(85, 100, 35, Stacking.Layers)),
            Lot("bowls", bowls, 6, 1, [], "Tobin", Dryness.BoneDry, 0.5, Round(150, 70, stacking: Stacking.Nest)),
        ];

    private static IEnumerable<LotDraft> Greens(int mugs, int jugs) =>
        [
            Lot("mugs", mugs, 6, 1, [3], "the class", Dryness.BoneDry, 0.4, Round(85, 100, 35)),
            Lot("jugs", jugs, 6, 1, [2], "Tobin", Dryness.BoneDry, 0.9, Round(110, 180, 45)),
        ];

    private static IEnumerable<LotDraft> Plates(int plates, int bowls) =>
        [
            Lot("dinner plates", plates, 7, 1, [1], "Maren", Dryness.BoneDry, 0.9, Round(250, 28), width: 250),
            Lot("bowls", bowls, 6, 1, [1], "Maren", Dryness.BoneDry, 0.5, Round(150, 70)),
        ];

    internal static LotDraft Lot(
        string what,
        int count,
        double wall,
        int clay,
        int[] glazes,
        string whose,
        Dryness dryness,
        double kg,
        PieceDraft piece,
        double? width = null
    ) =>
        new(
            What: what,
            Count: count,
            Wall: wall,
            Width: width,
            ClosedHollow: false,
            OneSided: false,
            Dryness: dryness,
            ClayId: clay,
            GlazeIds: [.. glazes],
            Whose: whose,
            Next: NextStep.Dipping,
            PieceMass: kg,
            Typed: ImmutableSortedDictionary<string, string>.Empty,
            Piece: piece
        );

    internal static PieceDraft Round(double across, double height, double? handle = null, Stacking stacking = Stacking.None) =>
        new(PieceShape.Round, across, null, height, handle, Stacking: stacking);
}
