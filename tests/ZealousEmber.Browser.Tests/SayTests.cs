using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>From a sentence to a plan, as a potter does it: keys alone, on the desk.</summary>
public sealed class SayTests(Browser browser) : PageVisit(browser)
{
    private IWebElement Say => TestId("say");

    private int Made => int.Parse(new Uri(Driver.Url).Segments[^1], CultureInfo.InvariantCulture);

    [Fact]
    public async Task A_sentence_is_asked_back_answered_and_planned()
    {
        Go("/");
        Say.SendKeys("30 mugs 85 x 100, six mm, thrown yesterday, bisque 06 in Heron, glorp");
        Until(() => Driver.FindElements(By.CssSelector(".ask[data-about='dryness']")).Count == 1, "what is not sure is asked");
        TestId("marked").Text.ShouldContain("How dry is it?");
        Find("mark.unread").Text.ShouldBe("glorp");
        Until(() => TestId("said-facts").Text.Contains("Bisque · cone 06 · Heron"), "filled in");
        TestId("said-facts").Text.ShouldContain("30 mugs, 85 × 100 mm, walls 6 mm");
        // Enter leads to the question, and Enter there answers it with what is proposed.
        Say.SendKeys(OpenQA.Selenium.Keys.Enter);
        Until(() => Driver.SwitchTo().ActiveElement().Text == "leather hard", "the finger is there");
        Click("cool to the touch");
        Until(() => TestId("said-facts").Text.Contains("cool to touch"), "as it was answered, in the words of its row");
        // What is typed elsewhere leaves the answer.
        Say.SendKeys(" and 2 jugs 8 mm bone dry");
        Until(() => TestId("said-facts").Text.Contains("2 jugs"), "one lot more");
        TestId("said-facts").Text.ShouldContain("cool to touch");
        TestId("plan-it").Text.ShouldBe("Plan it");
        Say.SendKeys(OpenQA.Selenium.Keys.Enter);
        Until(() => Driver.Url.Contains("stage=plan", StringComparison.Ordinal), "on its plan");
        Until(() => TestId("plan-sum").Text.Contains("Cone 06"), "planned");
        Until(() => Driver.PageSource.Contains("Not taken over, kept as a note: “glorp”", StringComparison.Ordinal), "nothing is dropped in silence");
        (await Http.GetStringAsync($"/api/firings/{Made}/entries")).ShouldContain("Said, and not taken over: “glorp”");
        var firing = (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{Made}"))!["firing"]!;
        (firing["name"]!.GetValue<string>(), firing["kind"]!.GetValue<string>()).ShouldBe(("Bisque: mugs and jugs", "bisque"));
        firing["lots"]!.AsArray().Select(l => l!["dryness"]!.GetValue<string>()).ShouldBe(["cool-to-touch", "bone-dry"]);
        await Http.DeleteAsync($"/api/firings/{Made}");
    }

    [Fact]
    public async Task When_it_is_to_be_open_a_start_is_looked_for()
    {
        Go("/firings");
        Find("[data-testid='firing']");
        Click("New firing");
        Say.SendKeys("12 bowls 150 x 70, 6 mm, bone dry, bisque 06 in Heron, open in 5 days at noon");
        Until(() => TestId("said-facts").Text.Contains("12 bowls"), "understood");
        Go("/firings?new&say=" + Uri.EscapeDataString("12 bowls 150 x 70, 6 mm, bone dry, bisque 06 in Heron, ready by Sunday noon"));
        Until(() => TestId("said-facts").Text.Contains("open by Sun 12:00"), "handed over in an address");
        Click("Plan it");
        Until(
            () => Driver.FindElements(By.CssSelector("dialog[open]")).Count == 1 && Find("dialog[open]").Text.Contains("When to start"),
            "starts are looked for"
        );
        var made = int.Parse(new Uri(Driver.Url).Segments[^1], CultureInfo.InvariantCulture);
        (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{made}"))!["firing"]!["kilnId"]!.GetValue<int>().ShouldBe(1);
        await Http.DeleteAsync($"/api/firings/{made}");
    }
}
