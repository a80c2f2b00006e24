namespace ZealousEmber.Core.Firing.Readings;

/// <summary>
/// How noisy the readings are: 1.25 times the running mean of the second differences' size over √6, each clipped at four times what is known.
/// </summary>
internal sealed class ReadingNoise
{
    private const double Memory = 0.02;
    private const double FromMean = 1.25;
    private const double Clip = 4;
    private const double Least = 0.1;
    private const double First = 0.5;

    private double mean = First / FromMean;
    private double? last;
    private double? before;

    /// <summary>Standard deviation of a reading, K.</summary>
    public double Sigma => Math.Max(Least, FromMean * mean);

    /// <summary>Takes a reading into account.</summary>
    public void Add(double celsius)
    {
        if (last is { } one && before is { } two)
            mean += Memory * (Math.Min(Math.Abs(celsius - 2 * one + two) / Math.Sqrt(6), Clip * Sigma) - mean);
        (before, last) = (last, celsius);
    }

    /// <summary>After a gap nothing is compared across it.</summary>
    public void Forget() => (before, last) = (null, null);

    /// <summary>Standard deviation of the mean of so many readings.</summary>
    public double OfMean(double count) => Sigma / Math.Sqrt(Math.Max(1, count));
}
