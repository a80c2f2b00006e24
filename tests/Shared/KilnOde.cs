using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.OdeSolvers;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;

namespace ZealousEmber.Tests;

/// <summary>
/// The kiln model paper's equations written a second time, straight from the paper, for a general Runge–Kutta solver: a kiln that is
/// hot through and through and cools with the power off. What the quick model is held against.
/// </summary>
public static class KilnOde
{
    /// <summary>Chamber temperatures at even times, the first at the start.</summary>
    /// <param name="kiln">One brick layer.</param>
    /// <param name="load">Fired ware.</param>
    /// <param name="hot">Temperature of everything at the start, °C.</param>
    /// <param name="hours">How long.</param>
    /// <param name="points">How many times, the solver's steps among them.</param>
    /// <param name="nodes">Nodes through the wall, evenly spaced.</param>
    public static double[] Cooling(Kiln kiln, KilnLoad load, double hot, double hours, int points, int nodes)
    {
        var brick = kiln.Wall.Single();
        var (area, dx, room) = (Math.Sqrt(kiln.InnerArea * kiln.OuterArea), brick.Thickness / (nodes - 1), kiln.Room.Celsius);
        Vector<double> Slopes(double t, Vector<double> y)
        {
            var dy = Vector<double>.Build.Dense(nodes + 1);
            double Kelvin(int i) => y[i] + 273.15;
            double Flow(int i) => area * (brick.Conductivity0 + brick.Conductivity1 * (y[i] + y[i + 1]) / 2) / dx * (y[i] - y[i + 1]);
            var inner = kiln.InnerArea * (8 + 0.7 * 5.670374e-8 * (Kelvin(0) * Kelvin(0) + Kelvin(1) * Kelvin(1)) * (Kelvin(0) + Kelvin(1))) * (y[0] - y[1]);
            dy[0] = -(inner + kiln.AirLoss * (y[0] - room)) / ((load.WareMass + load.FurnitureMass) * (850 + 0.22 * y[0]) + kiln.Skin);
            for (var i = 1; i <= nodes; i++)
            {
                var cell = area * brick.Density * brick.HeatCapacity * dx * (i == 1 || i == nodes ? 0.5 : 1);
                var into = i == 1 ? inner : Flow(i - 1);
                var outOf = i == nodes ? kiln.OuterArea * 12 * (y[i] - room) : Flow(i);
                dy[i] = (into - outOf) / cell;
            }
            return dy;
        }
        return [.. RungeKutta.FourthOrder(Vector<double>.Build.Dense(nodes + 1, hot), 0, hours * 3600, points, Slopes).Select(y => y[0])];
    }
}
