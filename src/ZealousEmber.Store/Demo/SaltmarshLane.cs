using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Demo;

/// <summary>The made-up studio every screen is shown with: Saltmarsh Lane Pottery on its estuary.</summary>
public static class SaltmarshLane
{
    private static readonly DateTimeZone Zone = DateTimeZoneProviders.Tzdb["Europe/London"];

    private sealed record Sample(
        string Name,
        ScheduleKind Kind,
        TemperatureUnit Unit,
        string Tags,
        double[] DaysAgo,
        string[] Lines,
        string? Notes = null,
        string? Goal = null
    );

    /// <summary>Fills an empty store, whole or not at all; one that holds anything, even deleted, is left alone.</summary>
    public static async Task Seed(IServiceProvider services, TimeProvider time, CancellationToken cancel = default)
    {
        var context = services.GetRequiredService<StudioContext>();
        if (await context.Schedules.AnyAsync(cancel))
            return;
        await using var transaction = await context.Database.BeginTransactionAsync(cancel);
        var now = Instant.FromDateTimeOffset(time.GetUtcNow());
        await SeedStudio(services, now, cancel);
        foreach (var sample in Samples)
        {
            // Each is saved once for every line it had, on the day it had it.
            var id = 0;
            for (var i = 0; i < sample.Lines.Length; i++)
            {
                var schedules = new ScheduleRepository(
                    context,
                    services.GetRequiredService<WriteQueue>(),
                    new ClockAt(now - Duration.FromDays(sample.DaysAgo[i]))
                );
                var schedule = Read(sample, sample.Lines[i]);
                if (i == 0)
                    id = (await schedules.Add([schedule], SaveStamp.Unknown, cancel))[0].Id;
                else
                    await schedules.Save(id, null, schedule, SaveStamp.Unknown, cancel);
            }
        }
        await SaltmarshBanks.Seed(
            context,
            services.GetRequiredService<EnteredPrograms>(),
            new ScheduleRepository(context, services.GetRequiredService<WriteQueue>(), time),
            [.. Kilns.Select(k => BuiltInProfiles.All.Single(p => p.Profile.Name == k.Controller).Profile)],
            now,
            cancel
        );
        await SaltmarshRuns.Seed(
            context,
            services.GetRequiredService<Repository<FiringDraft>>(),
            services.GetRequiredService<Repository<StudioKiln>>(),
            new ScheduleRepository(context, services.GetRequiredService<WriteQueue>(), time),
            services.GetRequiredService<FiringRuns>(),
            services.GetRequiredService<SampleLog>(),
            services.GetRequiredService<FiringRecords>(),
            services.GetRequiredService<KilnCareRepository>(),
            now,
            cancel
        );
        await SaltmarshFuel.Seed(
            context,
            services.GetRequiredService<Repository<FiringDraft>>(),
            services.GetRequiredService<Repository<StudioKiln>>(),
            new ScheduleRepository(context, services.GetRequiredService<WriteQueue>(), time),
            services.GetRequiredService<FiringRuns>(),
            services.GetRequiredService<FiringRecords>(),
            services.GetRequiredService<KilnCareRepository>(),
            now,
            cancel
        );
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Two electric kilns (Bittern, of gas, comes last), the hours of those who fire, and a tariff that is cheap at night.</summary>
    private static async Task SeedStudio(IServiceProvider services, Instant now, CancellationToken cancel)
    {
        var (kilns, clays, glazes) = (
            services.GetRequiredService<Repository<StudioKiln>>(),
            services.GetRequiredService<Repository<Clay>>(),
            services.GetRequiredService<Repository<Glaze>>()
        );
        var controllers = (await services.GetRequiredService<Repository<ListedController>>().Search(null, cancel)).ToDictionary(
            c => c.Item.Profile.Name,
            c => c.Id
        );
        foreach (var (name, kind, controller, notes, numbers) in Kilns)
            await kilns.Add(
                Kiln.Create(new KilnSpecification(name, kind, null, null, notes, numbers, ControllerId: controllers[controller])).Value,
                SaveStamp.Unknown,
                cancel
            );

        var photos = services.GetRequiredService<PhotoRepository>();
        foreach (var (clay, photo) in Clays)
            await photos.Save(PhotoOf.Clay, (await clays.Add(clay.Value, SaveStamp.Unknown, cancel)).Id, "image/jpeg", ReadPhoto(photo), cancel);
        foreach (var (glaze, photo) in Glazes)
            await photos.Save(PhotoOf.Glaze, (await glazes.Add(glaze.Value, SaveStamp.Unknown, cancel)).Id, "image/jpeg", ReadPhoto(photo), cancel);

        var firings = services.GetRequiredService<Repository<FiringDraft>>();
        foreach (var firing in Firings(now.InZone(Zone)))
            await firings.Add(firing.Value, SaveStamp.Unknown, cancel);

        WeeklySpan On(string days, int from, int to) => new([.. days.Select(d => (IsoDayOfWeek)(d - '0'))], new LocalTime(from, 0), new LocalTime(to % 24, 0));
        var night = new TariffBand("night", 0.13, new WeeklySpan([], new LocalTime(0, 30), new LocalTime(7, 30)));
        var settings = new StudioSettings(
            Zone,
            new EnergyPrices(
                "£",
                [
                    new Tariff(EnergyCarrier.Electricity, 0.29, [night, new TariffBand("winter evening", 0.36, On("12345", 16, 19), 11, 3)]),
                    new Tariff(EnergyCarrier.Gas, 0.14, []),
                ]
            ),
            [
                new Presence("Maren", [On("12345", 8, 17), On("3", 18, 22)]),
                new Presence("Tobin", [On("24", 17, 23), On("67", 9, 19)]),
                new Presence("Isolde", [On("1", 17, 24), On("5", 17, 24)]),
            ],
            AttendanceRule.MarkedMoments,
            [WatchKind.SwitchOn, WatchKind.SteamCheck, WatchKind.Top],
            StudioDisplay.Usual
        );
        await services.GetRequiredService<SettingsStore<StudioSettings>>().Save(null, settings, SaveStamp.Unknown, cancel);
    }

    /// <summary>A drawn test tile.</summary>
    private static byte[] ReadPhoto(string name)
    {
        using var resource = typeof(SaltmarshLane).Assembly.GetManifestResourceStream($"{name}.jpg")!;
        using var bytes = new MemoryStream();
        resource.CopyTo(bytes);
        return bytes.ToArray();
    }

    private static readonly (Result<Clay> Clay, string Photo)[] Clays =
    [
        (Clay.Create("Marsh White", ClayKind.Stoneware, "5", "7", 12, 1.5, false, "The everyday stoneware. Throws well, fires to a warm white."), "marsh"),
        (
            Clay.Create("Brickfield Red", ClayKind.Earthenware, "06", "02", 9, 8, true, "Dug up the lane: iron and a little lime. Give its bisque time."),
            "brick"
        ),
        (Clay.Create("Shingle porcelain", ClayKind.Porcelain, "8", "11", 15, 0.2, false, "Dries fast at the rims; cover them."), "shingle"),
    ];

    private static readonly (Result<Glaze> Glaze, string Photo)[] Glazes =
    [
        (
            Glaze.Create(
                "Oyster matte",
                "5",
                "7",
                slowFrom: 1040,
                slowTo: 850,
                slowHours: 3.5,
                notes: "Grows its matte on the way down; dull when it cools fast."
            ),
            "oyster"
        ),
        (Glaze.Create("Tidewrack blue", "6", "6", runny: true, notes: "Runs. Waste slab under every piece."), "tidewrack"),
        (Glaze.Create("Reed green", "5", "7", needsHold: true, notes: "Pinholes without a hold."), "reed"),
        (Glaze.Create("Lamp white", "06", "04", wantsFastCooling: true, notes: "For Brickfield Red. Glossy when it cools fast."), "lamp"),
    ];

    /// <summary>The last of the samples, typed by hand and not well.</summary>
    private const int PlantersSchedule = 12;

    /// <summary>Three loads; clays 1 to 3, glazes 1 to 4 and kilns 1 and 2 are those above, in their order.</summary>
    private static Result<FiringDraft>[] Firings(ZonedDateTime now) =>
        [
            FiringDraft.Create(
                "Class bisque, Thursday",
                ScheduleKind.Bisque,
                1,
                null,
                TemperatureUnit.Celsius,
                [
                    SaltmarshHistory.Lot("mugs", 26, 6, 1, [], "the class", Dryness.CoolToTouch, 0.4, SaltmarshHistory.Round(85, 100, 35, Stacking.Layers)),
                    SaltmarshHistory.Lot(
                        "plates",
                        14,
                        8,
                        1,
                        [],
                        "Tobin",
                        Dryness.BoneDry,
                        0.8,
                        SaltmarshHistory.Round(260, 28, stacking: Stacking.Spacers),
                        width: 260
                    ),
                    SaltmarshHistory.Lot(
                        "garden pots",
                        5,
                        12,
                        2,
                        [],
                        "Isolde",
                        Dryness.CoolToTouch,
                        1.9,
                        SaltmarshHistory.Round(180, 160, stacking: Stacking.Nest)
                    ),
                ],
                witnessPack: true,
                startsAt: Next(now, IsoDayOfWeek.Thursday, new LocalTime(14, 0))
            ),
            FiringDraft.Create(
                "Supper set, second half",
                ScheduleKind.Glaze,
                1,
                null,
                TemperatureUnit.Celsius,
                [
                    SaltmarshHistory.Lot("dinner plates", 12, 7, 1, [1], "Maren", Dryness.BoneDry, 0.9, SaltmarshHistory.Round(250, 28), width: 250),
                    SaltmarshHistory.Lot("bowls", 16, 6, 1, [1], "Maren", Dryness.BoneDry, 0.5, SaltmarshHistory.Round(150, 70)),
                    SaltmarshHistory.Lot("jugs", 6, 6, 1, [3], "Tobin", Dryness.BoneDry, 0.9, SaltmarshHistory.Round(110, 180, 45)),
                ],
                witnessPack: true,
                startsAt: Next(now, IsoDayOfWeek.Sunday, new LocalTime(9, 0))
            ),
            FiringDraft.Create(
                "Isolde's planters",
                ScheduleKind.Bisque,
                1,
                ConeNumber.Parse("04").Value,
                TemperatureUnit.Celsius,
                [SaltmarshHistory.Lot("planters", 9, 16, 2, [], "Isolde", Dryness.CoolToTouch, 3.2, SaltmarshHistory.Round(220, 190))],
                schedule: new PinnedSchedule(PlantersSchedule, 1),
                accepted:
                [
                    new Acceptance(
                        "no-witness-pack",
                        Severity.Note,
                        "A tile by the peephole has to do; no room for a pack.",
                        Instant.FromUtc(2026, 11, 20, 18, 5),
                        "Isolde"
                    ),
                ]
            ),
        ];

    /// <summary>The next such day, not today, at a time by the studio's clock.</summary>
    private static OffsetDateTime Next(ZonedDateTime now, IsoDayOfWeek day, LocalTime at) => (now.Date.Next(day) + at).InZoneLeniently(Zone).ToOffsetDateTime();

    private static readonly (string Name, string Class, string Controller, string Notes, Dictionary<string, double?> Numbers)[] Kilns =
    [
        ("Heron", "top-190", "Wedge", "Three rings. Leave the top peephole open to 600 °C.", new() { ["elementHealth"] = 93, ["altitude"] = 4 }),
        ("Wren", "bench", "Calliper", "For tests. Opens at 40 °C because the tiles are small.", new() { ["openLimit"] = 40, ["altitude"] = 4 }),
    ];

    private static Schedule Read(Sample sample, string line)
    {
        var read = NotationReader.Read(line, sample.Unit);
        if (read.Error is { } error)
            throw new InvalidOperationException($"{sample.Name}: {error.Message}");
        return Schedule
            .Create(
                sample.Name,
                sample.Kind,
                sample.Unit,
                read.Segments,
                sample.Notes,
                sample.Tags.Split(", "),
                sample.Goal is null ? null : ConeNumber.Parse(sample.Goal).Value
            )
            .Value;
    }

    private sealed class ClockAt(Instant instant) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => instant.ToDateTimeOffset();
    }

    private static readonly Sample[] Samples =
    [
        new(
            "Drying, thick tiles",
            ScheduleKind.Drying,
            TemperatureUnit.Celsius,
            "drying, tiles",
            [203.1],
            ["30/h to 90 hold 12:00 \"the walls are 25 mm\"; 20/h to 130 hold 1:00; off"],
            "For relief tiles that have to go in before they feel dry. Look for steam on a cold mirror before going past 90 °C."
        ),
        new(
            "Shingle porcelain in Bittern",
            ScheduleKind.Glaze,
            TemperatureUnit.Celsius,
            "porcelain, bittern, reduction",
            [160.4],
            [
                "100/h to 600 in oxidation \"nothing to see yet\"; 150/h to 890 in oxidation; 100/h to 910 hold 45m in heavy reduction \"body "
                    + "reduction\"; 90/h to 1180 in light reduction; 60/h to 1268 hold 20m in light reduction; off",
            ],
            "Gas kiln: rates are what the burners are steered to. Carbon monoxide alarm on before the damper moves.",
            "10"
        ),
        new(
            "Oyster matte, first try",
            ScheduleKind.Glaze,
            TemperatureUnit.Celsius,
            "oyster matte, heron",
            [97.6],
            ["80/h to 120 hold 45m \"dry the glaze\"; 160/h to 1040; 110/h to 1140; 60/h to 1210 hold 12m; off"],
            "Came out dull grey, hardly any crystals: it went through 1040 to 850 °C in about an hour.",
            "6"
        ),
        new(
            "Brickfield planters, once-fired",
            ScheduleKind.OnceFired,
            TemperatureUnit.Celsius,
            "earthenware, thick",
            [74.2],
            [
                "40/h to 90 hold 4:00 \"dry, 14 mm walls\"; 60/h to 200; 80/h to 600 \"gently through quartz\"; 70/h to 950 \"burn out the carbon\"; 60/h "
                    + "to 1063 hold 10m; off",
            ],
            Goal: "04"
        ),
        new(
            "Evening class bisque",
            ScheduleKind.Bisque,
            TemperatureUnit.Fahrenheit,
            "bisque, class",
            [51.3],
            ["100/h to 190 hold 3:00 \"mixed, some still cool to the touch\"; 180/h to 1100; 150/h to 1750 \"burn-out\"; 108/h to 1830; off"],
            "Written in °F for Maren, who teaches the class.",
            "06"
        ),
        new(
            "Reed green, everyday",
            ScheduleKind.Glaze,
            TemperatureUnit.Celsius,
            "reed green, heron",
            [1099.9],
            ["100/h to 120 hold 30m; full to 600; 150/h to 1120; 60/h to 1222; off"],
            Goal: "6"
        ),
        new(
            "Lamp white on Brickfield Red",
            ScheduleKind.Glaze,
            TemperatureUnit.Celsius,
            "lamp white, earthenware",
            [20.5],
            ["100/h to 120 hold 30m \"dry the glaze\"; 150/h to 960; 60/h to 1063 hold 5m; cool 120/h to 760; off"],
            Goal: "04"
        ),
        new(
            "Tidewrack blue, test tiles",
            ScheduleKind.Glaze,
            TemperatureUnit.Celsius,
            "tidewrack blue, wren, tests",
            [15.2, 8.1],
            ["full to 1100; 60/h to 1215 hold 20m; off", "full to 1100; 60/h to 1215 hold 5m \"it runs: short hold\"; cool 150/h to 1000; off"],
            "Runs. Waste slab under every tile.",
            "6"
        ),
        new(
            "Marsh White bisque, for brushing",
            ScheduleKind.Bisque,
            TemperatureUnit.Celsius,
            "bisque, heron",
            [12.7],
            ["80/h to 90 hold 2:00; 100/h to 600; 110/h to 960 \"carbon out\"; 60/h to 1063; off"],
            Goal: "04"
        ),
        new(
            "Marsh White bisque, for dipping",
            ScheduleKind.Bisque,
            TemperatureUnit.Celsius,
            "bisque, heron",
            [1101.4, 151.2],
            [
                "100/h to 600; 130/h to 1000 hold 10m; off",
                "60/h to 90 hold 2:00 \"dry, 8 mm and cool to the touch\"; 100/h to 600 \"slow past quartz\"; 110/h to 900 \"carbon out\"; 60/h to 998 "
                    + "\"last 100 at 60, so the cone's number holds\"; off",
            ],
            "Since the load that burst in spring: the two hours at 90 °C stay in.",
            "06"
        ),
        new(
            "Oyster matte, supper set",
            ScheduleKind.Glaze,
            TemperatureUnit.Celsius,
            "oyster matte, heron",
            [78.3, 43.8, 16.9],
            [
                "80/h to 120 hold 45m; 160/h to 1040; 110/h to 1140; 60/h to 1210 hold 12m; cool 55/h to 850; off",
                "80/h to 120 hold 45m; 160/h to 1040; 110/h to 1140; 60/h to 1210 hold 12m; cool 150/h to 1040; cool 55/h to 850; off",
                "80/h to 120 hold 45m \"dry the glaze\"; 160/h to 1040 \"brisk through the middle\"; 110/h to 1140 \"ease in\"; 60/h to 1210 hold 12m "
                    + "\"let the cones catch up\"; cool 150/h to 1040 \"drop, then ease\"; cool 55/h to 850 hold 30m \"grow the matte\"; off",
            ],
            "Slow from 1040 to 850 °C: that is where the crystals grow. Witness pack 5 · 6 · 7 on the middle shelf.",
            "6"
        ),
        new(
            "Isolde's planters, by hand",
            ScheduleKind.Bisque,
            TemperatureUnit.Celsius,
            "bisque, planters",
            [0.3],
            ["80/h to 90 hold 3:00; 120/h to 600; 150/h to 950; 60/h to 1030; off"],
            "Typed in on the evening before. The planters are thicker than anything we usually fire.",
            "04"
        ),
    ];
}
