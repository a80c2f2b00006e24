using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>What a reviewer has before him: the timed schedule, what is in the kiln, and where it stands.</summary>
/// <param name="Schedule">As written.</param>
/// <param name="Compiled">With its times.</param>
/// <param name="Progress">Heat work of every cone, in the order of <see cref="Cone.All"/>.</param>
/// <param name="Load">What is in the kiln, where it is known.</param>
/// <param name="Boiling">When water boils there.</param>
/// <param name="Start">The kiln's temperature when it is switched on.</param>
/// <param name="Times">Times a changed schedule, for mends.</param>
/// <param name="Hottest">The kiln's limit.</param>
public sealed record ReviewContext(
    Schedule Schedule, CompiledSchedule Compiled, IReadOnlyList<double> Progress, WareLoad? Load, Temperature Boiling, Temperature Start, ScheduleTimes Times, Temperature Hottest)
{
    /// <summary>Ware that was never fired.</summary>
    public bool Raw => Schedule.Kind != ScheduleKind.Glaze;

    /// <summary>"1040 °C".</summary>
    internal string Degrees(Temperature t) => $"{Phrases.Number(Math.Round(t.In(Schedule.Unit)))} {Schedule.Unit.Symbol()}";

    /// <summary>"55 °C/h".</summary>
    internal string PerHour(Rate r) => $"{Phrases.Number(Math.Round(Math.Abs(r.PerHourIn(Schedule.Unit))))} {Schedule.Unit.Symbol()}/h";

    /// <summary>A step at a rate in friendly numbers, rounded down, that keeps what another says of itself.</summary>
    internal Segment Step(Rate rate, Temperature target, Duration hold, Segment? like = null) => Segment.Create(
        PaceKind.Rate, Rate.PerHour(Planning.ClimbLimits.Friendly(rate.KelvinsPerHour, Schedule.Unit)).PerHourIn(Schedule.Unit), target.In(Schedule.Unit), hold.TotalMinutes, Schedule.Unit, like?.Reason, like?.Atmosphere).Value;

    /// <summary>A step taken apart so that it goes through a band at another rate: before, through, after; what is empty is left out.</summary>
    internal ImmutableArray<Segment> Through(int index, Temperature from, Temperature to, Rate rate)
    {
        var (segment, times) = (Schedule.Segments[index], Compiled.Segments[index]);
        var up = times.To > times.From;
        var (enters, leaves) = up ? (from, to) : (to, from);
        var target = segment.Target ?? times.To;
        var steps = ImmutableArray.CreateBuilder<Segment>();
        bool Before(Temperature a, Temperature b) => up ? a < b - TemperatureDifference.FromKelvins(1) : a > b + TemperatureDifference.FromKelvins(1);
        Segment At(Temperature t, Duration hold) => Segment.Create(segment.Pace.Kind, segment.Pace.Rate?.PerHourIn(Schedule.Unit), t.In(Schedule.Unit), hold.TotalMinutes, Schedule.Unit, segment.Reason, segment.Atmosphere).Value;
        if (Before(times.From, enters)) steps.Add(At(enters, Duration.Zero));
        var ends = !Before(leaves, target);
        steps.Add(Step(rate, ends ? target : leaves, ends ? segment.Hold : Duration.Zero, segment));
        if (!ends) steps.Add(segment);
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

    /// <summary>A step in whole degrees and minutes, as it would be typed.</summary>
    internal Segment Whole(Segment step) => Segment.Create(
        step.Pace.Kind, step.Pace.Rate?.PerHourIn(Schedule.Unit), Math.Round(step.Target!.Value.In(Schedule.Unit)), Math.Round(step.HoldMinutes), Schedule.Unit, step.Reason, step.Atmosphere).Value;

    /// <summary>A step with another number in it, like it in all else; nothing when that is beyond the limits.</summary>
    internal Segment? Retyped(int index, double? rate = null, double? target = null, double? holdMinutes = null)
    {
        var (step, unit) = (Schedule.Segments[index], Schedule.Unit);
        var typed = Segment.Create(step.Pace.Kind, rate ?? step.Pace.Rate?.PerHourIn(unit), target ?? step.Target?.In(unit), holdMinutes ?? step.HoldMinutes, unit, step.Reason, step.Atmosphere);
        return typed.IsOk ? typed.Value : null;
    }
}
