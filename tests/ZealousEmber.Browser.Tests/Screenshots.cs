using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.Browser.Tests;

/// <summary>
/// Takes the pictures of docs/screenshots anew from the demo data; not a check, so only run when asked for:
/// <c>dotnet run --project tests/ZealousEmber.Browser.Tests -- -explicit only</c>.
/// </summary>
public sealed class Screenshots(Browser browser) : PageVisit(browser)
{
    private void Take(string name, string path, string drawn, int width = 1280, int height = 800, string theme = "bisque", Action? before = null)
    {
        Driver.ExecuteCdpCommand("Emulation.setLocaleOverride", new Dictionary<string, object?> { ["locale"] = "en-GB" });
        Size(width, height);
        Driver.ExecuteScript("localStorage.setItem('ember.theme', arguments[0])", theme);
        Go(path);
        Find(drawn);
        before?.Invoke();
        // Dialogs fade in; a picture wants them there.
        Driver.ExecuteScript("document.getAnimations().forEach((a) => a.effect?.getComputedTiming().endTime === Infinity || a.finish())");
        Driver.ExecuteAsyncScript(
            "const done = arguments[0]; document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => done())))"
        );
        ((ITakesScreenshot)Driver).GetScreenshot().SaveAsFile(Repository.File($"docs/screenshots/{name}.png"));
    }

    private void InHeron()
    {
        Until(() => TestId("kiln").FindElements(By.TagName("option")).Any(o => o.Text == "Heron"), "Heron can be chosen");
        new SelectElement(TestId("kiln")).SelectByText("Heron");
        Until(() => TestId("energy").Text.Contains("kWh"), "the kiln answers");
    }

    private void ChooseStart()
    {
        TestId("choose-start").Click();
        StartAt("2026-11-24", "17:30");
        Until(() => Find("[data-row='0'] .when").Text.Contains("Tue"), "clock times");
    }

    [Fact(Explicit = true)]
    public async Task Take_all()
    {
        Driver.ExecuteScript("localStorage.setItem('ember.person', 'Tobin')");
        var wren = (await Http.GetFromJsonAsync<JsonNode>("/api/room"))!.AsArray().Single(k => k!["name"]!.GetValue<string>() == "Wren")!["firingId"];
        Take("kiln-room", "/", ".cards li", before: () => Until(() => Find("[data-kiln='Wren'] .now").Text.Length > 3, "it is hot"));
        Take("fire", $"/firings/{wren}?stage=fire", "[data-line='forecast']", before: () => TestId("times"));
        Take("fire-phone", $"/firings/{wren}?stage=fire", "[data-line='forecast']", 390, 844, "nightwatch", () => TestId("times"));
        Take("library", "/schedules", "[data-testid='schedule']");
        Take("editor", "/schedules/11", "[data-testid='handle']", before: () =>
        {
            InHeron();
            ChooseStart();
        });
        Take("load", "/firings/1", "[data-testid='section'] .piece");
        Take("loading-sheet", "/firings/1/loading", "[data-testid='loading-sheet'] .piece");
        Take("turn-sheet", "/schedules/2/turns?kiln=3", ".screen [data-testid='last-turn']");
        Take("plan", "/firings/1?stage=plan", "[data-testid='plan'] li", before: () =>
        {
            Find("[data-testid='what-if'] button[aria-label='Thicker']").Click();
            Find("[data-testid='what-if'] button[aria-label='Thicker']").Click();
            Until(() => TestId("what-if").Text.Contains("Drying takes"), "the answer");
        });
        Take("set", "/firings/2?stage=set", "[data-testid='fit-verdict'] [data-chart]", before: () =>
        {
            for (var line = 0; line < 6; line++)
                TestId("next-line").Click();
        });
        Take("read-back-phone", "/firings/2?stage=set", "[data-testid='entry-card'] li", 390, 844, "nightwatch", () =>
        {
            Click("Read it back");
            foreach (var (i, shown) in "4 8 80 90 30 20".Split(' ').Index())
                Driver.FindElements(By.CssSelector("[data-testid='read-back'] input"))[i].SendKeys(shown);
            TestId("slip");
        });
        Take("practice", "/bench/practice?task=enter-glaze", "[data-testid='panel']", before: () =>
        {
            Find("main h1").Click();
            Keys("o");
            foreach (var part in "1 3 100 120 30 150 1100 0 60 121 12 1220 0".Split(' '))
                Keys(part, OpenQA.Selenium.Keys.Enter);
            Until(() => TestId("display").Text == "ready", "all is answered");
            Keys("f");
            TestId("simulated");
            Click("To the end");
        });
        Take("findings", "/schedules/12", "[data-testid='accepted']", before: () =>
        {
            var fix = Find("[data-finding='steam-risk'] button.text-primary");
            Driver.ExecuteScript("document.querySelector('[data-testid=findings]').scrollIntoView()");
            new Actions(Driver).MoveToElement(fix).Perform();
            TestId("tried");
        });
        Take("glazes", "/stores/glazes", "[data-testid='stock'] img");
        Take("kiln", "/stores/kilns/1", "[data-testid='usual']");
        var matte = (await Http.GetFromJsonAsync<JsonNode>("/api/logbook?take=200"))!["firings"]!
            .AsArray()
            .Single(f => f!["name"]!.GetValue<string>() == "Supper set, first plates")!["firingId"];
        Take("read", $"/firings/{matte}?stage=read", "[data-testid='make-version']");
        Take("logbook", "/firings/logbook", "[data-testid='trends'] circle");
        Take("editor-night", "/schedules/2", "[data-testid='handle']", theme: "nightwatch", before: () => Field(3, "target").Click());
        Take("cones", "/bench/cones", "[data-testid='cone-top']", before: () => Find("[data-testid='cone-row']"));
        Take("print", "/schedules/10/print?start=2026-11-24T17:30:00Z", "[data-testid='sheet'] table", 900, 800);
    }
}
