namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>
/// Pieces on a shelf as soft discs that push each other apart: the energy is the sum of every overlap squared, and it is let go by a
/// limited-memory quasi-Newton method (Nocedal 1980). The quasi-physical way of packing (Eur. J. Oper. Res. 141, 2002).
/// </summary>
internal sealed class Relaxer
{
    /// <summary>Pieces are this much too large while they push, mm,</summary>
    public const double Swollen = 0.03;

    /// <summary>and this much may still overlap then: in truth they are apart.</summary>
    public const double Accepted = 0.02;

    private const double MuchWorse = 1.2;

    private readonly ShelfSpace space;
    private readonly double gap;
    private readonly List<Body> bodies = [];
    private readonly List<double> tips = [];
    private double[] at = new double[96];
    private double[] px = [];
    private double[] py = [];
    private double[] cos = [];
    private double[] sin = [];
    private double[] squeezed = [];
    private readonly QuasiNewton steps = new();

    public Relaxer(ShelfSpace space, double gap) => (this.space, this.gap) = (space, gap);

    public int Count => bodies.Count;

    /// <summary>The worst overlap of the last look, swollen, mm.</summary>
    public double Worst { get; private set; }

    public bool IsFree => Worst < Accepted;

    public (double X, double Y, double Turn) PlaceOf(int i) => (at[3 * i], at[3 * i + 1], bodies[i].IsRound ? 0 : at[3 * i + 2] / bodies[i].R);

    public void Add(Body body, double x, double y, double turn = 0)
    {
        if (at.Length < 3 * (bodies.Count + 1))
            Array.Resize(ref at, at.Length * 2);
        var i = bodies.Count;
        bodies.Add(body);
        tips.Add(space.TipRadius(body.Height));
        (at[3 * i], at[3 * i + 1], at[3 * i + 2]) = (x, y, turn * body.R);
    }

    public void RemoveLast()
    {
        bodies.RemoveAt(bodies.Count - 1);
        tips.RemoveAt(tips.Count - 1);
    }

    public double[] Save() => at[..(3 * bodies.Count)];

    public void Restore(double[] saved) => saved.CopyTo(at, 0);

    /// <summary>The piece the others push hardest.</summary>
    public int MostSqueezed()
    {
        var most = 0;
        for (var i = 1; i < Count; i++)
        {
            if (squeezed[i] > squeezed[most])
                most = i;
        }
        return most;
    }

    /// <summary>The shelf with them on it, but for one.</summary>
    public Raster Now(double step, int without = -1)
    {
        var raster = new Raster(space, step);
        for (var i = 0; i < Count; i++)
        {
            if (i == without)
                continue;
            var (x, y, turn) = PlaceOf(i);
            raster.Put(bodies[i], x, y, turn, gap);
        }
        return raster;
    }

    /// <summary>
    /// Where they stick the most squeezed piece jumps to the emptiest place, so many times; a jump that makes it much worse is taken back, and is the last.
    /// </summary>
    /// <param name="energy">Where they stick, mm².</param>
    /// <param name="jumps">At most.</param>
    /// <param name="step">Of the raster, mm.</param>
    public double Jump(double energy, int jumps, double step)
    {
        for (var jump = 0; jump < jumps && !IsFree; jump++)
        {
            var (saved, was, stuck) = (Save(), energy, MostSqueezed());
            var (x, y) = Now(step, stuck).Emptiest(bodies[stuck].Foot, bodies[stuck].Height);
            (at[3 * stuck], at[3 * stuck + 1]) = (x, y);
            energy = Relax();
            if (IsFree || energy <= was * MuchWorse)
                continue;
            Restore(saved);
            return was;
        }
        return energy;
    }

    /// <summary>Lets them push until nothing overlaps, or nothing is gained; tells the energy, mm².</summary>
    public double Relax(int most = 80, double extra = 0)
    {
        var n = 3 * Count;
        if (n == 0)
            return Worst = 0;
        var parts = bodies.Sum(b => b.Parts.Length);
        if (px.Length < parts)
            (px, py) = (new double[parts], new double[parts]);
        if (squeezed.Length < Count)
            (squeezed, cos, sin) = (new double[Count + 16], new double[Count + 16], new double[Count + 16]);
        var energy = steps.Run(at, n, most, g => Look(g, extra));
        return energy;
    }

    /// <summary>The energy and its gradient where they stand.</summary>
    private (double Energy, bool Done) Look(double[] gradient, double extra)
    {
        var (energy, worst) = (0.0, 0.0);
        var n = Count;
        Array.Clear(gradient, 0, 3 * n);
        Array.Clear(squeezed, 0, n);
        for (int i = 0, p = 0; i < n; i++)
        {
            var body = bodies[i];
            var (x, y) = (at[3 * i], at[3 * i + 1]);
            if (body.IsRound)
                (px[p], py[p], cos[i], sin[i]) = (x, y, 1, 0);
            else
            {
                (sin[i], cos[i]) = Math.SinCos(at[3 * i + 2] / body.R);
                for (var k = 0; k < body.Parts.Length; k++)
                    (px[p + k], py[p + k]) = (x + body.Parts[k].X * cos[i], y + body.Parts[k].X * sin[i]);
            }
            p += body.Parts.Length;
        }
        for (int i = 0, p = 0; i < n; i++)
        {
            var body = bodies[i];
            var before = energy;
            double gx = 0,
                gy = 0;
            energy += space.Shelf.Push(at[3 * i], at[3 * i + 1], body.Foot + Swollen, ref gx, ref gy, ref worst);
            (gradient[3 * i], gradient[3 * i + 1]) = (gradient[3 * i] + gx, gradient[3 * i + 1] + gy);
            for (var k = 0; k < body.Parts.Length; k++)
            {
                (gx, gy) = (0, 0);
                energy += Fixed(px[p + k], py[p + k], body.Parts[k].R + Swollen, tips[i], ref gx, ref gy, ref worst);
                Turn(gradient, i, body.Parts[k].X, gx, gy);
            }
            squeezed[i] += energy - before;
            for (int j = 0, q = 0; j < i; j++)
            {
                var other = bodies[j];
                var reach = body.Reach + other.Reach + gap + extra + Swollen;
                double dx = at[3 * i] - at[3 * j],
                    dy = at[3 * i + 1] - at[3 * j + 1];
                if (dx * dx + dy * dy < reach * reach)
                    energy += Pair(gradient, i, p, body, j, q, other, extra, ref worst);
                q += other.Parts.Length;
            }
            p += body.Parts.Length;
        }
        Worst = worst;
        return (energy, worst < Accepted);
    }

    private double Fixed(double x, double y, double r, double tipRadius, ref double gx, ref double gy, ref double worst)
    {
        var energy = space.Ware.Push(x, y, r, ref gx, ref gy, ref worst);
        foreach (var disc in space.Discs)
            energy += Apart(x - disc.X, y - disc.Y, disc.R + r, ref gx, ref gy, ref worst);
        foreach (var bar in space.Bars)
        {
            var (dx, dy) = bar.From(x, y);
            energy += Apart(dx, dy, bar.R + r, ref gx, ref gy, ref worst);
        }
        foreach (var box in space.Boxes)
        {
            var (dx, dy) = box.From(x, y);
            if (dx == 0 && dy == 0)
            {
                // Inside: out by the nearest side.
                var (sx, sy) = (x < box.X ? -1 : 1, y < box.Y ? -1 : 1);
                double outX = box.HalfX - Math.Abs(x - box.X),
                    outY = box.HalfY - Math.Abs(y - box.Y);
                var over = Math.Min(outX, outY) + box.Margin + r;
                energy += over * over;
                if (over > worst)
                    worst = over;
                if (outX < outY)
                    gx -= 2 * over * sx;
                else
                    gy -= 2 * over * sy;
            }
            else
                energy += Apart(dx, dy, box.Margin + r, ref gx, ref gy, ref worst);
        }
        if (tipRadius > 0 && space.Tip is { } tip)
            energy += Apart(x - tip.X, y - tip.Y, tipRadius + r, ref gx, ref gy, ref worst);
        return energy;
    }

    private double Pair(double[] gradient, int i, int p, Body a, int j, int q, Body b, double extra, ref double worst)
    {
        var energy = 0.0;
        for (var k = 0; k < a.Parts.Length; k++)
        {
            for (var m = 0; m < b.Parts.Length; m++)
            {
                var least = a.Parts[k].R + b.Parts[m].R + gap + extra + Swollen;
                double dx = px[p + k] - px[q + m],
                    dy = py[p + k] - py[q + m];
                var square = dx * dx + dy * dy;
                if (square >= least * least)
                    continue;
                var d = Math.Sqrt(square);
                var over = least - d;
                energy += over * over;
                if (over > worst)
                    worst = over;
                var f = d > 1e-9 ? -2 * over / d : -2 * over;
                double gx = f * (d > 1e-9 ? dx : 1),
                    gy = f * (d > 1e-9 ? dy : 0);
                Turn(gradient, i, a.Parts[k].X, gx, gy);
                Turn(gradient, j, b.Parts[m].X, -gx, -gy);
            }
        }
        squeezed[i] += energy;
        squeezed[j] += energy;
        return energy;
    }

    /// <summary>A push on a part moves the piece, and turns it where the part is off its middle.</summary>
    private void Turn(double[] gradient, int i, double off, double gx, double gy)
    {
        gradient[3 * i] += gx;
        gradient[3 * i + 1] += gy;
        if (off != 0)
            gradient[3 * i + 2] += (-gx * sin[i] + gy * cos[i]) * off / bodies[i].R;
    }

    private static double Apart(double dx, double dy, double least, ref double gx, ref double gy, ref double worst)
    {
        var square = dx * dx + dy * dy;
        if (square >= least * least)
            return 0;
        var d = Math.Sqrt(square);
        var over = least - d;
        if (over > worst)
            worst = over;
        var f = d > 1e-9 ? -2 * over / d : -2 * over;
        (gx, gy) = (gx + f * (d > 1e-9 ? dx : 1), gy + f * (d > 1e-9 ? dy : 0));
        return over * over;
    }
}
