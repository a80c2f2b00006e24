using System.Globalization;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Live;

/// <summary>Whole logs, taken in after the firing: looked at, confirmed, kept.</summary>
public sealed class LogFileTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private static readonly DateTimeOffset Start = new(2026, 3, 3, 6, 0, 0, TimeSpan.Zero);

    private HttpClient Http => studio.Http;

    private static string Lines(string head, int count, Func<int, string> line) =>
        string.Join('\n', [.. head.Length > 0 ? new[] { head } : [], .. Enumerable.Range(0, count).Select(line), ""]);

    private static string N(double value) => value.ToString(CultureInfo.InvariantCulture);

    /// <summary>Up in seven hours, and down again.</summary>
    private static double Celsius(int i) => i <= 420 ? 20 + i * 2.83 : 1208.6 - (i - 420) * 1.5;

    private async Task<JsonNode> Look(int firing, string text, params string[] parts) =>
        await (
            await Http.PostAsJsonAsync(
                $"/api/firings/{firing}/log/look",
                new JsonObject { ["head"] = text[..Math.Min(text.Length, 4000)], ["parts"] = new JsonArray([.. parts.Select(p => JsonValue.Create(p))]) }
            )
        ).Read();

    private Task<HttpResponseMessage> Put(int firing, JsonNode reading, HttpContent body) =>
        Http.PutAsync($"/api/firings/{firing}/log?reading={Uri.EscapeDataString(reading.ToJsonString())}", body);

    private Task<HttpResponseMessage> Put(int firing, JsonNode reading, string text) =>
        Put(firing, reading, new StringContent(text, Encoding.UTF8, "text/csv"));

    private async Task<(int Kiln, int Firing)> Started(DateTimeOffset? at = null)
    {
        var plan = await Http.Plan();
        await (await Http.Start(plan.Firing, new JsonObject { ["link"] = "push", ["startsAt"] = at ?? Start })).Read(201);
        return plan;
    }

    private async Task<JsonArray> Segments(int firing) => (await Http.Get($"/api/firings/{firing}/log?points=20000"))["segments"]!.AsArray();

    [Fact]
    public async Task Date_and_time_in_two_columns_with_decimal_commas_are_understood()
    {
        var (_, firing) = await Started();
        var text = Lines("Date;Time;Chamber °C;Set point;Output %", 500, i =>
            $"{Start.AddMinutes(i):dd.MM.yyyy};{Start.AddMinutes(i):HH:mm:ss};{N(Celsius(i)).Replace('.', ',')};{(i < 420 ? N(Celsius(i) + 1).Replace('.', ',') : "0")};{(i < 420 ? "45,5" : "0")}"
        );
        var look = await Look(firing, text);
        var reading = look["reading"]!;
        (
            reading["date"]!.GetValue<int>(),
            reading["time"]!.GetValue<int>(),
            reading["temperature"]!.GetValue<int>(),
            reading["setPoint"]!.GetValue<int>(),
            reading["power"]!.GetValue<int>()
        ).ShouldBe((0, 1, 2, 3, 4));
        (reading["timeIn"]!.GetValue<string>(), reading["unit"]!.GetValue<string>(), reading["powerIn"]!.GetValue<string>()).ShouldBe(
            ("dates", "C", "percent")
        );
        look["rows"]![0]![2]!.GetValue<string>().ShouldBe("20");

        var taken = await (await Put(firing, reading, text)).Read();
        (taken.Number("readings"), taken.Number("added"), taken.Number("skipped"), taken.Number("gaps")).ShouldBe((500, 500, 0, 0));
        var points = (await Segments(firing)).Single()!.AsArray();
        var point = points.Single(p => Math.Abs(p!.Number("minute") - 101) < 0.01)!;
        (point.Number("celsius"), point.Number("share")).ShouldBe((305.83, 0.455));
        (await (await Put(firing, reading, text)).Read()).Number("added").ShouldBe(0, "the same file again");
        (await Http.Get($"/api/firings/{firing}/log")).Number("readings").ShouldBe(500);
        (await Http.Get($"/api/firings/{firing}/live"))["state"]!.GetValue<string>().ShouldBe("cooling");
    }

    [Fact]
    public async Task Months_first_afternoons_and_fahrenheit_are_seen()
    {
        var (_, firing) = await Started();
        string Line(int i) => $"{Start.AddMinutes(i).ToString("M/d/yyyy h:mm:ss tt", CultureInfo.InvariantCulture)},{N(Celsius(i) * 1.8 + 32)}";
        var text = Lines("When,Temp", 700, Line);
        // The head is cold and its dates could be either; what comes later tells.
        var look = await Look(firing, text[..2000], Lines("", 40, i => Line(400 + i)), "torn\n3/14/2026 1:00:00 PM,1950\ntorn");
        var reading = look["reading"]!;
        (reading["unit"]!.GetValue<string>(), reading["dates"]!.GetValue<string>(), reading["headed"]!.GetValue<bool>()).ShouldBe(("F", "month-first", true));
        reading["zone"] = "Europe/London";
        (await (await Put(firing, reading, text)).Read()).Number("readings").ShouldBe(700);
        (await Segments(firing)).Single()!.AsArray().Max(p => p!.Number("celsius")).ShouldBe(1208.6, 0.001);
        (await Http.Get($"/api/firings/{firing}/log")).Number("readings").ShouldBe(700);
    }

    [Fact]
    public async Task A_firing_that_was_not_started_here_is_told_by_its_log()
    {
        var (kiln, firing) = await Http.Plan();
        var text = Lines("", 900, i => $"{i * 60},{N(Celsius(i))}");
        var reading = (await Look(firing, text))["reading"]!;
        (reading["timeIn"]!.GetValue<string>(), reading["headed"]!.GetValue<bool>()).ShouldBe(("seconds", false));
        await (await Put(firing, reading, text)).Problem("firstAt");
        reading["firstAt"] = Start.ToString("O");

        // Its kiln may be busy with another one meanwhile.
        var other = await (
            await Http.PostAsJsonAsync(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = "Today’s",
                    ["kind"] = "glaze",
                    ["kilnId"] = kiln,
                    ["scheduleId"] = (await Http.Get($"/api/firings/{firing}"))["firing"]!["scheduleId"]!.GetValue<int>(),
                }
            )
        ).Read(201);
        await (await Http.Start(other["id"]!.GetValue<int>(), new JsonObject { ["link"] = "hand" })).Read(201);

        var run = (await (await Put(firing, reading, text)).Read())["run"]!;
        run["state"]!.GetValue<string>().ShouldBe("opened");
        DateTimeOffset.Parse(run["startsAt"]!.GetValue<string>(), CultureInfo.InvariantCulture).ShouldBe(Start);
        DateTimeOffset.Parse(run["cooledAt"]!.GetValue<string>(), CultureInfo.InvariantCulture).ShouldBe(Start.AddMinutes(420), TimeSpan.FromMinutes(15));
        (await Http.Get($"/api/firings/{firing}/live"))["state"]!.GetValue<string>().ShouldBe("opened");
    }

    [Fact]
    public async Task The_hour_that_comes_twice_in_autumn_is_two_hours()
    {
        var start = new DateTimeOffset(2025, 10, 25, 22, 0, 0, TimeSpan.Zero);
        var (_, firing) = await Started(start);
        var zone = TimeZoneInfo.FindSystemTimeZoneById("Europe/London");
        var text = Lines("date,temperature", 300, i => $"{TimeZoneInfo.ConvertTime(start.AddMinutes(i), zone):yyyy-MM-dd HH:mm},{N(Celsius(i))}");
        var reading = (await Look(firing, text))["reading"]!;
        reading["zone"] = "Europe/London";
        (await (await Put(firing, reading, text)).Read()).Number("gaps").ShouldBe(0);
        (await Segments(firing)).Single()!.AsArray().Select(p => p!.Number("minute")).ShouldBe(Enumerable.Range(0, 300).Select(i => (double)i), 0.001);
    }

    [Fact]
    public async Task Times_of_day_go_on_past_midnight_and_what_cannot_be_read_is_named()
    {
        var (_, firing) = await Started(Start.AddHours(14));
        string[] odd = ["20:02,open", "20:03,lid?", "25:03,30", "20:04,99999"];
        var text =
            "clock,display\n20:00,20\n20:01,21\n"
            + string.Join('\n', odd)
            + "\n"
            + Lines("", 400, i => $"{Start.AddHours(14).AddMinutes(5 + i):HH:mm},{N(30 + i)}");
        var reading = (await Look(firing, text))["reading"]!;
        reading["timeIn"]!.GetValue<string>().ShouldBe("clock");
        reading["zone"] = "UTC";
        var taken = await (await Put(firing, reading, text)).Read();
        (taken.Number("readings"), taken.Number("skipped")).ShouldBe((403, 3));
        taken["firstSkipped"]!.AsArray().Select(s => s!.Number("line")).ShouldBe([5, 6, 7]);
        DateTimeOffset.Parse(taken["to"]!.GetValue<string>(), CultureInfo.InvariantCulture).ShouldBe(Start.AddHours(14).AddMinutes(404));
        (await Segments(firing)).Sum(s => s!.AsArray().Count).ShouldBe(402, "the one that saw nothing has no place on the curve");
    }

    [Fact]
    public async Task What_cannot_be_taken_in_is_said_and_changes_nothing()
    {
        var (_, firing) = await Started();
        var text = Lines("minute,°C", 300, i => $"{i},{N(Celsius(i))}");
        var reading = (await Look(firing, text))["reading"]!;
        JsonNode With(string field, JsonNode? value)
        {
            var changed = reading.DeepClone();
            changed[field] = value;
            return changed;
        }

        (await Put(99_999, reading, text)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        await (await Put(firing, With("temperature", 0), text)).Problem("temperature");
        await (await Put(firing, With("time", -1), text)).Problem("time");
        await (await Put(firing, With("power", 200), text)).Problem("power");
        await (await Put(firing, With("zone", "Saltmarsh"), text)).Problem("zone");
        await (await Put(firing, With("delimiter", "::"), text)).Problem("delimiter");
        await (await Put(firing, With("unit", "K"), text)).Problem("reading.unit");
        await (await Put(firing, With("firstAt", "2019-01-01T00:00:00Z"), text)).Problem("csv");
        (await (await Put(firing, With("temperature", 7), text)).Read()).Number("readings").ShouldBe(300, "no value at all is what a broken wire looks like");
        (await (await Put(firing, With("timeIn", "dates"), text)).Problem("csv")).ShouldContain("Line 2");
        await (await Put(firing, reading, "")).Problem("csv");
        (await (await Put(firing, reading, "minute,°C\n1,20\n2,\"21\n" + Lines("", 3000, i => $"{i},20"))).Problem("csv")).ShouldContain("quotation mark");
        await (await Http.PutAsync($"/api/firings/{firing}/log?reading=[", new StringContent(text))).Problem("reading");
        await (await Http.PutAsync($"/api/firings/{firing}/log", new StringContent(text))).Problem("reading");
        await (await Http.PostAsJsonAsync($"/api/firings/{firing}/log/look", new JsonObject { ["head"] = "one line" })).Problem("head");
        await (await Put(firing, reading, new ByteArrayContent([0xff, 0xfe, 0, 13, 10, 0, 1]))).Problem("csv");
        (await Segments(firing)).ShouldBeEmpty();

        var (_, simulated) = await Http.Plan();
        await (await Http.Start(simulated, new JsonObject { ["link"] = "simulated" })).Read(201);
        (await Put(simulated, reading, text)).StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task One_given_up_on_the_way_leaves_nothing_behind()
    {
        var (_, firing) = await Http.Plan();
        var reading = JsonNode.Parse("""{"headed":false,"time":0,"temperature":1,"timeIn":"minutes","firstAt":"2026-03-03T06:00:00Z"}""")!;
        using var given = new CancellationTokenSource();
        var sending = Http.PutAsync($"/api/firings/{firing}/log?reading={Uri.EscapeDataString(reading.ToJsonString())}", new Endless(given), given.Token);
        await Should.ThrowAsync<OperationCanceledException>(sending);
        // The program hears of it a moment later than we do.
        var until = DateTime.UtcNow.AddSeconds(20);
        while (Directory.GetFiles(studio.Folder, "log-*.tmp").Length > 0 && DateTime.UtcNow < until)
            await Task.Delay(50);
        Directory.GetFiles(studio.Folder, "log-*.tmp").ShouldBeEmpty();
        (await Http.GetAsync($"/api/firings/{firing}/run")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
    }

    /// <summary>A log without an end, given up after ten thousand lines.</summary>
    private sealed class Endless : HttpContent
    {
        private readonly CancellationTokenSource given;

        public Endless(CancellationTokenSource given) => (this.given, Headers.ContentType) = (given, new MediaTypeHeaderValue("text/csv"));

        protected override async Task SerializeToStreamAsync(Stream stream, TransportContext? context)
        {
            for (var i = 0; i < 10_000; i++)
                await stream.WriteAsync(Encoding.UTF8.GetBytes($"{i},20\n"));
            await stream.FlushAsync();
            await given.CancelAsync();
            await Task.Delay(Timeout.Infinite, given.Token);
        }

        protected override bool TryComputeLength(out long length)
        {
            length = 0;
            return false;
        }
    }
}
