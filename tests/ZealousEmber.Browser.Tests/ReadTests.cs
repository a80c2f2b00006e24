using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>After the firing: packs dragged, ware counted, a dull matte explained and mended, firings laid over each other.</summary>
public sealed class ReadTests(Browser browser) : PageVisit(browser)
{
    private async Task<JsonNode> Logged(string name) =>
        (await Http.GetFromJsonAsync<JsonNode>("/api/logbook?take=200"))!["firings"]!.AsArray().Single(f => f!["name"]!.GetValue<string>() == name)!;

    private async Task<int> Of(string name) => (await Logged(name))["firingId"]!.GetValue<int>();

    private void Saved() => Until(() => TestId("reading-saved").GetDomAttribute("data-state") == "saved", "the reading is saved");

    private async Task<JsonNode> Reading(int firing) => (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{firing}/reading"))!;

    [Fact]
    public async Task Packs_are_read_by_dragging_by_keys_and_by_typing_and_a_good_firing_is_two_taps()
    {
        var firing = await Of("Tidewrack blue, six tiles");
        Go($"/firings/{firing}?stage=read");
        First("button", "Read a pack here").Click();
        var six = Find("[aria-label='Cone 6 on top']");
        // Nothing is saved of a pack whose cones nobody has bent.
        (await Reading(firing))["reading"]!["packs"]!.AsArray().Count.ShouldBe(0);
        new Actions(Driver).MoveToElement(six).ClickAndHold().MoveByOffset(-30, 20).MoveByOffset(-25, 20).Release().Perform();
        Until(() => double.Parse(six.GetDomAttribute("aria-valuenow")!) is > 30 and < 100, "the cone follows the hand");
        TestId("heat-top").Text.ShouldContain("°C");
        var before = double.Parse(six.GetDomAttribute("aria-valuenow")!);
        six.SendKeys(OpenQA.Selenium.Keys.ArrowLeft);
        Until(() => double.Parse(six.GetDomAttribute("aria-valuenow")!) == before + 3, "a key bends it on");
        Type(Find("[aria-label='Where cone 6 on top points']"), "half past 2");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(() => six.GetDomAttribute("aria-valuetext") == "half past 2", "the hour is typed");
        Type(Find("[aria-label='Where cone 7 on top points']"), "soon");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(() => First("[role='alert']", "Like the hand of a clock").Displayed, "what is no reading is said");
        Saved();
        (await Reading(firing))["reading"]!["packs"]![0]!["cones"]!.AsArray().Single(c => c!["cone"]!.GetValue<string>() == "6")!["bendDegrees"]!
            .GetValue<double>()
            .ShouldBe(37.5, 0.1);

        TestId("all-good").Click();
        Saved();
        (await Reading(firing))["reading"]!["results"]!["out"]!.GetValue<int>().ShouldBe(6);
        TestId("mark-read").Click();
        Until(() => Button("Close this firing").Displayed, "it is read");
    }

    [Fact]
    public async Task What_was_foretold_stands_beside_what_came_of_a_firing_and_of_its_kiln()
    {
        var firing = await Of("Supper set, first half");
        Go($"/firings/{firing}?stage=read");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='foretold']")).Count == 1, "it was foretold");
        First("summary", "What was foretold").Click();
        var rows = Driver.FindElements(By.CssSelector("[data-testid='foretold'] tbody tr"));
        rows.Count.ShouldBe(7, "top, end of the top, energy, opening and three shelves");
        rows.ShouldAllBe(r => !r.Text.Contains("not known"));
        First("[data-testid='foretold'] a", "All firings of this kiln").Click();
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='score'] figure")).Count == 5, "a chart of each");
        TestId("score-top").FindElements(By.CssSelector("[data-testid='outside']")).Count.ShouldBeGreaterThan(0, "the worn elements");
        TestId("score-top").Text.ShouldContain("% inside");
    }

    /// <summary>Somebody opens a dull matte and has the next version on the desk.</summary>
    [Fact]
    public async Task A_dull_matte_is_explained_and_the_next_version_made()
    {
        var firing = await Of("Supper set, first plates");
        Go("/firings/logbook?glaze=1");
        TestId("best").Text.ShouldContain("Supper set, first half");
        First("[data-testid='logged'] a", "Supper set, first plates").Click();
        TestId("why-line").Text.ShouldContain("slow band too short");
        Find("[data-testid='cause'][data-leads='true']").Text.ShouldContain("less than");
        Find("[data-testid='why-mark']");
        TestId("patch").GetDomAttribute("data-patch").ShouldBe("band+");
        TestId("make-version").Click();
        Until(() => First("p", "Saved as version 2").Displayed, "the next version");
        var schedule = (await Reading(firing))["schedule"]!["id"]!.GetValue<int>();
        Go($"/schedules/{schedule}");
        TestId("its-firings").Text.ShouldContain("Supper set, first plates");
        (await Http.GetFromJsonAsync<JsonNode>($"/api/schedules/{schedule}/versions"))![0]!["fromFiring"]!.GetValue<int>().ShouldBe(firing);
    }

    [Fact]
    public async Task A_fault_is_noted_where_it_is_seen_and_undone()
    {
        var firing = await Of("Supper set, third try");
        Go($"/firings/{firing}?stage=read");
        // What speaks for its causes comes a moment later and moves everything down.
        TestId("why-line");
        Click("Another fault");
        Find("[data-fault='pinholes']").Click();
        var row = Find("[data-testid='fault'][data-kind='pinholes']");
        new SelectElement(row.FindElement(By.CssSelector("[aria-label='Which ware has Pinholes']"))).SelectByText("of 8 bowls");
        Type(row.FindElement(By.CssSelector("[aria-label='Pieces with Pinholes']")), "99");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(() => Find("[data-kind='pinholes'] [role='alert']").Text.Contains("There were 8"), "more than there were is refused at the field");
        Type(Find("[aria-label='Pieces with Pinholes']"), "4");
        Keys(OpenQA.Selenium.Keys.Tab);
        Saved();
        Until(
            () =>
                Driver
                    .FindElements(By.CssSelector("[data-testid='cause']"))
                    .Any(c => c.Text.Contains("Body still gassing") || c.Text.Contains("No time to heal") || c.Text.Contains("Dust")),
            "its causes are weighed as well"
        );
        Find("[aria-label='Remove Pinholes']").Click();
        Saved();
        (await Reading(firing))["reading"]!["results"]!["faults"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task Two_firings_are_laid_over_each_other_and_what_mattered_is_said()
    {
        ConsoleErrors();
        Go("/firings/logbook?search=supper");
        foreach (var name in new[] { "Supper set, first plates", "Supper set, first half" })
            Find($"[aria-label='Compare “{name}”']").Click();
        Click("Compare them");
        Find("[data-line='compared']");
        First("li", "Slow band").Text.ShouldContain("34 %");
        new SelectElement(Find("[aria-label='Laid over each other']")).SelectByText("at the end of their top");
        Until(() => Driver.FindElements(By.CssSelector("tr.mattered")).Count > 2, "the table");
        Go($"/firings/{await Of("Supper set, first half")}/sheet");
        TestId("log-sheet").Text.ShouldContain("This is the matte");
        ConsoleErrors().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_kilns_page_tells_what_it_has_taught_and_keeps_its_care()
    {
        Go("/stores/kilns/1");
        TestId("taught").Text.ShouldContain("put what matters on the middle");
        new SelectElement(Find("[aria-label='What was done']")).SelectByText("Vent looked at");
        Type(Find("[aria-label='A word about it']"), "Hose swept.");
        TestId("note-care").Click();
        Until(() => TestId("care").Text.Contains("Hose swept."), "it is noted");
        Click("Undo");
        Until(() => !TestId("care").Text.Contains("Hose swept."), "and taken out again");
        Click("Say something else");
        Type(First("label", "Add to the display").FindElement(By.TagName("input")), "5");
        Click("Use this instead");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='taught'] [role='alert']")).Count > 0, "why is asked");
        Type(First("label", "Why").FindElement(By.TagName("input")), "Checked beside another.");
        Click("Use this instead");
        Until(() => TestId("taught").Text.Contains("as somebody said over it"), "it is used");
        (await Http.GetFromJsonAsync<JsonNode>("/api/kilns/1/learned"))!["used"]!["offset"]!.GetValue<double>().ShouldBe(5);
        Click("Go by what was learned");
        Until(() => !TestId("taught").Text.Contains("as somebody said over it"), "and taken back");
    }
}
