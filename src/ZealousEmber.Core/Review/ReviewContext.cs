using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>What a reviewer looks at: the schedule, the kiln and what it makes of it, and what is in it.</summary>
/// <param name="Schedule">As written.</param>
/// <param name="Kiln">Where it is fired.</param>
/// <param name="Run">What the kiln makes of it.</param>
/// <param name="Progress">Heat work of every cone, in the order of <see cref="Cone.All"/>.</param>
/// <param name="Load">The ware, where it is known.</param>
/// <param name="Units">What sentences give lengths and masses in.</param>
/// <param name="WithFixes">Whether mends are wanted with the findings.</param>
public sealed record ReviewContext(
    Schedule Schedule,
    IKilnModel Kiln,
    KilnRun Run,
    IReadOnlyList<double> Progress,
    WareLoad? Load,
    DisplayUnits Units,
    bool WithFixes = true
)
{
    /// <summary>What is supposed of ware nobody described: thin and bone dry.</summary>
    private static readonly WareLot AverageWare = WareLot.Create("ware", 1, 6).Value;

    /// <summary>The schedule with its times.</summary>
    public CompiledSchedule Compiled => Run.Compiled;

    /// <summary>When water boils there.</summary>
    internal Temperature Boiling => Kiln.Boiling;

    /// <summary>True once it is written to its end: something comes after its top. Until then its top is only as far as somebody has got.</summary>
    internal bool IsWhole => Schedule.Program.TopStep < Schedule.Segments.Length - 1;

    /// <summary>Ware that was never fired.</summary>
    internal bool Raw => Schedule.Kind.FiresRaw();

    /// <summary>The lots among which the one is that minds most; what is supposed where nothing is known.</summary>
    internal IEnumerable<WareLot> Lots => Load?.Telling ?? [AverageWare];

    /// <summary>Little air between the ware: somebody said so, or there is far more of it than usual.</summary>
    internal bool Packed => Load?.IsPacked(Kiln.UsualWare(Schedule.Kind)) == true;

    /// <summary>Water in a lot when it goes in, %; glazed raw it has some from the glaze.</summary>
    internal double WaterIn(WareLot lot) =>
        Schedule.Kind == ScheduleKind.OnceFired ? Math.Max(Moisture.Of(lot.Dryness), Moisture.RawGlazed) : Moisture.Of(lot.Dryness);

    /// <summary>How much a verdict matters: of ware nobody described only what is danger even to thin dry ware is said, and worth a look.</summary>
    internal Severity? Weight(Verdict verdict) =>
        (verdict, Load is null) switch
        {
            (Verdict.Danger, false) => Severity.Danger,
            (Verdict.Danger, true) or (Verdict.Look, false) => Severity.Look,
            _ => null,
        };

    /// <summary>"the walls of plates (8 mm)".</summary>
    internal string Name(WareLot lot) => Load is null ? "even thin dry walls" : $"the walls of {lot.What} ({Units.Wall(lot.Wall)})";

    /// <summary>WithFixes, worked out where they are wanted.</summary>
    internal ImmutableArray<Fix> Fixes(Func<IEnumerable<Fix>> fixes) => WithFixes ? [.. fixes().Where(f => !f.CannotBeMade)] : [];

    /// <summary>The same load in the same kiln under another schedule, to be read without mends; nothing where the kiln cannot follow it at all.</summary>
    internal ReviewContext? After(Schedule schedule)
    {
        var run = Kiln.Run(schedule.Program);
        return run.IsOk
            ? this with
            {
                Schedule = schedule,
                Run = run.Value,
                Progress = HeatWork.OfAll(Kiln.Felt(run.Value.Compiled.Curve)),
                WithFixes = false,
            }
            : null;
    }

    /// <summary>The step in which a moment lies.</summary>
    internal int StepAt(Duration at)
    {
        for (var i = 0; i < Compiled.Segments.Length; i++)
        {
            if (Compiled.Segments[i].End >= at)
                return i;
        }
        return Compiled.Segments.Length - 1;
    }

    /// <summary>The program with another top and hold that bring a cone down; a problem when none does.</summary>
    internal Result<FiringProgram> TopFor(FiringProgram program, Cone goal, Duration hold) =>
        ConeSolver.TopOf(program, goal, Kiln.Start, Kiln.FeltTimes, hold, Schedule.Unit, Kiln.TopLimit);

    /// <summary>"1040 °C".</summary>
    internal string Degrees(Temperature t) => $"{Phrases.Number(Math.Round(t.In(Schedule.Unit)))} {Schedule.Unit.Symbol()}";

    /// <summary>"55 °C/h".</summary>
    internal string PerHour(Rate r) => $"{Phrases.Number(Math.Round(Math.Abs(r.PerHourIn(Schedule.Unit))))} {Schedule.Unit.Symbol()}/h";

    /// <summary>
    /// A step at a rate in friendly numbers, rounded down, that keeps what another says of itself; a problem where hold or target are beyond the limits.
    /// </summary>
    internal Result<Segment> Step(Rate rate, Temperature target, Duration hold, Segment? like = null)
    {
        var friendly = Math.Clamp(
            FriendlyNumbers.RateDown(rate.KelvinsPerHour, Schedule.Unit),
            ScheduleLimits.Slowest.KelvinsPerHour,
            ScheduleLimits.Fastest.KelvinsPerHour
        );
        return Segment.Of(Pace.At(Rate.PerHour(friendly)), target, hold, like?.Reason, like?.Atmosphere);
    }

    /// <summary>A step taken apart so that it goes through a band at another rate: before, through, after; what is empty is left out.</summary>
    internal ImmutableArray<Segment> Through(int index, Temperature from, Temperature to, Rate rate)
    {
        var (segment, times) = (Schedule.Segments[index], Compiled.Segments[index]);
        var up = times.To > times.From;
        var (enters, leaves) = up ? (from, to) : (to, from);
        var target = segment.Target ?? times.To;
        var steps = ImmutableArray.CreateBuilder<Segment>();
        bool Before(Temperature a, Temperature b) => up ? a < b - TemperatureDifference.FromKelvins(1) : a > b + TemperatureDifference.FromKelvins(1);
        if (Before(times.From, enters))
            steps.Add(segment.Changed(target: enters, hold: Duration.Zero).Value);
        var ends = !Before(leaves, target);
        // Target and hold are those of a step that there is, or of a band.
        steps.Add(Step(rate, ends ? target : leaves, ends ? segment.Hold : Duration.Zero, segment).Value);
        if (!ends)
            steps.Add(segment);
        return steps.ToImmutable();
    }

    /// <summary>A step taken apart so that it goes through a band at no more than a rate; nothing where there is no room for more steps.</summary>
    internal ImmutableArray<Fix> Slower(int index, Temperature from, Temperature to, Rate rate)
    {
        var steps = Through(index, from, to, rate);
        return Schedule.Segments.Length + steps.Length - 1 > ScheduleLimits.Segments
            ? []
            : [new Fix($"{PerHour(steps.MinBy(s => s.Pace.Rate?.KelvinsPerHour ?? double.MaxValue)!.Pace.Rate!.Value)} there", index, steps)];
    }

    /// <summary>A step with another number in it, like it in all else; nothing when that is beyond the limits.</summary>
    internal Segment? Retyped(int index, double? rate = null, double? target = null, double? holdMinutes = null)
    {
        var unit = Schedule.Unit;
        if (target is { } degrees && !Temperature.TryFrom(degrees, unit, out _))
            return null;
        var typed = Schedule
            .Segments[index]
            .Changed(
                rate is { } perHour ? Pace.At(Rate.PerHour(perHour, unit)) : null,
                target is { } t ? Temperature.From(t, unit) : null,
                holdMinutes is { } minutes ? Duration.FromMinutes(minutes) : null
            );
        return typed.IsOk ? typed.Value : null;
    }
}
