using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Observation;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>
/// Looking for steam, in every firing of raw ware: asked for at the end of each hold below boiling, or near boiling where the program has none, and again
/// every ten
/// minutes, three times at most; a danger at boiling while nobody has seen it dry. It ends by an entry, with the next block, or well past boiling, where
/// looking
/// helps no more. Where the load says damp, dry is asked for again at the next block: what steams later did not steam yet.
/// </summary>
internal sealed class SteamLook(AlarmBoard board, WatchedFiring firing)
{
    private const string Id = AlarmIds.SteamLook;
    private const double Again = 10;
    private const int MostAsked = 3;
    private const double NearBoiling = 3;
    private const double WithoutABlock = 8;
    private const double WellPast = 60;

    // Of the dry ware; less is air-dry.
    private const double Damp = 0.03;

    private readonly bool hasBlocks = Enumerable.Range(0, firing.Program.Steps.Length).Any(firing.IsSteamBlock);
    private readonly bool isDamp = firing.Load.Water > Damp * firing.Load.WareMass;
    private bool isDry;
    private bool isOver;
    private double? askedAt;
    private int asked;
    private double shown;

    /// <summary>Somebody is asked for now, since when; nothing where nobody is.</summary>
    public double? AskedAt => isDry || isOver ? null : askedAt;

    /// <summary>Nobody has seen it dry yet, and somebody should.</summary>
    public bool IsWanted => !isDry && !isOver && firing.Load.FirstFiring && shown < firing.Boiling.Celsius + WellPast;

    /// <summary>A step is over.</summary>
    public void StepOver(double now, int step)
    {
        if (!firing.IsSteamBlock(step))
            return;
        // What was dry to the eye at a cooler hold may steam at a warmer one.
        if (isDamp)
            isDry = false;
        asked = 0;
        Ask(now);
    }

    /// <summary>Where the kiln is.</summary>
    public void See(double now, double celsius, LivePhase phase)
    {
        shown = celsius;
        if (!firing.Load.FirstFiring || isOver)
            return;
        if (celsius >= firing.Boiling.Celsius + WellPast)
        {
            (isOver, askedAt) = (true, null);
            board.Close(Id, now);
            return;
        }
        if (isDry || phase != LivePhase.Climb)
            return;
        if (!hasBlocks && asked == 0 && celsius >= firing.Boiling.Celsius - WithoutABlock)
            Ask(now);
        if (celsius >= firing.Boiling.Celsius - NearBoiling)
            board.Look(Id, AlarmWeight.Danger, now, true, false, 0, 0, () =>
                $"{PowerAlarms.Whole(celsius)} °C; water boils at {PowerAlarms.Whole(firing.Boiling.Celsius)} °C here, and nobody has seen it dry."
            );
    }

    /// <summary>Time passes.</summary>
    public void ComeTo(double now)
    {
        if (isDry || isOver || askedAt is not { } at || now < at + Again || asked >= MostAsked)
            return;
        Ask(now);
    }

    /// <summary>Somebody looked.</summary>
    public void Looked(double now, bool dry, double extendBy, string by)
    {
        isDry |= dry;
        (askedAt, asked) = (dry ? null : now + extendBy - Again, 0);
        // Whoever looked has seen that they were asked to.
        board.End(Id, now);
        board.Acknowledge(Id, by, dry ? "dry" : "steam", now);
    }

    private void Ask(double now)
    {
        if (isDry || isOver || !firing.Load.FirstFiring)
            return;
        askedAt = now;
        asked++;
        board.Look(Id, AlarmWeight.Ask, now, true, false, 0, 0, () =>
            hasBlocks ? $"The drying hold is over at {PowerAlarms.Whole(shown)} °C." : $"{PowerAlarms.Whole(shown)} °C, and this program has no drying hold."
        );
    }
}
