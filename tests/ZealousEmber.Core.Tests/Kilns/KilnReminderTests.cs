using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns;

namespace ZealousEmber.Core.Tests.Kilns;

public sealed class KilnReminderTests
{
    private static readonly Instant Day = Instant.FromUtc(2026, 3, 1, 8, 0);

    private static Instant[] Firings(int count) => [.. Enumerable.Range(0, count).Select(i => Day + Duration.FromDays(i))];

    [Fact]
    public void What_was_never_noted_counts_from_the_first_firing_and_what_was_from_then()
    {
        var care = KilnCare.Usual;
        var all = KilnReminder.Of(false, Firings(30), [(MaintenanceKind.Shelves, Day + Duration.FromDays(20))], care).ToDictionary(r => r.Kind);
        all.Keys.ShouldBe([MaintenanceKind.Thermocouple, MaintenanceKind.Shelves, MaintenanceKind.Vent], ignoreOrder: true);
        all[MaintenanceKind.Shelves].Since.ShouldBe(10);
        all[MaintenanceKind.Shelves].Text.ShouldContain("10 firings ago");
        all[MaintenanceKind.Thermocouple].Since.ShouldBe(30);
        all[MaintenanceKind.Thermocouple].Text.ShouldContain("never noted");
    }

    [Fact]
    public void It_is_due_once_so_many_firings_have_gone_and_never_where_nobody_wants_it()
    {
        var care = KilnCare.Usual with { BurnersAfter = 5, ShelvesAfter = 0 };
        KilnReminder.Of(true, Firings(4), [], care).ShouldHaveSingleItem().IsDue.ShouldBeFalse();
        KilnReminder.Of(true, Firings(5), [], care).ShouldHaveSingleItem().IsDue.ShouldBeTrue();
    }
}
