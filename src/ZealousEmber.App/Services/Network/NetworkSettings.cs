using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using System.Text.Json;
using ZealousEmber.Store.Files;

namespace ZealousEmber.App.Services.Network;

/// <summary>What was chosen on the page or by <c>ember network on</c>, as kept in the data folder.</summary>
/// <param name="Address">Where it listens besides its own machine; nothing for nowhere.</param>
public sealed record ChosenNetwork(string? Address);

/// <summary>Where the program listens, and who may speak for whom.</summary>
/// <param name="Address">Its own machine, an address of it, or every one.</param>
/// <param name="Port">0 for any that is free.</param>
/// <param name="CertificateFile">PEM or PFX that was given; nothing for the studio's own.</param>
/// <param name="KeyFile">The key of a PEM.</param>
/// <param name="Proxies">The reverse proxies whose word on addresses counts.</param>
/// <param name="Hosts">Names it answers to besides its addresses.</param>
internal sealed record NetworkSettings(
    IPAddress Address,
    int Port,
    string? CertificateFile,
    string? KeyFile,
    IReadOnlyList<IPAddress> Proxies,
    IReadOnlyList<string> Hosts
)
{
    private const string File = "network.json";
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    /// <summary>Whether anybody but this machine reaches it.</summary>
    public bool IsOpen => !IPAddress.IsLoopback(Address);

    private bool SpeaksPlainlyToProxies => Proxies.Count > 0;

    /// <summary>Whether it speaks TLS itself: with a certificate that was given always, with its own where it is open and no proxy does.</summary>
    public bool SpeaksTls => CertificateFile is not null || (IsOpen && Proxies.Count == 0);

    /// <summary>Whether pages come over TLS, by itself or by a proxy.</summary>
    public bool PagesOverTls => SpeaksTls || Proxies.Count > 0;

    /// <summary>Read from what the environment says, else from what was chosen. Throws <see cref="StudioFolderException"/> for what cannot be used.</summary>
    public static NetworkSettings Read(IConfiguration configuration, int port, string folder)
    {
        var said = configuration["EMBER_ADDRESS"] is { Length: > 0 } text ? text : Chosen(folder).Address;
        var address =
            said is null or "localhost" ? IPAddress.Loopback
            : IPAddress.TryParse(said, out var parsed) ? parsed
            : throw new StudioFolderException($"EMBER_ADDRESS is an address like 192.168.1.20, or 0.0.0.0 for every one; it is set to “{said}”.");
        var certificate = Existing(configuration, "EMBER_CERTIFICATE");
        var key = Existing(configuration, "EMBER_CERTIFICATE_KEY");
        var proxies = Words(configuration["EMBER_PROXIES"])
            .Select(p => IPAddress.TryParse(p, out var proxy) ? proxy : throw new StudioFolderException($"EMBER_PROXIES are addresses; “{p}” is none."));
        var read = new NetworkSettings(address, port, certificate, key, [.. proxies], [.. Words(configuration["EMBER_HOSTS"])]);
        if (read.IsOpen && !read.SpeaksPlainlyToProxies && certificate is null && Chosen(folder).Address is null && !StudioCertificates.HasOwn(folder))
            throw new StudioFolderException(
                $"It is not opened to the network at {address} without TLS. Name a certificate with EMBER_CERTIFICATE, a reverse proxy with EMBER_PROXIES, or "
                    + "have the studio make its own: ember network on."
            );
        return read;
    }

    /// <summary>What was chosen; nothing where nothing was.</summary>
    public static ChosenNetwork Chosen(string folder)
    {
        var file = Path.Combine(folder, File);
        try
        {
            return System.IO.File.Exists(file)
                ? JsonSerializer.Deserialize<ChosenNetwork>(System.IO.File.ReadAllText(file), Json) ?? new ChosenNetwork(null)
                : new ChosenNetwork(null);
        }
        catch (JsonException)
        {
            throw new StudioFolderException($"{file} cannot be read. Take it away; the network is then chosen anew.");
        }
    }

    /// <summary>Keeps what was chosen, for the next start.</summary>
    public static void Choose(string folder, ChosenNetwork chosen)
    {
        Directory.CreateDirectory(folder);
        PrivateFile.Write(Path.Combine(folder, File), JsonSerializer.Serialize(chosen, Json));
    }

    /// <summary>The addresses this machine has in its networks, those of private ranges first.</summary>
    public static IReadOnlyList<IPAddress> OwnAddresses() =>
        [
            .. NetworkInterface
                .GetAllNetworkInterfaces()
                .Where(i => i.OperationalStatus == OperationalStatus.Up && i.NetworkInterfaceType != NetworkInterfaceType.Loopback)
                .SelectMany(i => i.GetIPProperties().UnicastAddresses)
                .Select(a => a.Address)
                .Where(a => a.AddressFamily == AddressFamily.InterNetwork)
                .Distinct()
                .OrderByDescending(IsPrivate),
        ];

    /// <summary>Every name and address it answers to, and its certificate is for.</summary>
    public IReadOnlyList<string> AllNames()
    {
        var names = new List<string> { "localhost", "127.0.0.1" };
        if (IsOpen)
        {
            var machine = Dns.GetHostName().ToLowerInvariant();
            names.AddRange(IsEvery ? OwnAddresses().Select(a => a.ToString()) : [Address.ToString()]);
            names.Add(machine);
            if (!machine.Contains('.'))
                names.Add($"{machine}.local");
        }
        names.AddRange(Hosts);
        return [.. names.Distinct(StringComparer.OrdinalIgnoreCase)];
    }

    /// <summary>What a phone types or a QR says; nothing where none reaches it.</summary>
    public string? Public(int port) =>
        !IsOpen ? null
        : Hosts.Count > 0 && Proxies.Count > 0 ? $"https://{Hosts[0]}"
        : $"https://{(Hosts.Count > 0 ? Hosts[0] : IsEvery ? OwnAddresses().FirstOrDefault()?.ToString() ?? "localhost" : Address.ToString())}:{port}";

    /// <summary>Every address of this machine.</summary>
    public bool IsEvery => Address.Equals(IPAddress.Any) || Address.Equals(IPAddress.IPv6Any);

    private static bool IsPrivate(IPAddress address) => address.GetAddressBytes() is [10, ..] or [192, 168, ..] or [172, >= 16 and < 32, ..];

    private static string? Existing(IConfiguration configuration, string name) =>
        configuration[name] switch
        {
            null or "" => null,
            var file when System.IO.File.Exists(file) => Path.GetFullPath(file),
            var file => throw new StudioFolderException($"{name} names {file}, and there is no such file."),
        };

    private static IEnumerable<string> Words(string? text) =>
        (text ?? "").Split([',', ' ', ';'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
}
