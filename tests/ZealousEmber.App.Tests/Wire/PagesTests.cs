using System.Net;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>How the built pages are handed out.</summary>
public sealed class PagesTests(SharedStudio studio)
{
    private static bool Built => File.Exists(Repository.File("src/ZealousEmber.App/wwwroot/index.html"));

    [Theory]
    [InlineData("/")]
    [InlineData("/schedules")]
    [InlineData("/schedules/11/print")]
    [InlineData("/bench/cones")]
    public async Task Every_place_gets_the_one_page(string path)
    {
        Assert.SkipUnless(Built, "the pages are not built here");
        var response = await studio.Http.GetAsync(path);
        response.StatusCode.ShouldBe(HttpStatusCode.OK);
        response.Content.Headers.ContentType!.MediaType.ShouldBe("text/html");
        response.Headers.CacheControl!.NoCache.ShouldBeTrue();
        (await response.Content.ReadAsStringAsync()).ShouldContain("Zealous Ember");
    }

    [Fact]
    public async Task The_policy_names_every_inline_script_of_the_page()
    {
        Assert.SkipUnless(Built, "the pages are not built here");
        var response = await studio.Http.GetAsync("/");
        var scripts = System.Text.RegularExpressions.Regex.Count(await response.Content.ReadAsStringAsync(), "<script>");
        var policy = response.Headers.GetValues("Content-Security-Policy").Single();
        System.Text.RegularExpressions.Regex.Count(policy, "'sha256-").ShouldBe(scripts);
        scripts.ShouldBeGreaterThan(0);
    }

    [Theory]
    [InlineData("/missing.js")]
    [InlineData("/api/missing")]
    [InlineData("/openapi/missing.json")]
    public async Task A_missing_file_is_not_answered_with_the_page(string path) =>
        (await studio.Http.GetAsync(path)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
}
