using ZealousEmber.Core.Firing.Observation;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>What somebody has to do next.</summary>
public enum NextKind
{
    /// <summary>Switch it on.</summary>
    SwitchOn,

    /// <summary>Look for steam.</summary>
    LookForSteam,

    /// <summary>Look at the cones.</summary>
    LookAtCones,

    /// <summary>See that the power goes off.</summary>
    PowerOff,

    /// <summary>It may be opened.</summary>
    Open,

    /// <summary>Set burners and damper.</summary>
    Turn,
}

/// <summary>The next thing somebody has to do.</summary>
/// <param name="Kind">What.</param>
/// <param name="Minutes">When, since the start; infinite where it may never come.</param>
/// <param name="Text">In a few words.</param>
public sealed record NextThing(NextKind Kind, double Minutes, string Text)
{
    private const double BeforeTop = 7;

    /// <summary>What comes next.</summary>
    /// <param name="firing">What is watched.</param>
    /// <param name="report">Where it is.</param>
    /// <param name="promised">What was promised, for what lies before the first forecast.</param>
    /// <param name="dials">Switches turned by hand; nothing where a controller does it.</param>
    public static NextThing? Of(WatchedFiring firing, LiveReport report, Schedules.Curve? promised, DialsTurned? dials = null)
    {
        if (report.SteamAskedAt is { } asked && asked <= report.At)
            return new NextThing(NextKind.LookForSteam, report.At, "Look for steam now");
        if (dials is not null && report.EndAt is null)
            return dials.Next is { } turn
                ? new NextThing(NextKind.Turn, turn.Minute, $"Turn {dials.Say(turn.Positions)}")
                : new NextThing(NextKind.PowerOff, dials.Course.OffMinute, "Turn everything off");
        if (report.Display is null || report.Phase == LivePhase.Waiting)
            return new NextThing(NextKind.SwitchOn, Math.Max(0, report.At), "See that it heats");
        if (SteamAt(firing, report, promised) is { } steam)
            return new NextThing(NextKind.LookForSteam, steam, "Look for steam");
        if (report.Forecast is not { } forecast)
            return null;
        if (report.TopAt is null && report.EndAt is null)
            return new NextThing(NextKind.LookAtCones, Math.Max(report.At, forecast.Top.P50 - BeforeTop), "Look at the cones");
        if (report.EndAt is null)
            return new NextThing(NextKind.PowerOff, forecast.EndHoldAt is { } end ? Math.Max(report.At, end) : forecast.End.P50, "See the power go off");
        return new NextThing(NextKind.Open, forecast.Open.P50, report.At >= forecast.Open.P50 ? "Safe to open" : "Hot: do not open");
    }

    private static double? SteamAt(WatchedFiring firing, LiveReport report, Schedules.Curve? promised)
    {
        if (!report.SteamIsWanted)
            return null;
        for (var step = report.Step; step < firing.Program.Steps.Length; step++)
        {
            if (!firing.IsSteamBlock(step))
                continue;
            if (step == report.Step && report.HoldLeft is { } left)
                return report.At + Math.Max(0, left);
            var target = firing.Program.Steps[step].Target!.Value;
            var there = promised?.FirstRiseThrough(target - Units.TemperatureDifference.FromKelvins(2));
            return there is { } at ? Math.Max(report.At, at.TotalMinutes + firing.Program.Steps[step].HoldMinutes + (report.Deviation?.Minutes ?? 0)) : null;
        }
        return null;
    }
}
