using Microsoft.AspNetCore.Http.HttpResults;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Saying;
using ZealousEmber.Core.Saying.Reading;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Say;

/// <summary>A firing from a sentence. Stores nothing.</summary>
internal static class SayEndpoints
{
    public static void MapSay(this WebApplication app)
    {
        var api = app.MapGroup("/api/say").Needs(Right.See).WithTags("Firings");
        api.MapPost("", async (SayRequest? request, SayingContexts contexts, CancellationToken cancel) => Answer.Of(await Read(request, contexts, cancel)))
            .Needs(Right.BeSomebody)
            .WithSummary("A firing from a sentence: what was understood, what is asked, and what was not read");
        api.MapPost("written", Write)
            .Needs(Right.BeSomebody)
            .WithSummary("A firing that was said, as it is added: with a name, the studio's defaults and the sizes its ware had last");
    }

    private static async Task<Result<SayResponse>> Read(SayRequest? request, SayingContexts contexts, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        if (request?.Now is null)
            problems.Add(new Problem("now", WireTime.Expected));
        var now = WireTime.Check(request?.Now, "now", problems);
        if (problems.Count > 0)
            return Result<SayResponse>.Failed(problems);
        var said = SayingReader.Read(request!.Text, await contexts.At(now!.Value.ToInstant(), request.Unit, cancel));
        return said.IsOk ? SayMapping.Write(said.Value) : Result<SayResponse>.Failed(said.Problems);
    }

    private static async Task<Results<Ok<WrittenFiring>, Invalid>> Write(
        SaidFiringRequest? request,
        FiringFinder firings,
        SettingsStore<PlanningPreferences> preferences,
        SettingsStore<StudioSettings> settings,
        CancellationToken cancel
    )
    {
        if (request?.Firing is not { Kind: { } kind } said)
            return new Invalid([WireEnums.Missing<ScheduleKind>("firing.kind", "a kind of firing")]);
        var usual = await firings.UsualWare(cancel);
        var lots = (said.Lots ?? []).OfType<LotContract>().Take(WareLot.MostLots + 1).Select(l => SaidDrafts.Row(SayMapping.ReadLot(l), usual)).ToList();
        var wishes = SayMapping.Read(said.Wishes ?? new SaidWishesContract());
        var ways = SaidDrafts.Preferences(wishes, (await preferences.Read(cancel)).Item);
        return TypedResults.Ok(
            new WrittenFiring(
                new FiringContract(
                    Name: Text.OneLine(said.Name) ?? SaidDrafts.Name(kind, lots.Select(l => l.What)),
                    Kind: kind,
                    KilnId: said.KilnId ?? await firings.UsualKiln(kind, cancel),
                    GoalCone: said.GoalCone,
                    Unit: (await settings.Read(cancel)).Item.Display.Temperature,
                    Lots: [.. lots.Select(FiringMapping.Write)],
                    Drying: ways.Drying,
                    Approach: ways.Approach,
                    Cooling: ways.Cooling,
                    Hold: ways.Hold,
                    Bisque: ways.Bisque,
                    Goal: ways.Goal,
                    DropBy: ways.DropBy,
                    HoldMinutes: wishes.HoldMinutes,
                    Packed: wishes.Packed,
                    WitnessPack: wishes.WitnessPack ?? kind.MeltsGlaze(),
                    StartsAt: said.StartsAt,
                    Air: ways.Air,
                    Pace: ways.Pace
                ),
                said.ReadyBy,
                wishes.Cheap == true
            )
        );
    }
}
