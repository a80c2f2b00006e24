using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.Browser.Tests;

/// <summary>What-ifs of a plan, findings accepted for a firing, fixes looked at before they are taken, and the studio's planning preferences.</summary>
public sealed class WhatIfTests(Browser browser) : PageVisit(browser)
{
    private IWebElement Stepper(string label) => Find($"[data-testid='what-if'] button[aria-label='{label}']");

    private string Answer() => Find("[data-testid='what-if'] [role='status']").Text;

    private static string Tile() => Repository.File("src/ZealousEmber.Store/Demo/Photos/oyster.jpg");

    private async Task<int> Post(string path, string body) =>
        (await (await Http.PostAsync(path, new StringContent(body, System.Text.Encoding.UTF8, "application/json"))).Content.ReadFromJsonAsync<JsonNode>())![
            "id"
        ]!.GetValue<int>();

    /// <summary>A bisque of thick, cool bowls that somebody is in a hurry with, on the desk for its firing.</summary>
    private async Task<(int Schedule, int Firing)> Hasty()
    {
        var schedule = await Post(
            "/api/schedules",
            """
            {"name":"In a hurry","kind":"bisque","unit":"C","goalCone":"06","segments":[{"pace":"rate","rate":150,"target":600},{"pace":"rate","rate":70,"target":900},{"pace":"rate","rate":60,"target":998},{"pace":"natural"}]}
            """
        );
        var firing = await Post(
            "/api/firings",
            $$"""
            {"name":"In a hurry","kind":"bisque","kilnId":1,"scheduleId":{{schedule}},"witnessPack":true,"lots":[{"what":"bowls","count":30,"wall":14,"dryness":"cool-to-touch","clayId":1}]}
            """
        );
        return (schedule, firing);
    }

    private async Task Forget(int schedule, int firing)
    {
        await Http.DeleteAsync($"/api/firings/{firing}");
        await Http.DeleteAsync($"/api/schedules/{schedule}");
    }

    [Fact]
    public async Task A_doubt_is_answered_at_once_and_can_be_made_so()
    {
        var (schedule, firing) = await Hasty();
        Go($"/firings/{firing}?stage=plan");
        TestId("plan");
        Answer().ShouldContain("with a start");
        Stepper("Thicker").Click();
        Stepper("Thicker").Click();
        Until(() => Answer().Contains("Drying takes"), "it would dry longer");
        TestId("what-if").Text.ShouldContain("2 mm thicker");
        Answer().ShouldMatch(@"^\+\d");
        Stepper("Wetter").Click();
        Stepper("Wetter").Click();
        Until(() => Answer().Contains("Leather hard ware (bowls) is not fired"), "what cannot be planned is said");
        Click("As it is");
        Until(() => !TestId("what-if").Text.Contains("thicker"), "as it is");

        StartAt("2026-11-26", "14:00", "starts");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='look']")).Any(l => l.Text.Contains(':')), "looks by the clock");
        Stepper("Later").Click();
        Until(() => Answer().Contains("open "), "when it would be open");
        Stepper("Thinner").Click();
        Stepper("Thinner").Click();
        Until(() => Answer().Contains("Drying takes"), "both at once");
        Click("Make it so");
        Until(() => TestId("plan").Text.Contains("bowls of 12 mm"), "the walls are thinner now");
        Until(() => Find("#starts-time").GetDomProperty("value") == "15:00", "and it starts later");
        Find("button[aria-label='Undo']").Click();
        Until(() => TestId("plan").Text.Contains("bowls of 14 mm") && Find("#starts-time").GetDomProperty("value") == "14:00", "one step to undo");
        Until(() => TestId("firing-saved").GetDomAttribute("data-state") == "saved", "kept");
        await Forget(schedule, firing);
    }

    [Fact]
    public async Task A_finding_is_accepted_with_a_note_and_taken_back()
    {
        var (schedule, firing) = await Hasty();
        Go($"/schedules/{schedule}");
        Until(() => TestId("findings").Text.Contains("walls of bowls (14 mm)"), "the load of its firing, on any device");
        var finding = Find("[data-finding='steam-risk']");
        finding.FindElements(By.TagName("button")).First(b => b.Text == "Accept").Click();
        Find("#accept-note");
        Keys("they stood on the warm lid for two days", OpenQA.Selenium.Keys.Enter);
        Until(() => TestId("accepted").Text.Contains("Accepted for this firing: 1"), "accepted");
        Driver.Navigate().Refresh();
        Until(() => TestId("accepted").Text.Contains("Accepted for this firing: 1"), "kept with the firing");
        TestId("accepted").FindElement(By.TagName("summary")).Click();
        TestId("accepted").Text.ShouldContain("they stood on the warm lid for two days");
        // It was accepted as a danger of this kind; another finding is not covered by it.
        Type(Field(3, "target"), "1060");
        Until(() => Driver.FindElements(By.CssSelector("[data-finding='goal-passed']")).Count == 1, "a new finding stands open");
        Chord(OpenQA.Selenium.Keys.Control, "z");
        TestId("accepted").FindElements(By.TagName("button")).First(b => b.Text == "Take back").Click();
        Until(() => Find("[data-finding='steam-risk']").Displayed, "open again");
        await Forget(schedule, firing);
    }

    [Fact]
    public async Task A_fix_is_shown_before_it_is_taken()
    {
        var (schedule, firing) = await Hasty();
        Go($"/schedules/{schedule}");
        var fix = Find("[data-finding='steam-risk'] button.text-primary");
        Driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", fix);
        new Actions(Driver).MoveToElement(fix).Perform();
        Until(() => TestId("tried").Text.Contains("longer, top 998 °C, nothing left to look at"), "what it would do");
        Sentences().ShouldStartWith("150 600", Case.Sensitive, "nothing is done yet");
        new Actions(Driver).MoveToElement(Find("#schedule-name")).Perform();
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='tried']")).Count == 0, "gone again");
        fix.Click();
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='findings']")).Count == 0, "fixed");
        Click("Undo");
        Until(() => Sentences().StartsWith("150 600", StringComparison.Ordinal), "undone");
        UntilSaved();
        await Forget(schedule, firing);
    }

    [Fact]
    public async Task A_way_is_made_the_studios_own()
    {
        var (schedule, firing) = await Hasty();
        Go($"/firings/{firing}?stage=plan");
        TestId("plan");
        new SelectElement(TestId("choice-cooling")).SelectByText("no faster than 100 an hour");
        Until(() => TestId("plan").Text.Contains("A limit on the drop"), "planned again");
        Click("Set as studio default");
        Until(() => new SelectElement(TestId("choice-cooling")).SelectedOption.Text.EndsWith("(studio default)", StringComparison.Ordinal), "the default");
        Go("/firings");
        Find("[data-testid='firing']");
        Click("New firing");
        Click("begin with an empty load");
        Until(() => Driver.FindElements(By.CssSelector("[aria-label='Name of the firing']")).Count == 1, "a new one");
        var made = int.Parse(new Uri(Driver.Url).Segments[^1], CultureInfo.InvariantCulture);
        (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{made}"))!["firing"]!["cooling"]!.GetValue<string>().ShouldBe("limited-drop");

        Go($"/firings/{firing}?stage=plan");
        new SelectElement(TestId("choice-cooling")).SelectByText("as the glazes ask");
        Click("Set as studio default");
        Until(() => new SelectElement(TestId("choice-cooling")).SelectedOption.Text == "as the glazes ask (studio default)", "and back");
        Until(() => TestId("firing-saved").GetDomAttribute("data-state") == "saved", "kept");
        await Http.DeleteAsync($"/api/firings/{made}");
        await Forget(schedule, firing);
    }

    [Fact]
    public async Task The_load_says_how_full_it_is_and_which_pack_to_set_up()
    {
        var (schedule, firing) = await Hasty();
        Go($"/firings/{firing}");
        Until(() => TestId("fill").Text.Contains("% of a usual load in Heron"), "how full");
        Until(() => TestId("pack").Text.Contains("07 · 06 · 05½"), "guide, target and guard");
        Type(Find("[data-testid='lot'] [aria-label='pieces']"), "3");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(
            () => Driver.FindElements(By.CssSelector("[aria-label='About this load']")).Any(n => n.Text.Contains("nearly empty kiln heats unevenly")),
            "nearly empty"
        );
        First("label", "Witness pack").Click();
        First("label", "Packed tight").Click();
        Click("Plan");
        Until(() => TestId("plan-findings").Text.Contains("No witness pack is in the kiln"), "the pack is missed");
        TestId("plan").Text.ShouldContain("in a packed kiln");
        Until(() => TestId("firing-saved").GetDomAttribute("data-state") == "saved", "kept");
        await Forget(schedule, firing);
    }

    [Fact]
    public async Task A_photo_is_made_small_kept_and_taken_away()
    {
        var glaze = await Post("/api/glazes", """{"name":"Photographed","coneFrom":"6"}""");
        Go("/stores/glazes");
        IWebElement Card() => Driver.FindElements(By.CssSelector("[data-testid='stock']")).First(s => s.Text.Contains("Photographed"));
        Until(() => Card().FindElements(By.TagName("img")).Count == 0, "no photo yet");
        Card().Click();
        TestId("photo").FindElement(By.TagName("input")).SendKeys(Tile());
        Until(() => TestId("photo").FindElements(By.TagName("img")).Count == 1, "shown");
        Until(() => (long)Driver.ExecuteScript("return document.querySelector('[data-testid=photo] img').naturalWidth")! == 480, "and whole");
        Click("Remove photo");
        Until(() => TestId("photo").FindElements(By.TagName("img")).Count == 0, "away");
        Driver.ExecuteScript("document.querySelector('dialog').close()");
        Click("Undo");
        Until(() => Card().FindElements(By.TagName("img")).Count == 1, "back");
        await Http.DeleteAsync($"/api/glazes/{glaze}");
    }
}
