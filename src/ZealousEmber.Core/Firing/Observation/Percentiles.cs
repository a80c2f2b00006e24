namespace ZealousEmber.Core.Firing.Observation;

/// <summary>A number that is not known for sure; infinite where it may never come.</summary>
/// <param name="P10">One time in ten it is less.</param>
/// <param name="P50">As often more as less.</param>
/// <param name="P90">One time in ten it is more.</param>
public readonly record struct Percentiles(double P10, double P50, double P90)
{
    /// <summary>Of some draws; sorts them.</summary>
    public static Percentiles Of(Span<double> draws)
    {
        draws.Sort();
        return new Percentiles(At(draws, 0.1), At(draws, 0.5), At(draws, 0.9));
    }

    /// <summary>A number known for sure.</summary>
    public static Percentiles Known(double value) => new(value, value, value);

    private static double At(ReadOnlySpan<double> sorted, double share)
    {
        var at = share * (sorted.Length - 1);
        var (below, above) = (sorted[(int)at], sorted[Math.Min((int)at + 1, sorted.Length - 1)]);
        return double.IsInfinity(above) ? (at - (int)at < 0.5 ? below : above) : below + (above - below) * (at - (int)at);
    }
}
