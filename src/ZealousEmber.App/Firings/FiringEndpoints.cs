using System.ComponentModel.DataAnnotations;
using NodaTime;
using NodaTime.Text;
using ZealousEmber.App.Http;
using ZealousEmber.App.Planning;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Firings;

/// <summary>A firing from its first thought: what goes in, where, and what is wished for. Rows may be half written.</summary>
/// <param name="Lots">Clays and glazes by their numbers.</param>
/// <param name="ScheduleId">The schedule it is fired with, once there is one.</param>
/// <param name="Packed">So tight that little air comes between the ware.</param>
/// <param name="WitnessPack">Witness cones stand in sight.</param>
/// <param name="StartsAt">When it is switched on, a moment with its offset.</param>
/// <param name="Accepted">Findings accepted for this firing.</param>
public sealed record FiringContract(
    string? Name, [property: AllowedValues("drying", "bisque", "glaze", "once-fired")] string? Kind, int? KilnId = null, string? GoalCone = null,
    [property: AllowedValues("C", "F")] string? Unit = null, IReadOnlyList<LotContract?>? Lots = null,
    [property: AllowedValues("by-the-wall", "long-hold", "slow-climb", "fast-to-hold")] string? Drying = null,
    [property: AllowedValues("last-hundred", "one-rate")] string? Approach = null,
    [property: AllowedValues("as-the-glazes-ask", "off", "limited-drop", "drop-and-hold")] string? Cooling = null,
    [property: AllowedValues("as-the-glazes-ask", "none", "quarter-hour", "half-hour", "lower-and-longer")] string? Hold = null,
    [property: AllowedValues("by-what-comes-next", "hotter-than-the-glaze", "always-open")] string? Bisque = null,
    double? HoldMinutes = null, int? MaxSteps = null, int? ScheduleId = null, bool? Packed = null, bool? WitnessPack = null, string? StartsAt = null,
    IReadOnlyList<AcceptanceContract?>? Accepted = null) : IPlanningPreferences;

/// <summary>A finding somebody accepts for one firing.</summary>
/// <param name="Id">Which finding.</param>
/// <param name="Severity">How grave it was; should it grow graver it is no longer covered.</param>
/// <param name="Note">Why.</param>
/// <param name="At">When; now when missing.</param>
public sealed record AcceptanceContract(string? Id, [property: AllowedValues("note", "look", "danger")] string? Severity, string? Note, DateTimeOffset? At = null);

/// <summary>A kept firing.</summary>
public sealed record VersionedFiringContract(int Id, int Version, DateTimeOffset UpdatedAt, FiringContract Firing);

/// <summary>Firings: find, make, change, delete, bring back.</summary>
internal static class FiringEndpoints
{
    public static void MapFirings(this WebApplication app)
    {
        var firings = new RepositoryEndpoints<FiringContract, VersionedFiringContract, FiringDraft>("firing", Read, Write);
        firings.Map(app.MapGroup("/api/firings").WithTags("Firings"), "/api/firings");
        app.MapGet("/api/schedules/{id:int}/firing", async (int id, FiringFinder find, CancellationToken cancel) =>
                await find.Of(id, cancel) is { } firing ? Results.Ok(Write(firing)) : Results.NoContent())
            .WithTags("Firings").WithSummary("The firing a schedule was put on the desk for; nothing when it stands alone").Produces<VersionedFiringContract>().Produces(204);
    }

    private static Result<FiringDraft> Read(FiringContract? wire)
    {
        if (wire is null) return new Problem("", "A firing is missing here.");
        var problems = new List<Problem>();
        var kind = WireTerms.Kinds.Read(wire.Kind);
        if (kind is null) problems.Add(new Problem("kind", WireTerms.Kinds.Refuse(wire.Kind, "a kind of firing")));
        var unit = wire.Unit is null ? TemperatureUnit.Celsius : ScheduleMapping.ReadUnit(wire.Unit, "unit", problems) ?? TemperatureUnit.Celsius;
        var goal = ScheduleMapping.ReadCone(wire.GoalCone, "goalCone", problems);
        var lots = (wire.Lots ?? []).Take(WareLot.MostLots + 1).Select((lot, i) => ReadLot(lot ?? new LotContract(null, null, null), i, problems)).ToList();
        var starts = WireTime.Read(wire.StartsAt, "startsAt", problems);
        var accepted = (wire.Accepted ?? []).Take(Acceptance.Most + 1).Select((a, i) => ReadAcceptance(a ?? new AcceptanceContract(null, null, null), i, problems)).ToList();
        var firing = FiringDraft.Create(
            wire.Name, kind ?? default, wire.KilnId, goal, unit, lots, PlanningTerms.Read(wire, PlanningPreferences.Usual, problems),
            wire.HoldMinutes, wire.MaxSteps, wire.ScheduleId, wire.Packed == true, wire.WitnessPack == true, starts, accepted);
        problems.AddRange(firing.Problems);
        return problems.Count > 0 ? Result<FiringDraft>.Failed(problems) : firing;
    }

    private static Acceptance ReadAcceptance(AcceptanceContract wire, int i, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(wire.Id) || wire.Id.Length > 60) problems.Add(new Problem($"accepted[{i}].id", "Say which finding is accepted."));
        if (!Enum.TryParse<Severity>(wire.Severity, true, out var severity) || !Enum.IsDefined(severity))
            problems.Add(new Problem($"accepted[{i}].severity", "A finding is a note, a look or a danger."));
        var at = wire.At is { Year: >= 1970 and < 9000 } said ? Instant.FromDateTimeOffset(said) : SystemClock.Instance.GetCurrentInstant();
        return new Acceptance(wire.Id ?? "", severity, wire.Note ?? "", at);
    }

    private static LotDraft ReadLot(LotContract lot, int i, List<Problem> problems)
    {
        var dryness = lot.Dryness is null ? Dryness.BoneDry : LotMapping.Drynesses.Read(lot.Dryness);
        if (dryness is null) problems.Add(new Problem($"lots[{i}].dryness", LotMapping.Drynesses.Refuse(lot.Dryness, "a dryness")));
        var next = lot.Next is null ? NextStep.Dipping : LotMapping.NextSteps.Read(lot.Next);
        if (next is null) problems.Add(new Problem($"lots[{i}].next", LotMapping.NextSteps.Refuse(lot.Next, "a next step")));
        return new LotDraft(
            lot.What?.Trim(), lot.Count, lot.Wall, lot.Width, lot.ClosedHollow == true, lot.OneSided == true, dryness ?? default, lot.ClayId, [.. (lot.GlazeIds ?? []).Take(12)], lot.Whose?.Trim(), next ?? default, lot.PieceKg);
    }

    private static VersionedFiringContract Write(Versioned<FiringDraft> stored)
    {
        var firing = stored.Item;
        return new(stored.Id, stored.Version, stored.UpdatedAt.ToDateTimeOffset(), new FiringContract(
            firing.Name, WireTerms.Kinds.Format(firing.Kind), firing.KilnId, firing.Goal?.Number, firing.Unit.Letter(), [.. firing.Lots.Select(Write)],
            PlanningTerms.Dryings.Format(firing.Preferences.Drying), PlanningTerms.Approaches.Format(firing.Preferences.Approach), PlanningTerms.Coolings.Format(firing.Preferences.Cooling), PlanningTerms.Holds.Format(firing.Preferences.Hold),
            PlanningTerms.Bisques.Format(firing.Preferences.Bisque), firing.HoldMinutes, firing.MaxSteps, firing.ScheduleId, firing.Packed, firing.WitnessPack,
            firing.StartsAt is { } starts ? OffsetDateTimePattern.Rfc3339.Format(starts) : null,
            [.. firing.Accepted.Select(a => new AcceptanceContract(a.Id, a.Severity.ToString().ToLowerInvariant(), a.Note, a.At.ToDateTimeOffset()))]));
    }

    private static LotContract Write(LotDraft lot) => new(
        lot.What, lot.Count, lot.Wall, lot.Width, lot.ClosedHollow, lot.OneSided, LotMapping.Drynesses.Format(lot.Dryness), lot.ClayId, null, lot.GlazeIds, null, lot.Whose, LotMapping.NextSteps.Format(lot.Next), lot.PieceMass);
}
