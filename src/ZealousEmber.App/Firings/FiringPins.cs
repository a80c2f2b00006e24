using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Firings;

/// <summary>A firing that is saved, with what it is planned with pinned.</summary>
internal static class FiringPins
{
    /// <summary>A firing with what it is planned with: the version of its schedule, and its kiln as it is when it is chosen.</summary>
    public static async Task<Result<FiringDraft>> Read(FiringContract? wire, FiringDraft? before, HttpContext context)
    {
        var (services, cancel) = (context.RequestServices, context.RequestAborted);
        var read = FiringMapping.Read(
            wire,
            Instant.FromDateTimeOffset(services.GetRequiredService<TimeProvider>().GetUtcNow()),
            Versions.Stamp(context.Request).By
        );
        if (!read.IsOk)
            return read;
        if (
            before is not null
            && (wire!.KilnId != before.KilnId || read.Value.Kind != before.Kind)
            && context.Request.RouteValues["id"] is string text
            && int.TryParse(text, out var id)
            && await services.GetRequiredService<FiringRuns>().Started(id, cancel) is not null
        )
            return new Problem(
                wire.KilnId != before.KilnId ? "kilnId" : "kind",
                "This firing was started: its kiln and its kind stay as they were. Duplicate it to fire the same elsewhere."
            );
        var problems = new List<Problem>();
        var schedule = await PinSchedule(wire!, services.GetRequiredService<ScheduleRepository>(), problems, cancel);
        var kiln = await PinKiln(wire!.KilnId, before, services, cancel);
        return problems.Count > 0 ? Result<FiringDraft>.Failed(problems) : read.Value.Pinned(schedule, kiln);
    }

    private static async Task<PinnedSchedule?> PinSchedule(FiringContract wire, ScheduleRepository schedules, List<Problem> problems, CancellationToken cancel)
    {
        if (wire.ScheduleId is not { } id)
            return null;
        if (wire.ScheduleVersion is not { } version)
            return new PinnedSchedule(id, (await schedules.Find(id, cancel))?.Version);
        if (await schedules.Version(id, version, cancel) is null)
            problems.Add(new Problem("scheduleVersion", $"There is no version {version} of schedule {id}."));
        return new PinnedSchedule(id, version);
    }

    /// <summary>As it was when it was chosen; another kiln, or the first time, takes it as it is now.</summary>
    private static async Task<PinnedKiln?> PinKiln(int? id, FiringDraft? before, IServiceProvider services, CancellationToken cancel)
    {
        if (id is not { } kilnId)
            return null;
        if (before?.KilnId == kilnId && before.Kiln is { } pinned)
            return pinned;
        return await services.GetRequiredService<Repository<StudioKiln>>().Find(kilnId, cancel) is { } kiln
            ? new PinnedKiln(kiln.Version, kiln.Item.Under(await StudioLookups.On(services).Controller(kiln.Item.ControllerId)))
            : null;
    }
}
