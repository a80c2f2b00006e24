using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Demo;

/// <summary>
/// Bittern, the gas kiln at the end of the yard: a class bisque and a cone 10 reduction firing, turned up by hand with no thermometer, read, and the next ones
/// planned. What was seen comes from a kiln that gives a little more heat and draws a little less air than it is stored with.
/// </summary>
internal static class SaltmarshFuel
{
    private const string Glaze = "Shingle porcelain in Bittern";
    private const string Bisque = "Marsh White bisque, for dipping";
    private const double After = 30 * 60;

    /// <summary>Adds it, after everything else.</summary>
    public static async Task Seed(
        StudioContext context,
        Repository<FiringDraft> firings,
        Repository<StudioKiln> kilns,
        ScheduleRepository schedules,
        FiringRuns runs,
        FiringRecords records,
        KilnCareRepository book,
        Instant now,
        CancellationToken cancel
    )
    {
        var made = FuelKiln
            .Create(
                new FuelKilnSpecification(
                    "Bittern",
                    "updraft-300",
                    Fuel.Propane,
                    "Under the lean-to. Two burners; the damper sticks at half, push it.",
                    new Dictionary<string, double?>
                    {
                        ["altitude"] = 4,
                        ["room"] = 12,
                        ["cylinders"] = 3,
                    }
                )
            )
            .Value;
        var bittern = (await kilns.Add(made, SaveStamp.Unknown, cancel)).Of<FuelKiln>()!;
        await book.Add(
            bittern.Id,
            new Maintenance(
                0,
                MaintenanceKind.Burners,
                now - Duration.FromDays(96),
                "Tobin",
                "Spiders brushed out, new hose from the gas fitter, leak test made."
            ),
            null,
            cancel
        );
        var ids = await context.Schedules.ToDictionaryAsync(s => s.Name, s => s.Id, cancel);
        var (glaze, bisque) = ((await schedules.Version(ids[Glaze], 1, cancel))!, (await schedules.Version(ids[Bisque], 2, cancel))!);
        var raw = SaltmarshHistory.Lot(
            "class pieces",
            60,
            7,
            1,
            [],
            "the class",
            Dryness.BoneDry,
            0.5,
            SaltmarshHistory.Round(100, 110, stacking: Core.Packing.Stacking.Layers)
        );
        var pots = SaltmarshHistory.Lot("lidded jars", 24, 5, 3, [], "Maren", Dryness.BoneDry, 0.8, SaltmarshHistory.Round(120, 160));
        var bowls = SaltmarshHistory.Lot("bowls", 40, 5, 3, [], "Tobin", Dryness.BoneDry, 0.4, SaltmarshHistory.Round(140, 70));
        await Fire(
            firings,
            runs,
            records,
            bittern,
            bisque,
            "Class bisque in Bittern",
            now - Duration.FromDays(19.3),
            "Tobin",
            [raw],
            FiringResults.Create(60, 0, [], [60], "Even, and for once nobody’s handle came off.").Value,
            ["04"],
            cancel
        );
        await Fire(
            firings,
            runs,
            records,
            bittern,
            glaze,
            "Porcelain jars and bowls, cone 10",
            now - Duration.FromDays(11.4),
            "Maren",
            [pots, bowls],
            FiringResults
                .Create(
                    64,
                    1,
                    [new WareFault("stuck", 0, "bottom", 1, FaultSeverity.Lost, Note: "A lid sealed by its own glaze.")],
                    [24, 40],
                    "Celadon blue where it pools. Bottom shelf a shade cooler."
                )
                .Value,
            ["010", "9", "10"],
            cancel
        );
        await Planned(
            firings,
            bittern,
            glaze,
            "Porcelain, second half",
            now + Duration.FromDays(4.2),
            [pots with { Count = 18 }, bowls with { Count = 46 }],
            cancel
        );
    }

    private static async Task<int> Planned(
        Repository<FiringDraft> firings,
        Versioned<FuelKiln> kiln,
        Versioned<Schedule> schedule,
        string name,
        Instant starts,
        ImmutableArray<LotDraft> lots,
        CancellationToken cancel
    ) =>
        (
            await firings.Add(
                FiringDraft
                    .Create(
                        name,
                        schedule.Item.Kind,
                        kiln.Id,
                        schedule.Item.Goal,
                        TemperatureUnit.Celsius,
                        lots,
                        witnessPack: true,
                        schedule: new PinnedSchedule(schedule.Id, schedule.Version),
                        startsAt: starts.WithOffset(Offset.Zero),
                        kiln: new PinnedKiln(kiln.Version, kiln.Item)
                    )
                    .Value,
                SaveStamp.Unknown,
                cancel
            )
        ).Id;

    /// <summary>Turned as planned, seen as it really was, opened and read.</summary>
    private static async Task Fire(
        Repository<FiringDraft> firings,
        FiringRuns runs,
        FiringRecords records,
        Versioned<FuelKiln> kiln,
        Versioned<Schedule> schedule,
        string name,
        Instant starts,
        string by,
        ImmutableArray<LotDraft> lots,
        FiringResults results,
        string[] cones,
        CancellationToken cancel
    )
    {
        starts = Instant.FromUnixTimeMilliseconds(starts.ToUnixTimeMilliseconds());
        var id = await Planned(firings, kiln, schedule, name, starts, lots, cancel);
        var load = kiln.Item.UsualLoad(schedule.Item.Kind);
        var plan = TurnPlanner.Plan(kiln.Item, load, kiln.Item.Room, schedule.Item.Program).Value;
        var truth = kiln.Item.Learned(1.06, 1, 0.96, 0.15);
        var turns = plan.Turns.Select(t => new FuelTurn(t.Minute, t.Setting)).ToImmutableArray();
        var end = plan.Powered.TotalMinutes;
        var real = TurnPlanner.Follow(truth, load, kiln.Item.Room, turns, end + After);
        var opened = starts + real.OpensAt!.Value + Duration.FromMinutes(25);
        Instant At(double minute) => Instant.FromUnixTimeMilliseconds((starts + Duration.FromMinutes(minute)).ToUnixTimeMilliseconds());
        var run = new FiringRun(
            FiringId: id,
            KilnId: kiln.Id,
            Link: LinkKind.Hand,
            StartsAt: starts,
            StartedAt: starts,
            By: by,
            Program: schedule.Item.Program,
            IsAsEntered: false,
            Goal: schedule.Item.Goal,
            Kiln: kiln.Item,
            Load: load,
            Start: kiln.Item.Room,
            Kind: schedule.Item.Kind,
            OpenedAt: At((opened - starts).TotalMinutes),
            CooledAt: At(end),
            ReadAt: At((opened - starts).TotalMinutes + 60)
        );
        await runs.Start(run, new FiringEntry($"start-{id}", EntryKind.State, starts, by, Subject: "started"), cancel);
        var number = 0;
        Task Note(double minute, EntryKind kind, string? subject = null, double? celsius = null, string? text = null) =>
            runs.Add(id, new FiringEntry($"demo-{id}-{number++}", kind, At(minute), by, celsius, subject, text), cancel);
        foreach (var turn in turns)
            await Note(turn.Minute, EntryKind.Turned, turn.Setting.Written);
        foreach (var colour in EyeColour.All.Skip(1))
        {
            if (real.Curve.FirstRiseThrough(Temperature.FromCelsius(colour.Celsius)) is { } seen)
                await Note(seen.TotalMinutes, EntryKind.Colour, colour.Id, colour.Celsius, colour.Name);
        }
        foreach (var cone in cones)
        {
            if (DownAt(ConeTable.Of(ConeNumber.Parse(cone).Value).Kinetics, real.Curve, end + 60) is { } down)
                await Note(down, EntryKind.ConeDown, cone);
        }
        if (real.Air.FirstOrDefault(a => a.Lambda < 0.95) is { Minute: > 0 and var smell })
            await Note(smell, EntryKind.AirSign, "smell");
        await Note(end, EntryKind.Note, text: "Regulator, tank valve, burners, ports, flue: shut in that order.");
        await runs.Add(id, new FiringEntry($"opened-{id}", EntryKind.State, run.OpenedAt!.Value, by, 50, "opened"), cancel);
        var packs = new SimulatedPacks(run.Cones, [("top", 2), ("bottom", -5)], (ulong)(4000 + id));
        for (var minute = 1.0; minute < end + 120; minute++)
            packs.Feel(minute, real.Curve.At(Duration.FromMinutes(minute)).Celsius);
        await records.Save(id, kiln.Id, null, packs.Read(), results, new SaveStamp(by), cancel);
    }

    private static double? DownAt(ConeKinetics cone, Curve curve, double until)
    {
        var (work, before) = (0.0, curve.Points[0].Celsius);
        for (var minute = 1.0; minute < until; minute++)
        {
            var now = curve.At(Duration.FromMinutes(minute)).Celsius;
            work += cone.Over(before, now, 1 / 60.0);
            if (work >= 1)
                return minute;
            before = now;
        }
        return null;
    }
}
