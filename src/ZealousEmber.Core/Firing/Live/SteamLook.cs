using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Observation;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>
/// Looking for steam: asked for at the end of each block of drying, and again every ten minutes; a danger near boiling while nobody has seen it dry.
/// </summary>
internal sealed class SteamLook(AlarmBoard board, WatchedFiring firing)
{
    private const double Again = 10;
    private const double NearBoiling = 3;

    private bool isDry;
    private double? askedAt;
    private double shown;

    /// <summary>Somebody is asked for now, since when; nothing where nobody is.</summary>
    public double? AskedAt => isDry ? null : askedAt;

    /// <summary>Nobody has seen it dry yet, and somebody should.</summary>
    public bool IsWanted => !isDry && firing.Load.FirstFiring && shown < firing.Boiling.Celsius + 60;

    /// <summary>A step is over.</summary>
    public void StepOver(double now, int step)
    {
        if (firing.IsSteamBlock(step)) Ask(now);
    }

    /// <summary>Where the kiln is.</summary>
    public void See(double now, double celsius, LivePhase phase)
    {
        shown = celsius;
        if (isDry || !firing.Load.FirstFiring || !Enumerable.Range(0, firing.Program.Steps.Length).Any(firing.IsSteamBlock)) return;
        if (phase == LivePhase.Climb && celsius >= firing.Boiling.Celsius - NearBoiling && celsius < firing.Boiling.Celsius + 60)
            board.Look("steam-look", AlarmWeight.Danger, now, true, false, 0, 0, () => $"{PowerAlarms.Whole(celsius)} °C; water boils at {PowerAlarms.Whole(firing.Boiling.Celsius)} °C here, and nobody has seen it dry.");
    }

    /// <summary>Time passes.</summary>
    public void ComeTo(double now)
    {
        if (isDry || askedAt is not { } at || now < at + Again) return;
        Ask(now);
    }

    /// <summary>Somebody looked.</summary>
    public void Looked(double now, bool dry, double extendBy, string by)
    {
        isDry |= dry;
        askedAt = dry ? null : now + extendBy - Again;
        // Whoever looked has seen that they were asked to.
        board.End("steam-look", now);
        board.Acknowledge("steam-look", by, dry ? "dry" : "steam", now);
    }

    private void Ask(double now)
    {
        if (isDry) return;
        askedAt = now;
        board.Look("steam-look", AlarmWeight.Ask, now, true, false, 0, 0, () => $"The drying hold is over at {PowerAlarms.Whole(shown)} °C.");
    }
}
