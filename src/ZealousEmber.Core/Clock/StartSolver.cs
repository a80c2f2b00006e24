using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Clock;

/// <summary>What is to be started.</summary>
/// <param name="Energy">What it takes of each carrier, in bins of <see cref="StartSolver.Step"/>; empty where that is not known.</param>
/// <param name="Powered">Until the power goes off for good.</param>
/// <param name="TopAt">When the top is reached.</param>
/// <param name="OpensAt">When it may be opened.</param>
/// <param name="Moments">When a person is wanted.</param>
public sealed record StartTask(IReadOnlyList<EnergyUse> Energy, Duration Powered, Duration TopAt, Duration OpensAt, IReadOnlyList<WatchMoment> Moments)
{
    /// <summary>A schedule in its kiln, as the clock takes it.</summary>
    /// <param name="schedule">What is fired.</param>
    /// <param name="run">What the kiln makes of it.</param>
    /// <param name="boiling">When water boils there.</param>
    public static StartTask Of(Schedule schedule, KilnRun run, Temperature boiling)
    {
        var opensAt = run.OpensAt ?? run.Compiled.Total;
        var moments = WatchMoment.Of(schedule, run.Compiled, opensAt, boiling);
        return new StartTask(run.Uses, run.Compiled.Powered, moments.FirstOrDefault(m => m.Kind == WatchKind.Top)?.At ?? Duration.Zero, opensAt, moments);
    }
}

/// <summary>What the start must keep to.</summary>
/// <param name="From">Earliest start.</param>
/// <param name="Until">Latest start.</param>
/// <param name="OpenBy">It must be open by then.</param>
/// <param name="TopAt">The top must be within half an hour of then.</param>
public sealed record StartWindow(Instant From, Instant Until, Instant? OpenBy = null, Instant? TopAt = null);

/// <summary>A start that keeps every rule.</summary>
/// <param name="At">When to switch on.</param>
/// <param name="Cost">Of the power, in the studio's money.</param>
/// <param name="Discomfort">Moments at night or with nobody in, weighted; 0 is best.</param>
/// <param name="Why">What speaks for it and against it, a sentence each.</param>
public sealed record StartChoice(Instant At, double Cost, double Discomfort, ImmutableArray<string> Why);

/// <summary>The best starts, or why there is none.</summary>
/// <param name="Choices">Best first, at least two hours apart; empty when no start keeps every rule.</param>
/// <param name="Dearest">Cost of the dearest start that keeps the rules; what the best saves is seen against it.</param>
/// <param name="Tried">Starts tried.</param>
/// <param name="Possible">Starts that keep every rule.</param>
/// <param name="WhyNone">What stands in the way; nothing when there is a choice.</param>
public sealed record StartAnswer(ImmutableArray<StartChoice> Choices, double Dearest, int Tried, int Possible, string? WhyNone);

/// <summary>Finds when to start: every rule kept, then the lowest cost, then the comfort of people, over a week by five minutes.</summary>
public static class StartSolver
{
    /// <summary>Starts lie on these; also the length of a bin of energy.</summary>
    public static readonly Duration Step = KilnRun.Bin;

    /// <summary>Longest stretch searched.</summary>
    public static readonly Duration LongestSearch = Duration.FromDays(31);

    private const int Shown = 3;
    private static readonly Duration Apart = Duration.FromHours(2);
    private static readonly Duration NearTop = Duration.FromMinutes(30);
    private static readonly LocalTime Evening = new(22, 0);
    private static readonly LocalTime Morning = new(7, 0);

    /// <summary>Finds the best starts.</summary>
    public static StartAnswer Best(StartTask task, StartWindow wish, StudioSettings studio)
    {
        var first = RoundUp(wish.From);
        var tried = wish.Until >= first ? (int)((wish.Until - first) / Step) + 1 : 0;
        var span = Duration.Max(task.OpensAt, Step * task.Energy.Select(e => e.KwhPerBin.Length).DefaultIfEmpty(0).Max()) + Duration.FromHours(2);
        var slots = new Slots(first, tried + (int)(span / Step) + 2, studio);
        var watched = Watched(task, studio.Rule, studio.Marked);
        var costs = slots.Costs(task.Energy, tried);
        var refusals = new Dictionary<string, int>();
        void Refuse(string why) => refusals[why] = refusals.GetValueOrDefault(why) + 1;

        var possible = new List<(int Slot, double Cost, double Discomfort)>();
        for (var slot = 0; slot < tried; slot++)
        {
            var at = first + Step * slot;
            if (wish.OpenBy is { } by && at + task.OpensAt > by)
                Refuse("openBy");
            else if (wish.TopAt is { } top && Abs(at + task.TopAt - top) > NearTop)
                Refuse("topAt");
            else if (studio.Rule == AttendanceRule.NeverAlone && !slots.SomebodyThroughout(slot, task.Powered))
                Refuse("alone");
            else if (watched.FirstOrDefault(m => !slots.SomebodyThroughout(slot, m.Lasts, m.At)) is { } missed)
                Refuse(missed.Kind.ToString());
            else
                possible.Add((slot, costs[slot], slots.Discomfort(slot, task.Moments)));
        }
        if (possible.Count == 0)
            return new StartAnswer([], 0, tried, 0, WhyNone(refusals, tried, task, studio, watched));

        var cheapest = possible.Min(p => p.Cost);
        var dearest = possible.Max(p => p.Cost);
        // Sums within one part in a hundred of the cheapest are the same to anybody who pays them.
        var bucket = Math.Max(Math.Abs(cheapest) * 0.01, 1e-9);
        var ranked = possible.OrderBy(p => Math.Floor((p.Cost - cheapest) / bucket)).ThenBy(p => p.Discomfort).ThenBy(p => p.Slot);
        var chosen = new List<(int Slot, double Cost, double Discomfort)>();
        foreach (var candidate in ranked)
        {
            if (chosen.All(c => Abs(Step * (c.Slot - candidate.Slot)) >= Apart))
                chosen.Add(candidate);
            if (chosen.Count == Shown)
                break;
        }
        return new StartAnswer(
            [
                .. chosen.Select(c => new StartChoice(
                    first + Step * c.Slot,
                    c.Cost,
                    c.Discomfort,
                    Why(first + Step * c.Slot, c, task, studio, cheapest, dearest)
                )),
            ],
            dearest,
            tried,
            possible.Count,
            null
        );
    }

    private static Duration Abs(Duration d) => d < Duration.Zero ? -d : d;

    /// <summary>The moments somebody must be there for under a rule.</summary>
    private static List<WatchMoment> Watched(StartTask task, AttendanceRule rule, ImmutableArray<WatchKind> marked) =>
        [
            .. task.Moments.Where(m =>
                rule switch
                {
                    AttendanceRule.MarkedMoments => marked.Contains(m.Kind),
                    AttendanceRule.AlarmBetween => m.Kind is WatchKind.SwitchOn or WatchKind.Top,
                    _ => false,
                }
            ),
        ];

    private static ImmutableArray<string> Why(
        Instant at,
        (int Slot, double Cost, double Discomfort) choice,
        StartTask task,
        StudioSettings studio,
        double cheapest,
        double dearest
    )
    {
        var why = new List<string>();
        if (dearest - cheapest > Math.Max(0.02 * dearest, 1e-9))
        {
            why.Add(
                choice.Cost <= cheapest * 1.01
                    ? $"Cheapest there is: {Share(1 - choice.Cost / dearest)} less than the dearest start."
                    : $"{Share(choice.Cost / Math.Max(cheapest, 1e-9) - 1)} dearer than the cheapest start."
            );
        }
        else
            why.Add("Power costs the same whenever it starts.");

        var alone = task.Moments.Where(m => m.Kind != WatchKind.Open && !studio.InAt(at + m.At).Any()).ToList();
        var night = task
            .Moments.Where(m => m.Kind is not (WatchKind.Open or WatchKind.FirstColour) && IsNight((at + m.At).InZone(studio.Zone).TimeOfDay))
            .ToList();
        if (alone.Count == 0)
            why.Add("Somebody is in at every moment that wants a person.");
        else
            why.Add($"Nobody is in for {Phrases.List(alone.Select(m => Name(m.Kind)))}.");
        if (night.Count > 0)
            why.Add($"At night: {Phrases.List(night.Select(m => Name(m.Kind)))}.");
        return [.. why];
    }

    private static string WhyNone(Dictionary<string, int> refusals, int tried, StartTask task, StudioSettings studio, List<WatchMoment> watched)
    {
        if (tried == 0)
            return "There is no time between the earliest and the latest start.";
        var worst = refusals.MaxBy(r => r.Value).Key;
        return worst switch
        {
            "openBy" => $"It takes {Phrases.Hours(task.OpensAt)} from switching on until it may be opened; no start in this time is open by then.",
            "topAt" => $"The top comes {Phrases.Hours(task.TopAt)} after switching on; no start in this time brings it there.",
            "alone" => studio.People.Length == 0
                ? "The rule is that the kiln is never alone, and nobody's hours are known. Say who is in when, or change the rule."
                : $"The rule is that the kiln is never alone, and the power is on for {Phrases.Hours(task.Powered)}: nobody's hours cover that.",
            _ when studio.People.Length == 0 => "Somebody has to be in, and nobody's hours are known. Say who is in when, or change the rule.",
            _ => Missed(refusals, watched),
        };
    }

    /// <summary>The moment furthest on that any start came to with nobody in: what came before it could be had.</summary>
    private static string Missed(Dictionary<string, int> refusals, List<WatchMoment> watched)
    {
        var last = watched.FindLastIndex(m => refusals.ContainsKey(m.Kind.ToString()));
        var said =
            last > 0
                ? $"Whenever somebody is in for {Name(watched[last - 1].Kind)}, nobody is in for {Name(watched[last].Kind)}"
                : $"Nobody is ever in for {Name(watched[last].Kind)}";
        return $"{said}. Longer hours, another rule or a shorter schedule would help.";
    }

    /// <summary>A moment in words, inside a sentence.</summary>
    public static string Name(WatchKind kind) =>
        kind switch
        {
            WatchKind.SwitchOn => "switching on",
            WatchKind.SteamCheck => "the steam check",
            WatchKind.FirstColour => "first colour",
            WatchKind.Reduction => "the reduction",
            WatchKind.Top => "the top",
            WatchKind.PowerOff => "power off",
            _ => "opening",
        };

    private static string Share(double share) => $"{Math.Round(share * 100):0} %";

    private static bool IsNight(LocalTime time) => time >= Evening || time < Morning;

    private static Instant RoundUp(Instant at)
    {
        var ticks = Step.BclCompatibleTicks;
        var since = at.ToUnixTimeTicks();
        var over = ((since % ticks) + ticks) % ticks;
        return over == 0 ? at : Instant.FromUnixTimeTicks(since - over + ticks);
    }

    /// <summary>Price, presence and night of every five minutes, worked out once; a local hour that comes twice or never is what the zone says.</summary>
    private sealed class Slots
    {
        private readonly Dictionary<EnergyCarrier, double[]> prices = [];
        private readonly int[] alone;
        private readonly bool[] night;

        public Slots(Instant first, int count, StudioSettings studio)
        {
            (alone, night) = (new int[count + 1], new bool[count]);
            foreach (var tariff in studio.Prices.Tariffs)
                prices[tariff.Carrier] = new double[count];
            for (var i = 0; i < count; i++)
            {
                var local = (first + Step * i).InZone(studio.Zone).LocalDateTime;
                foreach (var tariff in studio.Prices.Tariffs)
                    prices[tariff.Carrier][i] = tariff.At(local);
                night[i] = IsNight(local.TimeOfDay);
                var somebody = studio.People.Any(p => p.Hours.Any(h => h.Contains(local)));
                alone[i + 1] = alone[i] + (somebody ? 0 : 1);
            }
        }

        public double[] Costs(IReadOnlyList<EnergyUse> uses, int starts)
        {
            var costs = new double[starts];
            foreach (var use in uses)
            {
                if (!prices.TryGetValue(use.Carrier, out var price))
                    continue;
                var energy = use.KwhPerBin.ToArray();
                for (var start = 0; start < starts; start++)
                {
                    var sum = 0.0;
                    for (var i = 0; i < energy.Length; i++)
                        sum += energy[i] * price[start + i];
                    costs[start] += sum;
                }
            }
            return costs;
        }

        /// <summary>True when somebody is in for the whole of a stretch.</summary>
        public bool SomebodyThroughout(int start, Duration lasts, Duration after = default)
        {
            var from = Index(start + after / Step);
            var to = Math.Max(from + 1, Index(Math.Ceiling(start + (after + lasts) / Step - 1e-9)));
            return alone[to] - alone[from] == 0;
        }

        /// <summary>One for a moment with nobody in, one for a moment at night; the top and switching on count double, opening a quarter.</summary>
        public double Discomfort(int start, IReadOnlyList<WatchMoment> moments)
        {
            var sum = 0.0;
            foreach (var moment in moments)
            {
                var slot = Index(start + moment.At / Step);
                var weight = moment.Kind switch
                {
                    WatchKind.Top or WatchKind.SwitchOn => 2,
                    WatchKind.Open or WatchKind.FirstColour => 0.25,
                    _ => 1.0,
                };
                if (night[slot])
                    sum += weight;
                if (alone[slot + 1] > alone[slot])
                    sum += weight;
            }
            return sum;
        }

        private int Index(double slot) => Math.Clamp((int)slot, 0, night.Length - 1);
    }
}
