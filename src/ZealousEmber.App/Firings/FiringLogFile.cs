using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Options;
using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Live;
using ZealousEmber.App.Services.Logs;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Repositories;
using JsonOptions = Microsoft.AspNetCore.Http.Json.JsonOptions;

namespace ZealousEmber.App.Firings;

/// <summary>Whole logs taken in afterwards: looked at, confirmed, read, and kept whole or not at all.</summary>
internal static class FiringLogFile
{
    private const string Logger = "log file";
    private const int MostColumn = 200;
    private const int MostHeadLines = 10_000;
    private static readonly Duration Belongs = Duration.FromDays(60);
    private static readonly Duration Over = Duration.FromHours(1);

    public static void MapLogFiles(this WebApplication app)
    {
        var api = app.MapGroup("/api/firings/{id:int}/log").Needs(Right.See).WithTags("Live");
        api.MapPost(
                "look",
                async (int id, LogLookRequest? request, [AsParameters] LiveStudio studio, SettingsStore<StudioSettings> settings, CancellationToken cancel) =>
                    request is null
                        ? ProblemResponses.Of([new Problem("head", "The beginning of the log is missing here.")])
                        : Answer.Of(
                            LogPreview.Of(request, studio.Now, (await settings.Read(cancel)).Item.Zone, begun: await studio.Runs.Find(id, cancel) is not null)
                        )
            )
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("How a log is probably to be read, from pieces of it")
            .Produces<LogLookResponse>()
            .ProducesValidationProblem(422);
        api.MapPut("", Take)
            .Needs(Right.Run, NeedOf.Firing)
            .WithMetadata(new BodySize(BodyLimit.WholeLog))
            .RequireRateLimiting(LargeBodies.Queue)
            .WithSummary(
                "A whole log as text/csv; ?reading= says how it is to be read, as “look” gives it; ?try=true only tells what it would give. The same file again adds nothing."
            )
            .Produces<LogTakenResponse>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409);
    }

    private static async Task<IResult> Take(
        int id,
        string? reading,
        [FromQuery(Name = "try")] bool? tries,
        [AsParameters] LiveStudio studio,
        RunStarter starter,
        SampleLog store,
        SettingsStore<StudioSettings> settings,
        StudioFolder folder,
        IOptions<JsonOptions> json,
        HttpContext context,
        CancellationToken cancel
    )
    {
        if (await studio.Firings.Find(id, cancel) is not { } firing)
            return ProblemResponses.NotFound("firing");
        var run = await studio.Runs.Find(id, cancel);
        if (run?.Link == LinkKind.Simulated)
            return ProblemResponses.Conflict("This firing runs on a simulated kiln; it takes no other readings.");
        var zone = (await settings.Read(cancel)).Item.Zone;
        var wanted = ReadWanted(reading, ref zone, run is not null, json.Value.SerializerOptions);
        if (!wanted.IsOk)
            return ProblemResponses.Of(wanted.Problems);

        // The disk takes it first: it is as long as it is, and whoever sends it may change their mind.
        await using var spool = new FileStream(
            Path.Combine(folder.Path, $"log-{Guid.NewGuid():N}.tmp"),
            FileMode.CreateNew,
            FileAccess.ReadWrite,
            FileShare.None,
            1 << 16,
            FileOptions.DeleteOnClose | FileOptions.Asynchronous
        );
        await context.Request.Body.CopyToAsync(spool, cancel);
        spool.Position = 0;
        var stream = Convert.ToHexStringLower(await SHA256.HashDataAsync(spool, cancel))[..32];
        spool.Position = 0;
        var moments = new LogMoments(
            wanted.Value.TimeIn,
            wanted.Value.Dates,
            zone,
            wanted.Value.FirstAt is { } first ? Instant.FromDateTimeOffset(first) : run?.StartsAt ?? studio.Now,
            wanted.Value.DecimalSign,
            wanted.Value.FirstDay is { } day ? LocalDate.FromDateOnly(day) : null
        );
        using var text = new StreamReader(spool, leaveOpen: true);
        var file = await Task.Run(() => LogFile.Read(text, wanted.Value, moments, studio.Now, cancel), cancel);
        if (!file.IsOk)
            return ProblemResponses.Of(file.Problems);
        var samples = file.Value.Samples;
        var times = new long[samples.Count];
        for (var i = 0; i < times.Length; i++)
            times[i] = samples[i].At;
        Array.Sort(times);
        var (from, to) = (Instant.FromUnixTimeMilliseconds(times[0]), Instant.FromUnixTimeMilliseconds(times[^1]));

        if (Misplaced(run, from, to, zone) is { } misplaced)
            return ProblemResponses.Of([misplaced]);
        var (hottest, last) = (file.Value.Hottest, file.Value.Last);
        LogTakenResponse Told(int added, FiringRun? taken) =>
            new(
                times.Length,
                added,
                file.Value.Skipped,
                file.Value.FirstSkipped,
                from.ToDateTimeOffset(),
                to.ToDateTimeOffset(),
                Gaps(times),
                hottest,
                last,
                taken is null ? null : RunMapping.Write(taken, studio.Now)
            );
        if (tries == true)
            return Results.Ok(Told(0, null));
        if (run is null)
        {
            var started = await Started(id, firing.Item, from, to, last, studio, starter, Versions.Stamp(context.Request).By, cancel);
            if (!started.IsOk)
                return ProblemResponses.Of(started.Problems);
            if (started.Value is null)
                return ProblemResponses.Conflict("Its kiln has another firing in it, or this one was just started. Take the log in once that is over.");
            run = started.Value;
        }
        var added = await store.Import(id, Logger, stream, samples, cancel);
        await context.RequestServices.GetRequiredService<FiringRecords>().MarkStale(id, CancellationToken.None);
        samples.Clear();
        samples.TrimExcess();
        run = await studio.Live.LogAdded(run, context.RequestServices);
        return Results.Ok(Told(added, run));
    }

    /// <summary>A log of another firing.</summary>
    private static Problem? Misplaced(FiringRun? run, Instant from, Instant to, DateTimeZone zone) =>
        run is not null && (from < run.StartsAt - Duration.FromDays(1) || to > run.StartsAt + Belongs)
            ? new Problem(
                "csv",
                $"This log goes from {Say(from, zone)} to {Say(to, zone)}, but this firing began {Say(run.StartsAt, zone)}: is it of another firing, "
                    + "or are day and month the other way round?"
            )
            : null;

    /// <summary>
    /// A firing whose log is the first that is heard of it: it began with the first reading. A log that ends cool ends with the opening; one that ends hot
    /// does not say when it was opened, and the kiln is taken to be open once it has had time to cool. Nothing where its kiln is taken.
    /// </summary>
    private static async Task<Result<FiringRun?>> Started(
        int id,
        Core.Firing.FiringDraft firing,
        Instant from,
        Instant to,
        double? last,
        LiveStudio studio,
        RunStarter starter,
        string? by,
        CancellationToken cancel
    )
    {
        var read = await starter.Read(id, firing, new StartFiringRequest(LinkKind.Push, StartsAt: from.ToDateTimeOffset()), studio.Now, by, cancel);
        if (!read.IsOk)
            return Result<FiringRun?>.Failed(read.Problems);
        // It is over: whoever entered the program at the controller fired that one, whatever the plan says since.
        if (read.Value.Run is null)
            read = await starter.Read(
                id,
                firing,
                new StartFiringRequest(LinkKind.Push, StartsAt: from.ToDateTimeOffset(), Program: StartedProgram.Set),
                studio.Now,
                by,
                cancel
            );
        var run = read.Value.Run!;
        var open = to + run.CoolsFrom(Temperature.FromCelsius(last ?? 0));
        run = run with { OpenedAt = open < studio.Now - Over ? open : null };
        return await studio.Runs.Start(run, new FiringEntry($"log-{id}", EntryKind.State, from, by, Subject: "started", Text: "told by its log"), cancel);
    }

    private static Result<LogReading> ReadWanted(string? text, ref DateTimeZone zone, bool hasStart, JsonSerializerOptions json)
    {
        LogReading? reading;
        try
        {
            reading = string.IsNullOrWhiteSpace(text) ? null : JsonSerializer.Deserialize<LogReading>(text, json);
        }
        catch (JsonException error)
        {
            return new Problem($"reading{error.Path?.TrimStart('$')}", "This is not how a log is described; ask “look” first.");
        }
        if (reading is null)
            return new Problem("reading", "Say how the log is to be read; “look” gives a first guess.");
        var problems = new List<Problem>();
        if (reading.Delimiter is { } delimiter && !LogRows.Delimiters.Contains(delimiter))
            problems.Add(new Problem("delimiter", "Cells are separated by a comma, a semicolon, a bar, a tab or blanks."));
        foreach (
            var (field, column) in new[]
            {
                ("time", reading.Time),
                ("temperature", reading.Temperature),
                ("date", reading.Date),
                ("setPoint", reading.SetPoint),
                ("power", reading.Power),
            }
        )
        {
            if (column is null && field is "time" or "temperature" && (field == "time" ? reading.Time : reading.Temperature) is null)
                problems.Add(new Problem(field, $"Which column has the {field}?"));
            if (column is < 0 or >= MostColumn)
                problems.Add(new Problem(field, $"Columns count from 0 to {MostColumn - 1}."));
        }
        if (reading.Time is { } time && time == reading.Temperature)
            problems.Add(new Problem("temperature", "Time and temperature are the same column."));
        if (!string.IsNullOrWhiteSpace(reading.Zone))
        {
            if (DateTimeZoneProviders.Tzdb.GetZoneOrNull(reading.Zone.Trim()) is { } known)
                zone = known;
            else
                problems.Add(new Problem("zone", "This is not a time zone; write it like Europe/London."));
        }
        if (reading.HeadLines is < 0 or > MostHeadLines)
            problems.Add(new Problem("headLines", $"Readings begin after 0 to {MostHeadLines} lines."));
        if (reading.FirstDay is { Year: < 1970 or > 2200 })
            problems.Add(new Problem("firstDay", "On which day was the first reading taken?"));
        if (reading.TimeIn == LogTime.Clock && reading.FirstDay is null && reading.FirstAt is null && !hasStart)
            problems.Add(new Problem("firstDay", "On which day was the first reading taken? This log has times of day only."));
        if (reading.TimeIn is not (LogTime.Dates or LogTime.Epoch or LogTime.Days or LogTime.Clock) && reading.FirstAt is null && !hasStart)
            problems.Add(new Problem("firstAt", "When was the first reading taken? This log does not say."));
        if (reading.FirstAt is { Year: < 1970 or > 2200 })
            problems.Add(new Problem("firstAt", "When was the first reading taken?"));
        return problems.Count > 0 ? Result<LogReading>.Failed(problems) : reading;
    }

    private static int Gaps(long[] times)
    {
        var minutes = Array.ConvertAll(times, t => t / 60_000.0);
        var (gap, count) = (Reduction.Gap(minutes), 0);
        for (var i = 1; i < minutes.Length; i++)
            if (minutes[i] - minutes[i - 1] > gap)
                count++;
        return count;
    }

    private static string Say(Instant at, DateTimeZone zone) => at.InZone(zone).ToString("d MMM yyyy HH:mm", System.Globalization.CultureInfo.InvariantCulture);
}
