using System.Globalization;
using System.Net;
using Microsoft.AspNetCore.Server.Kestrel.Core;
using ZealousEmber.Store.Files;

namespace ZealousEmber.App.Hosting;

/// <summary>Closed by default: this machine only, whatever else is configured.</summary>
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

    public static void Listen(KestrelServerOptions kestrel, int port)
    {
        // Takes the place of the section of the configuration that could name other addresses.
        kestrel.Configure();
        kestrel.Listen(IPAddress.Loopback, port);
        kestrel.AddServerHeader = false;
        kestrel.Limits.MaxRequestHeadersTotalSize = LargestHeaders;
    }
}
