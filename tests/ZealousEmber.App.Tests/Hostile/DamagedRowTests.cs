using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Live;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Hostile;

/// <summary>
/// One cell of one row of every table is spoiled in the file of a studio with firings under way; the program is started anew on it. It starts, every page's
/// address answers,
/// what cannot be read is listed and comes out as it stands, no kiln with a firing in it is told to be free, and learning, planning and backup go on.
/// </summary>
public sealed class DamagedRowTests
{
    // What no start can do without, or that is made anew by SQLite itself.
    private static readonly string[] NoRows = ["__EFMigrationsHistory", "__EFMigrationsLock", "sqlite_sequence", "sqlite_stat1"];
    private static readonly object[] Spoiled =
    [
        "",
        "{",
        "[{\"x\":1e999}]",
        "null",
        "\u0001\ud7ff",
        "no such thing",
        -1L,
        long.MaxValue,
        1e308,
        new byte[] { 1, 2, 3 },
    ];

    /// <summary>One each time; many with <c>./test long</c>.</summary>
    public static TheoryData<int> Seeds => LongRun.Seeds(1, 40);

    [Theory]
    [MemberData(nameof(Seeds))]
    public async Task A_spoiled_row_stops_nothing(int seed)
    {
        var dice = new Random(seed);
        var (before, told) = (new RunningStudio { LeavesFolder = true }, new List<string>());
        await before.InitializeAsync();
        var inKilns = (await before.Http.Get("/api/firings/runs"))
            .AsArray()
            .Where(r => r!["openedAt"] is null)
            .Select(r => r!["kilnId"]!.GetValue<int>())
            .ToList();
        await before.DisposeAsync();
        Spoil(Path.Combine(before.Folder, "ember.db"), dice, told);
        await using var studio = new RunningStudio { Folder = before.Folder, Clock = before.Clock };
        await studio.InitializeAsync();
        string All() => string.Join('\n', told);
        async Task<JsonNode?> Get(string path)
        {
            using var answer = await studio.Http.GetAsync(path);
            var body = await answer.Content.ReadAsStringAsync();
            ((int)answer.StatusCode).ShouldBeLessThan(500, $"{path}\n{body[..Math.Min(body.Length, 600)]}\n{All()}");
            return answer.IsSuccessStatusCode && body.Length > 0 && body[0] is '{' or '[' ? JsonNode.Parse(body) : null;
        }

        foreach (var page in new ApiDescription(await studio.Http.GetOpenApi()).Operations.Where(o => o.Method == "GET"))
        {
            for (var id = 1; id <= (page.Path.Contains("{id}", StringComparison.Ordinal) ? 5 : 1); id++)
                await Get(
                    page.Path.Replace("{id}", $"{(id < 4 ? id : dice.Next(4, 34))}", StringComparison.Ordinal)
                        .Replace("{number}", "1", StringComparison.Ordinal)
                        .Replace("{key}", "1", StringComparison.Ordinal)
                        .Replace("{table}", "kilns", StringComparison.Ordinal)
                );
        }
        foreach (var row in (await Get("/api/unreadable")).ShouldNotBeNull(All()).AsArray())
            (await Get(row!["raw"]!.GetValue<string>())).ShouldNotBeNull($"{row}\n{All()}");
        var kilns = (await Get("/api/room")).ShouldNotBeNull(All()).AsArray();
        foreach (
            var kiln in inKilns.Where(_ =>
                !told.Any(t =>
                    t.StartsWith("firing_runs.OccupiesKiln", StringComparison.Ordinal) || t.StartsWith("firing_runs.KilnId", StringComparison.Ordinal)
                )
            )
        )
            kilns.Single(r => r!["kilnId"]!.GetValue<int>() == kiln)!["firingId"].ShouldNotBeNull($"kiln {kiln} has a firing in it\n{All()}");
        (await studio.Http.GetAsync("/api/backup")).IsSuccessStatusCode.ShouldBeTrue(All());
        var plan = JsonNode.Parse("""{"kind":"bisque","goalCone":"04","kiln":{"class":"top-190"},"load":{"lots":[{"what":"mugs","count":20,"wall":6}]}}""");
        ((int)(await studio.Http.PostAsJsonAsync("/api/plan", plan)).StatusCode).ShouldBe(200, All());
    }

    private static void Spoil(string file, Random dice, List<string> told)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False;Foreign Keys=False");
        connection.Open();
        List<object[]> Query(string sql)
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            using var reader = command.ExecuteReader();
            var rows = new List<object[]>();
            while (reader.Read())
            {
                var row = new object[reader.FieldCount];
                reader.GetValues(row);
                rows.Add(row);
            }
            return rows;
        }

        foreach (
            var table in Query("SELECT name FROM sqlite_master WHERE type = 'table' AND sql NOT LIKE 'CREATE VIRTUAL%'")
                .Select(r => (string)r[0])
                .Where(t => !NoRows.Contains(t) && !t.Contains("_fts", StringComparison.Ordinal) && !t.Contains("search", StringComparison.OrdinalIgnoreCase))
        )
        {
            var ids = Query($"SELECT rowid FROM \"{table}\"").Select(r => (long)r[0]).ToList();
            var columns = Query($"SELECT name FROM pragma_table_info('{table}') WHERE pk = 0").Select(r => (string)r[0]).ToList();
            if (ids.Count == 0 || columns.Count == 0)
                continue;
            var (id, column, value) = (ids[dice.Next(ids.Count)], columns[dice.Next(columns.Count)], Spoiled[dice.Next(Spoiled.Length)]);
            try
            {
                using var command = connection.CreateCommand();
                command.CommandText = $"UPDATE \"{table}\" SET \"{column}\" = $value WHERE rowid = {id}";
                command.Parameters.AddWithValue("$value", value);
                command.ExecuteNonQuery();
                told.Add($"{table}.{column} of {id}: {(value is byte[] ? "bytes" : value)}");
            }
            catch (SqliteException)
            {
                // The file itself does not take it: it cannot be spoiled like this.
            }
        }
    }
}
