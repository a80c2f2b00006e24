using System.Globalization;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;

namespace ZealousEmber.App.Tests.Live;

/// <summary>Logs as loggers, spreadsheets and people elsewhere write them: one firing in every shape, and the same firing is read.</summary>
public sealed class LogShapesTests(SharedStudio studio)
{
    private const int Minutes = 1500;
    private static readonly DateTimeOffset Start = new(2026, 3, 3, 15, 30, 0, TimeSpan.Zero);
    private static readonly CultureInfo Dot = CultureInfo.InvariantCulture;
    private static readonly NumberFormatInfo Comma = new() { NumberDecimalSeparator = ",", NumberGroupSeparator = "." };

    private static double C(int i) => i <= 600 ? 20 + i * 1.75 : 1070 - (i - 600) * 0.7;

    private static double F(int i) => C(i) * 1.8 + 32;

    private static string Every(int step, Func<int, string> line) => string.Join('\n', Enumerable.Range(0, Minutes / step).Select(k => line(k * step))) + "\n";

    private static string N(double v, string format = "0.0") => v.ToString(format, Dot);

    private static string T(int i, string format) => Start.AddMinutes(i).ToString(format, Dot);

    private static string Clock(int i) => $"{i / 60}:{i % 60:00}";

    /// <summary>Name, text, minutes between readings, what is asked besides.</summary>
    private static readonly (string Name, string Text, int Step, string? Asked)[] Shapes =
    [
        ("minutes and degrees, named", "minute,temperature\n" + Every(2, i => $"{i},{N(C(i))}"), 2, "firstAt"),
        ("decimal commas, thousands points", "Datum;Temperatur\n" + Every(2, i => $"{T(i, "dd.MM.yyyy HH:mm")};{C(i).ToString("#,##0.0", Comma)}"), 2, null),
        ("tabs and months by name", "When\tChamber °C\n" + Every(2, i => $"{T(i, "d MMM yyyy HH:mm")}\t{N(C(i))}"), 2, null),
        ("a table with bars", "| time | temp |\n|---|---|\n" + Every(2, i => $"| {T(i, "yyyy-MM-dd HH:mm")} | {N(C(i))} |"), 2, null),
        (
            "lines before the heading, units below it",
            "Kiln log 4711\nSerial number,12345,2\nProgram:,Bisque 06\n\nDate,Time,Set point,Display,Output\n,,°C,°C,%\n"
                + Every(2, i => $"{T(i, "yyyy/MM/dd")},{T(i, "HH:mm:ss")},{N(C(i) + 2)},{N(C(i))},{(i < 600 ? 55 : 0)}"),
            2,
            null
        ),
        ("times of day past midnight", "clock;kiln\n" + Every(2, i => $"{T(i, "HH:mm")};{N(C(i), "0")}"), 2, "firstDay"),
        ("afternoons past midnight", "Time,Reading\n" + Every(2, i => $"{T(i, "h:mm tt")},{N(C(i), "0")}"), 2, "firstDay"),
        ("°F that nobody says, months first", "When,Temp\n" + Every(2, i => $"{T(i, "M/d/yyyy h:mm tt")},{N(F(i), "0")}"), 2, "unit"),
        ("°F in the heading", "Time (min),Temp (F)\n" + Every(2, i => $"{i},{N(F(i))}"), 2, "firstAt"),
        ("units in every cell", "time,value\n" + Every(2, i => $"{T(i, "yyyy-MM-dd HH:mm")},{N(C(i), "0")} °C"), 2, null),
        (
            "thousands in quotation marks",
            "\"Timestamp\",\"Temperature\"\n" + Every(2, i => $"\"{T(i, "yyyy-MM-dd HH:mm:ss")}\",\"{C(i).ToString("#,##0.00", Dot)}\""),
            2,
            null
        ),
        ("thousands points and nothing else", "Zeit;Ist\n" + Every(2, i => $"{T(i, "dd.MM.yy HH:mm")};{C(i).ToString("#,##0", Comma)}"), 2, null),
        ("milliseconds since 1970", "ts,temp_c\n" + Every(2, i => $"{Start.AddMinutes(i).ToUnixTimeMilliseconds()},{N(C(i))}"), 2, null),
        (
            "offsets told",
            "timestamp;celsius\n" + Every(2, i => $"{Start.AddMinutes(i).ToOffset(TimeSpan.FromHours(2)):yyyy-MM-dd'T'HH:mm:sszzz};{N(C(i))}"),
            2,
            null
        ),
        (
            "days of a spreadsheet",
            "Date,Kiln\n" + Every(2, i => $"{N((Start.AddMinutes(i).DateTime - new DateTime(1899, 12, 30)).TotalDays, "0.000000")},{N(C(i))}"),
            2,
            null
        ),
        ("hours and minutes gone by, over a day", "elapsed,temp\n" + Every(5, i => $"{Clock(i)},{N(C(i))}"), 5, "firstAt"),
        ("gone by with seconds, from nothing", Every(5, i => $"{i / 60:00}:{i % 60:00}:00;{N(C(i))}"), 5, "firstAt"),
        (
            "a day written once",
            "Day,Time,T1\n" + Every(5, i => $"{(i == 0 || T(i, "HH:mm") == "00:00" ? T(i, "yyyy-MM-dd") : "")},{T(i, "HH:mm")},{N(C(i))}"),
            5,
            null
        ),
        ("blanks between", "date time temp\n" + Every(5, i => $"{T(i, "yyyy-MM-dd")}   {T(i, "HH:mm")}  {N(C(i))}"), 5, null),
        ("numbered lines without a heading", Every(5, i => $"{i / 5 + 1},{i},{N(C(i))}"), 5, "firstAt"),
        (
            "German headings",
            "Zeit;Sollwert;Istwert;Leistung %\n" + Every(5, i => $"{T(i, "dd.MM.yyyy HH:mm")};{N(C(i) + 5).Replace('.', ',')};{N(C(i)).Replace('.', ',')};40"),
            5,
            null
        ),
        ("French time, like a temperature", "Temps (min);Température\n" + Every(5, i => $"{i};{N(C(i)).Replace('.', ',')}"), 5, "firstAt"),
        ("a separator named first", "sep=;\nhours;temp\n" + Every(5, i => $"{N(i / 60.0, "0.0000")};{N(C(i))}"), 5, "firstAt"),
        (
            "the room beside the kiln",
            "Time,Ambient temp,Room,Kiln temp,Set temp\n" + Every(5, i => $"{T(i, "yyyy-MM-dd HH:mm")},19.5,20,{N(C(i))},{N(C(i) + 3)}"),
            5,
            null
        ),
    ];

    public static TheoryData<string> Names => [.. Shapes.Select(s => s.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public async Task The_same_firing_is_read_in_every_shape(string name)
    {
        var (_, text, step, asked) = Shapes.Single(s => s.Name == name);
        var http = studio.Http;
        var firing = (await http.Plan()).Firing;
        var look = await (await http.PostAsJsonAsync($"/api/firings/{firing}/log/look", new JsonObject { ["head"] = text })).Read();
        look["asks"]!.AsArray().Select(a => a!["field"]!.GetValue<string>()).ShouldBe(asked is null ? Array.Empty<string>() : [asked], look.ToJsonString());
        var reading = look["reading"]!;
        reading["zone"] = "UTC";
        if (asked == "firstAt")
            reading["firstAt"] = Start.ToString("O");
        if (asked == "firstDay")
            reading["firstDay"] = "2026-03-03";
        var tried = await (
            await http.PutAsync(
                $"/api/firings/{firing}/log?try=true&reading={Uri.EscapeDataString(reading.ToJsonString())}",
                new StringContent(text, Encoding.UTF8, "text/csv")
            )
        ).Read();
        (tried.Number("readings"), tried.Number("skipped"), tried.Number("gaps")).ShouldBe((Minutes / step, 0, 0), tried.ToJsonString());
        Moment(tried, "from").ShouldBe(Start, TimeSpan.FromSeconds(30));
        Moment(tried, "to").ShouldBe(Start.AddMinutes(Minutes - step), TimeSpan.FromSeconds(30));
        tried.Number("hottest").ShouldBe(C(600), 0.6);
        tried.Number("last").ShouldBe(C(Minutes - step), 0.6);
        tried["run"].ShouldBeNull();
        (await http.GetAsync($"/api/firings/{firing}/log")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound, "it was only tried");
    }

    [Fact]
    public async Task What_cannot_be_read_is_told_line_by_line_before_anything_is_taken()
    {
        var http = studio.Http;
        var firing = (await http.Plan()).Firing;
        var text = "minute,temp\n" + Every(5, i => i is 50 or 55 ? "lid opened,look" : $"{i},{N(C(i))}") + "end of log\n";
        var reading = (await (await http.PostAsJsonAsync($"/api/firings/{firing}/log/look", new JsonObject { ["head"] = text })).Read())["reading"]!;
        reading["firstAt"] = Start.ToString("O");
        string Address(string more) => $"/api/firings/{firing}/log?{more}reading={Uri.EscapeDataString(reading.ToJsonString())}";
        var tried = await (await http.PutAsync(Address("try=true&"), new StringContent(text))).Read();
        tried["firstSkipped"]!.AsArray().Select(s => s!.Number("line")).ShouldBe([12, 13, 302]);
        var taken = await (await http.PutAsync(Address(""), new StringContent(text))).Read();
        (taken.Number("readings"), taken.Number("added")).ShouldBe((298, 298));
        // It ends at 440 °C: when it was opened nobody says.
        taken["run"]!["state"]!.GetValue<string>().ShouldBe("opened");
        Moment(taken["run"]!, "openedAt").ShouldBeGreaterThan(Start.AddMinutes(Minutes + 120));
        var read = await http.Get($"/api/firings/{firing}/reading");
        read.ToJsonString().ShouldNotContain("opened at 44");
    }

    [Fact]
    public async Task The_kiln_page_reads_logs_by_the_same_reader()
    {
        var http = studio.Http;
        var kiln = (await http.Plan()).Kiln;
        foreach (var (name, text, _, _) in Shapes)
        {
            var answer = await http.PostAsJsonAsync(
                $"/api/kilns/{kiln}/fit",
                new JsonObject { ["what"] = "kiln", ["logs"] = new JsonArray(new JsonObject { ["csv"] = text, ["offAtMinute"] = -1 }) }
            );
            var said = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
            // Read whole: what is refused is only the hour the power went off.
            said.ShouldNotContain("logs[0].csv", customMessage: name);
        }
    }

    [Fact]
    public async Task The_log_of_a_gas_kiln_counts_in_its_figures()
    {
        var http = studio.Http;
        var (kiln, firing) = await http.Plan(kilnClass: "updraft-300");
        var text = "time,kiln\n" + Every(5, i => $"{T(i, "yyyy-MM-dd HH:mm")},{N(C(i))}");
        var reading = (await (await http.PostAsJsonAsync($"/api/firings/{firing}/log/look", new JsonObject { ["head"] = text })).Read())["reading"]!;
        reading["zone"] = "UTC";
        await (await http.PutAsync($"/api/firings/{firing}/log?reading={Uri.EscapeDataString(reading.ToJsonString())}", new StringContent(text))).Read();
        var read = await http.Get($"/api/firings/{firing}/reading");
        read["hasLog"]!.GetValue<bool>().ShouldBeTrue();
        read["faults"]!.AsArray().Select(f => f!.GetValue<string>()).ShouldContain("carbon-trapped");
        var told = (await http.Get($"/api/logbook?kiln={kiln}"))["firings"]!.AsArray().Single()!;
        told["figures"]!.Number("top").ShouldBe(C(600), 5);
        told["curve"]!.AsArray().ShouldNotBeEmpty();
    }

    private static DateTimeOffset Moment(JsonNode node, string field) => DateTimeOffset.Parse(node[field]!.GetValue<string>(), Dot);
}
