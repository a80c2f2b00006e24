using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>Readings for the wire.</summary>
internal static class ConeReadings
{
    /// <summary>The cones around one, or all; none when all stand and there is no goal.</summary>
    public static IReadOnlyList<ConeReadingContract> Of(IReadOnlyList<double> progress, Cone? middle, bool all) =>
        [.. Cone.All.Where(c => all || (middle is { } m && Math.Abs(c.Order - m.Order) <= 1)).Select(c => Of(c, progress[c.Order]))];

    /// <summary>One cone.</summary>
    public static ConeReadingContract Of(Cone cone, double progress)
    {
        var bend = ConeBend.Degrees(progress);
        return new(cone.Number, progress, bend, ConeBend.Clock(bend), ConeBend.Phrase(progress));
    }
}
