using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>Started firings and what was noted of them, on the wire.</summary>
internal static class RunMapping
{
    private static readonly Duration MostAhead = Duration.FromMinutes(FiringSample.MostAhead);

    /// <summary>A started firing; its minutes are what was promised, its steps what it goes by now where another program was keyed in meanwhile.</summary>
    public static RunContract Write(FiringRun run, Instant wall, FiringProgram? followed = null)
    {
        var steps = (followed ?? run.Program).Steps;
        var ran = run.Model.Run(run.Program);
        var compiled = ran.IsOk ? ran.Value.Compiled : null;
        return new RunContract(
            FiringId: run.FiringId,
            KilnId: run.KilnId,
            State: run.State(run.Clock(wall)),
            Link: run.Link,
            StartsAt: run.StartsAt.ToDateTimeOffset(),
            StartedAt: run.StartedAt.ToDateTimeOffset(),
            By: run.By,
            IsAsEntered: run.IsAsEntered,
            GoalCone: run.Goal?.Number,
            Line: NotationWriter.Write(run.Program.Steps, TemperatureUnit.Celsius),
            Kind: run.Kind,
            Speed: run.Speed,
            OpensAtCelsius: run.Kiln.Opens.Celsius,
            StoppedAt: run.StoppedAt?.ToDateTimeOffset(),
            CooledAt: run.CooledAt?.ToDateTimeOffset(),
            OpenedAt: run.OpenedAt?.ToDateTimeOffset(),
            ReadAt: run.ReadAt?.ToDateTimeOffset(),
            ClosedAt: run.ClosedAt?.ToDateTimeOffset(),
            Promised: ran.IsOk ? LiveMapping.Write(ran.Value.WholeCurve) : [],
            Steps: compiled is null
                ? []
                :
                [
                    .. compiled
                        .Segments.Take(steps.Length)
                        .Select(
                            (s, i) =>
                                new RunStep(
                                    Math.Round(s.Start.TotalMinutes, 1),
                                    Math.Round(s.RampEnd.TotalMinutes, 1),
                                    Math.Round(s.End.TotalMinutes, 1),
                                    steps[i].Target?.Celsius,
                                    NotationWriter.Write([steps[i]], TemperatureUnit.Celsius)
                                )
                        ),
                ],
            BoilingCelsius: Core.Ware.Boiling.At(run.Kiln.Altitude).Celsius,
            Heat: run.IsFuel ? KilnHeatSource.Fuel : KilnHeatSource.Electric
        );
    }

    public static EntryContract Write(FiringEntry e, Instant wall) =>
        new(
            e.Key,
            e.Kind,
            e.At.ToDateTimeOffset(),
            e.By,
            e.Celsius,
            e.Subject,
            e.Text,
            e.Kind == EntryKind.Turned && BurnerSetting.Read(e.Subject) is { } s ? new SettingContract(s.Pressure, s.Damper, s.Lit, s.Flame) : null,
            e.CanBeChanged(wall)
        );

    /// <summary>A moment of a firing: not before it by more than a day, nor ahead of its clock.</summary>
    public static Instant ReadMoment(DateTimeOffset given, FiringRun run, Instant now, string field, List<Problem> problems)
    {
        var at = Instant.FromUnixTimeMilliseconds(given.ToUnixTimeMilliseconds());
        if (at > now + MostAhead)
            problems.Add(new Problem(field, "This is in the future: check the clock of this device."));
        else if (at < run.StartsAt - Duration.FromDays(1))
            problems.Add(new Problem(field, "This is from before the firing."));
        return at;
    }
}
