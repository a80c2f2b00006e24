using NodaTime;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Contracts;

/// <summary>The studio's clock: zone, price of power, who is in when, and what is asked of them.</summary>
/// <param name="TimeZone">A name of the tz database: Europe/London. Missing: as it was.</param>
/// <param name="Currency">Shown before a sum, up to 8 characters.</param>
/// <param name="Price">Of a kWh where no band holds; 0 when not known.</param>
/// <param name="Bands">Hours at another price; the first that holds counts.</param>
/// <param name="People">Who is in when.</param>
/// <param name="Rule">never-alone: somebody in while the power is on; alarm-between: somebody in when it is switched on and at the top; marked-moments: at the
/// moments marked.</param>
/// <param name="Marked">Moments somebody must be there for.</param>
/// <param name="Clock">Times of day as 21:05 or 9:05 pm.</param>
/// <param name="Unit">The scale new schedules are written in.</param>
/// <param name="Length">What walls and widths are measured in.</param>
/// <param name="Mass">What ware is weighed in.</param>
/// <param name="GasPrice">Of a kWh of gas; 0 when not known.</param>
/// <param name="GasPaid">How gas is paid, where not by the kWh; gasPrice follows from it.</param>
public sealed record StudioContract(
    string? TimeZone,
    string? Currency,
    double? Price,
    IReadOnlyList<TariffBandContract?>? Bands,
    IReadOnlyList<PersonContract?>? People,
    AttendanceRule? Rule,
    IReadOnlyList<WatchKind>? Marked,
    ClockFormat? Clock = null,
    TemperatureUnit? Unit = null,
    LengthUnit? Length = null,
    MassUnit? Mass = null,
    double? GasPrice = null,
    GasPaidContract? GasPaid = null
);

/// <summary>What gas costs as it is paid.</summary>
/// <param name="Per">kwh, kg, cylinder or cubic-metre.</param>
/// <param name="Price">Of one.</param>
/// <param name="CylinderKg">Gas in a full cylinder; 47 when missing.</param>
public sealed record GasPaidContract(GasMeasure? Per, double? Price, double? CylinderKg = null);

/// <summary>The studio's hours with their version; 0 until somebody has said them.</summary>
public sealed record VersionedStudioContract(int Version, StudioContract Studio);

/// <summary>Hours at a price of their own.</summary>
/// <param name="FirstMonth">1 … 12; with lastMonth the season it holds in.</param>
public sealed record TariffBandContract(string? Name, double? Price, WeeklySpanContract? Hours, int? FirstMonth = null, int? LastMonth = null);

/// <summary>A person and their hours.</summary>
public sealed record PersonContract(string? Name, IReadOnlyList<WeeklySpanContract?>? Hours);

/// <summary>Hours on some days; to at or before from runs past midnight, the same means the whole day.</summary>
/// <param name="Days">mon … sun; none means every day.</param>
/// <param name="From">23:00.</param>
/// <param name="To">07:00.</param>
public sealed record WeeklySpanContract(IReadOnlyList<IsoDayOfWeek>? Days, string? From, string? To);
