using System.Net;
using System.Text;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.People;

/// <summary>The whole table: every address, by everybody there is. What an address needs is written here once more, by itself.</summary>
public sealed class RightsTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private const int Heron = 1;
    private const string HeronsFiring = "4";

    /// <summary>The first that fits an address counts. What wants the password again ends with a +.</summary>
    private static readonly (string Method, string Path, string Right)[] Table =
    [
        ("GET", "^health$|^docs|^openapi", "nobody"),
        ("POST", "^sessions$|^devices/pair$|^firings/[^/]+/samples$", "nobody"),
        ("POST", "^sessions/step-up$", "be-somebody"),
        ("DELETE", "^sessions/me$", "see"),
        ("GET", "^people/[^/]+/export$", "be-somebody"),
        ("PUT", "^people/[^/]+/(password|pin)$", "be-somebody"),
        ("GET", "^people/old-names$", "manage"),
        ("*", "^people/.*|^people$", "see|manage+"),
        ("GET", "^network/(trust|authority)$", "nobody"),
        ("*", "^network$", "manage|manage+"),
        ("GET", "^devices$|^audit", "manage"),
        ("*", "^devices", "manage+"),
        ("GET", "^studio/(backup|export)$|^backup$|^unreadable", "manage+"),
        (
            "POST",
            "^(cones/|preview|plan|packing|say|compare$|diagnosis$|starts|lots/read|notation/|live/replay|learning/replay|practice/check|schedules/convert)",
            "be-somebody"
        ),
        ("POST", "^kilns/(combustion|breath|resized|portrait)$|^kilns/[^/]+/fit$|^controllers/(fit|press|read-back)$", "be-somebody"),
        ("*", "^firings/[^/]+/(start|stop|opened|read|closed|resume|log|log/.*|reading|packs|results)$", "see|run"),
        ("*", "^kilns/[^/]+/(entered|care|maintenance.*)$", "see|run"),
        ("*", "^firings/[^/]+/entries.*", "see|note-reading"),
        ("POST", "^firings/[^/]+/change$", "any-schedules"),
        ("POST", "^schedules(/import|/[^/]+/copy)?$", "own-schedules"),
        ("*", "^schedules", "see|any-schedules"),
        ("*", "^(firings|clays|glazes)", "see|reserve"),
        ("*", "^(kilns|controllers|studio|restore)", "see|manage+"),
        ("GET", ".*", "see"),
    ];

    private static readonly Dictionary<string, string[]> May = new()
    {
        ["nobody"] = [],
        ["display"] = ["see"],
        ["maker"] = ["see", "be-somebody", "note-reading", "own-lots"],
        ["firer"] = ["see", "be-somebody", "note-reading", "own-lots", "any-lots", "reserve", "own-schedules", "plan-week"],
        ["certified"] = ["see", "be-somebody", "note-reading", "own-lots", "any-lots", "reserve", "own-schedules", "plan-week", "run"],
        ["owner"] = ["see", "be-somebody", "note-reading", "own-lots", "any-lots", "reserve", "own-schedules", "any-schedules", "plan-week", "run", "manage"],
    };

    private static string RightOf(string method, string path)
    {
        var (_, _, right) = Table.FirstOrDefault(t => (t.Method == "*" || t.Method == method) && Regex.IsMatch(path, t.Path));
        right.ShouldNotBeNull($"{method} {path} has no line in the table of rights");
        var both = right.Split('|');
        return method == "GET" ? both[0] : both[^1];
    }

    /// <summary>Every address of the program with its methods, as the program itself has them.</summary>
    private IEnumerable<(string Method, string Path, RouteEndpoint Endpoint)> Addresses() =>
        studio
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .SelectMany(e => (e.Metadata.GetMetadata<IHttpMethodMetadata>()?.HttpMethods ?? ["GET"]).Select(m => (m, e.RoutePattern.RawText!.Trim('/'), e)))
            .Where(a => a.Item2.StartsWith("api/", StringComparison.Ordinal))
            .Select(a => (a.m, a.Item2["api/".Length..], a.e));

    private static string Filled(string path) => Regex.Replace(path, @"\{(\w+)[^}]*\}", place => place.Groups[1].Value switch
            {
                "id" when path.StartsWith("firings", StringComparison.Ordinal) => HeronsFiring,
                "id" when path.StartsWith("kilns", StringComparison.Ordinal) => Heron.ToString(System.Globalization.CultureInfo.InvariantCulture),
                "id" when path.StartsWith("schedules", StringComparison.Ordinal) => "1",
                "table" => "kilns",
                "key" => "k",
                _ => "987654",
            });

    [Fact]
    public void Every_address_says_who_may_use_it()
    {
        var looked = 0;
        foreach (var endpoint in studio.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>())
        {
            looked++;
            var isAnybodys = endpoint.Metadata.GetMetadata<IAllowAnonymous>() is not null;
            (isAnybodys || endpoint.Metadata.GetMetadata<AuthorizationPolicy>() is not null).ShouldBeTrue(endpoint.DisplayName);
        }
        looked.ShouldBeGreaterThan(150);
    }

    [Fact]
    public async Task Everybody_may_do_what_the_table_says_and_nothing_else()
    {
        using var owner = await studio.Owner();
        await owner.Add("Ines", "maker");
        await owner.Add("Kofi", "firer");
        await owner.Add("Tomas", "firer", Heron);
        // Makers and firers are tried first: what an owner may do changes things.
        using var nobody = studio.Visitor();
        using var display = studio.Visitor();
        await Enrol(owner, display);
        using var maker = await studio.SignedIn("Ines");
        using var firer = await studio.SignedIn("Kofi");
        using var certified = await studio.SignedIn("Tomas");
        var everybody = new (string Who, Visitor Visitor)[]
        {
            ("nobody", nobody),
            ("display", display),
            ("maker", maker),
            ("firer", firer),
            ("certified", certified),
            ("owner", owner),
        };
        using var forgetful = await studio.SignedIn("Maja", Visitor.OwnersPassword);
        var (tried, wrong) = (0, new List<string>());
        // Signing out comes last.
        foreach (var (method, path, _) in Addresses().OrderBy(a => a.Path == "sessions/me" && a.Method == "DELETE"))
        {
            var right = RightOf(method, path).TrimEnd('+');
            foreach (var (who, visitor) in everybody)
            {
                var status = await Status(visitor, method, Filled(path));
                var expected =
                    right == "nobody" || May[who].Contains(right) ? "allowed"
                    : who == "nobody" ? "401"
                    : "403";
                var answered =
                    status is HttpStatusCode.Unauthorized && right != "nobody" ? "401"
                    : status is HttpStatusCode.Forbidden ? "403"
                    : "allowed";
                // Whose password it is decides there; the rest is tried by itself.
                if (answered != expected && !path.EndsWith("/password", StringComparison.Ordinal) && !path.EndsWith("/pin", StringComparison.Ordinal))
                    wrong.Add($"{method} {path} by {who}: {(int)status}, expected {expected} ({right})");
                ((int)status).ShouldBeLessThan(500, $"{method} {path} by {who}");
                tried++;
            }
            if (RightOf(method, path).EndsWith('+'))
            {
                var missing = await (await Send(forgetful, method, Filled(path))).Read(403);
                if (missing["right"]!.GetValue<string>() != "manage" || missing["stepUp"]?.GetValue<bool>() != true)
                    wrong.Add($"{method} {path} does not ask for the password again");
            }
        }
        wrong.ShouldBeEmpty();
        tried.ShouldBeGreaterThan(900);
    }

    [Theory]
    [InlineData("Wren", false)]
    [InlineData("Heron", true)]
    public async Task A_firer_starts_in_the_kilns_she_is_certified_for(string kiln, bool may)
    {
        using var owner = await studio.Owner();
        var kilns = (await owner.Get("/api/kilns")).AsArray();
        int Number(string name) => kilns.Single(k => k!["kiln"]!["name"]!.GetValue<string>() == name)!["id"]!.GetValue<int>();
        await owner.Add($"Lena of {kiln}", "firer", Number("Heron"));
        using var lena = await studio.SignedIn($"Lena of {kiln}");
        var draft = new
        {
            name = $"Tiles in {kiln}",
            kind = "bisque",
            kilnId = Number(kiln),
            goalCone = "06",
            unit = "C",
            lots = new[]
            {
                new
                {
                    what = "tiles",
                    count = 6,
                    wall = 8,
                },
            },
        };
        var firing = (await (await lena.Post("/api/firings", draft)).Read(201))["id"]!.GetValue<int>();
        var answer = await lena.Post($"/api/firings/{firing}/start", new { link = "sideways" });
        if (may)
        {
            await answer.Problem("link");
            return;
        }
        var missing = await answer.Read(403);
        missing["right"]!.GetValue<string>().ShouldBe($"run:{Number(kiln)}");
        missing["stepUp"].ShouldBeNull();
    }

    [Fact]
    public async Task A_schedule_is_changed_by_who_wrote_it_and_by_owners()
    {
        using var owner = await studio.Owner();
        await owner.Add("Ada", "firer");
        await owner.Add("Bo", "firer");
        using var ada = await studio.SignedIn("Ada");
        using var bo = await studio.SignedIn("Bo");
        var own = (await ada.Http.Create())["id"]!.GetValue<int>();
        (await ada.Http.Put(own, Wire.Wire.GlazeFiring().With("name", "Hers"), "\"1\"")).StatusCode.ShouldBe(HttpStatusCode.OK);
        var others = await (await bo.Http.Put(own, Wire.Wire.GlazeFiring(), "\"2\"")).Read(403);
        others["right"]!.GetValue<string>().ShouldBe("any-schedules");
        // The demo's are older than accounts: the owners'.
        (await (await ada.Http.DeleteAsync("/api/schedules/1")).Read(403))["right"]!.GetValue<string>().ShouldBe("any-schedules");
        (await owner.Http.Put(own, Wire.Wire.GlazeFiring().With("name", "The owner’s hand"), "\"2\"")).StatusCode.ShouldBe(HttpStatusCode.OK);
        // A copy is whose it is that made it.
        var copy = (await (await bo.Http.PostAsync($"/api/schedules/{own}/copy", null)).Read(201))["id"]!.GetValue<int>();
        (await bo.Http.DeleteAsync($"/api/schedules/{copy}")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task The_hub_is_for_those_who_may_see()
    {
        using var owner = await studio.Owner();
        using var nobody = studio.Visitor();
        await Should.ThrowAsync<HttpRequestException>(() => Listen(nobody));
        await using var page = await Listen(owner);
        page.State.ShouldBe(HubConnectionState.Connected);
    }

    internal static async Task<HubConnection> Listen(Visitor visitor)
    {
        var hub = new HubConnectionBuilder().WithUrl(new Uri(visitor.Http.BaseAddress!, "/live"), o => o.Cookies = visitor.Cookies).Build();
        await hub.StartAsync();
        return hub;
    }

    internal static async Task Enrol(Visitor owner, Visitor device, string name = "wall of the shed")
    {
        var offer = await (await owner.Post("/api/devices/pairings", new { name })).Read(201);
        var code = offer["address"]!.GetValue<string>().Split('#')[1];
        await (await device.Post("/api/devices/pair", new { code })).Read(201);
    }

    private static async Task<HttpStatusCode> Status(Visitor visitor, string method, string path) => (await Send(visitor, method, path)).StatusCode;

    private static Task<HttpResponseMessage> Send(Visitor visitor, string method, string path)
    {
        var request = new HttpRequestMessage(new HttpMethod(method), $"/api/{path}");
        if (method is "POST" or "PUT")
        {
            var type =
                path.EndsWith("/photo", StringComparison.Ordinal) ? "image/jpeg"
                : path == "restore" ? "application/zip"
                : "application/json";
            request.Content = new StringContent("{}", Encoding.UTF8, type);
            request.Content.Headers.ContentType!.CharSet = null;
        }
        return visitor.Http.SendAsync(request);
    }
}
