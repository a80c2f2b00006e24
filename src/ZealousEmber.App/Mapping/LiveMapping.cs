using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>A running firing on the wire.</summary>
internal static class LiveMapping
{
    /// <summary>What is told of it.</summary>
    /// <param name="live">The firing.</param>
    /// <param name="report">Where it is.</param>
    /// <param name="state">As it is kept.</param>
    /// <param name="at">The moment, where it has one.</param>
    public static LiveContract Write(IFollowedFiring live, LiveReport report, FiringState state, Instant? at)
    {
        var next = live.Next(report);
        var deviation = report.Deviation;
        return new LiveContract(
            State: state,
            At: at?.ToDateTimeOffset(),
            Minute: Tidy(report.At),
            Display: report.Display,
            Chamber: Degrees(report.Chamber),
            Step: report.Step,
            Phase: report.Phase,
            StepSource: report.StepSource,
            SetPoint: Degrees(report.SetPoint),
            DeviationC: Degrees(deviation?.Degrees),
            DeviationMinutes: Finite(deviation?.Minutes),
            Progress: report.Progress is { } p ? new ProgressContract(p.Value, p.Low, p.High) : null,
            Cones: [.. report.Cones.Select(Write)],
            Gaps: [.. report.Gaps.Select(g => new GapContract(Tidy(g.FromMinute), Tidy(g.ToMinute), g.NeedsOff, !g.IsKnown))],
            Estimate: report.Estimate is { } e
                ? new EstimateContract(e.Power, e.Heat, e.Loss, [e.Covariance.Sd.Power, e.Covariance.Sd.Heat, e.Covariance.Sd.Loss])
                : null,
            Alarms: [.. report.Alarms.Select(Write)],
            Next: next is null ? null : new NextContract(next.Kind, Finite(next.Minutes), next.Text),
            Forecast: report.Forecast is { } f ? Write(f, live.Resume(report)) : null,
            Slope: Degrees(report.Slope),
            Share: report.Share,
            LastMinute: Finite(live.LastAt),
            TopMinute: Finite(report.TopAt),
            EndMinute: Finite(report.EndAt)
        );
    }

    public static AlarmContract Write(Alarm alarm) =>
        new(alarm.Id, alarm.Weight, Tidy(alarm.Since), Finite(alarm.Until), alarm.AcknowledgedBy, alarm.Note, alarm.Text, alarm.Evidence);

    private static ForecastContract Write(Forecast f, ResumePlan? resume) =>
        new(
            [.. f.Curve.Select(p => new ForecastPointContract(Tidy(p.Minutes), Degrees(p.Celsius.P10), Degrees(p.Celsius.P50), Degrees(p.Celsius.P90)))],
            Write(f.Top),
            Write(f.End),
            Write(f.Open),
            [.. f.Cones.Select(Write)],
            f.CannotShare,
            Finite(f.EndHoldAt),
            resume is null ? null : Write(resume)
        );

    private static ResumeContract Write(ResumePlan r) =>
        new(
            r.Step,
            r.Program is null,
            r.Program is { } program ? NotationWriter.Write(program.Steps, TemperatureUnit.Celsius) : null,
            Math.Round(r.SameDegrees, 1),
            Tidy(r.SameMinutes),
            Math.Round(r.InsteadDegrees, 1),
            Tidy(r.InsteadMinutes),
            Top(r.Program)?.Target?.Celsius,
            Top(r.Program)?.Hold.TotalMinutes,
            Top(r.Rest)?.Target?.Celsius,
            Top(r.Rest)?.Hold.TotalMinutes
        );

    private static Segment? Top(FiringProgram? program) => program?.Steps[program.TopStep];

    private static ConeForecastContract Write(ConeForecast c)
    {
        var bend = ConeBend.Degrees(c.Progress.P50);
        return new(
            c.Cone.Number,
            new PercentilesContract(c.Progress.P10, c.Progress.P50, c.Progress.P90),
            new PercentilesContract(Degrees(c.Degrees.P10), Degrees(c.Degrees.P50), Degrees(c.Degrees.P90)),
            bend,
            ConeBend.Phrase(c.Progress.P50)
        );
    }

    private static LiveConeContract Write(ConeSoFar c) =>
        new(c.Cone.Number, c.Progress.Value, c.Progress.Low, c.Progress.High, ConeBend.Degrees(c.Progress.Value), ConeBend.Phrase(c.Progress.Value));

    private static PercentilesContract Write(Percentiles p) => new(Finite(p.P10), Finite(p.P50), Finite(p.P90));

    private static double Tidy(double value) => Math.Round(value, 2);

    private static double? Finite(double? value) => value is { } v && double.IsFinite(v) ? Math.Round(v, 2) : null;

    private static double? Degrees(double? value) => value is { } v && double.IsFinite(v) ? Math.Round(v, 2) : null;

    /// <summary>Points of a curve that is promised.</summary>
    public static IReadOnlyList<CurveMinute> Write(Curve curve)
    {
        var points = new List<CurveMinute>(curve.Points.Length);
        foreach (var p in curve.Points)
            points.Add(new CurveMinute(Tidy(p.Minutes), Math.Round(p.Celsius, 1)));
        return points;
    }
}
