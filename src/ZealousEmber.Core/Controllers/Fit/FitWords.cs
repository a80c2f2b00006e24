using NodaTime;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>What is different from the wanted schedule.</summary>
/// <param name="Kind">Stable: merged, cut, split, clamped, rounded, no-full, hold, top, cooling, preset.</param>
/// <param name="Step">Of the program, from 1; nothing for the whole.</param>
/// <param name="Text">In a sentence.</param>
public sealed record FitChange(string Kind, int? Step, string Text);

/// <summary>Says what is different, why it does not fit, and what would do.</summary>
internal sealed class FitWords(ControllerProfile profile, WantedCurve wanted, StepWords words)
{
    private const double Visible = 0.005;

    /// <summary>Of the steps as they were chosen.</summary>
    public IEnumerable<FitChange> OfSteps(IReadOnlyList<Piece> pieces, IReadOnlyList<StepToTell> steps, IReadOnlyList<Answer> program)
    {
        var number = 0;
        foreach (var piece in pieces)
        {
            var (a, b) = (wanted.Points[piece.From], wanted.Points[piece.To]);
            var isFlat = Math.Abs(a.Celsius - b.Celsius) < 0.5;
            var tells = !(isFlat && profile.Give == StepForm.Rate && number > 0 && piece.Parts == 1);
            if (tells)
                number += piece.Parts;
            var step = Math.Max(1, number);
            var covered = Enumerable.Range(piece.From, piece.To - piece.From).Select(i => wanted.Stretches[i]).ToList();
            if (piece.Parts > 1)
                yield return new("split", step, $"Too long for one step: in {piece.Parts} equal parts.");
            var held = covered.Any(s => s.Kind == StretchKind.Hold);
            var from = covered.Select(s => s.Step + 1).Distinct().ToList();
            // A ramp that was only looked at in parts is one as it was.
            if (from.Count > 1 || (held && covered.Count > 1))
            {
                var what = from.Count == 1 ? $"Step {from[0]}" : $"Steps {from[0]} {(from.Count == 2 ? "and" : "to")} {from[^1]}";
                yield return new(
                    "merged",
                    step,
                    $"{what}{(held ? " with the hold" : "")} become{(from.Count == 1 ? "s" : "")} one climb, {Degrees(a.Celsius)} to {Degrees(b.Celsius)} in {Time(b.Hours - a.Hours)}.".Replace(
                        "climb",
                        b.Celsius < a.Celsius ? "cooling" : "climb",
                        StringComparison.Ordinal
                    )
                );
            }
            else if (covered[0].Kind is StretchKind.Full or StretchKind.Off && words.For(covered[0].Kind) is null)
                yield return new(
                    "no-full",
                    step,
                    $"It has no word for {(covered[0].Kind == StretchKind.Full ? "full power" : "power off")}: {Degrees(b.Celsius)} is reached in "
                        + $"{Time(b.Hours - a.Hours)} instead."
                );
            if (
                profile.Give == StepForm.Rate
                && !isFlat
                && steps[step - 1].Kind == StretchKind.Ramp
                && NumberOf(program, new Asked(words.Pace, step).Id) is { } rate
            )
            {
                var (said, asked) = (words.CelsiusPerHour(rate), steps[step - 1].CelsiusPerHour);
                if (words.RateOf(asked) > words.Pace.Max + words.Pace.Step / 2 || words.RateOf(asked) < words.Pace.Min - words.Pace.Step / 2)
                    yield return new("clamped", step, $"{Rate(asked)} cannot be said; {Rate(said)} is the nearest.");
                else if (from.Count == 1 && !held && Math.Abs(said / asked - 1) > Visible)
                    yield return new("rounded", step, $"{Rate(said)} instead of {Rate(asked)}.");
            }
        }
        if (wanted.TopEnd == wanted.Points.Count - 1)
            yield break;
        if (profile.Cooling == CoolingRule.None)
            yield return new("cooling", null, "It ends at the top; the kiln cools by itself.");
        if (profile.Cooling == CoolingRule.One && NumberOf(program, "cool") is { } cool)
            yield return new(
                "cooling",
                null,
                $"One cooling of {Rate(words.CelsiusPerHour(cool))} down to {Phrases.Number(profile.CoolTo!.Value)} {profile.Unit.Symbol()}."
            );
    }

    /// <summary>Of the top, where it was changed for the same heat work.</summary>
    public IEnumerable<FitChange> OfTop(double moved, double heldBefore, double held)
    {
        if (moved != 0)
            yield return new(
                "top",
                null,
                $"The top is {Phrases.Number(Math.Abs(moved))} {profile.Unit.Symbol()} {(moved < 0 ? "lower" : "higher")}, for the same heat work."
            );
        if (Math.Abs(held - heldBefore) >= 0.5)
            yield return new(
                "hold",
                null,
                $"The top is held {Phrases.Number(Math.Round(held))} min instead of {Phrases.Number(Math.Round(heldBefore))}, for the same heat work."
            );
    }

    /// <summary>Why it is another firing.</summary>
    public string Why(Comparison compare, double work, double told, double sameWork, int? stepsThatDo)
    {
        var reasons = new List<string>();
        foreach (var (band, had, has) in compare.Shortened)
            reasons.Add($"{band.Why} comes down from {Phrases.Number(Math.Round(had, 1))} to {Phrases.Number(Math.Round(has, 1))} h");
        if (Math.Abs(told / work - 1) > sameWork)
            reasons.Add($"the ware gets {Phrases.Number(Math.Round(Math.Abs(told / work - 1) * 100))} % {(told > work ? "more" : "less")} heat work");
        if (compare.IsCoolingHalved)
            reasons.Add("the cooling that was asked for is lost");
        if (reasons.Count == 0)
            return "";
        var text = Phrases.List(reasons);
        text = $"{char.ToUpperInvariant(text[0])}{text[1..]}.";
        if (stepsThatDo is { } steps)
            text += $" A controller with {Phrases.Count(steps, "step")} would do.";
        if (compare.Shortened.Any(s => s.Band.Why == "drying"))
            text += " Or dry it first, by itself.";
        return text;
    }

    private static double? NumberOf(IEnumerable<Answer> program, string id) => program.Where(a => a.Asked.Id == id).Select(a => a.Value).FirstOrDefault();

    private string Degrees(double celsius) => $"{Phrases.Number(Math.Round(words.DegreesOf(celsius)))} {profile.Unit.Symbol()}";

    private string Rate(double celsiusPerHour) =>
        $"{Phrases.Number(Math.Round(Units.Rate.PerHour(celsiusPerHour).PerHourIn(profile.Unit), 1))} {profile.Unit.Symbol()}/h";

    private static string Time(double hours) => Phrases.Hours(Duration.FromMinutes(Math.Round(hours * 60)));
}
