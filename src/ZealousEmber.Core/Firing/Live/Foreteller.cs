using System.Collections.Immutable;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>How far a shelf is from the mean of a kiln.</summary>
/// <param name="Shelf">Which.</param>
/// <param name="Own">°C of cone.</param>
/// <param name="Sd">Standard deviation, K.</param>
public readonly record struct ShelfOwn(string Shelf, double Own, double Sd);

/// <summary>
/// What is foretold of a firing at its start, to be held against what came. An electric kiln's comes from the forecast's draws (the project's paper on the
/// firing day, section 2), a fuel kiln's from its plan and uncertainty; no band is told narrower than firings of one kiln scatter. A shelf's adds how one
/// firing scatters (3 K), how one pack does (1.5 K), and what is known of display and shelf (section 6).
/// </summary>
public static class Foreteller
{
    private const double LeastTop = 3;
    private const double LeastHours = 0.02;
    private const double LeastEnergy = 0.04;
    private const double LeastCool = 0.05;
    private const double FuelTop = 12;
    private const double FiringScatter = 3;
    private const double PackScatter = 1.5;
    private const double DisplayUnread = 8;
    private const double ShelfUnread = 5;
    private const double LeastProgress = 1e-9;
    private static readonly TemperatureDifference TopBand = TemperatureDifference.FromKelvins(5);

    /// <summary>Foretells. Empty where its kiln does not get there.</summary>
    /// <param name="run">As it is started, its kiln as known without any widening.</param>
    /// <param name="shelves">Those that were read before.</param>
    /// <param name="widening">How far bands are widened.</param>
    public static ImmutableArray<ForetoldNumber> Of(FiringRun run, ImmutableArray<ShelfOwn> shelves, Widening widening)
    {
        if (run.Model.Run(run.Program) is not { IsOk: true, Value: { Stall: null } ran })
            return [];
        var told = run.IsFuel ? OfFuel(run, ran, shelves) : OfElements(run, ran, shelves);
        return [.. told.Where(n => double.IsFinite(n.From + n.Likely + n.To)).Select(n => Widen(n, widening))];
    }

    /// <summary>The numbers themselves are those of every page; how sure they are comes from the draws.</summary>
    private static IEnumerable<ForetoldNumber> OfElements(FiringRun run, KilnRun ran, ImmutableArray<ShelfOwn> shelves)
    {
        var firing = run.Watched;
        var start = firing.Start.Celsius;
        var observer = new KilnObserver(firing.Kiln, firing.Load, start, 0, firing.Known);
        var work = firing.Cones.IsEmpty ? null : new HeatWorkSoFar(firing.Cones, firing.Offset.Mean, 0, start);
        var forecast = Forecaster.Of(
            observer,
            firing.Load,
            firing.Program,
            firing.Kiln.Opens.Celsius,
            work,
            firing.GoalIndex,
            new ForecastStart(0, start, null, 0, null, null, null, firing.Offset)
        );
        var totals = forecast.Totals!;
        var top = ran.WholeCurve.Peak.Celsius;
        yield return Drawn(ForetoldKind.Top, top, totals.Hottest, LeastTop);
        if (TopOver(ran) is { } over)
            yield return Drawn(ForetoldKind.TopOver, over, totals.TopOver, over * LeastHours);
        var kwh = ran.Energy.Used;
        yield return Drawn(ForetoldKind.Energy, kwh, totals.Kwh, kwh * LeastEnergy, kwh * RunBand.OfLoad(run.Model, ran.WholeCurve, kwh));
        if (ran.OpensAt is { } opens)
            yield return Drawn(ForetoldKind.Cool, opens.TotalHours, forecast.Open, opens.TotalHours * LeastCool);
        if (firing.Goal is null)
            yield break;
        var degrees = forecast.Cones[firing.GoalIndex].Degrees;
        var sd = (degrees.P90 - degrees.P10) / (2 * Spread.FourInFive);
        // The draws vary the display only where a pack was ever read.
        if (run.Taught?.Offset is null)
            sd = Math.Sqrt(sd * sd + DisplayUnread * DisplayUnread);
        foreach (var shelf in Shelves(run, ran, sd, shelves))
            yield return shelf;
    }

    private static IEnumerable<ForetoldNumber> OfFuel(FiringRun run, KilnRun ran, ImmutableArray<ShelfOwn> shelves)
    {
        var unsure = RunBand.Of(run.Model, ran.WholeCurve, ran.Energy.Used) ?? 0;
        yield return About(ForetoldKind.Top, ran.WholeCurve.Peak.Celsius, FuelTop);
        if (TopOver(ran) is { } over)
            yield return About(ForetoldKind.TopOver, over, over * Math.Max(unsure, LeastHours));
        if (run.Model is LoadedFuelKiln fuel && fuel.Turns(run.Program) is { IsOk: true, Value: var turns })
            yield return About(ForetoldKind.Gas, turns.TotalFuel, turns.TotalFuel * Math.Max(unsure, LeastEnergy));
        if (ran.OpensAt is { } opens)
            yield return About(ForetoldKind.Cool, opens.TotalHours, opens.TotalHours * Math.Max(unsure, LeastCool));
        foreach (var shelf in Shelves(run, ran, Math.Max(DisplayUnread, FuelTop), shelves))
            yield return shelf;
    }

    private static double? TopOver(KilnRun ran) => ran.WholeCurve.LastFallThrough(ran.WholeCurve.Peak - TopBand)?.TotalHours;

    private static IEnumerable<ForetoldNumber> Shelves(FiringRun run, KilnRun ran, double sd, ImmutableArray<ShelfOwn> shelves)
    {
        if (run.Goal is not { } goal)
            yield break;
        var kinetics = ConeTable.Of(goal).Kinetics;
        var shown = run.Taught?.Offset is { } offset ? new DisplayOffset(offset, 0, run.Taught.OffsetSd).True(ran.WholeCurve) : ran.WholeCurve;
        var likely = kinetics.EndPoint(60, Math.Max(HeatWork.Of(kinetics, shown), LeastProgress));
        foreach (var (shelf, own, ownSd) in shelves.Select(s => ((string?)s.Shelf, s.Own, s.Sd)).Append((null, 0, ShelfUnread)))
            yield return About(
                ForetoldKind.Cone,
                likely + own,
                Spread.FourInFive * Math.Sqrt(sd * sd + ownSd * ownSd + FiringScatter * FiringScatter + PackScatter * PackScatter),
                shelf
            );
    }

    private static ForetoldNumber Drawn(ForetoldKind kind, double likely, Percentiles drawn, double least, double more = 0)
    {
        // As far to either side as the draws lie of their own middle, in proportion.
        var scale = likely / drawn.P50;
        double Half(double drawn) => Math.Sqrt(Math.Pow(Math.Max(drawn * scale, least), 2) + more * more);
        return new ForetoldNumber(kind, null, likely - Half(drawn.P50 - drawn.P10), likely, likely + Half(drawn.P90 - drawn.P50));
    }

    private static ForetoldNumber About(ForetoldKind kind, double likely, double half, string? shelf = null) =>
        new(kind, shelf, likely - half, likely, likely + half);

    private static ForetoldNumber Widen(ForetoldNumber n, Widening widening)
    {
        static double Round(double value) => Math.Round(value, 3);
        var by = widening.Of(n.Kind);
        // Nothing of it is ever less than none.
        return n with
        {
            From = Math.Max(0, Round(n.Likely - (n.Likely - n.From) * by)),
            Likely = Round(n.Likely),
            To = Round(n.Likely + (n.To - n.Likely) * by),
            Widened = by,
        };
    }
}
