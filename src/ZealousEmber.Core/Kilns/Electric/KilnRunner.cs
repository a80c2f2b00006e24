using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>
/// Runs a whole program on a kiln: the simulation from switching on until it may be opened. Deterministic; a 48 h firing takes under a millisecond.
/// </summary>
public static class KilnRunner
{
    /// <summary>Runs a program.</summary>
    /// <param name="program">What is wanted.</param>
    /// <param name="start">The kiln's temperature when it is switched on, walls and all.</param>
    /// <param name="kiln">On what.</param>
    /// <param name="load">With what in it.</param>
    /// <param name="fineness">How finely; the usual when missing.</param>
    /// <param name="untilOpen">Whether to go on until it may be opened; without, the run ends with its last step.</param>
    /// <returns>
    /// A problem at <c>segments[0].target</c> when a first "off" would have to climb; at <c>segments</c> when it would last longer than <see
    /// cref="FiringProgram.LongestOnKiln"/>.
    /// A kiln that cannot get there is no problem of the program: the run says so in <see cref="KilnRun.Stall"/>.
    /// </returns>
    public static Result<KilnRun> Run(FiringProgram program, Temperature start, Kiln kiln, KilnLoad load, Fineness? fineness = null, bool untilOpen = true)
    {
        if (program.CannotBegin(start) is { } problem)
            return problem;
        if (program.TooLong(start) is { } tooLong)
            return tooLong;
        var recorder = new RunRecorder(program, kiln, start.Celsius);
        var simulation = new KilnSimulation(kiln, load, program, start.Celsius, fineness ?? Fineness.Usual, recorder);
        while (simulation.Phase != ControllerPhase.Finished)
            simulation.Tick();
        recorder.ProgramOver(simulation);
        if (untilOpen)
        {
            simulation.UsualStride();
            while (simulation.Chamber > kiln.Opens.Celsius + 1e-9)
                simulation.Fall(kiln.Opens.Celsius);
        }
        return recorder.Finish(simulation);
    }
}
