using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>
/// Every page in a studio of °F, inches and pounds, looked at on a device far away from it: nothing stands there on another scale, and nothing asks the
/// device what time it is. What keeps a scale of its own (a rule, a controller, somebody's words) says so in <c>data-units="own"</c>.
/// </summary>
public sealed class UnitTests(Browser browser) : PageVisit(browser), IAsyncLifetime
{
    // Asked of the device instead of the studio: each call leaves where it came from.
    private const string LocalTimeTrap = """
        globalThis.localTimes = [];
        const own = ['getHours', 'getMinutes', 'getDate', 'getDay', 'getMonth', 'getFullYear', 'setHours', 'setMinutes', 'setDate', 'toDateString',
          'toTimeString', 'toLocaleString', 'toLocaleDateString', 'toLocaleTimeString', 'getTimezoneOffset'];
        for (const name of own) {
          const real = Date.prototype[name];
          Date.prototype[name] = function (...args) {
            if (!args[1]?.timeZone) localTimes.push(name + new Error().stack.split('\n').slice(2, 4).join(' '));
            return real.apply(this, args);
          };
        }
        """;

    private const string Strangers = """
        const strange = /°C|[\d\s,](?:mm|cm²?|kg)\b|^(?:mm|cm²?|kg)$/;
        const isOwn = (e) => e.closest('[data-units=own], script, style, option') !== null;
        const found = new Set();
        document.querySelectorAll('details').forEach((d) => (d.open = true));
        const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        while (texts.nextNode()) {
          const [text, e] = [texts.currentNode.textContent.trim(), texts.currentNode.parentElement];
          if (e && strange.test(text) && !isOwn(e) && e.checkVisibility()) found.add(text.slice(0, 120));
        }
        for (const name of ['aria-label', 'title', 'placeholder'])
          for (const e of document.querySelectorAll(`[${name}]`))
            if (strange.test(e.getAttribute(name)) && !isOwn(e)) found.add(`${name}: ${e.getAttribute(name).slice(0, 120)}`);
        return JSON.stringify([...found]);
        """;

    private string trap = "";

    public async ValueTask InitializeAsync()
    {
        var settings = (await Http.GetFromJsonAsync<JsonNode>("/api/studio", TestContext.Current.CancellationToken))!;
        if (settings["studio"]!["unit"]!.GetValue<string>() != "F")
            await TurnAll(settings);
        trap = (string)
            (
                (IReadOnlyDictionary<string, object?>)
                    Driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new Dictionary<string, object?> { ["source"] = LocalTimeTrap })!
            )["identifier"]!;
        Driver.ExecuteCdpCommand("Emulation.setTimezoneOverride", new Dictionary<string, object?> { ["timezoneId"] = "Pacific/Kiritimati" });
    }

    public ValueTask DisposeAsync()
    {
        Driver.ExecuteCdpCommand("Page.removeScriptToEvaluateOnNewDocument", new Dictionary<string, object?> { ["identifier"] = trap });
        Driver.ExecuteCdpCommand("Emulation.setTimezoneOverride", new Dictionary<string, object?> { ["timezoneId"] = "" });
        return ValueTask.CompletedTask;
    }

    /// <summary>The studio's scales, and every firing and schedule written on them, as in a studio that began so.</summary>
    private async Task TurnAll(JsonNode settings)
    {
        var studio = settings["studio"]!.DeepClone();
        (studio["unit"], studio["length"], studio["mass"], studio["timeZone"]) = ("F", "in", "lb", "America/Denver");
        await Put("/api/studio", studio, settings["version"]!);
        foreach (var listed in (await Http.GetFromJsonAsync<JsonNode>("/api/schedules"))!.AsArray())
        {
            var schedule = (await Http.GetFromJsonAsync<JsonNode>($"/api/schedules/{listed!["id"]}"))!;
            var turned = await Http.PostAsJsonAsync("/api/schedules/convert", new JsonObject { ["schedule"] = schedule.DeepClone(), ["unit"] = "F" });
            await Put($"/api/schedules/{listed["id"]}", (await turned.Content.ReadFromJsonAsync<JsonNode>())!, schedule["version"]!);
        }
        foreach (var firing in (await Http.GetFromJsonAsync<JsonNode>("/api/firings?take=200"))!.AsArray())
        {
            var turned = firing!["firing"]!.DeepClone();
            turned["unit"] = "F";
            await Put($"/api/firings/{firing["id"]}", turned, firing["version"]!);
        }
    }

    private async Task Put(string path, JsonNode body, JsonNode version)
    {
        using var request = new HttpRequestMessage(HttpMethod.Put, path) { Content = JsonContent.Create(body) };
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{version}\"");
        (await Http.SendAsync(request)).IsSuccessStatusCode.ShouldBeTrue(path);
    }

    [Theory]
    [MemberData(nameof(PageTests.Pages), MemberType = typeof(PageTests))]
    public void Nothing_on_a_page_stands_on_another_scale_or_goes_by_the_clock_of_the_device(string path, string drawn)
    {
        Go(path);
        Find(drawn);
        JsonSerializer.Deserialize<string[]>((string)Driver.ExecuteScript(Strangers)!)!.ShouldBeEmpty(path);
        JsonSerializer.Deserialize<string[]>((string)Driver.ExecuteScript("return JSON.stringify([...new Set(localTimes)])")!)!.ShouldBeEmpty(path);
    }
}
