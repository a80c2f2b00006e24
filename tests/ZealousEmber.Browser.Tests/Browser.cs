using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.Browser.Tests;

/// <summary>The program with its built pages, and one browser to look at them with; each class of tests has its own, so that they run side by side.</summary>
public class Browser : RunningStudio, IAsyncLifetime
{
    private readonly string profile = Directory.CreateTempSubdirectory("ember-browser-").FullName;

    public ChromeDriver Driver { get; private set; } = null!;

    async ValueTask IAsyncLifetime.InitializeAsync()
    {
        await base.InitializeAsync();
        Driver = Open(profile);
    }

    /// <summary>A browser with a profile of its own, as on another device.</summary>
    /// <param name="profile">Its folder.</param>
    /// <param name="trusted">The key of a certificate it trusts though nobody it knows has signed it.</param>
    internal static ChromeDriver Open(string profile, string? trusted = null)
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-dev-shm-usage",
            "--lang=en-GB",
            $"--user-data-dir={profile}"
        );
        if (trusted is not null)
            options.AddArgument($"--ignore-certificate-errors-spki-list={trusted}");
        options.SetLoggingPreference(LogType.Browser, OpenQA.Selenium.LogLevel.All);
        return new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options, TimeSpan.FromSeconds(60));
    }

    public override async ValueTask DisposeAsync()
    {
        Driver?.Quit();
        Driver?.Dispose();
        Directory.Delete(profile, recursive: true);
        await base.DisposeAsync();
        GC.SuppressFinalize(this);
    }
}

/// <summary>The same in a studio where nothing is yet.</summary>
public sealed class EmptyBrowser : Browser
{
    protected override bool Demo => false;
}

/// <summary>A visit with a clean device: what a person does, and what a person sees.</summary>
public abstract class PageVisit : IClassFixture<Browser>
{
    private readonly Browser browser;

    protected PageVisit(Browser browser)
    {
        this.browser = browser;
        Size(1280, 800);
        // Any address of the program will do to reach what it keeps on the device; this one draws nothing.
        Driver.Navigate().GoToUrl(new Uri(browser.Address, "/api/health"));
        Driver.ExecuteScript("localStorage.clear(); localStorage.setItem('ember.theme', 'bisque')");
    }

    protected ChromeDriver Driver => browser.Driver;

    protected HttpClient Http => browser.Http;

    protected RunningStudio Studio => browser;

    protected void Size(int width, int height) =>
        Driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = width < 500,
            }
        );

    protected void Go(string path)
    {
        Driver.Navigate().GoToUrl(new Uri(browser.Address, path));
        Until(() => Driver.FindElements(By.CssSelector("main *, article *, .tools *")).Count > 0, "the page is drawn");
    }

    /// <summary>Waits until something holds; asks again while the page is still on its way.</summary>
    protected void Until(Func<bool> holds, string what)
    {
        var wait = new WebDriverWait(Driver, TimeSpan.FromSeconds(30)) { PollingInterval = TimeSpan.FromMilliseconds(40), Message = $"waited for: {what}" };
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException), typeof(NoSuchElementException), typeof(ShouldAssertException));
        wait.Until(_ => holds());
    }

    /// <summary>Something is said as an alert; another may be told above it, of a firing under way.</summary>
    protected bool Said(string text) => Driver.FindElements(By.CssSelector("[role='alert']")).Any(a => a.Text.Contains(text, StringComparison.Ordinal));

    protected IWebElement Find(string css)
    {
        Until(() => Driver.FindElements(By.CssSelector(css)).Count > 0, css);
        return Driver.FindElement(By.CssSelector(css));
    }

    protected IWebElement TestId(string id) => Find($"[data-testid='{id}']");

    protected IWebElement Button(string text)
    {
        IWebElement? found = null;
        // In one question, so that nothing grows stale half way through a page that is still changing.
        Until(
            () =>
                (
                    found =
                        Driver.ExecuteScript(
                            "return [...document.querySelectorAll('button, a')].find((b) => b.checkVisibility({ visibilityProperty: true }) && "
                                + "b.innerText?.trim() === arguments[0]) ?? null",
                            text
                        ) as IWebElement
                )
                    is not null,
            $"a button “{text}”"
        );
        return found!;
    }

    protected void Click(string text) => Button(text).Click();

    /// <summary>The first of some elements whose text begins so, in one question as well.</summary>
    protected IWebElement First(string css, string begins)
    {
        IWebElement? found = null;
        Until(
            () =>
                (
                    found =
                        Driver.ExecuteScript(
                            "return [...document.querySelectorAll(arguments[0])].find((e) => e.innerText.trim().startsWith(arguments[1])) ?? null",
                            css,
                            begins
                        ) as IWebElement
                )
                    is not null,
            $"{css} “{begins}”"
        );
        return found!;
    }

    protected void Keys(params string[] keys)
    {
        foreach (var key in keys)
            new Actions(Driver).SendKeys(key).Perform();
    }

    protected void Chord(string modifier, string key) => new Actions(Driver).KeyDown(modifier).SendKeys(key).KeyUp(modifier).Perform();

    /// <summary>A field of a step, from 1: pace, target or hold.</summary>
    protected IWebElement Field(int step, string field) => Find($"[data-row='{step - 1}'] [id$='-{field}']");

    protected string Value(int step, string field) => Field(step, field).GetDomProperty("value") ?? "";

    protected string Sentences() =>
        string.Join(
            " | ",
            Driver
                .FindElements(By.CssSelector("[data-testid='step']"))
                .Select(
                    (_, i) =>
                        string.Join(
                            ' ',
                            new[] { "pace", "target", "hold" }
                                .Select(f =>
                                    Driver
                                        .FindElements(By.CssSelector($"[data-row='{i}'] [id$='-{f}']"))
                                        .Select(e => e.GetDomProperty("value"))
                                        .FirstOrDefault()
                                )
                                .Where(v => !string.IsNullOrEmpty(v))
                        )
                )
        );

    protected void Type(IWebElement field, string text)
    {
        field.Click();
        Chord(OpenQA.Selenium.Keys.Control, "a");
        Keys(text.Length > 0 ? text : OpenQA.Selenium.Keys.Delete);
    }

    /// <summary>Says when the firing starts: day and time on the studio's clock.</summary>
    protected void StartAt(string day, string time, string field = "start")
    {
        Driver.ExecuteScript("arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event('change', { bubbles: true }))", Find($"#{field}"), day);
        Type(Find($"#{field}-time"), time);
        Keys(OpenQA.Selenium.Keys.Tab);
    }

    protected void UntilSaved() => Until(() => TestId("save-state").GetDomAttribute("data-state") == "saved", "saved");

    protected int IdFromAddress()
    {
        Until(() => int.TryParse(Driver.Url.Split('/')[^1], CultureInfo.InvariantCulture, out _), "an address of its own");
        return int.Parse(Driver.Url.Split('/')[^1], CultureInfo.InvariantCulture);
    }

    /// <summary>The editor with a demo schedule on it, drawn.</summary>
    protected void OpenDemo(string name)
    {
        Go("/schedules");
        Find($"[aria-label='Pick “{name}”']");
        First("a.open", name).Click();
        TestId("chamber");
        UntilSaved();
    }

    /// <summary>Errors the page left in the console since last asked.</summary>
    protected List<string> ConsoleErrors() =>
        [.. Driver.Manage().Logs.GetLog(LogType.Browser).Where(l => l.Level >= OpenQA.Selenium.LogLevel.Severe).Select(l => l.Message)];
}
