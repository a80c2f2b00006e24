using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Learning;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Kilns;

/// <summary>Tells what fuel kilns have taught.</summary>
internal static class FuelLearned
{
    public static void MapFuelLearned(this WebApplication app) =>
        app.MapGet("/api/kilns/{id:int}/fuel-learned", async (int id, Repository<StudioKiln> kilns, LearnedFuelKilns taught, CancellationToken cancel) =>
                await kilns.Find(id, cancel) is { Item: FuelKiln kiln }
                    ? Results.Ok(Write(await taught.Of(id, kiln, cancel)))
                    : ProblemResponses.NotFound("fuel kiln")
            )
            .Needs(Right.See)
            .WithTags("Fuel kilns")
            .WithSummary("What a fuel kiln’s firings have taught: burners, air, the eye, and climb by setting")
            .Produces<FuelLearnedContract>()
            .ProducesProblem(404);

    private static FuelLearnedContract Write(FuelLessons l)
    {
        FuelLesson Factor(string name, string label, FactorEstimate f, string says) =>
            new(name, label, Math.Round(100 * f.Mean, 1), Math.Round(100 * f.Sd, 1), says);
        return new FuelLearnedContract(
            l.Firings,
            [
                Factor("burner", "What the burners give", l.Burner, "Learned from how fast it climbed; used by the next plan."),
                Factor("air", "The air it draws", l.Air, "Learned from the smell, and from the climb in reduction; used by the next plan."),
                Factor(
                    "wall",
                    "What the walls let through",
                    l.Wall,
                    "Temperatures of one firing hardly tell it from the load: it stays near what was taken beforehand."
                ),
                new FuelLesson(
                    "eye",
                    "How much hotter it is seen",
                    Math.Round(l.EyeBias.Mean, 1),
                    Math.Round(l.EyeBias.Sd, 1),
                    "The eye’s own error at the peephole, in °C."
                ),
            ],
            [.. l.Climbs.Select(c => new ClimbSeenContract(c.From, c.Pressure, Math.Round(c.Damper, 3), Math.Round(c.PerHour, 1), Math.Round(c.Minutes, 1)))]
        );
    }
}
