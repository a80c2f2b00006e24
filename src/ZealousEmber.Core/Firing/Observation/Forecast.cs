using System.Collections.Immutable;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Observation;

/// <summary>A moment of the forecast.</summary>
/// <param name="Minutes">Since the start.</param>
/// <param name="Celsius">The display there.</param>
public readonly record struct ForecastPoint(double Minutes, Percentiles Celsius);

/// <summary>What a cone will have seen at the end.</summary>
/// <param name="Cone">Which.</param>
/// <param name="Progress">Heat work; 1 is its end point.</param>
/// <param name="Degrees">Past its end point, °C of cone; negative short of it.</param>
public sealed record ConeForecast(Cone Cone, Percentiles Progress, Percentiles Degrees);

/// <summary>How the firing goes on from here. Minutes are since the start; infinite where it never gets there.</summary>
/// <param name="At">When it was made.</param>
/// <param name="Curve">What the display will show, from now until it may be opened.</param>
/// <param name="Top">When the top is reached.</param>
/// <param name="End">When the power goes off for good.</param>
/// <param name="Open">When it may be opened.</param>
/// <param name="Cones">The goal and its neighbours.</param>
/// <param name="CannotShare">Share of the draws that stall.</param>
/// <param name="EndHoldAt">When the hold should end for the goal to be met by heat work; nothing where there is no goal, or it is over.</param>
public sealed record Forecast(
    double At,
    ImmutableArray<ForecastPoint> Curve,
    Percentiles Top,
    Percentiles End,
    Percentiles Open,
    ImmutableArray<ConeForecast> Cones,
    double CannotShare,
    double? EndHoldAt
);
