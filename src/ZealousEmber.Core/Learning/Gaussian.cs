namespace ZealousEmber.Core.Learning;

/// <summary>A few numbers that are known together, by their means and covariance.</summary>
internal sealed class Gaussian(int size)
{
    private readonly double[] mean = new double[size];
    private readonly double[,] covariance = new double[size, size];

    public int Size => size;

    /// <summary>One of them is not known any more: 0, give or take a standard deviation.</summary>
    public void Forget(int index, double sd)
    {
        for (var i = 0; i < size; i++)
            covariance[i, index] = covariance[index, i] = 0;
        (mean[index], covariance[index, index]) = (0, sd * sd);
    }

    /// <summary>One of them may have moved by a standard deviation.</summary>
    public void Widen(int index, double sd) => covariance[index, index] += sd * sd;

    /// <summary>The same with one more, 0 give or take a standard deviation.</summary>
    public Gaussian With(double sd)
    {
        var more = Copy(size + 1, size);
        more.covariance[size, size] = sd * sd;
        return more;
    }

    /// <summary>The same without the last.</summary>
    public Gaussian Without(int last) => Copy(last, last);

    /// <summary>Mean of a sum of them, each times so much.</summary>
    public double Mean(ReadOnlySpan<double> row)
    {
        var sum = 0.0;
        for (var i = 0; i < size; i++)
            sum += row[i] * mean[i];
        return sum;
    }

    /// <summary>Variance of such a sum.</summary>
    public double Variance(ReadOnlySpan<double> row)
    {
        var sum = 0.0;
        for (var i = 0; i < size; i++)
        {
            for (var j = 0; j < size; j++)
                sum += row[i] * row[j] * covariance[i, j];
        }
        return sum;
    }

    /// <summary>Such a sum was measured, with a variance.</summary>
    public void Learn(ReadOnlySpan<double> row, double value, double noise)
    {
        var gain = new double[size];
        for (var i = 0; i < size; i++)
        {
            for (var j = 0; j < size; j++)
                gain[i] += covariance[i, j] * row[j];
        }
        var s = Variance(row) + noise;
        var off = (value - Mean(row)) / s;
        for (var i = 0; i < size; i++)
            mean[i] += gain[i] * off;
        for (var i = 0; i < size; i++)
        {
            for (var j = 0; j < size; j++)
                covariance[i, j] -= gain[i] * gain[j] / s;
        }
    }

    private Gaussian Copy(int to, int from)
    {
        var copy = new Gaussian(to);
        for (var i = 0; i < from; i++)
        {
            copy.mean[i] = mean[i];
            for (var j = 0; j < from; j++)
                copy.covariance[i, j] = covariance[i, j];
        }
        return copy;
    }
}
