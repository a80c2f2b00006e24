using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Mapping;

/// <summary>What is wanted of a preview beside the assessment itself.</summary>
/// <param name="At">A moment by the clock.</param>
/// <param name="Anchor">What happens then.</param>
/// <param name="Between">Bands whose time is wanted.</param>
/// <param name="AllCones">Every cone instead of those around the goal.</param>
internal sealed record PreviewOptions(OffsetDateTime? At, Anchor Anchor, IReadOnlyList<(Temperature From, Temperature To)> Between, bool AllCones);

/// <summary>An assessment for the wire.</summary>
internal static class PreviewMapping
{
    public static PreviewResponse Write(FiringAssessment firing, PreviewOptions wish, StudioSettings studio)
    {
        var (schedule, compiled, unit) = (firing.Schedule, firing.Compiled, firing.Schedule.Unit);
        var begins = Begins(wish, firing.Moments);
        DateTimeOffset? At(Duration time) => begins is { } from ? (from + time).ToDateTimeOffset() : null;
        return new PreviewResponse(
            Unit: unit,
            StartTemperature: firing.Kiln.Start.In(unit),
            TotalMinutes: compiled.Total.TotalMinutes,
            PoweredMinutes: compiled.Powered.TotalMinutes,
            Peak: compiled.Curve.Peak.In(unit),
            FastestRise: compiled.Curve.FastestRise.PerHourIn(unit),
            FastestFall: Math.Abs(compiled.Curve.FastestFall.PerHourIn(unit)),
            FastestDrop: firing.FastestDrop.In(unit),
            Line: NotationWriter.Write(schedule.Segments, unit, firing.Kiln.Start),
            KilnNote: schedule.Segments.Any(s => s.Pace.Kind != PaceKind.Rate) ? firing.Kiln.Convention(unit) : null,
            Segments:
            [
                .. compiled.Segments.Select(s => new SegmentTimes(
                    s.Start.TotalMinutes,
                    s.Ramp.TotalMinutes,
                    s.Hold.TotalMinutes,
                    s.End.TotalMinutes,
                    s.From.In(unit),
                    s.To.In(unit),
                    s.To > s.From ? Direction.Up
                        : s.To < s.From ? Direction.Down
                        : Direction.Level,
                    At(s.Start),
                    At(s.End)
                )),
            ],
            Curve: CurvePointContract.From(compiled.Curve, unit),
            Bands: [.. StandingBand.All.Select(b => new BandContract(b.Name, b.From.In(unit), b.To.In(unit), b.Why))],
            Moments: [.. firing.Moments.Select(m => new MomentContract(m.Kind, m.At.TotalMinutes, m.Temperature.In(unit), At(m.At)))],
            TimeBetween: [.. wish.Between.Select(b => Between(compiled.Curve, b.From, b.To, unit))],
            Findings: [.. firing.Findings.Select(f => Write(f, unit))],
            Cautions: [.. firing.Cautions.Select(c => new CautionContract(c.Segment, c.Text))],
            GoalCone: schedule.Goal?.Number,
            ConeWords: firing.ConePhrase,
            ZeroSlip: firing.ZeroSlip,
            Cones: ConeReadings.Of(firing.Progress, firing.Shown, wish.AllCones),
            HeatWorkBySegment: firing.HeatWorkByStep,
            StartsAt: At(Duration.Zero),
            Kiln: KilnPreviews.Of(firing, begins, studio)
        );
    }

    private static OffsetDateTime? Begins(PreviewOptions wish, IReadOnlyList<Moment> moments)
    {
        Duration When(MomentKind kind) => moments.FirstOrDefault(m => m.Kind == kind)?.At ?? Duration.Zero;
        return wish.Anchor switch
        {
            Anchor.Top => wish.At - When(MomentKind.Top),
            Anchor.Open => wish.At - When(MomentKind.MayOpen),
            _ => wish.At,
        };
    }

    /// <summary>How a number came about.</summary>
    internal static BasisContract? Write(Basis? basis) => basis is null ? null : new(basis.Formula, basis.Numbers, basis.Source);

    private static FindingContract Write(Finding f, TemperatureUnit unit)
    {
        IReadOnlyList<FixContract> fixes =
        [
            .. f.Fixes.Select(fix => new FixContract(
                fix.Text,
                fix.Segment,
                [.. fix.Steps.Select(s => ScheduleMapping.Write(s, fix.Unit ?? unit))],
                fix.Replaces,
                fix.Unit,
                fix.Kind,
                fix.Goal?.Number
            )),
        ];
        return new FindingContract(
            f.Id,
            f.Severity,
            f.Segment,
            f.From.TotalMinutes,
            f.To.TotalMinutes,
            f.Text,
            f.Why,
            fixes.Count > 0 ? fixes[0] : null,
            fixes,
            Write(f.Basis)
        );
    }

    internal static TimeBetweenContract Between(Curve curve, Temperature from, Temperature to, TemperatureUnit unit)
    {
        var time = curve.TimeBetween(from, to);
        return new(from.In(unit), to.In(unit), time.Before.TotalMinutes, time.After.TotalMinutes);
    }
}
