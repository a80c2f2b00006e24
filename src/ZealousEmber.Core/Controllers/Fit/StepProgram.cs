using System.Collections.Immutable;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>A step as a controller will be told it; °C, minutes, °C an hour.</summary>
/// <param name="Kind">Steadily, at full power, off, or staying.</param>
/// <param name="CelsiusPerHour">Of a ramp, more than 0.</param>
/// <param name="Minutes">To the target.</param>
/// <param name="Target">°C.</param>
/// <param name="Hold">Minutes there.</param>
internal sealed record StepToTell(StretchKind Kind, double CelsiusPerHour, double Minutes, double Target, double Hold);

/// <summary>The answers that tell a controller some steps.</summary>
internal sealed class StepProgram
{
    private readonly ControllerProfile profile;
    private readonly StepWords words;
    private readonly string? slot;
    private readonly double delay;

    public StepProgram(ControllerProfile profile, StepWords words, string? slot, double delay) =>
        (this.profile, this.words, this.slot, this.delay) = (profile, words, slot, delay);

    /// <summary>The steps of pieces of a wanted curve, and which of them is the top.</summary>
    public static (List<StepToTell> Steps, int Top) StepsOf(ControllerProfile profile, WantedCurve wanted, IReadOnlyList<Piece> pieces, StepWords words)
    {
        var (steps, top) = (new List<StepToTell>(), -1);
        foreach (var piece in pieces)
        {
            var (a, b) = (wanted.Points[piece.From], wanted.Points[piece.To]);
            var (hours, kind) = (b.Hours - a.Hours, piece.To == piece.From + 1 ? wanted.Stretches[piece.From].Kind : StretchKind.Ramp);
            if (kind is StretchKind.Full or StretchKind.Off && words.For(kind) is null)
                kind = StretchKind.Ramp;
            var isFlat = Math.Abs(a.Celsius - b.Celsius) < 0.5;
            if (isFlat && profile.Give == StepForm.Rate && steps.Count > 0 && piece.Parts == 1)
                steps[^1] = steps[^1] with { Hold = hours * 60 };
            else
            {
                for (var part = 1; part <= piece.Parts; part++)
                {
                    var target = a.Celsius + (b.Celsius - a.Celsius) * part / piece.Parts;
                    var minutes = hours * 60 / piece.Parts;
                    // A part that is flat stays where it is; where a rate has to be named, any will do.
                    steps.Add(
                        isFlat && profile.Give == StepForm.Rate
                            ? new StepToTell(StretchKind.Hold, 60, 0, target, minutes)
                            : new StepToTell(isFlat ? StretchKind.Hold : kind, Math.Abs(b.Celsius - a.Celsius) / hours, minutes, target, 0)
                    );
                }
            }
            if (piece.To == wanted.TopStart)
                top = steps.Count - 1;
        }
        return (steps, top);
    }

    /// <summary>All answers, in the order they are asked.</summary>
    /// <param name="steps">What it is told.</param>
    /// <param name="top">The top, °C.</param>
    /// <param name="topHold">Minutes at the top, where it asks that by itself.</param>
    /// <param name="cool">°C an hour down, where it asks that; nothing for none.</param>
    public ImmutableArray<Answer> Of(IReadOnlyList<StepToTell> steps, double top, double topHold, double? cool)
    {
        string Answer(Asked asked)
        {
            var q = asked.Question;
            string Near(double value) => q.Show(q.Nearest(value));
            if (asked.Step is { } k && k > steps.Count)
                return q.Word(profile.Count == Counting.Fixed ? "skip" : "end") ?? q.Untouched;
            var step = asked.Step is { } number ? steps[number - 1] : null;
            return q.Id switch
            {
                "count" => Near(steps.Count),
                "rate" => words.For(step!.Kind) ?? Near(words.RateOf(step.CelsiusPerHour)),
                "time" => words.For(step!.Kind) ?? Near(step.Minutes),
                "target" => Near(words.DegreesOf(step!.Target)),
                "hold" => Near(step?.Hold ?? topHold),
                "cool" => cool is { } rate ? Near(words.RateOf(rate)) : q.Word("skip") ?? q.Untouched,
                _ => OtherAnswers.Of(profile, q, slot, delay, words.DegreesOf(top)),
            };
        }
        return [.. ProgramWalk.Of(profile, Answer).Select(a => new Answer(a, Answer(a)))];
    }
}
