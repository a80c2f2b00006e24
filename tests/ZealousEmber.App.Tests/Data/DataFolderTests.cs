using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Data;

/// <summary>What happens to a data folder whose program is ended, started twice, given a foreign file, copied and restored.</summary>
public sealed class DataFolderTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("ember-folder-").FullName;

    private string Database => Path.Combine(folder, "ember.db");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private static async Task<int> Refused(ProgramRun run, string says)
    {
        using (run)
        {
            var code = await run.Ends();
            run.Words.ShouldHaveSingleItem().ShouldContain(says);
            return code;
        }
    }

    private void Execute(string sql)
    {
        using var connection = new SqliteConnection($"Data Source={Database};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private static async Task<int> Schedules(Uri address)
    {
        using var http = new HttpClient { BaseAddress = address };
        return (await (await http.GetAsync("/api/schedules")).Read()).AsArray().Count;
    }

    [Fact]
    public async Task It_starts_again_wherever_it_was_ended()
    {
        // Through all of a first start, the migrations and the demo data in it, and then whenever it likes.
        foreach (var pause in new[] { 400, 800, 1100, 1500 })
        {
            using var run = ProgramRun.Start(folder, ["--demo=true"]);
            await Task.WhenAny(run.Address(), Task.Delay(pause));
            run.Kill();
        }
        // The row that a start holds while it migrates, as one that was ended leaves it.
        if (File.Exists(Database))
            Execute(
                "CREATE TABLE IF NOT EXISTS __EFMigrationsLock (Id INTEGER PRIMARY KEY, Timestamp TEXT NOT NULL); INSERT OR IGNORE INTO "
                    + "__EFMigrationsLock VALUES (1, '2026-01-01')"
            );
        using var last = ProgramRun.Start(folder, ["--demo=true"]);
        (await Schedules(await last.Address())).ShouldBe(12, "all of the demo or nothing of it");
    }

    [Fact]
    public async Task It_starts_again_after_being_ended_in_its_very_first_moment()
    {
        Execute("CREATE TABLE __EFMigrationsLock (Id INTEGER PRIMARY KEY, Timestamp TEXT NOT NULL); INSERT INTO __EFMigrationsLock VALUES (1, '2026-01-01')");
        using var run = ProgramRun.Start(folder);
        (await Schedules(await run.Address())).ShouldBe(0);
    }

    [Fact]
    public async Task A_second_program_on_the_same_folder_is_refused_and_told_who_has_it()
    {
        using var first = ProgramRun.Start(folder);
        await first.Address();
        (await Refused(ProgramRun.Start(folder), "Another Zealous Ember is running on")).ShouldBe(1);
        (await Refused(ProgramRun.Start(folder), "(process ")).ShouldBe(1);
        (await Refused(ProgramRun.Start(folder, ["--restore=/nowhere"]), "Another Zealous Ember")).ShouldBe(1);
        first.Kill();
        using var next = ProgramRun.Start(folder);
        await next.Address();
    }

    [Fact]
    public async Task A_database_of_a_newer_program_is_refused()
    {
        using (var run = ProgramRun.Start(folder))
            await run.Address();
        Execute("INSERT INTO __EFMigrationsHistory VALUES ('29991231000000_Tomorrow', '99.0')");
        (await Refused(ProgramRun.Start(folder), "newer")).ShouldBe(1);
    }

    [Fact]
    public async Task A_file_that_is_no_database_is_said_in_a_sentence_and_left_alone()
    {
        await File.WriteAllTextAsync(Database, "this is my shopping list, not a database; it is long enough to be looked at. Milk, clay, kiln wash.");
        (await Refused(ProgramRun.Start(folder), "damaged or no database")).ShouldBe(1);
        (await File.ReadAllTextAsync(Database)).ShouldStartWith("this is my shopping list");
    }

    [Fact]
    public async Task A_port_that_is_none_is_said_in_a_sentence()
    {
        foreach (var port in new[] { "5097;http://127.0.0.2:5099", "70000", "-1", "http://0.0.0.0:80" })
            (await Refused(ProgramRun.Start(folder, null, ("PORT", port)), "PORT is a number")).ShouldBe(1);
    }

    [Fact]
    public async Task It_listens_to_this_machine_alone_whatever_else_is_configured()
    {
        using var run = ProgramRun.Start(
            folder,
            ["--urls=http://0.0.0.0:0"],
            ("Kestrel__Endpoints__All__Url", "http://0.0.0.0:0"),
            ("ASPNETCORE_URLS", "http://0.0.0.0:0"),
            ("HTTP_PORTS", "0")
        );
        (await run.Address()).Host.ShouldBe("127.0.0.1");
        run.Words.ShouldHaveSingleItem().Split("http://").Length.ShouldBe(2, "one address, and no other");
    }

    [Fact]
    public async Task A_backup_made_while_it_runs_has_everything_and_can_be_restored()
    {
        var copy = Path.Combine(folder, "elsewhere", "copy.db");
        using (var run = ProgramRun.Start(folder))
        {
            var address = await run.Address();
            using var http = new HttpClient { BaseAddress = address };
            await http.Create(Wire.Wire.GlazeFiring().With("name", "Saved a moment ago"));
            using (var backup = ProgramRun.Start(folder, [$"--backup={copy}"]))
                (await backup.Ends()).ShouldBe(0, backup.Said);
            await http.Create(Wire.Wire.GlazeFiring().With("name", "Saved too late"));
            (await Refused(ProgramRun.Start(folder, [$"--backup={copy}"]), "there already")).ShouldBe(1);
            if (!OperatingSystem.IsWindows())
                File.GetUnixFileMode(copy).ShouldBe(UnixFileMode.UserRead | UnixFileMode.UserWrite);
        }
        await File.WriteAllTextAsync(Path.Combine(folder, "torn.db"), "torn");
        (await Refused(ProgramRun.Start(folder, [$"--restore={Path.Combine(folder, "torn.db")}"]), "no database of this program")).ShouldBe(1);
        using (var restore = ProgramRun.Start(folder, [$"--restore={copy}"]))
            (await restore.Ends()).ShouldBe(0, restore.Said);
        using var again = ProgramRun.Start(folder);
        using var restored = new HttpClient { BaseAddress = await again.Address() };
        (await (await restored.GetAsync("/api/schedules?search=saved")).Read())
            .AsArray()
            .Select(s => s!["name"]!.GetValue<string>())
            .ShouldBe(["Saved a moment ago"]);
        Directory.GetFiles(Path.Combine(folder, "backups"), "*before-restore*.db").ShouldHaveSingleItem();
    }

    [Fact]
    public async Task What_is_in_the_folder_is_for_its_owner_only()
    {
        using var run = ProgramRun.Start(folder);
        await run.Address();
        if (OperatingSystem.IsWindows())
            return;
        foreach (var file in Directory.GetFiles(folder, "ember.db*"))
            (File.GetUnixFileMode(file) & (UnixFileMode.GroupRead | UnixFileMode.OtherRead)).ShouldBe(UnixFileMode.None, file);
    }
}
