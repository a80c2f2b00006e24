using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Live;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Fuel kilns over real HTTP: stored, planned into turns, followed by what is seen, refused where they cannot be.</summary>
public sealed class FuelTests(SharedStudio studio)
{
    private const string Segments = """
        [{"pace":"rate","rate":120,"target":150},{"pace":"rate","rate":180,"target":480},{"pace":"rate","rate":120,"target":650},{"pace":"rate","rate":180,"target":900},
        {"pace":"rate","rate":40,"target":930,"atmosphere":"heavy-reduction"},{"pace":"rate","rate":110,"target":1200,"atmosphere":"light-reduction"},
        {"pace":"rate","rate":60,"target":1275,"atmosphere":"light-reduction"},{"pace":"rate","rate":60,"target":1275,"holdMinutes":20,"atmosphere":"oxidising"}]
        """;

    private HttpClient Http => studio.Http;

    private static JsonObject Glaze(string kiln = """{"heat":"fuel","class":"updraft-300"}""") =>
        new()
        {
            ["schedule"] = JsonNode.Parse($$"""{"name":"G","kind":"glaze","unit":"C","segments":{{Segments}}}"""),
            ["kiln"] = JsonNode.Parse(kiln),
            ["goalCone"] = "10",
        };

    private async Task<JsonNode> Preview(JsonObject body, int status = 200) => await (await Http.PostAsJsonAsync("/api/preview", body)).Read(status);

    [Fact]
    public async Task A_gas_kiln_of_another_size_is_told_with_what_goes_with_it()
    {
        var usual = (await Http.Get("/api/kilns/classes")).AsArray().Single(c => c!["id"]!.GetValue<string>() == "downdraft-1000")!["usual"]!.DeepClone();
        usual["gap"] = 9;
        var resized = await (await Http.PostAsJsonAsync("/api/kilns/resized", new JsonObject { ["kiln"] = usual.DeepClone(), ["volume"] = 300 })).Read();
        (Math.Round(resized.Number("burnerPower")), Math.Round(resized.Number("flue")), Math.Round(resized.Number("inlets")), resized.Number("gap")).ShouldBe(
            (38, 134, 43, 9)
        );
        await (await Http.PostAsJsonAsync("/api/kilns/resized", new JsonObject { ["kiln"] = usual.DeepClone(), ["volume"] = -3 })).Problem("volume");
        await (await Http.PostAsJsonAsync("/api/kilns/resized", new JsonObject { ["kiln"] = usual })).Problem("volume");
        await (
            await Http.PostAsJsonAsync(
                "/api/kilns/resized",
                new JsonObject
                {
                    ["kiln"] = new JsonObject { ["class"] = "top-190" },
                    ["volume"] = 100,
                }
            )
        ).Problem("kiln");
    }

    [Fact]
    public async Task A_fuel_kiln_is_stored_and_comes_back_as_it_was()
    {
        var made = await (
            await Http.PostAsJsonAsync(
                "/api/kilns",
                JsonNode.Parse("""{"name":"Curlew","heat":"fuel","class":"downdraft-1000","fuel":"naturalGas","volume":1400,"room":10,"burners":3}""")
            )
        ).Read(201);
        var kiln = (await Http.Get($"/api/kilns/{made["id"]}"))["kiln"]!;
        (kiln["heat"]!.GetValue<string>(), kiln["fuel"]!.GetValue<string>(), kiln.Number("burners"), kiln.Number("volume"), kiln.Number("cylinder")).ShouldBe(
            ("fuel", "naturalGas", 3, 1400, 0)
        );
        var classes = (await Http.Get("/api/kilns/classes")).AsArray();
        classes.Count(c => c!["heat"]!.GetValue<string>() == "fuel").ShouldBe(3);
        var portrait = await (await Http.PostAsJsonAsync("/api/kilns/portrait", kiln.DeepClone())).Read();
        portrait["settings"]!.AsArray().Count.ShouldBeGreaterThan(20);
        portrait["usual"]!.AsArray().ShouldAllBe(u => u!["fuelKg"]!.GetValue<double>() > 10 && u["cylinders"] == null);
        portrait["coolings"]!.AsArray().Select(c => c!.Number("damper")).ShouldBe([0, 0.25, 0.5, 1]);
        portrait["coolings"]!.AsArray().ShouldAllBe(c => c!["curve"]!.AsArray().Count > 5);
    }

    [Fact]
    public async Task A_schedule_becomes_turns_with_air_and_fuel()
    {
        var kiln = (await Preview(Glaze()))["kiln"]!;
        kiln["heat"]!.GetValue<string>().ShouldBe("fuel");
        var turns = kiln["turns"]!.AsArray();
        turns[0]!["caution"]!.GetValue<string>().ShouldContain("leak test");
        turns[^1]!["kind"]!.GetValue<string>().ShouldBe("shut-off");
        turns.ShouldContain(t => t!["band"] != null && t["band"]!.GetValue<string>() == "heavy-reduction");
        kiln["atmosphere"]!.AsArray().ShouldContain(a => a!["band"]!.GetValue<string>() == "light-reduction");
        kiln["fuel"]!.Number("kg").ShouldBe(25.5, 1.6);
        (kiln["fuel"]!.Number("kwhGross") / kiln["fuel"]!.Number("kwhNet")).ShouldBe(50.34 / 46.35, 0.001);
        kiln["fuel"]!.Number("cylinders").ShouldBe(2);
        kiln["fuel"]!.Number("starvesAtMinute").ShouldBeInRange(60, 630);
        kiln["follow"]!.Number("rms").ShouldBeInRange(1, 9);
        var often = Glaze();
        often["turnEveryMinutes"] = 15;
        (await Preview(often))["kiln"]!["follow"]!.Number("rms").ShouldBeLessThan(kiln["follow"]!.Number("rms"));
    }

    [Fact]
    public async Task A_kiln_is_turned_as_often_as_it_says_and_fired_on_the_cylinders_at_hand()
    {
        var kiln = (await Preview(Glaze("""{"heat":"fuel","class":"updraft-300","turnEvery":20}""")))["kiln"]!;
        kiln.Number("everyMinutes").ShouldBe(20);
        bool IsShort(JsonNode preview) => preview["findings"]!.AsArray().Any(f => f!["id"]!.GetValue<string>() == "short-of-gas");
        var one = await Preview(Glaze("""{"heat":"fuel","class":"updraft-300","cylinders":1}"""));
        one["findings"]!.AsArray().First(f => f!["id"]!.GetValue<string>() == "short-of-gas")!["text"]!
            .GetValue<string>()
            .ShouldContain("2 cylinders of 33 kg side by side; 1 is at hand");
        IsShort(await Preview(Glaze("""{"heat":"fuel","class":"updraft-300","cylinders":2}"""))).ShouldBeFalse();
        IsShort(await Preview(Glaze())).ShouldBeFalse("nobody said how many there are");
        (
            await (
                await Http.PostAsJsonAsync(
                    "/api/kilns",
                    JsonNode.Parse("""{"name":"Dunlin","heat":"fuel","class":"updraft-300","turnEvery":90,"cylinders":-1}""")
                )
            ).Read(422)
        )["errors"]!
            .AsObject()
            .Select(e => e.Key)
            .ShouldBe(["cylinders", "turnEvery"], ignoreOrder: true);
    }

    [Fact]
    public async Task Turns_are_followed_as_they_are_with_no_schedule()
    {
        var answer = await Preview(
            JsonNode.Parse("""{"kiln":{"class":"updraft-300"},"hours":8,"turns":[{"minute":0,"pressureBar":0.25,"damper":0.5}]}""")!.AsObject()
        );
        answer["curve"]!.AsArray()[^1]!.Number("temperature").ShouldBe(1130, 12);
        answer["kiln"]!["atmosphere"]!.AsArray()[^1]!.Number("lambda").ShouldBe(1.26, 0.05);
        answer["totalMinutes"]!.GetValue<double>().ShouldBe(480);
    }

    [Fact]
    public async Task What_was_seen_moves_the_estimate_and_the_plan()
    {
        var told = Glaze();
        told["observations"] = JsonNode.Parse(
            """[{"minute":200,"colour":"first dull red"},{"minute":280,"colour":"cherry"},{"minute":330,"coneDown":"010"},{"minute":300,"airSign":"clear"}]"""
        );
        told["replanFromMinute"] = 335;
        var kiln = (await Preview(told))["kiln"]!;
        var estimate = kiln["estimate"]!;
        estimate.Number("temperature").ShouldBeInRange(870, 960);
        estimate["burner"]!.Number("mean").ShouldBeGreaterThan(1.02, "it was hotter than planned");
        estimate.Number("low").ShouldBeLessThan(estimate.Number("temperature"));
        estimate["byThermometer"]!.GetValue<bool>().ShouldBeFalse();
        kiln.Number("replannedFrom").ShouldBe(335);
        kiln["turns"]!.AsArray().ShouldContain(t => t!["done"]!.GetValue<bool>());
        kiln["turns"]!.AsArray().First(t => !t!["done"]!.GetValue<bool>())!.Number("minute").ShouldBe(335);
    }

    [Fact]
    public async Task A_plan_for_a_gas_kiln_has_its_air()
    {
        var plan = await (
            await Http.PostAsJsonAsync(
                "/api/plan",
                JsonNode.Parse(
                    """
                    {"kind":"glaze","goalCone":"10","turnEveryMinutes":20,"kiln":{"class":"updraft-300"},
                     "load":{"lots":[{"what":"bowls","count":40,"wall":5,"clay":{"name":"P","coneFrom":"8","coneTo":"11"},"glazes":[{"name":"Celadon","coneFrom":"9","coneTo":"11"}]}]}}
                    """
                )
            )
        ).Read();
        plan["schedule"]!["segments"]!.AsArray().ShouldContain(s => s!["atmosphere"] != null && s["atmosphere"]!.GetValue<string>() == "heavy-reduction");
        plan["schedule"]!["segments"]!.AsArray().ShouldAllBe(s => s!["pace"]!.GetValue<string>() != "full", "a gas kiln is turned up to a pace");
        plan["preview"]!["kiln"]!.Number("everyMinutes").ShouldBe(20);
        plan["preview"]!["kiln"]!["turns"]!.AsArray().Count.ShouldBeGreaterThan(15);
    }

    [Theory]
    [InlineData("propane", 1000, 0.94, 0.517)]
    [InlineData("natural gas", 1000, 1.2, 0.485)]
    public async Task A_flame_tells_what_stays_of_its_heat(string fuel, double at, double lambda, double share)
    {
        var flame = await (
            await Http.PostAsJsonAsync(
                "/api/kilns/combustion",
                new JsonObject
                {
                    ["fuel"] = fuel,
                    ["temperature"] = at,
                    ["lambda"] = lambda,
                }
            )
        ).Read();
        flame.Number("available").ShouldBe(share, 0.01);
        (lambda < 1 ? flame.Number("coPercentDry") : flame.Number("o2PercentDry")).ShouldBeGreaterThan(0.5);
    }

    [Theory]
    [InlineData("""{"fuel":"propane","temperature":1000,"lambda":0}""", "lambda")]
    [InlineData("""{"fuel":"peat","temperature":1000,"lambda":1}""", "fuel")]
    [InlineData("""{"fuel":"propane","temperature":9000,"lambda":1}""", "temperature")]
    [InlineData("""{}""", "fuel")]
    public async Task Flames_that_cannot_be_are_refused(string body, string field) =>
        (await (await Http.PostText("/api/kilns/combustion", body)).Read(422))["errors"]![field].ShouldNotBeNull();

    [Theory]
    [InlineData("""[{"minute":0,"pressureBar":0.2,"damper":1.4}]""", "turns[0].damper")]
    [InlineData("""[{"minute":0,"pressureBar":3,"damper":0.4}]""", "turns[0].pressureBar")]
    [InlineData("""[{"minute":0,"pressureBar":0.2,"damper":0.4,"lit":0}]""", "turns[0].lit")]
    [InlineData("""[{"minute":0,"pressureBar":0.2,"damper":0.4,"lit":9}]""", "turns[0].lit")]
    [InlineData("""[{"minute":30,"pressureBar":0.2,"damper":0.4},{"minute":10,"pressureBar":0.3,"damper":0.4}]""", "turns[1].minute")]
    [InlineData("""[{"minute":0,"pressureBar":0,"damper":0.4}]""", "turns")]
    [InlineData("""[]""", "turns")]
    [InlineData("""[null]""", "turns[0].minute")]
    public async Task Turns_that_cannot_be_made_are_named(string turns, string field)
    {
        var body = new JsonObject
        {
            ["kiln"] = new JsonObject { ["class"] = "updraft-300" },
            ["hours"] = 5,
            ["turns"] = JsonNode.Parse(turns),
        };
        (await Preview(body, 422))["errors"]![field].ShouldNotBeNull();
    }

    [Theory]
    [InlineData("turnEveryMinutes", "5", "turnEveryMinutes")]
    [InlineData("hours", "-1", "hours")]
    [InlineData("replanFromMinute", "-3", "replanFromMinute")]
    [InlineData("replanFromMinute", "14000", "replanFromMinute")]
    [InlineData("observations", """[{"minute":5}]""", "observations[0]")]
    [InlineData("observations", """[{"minute":5,"colour":"mauve"}]""", "observations[0].colour")]
    [InlineData("observations", """[{"minute":5,"coneDown":"99"}]""", "observations[0].coneDown")]
    [InlineData("observations", """[{"minute":5,"temperature":99999}]""", "observations[0].temperature")]
    public async Task Wishes_that_cannot_be_met_are_named(string field, string value, string at)
    {
        var body = Glaze();
        body[field] = JsonNode.Parse(value);
        (await Preview(body, 422))["errors"]![at].ShouldNotBeNull();
    }

    [Fact]
    public async Task An_electric_kiln_is_not_turned_up_by_hand()
    {
        var body = Glaze("""{"class":"top-190"}""");
        body["turns"] = JsonNode.Parse("""[{"minute":0,"pressureBar":0.2,"damper":0.4}]""");
        (await Preview(body, 422))["errors"]!["turns"].ShouldNotBeNull();
        (await Preview(Glaze("""{"class":"top-190"}""")))["findings"]!.AsArray().ShouldContain(f => f!["id"]!.GetValue<string>() == "air-not-electric");
    }

    [Fact]
    public async Task A_firing_by_hand_is_followed_by_its_entries()
    {
        var kiln = await (
            await Http.PostAsJsonAsync(
                "/api/kilns",
                new JsonObject
                {
                    ["name"] = "Plover",
                    ["heat"] = "fuel",
                    ["class"] = "updraft-300",
                }
            )
        ).Read(201);
        var schedule = await (
            await Http.PostText("/api/schedules", $$"""{"name":"G","kind":"glaze","unit":"C","goalCone":"10","segments":{{Segments}}}""")
        ).Read(201);
        var firing = (
            await (
                await Http.PostAsJsonAsync(
                    "/api/firings",
                    new JsonObject
                    {
                        ["name"] = "Celadon",
                        ["kind"] = "glaze",
                        ["kilnId"] = kiln["id"]!.DeepClone(),
                        ["scheduleId"] = schedule["id"]!.DeepClone(),
                    }
                )
            ).Read(201)
        )["id"]!.GetValue<int>();
        (await (await Http.Start(firing, new JsonObject { ["link"] = "simulated" })).Read(422))["errors"]!["link"].ShouldNotBeNull();
        var starts = studio.Clock.GetUtcNow().AddHours(-7);
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = starts.ToString("O") })).Read(201);
        var sheet = (await Http.Get($"/api/firings/{firing}/turns"))["turns"]!.AsArray();
        Task<HttpResponseMessage> Note(double minute, string kind, JsonObject more)
        {
            more["key"] = $"{kind}-{minute}";
            more["kind"] = kind;
            more["at"] = starts.AddMinutes(minute).ToString("O");
            return Http.Send($"/api/firings/{firing}/entries", more);
        }

        (await (await Note(1, "turned", new JsonObject { ["setting"] = JsonNode.Parse("""{"pressureBar":4,"damper":0.5}""") })).Read(422))["errors"]!
            ["setting.pressureBar"]
            .ShouldNotBeNull();
        (await (await Note(1, "air-sign", new JsonObject { ["subject"] = "roses" })).Read(422))["errors"]!["subject"].ShouldNotBeNull();
        foreach (var turn in sheet.TakeWhile(t => t!.Number("minute") < 400))
        {
            var setting = new JsonObject
            {
                ["pressureBar"] = turn!.Number("pressureBar"),
                ["damper"] = turn!.Number("damper"),
                ["lit"] = turn!["lit"]!.DeepClone(),
                ["flame"] = turn!["flame"]!.DeepClone(),
            };
            await (await Note(turn!.Number("minute"), "turned", new JsonObject { ["setting"] = setting })).Read(201);
        }
        await (await Note(345, "cone-down", new JsonObject { ["subject"] = "010" })).Read(201);
        await (await Note(347, "air-sign", new JsonObject { ["subject"] = "smell" })).Read(201);
        var live = await Http.Get($"/api/firings/{firing}/live");
        live.Number("chamber").ShouldBeInRange(850, 1050);
        live["next"]!["kind"]!.GetValue<string>().ShouldBe("turn");
        var turns = await Http.Get($"/api/firings/{firing}/turns");
        turns["hands"]!["flames"]!.AsArray()[0]!["flame"]!.GetValue<string>().ShouldBe("candle");
        turns["estimate"]!.Number("sd").ShouldBeInRange(5, 60);
        turns["due"]!.GetValue<int>().ShouldBeLessThan(sheet.Count);
        turns["fresh"]!["turns"]!.AsArray().Count.ShouldBeGreaterThan(3);

        await (await Note(410, "replanned", [])).Read(201);
        (await Http.Get($"/api/firings/{firing}/turns"))["turns"]!.AsArray().Count(t => t!["done"]!.GetValue<bool>()).ShouldBeGreaterThan(5);
        await (await Note(419, "turned", new JsonObject { ["setting"] = JsonNode.Parse("""{"pressureBar":0,"damper":0}""") })).Read(201);
        (await Http.Get($"/api/firings/{firing}/live"))["state"]!.GetValue<string>().ShouldBe("cooling");
        await (await Http.Send($"/api/firings/{firing}/opened", null)).Read();
        (await Http.Get($"/api/kilns/{kiln["id"]}/fuel-learned")).Number("firings").ShouldBe(1);
        var reminders = (await Http.Get($"/api/kilns/{kiln["id"]}/history"))["reminders"]!.AsArray();
        reminders.Select(r => r!["kind"]!.GetValue<string>()).ShouldBe(["burners", "shelves"], "a gas kiln has no elements and no vent");
        var figures = (await Http.Get($"/api/logbook?kiln={kiln["id"]}"))["firings"]!.AsArray()[0]!["figures"]!;
        figures.Number("gas").ShouldBe(figures.Number("kwh") * 3.6 / 50.34, 0.05);
        figures.Number("gas").ShouldBeInRange(8, 25);
        figures["fullPowerHours"].ShouldBeNull();
        (await Http.GetAsync($"/api/firings/{firing}/file")).IsSuccessStatusCode.ShouldBeTrue();
    }
}
