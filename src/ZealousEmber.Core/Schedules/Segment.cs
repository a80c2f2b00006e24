using NodaTime;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Schedules;

/// <summary>One step: a pace, a target, and how long it is held there. Cannot be built wrong.</summary>
public sealed record Segment
{
    private Segment(Pace pace, Temperature? target, Duration hold, string? reason, Atmosphere? atmosphere) =>
        (Pace, Target, Hold, Reason, Atmosphere) = (pace, target, hold, reason, atmosphere);

    /// <summary>How it goes there.</summary>
    public Pace Pace { get; }

    /// <summary>Where it goes, −20 … 1400 °C; none only for a last "off", which cools until the kiln may be opened.</summary>
    public Temperature? Target { get; }

    /// <summary>How long it stays there, 0 … 99 h, to the millisecond.</summary>
    public Duration Hold { get; }

    /// <summary>The hold in minutes, the very number it was given as (for up to four decimals).</summary>
    public double HoldMinutes => Hold.TotalMilliseconds / 60_000;

    /// <summary>Why the step is there, one line, or nothing.</summary>
    public string? Reason { get; }

    /// <summary>The kiln's air meanwhile, where somebody said.</summary>
    public Atmosphere? Atmosphere { get; }

    /// <summary>A last step with the power off and no target.</summary>
    public bool IsEndOff => Target is null;

    /// <summary>The same step to another target and hold, which the caller knows to be within the limits.</summary>
    internal Segment With(Temperature target, Duration hold) => new(Pace, target, hold, Reason, Atmosphere);

    /// <summary>The same step in another air, or in none said.</summary>
    public Segment In(Atmosphere? atmosphere) => new(Pace, Target, Hold, Reason, atmosphere);

    /// <summary>
    /// The same step at another pace, to another target, with another hold; what is missing stays. Problems as <see cref="Create"/> gives them, in °C.
    /// </summary>
    public Result<Segment> Changed(Pace? pace = null, Temperature? target = null, Duration? hold = null) =>
        Of(pace ?? Pace, target ?? Target, hold ?? Hold, Reason, Atmosphere);

    /// <summary>
    /// The same step with its target in whole degrees of a scale and its hold in whole minutes, as it would be typed; never outside the limits.
    /// </summary>
    public Segment Whole(TemperatureUnit unit)
    {
        if (Target is not { } target)
            return this;
        var (low, high) = (Math.Ceiling(ScheduleLimits.Coldest.In(unit)), Math.Floor(ScheduleLimits.Hottest.In(unit)));
        return With(Temperature.From(Math.Clamp(Math.Round(target.In(unit)), low, high), unit), Duration.FromMinutes(Math.Round(HoldMinutes)));
    }

    /// <summary>
    /// Builds a step from values that have their own types. Problems name <c>rate</c>, <c>target</c>, <c>holdMinutes</c>, <c>reason</c>
    /// and speak in °C.
    /// </summary>
    public static Result<Segment> Of(Pace pace, Temperature? target, Duration hold = default, string? reason = null, Atmosphere? atmosphere = null) =>
        Create(pace.Kind, pace.Rate?.KelvinsPerHour, target?.Celsius, hold.TotalMilliseconds / 60_000, TemperatureUnit.Celsius, reason, atmosphere);

    /// <summary>
    /// Builds a step from what a person gave. Problems name the fields <c>rate</c>, <c>target</c>, <c>holdMinutes</c>
    /// and <c>reason</c>, and speak in the unit given.
    /// </summary>
    /// <param name="pace">Which pace; null when the word was not understood.</param>
    /// <param name="rate">Degrees an hour, more than 0 up to 2000 °C/h; only read for a pace at a rate.</param>
    /// <param name="target">Degrees, −20 … 1400 °C; may be missing only with the power off.</param>
    /// <param name="holdMinutes">Minutes, 0 … 5940; missing means none.</param>
    /// <param name="unit">The scale of rate and target.</param>
    /// <param name="reason">One line up to 200 characters; white space runs become one space.</param>
    /// <param name="atmosphere">The kiln's air, or nothing.</param>
    public static Result<Segment> Create(
        PaceKind? pace,
        double? rate,
        double? target,
        double? holdMinutes,
        TemperatureUnit unit,
        string? reason = null,
        Atmosphere? atmosphere = null
    )
    {
        var problems = new List<Problem>();
        T? Take<T>(Result<T> result)
            where T : class
        {
            problems.AddRange(result.Problems);
            return result.IsOk ? result.Value : null;
        }

        var checkedPace = pace switch
        {
            PaceKind.Rate => Take(ReadRate(rate, unit)),
            PaceKind.Full => Pace.Full,
            PaceKind.Natural => Pace.Natural,
            _ => Take<Pace>(new Problem("pace", "A pace is one of rate, full or natural.")),
        };

        Temperature? checkedTarget = null;
        if (target is null && pace == PaceKind.Natural)
        {
            if (holdMinutes is > 0)
                problems.Add(
                    new Problem(
                        "holdMinutes",
                        "With the power off and no temperature given there is nothing to hold at. Give the step a temperature, or take the hold away."
                    )
                );
        }
        else if (target is null)
        {
            problems.Add(new Problem("target", "This step needs a temperature to go to."));
        }
        else
        {
            var read = ScheduleLimits.ReadTemperature(target, unit, "target");
            problems.AddRange(read.Problems);
            if (read.IsOk)
                checkedTarget = read.Value;
        }

        var longest = ScheduleLimits.LongestHold.TotalMinutes;
        var minutes = holdMinutes ?? 0;
        if (!(minutes >= 0 && minutes <= longest))
            problems.Add(
                new Problem(
                    "holdMinutes",
                    minutes < 0
                        ? $"A hold cannot be shorter than nothing; this says {Phrases.Number(minutes)} min."
                        : $"A hold lasts at most 99 h ({Phrases.Number(longest)} min); this says {Phrases.Number(minutes)} min."
                )
            );

        var line = Text.OneLine(reason);
        if (line?.Length > ScheduleLimits.Reason)
            problems.Add(new Problem("reason", $"A reason has at most {ScheduleLimits.Reason} characters; this one has {line.Length}."));

        return problems.Count > 0
            ? Result<Segment>.Failed(problems)
            : new Segment(checkedPace!, checkedTarget, Duration.FromMilliseconds((long)Math.Round(minutes * 60_000)), line, atmosphere);
    }

    private static Result<Pace> ReadRate(double? rate, TemperatureUnit unit)
    {
        var fastest = ScheduleLimits.Fastest.PerHourIn(unit);
        var slowest = ScheduleLimits.Slowest.PerHourIn(unit);
        return rate switch
        {
            null => new Problem("rate", "This step needs a pace: degrees an hour, full power, or off."),
            0 => new Problem("rate", "At 0 an hour it would never arrive. Give a rate, or make it a hold."),
            < 0 => new Problem(
                "rate",
                $"A rate is given without a sign, cooling too: the targets say which way it goes. Did you mean {Phrases.Number(-rate.Value)}?"
            ),
            { } r when !(r <= fastest + 1e-6) => new Problem(
                "rate",
                $"A rate is at most {Phrases.Number(fastest)} {unit.Symbol()}/h; this says {Phrases.Number(r)}."
            ),
            { } r when r < slowest - 1e-9 => new Problem(
                "rate",
                $"A rate is at least {Phrases.Number(slowest)} {unit.Symbol()}/h; this says {Phrases.Number(r)}."
            ),
            { } r => Pace.At(Rate.PerHour(r, unit)),
        };
    }
}
