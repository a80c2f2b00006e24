using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Assessment;

/// <summary>How far what is told of a run may be off: for not knowing the kiln, and for nobody having weighed its ware.</summary>
public static class RunBand
{
    /// <summary>A share either way, of times and energy; four runs in five lie within. Nothing where the kiln itself is not known.</summary>
    /// <param name="kiln">With what stands in it.</param>
    /// <param name="curve">Its chamber.</param>
    /// <param name="kwh">What the run takes.</param>
    public static double? Of(IKilnModel kiln, Curve curve, double kwh) =>
        kiln.Uncertainty is { } known ? Math.Sqrt(known * known + Math.Pow(OfLoad(kiln, curve, kwh), 2)) : null;

    /// <summary>The part of it that scales take away.</summary>
    internal static double OfLoad(IKilnModel kiln, Curve curve, double kwh) =>
        kiln.Load is { WareUnsure: { } unsure } load && kwh > 0
            ? Spread.FourInFive * unsure * Math.Min(1, load.WareMass * KilnPhysics.Usual.HeatPerKg(kiln.Start.Celsius, curve.Peak.Celsius) / 3.6e6 / kwh)
            : 0;
}
