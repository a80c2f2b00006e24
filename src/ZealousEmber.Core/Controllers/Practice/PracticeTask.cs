using System.Collections.Immutable;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Controllers.Practice;

/// <summary>What is practised.</summary>
public enum PracticeKind
{
    /// <summary>Reading a printed schedule.</summary>
    Read,

    /// <summary>Entering one at a controller nobody used before.</summary>
    Enter,

    /// <summary>Entering one over what the last user left.</summary>
    Leftovers,

    /// <summary>Finding what was entered wrong.</summary>
    Find,
}

/// <summary>A question about a schedule.</summary>
/// <param name="Text">As it is asked.</param>
/// <param name="Answer">Degrees of the schedule's unit, or minutes.</param>
/// <param name="Near">An answer this near is right.</param>
/// <param name="Why">How one sees it, in a sentence.</param>
public sealed record PracticeQuestion(string Text, double Answer, double Near, string Why);

/// <summary>Something to practise at a controller.</summary>
/// <param name="Id">enter-glaze.</param>
/// <param name="Kind">What is practised.</param>
/// <param name="Schedule">What is wanted.</param>
/// <param name="Slot">Under which program; nothing where the controller keeps one.</param>
/// <param name="Program">The right answers; none where a schedule is only read.</param>
/// <param name="Memory">The controller as it stands at the beginning.</param>
/// <param name="Questions">Of a schedule that is read.</param>
/// <param name="Wrong">What was entered wrong, where that is to be found.</param>
public sealed record PracticeTask(
    string Id,
    PracticeKind Kind,
    Schedule Schedule,
    string? Slot,
    ImmutableArray<Answer> Program,
    ControllerMemory Memory,
    ImmutableArray<PracticeQuestion> Questions,
    string? Wrong
);
