using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Planning;

/// <summary>A short stretch of the way up or down: what is asked there, and what the kiln does when left to itself.</summary>
/// <param name="From">Where it is entered, °C.</param>
/// <param name="To">Where it is left, °C.</param>
/// <param name="Asked">The fastest planned rate, °C/h, without a sign; without end where nothing asks.</param>
/// <param name="Able">What the kiln makes by itself: at full power up, off down; °C/h, without end where nobody knows.</param>
/// <param name="MayRun">Whether it may be left to itself here.</param>
internal readonly record struct Stretch(double From, double To, double Asked, double Able, bool MayRun)
{
    /// <summary>Hours at a rate, or at what the kiln makes where that is less.</summary>
    public double Hours(double rate) => Math.Abs(To - From) / Math.Min(rate, Able);

    /// <summary>The same for whoever asks why.</summary>
    public PaceLimits Limits => new(Temperature.FromCelsius(From), Temperature.FromCelsius(To), Said(Asked), Said(Able));

    private static Rate? Said(double rate) => double.IsFinite(rate) ? Rate.PerHour(rate) : null;
}

/// <summary>Stretches that become one step.</summary>
/// <param name="First">Index of the first piece.</param>
/// <param name="Last">Index of the last.</param>
/// <param name="Runs">The kiln is left to itself.</param>
/// <param name="Rate">°C/h; nothing where it runs by itself.</param>
/// <param name="Hours">What it takes.</param>
internal readonly record struct ChosenStep(int First, int Last, bool Runs, double Rate, double Hours);

/// <summary>
/// The quickest way through stretches in a number of steps. A step is one rate, the slowest asked in it, or the kiln left to itself. One that saves less than
/// it is
/// worth to key it in is left out: what binds least goes first. The same sum for every kiln, kind and number of steps, up and down.
/// </summary>
internal sealed class StepChooser
{
    /// <summary>Hours a step has to save.</summary>
    public const double Worth = 0.2;

    private const double MostLag = 10 / 60.0;
    private const double Keeps = 0.97;
    private const double LessEachTime = 0.95;
    private const double LongCrawl = 150;

    private readonly IReadOnlyList<Stretch> stretches;
    private readonly Func<double, double> friendly;
    private readonly bool keepsUp;
    private readonly double crawl;
    private readonly (double Hours, ChosenStep Step)[,] best;

    /// <summary>Weighs every way of cutting stretches into steps.</summary>
    /// <param name="stretches">In their order, at least one.</param>
    /// <param name="most">Most steps, at least 1.</param>
    /// <param name="friendly">A rate as it is keyed in.</param>
    /// <param name="keepsUp">Whether the kiln has to keep up with a rate: on the way up it would catch up faster than the ware stands; down it never
    /// does.</param>
    /// <param name="crawl">Slower than this, °C/h, no long step is where only a part of it asks for that.</param>
    public StepChooser(IReadOnlyList<Stretch> stretches, int most, Func<double, double> friendly, bool keepsUp, double crawl = 0)
    {
        (this.stretches, this.friendly, this.keepsUp, this.crawl) = (stretches, friendly, keepsUp, crawl);
        Most = Math.Min(most, stretches.Count);
        best = new (double, ChosenStep)[Most + 1, stretches.Count + 1];
        for (var k = 0; k <= Most; k++)
        for (var end = 0; end <= stretches.Count; end++)
            best[k, end] = (k == 0 && end == 0 ? 0 : double.PositiveInfinity, default);
        for (var first = 0; first < stretches.Count; first++)
        {
            for (var last = first; last < stretches.Count; last++)
            {
                var step = Of(first, last);
                for (var k = 1; k <= Most; k++)
                {
                    var hours = best[k - 1, first].Hours + step.Hours;
                    if (hours < best[k, last + 1].Hours - 1e-9)
                        best[k, last + 1] = (hours, step);
                }
            }
        }
    }

    /// <summary>Steps that can make a difference.</summary>
    public int Most { get; }

    /// <summary>Hours the quickest way in exactly so many steps takes; without end where there is none.</summary>
    public double Hours(int steps) => steps >= 0 && steps <= Most ? best[steps, stretches.Count].Hours : double.PositiveInfinity;

    /// <summary>How many steps are worth it, of at most so many; 0 where there is no way.</summary>
    public int Best(int most)
    {
        var (count, least) = (0, double.PositiveInfinity);
        for (var k = 1; k <= Math.Min(most, Most); k++)
        {
            var cost = Hours(k) + Worth * k;
            if (cost < least - 1e-9)
                (count, least) = (k, cost);
        }
        return count;
    }

    /// <summary>The quickest way in so many steps, which must be one.</summary>
    public List<ChosenStep> Steps(int count)
    {
        var steps = new List<ChosenStep>();
        for (var end = stretches.Count; count > 0; count--)
        {
            var step = best[count, end].Step;
            end = step.First;
            // Two at one rate are one: cut in two only for the little that each may lag.
            if (steps.Count > 0 && !step.Runs && !steps[0].Runs && steps[0].Rate == step.Rate)
                steps[0] = steps[0] with { First = step.First, Hours = steps[0].Hours + step.Hours };
            else
                steps.Insert(0, step);
        }
        return steps;
    }

    private ChosenStep Of(int first, int last)
    {
        var (asked, runs, free) = (double.PositiveInfinity, true, 0.0);
        for (var i = first; i <= last; i++)
        {
            asked = Math.Min(asked, stretches[i].Asked);
            runs &= stretches[i].MayRun;
            if (runs)
                free += Math.Abs(stretches[i].To - stretches[i].From) / stretches[i].Able;
        }
        var byRate = AtOneRate(first, last, asked);
        return runs && free <= byRate.Hours + 1e-9 ? new ChosenStep(first, last, true, 0, free) : byRate;
    }

    private ChosenStep AtOneRate(int first, int last, double asked)
    {
        if (double.IsInfinity(asked))
            return new ChosenStep(first, last, false, asked, double.PositiveInfinity);
        // A little behind is caught up unnoticed; more would be caught up faster than the ware stands, so that less is asked.
        var rate = asked;
        for (var again = keepsUp; again && Lag(first, last, rate) > MostLag; )
        {
            var slower = Enumerable.Range(first, last - first + 1).Min(i => stretches[i].Able) * Keeps;
            again = slower < rate;
            rate = Math.Max(slower, rate * LessEachTime);
        }
        rate = friendly(rate);
        // A crawl that only a part of it asks for is no step. Behind for good there is nothing to catch up: it may run at full power to its end; else it wants
        // another step.
        if (
            rate < crawl
            && Math.Abs(stretches[last].To - stretches[first].From) > LongCrawl
            && Enumerable.Range(first, last - first + 1).Any(i => stretches[i].Asked > 2 * rate)
        )
        {
            rate = friendly(asked);
            if (rate < crawl || CatchesUp(first, last, rate))
                return new ChosenStep(first, last, false, rate, double.PositiveInfinity);
        }
        var hours = 0.0;
        for (var i = first; i <= last; i++)
            hours += stretches[i].Hours(rate);
        return new ChosenStep(first, last, false, rate, hours);
    }

    /// <summary>Whether it would be behind and then go faster than the ware is asked to.</summary>
    private bool CatchesUp(int first, int last, double rate)
    {
        var lag = 0.0;
        for (var i = first; i <= last; i++)
        {
            var (planned, takes) = (Math.Abs(stretches[i].To - stretches[i].From) / rate, stretches[i].Hours(rate));
            if (lag > MostLag && stretches[i].Able > rate && stretches[i].Able > stretches[i].Asked)
                return true;
            lag += Math.Max(0, takes - planned);
        }
        return false;
    }

    private double Lag(int first, int last, double rate)
    {
        var lag = 0.0;
        for (var i = first; i <= last; i++)
            lag += Math.Max(0, stretches[i].Hours(rate) - Math.Abs(stretches[i].To - stretches[i].From) / rate);
        return lag;
    }
}
