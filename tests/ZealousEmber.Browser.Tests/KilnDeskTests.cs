using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>The desk with a kiln chosen, kilns under Stores, the studio's hours, and starts.</summary>
public sealed class KilnDeskTests(Browser browser) : PageVisit(browser)
{
    private void Choose(string kiln)
    {
        Until(() => TestId("kiln").FindElements(By.TagName("option")).Any(o => o.Text == kiln), $"{kiln} can be chosen");
        new SelectElement(TestId("kiln")).SelectByText(kiln);
    }

    private string Moment(string name) =>
        Driver
            .FindElements(By.CssSelector("[aria-labelledby='by-the-clock'] dt"))
            .Where(dt => dt.Text.StartsWith(name, StringComparison.Ordinal))
            .Select(dt => dt.FindElement(By.XPath("following-sibling::dd")).Text)
            .FirstOrDefault()
        ?? "";

    [Fact]
    public void With_a_kiln_the_desk_shows_what_it_will_do()
    {
        OpenDemo("Oyster matte, supper set");
        var plain = Moment("May be opened");
        Choose("Heron");
        Until(() => TestId("energy").Text.Contains("kWh") && TestId("energy").Text.Contains('±'), "energy with its uncertainty");
        TestId("cost").Text.ShouldStartWith("£");
        TestId("late").Text.ShouldStartWith("1 h");
        Moment("May be opened").ShouldNotBe(plain);
        Find("[data-line='asked']").GetDomAttribute("d").ShouldNotBeNullOrEmpty();
        Driver
            .FindElements(By.CssSelector("[data-testid='step-late']"))
            .Select(e => e.Text)
            .ShouldContain(t => t.EndsWith("min late", StringComparison.Ordinal));
        var full = TestId("energy").Text;
        new SelectElement(Find("[aria-label='How full the kiln is']")).SelectByText("half full");
        Until(() => TestId("energy").Text != full, "half a load takes less");
        // Remembered for this schedule on this device.
        Driver.Navigate().Refresh();
        Until(() => TestId("energy").Text.Contains("kWh"), "the kiln is still chosen");
        Choose("a plain kiln");
        Until(() => Driver.FindElements(By.CssSelector("[data-line='asked']")).Count == 0, "the plain kiln again");
    }

    [Fact]
    public void A_finding_points_at_its_stretch_and_its_fix_can_be_undone()
    {
        OpenDemo("Oyster matte, supper set");
        Choose("Heron");
        Until(() => TestId("findings").Text.Contains("Step 3."), "step 3 falls behind");
        var step = First("[data-testid='findings'] li button", "Step 3.");
        Driver.ExecuteScript("arguments[0].focus()", step);
        Find("[data-mark]");
        var fix = First("[data-testid='findings'] button", "Use ");
        var rate = fix.Text[4..];
        fix.Click();
        Until(() => Value(3, "pace") == rate, "the slower rate");
        Until(() => !TestId("findings").Text.Contains("Step 3."), "the finding is gone");
        Click("Undo");
        Until(() => Value(3, "pace") == "110", "the old rate");
        UntilSaved();
    }

    [Fact]
    public void The_best_start_is_found_taken_and_told_from_the_other_end()
    {
        OpenDemo("Oyster matte, supper set");
        Choose("Heron");
        Until(() => TestId("energy").Text.Contains("kWh"), "the kiln answers");
        TestId("find-start").Click();
        Until(() => TestId("starts").FindElements(By.CssSelector("li")).Count == 3, "three starts");
        TestId("starts").Text.ShouldContain("Cheapest there is");
        Driver.FindElements(By.CssSelector("dialog rect title")).Count.ShouldBe(3, "a bar for each");
        Click("Take it");
        Until(() => Find("#start-time").GetDomProperty("value")?.Length == 5, "the start stands in its field");
        Until(() => Moment("Top").Contains(':'), "times by the clock");
        var top = Moment("Top");
        new SelectElement(Find("[aria-label='What happens at this time']")).SelectByText("top at");
        Find("[aria-label='When the top is reached']");
        Until(() => TestId("switch-on").Text.Length > 0, "when it is switched on");
        Moment("Top").ShouldBe(top, "only the question changed");
    }

    [Fact]
    public void A_kiln_is_made_in_a_few_presses_and_can_be_taken_back()
    {
        Go("/stores/kilns/new");
        Find("input[value='front-200']").Click();
        Until(() => Find("#kiln-volume").GetDomProperty("value") == "200", "the numbers of the class");
        Click("Add this kiln");
        Until(() => Said("needs a name"), "a name is wanted");
        Type(Find("#kiln-name"), "Avocet");
        Click("Add this kiln");
        Until(() => int.TryParse(Driver.Url.Split('/')[^1], CultureInfo.InvariantCulture, out _), "it has an address");
        var before = TestId("usual").Text;
        Type(Find("#kiln-elementHealth"), "80");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(() => TestId("usual").Text != before, "worn elements take longer");
        Until(() => TestId("kiln-saved").GetDomAttribute("data-state") == "saved", "kept");
        Type(Find("#kiln-power"), "900000");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(() => Find("#kiln-power-means").Text.Contains("between 300 and 150000 W"), "said at the field");
        Find("#kiln-power").GetDomProperty("value").ShouldBe("900000");
        Find("button[aria-label='Undo']").Click();
        Until(() => Find("#kiln-power").GetDomProperty("value") == "12000" && TestId("kiln-saved").GetDomAttribute("data-state") == "saved", "put back");
        Click("Delete");
        Click("Undo");
        Until(() => Driver.FindElements(By.CssSelector("main li b")).Any(b => b.Text == "Avocet"), "it is back");
        First("main li a", "Avocet").Click();
        Click("Delete");
        Until(() => Driver.FindElements(By.CssSelector("main li b")).All(b => b.Text != "Avocet"), "out of the studio");
    }

    [Fact]
    public async Task A_kiln_learns_from_a_log()
    {
        var made = await (
            await Http.PostAsJsonAsync("/api/kilns", new JsonObject { ["name"] = "Dunlin", ["class"] = "top-190" })
        ).Content.ReadFromJsonAsync<JsonNode>();
        var file = Path.Combine(Path.GetTempPath(), $"dunlin-{Guid.NewGuid():n}.csv");
        await File.WriteAllTextAsync(file, await Log());
        Go($"/stores/kilns/{made!["id"]}");
        TestId("log-file").SendKeys(file);
        Until(() => TestId("learn").Enabled, "the file is read");
        TestId("learn").Click();
        Until(() => TestId("learned").Text.Contains("Heat it stores"), "learned");
        Click("Use what was learned");
        Until(
            () => Math.Abs(double.Parse(Find("#kiln-heatFactor").GetDomProperty("value")!, CultureInfo.InvariantCulture) - 115) < 4,
            "what was learned stands in the form"
        );
        Until(() => TestId("kiln-saved").GetDomAttribute("data-state") == "saved", "kept");
        Click("Undo");
        Until(() => Find("#kiln-heatFactor").GetDomProperty("value") == "100", "and can be put back");

        var broken = Path.ChangeExtension(file, ".txt");
        await File.WriteAllTextAsync(broken, "minute,temperature\n1,20\n2,soon\n3,30\n");
        TestId("log-file").SendKeys(broken);
        Until(() => TestId("learn").Enabled, "the file is read");
        TestId("learn").Click();
        Until(() => TestId("learn-trouble").Text.Contains("line 3: No temperature"), "says where");
        File.Delete(file);
        File.Delete(broken);
        await Http.DeleteAsync($"/api/kilns/{made["id"]}");
    }

    /// <summary>A log of a kiln that stores 15 % more than its class, with its power share.</summary>
    private async Task<string> Log()
    {
        var body = JsonNode.Parse(
            """
            {"schedule":{"name":"x","kind":"glaze","unit":"C","segments":[{"pace":"rate","rate":200,"target":1120},{"pace":"rate","rate":60,"target":1222},{"pace":"natural"}]},
             "kiln":{"class":"top-190","heatFactor":115}}
            """
        );
        var answer = (await (await Http.PostAsJsonAsync("/api/preview", body)).Content.ReadFromJsonAsync<JsonNode>())!;
        var curve = answer["curve"]!.AsArray().Select(p => (M: p!["minute"]!.GetValue<double>(), T: p["temperature"]!.GetValue<double>())).ToList();
        var duty = answer["kiln"]!["duty"]!.AsArray();
        var lines = new List<string> { "minute,temperature,power" };
        for (var m = 0; m < curve[^1].M; m += 5)
        {
            var i = Math.Max(1, curve.FindIndex(p => p.M >= m));
            var (a, b) = (curve[i - 1], curve[i]);
            lines.Add(
                FormattableString.Invariant(
                    $"{m},{a.T + (b.T - a.T) * (m - a.M) / (b.M - a.M):0.0},{(m / 5 < duty.Count ? duty[m / 5]!.GetValue<double>() : 0)}"
                )
            );
        }
        return string.Join('\n', lines);
    }

    [Fact]
    public void The_studios_hours_are_kept_as_they_are_changed()
    {
        Go("/stores/clock");
        var price = Find("[aria-label='Price of band 1']");
        price.GetDomProperty("value").ShouldBe("0.13");
        Type(price, "0.2");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(() => TestId("hours-saved").GetDomAttribute("data-state") == "saved", "kept");
        Driver.Navigate().Refresh();
        Until(() => Find("[aria-label='Price of band 1']").GetDomProperty("value") == "0.2", "still there");
        Type(Find("[aria-label='Price of band 1']"), "cheap");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(() => Said("price for a kWh is missing"), "said");
        Find("button[aria-label='Undo']").Click();
        Type(Find("[aria-label='Price of band 1']"), "0.13");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(() => TestId("hours-saved").GetDomAttribute("data-state") == "saved", "as it was");
    }
}
