using System.Collections.Immutable;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Controllers.ReadingBack;
using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Controllers;

/// <summary>What a controller shows beside what was set: equal or not, what it would do, and what somebody did.</summary>
public sealed class ReadBackTests
{
    private const string Glaze = "100/h to 200; 180/h to 1100; 60/h to 1210 hold 15m; off";
    private const string Bisque = "80/h to 90 hold 240m; 100/h to 600; 150/h to 950; 60/h to 1060 hold 10m; off";

    private static ReadBackResult Back(string profile, string text, params string[] shown)
    {
        var kind = text == Bisque ? ScheduleKind.Bisque : ScheduleKind.Glaze;
        var schedule = FitTests.Written(text, kind, text == Bisque ? "04" : "6");
        var read = KeyMachineTests.Profile(profile);
        var fit = ControllerFit.Of(new ProgramRequest(schedule, read, null, Temperature.FromCelsius(20))).Value;
        var back = ReadBack.Of(read, fit.Program, shown, null, new Consequences(read, fit.Program, kind, Temperature.FromCelsius(20)));
        back.IsOk.ShouldBeTrue(back.IsOk ? "" : string.Join(" | ", back.Problems));
        return back.Value;
    }

    [Theory]
    [InlineData("1.30", true)]
    [InlineData("1:30", true)]
    [InlineData("130", true)]
    [InlineData("90", true)]
    [InlineData("90 min", true)]
    [InlineData("1.5 h", true)]
    [InlineData(" 90MIN ", true)]
    [InlineData("1.3", false)]
    [InlineData("ninety", false)]
    public void A_time_is_read_as_people_write_it(string said, bool isSame)
    {
        foreach (var name in new[] { "Wedge", "Kidney" })
        {
            var question = KeyMachineTests.Profile(name).Find("hold")!;
            (ShownAnswer.Read(question, said) == question.Show(90)).ShouldBe(isSame, name);
        }
    }

    [Fact]
    public void Degrees_words_and_cones_are_read_with_their_dress_and_4_is_never_04()
    {
        var wedge = KeyMachineTests.Profile("Wedge");
        foreach (var said in new[] { "1210", "1210 °C", "1210.0", "1210C" })
            ShownAnswer.Read(wedge.Find("target")!, said).ShouldBe("1210");
        ShownAnswer.Read(KeyMachineTests.Profile("Kidney").Find("rate")!, " PASS").ShouldBe("pass");
        ShownAnswer.Read(KeyMachineTests.Profile("Ewer").Find("rate")!, "2").ShouldBe("2.0");
        ShownAnswer.Read(KeyMachineTests.Profile("Ewer").Find("delay")!, "1.5").ShouldBe("1.5");
        var cone = KeyMachineTests.Profile("Pug").Find("cone")!;
        ShownAnswer.Read(cone, "04").ShouldBe("04");
        ShownAnswer.Read(cone, "4").ShouldBe("4");
        ShownAnswer.Read(cone, "o4").ShouldBeNull();
        ShownAnswer.Read(KeyMachineTests.Profile("Stilt").Find("cone")!, "5 1/2").ShouldBe("5½");
    }

    [Fact]
    public void What_is_right_matches_and_what_is_half_read_does_not()
    {
        Back("Wedge", Glaze, "1", "3", "100", "200", "0", "180 °C", "1100", "0.00", "60", "1210", "15 min", "1220", "0:00").Matches.ShouldBeTrue();
        var half = Back("Wedge", Glaze, "1", "3", "100", "200", "0");
        half.Differences.ShouldBeEmpty();
        half.Missing.Select(m => m.Id).ShouldBe(["rate.2", "target.2", "hold.2", "rate.3", "target.3", "hold.3", "alarm", "delay"]);
        half.Matches.ShouldBeFalse();
        Back("Kidney", Glaze, "0:00", "159", "1100", "60", "1210", "0:15", "pass").Matches.ShouldBeTrue();
    }

    [Fact]
    public void A_difference_says_what_it_alone_would_do()
    {
        var hot = Back("Wedge", Glaze, "1", "3", "100", "200", "0", "180", "1100", "0", "60", "1260", "15", "1220", "0").Differences.ShouldHaveSingleItem();
        (hot.Asked.Id, hot.Wanted, hot.Shown).ShouldBe(("target.3", "1210", "1260"));
        hot.Degrees.ShouldBe(50, 1e-9);
        hot.Minutes.ShouldBe(50, 0.1);
        hot.Consequence.ShouldMatch("^The top is 50 °C higher, cone \\d+ falls instead of 6 and it takes 50 min longer.$");
        var quick = Back("Wedge", Bisque, "1", "4", "80", "90", "0.04", "100", "600", "0", "150", "950", "0", "60", "1060", "10", "1070", "0")
            .Differences.ShouldHaveSingleItem();
        quick.Minutes.ShouldBe(-236, 0.1);
        quick.Consequence.ShouldContain("drying takes 0.5 h instead of 4.4");
        var late = Back("Wedge", Glaze, "1", "3", "100", "200", "0", "180", "1100", "0", "60", "1210", "15", "1200", "12.00").Differences;
        late.Select(d => d.Consequence).ShouldBe(["The alarm comes 10 °C before the top, and may stop the firing.", "It begins 12 h later."]);
        var shorter = Back("Bat", Glaze, "1", "180", "392", "0", "0", "2228", "0").Differences.ShouldHaveSingleItem();
        shorter.Consequence.ShouldStartWith("The top is 1818 °F lower");
    }

    [Fact]
    public void What_can_be_no_answer_or_is_too_much_is_said_where_it_stands()
    {
        var profile = KeyMachineTests.Profile("Wedge");
        var schedule = FitTests.Written(Glaze, ScheduleKind.Glaze, "6");
        var fit = ControllerFit.Of(new ProgramRequest(schedule, profile, null, Temperature.FromCelsius(20))).Value;
        var consequences = new Consequences(profile, fit.Program, schedule.Kind, Temperature.FromCelsius(20));
        string Field(params string[] shown) => ReadBack.Of(profile, fit.Program, shown, null, consequences).Problems[0].Field;
        Field("1", "three").ShouldBe("shown[1]");
        Field("1", "1", "100", "200", "0", "1220", "0", "7").ShouldBe("shown[7]");
    }

    /// <summary>Slips made on the machine or by hand, not by the finder's own code.</summary>
    private static (string Kind, ImmutableArray<Answer> Read)? Slip(
        ControllerProfile profile,
        ImmutableArray<Answer> program,
        ControllerMemory left,
        ref SeededRandom dice
    )
    {
        var card = EntryCard.Of(profile, program);
        var at = 1 + (int)(dice.Next() * program.Length);
        var line = card[at];
        var question = line.Asked!.Value.Question;
        var keys = line.Keys.TakeWhile(k => k != "take").ToList();
        List<string>? changed = null;
        // As often as people make them.
        string[] kinds =
        [
            "digit-dropped",
            "digits-swapped",
            "digit-doubled",
            "kept",
            "overshoot",
            "hours-minutes",
            "step-skipped",
            "press-doubled",
            "cone-zero",
            "wrong-slot",
        ];
        var pick = dice.Next() * kinds.Sum(k => SlipKinds.Of(k).Weight);
        var kind = kinds.First(k => (pick -= SlipKinds.Of(k).Weight) < 0);
        ImmutableArray<Answer> Pressed(IEnumerable<string> pressed) => new KeyMachine(profile, left).Press(pressed).Memory.Program(profile);
        IEnumerable<string> With(List<string> line) => card.SelectMany((l, i) => i == at ? [.. line, .. l.Keys.SkipWhile(k => k != "take")] : l.Keys);
        switch (kind)
        {
            case "digit-dropped" when question.IsTyped && keys.Count > 1:
                changed = [.. keys];
                changed.RemoveAt((int)(dice.Next() * keys.Count));
                break;
            case "digit-doubled" when question.IsTyped:
                changed = [.. keys];
                changed.Insert(0, keys[0]);
                break;
            case "digits-swapped" when question.IsTyped && keys.Count > 1 && keys[0] != keys[1]:
                changed = [keys[1], keys[0], .. keys.Skip(2)];
                break;
            case "kept" when !profile.Confirms:
                changed = [];
                break;
            case "overshoot" when question.Entry is Entry.Arrows or Entry.Buttons:
                changed = [.. keys, dice.Next() < 0.5 ? "more" : "less"];
                break;
            case "hours-minutes"
                when question is { IsTime: true, IsTyped: true }
                    && question.ValueOf(program[at - 1].Shown) is > 0 and < 60 and var minutes
                    && question.Takes(minutes * 60):
                changed = [.. Typing.Keys(question, question.Show(minutes * 60))];
                break;
            case "cone-zero" when question.Format == AnswerFormat.Cone && question.IsTyped:
                changed = [.. program[at - 1].Shown.TrimStart('0').Select(c => c.ToString())];
                break;
            case "wrong-slot" when question.Id == "slot" && question.IsTyped:
                changed = [program[0].Shown == "2" ? "3" : "2"];
                break;
            case "press-doubled" when at < program.Length && !profile.Confirms:
                return (kind, Pressed(card.SelectMany((l, i) => i == at ? [.. l.Keys, "take"] : l.Keys)));
            case "step-skipped"
                when profile.Count == Counting.Ended && profile.Give == StepForm.Rate && program.Count(a => a.Asked.Question.Id == "target") > 1:
                var step = 1 + (int)(dice.Next() * program.Count(a => a.Asked.Question.Id == "target"));
                return (kind, Pressed(card.Where(l => l.Asked?.Step != step).SelectMany(l => l.Keys)));
        }
        // What the controller refuses is seen at once, and typed again.
        if (
            changed is { Count: > 0 }
            && question.IsTyped
            && new KeyMachine(profile, left).Press(card.Take(at).SelectMany(l => l.Keys)).Press([.. changed, "take"]).Display == "no"
        )
            return null;
        return changed is null ? null : (kind, Pressed(With(changed)));
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void The_slip_somebody_made_is_found_and_nearly_always_comes_first(bool memoryKnown)
    {
        var dice = new SeededRandom(memoryKnown ? 41u : 42u);
        string[] names = ["Wedge", "Bat", "Chamois", "Kidney", "Calliper", "Pug", "Ewer"];
        var (tried, first, found, missed) = (0, 0, 0, new List<string>());
        while (tried < 200)
        {
            var profile = KeyMachineTests.Profile(names[(int)(dice.Next() * names.Length)]);
            var text = dice.Next() < 0.5 ? Glaze : Bisque;
            var schedule = FitTests.Written(text, text == Bisque ? ScheduleKind.Bisque : ScheduleKind.Glaze, text == Bisque ? "04" : "6");
            var fit = ControllerFit.Of(new ProgramRequest(schedule, profile, null, Temperature.FromCelsius(20), null, dice.Next() < 0.5 ? 0 : 480)).Value;
            // Somebody's program of before: round numbers.
            var other = ControllerFit
                .Of(
                    new ProgramRequest(
                        FitTests.Written("150/h to 600; 200/h to 1000 hold 30m; off", ScheduleKind.Bisque, "06"),
                        profile,
                        null,
                        Temperature.FromCelsius(20)
                    )
                )
                .Value;
            var left = new KeyMachine(profile, ControllerMemory.New(profile)).Press(EntryCard.Of(profile, other.Program).SelectMany(l => l.Keys)).Memory;
            if (Slip(profile, fit.Program, left, ref dice) is not { } slip)
                continue;
            if (slip.Read.Select(a => (a.Asked.Id, a.Shown)).SequenceEqual(fit.Program.Select(a => (a.Asked.Id, a.Shown))))
                continue;
            tried++;
            var slips = SlipFinder.Of(
                profile,
                fit.Program,
                slip.Read,
                new StepWords(profile).DegreesOf(schedule.Program.Steps.Max(s => s.Target?.Celsius ?? 0)),
                memoryKnown ? left : null
            );
            slips.Sum(s => s.Probability).ShouldBeLessThan(30);
            if (slips.Any(s => s.Kind == slip.Kind))
                found++;
            if (slips.Length > 0 && slips[0].Kind == slip.Kind)
                first++;
            else
                missed.Add(
                    $"{profile.Name} {slip.Kind}: "
                        + $"{string.Join(", ", slips.Take(3).Select(s => $"{s.Kind} {s.Probability:0.00} [{string.Join(' ', s.Questions)}]"))} :: "
                        + $"{string.Join(' ', slip.Read.Where(a => fit.Program.FirstOrDefault(f => f.Asked.Id == a.Asked.Id).Shown != a.Shown).Select(a => $"{a.Asked.Id} {fit.Program.FirstOrDefault(f => f.Asked.Id == a.Asked.Id).Shown}→{a.Shown}"))}"
                );
        }
        found.ShouldBeGreaterThanOrEqualTo(190, string.Join("\n", missed));
        first.ShouldBeGreaterThanOrEqualTo(memoryKnown ? 180 : 160, string.Join("\n", missed));
    }

    [Fact]
    public void Another_program_of_unknown_content_is_called_that()
    {
        string[] lines = [Glaze, Bisque, "150/h to 600; 200/h to 1000 hold 30m; off", "90/h to 120 hold 60m; 200/h to 1180; 80/h to 1222 hold 20m; off"];
        var (tried, first, missed) = (0, 0, new List<string>());
        foreach (var name in new[] { "Wedge", "Bat", "Chamois", "Kidney", "Calliper", "Pug", "Ewer" })
        {
            var profile = KeyMachineTests.Profile(name);
            if (profile.Find("slot") is null)
                continue;
            foreach (var wanted in lines)
            {
                foreach (var held in lines.Where(l => l != wanted))
                {
                    foreach (var slot in profile.Slots.Skip(1).Take(3))
                    {
                        ImmutableArray<Answer>? Fit(string line, string inSlot) =>
                            ControllerFit
                                .Of(new ProgramRequest(FitTests.Written(line, ScheduleKind.Glaze, "6"), profile, null, Temperature.FromCelsius(20), inSlot))
                                .Value
                                is { Schedule: not null } fit
                                ? fit.Program
                                : null;
                        if (Fit(wanted, profile.Slots[0]) is not { } right || Fit(held, slot) is not { } read)
                            continue;
                        tried++;
                        // What is no program's stands as it was set.
                        read =
                        [
                            .. read.Select(a =>
                                a.Asked.Question.Shared && right.FirstOrDefault(r => r.Asked.Id == a.Asked.Id) is { Shown: { } shown }
                                    ? a with
                                    {
                                        Shown = shown,
                                    }
                                    : a
                            ),
                        ];
                        var slips = SlipFinder.Of(profile, right, read, 1210, null);
                        if (slips.Length > 0 && slips[0].Kind == "wrong-slot")
                            first++;
                        else
                            missed.Add($"{name} {slot}: {string.Join(", ", slips.Take(3).Select(s => $"{s.Kind} {s.Probability:0.00} {s.Text}"))}");
                    }
                }
            }
        }
        tried.ShouldBeGreaterThan(100);
        (first / (double)tried).ShouldBeGreaterThan(0.97, $"{first} of {tried}: {string.Join("\n", missed.Take(12))}");
    }
}
