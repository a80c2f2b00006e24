using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Tests.Firing;

namespace ZealousEmber.Core.Tests.Logbook;

/// <summary>A firing line by line.</summary>
public sealed class LogSheetTests
{
    private static readonly Instant At = Instant.FromUtc(2026, 11, 24, 6, 0);

    private static readonly Curve Log = new([new(0, 20), new(600, 1200), new(1800, 50)]);

    private static FiringEntry Noted(double minute, EntryKind kind, string? subject = null, string? text = null, double? celsius = null) =>
        new($"{kind}{minute}", kind, At + Duration.FromMinutes(minute), "Tobin", celsius, subject, text);

    [Fact]
    public void Each_hour_stands_there_once_and_what_was_noted_takes_the_place_of_its_hour()
    {
        FiringEntry[] entries =
        [
            Noted(0, EntryKind.State, "started"),
            Noted(125, EntryKind.Note, text: "Vent shut"),
            Noted(300, EntryKind.Acknowledged, "no-heat"),
            Noted(450, EntryKind.ConeDown, "010"),
        ];
        var lines = LogSheet.Of(LiveRun.Started(At), Log, Log, 600, entries);
        lines.Select(l => l.Minute).ShouldBeInOrder();
        lines.Select(l => l.Minute).ShouldBeUnique();
        lines.Where(l => l.Text is not null).Select(l => l.Text).ShouldBe(["Switched on", "Vent shut", "Cone 010 down"]);
        lines.ShouldNotContain(l => l.Minute == 120, "five minutes before what was noted");
        lines.ShouldContain(l => l.Minute == 300 && l.Text == null, "an alarm seen is no line of it");
        lines.Where(l => l.Minute > 600).ShouldAllBe(l => l.Asked == null && l.Celsius != null);
        lines.Where(l => l.Minute <= 600).ShouldAllBe(l => l.Asked == l.Celsius);
        lines.Count(l => l.Minute > 600).ShouldBe(3, "each sixth hour of the cooling");
    }

    [Fact]
    public void What_was_read_by_hand_counts_before_the_curve_and_nothing_is_said_past_its_end()
    {
        var lines = LogSheet.Of(LiveRun.Started(At), Log, null, 600, [Noted(300, EntryKind.Reading, celsius: 640), Noted(3000, EntryKind.Note, text: "Late")]);
        lines.Single(l => l.Kind == EntryKind.Reading).Celsius.ShouldBe(640);
        lines[^1].ShouldBe(new LogSheetLine(3000, null, null, "Late", "Tobin", EntryKind.Note));
        lines.ShouldAllBe(l => l.Asked == null);
    }

    [Fact]
    public void A_kiln_turned_by_hand_has_its_turns_for_hours()
    {
        var run = GasFollowerTests.Run();
        var lines = LogSheet.Of(run, Log, Log, 600, [Noted(0, EntryKind.Turned, "candle 2 0.0025 0.3"), Noted(60, EntryKind.Turned, "nonsense")]);
        lines.Where(l => l.Minute <= 600).Select(l => l.Text).ShouldBe(["Candles on all burners, damper 30 % open", "Burners turned"]);
        LogSheet.Of(run, null, null, 0, []).ShouldBeEmpty();
    }

    [Fact]
    public void Every_kind_of_entry_is_said_without_a_code()
    {
        foreach (var kind in Enum.GetValues<EntryKind>().Except([EntryKind.ConeDown, EntryKind.Weighed]))
        foreach (var subject in new[] { null, "started", "smell", "6", "flame-at-flue" })
            EntryWords.Of(Noted(1, kind, subject, "as it was"), GasFollowerTests.Run().Kiln)?.ShouldNotContain("-at-");
    }
}
