using System.Collections.Immutable;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Bank;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Controllers.ReadingBack;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Mapping;

/// <summary>A read-back from the wire, compared and explained.</summary>
internal static class ReadBackTask
{
    private const int MostShown = 400;
    private const int LongestShown = 40;
    private const int LongestText = 8000;
    private static readonly char[] Parts = [';', '|', '\t', '\n', '\r'];
    private static readonly char[] Blanks = [' '];

    public static async Task<Result<ReadBackResponse>> Of(
        ReadBackRequest? wire,
        Repository<ListedController> shelf,
        EnteredPrograms entered,
        CancellationToken cancel
    )
    {
        wire ??= new ReadBackRequest();
        var problems = new List<Problem>();
        var profile = await ControllerMapping.ReadProfile(wire.ProfileId, wire.Profile, shelf, problems, cancel);
        var (kind, start) = ReadSchedule(wire, problems);
        var shown = ReadShown(wire.Shown, wire.Text, problems);
        var memory = profile is null || wire.Memory is null ? null : ControllerMapping.Read(wire.Memory, profile, problems);
        var program = profile is null ? [] : ReadProgram(wire.Program, profile, problems);
        if (profile?.Give == StepForm.Dials)
            problems.Add(new Problem("profile", "Switches show nothing to read back: they are turned by the clock."));
        if (problems.Count > 0)
            return Result<ReadBackResponse>.Failed(problems);
        var back = Compare(profile!, program, kind, start, shown, memory, await entered.Slips(cancel));
        return back.IsOk ? back.Value.Response : Result<ReadBackResponse>.Failed(back.Problems);
    }

    /// <summary>What was read beside what was set; problems name <c>shown[i]</c>.</summary>
    public static Result<(ReadBackResponse Response, ReadBackResult Read)> Compare(
        ControllerProfile profile,
        ImmutableArray<Core.Controllers.Answer> program,
        ScheduleKind kind,
        Temperature start,
        IReadOnlyList<string> shown,
        ControllerMemory? memory,
        IEnumerable<string> slipsMade
    )
    {
        var consequences = new Consequences(profile, program, kind, start);
        var back = ReadBack.Of(profile, program, shown, memory, consequences);
        if (!back.IsOk)
            return Result<(ReadBackResponse, ReadBackResult)>.Failed(back.Problems);
        var slips = SlipFinder.Of(profile, program, back.Value.Read, consequences.Top.In(profile.Unit), memory, OwnSlips.Of(slipsMade));
        return (
            new ReadBackResponse(
                back.Value.Matches,
                [.. back.Value.Missing.Select(m => m.Id)],
                Write(back.Value.Differences, profile),
                Write(slips),
                Fired(profile, program, back.Value, kind, start)
            ),
            back.Value
        );
    }

    /// <summary>What the kiln would do with what was read, and with what was set where nothing was read yet.</summary>
    private static ScheduleContract? Fired(
        ControllerProfile profile,
        IReadOnlyList<Core.Controllers.Answer> program,
        ReadBackResult back,
        ScheduleKind kind,
        Temperature start
    )
    {
        if (back.Differences.IsEmpty)
            return null;
        var said = program.ToDictionary(a => a.Asked.Id, a => a.Shown);
        foreach (var read in back.Read)
            said[read.Asked.Id] = read.Shown;
        string Answer(Asked asked) => said.GetValueOrDefault(asked.Id) is { } shown && asked.Question.IsAnswer(shown) ? shown : asked.Question.Untouched;
        if (
            ProgramSchedule.Of(profile, [.. ProgramWalk.Of(profile, Answer).Select(a => new Core.Controllers.Answer(a, Answer(a)))], start)
            is not { IsOk: true, Value: var fired }
        )
            return null;
        var schedule = Schedule.Create("as it was read", kind, profile.Unit, fired.Steps);
        return schedule.IsOk ? ScheduleMapping.Write(schedule.Value) : null;
    }

    /// <summary>Differences as they are told.</summary>
    public static IReadOnlyList<DifferenceContract> Write(IEnumerable<ReadBackDifference> differences, ControllerProfile profile) =>
        [
            .. differences.Select(d => new DifferenceContract(
                d.Asked.Id,
                d.Wanted,
                d.Shown,
                d.Consequence,
                d.Minutes,
                TemperatureDifference.FromKelvins(d.Degrees).In(profile.Unit)
            )),
        ];

    /// <summary>Slips as they are told.</summary>
    public static IReadOnlyList<SlipContract> Write(IEnumerable<Slip> slips) =>
        [.. slips.Select(s => new SlipContract(s.Kind, s.Questions, s.Text, s.Probability))];

    private static (ScheduleKind Kind, Temperature Start) ReadSchedule(ReadBackRequest wire, List<Problem> problems)
    {
        if (wire.Schedule is null)
            return (ScheduleKind.Glaze, ScheduleMapping.ReadStart(wire.StartTemperature, TemperatureUnit.Celsius, problems));
        var (schedule, start) = ScheduleMapping.ReadUnnamed(wire.Schedule, wire.StartTemperature, problems);
        return (schedule?.Kind ?? ScheduleKind.Glaze, start);
    }

    /// <summary>What a display shows, value by value or as one text; problems name <c>shown</c> and <c>text</c>.</summary>
    public static IReadOnlyList<string> ReadShown(IReadOnlyList<string?>? values, string? text, List<Problem> problems)
    {
        if (values is null && text is { Length: > LongestText })
            problems.Add(new Problem("text", $"At most {LongestText} characters."));
        if (values is null && text is null)
            problems.Add(new Problem("shown", "What does the controller show, question by question?"));
        var shown = values?.Select(s => s ?? "").ToList() ?? Split(text is { Length: <= LongestText } ? text : "");
        if (shown.Count > MostShown)
            problems.Add(new Problem("shown", $"At most {MostShown} values; these are {shown.Count}."));
        foreach (var (i, value) in shown.Take(MostShown).Index())
        {
            if (value.Length > LongestShown)
                problems.Add(new Problem($"shown[{i}]", $"No display shows more than {LongestShown} characters."));
        }
        return problems.Count > 0 ? [] : shown;
    }

    private static List<string> Split(string text)
    {
        var options = StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries;
        return [.. text.Split(text.IndexOfAny(Parts) >= 0 ? Parts : Blanks, options)];
    }

    /// <summary>The program that was set: every question that comes up with these answers has one it could take.</summary>
    private static ImmutableArray<Core.Controllers.Answer> ReadProgram(IReadOnlyList<AnswerContract?>? wire, ControllerProfile profile, List<Problem> problems)
    {
        var said = new Dictionary<string, (int Index, string Shown)>();
        foreach (var (i, answer) in (wire ?? []).Take(MostShown).Index())
            said[answer?.Question ?? ""] = (i, answer?.Shown ?? "");
        var missing = new List<string>();
        var wrong = new List<Problem>();
        string Answer(Asked asked)
        {
            if (!said.TryGetValue(asked.Id, out var answer))
                missing.Add(asked.Id);
            else if (!asked.Question.IsAnswer(answer.Shown))
                wrong.Add(
                    new Problem(
                        $"program[{answer.Index}]",
                        $"{asked.Label} can never show “{(answer.Shown.Length > LongestShown ? answer.Shown[..LongestShown] : answer.Shown)}”."
                    )
                );
            else
                return answer.Shown;
            return asked.Question.Untouched;
        }
        var program = ProgramWalk
            .Of(profile, Answer)
            .Select(a => new Core.Controllers.Answer(
                a,
                said.TryGetValue(a.Id, out var answer) && a.Question.IsAnswer(answer.Shown) ? answer.Shown : a.Question.Untouched
            ))
            .ToImmutableArray();
        if (missing.Count > 0)
            wrong.Add(new Problem("program", $"What was set has no answer to {Phrases.List(missing.Take(4))}."));
        problems.AddRange(wrong);
        return wrong.Count > 0 ? [] : program;
    }
}
