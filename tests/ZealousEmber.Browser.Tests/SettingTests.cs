using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>Saying a schedule to a kiln: the card, the read-back, the bank, switches, practice, and a controller of one's own.</summary>
public sealed class SettingTests(Browser browser) : PageVisit(browser)
{
    private async Task<JsonNode> Controllers() => (await Http.GetFromJsonAsync<JsonNode>("/api/controllers"))!;

    private async Task<int> Controller(string name) =>
        (await Controllers()).AsArray().Single(c => c!["profile"]!["name"]!.GetValue<string>() == name)!["id"]!.GetValue<int>();

    private async Task<int> Kiln(string? controller)
    {
        var body = new JsonObject
        {
            ["name"] = "Teal",
            ["class"] = "top-190",
            ["controllerId"] = controller is null ? null : await Controller(controller),
        };
        return (await (await Http.PostAsJsonAsync("/api/kilns", body)).Content.ReadFromJsonAsync<JsonNode>())!["id"]!.GetValue<int>();
    }

    private async Task<int> Schedule(string name)
    {
        var body = JsonNode.Parse(
            $$"""{"name":"{{name}}","kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":100,"target":200},{"pace":"rate","rate":180,"target":1100},{"pace":"rate","rate":60,"target":1210,"holdMinutes":15},{"pace":"natural"}]}"""
        );
        return (await (await Http.PostAsJsonAsync("/api/schedules", body)).Content.ReadFromJsonAsync<JsonNode>())!["id"]!.GetValue<int>();
    }

    private IReadOnlyList<IWebElement> Read() => Driver.FindElements(By.CssSelector("[data-testid='read-back'] input"));

    [Fact]
    public async Task What_was_set_leads_to_Fire_and_a_schedule_changed_since_is_asked_about_once()
    {
        var (kiln, schedule, controller) = (await Kiln("Wedge"), await Schedule("Reed, tested"), await Controller("Wedge"));
        async Task<JsonNode> Post(string path, JsonNode body) => (await (await Http.PostAsJsonAsync(path, body)).Content.ReadFromJsonAsync<JsonNode>())!;
        var firing = (
            await Post(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = "Reed bowls",
                    ["kind"] = "glaze",
                    ["kilnId"] = kiln,
                    ["scheduleId"] = schedule,
                    ["scheduleVersion"] = 1,
                }
            )
        )["id"]!.GetValue<int>();
        var stored = (await Http.GetFromJsonAsync<JsonNode>($"/api/schedules/{schedule}"))!;
        var program = (
            await Post(
                "/api/controllers/fit",
                new JsonObject
                {
                    ["schedule"] = stored.DeepClone(),
                    ["profileId"] = controller,
                    ["slot"] = "3",
                }
            )
        )["program"]!.AsArray();

        // Read back on the page: the way leads to Fire, and the list has its tick.
        Go($"/firings/{firing}?stage=set");
        TestId("next-line");
        new SelectElement(TestId("slot")).SelectByValue("3");
        Until(() => Find("[data-testid='entry-card'] li:nth-child(2) .value").Text == "3", "its card");
        Click("Read it back");
        Until(() => Read().Count == program.Count, "a field for every question");
        foreach (var (i, answer) in program.Index())
            Read()[i].SendKeys(answer!["shown"]!.GetValue<string>());
        TestId("record").Click();
        TestId("to-fire").Click();
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='before'] input:checked")).Count == 1, "“Program read back” is ticked");
        Until(() => TestId("summary").Text.StartsWith("Set") && TestId("starts-with").Text.Contains("1210"), "what it follows");

        // Changed since: said in red, and asked with both curves.
        var changed = stored.DeepClone().AsObject();
        changed["segments"]![2]!["target"] = 1225;
        using var put = new HttpRequestMessage(HttpMethod.Put, $"/api/schedules/{schedule}") { Content = JsonContent.Create(changed) };
        put.Headers.TryAddWithoutValidation("If-Match", "*");
        (await Http.SendAsync(put)).EnsureSuccessStatusCode();
        Go($"/firings/{firing}?stage=fire");
        Until(() => TestId("summary").Text.Contains("what is planned is not what is set"), "it differs");
        First("label", "Read off by hand").Click();
        TestId("start").Click();
        Until(
            () => Find("dialog[open]").Text.Contains("Which program does it follow?") && Driver.FindElements(By.CssSelector("dialog[open] svg path")).Count > 1,
            "both curves"
        );
        First("dialog[open] button", "Start what is set").Click();
        TestId("live-temperature");
        var run = (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{firing}/run"))!;
        run["isAsEntered"]!.GetValue<bool>().ShouldBeTrue();
        run["line"]!.GetValue<string>().ShouldContain("1210");
    }

    [Fact]
    public async Task A_schedule_is_keyed_in_by_the_card_read_back_put_right_and_set()
    {
        var (kiln, schedule) = (await Kiln("Wedge"), await Schedule("Oyster, tested"));
        Go($"/schedules/{schedule}/set?kiln={kiln}");
        Driver.ExecuteScript("localStorage.setItem('ember.person', 'Maren')");
        TestId("next-line").Click();
        Until(() => TestId("display").Text == "page 1", "the panel says what the display should say");
        new SelectElement(TestId("slot")).SelectByValue("3");
        Until(
            () =>
                Find("[data-testid='entry-card'] li:nth-child(2) .value").Text == "3"
                && Find("[data-testid='entry-card'] li").GetDomAttribute("class")!.Contains("now"),
            "another program is another card, with no tick"
        );
        for (var line = 0; line < 13; line++)
            TestId("next-line").Click();
        Until(() => TestId("display").Text == "wait 0", "the last question");
        TestId("next-line").Click();

        // What it shows: 18 for 180, the rest as it should be.
        Until(() => Read().Count == 13, "a field for every question");
        foreach (var (i, shown) in "3 3 100 200 0 18 1100 0 60 1210 15 1220 0".Split(' ').Index())
            Read()[i].SendKeys(shown);
        Until(() => TestId("slip").Text.Contains("left out"), "the slip behind it");
        TestId("read-back").Text.ShouldContain("Should be 180.");
        Driver.FindElements(By.CssSelector("[data-testid='record']")).ShouldBeEmpty("not as it should be");
        Click("That was it; read again");
        Until(() => Read()[5].GetDomProperty("value") == "" && Read()[6].GetDomProperty("value") == "1100", "what was wrong is read again, and nothing else");
        Read()[5].SendKeys("180");
        TestId("record").Click();
        Until(() => TestId("set-status").Text.StartsWith("Set. Read back clean by Maren"), "set");
        TestId("set-status").Text.ShouldContain("program 3");

        var entered = (await Http.GetFromJsonAsync<JsonNode>($"/api/kilns/{kiln}/entered"))!.AsArray();
        entered.Select(e => (e!["clean"]!.GetValue<bool>(), e["slip"]?.GetValue<string>())).ShouldBe([(true, null), (false, "digit-dropped")]);
        Click("What is in it");
        Until(() => TestId("bank").Text.Contains("Oyster, tested"), "in the bank");

        // Changed, it is no longer set, and its program not to be relied on.
        var stored = (await Http.GetFromJsonAsync<JsonNode>($"/api/schedules/{schedule}"))!;
        stored["segments"]![2]!["holdMinutes"] = 20;
        var put = new HttpRequestMessage(HttpMethod.Put, $"/api/schedules/{schedule}") { Content = JsonContent.Create(stored) };
        put.Headers.TryAddWithoutValidation("If-Match", "\"1\"");
        (await Http.SendAsync(put)).EnsureSuccessStatusCode();
        Go($"/schedules/{schedule}/set?kiln={kiln}");
        Until(() => TestId("set-status").Text.StartsWith("No longer set."), "un-set, and it says so");
        Go($"/stores/kilns/{kiln}/programs");
        Until(() => TestId("bank").Text.Contains("the schedule was changed since"), "stale");
    }

    [Theory]
    [InlineData(3)]
    [InlineData(8)]
    [InlineData(62)]
    public async Task However_many_steps_it_has_the_card_is_one_page(int steps)
    {
        // Steps nobody could make one of.
        var segments = string.Join(
            ',',
            Enumerable.Range(0, steps).Select(i => $$"""{"pace":"rate","rate":{{60 + 17 * (i % 9)}},"target":{{100 + 18 * i}},"holdMinutes":{{3 + i % 5}}}""")
        );
        var schedule = await (
            await Http.PostAsJsonAsync(
                "/api/schedules",
                JsonNode.Parse($$"""{"name":"Long","kind":"glaze","unit":"C","segments":[{{segments}},{"pace":"natural"}]}""")
            )
        ).Content.ReadFromJsonAsync<JsonNode>();
        var large = (await Controllers()).AsArray().First(c => c!["profile"]!["name"]!.GetValue<string>() == "Wedge")!["profile"]!.DeepClone();
        (large["name"], large["most"]) = ($"Large {steps}", 64);
        var count = large["ask"]!.AsArray().Single(q => q!["id"]!.GetValue<string>() == "count")!;
        (count["max"], count["places"]) = (64, 2);
        (await Http.PostAsJsonAsync("/api/controllers", large)).EnsureSuccessStatusCode();
        Go($"/schedules/{schedule!["id"]}/set?kiln={await Kiln($"Large {steps}")}");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='entry-card'] li")).Count == 5 + 3 * steps, "a line a question");
        using var document = PdfDocument.Open(
            Driver
                .Print(
                    new PrintOptions
                    {
                        PageDimensions = new PrintOptions.PageSize { Width = 21, Height = 29.7 },
                    }
                )
                .AsByteArray
        );
        document.NumberOfPages.ShouldBe(1);
        var printed = document.GetPage(1).Text;
        foreach (var said in new[] { "Long", "Teal", TestId("code").Text, "stay", "kiln maker" })
            printed.Replace(" ", "", StringComparison.Ordinal).ShouldContain(said.Replace(" ", "", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_kiln_without_a_controller_is_asked_for_it_once()
    {
        var (kiln, schedule) = (await Kiln(null), await Schedule("Reed, tested"));
        Go($"/schedules/{schedule}/set?kiln={kiln}");
        var choice = new SelectElement(TestId("choose-controller").FindElement(By.TagName("select")));
        Until(() => choice.Options.Count > 10, "the controllers there are");
        choice.SelectByValue($"{await Controller("Kidney")}");
        Click("Use this controller");
        Until(() => TestId("entry-card").Text.Contains("slope 1"), "the card of that controller");
        TestId("fit-verdict").Text.ShouldContain("fires nearly this");
        Go($"/stores/kilns/{kiln}");
        Until(() => new SelectElement(Find("#kiln-controller")).SelectedOption.Text == "Kidney", "the kiln names it");
        Driver.FindElements(By.CssSelector("#kiln-clock")).ShouldBeEmpty("what becomes of a late climb is the controller's to say");
    }

    [Fact]
    public async Task Read_on_a_phone_the_values_are_typed_on_keys_for_a_thumb()
    {
        var (kiln, schedule) = (await Kiln("Kidney"), await Schedule("Tidewrack, tested"));
        Size(390, 844);
        Driver.ExecuteCdpCommand("Emulation.setTouchEmulationEnabled", new Dictionary<string, object?> { ["enabled"] = true });
        Driver.ExecuteCdpCommand(
            "Emulation.setEmulatedMedia",
            new Dictionary<string, object?>
            {
                ["features"] = new object[]
                {
                    new Dictionary<string, object?> { ["name"] = "pointer", ["value"] = "coarse" },
                },
            }
        );
        Go($"/schedules/{schedule}/set?kiln={kiln}");
        TestId("next-line");
        Click("Read it back");
        Until(() => Read().Count == 7, "a field for every question");
        void Press(string keys)
        {
            foreach (var key in keys.Split(' '))
                Driver.FindElement(By.XPath($"//*[contains(@class, 'keypad')]/button[normalize-space() = '{key}']")).Click();
        }

        Press("0 Next 1 5 9 Next 1 1 0 0 Next 6 0 Next 1 2 1 0 Next 0 : 1 5 Next");
        Press("pass");
        TestId("record").Size.Height.ShouldBeGreaterThanOrEqualTo(48);
        TestId("record").Click();
        Until(() => TestId("set-status").Text.StartsWith("Set."), "set");
        ((long)Driver.ExecuteScript("return document.documentElement.scrollWidth")!).ShouldBe(390, "nothing hangs over");
        Driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["features"] = Array.Empty<object>() });
        Driver.ExecuteCdpCommand("Emulation.setTouchEmulationEnabled", new Dictionary<string, object?> { ["enabled"] = false });
    }

    [Fact]
    public async Task Switches_are_turned_by_the_clock_and_planned_anew_from_a_reading()
    {
        var (kiln, schedule) = (await Kiln("Bung"), await Schedule("Lamp, tested"));
        Go($"/schedules/{schedule}/set?kiln={kiln}");
        TestId("start-turning").Click();
        Until(() => TestId("next-turn").Text.Contains("1 turn done"), "on");
        var before = TestId("turns").Text;
        Find("[data-testid='next-turn'] input").SendKeys("24");
        TestId("turned").Click();
        Until(() => TestId("next-turn").Text.Contains("2 turns done") && TestId("power").Text.Contains("% of the power"), "planned anew");
        Until(() => TestId("turns").Text != before, "other turns");
        Driver.Navigate().Refresh();
        Until(() => TestId("next-turn").Text.Contains("2 turns done"), "a closed tab goes on");
        Click("Undo the last turn");
        Until(() => TestId("next-turn").Text.Contains("1 turn done"), "undone");
    }

    /// <summary>The same as a firing: Set leads to Fire, where anybody turns, reads and switches off, on any device.</summary>
    [Fact]
    public async Task A_firing_by_switches_is_turned_on_the_phone_until_everything_is_off()
    {
        var (kiln, schedule) = (await Kiln("Spyhole"), await Schedule("Lamp, by switches"));
        var body = new JsonObject
        {
            ["name"] = "Switched bowls",
            ["kind"] = "glaze",
            ["kilnId"] = kiln,
            ["scheduleId"] = schedule,
        };
        var firing = (await (await Http.PostAsJsonAsync("/api/firings", body)).Content.ReadFromJsonAsync<JsonNode>())!["id"]!.GetValue<int>();
        Size(390, 844);
        Go($"/firings/{firing}?stage=set");
        TestId("to-fire").GetDomAttribute("href")!.ShouldEndWith($"/firings/{firing}?stage=fire");
        var start = new JsonObject { ["link"] = "hand", ["startsAt"] = Studio.Clock.GetUtcNow().AddMinutes(-20) };
        (await Http.PostAsJsonAsync($"/api/firings/{firing}/start", start)).EnsureSuccessStatusCode();
        Go($"/firings/{firing}?stage=fire");
        Until(() => TestId("switches").Text.Contains("1 turn made"), "the first is made with the start");
        TestId("next-action").Text.ShouldStartWith("Turn ");
        Find("[data-testid='switches'] input").SendKeys("warm");
        Driver.ExecuteScript("document.querySelector('[data-testid=switch-turned]').click()");
        Until(() => TestId("switches").Text.Contains("A number, like 812"), "no temperature");
        Find("[data-testid='switches'] input").Clear();
        Find("[data-testid='switches'] input").SendKeys("48");
        Driver.ExecuteScript("document.querySelector('[data-testid=switch-turned]').click()");
        Until(() => TestId("switches").Text.Contains("2 turns made") && TestId("switches").Text.Contains("% of the power on its plate"), "planned anew");
        ((long)Driver.ExecuteScript("return document.documentElement.scrollWidth")!).ShouldBe(390, "nothing hangs over");
        Driver.Navigate().Refresh();
        Until(() => TestId("switches").Text.Contains("2 turns made"), "another device goes on");
        Driver.ExecuteScript("document.querySelector('[data-testid=switch-off]').click()");
        Until(() => TestId("switches").Text.Contains("Everything off after"), "off");
    }

    [Fact]
    public async Task What_is_practised_is_pressed_on_the_keyboard_and_a_slip_is_named()
    {
        var wedge = await Controller("Wedge");
        Go("/bench/practice");
        Driver.ExecuteScript("localStorage.setItem('ember.person', 'Isolde')");
        Go($"/bench/practice?controller={wedge}&task=enter-glaze");
        Until(() => TestId("display").Text == "rest", "the controller");
        Find("[data-testid='panel'] [aria-label='open']").Click();
        Until(() => TestId("display").Text == "page 1", "it asks");
        Click("Hint");
        Until(() => TestId("hint").Text == "Press 1, take.", "the next keys");
        Find("main h1").Click();
        foreach (var part in "1 3 100 120 30 15 1100 0 60 1210 12 1220 0".Split(' '))
            Keys(part, OpenQA.Selenium.Keys.Enter);
        Until(() => TestId("display").Text == "ready", "all is answered");
        Keys("f");
        Until(() => TestId("practice-result").Text.Contains("pace 2 reads 15 for 150"), "what is not right");
        TestId("practice-result").Text.ShouldContain("one key left out");
        TestId("simulated").Text.ShouldContain("Top 1210 °C");

        Click("Begin again");
        Until(() => TestId("display").Text == "rest", "from the beginning");
        Keys("o");
        foreach (var part in "1 3 100 120 30 150 1100 0 60 1210 12 1220 0".Split(' '))
            Keys(part, OpenQA.Selenium.Keys.Enter);
        Until(() => TestId("display").Text == "ready", "all is answered");
        Keys("f");
        Until(() => TestId("practice-result").Text.Contains("Right, and it fires."), "right");
        First("nav[aria-label='Tasks'] a", "✓").Text.ShouldContain("Enter: Glaze with a hold", Case.Sensitive, "kept under the name");
    }

    [Fact]
    public async Task A_controller_of_ones_own_is_copied_changed_and_runs_beside_it()
    {
        Go($"/stores/controllers/{await Controller("Kidney")}");
        Click("Copy and change");
        Until(() => Find("[aria-label='Name of the controller']").GetDomProperty("value") == "Kidney, ours", "a copy");
        var label = Find("[data-testid='question']:nth-child(2) label:nth-of-type(2) input");
        label.Clear();
        label.SendKeys("incline #" + OpenQA.Selenium.Keys.Tab);
        Until(() => Controllers().Result.ToJsonString().Contains("incline #"), "saved");
        Find("[data-testid='panel'] [aria-label='open']").Click();
        Until(() => TestId("display").Text.StartsWith("begin in"), "it runs");
        Find("[data-testid='panel'] [aria-label='take']").Click();
        Until(() => TestId("display").Text.StartsWith("incline 1"), "as it was described");

        // What contradicts itself says where, and what was typed stays.
        var least = Find("[data-testid='question']:nth-child(3) label:nth-of-type(5) input");
        least.Clear();
        least.SendKeys("2000" + OpenQA.Selenium.Keys.Tab);
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='question']:nth-child(3) [role='alert']")).Count > 0, "at the question");
        least.GetDomProperty("value").ShouldBe("2000");
        // Emptied and written are two steps.
        Find("button[aria-label='Undo']").Click();
        Find("button[aria-label='Undo']").Click();
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='question'] [role='alert']")).Count == 0, "undone");
    }
}
