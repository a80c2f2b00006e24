using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Controllers.Turning;

/// <summary>
/// Turns switches by the clock so that a kiln follows a curve: a beam over blocks of time on the kiln model, then each turn moved a little. What is
/// weighed: square degrees off, turns, minutes late, heat work missed. Source: the project's paper on controllers.
/// </summary>
internal sealed class DialPlanner
{
    private const int Beam = 150;
    private const double OfATurn = 6;
    private const double OfLate = 0.05;
    private const double OfWork = 600;
    private const double LongestLate = 240;
    private const int FurthestStep = 4;
    private const double SameHeat = 2;
    private static readonly double[] Moves = [-10, -5, 5, 10];
    private readonly Kiln kiln;
    private readonly KilnLoad load;
    private readonly DialLevels levels;
    private readonly ConeKinetics cone;
    private readonly double apart;
    private readonly double[] wanted;
    private readonly double ends;
    private readonly double work;
    private readonly double start;
    private readonly double[] power;
    private readonly ImmutableArray<(double Minute, int Level)> done;
    private readonly double from;

    /// <param name="kiln">Which.</param>
    /// <param name="load">What stands in it.</param>
    /// <param name="dials">Its switches.</param>
    /// <param name="curve">The wanted curve, to the end of its top.</param>
    /// <param name="cone">Compared by this.</param>
    /// <param name="share">Of the kiln's full power that really comes.</param>
    /// <param name="done">Turns that are done; what follows is planned.</param>
    /// <param name="from">Nothing is turned before this minute but what is done.</param>
    public DialPlanner(
        Kiln kiln,
        KilnLoad load,
        Dials dials,
        Curve curve,
        ConeKinetics cone,
        double share = 1,
        ImmutableArray<(double Minute, int Level)> done = default,
        double from = 0
    )
    {
        (this.kiln, this.load, this.cone, levels, apart) = (kiln, load, cone, new DialLevels(dials), dials.Apart);
        this.done = done.IsDefault ? [] : done;
        // Switches stay for a while once they were turned.
        this.from = this.done.IsEmpty ? 0 : Math.Ceiling(Math.Max(from, this.done[^1].Minute + apart));
        ends = curve.EndOfTop.TotalMinutes;
        // By the minute; nothing is asked after the top.
        wanted = [.. Enumerable.Range(0, (int)Math.Ceiling(ends) + 1).Select(m => curve.At(NodaTime.Duration.FromMinutes(Math.Min(m, ends))).Celsius)];
        start = wanted[0];
        power = [.. Enumerable.Range(0, levels.Count).Select(l => levels.Power(l) * kiln.FullPower * share)];
        for (var m = 1; m < wanted.Length; m++)
            work += (cone.RateAt(wanted[m - 1]) + cone.RateAt(wanted[m])) / 2 / 60;
    }

    /// <summary>Heat work at the end of the wanted top.</summary>
    public double Work => work;

    /// <summary>A course of turns and what came of it.</summary>
    /// <param name="Turns">When to which level.</param>
    /// <param name="Off">Minute of the off.</param>
    /// <param name="Score">What is made small.</param>
    /// <param name="Rms">K.</param>
    /// <param name="Work">Heat work at the off.</param>
    /// <param name="Furthest">K.</param>
    internal sealed record Course(ImmutableArray<(double Minute, int Level)> Turns, double Off, double Score, double Rms, double Work, double Furthest);

    private sealed record State(SimulationState Kiln, int Level, double Square, double Work, int Turns, State? Before, double Minute);

    /// <summary>The best course found; nothing when the kiln never gets there.</summary>
    public Course? Best(CancellationToken cancel)
    {
        if (Searched(cancel) is not { } best)
            return null;
        for (var pass = 0; pass < 3; pass++)
        {
            var before = best.Score;
            for (var i = Math.Max(1, done.Length); i < best.Turns.Length; i++)
            {
                cancel.ThrowIfCancellationRequested();
                foreach (var by in Moves)
                {
                    var minute = best.Turns[i].Minute + by;
                    if (minute < from || minute - best.Turns[i - 1].Minute < apart || (i + 1 < best.Turns.Length && best.Turns[i + 1].Minute - minute < apart))
                        continue;
                    if (Run(best.Turns.SetItem(i, (minute, best.Turns[i].Level))) is { } moved && moved.Score < best.Score)
                        best = moved;
                }
                foreach (var level in new[] { best.Turns[i].Level - 1, best.Turns[i].Level + 1 }.Where(l => l >= 0 && l < levels.Count))
                {
                    if (Run(best.Turns.SetItem(i, (best.Turns[i].Minute, level))) is { } other && other.Score < best.Score)
                        best = other;
                }
                if (Run(best.Turns.RemoveAt(i)) is { } fewer && fewer.Score < best.Score)
                    best = fewer;
            }
            if (best.Score >= before - 1e-9)
                break;
        }
        return best;
    }

    private Course? Searched(CancellationToken cancel)
    {
        Course? best = null;
        List<State> beam = [];
        if (Begun() is { } begun)
            beam.Add(begun);
        else
            best = new Course(done, 0, 0, 0, 0, 0);
        for (var at = from; at < ends + LongestLate && beam.Count > 0; at += apart)
        {
            cancel.ThrowIfCancellationRequested();
            var next = new Dictionary<(int Level, int Heat), (State State, double Score)>();
            foreach (var state in beam)
            {
                for (var level = Math.Max(0, state.Level - FurthestStep); level <= Math.Min(levels.Count - 1, state.Level + FurthestStep); level++)
                {
                    var turned = levels.Turned(state.Level, level);
                    var (after, off) = Block(state, level, turned, at, apart);
                    if (off is { } minute)
                    {
                        var score = Score(after.Square, minute, after.Turns, after.Work);
                        if (best is null || score < best.Score)
                            best = new Course(TurnsOf(after), minute, score, 0, 0, 0);
                        continue;
                    }
                    var key = (level, (int)Math.Round(after.Kiln.Kiln.Chamber / SameHeat));
                    var so = after.Square / ends + OfATurn * after.Turns;
                    if (!next.TryGetValue(key, out var there) || so < there.Score)
                        next[key] = (after, so);
                }
            }
            beam = [.. next.Values.OrderBy(s => s.Score).Take(Beam).Select(s => s.State)];
        }
        return best is null ? null : Run(best.Turns);
    }

    /// <summary>Where it stands once what is done is done; nothing where that alone gets there.</summary>
    private State? Begun()
    {
        var first = new KilnSimulation(kiln, load, null, start, Fineness.Usual, null).State;
        var state = new State(first, 0, 0, 0, 0, null, -1);
        foreach (var (i, turn) in done.Index())
        {
            var until = i + 1 < done.Length ? done[i + 1].Minute : from;
            (state, var off) = Block(state, turn.Level, levels.Turned(state.Level, turn.Level), turn.Minute, until - turn.Minute);
            if (off is not null)
                return null;
        }
        return state;
    }

    /// <summary>A block at one level; the minute of the off where the heat work is reached in it.</summary>
    private (State After, double? Off) Block(State state, int level, int turned, double at, double minutes)
    {
        var simulation = new KilnSimulation(kiln, load, null, state.Kiln);
        var (square, done) = (state.Square, state.Work);
        for (var m = 1; m <= minutes; m++)
        {
            var before = simulation.Chamber;
            simulation.LeadWithPower(60, power[level]);
            square += Square(at + m, simulation.Chamber);
            var rate = (cone.RateAt(before) + cone.RateAt(simulation.Chamber)) / 2 / 60;
            if (done + rate >= work)
                return (new State(state.Kiln, level, square, work, state.Turns + turned, state, at), at + m - 1 + (work - done) / rate);
            done += rate;
        }
        return (new State(simulation.State, level, square, done, state.Turns + turned, state, at), null);
    }

    private double Square(double minute, double chamber)
    {
        if (minute > ends)
            return 0;
        var off = chamber - wanted[Math.Min(wanted.Length - 1, (int)minute)];
        return off * off;
    }

    private double Score(double square, double off, int turns, double done)
    {
        var missed = Math.Log(Math.Max(done, 1e-12) / work);
        return square / Math.Min(off, ends) + OfATurn * turns + OfLate * (off - ends) * (off - ends) + OfWork * missed * missed;
    }

    /// <summary>The whole course at once, minute by minute; nothing when it never gets there.</summary>
    private Course? Run(ImmutableArray<(double Minute, int Level)> turns)
    {
        var simulation = new KilnSimulation(kiln, load, null, start, Fineness.Usual, null);
        var (square, done, furthest, next, level, turned) = (0.0, 0.0, 0.0, 0, 0, 0);
        for (var m = 0.0; m < ends + LongestLate; m++)
        {
            while (next < turns.Length && turns[next].Minute <= m)
            {
                turned += levels.Turned(level, turns[next].Level);
                level = turns[next++].Level;
            }
            var before = simulation.Chamber;
            simulation.LeadWithPower(60, power[level]);
            var off = Square(m + 1, simulation.Chamber);
            (square, furthest) = (square + off, Math.Max(furthest, Math.Sqrt(off)));
            var rate = (cone.RateAt(before) + cone.RateAt(simulation.Chamber)) / 2 / 60;
            if (done + rate >= work)
            {
                var minute = m + (work - done) / rate;
                return new Course(turns, minute, Score(square, minute, turned, work), Math.Sqrt(square / Math.Min(minute, ends)), work, furthest);
            }
            done += rate;
        }
        return null;
    }

    private static ImmutableArray<(double Minute, int Level)> TurnsOf(State last)
    {
        var turns = new List<(double, int)>();
        for (var s = last; s is not null && s.Minute >= 0; s = s.Before)
        {
            if (s.Before is null || s.Before.Level != s.Level)
                turns.Insert(0, (s.Minute, s.Level));
        }
        return [.. turns];
    }
}
