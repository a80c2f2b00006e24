using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>The smaller things of the desk: notes, tags, kind, a step's menu, holds by hand, the network going away.</summary>
public sealed class DetailTests(Browser browser) : PageVisit(browser)
{
    private void Menu(int step, string item)
    {
        Find($"[data-row='{step - 1}'] [data-testid='step-menu']").Click();
        IWebElement? found = null;
        Until(
            () =>
                (
                    found = Driver
                        .FindElements(By.CssSelector($"[data-row='{step - 1}'] [popover] button"))
                        .FirstOrDefault(b => b.Displayed && b.Text.StartsWith(item, StringComparison.Ordinal))
                )
                    is not null,
            $"“{item}” in the menu"
        );
        found!.Click();
    }

    [Fact]
    public void A_step_is_duplicated_moved_and_given_an_atmosphere_from_its_menu()
    {
        OpenDemo("Reed green, everyday");
        var before = Sentences();
        Menu(1, "Duplicate");
        Until(() => Sentences().StartsWith("100 120 30 min | 100 120 30 min |"), "twice");
        Menu(2, "Move down");
        Until(() => Sentences().StartsWith("100 120 30 min | full power 600 | 100 120 30 min |"), "one further down");
        Menu(3, "Remove");
        // The cursor goes to the row above, and a field with the cursor shows what one would type.
        Until(() => Sentences() == before.Replace("full power", "full"), "as it was");
        Menu(2, "Neutral");
        Until(() => Find("[data-row='1'] .air").GetDomProperty("value") == "neutral", "the air is said");
        Chord(OpenQA.Selenium.Keys.Control, "z");
        Until(() => Driver.FindElements(By.CssSelector("[data-row='1'] .air")).Count == 0, "undone");
        UntilSaved();
    }

    [Fact]
    public void Removing_a_step_offers_a_way_back()
    {
        OpenDemo("Reed green, everyday");
        var before = Sentences();
        Menu(3, "Remove");
        Until(() => TestId("toast").Text.Contains("Step 3 removed"), "a notice");
        Click("Undo");
        Until(() => Sentences() == before, "back");
        UntilSaved();
    }

    [Fact]
    public void Notes_tags_and_kind_are_kept()
    {
        OpenDemo("Brickfield planters, once-fired");
        var notes = Find("textarea[aria-label='Notes']");
        notes.Click();
        Keys("Planters on the bottom shelf.");
        var tag = Find("[aria-label='Add a tag']");
        tag.Click();
        Keys("Spring", OpenQA.Selenium.Keys.Enter);
        Until(() => Driver.FindElements(By.CssSelector("[aria-label='Remove tag spring']")).Count == 1, "a tag, lower case");
        UntilSaved();

        Driver.Navigate().Refresh();
        TestId("chamber");
        Find("textarea[aria-label='Notes']").GetDomProperty("value").ShouldBe("Planters on the bottom shelf.");
        Find("[aria-label='Remove tag spring']").Click();
        Until(() => Driver.FindElements(By.CssSelector("[aria-label='Remove tag spring']")).Count == 0, "gone again");
        UntilSaved();
    }

    [Fact]
    public void A_reason_is_written_beside_its_step()
    {
        OpenDemo("Marsh White bisque, for brushing");
        var why = Find("[aria-label='Reason of step 1']");
        why.Click();
        Keys("two hours for the walls");
        UntilSaved();
        TestId("schedule-menu").Click();
        Click("As text");
        Find("dialog textarea").GetDomProperty("value")!.ShouldContain("\"two hours for the walls\"");
    }

    [Fact]
    public void A_hold_is_pulled_longer_on_the_curve()
    {
        OpenDemo("Evening class bisque");
        var grip = Driver.FindElements(By.CssSelector(".grip.hold")).First();
        new Actions(Driver).MoveToElement(grip).ClickAndHold().MoveByOffset(10, 0).MoveByOffset(20, 0).Release().Perform();
        Until(() => Value(1, "hold") != "3 h 00", "another hold");
        Value(1, "hold").ShouldMatch(@"^[34] h \d[05]$");
        Chord(OpenQA.Selenium.Keys.Control, "z");
        Until(() => Value(1, "hold") == "3 h 00", "undone");
        UntilSaved();
    }

    [Fact]
    public void Keys_and_words_are_explained_where_they_are_needed()
    {
        OpenDemo("Drying, thick tiles");
        Find("svg[data-chart]").Click();
        Keys("?");
        var help = Find("dialog[open]");
        foreach (var word in new[] { "power off", "All the terms", "Alt ↑", "full to 1040" })
            Until(() => help.Text.Contains(word), word);
        Keys(OpenQA.Selenium.Keys.Escape);
        Until(() => Driver.FindElements(By.CssSelector("dialog[open]")).Count == 0, "closed by Escape");
    }

    [Fact]
    public void Nothing_is_lost_while_the_network_is_gone()
    {
        OpenDemo("Lamp white on Brickfield Red");
        var was = Value(2, "target");
        Network(gone: true);
        Type(Field(2, "target"), "955");
        Until(() => TestId("save-state").GetDomAttribute("data-state") == "offline", "it says that it is kept here");
        Value(2, "target").ShouldBe("955");

        Network(gone: false);
        // The page itself goes away and comes back: what was written is still on the device, and is saved now.
        Driver.Navigate().Refresh();
        Until(() => Value(2, "target") == "955", "still there");
        UntilSaved();
        Type(Field(2, "target"), was);
        UntilSaved();
    }

    private void Network(bool gone)
    {
        Driver.ExecuteCdpCommand("Network.enable", []);
        Driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = gone,
                ["latency"] = 0,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    [Fact]
    public void Findings_lead_to_their_step()
    {
        Go("/schedules/new");
        Until(() => Driver.SwitchTo().ActiveElement().GetDomAttribute("id") == "schedule-name", "the name has the cursor");
        Keys("Cold room", OpenQA.Selenium.Keys.Enter);
        Find("#write-out").Click();
        Keys("100/h to 1000; off to 10", OpenQA.Selenium.Keys.Enter);
        Until(() => Find("[aria-labelledby='worth-a-look']").Text.Contains("stops near 25 °C"), "the finding");
        Click("Step 2.");
        Until(() => Field(2, "pace").Equals(Driver.SwitchTo().ActiveElement()), "the cursor is at the step");
        UntilSaved();
    }
}
