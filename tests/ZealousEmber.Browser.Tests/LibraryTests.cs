using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

public sealed class LibraryTests(Browser browser) : PageVisit(browser)
{
    private string[] Names() => [.. Driver.FindElements(By.CssSelector("a.open")).Select(a => a.Text)];

    [Fact]
    public void Words_kinds_and_tags_narrow_the_list()
    {
        Go("/schedules");
        Until(() => Names().Length > 5, "the library");
        Keys("/");
        Keys("oyster");
        Until(() => Names().Length == 2 && Names().All(n => n.StartsWith("Oyster")), "two of that glaze");
        Keys(" nothing");
        TestId("library-empty").Text.ShouldContain("Nothing like that");
        Click("Show all schedules");
        Click("Once-fired");
        Until(() => Names() is ["Brickfield planters, once-fired"], "one kind");
        Click("Clear");
        Until(() => Names().Length > 5, "all again");
        Button("wren").Click();
        Until(() => Names() is ["Tidewrack blue, test tiles"], "one tag");
    }

    [Fact]
    public void Deleting_offers_a_way_back()
    {
        Go("/schedules");
        Find("[aria-label='Delete “Evening class bisque”']").Click();
        Until(() => Names().Length > 0 && !Names().Contains("Evening class bisque"), "gone");
        Click("Undo");
        Until(() => Names().Contains("Evening class bisque"), "back");
    }

    [Fact]
    public void Two_are_compared_on_one_chart()
    {
        Go("/schedules");
        Find("[aria-label='Pick “Oyster matte, supper set”']").Click();
        TestId("picked").Text.ShouldContain("pick one more");
        Find("[aria-label='Pick “Oyster matte, first try”']").Click();
        Click("Compare the two");
        var table = TestId("differences");
        table.Text.ShouldContain("Cooling through 1040 to 850 °C 3 h 57 1 h 02 −2 h 55");
        Driver.FindElements(By.CssSelector("[data-line='other']")).Count.ShouldBe(1);
    }

    [Fact]
    public void A_copy_opens_on_the_desk()
    {
        Go("/schedules");
        Find("[aria-label='Copy “Reed green, everyday”']").Click();
        Until(() => Find("#schedule-name").GetDomProperty("value") == "Reed green, everyday, copy", "the copy");
    }

    [Fact]
    public async Task A_file_is_taken_in_and_a_wrong_one_says_where()
    {
        var file = Path.Combine(Path.GetTempPath(), $"ember-{Guid.NewGuid():N}.csv");
        await File.WriteAllTextAsync(file, "schedule,kind,unit,rate,target\nFrom a file,bisque,C,0,900\n");
        Go("/schedules");
        Until(() => Names().Length > 5, "the library");
        TestId("import-file").SendKeys(file);
        TestId("import-problem").Text.ShouldContain("schedules[0].segments[0].rate: At 0 an hour");
        await File.WriteAllTextAsync(file, "schedule,kind,unit,rate,target\nFrom a file,bisque,C,100,900\n");
        TestId("import-file").SendKeys(file);
        Until(() => Names().Contains("From a file"), "the new one");
        File.Delete(file);
    }

    [Fact]
    public void The_kiln_room_draws_a_line_as_it_is_written_and_puts_it_on_the_desk()
    {
        Go("/");
        Find("textarea").Click();
        Keys("80/h to 200 hold");
        Until(() => TestId("say-nothing").Text.Contains("ends here"), "what is still missing");
        Keys(" 45m; full to 1040");
        Until(() => TestId("home-sum").Text.Contains("1040 °C"), "what it comes to");
        Keys(OpenQA.Selenium.Keys.Enter);
        Until(() => Sentences() == "80 200 45 min | full power 1040", "on the desk");
        Find("#schedule-name").Click();
        Keys("From the kiln room");
        UntilSaved();
    }

    [Fact]
    public void A_schedule_that_is_not_there_says_so_kindly()
    {
        Go("/schedules/987654");
        Until(() => Driver.FindElement(By.TagName("h1")).Text == "No such schedule", "the message");
        Click("To the schedules");
        Until(() => Names().Length > 5, "the library");
    }
}
