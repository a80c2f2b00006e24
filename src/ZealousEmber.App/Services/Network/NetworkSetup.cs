using System.Net;
using Microsoft.AspNetCore.HttpOverrides;
using ZealousEmber.App.Http;

namespace ZealousEmber.App.Services.Network;

internal static class NetworkSetup
{
    public static void AddNetwork(this IServiceCollection services, NetworkSettings network, StudioCertificates? certificates)
    {
        services.AddSingleton(network);
        services.AddSingleton(new AllowedHosts(network.AllNames(), network.Proxies, network.PagesOverTls));
        if (certificates is not null)
            services.AddSingleton(certificates);
    }

    /// <summary>What the named proxies say of where a request comes from counts; what anybody else says of it does not.</summary>
    public static void UseProxies(this WebApplication app, NetworkSettings network)
    {
        if (network.Proxies.Count == 0)
            return;
        var hosts = app.Services.GetRequiredService<AllowedHosts>();
        // Past the proxy there is no TLS: whoever goes round it is not heard.
        app.Use((context, next) => hosts.Hears(context.Connection.RemoteIpAddress) ? next(context) : Refuse(context));
        var options = new ForwardedHeadersOptions { ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto, ForwardLimit = 1 };
        options.KnownProxies.Clear();
        options.KnownIPNetworks.Clear();
        foreach (var proxy in network.Proxies)
            options.KnownProxies.Add(proxy);
        app.UseForwardedHeaders(options);
    }

    private static Task Refuse(HttpContext context)
    {
        context.Response.StatusCode = (int)HttpStatusCode.Forbidden;
        return context.Response.WriteAsync("Come by the studio's proxy.");
    }
}
