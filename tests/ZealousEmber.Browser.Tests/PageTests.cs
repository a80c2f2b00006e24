using System.Net.Http.Json;
using System.Text.Json;
using OpenQA.Selenium;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.Browser.Tests;

/// <summary>What must hold on every page: accessible in both themes, fits a phone, light, quiet, printable.</summary>
public sealed class PageTests(Browser browser) : PageVisit(browser)
{
    private static readonly Lazy<string> Axe = new(() => File.ReadAllText(Repository.File("web/node_modules/axe-core/axe.min.js")));

    /// <summary>Every page there is, with something that shows it is drawn.</summary>
    public static TheoryData<string, string> Pages =>
        new()
        {
            { "/", ".cards li" },
            { "/schedules", "[data-testid='schedule']" },
            { "/schedules/11", "[data-testid='handle']" },
            { "/schedules/12", "[data-testid='accepted']" },
            { "/schedules/new", "[data-testid='chamber-empty']" },
            { "/schedules/compare?a=11&b=3", "[data-testid='differences']" },
            { "/bench/cones", "[data-testid='cone-top']" },
            { "/schedules/11/print", "[data-testid='sheet'] table" },
            { "/firings", "[data-testid='firing']" },
            { "/firings/1", "[data-testid='load-sum'] dd" },
            { "/firings/2?stage=plan", "[data-testid='plan'] li" },
            { "/firings/3?stage=plan", "[data-testid='plan-findings']" },
            { "/stores/kilns", "main li b" },
            { "/stores/kilns/1", "[data-testid='usual']" },
            { "/stores/kilns/new", "[data-testid='usual']" },
            { "/stores/clays", "[data-testid='stock']" },
            { "/stores/glazes", "[data-testid='stock']" },
            { "/stores/clock", "[aria-labelledby='the-rule'] input" },
            { "/firings/2?stage=set", "[data-testid='fit-verdict'] [data-chart]" },
            { "/schedules/2/set?kiln=2", "[data-testid='entry-card'] li" },
            { "/bench/practice?task=find-in-glaze", "[data-testid='panel']" },
            { "/bench/practice?task=read-matte", "form input" },
            { "/bench/air", "[data-testid='air-answer'] dl" },
            { "/schedules/2/turns?kiln=3", ".screen [data-testid='turn']" },
            { "/stores/kilns/3", "[data-testid='fuel-taught'] table" },
            { "/stores/controllers", "main li a" },
            { "/stores/controllers/1", "[data-testid='panel']" },
            { "/stores/kilns/1/programs", "[data-testid='bank'] b" },
            { "/firings/23?stage=read", "[data-testid='make-version']" },
            { "/firings/27?stage=read", "[data-testid='all-good']" },
            { "/firings/23/sheet", "[data-testid='log-sheet'] h2" },
            { "/firings/logbook?glaze=1", "[data-testid='trends'] circle" },
            { "/firings/compare?ids=23,26", "tr.mattered" },
            { "/firings/compare", "select" },
            { "/firings/23?stage=load", "[data-testid='packing'] svg" },
            { "/firings/23/loading", "[data-testid='loading-sheet'] svg" },
            { "/firings/29?stage=fire", "[data-testid='times']" },
            { "/firings/28/tag", "h1" },
            { "/firings/31?stage=fire", "[data-testid='entries'] li" },
            { "/firings/31?stage=read", "[data-testid='packs']" },
            { "/firings/31/sheet", "[data-testid='log-sheet'] tbody tr" },
            { "/bench/glossary", "dt" },
            { "/stores/settings", "[aria-pressed='true']" },
            { "/wall", "[data-kiln]" },
            { "/nowhere", "h1" },
        };

    /// <summary>In one visit, since a page is slow to load and quick to look at.</summary>
    [Theory]
    [MemberData(nameof(Pages))]
    public void A_page_is_accessible_in_both_themes_fits_a_phone_and_throws_nothing(string path, string drawn)
    {
        ConsoleErrors();
        Go(path);
        Find(drawn);
        SeriousFaults(null).ShouldBeEmpty(path);
        // Another theme changes colours and nothing else.
        Driver.ExecuteScript("document.documentElement.dataset.theme = 'nightwatch'");
        SeriousFaults("color-contrast").ShouldBeEmpty($"{path} by night");
        // The page framework itself notes an address it does not know; a firing nobody said the load of cannot be planned, and Load says so.
        ConsoleErrors()
            .ShouldAllBe(e =>
                path == "/nowhere" && e.Contains("Not found: /nowhere") || path.EndsWith("stage=fire") && e.Contains("/api/plan") && e.Contains("422")
            );

        Size(390, 844);
        Find(drawn);
        SeriousFaults(null).ShouldBeEmpty($"{path} on a phone by night");
        Until(() => (long)Driver.ExecuteScript("return document.documentElement.scrollWidth")! == 390, "no wider than a phone");
    }

    private string[] SeriousFaults(string? rule)
    {
        // Nothing sets out for another colour while colours are measured.
        Driver.ExecuteScript(
            "if (!globalThis.still) { globalThis.still = new CSSStyleSheet(); still.replaceSync('* { transition: none !important }'); "
                + "document.adoptedStyleSheets = [...document.adoptedStyleSheets, still] }"
        );
        // Colours must have arrived, not be on their way: what a frame hands down to what stands in it begins when the frame's own has ended.
        Driver.ExecuteScript("for (let a; (a = document.getAnimations()).length > 0; ) a.forEach((x) => x.finish())");
        if (!(bool)Driver.ExecuteScript("return 'axe' in globalThis")!)
            Driver.ExecuteScript(Axe.Value);
        var faults = (string)
            Driver.ExecuteAsyncScript(
                "const done = arguments[1]; axe.run(document, { resultTypes: ['violations'], ...(arguments[0] ? { runOnly: [arguments[0]] } : {}) "
                    + "}).then((r) => done(JSON.stringify(r.violations"
                    + ".filter((v) => ['serious', 'critical'].includes(v.impact)).map((v) => v.id + ': ' + v.nodes.map((n) => n.html.slice(0, 120) + ' ' "
                    + "+ (n.any[0]?.message ?? '')).slice(0, 3).join(' | ')))))",
                rule
            )!;
        return JsonSerializer.Deserialize<string[]>(faults)!;
    }

    [Fact]
    public void The_main_screens_fit_a_table_laptop_without_scrolling()
    {
        foreach (
            var (path, drawn) in new[]
            {
                ("/schedules/11", "[data-testid='handle']"),
                ("/", ".cards li"),
                ("/schedules/compare?a=11&b=3", "[data-testid='differences']"),
            }
        )
        {
            Go(path);
            Find(drawn);
            ((long)Driver.ExecuteScript("return document.documentElement.scrollHeight")!).ShouldBeLessThanOrEqualTo(800, path);
        }
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/schedules/11")]
    public void The_first_view_is_under_150_kB_of_script_and_style(string path)
    {
        // The moment it was drawn, noted by the page itself: what is fetched afterwards is no part of the first view, however slow the machine that looks.
        var drawn = path == "/" ? ".cards li" : "[data-testid='handle']";
        var noted = Driver.ExecuteCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument",
            new Dictionary<string, object?>
            {
                ["source"] =
                    $"new MutationObserver((_, o) => {{ if (document.querySelector(\"{drawn}\")) {{ globalThis.drawnAt = performance.now(); "
                    + $"o.disconnect(); }} }}).observe(document, {{ childList: true, subtree: true }})",
            }
        );
        Driver.ExecuteCdpCommand("Network.setCacheDisabled", new Dictionary<string, object?> { ["cacheDisabled"] = true });
        Go(path);
        Find(drawn);
        var bytes = (long)
            Driver.ExecuteScript(
                "return performance.getEntriesByType('resource').filter((r) => /\\.(js|css)$/.test(r.name) && r.startTime <= drawnAt).reduce((sum, r) => "
                    + "sum + r.encodedBodySize, 0)"
            )!;
        Driver.ExecuteCdpCommand(
            "Page.removeScriptToEvaluateOnNewDocument",
            new Dictionary<string, object?> { ["identifier"] = ((IReadOnlyDictionary<string, object?>)noted!)["identifier"] }
        );
        Driver.ExecuteCdpCommand("Network.setCacheDisabled", new Dictionary<string, object?> { ["cacheDisabled"] = false });
        bytes.ShouldBeInRange(20_000, 150_000);
    }

    [Fact]
    public void The_theme_is_kept()
    {
        Go("/");
        TestId("theme").Click();
        Driver.Navigate().Refresh();
        Until(() => (string)Driver.ExecuteScript("return document.documentElement.dataset.theme")! == "nightwatch", "night watch after a reload");
    }

    [Theory]
    [InlineData(7)]
    [InlineData(20)]
    [InlineData(64)]
    public async Task The_print_page_fits_one_sheet_of_A4(int steps)
    {
        var schedule = new
        {
            name = $"Printed with {steps} steps and quite a long name that goes on for a while",
            kind = "bisque",
            unit = "C",
            notes = string.Join('\n', Enumerable.Repeat("A line of notes.", 30)),
            segments = Enumerable
                .Range(0, steps)
                .Select(i => new
                {
                    pace = "rate",
                    rate = 100,
                    target = 50 + i * 15,
                    holdMinutes = 10,
                    reason = "a reason with several words in it, as people write them",
                }),
        };
        var id = JsonDocument
            .Parse(await (await Http.PostAsJsonAsync("/api/schedules", schedule)).Content.ReadAsStringAsync())
            .RootElement.GetProperty("id")
            .GetInt32();
        Go($"/schedules/{id}/print");
        Until(() => TestId("sheet").FindElements(By.CssSelector("tbody tr")).Count == steps, "every step");

        var words = OnOnePage();
        words.ShouldContain("Printed with");
        words.ShouldContain($"to {50 + (steps - 1) * 15} °C");
        words.ShouldContain("come first");
        await Http.DeleteAsync($"/api/schedules/{id}");
    }

    [Theory]
    [InlineData("30")]
    [InlineData("15")]
    [InlineData("60")]
    public void The_turn_up_sheet_is_one_printed_page(string every)
    {
        Go("/schedules/2/turns?kiln=3");
        int Rows() => Driver.FindElements(By.CssSelector(".screen [data-testid='turn']")).Count;
        Until(() => Rows() > 5, "the sheet");
        var usual = Rows();
        new OpenQA.Selenium.Support.UI.SelectElement(Find("[aria-label='Minutes between turns']")).SelectByValue(every);
        Until(
            () =>
                every == "30" ? Rows() == usual
                : every == "15" ? Rows() > usual
                : Rows() < usual,
            "the sheet with so many turns"
        );
        // It gets smaller until it fits: once the size stands still it does.
        var size = "";
        Until(() => (size, TestId("printed-turns").GetDomAttribute("style")) is var (before, now) && (size = now ?? "") == before, "its size has settled");
        var words = OnOnePage();
        words.ShouldContain("Turn-up sheet for Bittern");
        words.ShouldContain("Shut off: regulator down");
        words.ShouldContain("leak test");
        words.ShouldContain("local code first");
    }

    [Theory]
    [InlineData("/firings/31/sheet", "Burners out, ports and flue shut", "Cone 9 down")]
    [InlineData("/firings/26/sheet", "Switched on", "Opened")]
    public void The_log_sheet_is_one_printed_page_with_room_to_write(string path, params string[] said)
    {
        Go(path);
        Find("[data-testid='log-sheet'] tbody tr");
        var size = "";
        Until(() => (size, TestId("log-sheet").GetDomAttribute("style")) is var (before, now) && (size = now ?? "") == before, "its size has settled");
        var words = OnOnePage();
        foreach (var each in said.Append("Next time").Append("Room to write"))
            words.ShouldContain(each);
    }

    /// <summary>What stands on it, printed on A4; more than one page fails.</summary>
    private string OnOnePage()
    {
        var pdf = Driver.Print(
            new PrintOptions
            {
                PageDimensions = new PrintOptions.PageSize { Width = 21, Height = 29.7 },
                PageMargins = new PrintOptions.Margins
                {
                    Top = 1.2,
                    Bottom = 1.2,
                    Left = 1.2,
                    Right = 1.2,
                },
            }
        );
        using var document = PdfDocument.Open(pdf.AsByteArray);
        document.NumberOfPages.ShouldBe(1);
        return document.GetPage(1).Text;
    }
}
