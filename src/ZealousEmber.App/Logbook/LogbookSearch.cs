using Microsoft.AspNetCore.Mvc;
using NodaTime;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Logbook;

/// <summary>What is asked of the logbook.</summary>
/// <param name="Search">Words: names, glazes, clays, people, notes.</param>
/// <param name="Kiln">Number of a kiln.</param>
/// <param name="Glaze">Number of a glaze.</param>
/// <param name="Clay">Number of a clay.</param>
/// <param name="Who">Somebody whose ware was in it, or who fired it.</param>
/// <param name="Fault">A kind of fault.</param>
/// <param name="Cone">The cone that was reached.</param>
/// <param name="Kind">A kind of firing.</param>
/// <param name="Schedule">Number of a schedule.</param>
/// <param name="Since">Not before.</param>
/// <param name="Until">Before.</param>
/// <param name="Reference">Only those to go by.</param>
/// <param name="Good">Only those that came out well.</param>
internal sealed record LogbookSearch(
    [FromQuery(Name = "search")] string? Search,
    [FromQuery(Name = "kiln")] int? Kiln,
    [FromQuery(Name = "glaze")] int? Glaze,
    [FromQuery(Name = "clay")] int? Clay,
    [FromQuery(Name = "who")] string? Who,
    [FromQuery(Name = "fault")] string? Fault,
    [FromQuery(Name = "cone")] string? Cone,
    [FromQuery(Name = "kind")] string? Kind,
    [FromQuery(Name = "schedule")] int? Schedule,
    [FromQuery(Name = "since")] DateTimeOffset? Since,
    [FromQuery(Name = "until")] DateTimeOffset? Until,
    [FromQuery(Name = "reference")] bool? Reference,
    [FromQuery(Name = "good")] bool? Good,
    [FromQuery(Name = "skip")] int? Skip,
    [FromQuery(Name = "take")] int? Take
)
{
    private const int LongestWords = 200;

    public LogbookQuery Read(List<Problem> problems)
    {
        if (Search?.Length > LongestWords)
            problems.Add(new Problem("search", $"At most {LongestWords} characters."));
        if (Who?.Length > LongestWords)
            problems.Add(new Problem("who", $"At most {LongestWords} characters."));
        if (Fault is { Length: > 0 } fault && !FaultRules.Faults.Contains(fault))
            problems.Add(new Problem("fault", $"Which fault? One of {string.Join(", ", FaultRules.Faults)}."));
        string? cone = null;
        if (Cone is { Length: > 0 } number)
        {
            var read = ConeNumber.Parse(number, "cone");
            problems.AddRange(read.Problems);
            if (read.IsOk)
                cone = read.Value.Number;
        }
        ScheduleKind? kind = null;
        if (Kind is { Length: > 0 } word)
        {
            kind = WireEnums.Read<ScheduleKind>(word);
            if (kind is null)
                problems.Add(WireEnums.Unknown<ScheduleKind>("kind", "a kind of firing", word));
        }
        Instant? Moment(DateTimeOffset? at) => at is { } given ? Instant.FromUnixTimeMilliseconds(given.ToUnixTimeMilliseconds()) : null;
        return new LogbookQuery(
            Words: Search,
            KilnId: Kiln,
            GlazeId: Glaze,
            ClayId: Clay,
            Person: Who?.Trim(),
            Fault: Fault,
            Reached: cone,
            Kind: kind,
            ScheduleId: Schedule,
            Since: Moment(Since),
            Until: Moment(Until),
            ReferenceOnly: Reference == true,
            GoodOnly: Good == true
        );
    }
}
