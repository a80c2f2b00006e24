using NodaTime;
using NodaTime.Text;
using ZealousEmber.App.Cones;
using ZealousEmber.App.Http;
using ZealousEmber.App.Schedules;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Preview;

/// <summary>The heart of the interface: a schedule in, everything there is to know about it out. Pure; asked at every edit.</summary>
internal static class PreviewEndpoints
{
    private const int MostBands = 16;

    public static void MapPreview(this WebApplication app) =>
        app.MapPost("/api/preview", (PreviewRequest? request, string? cones) => Answer(request, cones))
            .WithTags("Preview").WithSummary("Times, curve and findings of a schedule")
            .Produces<PreviewResponse>().ProducesValidationProblem(422);

    private static IResult Answer(PreviewRequest? request, string? cones)
    {
        var made = Make(request, string.Equals(cones, "all", StringComparison.OrdinalIgnoreCase));
        return made.IsOk ? Results.Ok(made.Value) : ClearProblems.Of(made.Problems);
    }

    /// <summary>The whole work without the wire; the bench measures it here.</summary>
    internal static Result<PreviewResponse> Make(PreviewRequest? request, bool allCones = false)
    {
        if (request?.Schedule is null) return new Problem("schedule", "A schedule is missing here.");
        // A schedule is drawn before it has a name; every other rule holds.
        var wire = string.IsNullOrWhiteSpace(request.Schedule.Name) ? request.Schedule with { Name = "Untitled" } : request.Schedule;
        var read = ScheduleMapping.Read(wire);
        var problems = read.Problems.Select(p => p.Under("schedule")).ToList();
        var unit = WireWords.Units.Read(wire.Unit) ?? TemperatureUnit.Celsius;

        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        var start = ReadStartTemperature(request.StartTemperature, unit, problems);
        var clock = ReadClock(request.Start, problems);
        var between = ReadBands(request.Between ?? [], unit, problems);
        if (request.KilnId is { } kilnId) problems.Add(new Problem("kilnId", $"There is no kiln {kilnId} in this studio."));
        if (problems.Count > 0) return Result<PreviewResponse>.Failed(problems);

        var kiln = GenericKiln.Instance;
        var compiled = CompiledSchedule.From(read.Value, start, kiln);
        return compiled.IsOk
            ? Write(read.Value, compiled.Value, start, kiln, clock, between, goal ?? read.Value.Goal, allCones)
            : Result<PreviewResponse>.Failed([.. compiled.Problems.Select(p => p.Under("schedule"))]);
    }

    private static PreviewResponse Write(
        Schedule schedule, CompiledSchedule compiled, Temperature start, GenericKiln kiln, OffsetDateTime? clock, IReadOnlyList<(Temperature From, Temperature To)> between,
        Cone? goal, bool allCones)
    {
        var progress = HeatWork.OfAll(compiled.Curve);
        var shown = goal ?? ConeWords.HottestDown(progress);
        var unit = schedule.Unit;
        DateTimeOffset? At(Duration time) => clock is { } from ? (from + time).ToDateTimeOffset() : null;
        return new PreviewResponse(
            unit.Letter(),
            start.In(unit),
            compiled.Total.TotalMinutes,
            compiled.Powered.TotalMinutes,
            compiled.Curve.Peak.In(unit),
            compiled.Curve.FastestRise.PerHourIn(unit),
            Math.Abs(compiled.Curve.FastestFall.PerHourIn(unit)),
            NotationWriter.Write(schedule.Segments, unit, start),
            schedule.Segments.Any(s => s.Pace.Kind != PaceKind.Rate) ? GenericKiln.Description(unit) : null,
            [.. compiled.Segments.Select(s => new SegmentTimes(
                s.Start.TotalMinutes, s.Ramp.TotalMinutes, s.Hold.TotalMinutes, s.End.TotalMinutes, s.From.In(unit), s.To.In(unit),
                s.To > s.From ? "up" : s.To < s.From ? "down" : "level", At(s.Start), At(s.End)))],
            CurvePointContract.From(compiled.Curve, unit),
            [.. StandingBand.All.Select(b => new BandContract(b.Name, b.From.In(unit), b.To.In(unit), b.Why))],
            [.. Moment.Of(compiled, kiln).Select(m => new MomentContract(Say(m.Kind), m.At.TotalMinutes, m.Temperature.In(unit), At(m.At)))],
            [.. between.Select(b => Between(compiled.Curve, b.From, b.To, unit))],
            [.. ScheduleReview.Of(schedule, compiled).Select(f => new FindingContract(
                f.Id, f.Severity.ToString().ToLowerInvariant(), f.Segment, f.From.TotalMinutes, f.To.TotalMinutes, f.Text, f.Why, null))],
            [.. Caution.For(schedule, compiled).Select(c => new CautionContract(c.Segment, c.Text))],
            goal?.Number,
            ConeWords.Nearest(progress),
            goal is { } aim ? ConeWords.ZeroSlip(aim, progress) : null,
            ConeReadings.Of(progress, shown, allCones),
            shown is { } cone ? HeatWork.PerStretch(ConeTable.Of(cone).Kinetics, compiled.Curve, [.. compiled.Segments.Select(s => s.End.TotalMinutes)]) : []);
    }

    private static TimeBetweenContract Between(Curve curve, Temperature from, Temperature to, TemperatureUnit unit)
    {
        var time = curve.TimeBetween(from, to);
        return new(from.In(unit), to.In(unit), time.Rising.TotalMinutes, time.Falling.TotalMinutes);
    }

    private static string Say(MomentKind kind) => kind switch
    {
        MomentKind.PastBoiling => "past-boiling",
        MomentKind.QuartzRising => "quartz-rising",
        MomentKind.Top => "top",
        MomentKind.CoolingBegins => "cooling-begins",
        MomentKind.PowerOff => "power-off",
        MomentKind.QuartzFalling => "quartz-falling",
        _ => "may-open",
    };

    private static Temperature ReadStartTemperature(double? value, TemperatureUnit unit, List<Problem> problems)
    {
        var usual = Temperature.FromCelsius(20);
        if (value is null) return usual;
        var read = ScheduleLimits.ReadTemperature(value, unit, "startTemperature");
        problems.AddRange(read.Problems);
        return read.IsOk ? read.Value : usual;
    }

    private static OffsetDateTime? ReadClock(string? start, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(start)) return null;
        var parsed = OffsetDateTimePattern.ExtendedIso.Parse(start.Trim());
        // The longest possible firing lasts a century; further out the calendar itself ends.
        if (parsed.Success && parsed.Value.Year is >= 1900 and <= 2400) return parsed.Value;
        problems.Add(new Problem("start", "A start is a date and time with its offset, like 2026-11-24T17:30:00+00:00."));
        return null;
    }

    private static List<(Temperature From, Temperature To)> ReadBands(IReadOnlyList<BandRequest?> bands, TemperatureUnit unit, List<Problem> problems)
    {
        var read = new List<(Temperature, Temperature)>();
        if (bands.Count > MostBands) problems.Add(new Problem("between", $"At most {MostBands} bands can be asked for at once."));
        foreach (var (i, band) in bands.Take(MostBands).Index())
        {
            var from = ScheduleLimits.ReadTemperature(band?.From, unit, $"between[{i}].from");
            var to = ScheduleLimits.ReadTemperature(band?.To, unit, $"between[{i}].to");
            problems.AddRange([.. from.Problems, .. to.Problems]);
            if (from.IsOk && to.IsOk) read.Add((from.Value, to.Value));
        }
        return read;
    }
}
