using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>A new studio: a kiln in three clicks, then one sentence and at most four clicks to the first plan.</summary>
public sealed class FirstStepsTests(EmptyBrowser browser) : PageVisit(browser), IClassFixture<EmptyBrowser>
{
    private int clicks;

    private void Count(IWebElement target)
    {
        clicks++;
        target.Click();
    }

    [Fact]
    public async Task From_nothing_to_a_plan()
    {
        Go("/");
        Find("[data-testid='say']").GetDomAttribute("placeholder")!.ShouldNotContain("Heron", Case.Sensitive, "there is no such kiln here");
        Count(Button("Add your kiln"));
        Until(() => Driver.SwitchTo().ActiveElement().GetDomAttribute("id") == "kiln-name", "the name has the cursor");
        Keys("Plover");
        Count(Find("input[name='class'][value='top-290']"));
        Until(() => Driver.FindElement(By.Id("kiln-volume")).GetDomProperty("value") == "290", "its plate");
        Count(Button("Add this kiln"));
        Until(() => Driver.Url.EndsWith("/stores/kilns/1", StringComparison.Ordinal), "added");
        clicks.ShouldBe(3);
        (await Http.GetFromJsonAsync<JsonNode>("/api/kilns/1"))!["kiln"]!["name"]!.GetValue<string>().ShouldBe("Plover");

        clicks = 0;
        Count(Find("nav a[href='/']"));
        TestId("say").SendKeys("30 mugs 85 x 100, 6 mm, bone dry, bisque 06 in Plover");
        Until(() => TestId("said-facts").Text.Contains("Bisque · cone 06 · Plover"), "understood");
        Count(Button("Plan it"));
        Until(() => Driver.Url.Contains("stage=plan", StringComparison.Ordinal), "on its plan");
        Until(() => TestId("plan-sum").Text.Contains("Cone 06"), "planned");
        Driver.FindElements(By.CssSelector("[data-testid='plan'] li")).Count.ShouldBeGreaterThan(2);
        clicks.ShouldBeLessThanOrEqualTo(4);
    }
}
