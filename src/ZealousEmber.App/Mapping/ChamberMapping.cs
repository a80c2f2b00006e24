using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Packing;

namespace ZealousEmber.App.Mapping;

/// <summary>Chambers and props between the wire and the core.</summary>
internal static class ChamberMapping
{
    public static Result<Chamber> Read(ChamberContract wire)
    {
        var problems = new List<Problem>();
        // A number that is missing is asked for at its own field.
        var shelves = (wire.Shelves ?? [])
            .Select(s => new ShelfStock(s?.Width ?? double.NaN, s?.Depth ?? s?.Width ?? double.NaN, s?.Thickness ?? double.NaN, s?.Count ?? 0, s?.Half == true))
            .ToList();
        Thermocouple? tip = wire.Thermocouple is { } t ? new(t.Z ?? double.NaN, t.Reach ?? double.NaN) : null;
        var chamber = Chamber.Create(
            wire.Shape ?? ChamberShape.Round,
            wire.Width,
            wire.Depth,
            wire.Height,
            wire.Raise,
            wire.Shelves is null ? null : shelves,
            wire.Peepholes,
            tip
        );
        problems.AddRange(chamber.Problems);
        return problems.Count > 0 ? Result<Chamber>.Failed(problems) : chamber;
    }

    public static Result<PropStock> Read(PropsContract wire) =>
        PropStock.Create(wire.Across, wire.MostStacked, [.. (wire.Stock ?? []).Select(p => new PropCount(p?.Height ?? double.NaN, p?.Count ?? 0))]);

    public static ChamberContract Write(Chamber c) =>
        new(
            c.Shape,
            c.Width,
            c.Depth,
            c.Height,
            c.Raise,
            [.. c.Shelves.Select(s => new ShelfContract(s.Width, s.Depth, s.Thickness, s.Count, s.Half))],
            c.Peepholes,
            c.Thermocouple is { } t ? new ThermocoupleContract(t.Z, t.Reach) : null
        );

    public static PropsContract Write(PropStock p) => new(p.Across, p.MostOnOneAnother, [.. p.Stock.Select(s => new PropContract(s.Height, s.Count))]);
}
