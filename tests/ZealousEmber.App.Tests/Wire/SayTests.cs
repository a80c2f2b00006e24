using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Sentences over HTTP; what they say is tested in the core.</summary>
public sealed class SayTests(SharedStudio studio)
{
    private const string Now = "2026-12-02T10:00:00+00:00";

    private Task<HttpResponseMessage> Say(string? text, string? now = Now, string? unit = null) =>
        studio.Http.PostAsJsonAsync(
            "/api/say",
            new
            {
                text,
                now,
                unit,
            }
        );

    [Fact]
    public async Task A_sentence_is_answered_to_the_field()
    {
        var said = await (await Say("7 gnomes 3/8 in thick, thrown yesterday, for Ada, bisque 04 slow, start Thu 22:00")).Read();
        said.AsObject().Select(m => m.Key).ShouldBe(["firing", "read", "unread", "asked"]);
        var firing = said["firing"]!.AsObject();
        firing.Select(m => m.Key).ShouldBe(["name", "kind", "kilnId", "goalCone", "startsAt", "readyBy", "lots", "wishes"]);
        (firing["kind"]!.GetValue<string>(), firing["goalCone"]!.GetValue<string>()).ShouldBe(("bisque", "04"));
        foreach (var unsaid in (string[])["name", "kilnId", "readyBy"])
            firing[unsaid].ShouldBeNull(unsaid);
        DateTimeOffset
            .Parse(firing["startsAt"]!.GetValue<string>(), System.Globalization.CultureInfo.InvariantCulture)
            .ShouldBe(DateTimeOffset.Parse("2026-12-03T22:00:00Z", System.Globalization.CultureInfo.InvariantCulture));
        firing["wishes"]!
            .AsObject()
            .Select(m => m.Key)
            .Order()
            .ShouldBe(["air", "approach", "cheap", "cooling", "dropBy", "drying", "goal", "hold", "holdMinutes", "pace", "packed", "witnessPack"]);
        firing["wishes"]!["pace"]!.GetValue<string>().ShouldBe("slow");
        var lot = firing["lots"]!.AsArray().ShouldHaveSingleItem()!;
        (lot["what"]!.GetValue<string>(), lot.Number("count"), lot.Number("wall"), lot["whose"]!.GetValue<string>()).ShouldBe(("gnomes", 7, 9.525, "Ada"));
        lot["typed"]!["wall"]!.GetValue<string>().ShouldBe("3/8 in");
        lot["dryness"]!.GetValue<string>().ShouldBe("leather-hard", "what is proposed, since nothing would mean bone dry");
        foreach (var unsaid in (string[])["clayId", "next", "oneSided", "closedHollow", "must", "piece", "pieceKg"])
            lot[unsaid].ShouldBeNull(unsaid);
        var ask = said["asked"]!.AsArray().ShouldHaveSingleItem()!;
        ask.AsObject().Select(m => m.Key).ShouldBe(["from", "to", "about", "text", "choices"]);
        ask["about"]!.GetValue<string>().ShouldBe("dryness");
        ask["choices"]![0]!["set"]!
            .AsObject()
            .ShouldHaveSingleItem()
            .ShouldSatisfyAllConditions(s => s.Key.ShouldBe("/lots/0/dryness"), s => s.Value!.GetValue<string>().ShouldBe("leather-hard"));
        said["read"]![0]!.AsObject().Select(m => m.Key).ShouldBe(["from", "to", "as", "text"]);
    }

    [Fact]
    public async Task What_cannot_be_read_at_all_is_told_at_its_field()
    {
        (await (await Say(null)).Problem("text")).ShouldContain("Say what");
        (await (await Say("  \n")).Problem("text")).ShouldContain("Say what");
        (await (await Say(new string('x', 4001))).Problem("text")).ShouldContain("At most 4000");
        (await (await Say("20 mugs", now: null)).Problem("now")).ShouldContain("offset");
        (await (await Say("20 mugs", now: "2026-12-02T10:00:00")).Read(422)).ShouldNotBeNull();
        (await (await Say("20 mugs", now: "0001-01-01T00:00:00Z")).Problem("now")).ShouldContain("1900");
        (await (await Say("20 mugs", unit: "R")).Problem("unit")).ShouldContain("C or F");
    }

    [Fact]
    public async Task Names_are_the_studios_own_and_nothing_is_stored()
    {
        var clay = (int)(await (await studio.Http.PostText("/api/clays", """{"name":"Fenland Buff","kind":"other"}""")).Read(201))["id"]!;
        var glaze = (int)(await (await studio.Http.PostText("/api/glazes", """{"name":"Samphire gloss","coneFrom":"6","coneTo":"6"}""")).Read(201))["id"]!;
        var kiln = (int)(await (await studio.Http.PostText("/api/kilns", """{"name":"Avocet","class":"bench"}""")).Read(201))["id"]!;
        var before = (await (await studio.Http.GetAsync("/api/firings")).Read()).AsArray().Count;
        var said = await (await Say("12 cups fenland buff in samphire gloss, cone 6 in Avocet")).Read();
        (said["firing"]!.Number("kilnId"), said["firing"]!["kind"]!.GetValue<string>()).ShouldBe((kiln, "glaze"));
        var lot = said["firing"]!["lots"]![0]!;
        lot.Number("clayId").ShouldBe(clay);
        lot["glazeIds"]!.AsArray().ShouldHaveSingleItem()!.GetValue<int>().ShouldBe(glaze);
        // Whoever had ware in a firing is known from then on.
        JsonNode Asked(JsonNode answer) => answer["asked"]!;
        Asked(await (await Say("9 cups Quill, bone dry, bisque 06")).Read()).AsArray().ShouldContain(a => a!["about"]!.GetValue<string>() == "whose");
        (await (await studio.Http.GetAsync("/api/firings")).Read()).AsArray().Count.ShouldBe(before);
        await (
            await studio.Http.PostText("/api/firings", """{"name":"Quill's","kind":"bisque","lots":[{"what":"jars","count":2,"wall":6,"whose":"Quill"}]}""")
        ).Read(201);
        var known = await (await Say("9 cups Quill, bone dry, bisque 06")).Read();
        known["firing"]!["lots"]![0]!["whose"]!.GetValue<string>().ShouldBe("Quill");
        Asked(known).AsArray().ShouldBeEmpty();
    }
}
