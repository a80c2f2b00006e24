namespace ZealousEmber.Core.Kilns.Thermal;

/// <summary>A kiln wall cut into nodes.</summary>
internal static class WallMesh
{
    // The mesh is finer at the hot face, where a change of the chamber is felt first.
    private const double Grading = 1.12;

    /// <summary>Nodes on both faces, half cells at the ends, one node on every joint; each interval a little wider than the one inside it.</summary>
    public static (double[] Conductance0, double[] Conductance1, double[] Capacity) Of(ThermalBody body, int nodes)
    {
        var layers = body.Wall;
        var area = Math.Sqrt(body.InnerArea * body.OuterArea);
        var total = layers.Sum(l => l.Thickness);
        var (c0, c1, capacity) = (new double[nodes - 1], new double[nodes - 1], new double[nodes]);
        var at = 0;
        for (var l = 0; l < layers.Length; l++)
        {
            var layer = layers[l];
            var left = nodes - 1 - at;
            var share = l == layers.Length - 1 ? left : Math.Clamp((int)Math.Round((nodes - 1) * layer.Thickness / total), 2, left - 2);
            var first = layer.Thickness * (Grading - 1) / (Math.Pow(Grading, share) - 1);
            for (var i = 0; i < share; i++, at++)
            {
                var dx = first * Math.Pow(Grading, i);
                c0[at] = area * layer.Conductivity0 / dx;
                c1[at] = area * layer.Conductivity1 / (2 * dx);
                capacity[at] += area * layer.Density * layer.HeatCapacity * dx / 2;
                capacity[at + 1] += area * layer.Density * layer.HeatCapacity * dx / 2;
            }
        }
        return (c0, c1, capacity);
    }
}
