using System.Net;
using ZealousEmber.App.Services.Network;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Members;

namespace ZealousEmber.App.Hosting;

/// <summary><c>--network=on</c>, with <c>--address=</c> where another than the first is wanted, and <c>--network=off</c>: as on the page of people.</summary>
internal static class NetworkCommand
{
    /// <summary>Does it, and says the next step. Throws <see cref="StudioFolderException"/> where it cannot be done.</summary>
    public static async Task Run(string what, IConfiguration configuration, string folder)
    {
        if (what == "off")
        {
            NetworkSettings.Choose(folder, new ChosenNetwork(null));
            Console.WriteLine("From the next start on it listens to its own machine only.");
            return;
        }
        if (what != "on")
            throw new StudioFolderException("network on or network off.");
        if (!await PeopleAtRest.HasOwner(folder))
            throw new StudioFolderException("There is no owner with a password yet. Start it, make the first account under Stores, People, and come back.");
        var own = NetworkSettings.OwnAddresses();
        var said = configuration["address"] is { Length: > 0 } text ? text : own.FirstOrDefault()?.ToString();
        if (said is null || !IPAddress.TryParse(said, out var address))
            throw new StudioFolderException(
                said is null ? "This machine is in no network just now. Name an address: --address=192.168.1.20." : $"“{said}” is no address."
            );
        NetworkSettings.Choose(folder, new ChosenNetwork(address.ToString()));
        var network = NetworkSettings.Read(configuration, ListenAddress.PortOf(configuration), folder);
        Console.WriteLine($"From the next start on it is at {network.Public(network.Port)} in your network, and on this machine as before.");
        if (own.Count > 1)
            Console.WriteLine($"This machine also has {string.Join(", ", own.Where(a => !a.Equals(address)))}; --address= names another.");
        if (!network.SpeaksTls)
            return;
        using var certificates = StudioCertificates.Open(network, folder, TimeProvider.System);
        if (certificates.Authority is { } authority)
        {
            Console.WriteLine($"Each phone is told once to trust this studio: {network.Public(network.Port)}/trust leads through it.");
            Console.WriteLine($"What it is to trust has the fingerprint {StudioCertificates.Fingerprint(authority)}.");
        }
    }
}
