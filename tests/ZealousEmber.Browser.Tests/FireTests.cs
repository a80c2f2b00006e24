using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>A whole firing on a phone beside the kiln: started, followed, an alarm, a network that drops, cooled and opened.</summary>
public sealed class FireTests : PageVisit
{
    // A second here is ten minutes of a firing: a slow machine must not get another one.
    public FireTests(Browser browser)
        : base(browser) => Studio.Clock.StandStill();

    private async Task<(int Kiln, int Firing)> Plan(string name)
    {
        async Task<int> Make(string path, JsonNode body) =>
            (await (await Http.PostAsJsonAsync(path, body)).Content.ReadFromJsonAsync<JsonNode>())!["id"]!.GetValue<int>();
        var kiln = await Make("/api/kilns", new JsonObject { ["name"] = name, ["class"] = "top-190" });
        var schedule = await Make(
            "/api/schedules",
            JsonNode.Parse(
                """{"name":"Quick glaze","kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":200,"target":1120},{"pace":"rate","rate":60,"target":1208,"holdMinutes":12},{"pace":"natural"}]}"""
            )!
        );
        return (
            kiln,
            await Make(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = $"{name}’s load",
                    ["kind"] = "glaze",
                    ["kilnId"] = kiln,
                    ["scheduleId"] = schedule,
                    ["goalCone"] = "6",
                }
            )
        );
    }

    private void Network(bool on)
    {
        Driver.ExecuteCdpCommand("Network.enable", []);
        Driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = !on,
                ["latency"] = 0,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    /// <summary>Scrolled to the middle first, as a thumb does: at the edge it lies under the places.</summary>
    private void Press(IWebElement element)
    {
        Driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", element);
        element.Click();
    }

    private double Shown() => double.TryParse(TestId("live-temperature").Text.TrimEnd('°'), out var value) ? value : 0;

    private async Task<int> Noted(int firing, string kind) =>
        (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{firing}/entries"))!.AsArray().Count(e => e!["kind"]!.GetValue<string>() == kind);

    [Fact]
    public async Task A_glaze_firing_from_the_first_tick_to_the_open_kiln()
    {
        var (_, firing) = await Plan("Teal");
        Size(390, 844);
        Driver.ExecuteScript("localStorage.setItem('ember.person', 'Maren'); localStorage.setItem('ember.theme', 'nightwatch')");
        Go($"/firings/{firing}?stage=fire");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='before'] input")).Count > 5, "the list");
        foreach (var box in Driver.FindElements(By.CssSelector("[data-testid='before'] input")).Take(2))
            box.Click();
        Until(() => Noted(firing, "before").Result == 2, "two are ticked and kept");
        // A tick by mistake is taken back, and made again.
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='before'] input:checked:not(:disabled)")).Count == 2, "they can still be taken back");
        Find("[data-testid='before'] input:checked").Click();
        Until(
            () => Noted(firing, "taken-back").Result == 1 && Driver.FindElements(By.CssSelector("[data-testid='before'] input:checked")).Count == 1,
            "one is taken back"
        );
        Press(First("label", "A simulated kiln"));
        new SelectElement(Find("[aria-label='Speed']")).SelectByText("600 times real time");
        Press(TestId("start"));
        TestId("live-temperature");
        (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{firing}/run"))!["by"]!.GetValue<string>().ShouldBe("Maren");

        // The screen follows by itself.
        Studio.Clock.Forward(TimeSpan.FromSeconds(30));
        Until(() => Shown() > 850, "it is hot");
        TestId("live-doing").Text.ShouldStartWith("climbing to 1120°");
        Until(() => new[] { "plan", "behind", "ahead" }.Any(TestId("live-verdict").Text.Contains), "how it stands against the plan");
        Until(() => TestId("next-action").Text.StartsWith("Look at the cones at"), "what to do next, and when");
        TestId("times").Text.ShouldContain("safe to open");
        Driver.FindElements(By.CssSelector("[data-line='forecast']")).Count.ShouldBe(1);
        Driver.ExecuteScript("return document.documentElement.scrollWidth").ShouldBe(390L);
        TestId("live-temperature").Size.Height.ShouldBeGreaterThan(80, "read from two metres");

        // A reading with the network away waits on the phone, also while the page is closed, and arrives once.
        Network(on: false);
        Click("Reading");
        Driver.FindElements(By.CssSelector("dialog .grid button"))[3].Click();
        Until(() => TestId("entries").Text.Contains("on its way"), "kept on the phone");
        (await Noted(firing, "reading")).ShouldBe(0);
        Network(on: true);
        Go("/firings");
        Go($"/firings/{firing}?stage=fire");
        Until(() => TestId("entries").Text.Contains("Reading") && !TestId("entries").Text.Contains("on its way"), "it is sent");
        (await Noted(firing, "reading")).ShouldBe(1);

        // Again, for longer: the page finds back to the kiln by itself.
        var before = Shown();
        Network(on: false);
        Network(on: true);
        Studio.Clock.Forward(TimeSpan.FromSeconds(14));
        Until(() => Shown() > before + 40, "told again");
        Click("Cone");
        Driver.FindElement(By.CssSelector("dialog .grid button")).Click();
        Until(() => TestId("entries").Text.Contains("Cone 5½ down"), "a cone");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='entries'] button")).Count > 0, "it can still be changed");
        Press(Driver.FindElements(By.CssSelector("[data-testid='entries'] button"))[0]);
        Press(First("[data-testid='entries'] button", "Take it back"));
        Until(() => TestId("entries").Text.Contains("taken back"), "and stays in the log as such");

        Studio.Clock.Forward(TimeSpan.FromSeconds(70));
        Until(() => TestId("live-verdict").Text.Contains("Hot: do not open"), "the power is off");
        TestId("next-action").Text.ShouldStartWith("Hot: do not open until about");
        TestId("next-action").Click();
        Until(() => Find("dialog [role='alert']").Text.Contains("still about"), "how hot it still is");
        foreach (var box in Driver.FindElements(By.CssSelector("dialog input[type='checkbox']")))
            box.Click();
        Find("dialog input[placeholder^='38 out']").SendKeys("40 out, none lost");
        Click("Note: opened early");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='next-action']")).Count == 0, "it is over");
        Until(() => Noted(firing, "counted-out").Result == 1 && Noted(firing, "after").Result == 3, "counted, and shut down");
        ConsoleErrors()
            .Where(e => !e.Contains("ERR_INTERNET_DISCONNECTED") && !e.Contains("/live") && !e.Contains("favicon") && !e.Contains("/api/plan "))
            .ShouldBeEmpty();
    }

    [Fact]
    public async Task An_open_lid_rings_on_every_page_until_somebody_has_seen_it()
    {
        var (_, firing) = await Plan("Smew");
        await Http.PostAsJsonAsync(
            $"/api/firings/{firing}/start",
            JsonNode.Parse("""{"link":"simulated","speed":600,"seed":4,"faults":[{"kind":"lid-open","fromMinute":280,"size":60}]}""")
        );
        Driver.ExecuteScript("localStorage.setItem('ember.person', 'Tobin')");
        Go("/");
        TestId("room");
        Studio.Clock.Forward(TimeSpan.FromSeconds(31));
        Until(() => TestId("alarm-banner").Text.Contains("cools far faster"), "it rings at home");
        Until(() => Find("[data-kiln='Smew'] .alarm").Displayed, "and on its kiln");
        Go("/stores/clays");
        TestId("alarm-banner").Click();
        Until(() => Driver.Url.Contains($"/firings/{firing}?stage=fire"), $"one tap leads to it, not to {Driver.Url}");
        var alarm = Find("[data-alarm='falls-fast']");
        alarm.Text.ShouldContain("Danger");
        alarm.FindElement(By.CssSelector("input")).SendKeys("lid shut again");
        alarm.FindElement(By.CssSelector("button")).Click();
        Until(() => Find("[data-alarm='falls-fast']").Text.Contains("Seen by Tobin: lid shut again"), "seen");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='alarm-banner']")).Count == 0, "quiet here");
        Click("Stop this firing");
        Click("The power is off: stop");
        Until(() => TestId("live-doing").Text.Contains("stopped, power off"), "stopped");
    }

    [Fact]
    public void The_wall_shows_every_kiln_large_with_nothing_to_press()
    {
        Go("/wall");
        Until(() => Driver.FindElements(By.CssSelector("[data-kiln]")).Count >= 2, "the kilns");
        Until(() => Find("[data-kiln='Wren'] .now").Text.EndsWith('°'), "how hot it is");
        Driver.FindElements(By.CssSelector("main a, main button, .wallpage a, .wallpage button")).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_log_is_taken_in_after_the_firing_and_gone_through_again()
    {
        var (_, firing) = await Plan("Gadwall");
        var file = Path.Combine(Studio.Folder, "gadwall.csv");
        var start = new DateTimeOffset(2026, 3, 3, 6, 0, 0, TimeSpan.Zero);
        await File.WriteAllLinesAsync(
            file,
            [
                "When;Chamber;Output",
                .. Enumerable
                    .Range(0, 700)
                    .Select(i =>
                        FormattableString.Invariant(
                            $"{start.AddMinutes(i):dd/MM/yyyy HH:mm};{(i <= 420 ? 20 + i * 2.83 : 1208.6 - (i - 420) * 1.5):0.0};{(i < 420 ? 60 : 0)}"
                        )
                    ),
                "end of log",
            ]
        );
        Go($"/firings/{firing}?stage=fire");
        Click("Import its log");
        Find("dialog input[type='file']").SendKeys(file);
        TestId("log-columns")
            .FindElements(By.CssSelector("select"))
            .Select(s => new SelectElement(s).SelectedOption.Text)
            .ShouldBe(["Time", "Temperature", "Power"]);
        Click("Import it");
        Until(() => TestId("log-tried").Text.Contains("Line 702: No time that can be read: “end of log”"), "what cannot be read is told first");
        Click("Import the other 700 readings");
        Until(() => TestId("taken").Text.StartsWith("700 readings, from"), "it is in");
        Click("Done");
        Until(() => TestId("live-doing").Text == "opened", "it is over");
        Driver.FindElements(By.CssSelector("[data-testid='alarm']")).ShouldBeEmpty("nothing is to be done any more");
        Driver.FindElements(By.CssSelector("[data-line='forecast']")).ShouldBeEmpty();
        Click("Replay");
        var moment = Find("[data-testid='replay'] input");
        Driver.ExecuteScript("arguments[0].value = 59; arguments[0].dispatchEvent(new Event('input', { bubbles: true }))", moment);
        Until(() => TestId("live-doing").Text.StartsWith("climbing to 1120°"), "half way");
        Driver.FindElements(By.CssSelector("[data-line='forecast']")).Count.ShouldBe(1, "what was expected then, beside what came");
        Click("End the replay");
        Until(() => TestId("live-doing").Text == "opened", "as it ended");
    }
}
