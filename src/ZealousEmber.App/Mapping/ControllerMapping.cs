using System.Collections.Immutable;
using System.Text.Json;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Mapping;

/// <summary>Controllers between the wire and the core.</summary>
internal static class ControllerMapping
{
    private const int MostAnswers = 500;
    private const int LongestShown = 40;
    private const int LongestTyped = 12;

    public static ControllerListed Write(Versioned<ListedController> stored) => new(stored.Id, stored.Version, stored.Item.IsBuiltIn, stored.Item.Data);

    public static IReadOnlyList<AnswerContract> Write(IEnumerable<Core.Controllers.Answer> program) =>
        [.. program.Select(a => new AnswerContract(a.Asked.Id, a.Shown))];

    /// <summary>The controller a request names or describes; problems at <c>profileId</c> and <c>profile</c>.</summary>
    public static async Task<ControllerProfile?> ReadProfile(
        int? id,
        ProfileData? inline,
        Repository<ListedController> shelf,
        List<Problem> problems,
        CancellationToken cancel
    )
    {
        if (inline is not null)
        {
            var read = ProfileReader.Read(inline);
            problems.AddRange(read.Problems.Select(p => p.Under("profile")));
            return read.IsOk ? read.Value : null;
        }
        if (id is not { } number)
        {
            problems.Add(new Problem("profileId", "Say which controller, or give its profile."));
            return null;
        }
        var found = await shelf.Find(number, cancel);
        if (found is null)
            problems.Add(new Problem("profileId", $"There is no controller {number} in this studio."));
        return found?.Item.Profile;
    }

    /// <summary>What a controller remembers; problems at <c>memory.…</c>. Answers it could never have been left with are passed over.</summary>
    public static ControllerMemory Read(MemoryContract? wire, ControllerProfile profile, List<Problem> problems)
    {
        var usual = ControllerMemory.New(profile);
        if (wire is null)
            return usual;
        var before = problems.Count;
        var state = Enum.GetValues<ControllerState>()
            .Select(s => (ControllerState?)s)
            .FirstOrDefault(s => s.ToString()!.ToLowerInvariant() == (wire.State ?? "rest"));
        if (state is null)
            problems.Add(new Problem("memory.state", "A controller is in rest, ask, sure, ready, tell, firing or fault."));
        if (
            (wire.Slots?.Count ?? 0) > MostAnswers
            || (wire.Slots ?? new Dictionary<string, IReadOnlyDictionary<string, string>?>()).Any(s =>
                (s.Value?.Count ?? 0) > MostAnswers || s.Value?.Any(a => IsLong(a.Key) || IsLong(a.Value)) == true
            )
        )
            problems.Add(new Problem("memory.slots", $"Up to {MostAnswers} programs of {MostAnswers} answers, each up to {LongestShown} characters."));
        if ((wire.Shared?.Count ?? 0) > MostAnswers || wire.Shared?.Any(a => IsLong(a.Key) || IsLong(a.Value)) == true)
            problems.Add(new Problem("memory.shared", $"Up to {MostAnswers} answers of up to {LongestShown} characters."));
        if (wire.Typed?.Length > LongestTyped || wire.Typed?.Any(c => !char.IsAsciiDigit(c) && c is not ('.' or ':')) == true)
            problems.Add(new Problem("memory.typed", $"Up to {LongestTyped} digits."));
        if (wire.Slot is { } slot && profile.Find("slot") is { } question && !question.IsAnswer(slot))
            problems.Add(new Problem("memory.slot", "There is no such program."));
        var hands = (wire.Hands ?? [])
            .Select(h => Enum.GetValues<HandAction>().Select(x => (HandAction?)x).FirstOrDefault(x => x.ToString()!.ToLowerInvariant() == h))
            .ToList();
        if (hands.Contains(null))
            problems.Add(new Problem("memory.hands", "What is done by hand is lid, charge or timer."));
        if (problems.Count > before)
            return usual;
        var slots = (wire.Slots ?? new Dictionary<string, IReadOnlyDictionary<string, string>?>()).ToImmutableSortedDictionary(
            s => s.Key,
            s => (s.Value ?? new Dictionary<string, string>()).ToImmutableSortedDictionary()
        );
        // A controller without slots keeps one, under whatever name it was given.
        var at =
            profile.Find("slot") is not null ? wire.Slot ?? usual.Slot
            : slots.Count == 1 ? slots.Keys.First()
            : wire.Slot ?? usual.Slot;
        var memory = new ControllerMemory(
            at,
            slots,
            (wire.Shared ?? new Dictionary<string, string>()).ToImmutableSortedDictionary(),
            state!.Value,
            wire.At,
            wire.Typed ?? "",
            [.. hands.OfType<HandAction>().Distinct()]
        );
        var asks = state is ControllerState.Ask or ControllerState.Sure or ControllerState.Tell;
        if (!asks)
            return memory with { At = null, Typed = "" };
        if (new KeyMachine(profile, memory).At is not null)
            return memory;
        problems.Add(new Problem("memory.at", "The question on the display is none that comes up."));
        return usual;
    }

    public static MemoryContract Write(ControllerMemory memory) =>
        new(
            memory.Slot,
            memory.Slots.ToDictionary(s => s.Key, s => (IReadOnlyDictionary<string, string>?)s.Value),
            memory.Shared,
            memory.State.ToString().ToLowerInvariant(),
            memory.At,
            memory.Typed,
            [.. memory.Hands.Select(h => h.ToString().ToLowerInvariant())]
        );

    /// <summary>Keys from a list, or from a text; digits may stand together. Problems at <c>keys</c> and <c>keys[i]</c>.</summary>
    public static IReadOnlyList<string> ReadKeys(JsonElement? wire, List<Problem> problems)
    {
        List<string> said;
        if (wire?.TextOf() is { } text)
            said = Joined(text.Split(' ', StringSplitOptions.RemoveEmptyEntries));
        else if (wire is { ValueKind: JsonValueKind.Array } list && list.EnumerateArray().All(k => k.TextOf() is not null))
            said = [.. list.EnumerateArray().Select(k => k.TextOf()!)];
        else
        {
            problems.Add(new Problem("keys", "Which keys are pressed, like [\"open\", \"1\", \"take\"]?"));
            return [];
        }
        if (said.Count > KeyMachine.MostKeys || said.Sum(k => (long)k.Length) > 10L * KeyMachine.MostKeys)
        {
            problems.Add(new Problem("keys", $"At most {KeyMachine.MostKeys} keys at once."));
            return [];
        }
        var keys = new List<string>();
        foreach (var (i, key) in said.Index())
        {
            if (KeyMachine.IsKey(key))
                keys.Add(key);
            else if (key.Length > 1 && key.All(c => char.IsAsciiDigit(c) || c is '.' or ':'))
                keys.AddRange(key.Select(c => char.IsAsciiDigit(c) ? c.ToString() : "dot"));
            else
                problems.Add(
                    new Problem(
                        $"keys[{i}]",
                        $"There is no key “{(key.Length > LongestShown ? key[..LongestShown] : key)}”: take, wipe, quit, open, tell, fire, digits, dot, "
                            + "more, less, until, turn, hand."
                    )
                );
        }
        return keys;
    }

    private static List<string> Joined(string[] words)
    {
        var keys = new List<string>();
        for (var i = 0; i < words.Length; i++)
            keys.Add(words[i] is "until" or "turn" or "hand" && i + 1 < words.Length ? $"{words[i]} {words[++i]}" : words[i]);
        return keys;
    }

    private static bool IsLong(string? text) => text is null || text.Length > LongestShown;
}
