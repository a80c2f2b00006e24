using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>A whole reduction firing in a gas kiln with no thermometer, on a phone: planned, candled, turned up, seen, shut off, opened.</summary>
public sealed class FuelFireTests : PageVisit
{
    private TimeSpan ahead;

    public FuelFireTests(Browser browser)
        : base(browser) { }

    private const string Reduction = """
        {"name":"Cone 10 reduction","kind":"glaze","unit":"C","goalCone":"10","segments":[
        {"pace":"rate","rate":60,"target":100,"holdMinutes":30,"atmosphere":"oxidising","reason":"candle"},{"pace":"rate","rate":180,"target":900,"atmosphere":"oxidising"},
        {"pace":"rate","rate":40,"target":930,"atmosphere":"heavy-reduction"},{"pace":"rate","rate":110,"target":1270,"atmosphere":"light-reduction"},
        {"pace":"rate","rate":60,"target":1270,"holdMinutes":20,"atmosphere":"oxidising"},{"pace":"natural"}]}
        """;

    private async Task<int> Make(string path, JsonNode body) =>
        (await (await Http.PostAsJsonAsync(path, body)).Content.ReadFromJsonAsync<JsonNode>())!["id"]!.GetValue<int>();

    private async Task<JsonNode> Turns(int firing) => (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{firing}/turns"))!;

    private async Task<int> Noted(int firing, string kind) =>
        (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{firing}/entries"))!.AsArray().Count(e => e!["kind"]!.GetValue<string>() == kind);

    private void Press(IWebElement element)
    {
        Driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", element);
        element.Click();
    }

    /// <summary>The studio's clock and the phone's go on together.</summary>
    private void Forward(TimeSpan by)
    {
        ahead += by;
        Studio.Clock.Forward(by);
        Driver.ExecuteScript(
            "localStorage.setItem('test.ahead', arguments[0])",
            ahead.TotalMilliseconds.ToString("0", System.Globalization.CultureInfo.InvariantCulture)
        );
    }

    private async Task Note(int firing, string kind, string button, string choice)
    {
        var before = await Noted(firing, kind);
        Press(First("button", button));
        Press(First("dialog[open] button", choice));
        await UntilAsync(async () => await Noted(firing, kind) == before + 1, $"{choice} is noted");
    }

    private static async Task UntilAsync(Func<Task<bool>> holds, string what)
    {
        for (var until = DateTime.UtcNow.AddSeconds(40); !await holds(); await Task.Delay(100))
            (DateTime.UtcNow < until).ShouldBeTrue(what);
    }

    [Fact]
    public async Task A_reduction_firing_with_no_thermometer()
    {
        var script = Driver.ExecuteCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument",
            new Dictionary<string, object?>
            {
                ["source"] =
                    "const Real = Date, ahead = () => Number(localStorage.getItem('test.ahead') ?? 0); globalThis.Date = class extends Real { "
                    + "constructor(...a) { if (a.length) super(...a); else super(Real.now() + ahead()); } static now() { return Real.now() + ahead(); } };",
            }
        );
        var kiln = await Make(
            "/api/kilns",
            new JsonObject
            {
                ["name"] = "Curlew",
                ["heat"] = "fuel",
                ["class"] = "updraft-300",
            }
        );
        var schedule = await Make("/api/schedules", JsonNode.Parse(Reduction)!);
        var firing = await Make(
            "/api/firings",
            new JsonObject
            {
                ["name"] = "Celadon bowls",
                ["kind"] = "glaze",
                ["kilnId"] = kiln,
                ["scheduleId"] = schedule,
                ["goalCone"] = "10",
            }
        );
        Size(390, 844);

        // Planned: the sheet on the phone.
        Go($"/schedules/{schedule}/turns?kiln={kiln}");
        Until(() => Driver.FindElements(By.CssSelector(".screen [data-testid='turn']")).Count > 12, "the sheet");
        var sheet = TestId("turn-sheet").Text;
        sheet.ShouldContain("leak test first");
        sheet.ShouldContain("Body reduction");
        sheet.ShouldContain("Shut off: regulator down");
        TestId("fuel-facts").Text.ShouldContain("33 kg side by side");
        Driver.ExecuteScript("return document.documentElement.scrollWidth").ShouldBe(390L);

        Go($"/firings/{firing}?stage=fire");
        Until(() => TestId("start").Text.Contains("Curlew"), "ready to begin");
        Driver.FindElement(By.TagName("main")).Text.ShouldContain("Leak test made", Case.Sensitive, "a gas kiln has a check list of its own");
        Press(TestId("start"));
        Until(() => TestId("next-turn").Text.Contains("Now"), "the first turn is due");
        TestId("live-temperature").Text.ShouldBe("–", "nothing is lit");

        var (colours, smelt, took) = (new Queue<(int Celsius, string Name)>([(575, "first dull red"), (800, "cherry"), (1100, "yellow-orange")]), false, false);
        for (var turn = 0; turn < 40; turn++)
        {
            var plan = await Turns(firing);
            var due = plan["due"]!.GetValue<int>();
            var row = plan["turns"]!.AsArray()[due]!;
            var wait = row["minute"]!.GetValue<double>() - plan["minute"]!.GetValue<double>();
            if (wait > 0)
                Forward(TimeSpan.FromMinutes(wait + 0.5));
            if (row["kind"]!.GetValue<string>() == "shut-off")
                break;
            Until(
                () => TestId("next-turn").Text.Contains("Now") && TestId("next-turn").Text.Contains(row["set"]!.GetValue<string>()),
                $"turn {turn} is due: {row["set"]}"
            );
            Until(() => TestId("turned").Enabled, "the next row has settled under the thumb");
            Press(TestId("turned"));
            await UntilAsync(async () => (await Turns(firing))["due"]!.GetValue<int>() > due, $"turn {turn} is noted");
            var at = plan["estimate"]?["temperature"]?.GetValue<double>() ?? 20;
            if (colours.TryPeek(out var colour) && at >= colour.Celsius - 5)
            {
                colours.Dequeue();
                await Note(firing, "colour", "Colour", colour.Name);
            }
            if (row["asked"]?.GetValue<string>() != "heavy-reduction")
                continue;
            if (!smelt)
            {
                smelt = true;
                await Note(firing, "air-sign", "Air", "A sour smell");
                await Note(firing, "cone-down", "Cone", "Cone 010");
            }
            else
            {
                Until(() => TestId("reducing").Text.Contains("in reduction for"), "the reduction is timed");
            }
            if (!took && Driver.FindElements(By.CssSelector("[data-testid='take-replan']")) is [var take, ..])
            {
                try
                {
                    Press(take);
                }
                catch (StaleElementReferenceException)
                {
                    // What was just noted has made the offer needless.
                    continue;
                }
                took = true;
                await UntilAsync(async () => await Noted(firing, "replanned") == 1, "the new plan is taken");
            }
        }
        smelt.ShouldBeTrue();
        colours.ShouldBeEmpty();
        TestId("live-temperature").Text.ShouldStartWith("about 1");

        // The cone is down: shut off in order, each ticked.
        await Note(firing, "cone-down", "Cone", "Cone 10");
        Until(() => TestId("next-turn").Text.Contains("hut off"), "the cone has decided");
        Press(TestId("shut-off"));
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='shut-item']")).Count == 5, $"five things to shut: {TestId("next-turn").Text}");
        TestId("all-shut").Enabled.ShouldBeFalse();
        foreach (var i in Enumerable.Range(0, 5))
            Press(Driver.FindElements(By.CssSelector("[data-testid='shut-item']"))[i]);
        Press(TestId("all-shut"));
        Until(() => TestId("live-verdict").Text.Contains("do not open"), "hot and shut");
        (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{firing}/live"))!["state"]!.GetValue<string>().ShouldBe("cooling");

        Forward(TimeSpan.FromHours(60));
        (await Http.PostAsJsonAsync($"/api/firings/{firing}/opened", new JsonObject())).EnsureSuccessStatusCode();
        Go($"/firings/{firing}?stage=read");
        Press(First("button", "Read a pack here"));
        Find("[aria-label='Cone 10 on top']").SendKeys(OpenQA.Selenium.Keys.ArrowLeft);
        Until(() => TestId("reading-saved").GetDomAttribute("data-state") == "saved", "the pack is saved");
        await UntilAsync(
            async () => (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{firing}/reading"))!["reading"]!["packs"]!.AsArray().Count == 1,
            "the pack is read"
        );
        var learned = (await Http.GetFromJsonAsync<JsonNode>($"/api/kilns/{kiln}/fuel-learned"))!;
        learned["firings"]!.GetValue<int>().ShouldBe(1);
        Go($"/stores/kilns/{kiln}");
        Until(() => TestId("fuel-taught").Text.Contains("From 1 firing"), "the kiln has learned from it");
        Until(
            () => Driver.FindElements(By.CssSelector("svg[aria-label^='Cooling by damper. closed up: 500 °C after ']")).Count == 1,
            "how it cools by its damper"
        );
        Until(() => TestId("care").Text.Contains("Burners and hoses looked at, leak test made: never noted"), "what is due");
        ConsoleErrors()
            .Where(e => !e.Contains("Failed to load resource", StringComparison.Ordinal))
            .ShouldBeEmpty("a plan without a load is refused; nothing breaks");
        Driver.ExecuteScript("localStorage.removeItem('test.ahead')");
        Driver.ExecuteCdpCommand(
            "Page.removeScriptToEvaluateOnNewDocument",
            new Dictionary<string, object?> { ["identifier"] = ((IReadOnlyDictionary<string, object?>)script!)["identifier"] }
        );
    }
}
