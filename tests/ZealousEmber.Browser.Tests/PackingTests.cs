using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;

namespace ZealousEmber.Browser.Tests;

/// <summary>The kiln drawn as it will stand, changed by hand, and loaded by its sheet.</summary>
public sealed class PackingTests(Browser browser) : PageVisit(browser)
{
    private IReadOnlyList<IWebElement> Pieces() => Driver.FindElements(By.CssSelector("[data-testid='shelf-plan'] .piece"));

    [Fact]
    public void A_load_is_drawn_moved_by_hand_and_put_back()
    {
        Go("/firings/1");
        Until(() => TestId("packed").Text.Contains("All 45 in"), "all of it in the kiln");
        Driver.FindElements(By.CssSelector("[data-testid='section'] .slab")).Count.ShouldBe(3);
        Find("[aria-label='Shelf 1 from above']").SendKeys(OpenQA.Selenium.Keys.Enter);
        Until(() => Pieces().Count > 5, "the shelf from above");
        for (var i = 0; i < 3; i++)
            Pieces()[0].SendKeys(OpenQA.Selenium.Keys.ArrowUp);
        Until(() => TestId("packing").FindElements(By.CssSelector("[role='alert']")).Count > 0, "a rule is broken, and named");
        Driver.FindElements(By.CssSelector("[data-testid='shelf-plan'] .wrong")).Count.ShouldBeGreaterThan(0, "at its piece");
        Click("Pack anew");
        Until(() => TestId("packing").FindElements(By.CssSelector("[role='alert']")).Count == 0, "as the packer has it");
        Find("button[aria-label='Undo']").Click();
        Until(() => TestId("packing").FindElements(By.CssSelector("[role='alert']")).Count > 0, "undo goes across it");
        Find("button[aria-label='Redo']").Click();
        Until(
            () =>
                TestId("packing").FindElements(By.CssSelector("[role='alert']")).Count == 0 && TestId("firing-saved").GetDomAttribute("data-state") == "saved",
            "kept"
        );
    }

    [Fact]
    public async Task Shelves_and_pieces_are_moved_and_locked_by_hand()
    {
        var made = await (
            await Http.PostAsJsonAsync(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = "By hand",
                    ["kind"] = "glaze",
                    ["kilnId"] = 1,
                    ["lots"] = new JsonArray(
                        new JsonObject
                        {
                            ["what"] = "mugs",
                            ["count"] = 14,
                            ["wall"] = 6,
                            ["piece"] = new JsonObject
                            {
                                ["across"] = 85,
                                ["height"] = 100,
                                ["handle"] = 35,
                            },
                        },
                        new JsonObject
                        {
                            ["what"] = "vases",
                            ["count"] = 3,
                            ["wall"] = 6,
                            ["piece"] = new JsonObject { ["across"] = 120, ["height"] = 250 },
                        }
                    ),
                }
            )
        ).Content.ReadFromJsonAsync<JsonNode>();
        Go($"/firings/{made!["id"]}");
        Until(() => TestId("packed").Text.Contains("All 17 in"), "packed");
        Find("[aria-label='Shelf 1 from above']").SendKeys(OpenQA.Selenium.Keys.Enter);
        Until(() => Pieces().Count > 0, "the shelf from above");
        new Actions(Driver).DragAndDropToOffset(Pieces()[0], 12, 0).Perform();
        Until(() => Pieces()[0].GetDomAttribute("aria-label")!.EndsWith("locked"), "where it was put it stays");
        new SelectElement(Find("[aria-label='Opening over shelf 1']")).SelectByText("300 mm");
        Until(() => TestId("section").Text.Contains("300 mm"), "another opening");
        Click("Pack the rest");
        Until(() => TestId("packed").Text.Contains("All 17 in") && Pieces()[0].GetDomAttribute("aria-label")!.EndsWith("locked"), "round what stays");
        Find("[aria-label='Lock shelf 1']").Click();
        Until(() => Pieces().All(p => p.GetDomAttribute("aria-label")!.EndsWith("locked")), "all of it");
        var standing = Pieces().Count;
        Find("[aria-label='Shelf 1 one up']").Click();
        Until(() => TestId("shelf-card").Text.Contains("Shelf 2"), "it goes up, and is looked at there");
        Until(() => Pieces().Count == standing, "with all that stands on it");
        Pieces()[0].SendKeys("l");
        Until(() => !Pieces()[0].GetDomAttribute("aria-label")!.EndsWith("locked"), "free again");
        new SelectElement(TestId("piece-tools").FindElement(By.TagName("select"))).SelectByText("1");
        Until(
            () => TestId("shelf-card").Text.Contains("Shelf 1") && Pieces().Any(p => p.GetDomAttribute("aria-label")!.EndsWith("locked")),
            "sent to another shelf"
        );
        Until(() => TestId("firing-saved").GetDomAttribute("data-state") == "saved", "kept");
        var kept = (await Http.GetFromJsonAsync<JsonNode>($"/api/firings/{made["id"]}"))!["firing"]!["packing"]!["keep"]!;
        kept["regions"]!.AsArray().Count.ShouldBe(kept["openings"]!.AsArray().Count);
        Go($"/firings/{made["id"]}");
        Until(() => TestId("packed").Text.Contains("17 in"), "as it was left");
        Find("[aria-label='Shelf 1 from above']").SendKeys(OpenQA.Selenium.Keys.Enter);
        Until(() => Pieces().Any(p => p.GetDomAttribute("aria-label")!.EndsWith("locked")), "what was locked is locked");
        await Http.DeleteAsync($"/api/firings/{made["id"]}");
    }

    [Fact]
    public async Task What_would_take_more_is_named_and_done_with_one_press()
    {
        var kiln = await (
            await Http.PostAsJsonAsync("/api/kilns", new JsonObject { ["name"] = "Knot", ["class"] = "top-100" })
        ).Content.ReadFromJsonAsync<JsonNode>();
        var made = await (
            await Http.PostAsJsonAsync(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = "Too much for Knot",
                    ["kind"] = "glaze",
                    ["kilnId"] = (int)kiln!["id"]!,
                    ["lots"] = new JsonArray(
                        new JsonObject
                        {
                            ["what"] = "mugs",
                            ["count"] = 40,
                            ["wall"] = 6,
                            ["piece"] = new JsonObject
                            {
                                ["across"] = 85,
                                ["height"] = 100,
                                ["handle"] = 35,
                            },
                        }
                    ),
                }
            )
        ).Content.ReadFromJsonAsync<JsonNode>();
        Go($"/firings/{made!["id"]}");
        Until(() => TestId("takes-more").Text.Contains("In Heron: all 40"), "another kiln would");
        Driver.FindElements(By.CssSelector("[data-testid='takes-more'] li")).Single(li => li.Text.Contains("Heron")).FindElement(By.TagName("button")).Click();
        Until(() => TestId("packing").Text.Contains("In Heron") && TestId("packed").Text.Contains("All 40 in"), "and does");
        await Http.DeleteAsync($"/api/firings/{made["id"]}");
        await Http.DeleteAsync($"/api/kilns/{kiln["id"]}");
    }

    [Fact]
    public async Task Lots_are_pasted_as_people_say_them()
    {
        var made = await (
            await Http.PostAsJsonAsync(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = "Pasted",
                    ["kind"] = "bisque",
                    ["kilnId"] = 1,
                }
            )
        ).Content.ReadFromJsonAsync<JsonNode>();
        Go($"/firings/{made!["id"]}");
        TestId("lot-lines").SendKeys("26 mugs \u230085 \u00d7 100, handle 35, 6 mm, Marsh White, cool to touch, the class" + OpenQA.Selenium.Keys.Enter);
        Until(() => TestId("packed").Text.Contains("All 26 in"), "packed as soon as it is written");
        TestId("lot-lines").GetDomProperty("value").ShouldBe("");
        TestId("lot-lines").SendKeys("plates, 8 mm" + OpenQA.Selenium.Keys.Enter);
        Until(() => Find("#lot-lines-said").Text.Contains("How many plates?"), "said why");
        TestId("lot-lines").GetDomProperty("value").ShouldBe("plates, 8 mm", "and nothing is lost");
        Find("button[aria-label='Undo']").Click();
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='section']")).Count == 0, "one step back");
        await Http.DeleteAsync($"/api/firings/{made["id"]}");
    }

    [Fact]
    public async Task What_does_not_fit_becomes_a_second_firing()
    {
        Go("/firings/2");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='left-out']")).Count > 0, "something stays out");
        TestId("left-out").Text.ShouldContain("mm more for another shelf");
        Click("Second firing with the rest");
        Until(() => TestId("packed").Text.Contains("All "), "the rest is gone from here");
        Click("Open it");
        Until(
            () => Find("[aria-label='Name of the firing']").GetDomProperty("value") == "Supper set, second half, second firing",
            "and stands in a firing of its own"
        );
        Until(() => TestId("packed").Text.Contains("All "), "packed as well");
        await Http.DeleteAsync($"/api/firings/{IdFromAddress()}");
    }

    [Fact]
    public async Task A_bisque_says_how_many_glaze_firings_it_needs_and_makes_them()
    {
        var made = await (
            await Http.PostAsJsonAsync(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = "Many mugs",
                    ["kind"] = "bisque",
                    ["kilnId"] = 1,
                    ["lots"] = new JsonArray(
                        new JsonObject
                        {
                            ["what"] = "mugs",
                            ["count"] = 80,
                            ["wall"] = 6,
                            ["piece"] = new JsonObject
                            {
                                ["across"] = 85,
                                ["height"] = 100,
                                ["handle"] = 35,
                                ["stacking"] = "layers",
                            },
                        }
                    ),
                }
            )
        ).Content.ReadFromJsonAsync<JsonNode>();
        Go($"/firings/{made!["id"]}");
        Until(() => TestId("packed").Text.Contains("All 80 in"), "one bisque");
        Click("How many glaze firings will it need?");
        Until(() => TestId("glazes").Text.Contains("2 glaze firings"), "but two of glaze");
        Click("Make them");
        Click("See the firings");
        Until(() => Driver.FindElements(By.CssSelector("[data-testid='firing']")).Count(f => f.Text.Contains("Glaze of Many mugs")) == 2, "both are there");
        foreach (var firing in (await Http.GetFromJsonAsync<JsonNode>("/api/firings?search=Many"))!.AsArray())
            await Http.DeleteAsync($"/api/firings/{firing!["id"]}");
    }

    [Fact]
    public void The_loading_sheet_counts_what_is_in_and_fits_a_phone()
    {
        Size(390, 844);
        Go("/firings/1/loading");
        Until(() => TestId("loading-sheet").Text.Contains("0 of 45 in"), "nothing yet");
        TestId("loading-sheet").Text.ShouldContain("Fetch first");
        foreach (var tick in Driver.FindElements(By.CssSelector("[data-testid='loading-sheet'] ol input")).ToList())
        {
            Driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", tick);
            tick.Click();
        }
        Until(() => TestId("loading-sheet").Text.Contains("45 of 45 in"), "everything");
        ((bool)Driver.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth")!).ShouldBeTrue();
        Size(1280, 800);
    }

    [Fact]
    public void The_loading_sheet_prints_black_on_white_at_night_too()
    {
        Go("/firings/1/loading");
        Driver.ExecuteScript("document.documentElement.dataset.theme = 'nightwatch'");
        Driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = "print" });
        Until(
            () =>
                (string)Driver.ExecuteScript("return getComputedStyle(document.querySelector('[data-testid=loading-sheet] li p')).color")! == "rgb(68, 68, 68)",
            "dark words"
        );
        ((string)Driver.ExecuteScript("return getComputedStyle(document.querySelector('[data-testid=loading-sheet]')).backgroundColor")!).ShouldBe(
            "rgb(255, 255, 255)"
        );
        Driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = "" });
    }

    [Fact]
    public async Task A_kilns_chamber_is_typed_and_moved_and_every_plan_goes_by_it()
    {
        var made = await (
            await Http.PostAsJsonAsync("/api/kilns", new JsonObject { ["name"] = "Stint", ["class"] = "top-100" })
        ).Content.ReadFromJsonAsync<JsonNode>();
        Go($"/stores/kilns/{made!["id"]}");
        var height = Find("[data-testid='chamber-card'] [aria-label='Floor to lid, mm']");
        Type(height, "20");
        Keys(OpenQA.Selenium.Keys.Tab);
        Until(() => TestId("chamber-card").Text.Contains("between 100 and 3000 mm"), "said where it is");
        Type(height, "480");
        Keys(OpenQA.Selenium.Keys.Tab);
        Find("[data-testid='chamber-card'] [aria-label='Thermocouple']").SendKeys(OpenQA.Selenium.Keys.ArrowUp);
        Until(
            () => TestId("kiln-saved").GetDomAttribute("data-state") == "saved" && !TestId("chamber-card").Text.Contains("As usual with this class"),
            "kept as its own"
        );
        var kept = (await Http.GetFromJsonAsync<JsonNode>($"/api/kilns/{made["id"]}"))!["kiln"]!["chamber"]!;
        kept["height"]!.GetValue<double>().ShouldBe(480);
        kept["thermocouple"]!["z"]!.GetValue<double>().ShouldBe(305);
        Click("As usual with its class");
        Until(() => TestId("chamber-card").Text.Contains("As usual with this class"), "and back");
        await Http.DeleteAsync($"/api/kilns/{made["id"]}");
    }
}
