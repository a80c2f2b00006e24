using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Packing, its check and its firings over real HTTP; a kiln's chamber and a firing's packing as they are kept.</summary>
public sealed class PackingTests(SharedStudio studio)
{
    private const string Mug = """{"shape":"round","across":85,"height":100,"handle":35,"stacking":"layers"}""";
    private const string Chamber =
        """{"shape":"rectangle","width":500,"depth":450,"height":600,"shelves":[{"width":450,"depth":400,"thickness":15,"count":5}],"peepholes":[120],"thermocouple":{"z":300,"reach":30}}""";

    private static JsonObject Request(int mugs, string kind = "glaze", string more = """{"kiln":{"class":"top-190"}}""")
    {
        var request = JsonNode.Parse(more)!.AsObject();
        request["kind"] = kind;
        request["load"] = new JsonObject
        {
            ["lots"] = new JsonArray(
                new JsonObject
                {
                    ["what"] = "mugs",
                    ["count"] = mugs,
                    ["pieceKg"] = 0.4,
                    ["piece"] = JsonNode.Parse(Mug),
                }
            ),
        };
        return request;
    }

    private Task<HttpResponseMessage> Post(string path, JsonNode body) => studio.Http.PostAsJsonAsync(path, body);

    [Fact]
    public async Task A_load_is_packed_the_same_way_twice_and_its_plan_stands_the_check()
    {
        var request = Request(30, more: """{"kiln":{"class":"top-190"},"packs":true}""");
        var plan = await (await Post("/api/packing", request)).Read();
        (await (await Post("/api/packing", request)).Read()).ToJsonString().ShouldBe(plan.ToJsonString());
        plan["fits"]!.GetValue<bool>().ShouldBeTrue();
        plan["shelves"]!.AsArray().Sum(s => s!["pieces"]!.AsArray().Sum(p => p!["stack"]!.GetValue<int>())).ShouldBe(30);
        plan["totals"]!.Number("wareKg").ShouldBe(12, 1e-9);
        plan["pickUp"]!.AsArray().ShouldNotBeEmpty();
        var check = request.DeepClone();
        check["shelves"] = plan["shelves"]!.DeepClone();
        (await (await Post("/api/packing/check", check)).Read())["broken"]!.AsArray().ShouldBeEmpty();
        check["shelves"]![0]!["pieces"]![0]!["x"] = 260;
        (await (await Post("/api/packing/check", check)).Read())["broken"]!.AsArray().Select(b => b!["rule"]!.GetValue<string>()).ShouldContain("wall");
    }

    [Fact]
    public async Task Shelves_beside_each_other_say_where_they_lie_and_are_kept_there()
    {
        const string wide =
            """{"chamber":{"shape":"rectangle","width":1100,"depth":665,"height":600,"shelves":[{"width":500,"depth":300,"thickness":15,"count":12}]}}""";
        var request = Request(200, more: wide);
        var plan = await (await Post("/api/packing", request)).Read();
        var shelves = plan["shelves"]!.AsArray();
        shelves.Select(s => s!["where"]!.GetValue<string>()).Distinct().Order().ShouldBe(["left, back", "left, front", "right, back", "right, front"]);
        shelves[0]!["outline"]!.AsArray().Count.ShouldBe(8);
        shelves.Select(s => (int)s!["place"]!.Number("x")).Distinct().Order().ShouldBe([-255, 255]);
        request["keep"] = new JsonObject
        {
            ["openings"] = new JsonArray([.. shelves.Select(s => s!["opening"]!.DeepClone())]),
            ["regions"] = new JsonArray([.. shelves.Select(s => s!["region"]!.DeepClone())]),
            ["columns"] = new JsonArray([.. shelves.Select(s => s!["column"]!.DeepClone())]),
        };
        var kept = (await (await Post("/api/packing", request)).Read())["shelves"]!.AsArray();
        kept.Select(s => (s!["where"]!.ToJsonString(), s["z"]!.ToJsonString()))
            .ShouldBe(shelves.Select(s => (s!["where"]!.ToJsonString(), s["z"]!.ToJsonString())));
        var check = request.DeepClone();
        check["shelves"] = plan["shelves"]!.DeepClone();
        (await (await Post("/api/packing/check", check)).Read())["broken"]!.AsArray().Select(b => b!["rule"]!.GetValue<string>()).ShouldBe(["pack-missing"]);
    }

    [Fact]
    public async Task Tiles_lie_as_tall_as_they_are_thick()
    {
        var request = Request(1, kind: "bisque");
        request["load"] = JsonNode.Parse(
            """{"lots":[{"what":"tiles","count":40,"wall":10,"piece":{"shape":"rectangle","across":150,"deep":150,"stacking":"flat"}}]}"""
        );
        var plan = await (await Post("/api/packing", request)).Read();
        plan["fits"]!.GetValue<bool>().ShouldBeTrue();
        plan["shelves"]!.AsArray().Max(s => s!["pieces"]!.AsArray().Max(p => p!["stack"]!.GetValue<int>())).ShouldBe(4);
    }

    [Fact]
    public async Task What_does_not_fit_says_why_and_how_many_firings_it_takes()
    {
        var plan = await (await Post("/api/packing", Request(80))).Read();
        plan["fits"]!.GetValue<bool>().ShouldBeFalse();
        var left = plan["unplaced"]!.AsArray().Single()!;
        (plan["lots"]![0]!["placed"]!.GetValue<int>() + left["count"]!.GetValue<int>()).ShouldBe(80);
        left["why"]!.GetValue<string>().ShouldContain("mm more for another shelf");
        var firings = await (await Post("/api/packing/firings", Request(114))).Read();
        firings["count"]!.GetValue<int>().ShouldBe(3);
        firings["firings"]!.AsArray().Sum(f => f!["totals"]!["pieces"]!.GetValue<int>()).ShouldBe(114);
    }

    [Fact]
    public async Task A_chamber_may_be_given_and_pieces_kept_where_they_are()
    {
        var request = Request(12, more: $$"""{"chamber":{{Chamber}},"keep":{"openings":[125],"pieces":[{"shelf":1,"lot":0,"x":-40,"y":20,"held":true}]} }""");
        var plan = await (await Post("/api/packing", request)).Read();
        plan["chamber"]!.Number("width").ShouldBe(500);
        plan["shelves"]![0]!.Number("opening").ShouldBe(125);
        plan["shelves"]![0]!["pieces"]!.AsArray().ShouldContain(p => p!.Number("x") == -40 && p!.Number("y") == 20);
        plan["broken"]!.AsArray().ShouldBeEmpty();
    }

    [Theory]
    [InlineData("{}", "kilnId", "Say which kiln")]
    [InlineData("""{"kilnId":99999}""", "kilnId", "no kiln 99999")]
    [InlineData("""{"chamber":{"width":5000,"height":600,"shelves":[{"width":400,"thickness":15,"count":2}]}}""", "chamber.width", "between 100 and 3000")]
    [InlineData("""{"chamber":{"width":500,"height":600,"shelves":[]}}""", "chamber.shelves", "no shelves")]
    [InlineData(
        """{"chamber":{"width":500,"height":600,"shelves":[{"width":700,"thickness":15,"count":2}]}}""",
        "chamber.shelves[0].width",
        "between 50 and 500"
    )]
    [InlineData("""{"kiln":{"class":"top-190"},"props":{"across":0}}""", "props.across", "10 to 150")]
    [InlineData("""{"kiln":{"class":"top-190"},"props":{"stock":[{"height":0,"count":3}]}}""", "props.stock[0].height", "5 to 600")]
    [InlineData("""{"kiln":{"class":"top-190"},"rules":{"gap":-1}}""", "rules.gap", "0 and 200")]
    [InlineData("""{"kiln":{"class":"top-190"},"handles":"off"}""", "handles", "turned")]
    [InlineData("""{"kiln":{"class":"top-190"},"keep":{"pieces":[{"shelf":0,"lot":0,"x":1,"y":1}]}}""", "keep.pieces[0]", "its shelf")]
    [InlineData("""{"kiln":{"class":"top-190"},"keep":{"pieces":[{"shelf":1,"lot":7,"x":1,"y":1}]}}""", "keep.pieces[0].lot", "no such lot")]
    [InlineData("""{"kiln":{"class":"top-190"},"keep":{"pieces":[{"shelf":1,"lot":0,"x":5000,"y":1}]}}""", "keep.pieces[0].x", "outside the kiln")]
    [InlineData("""{"kiln":{"class":"top-190"},"keep":{"pieces":[{"shelf":1,"lot":0,"x":5}]}}""", "keep.pieces[0]", "its place in mm")]
    [InlineData("""{"kiln":{"class":"top-190"},"keep":{"openings":[1]}}""", "keep.openings", "5 to 3000")]
    [InlineData("""{"kiln":{"class":"top-190"},"keep":{"openings":[125,125],"regions":["full","front"]}}""", "keep.regions", "over one another")]
    [InlineData("""{"kiln":{"class":"top-190"},"shelves":"some"}""", "shelves", "half")]
    public async Task What_cannot_be_packed_is_said_at_its_field(string more, string field, string says) =>
        (await (await Post("/api/packing", Request(5, more: more))).Problem(field)).ShouldContain(says);

    [Fact]
    public async Task Sizes_are_asked_for_and_thousands_of_pieces_refused()
    {
        var request = Request(5);
        request["load"]!["lots"]![0]!["piece"] = new JsonObject { ["shape"] = "rectangle", ["across"] = 90 };
        (await (await Post("/api/packing", request)).Problem("load.lots[0].piece.deep")).ShouldContain("other side");
        (await (await Post("/api/packing", Request(5000))).Problem("load.lots")).ShouldContain("2000");
        (await (await Post("/api/packing/firings", Request(5000))).Problem("load.lots")).ShouldContain("2000");
    }

    [Fact]
    public async Task Lots_are_read_as_people_say_them()
    {
        var read = await (await Post("/api/lots/read", new JsonObject { ["text"] = "26 mugs ⌀85 × 100, handle 35, 6 mm, the class\nmugs" })).Read();
        read["lots"]!.AsArray().ShouldHaveSingleItem()!["piece"]!.Number("across").ShouldBe(85);
        read["unread"]!.AsArray().ShouldHaveSingleItem()!["why"]!.GetValue<string>().ShouldContain("how many");
        (await (await Post("/api/lots/read", new JsonObject { ["text"] = " " })).Problem("text")).ShouldContain("26 mugs");
        (await (await Post("/api/lots/read", new JsonObject { ["text"] = new string('x', 20_001) })).Problem("text")).ShouldContain("At most");
    }

    [Fact]
    public async Task Choices_are_packed_in_the_other_kilns_of_the_studio()
    {
        async Task<int> Kiln(string name, string kind) =>
            (int)(await (await studio.Http.PostText("/api/kilns", $$"""{"name":"{{name}}","class":"{{kind}}"}""")).Read(201))["id"]!;
        var (small, large) = (await Kiln("Wren", "top-190"), await Kiln("Heron", "top-290"));
        var found = await (await Post("/api/packing/choices", Request(62, more: $$"""{"kilnId":{{small}} }"""))).Read();
        found["asked"]!.GetValue<int>().ShouldBe(62);
        var other = found["choices"]!.AsArray().Single(c => c!["kilnId"]?.GetValue<int>() == large)!;
        (other["kind"]!.GetValue<string>(), other["kiln"]!.GetValue<string>(), other["placed"]!.GetValue<int>(), other["fits"]!.GetValue<bool>()).ShouldBe(
            ("other-kiln", "Heron", 62, true)
        );
        found["choices"]!.AsArray().ShouldContain(c => c!["kind"]!.GetValue<string>() == "handles-turned");
        (await (await Post("/api/packing/choices", Request(5, more: "{}"))).Problem("kilnId")).ShouldContain("which kiln");
        (await (await Post("/api/packing/choices", Request(5000))).Problem("load.lots")).ShouldContain("2000");
    }

    [Fact]
    public async Task A_plan_on_halves_is_kept_on_halves_and_pieces_find_a_place_on_their_shelf()
    {
        var request = Request(16, more: """{"kiln":{"class":"top-190"},"shelves":"half"}""");
        var plan = await (await Post("/api/packing", request)).Read();
        var shelves = plan["shelves"]!.AsArray();
        shelves.Select(s => s!["region"]!.GetValue<string>()).Distinct().Order().ShouldBe(["back", "front"]);
        request["keep"] = new JsonObject
        {
            ["openings"] = new JsonArray([.. shelves.Select(s => (JsonNode)s!.Number("opening"))]),
            ["regions"] = new JsonArray([.. shelves.Select(s => (JsonNode)s!["region"]!.GetValue<string>())]),
            ["pieces"] = new JsonArray(
                new JsonObject
                {
                    ["shelf"] = 2,
                    ["lot"] = 0,
                    ["held"] = true,
                }
            ),
        };
        var kept = await (await Post("/api/packing", request)).Read();
        kept["broken"]!.AsArray().ShouldBeEmpty();
        kept["shelves"]![1]!["pieces"]!.AsArray().Count(p => p!["held"]?.GetValue<bool>() == true).ShouldBe(1);
        kept["propHeights"]!.AsArray().Select(h => h!.GetValue<double>()).ShouldContain(shelves[0]!.Number("opening"));
        shelves[0]!.Number("needs").ShouldBe(125);
    }

    [Fact]
    public async Task Sizes_of_ware_are_remembered_from_firings()
    {
        await (
            await studio.Http.PostText(
                "/api/firings",
                """{"name":"Egg cups","kind":"glaze","lots":[{"what":"egg cups","count":8,"wall":4,"piece":{"across":50,"height":60}}]}"""
            )
        ).Read(201);
        var usual = await (await studio.Http.GetAsync("/api/lots/usual?what=Egg%20cup")).Read();
        usual["lots"]!.AsArray().ShouldHaveSingleItem()!["piece"]!.Number("across").ShouldBe(50);
        (await (await studio.Http.GetAsync("/api/lots/usual?what=yurts")).Read())["lots"]!.AsArray().ShouldBeEmpty();
        (await (await studio.Http.GetAsync("/api/lots/usual")).Read())["lots"]!.AsArray().ShouldContain(l => l!["what"]!.GetValue<string>() == "egg cups");
        var read = await (await Post("/api/lots/read", new JsonObject { ["text"] = "pieces;what\n12;egg cups\n;spoons" })).Read();
        read["lots"]!.AsArray().ShouldHaveSingleItem()!["piece"]!.Number("height").ShouldBe(60);
        read["heading"]!.GetValue<string>().ShouldBe("pieces;what");
    }

    [Fact]
    public async Task A_kiln_keeps_its_chamber_and_a_firing_how_it_is_packed()
    {
        var kiln = await (
            await studio.Http.PostText(
                "/api/kilns",
                $$"""{"name":"Curlew","class":"front-200","chamber":{{Chamber}},"props":{"across":30,"mostStacked":1,"stock":[{"height":125,"count":6}]} }"""
            )
        ).Read(201);
        var id = (int)kiln["id"]!;
        var read = await (await studio.Http.GetAsync($"/api/kilns/{id}")).Read();
        read["kiln"]!["chamber"]!.Number("depth").ShouldBe(450);
        read["kiln"]!["props"]!.Number("across").ShouldBe(30);
        (await (await Post("/api/kilns/portrait", new JsonObject { ["class"] = "bench" })).Read())["chamber"]!.Number("width").ShouldBe(285);
        (
            await (await studio.Http.PostText("/api/kilns", """{"name":"Curlew","class":"bench","chamber":{"width":20}}""")).Problem("chamber.width")
        ).ShouldContain("between 100");

        var request = Request(8, more: $$"""{"kilnId":{{id}} }""");
        (await (await Post("/api/packing", request)).Read()).Number("propAcross").ShouldBe(30);
        var firing = await (
            await studio.Http.PostText(
                "/api/firings",
                $$"""{"name":"Mugs","kind":"glaze","kilnId":{{id}},"dropBy":45,"lots":[{"what":"mugs","count":8,"wall":6,"must":true,"piece":{{Mug}}}],"packing":{"handles":"turned","keep":{"openings":[125],"pieces":[{"shelf":2,"lot":0,"x":3,"y":4,"turn":90,"stack":1,"held":true}]} } }"""
            )
        ).Read(201);
        var kept = (await (await studio.Http.GetAsync($"/api/firings/{firing["id"]}")).Read())["firing"]!;
        kept["packing"]!["handles"]!.GetValue<string>().ShouldBe("turned");
        kept["packing"]!["keep"]!["pieces"]![0]!.ToJsonString().ShouldBe("""{"shelf":2,"lot":0,"x":3,"y":4,"turn":90,"stack":1,"held":true}""");
        kept["lots"]![0]!["piece"]!.Number("handle").ShouldBe(35);
        kept["lots"]![0]!["must"]!.GetValue<bool>().ShouldBeTrue();
        kept.Number("dropBy").ShouldBe(45);
        kept["kilnAsPlanned"]!["chamber"]!.Number("height").ShouldBe(600);
    }
}
