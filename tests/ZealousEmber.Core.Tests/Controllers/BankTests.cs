using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Controllers.Bank;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Controllers.ReadingBack;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Controllers;

/// <summary>What is in which program of a kiln.</summary>
public sealed class BankTests
{
    private static readonly Instant Now = Instant.FromUtc(2026, 11, 24, 17, 0);
    private static readonly FiringProgram Fired = FitTests.Written("100/h to 200; off", ScheduleKind.Glaze, "6").Program;

    private static EnteredProgram Entered(string? slot, int? schedule, int version, double daysAgo, bool clean = true, string controller = "Wedge") =>
        new(
            1,
            null,
            schedule,
            version,
            $"schedule {schedule}",
            ScheduleKind.Glaze,
            controller,
            slot,
            0,
            [new ShownValue("slot", slot ?? "")],
            $"C{schedule}",
            TemperatureUnit.Celsius,
            Fired,
            [],
            clean,
            null,
            Now - Duration.FromDays(daysAgo),
            "Maren"
        );

    private static IReadOnlyList<BankSlot> Bank(params EnteredProgram[] entered) =>
        ProgramBank.Of(KeyMachineTests.Profile("Wedge"), entered, Now, new Dictionary<int, int> { [7] = 3, [8] = 1 });

    [Fact]
    public void A_slot_holds_what_was_last_read_there_and_was_right()
    {
        var bank = Bank(Entered("2", 7, 2, 20), Entered("2", 8, 1, 5), Entered("3", 7, 3, 1), Entered("4", 7, 3, 1, controller: "Bat"));
        bank.Select(s => s.Slot).ShouldBe(["1", "2", "3", "4"]);
        bank.Select(s => s.Holds?.ScheduleId).ShouldBe([null, 8, 7, null], "what another controller was told is not here");
        bank.Select(s => s.IsReliable).ShouldBe([false, true, true, false]);
    }

    [Fact]
    public void What_is_edited_old_or_was_seen_otherwise_is_not_relied_on()
    {
        Bank(Entered("1", 7, 2, 1))[0].Stale.ShouldBe([Staleness.Edited]);
        Bank(Entered("1", 7, 3, 30))[0].Stale.ShouldBeEmpty();
        Bank(Entered("1", 7, 3, 30.01))[0].Stale.ShouldBe([Staleness.Old]);
        Bank(Entered("1", 7, 3, 2), Entered("1", 8, 1, 1, clean: false))[0]
            .ShouldSatisfyAllConditions(s => s.Stale.ShouldBe([Staleness.OtherSeen]), s => s.Holds!.ScheduleId.ShouldBe(7), s => s.IsReliable.ShouldBeFalse());
        Bank(Entered("1", 8, 1, 2, clean: false), Entered("1", 7, 3, 1))[0].Stale.ShouldBeEmpty();
        Bank(Entered("1", 99, 4, 1))[0].Stale.ShouldBeEmpty("a deleted schedule cannot have been changed");
    }

    [Fact]
    public void A_controller_that_keeps_one_program_has_one_slot_without_a_name()
    {
        var bank = ProgramBank.Of(KeyMachineTests.Profile("Chamois"), [Entered(null, 7, 3, 1, controller: "Chamois")], Now, new Dictionary<int, int>());
        bank.ShouldHaveSingleItem().ShouldSatisfyAllConditions(s => s.Slot.ShouldBeNull(), s => s.IsReliable.ShouldBeTrue());
    }

    [Fact]
    public void What_has_a_place_keeps_it_and_the_rest_go_drying_first_and_hot_glaze_last()
    {
        static BankRequest Wish(int id, ScheduleKind kind, double top) => new(id, kind, Temperature.FromCelsius(top));
        var wishes = new[]
        {
            Wish(20, ScheduleKind.Glaze, 1240),
            Wish(21, ScheduleKind.Glaze, 1060),
            Wish(7, ScheduleKind.Bisque, 1000),
            Wish(22, ScheduleKind.Drying, 95),
        };
        ProgramBank
            .Arrange(Bank(Entered("2", 7, 3, 1)), wishes)
            .OrderBy(p => p.Value)
            .Select(p => (p.Value, p.Key))
            .ShouldBe([("1", 22), ("2", 7), ("3", 21), ("4", 20)]);
        // Full: the place looked at longest ago goes, never one that is wished for.
        var full = Bank(Entered("1", 7, 3, 40), Entered("2", 30, 1, 9), Entered("3", 31, 1, 8), Entered("4", 32, 1, 50));
        ProgramBank.Arrange(full, [wishes[0]])[20].ShouldBe("4");
        ProgramBank.Arrange(full, [wishes[2], wishes[0], wishes[1], wishes[3]]).Select(p => p.Value).ShouldBe(["1", "4", "2", "3"], ignoreOrder: true);
        ProgramBank.Arrange(full, [.. wishes, Wish(40, ScheduleKind.Glaze, 1300)]).Keys.ShouldNotContain(40, "there are four places");
    }

    [Fact]
    public void Slips_of_the_studio_make_the_same_slip_likelier()
    {
        var profile = KeyMachineTests.Profile("Wedge");
        var program = ControllerFit
            .Of(
                new ProgramRequest(
                    FitTests.Written("100/h to 200; 180/h to 1100; 60/h to 1210 hold 15m; off", ScheduleKind.Glaze, "6"),
                    profile,
                    null,
                    Temperature.FromCelsius(20)
                )
            )
            .Value.Program;
        // 10 for 100: one key left out, or what somebody left there.
        var read = program.Select(a => a.Asked.Id == "rate.1" ? a with { Shown = "10" } : a).ToList();
        double Kept(params string[] made) => SlipFinder.Of(profile, program, read, 1210, null, OwnSlips.Of(made)).Single(s => s.Kind == "kept").Probability;
        Kept("kept", "kept", "kept", "kept", "kept").ShouldBeGreaterThan(Kept() * 1.2);
        Kept("digit-dropped", "digit-dropped", "digit-dropped", "digit-dropped").ShouldBeLessThan(Kept());
        OwnSlips.Of([]).ShouldBeEmpty();
    }
}
