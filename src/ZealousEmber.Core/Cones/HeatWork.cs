using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Cones;

/// <summary>
/// Heat work: a cone's rate integrated over any curve, planned, simulated or logged. Cooling counts too. A gap in a log
/// is a straight piece like any other; two points at one time are a jump and count nothing.
/// </summary>
public static class HeatWork
{
    /// <summary>Counting stops here: a cone a thousand times past its end point is a puddle, and nobody asks how much of one.</summary>
    private const double Enough = 1000;

    /// <summary>Progress of one cone over a whole curve, 0 … 1000; a thousand means at least so much.</summary>
    public static double Of(ConeKinetics cone, Curve curve) => Between(cone, curve.Points);

    /// <summary>Progress of every cone, in the order of <see cref="Cone.All"/>; each is worked out when it is first asked for.</summary>
    public static IReadOnlyList<double> OfAll(Curve curve) => new RowOfCones(curve);

    /// <summary>Progress in each of the stretches that end at the given minutes; they rise, and the last is the end of the curve.</summary>
    public static double[] PerStretch(ConeKinetics cone, Curve curve, IReadOnlyList<double> ends)
    {
        var shares = new double[ends.Count];
        var points = curve.Points;
        var stretch = 0;
        for (var i = 1; i < points.Length; i++)
        {
            // Stretches end at corners of the curve, so a piece belongs to the one its middle lies in.
            var middle = (points[i - 1].Minutes + points[i].Minutes) / 2;
            while (stretch < ends.Count - 1 && middle > ends[stretch])
                stretch++;
            shares[stretch] += Between(cone, points.Slice(i - 1, 2));
        }
        return shares;
    }

    private static double Between(ConeKinetics cone, ReadOnlySpan<CurvePoint> points)
    {
        // Far below the cone's range nothing happens in any time a firing takes; most of a long log is left out so.
        var coldest = IdleBelow(cone);
        var sum = 0.0;
        var (rateBefore, primitiveBefore) = (double.NaN, double.NaN);
        for (var i = 1; i < points.Length && sum < Enough; i++)
        {
            var (from, to) = (points[i - 1].Celsius, points[i].Celsius);
            var hours = (points[i].Minutes - points[i - 1].Minutes) / 60;
            if (hours <= 0 || (from < coldest && to < coldest))
            {
                rateBefore = primitiveBefore = double.NaN;
            }
            else if (ConeKinetics.IsShort(from, to))
            {
                if (double.IsNaN(rateBefore))
                    rateBefore = cone.RateAt(from);
                var rate = cone.RateAt(to);
                sum += cone.Over(rateBefore, from, to, rate, hours);
                rateBefore = rate;
                primitiveBefore = double.NaN;
            }
            else
            {
                // Where one piece ends the next begins; what was worked out there serves both.
                if (double.IsNaN(primitiveBefore))
                    primitiveBefore = cone.Primitive(from);
                var primitive = cone.Primitive(to);
                sum += Math.Abs(primitive - primitiveBefore) * hours / Math.Abs(to - from);
                primitiveBefore = primitive;
                rateBefore = double.NaN;
            }
        }
        return Math.Min(sum, Enough);
    }

    /// <summary>All cones over one curve. The desk asks for three of them and where the row falls, at every edit.</summary>
    private sealed class RowOfCones(Curve curve) : IReadOnlyList<double>
    {
        private readonly double?[] known = new double?[ConeTable.All.Length];

        public int Count => known.Length;

        public double this[int index] => known[index] ??= Of(ConeTable.All[index].Kinetics, curve);

        public IEnumerator<double> GetEnumerator() => Enumerable.Range(0, Count).Select(i => this[i]).GetEnumerator();

        System.Collections.IEnumerator System.Collections.IEnumerable.GetEnumerator() => GetEnumerator();
    }

    /// <summary>The temperature at which a cone would need ten thousand years, °C: rate 1e-8 an hour.</summary>
    private static double IdleBelow(ConeKinetics cone) => cone.Theta / (cone.LnA + 18.4) - 273.15;
}
