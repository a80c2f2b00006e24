using NodaTime;
using ZealousEmber.App.Cones;
using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Settings;

namespace ZealousEmber.App.Preview;

/// <summary>The heart of the interface: a schedule in, everything there is to know about it out. Pure; asked at every edit.</summary>
internal static class PreviewEndpoints
{
    private const int MostBands = 16;

    public static void MapPreview(this WebApplication app) =>
        app.MapPost("/api/preview", Answer)
            .WithTags("Preview").WithSummary("Times, curve, cones, power and findings of a schedule")
            .Produces<PreviewResponse>().ProducesValidationProblem(422);

    private static async Task<IResult> Answer(PreviewRequest? request, string? cones, Finder find, SettingsStore<StudioHours> studio, CancellationToken cancel)
    {
        // The tariff only matters where there is a kiln to draw power.
        var hours = request?.KilnId is null && request?.Kiln is null ? null : (await studio.Read(cancel)).Item;
        var made = await Make(request, find, hours, string.Equals(cones, "all", StringComparison.OrdinalIgnoreCase));
        return made.IsOk ? Results.Ok(made.Value) : ProblemResponses.Of(made.Problems);
    }

    /// <summary>The whole work without the wire and the store; the bench measures it here.</summary>
    internal static async Task<Result<PreviewResponse>> Make(PreviewRequest? request, Finder find, StudioHours? studio, bool allCones = false)
    {
        if (request?.Schedule is null) return new Problem("schedule", "A schedule is missing here.");
        // A schedule is drawn before it has a name; every other rule holds.
        var wire = string.IsNullOrWhiteSpace(request.Schedule.Name) ? request.Schedule with { Name = "Untitled" } : request.Schedule;
        var read = ScheduleMapping.Read(wire);
        var problems = read.Problems.Select(p => p.Under("schedule")).ToList();
        var unit = WireTerms.Units.Read(wire.Unit) ?? TemperatureUnit.Celsius;

        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        var start = ScheduleMapping.ReadStart(request.StartTemperature, unit, problems);
        var clock = WireTime.Read(request.Start, "start", problems);
        var anchor = ReadAnchor(request.Anchor, problems);
        var between = ReadBands(request.Between ?? [], unit, problems);
        var kind = read.IsOk ? read.Value.Kind : ScheduleKind.Glaze;
        var firing = await FiringKiln.Read(request.KilnId, request.Kiln, request.Load, kind, start, find, problems);
        if (problems.Count > 0) return Result<PreviewResponse>.Failed(problems);

        var schedule = read.Value;
        if (goal is not null) schedule = schedule.Towards(goal);
        if (firing.Kiln is null)
        {
            var compiled = firing.Times(schedule);
            return compiled.IsOk
                ? Write(schedule, compiled.Value, firing, null, studio, new Anchored(clock, anchor), between, allCones)
                : Result<PreviewResponse>.Failed([.. compiled.Problems.Select(p => p.Under("schedule"))]);
        }
        var run = firing.Run(schedule);
        return run.IsOk
            ? Write(schedule, run.Value.Compiled, firing, run.Value, studio, new Anchored(clock, anchor), between, allCones)
            : Result<PreviewResponse>.Failed([.. run.Problems.Select(p => p.Under("schedule"))]);
    }

    /// <summary>A moment by the clock and what happens at it.</summary>
    private sealed record Anchored(OffsetDateTime? At, string Anchor)
    {
        public OffsetDateTime? Start(IReadOnlyList<Moment> moments) => Anchor switch
        {
            "top" => At - (moments.FirstOrDefault(m => m.Kind == MomentKind.Top)?.At ?? Duration.Zero),
            "open" => At - (moments.FirstOrDefault(m => m.Kind == MomentKind.MayOpen)?.At ?? Duration.Zero),
            _ => At,
        };
    }

    private static PreviewResponse Write(
        Schedule schedule, CompiledSchedule compiled, FiringKiln firing, KilnRun? run, StudioHours? studio, Anchored anchored,
        IReadOnlyList<(Temperature From, Temperature To)> between, bool allCones)
    {
        var progress = HeatWork.OfAll(compiled.Curve);
        var goal = schedule.Goal;
        var shown = goal ?? ConePhrases.HottestDown(progress);
        var unit = schedule.Unit;
        var moments = MomentsOf(compiled, firing, run);
        var begins = anchored.Start(moments);
        DateTimeOffset? At(Duration time) => begins is { } from ? (from + time).ToDateTimeOffset() : null;
        var findings = ScheduleReview.Of(new ReviewContext(schedule, compiled, progress, firing.Ware, firing.Boiling, firing.Start, firing.Times, firing.Hottest));
        if (run is not null) findings = ScheduleReview.Together([.. findings, .. KilnReview.Of(schedule, firing.Kiln!, firing.Load!, run)]);
        return new PreviewResponse(
            unit.Letter(),
            firing.Start.In(unit),
            compiled.Total.TotalMinutes,
            compiled.Powered.TotalMinutes,
            compiled.Curve.Peak.In(unit),
            compiled.Curve.FastestRise.PerHourIn(unit),
            Math.Abs(compiled.Curve.FastestFall.PerHourIn(unit)),
            Cooling.FastestDrop(compiled.Curve).Drop.In(unit),
            NotationWriter.Write(schedule.Segments, unit, firing.Start),
            firing.Kiln is null && schedule.Segments.Any(s => s.Pace.Kind != PaceKind.Rate) ? GenericKiln.Description(unit) : null,
            [.. compiled.Segments.Select(s => new SegmentTimes(
                s.Start.TotalMinutes, s.Ramp.TotalMinutes, s.Hold.TotalMinutes, s.End.TotalMinutes, s.From.In(unit), s.To.In(unit),
                s.To > s.From ? "up" : s.To < s.From ? "down" : "level", At(s.Start), At(s.End)))],
            CurvePointContract.From(compiled.Curve, unit),
            [.. StandingBand.All.Select(b => new BandContract(b.Name, b.From.In(unit), b.To.In(unit), b.Why))],
            [.. moments.Select(m => new MomentContract(Format(m.Kind), m.At.TotalMinutes, m.Temperature.In(unit), At(m.At)))],
            [.. between.Select(b => Between(compiled.Curve, b.From, b.To, unit))],
            [.. findings.Select(f => Write(f, unit))],
            [.. Caution.For(schedule, compiled).Select(c => new CautionContract(c.Segment, c.Text))],
            goal?.Number,
            ConePhrases.Nearest(progress),
            goal is { } aim ? ConePhrases.ZeroSlip(aim, progress) : null,
            ConeReadings.Of(progress, shown, allCones),
            shown is { } cone ? HeatWork.PerStretch(ConeTable.Of(cone).Kinetics, compiled.Curve, [.. compiled.Segments.Select(s => s.End.TotalMinutes)]) : [],
            At(Duration.Zero),
            run is null ? null : KilnPreviews.Of(firing, run, unit, begins, studio));
    }

    /// <summary>With a kiln it is known when it may be opened even where the schedule itself ends hot.</summary>
    private static IReadOnlyList<Moment> MomentsOf(CompiledSchedule compiled, FiringKiln firing, KilnRun? run)
    {
        var moments = Moment.Of(compiled, firing.Opens, firing.Kiln is null ? null : firing.Boiling);
        if (run is null || moments.Any(m => m.Kind == MomentKind.MayOpen) || compiled.Curve.Peak <= firing.Opens) return moments;
        return [.. moments, new Moment(MomentKind.MayOpen, run.OpensAt, firing.Opens)];
    }

    private static FindingContract Write(Finding f, TemperatureUnit unit)
    {
        IReadOnlyList<FixContract> fixes = [.. f.Fixes.Select(fix => new FixContract(fix.Text, fix.Segment, [.. fix.Steps.Select(s => ScheduleMapping.Write(s, unit))]))];
        return new FindingContract(f.Id, f.Severity.ToString().ToLowerInvariant(), f.Segment, f.From.TotalMinutes, f.To.TotalMinutes, f.Text, f.Why, fixes.Count > 0 ? fixes[0] : null, fixes);
    }

    private static string ReadAnchor(string? word, List<Problem> problems)
    {
        var anchor = word?.Trim().ToLowerInvariant() ?? "start";
        if (anchor is not ("start" or "top" or "open")) problems.Add(new Problem("anchor", "What happens at that moment is start, top or open."));
        return anchor;
    }

    private static TimeBetweenContract Between(Curve curve, Temperature from, Temperature to, TemperatureUnit unit)
    {
        var time = curve.TimeBetween(from, to);
        return new(from.In(unit), to.In(unit), time.Rising.TotalMinutes, time.Falling.TotalMinutes);
    }

    private static string Format(MomentKind kind) => kind switch
    {
        MomentKind.PastBoiling => "past-boiling",
        MomentKind.QuartzRising => "quartz-rising",
        MomentKind.Top => "top",
        MomentKind.CoolingBegins => "cooling-begins",
        MomentKind.PowerOff => "power-off",
        MomentKind.QuartzFalling => "quartz-falling",
        _ => "may-open",
    };

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
