using System.Net;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Network;
using ZealousEmber.App.Services.People;
using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Network;

/// <summary>What the addresses of the network work with.</summary>
internal readonly record struct NetworkStudio(
    NetworkSettings Network,
    SignedIn SignedIn,
    StudioFolder Folder,
    StudioAddress Address,
    IConfiguration Configuration
);

/// <summary>How the program is reached, and what phones are to trust.</summary>
internal static class NetworkEndpoints
{
    private const string NotOwn = "There is no authority of the studio’s own here: nothing has to be trusted anew.";

    public static void MapNetwork(this WebApplication app)
    {
        var api = app.MapGroup("/api/network").WithTags("Network");
        api.MapGet("", (([AsParameters] NetworkStudio studio, HttpContext context) => Results.Ok(Write(studio, context))))
            .Needs(Right.Manage)
            .WithSummary("How the program is reached")
            .Produces<NetworkContract>();
        api.MapPut("", Choose)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("Where it listens from the next start on")
            .Produces<NetworkContract>()
            .ProducesProblem(409)
            .ProducesValidationProblem(422);
        api.MapGet("trust", Trust).ForAnybody().WithSummary("What a phone is to trust, with its fingerprint").Produces<TrustContract>().ProducesProblem(404);
        api.MapGet("authority", (HttpContext context) =>
                Certificates(context)?.Authority is { } authority
                    ? Results.File(authority, "application/x-x509-ca-cert", "zealous-ember-authority.crt")
                    : Results.Problem(statusCode: StatusCodes.Status404NotFound, title: "Not found", detail: NotOwn)
            )
            .ForAnybody()
            .WithSummary("The public part of the studio's own authority")
            .Produces(200, contentType: "application/x-x509-ca-cert")
            .ProducesProblem(404);
    }

    private static StudioCertificates? Certificates(HttpContext context) => context.RequestServices.GetService<StudioCertificates>();

    private static IResult Trust([AsParameters] NetworkStudio studio, HttpContext context)
    {
        if (Certificates(context)?.Authority is not { } authority)
            return Results.Problem(statusCode: StatusCodes.Status404NotFound, title: "Not found", detail: NotOwn);
        var address = $"{studio.Address.ForPhones(context.Request)}/trust";
        return Results.Ok(new TrustContract(StudioCertificates.Fingerprint(authority), Qr.Svg(address), address));
    }

    private static async Task<IResult> Choose(
        NetworkRequest? wire,
        [AsParameters] NetworkStudio studio,
        AuditLog audit,
        HttpContext context,
        CancellationToken cancel
    )
    {
        if (studio.Configuration["EMBER_ADDRESS"] is { Length: > 0 })
            return ProblemResponses.Conflict("EMBER_ADDRESS says where it listens; it is changed there.");
        var address = Text.OneLine(wire?.Address);
        if (address is not null && !IPAddress.TryParse(address, out _))
            return ProblemResponses.Of([new Problem("address", "An address like 192.168.1.20, or 0.0.0.0 for every one of this machine.")]);
        if (address is not null && !IPAddress.IsLoopback(IPAddress.Parse(address)) && !studio.SignedIn.HasOwner)
            return ProblemResponses.Conflict("Make the first account first: without an owner with a password it is not opened.");
        NetworkSettings.Choose(studio.Folder.Path, new ChosenNetwork(address));
        await audit.Note(new Writer(context.Caller()?.PersonId, context.Caller()?.DeviceId), address is null ? "closed" : "opened", "network", cancel);
        return Results.Ok(Write(studio, context));
    }

    private static NetworkContract Write(NetworkStudio studio, HttpContext context)
    {
        var network = studio.Network;
        var certificates = Certificates(context);
        return new NetworkContract(
            IsOpen: network.IsOpen,
            Address: network.Address.ToString(),
            ForPhones: network.IsOpen ? studio.Address.ForPhones(context.Request) : null,
            Names: network.AllNames(),
            Addresses: [.. NetworkSettings.OwnAddresses().Select(a => a.ToString())],
            Next: NetworkSettings.Chosen(studio.Folder.Path).Address,
            IsFixed: studio.Configuration["EMBER_ADDRESS"] is { Length: > 0 },
            HasOwner: studio.SignedIn.HasOwner,
            Certificate: certificates is null
                ? null
                : new CertificateContract(
                    certificates.IsOwn,
                    new DateTimeOffset(certificates.Current.NotAfter.ToUniversalTime()),
                    StudioCertificates.Fingerprint(certificates.Authority ?? certificates.Current.RawData)
                ),
            Proxies: [.. network.Proxies.Select(p => p.ToString())]
        );
    }
}
