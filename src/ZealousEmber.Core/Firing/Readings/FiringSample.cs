namespace ZealousEmber.Core.Firing.Readings;

/// <summary>A reading of a running firing, as a logger or a hand gave it.</summary>
/// <param name="Minutes">Since the start; may be a little before it.</param>
/// <param name="Celsius">What the display showed; nothing where it showed no value.</param>
/// <param name="Share">Mean power share 0 … 1 since the reading before, where it is known.</param>
/// <param name="SetPoint">What was asked, °C, where it is known; nothing with the power off.</param>
/// <param name="ByHand">Read off by somebody.</param>
public readonly record struct FiringSample(double Minutes, double? Celsius, double? Share = null, double? SetPoint = null, bool ByHand = false)
{
    /// <summary>Colder readings are none, °C.</summary>
    public const double Coldest = -50;

    /// <summary>Hotter readings are none, °C.</summary>
    public const double Hottest = 1800;

    /// <summary>So far ahead of the clock a reading may be, minutes.</summary>
    public const double MostAhead = 2;

    /// <summary>Why it is refused; nothing when it is taken.</summary>
    /// <param name="now">Minutes since the start by the program's own clock; nothing where a log is read afterwards.</param>
    public string? Refusal(double? now) =>
        Celsius is { } value && !(value >= Coldest && value <= Hottest)
            ? $"No kiln is at {Phrases.Number(value)} °C: a reading lies between {Phrases.Number(Coldest)} and {Phrases.Number(Hottest)} °C."
        : Share is { } share && !(share >= 0 && share <= 1) ? "A power share lies between 0 and 1."
        : SetPoint is { } asked && !(asked >= Coldest && asked <= Hottest)
            ? $"A set point lies between {Phrases.Number(Coldest)} and {Phrases.Number(Hottest)} °C."
        : now is { } clock && Minutes > clock + MostAhead ? "This reading is from the future: check the clock of the logger."
        : null;
}
