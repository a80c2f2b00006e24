using System.Net;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Live;

/// <summary>What people note, take back and put at its right time; and devices whose clocks are wrong.</summary>
public sealed class EntryTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private HttpClient Http => studio.Http;

    private async Task<(int Firing, DateTimeOffset Start)> Started()
    {
        var (_, firing) = await Http.Plan();
        var start = studio.Clock.GetUtcNow().AddHours(-5);
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = start })).Read(201);
        return (firing, start);
    }

    private Task<HttpResponseMessage> Note(int firing, string key, string kind, string? subject = null, double? celsius = null, DateTimeOffset? at = null) =>
        Http.Send(
            $"/api/firings/{firing}/entries",
            new JsonObject
            {
                ["key"] = key,
                ["kind"] = kind,
                ["subject"] = subject,
                ["celsius"] = celsius,
                ["at"] = at,
            }
        );

    private async Task<JsonNode> Live(int firing) => await Http.Get($"/api/firings/{firing}/live");

    [Fact]
    public async Task An_entry_taken_back_counts_no_more_and_stays_in_the_log()
    {
        var (firing, start) = await Started();
        await (await Note(firing, "a", "reading", celsius: 300, at: start.AddHours(2))).Read(201);
        await (await Note(firing, "b", "reading", celsius: 900, at: start.AddHours(3))).Read(201);
        (await Live(firing)).Number("display").ShouldBe(900);
        await (await Note(firing, "c", "taken-back", "b")).Read(201);
        await (await Note(firing, "c", "taken-back", "b")).Read(200);
        (await Live(firing)).Number("display").ShouldBe(300);
        var log = (await Http.Get($"/api/firings/{firing}/entries")).AsArray();
        log.Select(e => e!["key"]!.GetValue<string>()).ShouldContain("b");
        log.Single(e => e!["key"]!.GetValue<string>() == "b")!["canBeChanged"]!.GetValue<bool>().ShouldBeTrue();
        (await (await Note(firing, "d", "taken-back", "nothing")).Problem("subject")).ShouldContain("no such entry");
        (await Note(firing, "e", "taken-back", log.First(e => e!["kind"]!.GetValue<string>() == "state")!["key"]!.GetValue<string>())).StatusCode.ShouldBe(
            HttpStatusCode.Conflict
        );
    }

    [Fact]
    public async Task An_entry_at_another_time_is_followed_as_of_then_also_after_a_second_change()
    {
        var (firing, start) = await Started();
        await (await Note(firing, "a", "reading", celsius: 300, at: start.AddHours(4))).Read(201);
        await (await Note(firing, "b", "retimed", "a", at: start.AddHours(1))).Read(201);
        (await Live(firing)).Number("lastMinute").ShouldBe(60);
        await (await Note(firing, "c", "retimed", "a", at: start.AddHours(2))).Read(201);
        (await Live(firing)).Number("lastMinute").ShouldBe(120);
        (await Note(firing, "d", "retimed", "a")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Note(firing, "e", "retimed", "a", at: start.AddDays(3))).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_program_keyed_in_after_a_cut_is_followed_until_it_is_taken_back()
    {
        var (firing, start) = await Started();
        await (await Note(firing, "a", "reading", celsius: 400, at: start.AddHours(2))).Read(201);
        await (await Note(firing, "b", "reading", celsius: 700, at: start.AddHours(4))).Read(201);
        async Task<double> End() => (await Live(firing))["forecast"]!["end"]!.Number("p50");
        Task<HttpResponseMessage> Keyed(string key, string? step, string? line) =>
            Http.Send(
                $"/api/firings/{firing}/entries",
                new JsonObject
                {
                    ["key"] = key,
                    ["kind"] = "reprogrammed",
                    ["subject"] = step,
                    ["text"] = line,
                }
            );
        var before = await End();
        await (await Keyed("k", "0", "200/h to 1000; off")).Read(201);
        (await End()).ShouldBeLessThan(before - 60);
        (await Http.Get($"/api/firings/{firing}/run"))["steps"]![0]!.Number("target").ShouldBe(1000);
        await (await Note(firing, "t", "taken-back", "k")).Read(201);
        (await End()).ShouldBe(before, 0.1);
        (await (await Keyed("x", "0", "200/h to")).Problem("text")).ShouldContain("shorthand");
        await (await Keyed("y", "first", "200/h to 1000; off")).Problem("subject");
        await (await Keyed("z", null, null)).Problem("subject");
        // A step that has not begun: it is noted, and changes nothing.
        await (await Keyed("w", "2", "200/h to 1000; off")).Read(201);
        (await End()).ShouldBe(before, 0.1);
    }

    [Fact]
    public async Task A_tick_is_taken_back_before_the_start_as_well()
    {
        var (_, firing) = await Http.Plan();
        await (await Note(firing, "t", "before", "Ware is dry")).Read(201);
        await (await Note(firing, "u", "taken-back", "t")).Read(201);
        (await Http.Get($"/api/firings/{firing}/entries")).AsArray().Count.ShouldBe(2);
    }

    [Theory]
    [InlineData(-180)]
    [InlineData(240)]
    public async Task A_device_whose_clock_is_wrong_by_hours_notes_at_the_right_time(double wrongBy)
    {
        var (firing, start) = await Started();
        var device = studio.Clock.GetUtcNow().AddMinutes(wrongBy);
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/firings/{firing}/entries")
        {
            Content = new StringContent(
                new JsonObject
                {
                    ["key"] = "k",
                    ["kind"] = "reading",
                    ["celsius"] = 400,
                    ["at"] = device.AddMinutes(-30),
                }.ToJsonString(),
                System.Text.Encoding.UTF8,
                "application/json"
            ),
        };
        request.Headers.Add("Device-Time", device.ToString("O"));
        var entry = await (await Http.SendAsync(request)).Read(201);
        (entry["at"]!.GetValue<DateTimeOffset>() - studio.Clock.GetUtcNow()).TotalMinutes.ShouldBe(-30, 0.2);
    }
}
