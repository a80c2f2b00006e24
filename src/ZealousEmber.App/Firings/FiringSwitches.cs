using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.People;

namespace ZealousEmber.App.Firings;

/// <summary>The switches of a firing under way.</summary>
internal static class FiringSwitches
{
    public static void MapFiringSwitches(this WebApplication app) =>
        app.MapGet("/api/firings/{id:int}/switches", Switches)
            .Needs(Right.See)
            .WithTags("Live")
            .WithSummary("How the switches of a firing were turned, and are to be turned")
            .Produces<SwitchesContract>()
            .ProducesProblem(404);

    private static async Task<IResult> Switches(int id, [AsParameters] LiveStudio studio, HttpContext context, CancellationToken cancel)
    {
        if (await studio.Runs.Find(id, cancel) is not { Dials: not null } run)
            return ProblemResponses.NotFound("firing with switches");
        if (studio.Live.Find(id) is { } firing)
            return await studio.Live.Look(firing, f => Write(f.Live, f.Run, f.Minutes(studio.Now)), cancel);
        return Write(await studio.Live.Followed(run, context.RequestServices, cancel), run, run.Minutes(run.OpenedAt ?? studio.Now));
    }

    private static IResult Write(IFollowedFiring live, FiringRun run, double now)
    {
        if (live is not LiveFiring { Dials: { } so } electric)
            return ProblemResponses.NotFound("firing with switches");
        var course = so.Course;
        var isOff = course.IsOff(so.Made[^1].Positions) || run.StoppedAt is not null;
        DateTimeOffset At(double minute) => (run.StartsAt + Duration.FromMinutes(minute)).ToDateTimeOffset();
        double? ShouldBe(double minute) =>
            electric.Promised is { } curve && minute <= curve.Points[^1].Minutes ? Math.Round(curve.At(Duration.FromMinutes(minute)).Celsius) : null;
        SwitchTurnContract Turn(DialTurn t, bool isMade) => new(Math.Round(t.Minute, 1), At(t.Minute), t.Positions, isMade, ShouldBe(t.Minute));
        List<SwitchTurnContract> turns = [.. so.Made.Select(t => Turn(t, true)), .. isOff ? [] : course.Turns.Skip(so.Made.Length).Select(t => Turn(t, false))];
        return Results.Ok(
            new SwitchesContract(
                Minute: Math.Round(now, 2),
                Sections: course.Sections,
                Positions: course.Positions,
                Turns: turns,
                Due: so.Made.Length,
                OffMinute: Math.Round(
                    !isOff ? course.OffMinute
                        : run.StoppedAt is { } stopped ? run.Minutes(stopped)
                        : so.Made[^1].Minute,
                    1
                ),
                IsOff: isOff,
                Power: course.Share == 1 ? null : Math.Round(course.Share, 3),
                Cutoff: course.Cutoff,
                TimerMinutes: course.TimerMinutes,
                Says: so.Next is { } next ? so.Say(next.Positions) : "everything off"
            )
        );
    }
}
