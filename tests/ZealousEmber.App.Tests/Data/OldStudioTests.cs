using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Data;

/// <summary>A data folder of the first version of the program, with everything that version could store.</summary>
public sealed class OldStudio : RunningStudio
{
    public OldStudio() => File.Copy(Repository.File("tests/Samples/studio-of-first-version.sqlite"), Path.Combine(Folder, "ember.db"));

    protected override bool Demo => false;
}

public sealed class OldStudioTests(OldStudio studio) : IClassFixture<OldStudio>
{
    private async Task<JsonArray> All(string path) => (await (await studio.Http.GetAsync(path)).Read()).AsArray();

    private static IEnumerable<string> Old(string sql)
    {
        using var connection = new SqliteConnection(
            $"Data Source={Repository.File("tests/Samples/studio-of-first-version.sqlite")};Mode=ReadOnly;Pooling=False"
        );
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var rows = new List<string>();
        while (reader.Read())
            rows.Add(string.Join('|', Enumerable.Range(0, reader.FieldCount).Select(i => reader.GetValue(i))));
        return rows;
    }

    [Theory]
    [InlineData("/api/schedules", "schedules", "name")]
    [InlineData("/api/kilns", "kilns", "kiln.name")]
    [InlineData("/api/clays", "clays", "clay.name")]
    [InlineData("/api/glazes", "glazes", "glaze.name")]
    [InlineData("/api/firings", "firings", "firing.name")]
    public async Task Everything_is_there_with_its_version(string path, string table, string name)
    {
        var found = (await All(path)).Select(r => $"{r!["id"]}|{r["version"]}|{name.Split('.').Aggregate(r, (node, member) => node[member]!)}").Order();
        found.ShouldBe(Old($"SELECT Id, Version, Name FROM {table} WHERE DeletedAt IS NULL").Order());
        found.ShouldNotBeEmpty();
    }

    [Fact]
    public async Task Every_step_of_every_schedule_and_version_is_as_it_was()
    {
        foreach (var row in Old("SELECT ScheduleId, Number FROM schedule_versions"))
        {
            var (id, number) = (row.Split('|')[0], row.Split('|')[1]);
            if ((int)(await studio.Http.GetAsync($"/api/schedules/{id}")).StatusCode == 404)
                continue;
            var version = await (await studio.Http.GetAsync($"/api/schedules/{id}/versions/{number}")).Read();
            version["segments"]!.AsArray().Count.ShouldBeGreaterThan(0, row);
        }
        var oyster = await (await studio.Http.GetAsync("/api/schedules/11")).Read();
        oyster["segments"]!
            .AsArray()
            .Select(s => $"{s!["pace"]} {s["rate"]} {s["target"]} {s["holdMinutes"]}")
            .ShouldBe(["rate 80 120 45", "rate 160 1040 0", "rate 110 1140 0", "rate 60 1210 12", "rate 150 1040 0", "rate 55 850 30", "natural   0"]);
        oyster["goalCone"]!.GetValue<string>().ShouldBe("6");
    }

    [Fact]
    public async Task What_was_deleted_can_still_be_restored()
    {
        var restored = await (await studio.Http.PostAsync("/api/schedules/1/restore", null)).Read();
        restored["name"]!.GetValue<string>().ShouldBe("Drying, thick tiles");
        await studio.Http.DeleteAsync("/api/schedules/1");
    }

    [Fact]
    public async Task Firings_kilns_settings_preferences_and_photos_say_what_they_said()
    {
        var firing = (await (await studio.Http.GetAsync("/api/firings/1")).Read())["firing"]!;
        firing["kind"]!.GetValue<string>().ShouldBe("bisque");
        firing["lots"]!.AsArray().Count.ShouldBeGreaterThan(1);
        (await (await studio.Http.GetAsync("/api/kilns/1")).Read())["kiln"]!["class"]!.GetValue<string>().ShouldBe("top-190");
        var hours = (await (await studio.Http.GetAsync("/api/studio")).Read())["studio"]!;
        (hours["timeZone"]!.GetValue<string>(), hours["currency"]!.GetValue<string>(), hours.Number("price")).ShouldBe(("Europe/London", "£", 0.29));
        hours["people"]!.AsArray().Count.ShouldBeGreaterThan(0);
        var preferences = (await (await studio.Http.GetAsync("/api/studio/ways")).Read())["ways"]!;
        (preferences["drying"]!.GetValue<string>(), preferences["hold"]!.GetValue<string>()).ShouldBe(("long-hold", "quarter-hour"));
        (await All("/api/clays/photos")).Count.ShouldBe(3);
        (await studio.Http.GetByteArrayAsync("/api/glazes/1/photo")).Length.ShouldBeGreaterThan(1000);
        (await All("/api/unreadable")).ShouldBeEmpty();
    }

    [Fact]
    public async Task It_goes_on_from_there_and_the_file_as_it_was_is_beside_it()
    {
        // One of its own: the others look at what was there before anything was changed.
        await using var changed = new OldStudio();
        await changed.InitializeAsync();
        var kiln = await (await changed.Http.GetAsync("/api/kilns/2")).Read();
        var request = new HttpRequestMessage(HttpMethod.Put, "/api/kilns/2")
        {
            Content = new StringContent(kiln["kiln"]!.With("notes", "New elements.").ToJsonString(), System.Text.Encoding.UTF8, "application/json"),
        };
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{kiln["version"]}\"");
        (await (await changed.Http.SendAsync(request)).Read())["version"]!.GetValue<int>().ShouldBe(kiln["version"]!.GetValue<int>() + 1);
        (await (await changed.Http.GetAsync("/api/schedules?search=oyster supp")).Read()).AsArray().Count.ShouldBe(1, "the search knows what was there before");
        var backup = Directory.GetFiles(Path.Combine(changed.Folder, "backups"), "*before-upgrade*").ShouldHaveSingleItem();
        (await File.ReadAllBytesAsync(backup)).Length.ShouldBeGreaterThan(100_000);
    }
}
