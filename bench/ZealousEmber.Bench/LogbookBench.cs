using System.Collections.Immutable;
using System.Diagnostics;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store;
using ZealousEmber.Store.Firings;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.Bench;

/// <summary>How long a question takes in a logbook of five thousand firings, in a real SQLite file.</summary>
internal static class LogbookBench
{
    private const int Firings = 5000;
    private const int Asked = 60;

    public static async Task Run()
    {
        var folder = Directory.CreateTempSubdirectory("ember-bench-");
        try
        {
            var services = new ServiceCollection().AddSingleton(TimeProvider.System).AddStudioStore(folder.FullName);
            await using var provider = services.BuildServiceProvider();
            await using var scope = provider.CreateAsyncScope();
            await scope.ServiceProvider.GetRequiredService<StudioContext>().Database.MigrateAsync();
            await Fill(scope.ServiceProvider);
            var records = scope.ServiceProvider.GetRequiredService<FiringRecords>();
            foreach (var (name, query) in new (string, LogbookQuery)[]
            {
                ("everything", new()), ("two words", new(Words: "oyster 7")), ("glaze and fault", new(GlazeId: 3, Fault: "pinholes")), ("kiln, person, since", new(KilnId: 1, Person: "maren", Since: Instant.FromUtc(2024, 1, 1, 0, 0))),
            })
                Console.WriteLine($"{name,-22} {await Percentiles(async () => _ = await records.Search(query, 0, 60, CancellationToken.None))}");
            Console.WriteLine($"{"what is out of date",-22} {await Percentiles(async () => _ = await records.Stale(CancellationToken.None))}");
            Console.WriteLine($"{"all, followed",-22} {await Percentiles(async () => _ = await records.Follow(new LogbookQuery(), Firings, CancellationToken.None))}");
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            folder.Delete(recursive: true);
        }
    }

    private static async Task Fill(IServiceProvider services)
    {
        var (firings, runs, records) = (services.GetRequiredService<Repository<FiringDraft>>(), services.GetRequiredService<FiringRuns>(), services.GetRequiredService<FiringRecords>());
        await using var transaction = await services.GetRequiredService<StudioContext>().Database.BeginTransactionAsync();
        var kiln = Kiln.Create(new KilnSpecification("Heron", "top-190", null, null, null, new Dictionary<string, double?>())).Value;
        var program = FiringProgram.Create(NotationReader.Read("100/h to 1208 hold 12m; off", TemperatureUnit.Celsius).Segments).Value;
        var six = ConeNumber.Parse("6").Value;
        var thumbnail = Enumerable.Range(0, 40).Select(i => new CurvePoint(i * 50, i < 20 ? 60 * i : 2400 - 60 * i)).ToImmutableArray();
        string[] glazes = ["oyster", "reed", "tidewrack", "lamp"];
        var first = Instant.FromUtc(2015, 1, 1, 0, 0);
        for (var i = 0; i < Firings; i++)
        {
            var starts = first + Duration.FromHours(20 * i);
            var id = (await firings.Add(FiringDraft.Create($"Load {i}", ScheduleKind.Glaze, 1, six, TemperatureUnit.Celsius, []).Value, SaveStamp.Unknown, CancellationToken.None)).Id;
            await runs.Start(new FiringRun(id, 1 + i % 3, LinkKind.Hand, starts, starts, "Maren", program, false, six, kiln, kiln.UsualLoad(ScheduleKind.Glaze), kiln.Room, ScheduleKind.Glaze, OpenedAt: starts + Duration.FromHours(30)), new FiringEntry($"s{i}", EntryKind.State, starts, "Maren"), CancellationToken.None);
            WareFault[] faults = i % 9 == 0 ? [new WareFault("pinholes", null, null, 3, FaultSeverity.Looks)] : [];
            await records.Save(id, 1 + i % 3, null, [], FiringResults.Create(30, 0, faults, []).Value, SaveStamp.Unknown, CancellationToken.None);
            await records.Keep(
                id, new FiringIndex(1 + i % 3, starts, $"Load {i}", ScheduleKind.Glaze, six, six, null, "Maren", [1 + i % 4], [1], ["Maren", "Tobin"], $"load {i} {glazes[i % 4]} mugs and bowls of the class, looked at twice"),
                new FiringFigures(FiringFigure.All.ToImmutableDictionary(f => f.Name, f => f.Matters * i % 17), thumbnail, [.. Enumerable.Range(0, 38).Select(c => c / 38.0)]), FiringRecords.Mark(1), CancellationToken.None);
            if (i % 500 == 499) Console.Error.Write('.');
        }
        await transaction.CommitAsync();
        Console.Error.WriteLine();
    }

    private static async Task<string> Percentiles(Func<Task> ask)
    {
        var times = new List<double>();
        for (var i = 0; i < Asked; i++)
        {
            var watch = Stopwatch.StartNew();
            await ask();
            times.Add(watch.Elapsed.TotalMilliseconds);
        }
        times.Sort();
        return FormattableString.Invariant($"p50 {times[Asked / 2]:0.0} ms, p95 {times[Asked * 95 / 100]:0.0} ms");
    }
}
