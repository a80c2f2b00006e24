using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Preview;

/// <summary>The heart of the interface: a schedule in, everything there is to know about it out. Pure; asked at every edit.</summary>
internal static class PreviewEndpoints
{
    private const int MostBands = 16;

    public static void MapPreview(this WebApplication app) =>
        app.MapPost("/api/preview", async (PreviewRequest? request, string? cones, StudioLookup lookup) =>
                Answer.Of(await Make(request, lookup, string.Equals(cones, "all", StringComparison.OrdinalIgnoreCase)))
            )
            .Needs(Right.BeSomebody)
            .WithTags("Preview")
            .WithSummary("Times, curve, cones, power and findings of a schedule");

    /// <summary>The whole work without the wire and the store; the bench measures it here.</summary>
    internal static async Task<Result<PreviewResponse>> Make(PreviewRequest? request, StudioLookup lookup, bool allCones = false)
    {
        if (request?.Schedule is null && request?.Turns is null)
            return new Problem("schedule", "A schedule is missing here.");
        var problems = new List<Problem>();
        var unit = request.Schedule?.Unit ?? TemperatureUnit.Celsius;
        var (schedule, start) = request.Schedule is null
            ? (null, ScheduleMapping.ReadStart(request.StartTemperature, unit, problems))
            : ScheduleMapping.ReadUnnamed(request.Schedule, request.StartTemperature, problems);
        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        var clock = WireTime.Check(request.Start, "start", problems);
        var between = ReadBands(request.Between ?? [], unit, problems);
        var firing = await KilnAndLoad.Read(
            request.KilnId,
            request.Kiln,
            request.Load,
            schedule?.Kind ?? ScheduleKind.Glaze,
            start,
            lookup,
            problems,
            request.StartTemperature is not null
        );
        var turned = FuelReading.Read(request, firing.Kiln, unit, problems);
        if (problems.Count > 0)
            return Result<PreviewResponse>.Failed(problems);

        var studio = await lookup.Settings();
        var kiln = firing.Kiln;
        if (turned is not null)
        {
            var fired = FuelFiring.Of((LoadedFuelKiln)kiln, turned, schedule?.Program);
            if (!fired.IsOk)
                return Result<PreviewResponse>.Failed([
                    .. fired.Problems.Select(p => p.Field.StartsWith("segments", StringComparison.Ordinal) ? p.Under("schedule") : p),
                ]);
            kiln = fired.Value;
            if (turned.IsAsMade)
                return FollowedTurns.Write(
                    fired.Value,
                    turned,
                    schedule,
                    goal ?? schedule?.Goal,
                    new PreviewOptions(clock, Anchor.Start, between, allCones),
                    unit,
                    studio
                );
        }
        if (schedule is null)
            return new Problem("schedule", "To plan anew a schedule is needed.");
        var assessed = FiringAssessment.Of(goal is null ? schedule : schedule.Towards(goal), kiln, firing.Ware, studio.Display.Units);
        return assessed.IsOk
            ? PreviewMapping.Write(assessed.Value, new PreviewOptions(clock, request.Anchor ?? Anchor.Start, between, allCones), studio)
            : Result<PreviewResponse>.Failed([.. assessed.Problems.Select(p => p.Under("schedule"))]);
    }

    private static List<(Temperature From, Temperature To)> ReadBands(IReadOnlyList<BandRequest?> bands, TemperatureUnit unit, List<Problem> problems)
    {
        var read = new List<(Temperature, Temperature)>();
        if (bands.Count > MostBands)
            problems.Add(new Problem("between", $"At most {MostBands} bands can be asked for at once."));
        foreach (var (i, band) in bands.Take(MostBands).Index())
        {
            var from = ScheduleLimits.ReadTemperature(band?.From, unit, $"between[{i}].from");
            var to = ScheduleLimits.ReadTemperature(band?.To, unit, $"between[{i}].to");
            problems.AddRange([.. from.Problems, .. to.Problems]);
            if (from.IsOk && to.IsOk)
                read.Add((from.Value, to.Value));
        }
        return read;
    }
}
