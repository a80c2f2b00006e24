using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
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
        var api = app.MapGroup("/api/cones").WithTags("Cones");
        api.MapGet("", () => ConeTable.All.Select(Row)).WithSummary("Reference points, fits and residuals").Produces<ConeTableRow[]>();
        api.MapGet("endpoints", EndPoints).WithSummary("End points of all cones at climbs from 10 to 300 °C/h").Produces<ConeEndPoints>().ProducesValidationProblem(422);
        api.MapPost("solve", async (SolveRequest? request, Finder find) => Answer(await Solve(request ?? new(null, null), find))).WithSummary("The top for a hold, or the hold for a top")
            .Produces<SolveResponse>().ProducesValidationProblem(422);
        api.MapPost("ladder", async (LadderRequest? request, Finder find) => Answer(await Ladder(request ?? new(null, null), find))).WithSummary("Tops that come to the same cone with other holds")
            .Produces<LadderRung[]>().ProducesValidationProblem(422);
        api.MapPost("work", (WorkRequest? request) => Answer(Work(request ?? new(null)))).WithSummary("What every cone reads after a logged curve")
            .WithMetadata(new BodySize(BodyLimit.Log)).Produces<WorkResponse>().ProducesValidationProblem(422);
        api.MapPost("read", (ReadRequest? request) => Answer(Read(request ?? new(null, null)))).WithSummary("What a cone read after a firing says")
            .WithMetadata(new BodySize(BodyLimit.Log))
            .Produces<ReadResponse>().ProducesValidationProblem(422);
    }

    private static IResult Answer<T>(Result<T> result) => result.IsOk ? Results.Ok(result.Value) : ProblemResponses.Of(result.Problems);

    private static ConeTableRow Row(ConeEntry entry) => new(
        entry.Cone.Number, entry.Kinetics.Theta, entry.Kinetics.LnA,
        [.. entry.Points.Zip(entry.Residuals, (p, r) => new ConePointContract(p.RatePerHour, p.Celsius, r))]);

    private static IResult EndPoints(string? unit)
    {
        var problems = new List<Problem>();
        var scale = unit is null ? TemperatureUnit.Celsius : ScheduleMapping.ReadUnit(unit, "unit", problems) ?? TemperatureUnit.Celsius;
        if (problems.Count > 0) return ProblemResponses.Of(problems);
        var rates = ChartRates.Select(r => Rate.PerHour(r)).ToList();
        return Results.Ok(new ConeEndPoints(scale.Letter(), [.. rates.Select(r => r.PerHourIn(scale))],
            [.. Cone.All.Select(c => new ConeLine(c.Number, [.. rates.Select(r => ConeSolver.EndPoint(c, r).In(scale))]))]));
    }

    private static async Task<Result<SolveResponse>> Solve(SolveRequest request, Finder find)
    {
        var problems = new List<Problem>();
        var cone = Needed(request.Cone, problems);
        var forTop = request.Find?.Trim().ToLowerInvariant() switch { "top" => true, "hold" => (bool?)false, _ => null };
        if (forTop is null) problems.Add(new Problem("find", "Say what to find: top or hold."));
        var hold = ReadHold(request.HoldMinutes, problems);
        if (request.Schedule is not null)
        {
            var (schedule, start) = ReadSchedule(request.Schedule, request.StartTemperature, problems);
            var firing = await FiringKiln.Read(request.KilnId, request.Kiln, request.Load, schedule?.Kind ?? ScheduleKind.Glaze, start, find, problems);
            return problems.Count > 0 ? Result<SolveResponse>.Failed(problems) : SolveSchedule(schedule!, firing, cone!.Value, forTop!.Value, hold);
        }

        var unit = request.Unit is null ? TemperatureUnit.Celsius : ScheduleMapping.ReadUnit(request.Unit, "unit", problems) ?? TemperatureUnit.Celsius;
        var approach = ReadApproach(request.Approach, unit, problems);
        Temperature? top = null;
        if (forTop == false)
        {
            var read = ScheduleLimits.ReadTemperature(request.Top, unit, "top");
            problems.AddRange(read.Problems);
            if (read.IsOk) top = read.Value;
        }
        if (problems.Count > 0) return Result<SolveResponse>.Failed(problems);
        var answer = forTop!.Value ? ConeSolver.Top(cone!.Value, hold ?? Duration.Zero, approach) : ConeSolver.Hold(cone!.Value, top!.Value, approach);
        return answer.IsOk
            ? new SolveResponse(cone.Value.Number, unit.Letter(), answer.Value.Top.In(unit), answer.Value.Hold.TotalMinutes, null, null, 1)
            : Result<SolveResponse>.Failed(answer.Problems);
    }

    private static Result<SolveResponse> SolveSchedule(Schedule schedule, FiringKiln firing, Cone cone, bool forTop, Duration? hold)
    {
        var index = ConeSolver.TopStep(schedule);
        var solved = forTop
            ? ConeSolver.TopOf(schedule, cone, firing.Start, firing.Times, hold ?? schedule.Segments[index].Hold, firing.Hottest)
            : ConeSolver.HoldOf(schedule, cone, firing.Times);
        if (!solved.IsOk) return CannotReach(firing, schedule) is { } stalls ? stalls : Result<SolveResponse>.Failed(solved.Problems);

        var step = solved.Value.Segments[index];
        var rounded = Whole(solved.Value, index);
        if (CannotReach(firing, rounded) is { } problem) return problem;
        var curve = firing.Times(rounded).Value.Curve;
        return new SolveResponse(
            cone.Number, schedule.Unit.Letter(), step.Target!.Value.In(schedule.Unit), step.Hold.TotalMinutes, index,
            ScheduleMapping.Write(rounded), HeatWork.Of(ConeTable.Of(cone).Kinetics, curve));
    }

    private static async Task<Result<List<LadderRung>>> Ladder(LadderRequest request, Finder find)
    {
        var problems = new List<Problem>();
        var cone = Needed(request.Cone, problems);
        var (schedule, start) = ReadSchedule(request.Schedule, request.StartTemperature, problems);
        var firing = await FiringKiln.Read(request.KilnId, request.Kiln, request.Load, schedule?.Kind ?? ScheduleKind.Glaze, start, find, problems);
        if (problems.Count > 0) return Result<List<LadderRung>>.Failed(problems);
        var index = ConeSolver.TopStep(schedule!);
        return LadderHolds.Select(minutes =>
        {
            var solved = ConeSolver.TopOf(schedule!, cone!.Value, start, firing.Times, Duration.FromMinutes(minutes), firing.Hottest);
            if (!solved.IsOk || CannotReach(firing, solved.Value) is not null) return new LadderRung(minutes, null, null, null, null);
            var rounded = Whole(solved.Value, index);
            var run = firing.Kiln is null ? null : firing.Run(rounded).Value;
            return new LadderRung(minutes, rounded.Segments[index].Target!.Value.In(rounded.Unit),
                (run?.Compiled ?? firing.Times(rounded).Value).Powered.TotalMinutes, ScheduleMapping.Write(rounded), run?.Energy.Used);
        }).ToList();
    }

    /// <summary>A problem when the chosen kiln does not get to a step's target.</summary>
    private static Problem? CannotReach(FiringKiln firing, Schedule schedule)
    {
        if (firing.Kiln is null || firing.Run(schedule).Value.Stall is not { } stall) return null;
        return new Problem("cone", $"With this load {firing.Kiln.Name} gets to {Phrases.Number(Math.Round(stall.At.In(schedule.Unit)))} {schedule.Unit.Symbol()} at best, which is not enough for it.");
    }

    private static Result<WorkResponse> Work(WorkRequest request)
    {
        var curve = LogMapping.Read(request.Curve, request.Unit);
        if (!curve.IsOk) return Result<WorkResponse>.Failed(curve.Problems);
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
            problems.Add(new Problem("clock", "A context is where the tip points on a clock: 12 upright, 3 level half way, 6 down; up to 8."));
        }
        var curve = ReadExpected(request, problems);
        if (problems.Count > 0) return Result<ReadResponse>.Failed(problems);

        var degrees = ConeBend.DegreesAtClock(clock);
        var progress = ConeBend.ProgressAt(degrees);
        var expected = curve is null ? 1 : HeatWork.Of(ConeTable.Of(cone!.Value).Kinetics, curve);
        if (progress < 0.02)
            return new Problem("clock", "This cone has not begun to bend; it only says that the repository stayed below it. Read the next cooler one.");
        if (expected < 1e-6)
            return new Problem(request.Curve is null ? "schedule" : "curve", $"This firing does not come near cone {cone!.Value.Number}; there is nothing to compare the context with.");
        var offset = ConeSolver.Offset(cone!.Value, progress, expected).Kelvins;
        var way = Math.Abs(offset) < 1 ? "just as hot as the curve says" : $"{Phrases.Number(Math.Round(Math.Abs(offset)))} °C {(offset > 0 ? "hotter" : "cooler")} than the curve says";
        return new ReadResponse(cone.Value.Number, progress, Math.Max(degrees, 8), expected, offset, $"That repository was {way} (at 60 °C/h).");
    }

    /// <summary>The curve a context is held against: a log, a schedule, or none.</summary>
    private static Curve? ReadExpected(ReadRequest request, List<Problem> problems)
    {
        if (request.Curve is not null)
        {
            var log = LogMapping.Read(request.Curve, request.Unit);
            problems.AddRange(log.Problems);
            return log.IsOk ? log.Value : null;
        }
        if (request.Schedule is null) return null;
        var (schedule, start) = ReadSchedule(request.Schedule, request.StartTemperature, problems);
        return problems.Count > 0 ? null : CompiledSchedule.From(schedule!, start, GenericKiln.Instance).Value.Curve;
    }

    /// <summary>The top step in whole degrees and minutes, as a controller takes them.</summary>
    private static Schedule Whole(Schedule schedule, int index)
    {
        var segments = schedule.Segments.ToList();
        var step = segments[index];
        segments[index] = Segment.Create(
            step.Pace.Kind, step.Pace.Rate?.PerHourIn(schedule.Unit), Math.Round(step.Target!.Value.In(schedule.Unit)), Math.Round(step.HoldMinutes), schedule.Unit, step.Reason, step.Atmosphere).Value;
        return Schedule.Create(schedule.Name, schedule.Kind, schedule.Unit, segments, schedule.Notes, schedule.Tags, schedule.Goal).Value;
    }

    private static Cone? Needed(string? number, List<Problem> problems)
    {
        var cone = Cone.Parse(number);
        problems.AddRange(cone.Problems);
        return cone.IsOk ? cone.Value : null;
    }

    private static Duration? ReadHold(double? minutes, List<Problem> problems)
    {
        if (minutes is null) return null;
        if (minutes >= 0 && minutes <= ScheduleLimits.LongestHold.TotalMinutes) return Duration.FromMinutes(minutes.Value);
        problems.Add(new Problem("holdMinutes", $"A hold lasts 0 to 5940 minutes; this says {Phrases.Number(minutes.Value)}."));
        return null;
    }

    private static Rate? ReadApproach(double? rate, TemperatureUnit unit, List<Problem> problems)
    {
        if (rate is null) return null;
        if (rate > 0 && rate <= ScheduleLimits.Fastest.PerHourIn(unit)) return Rate.PerHour(rate.Value, unit);
        problems.Add(new Problem("approach", $"A climb is more than 0 and at most {Phrases.Number(ScheduleLimits.Fastest.PerHourIn(unit))} {unit.Symbol()}/h; this says {Phrases.Number(rate.Value)}."));
        return null;
    }

    private static (Schedule? Schedule, Temperature Start) ReadSchedule(ScheduleContract? wire, double? startTemperature, List<Problem> problems)
    {
        var named = wire is not null && string.IsNullOrWhiteSpace(wire.Name) ? wire with { Name = "Untitled" } : wire;
        var read = ScheduleMapping.Read(named);
        problems.AddRange(read.Problems.Select(p => p.Under("schedule")));
        var start = ScheduleMapping.ReadStart(startTemperature, WireTerms.Units.Read(wire?.Unit) ?? TemperatureUnit.Celsius, problems);
        if (!read.IsOk) return (null, start);
        problems.AddRange(CompiledSchedule.From(read.Value, start, GenericKiln.Instance).Problems.Select(p => p.Under("schedule")));
        if (read.Value.Segments[ConeSolver.TopStep(read.Value)].Target is null)
            problems.Add(new Problem("schedule.segments", "This schedule only cools; there is no top to change."));
        return (read.Value, start);
    }
}
