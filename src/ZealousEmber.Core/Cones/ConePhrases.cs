using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Cones;

/// <summary>What the whole row of cones says, as a potter would say it.</summary>
public static class ConePhrases
{
    /// <summary>Progress from which a cone counts as reached: its tip at 5 o'clock.</summary>
    private const double Reached = 0.9;

    /// <summary>Progress past which a cone is more than reached: it lies flat.</summary>
    private static readonly double Past = ConeBend.ProgressAt(ConeBend.Flat);

    /// <summary>"Reaches cone 6; 7 at half past 2", "A little past cone 6; 7 at 4 o'clock", "Below cone 022".</summary>
    /// <param name="progress">Of every cone, in the order of <see cref="Cone.All"/>.</param>
    public static string Nearest(IReadOnlyList<double> progress)
    {
        if (HottestDown(progress) is not { } cone)
            return $"Below cone {Cone.All[0].Number}, which {ConeBend.Phrase(progress[0])}";
        var lead = progress[cone.Order] > Past ? $"A little past cone {cone.Number}" : $"Reaches cone {cone.Number}, tip {Tip(progress[cone.Order])}";
        return cone.Hotter is { } next ? $"{lead}; {next.Number} {ConeBend.Phrase(progress[next.Order])}" : lead;
    }

    /// <summary>The hottest cone that is down, which is what one sees; nothing when all stand.</summary>
    /// <param name="progress">Of every cone, in the order of <see cref="Cone.All"/>.</param>
    public static Cone? HottestDown(IReadOnlyList<double> progress)
    {
        for (var i = progress.Count - 1; i >= 0; i--)
        {
            if (progress[i] >= Reached)
                return Cone.All[i];
        }
        return null;
    }

    /// <summary>
    /// A word about a missing or needless zero: when the firing brings down the goal's twin and not the goal. Nothing otherwise.
    /// </summary>
    public static string? ZeroSlip(Cone goal, IReadOnlyList<double> progress)
    {
        static bool Falls(double d) => d is > 0.3 and < 6;
        return goal.Twin is { } twin && Falls(progress[twin.Order]) && !Falls(progress[goal.Order])
            ? $"This firing is for cone {twin.Number}, and the goal says {goal.Number}: {ConeNumber.Apart(twin, goal)} (at 60 °C/h)."
            : null;
    }

    private static string Tip(double progress)
    {
        var words = ConeBend.Phrase(progress);
        return words.StartsWith("down", StringComparison.Ordinal) ? "at 6 o’clock" : words;
    }
}
