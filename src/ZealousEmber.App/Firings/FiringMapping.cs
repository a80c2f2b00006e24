using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Packing;
using ZealousEmber.App.Planning;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Firings;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Schedules;

namespace ZealousEmber.App.Firings;

/// <summary>Between the wire and the core, for firings.</summary>
internal static class FiringMapping
{
    private const int LongestId = 60;
    private const int MostGlazes = 12;

    /// <summary>A firing with what it is planned with: the version of its schedule, and its kiln as it is when it is chosen.</summary>
    public static async Task<Result<FiringDraft>> Read(FiringContract? wire, FiringDraft? before, HttpContext context)
    {
        var (services, cancel) = (context.RequestServices, context.RequestAborted);
        var read = Read(wire, Instant.FromDateTimeOffset(services.GetRequiredService<TimeProvider>().GetUtcNow()), Versions.Stamp(context.Request).By);
        if (!read.IsOk) return read;
        if (before is not null && (wire!.KilnId != before.KilnId || read.Value.Kind != before.Kind) && context.Request.RouteValues["id"] is string text && int.TryParse(text, out var id)
            && await services.GetRequiredService<FiringRuns>().Started(id, cancel) is not null)
            return new Problem(wire.KilnId != before.KilnId ? "kilnId" : "kind", "This firing was started: its kiln and its kind stay as they were. Duplicate it to fire the same elsewhere.");
        var problems = new List<Problem>();
        var schedule = await PinSchedule(wire!, services.GetRequiredService<ScheduleRepository>(), problems, cancel);
        var kiln = await PinKiln(wire!.KilnId, before, services, cancel);
        return problems.Count > 0 ? Result<FiringDraft>.Failed(problems) : read.Value.Pinned(schedule, kiln);
    }

    public static VersionedFiringContract Write(Versioned<FiringDraft> stored)
    {
        var firing = stored.Item;
        var p = firing.Preferences;
        return new(stored.Id, stored.Version, stored.UpdatedAt.ToDateTimeOffset(), new FiringContract(
            firing.Name, firing.Kind, firing.KilnId, firing.Goal?.Number, firing.Unit, [.. firing.Lots.Select(Write)], p.Drying, p.Approach, p.Cooling, p.Hold, p.Bisque, p.Goal, p.DropBy,
            firing.HoldMinutes, firing.Schedule?.Id, firing.Packed, firing.WitnessPack, firing.StartsAt,
            [.. firing.Accepted.Select(a => new AcceptanceContract(a.Id, a.Severity, a.Note, a.At.ToDateTimeOffset(), a.By))],
            firing.Schedule?.Version, firing.Kiln?.Version, firing.Kiln is { } kiln ? KilnMapping.Write(kiln.Kiln) : null, PackingMapping.Write(firing.Packing), p.Air, firing.Anyway));
    }

    private static Result<FiringDraft> Read(FiringContract? wire, Instant now, string? by)
    {
        if (wire is null) return new Problem("", "A firing is missing here.");
        var problems = new List<Problem>();
        if (wire.Kind is null) problems.Add(WireEnums.Missing<ScheduleKind>("kind", "a kind of firing"));
        var goal = ScheduleMapping.ReadCone(wire.GoalCone, "goalCone", problems);
        var lots = (wire.Lots ?? []).Take(WareLot.MostLots + 1).Select(lot => ReadLot(lot ?? new LotContract(null, null, null))).ToList();
        var starts = WireTime.Check(wire.StartsAt, "startsAt", problems);
        var accepted = (wire.Accepted ?? []).Take(Acceptance.Most + 1).Select((a, i) => ReadAcceptance(a ?? new AcceptanceContract(null, null, null), i, now, by, problems)).ToList();
        var firing = FiringDraft.Create(
            wire.Name, wire.Kind ?? default, wire.KilnId, goal, wire.Unit ?? TemperatureUnit.Celsius, lots, PlanningTerms.Read(wire, PlanningPreferences.Usual),
            wire.HoldMinutes, null, wire.Packed == true, wire.WitnessPack == true, starts, accepted, packing: PackingMapping.Read(wire.Packing, problems), anyway: wire.Anyway == true);
        problems.AddRange(firing.Problems);
        return problems.Count > 0 ? Result<FiringDraft>.Failed(problems) : firing;
    }

    private static async Task<PinnedSchedule?> PinSchedule(FiringContract wire, ScheduleRepository schedules, List<Problem> problems, CancellationToken cancel)
    {
        if (wire.ScheduleId is not { } id) return null;
        if (wire.ScheduleVersion is not { } version) return new PinnedSchedule(id, (await schedules.Find(id, cancel))?.Version);
        if (await schedules.Version(id, version, cancel) is null) problems.Add(new Problem("scheduleVersion", $"There is no version {version} of schedule {id}."));
        return new PinnedSchedule(id, version);
    }

    /// <summary>As it was when it was chosen; another kiln, or the first time, takes it as it is now.</summary>
    private static async Task<PinnedKiln?> PinKiln(int? id, FiringDraft? before, IServiceProvider services, CancellationToken cancel)
    {
        if (id is not { } kilnId) return null;
        if (before?.KilnId == kilnId && before.Kiln is { } pinned) return pinned;
        return await services.GetRequiredService<Repository<StudioKiln>>().Find(kilnId, cancel) is { } kiln ? new PinnedKiln(kiln.Version, kiln.Item.Under(await StudioLookup.On(services).Controller(kiln.Item.ControllerId))) : null;
    }

    private static Acceptance ReadAcceptance(AcceptanceContract wire, int i, Instant now, string? by, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(wire.Id) || wire.Id.Length > LongestId) problems.Add(new Problem($"accepted[{i}].id", "Say which finding is accepted."));
        if (wire.Severity is null) problems.Add(new Problem($"accepted[{i}].severity", "A finding is a note, a look or a danger."));
        var at = wire.At is { Year: >= 1970 and < 9000 } said ? Instant.FromDateTimeOffset(said) : now;
        // One that was given before keeps who gave it; a new one is given by whoever asks.
        return new Acceptance(wire.Id ?? "", wire.Severity ?? default, wire.Note ?? "", at, wire.By ?? (wire.At is null ? by : null));
    }

    private static LotDraft ReadLot(LotContract lot) => new(
        lot.What?.Trim(), lot.Count, lot.Wall, lot.Width, lot.ClosedHollow == true, lot.OneSided == true, lot.Dryness ?? Dryness.BoneDry, lot.ClayId,
        [.. (lot.GlazeIds ?? []).Take(MostGlazes)], lot.Whose?.Trim(), lot.Next ?? NextStep.Dipping, lot.PieceKg,
        (lot.Typed ?? new Dictionary<string, string>()).Where(t => t.Value is not null).ToImmutableSortedDictionary(), lot.GlazedAlready == true, PieceMapping.Read(lot.Piece), lot.Must == true);

    internal static LotContract Write(LotDraft lot) => new(
        lot.What, lot.Count, lot.Wall, lot.Width, lot.ClosedHollow, lot.OneSided, lot.Dryness, lot.ClayId, null, lot.GlazeIds, null, lot.Whose, lot.Next, lot.PieceMass,
        lot.Typed.IsEmpty ? null : lot.Typed, lot.GlazedAlready ? true : null, PieceMapping.Write(lot.Piece), lot.Must ? true : null);
}
