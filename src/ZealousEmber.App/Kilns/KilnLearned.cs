using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Learning;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Kilns;

/// <summary>What kilns have taught.</summary>
internal static class KilnLearned
{
    private const double UsualTop = 1222;

    public static void MapKilnLearned(this WebApplication app)
    {
        app.MapGet("/api/kilns/{id:int}/learned", Learned)
            .Needs(Right.See)
            .WithTags("Learning")
            .WithSummary("What a kiln has taught: each number, how sure, how many readings stand behind it, how it moved")
            .Produces<LearnedContract>()
            .ProducesProblem(404);
    }

    private static async Task<IResult> Learned(int id, Repository<StudioKiln> kilns, LearnedKilns taught, CancellationToken cancel) =>
        await kilns.Find(id, cancel) is { } found && found.Of<Kiln>() is { } kiln
            ? Results.Ok(Write(id, await taught.Of(kiln, cancel)))
            : ProblemResponses.NotFound("kiln");

    private static LearnedContract Write(int id, KilnLearning learning)
    {
        var t = learning.Kiln;
        var records = t.History.Select(h => learning.Read.GetValueOrDefault(h.FiringId)).OfType<FiringRecord>().ToList();
        var (elements, thermocouple) = (t.NewElements, KilnLearning.Last(learning.Done, MaintenanceKind.Thermocouple));
        var top = records.Select(r => r.Figures?["top"]).Where(x => x > 1100).TakeLast(10).Median() ?? UsualTop;
        // Worn is told against the stored power; health against what the elements were as new.
        var wornPower = ElementLife.WornAt(t.Stored, t.Stored.UsualLoad(ScheduleKind.Glaze), Temperature.FromCelsius(Math.Min(top, t.Stored.TopLimit.Celsius)));
        var perFiring = t.PerFiring;
        var advice = ElementLife.Of(t.Learned.Power.Mean, wornPower, perFiring ?? 0);
        var asNew = t.Learned.Health.Mean > 0 ? t.Learned.Power.Mean / t.Learned.Health.Mean : 1;
        int? left = perFiring > 0.0005 ? (int)Math.Clamp((t.Learned.Power.Mean - wornPower) / perFiring.Value, 0, 999) : null;
        var since = t.History.Where(h => elements is null || h.At >= elements).Select(h => h.FiringId).ToHashSet();
        var hours = records.Where(r => since.Contains(r.FiringId)).Sum(r => r.Figures?["fullPowerHours"] ?? 0);
        var best = t.Learned.Shelves.Length > 1 ? t.Learned.Shelves.MinBy(s => Math.Abs(s.Own.Mean)).Shelf : null;
        var (l, after) = (t.Learned, LearnedAfter.From(t.Learned));
        return new LearnedContract(
            KilnId: id,
            Offset: SinceNumber.From(l.Offset, l.Packs, thermocouple, 2),
            Evenness: Evenness(l) is { } even ? SinceNumber.From(even, l.Packs, elements, 2) : null,
            Shelves: after.Shelves,
            Health: SinceNumber.From(l.Health, since.Count, elements),
            Power: SinceNumber.From(l.Power, l.Logs, elements),
            Heat: SinceNumber.From(l.Heat, l.Logs, null),
            Loss: SinceNumber.From(l.Loss, l.Logs, null),
            HeldBack: after.HeldBack,
            Firings: t.History.Length,
            Trend:
            [
                .. t.History.Select(h => new LearnedTrend(
                    h.FiringId,
                    h.At.ToDateTimeOffset(),
                    Math.Round(h.Learned.Offset.Mean, 2),
                    Math.Round(h.Learned.Offset.Sd, 2),
                    h.Learned.Evenness is { } e ? Math.Round(e, 2) : null,
                    Math.Round(h.Learned.Health.Mean, 4),
                    Math.Round(h.Learned.Health.Sd, 4)
                )),
            ],
            Elements: new ElementsContract(
                advice,
                Math.Round(wornPower / asNew, 3),
                Math.Round(top),
                perFiring is { } p ? Math.Round(p, 4) : null,
                left,
                since.Count,
                Math.Round(hours, 1)
            ),
            Care: CareMapping.Write(t.Care),
            Used: new UsedContract(
                t.Kiln.Offset is { } offset ? Math.Round(t.Care.Offset ?? (t.Learned.Packs > 0 ? t.Learned.Offset.Mean : offset.At1150), 1) : null,
                Math.Round(t.Kiln.ElementHealth / t.Stored.ElementHealth, 3),
                Math.Round(t.Kiln.LossFactor / t.Stored.LossFactor, 3),
                best
            ),
            Sentence: Sentence(t)
        );
    }

    /// <summary>The spread of the shelves, as sure as its two ends are.</summary>
    private static Estimated? Evenness(KilnLessons l)
    {
        if (l.Evenness is not { } spread)
            return null;
        var (hot, cool) = (l.Shelves.MaxBy(s => s.Own.Mean).Own.Sd, l.Shelves.MinBy(s => s.Own.Mean).Own.Sd);
        return new Estimated(spread, Math.Sqrt(hot * hot + cool * cool));
    }

    private static string Sentence(KilnKnowledge t)
    {
        if (t.History.IsEmpty)
            return $"Nothing yet. {t.Stored.Name} teaches its numbers with every firing that is logged, and its display with every pack that is read.";
        var said = new List<string>();
        if (LessonWords.Display(t.Learned.Offset, t.Learned.Packs) is { } display)
            said.Add(display);
        if (LessonWords.Evenness(t.Learned.Shelves, Place) is { } even)
            said.Add(even);
        if (t.Learned.Logs > 0)
            said.Add($"its elements give {Phrases.Number(Math.Round(t.Learned.Health.Mean * 100))} % of what new ones do");
        var text = string.Join("; ", said);
        return text.Length == 0 ? "" : $"{Text.Capital(text)}.";
    }

    private static string Place(string shelf) => shelf.All(char.IsAsciiDigit) ? $"shelf {shelf}" : $"the {shelf}";

    private static double? Median(this IEnumerable<double?> values)
    {
        var sorted = values.OfType<double>().Order().ToList();
        return sorted.Count == 0 ? null : sorted[sorted.Count / 2];
    }
}
