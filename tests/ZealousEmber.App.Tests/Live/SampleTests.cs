using System.Net;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Live;

/// <summary>Readings a logger pushes: with a token, once, in any order, and never lost.</summary>
public sealed class SampleTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private HttpClient Http => studio.Http;

    private async Task<(int Firing, string Token, DateTimeOffset Start)> Started()
    {
        var (kiln, firing) = await Http.Plan();
        var start = studio.Clock.GetUtcNow().AddHours(-5);
        await (await Http.Start(firing, new JsonObject { ["link"] = "push", ["startsAt"] = start })).Read(201);
        return (firing, await Http.Token(kiln), start);
    }

    private Task<HttpResponseMessage> Push(int firing, JsonObject batch, string? token) => Http.Send($"/api/firings/{firing}/samples", batch, null, token);

    [Fact]
    public async Task Only_with_the_kilns_own_token_and_not_with_one_taken_away()
    {
        var (kiln, firing) = await Http.Plan();
        var batch = LiveWire.Batch([LiveWire.Sample(1, studio.Clock.GetUtcNow(), 20)]);
        (await Push(firing, batch, "x")).StatusCode.ShouldBe(HttpStatusCode.NotFound, "not started yet");
        await (await Http.Start(firing, new JsonObject { ["link"] = "push" })).Read(201);
        (await Push(firing, batch, null)).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        var first = await Http.Token(kiln);
        (await Push(firing, batch, first + "x")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        await (await Push(firing, batch, first)).Read();
        var second = await Http.Token(kiln);
        (await Push(firing, batch, first)).StatusCode.ShouldBe(HttpStatusCode.Unauthorized, "another took its place");
        await (await Push(firing, batch, second)).Read();
        (await Http.DeleteAsync($"/api/kilns/{kiln}/token")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await Push(firing, batch, second)).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        (await Push(99_999, batch, second)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_same_again_is_taken_once_other_content_is_a_conflict_and_nonsense_is_refused()
    {
        var (firing, token, start) = await Started();
        var climb = LiveWire.Climb(start, 20).ToList();
        var done = await (await Push(firing, LiveWire.Batch(climb), token)).Read();
        (done.Number("acceptedThrough"), done.Number("duplicates")).ShouldBe((20, 0));
        (await (await Push(firing, LiveWire.Batch(LiveWire.Climb(start, 20)), token)).Read()).Number("duplicates").ShouldBe(20);

        var odd = await (
            await Push(
                firing,
                LiveWire.Batch([
                    LiveWire.Sample(5, start.AddSeconds(150), 999),
                    LiveWire.Sample(21, start.AddSeconds(630), 20_000),
                    LiveWire.Sample(22, studio.Clock.GetUtcNow().AddMinutes(3), 60),
                    LiveWire.Sample(23, start.AddDays(-2), 60),
                    LiveWire.Sample(24, start.AddSeconds(720), 56, 1.5),
                    new JsonObject { ["sequence"] = 25 },
                    LiveWire.Sample(26, start.AddSeconds(780), 59),
                    LiveWire.Sample(26, start.AddSeconds(780), 60),
                    LiveWire.Sample(28, start.AddSeconds(840), null),
                ]),
                token
            )
        ).Read();
        odd["conflicts"]!.AsArray().Select(c => c!.GetValue<int>()).ShouldBe([5]);
        odd["rejected"]!.AsArray().Select(r => r!["sequence"]!.GetValue<int>()).ShouldBe([21, 22, 23, 24, 25, 26]);
        odd["rejected"]!.AsArray().ShouldAllBe(r => r!["why"]!.GetValue<string>().Length > 10);
        odd.Number("acceptedThrough").ShouldBe(21, "what is refused for good need not come again; what is of the future may be right yet");

        var log = await Http.Get($"/api/firings/{firing}/log");
        log.Number("readings").ShouldBe(21, "the first of a conflict, and the one good reading after it");
        log["segments"]![0]!.AsArray().Single(p => Math.Abs(p!.Number("minute") - 2.5) < 1e-6)!.Number("celsius").ShouldBe(27.5);

        (await (await Push(firing, LiveWire.Batch([LiveWire.Sample(1, start.AddMinutes(20), 80)], "2"), token)).Read())
            .Number("acceptedThrough")
            .ShouldBe(1, "a restart is a stream of its own");
        await (await Push(firing, new JsonObject { ["logger"] = "", ["stream"] = new string('x', 65) }, token)).Problem("stream");
        (
            await Http.PostText(
                $"/api/firings/{firing}/samples",
                """{"logger":"box","stream":"1","samples":[{"sequence":1,"at":"2026-01-01T00:00:00Z","celsius":NaN}]}"""
            )
        ).StatusCode.ShouldBeOneOf(HttpStatusCode.BadRequest, HttpStatusCode.Unauthorized);
    }

    [Fact]
    public async Task Late_readings_find_their_place_and_large_batches_are_taken_or_told()
    {
        var (firing, token, start) = await Started();
        var climb = LiveWire.Climb(start, 400).ToList();
        await (await Push(firing, LiveWire.Batch(climb.Take(100).Select(s => s.DeepClone().AsObject())), token)).Read();
        await (await Push(firing, LiveWire.Batch(climb.Skip(200).Select(s => s.DeepClone().AsObject())), token)).Read();
        var hole = await Http.Get($"/api/firings/{firing}/live");
        hole["gaps"]!.AsArray().Count.ShouldBe(1);
        (await Http.Get($"/api/firings/{firing}/log"))["segments"]!.AsArray().Count.ShouldBe(2, "what is missing is not drawn");
        var late = await (await Push(firing, LiveWire.Batch(climb.Skip(100).Take(100).Select(s => s.DeepClone().AsObject())), token)).Read();
        late.Number("acceptedThrough").ShouldBe(400);
        var whole = await Http.Get($"/api/firings/{firing}/live");
        whole["gaps"]!.AsArray().ShouldBeEmpty();
        (await Http.Get($"/api/firings/{firing}/log?points=40"))["segments"]!.AsArray().Count.ShouldBe(1);

        var many = LiveWire.Batch(Enumerable.Range(1000, 50_001).Select(i => LiveWire.Sample(i, start, 20)));
        (await (await Push(firing, many, token)).Problem("samples")).ShouldContain("50000");
        await (await Http.GetAsync($"/api/firings/{firing}/log?points=5")).Problem("points");
    }

    [Fact]
    public async Task An_alarm_is_raised_and_seen_by_somebody()
    {
        var (firing, token, start) = await Started();
        // Up for two hours, then the wires touch.
        var good = LiveWire.Climb(start, 240).ToList();
        await (
            await Push(firing, LiveWire.Batch(good.Concat(Enumerable.Range(241, 20).Select(i => LiveWire.Sample(i, start.AddSeconds(30 * i), 35, 1)))), token)
        ).Read();
        var live = await Http.Get($"/api/firings/{firing}/live");
        var alarm = live["alarms"]!.AsArray().Single(a => a!["id"]!.GetValue<string>() == "tc-short")!;
        alarm["weight"]!.GetValue<string>().ShouldBe("danger");
        (
            await Http.Send(
                $"/api/firings/{firing}/entries",
                new JsonObject
                {
                    ["key"] = "seen",
                    ["kind"] = "acknowledged",
                    ["subject"] = "tc-short",
                    ["text"] = "switched off",
                },
                "Tobin"
            )
        ).StatusCode.ShouldBe(HttpStatusCode.Created);
        var seen = (await Http.Get($"/api/firings/{firing}/live"))["alarms"]!.AsArray().Single(a => a!["id"]!.GetValue<string>() == "tc-short")!;
        (seen["acknowledgedBy"]!.GetValue<string>(), seen["note"]!.GetValue<string>()).ShouldBe(("Tobin", "switched off"));
    }

    // A start takes seconds.
    private static readonly int Kills = LongRun.Of(2, 20);

    /// <summary>
    /// Killed at random moments while a logger pushes one reading after another: what was acknowledged is there afterwards, and the firing goes on.
    /// </summary>
    [Fact]
    public async Task Nothing_that_was_acknowledged_is_lost_by_a_kill()
    {
        var folder = Directory.CreateTempSubdirectory("ember-kill-").FullName;
        try
        {
            var random = new Random(7);
            var (firing, token, acknowledged, sequence) = (0, "", 0L, 0L);
            var start = DateTimeOffset.UtcNow.AddHours(-20);
            for (var kill = 0; kill < Kills; kill++)
            {
                using var program = ProgramRun.Start(folder);
                using var http = new HttpClient { BaseAddress = await program.Address() };
                if (kill == 0)
                {
                    (var kiln, firing) = await http.Plan();
                    token = await http.Token(kiln);
                    await (await http.Start(firing, new JsonObject { ["link"] = "push", ["startsAt"] = start })).Read(201);
                }
                (await http.Get($"/api/firings/{firing}/log")).Number("readings").ShouldBeGreaterThanOrEqualTo(acknowledged);
                (await http.Get($"/api/firings/{firing}/live"))["state"]!.GetValue<string>().ShouldBe("firing");
                // At some moment of a push that is under way.
                var (last, within) = (acknowledged + random.Next(8, 30), random.Next(0, 3000));
                var dies = Task.CompletedTask;
                try
                {
                    // What was not acknowledged is sent again, as a logger does.
                    for (sequence = acknowledged + 1; ; sequence++)
                    {
                        if (sequence == last)
                            dies = Task.Run(() =>
                            {
                                Thread.SpinWait(100 * within);
                                program.Kill();
                            });
                        var answer = await http.Send(
                            $"/api/firings/{firing}/samples",
                            LiveWire.Batch([LiveWire.Sample(sequence, start.AddSeconds(20 * sequence), 20 + sequence * 0.5, 0.4)]),
                            null,
                            token
                        );
                        acknowledged = (long)(await answer.Read()).Number("acceptedThrough");
                    }
                }
                catch (Exception error) when (error is HttpRequestException or IOException)
                {
                    await dies;
                }
            }
            acknowledged.ShouldBeGreaterThanOrEqualTo(7 * Kills);
            using var again = ProgramRun.Start(folder);
            using var after = new HttpClient { BaseAddress = await again.Address() };
            var log = await after.Get($"/api/firings/{firing}/log?points=20000");
            log.Number("readings").ShouldBeInRange(acknowledged, acknowledged + 1);
            log["segments"]!.AsArray().Sum(s => s!.AsArray().Count).ShouldBe((int)log.Number("readings"));
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }
}
