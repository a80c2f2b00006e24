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

/// <summary>The rest of a firing in three numbers.</summary>
/// <param name="Hottest">What the display will show at most, °C.</param>
/// <param name="TopOver">When it last falls below five degrees under that, minutes since the start.</param>
/// <param name="Kwh">What it takes from here on.</param>
public sealed record ForecastTotals(Percentiles Hottest, Percentiles TopOver, Percentiles Kwh);

/// <summary>How the firing goes on from here. Minutes are since the start; infinite where it never gets there.</summary>
/// <param name="At">When it was made.</param>
/// <param name="Curve">What the display will show, from now until it may be opened.</param>
/// <param name="Top">When the top is reached.</param>
/// <param name="End">When the power goes off for good.</param>
/// <param name="Open">When it may be opened.</param>
/// <param name="Cones">The goal and its neighbours.</param>
/// <param name="CannotShare">Share of the draws that stall.</param>
/// <param name="EndHoldAt">When the hold should end for the goal to be met by heat work; nothing where there is no goal, or it is over.</param>
/// <param name="Totals">What it comes to in all; nothing where that is not worked out.</param>
public sealed record Forecast(
    double At,
    ImmutableArray<ForecastPoint> Curve,
    Percentiles Top,
    Percentiles End,
    Percentiles Open,
    ImmutableArray<ConeForecast> Cones,
    double CannotShare,
    double? EndHoldAt,
    ForecastTotals? Totals = null
);
