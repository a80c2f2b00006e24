using System.Globalization;
using System.Net;
using Microsoft.AspNetCore.Server.Kestrel.Core;
using ZealousEmber.App.Services.Network;
using ZealousEmber.Store.Files;

namespace ZealousEmber.App.Hosting;

/// <summary>Closed by default: this machine only, unless another address was chosen, with a certificate.</summary>
internal static class ListenAddress
{
    private const int UsualPort = 5080;

    // Beyond this the server itself cuts a request short, without a word; below it the program can say what is wrong.
    private const int LargestHeaders = 256 * 1024;

    /// <summary>The port named by PORT. Throws <see cref="StudioFolderException"/> for one that is no port.</summary>
    public static int PortOf(IConfiguration configuration) =>
        configuration["PORT"] switch
        {
            null or "" => UsualPort,
            var text when int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var port) && port <= IPEndPoint.MaxPort => port,
            var text => throw new StudioFolderException($"PORT is a number from 0 to {IPEndPoint.MaxPort}; it is set to “{text}”."),
        };

    public static void Listen(KestrelServerOptions kestrel, NetworkSettings network, StudioCertificates? certificates)
    {
        // Takes the place of the section of the configuration that could name other addresses.
        kestrel.Configure();
        void On(IPAddress address) => kestrel.Listen(address, network.Port, listen =>
            {
                if (certificates is not null)
                    listen.UseHttps(https => https.ServerCertificateSelector = (_, _) => certificates.Current);
            });
        On(network.Address);
        // Whoever sits at this machine finds it there whatever address the network knows.
        if (network.IsOpen && !network.IsEvery && network.Port != 0)
            On(IPAddress.Loopback);
        kestrel.AddServerHeader = false;
        kestrel.Limits.MaxRequestHeadersTotalSize = LargestHeaders;
    }
}
