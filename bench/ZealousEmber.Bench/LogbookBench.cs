using System.Diagnostics;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;
using ZealousEmber.Store;
using ZealousEmber.Store.Database;
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
            await StudioFill.Firings(scope.ServiceProvider, Firings, 0);
            var records = scope.ServiceProvider.GetRequiredService<FiringRecords>();
            foreach (
                var (name, query) in new (string, LogbookQuery)[]
                {
                    ("everything", new()),
                    ("two words", new(Words: "oyster 7")),
                    ("glaze and fault", new(GlazeId: 3, Fault: "pinholes")),
                    ("kiln, person, since", new(KilnId: 1, Person: "maren", Since: Instant.FromUtc(2024, 1, 1, 0, 0))),
                }
            )
                Console.WriteLine($"{name, -22} {await Percentiles(async () => _ = await records.Search(query, 0, 60, CancellationToken.None))}");
            Console.WriteLine($"{"what is out of date", -22} {await Percentiles(async () => _ = await records.Stale(CancellationToken.None))}");
            Console.WriteLine(
                $"{"all, followed", -22} {await Percentiles(async () => _ = await records.Follow(new LogbookQuery(), Firings, CancellationToken.None))}"
            );
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            folder.Delete(recursive: true);
        }
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
