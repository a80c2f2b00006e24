using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Network;
using ZealousEmber.App.Services.People;
using ZealousEmber.Store.Demo;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Hosting;

/// <summary>Takes hold of the data folder, brings it up to date, and fills it when the demo is wanted.</summary>
internal static class StudioStart
{
    public static async Task Open(WebApplication app)
    {
        var time = app.Services.GetRequiredService<TimeProvider>();
        await using var scope = app.Services.CreateAsyncScope();
        var studio = scope.ServiceProvider.GetRequiredService<StudioCopies>();
        await studio.BringUpToDate();
        if (await studio.LookForDamage(CancellationToken.None) is { } damage)
        {
            app.Services.GetRequiredService<StoreHealth>().Damage = damage;
            app.Logger.LogError("The data file is damaged: {Damage}", damage);
        }
        var signedIn = app.Services.GetRequiredService<SignedIn>();
        await signedIn.Load(CancellationToken.None, withSessions: true);
        if (app.Services.GetRequiredService<NetworkSettings>() is { IsOpen: true } network && !signedIn.HasOwner)
            throw new StudioFolderException(
                $"It is not opened to the network at {network.Address}: there is no owner with a password yet. Start it without EMBER_ADDRESS, make the first "
                    + "account under Stores, People, and then open it."
            );
        if (!app.Configuration.GetValue<bool>("demo"))
            return;
        await SaltmarshLane.Seed(scope.ServiceProvider, time);
        // Its logbook is there from the first look on; a studio of one's own has its firings worked out one by one.
        await scope.ServiceProvider.GetRequiredService<FiringReader>().Refresh(CancellationToken.None);
    }
}
