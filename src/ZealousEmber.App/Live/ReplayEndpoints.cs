using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Firings;

namespace ZealousEmber.App.Live;

/// <summary>A log to be followed as if it were coming in.</summary>
/// <param name="Kiln">A kiln described here, instead of <paramref name="KilnId"/>.</param>
/// <param name="Load">What stands in it; full for this kind of firing when missing.</param>
/// <param name="GoalCone">The schedule's own when missing.</param>
/// <param name="StartTemperature">In the schedule's unit; 20 °C when missing.</param>
/// <param name="Samples">In any order; °C.</param>
/// <param name="UntilMinute">To the last reading when missing.</param>
/// <param name="ReportAt">Minutes at which everything is told.</param>
public sealed record ReplayRequest(
    ScheduleContract? Schedule, IReadOnlyList<ReplaySample?>? Samples, int? KilnId = null, KilnContract? Kiln = null, LoadContract? Load = null, string? GoalCone = null, double? StartTemperature = null, double? UntilMinute = null,
    IReadOnlyList<double>? ReportAt = null);

/// <summary>A reading of a log.</summary>
public sealed record ReplaySample(double? Minute, double? Celsius = null, double? Share = null, double? SetPoint = null);

/// <summary>An alarm that would have been raised.</summary>
public sealed record ReplayAlarm(string Id, AlarmWeight Weight, double RaisedMinute, double? ReleasedMinute, string Text, string Evidence);

/// <summary>What would have been said when.</summary>
public sealed record ReplayResponse(IReadOnlyList<ReplayAlarm> Alarms, IReadOnlyList<LiveContract> Reports);

/// <summary>What would have been said of a log, and when: pure.</summary>
internal static class ReplayEndpoints
{
    private const int MostSamples = 250_000;
    private const int MostReports = 500;
    private const int UsualReports = 96;
    private const double LongestMinutes = 21 * 24 * 60;

    public static void MapReplay(this WebApplication app)
    {
        app.MapGet("/api/firings/{id:int}/replay", Again).RequireRateLimiting(LargeBodies.Queue).WithTags("Live").WithSummary("What was told of a firing as it went on, at so many moments evenly spread")
            .Produces<LiveContract[]>().ProducesProblem(404).ProducesValidationProblem(422);
        app.MapPost("/api/live/replay", async (ReplayRequest? request, StudioLookup lookup, CancellationToken cancel) => Answer.Of(await Make(request, lookup, cancel)))
            .WithMetadata(new BodySize(BodyLimit.Log)).RequireRateLimiting(LargeBodies.Queue).WithTags("Live").WithSummary("What would have been said of a log, and when");
    }

    private static async Task<IResult> Again(int id, int? reports, [AsParameters] LiveStudio studio, SampleLog samples, CancellationToken cancel)
    {
        if (reports is < 2 or > MostReports) return ProblemResponses.Of([new Problem("reports", $"From 2 to {MostReports} reports.")]);
        if (await studio.Runs.Find(id, cancel) is not { } run) return ProblemResponses.NotFound("started firing");
        return Results.Ok(new RunningFiring(run).Replay(await samples.Read(id, cancel), await studio.Runs.Entries(id, cancel), reports ?? UsualReports));
    }

    private static async Task<Result<ReplayResponse>> Make(ReplayRequest? request, StudioLookup lookup, CancellationToken cancel)
    {
        if (request?.Schedule is null) return new Problem("schedule", "A schedule is missing here.");
        var problems = new List<Problem>();
        var (schedule, start) = ScheduleMapping.ReadUnnamed(request.Schedule, request.StartTemperature, problems);
        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        var model = await KilnAndLoad.Read(request.KilnId, request.Kiln, request.Load, schedule?.Kind ?? ScheduleKind.Glaze, start, lookup, problems);
        if (model.Kiln is not ElectricKiln && problems.Count == 0) problems.Add(new Problem("kiln", "Say which kiln this log is of: kilnId, or a kiln described here."));
        var samples = ReadSamples(request.Samples ?? [], problems);
        var until = ReadMinute(request.UntilMinute, "untilMinute", problems) ?? (samples.Count > 0 ? samples[^1].Minutes : 0);
        if (request.ReportAt?.Count > MostReports) problems.Add(new Problem("reportAt", $"At most {MostReports} reports can be asked for at once."));
        foreach (var (i, at) in (request.ReportAt ?? []).Take(MostReports).Index()) ReadMinute(at, $"reportAt[{i}]", problems);
        if (problems.Count > 0 || schedule is null || model.Kiln is not ElectricKiln electric) return Result<ReplayResponse>.Failed(problems);
        if (schedule.Program.CannotBeginAt(start) is { } cannot) return cannot.Under("schedule");
        var live = new LiveFiring(new WatchedFiring(electric.Kiln, electric.Standing, schedule.Program, goal ?? schedule.Goal, start));
        return Run(live, samples, until, [.. (request.ReportAt ?? []).Order()], cancel);
    }

    private static ReplayResponse Run(LiveFiring live, List<FiringSample> samples, double until, IReadOnlyList<double> reportAt, CancellationToken cancel)
    {
        var reports = new List<LiveContract>();
        var next = 0;
        void ReportUntil(double minute)
        {
            for (; next < reportAt.Count && reportAt[next] < minute; next++) reports.Add(Report(live, reportAt[next]));
        }

        foreach (var sample in samples)
        {
            if (sample.Minutes > until) break;
            cancel.ThrowIfCancellationRequested();
            ReportUntil(sample.Minutes);
            live.ComeTo(sample.Minutes);
            live.Add(sample);
        }
        ReportUntil(double.PositiveInfinity);
        live.ComeTo(Math.Max(until, live.LastAt ?? 0));
        return new ReplayResponse([.. live.Board.All.Select(a => new ReplayAlarm(a.Id, a.Weight, Math.Round(a.Since, 2), a.Until is { } over ? Math.Round(over, 2) : null, a.Text, a.Evidence))], reports);
    }

    private static LiveContract Report(LiveFiring live, double minute)
    {
        var report = live.Report(Math.Max(minute, live.LastAt ?? minute));
        return LiveMapping.Write(live, report, report.State, null);
    }

    internal static List<FiringSample> ReadSamples(IReadOnlyList<ReplaySample?> wire, List<Problem> problems, string field = "samples")
    {
        var samples = new List<FiringSample>(Math.Min(wire.Count, MostSamples));
        if (wire.Count > MostSamples) problems.Add(new Problem(field, $"At most {MostSamples} readings are taken at once; this has {wire.Count}."));
        foreach (var (i, sample) in wire.Take(MostSamples).Index())
        {
            if (problems.Count > 20) break;
            if (ReadMinute(sample?.Minute, $"{field}[{i}].minute", problems) is not { } minute)
            {
                if (sample?.Minute is null) problems.Add(new Problem($"{field}[{i}].minute", "When was this read? Minutes since the start."));
                continue;
            }
            var read = new FiringSample(minute, sample!.Celsius, sample.Share, sample.SetPoint);
            if (read.Refusal(null) is { } why) problems.Add(new Problem($"{field}[{i}]", why));
            else samples.Add(read);
        }
        samples.Sort((a, b) => a.Minutes.CompareTo(b.Minutes));
        return samples;
    }

    private static double? ReadMinute(double? minute, string field, List<Problem> problems)
    {
        if (minute is null or (>= -60 and <= LongestMinutes)) return minute;
        problems.Add(new Problem(field, $"Minutes since the start, up to {Phrases.Number(LongestMinutes)}; this says {Phrases.Number(minute.Value)}."));
        return null;
    }
}
