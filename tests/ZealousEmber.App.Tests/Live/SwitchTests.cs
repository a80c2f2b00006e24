using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Live;

/// <summary>A kiln with switches from its start to everything off, over real HTTP: turns made, a reading that plans anew, a restart.</summary>
public sealed class SwitchTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private HttpClient Http { get; set; } = studio.Http;

    private async Task<int> Started(double hoursAgo)
    {
        var controller = (await Http.Get("/api/controllers")).AsArray().First(c => c!["profile"]!["name"]!.GetValue<string>() == "Spyhole")!["id"]!;
        var (kiln, firing) = await Http.Plan();
        var stored = (await Http.Get($"/api/kilns/{kiln}"))["kiln"]!;
        stored["controllerId"] = controller.GetValue<int>();
        var put = new HttpRequestMessage(HttpMethod.Put, $"/api/kilns/{kiln}") { Content = JsonContent.Create(stored) };
        put.Headers.TryAddWithoutValidation("If-Match", "*");
        await (await Http.SendAsync(put)).Read();
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = studio.Clock.GetUtcNow().AddHours(-hoursAgo) })).Read(201);
        return firing;
    }

    private Task<HttpResponseMessage> Note(int firing, JsonObject entry)
    {
        entry["key"] = Guid.NewGuid().ToString();
        return Http.Send($"/api/firings/{firing}/entries", entry);
    }

    private static JsonArray Words(JsonNode turn) => turn["positions"]!.DeepClone().AsArray();

    [Fact]
    public async Task It_is_turned_from_the_start_to_everything_off()
    {
        await using var before = new RunningStudio { LeavesFolder = true };
        await before.InitializeAsync();
        Http = before.Http;
        var firing = await Started(3);
        var began = DateTimeOffset.Parse((await Http.Get($"/api/firings/{firing}/run"))["startsAt"]!.GetValue<string>(), null);
        var plan = await Http.Get($"/api/firings/{firing}/switches");
        plan["sections"]!.AsArray().Select(s => s!.GetValue<string>()).ShouldBe(["upper", "middle", "lower"]);
        var turns = plan["turns"]!.AsArray();
        (turns.Count > 3, plan.Number("due"), turns[0]!["isMade"]!.GetValue<bool>(), turns[1]!["isMade"]!.GetValue<bool>()).ShouldBe((true, 1, true, false));
        var next = (await Http.Get($"/api/firings/{firing}/live"))["next"]!;
        (next["kind"]!.GetValue<string>(), next.Number("minute")).ShouldBe(("turn", turns[1]!.Number("minute")));

        // A reading far under what was asked for: the elements give less, and what follows is planned anew.
        var minute = turns[1]!.Number("minute");
        var at = began.AddMinutes(minute);
        await (
            await Note(
                firing,
                new JsonObject
                {
                    ["kind"] = "reading",
                    ["at"] = at.AddMinutes(-0.5),
                    ["celsius"] = turns[1]!.Number("shouldBe") * 0.8,
                }
            )
        ).Read(201);
        await (
            await Note(
                firing,
                new JsonObject
                {
                    ["kind"] = "turned",
                    ["at"] = at,
                    ["positions"] = Words(turns[1]!),
                }
            )
        ).Read(201);
        var anew = await Http.Get($"/api/firings/{firing}/switches");
        (anew.Number("due"), anew.Number("power") < 0.98).ShouldBe((2, true));
        anew.Number("offMinute").ShouldBeGreaterThan(plan.Number("offMinute") - 1);
        var log = (await Http.Get($"/api/firings/{firing}/entries")).AsArray();
        log.Count(e => e!["kind"]!.GetValue<string>() == "replanned").ShouldBeGreaterThan(0);
        log.Last(e => e!["kind"]!.GetValue<string>() == "turned")!["text"]!.GetValue<string>().ShouldContain("upper ");

        await before.DisposeAsync();
        await using var after = new RunningStudio { Folder = before.Folder };
        await after.InitializeAsync();
        Http = after.Http;
        (await Http.Get($"/api/firings/{firing}/switches")).ToJsonString().ShouldContain($"\"due\":2");

        await (await Note(firing, new JsonObject { ["kind"] = "turned", ["positions"] = new JsonArray("off", "off", "off") })).Read(201);
        (await Http.Get($"/api/firings/{firing}/switches"))["isOff"]!.GetValue<bool>().ShouldBeTrue();
        (await Http.Get($"/api/firings/{firing}/run"))["state"]!.GetValue<string>().ShouldBe("cooling");
    }

    [Fact]
    public async Task What_is_no_position_is_refused_at_its_field_and_a_controller_is_not_turned()
    {
        var firing = await Started(1);
        await (await Note(firing, new JsonObject { ["kind"] = "turned" })).Problem("positions");
        await (await Note(firing, new JsonObject { ["kind"] = "turned", ["positions"] = new JsonArray("low", "low") })).Problem("positions");
        await (await Note(firing, new JsonObject { ["kind"] = "turned", ["positions"] = new JsonArray("low", "wild", null) })).Problem("positions[1]");
        await (
            await Note(
                firing,
                new JsonObject
                {
                    ["kind"] = "note",
                    ["text"] = "x",
                    ["positions"] = new JsonArray("low", "low", "low"),
                }
            )
        ).Problem("positions");
        var (_, other) = await Http.Plan();
        await (await Http.Start(other, new JsonObject { ["link"] = "hand" })).Read(201);
        (await Http.GetAsync($"/api/firings/{other}/switches")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        await (await Note(other, new JsonObject { ["kind"] = "turned", ["positions"] = new JsonArray("low", "low", "low") })).Problem("kind");
    }
}
