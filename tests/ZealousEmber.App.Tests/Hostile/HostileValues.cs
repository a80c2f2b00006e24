using System.Text.Json.Nodes;

namespace ZealousEmber.App.Tests.Hostile;

/// <summary>Values at the edges of every limit, and a little beyond; the same for the same seed.</summary>
internal sealed class HostileValues(int seed)
{
    private static readonly double[] Numbers =
    [
        0,
        -0.0,
        1,
        2,
        3,
        5,
        6,
        9,
        10,
        12,
        15,
        20,
        25,
        30,
        45,
        59,
        60,
        64,
        65,
        80,
        90,
        99,
        100,
        120,
        150,
        180,
        200,
        250,
        300,
        400,
        500,
        573,
        600,
        900,
        1000,
        1050,
        1100,
        1200,
        1222,
        1290,
        1340,
        1400,
        1401,
        2000,
        2001,
        2552,
        5940,
        5941,
        -1,
        -20,
        -21,
        -273.15,
        -273.16,
        -459.67,
        -459.68,
        0.001,
        0.05,
        0.1,
        0.3,
        0.5,
        0.999,
        1.5,
        1e-300,
        -1e-9,
        10_000,
        100_000,
        1e6,
        1e9,
        int.MaxValue,
        2147483648,
        -2147483649,
        9007199254740993,
        double.MaxValue,
        double.MinValue,
        double.Epsilon,
    ];

    private static readonly string[] Odds =
    [
        "null",
        "\"x\"",
        "[]",
        "{}",
        "true",
        "\"\"",
        "\"NaN\"",
        "[null]",
        "\"\\u0000\"",
        "\"half a character\"",
        "\"04\"",
        "{\"a\":{}}",
        "1e999",
        "-1e-999",
        "\"°F\"",
        "\"🏺\"",
    ];

    private static readonly Dictionary<string, string[]> Known = new(StringComparer.OrdinalIgnoreCase)
    {
        ["class"] = ["top-190", "top-100", "top-290", "front-200", "bench", "updraft-300", "updraft-700", "downdraft-1000", "cube"],
        ["goalCone"] = ["6", "04", "06", "022", "10", "14", "018", "5½"],
        ["cone"] = ["6", "04", "022", "10", "5½"],
        ["coneFrom"] = ["04", "5", "6"],
        ["coneTo"] = ["6", "7", "10"],
        ["line"] = ["100/h to 200 hold 1h; full to 1208 hold 12m; off"],
        ["text"] = ["80/h to 200 hold 45m; off", "26 mugs ⌀85 × 100, 6 mm", "1100°; 0.15", ""],
        ["what"] = ["mugs", "tiles", "planters"],
        ["align"] = ["start", "top", "rise", "fall"],
        ["fault"] = ["dull-crystals", "burst", "pinholes"],
        ["kind"] =
        [
            "pinholes",
            "shelves",
            "note",
            "reading",
            "steam",
            "dry",
            "cone-down",
            "colour",
            "acknowledged",
            "turned",
            "air-sign",
            "replanned",
            "left-out",
            "weighed",
            "reprogrammed",
        ],
        ["shelf"] = ["top", "middle", "1"],
        ["logger"] = ["box"],
        ["stream"] = ["1", "2"],
        ["question"] = ["rate.1", "slot", "count", "target.1"],
        ["shown"] = ["100", "1.30", "0", "1", "Dry"],
        ["timeZone"] = ["Europe/London", "Nowhere/At all"],
        ["startsAt"] = ["2026-11-29T08:00:00Z", "2026-11-29T08:00:00", "1970-01-01T00:00:00Z"],
        ["at"] = ["2026-11-29T10:00:00Z", "2026-10-25T01:30:00", "9999-12-31T23:59:59+14:00", "yesterday"],
        ["from"] = ["2026-11-29T10:00:00Z", "08:00", "24:00"],
        ["until"] = ["2026-12-02T10:00:00Z"],
        ["start"] = ["2026-11-29T10:00:00Z"],
        ["delimiter"] = [",", ";", "\t"],
        ["format"] = ["csv", "json", "H.MM", "whole", "cone"],
        ["program"] = ["set", "planned"],
        ["slot"] = ["1", "2", "Oyster"],
        ["ids"] = ["1,2,3", ","],
        ["search"] = ["mug", "\"", "%", "*"],
    };

    private readonly Random dice = new(seed);

    /// <summary>One thing in twenty-five is of another kind altogether.</summary>
    public bool IsOdd => dice.Next(25) == 0;

    /// <summary>One field in four is not said.</summary>
    public bool IsLeftOut => dice.Next(4) == 0;

    /// <summary>A number from 0 up to one less.</summary>
    public int Next(int below) => dice.Next(Math.Max(1, below));

    /// <summary>Something of another kind.</summary>
    public JsonNode? Odd()
    {
        var text = Odds[dice.Next(Odds.Length)];
        return text.Contains("999", StringComparison.Ordinal) ? JsonValue.Create(double.MaxValue) : JsonNode.Parse(text);
    }

    /// <summary>A number: usual, at an edge, or a hair beside one.</summary>
    public JsonNode Number()
    {
        var value = Numbers[dice.Next(Numbers.Length)];
        return JsonValue.Create(
            dice.Next(6) switch
            {
                0 => Math.BitIncrement(value),
                1 => value * dice.NextDouble(),
                _ => value,
            }
                is var made
            && double.IsFinite(made)
                ? made
                : value
        );
    }

    /// <summary>A whole number; of things that are numbered, mostly one there is.</summary>
    public JsonNode Whole(string name) =>
        name.EndsWith("Id", StringComparison.Ordinal) || name is "firings" or "glazeIds"
            ? JsonValue.Create(dice.Next(8) == 0 ? int.MaxValue : 1 + dice.Next(12))
        : dice.Next(5) == 0 ? Number()
        : JsonValue.Create((int)Math.Clamp(Numbers[dice.Next(Numbers.Length)], int.MinValue, int.MaxValue));

    /// <summary>Text for a field of some name.</summary>
    public string Text(string name)
    {
        if (Known.TryGetValue(name, out var known) && dice.Next(8) != 0)
            return known[dice.Next(known.Length)];
        return dice.Next(14) switch
        {
            0 => "",
            1 => " ",
            2 => "\u0000",
            3 => "a\nb",
            4 => "🏺",
            5 => new string(
                'x',
                dice.Next(3) switch
                {
                    0 => 61,
                    1 => 2001,
                    _ => 20_000,
                }
            ),
            6 => "=1+1",
            7 => "../../etc/passwd",
            8 => "'; DROP TABLE kilns; --",
            9 => "bone-dry",
            10 => "\u202e\u200b",
            11 => "é\u0301",
            12 => "C",
            _ => $"Some {name} {dice.Next(100)}",
        };
    }

    /// <summary>What stands in an address for a number.</summary>
    public string Id() =>
        dice.Next(12) switch
        {
            0 => "0",
            1 => "-1",
            2 => "2147483647",
            3 => "99999999999",
            4 => "x",
            _ => (1 + dice.Next(14)).ToString(System.Globalization.CultureInfo.InvariantCulture),
        };

    /// <summary>A version named before a save.</summary>
    public string? IfMatch() =>
        dice.Next(8) switch
        {
            0 => null,
            1 => "W/\"1\"",
            2 => "\"x\"",
            3 => "\"1\"",
            4 => "\"2\", \"3\"",
            _ => "*",
        };

    /// <summary>A key of a save.</summary>
    public string? Key() =>
        dice.Next(10) switch
        {
            0 => "again",
            1 => "café",
            2 => new string('k', 65),
            3 => "k " + dice.Next(1000),
            _ => null,
        };

    /// <summary>A body broken as text: cut short, or with a wrong byte in it.</summary>
    public string Broken(string body) =>
        dice.Next(20) switch
        {
            0 => body[..dice.Next(body.Length + 1)],
            1 => body + "}",
            2 => body.Replace(":", ":\ufffd", StringComparison.Ordinal),
            3 => "",
            _ => body.Replace("half a character", "\\ud800", StringComparison.Ordinal),
        };
}
