using System.Globalization;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using ZealousEmber.App.Contracts;

namespace ZealousEmber.Bench;

/// <summary>From a key pressed in the editor to the curve drawn anew, in a real browser; the pages must be built (`npm run build` in web/).</summary>
internal static class KeystrokeLatency
{
    private const int Counted = 300;

    // Types into the target of the fourth step, and waits for the frame in which the curve has another shape.
    private const string Type = """
        const done = arguments[arguments.length - 1];
        const chart = document.querySelector('svg[data-chart]');
        const field = document.querySelector("[data-row='3'] [id$='-target']");
        const times = [];
        field.focus();
        const shape = () => [...chart.querySelectorAll('path')].map((p) => p.getAttribute('d')).join();
        async function once(i) {
          const before = shape();
          const start = performance.now();
          field.value = String(1205 + (i % 9));
          field.dispatchEvent(new InputEvent('input', { bubbles: true }));
          while (shape() === before) {
            if (performance.now() - start > 2000) throw new Error('the curve stayed as it was');
            await new Promise((next) => requestAnimationFrame(next));
          }
          times.push(performance.now() - start);
          // A quick typist.
          await new Promise((next) => setTimeout(next, 60));
        }
        (async () => { for (let i = 1; i <= arguments[0]; i++) await once(i); done(times); })().catch((e) => done(String(e)));
        """;

    private sealed class Studio(string folder) : WebApplicationFactory<PreviewRequest>
    {
        protected override void ConfigureWebHost(IWebHostBuilder builder) =>
            builder
                .UseContentRoot(Path.GetFullPath("src/ZealousEmber.App"))
                .UseEnvironment("Production")
                .UseSetting("EMBER_DATA", folder)
                .UseSetting("PORT", "0")
                .UseSetting("demo", "true");
    }

    public static async Task Run()
    {
        var folder = Directory.CreateTempSubdirectory("ember-keys-");
        await using (var studio = new Studio(Path.Combine(folder.FullName, "data")))
        {
            studio.UseKestrel(0);
            studio.StartServer();
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
                "--window-size=1280,800",
                $"--user-data-dir={Path.Combine(folder.FullName, "profile")}"
            );
            using var driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options, TimeSpan.FromSeconds(120));
            driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromSeconds(110);
            driver.Manage().Timeouts().ImplicitWait = TimeSpan.FromSeconds(10);
            foreach (var (name, query) in new[] { ("without a kiln", "null"), ("with a kiln", "{\"kilnId\":1,\"fill\":1}") })
            {
                driver.Navigate().GoToUrl(new Uri(studio.ClientOptions.BaseAddress, "/schedules"));
                driver.ExecuteScript("localStorage.setItem('ember.kiln.11', arguments[0])", query);
                driver.Navigate().GoToUrl(new Uri(studio.ClientOptions.BaseAddress, "/schedules/11"));
                driver.FindElement(By.CssSelector("[data-testid='handle']"));
                driver.ExecuteAsyncScript(Type, 30);
                if (driver.ExecuteAsyncScript(Type, Counted) is not IReadOnlyCollection<object> answer)
                    throw new InvalidOperationException("the curve stayed as it was");
                var times = answer.Select(t => Convert.ToDouble(t, CultureInfo.InvariantCulture)).Order().ToArray();
                Console.WriteLine(
                    FormattableString.Invariant(
                        $"keystroke to redrawn curve, {name, -15} p50 {times[times.Length / 2]:0} ms   p95 {times[times.Length * 95 / 100]:0} ms   max {times[^1]:0} ms"
                    )
                );
            }
            driver.Quit();
        }
        folder.Delete(recursive: true);
    }
}
