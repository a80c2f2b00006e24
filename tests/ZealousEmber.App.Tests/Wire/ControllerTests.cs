using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>The shelf of controllers, fits and keys over real HTTP.</summary>
public sealed class ControllerTests(SharedStudio studio)
{
    private const string Glaze =
        """{"kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":100,"target":200},{"pace":"rate","rate":180,"target":1100},{"pace":"rate","rate":60,"target":1210,"holdMinutes":15},{"pace":"natural"}]}""";
    private const string Ladle =
        """{"name":"Ladle","unit":"C","give":"time","count":"ended","most":9,"cooling":"steps","ask":[{"id":"time","label":"in #","entry":"digits","format":"H.MM","min":1,"max":1439,"words":{"end":"0.00"}},{"id":"target","label":"be at #","entry":"arrows","format":"whole","min":20,"max":1300,"step":5}]}""";

    private Task<HttpResponseMessage> Post(string path, string body) => studio.Http.PostText($"/api/controllers{path}", body);

    private async Task<int> IdOf(string name) =>
        (await (await studio.Http.GetAsync("/api/controllers")).Content.ReadFromJsonAsync<JsonNode>())!
            .AsArray()
            .Single(c => c!["profile"]!["name"]!.GetValue<string>() == name)!["id"]!.GetValue<int>();

    [Theory]
    [InlineData("Spyhole")]
    [InlineData("Bung")]
    public async Task Switches_have_nothing_to_read_back(string name)
    {
        foreach (var shown in new[] { "[]", """["1"]""" })
            (await (await Post("/read-back", $$"""{"profileId":{{await IdOf(name)}},"program":[],"shown":{{shown}}}""")).Problem("profile")).ShouldContain(
                "turned by the clock"
            );
    }

    [Theory]
    [InlineData("hold", 1e-9)]
    [InlineData("hold", 1e-300)]
    [InlineData("hold", 0.5)]
    [InlineData("hold", 1e300)]
    public async Task A_controller_that_asks_for_hardly_any_time_needs_more_steps_than_it_has(string question, double most)
    {
        var profile = JsonNode.Parse(Profiles.Wedge)!;
        profile["ask"]!.AsArray().Single(a => a!["id"]!.GetValue<string>() == question)!["max"] = most;
        var held =
            """{"kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":80,"target":120,"holdMinutes":600},{"pace":"rate","rate":150,"target":1210,"holdMinutes":90},{"pace":"natural"}]}""";
        var answer = await Post("/fit", $$"""{"schedule":{{held}},"profile":{{profile.ToJsonString()}},"goalCone":"6"}""");
        ((int)answer.StatusCode).ShouldBeOneOf(200, 422);
    }

    [Fact]
    public async Task Ten_come_with_the_program_and_are_copied_not_changed()
    {
        var shelf = (await (await studio.Http.GetAsync("/api/controllers")).Content.ReadFromJsonAsync<JsonNode>())!.AsArray();
        shelf.Count(c => c!["builtIn"]!.GetValue<bool>()).ShouldBe(10);
        var kidney = shelf.Single(c => c!["profile"]!["name"]!.GetValue<string>() == "Kidney")!;
        kidney["profile"]!["ask"]![2]!["unless"]!["rate"]!.GetValue<string>().ShouldBe("pass");
        var id = kidney["id"]!.GetValue<int>();
        var put = new HttpRequestMessage(HttpMethod.Put, $"/api/controllers/{id}")
        {
            Content = new StringContent(Ladle, System.Text.Encoding.UTF8, "application/json"),
        };
        put.Headers.TryAddWithoutValidation("If-Match", "\"1\"");
        (await (await studio.Http.SendAsync(put)).Problem("name")).ShouldContain("copied, not changed");
        (await (await studio.Http.DeleteAsync($"/api/controllers/{id}")).Problem("name")).ShouldContain("copied, not changed");
        var copy = kidney["profile"]!.DeepClone();
        copy["name"] = "Kidney, the old one";
        copy["most"] = 3;
        var made = await (await Post("", copy.ToJsonString())).Read(201);
        made["builtIn"]!.GetValue<bool>().ShouldBeFalse();
        made["profile"]!.ToJsonString().ShouldBe(copy.ToJsonString(), "as it was written");
        (await studio.Http.DeleteAsync($"/api/controllers/{made["id"]}")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NoContent);
    }

    [Theory]
    [InlineData(
        "Wedge",
        "exactly",
        "slot=1 count=3 rate.1=100 target.1=200 hold.1=0.00 rate.2=180 target.2=1100 hold.2=0.00 rate.3=60 target.3=1210 hold.3=0.15 alarm=1220 delay=1.30"
    )]
    [InlineData("Kidney", "nearly", "delay=1:30 rate.1=159 target.1=1100 rate.2=60 target.2=1210 hold=0:15 cool=pass")]
    [InlineData("Stilt", "nearly", "cone=6 hours=9.0 hold=15 cool=alone")]
    public async Task A_schedule_is_said_to_a_controller_and_its_keys_give_just_that(string name, string fits, string program)
    {
        var id = await IdOf(name);
        var fit = await (await Post("/fit", $$"""{"schedule":{{Glaze}},"profileId":{{id}},"delayMinutes":90}""")).Read();
        fit["fits"]!.GetValue<string>().ShouldBe(fits);
        string Said(JsonNode list) => string.Join(' ', list.AsArray().Select(a => $"{a!["question"]}={a["shown"]}"));
        Said(fit["program"]!).ShouldBe(program);
        fit["code"]!.GetValue<string>().Length.ShouldBe(4);
        fit["schedule"]!["segments"]!.AsArray()[^1]!["pace"]!.GetValue<string>().ShouldBe("natural");
        fit["difference"]!["coneBefore"]!["cone"]!.GetValue<string>().ShouldBe("6");
        var keys = fit["keystrokes"]!.AsArray().SelectMany(k => k!["keys"]!.AsArray()).Select(k => k!.GetValue<string>()).ToList();
        var memory = (await (await Post("/press", $$"""{"profileId":{{id}},"keys":["open","take","take"]}""")).Read())["memory"]!;
        var pressed = await (
            await Post(
                "/press",
                new JsonObject
                {
                    ["profileId"] = id,
                    ["memory"] = memory.DeepClone(),
                    ["keys"] = new JsonArray([.. keys.Select(k => (JsonNode)k)]),
                }.ToJsonString()
            )
        ).Read();
        (pressed["display"]!.GetValue<string>(), pressed["state"]!.GetValue<string>()).ShouldBe(("ready", "ready"));
        Said(pressed["program"]!).ShouldBe(program);
    }

    [Fact]
    public async Task Switches_are_turned_by_the_clock()
    {
        var fit = await (await Post("/fit", $$"""{"schedule":{{Glaze}},"profileId":{{await IdOf("Bung")}},"kiln":{"class":"top-190"} }""")).Read();
        fit["fits"]!.GetValue<string>().ShouldBe("nearly");
        fit.Number("rms").ShouldBeLessThan(25);
        var slow = Glaze.Replace("\"rate\":100", "\"rate\":1", StringComparison.Ordinal);
        (await (await Post("/fit", $$"""{"schedule":{{slow}},"profileId":{{await IdOf("Bung")}} }""")).Problem("schedule")).ShouldContain("at most 96 h");
        fit["cutoff"]!.GetValue<string>().ShouldBe("6");
        fit["turns"]![0]!.Number("minute").ShouldBe(0);
        fit["turns"]!.AsArray().ShouldAllBe(t => t!["positions"]!.AsArray().Count == 2);
        (fit.Number("timerMinutes") % 30).ShouldBe(0);
        fit.Number("timerMinutes").ShouldBeGreaterThan(fit.Number("offMinute"));
        var weak = await (
            await Post("/fit", $$"""{"schedule":{{Glaze}},"profileId":{{await IdOf("Bung")}},"kiln":{"class":"top-190","power":4000} }""")
        ).Read();
        (weak["fits"]!.GetValue<string>(), weak["program"]).ShouldBe(("no", null));
        weak["why"]!.GetValue<string>().ShouldContain("does not get there");
        (await (await Post("/press", $$"""{"profileId":{{await IdOf("Bung")}},"keys":["open"]}""")).Problem("profile")).ShouldContain("turned by the clock");
    }

    [Fact]
    public async Task Keys_come_as_a_list_or_a_text_and_a_memory_comes_back_as_it_was()
    {
        var list = await (await Post("/press", $$"""{"profile":{{Ladle}},"keys":["open","130","take","until 300","take","0","take"]}""")).Read();
        list["display"]!.GetValue<string>().ShouldBe("ready");
        list["program"]!
            .ToJsonString()
            .ShouldBe("""[{"question":"time.1","shown":"1.30"},{"question":"target.1","shown":"300"},{"question":"time.2","shown":"0.00"}]""");
        (await (await Post("/press", $$"""{"profile":{{Ladle}},"keys":"open 130 take until 300 take 0 take"}""")).Read())
            .ToJsonString()
            .ShouldBe(list.ToJsonString());
        var half = await (
            await Post("/press", $$"""{"profile":{{Ladle}},"keys":"open 1 3","memory":{"slots":{"mine":{"time.1":"2.00"} },"state":"rest"} }""")
        ).Read();
        half["display"]!.GetValue<string>().ShouldBe("in 1 13");
        half["memory"]!["slots"]!["mine"]!["time.1"]!.GetValue<string>().ShouldBe("2.00");
        var on = await (await Post("/press", $$"""{"profile":{{Ladle}},"keys":["0"],"memory":{{half["memory"]!.ToJsonString()}} }""")).Read();
        on["display"]!.GetValue<string>().ShouldBe("in 1 1.30");
    }

    [Fact]
    public async Task Ware_that_would_suffer_from_the_fit_is_another_firing()
    {
        var bisque =
            """{"kind":"bisque","unit":"C","goalCone":"04","segments":[{"pace":"rate","rate":80,"target":90,"holdMinutes":240},{"pace":"rate","rate":100,"target":600},{"pace":"rate","rate":150,"target":950},{"pace":"rate","rate":60,"target":1060,"holdMinutes":10},{"pace":"natural"}]}""";
        var load = """{"lots":[{"what":"plates","count":20,"wall":12,"width":260,"dryness":"cool-to-touch"}]}""";
        var plain = await (await Post("/fit", $$"""{"schedule":{{bisque}},"profileId":{{await IdOf("Pug")}} }""")).Read();
        plain["fits"]!.GetValue<string>().ShouldBe("nearly");
        var with = await (
            await Post("/fit", $$"""{"schedule":{{bisque}},"profileId":{{await IdOf("Pug")}},"kiln":{"class":"top-190"},"load":{{load}} }""")
        ).Read();
        with["fits"]!.GetValue<string>().ShouldBe("no");
        var found = with["changes"]!.AsArray().Where(c => c!["kind"]!.GetValue<string>() == "finding").Select(c => c!["text"]!.GetValue<string>()).ToList();
        with["why"]!.GetValue<string>().ShouldBe(string.Join(' ', found));
        found.ShouldNotBeEmpty();
    }

    [Fact]
    public async Task What_was_keyed_wrong_is_named_with_what_it_would_do_and_the_slip_behind_it()
    {
        var id = await IdOf("Wedge");
        var fit = await (await Post("/fit", $$"""{"schedule":{{Glaze}},"profileId":{{id}} }""")).Read();
        JsonObject Request(JsonNode shown, string field = "shown") =>
            new()
            {
                ["schedule"] = JsonNode.Parse(Glaze),
                ["profileId"] = id,
                ["program"] = fit["program"]!.DeepClone(),
                [field] = shown,
            };
        async Task<JsonNode> Back(JsonNode shown, string field = "shown") => await (await Post("/read-back", Request(shown, field).ToJsonString())).Read();
        (await Back("1 3 100 200 0 180 1100 0 60 1210 15 1220 0", "text"))["matches"]!.GetValue<bool>().ShouldBeTrue();
        (await Back("1; 3; 100; 200 °C; 0.00; 180; 1100; 0 min; 60; 1210; 0:15; 1220; 0", "text"))["matches"]!.GetValue<bool>().ShouldBeTrue();
        var hours = await Back(new JsonArray("1", "3", "100", "200", "0", "180", "1100", "0", "60", "1210", "15.00", "1220", "0"));
        hours["matches"]!.GetValue<bool>().ShouldBeFalse();
        var difference = hours["differences"]!.AsArray().ShouldHaveSingleItem()!;
        (difference["question"]!.GetValue<string>(), difference["wanted"]!.GetValue<string>(), difference["shown"]!.GetValue<string>()).ShouldBe(
            ("hold.3", "0.15", "15.00")
        );
        difference.Number("minutes").ShouldBe(885, 1e-6);
        difference["consequence"]!.GetValue<string>().ShouldContain("14 h 45 longer");
        (hours["slips"]![0]!["kind"]!.GetValue<string>(), hours["slips"]![0]!["questions"]![0]!.GetValue<string>()).ShouldBe(("hours-minutes", "hold.3"));
        hours["slips"]!.AsArray().Sum(s => s!.Number("probability")).ShouldBe(1, 0.05);
        var half = await Back(new JsonArray("1", "3", "100"));
        half["missing"]!.AsArray().Count.ShouldBe(10);
        half["matches"]!.GetValue<bool>().ShouldBeFalse();
        (await (await Post("/read-back", Request(new JsonArray("1", "tree")).ToJsonString())).Problem("shown[1]")).ShouldContain("cannot stand there");
        (await (await Post("/read-back", Request(JsonValue.Create((string?)null)!, "text").ToJsonString())).Problem("shown")).ShouldContain(
            "What does the controller show"
        );
        var wrong = Request(new JsonArray("1"));
        wrong["program"]![2]!["shown"] = "9999";
        (await (await Post("/read-back", wrong.ToJsonString())).Problem("program[2]")).ShouldContain("never show");
        wrong["program"] = new JsonArray();
        (await (await Post("/read-back", wrong.ToJsonString())).Problem("program")).ShouldContain("no answer to");
        wrong = Request(new JsonArray([.. Enumerable.Repeat("1", 401).Select(s => (JsonNode)s)]));
        (await (await Post("/read-back", wrong.ToJsonString())).Problem("shown")).ShouldContain("At most 400");
    }

    [Theory]
    [InlineData("/fit", """{"profileId":1}""", "schedule")]
    [InlineData("/fit", """{"schedule":SCHEDULE}""", "profileId")]
    [InlineData("/fit", """{"schedule":SCHEDULE,"profileId":4711}""", "profileId")]
    [InlineData("/fit", """{"schedule":SCHEDULE,"profile":{"name":"x"}}""", "profile.unit")]
    [InlineData("/fit", """{"schedule":SCHEDULE,"profileId":1,"slot":"ninety"}""", "slot")]
    [InlineData("/fit", """{"schedule":SCHEDULE,"profileId":1,"delayMinutes":-1}""", "delayMinutes")]
    [InlineData("/fit", """{"schedule":SCHEDULE,"profileId":1,"goalCone":"99"}""", "goalCone")]
    [InlineData("/press", """{"profileId":1}""", "keys")]
    [InlineData("/press", """{"profileId":1,"keys":["open","push"]}""", "keys[1]")]
    [InlineData("/press", """{"profileId":1,"keys":[1]}""", "keys")]
    [InlineData("/press", """{"profileId":1,"keys":[],"memory":{"state":"dancing"}}""", "memory.state")]
    [InlineData("/press", """{"profileId":1,"keys":[],"memory":{"state":"ask","at":"nothing"}}""", "memory.at")]
    [InlineData("/press", """{"profileId":1,"keys":[],"memory":{"slot":"99"}}""", "memory.slot")]
    [InlineData("/press", """{"profileId":1,"keys":[],"memory":{"typed":"abc"}}""", "memory.typed")]
    [InlineData("/press", """{"profileId":1,"keys":[],"memory":{"hands":["foot"]}}""", "memory.hands")]
    public async Task What_cannot_be_done_is_said_at_its_field(string path, string body, string field) =>
        (
            await (
                await Post(
                    path,
                    body.Replace("SCHEDULE", Glaze, StringComparison.Ordinal)
                        .Replace("\"profileId\":1,", $"\"profileId\":{await IdOf("Wedge")},", StringComparison.Ordinal)
                )
            ).Problem(field)
        ).ShouldNotBeEmpty();

    [Fact]
    public async Task A_profile_that_contradicts_itself_says_where()
    {
        (await (await Post("", Ladle.Replace("\"most\":9", "\"most\":900", StringComparison.Ordinal))).Problem("most")).ShouldContain("1 to 64");
        (await (await Post("", Ladle.Replace("\"0.00\"", "\"0.30\"", StringComparison.Ordinal))).Problem("ask[0].words.end")).ShouldContain(
            "number of its range"
        );
        var long1 = JsonNode.Parse(Ladle)!;
        long1["ask"] = new JsonArray([.. Enumerable.Range(0, 200).Select(_ => JsonNode.Parse(Ladle)!["ask"]![0]!.DeepClone())]);
        (await (await Post("", long1.ToJsonString())).Problem("ask")).ShouldContain("200");
    }
}
