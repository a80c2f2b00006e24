using System.Globalization;
using System.Text;
using ZealousEmber.Core.Cones;

namespace ZealousEmber.Bench;

/// <summary>Writes how far each fitted cone is from its published points: a table and a plot for docs/model.md.</summary>
internal static class ResidualReport
{
    public static void Write(string folder)
    {
        File.WriteAllText(Path.Combine(folder, "cone-residuals.md"), Table());
        File.WriteAllText(Path.Combine(folder, "cone-residuals.svg"), Plot());
    }

    private static string Table()
    {
        var text = new StringBuilder(
            "# Fitted cones\n\nMade by `dotnet run -c Release --project bench/ZealousEmber.Bench -- residuals docs`; do not edit. Fitted minus published end point, K.\n\n"
        );
        text.Append("| cone | θ, K | ln A (per hour) | 15 °C/h | 60 °C/h | 150 °C/h |\n|---|---|---|---|---|---|\n");
        foreach (var entry in ConeTable.All)
        {
            string At(double rate) =>
                entry
                    .Points.Zip(entry.Residuals)
                    .Where(p => p.First.RatePerHour == rate)
                    .Select(p => p.Second.ToString("+0.0;−0.0;0.0", CultureInfo.InvariantCulture))
                    .FirstOrDefault("–");
            text.Append(
                CultureInfo.InvariantCulture,
                $"| {entry.Cone} | {entry.Kinetics.Theta:0} | {entry.Kinetics.LnA:0.00} | {At(15)} | {At(60)} | {At(150)} |\n"
            );
        }
        return text.ToString();
    }

    private static string Plot()
    {
        const int left = 40,
            step = 21,
            middle = 130;
        const double perKelvin = 22;
        var svg = new StringBuilder();
        var width = left + step * ConeTable.All.Length + 16;
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 {width} 270\" font-family=\"sans-serif\" font-size=\"11\"><rect width=\"{width}\" height=\"270\" fill=\"#fffdf9\"/>\n"
        );
        foreach (var kelvin in new[] { -4, -2.5, 0, 2.5, 4 })
        {
            var y = middle - kelvin * perKelvin;
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<line x1=\"{left}\" x2=\"{width - 8}\" y1=\"{y}\" y2=\"{y}\" stroke=\"#cdbba5\"{(kelvin == 0 ? "" : " stroke-dasharray=\"3 4\"")}/><text x=\"{left - 6}\" y=\"{y + 4}\" text-anchor=\"end\" fill=\"#6b6056\">{kelvin.ToString("+0.0;−0.0;0", CultureInfo.InvariantCulture)} K</text>\n"
            );
        }
        foreach (var (i, entry) in ConeTable.All.Index())
        {
            var x = left + step * i + 12;
            foreach (var (point, residual) in entry.Points.Zip(entry.Residuals))
            {
                var colour = point.RatePerHour switch
                {
                    15 => "#2f5d8a",
                    60 => "#a94b25",
                    _ => "#b98a2c",
                };
                svg.Append(
                    CultureInfo.InvariantCulture,
                    $"<circle cx=\"{x}\" cy=\"{middle - residual * perKelvin:0.0}\" r=\"{(point.RatePerHour == 60 ? 4 : 3)}\" fill=\"{colour}\"/>"
                );
            }
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<text x=\"{x}\" y=\"246\" text-anchor=\"middle\" font-size=\"9.5\" fill=\"#2a2420\">{entry.Cone}</text>\n"
            );
        }
        svg.Append(
            "<text x=\"44\" y=\"264\" fill=\"#2f5d8a\">● 15 °C/h</text><text x=\"124\" y=\"264\" fill=\"#a94b25\">● 60 °C/h</text><text x=\"204\" y=\"264\" fill=\"#b98a2c\">● 150 °C/h</text></svg>\n"
        );
        return svg.ToString();
    }
}
