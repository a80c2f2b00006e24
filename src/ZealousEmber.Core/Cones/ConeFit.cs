namespace ZealousEmber.Core.Cones;

/// <summary>
/// Fits a cone's rate to its reference points, so that its end points come out right in degrees. The first guess is the
/// Kissinger line ln(r/T²) = const − Theta/T; then Gauss–Newton on the residuals in kelvin of the exactly integrated
/// climbs. The 60 °C/h point weighs three at first, and more for as long as the others stay within 4 K: it is the one
/// people quote. Derivation, residuals and the reason in docs/model.md and docs/decisions/0006.
/// </summary>
internal static class ConeFit
{
    private const double Within = 4;
    private const double FirstWeight = 3;
    private const double HighestWeight = 100;

    public static ConeKinetics To(IReadOnlyList<ConePoint> points)
    {
        var guess = KissingerLine(points);
        var best = Refine(guess, points, FirstWeight);
        for (var weight = FirstWeight * 1.25; points.Count > 2 && weight < HighestWeight; weight *= 1.25)
        {
            var next = Refine(best, points, weight);
            if (!points.All(p => Math.Abs(next.EndPoint(p.RatePerHour) - p.Celsius) <= Within))
                break;
            best = next;
        }
        return best;
    }

    private static double WeightOf(ConePoint point, double at60) => point.RatePerHour == 60 ? at60 : 1;

    private static ConeKinetics KissingerLine(IReadOnlyList<ConePoint> points)
    {
        double sw = 0,
            sx = 0,
            sy = 0,
            sxx = 0,
            sxy = 0;
        foreach (var point in points)
        {
            var kelvin = point.Celsius + 273.15;
            var (w, x, y) = (WeightOf(point, FirstWeight), 1 / kelvin, Math.Log(point.RatePerHour / (kelvin * kelvin)));
            (sw, sx, sy, sxx, sxy) = (sw + w, sx + w * x, sy + w * y, sxx + w * x * x, sxy + w * x * y);
        }
        var slope = (sw * sxy - sx * sy) / (sw * sxx - sx * sx);
        // The line's constant is ln(A/Theta) where D reaches 1.
        return new ConeKinetics(-slope, (sy - slope * sx) / sw + Math.Log(-slope));
    }

    private static ConeKinetics Refine(ConeKinetics start, IReadOnlyList<ConePoint> points, double weightAt60)
    {
        // Theta and LnA slide along each other; Theta and the logarithm of the rate near the end points do not.
        var reference = points.Average(p => p.Celsius) + 273.15;
        var (theta, level) = (start.Theta, start.LnA - start.Theta / reference);
        for (var round = 0; round < 30; round++)
        {
            var residuals = Residuals(theta, level, reference, points);
            var byTheta = Slopes(Residuals(theta * 1.0001, level, reference, points), residuals, theta * 1e-4);
            var byLevel = Slopes(Residuals(theta, level + 1e-3, reference, points), residuals, 1e-3);
            double tt = 0,
                tl = 0,
                ll = 0,
                tr = 0,
                lr = 0;
            for (var i = 0; i < points.Count; i++)
            {
                var w = WeightOf(points[i], weightAt60);
                tt += w * byTheta[i] * byTheta[i];
                tl += w * byTheta[i] * byLevel[i];
                ll += w * byLevel[i] * byLevel[i];
                tr += w * byTheta[i] * residuals[i];
                lr += w * byLevel[i] * residuals[i];
            }
            var determinant = tt * ll - tl * tl;
            var stepTheta = (tl * lr - ll * tr) / determinant;
            theta += stepTheta;
            level += (tl * tr - tt * lr) / determinant;
            if (Math.Abs(stepTheta) < 1e-3)
                break;
        }
        return new ConeKinetics(theta, level + theta / reference);
    }

    private static double[] Residuals(double theta, double level, double reference, IReadOnlyList<ConePoint> points)
    {
        var kinetics = new ConeKinetics(theta, level + theta / reference);
        return [.. points.Select(p => kinetics.EndPoint(p.RatePerHour) - p.Celsius)];
    }

    private static double[] Slopes(double[] moved, double[] from, double by) => [.. moved.Zip(from, (a, b) => (a - b) / by)];
}
