using MathNet.Numerics.RootFinding;

namespace ZealousEmber.Core.Units;

/// <summary>Where a function takes a value: Brent's method of the numerics library, with what it leaves to its caller.</summary>
internal static class Roots
{
    private const int MostIterations = 100;

    /// <summary>The argument between two bounds at which a rising function reaches a value; the nearer bound when it does not.</summary>
    /// <param name="f">Never falls between the bounds.</param>
    /// <param name="value">To be reached.</param>
    /// <param name="low">Lower bound.</param>
    /// <param name="high">Upper bound.</param>
    /// <param name="accuracy">Of the argument.</param>
    public static double Rising(Func<double, double> f, double value, double low, double high, double accuracy = 1e-9)
    {
        if (f(low) >= value)
            return low;
        if (f(high) <= value)
            return high;
        return Brent.TryFindRoot(x => f(x) - value, low, high, accuracy, MostIterations, out var root)
            ? root
            : Bisection.FindRoot(x => f(x) - value, low, high, accuracy, MostIterations);
    }
}
