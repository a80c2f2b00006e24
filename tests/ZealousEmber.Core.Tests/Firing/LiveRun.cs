using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>What a simulated kiln really did, and its readings.</summary>
internal sealed record SimulatedFiring(
    IReadOnlyList<SimulatedSample> Samples,
    IReadOnlyList<SimulatedMoment> Truth,
    double TopAt,
    double EndAt,
    double OpenAt,
    double ConeDegrees
)
{
    /// <summary>The truth at a minute.</summary>
    public SimulatedMoment At(double minutes) => Truth[Math.Clamp((int)Math.Round(minutes * 2) - 1, 0, Truth.Count - 1)];
}

/// <summary>A half minute of a simulated kiln.</summary>
internal readonly record struct SimulatedMoment(double Minutes, double Chamber, int Step, ControllerPhase Phase);

/// <summary>Simulated firings, and what is said of them.</summary>
internal static class LiveRun
{
    /// <summary>A firing started at a moment, read off by hand.</summary>
    public static FiringRun Started(Instant at)
    {
        var kiln = Make.Kiln("top-190");
        return new FiringRun(
            1,
            1,
            LinkKind.Hand,
            at,
            at,
            "Maren",
            Make.Program(Glaze),
            true,
            Six,
            kiln,
            kiln.UsualLoad(ScheduleKind.Glaze),
            kiln.Room,
            ScheduleKind.Glaze
        );
    }

    public const string Glaze = "100/h to 200; 200/h to 1120; 60/h to 1208 hold 12m; off";
    public const string Bisque = "60/h to 95 hold 2h; 100/h to 600; 130/h to 1000 hold 10m; off";

    public static readonly Cone Six = ConeNumber.Parse("6").Value;

    /// <summary>A kiln of a class that is not quite as stored.</summary>
    public static Kiln Truth(string kind, double power = 100, double loss = 100, double heat = 100) =>
        Make.Kiln(kind, ("elementHealth", power), ("lossFactor", loss), ("heatFactor", heat));

    /// <summary>Fires it until it may be opened, or for so long.</summary>
    public static SimulatedFiring Fire(Kiln truth, KilnLoad load, FiringProgram program, ulong seed, double minutes = 6000, params SimulatedFault[] faults)
    {
        var sim = new SimulatedKiln(new SimulatedSetup(truth, load, program, 20, seed, [.. faults]));
        var (samples, moments) = (new List<SimulatedSample>(), new List<SimulatedMoment>());
        double top = double.NaN,
            end = double.NaN,
            open = double.NaN,
            work = 0,
            before = 20;
        var kinetics = ConeTable.Of(Six).Kinetics;
        while (sim.Minutes < minutes)
        {
            if (sim.Next() is { } sample)
                samples.Add(sample);
            if (before > 400)
                work += kinetics.Over(before, sim.Chamber, 1 / 120.0);
            before = sim.Chamber;
            moments.Add(new SimulatedMoment(sim.Minutes, sim.Chamber, sim.Step, sim.Phase));
            if (double.IsNaN(top) && sim.Step == program.TopStep && sim.Phase == ControllerPhase.Holding)
                top = sim.Minutes;
            if (double.IsNaN(end) && sim.Step > program.TopStep && sim.Phase is ControllerPhase.Falling or ControllerPhase.Finished)
                end = sim.Minutes;
            if (double.IsNaN(end) || sim.Chamber > 50)
                continue;
            open = sim.Minutes;
            break;
        }
        return new SimulatedFiring(samples, moments, top, end, open, work > 0 ? kinetics.EndPoint(60, work) - kinetics.EndPoint(60) : -300);
    }

    /// <summary>Heat work cone 6 has really had.</summary>
    public static double Work(SimulatedFiring fired, double until)
    {
        var kinetics = ConeTable.Of(Six).Kinetics;
        return fired
            .Truth.TakeWhile(t => t.Minutes <= until)
            .Zip(fired.Truth.Skip(1))
            .Where(p => p.First.Chamber > 400)
            .Sum(p => kinetics.Over(p.First.Chamber, p.Second.Chamber, 1 / 120.0));
    }

    /// <summary>A firing that is followed.</summary>
    public static LiveFiring Watch(Kiln stored, KilnLoad load, FiringProgram program, Cone? goal = null) =>
        new(new WatchedFiring(stored, load, program, goal ?? Six, Temperature.FromCelsius(20)));

    /// <summary>Gives it readings up to a minute, from where it stopped.</summary>
    public static void Feed(this LiveFiring live, SimulatedFiring fired, double until, bool withShare = true, bool withSetPoint = false)
    {
        foreach (var s in fired.Samples)
        {
            if (s.Minutes > until)
                break;
            if (live.LastAt is { } last && s.Minutes <= last)
                continue;
            live.Add(new FiringSample(s.Minutes, s.Celsius, withShare ? s.Share : null, withSetPoint ? s.SetPoint : null));
        }
        live.ComeTo(until);
    }
}
