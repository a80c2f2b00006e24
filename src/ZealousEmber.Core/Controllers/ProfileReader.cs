using System.Collections.Immutable;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers;

/// <summary>Makes a profile from data, and says where it contradicts itself.</summary>
public static class ProfileReader
{
    private const int LongestName = 60;
    private const int LongestWord = 20;
    private const int MostQuestions = 40;
    private const int MostSlots = 99;
    private const int MostPairs = 64;
    private const int MostSections = 6;
    private const int MostPositions = 40;

    /// <summary>The profile. Problems name its fields: <c>name</c>, <c>most</c>, <c>ask[2].min</c>, <c>speeds.slow[1]</c>.</summary>
    public static Result<ControllerProfile> Read(ProfileData data)
    {
        var problems = new List<Problem>();
        void Wrong(string field, string message) => problems.Add(new Problem(field, message));
        T Word<T>(string field, string? word, T? usual, params (string Word, T Value)[] known)
            where T : struct
        {
            if (word is null && usual is { } given)
                return given;
            foreach (var (name, value) in known)
            {
                if (name == word)
                    return value;
            }
            Wrong(
                field,
                $"This is {Phrases.List(known.SkipLast(1).Select(k => k.Word))} or {known[^1].Word}{(word is null ? "." : $", not “{Short(word)}”.")}"
            );
            return known[0].Value;
        }

        var name = Text.OneLine(data.Name);
        if (name is null || name.Length > LongestName)
            Wrong(
                "name",
                name is null ? "A controller has a name, to find it by." : $"A name has at most {LongestName} characters; this one has {name.Length}."
            );
        var unit = Word("unit", data.Unit, null, ("C", TemperatureUnit.Celsius), ("F", TemperatureUnit.Fahrenheit));
        var give = Word("give", data.Give, null, ("rate", StepForm.Rate), ("time", StepForm.Time), ("cone", StepForm.Cone), ("dials", StepForm.Dials));
        var perMinute = Word("per", data.Per, false, ("hour", false), ("minute", true));
        // What is not said is not asked for twice.
        var steps = data.Give is "rate" or "time";
        var count = Word("count", data.Count, steps ? null : Counting.Ended, ("asked", Counting.Asked), ("ended", Counting.Ended), ("fixed", Counting.Fixed));
        var hold = Word("hold", data.Hold, steps && give == StepForm.Rate ? null : HoldRule.Top, ("every", HoldRule.Every), ("top", HoldRule.Top));
        var cooling = Word(
            "cooling",
            data.Cooling,
            steps ? null : CoolingRule.None,
            ("steps", CoolingRule.Steps),
            ("one", CoolingRule.One),
            ("none", CoolingRule.None)
        );
        var clockRuns = Word("clock", data.Clock, false, ("waits", false), ("runs", true));
        var lowered = Word("top", data.Top, false, ("fixed", false), ("lowered", true));
        var fullDown = Word("fullDown", data.FullDown, false, ("off", true), ("on", false));
        var hands = (data.Hands ?? [])
            .Select((h, i) => Word($"hands[{i}]", h ?? "", null, ("lid", HandAction.Lid), ("charge", HandAction.Charge), ("timer", HandAction.Timer)))
            .Distinct()
            .ToImmutableArray();
        if (steps && data.Most is not (>= 1 and <= ControllerProfile.MostSteps))
            Wrong("most", $"1 to {ControllerProfile.MostSteps} steps{(data.Most is { } most ? $"; this says {most}" : "")}.");
        if (cooling == CoolingRule.One && !(data.CoolTo is > 0 and < 3000))
            Wrong("coolTo", "Say to which temperature its one cooling goes.");
        if (data.AlarmAbove is { } above && !(above is >= 0 and <= 500))
            Wrong("alarmAbove", "An alarm is set 0 to 500 degrees over the top.");
        var slots = (data.Slots ?? []).Select(s => s ?? "").ToImmutableArray();
        if (slots.Length > MostSlots || slots.Any(s => s.Length is 0 or > LongestWord) || slots.Distinct().Count() < slots.Length)
            Wrong("slots", $"Up to {MostSlots} programs, each with a name of its own up to {LongestWord} characters.");
        if (data.Ask?.Count > MostQuestions)
            Wrong("ask", $"At most {MostQuestions} questions; these are {data.Ask.Count}.");
        var ask = (data.Ask ?? []).Take(MostQuestions).Select((q, i) => QuestionReader.Read(q, $"ask[{i}]", problems)).OfType<Question>().ToImmutableArray();
        var presets = give == StepForm.Cone ? ReadPresets(data, lowered, Wrong) : null;
        var dials = give == StepForm.Dials ? ReadDials(data, Wrong) : null;
        if (problems.Count > 0)
            return Result<ControllerProfile>.Failed(problems);
        var profile = new ControllerProfile(
            Name: name!,
            Unit: unit,
            Give: give,
            PerMinute: perMinute,
            Count: count,
            Most: data.Most ?? 1,
            Hold: hold,
            Cooling: cooling,
            CoolTo: data.CoolTo,
            FullDownIsOff: fullDown,
            Slots: slots,
            AlarmAbove: data.AlarmAbove,
            ClockRuns: clockRuns,
            Confirms: data.Confirm == true,
            Hands: hands,
            Ask: ask,
            Presets: presets,
            Dials: dials
        );
        problems.AddRange(ProfileCheck.Of(profile));
        return problems.Count > 0 ? Result<ControllerProfile>.Failed(problems) : profile;
    }

    internal static string Short(string word) => word.Length > LongestWord ? word[..LongestWord] + "…" : word;

    private static Presets ReadPresets(ProfileData data, bool lowered, Action<string, string> wrong)
    {
        ImmutableArray<(string, ImmutableArray<PresetStep>)> Named(string field, IReadOnlyDictionary<string, IReadOnlyList<IReadOnlyList<double>?>?>? words)
        {
            var named = ImmutableArray.CreateBuilder<(string, ImmutableArray<PresetStep>)>();
            foreach (var (word, pairs) in words ?? new Dictionary<string, IReadOnlyList<IReadOnlyList<double>?>?>())
            {
                if (word.Length is 0 or > LongestWord || pairs is null || pairs.Count > MostPairs)
                    wrong(field, $"A word up to {LongestWord} characters, with up to {MostPairs} pairs of rate and target.");
                foreach (var (i, pair) in (pairs ?? []).Index())
                {
                    if (pair is not [>= 1 and <= 2000, > -3000 and < 3000])
                        wrong($"{field}.{Short(word)}[{i}]", "A step is a rate of 1 to 2000 an hour, and a target.");
                }
                named.Add((word, [.. (pairs ?? []).OfType<IReadOnlyList<double>>().Where(p => p.Count == 2).Select(p => new PresetStep(p[0], p[1]))]));
            }
            return named.ToImmutable();
        }
        var (speeds, cools) = (Named("speeds", data.Speeds), Named("cools", data.Cools));
        (double, double)? last = null;
        if (data.Hours is { } hours)
        {
            if (hours.Last is [>= 1 and <= 2000 and var rate, > 0 and < 1000 and var degrees])
                last = (rate, degrees);
            else
                wrong("hours.last", "The last degrees: their rate an hour, and how many.");
        }
        if (speeds.Length == 0 == (last is null))
            wrong("speeds", "A controller that is told a cone has speeds, or asks for hours; one of both.");
        foreach (var (i, speed) in speeds.Index())
        {
            if (speed.Item2.Length == 0 || speed.Item2[^1].Target != 0)
                wrong($"speeds.{Short(speed.Item1)}", "A speed's last step goes to the top: its target is 0.");
        }
        if (data.DryAt is { } dry && !(dry is > 0 and < 300))
            wrong("dryAt", "It dries between 0 and 300 degrees.");
        return new Presets(lowered, data.DryAt, speeds, last, cools);
    }

    private static Dials ReadDials(ProfileData data, Action<string, string> wrong)
    {
        var sections = (data.Sections ?? []).Select(s => (Name: Text.OneLine(s?.Name) ?? "", Share: s?.Share ?? double.NaN)).ToImmutableArray();
        var positions = (data.Positions ?? []).Select(p => (Word: Text.OneLine(p?.Word) ?? "", Power: p?.Power ?? double.NaN)).ToImmutableArray();
        if (sections.Length is 0 or > MostSections || sections.Any(s => s.Name.Length is 0 or > LongestName || !(s.Share > 0)))
            wrong("sections", $"1 to {MostSections} sections, each with a name and a share of the power.");
        else if (Math.Abs(sections.Sum(s => s.Share) - 1) > 0.01)
            wrong("sections", $"The shares of all sections are 1 together; these are {Phrases.Number(Math.Round(sections.Sum(s => s.Share), 3))}.");
        if (positions.Length is < 2 or > MostPositions || positions.Any(p => p.Word.Length is 0 or > LongestWord || !(p.Power is >= 0 and <= 1)))
            wrong("positions", $"2 to {MostPositions} positions, each with a word and a power of 0 to 1.");
        else if (positions[0].Power != 0 || positions.Zip(positions.Skip(1)).Any(p => p.Second.Power <= p.First.Power))
            wrong("positions", "Positions go from off upwards, each stronger than the one before.");
        if (!(data.Apart is >= 5 and <= 240))
            wrong("apart", "Turns are 5 to 240 minutes apart.");
        foreach (var (i, cone) in (data.Cutoff?.Cones ?? []).Index())
        {
            if (Cone.Named(cone ?? "") is null)
                wrong($"cutoff.cones[{i}]", $"There is no cone “{Short(cone ?? "")}”.");
        }
        (double, double, double)? timer = null;
        if (data.Timer is { } t)
        {
            if (t is { Most: > 0 and <= 6000 and var most, Step: > 0 and <= 600 and var step, Spare: >= 0 and <= 600 and var spare })
                timer = (most, step, spare);
            else
                wrong("timer", "A timer has its longest, its step and what it is set over, in minutes.");
        }
        return new Dials(sections, positions, data.Apart ?? 15, [.. (data.Cutoff?.Cones ?? []).OfType<string>()], timer);
    }
}
