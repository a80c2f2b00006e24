namespace ZealousEmber.Core.Controllers;

/// <summary>Whether the parts of a profile go together.</summary>
internal static class ProfileCheck
{
    public static IEnumerable<Problem> Of(ControllerProfile profile)
    {
        if (profile.Give == StepForm.Dials)
        {
            if (profile.Ask.Length > 0)
                yield return new Problem("ask", "Switches are turned; nothing is asked.");
            yield break;
        }
        foreach (var (i, question) in profile.Ask.Index())
        {
            if (profile.Ask.Take(i).Any(q => q.Id == question.Id))
                yield return new Problem($"ask[{i}].id", $"{question.Id} is asked twice.");
            if (question.Unless is { } unless && !profile.Ask.Take(i).Any(q => q.Id == unless.Id))
                yield return new Problem($"ask[{i}].unless", $"{unless.Id} is not asked before this.");
            if (question.Unless is { } passed && profile.Find(passed.Id) is { } at && !at.IsAnswer(passed.Shown))
                yield return new Problem($"ask[{i}].unless", $"{passed.Id} never reads “{passed.Shown}”.");
            if (!Suits(profile, question))
                yield return new Problem($"ask[{i}].format", $"{question.Id} cannot be answered in this format.");
        }
        foreach (var needed in Needed(profile))
        {
            if (profile.Find(needed) is null)
                yield return new Problem("ask", $"It has to ask for {needed}.");
        }
        foreach (var (i, question) in profile.Ask.Index())
        {
            if (!Known(profile).Contains(question.Id))
                yield return new Problem($"ask[{i}].id", $"A controller of this kind does not ask for {question.Id}.");
        }
        var group = profile.Ask.Index().Where(q => profile.IsOfAStep(q.Item)).ToList();
        if (group.Count > 0 && (group[^1].Index - group[0].Index + 1 != group.Count || !group.Any(q => q.Item.Id is "rate" or "time")))
            yield return new Problem("ask", "What is asked of a step stands together, its rate or time among it.");
        foreach (var q in group.Where(q => q.Item.Shared))
            yield return new Problem($"ask[{q.Index}].shared", "What is asked of a step is its program's.");
        if (profile.Find("count") is { } count && profile.Give is StepForm.Rate or StepForm.Time)
        {
            if (profile.Ask.IndexOf(count) > (group.Count > 0 ? group[0].Index : 0))
                yield return new Problem("ask", "How many steps there are is asked before them.");
            if (count.Min < 1 || count.Max > profile.Most)
                yield return new Problem($"ask[{profile.Ask.IndexOf(count)}].max", $"It counts 1 to {profile.Most} steps.");
        }
        var first = group.Count > 0 ? group[0] : default;
        var pace = group.FirstOrDefault(q => q.Item.Id is "rate" or "time", first);
        if (profile.Count == Counting.Ended && group.Count > 0 && pace.Item.Word("end") is null)
            yield return new Problem($"ask[{pace.Index}].words.end", "Steps end at a word; it has none.");
        if (profile.Count == Counting.Fixed && group.Count > 0 && pace.Item.Word("skip") is null)
            yield return new Problem($"ask[{pace.Index}].words.skip", "Steps left over are passed by with a word; it has none.");
        foreach (var problem in Slots(profile).Concat(Cones(profile)))
            yield return problem;
    }

    private static IEnumerable<Problem> Slots(ControllerProfile profile)
    {
        if (profile.Slots.Length == 0 != (profile.Find("slot") is null))
            yield return new Problem("slots", "Programs have names, and it asks which.");
        if (profile.Find("slot") is not { } slot)
            yield break;
        if (profile.Ask[0] != slot)
            yield return new Problem("ask", "Which program is the first question.");
        var missing = profile.Slots.FirstOrDefault(s => !slot.IsAnswer(s));
        if (missing is not null || profile.Slots.Length != slot.Wheel.Length)
            yield return new Problem("slots", $"What it asks for and its programs are not the same{(missing is null ? "" : $": {missing}")}.");
    }

    private static IEnumerable<Problem> Cones(ControllerProfile profile)
    {
        if (profile.Presets is not { } presets)
            yield break;
        if (
            presets.Speeds.Length > 0
            && (profile.Find("speed") is not { } speed || !speed.Choices.Order().SequenceEqual(presets.Speeds.Select(s => s.Word).Order()))
        )
            yield return new Problem("speeds", "The speeds it asks for and those it has are not the same.");
        if (presets.Last is not null && profile.Find("hours") is null)
            yield return new Problem("ask", "It has to ask for hours.");
        if (profile.Find("cool") is { } cool && !cool.Choices.Order().SequenceEqual(presets.Cools.Select(s => s.Word).Order()))
            yield return new Problem("cools", "The coolings it asks for and those it has are not the same.");
        if (profile.Find("dry") is not null && presets.DryAt is null)
            yield return new Problem("dryAt", "It asks how long to dry; say at what temperature.");
    }

    private static string[] Needed(ControllerProfile profile) =>
        profile.Give switch
        {
            StepForm.Rate =>
            [
                "rate",
                "target",
                "hold",
                .. profile.Count == Counting.Asked ? ["count"] : Array.Empty<string>(),
                .. profile.Cooling == CoolingRule.One ? ["cool"] : Array.Empty<string>(),
            ],
            StepForm.Time =>
            [
                "time",
                "target",
                .. profile.Count == Counting.Asked ? ["count"] : Array.Empty<string>(),
                .. profile.Cooling == CoolingRule.One ? ["cool"] : Array.Empty<string>(),
            ],
            _ => ["cone"],
        };

    private static string[] Known(ControllerProfile profile) =>
        profile.Give switch
        {
            StepForm.Rate => ["slot", "count", "rate", "target", "hold", "cool", "alarm", "delay"],
            StepForm.Time => ["slot", "count", "time", "target", "cool", "alarm", "delay"],
            _ => ["slot", "cone", "speed", "hours", "hold", "dry", "cool", "alarm", "delay"],
        };

    private static bool Suits(ControllerProfile profile, Question question) =>
        question.Id switch
        {
            "slot" => question.Format is AnswerFormat.Whole or AnswerFormat.Word,
            "count" => question.Format == AnswerFormat.Whole,
            "cone" => question.Format == AnswerFormat.Cone,
            "speed" => question.Format == AnswerFormat.Word,
            "cool" when profile.Give == StepForm.Cone => question.Format == AnswerFormat.Word,
            "rate" or "target" or "cool" or "alarm" => question.Format is AnswerFormat.Whole or AnswerFormat.Tenths,
            _ => question.IsTime,
        };
}
