namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>Limited-memory quasi-Newton steps (Nocedal 1980) with a line that only ever goes down; left when ten of them gain less than 15 %.</summary>
internal sealed class QuasiNewton
{
    private const int Memory = 5;
    private const int CheckEvery = 10;
    private const double LeastGain = 0.15;
    private double[] gradient = [];
    private double[] before = [];
    private double[] was = [];
    private double[] direction = [];
    private double[][] moved = [];
    private double[][] changed = [];
    private readonly double[] rho = new double[Memory];
    private readonly double[] alpha = new double[Memory];

    public double Run(double[] at, int n, int most, Func<double[], (double Energy, bool Done)> look)
    {
        if (gradient.Length < n)
        {
            var room = n + 48;
            (gradient, before, was, direction) = (new double[room], new double[room], new double[room], new double[room]);
            (moved, changed) = ([.. Enumerable.Range(0, Memory).Select(_ => new double[room])], [.. Enumerable.Range(0, Memory).Select(_ => new double[room])]);
        }
        var (energy, done) = look(gradient);
        var (kept, marked) = (0, energy);
        for (var step = 0; step < most && !done; step++)
        {
            if (step > 0 && step % CheckEvery == 0)
            {
                if (energy > marked * (1 - LeastGain))
                    break;
                marked = energy;
            }
            Direction(n, kept);
            var slope = 0.0;
            for (var i = 0; i < n; i++)
                slope += direction[i] * gradient[i];
            if (slope >= 0)
            {
                kept = 0;
                Direction(n, 0);
                slope = 0;
                for (var i = 0; i < n; i++)
                    slope += direction[i] * gradient[i];
                if (slope > -1e-18)
                    break;
            }
            Array.Copy(at, was, n);
            Array.Copy(gradient, before, n);
            var (length, fell) = (1.0, false);
            for (var tries = 0; tries < 8; tries++, length *= 0.4)
            {
                for (var i = 0; i < n; i++)
                    at[i] = was[i] + length * direction[i];
                var (next, ended) = look(gradient);
                if (next > energy + 1e-4 * length * slope && !ended)
                    continue;
                (energy, done, fell) = (next, ended, true);
                break;
            }
            if (!fell)
            {
                Array.Copy(was, at, n);
                look(gradient);
                break;
            }
            kept = Remember(at, n, kept);
        }
        return energy;
    }

    private void Direction(int n, int kept)
    {
        var latest = Math.Min(kept, Memory);
        for (var i = 0; i < n; i++)
            direction[i] = -gradient[i];
        for (var k = 0; k < latest; k++)
        {
            var m = (kept - 1 - k) % Memory;
            alpha[m] = rho[m] * Dot(moved[m], direction, n);
            for (var i = 0; i < n; i++)
                direction[i] -= alpha[m] * changed[m][i];
        }
        // Without memory half of every overlap is undone from either side.
        var scale = 0.25;
        if (latest > 0)
        {
            var m = (kept - 1) % Memory;
            scale = 1 / (rho[m] * Dot(changed[m], changed[m], n));
        }
        for (var i = 0; i < n; i++)
            direction[i] *= scale;
        for (var k = latest - 1; k >= 0; k--)
        {
            var m = (kept - 1 - k) % Memory;
            var beta = rho[m] * Dot(changed[m], direction, n);
            for (var i = 0; i < n; i++)
                direction[i] += (alpha[m] - beta) * moved[m][i];
        }
    }

    private int Remember(double[] at, int n, int kept)
    {
        var m = kept % Memory;
        for (var i = 0; i < n; i++)
            (moved[m][i], changed[m][i]) = (at[i] - was[i], gradient[i] - before[i]);
        var curve = Dot(moved[m], changed[m], n);
        if (curve <= 1e-12)
            return kept;
        rho[m] = 1 / curve;
        return kept + 1;
    }

    private static double Dot(double[] a, double[] b, int n)
    {
        var sum = 0.0;
        for (var i = 0; i < n; i++)
            sum += a[i] * b[i];
        return sum;
    }
}
