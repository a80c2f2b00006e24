using System.Net;

namespace ZealousEmber.App.Http;

/// <summary>What the program is called by whoever may ask it, and who may speak for others.</summary>
/// <param name="Names">Names and addresses of its own.</param>
/// <param name="Proxies">Where there are any, nobody else speaks to it but its own machine.</param>
/// <param name="IsTls">Pages come over TLS.</param>
internal sealed record AllowedHosts(IReadOnlyList<string> Names, IReadOnlyList<IPAddress> Proxies, bool IsTls)
{
    /// <summary>Its own machine alone.</summary>
    public static readonly AllowedHosts Alone = new(["localhost", "127.0.0.1"], [], IsTls: false);

    public bool Knows(HostString host) =>
        host.Host.ToLowerInvariant() is "localhost" or "127.0.0.1" or "[::1]" || Names.Contains(host.Host, StringComparer.OrdinalIgnoreCase);

    public bool Hears(IPAddress? from) =>
        Proxies.Count == 0 || from is null || IPAddress.IsLoopback(from) || Proxies.Contains(from.IsIPv4MappedToIPv6 ? from.MapToIPv4() : from);
}
