using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>The controller a kiln names, what it is told and what was read back from it, over real HTTP.</summary>
public sealed class BankTests(SharedStudio studio)
{
    private const string Steps =
        """[{"pace":"rate","rate":100,"target":200},{"pace":"rate","rate":180,"target":1100},{"pace":"rate","rate":60,"target":1210,"holdMinutes":15},{"pace":"natural"}]""";
    private const string Glaze = $$"""{"name":"Oyster","kind":"glaze","unit":"C","goalCone":"6","segments":{{Steps}} }""";
    private const string Right = "2 3 100 200 0 180 1100 0 60 1210 15 1220 0";

    private async Task<JsonArray> Get(string path) => (await (await studio.Http.GetAsync(path)).Read()).AsArray();

    private async Task<int> Controller(string name) =>
        (await Get("/api/controllers")).Single(c => c!["profile"]!["name"]!.GetValue<string>() == name)!["id"]!.GetValue<int>();

    private async Task<JsonNode> Kiln(string? controller) =>
        await (
            await studio.Http.PostAsJsonAsync(
                "/api/kilns",
                new JsonObject
                {
                    ["name"] = "Teal",
                    ["class"] = "top-190",
                    ["controllerId"] = controller is null ? null : await Controller(controller),
                }
            )
        ).Read(201);

    private Task<HttpResponseMessage> Enter(JsonNode kiln, string body, string? key = null)
    {
        var request = new HttpRequestMessage(HttpMethod.Post, $"/api/kilns/{kiln["id"]}/entered")
        {
            Content = new StringContent(body, System.Text.Encoding.UTF8, "application/json"),
        };
        if (key is not null)
            request.Headers.Add("Idempotency-Key", key);
        request.Headers.Add("Studio-Person", "Maren");
        return studio.Http.SendAsync(request);
    }

    [Fact]
    public async Task A_kiln_names_a_controller_that_is_there_and_is_late_and_planned_as_that_says()
    {
        var kiln = await Kiln("Chamois");
        kiln["kiln"]!["controllerId"]!.GetValue<int>().ShouldBe(await Controller("Chamois"));
        (
            await (
                await studio.Http.PostAsJsonAsync(
                    "/api/kilns",
                    new JsonObject
                    {
                        ["name"] = "Teal",
                        ["class"] = "top-190",
                        ["controllerId"] = 999,
                    }
                )
            ).Problem("controllerId")
        ).ShouldContain("no controller 999");

        // Four steps at most: the planner takes no more, whatever it would like.
        var request = JsonNode.Parse($$"""{"kind":"glaze","goalCone":"6","kilnId":{{kiln["id"]}},"load":{"lots":[{"what":"mugs","count":40,"wall":6}]} }""")!;
        var plan = await (await studio.Http.PostAsJsonAsync("/api/plan", request)).Read();
        plan["schedule"]!["segments"]!.AsArray().Count(s => s!["target"] is not null).ShouldBeLessThanOrEqualTo(4);
        var freely = await (await studio.Http.PostAsJsonAsync("/api/plan", request.With("kilnId", (await Kiln(null))["id"]!.GetValue<int>()))).Read();
        freely["schedule"]!["segments"]!.AsArray().Count.ShouldBeGreaterThanOrEqualTo(plan["schedule"]!["segments"]!.AsArray().Count);

        // Its clock runs on: a climb this kiln cannot follow makes it late by hours where the clock waits, and shortens the hold where it runs.
        var fast = """{"kind":"glaze","unit":"C","segments":[{"pace":"rate","rate":900,"target":1200,"holdMinutes":60},{"pace":"natural"}]}""";
        async Task<double> Late(JsonNode at) =>
            (await (await studio.Http.PostText("/api/preview", $$"""{"schedule":{{fast}},"kilnId":{{at["id"]}} }""")).Read())["kiln"]!.Number("lateMinutes");
        (await Late(await Kiln("Wedge"))).ShouldBeGreaterThan(60);
        (await Late(kiln)).ShouldBeLessThan(1);
        var inline = await (
            await studio.Http.PostText(
                "/api/preview",
                $$"""{"schedule":{{fast}},"kiln":{"class":"top-190","holdClock":"waits","controllerId":{{await Controller("Chamois")}} } }"""
            )
        ).Read();
        inline["kiln"]!.Number("lateMinutes").ShouldBeLessThan(1, "what the controller does goes before what is said of the kiln");
    }

    [Fact]
    public async Task What_was_read_back_clean_is_in_the_bank_with_name_and_time()
    {
        var kiln = await Kiln("Wedge");
        var schedule = await (await studio.Http.PostAsJsonAsync("/api/schedules", JsonNode.Parse(Glaze))).Read(201);
        var empty = await (await studio.Http.GetAsync($"/api/kilns/{kiln["id"]}/bank?scheduleId={schedule["id"]}")).Read();
        (empty["controller"]!.GetValue<string>(), empty["place"]!.GetValue<string>(), empty["slots"]!.AsArray().Count).ShouldBe(("Wedge", "1", 4));

        var body =
            $$"""{"schedule":{{Glaze}},"scheduleId":{{schedule["id"]}},"slot":"2","delayMinutes":390,"text":"{{Right.Replace(" 1220 0", " 1220 6.30", StringComparison.Ordinal)}}"}""";
        var first = await (await Enter(kiln, body, "one")).Read(201);
        first["readBack"]!["matches"]!.GetValue<bool>().ShouldBeTrue();
        (await (await Enter(kiln, body, "one")).Read(201))["entered"]!.ToJsonString().ShouldBe(first["entered"]!.ToJsonString(), "the same, sent twice");
        var listed = (await Get($"/api/kilns/{kiln["id"]}/entered")).ShouldHaveSingleItem()!;
        (
            listed["by"]!.GetValue<string>(),
            listed["clean"]!.GetValue<bool>(),
            listed["scheduleVersion"]!.GetValue<int>(),
            listed["code"]!.GetValue<string>().Length
        ).ShouldBe(("Maren", true, 1, 4));
        listed["line"]!.GetValue<string>().ShouldStartWith("100/h to 200");
        var fit = await (
            await studio.Http.PostText(
                "/api/controllers/fit",
                $$"""{"schedule":{{Glaze}},"profileId":{{await Controller("Wedge")}},"slot":"2","delayMinutes":390}"""
            )
        ).Read();
        listed.Number("delayMinutes").ShouldBe(390);
        listed["code"]!.GetValue<string>().ShouldBe(fit["code"]!.GetValue<string>(), "the code on the card");

        var bank = await (await studio.Http.GetAsync($"/api/kilns/{kiln["id"]}/bank?scheduleId={schedule["id"]}")).Read();
        bank["place"]!.GetValue<string>().ShouldBe("2", "what has a place keeps it");
        (bank["slots"]![1]!["reliable"]!.GetValue<bool>(), bank["slots"]![1]!["holds"]!["name"]!.GetValue<string>()).ShouldBe((true, "Oyster"));

        // Another step, and the slot is no longer what the schedule says.
        await (
            await studio.Http.Put(
                schedule["id"]!.GetValue<int>(),
                JsonNode.Parse(Glaze.Replace("\"holdMinutes\":15", "\"holdMinutes\":20", StringComparison.Ordinal))!,
                "\"1\""
            )
        ).Read();
        bank = await (await studio.Http.GetAsync($"/api/kilns/{kiln["id"]}/bank")).Read();
        (bank["slots"]![1]!["reliable"]!.GetValue<bool>(), bank["slots"]![1]!["stale"]!.ToJsonString()).ShouldBe((false, """["edited"]"""));
    }

    [Fact]
    public async Task What_is_not_right_is_recorded_with_the_slip_and_makes_it_likelier()
    {
        var kiln = await Kiln("Wedge");
        var wrong = Right.Replace("180", "18", StringComparison.Ordinal);
        async Task<double> Dropped() =>
            (await (await Enter(kiln, $$"""{"schedule":{{Glaze}},"slot":"2","text":"{{wrong}}"}""")).Read(201))["readBack"]!["slips"]!
                .AsArray()
                .First(s => s!["kind"]!.GetValue<string>() == "kept")!
                .Number("probability");
        var before = await Dropped();
        for (var i = 0; i < 5; i++)
            await (await Enter(kiln, $$"""{"schedule":{{Glaze}},"slot":"2","text":"{{wrong}}","slip":"kept"}""")).Read(201);
        (await Dropped()).ShouldBeGreaterThan(before);
        (await Get($"/api/kilns/{kiln["id"]}/entered"))
            .Select(e => (e!["clean"]!.GetValue<bool>(), e["slip"]?.GetValue<string>()))
            .ShouldContain((false, "kept"));
        (await (await studio.Http.GetAsync($"/api/kilns/{kiln["id"]}/bank")).Read())["slots"]!.AsArray().ShouldAllBe(s => s!["holds"] == null);
    }

    [Theory]
    [InlineData("""{"text":"1"}""", "schedule")]
    [InlineData("""{"schedule":GLAZE}""", "shown")]
    [InlineData("""{"schedule":GLAZE,"text":"1 three"}""", "shown[1]")]
    [InlineData("""{"schedule":GLAZE,"text":"1","slot":"9"}""", "slot")]
    [InlineData("""{"schedule":GLAZE,"text":"1","delayMinutes":-1}""", "delayMinutes")]
    [InlineData("""{"schedule":GLAZE,"text":"1","firingId":4711}""", "firingId")]
    [InlineData("""{"schedule":GLAZE,"text":"1","scheduleId":4711}""", "scheduleId")]
    [InlineData("""{"schedule":GLAZE,"text":"1","slip":"butterfingers"}""", "slip")]
    public async Task What_cannot_be_recorded_is_said_at_its_field(string body, string field) =>
        await (await Enter(await Kiln("Wedge"), body.Replace("GLAZE", Glaze, StringComparison.Ordinal))).Problem(field);

    [Fact]
    public async Task A_kiln_without_a_controller_has_no_bank_and_says_what_to_do()
    {
        var kiln = await Kiln(null);
        (await (await studio.Http.GetAsync($"/api/kilns/{kiln["id"]}/bank")).Read())["slots"]!.AsArray().ShouldBeEmpty();
        (await (await Enter(kiln, $$"""{"schedule":{{Glaze}},"text":"1"}""")).Problem("controllerId")).ShouldContain("choose one");
        (await studio.Http.GetAsync("/api/kilns/4711/bank")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        (await Enter(new JsonObject { ["id"] = 4711 }, "{}")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }
}
