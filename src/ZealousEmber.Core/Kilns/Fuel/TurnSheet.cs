using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A turn-up sheet while it is written: each row with what comes of it, planned or as it was made.</summary>
internal sealed class TurnSheet
{
    private readonly ImmutableArray<PlannedTurn>.Builder rows = ImmutableArray.CreateBuilder<PlannedTurn>();
    private readonly FuelKiln kiln;
    private readonly FiringProgram? schedule;
    private readonly TurnRecorder recorder;

    /// <summary>An empty sheet.</summary>
    /// <param name="kiln">Which.</param>
    /// <param name="load">With what in it.</param>
    /// <param name="start">Its temperature then, °C.</param>
    /// <param name="schedule">What is wanted; nothing where turns are only followed.</param>
    public TurnSheet(FuelKiln kiln, KilnLoad load, double start, FiringProgram? schedule)
    {
        (this.kiln, this.schedule) = (kiln, schedule);
        Simulation = new FuelSimulation(kiln, load, start);
        recorder = new TurnRecorder(Simulation);
    }

    /// <summary>The kiln itself.</summary>
    public FuelSimulation Simulation { get; }

    /// <summary>Minutes since the start.</summary>
    public double Now => recorder.Minute;

    /// <summary>The chamber now, °C.</summary>
    public double Chamber => Simulation.Chamber;

    /// <summary>How burners and damper stand; nothing before the first row.</summary>
    public BurnerSetting? Last { get; private set; }

    /// <summary>Whether it ends with the burners out for good, or has no row at all.</summary>
    public bool IsShut => rows.Count == 0 || rows[^1].Kind == TurnKind.ShutOff;

    /// <summary>Goes on at a setting without a row of its own.</summary>
    public void Go(in BurnerSetting setting, double to, Func<double, double>? wanted = null) => recorder.Go(setting, to, wanted);

    /// <summary>Writes a row and, where it is known until when it stands, goes there.</summary>
    public void Row(BurnerSetting setting, double? until, int step, bool inHold, Func<double, double>? line, double? wanted, bool isLate = false)
    {
        var breath = Simulation.Air.At(setting, Chamber);
        rows.Add(
            new PlannedTurn(
                Minute: Now,
                Kind: Last == setting ? TurnKind.Look : TurnKind.Turn,
                Setting: setting,
                Step: step,
                InHold: inHold,
                Asked: schedule?.Steps[step].Atmosphere,
                Celsius: Chamber,
                EndCelsius: Chamber,
                Wanted: wanted ?? Chamber,
                Breath: breath,
                EndLambda: breath.Lambda,
                FlameAtFlue: Simulation.FlameAtFlue(breath),
                IsLate: isLate
            )
        );
        Last = setting;
        if (until is not { } end)
            return;
        recorder.Go(setting, end, line);
        CloseRow();
    }

    /// <summary>Goes on as it stands, on the same row.</summary>
    public void Leave(double minutes, Func<double, double>? line)
    {
        recorder.Go(Last!.Value, Now + minutes, line);
        CloseRow();
    }

    /// <summary>Burners out, damper and ports shut; for good, or for a cooling before the next climb.</summary>
    public void ShutOff(int step, bool forGood)
    {
        var shut = BurnerSetting.Off(0);
        rows.Add(
            new PlannedTurn(
                Minute: Now,
                Kind: forGood ? TurnKind.ShutOff : TurnKind.Turn,
                Setting: shut,
                Step: step,
                InHold: false,
                Asked: null,
                Celsius: Chamber,
                EndCelsius: Chamber,
                Wanted: Chamber,
                Breath: Simulation.Air.At(shut, Chamber),
                EndLambda: double.PositiveInfinity,
                FlameAtFlue: 0,
                IsLate: false
            )
        );
        Last = shut;
    }

    /// <summary>Along turns as they were made; before the first of them nothing burns.</summary>
    /// <param name="done">In order of time.</param>
    /// <param name="until">Minute.</param>
    /// <param name="clock">The steps with the times they were planned for; empty where nothing was.</param>
    public void FollowDone(ImmutableArray<FuelTurn> done, double until, ImmutableArray<CompiledSegment> clock)
    {
        Func<double, double>? wanted = clock.IsEmpty ? null : minute => clock.WantedAt(minute);
        var first = done.IsEmpty ? until : Math.Min(until, done[0].Minute);
        if (first > 0)
            recorder.Go(BurnerSetting.Off(0), first, wanted);
        foreach (var (i, turn) in done.Index())
        {
            if (turn.Minute >= until - 1e-6)
                break;
            var next = i + 1 < done.Length ? Math.Min(until, done[i + 1].Minute) : until;
            Row(turn.Setting, next, clock.IsEmpty ? 0 : clock.StepAt(turn.Minute), false, wanted, wanted?.Invoke(next));
        }
    }

    /// <summary>The sheet as it stands now, for the whole plan, and closed up until the kiln may be opened.</summary>
    /// <param name="segments">Steps with the times they got.</param>
    /// <param name="trouble">What cannot be done.</param>
    /// <param name="stall">Where it gave up.</param>
    /// <param name="late">Minutes it took longer than asked.</param>
    /// <param name="powered">Until when the burners were lit, minutes.</param>
    public TurnPlan Finish(ImmutableArray<CompiledSegment> segments, ImmutableArray<TurnShortfall> trouble, KilnStall? stall, double late, double powered)
    {
        var (chamber, line, air, fuel, energy, heat) = (recorder.Chamber, recorder.Line, recorder.Air, recorder.Fuel, Energy(), Simulation.Heat);
        var cooling = recorder.CoolDown(kiln.Opens);
        return new TurnPlan(
            Turns: rows.ToImmutable(),
            Segments: segments,
            Curve: chamber,
            Line: line,
            Cooling: cooling,
            Air: air,
            Follow: recorder.Follow(late),
            Trouble: trouble,
            Powered: Duration.FromMinutes(powered),
            Fuel: fuel,
            Heat: heat,
            Energy: energy,
            Stall: stall,
            PeakFuel: recorder.PeakFuel * 3600,
            OpensAt: Duration.FromMinutes(Now)
        );
    }

    private void CloseRow() => rows[^1] = rows[^1] with { EndCelsius = Chamber, EndLambda = Simulation.Air.At(Last!.Value, Chamber).Lambda };

    private KilnEnergy Energy()
    {
        static double Kwh(double joules) => joules / 3.6e6;
        var (heat, model) = (Simulation.Heat, Simulation.Model);
        return new KilnEnergy(Kwh(heat.Fuel), Kwh(heat.Flue + heat.Unburnt + model.Lost), Kwh(model.Stored - model.StoredAtStart));
    }
}
