using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Demo;

/// <summary>
/// What has been fired at the made-up studio: three years of Heron (<see cref="SaltmarshHistory"/>), tiles to be read, one firing that cools and one that runs
/// now. Every curve and every
/// pack comes from the simulated kiln.
/// </summary>
internal static class SaltmarshRuns
{
    private const int Heron = 1;
    private const int Wren = 2;
    private const int EveryNth = 4;
    private const double LongestHours = 60;

    /// <summary>Adds them.</summary>
    public static async Task Seed(
        StudioContext context,
        Repository<FiringDraft> firings,
        Repository<StudioKiln> kilns,
        ScheduleRepository schedules,
        FiringRuns runs,
        SampleLog samples,
        FiringRecords records,
        KilnCareRepository book,
        Instant now,
        CancellationToken cancel
    )
    {
        var ids = await context.Schedules.ToDictionaryAsync(s => s.Name, s => s.Id, cancel);
        var heron = (await kilns.Find(Heron, cancel))!.Of<Kiln>()!;
        foreach (var (kind, daysAgo, by, note) in Done)
            await book.Add(Heron, new Maintenance(0, kind, now - Duration.FromDays(daysAgo), by, note), null, cancel);
        PastFiring? before = null;
        foreach (var (i, past) in SaltmarshHistory.All().Index())
        {
            var starts = now - Duration.FromDays(past.DaysAgo);
            var version = (await schedules.Version(ids[past.Schedule], past.Version, cancel))!;
            var id = await Plan(firings, past.Name, version, Heron, heron, starts, past.Lots, cancel);
            var run = Foretold(Run(id, Heron, heron.Item, version.Item, starts, LinkKind.Push, past.By, (ulong)(1000 + i)), past, before);
            before = past;
            var packs = await Fire(
                runs,
                samples,
                run,
                Truth(heron.Item, past.Health),
                new SimulatedReadings(past.Offset, 1),
                SaltmarshHistory.Shelves(past.DaysAgo),
                cancel,
                past.StoppedAfter
            );
            if (past.Entry is { } entry)
                await runs.Add(id, new FiringEntry($"demo-{id}", entry.Kind, starts + Duration.FromHours(entry.Hour), past.By, Text: entry.Text), cancel);
            await records.Save(id, Heron, null, packs, past.Results, new SaveStamp(past.By), cancel);
        }
        await Opened(firings, schedules, runs, samples, kilns, ids, now, cancel);
        await Cooling(firings, schedules, runs, ids, heron, now, cancel);
        await Running(firings, schedules, runs, kilns, ids, now, cancel);
    }

    private static readonly (MaintenanceKind Kind, double DaysAgo, string By, string Note)[] Done =
    [
        (MaintenanceKind.Elements, SaltmarshHistory.NewElements, "Maren", "All three rings, by the electrician."),
        (MaintenanceKind.Thermocouple, SaltmarshHistory.NewThermocouple, "Tobin", "It read low; the packs had said so three firings running."),
        (MaintenanceKind.Shelves, 205, "Isolde", "Scraped wet, washed twice."),
        (MaintenanceKind.Vent, 330, "Tobin", "Hose cleared of a wasps’ nest."),
    ];

    /// <summary>Tiles that came out of the test kiln and are still to be read.</summary>
    private static async Task Opened(
        Repository<FiringDraft> firings,
        ScheduleRepository schedules,
        FiringRuns runs,
        SampleLog samples,
        Repository<StudioKiln> kilns,
        Dictionary<string, int> ids,
        Instant now,
        CancellationToken cancel
    )
    {
        var wren = (await kilns.Find(Wren, cancel))!.Of<Kiln>()!;
        var blue = (await schedules.Version(ids["Tidewrack blue, test tiles"], 2, cancel))!;
        var starts = now - Duration.FromDays(3.1);
        var id = await Plan(
            firings,
            "Tidewrack blue, six tiles",
            blue,
            Wren,
            wren,
            starts,
            [SaltmarshHistory.Lot("test tiles", 6, 6, 1, [2], "Isolde", Dryness.BoneDry, 0.12, SaltmarshHistory.Round(60, 90))],
            cancel
        );
        var run = Run(id, Wren, wren.Item, blue.Item, starts, LinkKind.Push, "Isolde", 3001) with { Load = wren.Item.UsualLoad(ScheduleKind.Glaze, 0.4) };
        await Fire(runs, samples, run, wren.Item, new SimulatedReadings(-2, 0), [], cancel);
    }

    private static async Task Cooling(
        Repository<FiringDraft> firings,
        ScheduleRepository schedules,
        FiringRuns runs,
        Dictionary<string, int> ids,
        Versioned<Kiln> heron,
        Instant now,
        CancellationToken cancel
    )
    {
        var bisque = (await schedules.Version(ids["Marsh White bisque, for dipping"], 2, cancel))!;
        await UnderWay(
            firings,
            runs,
            "Class bisque, last week’s mugs",
            bisque,
            Heron,
            heron,
            now - Duration.FromHours(26.5),
            "Maren",
            2001,
            1,
            cancel,
            (EntryKind.Dry, 2.9, null, null),
            (EntryKind.Vent, 7.1, null, "closed"),
            (EntryKind.ConeDown, 13.4, "06", null)
        );
    }

    private static async Task Running(
        Repository<FiringDraft> firings,
        ScheduleRepository schedules,
        FiringRuns runs,
        Repository<StudioKiln> kilns,
        Dictionary<string, int> ids,
        Instant now,
        CancellationToken cancel
    )
    {
        var wren = (await kilns.Find(Wren, cancel))!.Of<Kiln>()!;
        var matte = (await schedules.Version(ids["Oyster matte, supper set"], 3, cancel))!;
        await UnderWay(
            firings,
            runs,
            "Oyster matte, test tiles",
            matte,
            Wren,
            wren,
            now - Duration.FromMinutes(568),
            "Tobin",
            7,
            0.6,
            cancel,
            (EntryKind.Vent, 3.2, null, "closed"),
            (EntryKind.Colour, 6.1, null, "cherry")
        );
    }

    /// <summary>A firing whose readings are made as it is followed: the same from its seed, whenever that is.</summary>
    private static async Task UnderWay(
        Repository<FiringDraft> firings,
        FiringRuns runs,
        string name,
        Versioned<Schedule> schedule,
        int kilnId,
        Versioned<Kiln> kiln,
        Instant began,
        string by,
        ulong seed,
        double share,
        CancellationToken cancel,
        params (EntryKind Kind, double Hour, string? Subject, string? Text)[] entries
    )
    {
        var starts = Instant.FromUnixTimeMilliseconds(began.ToUnixTimeMilliseconds());
        var id = await Plan(firings, name, schedule, kilnId, kiln, starts, [], cancel);
        await runs.Start(
            Run(id, kilnId, kiln.Item, schedule.Item, starts, LinkKind.Simulated, by, seed) with
            {
                Load = kiln.Item.UsualLoad(schedule.Item.Kind, share),
            },
            new FiringEntry($"start-{id}", EntryKind.State, starts, by, Subject: "started"),
            cancel
        );
        await Note(runs, id, starts, by, entries);
    }

    private static async Task Note(
        FiringRuns runs,
        int id,
        Instant starts,
        string by,
        params (EntryKind Kind, double Hour, string? Subject, string? Text)[] entries
    )
    {
        foreach (var (i, e) in entries.Index())
            await runs.Add(
                id,
                new FiringEntry($"demo-{id}-{i}", e.Kind, starts + Duration.FromHours(e.Hour), by, e.Kind == EntryKind.Colour ? 800 : null, e.Subject, e.Text),
                CancellationToken.None
            );
    }

    private static async Task<int> Plan(
        Repository<FiringDraft> firings,
        string name,
        Versioned<Schedule> schedule,
        int kilnId,
        Versioned<Kiln> kiln,
        Instant starts,
        ImmutableArray<LotDraft> lots,
        CancellationToken cancel
    )
    {
        var draft = FiringDraft
            .Create(
                name,
                schedule.Item.Kind,
                kilnId,
                schedule.Item.Goal,
                TemperatureUnit.Celsius,
                lots,
                witnessPack: true,
                schedule: new PinnedSchedule(schedule.Id, schedule.Version),
                startsAt: starts.WithOffset(Offset.Zero),
                kiln: new PinnedKiln(kiln.Version, kiln.Item)
            )
            .Value;
        return (await firings.Add(draft, SaveStamp.Unknown, cancel)).Id;
    }

    private static FiringRun Run(int id, int kilnId, Kiln kiln, Schedule schedule, Instant starts, LinkKind link, string by, ulong seed) =>
        new(
            FiringId: id,
            KilnId: kilnId,
            Link: link,
            StartsAt: starts,
            StartedAt: starts,
            By: by,
            Program: schedule.Program,
            IsAsEntered: false,
            Goal: schedule.Goal,
            Kiln: kiln,
            Load: kiln.UsualLoad(schedule.Kind),
            Start: kiln.Room,
            Kind: schedule.Kind,
            Speed: 1,
            Seed: seed,
            Faults: []
        );

    /// <summary>With what was foretold of it: what the kiln had taught by then is taken to be what was so at the firing before.</summary>
    private static FiringRun Foretold(FiringRun run, PastFiring past, PastFiring? before)
    {
        if (before is null)
            return run with { Foretold = Foreteller.Of(run, [], Widening.None) };
        bool Changed(double daysAgo) => before.DaysAgo > daysAgo && past.DaysAgo <= daysAgo;
        var isNew = Changed(SaltmarshHistory.NewElements);
        var known = run with
        {
            Kiln = Truth(run.Electric, isNew ? 1 : before.Health),
            Taught = new KilnTaught(Changed(SaltmarshHistory.NewThermocouple) ? null : -1.2 * before.Offset, 2, isNew ? 0.06 : 0.025, 0.03),
        };
        return run with
        {
            Foretold = Foreteller.Of(
                known,
                [.. SaltmarshHistory.Shelves(before.DaysAgo).Select(s => new ShelfOwn(s.Shelf, s.Own, isNew ? 4 : 2))],
                Widening.None
            ),
        };
    }

    private static Kiln Truth(Kiln kiln, double health) => kiln.Learned(kiln.HeatFactor, kiln.LossFactor, kiln.ElementHealth * health, kiln.Uncertainty);

    /// <summary>Fires it and keeps every second minute, to its opening. Gives the packs of its shelves.</summary>
    private static async Task<ImmutableArray<ReadPack>> Fire(
        FiringRuns runs,
        SampleLog samples,
        FiringRun run,
        Kiln truth,
        SimulatedReadings readings,
        (string Shelf, double Own)[] shelves,
        CancellationToken cancel,
        double? stoppedAfter = null
    )
    {
        var simulated = new SimulatedKiln(new SimulatedSetup(truth, run.Load, run.Program, run.Start.Celsius, run.Seed, [], readings));
        var packs = new SimulatedPacks(run.Watched.Cones, shelves, run.Seed);
        var log = new List<StoredSample>();
        Instant? cooled = null;
        var share = 0.0;
        for (var i = 1; simulated.Minutes < LongestHours * 60; i++)
        {
            if (simulated.Minutes >= stoppedAfter * 60)
                simulated.SwitchOff();
            var sample = simulated.Next();
            var at = run.StartsAt + Duration.FromMinutes(simulated.Minutes);
            packs.Feel(simulated.Minutes, simulated.Chamber);
            if (simulated.Step >= run.Program.Steps.Length - 1 || simulated.Minutes >= stoppedAfter * 60)
                cooled ??= at;
            share += sample?.Share ?? 0;
            if (i % EveryNth == 0)
            {
                if (sample is { } s)
                    log.Add(new StoredSample(log.Count + 1, at.ToUnixTimeMilliseconds(), s.Celsius, Math.Round(share / EveryNth, 3), s.SetPoint));
                share = 0;
            }
            if (cooled is not null && simulated.Chamber <= run.Kiln.Opens.Celsius)
                break;
        }
        Instant Stored(Instant moment) => Instant.FromUnixTimeMilliseconds(moment.ToUnixTimeMilliseconds());
        var opened = Stored(run.StartsAt + Duration.FromMinutes(simulated.Minutes + 25));
        await runs.Start(
            run with
            {
                StartsAt = Stored(run.StartsAt),
                StartedAt = Stored(run.StartedAt),
                CooledAt = cooled is { } c ? Stored(c) : null,
                StoppedAt = stoppedAfter is { } hours ? Stored(run.StartsAt + Duration.FromHours(hours)) : null,
                OpenedAt = opened,
                ReadAt = shelves.Length > 0 ? opened + Duration.FromHours(1) : null,
            },
            new FiringEntry($"start-{run.FiringId}", EntryKind.State, Stored(run.StartsAt), run.By, Subject: "started"),
            cancel
        );
        await runs.Add(
            run.FiringId,
            new FiringEntry($"opened-{run.FiringId}", EntryKind.State, opened, run.By, Math.Round(simulated.Chamber), "opened"),
            cancel
        );
        await samples.Append(run.FiringId, $"{run.Kiln.Name}’s logger", "1", log, cancel);
        return packs.Read();
    }
}
