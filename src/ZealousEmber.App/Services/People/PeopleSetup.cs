using Microsoft.AspNetCore.Authentication;
using ZealousEmber.App.Http;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.People;

internal static class PeopleSetup
{
    /// <summary>Who asks, what each may do, and what keeps both.</summary>
    /// <param name="services">Of the program.</param>
    /// <param name="isTls">Pages come over TLS.</param>
    /// <param name="address">Where phones find it, by the port it listens on.</param>
    public static void AddPeople(this IServiceCollection services, bool isTls, Func<int, string?> address)
    {
        services.AddSingleton(new Cookies(isTls));
        services.AddSingleton(new StudioAddress(address));
        services.AddSingleton<IWriters, RequestWriters>();
        services.AddSingleton<SignedIn>();
        services.AddSingleton<OpenPages>();
        services.AddSingleton<Locks>();
        services.AddSingleton<Pairings>();
        services.AddScoped<MeMapping>();
        services.AddHostedService<SessionKeeper>();
        services.AddAuthentication(SessionAuthentication.Name).AddScheme<AuthenticationSchemeOptions, SessionAuthentication>(SessionAuthentication.Name, null);
        services.AddNeeds();
    }
}
