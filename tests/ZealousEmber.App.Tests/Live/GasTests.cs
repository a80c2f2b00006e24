using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Live;

/// <summary>A gas firing over the wire: its rows, what is left out on purpose, and its cylinders.</summary>
public sealed class GasTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private const string Schedule =
        """{"name":"Cone 10","kind":"glaze","unit":"C","goalCone":"10","segments":[{"pace":"rate","rate":150,"target":900},{"pace":"rate","rate":100,"target":1270,"holdMinutes":20,"atmosphere":"light-reduction"},{"pace":"natural"}]}""";

    private HttpClient Http => studio.Http;

    private async Task<int> Started()
    {
        var kiln = await (await Http.PostAsJsonAsync("/api/kilns", new JsonObject { ["name"] = "Bittern", ["class"] = "updraft-300" })).Read(201);
        var schedule = await (await Http.PostText("/api/schedules", Schedule)).Read(201);
        var firing = await (
            await Http.PostAsJsonAsync(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = "Gas",
                    ["kind"] = "glaze",
                    ["kilnId"] = (int)kiln["id"]!,
                    ["scheduleId"] = (int)schedule["id"]!,
                }
            )
        ).Read(201);
        await (await Http.Start((int)firing["id"]!, new JsonObject { ["link"] = "hand", ["startsAt"] = studio.Clock.GetUtcNow().AddHours(-5) })).Read(201);
        return (int)firing["id"]!;
    }

    private Task<HttpResponseMessage> Note(int firing, string key, string kind, string? subject, JsonNode? setting = null, DateTimeOffset? at = null) =>
        Http.Send(
            $"/api/firings/{firing}/entries",
            new JsonObject
            {
                ["key"] = key,
                ["kind"] = kind,
                ["subject"] = subject,
                ["setting"] = setting,
                ["at"] = at,
            }
        );

    private Task<JsonNode> Turns(int firing) => Http.Get($"/api/firings/{firing}/turns");

    [Fact]
    public async Task A_row_left_out_and_a_cylinder_weighed_count_until_they_are_taken_back()
    {
        var firing = await Started();
        var sheet = await Turns(firing);
        var (rows, start) = (sheet["turns"]!.AsArray(), studio.Clock.GetUtcNow().AddHours(-5));
        foreach (var (i, row) in rows.TakeWhile(r => r!.Number("minute") < 200).Index())
        {
            var setting = new JsonObject
            {
                ["flame"] = (string)row!["flame"]!,
                ["lit"] = (int)row["lit"]!,
                ["pressureBar"] = row.Number("pressureBar"),
                ["damper"] = row.Number("damper"),
            };
            await (await Note(firing, $"t{i}", "turned", null, setting, start.AddMinutes(row.Number("minute")))).Read(201);
        }
        var before = await Turns(firing);
        var due = (int)before["due"]!;
        var minute = before["turns"]![due]!["minute"]!.ToJsonString();
        await (await Note(firing, "l", "left-out", minute)).Read(201);
        ((int)(await Turns(firing))["due"]!).ShouldBe(due + 1);
        var gas = before["gas"]!;
        gas.Number("kg").ShouldBeInRange(1, (int)gas["cylinders"]! * gas.Number("fullKg") - 1);
        await (await Note(firing, "w", "weighed", "2.5")).Read(201);
        var weighed = (await Turns(firing))["gas"]!;
        (weighed.Number("kgEach"), weighed.Number("weighedMinute")).ShouldBe((2.5, 300));
        weighed.Number("shortAtMinute").ShouldBeGreaterThan(300);
        await (await Note(firing, "l2", "taken-back", "l")).Read(201);
        await (await Note(firing, "w2", "taken-back", "w")).Read(201);
        var after = await Turns(firing);
        ((int)after["due"]!, after["gas"]!.ToJsonString()).ShouldBe((due, gas.ToJsonString()));
    }

    [Theory]
    [InlineData("weighed", null)]
    [InlineData("weighed", "full")]
    [InlineData("weighed", "-1")]
    [InlineData("weighed", "NaN")]
    [InlineData("weighed", "1e300")]
    [InlineData("left-out", "")]
    [InlineData("left-out", "soon")]
    [InlineData("left-out", "1e9")]
    public async Task A_number_that_is_none_is_said_at_its_field(string kind, string? subject) =>
        await (await Note(await Started(), "k", kind, subject)).Problem("subject");

    [Fact]
    public async Task Neither_belongs_to_an_electric_kiln()
    {
        var (_, firing) = await Http.Plan();
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand" })).Read(201);
        await (await Note(firing, "w", "weighed", "3")).Problem("kind");
        await (await Note(firing, "l", "left-out", "30")).Problem("kind");
    }
}
