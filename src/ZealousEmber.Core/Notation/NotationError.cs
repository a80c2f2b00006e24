namespace ZealousEmber.Core.Notation;

/// <summary>Where a line of shorthand could not be read, and what would have been right.</summary>
/// <param name="Position">Characters from the start of the text, from 0.</param>
/// <param name="Length">How many characters the fault covers; 0 at the end of the text.</param>
/// <param name="Line">Line, from 1.</param>
/// <param name="Column">Character in the line, from 1.</param>
/// <param name="Message">What is wrong and what was expected, in a sentence or two.</param>
public sealed record NotationError(int Position, int Length, int Line, int Column, string Message)
{
    internal static NotationError At(string text, Place place, string message)
    {
        var position = Math.Clamp(place.Position, 0, text.Length);
        var before = text.AsSpan(0, position);
        var line = before.Count('\n') + 1;
        var column = position - (before.LastIndexOf('\n') + 1) + 1;
        return new NotationError(position, Math.Min(place.Length, text.Length - position), line, column, message);
    }
}

/// <summary>Steps read from text, or the one place where it could not be read.</summary>
public sealed class NotationResult
{
    internal NotationResult(IReadOnlyList<Schedules.Segment> segments) => Segments = segments;

    internal NotationResult(NotationError error) => (Error, Segments) = (error, []);

    /// <summary>The steps; empty when there is an error.</summary>
    public IReadOnlyList<Schedules.Segment> Segments { get; }

    /// <summary>What went wrong, or nothing.</summary>
    public NotationError? Error { get; }
}
