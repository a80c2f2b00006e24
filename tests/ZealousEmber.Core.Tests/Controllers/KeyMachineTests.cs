using System.Collections.Immutable;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Packing.Geometry;

namespace ZealousEmber.Core.Tests.Controllers;

/// <summary>Keys on every controller: what each does, and that a card keyed in over anything gives just its program.</summary>
public sealed class KeyMachineTests
{
    internal static ControllerProfile Profile(string name) => BuiltInProfiles.All.Single(p => p.Profile.Name == name).Profile;

    private static KeyMachine Machine(string name) => new(Profile(name), ControllerMemory.New(Profile(name)));

    private static string After(string name, params string[] keys) => Machine(name).Press(keys).Display;

    /// <summary>Any answer a question takes, words among them.</summary>
    private static string Any(Question question, ref SeededRandom dice)
    {
        if (question.Words.Length > 0 && dice.Next() < 0.2)
            return question.Words[(int)(dice.Next() * question.Words.Length)].Shown;
        var value = question.Format == AnswerFormat.Word ? dice.Between(-0.5, question.Choices.Length - 0.5) : dice.Between(question.Min, question.Max);
        var near = question.Nearest(question.Format == AnswerFormat.Cone ? Math.Floor(value) : value);
        return question.Takes(near) ? question.Show(near) : question.Untouched;
    }

    private static ImmutableArray<Answer> AnyProgram(ControllerProfile profile, ref SeededRandom dice)
    {
        var answers = new Dictionary<string, string>();
        var local = dice;
        var program = ProgramWalk
            .Of(profile, a => answers.TryGetValue(a.Id, out var said) ? said : answers[a.Id] = Any(a.Question, ref local))
            .Select(a => (a, 0))
            .ToList();
        dice = local;
        return [.. program.Select(p => new Answer(p.a, answers.TryGetValue(p.a.Id, out var said) ? said : answers[p.a.Id] = p.a.Question.Untouched))];
    }

    /// <summary>What somebody left: answers in every program, and a controller in the middle of anything.</summary>
    private static ControllerMemory Leftover(ControllerProfile profile, ref SeededRandom dice)
    {
        var memory = ControllerMemory.New(profile);
        foreach (var slot in profile.Slots.DefaultIfEmpty("1"))
        {
            memory = memory with { Slot = slot };
            foreach (var answer in AnyProgram(profile, ref dice))
                memory = answer.Asked.Question.Id == "slot" ? memory : memory.With(answer.Asked, answer.Shown);
        }
        string[] keys =
        [
            "take",
            "wipe",
            "quit",
            "open",
            "tell",
            "fire",
            "dot",
            "more",
            "less~1.2",
            "0",
            "5",
            "9",
            "hand lid",
            "until 5",
            "turn slow",
            "take",
            "open",
        ];
        var machine = new KeyMachine(profile, memory);
        for (var i = (int)(dice.Next() * 40); i > 0; i--)
            machine.Press(keys[(int)(dice.Next() * keys.Length)]);
        return machine.Memory;
    }

    [Fact]
    public void A_card_keyed_in_over_any_leftover_gives_just_its_program()
    {
        var dice = new SeededRandom(12);
        foreach (var profile in BuiltInProfiles.All.Select(p => p.Profile).Where(p => p.Give != StepForm.Dials))
        {
            for (var t = 0; t < 150; t++)
            {
                var program = AnyProgram(profile, ref dice);
                var machine = new KeyMachine(profile, Leftover(profile, ref dice));
                foreach (var line in EntryCard.Of(profile, program))
                {
                    var typed = line.Keys.TakeWhile(k => k != "take").ToList();
                    machine.Press(typed);
                    if (line.Asked is not null)
                        machine.Display.ShouldBe(line.Display, profile.Name);
                    machine.Press(line.Keys.Skip(typed.Count));
                }
                machine.Memory.State.ShouldBe(ControllerState.Ready);
                machine.Memory.Program(profile).ShouldBe(program, profile.Name);
                machine.Press("tell");
                foreach (var answer in program)
                {
                    machine.Display.ShouldBe($"{answer.Asked.Label} {answer.Shown}");
                    machine.Press("take");
                }
                machine.Display.ShouldBe("ready");
                machine.Press("fire");
                machine.Display.ShouldBe("firing");
            }
        }
    }

    [Theory]
    [InlineData("12", "stay 1 12", "0.12")]
    [InlineData("120", "stay 1 1.20", "1.20")]
    [InlineData("1200", "stay 1 12.00", "12.00")]
    [InlineData("90", "stay 1 90", "1.30")]
    [InlineData("190", "stay 1 1.90", "2.30")]
    [InlineData("12345", "stay 1 12.34", "12.34")]
    public void Minutes_come_first_and_the_point_is_implied(string typed, string display, string taken)
    {
        var machine = Machine("Wedge").Press(["open", "take", "1", "take", "take", "take", .. typed.Select(c => c.ToString())]);
        machine.Display.ShouldBe(display);
        machine.Press("take");
        machine.Memory.Program(Profile("Wedge")).Single(a => a.Asked.Id == "hold.1").Shown.ShouldBe(taken);
    }

    [Fact]
    public void What_is_out_of_range_is_refused_till_the_next_key_and_nothing_keeps_the_last_value()
    {
        var machine = Machine("Wedge").Press(["open", "7", "take"]);
        machine.Display.ShouldBe("no");
        machine.Press("dot");
        machine.Display.ShouldBe("page 1");
        machine.Press(["2", "take", "3", "take", "8", "8", "8", "take"]);
        machine.Memory.Program(Profile("Wedge")).Single(a => a.Asked.Id == "rate.1").Meaning.ShouldBe("full");
        machine.Press(["quit", "open", "take", "take"]);
        machine.Display.ShouldBe("pace 1 888", "the last user's");
        machine.Press(["1", "2"]);
        machine.Display.ShouldBe("pace 1 12");
        machine.Press("wipe");
        machine.Display.ShouldBe("pace 1 888");
    }

    [Fact]
    public void A_pad_is_empty_refuses_nothing_typed_and_asks_twice()
    {
        var machine = Machine("Ewer").Press(["open", "until Reed", "take"]);
        machine.Display.ShouldBe("how many stretches");
        machine.Press("take");
        machine.Display.ShouldBe("no");
        machine.Press(["2", "take"]);
        machine.Display.ShouldBe("how many stretches 2?");
        machine.Press("wipe");
        machine.Display.ShouldBe("how many stretches");
        machine.Press(["2", "take", "take", "1", "dot", "5", "dot", "take", "take"]);
        machine.Memory.Program(Profile("Ewer")).Single(a => a.Asked.Id == "rate.1").Shown.ShouldBe("1.5");
        machine.Press(["1", "9", "dot", "5", "take"]);
        machine.Display.ShouldBe("no", "between the range and the word");
    }

    [Fact]
    public void Arrows_go_faster_the_longer_they_are_held_and_reach_words_below_the_numbers()
    {
        After("Chamois", "open").ShouldBe("up 1 5");
        After("Chamois", "open", "more").ShouldBe("up 1 10");
        // 1, then 8 a second from half a second on, then 40 a second from two seconds on.
        After("Chamois", "open", "more~0.4").ShouldBe("up 1 10");
        After("Chamois", "open", "more~1.2").ShouldBe("up 1 35");
        After("Chamois", "open", "more~2.5").ShouldBe("up 1 170");
        After("Chamois", "open", "more~60").ShouldBe("up 1 400");
        After("Chamois", "open", "less").ShouldBe("up 1 stop");
        After("Kidney", "open", "take", "less").ShouldBe("slope 1 pass");
        After("Kidney", "open", "take", "less", "less").ShouldBe("slope 1 flat");
        After("Calliper", "open", "more~60").ShouldBe("in 1 0:01", "a button is not held");
        After("Kidney", "open", "until 0:07").ShouldBe("no", "not on a step of five");
        After("Pug", "open", "0", "4", "take", "turn fast").ShouldBe("gait fast");
    }

    [Fact]
    public void Steps_end_are_passed_by_or_counted()
    {
        var machine = Machine("Bat").Press(["open", "take", "1", "8", "0", "take", "3", "9", "2", "take", "0", "take", "0", "take"]);
        machine.Memory.Program(Profile("Bat")).Select(a => a.Asked.Id).ShouldBe(["slot", "rate.1", "target.1", "hold.1", "rate.2", "alarm", "delay"]);
        machine.Display.ShouldBe("too hot 100");
        machine.Press(["fire", "quit", "fire"]);
        machine.Display.ShouldBe("fault", "the lid is open");
        machine.Press("quit");
        machine.Display.ShouldBe("fault");
        machine.Press(["wipe", "hand lid", "fire"]);
        machine.Display.ShouldBe("firing");
        Machine("Kidney").Press(["open", "take", "until pass", "take", "until 100", "take"]).Display.ShouldBe("mark 2 20");
    }

    [Fact]
    public void Every_profile_is_kept_as_it_is_written_and_unknown_keys_are_known_as_such()
    {
        BuiltInProfiles.All.Select(p => p.Profile.Name).ShouldBe(["Wedge", "Bat", "Chamois", "Kidney", "Calliper", "Pug", "Stilt", "Ewer", "Spyhole", "Bung"]);
        foreach (var key in new[] { "take", "more~1.5", "until 1:30", "hand lid", "7", "dot" })
            KeyMachine.IsKey(key).ShouldBeTrue(key);
        foreach (var key in new[] { "", "push", "more~x", "more~9999", "until ", "hand foot", "12", "Take" })
            KeyMachine.IsKey(key).ShouldBeFalse(key);
        Should.Throw<ArgumentException>(() => Machine("Bat").Press("push"));
    }

    [Fact]
    public void A_code_tells_programs_apart()
    {
        var dice = new SeededRandom(3);
        var wedge = Profile("Wedge");
        var programs = Enumerable.Range(0, 500).Select(_ => AnyProgram(wedge, ref dice)).ToList();
        programs.Select(p => EntryCard.Code(wedge, p)).ShouldAllBe(c => c.Length == 4 && c.All(char.IsAsciiLetterUpper));
        programs.Select(p => EntryCard.Code(wedge, p)).Distinct().Count().ShouldBeGreaterThan(495);
        EntryCard.Code(wedge, programs[0]).ShouldBe(EntryCard.Code(wedge, programs[0]));
    }
}
