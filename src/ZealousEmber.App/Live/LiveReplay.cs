using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Live;

/// <summary>What would have been said of a log, and when: pure.</summary>
internal static class LiveReplay
{
    private const int MostReports = 500;

    public static void MapReplay(this WebApplication app)
    {
        app.MapPost("/api/live/replay", async (ReplayRequest? request, StudioLookup lookup, CancellationToken cancel) =>
                Answer.Of(await Make(request, lookup, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithMetadata(new BodySize(BodyLimit.Log))
            .RequireRateLimiting(LargeBodies.Queue)
            .WithTags("Live")
            .WithSummary("What would have been said of a log, and when");
    }

    private static async Task<Result<ReplayResponse>> Make(ReplayRequest? request, StudioLookup lookup, CancellationToken cancel)
    {
        if (request?.Schedule is null)
            return new Problem("schedule", "A schedule is missing here.");
        var problems = new List<Problem>();
        var (schedule, start) = ScheduleMapping.ReadUnnamed(request.Schedule, request.StartTemperature, problems);
        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        var model = await KilnAndLoad.Read(request.KilnId, request.Kiln, request.Load, schedule?.Kind ?? ScheduleKind.Glaze, start, lookup, problems);
        if (model.Kiln is not ElectricKiln && problems.Count == 0)
            problems.Add(new Problem("kiln", "Say which kiln this log is of: kilnId, or a kiln described here."));
        var samples = LogSamples.ReadSamples(request.Samples ?? [], problems);
        var until = LogSamples.ReadMinute(request.UntilMinute, "untilMinute", problems) ?? (samples.Count > 0 ? samples[^1].Minutes : 0);
        if (request.ReportAt?.Count > MostReports)
            problems.Add(new Problem("reportAt", $"At most {MostReports} reports can be asked for at once."));
        foreach (var (i, at) in (request.ReportAt ?? []).Take(MostReports).Index())
            LogSamples.ReadMinute(at, $"reportAt[{i}]", problems);
        if (problems.Count > 0 || schedule is null || model.Kiln is not ElectricKiln electric)
            return Result<ReplayResponse>.Failed(problems);
        if (schedule.Program.CannotBeginAt(start) is { } cannot)
            return cannot.Under("schedule");
        var live = new LiveFiring(new WatchedFiring(electric.Kiln, electric.Standing, schedule.Program, goal ?? schedule.Goal, start));
        return Run(live, samples, until, [.. (request.ReportAt ?? []).Order()], cancel);
    }

    private static ReplayResponse Run(LiveFiring live, List<FiringSample> samples, double until, IReadOnlyList<double> reportAt, CancellationToken cancel)
    {
        var reports = new List<LiveContract>();
        var next = 0;
        void ReportUntil(double minute)
        {
            for (; next < reportAt.Count && reportAt[next] < minute; next++)
                reports.Add(Report(live, reportAt[next]));
        }

        foreach (var sample in samples)
        {
            if (sample.Minutes > until)
                break;
            cancel.ThrowIfCancellationRequested();
            ReportUntil(sample.Minutes);
            live.ComeTo(sample.Minutes);
            live.Add(sample);
        }
        ReportUntil(double.PositiveInfinity);
        live.ComeTo(Math.Max(until, live.LastAt ?? 0));
        return new ReplayResponse(
            [
                .. live.Board.All.Select(a => new ReplayAlarm(
                    a.Id,
                    a.Weight,
                    Math.Round(a.Since, 2),
                    a.Until is { } over ? Math.Round(over, 2) : null,
                    a.Text,
                    a.Evidence
                )),
            ],
            reports
        );
    }

    private static LiveContract Report(LiveFiring live, double minute)
    {
        var report = live.Report(Math.Max(minute, live.LastAt ?? minute));
        return LiveMapping.Write(live, report, report.State, null);
    }
}
