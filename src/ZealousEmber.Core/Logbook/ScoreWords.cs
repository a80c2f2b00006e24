using ZealousEmber.Core.Firing.Live;

namespace ZealousEmber.Core.Logbook;

/// <summary>How well firings were foretold, in words.</summary>
public static class ScoreWords
{
    /// <summary>A kind of number, as it is headed.</summary>
    public static string Label(ForetoldKind kind) =>
        kind switch
        {
            ForetoldKind.Top => "Top",
            ForetoldKind.TopOver => "Top over after",
            ForetoldKind.Energy => "Energy",
            ForetoldKind.Gas => "Gas",
            ForetoldKind.Cool => "May be opened after",
            _ => "What the shelves get",
        };

    /// <summary>What it is counted in.</summary>
    public static string Unit(ForetoldKind kind) =>
        kind switch
        {
            ForetoldKind.Top => "°C",
            ForetoldKind.TopOver or ForetoldKind.Cool => "h",
            ForetoldKind.Energy => "kWh",
            ForetoldKind.Gas => "kg",
            _ => "°C of cone",
        };

    /// <summary>"5 of 8 inside. Told 1.6 times as wide until four in five are."</summary>
    /// <param name="inside">So many came out inside.</param>
    /// <param name="of">Of so many that are known; at least 1.</param>
    /// <param name="widened">So many times as wide the next one is told.</param>
    public static string Figure(int inside, int of, double widened) =>
        $"{inside} of {of} inside."
        + (widened > 1 ? $" Told {Phrases.Number(Math.Round(widened, 1, MidpointRounding.ToPositiveInfinity))} times as wide until four in five are." : "");

    /// <summary>A kiln in one sentence.</summary>
    /// <param name="kiln">Its name.</param>
    /// <param name="firings">Of which something was foretold.</param>
    /// <param name="inside">Numbers that came out inside their band.</param>
    /// <param name="of">Numbers that are known.</param>
    /// <param name="isWidened">Some of its bands are told wider now.</param>
    public static string Kiln(string kiln, int firings, int inside, int of, bool isWidened) =>
        of == 0
            ? $"Nothing to hold against each other yet: from now on what is foretold when a firing in {kiln} is started is kept, and held against what came."
            : $"Of {of} numbers foretold when its last {(firings == 1 ? "firing was" : $"{firings} firings were")} started, {inside} came out inside their band; "
                + $"four in five are to. {(isWidened ? "What was off is told wider until it is right again; hours and energy in every plan as well." : "No band has to be told wider.")}";

    /// <summary>A firing in one sentence.</summary>
    public static string Firing(int inside, int known, int told) =>
        told == 0 ? "Nothing was foretold when this firing was started."
        : known == 0 ? "Foretold when it was started. What came is held against it once it is opened and read."
        : $"{inside} of {Phrases.Count(known, "number")} came out inside what was foretold when it was started; four in five are to.";
}
