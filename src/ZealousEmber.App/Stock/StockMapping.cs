using ZealousEmber.App.Schedules;
using ZealousEmber.Core;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Stock;

/// <summary>Between the wire and the core, for clays and glazes.</summary>
internal static class StockMapping
{
    private static readonly Vocabulary<ClayKind> Kinds = new(
        ("earthenware", ClayKind.Earthenware), ("stoneware", ClayKind.Stoneware), ("porcelain", ClayKind.Porcelain), ("other", ClayKind.Other));

    public static Result<Clay> Read(ClayContract? wire)
    {
        if (wire is null) return new Problem("", "A clay is missing here.");
        var kind = wire.Kind is null ? ClayKind.Stoneware : Kinds.Read(wire.Kind);
        var clay = Clay.Create(wire.Name, kind, wire.ConeFrom, wire.ConeTo, wire.Shrinkage, wire.Absorption, wire.BurnsOutSlowly == true, wire.Notes);
        return kind is null ? Result<Clay>.Failed([new Problem("kind", Kinds.Refuse(wire.Kind, "a kind of clay")), .. clay.Problems]) : clay;
    }

    public static Result<Glaze> Read(GlazeContract? wire)
    {
        if (wire is null) return new Problem("", "A glaze is missing here.");
        var problems = new List<Problem>();
        var unit = wire.Unit is null ? TemperatureUnit.Celsius : ScheduleMapping.ReadUnit(wire.Unit, "unit", problems) ?? TemperatureUnit.Celsius;
        var glaze = Glaze.Create(
            wire.Name, wire.ConeFrom, wire.ConeTo, wire.Runny == true, wire.NeedsHold == true, wire.Fades == true, wire.WantsFastCooling == true, wire.SlowFrom, wire.SlowTo, wire.SlowHours, unit, wire.Notes);
        return problems.Count > 0 ? Result<Glaze>.Failed([.. problems, .. glaze.Problems]) : glaze;
    }

    public static VersionedClayContract Write(Versioned<Clay> stored)
    {
        var clay = stored.Item;
        return new(stored.Id, stored.Version, stored.UpdatedAt.ToDateTimeOffset(), new ClayContract(
            clay.Name, Kinds.Format(clay.Kind), clay.Range?.Coolest.Number, clay.Range?.Hottest.Number, clay.Shrinkage, clay.Absorption, clay.BurnsOutSlowly, clay.Notes));
    }

    public static VersionedGlazeContract Write(Versioned<Glaze> stored)
    {
        var glaze = stored.Item;
        return new(stored.Id, stored.Version, stored.UpdatedAt.ToDateTimeOffset(), new GlazeContract(
            glaze.Name, glaze.Range?.Coolest.Number, glaze.Range?.Hottest.Number, glaze.Runny, glaze.NeedsHold, glaze.Fades, glaze.WantsFastCooling,
            glaze.Slow?.From.Celsius, glaze.Slow?.To.Celsius, glaze.Slow?.Lasts.TotalHours, TemperatureUnit.Celsius.Letter(), glaze.Notes));
    }
}
