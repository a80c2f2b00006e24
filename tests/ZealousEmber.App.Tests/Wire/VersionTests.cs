using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Versions, keys of saves, who saved, and what a firing is planned with: the same for everything that is edited.</summary>
public sealed class VersionTests(EmptyStudio studio) : IClassFixture<EmptyStudio>
{
    public static TheoryData<string, string, string> Things =>
        new()
        {
            { "/api/kilns", """{"name":"Teal","class":"top-190"}""", "kiln" },
            { "/api/clays", """{"name":"Marsh","kind":"stoneware"}""", "clay" },
            { "/api/glazes", """{"name":"Oyster"}""", "glaze" },
            { "/api/firings", """{"name":"Thursday","kind":"bisque"}""", "firing" },
            { "/api/schedules", Wire.GlazeFiring().ToJsonString(), "" },
        };

    private async Task<HttpResponseMessage> Send(HttpMethod method, string path, JsonNode? body = null, params (string Name, string Value)[] headers)
    {
        var request = new HttpRequestMessage(method, path) { Content = body is null ? null : JsonContent.Create(body) };
        foreach (var (name, value) in headers)
            request.Headers.TryAddWithoutValidation(name, value);
        return await studio.Http.SendAsync(request);
    }

    private static JsonNode Renamed(string good, string name) => JsonNode.Parse(good)!.With("name", name);

    [Theory]
    [MemberData(nameof(Things))]
    public async Task Sent_again_with_the_same_key_it_is_made_once(string path, string good, string within)
    {
        var key = Guid.NewGuid().ToString();
        var first = await (await Send(HttpMethod.Post, path, Renamed(good, $"Once {within}"), ("Idempotency-Key", key))).Read(201);
        var again = await (await Send(HttpMethod.Post, path, Renamed(good, $"Once {within}"), ("Idempotency-Key", key))).Read(201);
        again["id"]!.GetValue<int>().ShouldBe(first["id"]!.GetValue<int>());
        again["version"]!.GetValue<int>().ShouldBe(1);
        (await (await Send(HttpMethod.Post, path, Renamed(good, "Another"), ("Idempotency-Key", Guid.NewGuid().ToString()))).Read(201))["id"]!
            .GetValue<int>()
            .ShouldNotBe(first["id"]!.GetValue<int>());
    }

    [Theory]
    [MemberData(nameof(Things))]
    public async Task A_save_whose_answer_was_lost_is_known_as_its_own(string path, string good, string within)
    {
        var id = (await (await Send(HttpMethod.Post, path, JsonNode.Parse(good))).Read(201))["id"]!.GetValue<int>();
        var key = Guid.NewGuid().ToString();
        var saved = await Send(HttpMethod.Put, $"{path}/{id}", Renamed(good, $"Saved {within}"), ("If-Match", "\"1\""), ("Idempotency-Key", key));
        (await saved.Read())["version"]!.GetValue<int>().ShouldBe(2);
        saved.Headers.GetValues("Save-Key").Single().ShouldBe(key);
        var again = await Send(HttpMethod.Put, $"{path}/{id}", Renamed(good, $"Saved {within}"), ("If-Match", "\"1\""), ("Idempotency-Key", key));
        (await again.Read())["version"]!.GetValue<int>().ShouldBe(2, "the very same save");
        var other = await Send(
            HttpMethod.Put,
            $"{path}/{id}",
            Renamed(good, "Typed later"),
            ("If-Match", "\"1\""),
            ("Idempotency-Key", Guid.NewGuid().ToString())
        );
        var conflict = await other.Read(412);
        other.Headers.GetValues("Save-Key").Single().ShouldBe(key, "so that the device knows it as its own");
        conflict["current"]!["version"]!.GetValue<int>().ShouldBe(2);
    }

    [Theory]
    [MemberData(nameof(Things))]
    public async Task Deleting_minds_the_version_and_a_weak_tag_is_none(string path, string good, string within)
    {
        var id = (await (await Send(HttpMethod.Post, path, Renamed(good, $"Doomed {within}"))).Read(201))["id"]!.GetValue<int>();
        await Send(HttpMethod.Put, $"{path}/{id}", Renamed(good, "Changed since"), ("If-Match", "\"1\""));
        (await (await Send(HttpMethod.Delete, $"{path}/{id}", null, ("If-Match", "\"1\""))).Read(412))["current"]!["version"]!.GetValue<int>().ShouldBe(2);
        await (await Send(HttpMethod.Delete, $"{path}/{id}", null, ("If-Match", "W/\"2\""))).Read(412);
        await (await Send(HttpMethod.Put, $"{path}/{id}", Renamed(good, "Weak"), ("If-Match", "W/\"2\""))).Read(412);
        ((int)(await studio.Http.GetAsync($"{path}/{id}")).StatusCode).ShouldBe(200);
        ((int)(await Send(HttpMethod.Delete, $"{path}/{id}", null, ("If-Match", "\"2\""))).StatusCode).ShouldBe(204);
        await (await studio.Http.GetAsync($"{path}/{id}")).Read(404);
        await (await studio.Http.PostAsync($"{path}/{id}/restore", null)).Read();
    }

    [Fact]
    public async Task A_history_says_who()
    {
        var id = (await studio.Http.Create())["id"]!.GetValue<int>();
        await Send(
            HttpMethod.Put,
            $"/api/schedules/{id}",
            Wire.GlazeFiring().With("name", "By Maren"),
            ("If-Match", "\"1\""),
            ("Studio-Person", Uri.EscapeDataString("Maren Ö."))
        );
        var versions = (await (await studio.Http.GetAsync($"/api/schedules/{id}/versions?all=true")).Read()).AsArray();
        versions.Select(v => v!["savedBy"]?.GetValue<string>()).ShouldBe(["Maren Ö.", null]);
    }

    [Fact]
    public async Task A_firing_pins_the_version_of_its_schedule_and_its_kiln_as_it_was()
    {
        var schedule = (await studio.Http.Create())["id"]!.GetValue<int>();
        var kiln = (await (await studio.Http.PostText("/api/kilns", """{"name":"Pinned","class":"top-190","power":10000}""")).Read(201))["id"]!.GetValue<int>();
        var body = new JsonObject
        {
            ["name"] = "Pins",
            ["kind"] = "glaze",
            ["kilnId"] = kiln,
            ["scheduleId"] = schedule,
        };
        var made = await (await Send(HttpMethod.Post, "/api/firings", body, ("Studio-Person", "Maren"))).Read(201);
        made["firing"]!["scheduleVersion"]!.GetValue<int>().ShouldBe(1);
        await Send(HttpMethod.Put, $"/api/schedules/{schedule}", Wire.GlazeFiring().With("name", "Changed"), ("If-Match", "\"1\""));
        await Send(HttpMethod.Put, $"/api/kilns/{kiln}", JsonNode.Parse("""{"name":"Pinned","class":"top-190","power":14000}"""), ("If-Match", "\"1\""));

        var accepted = made["firing"]!.With("accepted", JsonNode.Parse("""[{"id":"steam-risk","severity":"look","note":"dried on the lid"}]"""));
        var saved = (await (await Send(HttpMethod.Put, $"/api/firings/{made["id"]}", accepted, ("If-Match", "\"1\""), ("Studio-Person", "Tobin"))).Read())[
            "firing"
        ]!;
        saved["scheduleVersion"]!.GetValue<int>().ShouldBe(1);
        saved["kilnVersion"]!.GetValue<int>().ShouldBe(1);
        saved["kilnAsPlanned"]!.Number("power").ShouldBe(10_000);
        saved["accepted"]![0]!["by"]!.GetValue<string>().ShouldBe("Tobin");
        saved["accepted"]![0]!["at"].ShouldNotBeNull();
        await (await Send(HttpMethod.Put, $"/api/firings/{made["id"]}", saved.With("scheduleVersion", 99), ("If-Match", "\"2\""))).Problem("scheduleVersion");
    }

    [Fact]
    public async Task The_library_comes_a_part_at_a_time()
    {
        var file = new JsonObject
        {
            ["format"] = "zealous-ember-schedules",
            ["version"] = 1,
            ["schedules"] = new JsonArray([.. Enumerable.Range(0, 130).Select(i => Wire.GlazeFiring().With("name", $"Paged pottery {i}"))]),
        };
        (await (await studio.Http.PostAsJsonAsync("/api/schedules/import", file)).Read(201))["imported"]!.AsArray().Count.ShouldBe(130);
        var seen = new HashSet<int>();
        var next = "/api/schedules?search=paged%20pott&take=50";
        for (var parts = 0; next is not null; parts++)
        {
            parts.ShouldBeLessThan(4);
            var part = await studio.Http.GetAsync(next);
            part.Headers.GetValues("X-Total-Count").Single().ShouldBe("130");
            foreach (var schedule in (await part.Read()).AsArray())
                seen.Add(schedule!["id"]!.GetValue<int>()).ShouldBeTrue("each once");
            next = part.Headers.TryGetValues("Link", out var link) ? link.Single().Split('<', '>')[1] : null;
        }
        seen.Count.ShouldBe(130);
        await (await studio.Http.GetAsync("/api/schedules?take=0")).Problem("take");
        await (await studio.Http.GetAsync("/api/schedules?take=501")).Problem("take");
        await (await studio.Http.GetAsync("/api/schedules?skip=-1")).Problem("skip");
    }

    [Theory]
    [InlineData("schedules?search=%25", 0)]
    [InlineData("schedules?search=%22", 0)]
    [InlineData("schedules?search=AND OR NOT", 0)]
    [InlineData("schedules?search=*", 0)]
    [InlineData("schedules?search=zzz(", 0)]
    public async Task A_search_takes_every_character_as_it_is(string query, int found) =>
        (await (await studio.Http.GetAsync($"/api/{query}")).Read()).AsArray().Count.ShouldBe(found);
}
