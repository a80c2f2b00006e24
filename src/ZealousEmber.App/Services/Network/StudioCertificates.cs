using System.Formats.Asn1;
using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using ZealousEmber.Store.Files;

namespace ZealousEmber.App.Services.Network;

/// <summary>
/// The certificate pages are sent with: one that was given, or the studio's own, signed by an authority made on this machine that phones are told to trust. The
/// authority may sign for names and addresses of a home network alone, so that a phone that trusts it is no less safe elsewhere.
/// </summary>
internal sealed class StudioCertificates : IDisposable
{
    private const int KeptDays = 390;
    private const int RenewedDays = 30;
    private const int AuthorityYears = 10;
    private const string Folder = "network";
    private const string ServerUse = "1.3.6.1.5.5.7.3.1";

    private readonly NetworkSettings settings;
    private readonly string folder;
    private readonly TimeProvider time;
    private readonly Lock renewing = new();
    private X509Certificate2 server;
    private DateTimeOffset looked;

    private StudioCertificates(NetworkSettings settings, string folder, TimeProvider time)
    {
        (this.settings, this.folder, this.time) = (settings, folder, time);
        server = settings.CertificateFile is null ? Own() : Given();
        looked = time.GetUtcNow();
    }

    /// <summary>Ready to be sent; throws <see cref="StudioFolderException"/> where what was given cannot be used.</summary>
    public static StudioCertificates Open(NetworkSettings settings, string dataFolder, TimeProvider time)
    {
        try
        {
            return new StudioCertificates(settings, Path.Combine(dataFolder, Folder), time);
        }
        catch (Exception error) when (error is CryptographicException or IOException or UnauthorizedAccessException)
        {
            throw new StudioFolderException($"The certificate cannot be used: {error.Message}");
        }
    }

    /// <summary>Whether a studio has made an authority of its own.</summary>
    public static bool HasOwn(string dataFolder) => File.Exists(Path.Combine(dataFolder, Folder, "authority.crt"));

    /// <summary>Whether it is the studio's own.</summary>
    public bool IsOwn => settings.CertificateFile is null;

    /// <summary>The public part of the authority, which phones are to trust; nothing where a certificate was given.</summary>
    public byte[]? Authority => IsOwn && File.Exists(AuthorityFile) ? X509CertificateLoader.LoadCertificateFromFile(AuthorityFile).RawData : null;

    /// <summary>What it is sent with now: read anew, or made anew a month before it ends, while the program runs.</summary>
    public X509Certificate2 Current
    {
        get
        {
            var now = time.GetUtcNow();
            lock (renewing)
            {
                if (now - looked > TimeSpan.FromHours(12))
                {
                    looked = now;
                    if (!IsOwn)
                        server = Given();
                    else if (IsEnding(server))
                        server = Own();
                }
                return server;
            }
        }
    }

    /// <summary>A certificate by which it is told from any other: SHA-256, in pairs.</summary>
    public static string Fingerprint(byte[] certificate) =>
        string.Join(':', SHA256.HashData(certificate).Select(b => b.ToString("X2", System.Globalization.CultureInfo.InvariantCulture)));

    private string AuthorityFile => Path.Combine(folder, "authority.crt");

    private string AuthorityKey => Path.Combine(folder, "authority.key");

    private string ServerFile => Path.Combine(folder, "studio.crt");

    private string ServerKey => Path.Combine(folder, "studio.key");

    private bool IsEnding(X509Certificate2 certificate) => certificate.NotAfter.ToUniversalTime() < time.GetUtcNow().UtcDateTime.AddDays(RenewedDays);

    private X509Certificate2 Given()
    {
        var file = settings.CertificateFile!;
        if (settings.KeyFile is { } key)
            return Usable(X509Certificate2.CreateFromPemFile(file, key));
        return X509Certificate2.GetCertContentType(file) == X509ContentType.Pkcs12
            ? X509CertificateLoader.LoadPkcs12FromFile(file, null)
            : Usable(X509Certificate2.CreateFromPemFile(file));
    }

    private X509Certificate2 Own()
    {
        Directory.CreateDirectory(folder);
        if (!OperatingSystem.IsWindows())
            File.SetUnixFileMode(folder, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        var names = settings.AllNames();
        if (File.Exists(ServerFile) && File.Exists(ServerKey) && File.Exists(AuthorityFile))
        {
            var kept = X509Certificate2.CreateFromPemFile(ServerFile, ServerKey);
            if (!IsEnding(kept) && names.All(n => kept.MatchesHostname(n, allowWildcards: false, allowCommonName: false)))
                return Usable(kept);
        }
        using var authority = OwnAuthority(names);
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=Zealous Ember of this studio", key, HashAlgorithmName.SHA256);
        var alternatives = new SubjectAlternativeNameBuilder();
        foreach (var name in names)
        {
            if (IPAddress.TryParse(name, out var address))
                alternatives.AddIpAddress(address);
            else
                alternatives.AddDnsName(name);
        }
        request.CertificateExtensions.Add(alternatives.Build());
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new Oid(ServerUse)], false));
        request.CertificateExtensions.Add(X509AuthorityKeyIdentifierExtension.CreateFromCertificate(authority, true, false));
        var now = time.GetUtcNow();
        using var signed = request.Create(authority, now.AddDays(-1), now.AddDays(KeptDays), RandomNumberGenerator.GetBytes(16));
        PrivateFile.Write(ServerKey, key.ExportPkcs8PrivateKeyPem());
        PrivateFile.Write(ServerFile, signed.ExportCertificatePem());
        return Usable(signed.CopyWithPrivateKey(key));
    }

    /// <summary>The authority there is; another where it ends soon or may not sign for one of the names: phones then have to be told anew.</summary>
    private X509Certificate2 OwnAuthority(IReadOnlyList<string> names)
    {
        if (File.Exists(AuthorityFile) && File.Exists(AuthorityKey))
        {
            var kept = X509Certificate2.CreateFromPemFile(AuthorityFile, AuthorityKey);
            if (kept.NotAfter.ToUniversalTime() > time.GetUtcNow().UtcDateTime.AddDays(KeptDays) && names.All(n => IsHomely(n) || SignsFor(kept, n)))
                return kept;
        }
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var now = time.GetUtcNow();
        var request = new CertificateRequest($"CN=Zealous Ember authority of {now:yyyy-MM-dd}", key, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign | X509KeyUsageFlags.CrlSign, true));
        request.CertificateExtensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
        request.CertificateExtensions.Add(OnlyFor(names));
        var made = request.CreateSelfSigned(now.AddDays(-1), now.AddYears(AuthorityYears));
        PrivateFile.Write(AuthorityKey, key.ExportPkcs8PrivateKeyPem());
        PrivateFile.Write(AuthorityFile, made.ExportCertificatePem());
        return made;
    }

    private static readonly string[] HomelyNames = ["localhost", "local", "lan", "home.arpa"];

    private static readonly (byte[] Address, byte[] Mask)[] HomelyNetworks =
    [
        ([10, 0, 0, 0], [255, 0, 0, 0]),
        ([172, 16, 0, 0], [255, 240, 0, 0]),
        ([192, 168, 0, 0], [255, 255, 0, 0]),
        ([169, 254, 0, 0], [255, 255, 0, 0]),
        ([127, 0, 0, 0], [255, 0, 0, 0]),
    ];

    private static bool IsHomely(string name) =>
        IPAddress.TryParse(name, out var address)
            ? HomelyNetworks.Any(n =>
                Enumerable.Range(0, 4).All(i => address.GetAddressBytes() is { Length: 4 } bytes && (bytes[i] & n.Mask[i]) == n.Address[i])
            )
            : HomelyNames.Any(h => name == h || name.EndsWith($".{h}", StringComparison.OrdinalIgnoreCase));

    private const string NameConstraints = "2.5.29.30";

    private static bool SignsFor(X509Certificate2 authority, string name)
    {
        var wanted = System.Text.Encoding.ASCII.GetBytes(name);
        var raw = authority.Extensions.FirstOrDefault(e => e.Oid?.Value == NameConstraints)?.RawData ?? [];
        return IPAddress.TryParse(name, out var address) ? raw.AsSpan().IndexOf(address.GetAddressBytes()) >= 0 : raw.AsSpan().IndexOf(wanted) >= 0;
    }

    /// <summary>RFC 5280, 4.2.1.10: permitted subtrees and nothing else.</summary>
    private static X509Extension OnlyFor(IReadOnlyList<string> names)
    {
        var write = new AsnWriter(AsnEncodingRules.DER);
        using (write.PushSequence())
        using (write.PushSequence(new Asn1Tag(TagClass.ContextSpecific, 0)))
        {
            void Subtree(int tag, byte[] value)
            {
                using (write.PushSequence())
                    write.WriteOctetString(value, new Asn1Tag(TagClass.ContextSpecific, tag));
            }
            foreach (var name in HomelyNames.Concat(names.Where(n => !IPAddress.TryParse(n, out _) && !IsHomely(n))))
                Subtree(2, System.Text.Encoding.ASCII.GetBytes(name));
            foreach (var (address, mask) in HomelyNetworks)
                Subtree(7, [.. address, .. mask]);
            foreach (var other in names.Where(n => !IsHomely(n)).Select(n => IPAddress.TryParse(n, out var a) ? a : null).OfType<IPAddress>())
                Subtree(7, [.. other.GetAddressBytes(), .. Enumerable.Repeat((byte)255, other.GetAddressBytes().Length)]);
        }
        return new X509Extension(NameConstraints, write.Encode(), critical: true);
    }

    // Kept with its key for as long as the program runs; a key of its own is not written anywhere by that.
    private static X509Certificate2 Usable(X509Certificate2 certificate)
    {
        using (certificate)
            return X509CertificateLoader.LoadPkcs12(certificate.Export(X509ContentType.Pkcs12), null, X509KeyStorageFlags.DefaultKeySet);
    }

    public void Dispose() => server.Dispose();
}
