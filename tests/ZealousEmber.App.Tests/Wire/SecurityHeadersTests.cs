using System.Net;
using System.Net.Http.Json;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

public sealed class SecurityHeadersTests(SharedStudio studio)
{
    private async Task<HttpStatusCode> PostWith(string header, string value)
    {
        var request = new HttpRequestMessage(HttpMethod.Post, "/api/schedules") { Content = JsonContent.Create(Wire.GlazeFiring()) };
        request.Headers.TryAddWithoutValidation(header, value);
        return (await studio.Http.SendAsync(request)).StatusCode;
    }

    [Fact]
    public async Task Changes_are_only_taken_from_our_own_pages()
    {
        (await PostWith("Origin", "https://elsewhere.example")).ShouldBe(HttpStatusCode.Forbidden);
        (await PostWith("Sec-Fetch-Site", "cross-site")).ShouldBe(HttpStatusCode.Forbidden);
        (await PostWith("Origin", studio.Address.GetLeftPart(UriPartial.Authority))).ShouldBe(HttpStatusCode.Created);
    }

    [Fact]
    public async Task Another_host_name_is_not_answered() => (await PostWith("Host", "elsewhere.example")).ShouldBe(HttpStatusCode.BadRequest);

    [Fact]
    public async Task It_listens_to_this_machine_only() => IPAddress.IsLoopback((await Dns.GetHostAddressesAsync(studio.Address.Host)).First()).ShouldBeTrue();

    [Fact]
    public async Task Everything_is_sent_with_a_strict_policy()
    {
        var policy = (await studio.Http.GetAsync("/api/health")).Headers.GetValues("Content-Security-Policy").Single();
        policy.ShouldStartWith("default-src 'none'; script-src 'self'");
        policy.Split(';').Single(p => p.Contains("script-src")).ShouldNotContain("unsafe");
    }

    [Fact]
    public async Task The_description_of_the_api_is_the_one_the_client_was_made_from()
    {
        var served = System.Text.Json.Nodes.JsonNode.Parse(await studio.Http.GetStringAsync("/openapi/v1.json"))!.AsObject();
        var kept = System.Text.Json.Nodes.JsonNode.Parse(await File.ReadAllTextAsync(Repository.File("web/src/lib/api/openapi.json")))!;
        served.Remove("servers");
        System.Text.Json.Nodes.JsonNode.DeepEquals(served, kept).ShouldBeTrue("run a build and `npm run types`, and commit both files");
        (await studio.Http.GetAsync("/api/docs")).IsSuccessStatusCode.ShouldBeTrue();
    }
}
