using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Contracts;

/// <summary>Logs to learn a kiln from.</summary>
/// <param name="What">kiln: heat capacity and insulation with the power given; elements: only what the elements still give.</param>
public sealed record FitRequest(IReadOnlyList<FitLog?>? Logs, LearnWhat? What = null);

/// <summary>One log, as CSV text or as points.</summary>
/// <param name="Csv">With headings: time, temperature, and if there are any set point and power.</param>
/// <param name="Points">Instead of CSV.</param>
/// <param name="Unit">Of the temperatures; by the headings when missing.</param>
/// <param name="Kind">What was fired; glaze when missing. The usual full load goes with it.</param>
/// <param name="OffAtMinute">When the power went off, minutes since the first reading; needed for temperatures only.</param>
/// <param name="MeterKwh">What the meter counted over the log.</param>
public sealed record FitLog(
    string? Csv = null,
    IReadOnlyList<FitPoint?>? Points = null,
    TemperatureUnit? Unit = null,
    ScheduleKind? Kind = null,
    LoadContract? Load = null,
    double? OffAtMinute = null,
    double? MeterKwh = null
);

/// <summary>A logged moment.</summary>
/// <param name="Power">Share of full power, 0 … 1.</param>
/// <param name="Setpoint">What was asked; missing while the power was off.</param>
public sealed record FitPoint(double? Minute, double? Temperature, double? Power = null, double? Setpoint = null);

/// <summary>What the logs taught; nothing is kept until the kiln is saved.</summary>
/// <param name="Kiln">The kiln with what was learned.</param>
/// <param name="Heat">Heat capacity, % of the usual.</param>
/// <param name="Loss">What the walls let through, % of the usual.</param>
/// <param name="Elements">What the elements give, % of the plate.</param>
/// <param name="Notes">What limits how far it can be trusted.</param>
public sealed record FitResponse(
    KilnContract Kiln,
    LearnedNumber Heat,
    LearnedNumber Loss,
    LearnedNumber Elements,
    IReadOnlyList<FitCurves> Logs,
    IReadOnlyList<string> Notes
);

/// <summary>A number before and after, with how sure it is (one standard deviation; 0 when it was not learned).</summary>
public sealed record LearnedNumber(double Before, double After, double Sure);

/// <summary>One log beside what the kiln would have done; temperatures in the kiln's unit.</summary>
/// <param name="Understood">How the log was read.</param>
/// <param name="MissBefore">Root mean square, degrees of the kiln's unit.</param>
public sealed record FitCurves(
    string Understood,
    IReadOnlyList<CurvePointContract> Logged,
    IReadOnlyList<CurvePointContract> Before,
    IReadOnlyList<CurvePointContract> After,
    double MissBefore,
    double MissAfter
);
