using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;

namespace ZealousEmber.Core.Logbook;

/// <summary>What was noted, as a studio writes it on its log sheet. Temperatures stand in a column of their own.</summary>
public static class EntryWords
{
    private static readonly IReadOnlyDictionary<string, string> States = new Dictionary<string, string>
    {
        ["started"] = "Switched on",
        ["stopped"] = "Stopped before its end",
        ["resumed"] = "Went on",
        ["opened"] = "Opened",
        ["read"] = "Read",
        ["closed"] = "Closed",
    };

    private static readonly IReadOnlyDictionary<string, string> Airs = new Dictionary<string, string>
    {
        ["smell"] = "A sour smell has begun: it reduces",
        ["clear"] = "Clear: no smell, no flame",
        ["flame-at-flue"] = "Flame stands at the flue",
        ["flame-at-ports"] = "Flame licks out of the ports",
    };

    /// <summary>An entry in words; nothing for what belongs on no sheet: ticks of a list, alarms seen, changes of other entries.</summary>
    /// <param name="entry">As noted.</param>
    /// <param name="kiln">Whose gauge its turns are read on.</param>
    public static string? Of(FiringEntry entry, StudioKiln kiln) =>
        entry.Kind switch
        {
            EntryKind.Reading => "Read off",
            EntryKind.Steam => "Steam seen: half an hour more",
            EntryKind.Dry => "No steam: it goes on",
            EntryKind.ConeDown => $"Cone {entry.Subject} down",
            EntryKind.Colour => $"{Capital(entry.Text ?? "a colour")}, by eye",
            EntryKind.Vent => $"Vent {entry.Text ?? "turned"}",
            EntryKind.Peepholes => $"Peepholes {entry.Text ?? "turned"}",
            EntryKind.Note or EntryKind.Photo => entry.Text,
            EntryKind.State => With(States.GetValueOrDefault(entry.Subject ?? "", "It changed"), entry.Text),
            EntryKind.CountedOut => $"Out of the kiln: {entry.Text}",
            EntryKind.Turned => kiln is FuelKiln fuel && BurnerSetting.Read(entry.Subject) is { } setting ? Capital(TurnWords.Setting(setting, fuel))
            : entry.Text is { } switches ? $"Turned: {switches}"
            : "Burners turned",
            EntryKind.AirSign => Airs.GetValueOrDefault(entry.Subject ?? "", "The air was looked at"),
            EntryKind.Replanned => "Planned anew from here",
            EntryKind.LeftOut => "A turn of the sheet left out on purpose",
            EntryKind.Reprogrammed => With("Another program keyed in", entry.Text),
            EntryKind.Weighed => $"One cylinder weighed: {entry.Subject} kg of gas left in it",
            _ => null,
        };

    private static string With(string words, string? more) => string.IsNullOrWhiteSpace(more) ? words : $"{words}: {more}";

    private static string Capital(string words) => words.Length == 0 ? words : char.ToUpperInvariant(words[0]) + words[1..];
}
