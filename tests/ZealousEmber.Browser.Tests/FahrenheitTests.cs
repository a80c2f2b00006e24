using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>Steps of another scale pasted into the editor.</summary>
public sealed class FahrenheitTests(Browser browser) : PageVisit(browser)
{
    [Fact]
    public void Steps_too_hot_for_the_scale_are_asked_about_and_taken_as_they_were_typed()
    {
        Go("/schedules/new");
        TestId("chamber-empty");
        TestId("schedule-menu").Click();
        Click("As text");
        var text = Find("dialog[open] textarea");
        text.SendKeys("150/h to 220 hold 1h\n400/h to 1700\n108/h to 2232 hold 10m\noff");
        Click("Replace the steps");
        Until(() => Find("dialog[open] [role='alert']").Text.Contains("°F?", StringComparison.Ordinal), "it is asked");
        Click("°F?");
        Until(() => Driver.FindElements(By.CssSelector("dialog[open]")).Count == 0, "taken");
        Until(() => Value(3, "target") == "2232", "to the degree");
        Sentences().ShouldContain("400");
        Find("[aria-label^='°C °F: written in °F']");
        // One step back is the empty schedule on its old scale.
        Find("[aria-label='Undo']").Click();
        Find("[aria-label^='°C °F: written in °C']");
    }
}
