using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Clays, glazes, loads, plans and what a reviewer says of them, over real HTTP.</summary>
public sealed class PlanTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private static JsonObject Request(string lots, string kind, string more = "{}")
    {
        var request = JsonNode.Parse(more)!.AsObject();
        request["kind"] = kind;
        request["load"] = new JsonObject { ["lots"] = JsonNode.Parse(lots) };
        return request;
    }

    private const string Mugs = """[{"what":"mugs","count":24,"wall":6,"dryness":"cool-to-touch","clay":{"name":"Marsh White","coneFrom":"5","coneTo":"7"}}]""";

    private const string Plates = """
        [{"what":"plates","count":12,"wall":7,"width":270,"clay":{"name":"Marsh White","coneFrom":"5","coneTo":"7"},
          "glazes":[{"name":"Oyster matte","coneFrom":"5","coneTo":"7","slowFrom":1040,"slowTo":850,"slowHours":3.5}]}]
        """;

    private async Task<JsonNode> Plan(JsonObject request) => await (await studio.Http.PostAsJsonAsync("/api/plan", request)).Read();

    [Fact]
    public async Task A_plan_is_a_schedule_that_the_reviewer_has_nothing_against()
    {
        foreach (var (lots, kind) in new[] { (Mugs, "bisque"), (Plates, "glaze"), (Mugs, "once-fired"), (Mugs, "drying") })
        {
            foreach (
                var kiln in new JsonObject?[]
                {
                    null,
                    new JsonObject { ["class"] = "top-190" },
                    new JsonObject { ["class"] = "front-200", ["elementHealth"] = 85 },
                }
            )
            {
                var request = Request(lots, kind, kind == "once-fired" ? """{"goalCone":"5"}""" : "{}");
                request["kiln"] = kiln?.DeepClone();
                var plan = await Plan(request);
                plan["steps"]!.AsArray().Count.ShouldBe(plan["schedule"]!["segments"]!.AsArray().Count);
                plan["steps"]!.AsArray().ShouldAllBe(s => s!["why"]!.GetValue<string>().Length > 20);
                var review = await (
                    await studio.Http.PostAsJsonAsync(
                        "/api/preview",
                        new JsonObject
                        {
                            ["schedule"] = plan["schedule"]!.DeepClone(),
                            ["load"] = request["load"]!.DeepClone(),
                            ["kiln"] = kiln?.DeepClone(),
                        }
                    )
                ).Read();
                review["findings"]!
                    .AsArray()
                    .Where(f => f!["severity"]!.GetValue<string>() != "note")
                    .Select(f => f!["text"]!.GetValue<string>())
                    .ShouldBeEmpty($"{kind} in {kiln?["class"]}");
            }
        }
    }

    [Fact]
    public async Task In_fahrenheit_the_numbers_are_friendly_too()
    {
        var plan = await Plan(Request(Plates, "glaze", """{"unit":"F"}"""));
        plan["schedule"]!["unit"]!.GetValue<string>().ShouldBe("F");
        plan["schedule"]!["segments"]!
            .AsArray()
            .Select(s => s!["rate"])
            .Where(r => r is not null)
            .ShouldAllBe(r => Math.Abs(r!.GetValue<double>() - Math.Round(r!.GetValue<double>())) < 1e-6);
    }

    [Fact]
    public async Task Choices_change_the_plan_and_say_why()
    {
        var schools = (await (await studio.Http.GetAsync("/api/plan/schools")).Read()).AsArray();
        schools.Select(s => s!["choice"]!.GetValue<string>()).Distinct().ShouldBe(["drying", "bisque", "goal", "pace", "approach", "hold", "cooling", "air"]);
        foreach (var school in schools.Where(s => s!["way"]!.GetValue<string>() is not ("slow-climb" or "fast-to-hold")))
        {
            var request = Request(Plates, "glaze");
            request[school!["choice"]!.GetValue<string>()] = school["way"]!.GetValue<string>();
            await Plan(request);
        }
        var one = await Plan(Request(Plates, "glaze", """{"approach":"one-rate"}"""));
        var other = await Plan(Request(Plates, "glaze"));
        one["schedule"]!.ToJsonString().ShouldNotBe(other["schedule"]!.ToJsonString());
    }

    [Theory]
    [InlineData("[]", "glaze", "{}", "load.lots", "Nothing is in the kiln")]
    [InlineData("""[{"what":"x","count":1,"wall":0}]""", "glaze", "{}", "load.lots[0].wall", "between 1 and 150 mm")]
    [InlineData("""[{"what":"x","count":1,"wall":900}]""", "glaze", "{}", "load.lots[0].wall", "between 1 and 150 mm")]
    [InlineData("""[{"what":"x","wall":6}]""", "glaze", "{}", "load.lots[0].count", "How many")]
    [InlineData("""[{"what":"x","count":1,"wall":6,"clayId":99999}]""", "glaze", "{}", "load.lots[0].clayId", "no clay 99999")]
    [InlineData("""[{"what":"x","count":1,"wall":6,"dryness":"soggy"}]""", "bisque", "{}", "load.lots[0].dryness", "bone-dry")]
    [InlineData("""[{"what":"x","count":1,"wall":6,"dryness":"leather-hard"}]""", "bisque", "{}", "load.lots", "drying firing")]
    [InlineData(
        """[{"what":"x","count":1,"wall":6,"glazes":[{"name":"a","coneFrom":"06"},{"name":"b","coneFrom":"6"}]}]""",
        "glaze",
        "{}",
        "load.lots",
        "cannot share a firing"
    )]
    [InlineData(
        """[{"what":"x","count":1,"wall":6,"glazes":[{"name":"a","slowFrom":800,"slowTo":900,"slowHours":2}]}]""",
        "glaze",
        "{}",
        "load.lots[0].glazes[0].slowTo",
        "lower one"
    )]
    [InlineData("""[{"what":"x","count":1,"wall":6}]""", "glaze", """{"goalCone":"14","kiln":{"class":"bench"}}""", "goalCone", "the kiln goes to")]
    [InlineData("""[{"what":"x","count":1,"wall":38}]""", "bisque", """{"maxSteps":2}""", "maxSteps", "at least")]
    [InlineData("""[{"what":"x","count":1,"wall":6}]""", "bisque", """{"maxSteps":0}""", "maxSteps", "2 to 64")]
    [InlineData("""[{"what":"x","count":1,"wall":30,"dryness":"damp"}]""", "bisque", """{"drying":"slow-climb"}""", "drying", "hold below boiling")]
    [InlineData("""[{"what":"x","count":1,"wall":6}]""", "raku", "{}", "kind", "drying, bisque")]
    [InlineData("""[{"what":"x","count":1,"wall":6}]""", "bisque", """{"cooling":"fan"}""", "cooling", "drop-and-hold")]
    [InlineData("""[{"what":"x","count":1,"wall":6}]""", "bisque", """{"dropBy":39.9}""", "dropBy", "40 to 60")]
    [InlineData("""[{"what":"x","count":1,"wall":6}]""", "bisque", """{"dropBy":61}""", "dropBy", "40 to 60")]
    [InlineData("""[{"what":"x","count":1,"wall":6}]""", "bisque", """{"hold":"long"}""", "hold", "lower-and-longer")]
    [InlineData("""[{"what":"x","count":1,"wall":6}]""", "bisque", """{"bisque":"hot"}""", "bisque", "always-open")]
    [InlineData("""[{"what":"x","count":1,"wall":6,"dryness":"leather-hard"}]""", "glaze", """{"goalCone":"6"}""", "load.lots", "not fired")]
    public async Task What_cannot_be_planned_is_said_at_its_field(string lots, string kind, string more, string field, string says) =>
        (await (await studio.Http.PostAsJsonAsync("/api/plan", Request(lots, kind, more))).Problem(field)).ShouldContain(says);

    private const string Pigs = """[{"what":"pigs","count":2,"wall":8,"closedHollow":true,"dryness":"damp"},{"what":"mugs","count":20,"wall":6}]""";
    private const string Camps =
        """[{"what":"a","count":1,"wall":6,"glazes":[{"name":"Lamp","coneFrom":"06","coneTo":"04"}]},{"what":"b","count":1,"wall":6,"glazes":[{"name":"Tide","coneFrom":"5","coneTo":"7"}]}]""";

    [Theory]
    [InlineData(Pigs, "bisque", "{}", "without")]
    [InlineData("""[{"what":"mugs","count":20,"wall":6,"dryness":"leather-hard"}]""", "bisque", "{}", "dry-first")]
    [InlineData("""[{"what":"mugs","count":20,"wall":6}]""", "bisque", """{"goalCone":"6"}""", "anyway")]
    [InlineData("""[{"what":"heads","count":2,"wall":45}]""", "bisque", "{}", "anyway")]
    [InlineData(Camps, "glaze", "{}", "without")]
    [InlineData(
        """[{"what":"mugs","count":60,"wall":9,"glazes":[{"name":"Oyster matte","coneFrom":"5","coneTo":"7","slowFrom":1040,"slowTo":850,"slowHours":3.5}]}]""",
        "once-fired",
        """{"maxSteps":2,"kiln":{"class":"top-190","elementHealth":78}}""",
        "cool-by-itself"
    )]
    [InlineData(Camps, "glaze", """{"goalCone":"6"}""", "anyway")]
    public async Task A_refusal_comes_with_ways_on_that_can_be_planned(string lots, string kind, string more, string way)
    {
        var request = Request(lots, kind, more);
        var refused = await (await studio.Http.PostAsJsonAsync("/api/plan", request)).Read(422);
        var on = refused["ways"]!.AsArray().First(w => w!["id"]!.GetValue<string>() == way)!;
        on["text"]!.GetValue<string>().ShouldNotBeEmpty();
        if (on["kind"] is { } other)
            request["kind"] = other.DeepClone();
        foreach (var i in on["without"]!.AsArray().Select(i => i!.GetValue<int>()).OrderDescending())
            request["load"]!["lots"]!.AsArray().RemoveAt(i);
        if (on["anyway"]!.GetValue<bool>())
            request["anyway"] = true;
        if (on["cooling"] is { } cooling)
            request["cooling"] = cooling.DeepClone();
        (await Plan(request))["steps"]!.AsArray().Count.ShouldBeGreaterThan(1);
    }

    [Fact]
    public async Task Few_steps_that_make_it_long_come_with_offers_and_worn_elements_with_what_they_cost()
    {
        var worn = await Plan(Request("""[{"what":"mugs","count":110,"wall":6}]""", "bisque", """{"kiln":{"class":"top-190","elementHealth":70}}"""));
        worn["notes"]!.AsArray().ShouldContain(n => n!["id"]!.GetValue<string>() == "worn-elements");
        (await Plan(Request(Mugs, "bisque", """{"kiln":{"class":"top-190"}}""")))["offers"]!.AsArray().ShouldBeEmpty();
        var few = await Plan(Request(Plates, "glaze", """{"maxSteps":2,"kiln":{"class":"top-190"}}"""));
        var offers = few["offers"]!.AsArray();
        offers.Select(o => o!["id"]!.GetValue<string>()).ShouldBe(["one-long", "cool-by-itself"]);
        offers.ShouldAllBe(o => o!.Number("hours") > 5 && o!.Number("kwh") > 20);
    }

    [Fact]
    public async Task Who_knows_better_is_not_asked_again()
    {
        var firing = new JsonObject
        {
            ["name"] = "High",
            ["kind"] = "bisque",
            ["goalCone"] = "6",
            ["anyway"] = true,
        };
        var made = await (await studio.Http.PostAsJsonAsync("/api/firings", firing)).Read(201);
        (await (await studio.Http.GetAsync($"/api/firings/{made["id"]}")).Read())["firing"]!["anyway"]!.GetValue<bool>().ShouldBeTrue();
    }

    [Fact]
    public async Task Five_thousand_lots_get_one_message()
    {
        var lots = new JsonArray([
            .. Enumerable
                .Range(0, 5000)
                .Select(i => new JsonObject
                {
                    ["what"] = "tile",
                    ["count"] = 1,
                    ["wall"] = 6,
                }),
        ]);
        (await (await studio.Http.PostAsJsonAsync("/api/plan", Request(lots.ToJsonString(), "bisque"))).Problem("load.lots")).ShouldContain("has 5000");
    }

    [Theory]
    [InlineData(
        "/api/clays",
        "clay",
        """{"name":"Marsh White","kind":"stoneware","coneFrom":"5","coneTo":"7","shrinkage":12,"burnsOutSlowly":true}""",
        "shrinkage",
        "13"
    )]
    [InlineData(
        "/api/glazes",
        "glaze",
        """{"name":"Oyster matte","coneFrom":"5","coneTo":"7","runny":true,"slowFrom":1040,"slowTo":850,"slowHours":3.5}""",
        "slowHours",
        "4"
    )]
    public async Task Stock_is_kept_found_changed_and_brought_back(string path, string what, string body, string field, string value)
    {
        var made = await (await studio.Http.PostText(path, body)).Read(201);
        var id = (int)made["id"]!;
        (await (await studio.Http.GetAsync($"{path}?search={made[what]!["name"]!.GetValue<string>()[..4].ToUpperInvariant()}")).Read())
            .AsArray()
            .Select(i => (int)i!["id"]!)
            .ShouldContain(id);
        (await (await studio.Http.GetAsync($"{path}?search=zzz")).Read()).AsArray().ShouldBeEmpty();
        var changed = made[what]!.With(field, JsonNode.Parse(value));
        async Task<HttpResponseMessage> Put(string tag)
        {
            var request = new HttpRequestMessage(HttpMethod.Put, $"{path}/{id}") { Content = JsonContent.Create(changed) };
            request.Headers.TryAddWithoutValidation("If-Match", tag);
            return await studio.Http.SendAsync(request);
        }
        (await (await Put("\"1\"")).Read())[what]!.Number(field).ShouldBe(double.Parse(value, System.Globalization.CultureInfo.InvariantCulture));
        ((int)(await Put("\"1\"")).StatusCode).ShouldBe(412);
        ((int)(await studio.Http.DeleteAsync($"{path}/{id}")).StatusCode).ShouldBe(204);
        await (await studio.Http.GetAsync($"{path}/{id}")).Read(404);
        await (await studio.Http.PostAsync($"{path}/{id}/restore", null)).Read();
        await (await studio.Http.PostText(path, """{"name":"","coneFrom":"7","coneTo":"5"}""")).Problem("name");
        await (await studio.Http.PostText(path, """{"name":"x","coneFrom":"7","coneTo":"5"}""")).Problem("coneTo");
    }

    [Fact]
    public async Task A_load_of_the_studios_own_clay_and_glaze_is_reviewed()
    {
        var clay = (int)(await (await studio.Http.PostText("/api/clays", """{"name":"Tester","coneFrom":"5","coneTo":"7"}""")).Read(201))["id"]!;
        var glaze = (int)(await (await studio.Http.PostText("/api/glazes", """{"name":"Runner","coneFrom":"6","runny":true}""")).Read(201))["id"]!;
        var schedule = Wire.Schedule(Wire.Step(150, 1100), Wire.Step(60, 1190, 40), Wire.Step(null, null, pace: "natural")).With("goalCone", "6");
        var load = JsonNode.Parse($$"""{"lots":[{"what":"bowls","count":8,"wall":5,"clayId":{{clay}},"glazeIds":[{{glaze}}]}]}""");
        var findings = (await (await studio.Http.PostAsJsonAsync("/api/preview", new JsonObject { ["schedule"] = schedule, ["load"] = load })).Read())[
            "findings"
        ]!.AsArray();
        var finding = findings.Single()!;
        finding["id"]!.GetValue<string>().ShouldBe("hold-long");
        finding["text"]!.GetValue<string>().ShouldContain("Runner runs");
        finding["fix"]!["steps"]!.AsArray().Single()!.Number("holdMinutes").ShouldBe(5);
    }

    [Fact]
    public async Task Lots_weigh_on_the_kiln()
    {
        async Task<double> Energy(int count) =>
            (
                await (
                    await studio.Http.PostAsJsonAsync(
                        "/api/preview",
                        new JsonObject
                        {
                            ["schedule"] = Wire.GlazeFiring(),
                            ["kiln"] = new JsonObject { ["class"] = "top-190" },
                            ["load"] = JsonNode.Parse($$"""{"lots":[{"what":"bowls","count":{{count}},"wall":5,"pieceKg":1}]}"""),
                        }
                    )
                ).Read()
            )["kiln"]!.Number("energyKwh");
        (await Energy(40)).ShouldBeGreaterThan(1.1 * await Energy(10));
    }

    [Fact]
    public async Task A_plan_in_a_weak_kiln_stays_short()
    {
        var request = Request(Plates, "glaze");
        request["kiln"] = new JsonObject { ["class"] = "top-190", ["elementHealth"] = 88 };
        request["load"]!["wareKg"] = 40;
        request["load"]!["furnitureKg"] = 35;
        var plan = await Plan(request);
        plan["schedule"]!["segments"]!.AsArray().Count.ShouldBeLessThanOrEqualTo(8);
        plan["schedule"]!["segments"]!.AsArray().Select(s => s!["pace"]!.GetValue<string>()).ShouldContain("full");
    }

    [Fact]
    public async Task A_firing_keeps_rows_that_are_only_half_written()
    {
        var body = JsonNode.Parse(
            """
            {"name":"Thursday","kind":"bisque","unit":"F","goalCone":"06","lots":[{"what":"mugs","count":12,"wall":6,"dryness":"damp","glazeIds":[1],"whose":"Maren","next":"brushing"},{"what":"pla"}],
             "drying":"long-hold","approach":"one-rate","cooling":"off","hold":"half-hour","bisque":"always-open","holdMinutes":5,
             "packed":true,"witnessPack":true,"startsAt":"2026-11-26T14:00:00+01:00","accepted":[{"id":"steam-risk","severity":"look","note":"dried on the lid","at":"2026-11-24T17:30:00Z"}]}
            """
        )!;
        var made = await (await studio.Http.PostAsJsonAsync("/api/firings", body)).Read(201);
        var read = (await (await studio.Http.GetAsync($"/api/firings/{made["id"]}")).Read())["firing"]!;
        foreach (var field in new[] { "name", "kind", "unit", "goalCone", "drying", "approach", "cooling", "hold", "bisque", "startsAt" })
            read[field]!.GetValue<string>().ShouldBe(body[field]!.GetValue<string>());
        read["lots"]![0]!["whose"]!.GetValue<string>().ShouldBe("Maren");
        read["lots"]![1]!["what"]!.GetValue<string>().ShouldBe("pla");
        read["lots"]![1]!["count"].ShouldBeNull();
        (read["packed"]!.GetValue<bool>(), read["witnessPack"]!.GetValue<bool>()).ShouldBe((true, true));
        read["accepted"]![0]!["note"]!.GetValue<string>().ShouldBe("dried on the lid");
        await (await studio.Http.PostAsJsonAsync("/api/firings", body.With("holdMinutes", -1))).Problem("holdMinutes");
        await (await studio.Http.PostAsJsonAsync("/api/firings", body.With("startsAt", "soon"))).Problem("startsAt");
        await (
            await studio.Http.PostAsJsonAsync("/api/firings", body.With("accepted", JsonNode.Parse("""[{"id":"steam-risk","severity":"look","note":" "}]""")))
        ).Problem("accepted[0].note");
        await (
            await studio.Http.PostAsJsonAsync("/api/firings", body.With("accepted", JsonNode.Parse("""[{"id":"steam-risk","severity":"awful","note":"x"}]""")))
        ).Problem("accepted[0].severity");
        await (await studio.Http.PostAsJsonAsync("/api/firings", body.With("drying", "in the sun"))).Problem("drying");
        await (await studio.Http.PostAsJsonAsync("/api/firings", body.With("kind", "raku"))).Problem("kind");
        (
            await (await studio.Http.PostAsJsonAsync("/api/firings", body.With("lots", JsonNode.Parse("""[{"dryness":"soggy"}]""")))).Problem("lots[0].dryness")
        ).ShouldContain("bone-dry");
    }

    [Fact]
    public async Task A_schedule_knows_the_firing_it_is_for()
    {
        var schedule = (int)(await studio.Http.Create())["id"]!;
        ((int)(await studio.Http.GetAsync($"/api/schedules/{schedule}/firing")).StatusCode).ShouldBe(204);
        var firing = await (
            await studio.Http.PostAsJsonAsync(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = "For it",
                    ["kind"] = "glaze",
                    ["scheduleId"] = schedule,
                }
            )
        ).Read(201);
        (await (await studio.Http.GetAsync($"/api/schedules/{schedule}/firing")).Read())["id"]!.GetValue<int>().ShouldBe((int)firing["id"]!);
        await studio.Http.DeleteAsync($"/api/firings/{firing["id"]}");
        ((int)(await studio.Http.GetAsync($"/api/schedules/{schedule}/firing")).StatusCode).ShouldBe(204);
    }

    [Fact]
    public async Task What_follows_from_a_load_is_told_even_where_no_plan_can_be()
    {
        var clash = JsonNode.Parse(
            """
            {"kind":"glaze","goalCone":"6","kiln":{"class":"top-190"},
             "load":{"lots":[{"what":"jars","count":3,"wall":6,"glazes":[{"name":"Lamp white","coneFrom":"06","coneTo":"04"}]},
                             {"what":"vases","count":2,"wall":9,"glazes":[{"name":"Tidewrack","coneFrom":"6","runny":true}]}]}}
            """
        )!;
        var load = await (await studio.Http.PostAsJsonAsync("/api/plan/load", clash)).Read();
        (load["pieces"]!.GetValue<int>(), load["thickest"]!.GetValue<string>()).ShouldBe((5, "vases, 9 mm"));
        load["clashes"]!.AsArray().Single()!.GetValue<string>().ShouldContain("Lamp white is for cones 06 to 04 and Tidewrack for cone 6");
        load.Number("fill").ShouldBeInRange(0.01, 0.2);
        load["notes"]!.AsArray().Select(n => n!["id"]!.GetValue<string>()).ShouldBe(["nearly-empty", "runny"]);
        load["pack"]!.AsArray().Select(c => c!.GetValue<string>()).ShouldBe(["5½", "6", "7"]);
        load["unweighed"]!.GetValue<string>().ShouldBe("Neither size nor weight is known of 3 jars and 2 vases: 0.6 kg each is taken.");
        (await (await studio.Http.PostAsJsonAsync("/api/plan/load", clash.With("kind", "raku"))).Problem("kind")).ShouldContain("drying, bisque");
        await (await studio.Http.PostText("/api/plan/load", """{"kind":"glaze"}""")).Problem("load.lots");
    }

    /// <summary>One number a lot, and hours and energy of plan and editor are told closer.</summary>
    [Fact]
    public async Task A_piece_on_the_scales_tightens_what_is_told()
    {
        async Task<double> Unsure(string lot)
        {
            var body =
                """{"schedule":{"name":"Glaze","kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":120,"target":1200},{"pace":"natural"}]},"kiln":{"class":"top-190"},"load":{"lots":["""
                + lot
                + "]}}";
            return (await (await studio.Http.PostText("/api/preview", body)).Read())["kiln"]!.Number("uncertainty");
        }
        const string Mugs = """{"what":"mugs","count":30,"wall":6""";
        var (byNothing, bySize) = (await Unsure(Mugs + "}"), await Unsure(Mugs + ""","piece":{"shape":"round","across":85,"height":100}}"""));
        var (half, weighed) = (await Unsure(Mugs + ""","pieceKg":0.6},{"what":"jugs","count":30,"wall":6}"""), await Unsure(Mugs + ""","pieceKg":0.4}"""));
        weighed.ShouldBe(0.1, 1e-9, "the kiln’s own");
        bySize.ShouldBeInRange(0.1005, 0.12);
        half.ShouldBeLessThan(byNothing * 1.02);
        byNothing.ShouldBeGreaterThan(bySize + 0.005);
    }

    /// <summary>Nine planters of 300 by 200 with walls of 25 mm are a hundred kilograms, in the load, its plan and its packing.</summary>
    [Fact]
    public async Task Ware_nobody_weighed_weighs_what_its_size_says_on_every_page()
    {
        var request = JsonNode.Parse(
            """
            {"kind":"bisque","goalCone":"04","kiln":{"class":"top-290"},
             "load":{"lots":[{"what":"planters","count":4,"wall":25,"piece":{"across":300,"height":200}}]}}
            """
        )!;
        var kg = (await (await studio.Http.PostAsJsonAsync("/api/plan/load", request)).Read()).Number("wareKg");
        kg.ShouldBeInRange(4 * 0.8 * 11.7, 4 * 1.2 * 11.7);
        var plan = await (await studio.Http.PostAsJsonAsync("/api/plan", request)).Read();
        plan["load"]!.Number("wareKg").ShouldBe(kg, 1e-9);
        var packed = await (await studio.Http.PostAsJsonAsync("/api/packing", request)).Read();
        packed["totals"]!.Number("wareKg").ShouldBe(kg, 1e-9);
    }

    [Fact]
    public async Task A_doubt_is_answered_with_the_plan_it_would_give()
    {
        Task<HttpResponseMessage> Ask(string doubts)
        {
            var request = JsonNode.Parse(doubts)!.AsObject();
            request["plan"] = Request(Mugs, "bisque", """{"kiln":{"class":"top-190"}}""");
            return studio.Http.PostAsJsonAsync("/api/plan/what-if", request);
        }
        var thicker = await (await Ask("""{"thickerMm":6}""")).Read();
        thicker.Number("longerMinutes").ShouldBeGreaterThan(60);
        thicker["says"]![0]!.GetValue<string>().ShouldMatch("^Drying takes .* instead of ");
        thicker["plan"]!["steps"]![0]!["why"]!.GetValue<string>().ShouldContain("mugs of 12 mm");
        thicker["curve"]!.AsArray().Count.ShouldBeGreaterThan(10);
        (await (await Ask("""{"wetter":1}""")).Read()).Number("moreKwh").ShouldBeGreaterThan(0.1);
        var later = await (await Ask("""{"laterHours":5,"start":"2026-11-24T09:00:00Z"}""")).Read();
        later.Number("longerMinutes").ShouldBe(0);
        DateTimeOffset
            .Parse(later["topAt"]!.GetValue<string>(), System.Globalization.CultureInfo.InvariantCulture)
            .ShouldBeGreaterThan(DateTimeOffset.Parse("2026-11-24T14:00:00Z", System.Globalization.CultureInfo.InvariantCulture));
        (await (await Ask("{}")).Read())["says"]!.AsArray().ShouldBeEmpty();
        (await (await Ask("""{"wetter":2}""")).Problem("load.lots")).ShouldContain("Leather hard");
        (await (await Ask("""{"coolerCones":11}""")).Problem("coolerCones")).ShouldContain("from −10 to 10");
        (await (await Ask("""{"thickerMm":900}""")).Problem("thickerMm")).ShouldContain("900");
        (await (await Ask("""{"laterHours":1,"start":"soon"}""")).Problem("start")).ShouldContain("offset");
        (await (await studio.Http.PostText("/api/plan/what-if", """{"thickerMm":2}""")).Problem("plan.load.lots")).ShouldContain("Nothing is in the kiln");
    }

    [Fact]
    public async Task The_studios_own_ways_hold_where_a_plan_says_nothing()
    {
        async Task<HttpResponseMessage> Put(string body, string tag)
        {
            var request = new HttpRequestMessage(HttpMethod.Put, "/api/studio/ways")
            {
                Content = new StringContent(body, System.Text.Encoding.UTF8, "application/json"),
            };
            request.Headers.TryAddWithoutValidation("If-Match", tag);
            return await studio.Http.SendAsync(request);
        }
        var before = (await Plan(Request(Plates, "glaze")))["schedule"]!.ToJsonString();
        var tag = $"\"{(await (await studio.Http.GetAsync("/api/studio/ways")).Read())["version"]}\"";
        (await (await Put("""{"cooling":"off"}""", tag)).Read())["ways"]!["drying"]!.GetValue<string>().ShouldBe("by-the-wall", "what is missing stays");
        ((int)(await Put("""{"cooling":"off"}""", tag)).StatusCode).ShouldBe(412);
        ((int)(await studio.Http.PutAsync("/api/studio/ways", JsonContent.Create(new JsonObject()))).StatusCode).ShouldBe(428);
        await (await Put("""{"drying":"in the sun"}""", "*")).Problem("drying");
        (await Plan(Request(Plates, "glaze")))["schedule"]!.ToJsonString().ShouldNotBe(before, "cooled with the power off");
        (await Plan(Request(Plates, "glaze", """{"cooling":"as-the-glazes-ask"}""")))["schedule"]!.ToJsonString().ShouldBe(before);
        var ours = (await (await studio.Http.GetAsync("/api/plan/schools")).Read())
            .AsArray()
            .Where(s => s!["studioDefault"]!.GetValue<bool>())
            .Select(s => s!["way"]!.GetValue<string>());
        ours.ShouldBe(["by-the-wall", "by-what-comes-next", "middle", "brisk", "last-hundred", "as-the-glazes-ask", "off", "body-then-light"]);
        await Put("""{"cooling":"as-the-glazes-ask"}""", "*");
    }

    [Fact]
    public async Task A_number_that_was_worked_out_says_how()
    {
        var plan = await Plan(Request("""[{"what":"planters","count":3,"wall":25}]""", "bisque"));
        var drying = plan["steps"]!.AsArray().First(s => s!["by"]!.GetValue<string>() is "drying" or "steam-check")!["basis"]!;
        drying["formula"]!.GetValue<string>().ShouldContain("L²");
        drying["numbers"]!.GetValue<string>().ShouldContain("L = 25/2 + 2 = 14.5 mm");
        drying["source"]!.GetValue<string>().ShouldContain("Crank");
        plan["steps"]!.AsArray().Last()!["basis"].ShouldBeNull("nothing is worked out for an off");
    }

    [Fact]
    public async Task Lustre_is_planned_by_its_own_cone_and_wet_glaze_dried_first()
    {
        var lustre = await Plan(Request("""[{"what":"bowls","count":8,"wall":6,"glazedAlready":true}]""", "refiring", """{"goalCone":"019"}"""));
        var steps = lustre["steps"]!.AsArray().Select(s => s!["by"]!.GetValue<string>()).ToList();
        steps.ShouldContain("organics");
        lustre["preview"]!["findings"]!.AsArray().ShouldBeEmpty();
        await (await studio.Http.PostText("/api/plan", Request("""[{"what":"bowls","count":8,"wall":6}]""", "refiring").ToJsonString())).Problem("goalCone");

        var wet = await Plan(
            Request("""[{"what":"bowls","count":8,"wall":6,"dryness":"damp","glazes":[{"name":"Any","coneFrom":"6","coneTo":"6"}]}]""", "glaze")
        );
        wet["notes"]!.AsArray().Select(n => n!["id"]!.GetValue<string>()).ShouldContain("glaze-wet");
        wet["preview"]!["findings"]!.AsArray().ShouldBeEmpty();
    }
}
