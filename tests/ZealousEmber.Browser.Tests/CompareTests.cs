using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>Firings beside each other, picked on the page itself; trends of one kiln and kind.</summary>
public sealed class CompareTests(Browser browser) : PageVisit(browser)
{
    private void Pick(string label, string firing)
    {
        var select = $"select[aria-label='{label}']";
        Until(() => Find(select).FindElements(By.TagName("option")).Any(o => o.Text.StartsWith(firing, StringComparison.Ordinal)), firing);
        var option = Find(select).FindElements(By.TagName("option")).First(o => o.Text.StartsWith(firing, StringComparison.Ordinal));
        new SelectElement(Find(select)).SelectByText(option.Text);
    }

    private List<string> Row(string label) => [.. First("tbody tr", label).FindElements(By.TagName("td")).Select(td => td.Text)];

    [Fact]
    public void Firings_are_picked_added_and_left_out_and_how_far_they_lie_apart_is_said()
    {
        Go("/firings/compare");
        Pick("The first", "Supper set, first plates");
        Until(() => Find("section.card-paper").Text.Contains("Beside Supper set, first plates"), "the first has its name");
        Pick("Lay it beside", "Supper set, first half");
        Until(() => Driver.FindElements(By.CssSelector("thead th")).Count == 4, "two and their difference");
        Find("thead").Text.ShouldContain("Difference");
        Row("Top down to 750")[2].ShouldMatch(@"^\+\d+ h \d\d$");
        Row("Cost")[0].ShouldStartWith("£");
        Pick("Add a firing", "Porcelain jars");
        Until(() => Find("thead").Text.Contains("Most apart"), "three have a spread");
        Find("[aria-label='Leave “Supper set, first plates” out']").Click();
        Until(() => Find("thead").Text.Contains("Difference"), "two again");
        Find("thead").Text.ShouldNotContain("first plates");
    }

    [Fact]
    public void Trends_are_of_one_kiln_and_one_kind_with_values_to_read_them_by()
    {
        Go("/firings/logbook");
        Until(() => TestId("trends").FindElements(By.CssSelector("[aria-pressed='true']")).Count == 1, "one group is chosen");
        var glaze = TestId("trends").Text;
        glaze.ShouldMatch(@"\d+ kWh");
        First("[data-testid='trends'] button", "Heron, bisque").Click();
        Until(() => TestId("trends").Text != glaze, "another group");
        TestId("trends").FindElements(By.CssSelector("svg text")).Count.ShouldBeGreaterThan(8);
    }
}
