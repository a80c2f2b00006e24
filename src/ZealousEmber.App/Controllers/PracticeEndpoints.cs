using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Practice;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using Answer = ZealousEmber.App.Http.Answer;

namespace ZealousEmber.App.Controllers;

/// <summary>Something to practise at a controller.</summary>
/// <param name="Kind">read, enter, leftovers or find.</param>
/// <param name="Slot">Under which program it is to stand.</param>
/// <param name="Memory">The controller at the beginning.</param>
/// <param name="Program">What is to be entered; what is asked for in the task that has to be found is not told.</param>
/// <param name="Questions">About a schedule that is read.</param>
public sealed record PracticeTaskContract(
    string Id,
    PracticeKind Kind,
    ScheduleContract Schedule,
    string? Slot,
    MemoryContract Memory,
    IReadOnlyList<AnswerContract> Program,
    IReadOnlyList<string> Questions
);

/// <summary>What somebody did.</summary>
/// <param name="ProfileId">A controller of the studio,</param>
/// <param name="Profile">or one described here.</param>
/// <param name="Task">Which.</param>
/// <param name="Memory">The controller as it was left.</param>
/// <param name="Answers">About a schedule, question by question: degrees of its unit, or minutes.</param>
/// <param name="Found">What is wrong: rate.2.</param>
/// <param name="Seconds">It took.</param>
/// <param name="Hints">Asked for.</param>
public sealed record PracticeCheckRequest(
    int? ProfileId = null,
    ProfileData? Profile = null,
    string? Task = null,
    MemoryContract? Memory = null,
    IReadOnlyList<double?>? Answers = null,
    string? Found = null,
    double? Seconds = null,
    int? Hints = null
);

/// <summary>What came of it.</summary>
/// <param name="Schedule">What the kiln does with what was really entered.</param>
public sealed record PracticeCheckResponse(
    bool Done,
    string Text,
    IReadOnlyList<DifferenceContract> Differences,
    IReadOnlyList<SlipContract> Slips,
    ScheduleContract? Schedule
);

/// <summary>A task somebody tried.</summary>
public sealed record PracticeTryContract(string Controller, string Task, bool Done, int Seconds, int Hints, DateTimeOffset At);

/// <summary>Practice at any controller: the same core, nothing of its own.</summary>
internal static class PracticeEndpoints
{
    private const int LongestSeconds = 24 * 3600;

    public static void MapPractice(this WebApplication app)
    {
        var api = app.MapGroup("/api/practice").Needs(Right.See).WithTags("Practice");
        api.MapGet("{id:int}", async (int id, Repository<ListedController> controllers, CancellationToken cancel) =>
                await controllers.Find(id, cancel) is { } found
                    ? Results.Ok(PracticeTasks.Of(found.Item.Profile).Select(Write))
                    : ProblemResponses.NotFound("controller")
            )
            .WithSummary("Tasks at a controller, the easiest first")
            .Produces<PracticeTaskContract[]>()
            .ProducesProblem(404);
        api.MapGet("", async (string? name, PracticeLog log, CancellationToken cancel) =>
                Results.Ok(
                    (await log.Of(name?.Trim() ?? "", cancel)).Select(t => new PracticeTryContract(
                        t.Controller,
                        t.Task,
                        t.IsDone,
                        t.Seconds,
                        t.Hints,
                        t.At.ToDateTimeOffset()
                    ))
                )
            )
            .WithSummary("What somebody practised, the latest first")
            .Produces<PracticeTryContract[]>();
        api.MapPost(
                "check",
                async (
                    PracticeCheckRequest? request,
                    Repository<ListedController> controllers,
                    PracticeLog log,
                    TimeProvider time,
                    HttpRequest http,
                    CancellationToken cancel
                ) => Answer.Of(await Check(request, controllers, log, time, Versions.Stamp(http).By, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithSummary("What came of a task: what was entered otherwise, what it would do, and what probably happened");
    }

    private static PracticeTaskContract Write(PracticeTask task) =>
        new(
            task.Id,
            task.Kind,
            ScheduleMapping.Write(task.Schedule),
            task.Slot,
            ControllerMapping.Write(task.Memory),
            ControllerMapping.Write(task.Program),
            [.. task.Questions.Select(q => q.Text)]
        );

    private static async Task<Result<PracticeCheckResponse>> Check(
        PracticeCheckRequest? wire,
        Repository<ListedController> controllers,
        PracticeLog log,
        TimeProvider time,
        string? by,
        CancellationToken cancel
    )
    {
        wire ??= new PracticeCheckRequest();
        var problems = new List<Problem>();
        var profile = await ControllerMapping.ReadProfile(wire.ProfileId, wire.Profile, controllers, problems, cancel);
        var task = profile is null ? null : PracticeTasks.Of(profile).FirstOrDefault(t => t.Id == wire.Task);
        if (profile is not null && task is null)
            problems.Add(new Problem("task", "There is no such task at this controller."));
        var memory = task is { Kind: PracticeKind.Enter or PracticeKind.Leftovers } ? ControllerMapping.Read(wire.Memory, profile!, problems) : null;
        if (task is { Kind: PracticeKind.Find } && string.IsNullOrWhiteSpace(wire.Found))
            problems.Add(new Problem("found", "Which value is wrong?"));
        if (wire.Seconds is { } seconds && !(seconds >= 0 && seconds <= LongestSeconds))
            problems.Add(new Problem("seconds", "It took 0 seconds to a day."));
        if (wire.Hints is < 0 or > 1000)
            problems.Add(new Problem("hints", "0 to 1000 hints."));
        if (problems.Count > 0)
            return Result<PracticeCheckResponse>.Failed(problems);
        var result = task!.Kind switch
        {
            PracticeKind.Read => PracticeCheck.Read(task, wire.Answers ?? []),
            PracticeKind.Find => PracticeCheck.Find(profile!, task, wire.Found!),
            _ => PracticeCheck.Entered(profile!, task, memory!),
        };
        if (by is not null)
        {
            var now = Instant.FromUnixTimeMilliseconds(time.GetUtcNow().ToUnixTimeMilliseconds());
            await log.Add(new PracticeTry(by, profile!.Name, task.Id, result.IsDone, (int)(wire.Seconds ?? 0), wire.Hints ?? 0, now), cancel);
        }
        return new PracticeCheckResponse(
            result.IsDone,
            result.Text,
            ReadBackTask.Write(result.Differences, profile!),
            ReadBackTask.Write(result.Slips),
            result.Fired is { } fired ? ScheduleMapping.Write(task.Schedule.With(fired)) : null
        );
    }
}
