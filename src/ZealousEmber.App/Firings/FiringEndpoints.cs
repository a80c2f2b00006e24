using System.ComponentModel.DataAnnotations;
using ZealousEmber.App.Http;
using ZealousEmber.App.Planning;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Shelves;

namespace ZealousEmber.App.Firings;

/// <summary>A firing from its first thought: what goes in, where, and what is wished for. Rows may be half written.</summary>
/// <param name="Lots">Clays and glazes by their numbers.</param>
/// <param name="ScheduleId">The schedule it is fired with, once there is one.</param>
public sealed record FiringContract(
    string? Name, [property: AllowedValues("drying", "bisque", "glaze", "once-fired")] string? Kind, int? KilnId = null, string? GoalCone = null,
    [property: AllowedValues("C", "F")] string? Unit = null, IReadOnlyList<LotContract?>? Lots = null,
    [property: AllowedValues("by-the-wall", "long-hold", "slow-climb", "fast-to-hold")] string? Drying = null,
    [property: AllowedValues("last-hundred", "one-rate")] string? Approach = null,
    [property: AllowedValues("as-the-glazes-ask", "off", "limited-drop", "drop-and-hold")] string? Cooling = null,
    double? HoldMinutes = null, int? MaxSteps = null, int? ScheduleId = null);

/// <summary>A kept firing.</summary>
public sealed record StoredFiringContract(int Id, int Version, DateTimeOffset UpdatedAt, FiringContract Firing);

/// <summary>Firings: find, make, change, delete, bring back.</summary>
internal static class FiringEndpoints
{
    public static void MapFirings(this WebApplication app) =>
        new ShelfEndpoints<FiringContract, StoredFiringContract, FiringDraft>("firing", Read, Write).Map(app.MapGroup("/api/firings").WithTags("Firings"), "/api/firings");

    private static Result<FiringDraft> Read(FiringContract? wire)
    {
        if (wire is null) return new Problem("", "A firing is missing here.");
        var problems = new List<Problem>();
        var kind = WireWords.Kinds.Read(wire.Kind);
        if (kind is null) problems.Add(new Problem("kind", WireWords.Kinds.Refuse(wire.Kind, "a kind of firing")));
        var unit = wire.Unit is null ? TemperatureUnit.Celsius : ScheduleMapping.ReadUnit(wire.Unit, "unit", problems) ?? TemperatureUnit.Celsius;
        var goal = ScheduleMapping.ReadCone(wire.GoalCone, "goalCone", problems);
        var lots = (wire.Lots ?? []).Take(WareLot.MostLots + 1).Select((lot, i) => ReadLot(lot ?? new LotContract(null, null, null), i, problems)).ToList();
        var firing = FiringDraft.Create(
            wire.Name, kind ?? default, wire.KilnId, goal, unit, lots, PlanWords.Drying(wire.Drying, problems), PlanWords.Approach(wire.Approach, problems), PlanWords.Cooling(wire.Cooling, problems),
            wire.HoldMinutes, wire.MaxSteps, wire.ScheduleId);
        problems.AddRange(firing.Problems);
        return problems.Count > 0 ? Result<FiringDraft>.Failed(problems) : firing;
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

    private static StoredFiringContract Write(Stored<FiringDraft> stored)
    {
        var firing = stored.Item;
        return new(stored.Id, stored.Version, stored.UpdatedAt.ToDateTimeOffset(), new FiringContract(
            firing.Name, WireWords.Kinds.Say(firing.Kind), firing.KilnId, firing.Goal?.Number, firing.Unit.Letter(), [.. firing.Lots.Select(Write)],
            PlanWords.Dryings.Say(firing.Drying), PlanWords.Approaches.Say(firing.Approach), PlanWords.Coolings.Say(firing.Cooling), firing.HoldMinutes, firing.MaxSteps, firing.ScheduleId));
    }

    private static LotContract Write(LotDraft lot) => new(
        lot.What, lot.Count, lot.Wall, lot.Width, lot.ClosedHollow, lot.OneSided, LotMapping.Drynesses.Say(lot.Dryness), lot.ClayId, null, lot.GlazeIds, null, lot.Whose, LotMapping.NextSteps.Say(lot.Next), lot.PieceMass);
}
