using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Logs;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Kilns;

/// <summary>Learning a kiln from its logs. Going away stops the work.</summary>
internal static class KilnFitEndpoint
{
    private static readonly TemperatureDifference DrawnWithin = TemperatureDifference.FromKelvins(1);

    public static void MapFit(this WebApplication app) =>
        app.MapPost("/api/kilns/{id:int}/fit", Learn)
            .Needs(Right.BeSomebody)
            .WithTags("Kilns")
            .WithSummary("Learn a kiln from logs; nothing is saved until the kiln is")
            .WithMetadata(new BodySize(BodyLimit.Log))
            .RequireRateLimiting(LargeBodies.Queue)
            .Produces<FitResponse>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404);

    private static async Task<IResult> Learn(int id, FitRequest? request, Repository<StudioKiln> store, TimeProvider time, CancellationToken cancel)
    {
        if (await store.Find(id, cancel) is not { } found)
            return ProblemResponses.NotFound("kiln");
        if (found.Item is not Kiln kiln)
            return ProblemResponses.Of([
                new Problem("logs", "A fuel kiln is learned from a firing: from its turns with temperatures, or with colours and cones."),
            ]);
        var problems = new List<Problem>();
        var what = request?.What ?? LearnWhat.Kiln;
        var wires = request?.Logs ?? [];
        if (wires.Count == 0)
            problems.Add(new Problem("logs", "A log is missing here."));
        if (wires.Count > KilnFit.MostLogs)
            problems.Add(new Problem("logs", $"At most {KilnFit.MostLogs} logs are learned from at once."));
        var firings = new List<LoggedFiring>();
        var understood = new List<string>();
        foreach (var (i, wire) in wires.Take(KilnFit.MostLogs).Index())
        {
            var read = ReadLog(wire ?? new FitLog(), kiln, Instant.FromDateTimeOffset(time.GetUtcNow()), cancel);
            problems.AddRange(read.Problems.Select(p => p.Under($"logs[{i}]")));
            if (!read.IsOk)
                continue;
            firings.Add(read.Value.Firing);
            understood.Add(read.Value.Understood);
        }
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);

        var learned = KilnFit.Learn(kiln, firings, what, cancel);
        return learned.IsOk ? Results.Ok(Write(kiln, learned.Value, understood)) : ProblemResponses.Of([.. learned.Problems.Select(p => p.Under("logs[0]"))]);
    }

    private static Result<(LoggedFiring Firing, string Understood)> ReadLog(FitLog wire, Kiln kiln, Instant now, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var unit = wire.Unit;
        var load = KilnMapping.ReadLoad(wire.Load, null, kiln, wire.Kind ?? ScheduleKind.Glaze);
        problems.AddRange(load.Problems.Select(p => p.Under("load")));
        if (wire.MeterKwh is not (null or (> 0 and < 100_000)))
            problems.Add(new Problem("meterKwh", "What the meter counted is more than 0 kWh."));
        var samples = wire.Points is null ? LogCsv.Read(wire.Csv, unit, now, cancel) : ReadPoints(wire.Points, unit ?? TemperatureUnit.Celsius);
        problems.AddRange(samples.Problems);
        if (problems.Count > 0)
            return Result<(LoggedFiring, string)>.Failed(problems);
        var log = FiringLog.Create(samples.Value.Samples, wire.OffAtMinute);
        return log.IsOk
            ? (new LoggedFiring(log.Value, load.Value, wire.MeterKwh), samples.Value.Understood)
            : Result<(LoggedFiring, string)>.Failed([
                .. log.Problems.Select(p => p.Field == "log" ? new Problem(wire.Points is null ? "csv" : "points", $"{p.Message}{samples.Value.LeftOut}") : p),
            ]);
    }

    private static Result<ReadLog> ReadPoints(IReadOnlyList<FitPoint?> wire, TemperatureUnit unit)
    {
        const int most = 400_000;
        if (wire.Count > most)
            return new Problem("points", $"At most {most} readings are taken; this log has {wire.Count}.");
        var samples = new LogSample[wire.Count];
        for (var i = 0; i < samples.Length; i++)
        {
            if (wire[i] is not { Minute: { } minute } point || Math.Abs(minute) > 1e9)
                return new Problem($"points[{i}].minute", "A time in minutes is missing here.");
            var temperature = ScheduleLimits.ReadTemperature(point.Temperature, unit, $"points[{i}].temperature");
            if (!temperature.IsOk)
                return Result<ReadLog>.Failed(temperature.Problems);
            if (point.Power is not (null or (>= 0 and <= 1)))
                return new Problem($"points[{i}].power", "A power share lies between 0 and 1.");
            Temperature? asked = null;
            if (point.Setpoint is not null)
            {
                var read = ScheduleLimits.ReadTemperature(point.Setpoint, unit, $"points[{i}].setpoint");
                if (!read.IsOk)
                    return Result<ReadLog>.Failed(read.Problems);
                asked = read.Value;
            }
            samples[i] = new LogSample(minute, temperature.Value.Celsius, point.Power, asked?.Celsius);
        }
        return new ReadLog(samples, $"{Phrases.Count(samples.Length, "reading")}.", "");
    }

    private static FitResponse Write(Kiln before, LearnedKiln learned, List<string> understood)
    {
        var unit = before.Unit;
        IReadOnlyList<CurvePointContract> Draw(Curve curve) => CurvePointContract.From(curve.Thinned(DrawnWithin), unit);
        double Degrees(double kelvins) => TemperatureDifference.FromKelvins(kelvins).In(unit);
        static LearnedNumber Number(double was, LearnedShare now) => new(was * 100, now.Value * 100, now.Sure * 100);
        return new FitResponse(
            KilnMapping.Write(learned.Kiln),
            Number(before.HeatFactor, learned.Heat),
            Number(before.LossFactor, learned.Loss),
            Number(before.ElementHealth, learned.Elements),
            [
                .. learned.Curves.Zip(understood, (c, u) =>
                    new FitCurves(u, Draw(c.Logged), Draw(c.Before), Draw(c.After), Degrees(c.MissBefore), Degrees(c.MissAfter))
                ),
            ],
            learned.Notes
        );
    }
}
