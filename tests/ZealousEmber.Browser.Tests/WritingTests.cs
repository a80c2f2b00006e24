using System.Diagnostics;
using System.Net.Http.Json;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

public sealed class WritingTests(Browser browser) : PageVisit(browser)
{
    private void NewSchedule(string name)
    {
        Go("/schedules/new");
        Until(() => Driver.SwitchTo().ActiveElement().GetDomAttribute("id") == "schedule-name", "the name has the cursor");
        Keys(name, Keys_.Enter);
        Until(() => Driver.SwitchTo().ActiveElement().GetDomAttribute("id")!.EndsWith("-pace"), "the first pace has the cursor");
    }

    /// <summary>Named apart from the helper that types.</summary>
    private static class Keys_
    {
        public static readonly string Enter = OpenQA.Selenium.Keys.Enter;
        public static readonly string Tab = OpenQA.Selenium.Keys.Tab;
    }

    [Fact]
    public void A_six_step_glaze_firing_is_written_by_keyboard_alone_saved_and_found_again()
    {
        var watch = Stopwatch.StartNew();
        var strokes = 0;
        void Write(params string[] keys)
        {
            strokes += keys.Sum(k => k.Length);
            Keys(keys);
        }

        NewSchedule("From the book");
        (string Pace, string Target, string Hold)[] book =
        [
            ("80", "120", "45"),
            ("full", "1040", ""),
            ("110", "1140", ""),
            ("60", "1210", "12"),
            ("150", "1040", ""),
            ("55", "850", "1:30"),
        ];
        foreach (var (i, step) in book.Index())
        {
            Until(() => Field(i + 1, "pace").Equals(Driver.SwitchTo().ActiveElement()), $"step {i + 1} has the cursor");
            Write(step.Pace, Keys_.Tab, step.Target, Keys_.Tab);
            if (step.Hold.Length > 0)
                Write(step.Hold);
            if (i < book.Length - 1)
                Write(Keys_.Enter);
        }
        UntilSaved();
        var id = IdFromAddress();
        watch.Elapsed.ShouldBeLessThan(TimeSpan.FromMinutes(2));
        strokes.ShouldBeLessThan(80);

        Go($"/schedules/{id}");
        TestId("chamber");
        Sentences().ShouldBe("80 120 45 min | full power 1040 | 110 1140 | 60 1210 12 min | 150 1040 | 55 850 1 h 30");
        Find("[aria-labelledby='by-the-clock'] dl").Text.ShouldMatch(@"Whole firing\s+\d+ h \d\d");
        Driver.FindElements(By.CssSelector("[data-line='curve']")).Count.ShouldBe(1);
    }

    [Fact]
    public void A_line_of_shorthand_is_added_and_a_wrong_one_is_pointed_at_and_kept()
    {
        NewSchedule("Written out");
        var line = Find("#write-out");
        line.Click();
        Keys("80/h to 200 hold 45m; full tu 1040", Keys_.Enter);
        Until(() => Find("#write-out-said").Text.Contains("“tu”"), "the fault is told");
        Driver.ExecuteScript("const t = document.querySelector('#write-out'); return t.value.slice(t.selectionStart, t.selectionEnd)").ShouldBe("tu");
        Keys("to", Keys_.Enter);
        Until(() => Sentences() == "80 200 45 min | full power 1040", "both steps");
        line.Click();
        Keys("60/h to 1210; off", Keys_.Enter);
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='step']")).Count == 4, "four steps");
        line.Click();
        Keys("cool 55/h to 850", Keys_.Enter);
        Until(() => Sentences() == "80 200 45 min | full power 1040 | 60 1210 | 55 850 | off", "the new step goes before the closing off");
        UntilSaved();
    }

    [Fact]
    public void A_table_pasted_as_text_replaces_the_steps_and_undo_brings_them_back()
    {
        OpenDemo("Reed green, everyday");
        var before = Sentences();
        TestId("schedule-menu").Click();
        Click("As text");
        var text = Find("dialog textarea");
        Driver.ExecuteScript(
            "arguments[0].value = 'Rate\\tTarget\\tHold\\n100\\t600\\t0\\nfull\\t1000\\t15'; arguments[0].dispatchEvent(new Event('input', { bubbles: true }))",
            text
        );
        Click("Replace the steps");
        Until(() => Sentences() == "100 600 | full power 1000 15 min", "the table's steps");
        Find("[aria-label='Undo']").Click();
        Until(() => Sentences() == before, "the old steps");
        UntilSaved();
    }

    [Fact]
    public void Rows_are_moved_added_and_removed_by_keys_and_every_edit_can_be_undone()
    {
        OpenDemo("Lamp white on Brickfield Red");
        var before = Sentences();
        Field(1, "target").Click();
        Chord(OpenQA.Selenium.Keys.Alt, OpenQA.Selenium.Keys.ArrowDown);
        Until(() => Sentences().StartsWith("150 960 | 100 120"), "moved down");
        Until(() => Field(2, "target").Equals(Driver.SwitchTo().ActiveElement()), "the cursor moved with it");
        Chord(OpenQA.Selenium.Keys.Alt, OpenQA.Selenium.Keys.Backspace);
        Until(() => Sentences().StartsWith("150 960 | 60 1063"), "removed");
        Keys(Keys_.Enter);
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='step']")).Count == 5, "a blank step below");
        for (var i = 0; i < 3; i++)
            Chord(OpenQA.Selenium.Keys.Control, "z");
        Until(() => Sentences() == before, "all undone");
        new OpenQA.Selenium.Interactions.Actions(Driver)
            .KeyDown(OpenQA.Selenium.Keys.Control)
            .KeyDown(OpenQA.Selenium.Keys.Shift)
            .SendKeys("z")
            .KeyUp(OpenQA.Selenium.Keys.Shift)
            .KeyUp(OpenQA.Selenium.Keys.Control)
            .Perform();
        Until(() => Sentences().StartsWith("150 960 | 100 120"), "one redone");
        Chord(OpenQA.Selenium.Keys.Control, "z");
        UntilSaved();
    }

    [Fact]
    public void Arrow_keys_change_a_number_in_a_field()
    {
        OpenDemo("Drying, thick tiles");
        Field(1, "target").Click();
        Keys(OpenQA.Selenium.Keys.ArrowUp, OpenQA.Selenium.Keys.ArrowUp, OpenQA.Selenium.Keys.ArrowDown);
        Until(() => Value(1, "target") == "95", "five more");
        Chord(OpenQA.Selenium.Keys.Control, "z");
        Until(() => Value(1, "target") == "90", "one step back undoes the run of keys");
        UntilSaved();
    }

    [Fact]
    public void Bad_numbers_are_told_at_the_field_keep_what_was_typed_and_survive_a_reload()
    {
        NewSchedule("Slips");
        Keys("80", Keys_.Tab, "200", Keys_.Tab, "-5");
        Until(() => Find("[data-row='0'] [role=alert]").Text.Contains("shorter than nothing"), "the hold is told");
        Value(1, "hold").ShouldBe("-5");
        Type(Field(1, "hold"), "10");
        UntilSaved();
        Type(Field(1, "pace"), "0");
        Until(() => Find("[data-row='0'] [role=alert]").Text.Contains("never arrive"), "the rate is told");
        Type(Field(1, "target"), "99999");
        Until(() => Find("[data-row='0'] [role=alert]").Text.Contains("between −20 and 1400 °C"), "the target is told");
        Until(() => TestId("save-state").GetDomAttribute("data-state") == "fix", "it says that it is not saved");
        Field(1, "target").GetDomAttribute("aria-invalid").ShouldBe("true");

        Driver.Navigate().Refresh();
        Until(() => Value(1, "target") == "99999" && Value(1, "pace") == "0", "what was typed is still there");
        Type(Field(1, "pace"), "80");
        Type(Field(1, "target"), "abc");
        Until(() => Find("[data-row='0'] [role=alert]").Text.Contains("A number is expected"), "letters are told");
        Keys(Keys_.Tab);
        Value(1, "target").ShouldBe("abc");
        Type(Field(1, "target"), "300");
        UntilSaved();
    }

    [Fact]
    public void Switching_the_scale_there_and_back_leaves_every_number_as_it_was()
    {
        OpenDemo("Shingle porcelain in Bittern");
        var celsius = Sentences();
        TestId("unit").Click();
        Until(() => Value(1, "target") == "1112", "600 °C in °F");
        Value(1, "pace").ShouldBe("180");
        Driver.FindElement(By.CssSelector("[data-row='0']")).Text.ShouldContain("°F/h");
        for (var i = 0; i < 3; i++)
        {
            var was = Sentences();
            TestId("unit").Click();
            Until(() => Sentences() != was, "the other scale");
        }
        Sentences().ShouldBe(celsius);
        UntilSaved();
    }

    [Fact]
    public async Task A_save_by_somebody_else_is_shown_and_mine_is_not_lost()
    {
        NewSchedule("Shared");
        Keys("80", Keys_.Tab, "200");
        UntilSaved();
        var id = IdFromAddress();
        var request = new HttpRequestMessage(HttpMethod.Put, $"/api/schedules/{id}")
        {
            Content = JsonContent.Create(
                new
                {
                    name = "Shared",
                    kind = "glaze",
                    unit = "C",
                    segments = new[]
                    {
                        new
                        {
                            pace = "rate",
                            rate = 50,
                            target = 150,
                        },
                    },
                }
            ),
        };
        request.Headers.TryAddWithoutValidation("If-Match", "*");
        (await Http.SendAsync(request)).EnsureSuccessStatusCode();

        Type(Field(1, "target"), "333");
        TestId("conflict").Text.ShouldContain("Nothing was overwritten");
        Value(1, "target").ShouldBe("333");
        Click("Keep mine");
        UntilSaved();
        (await Http.GetStringAsync($"/api/schedules/{id}")).ShouldContain("\"target\":333");
        (await Http.GetStringAsync($"/api/schedules/{id}/versions?all=true")).ShouldContain("50/h to 150");
    }

    [Fact]
    public void An_earlier_version_comes_back_and_can_be_undone()
    {
        OpenDemo("Tidewrack blue, test tiles");
        var newest = Sentences();
        TestId("schedule-menu").Click();
        Click("Earlier versions");
        Click("Go back to this");
        Until(() => Sentences() == "full power 1100 | 60 1215 20 min | off", "the first version");
        UntilSaved();
        Click("Undo");
        Until(() => Sentences() == newest, "the newest again");
        UntilSaved();
    }

    [Fact]
    public void A_chosen_start_turns_elapsed_times_into_clock_times()
    {
        OpenDemo("Marsh White bisque, for brushing");
        Find("[data-row='1'] .when").Text.ShouldContain("from 2 h 53");
        TestId("choose-start").Click();
        StartAt("2026-11-24", "17:30");
        Until(() => Find("[data-row='0'] .when").Text.Contains("Tue"), "the first step on Tuesday");
        Find("[data-row='1'] .when").Text.ShouldMatch("Tue (20:22|8:22)");
        Find("svg[data-chart]").Text.ShouldContain("Wed");
        ((long)Driver.ExecuteScript("return document.documentElement.scrollHeight")!).ShouldBeLessThanOrEqualTo(800);
    }
}
