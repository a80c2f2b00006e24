using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Live;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Long lists come a part at a time, and nothing of them is lost between two parts.</summary>
public sealed class PartTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private async Task<(List<int> Ids, int Parts)> All(string path)
    {
        var (ids, parts) = (new List<int>(), 0);
        for (var next = path; next is not null; parts++)
        {
            using var answer = await studio.Http.GetAsync(next);
            ids.AddRange((await answer.Read()).AsArray().Select(i => (int)(i!["id"] ?? i["firingId"])!));
            var link = answer.Headers.TryGetValues("Link", out var links) ? links.Single() : null;
            if (link is null)
                ids.Count.ShouldBe(int.Parse(answer.Headers.GetValues("X-Total-Count").Single(), System.Globalization.CultureInfo.InvariantCulture));
            next = link?[1..link.IndexOf('>')];
        }
        return (ids, parts);
    }

    [Fact]
    public async Task Firings_clays_and_runs_come_in_parts()
    {
        for (var i = 0; i < 45; i++)
            await (await studio.Http.PostAsJsonAsync("/api/firings", new JsonObject { ["name"] = $"Part {i:00}", ["kind"] = "glaze" })).Read(201);
        var (all, parts) = await All("/api/firings?search=part");
        (all.Distinct().Count(), parts).ShouldBe((45, 2));
        (await All("/api/firings?search=part&take=10")).Ids.ShouldBe(all);
        // The stage narrows it, and none is in two of them.
        var (_, started) = await studio.Http.Plan();
        await (await studio.Http.Start(started, new JsonObject { ["link"] = "hand" })).Read(201);
        async Task<List<int>> At(string stage) => (await All($"/api/firings?stage={stage}&take=20")).Ids;
        all.ShouldBeSubsetOf(await At("planned"));
        (await At("planned")).ShouldNotContain(started);
        (await At("under-way"))[0].ShouldBe(started);
        (await At("fired")).ShouldNotContain(started);
        await (await studio.Http.Send($"/api/firings/{started}/stop", new JsonObject())).Read();
        await (await studio.Http.Send($"/api/firings/{started}/opened", new JsonObject())).Read();
        (await At("fired"))[0].ShouldBe(started);
        (await At("under-way")).ShouldNotContain(started);
        (await All($"/api/firings/runs?firings={started},{all[0]}")).Ids.ShouldBe([started]);
        foreach (var i in Enumerable.Range(0, 7))
            await (await studio.Http.PostAsJsonAsync("/api/clays", new JsonObject { ["name"] = $"Part {i}" })).Read(201);
        (await All("/api/clays?take=3&search=part")).Ids.Distinct().Count().ShouldBe(7);
    }

    [Theory]
    [InlineData("/api/firings?take=0", "take")]
    [InlineData("/api/firings?skip=-1", "skip")]
    [InlineData("/api/firings?stage=lost", "stage")]
    [InlineData("/api/glazes?take=501", "take")]
    [InlineData("/api/firings/runs?firings=1,x", "firings")]
    public async Task What_is_asked_wrongly_is_said_at_its_field(string path, string field) => await (await studio.Http.GetAsync(path)).Problem(field);
}
