using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.Browser.Tests;

/// <summary>A studio becomes a shared one: two people on two devices, a phone paired by its QR's address, a tablet's wall of names.</summary>
public sealed class PeopleTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("ember-test-").FullName;
    private readonly string[] profiles = [.. Enumerable.Range(0, 2).Select(_ => Directory.CreateTempSubdirectory("ember-browser-").FullName)];

    public void Dispose()
    {
        foreach (var left in profiles.Append(folder))
            Directory.Delete(left, recursive: true);
    }

    /// <summary>The program as it is started in earnest, over TLS with a certificate that was given; and the key of that.</summary>
    private (ProgramRun Run, string Key) Start()
    {
        using var own = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=127.0.0.1", own, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        names.AddIpAddress(System.Net.IPAddress.Loopback);
        request.CertificateExtensions.Add(names.Build());
        using var made = request.CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddDays(2));
        var (certificate, key) = (Path.Combine(folder, "tls.crt"), Path.Combine(folder, "tls.key"));
        File.WriteAllText(certificate, made.ExportCertificatePem());
        File.WriteAllText(key, own.ExportPkcs8PrivateKeyPem());
        var run = ProgramRun.Start(
            folder,
            [$"--contentRoot={Repository.File("src/ZealousEmber.App")}", "--demo=true"],
            ("EMBER_CERTIFICATE", certificate),
            ("EMBER_CERTIFICATE_KEY", key)
        );
        return (run, Convert.ToBase64String(SHA256.HashData(own.ExportSubjectPublicKeyInfo())));
    }

    private const string Password = "seven brown teapots";

    /// <summary>What is done and seen on one device.</summary>
    private sealed class Device(ChromeDriver driver, Uri address)
    {
        public void Go(string path) => driver.Navigate().GoToUrl(new Uri(address, path));

        public void Open(string whole) => driver.Navigate().GoToUrl(whole);

        public IWebElement Find(string css)
        {
            Until(() => driver.FindElements(By.CssSelector(css)).Any(e => e.Displayed), css);
            return driver.FindElements(By.CssSelector(css)).First(e => e.Displayed);
        }

        public IWebElement TestId(string id) => Find($"[data-testid='{id}']");

        public void Press(string text) =>
            Until(
                () =>
                {
                    var found = driver.FindElements(By.CssSelector("button, a")).FirstOrDefault(b => b.Displayed && b.Enabled && b.Text == text);
                    found?.Click();
                    return found is not null;
                },
                $"a button “{text}”"
            );

        public bool Says(string text) => driver.FindElement(By.TagName("body")).Text.Contains(text, StringComparison.Ordinal);

        public void Until(Func<bool> holds, string what)
        {
            var wait = new WebDriverWait(driver, TimeSpan.FromSeconds(30)) { PollingInterval = TimeSpan.FromMilliseconds(50), Message = $"waited for: {what}" };
            wait.IgnoreExceptionTypes(
                typeof(StaleElementReferenceException),
                typeof(NoSuchElementException),
                typeof(ElementClickInterceptedException),
                typeof(ElementNotInteractableException)
            );
            wait.Until(_ => holds());
        }

        public void SignIn(string name, string password)
        {
            TestId("sign-in-name").SendKeys(name);
            TestId("sign-in-password").SendKeys(password);
            TestId("sign-in").Click();
        }
    }

    [Fact]
    public async Task From_alone_to_two_people_a_paired_phone_and_a_wall_of_names()
    {
        var (run, key) = Start();
        using var _ = run;
        var studio = await run.Address();
        studio.Scheme.ShouldBe("https");
        using var first = Browser.Open(profiles[0], key);
        using var other = Browser.Open(profiles[1], key);
        var desk = new Device(first, studio);
        var tablet = new Device(other, studio);
        desk.Go("/stores/people");
        desk.TestId("first-name").SendKeys("Maja");
        desk.TestId("new-password").SendKeys("password1234");
        desk.TestId("first-account").Click();
        desk.Until(() => desk.Says("one of the first things somebody would try"), "a weak password is refused at its field");
        desk.TestId("new-password").Clear();
        desk.TestId("new-password").SendKeys(Password);
        desk.TestId("first-account").Click();
        desk.Until(() => desk.TestId("who").Text.Contains("Maja", StringComparison.Ordinal), "she is in");

        // A firer for Heron: the password is asked once more, and what was typed is sent by itself.
        desk.TestId("add-person").Click();
        desk.TestId("person-name").SendKeys("Kofi");
        desk.Find("input[value='firer']").Click();
        desk.Find("dialog input[type='checkbox'][value='1']").Click();
        desk.Find("dialog [data-testid='new-password']").SendKeys(Password);
        desk.TestId("save-person").Click();
        desk.TestId("password-again").SendKeys(Password + Keys.Enter);
        desk.Until(() => desk.Says("fires Heron"), "he is there, with his kiln");

        // The QR's address, opened on another device: it shows, and nobody is signed in.
        desk.TestId("pair").Click();
        desk.TestId("device-name").SendKeys("tablet by the kilns");
        desk.TestId("make-qr").Click();
        var address = desk.TestId("pair-address").Text;
        address.ShouldStartWith("https://");
        tablet.Go("/");
        tablet.TestId("sign-in-name");
        tablet.Open(address);
        tablet.Until(() => tablet.Says("Kiln room") && other.Url == studio.AbsoluteUri, "the kiln room");
        tablet.TestId("who").Text.ShouldContain("Sign in");

        // A wall of names: Kofi has no PIN yet, so he types his password.
        tablet.Go("/stores/people");
        tablet.Press("Sign in");
        tablet.TestId("name-wall");
        tablet.Press("Kofi");
        tablet.Press("Use the password");
        tablet.TestId("sign-in-password").SendKeys(Password);
        tablet.TestId("sign-in").Click();
        tablet.Until(() => tablet.TestId("who").Text.Contains("Kofi", StringComparison.Ordinal), "he is in");
        tablet.Press("PIN for the studio’s devices");
        tablet.Find("dialog input").SendKeys("739154" + Keys.Enter);
        tablet.Until(() => tablet.Says("Your PIN is set"), "kept");
        tablet.TestId("sign-out").Click();
        tablet.Press("Sign in");
        tablet.Press("Kofi");
        foreach (var digit in "739154")
            tablet.Press(digit.ToString());
        tablet.Until(() => tablet.TestId("who").Text.Contains("Kofi", StringComparison.Ordinal), "six digits are enough here");

        // What he may not is said where the link is shared: kilns are an owner's, Bittern is not his.
        tablet.Go("/stores/kilns/1");
        tablet.TestId("may-not").Text.ShouldContain("owners");
        tablet.Go("/firings/32?stage=fire");
        tablet.Until(() => tablet.Says("Only who is certified for Bittern"), "why not");
        tablet.TestId("start").Enabled.ShouldBeFalse();
        tablet.Go("/firings/1?stage=fire");
        tablet.Until(() => tablet.TestId("start").Enabled, "Heron is his");

        // One tap takes the tablet away: at once it is nobody's.
        desk.Go("/stores/people");
        desk.Press("Take away");
        desk.Until(() => desk.Says("is none of the studio’s any more"), "taken away");
        tablet.Go("/");
        tablet.TestId("sign-in-name");
    }
}
