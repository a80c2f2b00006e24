using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>Clays and glazes in their lists, and fixes of a spoiled schedule in the editor.</summary>
public sealed class StockTests(Browser browser) : PageVisit(browser)
{
    private List<string> Names() => [.. Driver.FindElements(By.CssSelector("[data-testid='stock'] b")).Select(b => b.Text)];

    private void Form(string field, string text) => Type(Find($"dialog #stock-{field}"), text);

    [Fact]
    public void A_glaze_is_added_changed_and_deleted()
    {
        Go("/stores/glazes");
        Until(() => Names().Contains("Oyster matte"), "the demo glazes");
        Click("New glaze");
        Form("name", "Driftwood ash");
        Form("coneFrom", "7");
        Form("coneTo", "6");
        Click("Add glaze");
        Until(() => Driver.FindElements(By.CssSelector("dialog [role='alert']")).Any(a => a.Text.Contains("the hotter one comes second")), "said at the field");
        Find("dialog #stock-name").GetDomProperty("value").ShouldBe("Driftwood ash", "nothing typed is lost");
        Form("coneTo", "8");
        First("dialog label", "Runs").Click();
        Click("Add glaze");
        Until(
            () =>
                Driver
                    .FindElements(By.CssSelector("[data-testid='stock']"))
                    .Any(s => s.Text.Contains("Driftwood ash") && s.Text.Contains("cones 7 to 8, runs")),
            "in the list"
        );

        Type(Find("input[type='search']"), "driftwood");
        Until(() => Names() is ["Driftwood ash"], "found");
        TestId("stock").Click();
        Form("slowHours", "a while");
        Until(() => Driver.FindElements(By.CssSelector("dialog [role='alert']")).Any(a => a.Text.Contains("A number is expected")), "a number is wanted");
        Click("Delete");
        Until(() => Names().Count == 0, "gone");
        Click("Undo");
        Until(() => Names() is ["Driftwood ash"], "back");
        TestId("stock").Click();
        Click("Delete");
        Until(() => Names().Count == 0, "gone again");
    }

    [Fact]
    public void A_clay_is_changed_and_put_back()
    {
        Go("/stores/clays");
        Until(() => Names().Contains("Brickfield Red"), "the demo clays");
        void Kind(string kind)
        {
            First("[data-testid='stock']", "Brickfield Red").Click();
            new SelectElement(Find("dialog #stock-kind")).SelectByText(kind);
            Click("Close");
            Until(
                () =>
                    Driver
                        .FindElements(By.CssSelector("[data-testid='stock']"))
                        .Any(s => s.Text.Contains("Brickfield Red") && s.Text.Contains($"{kind}, cones 06 to 02")),
                kind
            );
        }
        Kind("Other");
        Kind("Earthenware");
    }

    [Fact]
    public void A_spoiled_schedule_is_told_its_fault_and_fixed_in_a_press()
    {
        OpenDemo("Marsh White bisque, for dipping");
        Type(Field(1, "hold"), "12");
        Until(() => TestId("findings").Text.Contains("hours are usual here"), "minutes meant as hours");
        TestId("findings").FindElements(By.CssSelector("li")).Count.ShouldBe(1, "no cause is named twice");
        Click("Hold 12 h");
        Until(() => Value(1, "hold") == "12 h 00", "fixed");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='findings']")).Count == 0, "quiet again");
        Chord(OpenQA.Selenium.Keys.Control, "z");
        Chord(OpenQA.Selenium.Keys.Control, "z");
        Until(() => Value(1, "hold") == "2 h 00", "as it was");
        UntilSaved();
    }
}
