using System.Xml.Linq;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

public sealed class ChamberTests(Browser browser) : PageVisit(browser)
{
    private IWebElement Handle(int step) =>
        Driver.FindElements(By.CssSelector("[data-testid='handle']")).First(h => h.GetDomAttribute("aria-label") == $"Target of step {step}");

    private void Drag(IWebElement handle, int dx, int dy) =>
        new Actions(Driver).MoveToElement(handle).ClickAndHold().MoveByOffset(dx / 4, dy / 4).MoveByOffset(dx - dx / 4, dy - dy / 4).Release().Perform();

    [Fact]
    public void Dragging_a_point_up_raises_its_target_and_one_undo_takes_it_back()
    {
        OpenDemo("Oyster matte, supper set");
        var line = Find("[data-line='curve']").GetDomAttribute("d");
        Drag(Handle(3), 0, -12);
        Until(() => int.Parse(Value(3, "target")) > 1150, "a higher target");
        Value(3, "pace").ShouldBe("110");
        (int.Parse(Value(3, "target")) % 5).ShouldBe(0);
        Until(() => Find("[data-line='curve']").GetDomAttribute("d") != line, "the line is drawn anew");
        UntilSaved();
        Chord(Keys_.Control, "z");
        Until(() => Value(3, "target") == "1140", "undone in one step");
        UntilSaved();
    }

    [Fact]
    public void Dragging_a_point_sideways_changes_its_pace_only()
    {
        OpenDemo("Oyster matte, supper set");
        Drag(Handle(2), 60, 2);
        Until(() => int.Parse(Value(2, "pace")) < 150, "a slower climb");
        Value(2, "target").ShouldBe("1040");
        Chord(Keys_.Control, "z");
        Until(() => Value(2, "pace") == "160", "undone");
        UntilSaved();
    }

    [Fact]
    public void Points_are_moved_by_keys_too()
    {
        OpenDemo("Oyster matte, supper set");
        Driver.ExecuteScript("arguments[0].focus()", Handle(4));
        Keys(Keys_.ArrowUp, Keys_.ArrowUp);
        Until(() => Value(4, "target") == "1220", "ten degrees more");
        Until(() => Handle(4).GetDomAttribute("aria-valuenow") == "1220", "the handle says so");
        Chord(Keys_.Control, "z");
        Until(() => Value(4, "target") == "1210", "undone");
        UntilSaved();
    }

    [Fact]
    public void The_bands_are_named_and_the_pointer_reads_the_curve()
    {
        OpenDemo("Oyster matte, supper set");
        var chart = Find("svg[data-chart]");
        foreach (var name in new[] { "steam", "quartz turns", "carbon burns out", "1210 °C" })
            chart.Text.ShouldContain(name);
        new Actions(Driver).MoveToElement(chart, -200, 60).Perform();
        Until(
            () => System.Text.RegularExpressions.Regex.IsMatch(Find("svg[data-chart]").Text, @"\d+ h \d\d · \d+ °C"),
            "time and temperature under the pointer"
        );
    }

    [Fact]
    public void The_chart_is_saved_as_a_file_of_its_own()
    {
        OpenDemo("Oyster matte, supper set");
        Driver.ExecuteScript("URL.createObjectURL = (blob) => { blob.text().then((t) => (window.savedSvg = t)); return '#'; }");
        TestId("schedule-menu").Click();
        Click("Chart as SVG");
        Until(() => Driver.ExecuteScript("return window.savedSvg ?? null") is not null, "a file");
        var svg = XDocument.Parse((string)Driver.ExecuteScript("return window.savedSvg")!);
        svg.Root!.Name.LocalName.ShouldBe("svg");
        svg.Descendants().Count(e => e.Name.LocalName == "path").ShouldBeGreaterThan(1);
        svg.Descendants().Attributes().ShouldAllBe(a => a.Name.LocalName != "class" && !a.Name.LocalName.StartsWith("on"));
    }

    [Fact]
    public void Time_between_two_temperatures_is_asked_in_a_sentence()
    {
        OpenDemo("Oyster matte, supper set");
        Type(Find("#between-from"), "1040");
        Type(Find("#between-to"), "850");
        Until(() => TestId("time-between").Text.Contains("3 h 57 down"), "the slow band");
    }

    private static class Keys_
    {
        public static readonly string Control = OpenQA.Selenium.Keys.Control;
        public static readonly string ArrowUp = OpenQA.Selenium.Keys.ArrowUp;
    }
}
