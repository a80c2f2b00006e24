using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>Runs a whole program on a kiln: the simulation from switching on until it may be opened. Deterministic; a 48 h firing takes under a millisecond.</summary>
public static class KilnRunner
{
    /// <summary>Longest firing worked out with a kiln: 60 days.</summary>
    public static readonly Duration Longest = Duration.FromDays(60);

    /// <summary>Runs a program.</summary>
    /// <param name="program">What is wanted.</param>
    /// <param name="start">The kiln's temperature when it is switched on, walls and all.</param>
    /// <param name="kiln">On what.</param>
    /// <param name="load">With what in it.</param>
    /// <param name="fineness">How finely; the usual when missing.</param>
    /// <param name="untilOpen">Whether to go on until it may be opened; without, the run ends with its last step.</param>
    /// <returns>
    /// A problem at <c>segments[0].target</c> when a first "off" would have to climb; at <c>segments</c> when it would last longer than <see cref="Longest"/>.
    /// A kiln that cannot get there is no problem of the program: the run says so in <see cref="KilnRun.Stall"/>.
    /// </returns>
    public static Result<KilnRun> Run(FiringProgram program, Temperature start, Kiln kiln, KilnLoad load, Fineness? fineness = null, bool untilOpen = true)
    {
        if (program.CannotBegin(start) is { } problem) return problem;
        // Asked for no more than this, it takes no more than the kiln's own slowness on top.
        if (AskedHours(program, start) > Longest.TotalHours)
            return new Problem("segments", $"This firing asks for more than {Longest.TotalDays:0} days; a kiln is worked out for up to that.");
        var recorder = new RunRecorder(program, kiln, start.Celsius);
        var simulation = new KilnSimulation(kiln, load, program, start.Celsius, fineness ?? Fineness.Usual, recorder);
        while (simulation.Phase != ControllerPhase.Finished) simulation.Tick();
        recorder.ProgramOver(simulation);
        if (untilOpen)
        {
            simulation.UsualStride();
            while (simulation.Chamber > kiln.Opens.Celsius + 1e-9) simulation.Fall(kiln.Opens.Celsius);
        }
        return recorder.Finish(simulation);
    }

    private static double AskedHours(FiringProgram program, Temperature start)
    {
        var (at, hours) = (start, 0.0);
        foreach (var segment in program.Steps)
        {
            var to = segment.Target ?? at;
            if (segment.Pace.Rate is { } rate) hours += ((to - at).Abs() / rate).TotalHours;
            hours += segment.Hold.TotalHours;
            at = to;
        }
        return hours;
    }
}
