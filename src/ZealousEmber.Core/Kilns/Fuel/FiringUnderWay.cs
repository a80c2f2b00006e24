using System.Collections.Immutable;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A firing under way: what was done so far, and how the clock of the plan runs.</summary>
/// <param name="Minute">From when it is planned anew.</param>
/// <param name="Done">How burners and damper were set until then; the first at the start or later.</param>
/// <param name="Clock">The steps with the times they were planned for.</param>
/// <param name="Correction">How much hotter the chamber is then than the sums say, K.</param>
public sealed record FiringUnderWay(double Minute, ImmutableArray<FuelTurn> Done, ImmutableArray<CompiledSegment> Clock, double Correction = 0);
