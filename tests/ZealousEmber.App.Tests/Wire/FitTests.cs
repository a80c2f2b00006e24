using System.Globalization;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Logs as loggers write them, put through the program's own kilns.</summary>
public sealed class FitTests(SharedStudio studio)
{
    private sealed record Row(double Minute, double Celsius, double Share);

    /// <summary>A firing of a kiln that stores 15 % more and leaks 10 % less than its class, every five minutes.</summary>
    private async Task<List<Row>> Fired()
    {
        var kiln = new JsonObject
        {
            ["class"] = "top-190",
            ["heatFactor"] = 115,
            ["lossFactor"] = 90,
        };
        var schedule = Wire.Schedule(Wire.Step(100, 200), Wire.Step(200, 1120), Wire.Step(60, 1222, 10), Wire.Step(null, null, pace: "natural"));
        var answer = await (await studio.Http.Preview(schedule, r => r["kiln"] = kiln)).Read();
        var curve = answer["curve"]!.AsArray().Select(p => (M: p!.Number("minute"), T: p!.Number("temperature"))).ToList();
        var duty = answer["kiln"]!["duty"]!.AsArray().Select(d => d!.GetValue<double>()).ToList();
        double At(double minute)
        {
            var i = curve.FindIndex(p => p.M >= minute);
            if (i <= 0)
                return curve[0].T;
            var (a, b) = (curve[i - 1], curve[i]);
            return b.M > a.M ? a.T + (b.T - a.T) * (minute - a.M) / (b.M - a.M) : b.T;
        }
        return [.. Enumerable.Range(0, (int)(curve[^1].M / 5)).Select(i => new Row(i * 5, Math.Round(At(i * 5 - 1.5), 1), i < duty.Count ? duty[i] : 0))];
    }

    private async Task<int> Kiln() =>
        (int)(await (await studio.Http.PostAsJsonAsync("/api/kilns", new JsonObject { ["name"] = "Teal", ["class"] = "top-190" })).Read(201))["id"]!;

    private static string Csv(IEnumerable<Row> rows, string heading, Func<Row, string> line) =>
        rows.Aggregate(new StringBuilder(heading + "\n"), (text, row) => text.Append(line(row)).Append('\n')).ToString();

    private static string N(double value) => value.ToString("0.###", CultureInfo.InvariantCulture);

    private async Task<HttpResponseMessage> Fit(int id, string csv, Action<JsonObject>? more = null, string what = "kiln")
    {
        var log = new JsonObject { ["csv"] = csv };
        more?.Invoke(log);
        return await studio.Http.PostAsJsonAsync($"/api/kilns/{id}/fit", new JsonObject { ["what"] = what, ["logs"] = new JsonArray(log) });
    }

    [Fact]
    public async Task A_kiln_is_learned_from_its_log_and_nothing_is_kept_until_it_is_saved()
    {
        var id = await Kiln();
        var csv = Csv(await Fired(), "minute,temperature,power", r => $"{N(r.Minute)},{N(r.Celsius)},{N(r.Share)}");
        var learned = await (await Fit(id, csv)).Read();
        learned["heat"]!.Number("after").ShouldBe(115, 3);
        learned["loss"]!.Number("after").ShouldBe(90, 3);
        learned["kiln"]!.Number("uncertainty").ShouldBeLessThan(10);
        var log = learned["logs"]![0]!;
        log["understood"]!.GetValue<string>().ShouldContain("time in minutes, °C, with the power share");
        log.Number("missAfter").ShouldBeLessThan(log.Number("missBefore") / 4);
        (await (await studio.Http.GetAsync($"/api/kilns/{id}")).Read())["kiln"]!.Number("heatFactor").ShouldBe(100);
    }

    [Fact]
    public async Task Logs_are_read_as_they_come()
    {
        var id = await Kiln();
        var rows = await Fired();
        string F(double celsius) => N(celsius * 9 / 5 + 32);
        var forms = new (string Csv, string Understood)[]
        {
            (
                Csv(rows, "Elapsed (h);Chamber °C;Output %", r =>
                    $"{N(r.Minute / 60).Replace('.', ',')};{N(r.Celsius).Replace('.', ',')};{N(r.Share * 100).Replace('.', ',')}"
                ),
                "time in hours, °C, with the power share"
            ),
            (
                Csv(rows, "time\ttemp (F)\tpower", r => $"{(int)r.Minute / 60}:{(int)r.Minute % 60:00}\t{F(r.Celsius)}\t{N(r.Share)}"),
                "hours and minutes, °F, with the power share"
            ),
            (
                Csv(rows, "date,temperature,power", r =>
                    $"{new DateTime(2026, 3, 28, 18, 0, 0).AddMinutes(r.Minute):yyyy-MM-dd HH:mm},{F(r.Celsius)},{N(r.Share)}"
                ),
                "dates, °F, with the power share"
            ),
            ("\uFEFF" + Csv(rows, "seconds,actual,power", r => $"{N(r.Minute * 60)},{N(r.Celsius)},{N(r.Share)}"), "time in seconds, °C, with the power share"),
        };
        foreach (var (csv, understood) in forms)
        {
            var learned = await (await Fit(id, csv)).Read();
            learned["logs"]![0]!["understood"]!.GetValue<string>().ShouldContain(understood);
            learned["heat"]!.Number("after").ShouldBe(115, 3, understood);
        }
    }

    [Fact]
    public async Task Points_do_as_well_as_text()
    {
        var id = await Kiln();
        var points = new JsonArray([
            .. (await Fired()).Select(r => new JsonObject
            {
                ["minute"] = r.Minute,
                ["temperature"] = r.Celsius,
                ["power"] = r.Share,
            }),
        ]);
        var learned = await (
            await studio.Http.PostAsJsonAsync($"/api/kilns/{id}/fit", new JsonObject { ["logs"] = new JsonArray(new JsonObject { ["points"] = points }) })
        ).Read();
        learned["heat"]!.Number("after").ShouldBe(115, 3);
    }

    [Fact]
    public async Task Temperatures_alone_need_to_be_told_when_the_power_went_off()
    {
        var id = await Kiln();
        var rows = await Fired();
        var csv = Csv(rows, "minute,temperature", r => $"{N(r.Minute)},{N(r.Celsius)}");
        (await (await Fit(id, csv)).Problem("logs[0].offAtMinute")).ShouldContain("temperatures only");
        var off = rows.Last(r => r.Share > 0).Minute + 5;
        (await (await Fit(id, csv, log => log["offAtMinute"] = off)).Read())["notes"]!
            .AsArray()
            .Select(n => n!.GetValue<string>())
            .ShouldContain(n => n.Contains("cooling"));
    }

    [Theory]
    [InlineData("", "csv", "empty")]
    [InlineData("minute,temperature\n", "csv", "only one line")]
    [InlineData("minute,colour\n1,red\n", "csv", "a time and a temperature")]
    [InlineData("1,20\n2,x\n3,40\n", "csv", "line 2: No temperature")]
    [InlineData("minute,temperature\nsoon,20\n2,30\n", "csv", "at least 20 readings")]
    [InlineData("minute,temperature\n1,20\n2,99999\n", "csv", "No kiln is at")]
    [InlineData("minute,temperature\n1,20\n2,30\n3,40\n", "csv", "at least 20 readings")]
    public async Task A_log_that_cannot_be_read_says_where(string csv, string field, string says) =>
        (await (await Fit(await Kiln(), csv)).Problem($"logs[0].{field}")).ShouldContain(says);

    [Fact]
    public async Task Swapped_columns_are_seen()
    {
        var rows = (await Fired()).Take(100).ToList();
        var csv = Csv([.. rows, .. rows.Select(r => r with { Minute = r.Minute + 500, Celsius = 900 - r.Minute })], "time,temperature", r =>
            $"{N(r.Celsius)},{N(r.Minute)}"
        );
        (await (await Fit(await Kiln(), csv)).Problem("logs[0].csv")).ShouldContain("swapped");
    }

    [Fact]
    public async Task Too_much_is_refused_before_it_is_read()
    {
        var answer = await Fit(await Kiln(), new string('1', 17_000_000));
        ((int)answer.StatusCode).ShouldBe(413);
        await (await studio.Http.PostAsJsonAsync("/api/kilns/99999/fit", new JsonObject())).Read(404);
        await (await studio.Http.PostAsJsonAsync($"/api/kilns/{await Kiln()}/fit", new JsonObject())).Problem("logs");
        await (await Fit(await Kiln(), "x", what: "everything")).Problem("what");
    }
}
