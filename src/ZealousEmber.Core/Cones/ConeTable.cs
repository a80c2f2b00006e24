using System.Collections.Immutable;
using System.Globalization;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Cones;

/// <summary>A published end point: the cone's tip level with its base after a steady climb.</summary>
/// <param name="RatePerHour">The climb, °C/h: 15, 60 or 150.</param>
/// <param name="Celsius">The end point, °C.</param>
public readonly record struct ConePoint(double RatePerHour, double Celsius);

/// <summary>A cone with its reference points and the rate fitted to them.</summary>
/// <param name="Cone">Which cone.</param>
/// <param name="Points">Two or three published points.</param>
/// <param name="Kinetics">The fitted rate.</param>
public sealed record ConeEntry(Cone Cone, ImmutableArray<ConePoint> Points, ConeKinetics Kinetics)
{
    /// <summary>The published end point at 60 °C/h, °C: what people mean by a cone's temperature.</summary>
    public double At60 => Points.First(p => p.RatePerHour == 60).Celsius;

    /// <summary>Fitted minus published end point for each point, K.</summary>
    public ImmutableArray<double> Residuals => [.. Points.Select(p => Kinetics.EndPoint(p.RatePerHour) - p.Celsius)];
}

/// <summary>
/// The reference data: widely published end points of large self-supporting cones, embedded as <c>cones.csv</c>, with
/// the fit made once when first asked for.
/// </summary>
public static class ConeTable
{
    private static readonly Lazy<ImmutableArray<ConeEntry>> Table = new(Read);

    /// <summary>All 38, coolest first, in the order of <see cref="Cone.All"/>.</summary>
    public static ImmutableArray<ConeEntry> All => Table.Value;

    /// <summary>One cone's entry.</summary>
    public static ConeEntry Of(Cone cone) => All[cone.Order];

    private static ImmutableArray<ConeEntry> Read()
    {
        using var stream = typeof(ConeTable).Assembly.GetManifestResourceStream("ZealousEmber.Core.Cones.cones.csv")!;
        using var reader = new StreamReader(stream);
        var rows = reader.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var rates = rows[0].Split(',').Skip(1).Select(name => double.Parse(name.Split('_')[2], CultureInfo.InvariantCulture)).ToArray();
        return [.. rows.Skip(1).Select(row => Entry(row.Split(','), rates)).OrderBy(e => e.Cone)];
    }

    private static ConeEntry Entry(string[] cells, double[] rates)
    {
        var points = ImmutableArray.CreateRange(
            rates.Zip(cells.Skip(1)).Where(p => p.Second.Length > 0).Select(p => new ConePoint(p.First, double.Parse(p.Second, CultureInfo.InvariantCulture)))
        );
        return new ConeEntry(ConeNumber.Parse(cells[0]).Value, points, ConeFit.To(points));
    }
}
