using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>
/// The climb from the drying to about the top, on the curve of this kiln with this load: where the ware is the limit its rate, where the kiln is, its full
/// power.
/// </summary>
internal sealed class ClimbPlanner
{
    private const double Every = 25;
    private const double MostBehind = 0.65;
    private const double SlowestOneRate = 30;
    private const double LessEachTime = 0.96;

    /// <summary>A limit that sets the number of a step to so much is said with it.</summary>
    public const double ToBeSaid = 1.08;

    private const double FarDown = 1.3;
    private const double CouldGo = 1.12;
    private const double OfAnHour = 60;
    private const double WorthSaying = 5;
    private const double MostOff = 1.5;
    private const double GoodPart = 0.15;
    private const double Half = 0.5;
    private const int MostReasons = 2;
    private const string OneRateToTheTop = "one rate to the top";

    private readonly PlanOptions wish;
    private readonly IKilnModel kiln;
    private readonly PlanWriter write;
    private readonly double from;
    private readonly double top;
    private readonly List<ClimbLimit> limits;
    private readonly List<Stretch> stretches;
    private readonly StepChooser chooser;

    /// <summary>Lays the climb out.</summary>
    /// <param name="load">What is in the kiln.</param>
    /// <param name="wish">What is wished for.</param>
    /// <param name="kiln">Where.</param>
    /// <param name="write">In which numbers.</param>
    /// <param name="from">Where the climb begins, °C.</param>
    /// <param name="top">About where it ends, °C.</param>
    /// <param name="most">Most steps there may be.</param>
    /// <param name="after">Limits the drying left behind.</param>
    /// <param name="lastHundred">Whether the last hundred degrees go at the cone's pace.</param>
    /// <param name="crawl">Slower than this, °C/h, no long step is where only a part of it asks for that.</param>
    public ClimbPlanner(
        WareLoad load,
        PlanOptions wish,
        IKilnModel kiln,
        PlanWriter write,
        double from,
        double top,
        int most,
        IReadOnlyList<ClimbLimit> after,
        bool lastHundred,
        double crawl
    )
    {
        (this.wish, this.kiln, this.write, this.from, this.top) = (wish, kiln, write, from, top);
        limits = [.. ClimbRules.Of(load, wish, kiln, write, from, top, lastHundred), .. after];
        // Counted in one scale for both, so that they fire alike; only the numbers keyed in are those of the other.
        var celsius = wish with { Unit = TemperatureUnit.Celsius };
        List<ClimbLimit> counted =
            wish.Unit == TemperatureUnit.Celsius ? limits : [.. ClimbRules.Of(load, celsius, kiln, new PlanWriter(celsius), from, top, lastHundred), .. after];
        // A gas kiln is turned up to a pace; nothing in it is full power with the air a step asks for.
        stretches = ClimbLimits.Lay(
            from,
            top,
            counted,
            Grid(from, lastHundred ? ClimbRules.Approach(from, top, celsius) : top),
            (a, b) => Able((a + b) / 2),
            !kiln.Burns
        );
        if (wish.Preferences.Approach == ApproachOption.OneRate)
            stretches = OneRate(stretches, after.Count > 0 ? Math.Min(top, after.Max(l => l.To)) : from);
        chooser = new StepChooser(stretches, Math.Max(1, most), rate => FriendlyNumbers.RateNear(rate, TemperatureUnit.Celsius), keepsUp: true, crawl);
    }

    /// <summary>Hours, and what the steps are worth, in at most so many; without end where there is no way.</summary>
    public double Cost(int most) => chooser.Best(most) is > 0 and var count ? chooser.Hours(count) + StepChooser.Worth * count : double.PositiveInfinity;

    /// <summary>The fewest steps there is a way in.</summary>
    public int Fewest => Enumerable.Range(1, chooser.Most).FirstOrDefault(k => double.IsFinite(chooser.Hours(k)), chooser.Most);

    /// <summary>What the kiln makes at full power, °C/h; without end where nobody knows.</summary>
    public double Able(double celsius) =>
        kiln.FastestClimb(Temperature.FromCelsius(celsius))?.KelvinsPerHour is { } can ? Math.Max(1, can) : double.PositiveInfinity;

    /// <summary>The steps, the last with a hold.</summary>
    /// <param name="most">Most of them, at least 1.</param>
    /// <param name="hold">At the top.</param>
    public List<PlanStep> Steps(int most, Duration hold)
    {
        var chosen = chooser.Steps(chooser.Best(most));
        return
        [
            .. chosen.Select(
                (step, i) =>
                    Write(step, i == chosen.Count - 1 ? hold : Duration.Zero, i == chosen.Count - 1) with
                    {
                        Paces = [.. stretches.Skip(step.First).Take(step.Last - step.First + 1).Select(s => s.Limits)],
                    }
            ),
        ];
    }

    private static IEnumerable<double> Grid(double from, double to)
    {
        for (var t = Math.Ceiling(from / Every) * Every; t < to; t += Every)
            yield return t;
    }

    /// <summary>A rate chosen in °C in the numbers of the other scale: friendly where that makes no difference of minutes, else to the degree.</summary>
    private double AsKeyedIn(double rate, double span)
    {
        if (wish.Unit == TemperatureUnit.Celsius)
            return rate;
        var friendly = write.Friendly(rate);
        return Math.Abs(span / friendly - span / rate) * OfAnHour < MostOff
            ? friendly
            : Rate.PerHour(Math.Max(1, Math.Round(Rate.PerHour(rate).PerHourIn(wish.Unit))), wish.Unit).KelvinsPerHour;
    }

    /// <summary>A mark of the way as it is keyed in; where it begins and ends stays.</summary>
    private double Mark(double celsius) => celsius == from || celsius == top ? celsius : FriendlyNumbers.Nearest(celsius, wish.Unit);

    /// <summary>One number from the drying on: the slowest asked for, and no faster than the kiln keeps up with but for the end.</summary>
    private List<Stretch> OneRate(List<Stretch> all, double dry)
    {
        var rest = all.Where(p => p.From >= dry - 0.5).ToList();
        if (rest.Count == 0)
            return all;
        var rate = rest.Min(p => p.Asked);
        // Hours behind its number it would be none: a slower one that the kiln keeps to but for the end.
        double Behind() => rest.Sum(p => Math.Max(0, p.Hours(rate) - (p.To - p.From) / rate));
        while (Behind() > MostBehind && rate > SlowestOneRate)
            rate *= LessEachTime;
        return [.. all.Where(p => p.From < dry - 0.5), new Stretch(rest[0].From, rest[^1].To, rate, double.PositiveInfinity, false)];
    }

    private PlanStep Write(ChosenStep step, Duration hold, bool last)
    {
        var (low, high) = (Mark(stretches[step.First].From), Mark(stretches[step.Last].To));
        var rate = AsKeyedIn(step.Rate, high - low);
        if (step.Runs)
            return AtFullPower(low, high, hold, last);
        var says = Deciding(step, low, high);
        var one = wish.Preferences.Approach == ApproachOption.OneRate && step.Last == stretches.Count - 1;
        if (says.Count == 0)
            return one
                ? write.At(
                    rate,
                    high,
                    hold,
                    OneRateToTheTop,
                    $"One rate throughout, as quick as this kiln keeps to but for its end: near {write.Degrees(high)} it makes about "
                        + $"{write.Pace(Able(high))} an hour at full power.",
                    "kiln",
                    Basis.Kiln(high, Able(high))
                )
                : OfTheKiln(rate, low, high, hold);
        var (first, others) = (says[0].Limit, says.Skip(1));
        var why =
            (one ? "One rate throughout, as slow as the slowest limit asks. " : "")
            + first.Why
            + string.Concat(others.Select(o => $" From {write.Degrees(o.From)} on: {Lower(o.Limit.Why)}"))
            + CouldBeFaster(step, high);
        return write.At(rate, high, hold, one ? OneRateToTheTop : first.Short, why, first.By, first.Basis);
    }

    /// <summary>The limits that set the number of a step, each with where it begins to: those that hold for a good part of it, two at most.</summary>
    private List<(ClimbLimit Limit, double From)> Deciding(ChosenStep step, double low, double high)
    {
        var says = new List<(ClimbLimit Limit, double From, double Holds)>();
        var marks = limits.SelectMany(l => new[] { l.From, l.To }).Where(t => t > low && t < high).Append(low).Append(high).Distinct().Order().ToList();
        foreach (var (from, to) in marks.Zip(marks.Skip(1)))
        {
            if (ClimbLimits.At(limits, (from + to) / 2) is not { } rule || rule.Rate > step.Rate * ToBeSaid)
                continue;
            var known = says.FindIndex(s => s.Limit.By == rule.By && s.Limit.Short == rule.Short);
            if (known < 0)
                says.Add((rule, from, to - from));
            else
                says[known] = says[known] with { Holds = says[known].Holds + to - from };
        }
        // A very slow rate is rounded far down: then it is the slowest that counts. Above what all of them ask it is the kiln.
        if (
            says.Count == 0
            && limits.Where(l => l.From < high && l.To > low).MinBy(l => l.Rate) is { } slowest
            && (slowest.Rate <= step.Rate * FarDown || double.IsInfinity(Able(high)))
        )
            says.Add((slowest, low, high - low));
        return
        [
            .. says.OrderBy(s => s.Holds < GoodPart * (high - low))
                .ThenBy(s => s.Limit.IsHabit && s.Holds < Half * (high - low))
                .Take(MostReasons)
                .OrderBy(s => s.From)
                .Select(s => (s.Limit, s.From)),
        ];
    }

    /// <summary>Where part of a step could go faster and is not worth one of its own, it says so.</summary>
    private string CouldBeFaster(ChosenStep step, double high)
    {
        var from = step.Last + 1;
        while (from > step.First && Math.Min(stretches[from - 1].Asked, stretches[from - 1].Able) > step.Rate * CouldGo)
            from--;
        if (from > step.Last || from == step.First)
            return "";
        var saves = Enumerable.Range(from, step.Last - from + 1).Sum(i => stretches[i].Hours(step.Rate) - stretches[i].Hours(stretches[i].Asked)) * OfAnHour;
        return saves < WorthSaying
            ? ""
            : $" Above {write.Degrees(Mark(stretches[from].From))} it could go faster; a step more would save "
                + $"{Phrases.Hours(Duration.FromMinutes(Math.Ceiling(saves)))}.";
    }

    private PlanStep AtFullPower(double low, double high, Duration hold, bool last)
    {
        var (first, end) = (write.Pace(Able(low)), write.Pace(Able(high)));
        var slow = Able(high) < ClimbRules.LastPace;
        var (brief, why, by) =
            last && slow
                ? (
                    "full power to the top",
                    $"Near the top this kiln climbs about {end} an hour at full power, less than the {write.Pace(write.Friendly(ClimbRules.LastPace))} "
                        + "cone numbers are told at; the top is solved for what it really does.",
                    "approach"
                )
                : (
                    "as fast as the kiln can",
                    $"Nothing in the ware asks for less than the kiln can do: at full power about {first} an hour at {write.Degrees(low)} and {end} at "
                        + $"{write.Degrees(high)}.",
                    "kiln"
                );
        return new PlanStep(Segment.Of(Pace.Full, Temperature.FromCelsius(high), hold, brief).Value, why, by, Basis: Basis.Kiln(high, Able(high)));
    }

    /// <summary>A rate that the kiln sets where it cannot be left to itself.</summary>
    private PlanStep OfTheKiln(double rate, double low, double high, Duration hold)
    {
        var what = kiln.Burns ? "burners and draft give no more" : "the elements are at full power";
        return write.At(
            rate,
            high,
            hold,
            "as fast as this kiln can",
            $"A faster step would only fall behind: near {write.Degrees(Able(low) < Able(high) ? low : high)} {what}, about "
                + $"{write.Pace(Math.Min(Able(low), Able(high)))} an hour.",
            "kiln",
            Basis.Kiln(high, Able(high))
        );
    }

    private static string Lower(string sentence) =>
        sentence.Length > 1 && char.IsUpper(sentence[0]) && char.IsLower(sentence[1]) ? char.ToLowerInvariant(sentence[0]) + sentence[1..] : sentence;
}
