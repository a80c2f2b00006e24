using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Notation;

/// <summary>A stretch of the text, for pointing at it.</summary>
/// <param name="Position">Characters from the start of the text, from 0.</param>
/// <param name="Length">How many characters.</param>
internal readonly record struct Place(int Position, int Length)
{
    public Place To(Place end) => new(Position, Math.Max(Length, end.Position + end.Length - Position));
}

/// <summary>A number as written, with the scale where one was written beside it.</summary>
internal sealed record NumberText(double Value, TemperatureUnit? Unit, Place Place);

/// <summary>A length of time as written.</summary>
internal sealed record TimeText(double Minutes, Place Place);

/// <summary>How a step says it goes to its target.</summary>
internal abstract record PaceText(Place Place)
{
    internal sealed record AtRate(NumberText Rate, double PerHour, Place Place) : PaceText(Place);

    internal sealed record InTime(TimeText Time) : PaceText(Time.Place);

    internal sealed record FullPower(Place Place) : PaceText(Place);

    internal sealed record PowerOff(Place Place) : PaceText(Place);
}

/// <summary>Which way a step says it goes, where it says so.</summary>
internal enum Verb
{
    None,
    Climb,
    Cool,
}

/// <summary>What stands between two separators: a step, or something more about the step before it.</summary>
internal abstract record Phrase
{
    internal sealed record Step(Verb Verb, Place Place, PaceText Pace, NumberText? Target) : Phrase;

    internal sealed record Hold(TimeText? Time, NumberText? At, Place Place) : Phrase;

    internal sealed record Air(Atmosphere Atmosphere, Place Place) : Phrase;

    internal sealed record Why(string Text, Place Place) : Phrase;
}
