using System.Collections.Immutable;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Mapping;

/// <summary>A fuel kiln with what is known of the firing in it: what was turned, what was seen, and from when it is planned anew.</summary>
internal static class FuelFiring
{
    /// <summary>The kiln as it is planned on; problems name <c>segments</c> and <c>replanFromMinute</c>.</summary>
    /// <param name="kiln">With what stands in it.</param>
    /// <param name="wish">What is asked.</param>
    /// <param name="program">The schedule; nothing where there is none.</param>
    public static Result<LoadedFuelKiln> Of(LoadedFuelKiln kiln, FuelOptions wish, FiringProgram? program)
    {
        kiln = kiln with { Every = wish.Every };
        if (wish.ReplanFrom is null && wish.Observations.Count == 0)
            return kiln;
        if (program is null && wish.Turns.IsEmpty)
            return new Problem("turns", "Say which turns were made, or give the schedule they follow.");
        var planned = program is null ? null : kiln.Turns(program);
        if (planned is { IsOk: false })
            return Result<LoadedFuelKiln>.Failed(planned.Problems);
        // Where nobody said what was turned, it was turned as planned.
        var turns = wish.Turns.IsEmpty ? [.. planned!.Value.Turns.Select(t => new FuelTurn(t.Minute, t.Setting))] : wish.Turns;
        var until = wish.ReplanFrom ?? wish.Observations.Max(o => o.Minute);
        var estimate = FuelEstimator.At(kiln.Kiln, kiln.Standing, kiln.Start.Celsius, turns, wish.Observations, until);
        if (wish.ReplanFrom is not { } from)
            return kiln with { Estimate = estimate };
        if (planned is null)
            return new Problem("replanFromMinute", "To plan it anew a schedule is needed.");
        if (from >= planned.Value.Powered.TotalMinutes + Overdue)
            return new Problem("replanFromMinute", "By then the firing is long over; there is nothing left to plan.");
        var done = turns.Where(t => t.Minute < from - 1e-6).ToImmutableArray();
        return kiln with { Kiln = estimate.Kiln, Estimate = estimate, UnderWay = new FiringUnderWay(from, done, planned.Value.Segments, estimate.Correction) };
    }

    // A firing may be hours late and still want its turns.
    private const double Overdue = 24 * 60;
}
