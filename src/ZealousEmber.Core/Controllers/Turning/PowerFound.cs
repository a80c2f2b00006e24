using System.Collections.Immutable;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Turning;

/// <summary>How hot it was at a minute since it was switched on.</summary>
public readonly record struct DialReading(double Minute, Temperature At);

/// <summary>A firing by switches that is under way.</summary>
/// <param name="Turns">As they were really turned, in order; the first at minute 0.</param>
/// <param name="Readings">What the pyrometer said, in order.</param>
public sealed record DialsSoFar(ImmutableArray<DialTurn> Turns, ImmutableArray<DialReading> Readings);

/// <summary>Finds from readings how much of its power a kiln really gives. Source: the project's paper on controllers, §4.</summary>
internal static class PowerFound
{
    private const double Least = 0.5;
    private const double Most = 1.4;
    private const int Halvings = 18;
    private const int MostTurns = 200;
    private static readonly double Golden = (Math.Sqrt(5) - 1) / 2;

    /// <summary>The share, the turns as levels, and the minute planning goes on from; problems name <c>done[i]</c> and <c>readings[i]</c>.</summary>
    public static Result<(double Share, ImmutableArray<(double Minute, int Level)> Turns, double From)> Of(
        DialsSoFar? so,
        Dials dials,
        Kiln kiln,
        KilnLoad load,
        Temperature start
    )
    {
        if (so is null || so.Turns.IsEmpty)
            return (1, [], 0);
        var levels = new DialLevels(dials);
        var problems = new List<Problem>();
        if (so.Turns.Length > MostTurns)
            problems.Add(new Problem("done", $"At most {MostTurns} turns."));
        if (so.Readings.Length > MostTurns)
            problems.Add(new Problem("readings", $"At most {MostTurns} readings."));
        if (problems.Count > 0)
            return Result<(double, ImmutableArray<(double, int)>, double)>.Failed(problems);
        var turns = ImmutableArray.CreateBuilder<(double Minute, int Level)>();
        foreach (var (i, turn) in so.Turns.Index())
        {
            if (!(turn.Minute >= 0 && turn.Minute <= DialFit.LongestHours * 60) || (i == 0 && turn.Minute != 0))
                problems.Add(new Problem($"done[{i}].minute", "Minutes since it was switched on; the first turn is at 0."));
            else if (turns.Count > 0 && turn.Minute < turns[^1].Minute)
                problems.Add(new Problem($"done[{i}].minute", "Turns come one after another."));
            if (levels.Find(turn.Positions) is { } level)
                turns.Add((turn.Minute, level));
            else
                problems.Add(
                    new Problem(
                        $"done[{i}].positions",
                        $"The sections stand at {Phrases.List(dials.Positions.Select(p => p.Word))}, within one of each other and the lower ones ahead."
                    )
                );
        }
        foreach (var (i, reading) in so.Readings.Index())
        {
            if (!(reading.Minute >= 0 && reading.Minute <= DialFit.LongestHours * 60))
                problems.Add(new Problem($"readings[{i}].minute", "Minutes since it was switched on."));
            else if (i > 0 && reading.Minute < so.Readings[i - 1].Minute)
                problems.Add(new Problem($"readings[{i}].minute", "Readings come one after another."));
        }
        if (problems.Count > 0)
            return Result<(double, ImmutableArray<(double, int)>, double)>.Failed(problems);
        var done = turns.ToImmutable();
        var from = Math.Max(done[^1].Minute, so.Readings.Select(r => r.Minute).DefaultIfEmpty(0).Max());
        return (so.Readings.IsEmpty ? 1 : Share(done, so.Readings, levels, kiln, load, start), done, from);
    }

    /// <summary>The share of the power whose course comes nearest to the readings, by golden section; the kiln's own where nothing was on.</summary>
    private static double Share(
        ImmutableArray<(double Minute, int Level)> turns,
        ImmutableArray<DialReading> readings,
        DialLevels levels,
        Kiln kiln,
        KilnLoad load,
        Temperature start
    )
    {
        double Off(double share)
        {
            var simulation = new KilnSimulation(kiln, load, null, start.Celsius, Fineness.Usual, null);
            var (sum, next, level, r) = (0.0, 0, 0, 0);
            for (var m = 0.0; r < readings.Length; m++)
            {
                while (next < turns.Length && turns[next].Minute <= m)
                    level = turns[next++].Level;
                while (r < readings.Length && readings[r].Minute < m + 0.5)
                {
                    var off = simulation.Chamber - readings[r++].At.Celsius;
                    sum += off * off;
                }
                simulation.LeadWithPower(60, levels.Power(level) * kiln.FullPower * share);
            }
            return sum;
        }

        var (low, high) = (Least, Most);
        var (a, b) = (high - Golden * (high - low), low + Golden * (high - low));
        var (offA, offB) = (Off(a), Off(b));
        if (Math.Abs(Off(low) - Off(high)) < 1)
            return 1;
        for (var i = 0; i < Halvings; i++)
        {
            if (offA < offB)
                (high, b, offB, a, offA) = (b, a, offA, b - Golden * (b - low), Off(b - Golden * (b - low)));
            else
                (low, a, offA, b, offB) = (a, b, offB, a + Golden * (high - a), Off(a + Golden * (high - a)));
        }
        return (low + high) / 2;
    }
}
