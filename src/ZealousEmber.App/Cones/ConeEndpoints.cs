using Microsoft.AspNetCore.Http.HttpResults;
using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Cones;

/// <summary>Heat work: the table, the inverse questions, and what a pack read afterwards says.</summary>
internal static class ConeEndpoints
{
    private static readonly double[] LadderHolds = [0, 10, 20, 30, 60];
    private static readonly double[] ChartRates = [10, 15, 20, 30, 40, 60, 80, 100, 120, 150, 200, 250, 300];

    public static void MapCones(this WebApplication app)
    {
        var api = app.MapGroup("/api/cones").Needs(Right.See).WithTags("Cones");
        api.MapGet("", () => ConeTable.All.Select(Row)).WithSummary("Reference points, fits and residuals").Produces<ConeTableRow[]>();
        api.MapGet("endpoints", EndPoints)
            .WithSummary("End points of all cones at climbs from 10 to 300 °C/h")
            .Produces<ConeEndPoints>()
            .ProducesValidationProblem(422);
        api.MapPost("solve", async (SolveRequest? request, StudioLookup lookup) => Answer.Of(await Solve(request ?? new(null, null), lookup)))
            .Needs(Right.BeSomebody)
            .WithSummary("The top for a hold, or the hold for a top")
            .Produces<SolveResponse>()
            .ProducesValidationProblem(422);
        api.MapPost("ladder", async (LadderRequest? request, StudioLookup lookup) => Answer.Of(await Ladder(request ?? new(null, null), lookup)))
            .Needs(Right.BeSomebody)
            .WithSummary("Tops that come to the same cone with other holds")
            .Produces<LadderRung[]>()
            .ProducesValidationProblem(422);
        api.MapPost("work", (WorkRequest? request) => Answer.Of(Work(request ?? new(null))))
            .Needs(Right.BeSomebody)
            .WithSummary("What every cone reads after a logged curve")
            .WithMetadata(new BodySize(BodyLimit.Log))
            .Produces<WorkResponse>()
            .ProducesValidationProblem(422);
        api.MapPost("read", (ReadRequest? request) => Answer.Of(Read(request ?? new(null, null))))
            .Needs(Right.BeSomebody)
            .WithSummary("What a cone read after a firing says")
            .WithMetadata(new BodySize(BodyLimit.Log))
            .Produces<ReadResponse>()
            .ProducesValidationProblem(422);
    }

    private static ConeTableRow Row(ConeEntry entry) =>
        new(
            entry.Cone.Number,
            entry.Kinetics.Theta,
            entry.Kinetics.LnA,
            [.. entry.Points.Zip(entry.Residuals, (p, r) => new ConePointContract(p.RatePerHour, p.Celsius, r))]
        );

    private static Results<Ok<ConeEndPoints>, Invalid> EndPoints(string? unit)
    {
        var scale = unit is null ? TemperatureUnit.Celsius : WireEnums.Read<TemperatureUnit>(unit);
        if (scale is not { } shown)
            return new Invalid([WireEnums.Unknown<TemperatureUnit>("unit", "a unit of temperature", unit)]);
        var rates = ChartRates.Select(r => Rate.PerHour(r)).ToList();
        return TypedResults.Ok(
            new ConeEndPoints(
                shown,
                [.. rates.Select(r => r.PerHourIn(shown))],
                [.. Cone.All.Select(c => new ConeLine(c.Number, [.. rates.Select(r => ConeSolver.EndPoint(c, r).In(shown))]))]
            )
        );
    }

    private static async Task<Result<SolveResponse>> Solve(SolveRequest request, StudioLookup lookup)
    {
        var problems = new List<Problem>();
        var cone = Needed(request.Cone, problems);
        if (request.Find is null)
            problems.Add(new Problem("find", "Say what to find: top or hold."));
        var hold = ReadHold(request.HoldMinutes, problems);
        if (request.Schedule is not null)
        {
            var (schedule, kiln) = await ReadFiring(request.Schedule, request.StartTemperature, request.KilnId, request.Kiln, request.Load, lookup, problems);
            if (problems.Count > 0)
                return Result<SolveResponse>.Failed(problems);
            var found = request.Find == ConeQuestion.Top ? ConeOptions.Top(schedule!, cone!.Value, kiln, hold) : ConeOptions.Hold(schedule!, cone!.Value, kiln);
            return found.IsOk ? Write(found.Value, cone.Value, schedule!.Unit) : Result<SolveResponse>.Failed(AtTheSchedule(found.Problems));
        }

        var unit = request.Unit ?? TemperatureUnit.Celsius;
        var approach = ReadApproach(request.Approach, unit, problems);
        Temperature? top = null;
        if (request.Find == ConeQuestion.Hold)
        {
            var read = ScheduleLimits.ReadTemperature(request.Top, unit, "top");
            problems.AddRange(read.Problems);
            if (read.IsOk)
                top = read.Value;
        }
        if (problems.Count > 0)
            return Result<SolveResponse>.Failed(problems);
        var answer = top is { } at ? ConeSolver.Hold(cone!.Value, at, approach) : ConeSolver.Top(cone!.Value, hold ?? Duration.Zero, approach);
        return answer.IsOk
            ? new SolveResponse(cone.Value.Number, unit, answer.Value.Top.In(unit), answer.Value.Hold.TotalMinutes, null, null, 1)
            : Result<SolveResponse>.Failed(answer.Problems);
    }

    private static SolveResponse Write(ConeOption option, Cone cone, TemperatureUnit unit) =>
        new(cone.Number, unit, option.Exact.Top.In(unit), option.Exact.Hold.TotalMinutes, option.Step, ScheduleMapping.Write(option.Schedule), option.Progress);

    private static async Task<Result<List<LadderRung>>> Ladder(LadderRequest request, StudioLookup lookup)
    {
        var problems = new List<Problem>();
        var cone = Needed(request.Cone, problems);
        var (schedule, kiln) = await ReadFiring(request.Schedule, request.StartTemperature, request.KilnId, request.Kiln, request.Load, lookup, problems);
        return problems.Count > 0
            ? Result<List<LadderRung>>.Failed(problems)
            : ConeOptions.Ladder(schedule!, cone!.Value, kiln).Select(rung => Write(rung.Hold, rung.Option)).ToList();
    }

    private static LadderRung Write(Duration hold, ConeOption? option)
    {
        if (option is null)
            return new LadderRung(hold.TotalMinutes, null, null, null, null);
        var (schedule, run) = (option.Schedule, option.Run);
        return new LadderRung(
            hold.TotalMinutes,
            schedule.Segments[option.Step].Target!.Value.In(schedule.Unit),
            run.Compiled.Powered.TotalMinutes,
            ScheduleMapping.Write(schedule),
            run.Uses.IsEmpty ? null : run.Energy.Used
        );
    }

    private static Result<WorkResponse> Work(WorkRequest request)
    {
        var curve = LogMapping.Read(request.Curve, request.Unit);
        if (!curve.IsOk)
            return Result<WorkResponse>.Failed(curve.Problems);
        var progress = HeatWork.OfAll(curve.Value);
        return new WorkResponse(ConePhrases.Nearest(progress), ConeReadings.Of(progress, null, all: true));
    }

    private static Result<ReadResponse> Read(ReadRequest request)
    {
        var problems = new List<Problem>();
        var cone = Needed(request.Cone, problems);
        if (request.Clock is not { } clock || !(clock is >= 0 and < 8 or >= 12 and < 13))
        {
            clock = 0;
            problems.Add(new Problem("clock", "A reading is where the tip points on a clock: 12 upright, 3 level half way, 6 down; up to 8."));
        }
        var curve = ReadExpected(request, problems);
        if (problems.Count > 0)
            return Result<ReadResponse>.Failed(problems);

        var degrees = ConeBend.DegreesAtClock(clock);
        var progress = ConeBend.ProgressAt(degrees);
        var expected = curve is null ? 1 : HeatWork.Of(ConeTable.Of(cone!.Value).Kinetics, curve);
        if (progress < 0.02)
            return new Problem("clock", "This cone has not begun to bend; it only says that the shelf stayed below it. Read the next cooler one.");
        if (expected < 1e-6)
            return new Problem(
                request.Curve is null ? "schedule" : "curve",
                $"This firing does not come near cone {cone!.Value.Number}; there is nothing to compare the reading with."
            );
        var offset = ConeSolver.Offset(cone!.Value, progress, expected).Kelvins;
        var way =
            Math.Abs(offset) < 1
                ? "just as hot as the curve says"
                : $"{Phrases.Number(Math.Round(Math.Abs(offset)))} °C {(offset > 0 ? "hotter" : "cooler")} than the curve says";
        return new ReadResponse(cone.Value.Number, progress, Math.Max(degrees, 8), expected, offset, $"That shelf was {way} (at 60 °C/h).");
    }

    /// <summary>The curve a reading is held against: a log, a schedule, or none.</summary>
    private static Curve? ReadExpected(ReadRequest request, List<Problem> problems)
    {
        if (request.Curve is not null)
        {
            var log = LogMapping.Read(request.Curve, request.Unit);
            problems.AddRange(log.Problems);
            return log.IsOk ? log.Value : null;
        }
        if (request.Schedule is null)
            return null;
        var (schedule, start) = ReadSchedule(request.Schedule, request.StartTemperature, problems);
        return problems.Count > 0 ? null : new PlainKiln(start).Times(schedule!.Program).Value.Curve;
    }

    private static Cone? Needed(string? number, List<Problem> problems)
    {
        var cone = ConeNumber.Parse(number);
        problems.AddRange(cone.Problems);
        return cone.IsOk ? cone.Value : null;
    }

    private static Duration? ReadHold(double? minutes, List<Problem> problems)
    {
        if (minutes is null)
            return null;
        if (minutes >= 0 && minutes <= ScheduleLimits.LongestHold.TotalMinutes)
            return Duration.FromMinutes(minutes.Value);
        problems.Add(new Problem("holdMinutes", $"A hold lasts 0 to 5940 minutes; this says {Phrases.Number(minutes.Value)}."));
        return null;
    }

    private static Rate? ReadApproach(double? rate, TemperatureUnit unit, List<Problem> problems)
    {
        if (rate is null)
            return null;
        if (rate > 0 && rate <= ScheduleLimits.Fastest.PerHourIn(unit))
            return Rate.PerHour(rate.Value, unit);
        problems.Add(
            new Problem(
                "approach",
                $"A climb is more than 0 and at most {Phrases.Number(ScheduleLimits.Fastest.PerHourIn(unit))} {unit.Symbol()}/h; this says "
                    + $"{Phrases.Number(rate.Value)}."
            )
        );
        return null;
    }

    private static async Task<(Schedule? Schedule, IKilnModel Kiln)> ReadFiring(
        ScheduleContract? wire,
        double? startTemperature,
        int? kilnId,
        KilnContract? inline,
        LoadContract? load,
        StudioLookup lookup,
        List<Problem> problems
    )
    {
        var (schedule, start) = ReadSchedule(wire, startTemperature, problems);
        return (
            schedule,
            (await KilnAndLoad.Read(kilnId, inline, load, schedule?.Kind ?? ScheduleKind.Glaze, start, lookup, problems, startTemperature is not null)).Kiln
        );
    }

    private static (Schedule? Schedule, Temperature Start) ReadSchedule(ScheduleContract? wire, double? startTemperature, List<Problem> problems)
    {
        var (schedule, start) = ScheduleMapping.ReadUnnamed(wire, startTemperature, problems);
        if (schedule is null)
            return (null, start);
        problems.AddRange(new PlainKiln(start).Times(schedule.Program).Problems.Select(p => p.Under("schedule")));
        if (schedule.Segments[schedule.Program.TopStep].Target is null)
            problems.Add(new Problem("schedule.segments", "This schedule only cools; there is no top to change."));
        return (schedule, start);
    }

    private static IReadOnlyList<Problem> AtTheSchedule(IReadOnlyList<Problem> problems) =>
        [.. problems.Select(p => p.Field.StartsWith("segments", StringComparison.Ordinal) ? p.Under("schedule") : p)];
}
