using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>From what is in the kiln to a schedule on the desk.</summary>
public sealed class FiringTests(Browser browser) : PageVisit(browser)
{
    private IWebElement Lot(int row, string label) => Find($"[data-testid='lot'][data-row='{row}'] [aria-label='{label}']");

    private void Write(IWebElement field, string text)
    {
        Type(field, text);
        Keys(OpenQA.Selenium.Keys.Tab);
    }

    private List<string> Steps() => [.. Driver.FindElements(By.CssSelector("[data-testid='plan'] li")).Select(li => li.Text)];

    [Fact]
    public void A_plan_for_the_gas_kiln_names_its_air_and_its_gas()
    {
        Go("/firings");
        First("[data-testid='firing']", "Porcelain, second half").Click();
        Click("Plan");
        Until(() => Steps().Any(s => s.Contains("in heavy reduction", StringComparison.Ordinal)), "body reduction");
        Steps().ShouldAllBe(s => !s.Contains("full power", StringComparison.OrdinalIgnoreCase));
        Steps()[^1].ShouldContain("Burners out, closed up");
        TestId("plan-sum").Text.ShouldContain("burners on for");
        TestId("plan-sum").Text.ShouldContain("kg of gas");
        Find("[data-air]").GetDomAttribute("aria-label").ShouldNotBeNull().ShouldContain("heavy reduction");
        TestId("taught-line").Text.ShouldContain("burners give");
    }

    [Fact]
    public void A_load_is_written_planned_and_put_on_the_desk()
    {
        Go("/firings");
        Find("[data-testid='firing']");
        Click("New firing");
        Click("begin with an empty load");
        Until(() => Driver.Url.Contains("/firings/", StringComparison.Ordinal) && Find("[aria-label='Name of the firing']").Displayed, "an empty firing");
        Write(Find("[aria-label='Name of the firing']"), "Test of a bisque");
        new SelectElement(Find("[aria-label='Kind of firing']")).SelectByText("Bisque");
        Until(() => TestId("load-sum").Text.Contains("Nothing is in the kiln"), "nothing yet");
        Write(Lot(0, "What"), "bowls");
        Until(() => TestId("lot").Text.Contains("How many are there?"), "a row half written is asked about");
        Write(Lot(0, "pieces"), "20");
        Write(Lot(0, "wall, mm"), "900");
        Until(() => TestId("lot").Text.Contains("between 1 and 150 mm"), "said at its row");
        Write(Lot(0, "wall, mm"), "10");
        new SelectElement(Lot(0, "How dry")).SelectByText("cool to touch");
        Until(() => TestId("load-sum").Text.Contains("bowls, 10 mm"), "added up");
        Find("[aria-label='Duplicate lot 1']").Click();
        Until(() => TestId("load-sum").Text.Contains("40 in 2 lots"), "once more");
        Find("button[aria-label='Undo']").Click();
        Until(() => TestId("load-sum").Text.Contains("20 in 1 lot"), "and back");
        Lot(0, "What").Click();
        Chord(OpenQA.Selenium.Keys.Alt, "d");
        Until(() => TestId("load-sum").Text.Contains("40 in 2 lots"), "once more, by one key");
        Find("button[aria-label='Undo']").Click();
        Until(() => TestId("load-sum").Text.Contains("20 in 1 lot"), "and back again");
        Until(() => TestId("firing-saved").GetDomAttribute("data-state") == "saved", "kept");

        Click("Plan");
        Until(() => Steps().Count > 4, "a plan");
        Steps()[0].ShouldContain("hold 2 h 30");
        Steps()[0].ShouldContain("10 mm");
        Steps()[0].ShouldContain("look with a cold mirror", Case.Insensitive, "the caution stands at its step");
        new SelectElement(TestId("choice-drying")).SelectByText("a long hold, always");
        Until(() => Steps()[0].Contains("hold 8 h 00"), "another school");
        TestId("plan-change").Text.ShouldContain("+");
        TestId("to-editor").Click();
        TestId("chamber");
        Until(() => Sentences().StartsWith("60 90 8 h 00", StringComparison.Ordinal), "on the desk");
        Until(() => Button("· for Test of a bisque").Displayed, "it knows what it is for");
        Type(Field(1, "hold"), "1:00");
        Until(() => TestId("findings").Text.Contains("bowls (10 mm)"), "the reviewer knows the load");

        Click("· for Test of a bisque");
        TestId("plan");
        Click("Delete");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='firing']")).All(f => !f.Text.Contains("Test of a bisque")), "gone");
    }

    [Fact]
    public void Who_clashes_is_named_before_anything_is_fired()
    {
        Go("/firings/2");
        Until(() => TestId("load-sum").Text.Contains("pieces", StringComparison.OrdinalIgnoreCase), "the demo load");
        new SelectElement(Lot(0, "Add a glaze")).SelectByText("Lamp white");
        Until(() => TestId("load-sum").Text.Contains("cannot share a firing"), "a clash");
        Find("[aria-label='Remove Lamp white']").Click();
        Until(() => !TestId("load-sum").Text.Contains("cannot share a firing"), "settled");
        Until(() => TestId("firing-saved").GetDomAttribute("data-state") == "saved", "kept");
    }
}
