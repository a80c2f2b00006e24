using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns;

/// <summary>What is to be added to the display to be true: K at 1150 °C, and how much more for each 200 K above.</summary>
/// <param name="At1150">K.</param>
/// <param name="Per200">K.</param>
/// <param name="Sd">How sure at the goals it was read at, K.</param>
/// <param name="Packs">Packs behind it.</param>
public sealed record DisplayOffset(double At1150, double Per200, double Sd, int Packs = 0)
{
    // Below this no cone moves, and nobody has read what a thermocouple does there.
    private const double Counts = 500;

    /// <summary>At a temperature on show, K.</summary>
    public double At(double celsius) => At1150 + Per200 * (celsius - 1150) / 200;

    /// <summary>At the end point of a cone, K.</summary>
    public double At(Cone goal) => At(ConeTable.Of(goal).At60);

    /// <summary>What the ware got where the display showed this.</summary>
    public Curve True(Curve shown)
    {
        var points = new CurvePoint[shown.Points.Length];
        for (var i = 0; i < points.Length; i++)
        {
            var p = shown.Points[i];
            points[i] = p.Celsius < Counts ? p : p with { Celsius = p.Celsius + At(p.Celsius) };
        }
        return new Curve(points);
    }
}

/// <summary>What the ware gets of what a kiln's display shows.</summary>
public static class KilnHeat
{
    /// <summary>A curve as the ware got it: the very same where nothing is known of the display.</summary>
    public static Curve Felt(this IKilnModel kiln, Curve shown) => kiln.Offset is { } offset ? offset.True(shown) : shown;

    /// <summary>Times with the curve as the ware gets it: what cones are solved with.</summary>
    public static Result<CompiledSchedule> FeltTimes(this IKilnModel kiln, FiringProgram program)
    {
        var times = kiln.Times(program);
        return times.IsOk && kiln.Offset is { } offset ? times.Value with { Curve = offset.True(times.Value.Curve) } : times;
    }
}
