using System.Globalization;
using System.Text;
using ZealousEmber.App.Wire;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Hosting;

/// <summary>
/// Lists and numbers of the core that the pages need at hand, written as TypeScript: <c>--vocabulary=FILE</c>. The file is kept, and a check says whether it
/// is current.
/// </summary>
internal static class Vocabulary
{
    private const int MostBend = 119;
    private const double Step = 0.25;

    public static string Write()
    {
        var text = new StringBuilder(
            "// Written by the program from its core: dotnet run --project src/ZealousEmber.App -- --vocabulary=web/src/lib/api/vocabulary.ts\n"
        );
        Ids(text, "Every alarm there is.", "alarmIds", "AlarmId", AlarmWords.Ids);
        Ids(text, "Every fault of ware there is.", "faultIds", "FaultId", FaultRules.Faults);
        text.Append("\n/** The colour of a hot chamber, by eye; °C. */\nexport const colours = [\n");
        text.AppendJoin(
            ",\n",
            EyeColour.All.Select(c => string.Create(CultureInfo.InvariantCulture, $"  {{ id: '{c.Id}', name: '{c.Name}', celsius: {c.Celsius} }}"))
        );
        text.Append("\n] as const;\n");
        text.Append(
            CultureInfo.InvariantCulture,
            $"\n/** Degrees a cone is set at, and past which it is called flat. */\nexport const coneBend = {{ setAt: {Upright}, flat: {ConeBend.Flat} }};\n"
        );
        text.Append(
            CultureInfo.InvariantCulture,
            $"\n/** Heat work, 1 for a cone that is down, that bends a cone so far: for each degree from {Upright} to {MostBend}. */"
        );
        text.Append("\nexport const workAtBend = [\n");
        var works = Enumerable.Range(Upright, MostBend - Upright + 1).Select(d => ConeBend.ProgressAt(d).ToString("0.#####", CultureInfo.InvariantCulture));
        text.AppendJoin(",\n", works.Chunk(10).Select(row => "  " + string.Join(", ", row))).Append("\n];\n");
        text.Append("\n/** What a bend is called, from so many degrees on. */\nexport const bendWords = [\n");
        text.AppendJoin(",\n", Called().Select(c => string.Create(CultureInfo.InvariantCulture, $"  {{ from: {c.From}, words: '{c.Words}' }}")));
        text.Append("\n] as const;\n");
        text.Append(
            CultureInfo.InvariantCulture,
            $"\n/** How far apart pieces of a stack stand: a nest's least, its share of the height, the gap of spacers; mm. */\n"
        );
        text.Append(
            CultureInfo.InvariantCulture,
            $"export const stackStep = {{ nestLeast: {Piece.LeastNestStep}, nestShare: {Piece.NestShare}, spacerGap: {Piece.SpacerGap} }};\n"
        );
        text.Append(CultureInfo.InvariantCulture, $"\n/** Degrees Fahrenheit to a kelvin, and where water freezes. */\n");
        text.Append(CultureInfo.InvariantCulture, $"export const fahrenheit = {{ perKelvin: {PerKelvin}, freezing: {Freezing} }};\n");
        text.Append("\n/** What people call the air, each from a λ on, the richest first. */\nexport const airBands = [\n");
        var bands = AirAim.Bands.Select(b => (b.From, Id: WireEnums.Word(b.Band))).Prepend((From: 0, Id: "soot"));
        text.AppendJoin(",\n", bands.Select(b => string.Create(CultureInfo.InvariantCulture, $"  {{ id: '{b.Id}', from: {b.From} }}")))
            .Append("\n] as const;\n");
        return text.ToString();
    }

    private static double Freezing => Temperature.FromCelsius(0).In(TemperatureUnit.Fahrenheit);

    private static double PerKelvin => TemperatureDifference.FromKelvins(1).In(TemperatureUnit.Fahrenheit);

    private static IEnumerable<(double From, string Words)> Called()
    {
        string? before = null;
        for (var degrees = 0.0; degrees <= MostBend; degrees += Step)
        {
            var words = ConeBend.Phrase(ConeBend.ProgressAt(degrees));
            if (words != before)
                yield return (degrees, words);
            before = words;
        }
    }

    private static int Upright => (int)Math.Round(ConeBend.Degrees(0));

    private static void Ids(StringBuilder text, string what, string name, string type, IEnumerable<string> ids) =>
        text.Append(CultureInfo.InvariantCulture, $"\n/** {what} */\nexport const {name} = [\n")
            .AppendJoin(",\n", ids.Select(id => $"  '{id}'"))
            .Append(CultureInfo.InvariantCulture, $"\n] as const;\nexport type {type} = (typeof {name})[number];\n");
}
