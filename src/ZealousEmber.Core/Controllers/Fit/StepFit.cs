using System.Collections.Immutable;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>From one point of the wanted curve straight to another.</summary>
/// <param name="From">Index of a point.</param>
/// <param name="To">Index of a later one.</param>
/// <param name="Parts">In so many equal parts, where it is too long for one step.</param>
internal readonly record struct Piece(int From, int To, int Parts);

/// <summary>
/// The steps of a controller that come nearest to a wanted curve: dynamic programming over steps used, point reached and whether a ramp led there;
/// the least cost, then the fewest steps.
/// </summary>
internal sealed class StepFit
{
    private const double OutsideCost = 1000;
    private const double Same = 1e-9;
    private readonly ControllerProfile profile;
    private readonly WantedCurve wanted;
    private readonly StepWords words;
    private readonly StraightPieces pieces;
    private readonly int last;

    public StepFit(ControllerProfile profile, WantedCurve wanted, StepWords words)
    {
        (this.profile, this.wanted, this.words, pieces) = (profile, wanted, words, new StraightPieces(wanted));
        // What comes after the top is said otherwise, or not at all.
        last = profile.Cooling == CoolingRule.Steps ? wanted.Points.Count - 1 : wanted.TopEnd;
    }

    /// <summary>The pieces and what they cost; nothing when there are too few steps for any.</summary>
    public (ImmutableArray<Piece> Pieces, double Cost)? Best(int most)
    {
        // Of each number of steps, point and kind of arrival: the least cost, and where it came from.
        var cost = new double[most + 1, last + 1, 2];
        var came = new (int Steps, int Point, int Ramp, int Parts)[most + 1, last + 1, 2];
        for (var s = 0; s <= most; s++)
        {
            for (var i = 0; i <= last; i++)
                (cost[s, i, 0], cost[s, i, 1]) = (double.PositiveInfinity, double.PositiveInfinity);
        }
        cost[0, 0, 0] = 0;
        for (var i = 0; i < last; i++)
        {
            for (var j = i + 1; j <= last && MayJoin(i, j); j++)
            {
                var (isFlat, parts, price) = Price(i, j);
                for (var s = 0; s <= most; s++)
                {
                    for (var r = 0; r < 2; r++)
                    {
                        var before = cost[s, i, r];
                        if (double.IsInfinity(before))
                            continue;
                        var (steps, extra) = Steps(i, j, isFlat, r == 1, parts);
                        var (to, arrives, total) = (s + steps, isFlat ? 0 : 1, before + price + extra);
                        if (to > most || total >= cost[to, j, arrives] - Same)
                            continue;
                        cost[to, j, arrives] = total;
                        came[to, j, arrives] = (s, i, r, parts);
                    }
                }
            }
        }
        (int Steps, int Ramp)? best = null;
        for (var s = 0; s <= most; s++)
        {
            for (var r = 0; r < 2; r++)
            {
                if (!double.IsInfinity(cost[s, last, r]) && (best is not { } found || cost[s, last, r] < cost[found.Steps, last, found.Ramp] - 1e-6))
                    best = (s, r);
            }
        }
        if (best is not { } end)
            return null;
        var path = new List<Piece>();
        var (at, point, ramp) = (end.Steps, last, end.Ramp);
        while (point > 0)
        {
            var from = came[at, point, ramp];
            path.Insert(0, new Piece(from.Point, point, from.Parts));
            (at, point, ramp) = (from.Steps, from.Point, from.Ramp);
        }
        return ([.. path], cost[end.Steps, last, end.Ramp]);
    }

    /// <summary>Both ends of the top stay.</summary>
    private bool MayJoin(int from, int to) => !(from < wanted.TopStart && to > wanted.TopStart) && !(from < wanted.TopEnd && to > wanted.TopEnd);

    private (bool IsFlat, int Parts, double Price) Price(int from, int to)
    {
        var (a, b) = (wanted.Points[from], wanted.Points[to]);
        var isFlat = Math.Abs(a.Celsius - b.Celsius) < 0.5;
        var whole = to == from + 1 ? wanted.Stretches[from].Kind : StretchKind.Ramp;
        if (!isFlat && to == from + 1 && whole is StretchKind.Full or StretchKind.Off && words.For(whole) is not null)
            return (false, 1, 0);
        var hours = b.Hours - a.Hours;
        var price = pieces.Cost(from, to);
        if (profile.Give == StepForm.Time)
        {
            var (minutes, time) = (hours * 60, profile.Find("time")!);
            var parts = Parts(minutes / time.Max);
            return (isFlat, parts, price + (minutes / parts < Math.Max(time.Min, 0.5) ? OutsideCost : 0));
        }
        if (isFlat)
        {
            var longest = profile.Find("hold")!.Max;
            return (true, longest > 0 ? Parts(hours * 60 / longest) : 1, price + (longest > 0 ? 0 : OutsideCost));
        }
        var rate = words.RateOf(Math.Abs(b.Celsius - a.Celsius) / hours);
        var question = profile.Find("rate")!;
        return (false, 1, price + (rate < question.Min - question.Step / 2 || rate > question.Max + question.Step / 2 ? OutsideCost : 0));
    }

    /// <summary>Whole parts of so many times the longest; one more than any controller has steps where it is far too many.</summary>
    private static int Parts(double times) => times > 1 ? (int)Math.Min(Math.Ceiling(times - 1e-9), ControllerProfile.MostSteps + 1) : 1;

    /// <summary>Steps a piece takes, and what it costs where it cannot really be said.</summary>
    private (int Steps, double Extra) Steps(int from, int to, bool isFlat, bool afterRamp, int parts)
    {
        if (!isFlat || profile.Give == StepForm.Time)
            return (parts, 0);
        if (profile.Hold == HoldRule.Top)
            return from == wanted.TopStart && to == wanted.TopEnd ? (0, (parts - 1) * OutsideCost) : (1, OutsideCost);
        return (afterRamp ? parts - 1 : parts, 0);
    }
}
