using System.Collections.Immutable;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Bench;

/// <summary>A studio with years behind it: kilns, finished firings with what came of them, some with their readings, and schedules.</summary>
internal static class StudioFill
{
    private const int Kilns = 3;
    private const string Glaze = "100/h to 1208 hold 12m; off";

    /// <summary>So many finished firings in three kilns, the last of them with a reading a minute.</summary>
    public static async Task Firings(IServiceProvider services, int count, int withReadings)
    {
        var (firings, runs, records, samples) = (
            services.GetRequiredService<Repository<FiringDraft>>(),
            services.GetRequiredService<FiringRuns>(),
            services.GetRequiredService<FiringRecords>(),
            services.GetRequiredService<SampleLog>()
        );
        var kiln = Kiln.Create(new KilnSpecification("Heron", "top-190", null, null, null, new Dictionary<string, double?>())).Value;
        var kilns = services.GetRequiredService<Repository<Core.Kilns.StudioKiln>>();
        for (var k = 0; k < Kilns; k++)
            await kilns.Add(kiln, SaveStamp.Unknown, CancellationToken.None);
        await using var transaction = await services.GetRequiredService<StudioContext>().Database.BeginTransactionAsync();
        var six = ConeNumber.Parse("6").Value;
        var program = FiringProgram.Create(NotationReader.Read(Glaze, TemperatureUnit.Celsius).Segments).Value;
        var curve = kiln.With(kiln.UsualLoad(ScheduleKind.Glaze), kiln.Room).Run(program).Value.WholeCurve;
        var thumbnail = Enumerable.Range(0, 40).Select(i => new CurvePoint(i * 50, i < 20 ? 60 * i : 2400 - 60 * i)).ToImmutableArray();
        string[] glazes = ["oyster", "reed", "tidewrack", "lamp"];
        LotDraft[] lots = [Lot("mugs", 24, 6, 85, 100), Lot("bowls", 12, 5, 150, 70), Lot("plates", 8, 8, 270, 25), Lot("jugs", 4, 7, 130, 210)];
        var first = Instant.FromUtc(2015, 1, 1, 0, 0);
        for (var i = 0; i < count; i++)
        {
            var starts = first + Duration.FromHours(20 * i);
            var id = (
                await firings.Add(
                    FiringDraft.Create($"Load {i}", ScheduleKind.Glaze, 1 + i % Kilns, six, TemperatureUnit.Celsius, lots).Value,
                    SaveStamp.Unknown,
                    CancellationToken.None
                )
            ).Id;
            await runs.Start(
                new FiringRun(
                    id,
                    1 + i % Kilns,
                    LinkKind.Push,
                    starts,
                    starts,
                    "Maren",
                    program,
                    false,
                    six,
                    kiln,
                    kiln.UsualLoad(ScheduleKind.Glaze),
                    kiln.Room,
                    ScheduleKind.Glaze,
                    OpenedAt: starts + Duration.FromHours(30)
                ),
                new FiringEntry($"s{i}", EntryKind.State, starts, "Maren"),
                CancellationToken.None
            );
            WareFault[] faults = i % 9 == 0 ? [new WareFault("pinholes", null, null, 3, FaultSeverity.Looks)] : [];
            await records.Save(id, 1 + i % Kilns, null, [], FiringResults.Create(30, 0, faults, []).Value, SaveStamp.Unknown, CancellationToken.None);
            await records.SaveFigures(
                id,
                new FiringIndex(
                    1 + i % Kilns,
                    starts,
                    $"Load {i}",
                    ScheduleKind.Glaze,
                    six,
                    six,
                    null,
                    "Maren",
                    [1 + i % 4],
                    [1],
                    ["Maren", "Tobin"],
                    $"load {i} {glazes[i % 4]} mugs and bowls of the class, looked at twice"
                ),
                new FiringFigures(
                    FiringFigure.All.ToImmutableDictionary(f => f.Name, f => f.Matters * i % 17),
                    thumbnail,
                    [.. Enumerable.Range(0, 38).Select(c => c / 38.0)]
                ),
                FiringRecords.Mark(1),
                CancellationToken.None
            );
            if (i >= count - withReadings)
                await samples.Append(
                    id,
                    "shed",
                    "1",
                    [
                        .. Enumerable
                            .Range(0, 1440)
                            .Select(m => new StoredSample(
                                m,
                                (starts + Duration.FromMinutes(m)).ToUnixTimeMilliseconds(),
                                At(curve, m) + 2 * Math.Sin(m * 0.7),
                                m < 700 ? 0.6 : 0,
                                null
                            )),
                    ],
                    CancellationToken.None
                );
            if (i % 500 == 499)
                Console.Error.Write('.');
        }
        await transaction.CommitAsync();
        Console.Error.WriteLine();
    }

    /// <summary>So many schedules of six steps.</summary>
    public static async Task Schedules(IServiceProvider services, int count)
    {
        var steps = NotationReader
            .Read("60/h to 90 hold 1h; 100/h to 600; 150/h to 1100; 60/h to 1208 hold 12m; -150/h to 1000; off", TemperatureUnit.Celsius)
            .Segments;
        var schedules = services.GetRequiredService<ScheduleRepository>();
        foreach (var part in Enumerable.Range(0, count).Chunk(500))
            await schedules.Add(
                [
                    .. part.Select(i =>
                        Schedule
                            .Create(
                                $"Glaze {i}",
                                ScheduleKind.Glaze,
                                TemperatureUnit.Celsius,
                                steps,
                                goal: ConeNumber.Parse("6").Value,
                                notes: $"Kept from the year {2000 + i % 25}",
                                tags: [i % 2 == 0 ? "matte" : "class"]
                            )
                            .Value
                    ),
                ],
                SaveStamp.Unknown,
                CancellationToken.None
            );
    }

    private static LotDraft Lot(string what, int count, double wall, double across, double height) =>
        new(
            what,
            count,
            wall,
            null,
            false,
            false,
            Dryness.BoneDry,
            null,
            [],
            "Maren",
            NextStep.Dipping,
            null,
            ImmutableSortedDictionary<string, string>.Empty,
            Piece: new PieceDraft(PieceShape.Round, across, null, height)
        );

    private static double At(Curve curve, double minute) => curve.At(Duration.FromMinutes(minute)).Celsius;
}
