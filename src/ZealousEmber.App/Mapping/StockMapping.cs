using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Mapping;

/// <summary>Between the wire and the core, for clays and glazes.</summary>
internal static class StockMapping
{
    public static Result<Clay> Read(ClayContract? wire)
    {
        if (wire is null)
            return new Problem("", "A clay is missing here.");
        return Clay.Create(
            wire.Name,
            wire.Kind ?? ClayKind.Stoneware,
            wire.ConeFrom,
            wire.ConeTo,
            wire.Shrinkage,
            wire.Absorption,
            wire.BurnsOutSlowly == true,
            wire.Notes
        );
    }

    public static Result<Glaze> Read(GlazeContract? wire)
    {
        if (wire is null)
            return new Problem("", "A glaze is missing here.");
        return Glaze.Create(
            wire.Name,
            wire.ConeFrom,
            wire.ConeTo,
            wire.Runny == true,
            wire.NeedsHold == true,
            wire.Fades == true,
            wire.WantsFastCooling == true,
            wire.SlowFrom,
            wire.SlowTo,
            wire.SlowHours,
            wire.Unit ?? TemperatureUnit.Celsius,
            wire.Notes
        );
    }

    public static VersionedClayContract Write(Versioned<Clay> stored)
    {
        var clay = stored.Item;
        return new(
            stored.Id,
            stored.Version,
            stored.UpdatedAt.ToDateTimeOffset(),
            new ClayContract(
                clay.Name,
                clay.Kind,
                clay.Range?.Coolest.Number,
                clay.Range?.Hottest.Number,
                clay.Shrinkage,
                clay.Absorption,
                clay.BurnsOutSlowly,
                clay.Notes
            )
        );
    }

    public static VersionedGlazeContract Write(Versioned<Glaze> stored)
    {
        var glaze = stored.Item;
        return new(
            stored.Id,
            stored.Version,
            stored.UpdatedAt.ToDateTimeOffset(),
            new GlazeContract(
                Name: glaze.Name,
                ConeFrom: glaze.Range?.Coolest.Number,
                ConeTo: glaze.Range?.Hottest.Number,
                Runny: glaze.Runny,
                NeedsHold: glaze.NeedsHold,
                Fades: glaze.Fades,
                WantsFastCooling: glaze.WantsFastCooling,
                SlowFrom: glaze.Slow?.From.Celsius,
                SlowTo: glaze.Slow?.To.Celsius,
                SlowHours: glaze.Slow?.Lasts.TotalHours,
                Unit: TemperatureUnit.Celsius,
                Notes: glaze.Notes
            )
        );
    }
}
