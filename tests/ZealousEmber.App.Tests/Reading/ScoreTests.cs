using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Live;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Reading;

/// <summary>What is foretold at the start is kept, held against what came, and told wider after it was off, over real HTTP.</summary>
public sealed class ScoreTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private HttpClient Http => studio.Http;

    private async Task<JsonNode> Told(int firing, string kind) =>
        (await Http.Get($"/api/firings/{firing}/foretold"))["numbers"]!.AsArray().Single(n => n!["kind"]!.GetValue<string>() == kind)!;

    /// <summary>Fires it in the past as it was foretold, or so many times as slowly, with a logger that knows no power, and opens it.</summary>
    private async Task Fire(int kiln, int firing, double slower, int daysAgo)
    {
        var start = studio.Clock.GetUtcNow().AddDays(-daysAgo);
        await (await Http.Start(firing, new JsonObject { ["link"] = "push", ["startsAt"] = start })).Read(201);
        var over = (await Told(firing, "top-over")).Number("likely") * 60 * slower;
        var cool = (await Told(firing, "cool")).Number("likely") * 60 * slower;
        double At(double minute) =>
            minute < over - 15 ? 20 + (1208 - 20) * minute / (over - 15)
            : minute < over ? 1208
            : 1208 - (1208 - 50) * (minute - over) / (cool - over);
        var log = Enumerable.Range(1, (int)(cool / 5) + 2).Select(i => LiveWire.Sample(i, start.AddMinutes(5 * i), Math.Round(At(5 * i), 1)));
        await (await Http.Send($"/api/firings/{firing}/samples", LiveWire.Batch(log), null, await Http.Token(kiln))).Read();
        await (await Http.Send($"/api/firings/{firing}/opened", null)).Read();
    }

    private async Task<int> Again(int kiln, int firing)
    {
        var like = (await Http.Get($"/api/firings/{firing}"))["firing"]!;
        like["name"] = "Teal’s next load";
        return (await (await Http.PostText("/api/firings", like.ToJsonString())).Read(201))["id"]!.GetValue<int>();
    }

    [Fact]
    public async Task A_firing_is_foretold_as_every_page_tells_it_and_held_against_what_came()
    {
        var (kiln, firing) = await Http.Plan();
        (await Http.GetAsync($"/api/firings/{firing}/foretold")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound, "not started");
        (await Http.Get($"/api/kilns/{kiln}/score"))["figures"]!.AsArray().ShouldBeEmpty();
        await Fire(kiln, firing, 1, daysAgo: 4);
        var summary = (await Http.Get($"/api/firings/{firing}/summary"))["watched"]!;
        (await Told(firing, "energy")).Number("likely").ShouldBe(summary.Number("energyKwh"), 0.01);
        (await Told(firing, "cool")).Number("likely").ShouldBe(summary.Number("opensMinutes") / 60, 0.01);
        (await Told(firing, "top")).Number("likely").ShouldBe(summary.Number("topC"), 1);
        (await Told(firing, "energy"))["came"].ShouldBeNull("nobody logged its power");
        foreach (var kind in new[] { "top", "top-over", "cool" })
        {
            var told = await Told(firing, kind);
            (told["isInside"]!.GetValue<bool>(), told.Number("widened")).ShouldBe((true, 1), kind);
            told.Number("came").ShouldBeInRange(told.Number("from"), told.Number("to"));
        }
        var score = await Http.Get($"/api/kilns/{kiln}/score");
        score["figures"]!
            .AsArray()
            .Select(f => (f!["kind"]!.GetValue<string>(), f.Number("inside"), f.Number("of")))
            .ShouldBe([("top", 1, 1), ("top-over", 1, 1), ("cool", 1, 1)]);
    }

    [Fact]
    public async Task A_kiln_that_was_slow_is_told_wider_everywhere_until_it_is_right_again()
    {
        var (kiln, first) = await Http.Plan();
        async Task<double> Unsure() =>
            (
                await (
                    await Http.PostText(
                        "/api/preview",
                        $$"""{"schedule":{"name":"x","kind":"bisque","unit":"C","segments":[{"pace":"rate","rate":100,"target":1000}]},"kilnId":{{kiln}}}"""
                    )
                ).Read()
            )["kiln"]!.Number("uncertainty");
        async Task<double> AsLearned() =>
            await Http.Get($"/api/kilns/{kiln}/learned") is var l ? Math.Min(0.1, 1.28 * Math.Max(l["power"]!.Number("sd"), l["loss"]!.Number("sd"))) : 0;
        (await Unsure()).ShouldBe(0.1, 1e-6);
        await Fire(kiln, first, 1.6, daysAgo: 20);
        var hours = (await Http.Get($"/api/kilns/{kiln}/score"))["figures"]!.AsArray().Single(f => f!["kind"]!.GetValue<string>() == "top-over")!;
        (hours.Number("inside"), hours.Number("of")).ShouldBe((0, 1));
        hours.Number("widened").ShouldBeGreaterThan(1.2);
        hours["text"]!.GetValue<string>().ShouldContain("times as wide until four in five are");
        (await Unsure()).ShouldBe(await AsLearned() * hours.Number("widened"), 0.005, "plans say it too");

        var next = await Again(kiln, first);
        await Fire(kiln, next, 1, daysAgo: 16);
        var told = await Told(next, "top-over");
        told.Number("widened").ShouldBe(hours.Number("widened"));
        var (was, now) = (await Told(first, "top-over"), told);
        // It has been learned from meanwhile, so that it is surer by itself.
        ((now.Number("to") - now.Number("from")) / (was.Number("to") - was.Number("from"))).ShouldBeInRange(
            1,
            hours.Number("widened"),
            "once, and not once more for the kiln’s own unsureness"
        );
        now["isInside"]!.GetValue<bool>().ShouldBeTrue();

        for (var i = 0; i < 3; i++)
            await Fire(kiln, await Again(kiln, first), 1, daysAgo: 12 - 3 * i);
        hours = (await Http.Get($"/api/kilns/{kiln}/score"))["figures"]!.AsArray().Single(f => f!["kind"]!.GetValue<string>() == "top-over")!;
        (hours.Number("inside"), hours.Number("of"), hours.Number("widened")).ShouldBe((4, 5, 1), "four in five: right again");
        (await Unsure()).ShouldBe(await AsLearned(), 0.005);
    }

    [Fact]
    public async Task The_demo_kiln_shows_three_years_of_it_and_what_it_was_wrong_about()
    {
        var score = await Http.Get("/api/kilns/1/score");
        var figures = score["figures"]!.AsArray();
        figures.Select(f => f!["kind"]!.GetValue<string>()).ShouldBe(["top", "top-over", "energy", "cool", "cone"]);
        foreach (var figure in figures)
        {
            var points = figure!["points"]!.AsArray();
            figure.Number("of").ShouldBe(points.Count);
            figure.Number("inside").ShouldBe(points.Count(p => p!["isInside"]!.GetValue<bool>()));
            figure.Number("share").ShouldBe(figure.Number("inside") / figure.Number("of"), 0.001);
            points.Select(p => p!["at"]!.GetValue<DateTimeOffset>()).ShouldBeInOrder();
        }
        var worn = figures[0]!["points"]!.AsArray().Single(p => p!.Number("came") < p!.Number("from") - 20)!;
        worn["isInside"]!.GetValue<bool>().ShouldBeFalse("the elements were worn out, and nobody had foretold it");
        (await Http.GetAsync("/api/kilns/9999/score")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }
}
