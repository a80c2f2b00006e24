using OpenQA.Selenium;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;

namespace ZealousEmber.Browser.Tests;

public sealed class ConeTests(Browser browser) : PageVisit(browser)
{
    private string Row() => Find("[data-testid='cone-row']").GetDomAttribute("aria-label") ?? "";

    [Fact]
    public void The_cones_bend_as_the_hold_changes()
    {
        OpenDemo("Reed green, everyday");
        Until(() => Row().Contains("cone 6 flat"), "the slow start of the cooling lays cone 6 flat at 1222 °C");
        Type(Field(4, "target"), "1200");
        Until(() => Row().Contains("cone 6 at "), "cone 6 is on its way at 1200 °C");
        var upright = Find("[data-testid='cone-row'] path:nth-of-type(3)").GetDomAttribute("d");
        Type(Field(4, "hold"), "1:00");
        Until(() => Row().Contains("cone 6 flat"), "a hold lays it flat");
        Find("[data-testid='cone-row'] path:nth-of-type(3)").GetDomAttribute("d").ShouldNotBe(upright);
        Chord(OpenQA.Selenium.Keys.Control, "z");
        Chord(OpenQA.Selenium.Keys.Control, "z");
        Until(() => Value(4, "hold") == "" && Value(4, "target") == "1222", "undone");
        UntilSaved();
    }

    [Fact]
    public void Solving_shows_the_change_before_it_is_taken_and_can_be_undone()
    {
        OpenDemo("Oyster matte, first try");
        Click("Find top");
        var offer = TestId("proposal").Text;
        offer.ShouldContain("Top 1210 → ");
        Value(4, "target").ShouldBe("1210");
        Click("Take it");
        Until(() => offer.Contains($"→ {Value(4, "target")} °C"), "the new top");
        Until(() => Row().Contains("cone 6 down, at 6 o’clock"), "cone 6 just down");
        Click("Undo");
        Until(() => Value(4, "target") == "1210", "the old top");
        UntilSaved();
    }

    [Fact]
    public void The_ladder_offers_other_holds_for_the_same_cone()
    {
        OpenDemo("Oyster matte, first try");
        Click("Other ways");
        Until(() => TestId("ladder").FindElements(By.CssSelector("tbody tr")).Count == 5, "five rungs");
        Until(() => TestId("heat-work").Text.Contains('%'), "heat work by step");
        TestId("ladder").FindElements(By.CssSelector("tbody button"))[4].Click();
        Until(() => Value(4, "hold") == "1 h 00", "an hour's hold");
        Until(() => Row().Contains("cone 6 down"), "the same cone");
        Chord(OpenQA.Selenium.Keys.Control, "z");
        UntilSaved();
    }

    [Fact]
    public void A_wrong_goal_is_told_and_a_slipped_zero_noticed()
    {
        OpenDemo("Marsh White bisque, for brushing");
        Type(Find("#goal-cone"), "15");
        Until(() => Find("#goal-cone-said").Text.Contains("no cone “15”"), "told");
        Find("#goal-cone").GetDomProperty("value").ShouldBe("15");
        Type(Find("#goal-cone"), "4");
        Until(() => Find("[aria-labelledby='witness-cones']").Text.Contains("for cone 04, and the goal says 4"), "the slip");
        Type(Find("#goal-cone"), "04");
        UntilSaved();
    }

    [Fact]
    public void The_table_for_the_wall_prints_on_one_sheet()
    {
        Go("/bench/cones");
        Until(() => Driver.FindElements(By.CssSelector(".wall tbody tr")).Count == 38, "the table");
        using var document = PdfDocument.Open(
            Driver
                .Print(
                    new PrintOptions
                    {
                        PageDimensions = new PrintOptions.PageSize { Width = 21, Height = 29.7 },
                    }
                )
                .AsByteArray
        );
        document.NumberOfPages.ShouldBe(1);
        var words = document.GetPage(1).Text;
        words.ShouldContain("05½");
        words.ShouldNotContain("Kiln room");
        words.ShouldNotContain("Why these numbers");
    }

    [Fact]
    public void The_cone_desk_answers_both_ways()
    {
        Go("/bench/cones");
        Until(() => TestId("cone-top").Text.EndsWith("°C"), "a top");
        ((double)int.Parse(TestId("cone-top").Text.Split(' ')[0])).ShouldBe(1215, 3);
        TestId("one-hotter").Text.ShouldContain("One cone hotter (7)");
        Type(Find("#ask-cone"), "04");
        Until(() => TestId("cone-top").Text.StartsWith("105"), "cone 04 with ten minutes");
        Type(Find("#ask-cone"), "O4");
        Until(() => Find("[role=alert]").Text.Contains("Write a zero"), "asked about");
        Type(Find("#ask-top"), "1063");
        Until(() => TestId("cone-reading").Text.Contains("04"), "the other way round");
        Driver.FindElements(By.CssSelector(".wall tbody tr")).Count.ShouldBe(38);
    }
}
