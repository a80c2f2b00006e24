using System.Globalization;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Firings;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Schedules;

namespace ZealousEmber.Store.Demo;

/// <summary>
/// What has been fired at the made-up studio: three years of Heron, its elements growing old and changed once, a bisque that burst; one firing that cools
/// and one that runs now. Every curve comes from the simulated kiln.
/// </summary>
internal static class SaltmarshRuns
{
    private const int Heron = 1;
    private const int Wren = 2;
    private const int EveryNth = 4;
    private const double LongestHours = 60;

    private sealed record Past(string Schedule, int Version, string Name, double DaysAgo, string By, double Health, double Offset, (EntryKind Kind, double Hour, string Text)? Entry = null);

    /// <summary>Adds them.</summary>
    public static async Task Seed(StudioContext context, Repository<FiringDraft> firings, Repository<Kiln> kilns, ScheduleRepository schedules, FiringRuns runs, SampleLog samples, Instant now, CancellationToken cancel)
    {
        var ids = await context.Schedules.ToDictionaryAsync(s => s.Name, s => s.Id, cancel);
        var heron = (await kilns.Find(Heron, cancel))!;
        foreach (var (i, past) in History().Index())
        {
            var starts = now - Duration.FromDays(past.DaysAgo);
            var version = (await schedules.Version(ids[past.Schedule], past.Version, cancel))!;
            var id = await Plan(firings, past.Name, version, Heron, heron, starts, cancel);
            var run = Run(id, Heron, heron.Item, version.Item, starts, LinkKind.Push, past.By, (ulong)(1000 + i));
            await Fire(runs, samples, run, Truth(heron.Item, past.Health), new SimulatedReadings(past.Offset, 1), null, cancel);
            if (past.Entry is { } entry) await runs.Add(id, new FiringEntry($"demo-{id}", entry.Kind, starts + Duration.FromHours(entry.Hour), past.By, Text: entry.Text), cancel);
        }
        await Cooling(firings, schedules, runs, samples, ids, heron, now, cancel);
        await Running(firings, schedules, runs, samples, kilns, ids, now, cancel);
    }

    private static async Task Cooling(
        Repository<FiringDraft> firings, ScheduleRepository schedules, FiringRuns runs, SampleLog samples, Dictionary<string, int> ids, Versioned<Kiln> heron, Instant now, CancellationToken cancel)
    {
        var bisque = (await schedules.Version(ids["Marsh White bisque, for dipping"], 2, cancel))!;
        var starts = now - Duration.FromHours(26.5);
        var id = await Plan(firings, "Class bisque, last week’s mugs", bisque, Heron, heron, starts, cancel);
        var run = Run(id, Heron, heron.Item, bisque.Item, starts, LinkKind.Push, "Maren", 2001);
        await Fire(runs, samples, run, Truth(heron.Item, 0.985), new SimulatedReadings(-4, 1), now, cancel);
        await Note(runs, id, starts, "Maren", (EntryKind.Dry, 2.9, null, null), (EntryKind.Vent, 7.1, null, "closed"), (EntryKind.ConeDown, 13.4, "06", null));
    }

    private static async Task Running(
        Repository<FiringDraft> firings, ScheduleRepository schedules, FiringRuns runs, SampleLog samples, Repository<Kiln> kilns, Dictionary<string, int> ids, Instant now, CancellationToken cancel)
    {
        var wren = (await kilns.Find(Wren, cancel))!;
        var matte = (await schedules.Version(ids["Oyster matte, supper set"], 3, cancel))!;
        var starts = Instant.FromUnixTimeMilliseconds((now - Duration.FromMinutes(568)).ToUnixTimeMilliseconds());
        var id = await Plan(firings, "Oyster matte, test tiles", matte, Wren, wren, starts, cancel);
        // Its readings are made as it is followed: the same from its seed, whenever that is.
        await runs.Start(Run(id, Wren, wren.Item, matte.Item, starts, LinkKind.Simulated, "Tobin", 7) with { Load = wren.Item.UsualLoad(ScheduleKind.Glaze, 0.6) }, new FiringEntry($"start-{id}", EntryKind.State, starts, "Tobin", Subject: "started"), cancel);
        await Note(runs, id, starts, "Tobin", (EntryKind.Vent, 3.2, null, "closed"), (EntryKind.Colour, 6.1, null, "cherry"));
    }

    private static async Task Note(FiringRuns runs, int id, Instant starts, string by, params (EntryKind Kind, double Hour, string? Subject, string? Text)[] entries)
    {
        foreach (var (i, e) in entries.Index())
            await runs.Add(id, new FiringEntry($"demo-{id}-{i}", e.Kind, starts + Duration.FromHours(e.Hour), by, e.Kind == EntryKind.Colour ? 800 : null, e.Subject, e.Text), CancellationToken.None);
    }

    private static async Task<int> Plan(Repository<FiringDraft> firings, string name, Versioned<Schedule> schedule, int kilnId, Versioned<Kiln> kiln, Instant starts, CancellationToken cancel)
    {
        var draft = FiringDraft.Create(
            name, schedule.Item.Kind, kilnId, schedule.Item.Goal, TemperatureUnit.Celsius, [], witnessPack: true, schedule: new PinnedSchedule(schedule.Id, schedule.Version), startsAt: starts.WithOffset(Offset.Zero),
            kiln: new PinnedKiln(kiln.Version, kiln.Item)).Value;
        return (await firings.Add(draft, SaveStamp.Unknown, cancel)).Id;
    }

    private static FiringRun Run(int id, int kilnId, Kiln kiln, Schedule schedule, Instant starts, LinkKind link, string by, ulong seed) => new(
        id, kilnId, link, starts, starts, by, schedule.Program, false, schedule.Goal, kiln, kiln.UsualLoad(schedule.Kind), kiln.Room, schedule.Kind, 1, seed, []);

    private static Kiln Truth(Kiln kiln, double health) => kiln.Learned(kiln.HeatFactor, kiln.LossFactor, kiln.ElementHealth * health, kiln.Uncertainty);

    /// <summary>Fires it and keeps every second minute: to its opening, or until now.</summary>
    private static async Task Fire(FiringRuns runs, SampleLog samples, FiringRun run, Kiln truth, SimulatedReadings readings, Instant? until, CancellationToken cancel)
    {
        var simulated = new SimulatedKiln(new SimulatedSetup(truth, run.Load, run.Program, run.Start.Celsius, run.Seed, [], readings));
        var log = new List<StoredSample>();
        Instant? cooled = null;
        var share = 0.0;
        for (var i = 1; simulated.Minutes < LongestHours * 60; i++)
        {
            var sample = simulated.Next();
            var at = run.StartsAt + Duration.FromMinutes(simulated.Minutes);
            if (at > until) break;
            if (simulated.Step >= run.Program.Steps.Length - 1) cooled ??= at;
            share += sample?.Share ?? 0;
            if (i % EveryNth == 0)
            {
                if (sample is { } s) log.Add(new StoredSample(log.Count + 1, at.ToUnixTimeMilliseconds(), s.Celsius, Math.Round(share / EveryNth, 3), s.SetPoint));
                share = 0;
            }
            if (cooled is not null && simulated.Chamber <= run.Kiln.Opens.Celsius) break;
        }
        Instant Stored(Instant moment) => Instant.FromUnixTimeMilliseconds(moment.ToUnixTimeMilliseconds());
        var opened = until is null ? Stored(run.StartsAt + Duration.FromMinutes(simulated.Minutes + 25)) : (Instant?)null;
        await runs.Start(
            run with { StartsAt = Stored(run.StartsAt), StartedAt = Stored(run.StartedAt), CooledAt = cooled is { } c ? Stored(c) : null, OpenedAt = opened },
            new FiringEntry($"start-{run.FiringId}", EntryKind.State, Stored(run.StartsAt), run.By, Subject: "started"), cancel);
        if (opened is { } open) await runs.Add(run.FiringId, new FiringEntry($"opened-{run.FiringId}", EntryKind.State, open, run.By, Math.Round(simulated.Chamber), "opened"), cancel);
        await samples.Append(run.FiringId, "Heron’s logger", "1", log, cancel);
    }

    /// <summary>A firing every three months: bisque and glaze in turn; elements that fade, are changed, and fade again; a thermocouple that drifts.</summary>
    private static IEnumerable<Past> History()
    {
        string[] people = ["Maren", "Tobin", "Isolde"];
        const double changedDaysAgo = 410;
        for (var i = 0; i < 12; i++)
        {
            var daysAgo = 1090 - i * 91.0;
            var sinceChange = daysAgo > changedDaysAgo ? 1230 - daysAgo : changedDaysAgo - daysAgo;
            var health = 1.07 - 0.00019 * sinceChange;
            var offset = -7 * (1090 - daysAgo) / 1090;
            var isBisque = i % 2 == 0;
            var (schedule, version) = isBisque ? ("Marsh White bisque, for dipping", daysAgo > 160 ? 1 : 2) : daysAgo > 100 ? ("Reed green, everyday", 1) : ("Oyster matte, supper set", daysAgo > 50 ? 1 : 3);
            // The loads people speak of: the bisque that burst in spring, the first after the elements were changed.
            (EntryKind, double, string)? said = i switch
            {
                10 => (EntryKind.Note, 1.4, "Two bangs at about 140 °C. Garden pots, still cool to the touch when they went in."),
                8 => (EntryKind.Note, 0.1, "First firing with the new elements."),
                11 => (EntryKind.Note, 12.0, "Went through 1040 to 850 °C in about an hour."),
                _ => null,
            };
            yield return new Past(schedule, version, string.Create(CultureInfo.InvariantCulture, $"{(isBisque ? "Bisque" : schedule.Split(',')[0])}, load {i + 61}"), daysAgo, people[i % 3], health, offset, said);
        }
    }
}
