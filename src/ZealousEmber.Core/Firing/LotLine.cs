using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Firing;

/// <summary>A line that could not be read, as it was typed.</summary>
/// <param name="Line">The line.</param>
/// <param name="Why">What in it is no word known here.</param>
public sealed record UnreadLine(string Line, string Why);

/// <summary>What became of a text.</summary>
/// <param name="Lots">Those that could be read.</param>
/// <param name="Unread">Lines that could not.</param>
/// <param name="Heading">The first line, where it was the heading of a table.</param>
public sealed record LotsRead(ImmutableArray<LotDraft> Lots, ImmutableArray<UnreadLine> Unread, string? Heading);

/// <summary>
/// Lots as people say them: <c>26 mugs ⌀85 × 100, handle 35, 6 mm, Marsh White, cool to touch, to be dipped, the class</c>. How many and what come
/// first; the rest in any order, parted by commas or the columns of a table. Sizes in mm, or with cm or in.
/// </summary>
public static partial class LotLine
{
    /// <summary>Longest text read at once, characters.</summary>
    public const int Longest = 20_000;

    private const double Inch = 25.4;

    private static readonly ImmutableArray<(string Word, Func<LotDraft, LotDraft> Means)> Words =
    [
        ("bone dry", l => l with { Dryness = Dryness.BoneDry }),
        ("dry", l => l with { Dryness = Dryness.BoneDry }),
        ("cool to the touch", l => l with { Dryness = Dryness.CoolToTouch }),
        ("cool to touch", l => l with { Dryness = Dryness.CoolToTouch }),
        ("cool", l => l with { Dryness = Dryness.CoolToTouch }),
        ("damp", l => l with { Dryness = Dryness.Damp }),
        ("leather hard", l => l with { Dryness = Dryness.LeatherHard }),
        ("leather-hard", l => l with { Dryness = Dryness.LeatherHard }),
        ("to be dipped", l => l with { Next = NextStep.Dipping }),
        ("then dipped", l => l with { Next = NextStep.Dipping }),
        ("to be brushed", l => l with { Next = NextStep.Brushing }),
        ("then brushed", l => l with { Next = NextStep.Brushing }),
        ("never glazed", l => l with { Next = NextStep.Unglazed }),
        ("unglazed", l => l with { Next = NextStep.Unglazed }),
        ("solid", l => l with { OneSided = true }),
        ("closed hollow", l => l with { ClosedHollow = true }),
        ("closed", l => l with { ClosedHollow = true }),
        ("glazed before", l => l with { GlazedAlready = true }),
        ("must go", l => l with { Must = true }),
        ("one in another", l => Stacked(l, Stacking.Nest)),
        ("nested", l => Stacked(l, Stacking.Nest)),
        ("rim on rim", l => Stacked(l, Stacking.Layers)),
        ("over spacers", l => Stacked(l, Stacking.Spacers)),
        ("on spacers", l => Stacked(l, Stacking.Spacers)),
        ("flat on each other", l => Stacked(l, Stacking.Flat)),
    ];

    /// <summary>How ware of a name is usually stacked raw.</summary>
    private static readonly ImmutableArray<(string Name, Stacking Way)> Usually =
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

    /// <summary>Reads lines of a text; empty ones are passed over. A first line of headings makes the others rows of a table.</summary>
    /// <param name="text">One lot a line.</param>
    /// <param name="clays">The studio's clays by name.</param>
    /// <param name="glazes">The studio's glazes by name.</param>
    /// <param name="usual">Sizes of ware of a name, where a line gives none.</param>
    public static LotsRead Read(string text, IReadOnlyDictionary<string, int> clays, IReadOnlyDictionary<string, int> glazes, UsualWare? usual = null)
    {
        var (lots, unread) = (ImmutableArray.CreateBuilder<LotDraft>(), ImmutableArray.CreateBuilder<UnreadLine>());
        var lines = text.Split('\n').Select(l => l.Trim(' ', '\r')).Where(l => l.Trim().Length > 0).ToList();
        var table = lines.Count > 1 ? LotTable.Of(lines[0]) : null;
        foreach (var line in table is null ? lines : lines.Skip(1))
        {
            var read = ReadLine(table?.LineOf(line) ?? line.Trim(), clays, glazes);
            if (read.IsOk)
                lots.Add(Usual((usual ?? UsualWare.None).Fill(read.Value)));
            else
                unread.Add(new UnreadLine(line, read.Problems[0].Message));
        }
        return new LotsRead(lots.ToImmutable(), unread.ToImmutable(), table?.Heading);
    }

    private static Result<LotDraft> ReadLine(string line, IReadOnlyDictionary<string, int> clays, IReadOnlyDictionary<string, int> glazes)
    {
        // A comma before a digit is a decimal one.
        var parts = Parts().Split(line).Select(p => p.Trim()).Where(p => p.Length > 0).ToList();
        if (parts.Count == 0 || Count().Match(parts[0]) is not { Success: true } count)
            return new Problem("", "A lot begins with how many there are, like 26 mugs.");
        if (!int.TryParse(count.Groups[1].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var pieces))
            return new Problem("", "So many pieces are in no kiln.");
        var lot = new LotDraft(
            What: null,
            Count: pieces,
            Wall: null,
            Width: null,
            ClosedHollow: false,
            OneSided: false,
            Dryness: Dryness.BoneDry,
            ClayId: null,
            GlazeIds: [],
            Whose: null,
            Next: NextStep.Dipping,
            PieceMass: null,
            Typed: ImmutableSortedDictionary<string, string>.Empty
        );
        var what = parts[0][count.Length..].Trim();
        if (what.Length == 0 && parts.Count > 1 && !Size().IsMatch(parts[1]))
        {
            what = parts[1];
            parts.RemoveAt(1);
        }
        if (Size().Match(what) is { Success: true } size)
        {
            lot = Sized(lot, size);
            what = what.Remove(size.Index, size.Length).Trim();
        }
        if (Measure().IsMatch(what))
            return new Problem("", $"“{what}”: part sizes from names by commas, like 7 pots, 12 mm.");
        if (what.Length > 0)
            lot = lot with { What = what };
        foreach (var part in parts.Skip(1))
        {
            if (ReadPart(lot, part, clays, glazes) is { } more)
                lot = more;
            else if (lot.Whose is null && !part.Any(char.IsDigit))
                lot = lot with { Whose = part };
            else
                return new Problem("", $"“{part}” is no word known here.");
        }
        return lot;
    }

    private static LotDraft? ReadPart(LotDraft lot, string part, IReadOnlyDictionary<string, int> clays, IReadOnlyDictionary<string, int> glazes)
    {
        foreach (var (word, means) in Words)
        {
            if (string.Equals(part, word, StringComparison.OrdinalIgnoreCase))
                return means(lot);
        }
        if (clays.TryGetValue(part, out var clay))
            return lot with { ClayId = clay };
        if (glazes.TryGetValue(part, out var glaze))
            return lot with { GlazeIds = lot.GlazeIds.Add(glaze) };
        if (Mass().Match(part) is { Success: true } mass)
            return lot with { PieceMass = Number(mass.Groups[1].Value) / (mass.Groups[2].Value.StartsWith('k') ? 1 : 1000) };
        if (Handle().Match(part) is { Success: true } handle)
            return lot with
            {
                Piece = (lot.Piece ?? new PieceDraft(PieceShape.Round, null, null, null)) with
                {
                    Handle = Millimetres(handle.Groups[1].Value, handle.Groups[2].Value),
                },
            };
        if (Size().Match(part) is { Success: true } size && size.Length == part.Length)
            return Sized(lot, size);
        if (Wall().Match(part) is { Success: true } wall)
            return lot with { Wall = wall.Groups[3].Success ? Number(wall.Groups[3].Value) : Millimetres(wall.Groups[1].Value, wall.Groups[2].Value) };
        return null;
    }

    /// <summary>Two numbers are across and tall, three a rectangle's sides and height.</summary>
    private static LotDraft Sized(LotDraft lot, Match size)
    {
        var unit = size.Groups[4].Value;
        double Of(int group) => Millimetres(size.Groups[group].Value, unit);
        var piece = lot.Piece ?? new PieceDraft(PieceShape.Round, null, null, null);
        return lot with
        {
            Piece = size.Groups[3].Success
                ? piece with
                {
                    Shape = PieceShape.Rectangle,
                    Across = Of(1),
                    Deep = Of(2),
                    Height = Of(3),
                }
                : piece with
                {
                    Across = Of(1),
                    Height = Of(2),
                },
        };
    }

    private static LotDraft Stacked(LotDraft lot, Stacking way) =>
        lot with
        {
            Piece = (lot.Piece ?? new PieceDraft(PieceShape.Round, null, null, null)) with { Stacking = way },
        };

    /// <summary>Stacked as ware of its name usually is, where nobody said; wide flat ware counts as flat.</summary>
    private static LotDraft Usual(LotDraft lot)
    {
        if (lot.Piece is not { } piece)
            return lot;
        if (
            piece.Stacking == Stacking.None
            && Usually.FirstOrDefault(u => lot.What?.Contains(u.Name, StringComparison.OrdinalIgnoreCase) == true) is { Name: not null } usual
        )
            piece = piece with { Stacking = usual.Way };
        var isFlat = piece is { Across: { } across, Height: { } height } && height < across / 4 && across >= 150;
        return lot with { Piece = piece, Width = lot.Width ?? (isFlat ? piece.Across : null) };
    }

    private static double Millimetres(string number, string unit) =>
        Math.Round(
            Number(number)
                * (
                    unit.ToLowerInvariant() switch
                    {
                        "cm" => 10,
                        "in" or "\"" => Inch,
                        _ => 1,
                    }
                ),
            2
        );

    private static double Number(string text) => double.Parse(text.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture);

    [GeneratedRegex(@"\t|;|,(?!\d)", RegexOptions.CultureInvariant)]
    private static partial Regex Parts();

    [GeneratedRegex(@"^(\d{1,9})\s*(?:[x×]\s+)?(?=\D|$)", RegexOptions.CultureInvariant)]
    private static partial Regex Count();

    [GeneratedRegex(
        """(?:⌀|ø|Ø)?\s*(\d{1,6}(?:[.,]\d{1,4})?)\s*[x×*]\s*(\d{1,6}(?:[.,]\d{1,4})?)(?:\s*[x×*]\s*(\d{1,6}(?:[.,]\d{1,4})?))?\s*(mm|cm|in\b|")?""",
        RegexOptions.CultureInvariant | RegexOptions.IgnoreCase
    )]
    private static partial Regex Size();

    [GeneratedRegex(
        """^(?:wall\s*)?(\d{1,6}(?:[.,]\d{1,4})?)\s*(mm|cm|in|")(?:\s*(?:wall|thick))?$|^wall\s*(\d{1,6}(?:[.,]\d{1,4})?)$""",
        RegexOptions.CultureInvariant | RegexOptions.IgnoreCase
    )]
    private static partial Regex Wall();

    [GeneratedRegex(@"\d\s*(mm|cm|in|kg|g)\b", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex Measure();

    [GeneratedRegex(@"^(\d{1,6}(?:[.,]\d{1,4})?)\s*(kg|g)(?:\s*each)?$", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex Mass();

    [GeneratedRegex("""^handles?\s*(\d{1,6}(?:[.,]\d{1,4})?)\s*(mm|cm|in|")?$""", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex Handle();
}
