using System.Globalization;

namespace ZealousEmber.App.Mapping;

/// <summary>Entries of a fuel kiln whose subject is a number: the row that is left out, the gas in a cylinder.</summary>
internal static class FuelNumbers
{
    /// <summary>The last minute a sheet may have.</summary>
    public const double LatestRow = 14 * 24 * 60;

    /// <summary>The number; nothing where it is none.</summary>
    public static double? Read(string? subject) =>
        double.TryParse(subject, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number) ? number : null;
}
