namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>Answers that are the same however a controller is told its steps: which program, alarm, delay.</summary>
internal static class OtherAnswers
{
    /// <summary>The answer, as it is shown; what the display has by itself where the question is none of these.</summary>
    /// <param name="profile">Whose question.</param>
    /// <param name="question">What is asked.</param>
    /// <param name="slot">Under which program; the first when missing.</param>
    /// <param name="delay">Minutes before it begins.</param>
    /// <param name="top">The hottest, degrees of the profile's unit.</param>
    public static string Of(ControllerProfile profile, Question question, string? slot, double delay, double top)
    {
        string Near(double value) => question.Show(question.Nearest(value));
        return question.Id switch
        {
            "slot" => slot is not null && question.IsAnswer(slot) ? slot : question.Untouched,
            "alarm" => profile.AlarmAbove is { } above ? Near(Math.Floor(top + 0.5) + above) : question.Word("none") ?? Near(question.Max),
            "delay" => Near(delay),
            _ => question.Untouched,
        };
    }
}
