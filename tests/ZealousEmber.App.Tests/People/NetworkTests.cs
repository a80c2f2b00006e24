using System.Net;
using System.Net.Security;
using System.Security.Authentication;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.People;

/// <summary>The door to the network: shut until there is an owner and TLS, and then with a certificate phones can be told to trust.</summary>
public sealed class NetworkTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("ember-test-").FullName;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private ProgramRun Start(string[]? arguments, params (string, string)[] environment) => ProgramRun.Start(folder, arguments, environment);

    /// <summary>A studio with its first owner.</summary>
    private async Task MakeOwner()
    {
        using var run = Start(null);
        using var visitor = new Visitor(await run.Address());
        await (
            await visitor.Post(
                "/api/people",
                new
                {
                    name = "Maja",
                    role = "owner",
                    password = Visitor.OwnersPassword,
                }
            )
        ).Read(201);
    }

    [Fact]
    public async Task It_is_not_opened_without_an_owner_nor_without_tls()
    {
        foreach (var environment in new[] { [("EMBER_ADDRESS", "0.0.0.0")], new[] { ("EMBER_ADDRESS", "0.0.0.0"), ("EMBER_PROXIES", "127.0.0.1") } })
        {
            using var refused = Start(null, environment);
            (await refused.Ends()).ShouldNotBe(0, refused.Said);
            refused.Words.ShouldHaveSingleItem().ShouldContain("not opened to the network");
        }
        await MakeOwner();
        using var plain = Start(null, ("EMBER_ADDRESS", "0.0.0.0"));
        (await plain.Ends()).ShouldNotBe(0);
        plain.Words.ShouldHaveSingleItem().ShouldContain("without TLS");
        using var wrong = Start(null, ("EMBER_ADDRESS", "next door"));
        (await wrong.Ends()).ShouldNotBe(0);
        using var missing = Start(null, ("EMBER_ADDRESS", "0.0.0.0"), ("EMBER_CERTIFICATE", "/nowhere.pem"));
        (await missing.Ends()).ShouldNotBe(0);
        var rubbish = Path.Combine(folder, "rubbish.pem");
        await File.WriteAllTextAsync(rubbish, "no certificate");
        using var unreadable = Start(null, ("EMBER_ADDRESS", "0.0.0.0"), ("EMBER_CERTIFICATE", rubbish), ("EMBER_CERTIFICATE_KEY", rubbish));
        (await unreadable.Ends()).ShouldNotBe(0);
        unreadable.Words.ShouldHaveSingleItem().ShouldContain("certificate cannot be used");
    }

    [Fact]
    public async Task Opened_by_the_command_it_speaks_tls_that_trusts_its_own_authority_alone()
    {
        using (var early = Start(["--network=on", "--address=0.0.0.0"]))
        {
            (await early.Ends()).ShouldNotBe(0);
            early.Said.ShouldContain("no owner");
        }
        await MakeOwner();
        using (var open = Start(["--network=on", "--address=0.0.0.0"]))
        {
            (await open.Ends()).ShouldBe(0, open.Said);
            open.Said.ShouldContain("/trust");
        }
        using var run = Start(null);
        var port = (await run.Address()).Port;
        var address = new Uri($"https://127.0.0.1:{port}");

        using var stranger = new HttpClient { BaseAddress = address };
        (await Should.ThrowAsync<HttpRequestException>(() => stranger.GetAsync("/api/health"))).InnerException.ShouldBeOfType<AuthenticationException>();

        using var authority = X509CertificateLoader.LoadCertificateFromFile(Path.Combine(folder, "network", "authority.crt"));
        using var phone = Trusting(address, authority);
        (await phone.GetAsync("/api/health")).StatusCode.ShouldBe(HttpStatusCode.OK);
        var offered = await phone.GetByteArrayAsync("/api/network/authority");
        offered.ShouldBe(authority.RawData);
        var trust = JsonNode.Parse(await phone.GetStringAsync("/api/network/trust"))!;
        trust["fingerprint"]!.GetValue<string>().Replace(":", "", StringComparison.Ordinal).ShouldBe(Convert.ToHexString(SHA256.HashData(authority.RawData)));
        trust["qrSvg"]!.GetValue<string>().ShouldStartWith("<svg");

        var signedIn = await phone.PostAsync(
            "/api/sessions",
            System.Net.Http.Json.JsonContent.Create(new { name = "Maja", password = Visitor.OwnersPassword })
        );
        var cookie = signedIn.Headers.GetValues("Set-Cookie").Single();
        cookie.ShouldStartWith("__Host-ember=");
        cookie.ShouldContain("secure");
        cookie.ShouldNotContain("domain", Case.Insensitive);
        signedIn.Headers.GetValues("Strict-Transport-Security").Single().ShouldContain("max-age=");

        // Strangers' names and words count for nothing. Under another name the certificate would not fit either: that is not what is asked here.
        using var careless = new HttpClient(
            new SocketsHttpHandler { SslOptions = new SslClientAuthenticationOptions { RemoteCertificateValidationCallback = (_, _, _, _) => true } }
        )
        {
            BaseAddress = address,
        };
        (await Send(careless, r => r.Headers.Host = "studio.example")).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await Send(phone, r => r.Headers.Add("Origin", "https://studio.example"), HttpMethod.Post)).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        (await Send(phone, r => r.Headers.Add("X-Forwarded-Host", "studio.example"))).StatusCode.ShouldBe(HttpStatusCode.OK);
        // The authority signs for homes alone.
        authority.Extensions.Single(e => e.Oid!.Value == "2.5.29.30").Critical.ShouldBeTrue();
        foreach (var file in Directory.EnumerateFiles(Path.Combine(folder, "network")))
            if (!OperatingSystem.IsWindows())
                File.GetUnixFileMode(file).ShouldBe(UnixFileMode.UserRead | UnixFileMode.UserWrite, file);
    }

    [Fact]
    public async Task The_same_authority_stays_and_what_it_may_not_sign_for_is_refused()
    {
        await MakeOwner();
        byte[] Authority() => File.ReadAllBytes(Path.Combine(folder, "network", "authority.crt"));
        foreach (var (address, hosts) in new[] { ("0.0.0.0", ""), ("192.168.7.7", "shed.local"), ("10.1.2.3", "") })
        {
            using var open = Start(["--network=on", $"--address={address}"], ("EMBER_HOSTS", hosts));
            (await open.Ends()).ShouldBe(0, open.Said);
        }
        var first = Authority();
        using (var again = Start(["--network=on", "--address=192.168.7.7"]))
            (await again.Ends()).ShouldBe(0);
        Authority().ShouldBe(first, "phones are told once");
        using var authority = X509CertificateLoader.LoadCertificate(X509Certificate2.CreateFromPem(System.Text.Encoding.ASCII.GetString(first)).RawData);
        using var key = ECDsa.Create();
        key.ImportFromPem(await File.ReadAllTextAsync(Path.Combine(folder, "network", "authority.key")));
        // Somebody who has stolen its key makes a certificate for a bank: a phone that trusts the authority does not take it.
        Chains(authority, key, "bank.example").ShouldBeFalse();
        Chains(authority, key, "shed.local").ShouldBeTrue();
    }

    private static bool Chains(X509Certificate2 authority, ECDsa key, string name)
    {
        using var own = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN={name}", own, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        names.AddDnsName(name);
        request.CertificateExtensions.Add(names.Build());
        using var signer = authority.CopyWithPrivateKey(key);
        using var made = request.Create(signer, DateTimeOffset.UtcNow.AddHours(-1), DateTimeOffset.UtcNow.AddDays(1), [1, 2, 3]);
        using var chain = new X509Chain();
        chain.ChainPolicy.TrustMode = X509ChainTrustMode.CustomRootTrust;
        chain.ChainPolicy.CustomTrustStore.Add(authority);
        chain.ChainPolicy.RevocationMode = X509RevocationMode.NoCheck;
        return chain.Build(made);
    }

    [Fact]
    public async Task Behind_a_named_proxy_its_word_counts_and_nobody_elses()
    {
        await MakeOwner();
        using var run = Start(null, ("EMBER_ADDRESS", "0.0.0.0"), ("EMBER_PROXIES", "127.0.0.1"), ("EMBER_HOSTS", "kilns.example"));
        var port = (await run.Address()).Port;
        using var proxy = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        var signedIn = await Send(
            proxy,
            r =>
            {
                r.RequestUri = new Uri("/api/sessions", UriKind.Relative);
                r.Headers.Host = "kilns.example";
                r.Headers.Add("Origin", "https://kilns.example");
                r.Headers.Add("X-Forwarded-For", "203.0.113.9");
                r.Headers.Add("X-Forwarded-Proto", "https");
                r.Content = System.Net.Http.Json.JsonContent.Create(new { name = "Maja", password = Visitor.OwnersPassword });
            },
            HttpMethod.Post
        );
        signedIn.StatusCode.ShouldBe(HttpStatusCode.Created);
        signedIn.Headers.GetValues("Set-Cookie").Single().ShouldStartWith("__Host-ember=");
    }

    [Fact]
    public async Task A_forgotten_password_is_set_at_the_machine_itself()
    {
        await MakeOwner();
        using (var argument = Start(["--reset=Maja"]))
        {
            argument.Type("password1234\n");
            (await argument.Ends()).ShouldNotBe(0);
        }
        using (var unlike = Start(["--reset=Maja"]))
        {
            unlike.Type("rain on the tin roof\nrain on the roof, then\n");
            (await unlike.Ends()).ShouldNotBe(0);
        }
        using (var nobody = Start(["--reset=Zoe"]))
        {
            nobody.Type("rain on the tin roof\nrain on the tin roof\n");
            (await nobody.Ends()).ShouldNotBe(0);
            nobody.Said.ShouldContain("Nobody is called Zoe");
        }
        using (var reset = Start(["--reset=maja"]))
        {
            reset.Type("rain on the tin roof\nrain on the tin roof\n");
            (await reset.Ends()).ShouldBe(0, reset.Said);
            reset.Said.ShouldNotContain("tin roof");
        }
        using var run = Start(null);
        using var visitor = new Visitor(await run.Address());
        (await visitor.SignIn("Maja", Visitor.OwnersPassword)).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        await (await visitor.SignIn("Maja", "rain on the tin roof")).Read(201);
        (await visitor.Get("/api/audit?words=password"))["total"]!.GetValue<int>().ShouldBe(1);
        (await visitor.Get("/api/audit/check"))["unbroken"]!.GetValue<bool>().ShouldBeTrue();
    }

    private static Task<HttpResponseMessage> Send(HttpClient http, Action<HttpRequestMessage> with, HttpMethod? method = null)
    {
        var request = new HttpRequestMessage(method ?? HttpMethod.Get, "/api/health");
        with(request);
        return http.SendAsync(request);
    }

    private static HttpClient Trusting(Uri address, X509Certificate2 authority)
    {
        var handler = new SocketsHttpHandler
        {
            SslOptions = new SslClientAuthenticationOptions
            {
                CertificateChainPolicy = new X509ChainPolicy
                {
                    TrustMode = X509ChainTrustMode.CustomRootTrust,
                    CustomTrustStore = { authority },
                    RevocationMode = X509RevocationMode.NoCheck,
                },
            },
        };
        return new HttpClient(handler) { BaseAddress = address };
    }
}
