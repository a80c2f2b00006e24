using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Starts;

/// <summary>When to start, and the watch times of a start as calendar entries.</summary>
internal static class StartEndpoints
{
    private static readonly Duration UsualSearch = Duration.FromDays(7);
    private static readonly Duration Quarter = Duration.FromMinutes(15);

    public static void MapStarts(this WebApplication app)
    {
        app.MapPost("/api/starts", Find)
            .Needs(Right.BeSomebody)
            .WithTags("Clock")
            .WithSummary("The best starts: every rule met, then cost, then comfort")
            .Produces<StartsResponse>()
            .ProducesValidationProblem(422);
        app.MapPost("/api/starts/calendar", Calendar)
            .Needs(Right.BeSomebody)
            .WithTags("Clock")
            .WithSummary("The watch times of a firing as an iCalendar file")
            .Produces(200, contentType: "text/calendar")
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> Find(
        StartsRequest? request,
        StudioLookup lookup,
        SettingsStore<StudioSettings> studio,
        TimeProvider time,
        CancellationToken cancel
    )
    {
        request ??= new StartsRequest(null);
        var problems = new List<Problem>();
        var kept = (await studio.Read(cancel)).Item;
        var hours = request.Studio is null ? kept : StudioMapping.Read(request.Studio, kept);
        problems.AddRange(hours.Problems.Select(p => p.Under("studio")));
        var from = WireTime.Check(request.From, "from", problems)?.ToInstant() ?? Instant.FromDateTimeOffset(time.GetUtcNow());
        var until = WireTime.Check(request.Until, "until", problems)?.ToInstant() ?? from + UsualSearch;
        if (until < from)
            problems.Add(new Problem("until", "The latest start is before the earliest."));
        else if (until - from > StartSolver.LongestSearch)
            problems.Add(new Problem("until", $"At most {StartSolver.LongestSearch.TotalDays:0} days are searched at once."));
        var openBy = WireTime.Check(request.OpenBy, "openBy", problems)?.ToInstant();
        var topAt = WireTime.Check(request.TopAt, "topAt", problems)?.ToInstant();
        var read = await ClockTask.Read(request.Schedule, request.StartTemperature, request.KilnId, request.Kiln, request.Load, lookup, problems);
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);

        var (timed, rules) = (read!, hours.Value);
        var task = timed.Start;
        var answer = StartSolver.Best(task, new StartWindow(from, until, openBy, topAt), rules);
        DateTimeOffset At(Instant instant) => instant.InZone(rules.Zone).ToDateTimeOffset();
        var priced = rules.Prices.Knows(task.Energy);
        // While no kiln is chosen, electricity is what most draw.
        var tariff = rules.Prices.Of(task.Energy.Count > 0 ? task.Energy[0].Carrier : EnergyCarrier.Electricity);
        var horizon = until + task.OpensAt;
        return Results.Ok(
            new StartsResponse(
                rules.Zone.Id,
                rules.Prices.Currency,
                [
                    .. answer.Choices.Select(c => new StartContract(
                        At(c.At),
                        At(c.At + task.TopAt),
                        At(c.At + task.Powered),
                        At(c.At + task.OpensAt),
                        priced ? c.Cost : null,
                        c.Discomfort,
                        c.Why,
                        [.. task.Moments.Select(m => new WatchContract(m.Kind, At(c.At + m.At), m.Text, [.. rules.InAt(c.At + m.At)]))]
                    )),
                ],
                answer.Tried,
                answer.Possible,
                answer.Dearest,
                answer.WhyNone,
                [.. Stretches(from, horizon, i => tariff.At(i.InZone(rules.Zone).LocalDateTime)).Select(s => new PriceSpan(At(s.From), At(s.To), s.Value))],
                [.. Stretches(from, horizon, i => !rules.InAt(i).Any()).Where(s => s.Value).Select(s => new AloneSpan(At(s.From), At(s.To)))]
            )
        );
    }

    private static async Task<IResult> Calendar(CalendarRequest? request, StudioLookup lookup)
    {
        request ??= new CalendarRequest(null, null);
        var problems = new List<Problem>();
        var start = WireTime.Check(request.Start, "start", problems);
        if (start is null && problems.Count == 0)
            problems.Add(new Problem("start", "Say when it is switched on."));
        var timed = await ClockTask.Read(request.Schedule, request.StartTemperature, request.KilnId, request.Kiln, request.Load, lookup, problems);
        return problems.Count > 0
            ? ProblemResponses.Of(problems)
            : Results.File(
                WatchCalendar.Write(timed!.Schedule, timed.Kiln.Name, start!.Value.ToInstant(), timed.Start.Moments),
                "text/calendar; charset=utf-8",
                "watch-times.ics"
            );
    }

    /// <summary>Runs of the same value, looked at every quarter of an hour.</summary>
    private static IEnumerable<(Instant From, Instant To, T Value)> Stretches<T>(Instant from, Instant to, Func<Instant, T> value)
    {
        var (begin, now) = (from, value(from));
        // On round quarters, so that a change at the full hour is seen at the full hour.
        var first = Instant.FromUnixTimeTicks(from.ToUnixTimeTicks() / Quarter.BclCompatibleTicks * Quarter.BclCompatibleTicks) + Quarter;
        for (var at = first; at < to; at += Quarter)
        {
            var next = value(at);
            if (EqualityComparer<T>.Default.Equals(next, now))
                continue;
            yield return (begin, at, now);
            (begin, now) = (at, next);
        }
        yield return (begin, to, now);
    }
}
