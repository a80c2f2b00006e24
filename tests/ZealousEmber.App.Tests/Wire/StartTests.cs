using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Ical.Net;
using Shouldly;
using Xunit;

namespace ZealousEmber.App.Tests.Wire;

public sealed class StartTests(SharedStudio studio)
{
    private static JsonObject Request(string hours) =>
        new()
        {
            ["schedule"] = Wire.GlazeFiring(),
            ["kiln"] = new JsonObject { ["class"] = "top-190" },
            ["from"] = "2026-11-23T09:02:00+00:00",
            ["studio"] = JsonNode.Parse(hours),
        };

    private const string CheapNights = """
        {"timeZone":"Europe/London","currency":"£","price":0.3,"bands":[{"name":"night","price":0.1,"hours":{"days":[],"from":"23:00","to":"07:00"}}],
         "people":[{"name":"Maren","hours":[{"days":["mon","tue","wed","thu","fri"],"from":"08:00","to":"18:00"}]}],"rule":"marked-moments","marked":["switch-on"]}
        """;

    private async Task<JsonNode> Starts(JsonObject request) => await (await studio.Http.PostAsJsonAsync("/api/starts", request)).Read();

    private static DateTimeOffset At(JsonNode start, string name = "at") => start[name]!.GetValue<DateTimeOffset>();

    [Fact]
    public async Task The_best_starts_keep_the_rule_and_are_the_cheapest()
    {
        var found = await Starts(Request(CheapNights));
        var starts = found["starts"]!.AsArray();
        starts.Count.ShouldBe(3);
        foreach (var start in starts)
        {
            At(start!).Minute.ShouldBe(At(start!).Minute / 5 * 5);
            At(start!).Hour.ShouldBeInRange(8, 17);
            start!["watch"]![0]!["who"]!.AsArray().Select(w => w!.GetValue<string>()).ShouldBe(["Maren"]);
        }
        starts.Zip(starts.Skip(1)).ShouldAllBe(pair => pair.First!.Number("cost") <= pair.Second!.Number("cost") * 1.011);
        // Late in the day, so that as much as possible of it burns at night.
        At(starts[0]!).Hour.ShouldBe(17);
        found.Number("dearest").ShouldBeGreaterThan(starts[0]!.Number("cost") * 1.2);
        found["whyNone"].ShouldBeNull();
    }

    [Fact]
    public async Task A_price_without_bands_leaves_it_to_comfort()
    {
        var found = await Starts(Request("""{"timeZone":"UTC","price":0.2,"bands":[],"people":[],"rule":"marked-moments","marked":[]}"""));
        var best = found["starts"]![0]!;
        best.Number("cost").ShouldBe(found.Number("dearest"), 1e-9);
        best["why"]![0]!.GetValue<string>().ShouldContain("same whenever");
        At(best, "topAt").Hour.ShouldBeInRange(7, 21);
        At(best).Hour.ShouldBeInRange(7, 21);
    }

    [Theory]
    [InlineData("never-alone", "", "never alone")]
    [InlineData("alarm-between", "", "nobody's hours are known")]
    [InlineData("never-alone", """{"name":"Maren","hours":[{"days":[],"from":"08:00","to":"12:00"}]}""", "nobody's hours cover that")]
    [InlineData("alarm-between", """{"name":"Maren","hours":[{"days":["mon"],"from":"08:00","to":"08:30"}]}""", "nobody is in for the top")]
    public async Task When_no_start_is_possible_it_says_why(string rule, string people, string says)
    {
        var found = await Starts(Request($$"""{"timeZone":"UTC","people":[{{people}}],"rule":"{{rule}}"}"""));
        found["starts"]!.AsArray().ShouldBeEmpty();
        found["whyNone"]!.GetValue<string>().ShouldContain(says);
    }

    [Fact]
    public async Task It_is_open_in_time_or_says_that_it_cannot_be()
    {
        var hours = """{"timeZone":"UTC","people":[],"rule":"marked-moments","marked":[]}""";
        var by = new DateTimeOffset(2026, 11, 26, 18, 0, 0, TimeSpan.Zero);
        var found = await Starts(Request(hours).With("openBy", by.ToString("O")).AsObject());
        found["starts"]!.AsArray().ShouldAllBe(s => At(s!, "openAt") <= by);
        found["starts"]!.AsArray().Count.ShouldBeGreaterThan(0);
        var late = await Starts(Request(hours).With("openBy", "2026-11-23T20:00:00+00:00").AsObject());
        late["whyNone"]!.GetValue<string>().ShouldContain("may be opened");
        var top = await Starts(Request(hours).With("topAt", "2026-11-25T12:00:00+00:00").AsObject());
        top["starts"]!
            .AsArray()
            .ShouldAllBe(s => (At(s!, "topAt") - new DateTimeOffset(2026, 11, 25, 12, 0, 0, TimeSpan.Zero)).Duration() <= TimeSpan.FromMinutes(30));
    }

    [Fact]
    public async Task A_night_with_a_change_of_hour_is_an_hour_shorter_or_longer()
    {
        // In Berlin clocks go forward on 28 March 2027, and back on 31 October: the same firing ends at another hour of the wall clock.
        var hours = """{"timeZone":"Europe/Berlin","people":[],"rule":"marked-moments","marked":[]}""";
        async Task<JsonNode> Starting(string from, string until) =>
            (await Starts(Request(hours).With("from", from).With("until", until).AsObject()))["starts"]![0]!;
        var spring = await Starting("2027-03-27T22:00:00+01:00", "2027-03-27T22:00:00+01:00");
        var winter = await Starting("2027-01-27T22:00:00+01:00", "2027-01-27T22:00:00+01:00");
        var autumn = await Starting("2027-10-30T22:00:00+02:00", "2027-10-30T22:00:00+02:00");
        At(spring, "topAt").Offset.ShouldBe(TimeSpan.FromHours(2));
        (At(spring, "topAt") - At(spring)).ShouldBe(At(winter, "topAt") - At(winter), TimeSpan.FromSeconds(1));
        (At(spring, "topAt").TimeOfDay - At(winter, "topAt").TimeOfDay).ShouldBe(TimeSpan.FromHours(1), TimeSpan.FromSeconds(1));
        (At(autumn, "topAt").TimeOfDay - At(winter, "topAt").TimeOfDay).ShouldBe(TimeSpan.FromHours(-1), TimeSpan.FromSeconds(1));
    }

    [Fact]
    public async Task Watch_times_are_a_calendar_other_programs_read()
    {
        var request = Request(CheapNights).With("start", "2026-11-24T17:30:00+00:00");
        request["schedule"]!["name"] = "Oyster; matte, \"supper\"";
        var answer = await studio.Http.PostAsJsonAsync("/api/starts/calendar", request);
        answer.Content.Headers.ContentType!.MediaType.ShouldBe("text/calendar");
        var calendar = Calendar.Load(await answer.Content.ReadAsStringAsync()).ShouldNotBeNull();
        var events = calendar.Events.OrderBy(e => e.Start!.AsUtc).ToList();
        events.Count.ShouldBe(5);
        events[0].Start!.AsUtc.ShouldBe(new DateTime(2026, 11, 24, 17, 30, 0, DateTimeKind.Utc));
        events.ShouldAllBe(e => e.End!.AsUtc > e.Start!.AsUtc && e.Alarms.Count == 1 && e.Description!.Contains("Oyster; matte, \"supper\""));
        events.Select(e => e.Uid).Distinct().Count().ShouldBe(5);
        var again = Calendar.Load(await (await studio.Http.PostAsJsonAsync("/api/starts/calendar", request)).Content.ReadAsStringAsync())!;
        again.Events.Select(e => e.Uid).Order().ShouldBe(events.Select(e => e.Uid).Order(), "exported again it replaces itself");
    }

    [Theory]
    [InlineData("from", "\"tomorrow\"", "from")]
    [InlineData("until", "\"2026-11-20T09:00:00+00:00\"", "until")]
    [InlineData("until", "\"2027-11-20T09:00:00+00:00\"", "until")]
    [InlineData("studio", """{"timeZone":"Moon/Tycho"}""", "studio.timeZone")]
    [InlineData("studio", """{"rule":"whatever"}""", "studio.rule")]
    [InlineData("studio", """{"price":-1}""", "studio.price")]
    [InlineData("studio", """{"gasPaid":{"per":"cylinder","price":90,"cylinderKg":0.2}}""", "studio.gasPaid.cylinderKg")]
    [InlineData("studio", """{"gasPaid":{"per":"kg"}}""", "studio.gasPaid.price")]
    [InlineData("studio", """{"bands":[{"name":"n","price":1,"hours":{"from":"25:00","to":"07:00"}}]}""", "studio.bands[0].hours.from")]
    [InlineData("studio", """{"people":[{"name":"","hours":[{"days":["mon"],"from":"08:00","to":"09:00"}]}]}""", "studio.people[0].name")]
    [InlineData("studio", """{"people":[{"name":"","hours":[{"days":["noday"],"from":"08:00","to":"09:00"}]}]}""", "studio.people[0].hours[0].days[0]")]
    [InlineData("schedule", "null", "schedule")]
    public async Task What_cannot_be_is_said_at_its_field(string member, string value, string field) =>
        await (await studio.Http.PostAsJsonAsync("/api/starts", Request(CheapNights).With(member, JsonNode.Parse(value)))).Problem(field);

    [Fact]
    public async Task The_studios_own_hours_are_kept_and_used()
    {
        async Task<HttpResponseMessage> Put(string body, string tag)
        {
            var request = new HttpRequestMessage(HttpMethod.Put, "/api/studio")
            {
                Content = new StringContent(body, System.Text.Encoding.UTF8, "application/json"),
            };
            request.Headers.TryAddWithoutValidation("If-Match", tag);
            return await studio.Http.SendAsync(request);
        }
        var before = (await (await studio.Http.GetAsync("/api/studio")).Read())["version"]!.GetValue<int>();
        var kept = await (await Put(CheapNights, $"\"{before}\"")).Read();
        kept["version"]!.GetValue<int>().ShouldBe(before + 1);
        var read = (await (await studio.Http.GetAsync("/api/studio")).Read())["studio"]!;
        read["bands"]![0]!["hours"]!["from"]!.GetValue<string>().ShouldBe("23:00");
        read["people"]![0]!["name"]!.GetValue<string>().ShouldBe("Maren");
        ((int)(await Put("""{"price":0.5}""", $"\"{before}\"")).StatusCode).ShouldBe(412);
        (await (await Put("""{"price":0.5}""", $"\"{before + 1}\"")).Read())["studio"]!["people"]!.AsArray().Count.ShouldBe(1, "what is missing stays");

        var priced = await (await studio.Http.Preview(Wire.GlazeFiring(), r => r["kiln"] = new JsonObject { ["class"] = "top-190" })).Read();
        priced["kiln"]!.Number("cost").ShouldBe(0.5 * priced["kiln"]!.Number("energyKwh"), 1e-6);
        async Task<double> CostFrom(string start) => (await (await studio.Http.Preview(Wire.GlazeFiring(), r =>
                    {
                        r["kiln"] = new JsonObject { ["class"] = "top-190" };
                        r["start"] = start;
                    })).Read())["kiln"]!.Number("cost");
        (await CostFrom("2026-11-24T21:00:00+00:00")).ShouldBeLessThan(0.8 * await CostFrom("2026-11-24T07:00:00+00:00"));
    }
}
