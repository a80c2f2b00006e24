using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using Answer = ZealousEmber.App.Http.Answer;

namespace ZealousEmber.App.Learning;

/// <summary>What a kiln would have taught after some firings: pure.</summary>
internal static class LearningReplay
{
    private const int MostFirings = 200;

    public static void MapLearningReplay(this WebApplication app) =>
        app.MapPost("/api/learning/replay", async (LearningRequest? request, StudioLookup lookup, CancellationToken cancel) =>
                Answer.Of(await Replay(request, lookup, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithMetadata(new BodySize(BodyLimit.Log))
            .RequireRateLimiting(LargeBodies.Queue)
            .WithTags("Learning")
            .WithSummary("What a kiln would have taught after each of these firings: pure");

    private static async Task<Result<LearningResponse>> Replay(LearningRequest? request, StudioLookup lookup, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        if (request?.Firings is not { Count: > 0 } wire)
            return new Problem("firings", "Give the firings to learn from, the earliest first.");
        if (wire.Count > MostFirings)
            return new Problem("firings", $"At most {MostFirings} firings are learned from at once.");
        if (request.Kiln is null && request.KilnId is null)
            return new Problem("kiln", "Say which kiln these were fired in: kilnId, or a kiln described here.");
        KilnLearner? learner = null;
        var after = new List<LearnedAfter>();
        foreach (var (i, firing) in wire.Index())
        {
            cancel.ThrowIfCancellationRequested();
            var own = new List<Problem>();
            var (schedule, start) = ScheduleMapping.ReadUnnamed(firing?.Schedule, firing?.StartTemperature, own);
            var goal = ScheduleMapping.ReadCone(firing?.GoalCone, "goalCone", own) ?? schedule?.Goal;
            var model = await KilnAndLoad.Read(request.KilnId, request.Kiln, firing?.Load, schedule?.Kind ?? ScheduleKind.Glaze, start, lookup, problems);
            var samples = LogSamples.ReadSamples(firing?.Log ?? [], own, "log");
            var packs = PackMapping.Read(firing?.Packs, "packs", own);
            if (schedule?.Program.CannotBeginAt(start) is { } cannot)
                own.Add(cannot.Under("schedule"));
            problems.AddRange(own.Select(p => p.Under($"firings[{i}]")));
            if (problems.Count > 0 || schedule is null || model.Kiln is not ElectricKiln electric)
            {
                if (problems.Count > 20)
                    break;
                continue;
            }
            // As it stands, without what the studio's own firings have taught: only what is given here counts.
            learner ??= new KilnLearner(electric.Kiln.With(offset: null));
            if (firing!.NewElements == true)
                learner.NewElements();
            if (firing.NewThermocouple == true)
                learner.NewThermocouple();
            var finished = new FinishedFiring(new WatchedFiring(electric.Kiln.With(offset: null), electric.Standing, schedule.Program, goal, start), samples);
            learner.Learn(finished);
            learner.Learn(packs, finished.Progress(), goal);
            after.Add(LearnedAfter.From(learner.Learned));
        }
        return problems.Count > 0 ? Result<LearningResponse>.Failed(problems) : new LearningResponse(after);
    }
}
