using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Live;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Reading;

/// <summary>Packs read, ware counted, causes found and the next version made, over real HTTP on the demo studio's own story.</summary>
public sealed class ReadingTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private HttpClient Http => studio.Http;

    private Task<HttpResponseMessage> Put(int firing, string what, string body, string? ifMatch = null)
    {
        var request = new HttpRequestMessage(HttpMethod.Put, $"/api/firings/{firing}/{what}")
        {
            Content = new StringContent(body, System.Text.Encoding.UTF8, "application/json"),
        };
        if (ifMatch is not null)
            request.Headers.TryAddWithoutValidation("If-Match", ifMatch);
        return Http.SendAsync(request);
    }

    private async Task<int> Of(string name) =>
        (await Http.Get($"/api/logbook?search={Uri.EscapeDataString(name)}"))["firings"]!.AsArray().Single(f => f!["name"]!.GetValue<string>() == name)![
            "firingId"
        ]!.GetValue<int>();

    /// <summary>A firing by hand that was opened, with a few readings.</summary>
    private async Task<int> Opened()
    {
        var (_, firing) = await Http.Plan();
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = studio.Clock.GetUtcNow().AddHours(-30) })).Read(201);
        await (await Http.Send($"/api/firings/{firing}/stop", null)).Read();
        await (await Http.Send($"/api/firings/{firing}/opened", null)).Read();
        return firing;
    }

    [Fact]
    public async Task A_firing_goes_from_opened_to_read_to_closed_and_open_again()
    {
        var (_, planned) = await Http.Plan();
        (await (await Put(planned, "packs", """{"packs":[]}""")).Read(409))["detail"]!.GetValue<string>().ShouldContain("never started");
        (await Http.Send($"/api/firings/{planned}/read", null)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        var firing = await Opened();
        var read = await (await Http.Send($"/api/firings/{firing}/read", null)).Read();
        (read["state"]!.GetValue<string>(), read["readAt"] is not null).ShouldBe(("read", true));
        await (await Http.Send($"/api/firings/{firing}/read", null)).Read(409);
        (await (await Http.Send($"/api/firings/{firing}/closed", null)).Read())["state"]!.GetValue<string>().ShouldBe("closed");
        (await (await Put(firing, "results", """{"out":3}""")).Read(409))["detail"]!.GetValue<string>().ShouldContain("closed");
        (await (await Http.Send($"/api/firings/{firing}/closed", new JsonObject { ["reopen"] = true })).Read())["state"]!.GetValue<string>().ShouldBe("read");
        await (await Put(firing, "results", """{"out":3}""")).Read();
        (await Http.Get("/api/firings/runs")).AsArray().Single(r => r!["firingId"]!.GetValue<int>() == firing)!["state"]!.GetValue<string>().ShouldBe("read");
    }

    [Fact]
    public async Task The_morning_after_says_what_the_cones_say_and_makes_the_change_at_one_press()
    {
        var (_, firing) = await Http.Plan();
        var stored = await Http.Get($"/api/firings/{firing}");
        stored["firing"]!["goalCone"] = "6";
        var put = new HttpRequestMessage(HttpMethod.Put, $"/api/firings/{firing}") { Content = JsonContent.Create(stored["firing"]) };
        put.Headers.TryAddWithoutValidation("If-Match", $"\"{stored["version"]}\"");
        await (await Http.SendAsync(put)).Read();
        await (await Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = studio.Clock.GetUtcNow().AddHours(-3) })).Read(201);
        await (await Http.Send($"/api/firings/{firing}/stop", null)).Read();
        await (await Http.Send($"/api/firings/{firing}/opened", null)).Read();
        await (
            await Put(
                firing,
                "packs",
                """{"packs":[{"shelf":"top","cones":[{"cone":"6","bendDegrees":45}]},{"shelf":"bottom","cones":[{"cone":"6","bendDegrees":30}]}]}"""
            )
        ).Read();
        var morning = await Http.Get("/api/firings/morning");
        morning["firingId"]!.GetValue<int>().ShouldBe(firing);
        morning["shelves"]!.AsArray().Select(s => s!["shelf"]!.GetValue<string>()).ShouldBe(["top", "bottom"]);
        morning["shelves"]!.AsArray().ShouldAllBe(s => s!.Number("past") < -3);
        var change = morning["change"]!;
        (change["patch"]!.GetValue<string>(), change["movedOn"] is null).ShouldBe(("work+", true));
        (change.Number("kelvins") + change.Number("holdMinutes")).ShouldBeGreaterThan(0);
        var made = await (await Http.Send($"/api/firings/{firing}/change", new JsonObject { ["patch"] = "work+" })).Read(201);
        (await Http.Get("/api/firings/morning"))["change"]!.Number("movedOn").ShouldBe(made.Number("version"));
    }

    [Fact]
    public async Task Packs_say_what_each_shelf_got_and_what_the_display_is_off_by()
    {
        var firing = await Of("Supper set, first half");
        var said = await (
            await Put(
                firing,
                "packs",
                """{"packs":[{"shelf":"top","cones":[{"cone":"5","bendDegrees":110},{"cone":"6","clock":3}]},{"shelf":2,"cones":[{"cone":"6","bendDegrees":88},{"cone":"7","bendDegrees":20}]}]}"""
            )
        ).Read();
        var shelves = said["offsets"]!.AsArray();
        (shelves[0]!["shelf"]!.GetValue<string>(), shelves[1]!["shelf"]!.GetValue<int>()).ShouldBe(("top", 2));
        shelves[1]!.Number("past").ShouldBe(0, 4);
        shelves[0]!.Number("past").ShouldBeLessThan(shelves[1]!.Number("past") - 3);
        said.Number("evenness").ShouldBe(shelves[1]!.Number("equivalent") - shelves[0]!.Number("equivalent"), 0.2);
        said["offset"]!.Number("readings").ShouldBe(2);
        said["learned"]!["offset"]!.Number("readings").ShouldBeGreaterThan(10);
        (await Http.Get($"/api/firings/{firing}/reading"))["reading"]!["packs"]!.AsArray().Count.ShouldBe(2);
        (await (await Put(firing, "packs", """{"packs":[]}""")).Read())["offsets"]!.AsArray().Count.ShouldBe(0, "works without packs");
    }

    [Theory]
    [InlineData("""{}""", "packs")]
    [InlineData("""{"packs":[{"cones":[{"cone":"6","bendDegrees":90}]}]}""", "packs[0].shelf")]
    [InlineData("""{"packs":[{"shelf":"top","cones":[]}]}""", "packs[0].cones")]
    [InlineData("""{"packs":[{"shelf":"top","cones":[{"cone":"six","bendDegrees":90}]}]}""", "packs[0].cones[0].cone")]
    [InlineData("""{"packs":[{"shelf":"top","cones":[{"cone":"6","bendDegrees":181}]}]}""", "packs[0].cones[0].bendDegrees")]
    [InlineData("""{"packs":[{"shelf":"top","cones":[{"cone":"6"}]}]}""", "packs[0].cones[0].bendDegrees")]
    [InlineData("""{"packs":[{"shelf":"top","cones":[{"cone":"5","bendDegrees":10},{"cone":"6","bendDegrees":90}]}]}""", "packs[0].cones")]
    [InlineData(
        """{"packs":[{"shelf":"top","cones":[{"cone":"6","bendDegrees":10}]},{"shelf":"Top","cones":[{"cone":"6","bendDegrees":10}]}]}""",
        "packs[1].shelf"
    )]
    public async Task A_pack_that_cannot_be_is_said_at_its_cone(string body, string field)
    {
        var firing = await Of("Tidewrack blue, six tiles");
        await (await Put(firing, "packs", body)).Problem(field);
        (await Http.Get($"/api/firings/{firing}/reading"))["reading"]!["packs"]!.AsArray().Count.ShouldBe(0, "and nothing was changed");
    }

    [Fact]
    public async Task A_cone_4_read_in_a_pack_of_04s_is_held_back_and_asked_about()
    {
        var firing = await Of("Bisque, load 79");
        var before = await Http.Get("/api/kilns/1/learned");
        var said = await (await Put(firing, "packs", """{"packs":[{"shelf":"middle","cones":[{"cone":"4","bendDegrees":80}]}]}""")).Read();
        said["learned"]!["heldBack"]![0]!.Number("told").ShouldBeGreaterThan(100);
        var after = await Http.Get("/api/kilns/1/learned");
        after["offset"]!.Number("mean").ShouldBe(before["offset"]!.Number("mean"), 1.5, "nothing is learned from it");
    }

    [Theory]
    [InlineData("""{"out":-1}""", "out")]
    [InlineData("""{"out":3,"lost":4}""", "lost")]
    [InlineData("""{"faults":[{"kind":"wobbly"}]}""", "faults[0].kind")]
    [InlineData("""{"faults":[{"kind":"burst","lot":7}]}""", "faults[0].lot")]
    [InlineData("""{"faults":[{"kind":"burst","lot":0,"count":99}]}""", "faults[0].count")]
    [InlineData("""{"faults":[{"kind":"burst","count":0}]}""", "faults[0].count")]
    public async Task Results_that_cannot_be_are_said_at_their_field(string body, string field) =>
        await (await Put(await Of("Tidewrack blue, six tiles"), "results", body)).Problem(field);

    [Fact]
    public async Task What_was_read_of_a_deleted_firing_is_not_saved()
    {
        var firing = await Opened();
        (await Http.DeleteAsync($"/api/firings/{firing}")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        foreach (var version in new[] { null, "\"99\"", "*" })
            await (await Put(firing, "results", """{"out":3}""", version)).Read(404);
        await (await Http.Send($"/api/firings/{firing}/restore", null)).Read();
        (await Http.Get($"/api/firings/{firing}/reading"))["reading"]!["results"]!["out"].ShouldBeNull("nothing was written meanwhile");
    }

    [Fact]
    public async Task Two_people_reading_at_once_are_told_of_each_other()
    {
        var firing = await Opened();
        await (await Put(firing, "reading", """{"packs":[],"results":{"out":5}}""", "\"0\"")).Read();
        var late = await Put(firing, "reading", """{"packs":[],"results":{"out":6}}""", "\"0\"");
        var problem = await late.Read(412);
        problem["current"]!["reading"]!["results"]!.Number("out").ShouldBe(5);
        await (await Put(firing, "reading", """{"packs":[],"results":{"out":6,"word":"all of it"}}""", "\"1\"")).Read();
        var told = await Http.Get($"/api/firings/{firing}/reading");
        (told.Number("version"), told["reading"]!["results"]!["word"]!.GetValue<string>()).ShouldBe((2, "all of it"));
    }

    /// <summary>Somebody opens a dull matte: why, and the next version on the desk.</summary>
    [Fact]
    public async Task A_dull_matte_is_explained_and_its_schedule_mended()
    {
        var firing = await Of("Supper set, first plates");
        var causes = (await Http.Get($"/api/firings/{firing}/diagnosis")).AsArray();
        var first = causes[0]!;
        (first["cause"]!.GetValue<string>(), first["advised"]!.GetValue<bool>(), first["notFiring"]!.GetValue<bool>()).ShouldBe(
            ("slow band too short", true, false)
        );
        first.Number("probability").ShouldBeGreaterThan(0.6);
        var evidence = first["evidence"]![0]!;
        evidence.Number("value").ShouldBeLessThan(evidence.Number("limit"));
        evidence.Number("toMinute").ShouldBeGreaterThan(evidence.Number("fromMinute"));
        var patch = first["patch"]!;
        patch["steps"]!.AsArray().Count.ShouldBeGreaterThan(patch["before"]!["line"]!.GetValue<string>().Split(';').Length);
        patch["after"]!.Number("minutes").ShouldBeGreaterThan(patch["before"]!.Number("minutes") + 120);
        patch["after"]!["cones"]!.AsArray().Count.ShouldBe(3);
        causes.Where(c => c!["fault"]!.GetValue<string>() == "dull-crystals").Sum(c => c!.Number("probability")).ShouldBe(1, 0.01);

        var made = await (await Http.Send($"/api/firings/{firing}/change", new JsonObject { ["patch"] = "band+" })).Read(201);
        made.Number("version").ShouldBe(made.Number("before") + 1);
        var versions = (await Http.Get($"/api/schedules/{made["scheduleId"]}/versions")).AsArray();
        versions[0]!["reason"]!.GetValue<string>().ShouldContain("dull crystals");
        versions[0]!["fromFiring"]!.GetValue<int>().ShouldBe(firing);
        var again = await (await Http.Send($"/api/firings/{firing}/change", new JsonObject { ["patch"] = "band+" })).Read(409);
        again.Number("presentVersion").ShouldBe(made.Number("version"));
        await (await Http.Send($"/api/firings/{firing}/change", new JsonObject { ["patch"] = "shrink" })).Problem("patch");
        await (await Http.Send($"/api/firings/{firing}/change", new JsonObject { ["patch"] = "open" })).Problem("patch");
    }

    [Fact]
    public async Task A_kiln_that_could_not_get_there_is_not_asked_for_more()
    {
        var causes = (await Http.Get($"/api/firings/{await Of("Reed green, load 72")}/diagnosis")).AsArray();
        var advised = causes.Single(c => c!["advised"]!.GetValue<bool>())!;
        (advised["cause"]!.GetValue<string>(), advised["patch"]!["name"]!.GetValue<string>()).ShouldBe(("could not get there", "elements"));
        (await Http.Get($"/api/firings/{await Of("Supper set, first half")}/diagnosis")).AsArray().Count.ShouldBe(0, "nothing was wrong with it");
        (await Http.GetAsync("/api/firings/9999/diagnosis")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }
}
