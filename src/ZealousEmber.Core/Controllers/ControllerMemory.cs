using System.Collections.Immutable;

namespace ZealousEmber.Core.Controllers;

/// <summary>What a controller is doing.</summary>
public enum ControllerState
{
    /// <summary>Nothing.</summary>
    Rest,

    /// <summary>A question is on the display.</summary>
    Ask,

    /// <summary>It asks whether what was typed is meant.</summary>
    Sure,

    /// <summary>All questions are answered.</summary>
    Ready,

    /// <summary>It reads its program out.</summary>
    Tell,

    /// <summary>It fires.</summary>
    Firing,

    /// <summary>It cannot: something was not done by hand.</summary>
    Fault,
}

/// <summary>Everything a controller remembers. Answers are as they are shown.</summary>
/// <param name="Slot">The program at hand, by its name; a controller without slots keeps one under 1.</param>
/// <param name="Slots">Answers by program and question.</param>
/// <param name="Shared">Answers that are no program's.</param>
/// <param name="State">What it is doing.</param>
/// <param name="At">The question on the display.</param>
/// <param name="Typed">What is typed and not taken.</param>
/// <param name="Hands">What was done by hand.</param>
public sealed record ControllerMemory(
    string Slot,
    ImmutableSortedDictionary<string, ImmutableSortedDictionary<string, string>> Slots,
    ImmutableSortedDictionary<string, string> Shared,
    ControllerState State,
    string? At,
    string Typed,
    ImmutableArray<HandAction> Hands
)
{
    private const string OnlySlot = "1";

    /// <summary>As it comes out of its box.</summary>
    public static ControllerMemory New(ControllerProfile profile) =>
        new(
            profile.Find("slot")?.Untouched ?? OnlySlot,
            ImmutableSortedDictionary<string, ImmutableSortedDictionary<string, string>>.Empty,
            ImmutableSortedDictionary<string, string>.Empty,
            ControllerState.Rest,
            null,
            "",
            []
        );

    /// <summary>The answer to a question: the last user's, or what it showed before anybody used it.</summary>
    public string AnswerTo(Asked asked) =>
        asked.Question.Id == "slot" ? Slot
        : (asked.Question.Shared ? Shared : Slots.GetValueOrDefault(Slot))?.GetValueOrDefault(asked.Id) is { } kept && asked.Question.IsAnswer(kept) ? kept
        : asked.Question.Untouched;

    /// <summary>The same with an answer taken.</summary>
    public ControllerMemory With(Asked asked, string shown)
    {
        if (asked.Question.Id == "slot")
            return this with { Slot = shown };
        if (asked.Question.Shared)
            return this with { Shared = Shared.SetItem(asked.Id, shown) };
        var slot = Slots.GetValueOrDefault(Slot) ?? ImmutableSortedDictionary<string, string>.Empty;
        return this with { Slots = Slots.SetItem(Slot, slot.SetItem(asked.Id, shown)) };
    }

    /// <summary>The program at hand: every question that comes up, with its answer.</summary>
    public ImmutableArray<Answer> Program(ControllerProfile profile) => [.. ProgramWalk.Of(profile, AnswerTo).Select(a => new Answer(a, AnswerTo(a)))];
}
