using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Bank;

/// <summary>Why what a slot holds is not to be relied on.</summary>
public enum Staleness
{
    /// <summary>The schedule was changed since.</summary>
    Edited,

    /// <summary>Nobody has looked for a long time.</summary>
    Old,

    /// <summary>Something else was read there since.</summary>
    OtherSeen,
}

/// <summary>One program of a controller.</summary>
/// <param name="Slot">Its name; nothing where the controller keeps one program.</param>
/// <param name="Holds">What was last read there and was right; nothing where nothing was.</param>
/// <param name="Stale">Why that is not to be relied on; empty where it is.</param>
public sealed record BankSlot(string? Slot, EnteredProgram? Holds, ImmutableArray<Staleness> Stale)
{
    /// <summary>It may be started without being entered again.</summary>
    public bool IsReliable => Holds is not null && Stale.IsEmpty;
}

/// <summary>A schedule that is to have a place.</summary>
/// <param name="ScheduleId">Which.</param>
/// <param name="Kind">What it is for.</param>
/// <param name="Top">How hot it goes.</param>
public sealed record BankRequest(int ScheduleId, ScheduleKind Kind, Temperature Top);

/// <summary>What is in which program of a kiln's controller. Source: the project's paper on controllers, §6.</summary>
public static class ProgramBank
{
    /// <summary>Longer than this ago is no longer known.</summary>
    public static readonly Duration Known = Duration.FromDays(30);

    /// <summary>Every slot, in the controller's order.</summary>
    /// <param name="profile">The kiln's controller; what was entered at another one is passed by.</param>
    /// <param name="entered">What was read at this kiln, in any order.</param>
    /// <param name="now">The moment that is asked about.</param>
    /// <param name="versions">The present version of each schedule; one that is not there was deleted, and nothing can have changed.</param>
    public static ImmutableArray<BankSlot> Of(
        ControllerProfile profile,
        IEnumerable<EnteredProgram> entered,
        Instant now,
        IReadOnlyDictionary<int, int> versions
    )
    {
        var bySlot = entered.Where(e => e.Controller == profile.Name).ToLookup(e => e.Slot);
        return [.. Slots(profile).Select(slot => SlotOf(slot, [.. bySlot[slot].OrderBy(e => e.At)], now, versions))];
    }

    /// <summary>
    /// A place for each: what has one keeps it; the others take the empty ones in order, drying first and the hottest glaze last. Those for which there
    /// is none left take the place that was looked at longest ago among what nobody here wishes for; where all are wished for, they stay out.
    /// </summary>
    public static IReadOnlyDictionary<int, string?> Arrange(IReadOnlyList<BankSlot> bank, IReadOnlyList<BankRequest> wishes)
    {
        var places = new Dictionary<int, string?>();
        var taken = new HashSet<BankSlot>();
        foreach (var wish in wishes)
        {
            if (bank.FirstOrDefault(s => s.Holds?.ScheduleId == wish.ScheduleId) is not { } own || !taken.Add(own))
                continue;
            places[wish.ScheduleId] = own.Slot;
        }
        var free = new Queue<BankSlot>([
            .. bank.Where(s => s.Holds is null),
            .. bank.Where(s => s.Holds is not null && !taken.Contains(s)).OrderBy(s => s.Holds!.At),
        ]);
        foreach (var wish in wishes.Where(w => !places.ContainsKey(w.ScheduleId)).OrderBy(w => Order(w.Kind)).ThenBy(w => w.Top))
        {
            if (free.TryDequeue(out var place))
                places[wish.ScheduleId] = place.Slot;
        }
        return places;
    }

    private static IReadOnlyList<string?> Slots(ControllerProfile profile) => profile.Slots.IsEmpty ? [null] : [.. profile.Slots];

    private static BankSlot SlotOf(string? slot, IReadOnlyList<EnteredProgram> entered, Instant now, IReadOnlyDictionary<int, int> versions)
    {
        if (entered.LastOrDefault(e => e.IsClean) is not { } holds)
            return new BankSlot(slot, null, []);
        var stale = ImmutableArray.CreateBuilder<Staleness>();
        if (holds.ScheduleId is { } id && versions.TryGetValue(id, out var version) && version != holds.ScheduleVersion)
            stale.Add(Staleness.Edited);
        if (now - holds.At > Known)
            stale.Add(Staleness.Old);
        if (entered[^1] is { IsClean: false })
            stale.Add(Staleness.OtherSeen);
        return new BankSlot(slot, holds, stale.ToImmutable());
    }

    private static int Order(ScheduleKind kind) =>
        kind switch
        {
            ScheduleKind.Drying => 0,
            ScheduleKind.Bisque => 1,
            ScheduleKind.OnceFired => 2,
            ScheduleKind.Refiring => 3,
            _ => 4,
        };
}
