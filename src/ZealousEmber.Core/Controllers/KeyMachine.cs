using System.Globalization;

namespace ZealousEmber.Core.Controllers;

/// <summary>
/// A controller with its keys: take, wipe, quit, open, tell, fire, the digits, dot, more and less (held for a time as <c>more~1.5</c>), <c>until 150</c>,
/// <c>turn slow</c>, <c>hand lid</c>. A key that does nothing where it is pressed is pressed all the same. Source: the project's paper on controllers.
/// </summary>
/// <param name="profile">Which controller.</param>
/// <param name="memory">What it remembers.</param>
public sealed class KeyMachine(ControllerProfile profile, ControllerMemory memory)
{
    /// <summary>Most keys pressed at once.</summary>
    public const int MostKeys = 4000;

    private const double FirstQuick = 0.5;
    private const double LongestSlow = 1.5;
    private const int SlowPerSecond = 8;
    private const int QuickFrom = 2;
    private const int QuickPerSecond = 40;
    private const double LongestHeld = 120;
    private const string DoesNotTake = "no";
    private static readonly string[] Plain = ["take", "wipe", "quit", "open", "tell", "fire", "dot", "more", "less"];
    private bool refused;
    private Asked? known;

    /// <summary>What it remembers now.</summary>
    public ControllerMemory Memory { get; private set; } = memory;

    /// <summary>What the display says.</summary>
    public string Display =>
        refused
            ? DoesNotTake
            : Memory.State switch
            {
                ControllerState.Ask or ControllerState.Sure or ControllerState.Tell when At is { } asked =>
                    $"{asked.Label} {Shown(asked)}{(Memory.State == ControllerState.Sure ? "?" : "")}".TrimEnd(),
                var state => state.ToString().ToLowerInvariant(),
            };

    /// <summary>The question on the display.</summary>
    public Asked? At
    {
        get
        {
            if (Memory.At is null)
                return null;
            // It changes only when an answer is taken; keys are many.
            if (known?.Id != Memory.At)
                known = ProgramWalk.Of(profile, Memory.AnswerTo).Select(a => (Asked?)a).FirstOrDefault(a => a!.Value.Id == Memory.At);
            return known;
        }
    }

    /// <summary>True for a key there is.</summary>
    public static bool IsKey(string key) =>
        Plain.Contains(key)
        || key is [>= '0' and <= '9']
        || (key.Split(' ', 2) is ["until" or "turn", { Length: > 0 and < 20 }])
        || (key.Split(' ', 2) is ["hand", var hand] && HandOf(hand) is not null)
        || HeldFor(key) is not null;

    /// <summary>Presses one key after another. An unknown key throws: look with <see cref="IsKey"/> first.</summary>
    public KeyMachine Press(IEnumerable<string> keys)
    {
        foreach (var key in keys)
            Press(key);
        return this;
    }

    /// <summary>Presses a key.</summary>
    public void Press(string key)
    {
        if (!IsKey(key))
            throw new ArgumentException($"There is no key {key}.", nameof(key));
        refused = false;
        if (key.StartsWith("hand ", StringComparison.Ordinal))
            Done(HandOf(key[5..])!.Value);
        else if (key == "quit")
            Quit();
        else if (key == "wipe")
            Wipe();
        else if (key == "take")
            Take();
        else if (Memory.State is ControllerState.Rest or ControllerState.Ready)
            Begin(key);
        else if (Memory.State == ControllerState.Ask && At is { } asked)
            Answer(asked, key);
    }

    private static HandAction? HandOf(string word) =>
        Enum.GetValues<HandAction>().Select(h => (HandAction?)h).FirstOrDefault(h => h.ToString()!.ToLowerInvariant() == word);

    /// <summary>Seconds an arrow is held; nothing for another key.</summary>
    private static double? HeldFor(string key) =>
        key.Split('~') is ["more" or "less", var held]
        && double.TryParse(held, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var seconds)
        && seconds <= LongestHeld
            ? seconds
            : null;

    private string Shown(Asked asked)
    {
        if (Memory.State == ControllerState.Tell)
            return Memory.AnswerTo(asked);
        if (Memory.Typed.Length > 0)
            return Typing.Display(asked.Question, Memory.Typed);
        return asked.Question.Entry == Entry.Pad ? "" : Memory.AnswerTo(asked);
    }

    private void Done(HandAction hand)
    {
        if (!Memory.Hands.Contains(hand))
            Memory = Memory with { Hands = Memory.Hands.Add(hand) };
    }

    private void Quit()
    {
        if (Memory.State != ControllerState.Fault)
            Memory = Memory with { State = ControllerState.Rest, At = null, Typed = "" };
    }

    private void Wipe() =>
        Memory = Memory.State switch
        {
            ControllerState.Fault => Memory with { State = ControllerState.Rest },
            ControllerState.Sure => Memory with { State = ControllerState.Ask, Typed = "" },
            _ => Memory with { Typed = "" },
        };

    private void Begin(string key)
    {
        if (key == "fire")
            Memory = Memory with { State = profile.Hands.All(Memory.Hands.Contains) ? ControllerState.Firing : ControllerState.Fault };
        if (key is not ("open" or "tell") || profile.Ask.Length == 0)
            return;
        Memory = Memory with
        {
            State = key == "open" ? ControllerState.Ask : ControllerState.Tell,
            At = ProgramWalk.Of(profile, Memory.AnswerTo).First().Id,
            Typed = "",
        };
    }

    private void Take()
    {
        if (Memory.State is not (ControllerState.Ask or ControllerState.Sure or ControllerState.Tell) || At is not { } asked)
            return;
        if (Memory.State != ControllerState.Tell && (Memory.Typed.Length > 0 || asked.Question.Entry == Entry.Pad))
        {
            if (Typing.Read(asked.Question, Memory.Typed) is not { } shown)
            {
                Refuse();
                return;
            }
            if (profile.Confirms && asked.Question.Entry == Entry.Pad && Memory.State == ControllerState.Ask)
            {
                Memory = Memory with { State = ControllerState.Sure };
                return;
            }
            Memory = Memory.With(asked, shown);
        }
        // What was only looked at is an answer as well: the last user's.
        else if (Memory.State == ControllerState.Ask)
            Memory = Memory.With(asked, Memory.AnswerTo(asked));
        known = ProgramWalk
            .Of(profile, Memory.AnswerTo)
            .SkipWhile(a => !ReferenceEquals(a.Question, asked.Question) || a.Step != asked.Step)
            .Skip(1)
            .Select(a => (Asked?)a)
            .FirstOrDefault();
        Memory = Memory with
        {
            State =
                known is null ? ControllerState.Ready
                : Memory.State == ControllerState.Tell ? ControllerState.Tell
                : ControllerState.Ask,
            At = known?.Id,
            Typed = "",
        };
    }

    private void Refuse()
    {
        Memory = Memory with { Typed = "" };
        refused = true;
    }

    private void Answer(Asked asked, string key)
    {
        var question = asked.Question;
        if (question.IsTyped)
        {
            if (key is [>= '0' and <= '9'] && Memory.Typed.Count(char.IsAsciiDigit) < question.Places)
                Memory = Memory with { Typed = Memory.Typed + key };
            if (key == "dot" && question.Entry == Entry.Pad && !Memory.Typed.Any(c => c is '.' or ':'))
                Memory = Memory with { Typed = Memory.Typed + (question.Format == AnswerFormat.HoursColonMinutes ? ":" : ".") };
            return;
        }
        if (key.Split(' ', 2) is ["until" or "turn", var shown])
        {
            if (question.IsAnswer(shown))
                Memory = Memory.With(asked, shown);
            else
                refused = true;
        }
        else if (key.StartsWith("more", StringComparison.Ordinal) || key.StartsWith("less", StringComparison.Ordinal))
            Turn(asked, key);
    }

    /// <summary>Along the wheel, as far as it goes.</summary>
    private void Turn(Asked asked, string key)
    {
        var wheel = asked.Question.Wheel;
        var steps = asked.Question.Entry == Entry.Arrows && HeldFor(key) is { } seconds ? StepsIn(seconds) : 1;
        var at = wheel.IndexOf(Memory.AnswerTo(asked)) + (key.StartsWith("more", StringComparison.Ordinal) ? steps : -steps);
        Memory = Memory.With(asked, wheel[Math.Clamp(at, 0, wheel.Length - 1)]);
    }

    /// <summary>How far an arrow goes while it is held: first one, then slowly, then quickly.</summary>
    private static int StepsIn(double seconds) =>
        1
        + Math.Max(0, (int)Math.Floor(SlowPerSecond * Math.Min(LongestSlow, seconds - FirstQuick)))
        + Math.Max(0, (int)Math.Floor(QuickPerSecond * (seconds - QuickFrom)));
}
