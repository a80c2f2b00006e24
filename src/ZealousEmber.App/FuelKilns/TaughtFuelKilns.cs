using System.Collections.Concurrent;
using ZealousEmber.App.Http;
using ZealousEmber.App.Live;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Learning;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Firings;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.FuelKilns;

/// <summary>What fuel kilns have taught, worked out from their last finished firings and remembered while nothing is written.</summary>
internal sealed class TaughtFuelKilns(WriteQueue writes, IServiceScopeFactory scopes)
{
    private const int LastOnes = 12;

    private const int MostFirings = 500;

    private readonly ConcurrentDictionary<int, (long Turns, string Mark, FuelKiln Heat, FuelLessons Learned)> kilns = new();
    private readonly ConcurrentDictionary<(int Firing, string Mark, FuelKiln Heat), (FuelEstimate Estimate, System.Collections.Immutable.ImmutableArray<FuelTurn> Turns)?> firings = new();

    /// <summary>What a kiln has taught, against the kiln as it is stored.</summary>
    public async Task<FuelLessons> Of(int kilnId, FuelKiln kiln, CancellationToken cancel)
    {
        var (turns, heat) = (writes.Turns, kiln.Heat);
        if (kilns.TryGetValue(kilnId, out var known) && known.Turns == turns && known.Heat == heat) return known.Learned;
        await using var scope = scopes.CreateAsyncScope();
        var (runs, samples) = (scope.ServiceProvider.GetRequiredService<FiringRuns>(), scope.ServiceProvider.GetRequiredService<SampleLog>());
        var last = (await runs.FinishedIn(kilnId, cancel)).TakeLast(LastOnes).ToList();
        int[] ids = [.. last.Select(r => r.FiringId)];
        var (logs, entered) = (await samples.Marks(ids, cancel), await runs.EntryMarks(ids, cancel));
        string MarkOf(int firing) => $"{logs.GetValueOrDefault(firing)} {entered.GetValueOrDefault(firing)}";
        var mark = string.Join(' ', last.Select(r => $"{r.FiringId}.{r.OpenedAt}.{MarkOf(r.FiringId)}"));
        if (known.Learned is not null && known.Mark == mark && known.Heat == heat)
        {
            kilns[kilnId] = known with { Turns = turns };
            return known.Learned;
        }
        if (firings.Count > MostFirings) firings.Clear();
        var told = new List<(FuelEstimate, System.Collections.Immutable.ImmutableArray<FuelTurn>)>();
        foreach (var run in (await runs.FindAll(ids, cancel)).Where(r => r.IsFuel))
        {
            var key = (run.FiringId, MarkOf(run.FiringId), heat);
            if (firings.TryGetValue(key, out var before))
            {
                if (before is { } again) told.Add(again);
                continue;
            }
            var entries = await runs.Entries(run.FiringId, cancel);
            var stored = await samples.Read(run.FiringId, cancel);
            // Against the kiln as it is stored now: what it was taken to be then makes no difference.
            var taught = firings[key] = Learn(run with { Kiln = kiln }, stored, entries);
            if (taught is { } firing) told.Add(firing);
        }
        var learned = FuelLessons.Of(told);
        kilns[kilnId] = (turns, mark, heat, learned);
        return learned;
    }

    private static (FuelEstimate, System.Collections.Immutable.ImmutableArray<FuelTurn>)? Learn(FiringRun run, List<StoredSample> stored, IReadOnlyList<FiringEntry> entries)
    {
        var firing = RunningFiring.AtItsEnd(run, stored, entries);
        return firing.Live is FuelFollower { Taught: { } estimate } follower ? (estimate, follower.Made) : null;
    }
}

/// <summary>A number learned of a fuel kiln.</summary>
/// <param name="Name">burner, wall, air or eye.</param>
/// <param name="Label">In words.</param>
/// <param name="Mean">% against the kiln as stored; K for the eye.</param>
/// <param name="Sd">In the same.</param>
/// <param name="Says">In a sentence, honest about what cannot be told.</param>
public sealed record FuelLesson(string Name, string Label, double Mean, double Sd, string Says);

/// <summary>A row of the climb-per-setting table; °C.</summary>
public sealed record ClimbSeenContract(double FromCelsius, double PressureBar, double Damper, double PerHour, double Minutes);

/// <summary>What a fuel kiln has taught.</summary>
/// <param name="Firings">How many finished firings stand behind it.</param>
public sealed record FuelLearnedContract(int Firings, IReadOnlyList<FuelLesson> Numbers, IReadOnlyList<ClimbSeenContract> Climbs);

/// <summary>Tells what fuel kilns have taught.</summary>
internal static class FuelLearnedEndpoints
{
    public static void MapFuelLearned(this WebApplication app) => app
        .MapGet("/api/kilns/{id:int}/fuel-learned", async (int id, Repository<StudioKiln> kilns, TaughtFuelKilns taught, CancellationToken cancel) =>
            await kilns.Find(id, cancel) is { Item: FuelKiln kiln } ? Results.Ok(Write(await taught.Of(id, kiln, cancel))) : ProblemResponses.NotFound("fuel kiln"))
        .WithTags("Fuel kilns").WithSummary("What a fuel kiln’s firings have taught: burners, air, the eye, and climb by setting").Produces<FuelLearnedContract>().ProducesProblem(404);

    private static FuelLearnedContract Write(FuelLessons l)
    {
        FuelLesson Factor(string name, string label, FactorEstimate f, string says) => new(name, label, Math.Round(100 * f.Mean, 1), Math.Round(100 * f.Sd, 1), says);
        return new FuelLearnedContract(
            l.Firings,
            [
                Factor("burner", "What the burners give", l.Burner, "Learned from how fast it climbed; used by the next plan."),
                Factor("air", "The air it draws", l.Air, "Learned from the smell, and from the climb in reduction; used by the next plan."),
                Factor("wall", "What the walls let through", l.Wall, "Temperatures of one firing hardly tell it from the load: it stays near what was taken beforehand."),
                new FuelLesson("eye", "How much hotter it is seen", Math.Round(l.EyeBias.Mean, 1), Math.Round(l.EyeBias.Sd, 1), "The eye’s own error at the peephole, in °C."),
            ],
            [.. l.Climbs.Select(c => new ClimbSeenContract(c.From, c.Pressure, Math.Round(c.Damper, 3), Math.Round(c.PerHour, 1), Math.Round(c.Minutes, 1)))]);
    }
}
