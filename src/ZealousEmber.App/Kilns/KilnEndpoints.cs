using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Kilns;

/// <summary>The kilns of the studio: make, change, delete, bring back, and what each can do.</summary>
internal static class KilnEndpoints
{
    public static void MapKilns(this WebApplication app)
    {
        var api = app.MapGroup("/api/kilns").Needs(Right.See).WithTags("Kilns");
        api.AddEndpointFilter(KeepFiring);
        new RepositoryEndpoints<KilnContract, VersionedKilnContract, StudioKiln>("kiln", KilnMapping.ReadOwn, KilnMapping.Write, Right.Manage).Map(
            api,
            "/api/kilns"
        );
        api.MapGet("classes", () => KilnClass.All.Select(Class).Concat(FuelKilnClass.All.Select(Class)))
            .WithSummary("Classes to start from, with their usual numbers")
            .Produces<KilnClassContract[]>();
        api.MapGet("numbers", () =>
                KilnLimits.All.Select(n => Number(n, KilnHeatSource.Electric)).Concat(FuelLimits.All.Select(n => Number(n, KilnHeatSource.Fuel)))
            )
            .WithSummary("What each number of a kiln may be and means")
            .Produces<KilnNumberContract[]>();
        api.MapPost("resized", (ResizeContract? wish) => Answer.Of(Resize(wish)))
            .Needs(Right.BeSomebody)
            .WithSummary("A gas kiln of another size: what was usual for its size goes with it, what was measured stays")
            .Produces<KilnContract>()
            .ProducesValidationProblem(422);
        api.MapPost("portrait", (KilnContract? kiln, SettingsStore<StudioSettings> studio, CancellationToken cancel) => Portrait(kiln, studio, cancel))
            .Needs(Right.BeSomebody)
            .WithSummary("What a kiln can do: climb and fall, cooling, usual firings")
            .Produces<KilnPortraitContract>()
            .ProducesValidationProblem(422);
    }

    /// <summary>A kiln that is firing is not deleted: it would leave the room while it is hot.</summary>
    private static async ValueTask<object?> KeepFiring(EndpointFilterInvocationContext invocation, EndpointFilterDelegate next)
    {
        var context = invocation.HttpContext;
        if (
            HttpMethods.IsDelete(context.Request.Method)
            && context.Request.RouteValues["id"] is string text
            && int.TryParse(text, out var id)
            && await context.RequestServices.GetRequiredService<FiringRuns>().IsOccupied(id, context.RequestAborted)
        )
            return Results.Problem(
                statusCode: StatusCodes.Status409Conflict,
                title: "Not now",
                detail: "A firing is in this kiln. Note there that it was opened; then the kiln can be deleted."
            );
        return await next(invocation);
    }

    private static KilnClassContract Class(KilnClass kind)
    {
        var usual = Kiln.Create(new KilnSpecification(kind.Name, kind.Id, null, null, null, new Dictionary<string, double?>())).Value;
        return new KilnClassContract(kind.Id, kind.Name, KilnHeatSource.Electric, KilnMapping.Write(usual));
    }

    private static KilnClassContract Class(FuelKilnClass kind)
    {
        var usual = FuelKiln.Create(new FuelKilnSpecification(kind.Name, kind.Id, null, null, new Dictionary<string, double?>())).Value;
        return new KilnClassContract(kind.Id, kind.Name, KilnHeatSource.Fuel, KilnMapping.Write(usual));
    }

    private static Result<KilnContract> Resize(ResizeContract? wish)
    {
        var read = KilnMapping.Read(wish?.Kiln?.Named());
        if (!read.IsOk)
            return Result<KilnContract>.Failed([.. read.Problems.Select(p => p.Under("kiln"))]);
        if (read.Value is not FuelKiln kiln)
            return new Problem("kiln", "Only a gas kiln’s burners, flue and air go with its size.");
        if (wish?.Volume is not { } volume)
            return new Problem("volume", "How large is it to be?");
        var resized = kiln.Resized(volume);
        return resized.IsOk ? KilnMapping.Write(resized.Value) with { Name = wish.Kiln!.Name } : Result<KilnContract>.Failed(resized.Problems);
    }

    private static KilnNumberContract Number(KilnNumber n, KilnHeatSource heat) => new(n.Field, n.Label, n.Unit, n.Least, n.Most, n.Meaning, heat);

    private static async Task<IResult> Portrait(KilnContract? wire, SettingsStore<StudioSettings> studio, CancellationToken cancel)
    {
        var read = KilnMapping.Read(wire?.Named());
        if (!read.IsOk)
            return ProblemResponses.Of(read.Problems);
        var prices = (await studio.Read(cancel)).Item.Prices;
        if (read.Value is FuelKiln fired)
            return Results.Ok(FuelPortraits.Write(fired, prices, cancel));
        var kiln = (Kiln)read.Value;
        var portrait = KilnPortrait.Of(kiln);
        var unit = kiln.Unit;
        IReadOnlyList<PacePointContract> Write(IEnumerable<PaceAt> paces) =>
            [.. paces.Select(p => new PacePointContract(p.At.In(unit), p.Rate.PerHourIn(unit)))];
        return Results.Ok(
            new KilnPortraitContract(
                unit,
                Write(portrait.Climb),
                Write(portrait.Fall),
                portrait.Hottest.In(unit),
                [.. portrait.Usual.Select(u => Usual(u, kiln, prices, unit))],
                ChamberMapping.Write(kiln.Chamber),
                ChamberMapping.Write(kiln.Props)
            )
        );
    }

    private static UsualFiringContract Usual(UsualFiring usual, Kiln kiln, EnergyPrices prices, TemperatureUnit unit)
    {
        var run = usual.Run;
        return new UsualFiringContract(
            Kind: usual.Kind,
            Line: usual.Line,
            TopMinutes: run.Compiled.Segments[2].RampEnd.TotalMinutes,
            EnergyKwh: run.Energy.Used,
            Cost: prices.Knows(run.Uses) ? prices.Cost(run.Uses, null, NodaTime.DateTimeZone.Utc) : null,
            Currency: prices.Currency,
            FullPowerMinutes: run.FullPower.TotalMinutes,
            OpenMinutes: run.OpensAt!.Value.TotalMinutes,
            Cooling: CoolingMarks.Of(kiln, t => KilnPortrait.CoolingTo(run, t)),
            Reached: run.Stall is null
        );
    }
}
