using System.Collections.Immutable;
using System.Globalization;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>Switches turned at a moment.</summary>
/// <param name="Minute">Since it was switched on.</param>
/// <param name="Positions">Of every section then, in the profile's order.</param>
public sealed record DialTurn(double Minute, ImmutableArray<string> Positions);

/// <summary>How the switches of a kiln are turned in a firing, from its start to its off.</summary>
/// <param name="Sections">What its switches are called.</param>
/// <param name="Positions">What each can be turned to, the lowest first.</param>
/// <param name="Turns">In order; the first at minute 0, with the start.</param>
/// <param name="OffMinute">When all are turned off.</param>
/// <param name="Share">Of the kiln's full power that comes, as far as readings tell; 1 without any.</param>
/// <param name="Cutoff">The cone that switches off by itself; nothing where there is no place for one.</param>
/// <param name="TimerMinutes">What the timer is set to; nothing where there is none.</param>
public sealed record DialCourse(
    ImmutableArray<string> Sections,
    ImmutableArray<string> Positions,
    ImmutableArray<DialTurn> Turns,
    double OffMinute,
    double Share = 1,
    string? Cutoff = null,
    double? TimerMinutes = null
)
{
    private const char BetweenTurns = ';';
    private const char BetweenNumbers = ' ';

    /// <summary>Everything at its lowest.</summary>
    public ImmutableArray<string> Off => [.. Sections.Select(_ => Positions[0])];

    /// <summary>Whether a turn leaves nothing on.</summary>
    public bool IsOff(ImmutableArray<string> positions) => positions.All(p => p == Positions[0]);

    /// <summary>The switches as they stand, by their places among <see cref="Positions"/>: "0 2 3".</summary>
    public string Write(ImmutableArray<string> positions) =>
        string.Join(BetweenNumbers, positions.Select(p => Positions.IndexOf(p).ToString(CultureInfo.InvariantCulture)));

    /// <summary>The same read back; nothing for what is not one position for each section.</summary>
    public ImmutableArray<string>? Read(string? places)
    {
        var read = (places ?? "").Split(BetweenNumbers, StringSplitOptions.RemoveEmptyEntries);
        if (read.Length != Sections.Length)
            return null;
        var words = ImmutableArray.CreateBuilder<string>(read.Length);
        foreach (var place in read)
        {
            if (!int.TryParse(place, NumberStyles.None, CultureInfo.InvariantCulture, out var at) || at >= Positions.Length)
                return null;
            words.Add(Positions[at]);
        }
        return words.ToImmutable();
    }

    /// <summary>Turns and off as a line to be kept with an entry: "0 1 1; 95 2 2; off 480; power 0.94".</summary>
    public string WriteTurns() =>
        string.Join(
            $"{BetweenTurns} ",
            [
                .. Turns.Select(t => string.Create(CultureInfo.InvariantCulture, $"{Math.Round(t.Minute, 1)}{BetweenNumbers}{Write(t.Positions)}")),
                string.Create(CultureInfo.InvariantCulture, $"off {Math.Round(OffMinute, 1)}"),
                string.Create(CultureInfo.InvariantCulture, $"power {Math.Round(Share, 3)}"),
            ]
        );

    /// <summary>This course with the turns of such a line; nothing where it is none.</summary>
    public DialCourse? With(string? line)
    {
        var parts = (line ?? "").Split(BetweenTurns, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (parts.Length < 3 || Number(parts[^2], "off ") is not { } off || Number(parts[^1], "power ") is not { } share)
            return null;
        var turns = ImmutableArray.CreateBuilder<DialTurn>();
        foreach (var part in parts[..^2])
        {
            var cut = part.IndexOf(BetweenNumbers, StringComparison.Ordinal);
            if (cut < 0 || Number(part[..cut], "") is not { } minute || Read(part[cut..]) is not { } positions)
                return null;
            turns.Add(new DialTurn(minute, positions));
        }
        return this with { Turns = turns.ToImmutable(), OffMinute = off, Share = share };
    }

    private static double? Number(string text, string after) =>
        text.StartsWith(after, StringComparison.Ordinal)
        && double.TryParse(text[after.Length..], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value)
            ? value
            : null;
}

/// <summary>Switches as they were turned in a firing, and what is turned next.</summary>
/// <param name="Course">As it is followed.</param>
/// <param name="Made">As it was turned, the first with the start.</param>
public sealed record DialsTurned(DialCourse Course, ImmutableArray<DialTurn> Made)
{
    /// <summary>At the start: the first turn is made with it.</summary>
    public static DialsTurned Begun(DialCourse course) => new(course, [course.Turns[0] with { Minute = 0 }]);

    /// <summary>What is turned next; nothing once only the off is left.</summary>
    public DialTurn? Next => Made.Length < Course.Turns.Length ? Course.Turns[Made.Length] : null;

    /// <summary>Turned at a moment; one that is not after the last is that one, said again.</summary>
    public DialsTurned With(double minute, ImmutableArray<string> positions) =>
        this with
        {
            Made =
                minute > Made[^1].Minute ? Made.Add(new DialTurn(minute, positions)) : Made.SetItem(Made.Length - 1, Made[^1] with { Positions = positions }),
        };

    /// <summary>"upper to 3, lower to 4": what changes by a turn.</summary>
    public string Say(ImmutableArray<string> to)
    {
        var from = Made[^1].Positions;
        var changed = Course.Sections.Select((name, i) => (name, i)).Where(s => from[s.i] != to[s.i]).Select(s => $"{s.name} to {to[s.i]}");
        return Phrases.List(changed);
    }
}
