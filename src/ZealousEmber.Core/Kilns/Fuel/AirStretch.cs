using System.Collections.Immutable;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A stretch of a firing with one kind of air.</summary>
/// <param name="From">Minutes since the start.</param>
/// <param name="To">Minutes since the start.</param>
/// <param name="Band">What people call it.</param>
public sealed record AirStretch(double From, double To, Atmosphere Band)
{
    // What is shorter passes while burners and damper are set: it belongs to the stretch before.
    private const double Shortest = 3;

    /// <summary>The air a program asks for, on a log of it: each step from where the log left the one before; none where no step asks.</summary>
    public static ImmutableArray<AirStretch> Asked(FiringProgram program, Curve log)
    {
        var stretches = ImmutableArray.CreateBuilder<AirStretch>();
        var (at, end) = (0.0, log.EndOfTop.TotalMinutes);
        foreach (var (i, step) in program.Steps.Take(program.TopStep + 1).Index())
        {
            var to =
                i == program.TopStep || step.Target is not { } target ? end
                : log.FirstRiseThrough(target) is { } rise ? Math.Min(end, rise.TotalMinutes + step.HoldMinutes)
                : end;
            if (step.Atmosphere is { } band && to > at)
                stretches.Add(new AirStretch(at, to, band));
            at = Math.Max(at, to);
        }
        return stretches.ToImmutable();
    }

    /// <summary>The stretches of a firing, the first at its first point; none where nothing is known.</summary>
    /// <param name="air">λ over time, in its order.</param>
    /// <param name="end">Until when, minutes; what lies after it is left out.</param>
    public static ImmutableArray<AirStretch> Of(IReadOnlyList<AirPoint> air, double end)
    {
        var stretches = ImmutableArray.CreateBuilder<AirStretch>();
        for (var i = 0; i < air.Count; i++)
        {
            var (from, to, band) = (air[i].Minute, i + 1 < air.Count ? Math.Min(air[i + 1].Minute, end) : end, AirAim.Band(air[i].Lambda));
            if (to <= from)
                continue;
            if (stretches.Count > 0 && (stretches[^1].Band == band || to - from < Shortest))
                stretches[^1] = stretches[^1] with { To = to };
            else
                stretches.Add(new AirStretch(from, to, band));
        }
        return stretches.ToImmutable();
    }
}
