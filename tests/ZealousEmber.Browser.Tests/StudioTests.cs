using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>The studio's settings on every screen, the way from a plan to the editor, conflicts side by side, and what cannot be read.</summary>
public sealed class StudioTests(Browser browser) : PageVisit(browser)
{
    private void Choose(string label, string name)
    {
        Find($"[role='group'][aria-label='{label}']").FindElements(By.TagName("button")).First(b => b.Text == name).Click();
        Until(() => TestId("hours-saved").GetDomAttribute("data-state") == "saved", "saved");
    }

    [Fact]
    public void Clock_zone_and_units_are_followed_on_every_screen_and_in_every_field()
    {
        Go("/stores/settings");
        Find("[aria-labelledby='shown-as'] button");
        Choose("Times", "9:05 pm");
        Choose("Lengths", "inch");
        Choose("Weights", "lb");
        new SelectElement(Find("[aria-labelledby='shown-as'] select")).SelectByValue("America/New_York");
        Until(() => TestId("hours-saved").GetDomAttribute("data-state") == "saved", "saved");
        try
        {
            Go("/schedules/11");
            TestId("choose-start").Click();
            StartAt("2026-11-24", "17:30");
            Until(() => Find("#start-time").GetDomProperty("value") == "5:30 pm", "the field shows the studio's clock");
            Until(() => Find("[data-row='0'] .when").Text.Contains("Tue 5:30 pm"), "and so does the step");

            Go("/firings/1");
            Until(() => TestId("load-sum").Text.Contains(" in"), "the server's own words follow");
            Type(Find("[data-testid='lot'] [aria-label='wall, in']"), "3/8 in");
            Keys(OpenQA.Selenium.Keys.Tab);
            Until(() => TestId("firing-saved").GetDomAttribute("data-state") == "saved", "saved");
            Go("/firings/1");
            Until(() => Find("[data-testid='lot'] [aria-label='wall, in']").GetDomProperty("value") == "3/8 in", "what was typed is kept");
            Find("button[aria-label='Undo']");
            TestId("section").Text.ShouldContain(" in");
            Go("/stores/kilns/1");
            Find("[aria-label='Floor to lid, in']").GetDomProperty("value").ShouldBe("27.95");
        }
        finally
        {
            Go("/stores/settings");
            Find("[aria-labelledby='shown-as'] button");
            Choose("Times", "21:05");
            Choose("Lengths", "mm");
            Choose("Weights", "kg");
        }
    }

    [Fact]
    public async Task A_plan_goes_to_the_editor_and_asks_before_it_replaces_what_was_edited_there()
    {
        Go("/firings/2?stage=plan");
        TestId("plan");
        Click("Open in editor");
        Until(() => Driver.Url.Contains("/schedules/", StringComparison.Ordinal), "in the editor");
        TestId("chamber");
        UntilSaved();
        var schedule = IdFromAddress();
        Type(Field(1, "target"), "95");
        UntilSaved();

        Go("/firings/2?stage=plan");
        TestId("plan");
        Click("Open in editor");
        var table = TestId("would-change");
        Until(() => table.Text.Contains("Step 1") && table.Text.Contains("95"), "what would change");
        Click("Open as edited");
        TestId("chamber");
        Until(() => Value(1, "target") == "95", "nothing was replaced");

        Go("/firings/2?stage=plan");
        TestId("plan");
        Click("Open in editor");
        Click("Replace with the plan");
        Until(() => Driver.Url.EndsWith($"/schedules/{schedule}", StringComparison.Ordinal) && Value(1, "target") == "90", "the plan");
        (await Http.GetStringAsync($"/api/schedules/{schedule}/versions?all=true")).ShouldContain("to 95");
        (await Http.GetFromJsonAsync<JsonNode>("/api/firings/2"))!["firing"]!["scheduleVersion"]!.GetValue<int>().ShouldBe(3);
    }

    [Fact]
    public async Task Both_sides_of_a_conflict_can_be_seen_and_undo_goes_across_the_choice()
    {
        Go("/stores/kilns/2");
        Find("#kiln-name");
        var kiln = (await Http.GetFromJsonAsync<JsonNode>("/api/kilns/2"))!;
        kiln["kiln"]!["notes"] = "Theirs: new thermocouple.";
        var request = new HttpRequestMessage(HttpMethod.Put, "/api/kilns/2") { Content = JsonContent.Create(kiln["kiln"]) };
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{kiln["version"]}\"");
        (await Http.SendAsync(request)).EnsureSuccessStatusCode();

        var notes = Find("textarea[maxlength='2000']");
        Type(notes, "Mine: the lid sticks.");
        TestId("conflict");
        Click("See both side by side");
        Until(() => TestId("side-by-side").Text.Contains("Mine: the lid sticks.") && TestId("side-by-side").Text.Contains("Theirs: new thermocouple."), "both");
        Click("Take theirs");
        Until(() => Find("textarea[maxlength='2000']").GetDomProperty("value") == "Theirs: new thermocouple.", "theirs");
        Find("button[aria-label='Undo']").Click();
        Until(() => Find("textarea[maxlength='2000']").GetDomProperty("value") == "Mine: the lid sticks.", "mine, one undo away");
        Until(() => TestId("kiln-saved").GetDomAttribute("data-state") == "saved", "saved");
        (await Http.GetStringAsync("/api/kilns/2")).ShouldContain("Mine: the lid sticks.");
    }

    [Fact]
    public void Starter_schedules_are_imported_in_a_press()
    {
        Go("/");
        Driver
            .ExecuteAsyncScript("const done = arguments[0]; fetch('/starter-schedules.json').then((r) => r.json()).then((f) => done(f.schedules.length))")
            .ShouldBe(6L);
        Go("/bench/glossary");
        Type(Find("input[type='search']"), "soak");
        Until(() => Driver.FindElements(By.CssSelector("dl dt")).Select(t => t.Text).SequenceEqual(["Hold"]), "found under its other name");
    }

    [Fact]
    public void What_cannot_be_read_is_said_and_can_be_downloaded()
    {
        using (var connection = new SqliteConnection($"Data Source={Path.Combine(Studio.Folder, "ember.db")};Pooling=False"))
        {
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = "UPDATE glazes SET ConeFrom = 'ninety' WHERE Id = 4";
            command.ExecuteNonQuery();
        }
        Go("/stores/glazes");
        TestId("unreadable").Text.ShouldContain("1 entry in the data file cannot be read");
        TestId("unreadable").FindElement(By.TagName("summary")).Click();
        TestId("unreadable").FindElement(By.TagName("a")).GetDomAttribute("href").ShouldBe("/api/unreadable/glazes/4");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='stock']")).Count == 3, "the others are there");
    }
}
