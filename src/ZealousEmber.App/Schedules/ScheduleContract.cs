using System.ComponentModel.DataAnnotations;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Schedules;

/// <summary>A schedule on the wire; numbers in its own unit.</summary>
/// <param name="Name">1 … 120 characters.</param>
/// <param name="Kind">What it is for.</param>
/// <param name="Unit">C or F; every temperature and rate beside it is in this unit.</param>
/// <param name="Segments">1 … 64 steps.</param>
/// <param name="Notes">Up to 4000 characters.</param>
/// <param name="Tags">Up to 12, each up to 30 characters.</param>
/// <param name="GoalCone">The cone it is meant to bring down: 04, 6, 5½.</param>
public sealed record ScheduleContract(
    string? Name,
    [property: AllowedValues("drying", "bisque", "glaze", "once-fired")] string? Kind,
    [property: AllowedValues("C", "F")] string? Unit,
    IReadOnlyList<SegmentContract?>? Segments,
    string? Notes = null,
    IReadOnlyList<string?>? Tags = null,
    string? GoalCone = null);

/// <summary>A step on the wire.</summary>
/// <param name="Pace">At a rate, at full power, or with the power off.</param>
/// <param name="Rate">Degrees an hour, without a sign; only with pace "rate".</param>
/// <param name="Target">Degrees; may be left out only in a last step with the power off.</param>
/// <param name="HoldMinutes">0 … 5940.</param>
/// <param name="Reason">Why, one line up to 200 characters.</param>
/// <param name="Atmosphere">The kiln's air, where it matters.</param>
public sealed record SegmentContract(
    [property: AllowedValues("rate", "full", "natural")] string? Pace,
    double? Rate = null,
    double? Target = null,
    double? HoldMinutes = null,
    string? Reason = null,
    [property: AllowedValues("oxidising", "neutral", "light-reduction", "heavy-reduction")] string? Atmosphere = null);

/// <summary>Words of the wire for the core's names, and back.</summary>
internal static class WireTerms
{
    public static readonly Vocabulary<ScheduleKind> Kinds = new(
        ("drying", ScheduleKind.Drying), ("bisque", ScheduleKind.Bisque), ("glaze", ScheduleKind.Glaze), ("once-fired", ScheduleKind.OnceFired));

    public static readonly Vocabulary<PaceKind> Paces = new(
        ("rate", PaceKind.Rate), ("full", PaceKind.Full), ("natural", PaceKind.Natural));

    public static readonly Vocabulary<Atmosphere> Atmospheres = new(
        ("oxidising", Atmosphere.Oxidising), ("neutral", Atmosphere.Neutral),
        ("light-reduction", Atmosphere.LightReduction), ("heavy-reduction", Atmosphere.HeavyReduction));

    public static readonly Vocabulary<TemperatureUnit> Units = new(("C", TemperatureUnit.Celsius), ("F", TemperatureUnit.Fahrenheit));
}

/// <summary>A fixed list of words, each for one value; read without regard to case.</summary>
internal sealed class Vocabulary<T>(params (string Word, T Value)[] words) where T : struct, Enum
{
    public string Format(T value) => words.First(w => EqualityComparer<T>.Default.Equals(w.Value, value)).Word;

    public T? Read(string? word)
    {
        foreach (var (known, value) in words)
        {
            if (string.Equals(known, word?.Trim(), StringComparison.OrdinalIgnoreCase)) return value;
        }
        return null;
    }

    /// <summary>"“raku” is not a kind of firing; it is drying, bisque, glaze or once-fired."</summary>
    public string Refuse(string? word, string what)
    {
        var choices = string.Join(", ", words.SkipLast(1).Select(w => w.Word)) + " or " + words[^1].Word;
        return string.IsNullOrWhiteSpace(word)
            ? $"Here {what} is missing; it is {choices}."
            : $"“{(word.Length > 40 ? word[..40] + "…" : word)}” is not {what}; it is {choices}.";
    }
}
