using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Live;

/// <summary>One firing, one truth: what is planned, what is set and what is watched, and what is started.</summary>
public sealed class SummaryTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private const string Text =
        """{"name":"Glaze for Wedge","kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":100,"target":1100},{"pace":"rate","rate":60,"target":1211,"holdMinutes":10},{"pace":"natural"}]}""";

    private HttpClient Http => studio.Http;

    /// <summary>A firing in a kiln with a keypad, its program keyed in and read back right.</summary>
    private async Task<(int Firing, int Kiln, int Schedule)> Set()
    {
        var controller = (await Http.Get("/api/controllers")).AsArray().First(c => c!["profile"]!["name"]!.GetValue<string>() == "Wedge")![
            "id"
        ]!.GetValue<int>();
        var kiln = (
            await (
                await Http.PostAsJsonAsync(
                    "/api/kilns",
                    new JsonObject
                    {
                        ["name"] = "Plover",
                        ["class"] = "top-190",
                        ["controllerId"] = controller,
                        ["room"] = 14,
                    }
                )
            ).Read(201)
        )["id"]!.GetValue<int>();
        var schedule = (await (await Http.PostText("/api/schedules", Text)).Read(201))["id"]!.GetValue<int>();
        var firing = (
            await (
                await Http.PostAsJsonAsync(
                    "/api/firings",
                    new JsonObject
                    {
                        ["name"] = "Load",
                        ["kind"] = "glaze",
                        ["kilnId"] = kiln,
                        ["scheduleId"] = schedule,
                        ["scheduleVersion"] = 1,
                    }
                )
            ).Read(201)
        )["id"]!.GetValue<int>();
        var fit = await (
            await Http.PostAsJsonAsync("/api/controllers/fit", new JsonObject { ["schedule"] = JsonNode.Parse(Text), ["profileId"] = controller })
        ).Read();
        var entered = await (
            await Http.PostAsJsonAsync(
                $"/api/kilns/{kiln}/entered",
                new JsonObject
                {
                    ["schedule"] = JsonNode.Parse(Text),
                    ["scheduleId"] = schedule,
                    ["scheduleVersion"] = 1,
                    ["firingId"] = firing,
                    ["shown"] = new JsonArray([.. fit["program"]!.AsArray().Select(a => (JsonNode)a!["shown"]!.GetValue<string>())]),
                }
            )
        ).Read(201);
        entered["entered"]!["clean"]!.GetValue<bool>().ShouldBeTrue(entered.ToJsonString());
        return (firing, kiln, schedule);
    }

    private async Task Edit(int schedule, double top, double hold)
    {
        var changed = JsonNode.Parse(Text)!;
        (changed["segments"]![1]!["target"], changed["segments"]![1]!["holdMinutes"]) = (top, hold);
        await (await Http.Put(schedule, changed, "*")).Read();
    }

    [Fact]
    public async Task What_was_set_is_what_is_fired()
    {
        var (firing, _, _) = await Set();
        var before = await Http.Get($"/api/firings/{firing}/summary");
        before["set"]!["source"]!.GetValue<string>().ShouldBe("entered");
        before["planned"]!["source"]!.GetValue<string>().ShouldBe("plan");
        before["watched"].ShouldBeNull();
        before["differs"]!.AsArray().ShouldBeEmpty();
        (await Http.Get($"/api/firings/{firing}/entries")).AsArray().ShouldHaveSingleItem()!["subject"]!.GetValue<string>().ShouldBe("Program read back");
        var run = await (await Http.Start(firing, new JsonObject { ["link"] = "push" })).Read(201);
        run["isAsEntered"]!.GetValue<bool>().ShouldBeTrue();
        var after = await Http.Get($"/api/firings/{firing}/summary");
        after["watched"]!["line"]!.GetValue<string>().ShouldBe(after["set"]!["line"]!.GetValue<string>());
        after["watched"]!["source"]!.GetValue<string>().ShouldBe("run");
        after["watched"]!.Number("energyKwh").ShouldBe(after["set"]!.Number("energyKwh"), 0.01);
        after["differs"]!.AsArray().ShouldBeEmpty();
    }

    [Theory]
    [InlineData("set", 1211)]
    [InlineData("planned", 1230)]
    public async Task A_schedule_changed_after_it_was_set_is_asked_about(string answer, double top)
    {
        var (firing, _, schedule) = await Set();
        await Edit(schedule, 1230, 45);
        var summary = await Http.Get($"/api/firings/{firing}/summary");
        summary["planned"]!["source"]!.GetValue<string>().ShouldBe("schedule");
        (summary["planned"]!.Number("topC"), summary["planned"]!["version"]!.GetValue<int>()).ShouldBe((1230, 2));
        summary["set"]!.Number("topC").ShouldBe(1211);
        var differs = summary["differs"]!.AsArray().ShouldHaveSingleItem()!;
        differs["between"]!.AsArray().Select(b => b!.GetValue<string>()).ShouldBe(["planned", "set"]);
        differs["what"]!.GetValue<string>().ShouldBe("program");
        var question = await (await Http.Start(firing, new JsonObject { ["link"] = "push" })).Read(409);
        (question["set"]!.Number("topC"), question["planned"]!.Number("topC")).ShouldBe((1211, 1230));
        (await Http.GetAsync($"/api/firings/{firing}/run")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NoContent, "nothing was started");
        var run = await (await Http.Start(firing, new JsonObject { ["link"] = "push", ["program"] = answer })).Read(201);
        run["isAsEntered"]!.GetValue<bool>().ShouldBe(answer == "set");
        (await Http.Get($"/api/firings/{firing}/summary"))["watched"]!.Number("topC").ShouldBe(top);
    }

    [Fact]
    public async Task With_nothing_set_the_plan_as_it_stands_is_started_and_that_is_said()
    {
        var (_, firing) = await Http.Plan();
        (await (await Http.Start(firing, new JsonObject { ["link"] = "push", ["program"] = "set" })).Problem("program")).ShouldContain("read back");
        var run = await (await Http.Start(firing, new JsonObject { ["link"] = "push" })).Read(201);
        run["isAsEntered"]!.GetValue<bool>().ShouldBeFalse();
        (await Http.Get($"/api/firings/{firing}/entries"))[0]!["text"]!.GetValue<string>().ShouldContain("nothing was read back");
    }

    [Fact]
    public async Task Every_stage_takes_its_numbers_from_the_same_load_on_the_same_shelves()
    {
        var kiln = (
            await (
                await Http.PostAsJsonAsync(
                    "/api/kilns",
                    new JsonObject
                    {
                        ["name"] = "Dunlin",
                        ["class"] = "top-190",
                        ["room"] = 12,
                    }
                )
            ).Read(201)
        )["id"]!.GetValue<int>();
        var schedule = (await (await Http.PostText("/api/schedules", Text)).Read(201))["id"]!.GetValue<int>();
        var lots = new JsonArray(
            new JsonObject
            {
                ["what"] = "mugs",
                ["count"] = 30,
                ["wall"] = 5,
                ["piece"] = new JsonObject
                {
                    ["across"] = 85,
                    ["height"] = 100,
                    ["handle"] = 30,
                },
            }
        );
        var firing = (
            await (
                await Http.PostAsJsonAsync(
                    "/api/firings",
                    new JsonObject
                    {
                        ["name"] = "Mugs",
                        ["kind"] = "glaze",
                        ["kilnId"] = kiln,
                        ["scheduleId"] = schedule,
                        ["lots"] = lots.DeepClone(),
                        ["witnessPack"] = true,
                    }
                )
            ).Read(201)
        )["id"]!.GetValue<int>();
        var packed = await (
            await Http.PostAsJsonAsync(
                "/api/packing",
                new JsonObject
                {
                    ["kind"] = "glaze",
                    ["kilnId"] = kiln,
                    ["load"] = new JsonObject { ["lots"] = lots.DeepClone() },
                    ["packs"] = true,
                }
            )
        ).Read();
        var planned = (await Http.Get($"/api/firings/{firing}/summary"))["planned"]!;
        planned.Number("furnitureKg").ShouldBe(packed["totals"]!.Number("furnitureKg"), 0.01);
        var preview = await (
            await Http.PostAsJsonAsync(
                "/api/preview",
                new JsonObject
                {
                    ["schedule"] = JsonNode.Parse(Text),
                    ["kilnId"] = kiln,
                    ["load"] = new JsonObject { ["firingId"] = firing },
                }
            )
        ).Read();
        preview["kiln"]!["load"]!.Number("furnitureKg").ShouldBe(planned.Number("furnitureKg"), 0.01);
        preview["kiln"]!.Number("energyKwh").ShouldBe(planned.Number("energyKwh"), 0.02);
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand" })).Read(201);
        var watched = (await Http.Get($"/api/firings/{firing}/summary"))["watched"]!;
        foreach (var number in new[] { "energyKwh", "opensMinutes", "loadKg", "furnitureKg", "powerOnMinutes" })
            watched.Number(number).ShouldBe(planned.Number(number), 0.02, number);
    }
}
