using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Live;

/// <summary>A firing from its start to its opening, over real HTTP.</summary>
public sealed class RunTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private HttpClient Http => studio.Http;

    private static async Task<JsonNode> Until(Func<Task<JsonNode>> ask, Func<JsonNode, bool> holds)
    {
        var until = DateTime.UtcNow.AddSeconds(60);
        while (true)
        {
            var told = await ask();
            if (holds(told))
                return told;
            (DateTime.UtcNow < until).ShouldBeTrue(told.ToJsonString());
            await Task.Delay(100);
        }
    }

    [Fact]
    public async Task A_simulated_firing_runs_by_the_clock_from_start_to_opening()
    {
        var (kiln, firing) = await Http.Plan();
        (await Http.GetAsync($"/api/firings/{firing}/run")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NoContent);
        var run = await (
            await Http.Start(
                firing,
                new JsonObject
                {
                    ["link"] = "simulated",
                    ["speed"] = 600,
                    ["seed"] = 5,
                }
            )
        ).Read(201);
        run["state"]!.GetValue<string>().ShouldBe("firing");
        run["isAsEntered"]!.GetValue<bool>().ShouldBeFalse();
        run["promised"]!.AsArray().Count.ShouldBeGreaterThan(10);

        // Ten hours of it in a minute; the clock is put forward by the rest.
        studio.Clock.Forward(TimeSpan.FromSeconds(30));
        var live = await Until(() => Http.Get($"/api/firings/{firing}/live"), l => l["display"] is not null && l.Number("minute") > 290);
        live.Number("display").ShouldBeGreaterThan(850);
        live["phase"]!.GetValue<string>().ShouldBe("climb");
        live["stepSource"]!.GetValue<string>().ShouldBe("controller");
        Math.Abs(live.Number("deviationC")).ShouldBeLessThan(25);
        live["forecast"]!["curve"]!.AsArray().Count.ShouldBeGreaterThan(20);
        live["next"]!["kind"]!.GetValue<string>().ShouldBe("look-at-cones");
        (await Http.Get("/api/room")).AsArray().Single(k => k!["kilnId"]!.GetValue<int>() == kiln)!["firing"]!.GetValue<string>().ShouldBe("Teal’s load");

        studio.Clock.Forward(TimeSpan.FromSeconds(90));
        var cooling = await Until(() => Http.Get($"/api/firings/{firing}/live"), l => l["state"]!.GetValue<string>() == "cooling");
        cooling["progress"]!.Number("value").ShouldBeInRange(0.4, 2.5);
        (await (await Http.Send($"/api/firings/{firing}/stop", null)).Read(409))["detail"]!.GetValue<string>().ShouldContain("off already");
        (await Http.DeleteAsync($"/api/firings/{firing}")).StatusCode.ShouldBe(System.Net.HttpStatusCode.Conflict);

        var opened = await (await Http.Send($"/api/firings/{firing}/opened", new JsonObject { ["note"] = "gloves" })).Read();
        opened["state"]!.GetValue<string>().ShouldBe("opened");
        var entries = (await Http.Get($"/api/firings/{firing}/entries")).AsArray();
        var entry = entries.Single(e => e!["subject"]?.GetValue<string>() == "opened")!;
        entry.Number("celsius").ShouldBeGreaterThan(60, "opened early, and how hot it was is kept with it");
        entry["by"]!.GetValue<string>().ShouldBe("Maren");
        (await Http.Get($"/api/firings/{firing}/live"))["state"]!.GetValue<string>().ShouldBe("opened");
        (await (await Http.Send($"/api/firings/{firing}/opened", null, "Tobin")).Read(409))["detail"]!.GetValue<string>().ShouldContain("Maren did");
    }

    [Fact]
    public async Task One_firing_to_a_kiln_and_a_reason_where_it_is_taken()
    {
        var (kiln, firing) = await Http.Plan();
        (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["key"] = "press-1" })).StatusCode.ShouldBe(System.Net.HttpStatusCode.Created);
        (await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["key"] = "press-1" })).Read())["firingId"]!
            .GetValue<int>()
            .ShouldBe(firing, "pressed twice");
        (await (await Http.Start(firing, new JsonObject { ["link"] = "hand" })).Read(409))["detail"]!
            .GetValue<string>()
            .ShouldContain("started already by Maren");

        var (_, other) = await Http.Plan();
        var stored = await Http.Get($"/api/firings/{other}");
        var request = new HttpRequestMessage(HttpMethod.Put, $"/api/firings/{other}") { Content = JsonContent.Create(stored["firing"]!.With("kilnId", kiln)) };
        request.Headers.TryAddWithoutValidation("If-Match", "*");
        await (await Http.SendAsync(request)).Read();
        (await (await Http.Start(other, new JsonObject { ["link"] = "hand" })).Read(409))["detail"]!
            .GetValue<string>()
            .ShouldContain("Teal still has “Teal’s load” in it");

        // Stopped by two people: the second is told who was first.
        (await Http.Send($"/api/firings/{firing}/opened", null)).StatusCode.ShouldBe(System.Net.HttpStatusCode.Conflict);
        (await (await Http.Send($"/api/firings/{firing}/stop", new JsonObject { ["key"] = "s" })).Read())["state"]!.GetValue<string>().ShouldBe("stopped");
        (await (await Http.Send($"/api/firings/{firing}/stop", new JsonObject { ["key"] = "s" })).Read())["state"]!.GetValue<string>().ShouldBe("stopped");
        (await (await Http.Send($"/api/firings/{firing}/stop", null, "Tobin")).Read(409))["detail"]!
            .GetValue<string>()
            .ShouldBe("It was stopped already. Maren did.");
        (await (await Http.Send($"/api/firings/{firing}/resume", null)).Read())["state"]!.GetValue<string>().ShouldBe("firing");
        // Both at once: one of them has stopped it, and it is noted once.
        var both = await Task.WhenAll(Enumerable.Range(0, 4).Select(i => Http.Send($"/api/firings/{firing}/stop", null, $"Person {i}")));
        both.Count(r => r.IsSuccessStatusCode).ShouldBe(1);
        (await Http.Get($"/api/firings/{firing}/entries"))
            .AsArray()
            .Count(e => e!["subject"]?.GetValue<string>() == "stopped")
            .ShouldBe(2, "the one before it went on, and this one");
        await (await Http.Send($"/api/firings/{firing}/opened", null)).Read();
        (await Http.Start(other, new JsonObject { ["link"] = "hand" })).StatusCode.ShouldBe(System.Net.HttpStatusCode.Created);
    }

    [Fact]
    public async Task A_start_is_refused_at_its_fields()
    {
        var (_, firing) = await Http.Plan();
        (await (await Http.Start(firing, [])).Problem("link")).ShouldContain("hand");
        (await (await Http.Start(firing, new JsonObject { ["link"] = "simulated", ["speed"] = 601 })).Problem("speed")).ShouldContain("600");
        (await (await Http.Start(firing, new JsonObject { ["link"] = "simulated", ["speed"] = 0 })).Problem("speed")).ShouldContain("1");
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = DateTimeOffset.UtcNow.AddDays(400) })).Problem("startsAt");
        await (
            await Http.Start(
                firing,
                new JsonObject { ["link"] = "simulated", ["faults"] = new JsonArray(new JsonObject { ["kind"] = "stuck-on", ["fromMinute"] = -1 }) }
            )
        ).Problem("faults[0].fromMinute");
        await (
            await Http.Start(
                firing,
                new JsonObject { ["link"] = "simulated", ["faults"] = new JsonArray(new JsonObject { ["kind"] = "low-mains", ["size"] = 2 }) }
            )
        ).Problem("faults[0].size");
        (await (await Http.PostAsJsonAsync("/api/firings", new JsonObject { ["name"] = "No plan", ["kind"] = "glaze" })).Read(201))
            .Number("id")
            .ShouldBeGreaterThan(0);
        var bare = await (await Http.PostAsJsonAsync("/api/firings", new JsonObject { ["name"] = "No plan", ["kind"] = "glaze" })).Read(201);
        var missing = await (await Http.Start(bare["id"]!.GetValue<int>(), new JsonObject { ["link"] = "hand" })).Read(422);
        missing["errors"]!.AsObject().Select(e => e.Key).Order().ShouldBe(["kilnId", "scheduleId"]);
        (await Http.Start(99_999, new JsonObject { ["link"] = "hand" })).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        (await Http.GetAsync($"/api/firings/{firing}/live")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_was_started_stays_as_it_was_whatever_is_changed_later()
    {
        var (kiln, firing) = await Http.Plan();
        var run = await (await Http.Start(firing, new JsonObject { ["link"] = "hand" })).Read(201);
        var scheduleId = (await Http.Get($"/api/firings/{firing}"))["firing"]!["scheduleId"]!.GetValue<int>();
        var schedule = await Http.Get($"/api/schedules/{scheduleId}");
        await (await Http.Put(scheduleId, schedule.With("segments", new JsonArray(Wire.Wire.Step(50, 300))), "*")).Read();
        var after = await Http.Get($"/api/firings/{firing}/run");
        after["line"]!.GetValue<string>().ShouldBe(run["line"]!.GetValue<string>());
        after["kilnId"]!.GetValue<int>().ShouldBe(kiln);
    }

    [Fact]
    public async Task A_start_ahead_waits_for_its_hour()
    {
        var (_, firing) = await Http.Plan();
        var run = await (await Http.Start(firing, new JsonObject { ["link"] = "simulated", ["startsAt"] = studio.Clock.GetUtcNow().AddHours(5) })).Read(201);
        run["state"]!.GetValue<string>().ShouldBe("started");
        var live = await Http.Get($"/api/firings/{firing}/live");
        (live["state"]!.GetValue<string>(), live["display"]).ShouldBe(("started", null));
        (await (await Http.Send($"/api/firings/{firing}/stop", null)).Read())["state"]!.GetValue<string>().ShouldBe("stopped");
    }

    [Fact]
    public async Task Notes_are_kept_once_by_their_key_and_refused_at_their_fields()
    {
        var (_, firing) = await Http.Plan();
        JsonObject Entry(string kind, string key, double? celsius = null, string? subject = null, string? text = null) =>
            new()
            {
                ["key"] = key,
                ["kind"] = kind,
                ["celsius"] = celsius,
                ["subject"] = subject,
                ["text"] = text,
            };
        Task<HttpResponseMessage> Note(JsonObject entry, string person = "Isolde") => Http.Send($"/api/firings/{firing}/entries", entry, person);

        (await Note(Entry("before", "b1", subject: "Ware is dry"))).StatusCode.ShouldBe(System.Net.HttpStatusCode.Created, "ticked before it starts");
        (await Note(Entry("reading", "r0", 20))).StatusCode.ShouldBe(System.Net.HttpStatusCode.Conflict);
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = studio.Clock.GetUtcNow().AddHours(-1) })).Read(201);
        await (await Note(Entry("reading", "r1", 120))).Read(201);
        await (await Note(Entry("reading", "r1", 120))).Read(200);
        await (await Note(Entry("cone-down", "c1", subject: "06"))).Read(201);
        await (await Note(Entry("colour", "k1", 575, text: "first dull red"))).Read(201);

        await (await Note(Entry("reading", "x1"))).Problem("celsius");
        await (await Note(Entry("reading", "x2", 20_000))).Problem("celsius");
        await (await Note(Entry("cone-down", "x3", subject: "44"))).Problem("subject");
        await (await Note(Entry("note", "x4", text: "  "))).Problem("text");
        await (await Note(Entry("note", "x5", text: new string('x', 1001)))).Problem("text");
        await (await Note(Entry("note", "", text: "x"))).Problem("key");
        await (await Note(Entry("acknowledged", "x6", subject: "stuck-on"))).Problem("subject");
        await (
            await Note(
                new JsonObject
                {
                    ["key"] = "x7",
                    ["kind"] = "note",
                    ["text"] = "x",
                    ["at"] = studio.Clock.GetUtcNow().AddHours(1).ToString("O"),
                }
            )
        ).Problem("at");
        await (
            await Note(
                new JsonObject
                {
                    ["key"] = "x8",
                    ["kind"] = "state",
                    ["text"] = "x",
                }
            )
        ).Problem("kind");

        var entries = (await Http.Get($"/api/firings/{firing}/entries")).AsArray();
        entries.Count(e => e!["key"]!.GetValue<string>() == "r1").ShouldBe(1);
        entries.Select(e => e!["kind"]!.GetValue<string>()).ShouldBe(["before", "state", "reading", "cone-down", "colour"], ignoreOrder: true);
        (await Http.Get($"/api/firings/{firing}/live")).Number("display").ShouldBe(120);
        (await Http.Get($"/api/firings/{firing}/log"))["segments"]![0]![0]!.Number("celsius").ShouldBe(120);
    }

    [Fact]
    public async Task Check_lists_are_the_studios_own()
    {
        var response = await Http.GetAsync("/api/studio/check-lists");
        var lists = await response.Read();
        lists["lists"]!["before"]!.AsArray().Count.ShouldBeGreaterThan(5);
        Task<HttpResponseMessage> Save(JsonObject body, string match)
        {
            var request = new HttpRequestMessage(HttpMethod.Put, "/api/studio/check-lists") { Content = JsonContent.Create(body) };
            request.Headers.TryAddWithoutValidation("If-Match", match);
            return Http.SendAsync(request);
        }

        await (await Save(new JsonObject { ["before"] = new JsonArray("a", "a") }, "*")).Problem("before[1]");
        await (await Save(new JsonObject { ["after"] = new JsonArray(new string('x', 65)) }, "*")).Problem("after[0]");
        var saved = await (await Save(new JsonObject { ["before"] = new JsonArray("Dry", "Closed") }, $"\"{lists["version"]}\"")).Read();
        saved["lists"]!["before"]!.AsArray().Select(i => i!.GetValue<string>()).ShouldBe(["Dry", "Closed"]);
        saved["lists"]!["after"]!.AsArray().Count.ShouldBe(3, "what is not sent stays");
        saved["lists"]!["gasBefore"]!.AsArray().Select(i => i!.GetValue<string>()).ShouldContain("Leak test made");
        await (await Save(new JsonObject { ["gasAfter"] = new JsonArray("") }, "*")).Problem("gasAfter[0]");
        (await (await Save(new JsonObject { ["gasBefore"] = new JsonArray("Valve") }, $"\"{saved["version"]}\"")).Read())["lists"]!["gasBefore"]!
            .AsArray()
            .Count.ShouldBe(1);
        (await Save(new JsonObject { ["before"] = new JsonArray("x") }, $"\"{lists["version"]}\"")).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.PreconditionFailed
        );
    }

    [Fact]
    public async Task A_firing_is_gone_through_again_as_it_was_told()
    {
        var (_, firing) = await Http.Plan();
        (await Http.GetAsync($"/api/firings/{firing}/replay")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        var start = DateTimeOffset.UtcNow.AddHours(-10);
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = start })).Read(201);
        (await Http.Get($"/api/firings/{firing}/replay")).AsArray().ShouldBeEmpty("nothing was read of it yet");
        for (var hour = 0; hour < 5; hour++)
            await (
                await Http.Send(
                    $"/api/firings/{firing}/entries",
                    new JsonObject
                    {
                        ["key"] = $"r{hour}",
                        ["kind"] = "reading",
                        ["at"] = start.AddHours(hour),
                        ["celsius"] = 20 + 200 * hour,
                    }
                )
            ).Read(201);
        var reports = (await Http.Get($"/api/firings/{firing}/replay?reports=4")).AsArray();
        reports.Select(r => r!.Number("minute")).ShouldBe([60, 120, 180, 240], 0.01);
        // A reading is known from its own moment on, and none that came later.
        reports.Select(r => r!.Number("display")).ShouldBe([220, 420, 620, 820], 0.01);
        reports.ShouldAllBe(r => r!["forecast"]!["curve"]!.AsArray().Count > 10);
        await (await Http.GetAsync($"/api/firings/{firing}/replay?reports=1")).Problem("reports");
        await (await Http.GetAsync($"/api/firings/{firing}/replay?reports=501")).Problem("reports");
    }

    [Fact]
    public async Task A_photo_is_noted_once_and_what_is_none_is_refused()
    {
        var (_, firing) = await Http.Plan();
        var start = DateTimeOffset.UtcNow.AddHours(-3);
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = start })).Read(201);
        using var bitmap = new SkiaSharp.SKBitmap(80, 60);
        using var png = bitmap.Encode(SkiaSharp.SKEncodedImageFormat.Png, 90);
        Task<HttpResponseMessage> Put(string key, byte[] bytes, string query = "") =>
            Http.PutAsync($"/api/firings/{firing}/entries/{key}/photo{query}", new ByteArrayContent(bytes));
        var noted = await (await Put("p1", png.ToArray(), $"?at={Uri.EscapeDataString(start.AddHours(1).ToString("O"))}&text=Lid%20shifted")).Read(201);
        (noted["kind"]!.GetValue<string>(), noted["text"]!.GetValue<string>()).ShouldBe(("photo", "Lid shifted"));
        (await Put("p1", png.ToArray())).StatusCode.ShouldBe(System.Net.HttpStatusCode.OK, "the same again");
        (await Http.Get($"/api/firings/{firing}/entries")).AsArray().Count(e => e!["kind"]!.GetValue<string>() == "photo").ShouldBe(1);
        var shown = await Http.GetAsync($"/api/firings/{firing}/entries/p1/photo");
        shown.Content.Headers.ContentType!.MediaType.ShouldBe("image/jpeg");
        using var back = SkiaSharp.SKBitmap.Decode(await shown.Content.ReadAsByteArrayAsync());
        (back.Width, back.Height).ShouldBe((80, 60));

        await (await Put("p2", "no picture"u8.ToArray())).Problem("photo");
        await (await Put("p2", png.ToArray(), "?at=2099-01-01T00:00:00Z")).Problem("at");
        await (await Put(new string('k', 65), png.ToArray())).Problem("key");
        await (await Put("p2", png.ToArray(), $"?text={new string('x', 1001)}")).Problem("text");
        (await Put("p2", new byte[2_000_001])).StatusCode.ShouldBe(System.Net.HttpStatusCode.RequestEntityTooLarge);
        await (await Http.Send($"/api/firings/{firing}/entries", new JsonObject { ["key"] = "p3", ["kind"] = "photo" })).Problem("kind");
        (await Http.GetAsync($"/api/firings/{firing}/entries/p2/photo")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        (await Http.GetAsync($"/api/firings/99999/entries/p1/photo")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }
}
