using NodaTime;

namespace ZealousEmber.Core.Kilns;

/// <summary>Something a kiln wants done every so many firings.</summary>
/// <param name="Kind">What.</param>
/// <param name="After">Firings between two times.</param>
/// <param name="Since">Firings since it was last noted; all of them where it never was.</param>
/// <param name="Text">In a sentence.</param>
public sealed record KilnReminder(MaintenanceKind Kind, int After, int Since, string Text)
{
    /// <summary>Whether it is to be done now.</summary>
    public bool IsDue => Since >= After;

    /// <summary>What a kiln is reminded of; nothing of what its owner wants no reminder of.</summary>
    /// <param name="isFuel">It has burners, not elements.</param>
    /// <param name="firings">When its firings began.</param>
    /// <param name="done">What was done to it, and when.</param>
    /// <param name="care">After how many firings each is due; 0 for never.</param>
    public static IEnumerable<KilnReminder> Of(
        bool isFuel,
        IReadOnlyCollection<Instant> firings,
        IReadOnlyCollection<(MaintenanceKind Kind, Instant At)> done,
        KilnCare care
    )
    {
        var shelves = (MaintenanceKind.Shelves, care.ShelvesAfter, "Shelves scraped and washed");
        (MaintenanceKind Kind, int After, string What)[] all = isFuel
            ? [(MaintenanceKind.Burners, care.BurnersAfter, "Burners and hoses looked at, leak test made"), shelves]
            :
            [
                (MaintenanceKind.Thermocouple, care.ThermocoupleAfter, "A new thermocouple"),
                shelves,
                (MaintenanceKind.Vent, care.VentAfter, "The vent looked at"),
            ];
        foreach (var (kind, after, what) in all.Where(a => a.After > 0))
        {
            var last = done.Where(d => d.Kind == kind).Select(d => (Instant?)d.At).Max();
            var since = firings.Count(f => last is null || f >= last);
            var ago = last is null ? "never noted" : $"{Phrases.Count(since, "firing")} ago";
            yield return new KilnReminder(kind, after, since, $"{what}: {ago}, due every {after}.");
        }
    }
}
