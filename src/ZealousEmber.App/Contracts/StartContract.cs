using NodaTime;
using ZealousEmber.Core.Clock;

namespace ZealousEmber.App.Contracts;

/// <summary>A firing whose start is wanted.</summary>
/// <param name="From">Earliest start, with its offset; now when missing.</param>
/// <param name="Until">Latest start; seven days after the earliest when missing.</param>
/// <param name="OpenBy">It must be cool enough to open by then.</param>
/// <param name="TopAt">The top must come within half an hour of then.</param>
/// <param name="Studio">Other hours than the studio's own; what is missing in it stays the studio's.</param>
public sealed record StartsRequest(
    ScheduleContract? Schedule,
    double? StartTemperature = null,
    int? KilnId = null,
    KilnContract? Kiln = null,
    LoadContract? Load = null,
    OffsetDateTime? From = null,
    OffsetDateTime? Until = null,
    OffsetDateTime? OpenBy = null,
    OffsetDateTime? TopAt = null,
    StudioContract? Studio = null
);

/// <summary>The best starts, best first; or why there is none.</summary>
/// <param name="TimeZone">Whose clock; all moments carry its offset.</param>
/// <param name="Tried">Starts tried, every five minutes.</param>
/// <param name="Possible">Starts that keep every rule.</param>
/// <param name="Dearest">Cost of the dearest of these.</param>
/// <param name="WhyNone">What stands in the way.</param>
/// <param name="Prices">What power costs from the earliest start on, stretch by stretch.</param>
/// <param name="Alone">When nobody is in.</param>
public sealed record StartsResponse(
    string TimeZone,
    string Currency,
    IReadOnlyList<StartContract> Starts,
    int Tried,
    int Possible,
    double Dearest,
    string? WhyNone,
    IReadOnlyList<PriceSpan> Prices,
    IReadOnlyList<AloneSpan> Alone
);

/// <summary>A start that keeps every rule.</summary>
/// <param name="Cost">Nothing where no kiln or no price is known.</param>
/// <param name="Discomfort">Moments at night or with nobody in, weighted.</param>
/// <param name="Why">What speaks for it and against it.</param>
public sealed record StartContract(
    DateTimeOffset At,
    DateTimeOffset TopAt,
    DateTimeOffset PowerOffAt,
    DateTimeOffset OpenAt,
    double? Cost,
    double Discomfort,
    IReadOnlyList<string> Why,
    IReadOnlyList<WatchContract> Watch
);

/// <summary>A moment that wants a person.</summary>
/// <param name="Who">Those who are in then.</param>
public sealed record WatchContract(WatchKind Kind, DateTimeOffset At, string Text, IReadOnlyList<string> Who);

/// <summary>A stretch at one price.</summary>
public sealed record PriceSpan(DateTimeOffset From, DateTimeOffset To, double Price);

/// <summary>A stretch with nobody in.</summary>
public sealed record AloneSpan(DateTimeOffset From, DateTimeOffset To);

/// <summary>A firing whose watch times are wanted as calendar entries.</summary>
/// <param name="Start">When it is switched on, with its offset.</param>
public sealed record CalendarRequest(
    ScheduleContract? Schedule,
    OffsetDateTime? Start,
    double? StartTemperature = null,
    int? KilnId = null,
    KilnContract? Kiln = null,
    LoadContract? Load = null
);
