using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.People;
using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Records;

namespace ZealousEmber.App.Devices;

/// <summary>What the addresses of devices work with.</summary>
internal readonly record struct DeviceStudio(DeviceStore Devices, SignedIn SignedIn, Cookies Cookies, Pairings Pairings, StudioAddress Address);

/// <summary>The phones, tablets and screens of the studio.</summary>
internal static class DeviceEndpoints
{
    private const int LongestName = 60;
    private const int LongestCode = 100;

    public static void MapDevices(this WebApplication app)
    {
        var api = app.MapGroup("/api/devices").WithTags("People");
        api.MapGet("", All).Needs(Right.Manage).WithSummary("The studio's devices").Produces<DeviceContract[]>();
        api.MapPost("", Add)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("Enrol the device that asks")
            .Produces<DeviceContract>(201)
            .ProducesValidationProblem(422);
        api.MapDelete("{id:int}", Revoke)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("Take a device away; what is signed in on it ends")
            .Produces(204)
            .ProducesProblem(404);
        api.MapPost("pairings", Offer)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("A code that enrols the device that reads it, once")
            .Produces<PairingContract>(201)
            .ProducesValidationProblem(422);
        api.MapPost("pair", Pair)
            .ForAnybody()
            .WithSummary("Enrol the device that asks, by the code it read")
            .Produces<DeviceContract>(201)
            .ProducesProblem(409)
            .ProducesValidationProblem(422);
    }

    private static IResult All([AsParameters] DeviceStudio studio, HttpRequest request)
    {
        var own = studio.SignedIn.DeviceOf(studio.Cookies.DeviceKey(request))?.Id;
        return Results.Ok(studio.SignedIn.Devices.Select(d => Write(d, d.Id == own)));
    }

    private static async Task<IResult> Add(DeviceRequest? wire, [AsParameters] DeviceStudio studio, HttpContext context, CancellationToken cancel) =>
        NameOf(wire) is var name && name.IsOk ? await Enrol(name.Value, studio, context, cancel) : ProblemResponses.Of(name.Problems);

    private static async Task<IResult> Revoke(int id, [AsParameters] DeviceStudio studio, HttpContext context, CancellationToken cancel)
    {
        var isOwn = studio.SignedIn.DeviceOf(studio.Cookies.DeviceKey(context.Request))?.Id == id;
        if (!await studio.Devices.Revoke(id, studio.SignedIn.Now, cancel))
            return ProblemResponses.NotFound("device");
        await studio.SignedIn.Load(cancel);
        if (isOwn)
            studio.Cookies.TakeDevice(context.Response);
        return Results.NoContent();
    }

    private static IResult Offer(DeviceRequest? wire, [AsParameters] DeviceStudio studio, HttpContext context)
    {
        var name = NameOf(wire);
        if (!name.IsOk)
            return ProblemResponses.Of(name.Problems);
        if (studio.Pairings.Offer(name.Value) is not { } offer)
            return ProblemResponses.Conflict("A hundred codes wait to be read already. They are forgotten after five minutes.");
        // Behind the #, a code is sent to no server and stands in no log.
        var address = $"{studio.Address.ForPhones(context.Request)}/pair#{offer.Code}";
        return Results.Created("/api/devices/pairings", new PairingContract(address, Qr.Svg(address), offer.Until.ToDateTimeOffset()));
    }

    private static async Task<IResult> Pair(PairRequest? wire, [AsParameters] DeviceStudio studio, HttpContext context, CancellationToken cancel)
    {
        var code = wire?.Code?.Trim();
        if (string.IsNullOrEmpty(code) || code.Length > LongestCode)
            return ProblemResponses.Of([new Problem("code", "The code on the owner’s screen.")]);
        return studio.Pairings.Take(code) is { } name
            ? await Enrol(name, studio, context, cancel)
            : ProblemResponses.Conflict("This code was used already, or is older than five minutes. The owner makes a new one.");
    }

    private static async Task<IResult> Enrol(string name, DeviceStudio studio, HttpContext context, CancellationToken cancel)
    {
        var key = Keys.Make();
        var device = await studio.Devices.Add(name, Keys.Hash(key), studio.SignedIn.Now, cancel);
        await studio.SignedIn.Load(cancel);
        studio.Cookies.GiveDevice(context.Response, key);
        return Results.Created($"/api/devices/{device.Id}", Write(device, isThis: true));
    }

    private static Result<string> NameOf(DeviceRequest? wire) =>
        Text.OneLine(wire?.Name) switch
        {
            null => new Problem("name", "What is it called, like “phone of Maja” or “tablet by the kilns”?"),
            { Length: > LongestName } name => new Problem("name", $"A name has at most {LongestName} characters; this one has {name.Length}."),
            var name => name,
        };

    private static DeviceContract Write(DeviceRecord device, bool isThis) =>
        new(device.Id, device.Name, device.MadeAt.ToDateTimeOffset(), device.SeenAt?.ToDateTimeOffset(), isThis);
}
