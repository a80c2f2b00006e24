using System.Net;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.People;

/// <summary>The audit: written with every change, never changed, and whole after an erasure.</summary>
public sealed class AuditTests : IAsyncLifetime
{
    private readonly RunningStudio studio = new();
    private Visitor owner = null!;

    public async ValueTask InitializeAsync()
    {
        await studio.InitializeAsync();
        owner = await studio.Owner();
    }

    public async ValueTask DisposeAsync()
    {
        owner.Dispose();
        await studio.DisposeAsync();
    }

    private async Task<int> Rows() => (await owner.Get("/api/audit"))["total"]!.GetValue<int>();

    private async Task<JsonNode> Last() => (await owner.Get("/api/audit"))["items"]![0]!;

    private void Sql(string text)
    {
        using var connection = new SqliteConnection($"Data Source={Path.Combine(studio.Folder, "ember.db")};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = text;
        command.ExecuteNonQuery();
    }

    [Fact]
    public async Task Every_change_adds_a_row_with_who_and_what()
    {
        var kiln = (await owner.Get("/api/kilns/1"))!;
        var body = kiln["kiln"]!.With("notes", "The lid sticks.");
        var firing = (await owner.Get("/api/firings"))[0]!["id"]!.GetValue<int>();
        var changes = new (string Subject, string What, Func<Task<HttpResponseMessage>> Make)[]
        {
            ("kilns/1", "changed", () => owner.Put("/api/kilns/1", body, $"\"{kiln["version"]}\"")),
            ("kilns/1/token", "added", () => owner.Http.PostAsync("/api/kilns/1/token", null)),
            ("kilns/1/token", "changed", () => owner.Http.PostAsync("/api/kilns/1/token", null)),
            ("kilns/1/token", "deleted", () => owner.Http.DeleteAsync("/api/kilns/1/token")),
            ("clays/1", "deleted", () => owner.Http.DeleteAsync("/api/clays/1")),
            ("clays/1", "restored", () => owner.Http.PostAsync("/api/clays/1/restore", null)),
            ("schedules/1", "deleted", () => owner.Http.DeleteAsync("/api/schedules/1")),
            ("schedules/1", "restored", () => owner.Http.PostAsync("/api/schedules/1/restore", null)),
            ($"firings/{firing}/entries/", "added", () => owner.Post(
                    $"/api/firings/{firing}/entries",
                    new
                    {
                        key = "a1",
                        kind = "note",
                        text = "a word",
                    }
                )),
            ("kilns/1/maintenance/", "added", () => owner.Post("/api/kilns/1/maintenance", new { kind = "shelves" })),
            ("people/", "added", () => owner.Post(
                    "/api/people",
                    new
                    {
                        name = "Ines",
                        role = "maker",
                        password = Visitor.Password,
                    }
                )),
        };
        foreach (var (subject, what, make) in changes)
        {
            var before = await Rows();
            var answer = await make();
            answer.IsSuccessStatusCode.ShouldBeTrue($"{subject} {what}: {await answer.Content.ReadAsStringAsync()}");
            (await Rows()).ShouldBe(before + 1, $"{subject} {what}");
            var row = await Last();
            row["subject"]!.GetValue<string>().ShouldStartWith(subject);
            row["what"]!.GetValue<string>().ShouldBe(what);
            row["who"]!["name"]!.GetValue<string>().ShouldBe("Maja");
        }
        var first = (await owner.Get("/api/audit?words=kilns/1"))["items"]!.AsArray().Last(r => r!["subject"]!.GetValue<string>() == "kilns/1")!;
        first["after"]!.ToJsonString().ShouldBe("""{"notes":"The lid sticks."}""");
        (await owner.Get("/api/audit/check"))["unbroken"]!.GetValue<bool>().ShouldBeTrue();
    }

    [Fact]
    public async Task Who_is_signed_in_is_who_it_says_and_of_a_long_firing_only_what_changed()
    {
        await owner.Add("Kofi", "firer");
        using var kofi = await studio.SignedIn("Kofi");
        var firing = (await kofi.Get("/api/firings"))[0]!;
        var lots = firing["firing"]!["lots"]!.DeepClone().AsArray();
        lots[0]!["count"] = 31;
        await (await kofi.Put($"/api/firings/{firing["id"]}", firing["firing"]!.With("lots", lots), $"\"{firing["version"]}\"")).Read();
        var row = await Last();
        row["who"]!["name"]!.GetValue<string>().ShouldBe("Kofi");
        row["subject"]!.GetValue<string>().ShouldBe($"firings/{firing["id"]}");
        row["after"]!.ToJsonString().ShouldContain("31");
        row["after"]!.ToJsonString().Length.ShouldBeLessThan(100);
    }

    [Theory]
    [InlineData("UPDATE audit SET What = 'nothing'")]
    [InlineData("DELETE FROM audit")]
    [InlineData("INSERT OR REPLACE INTO audit SELECT N, At, PersonId, DeviceId, 'nothing', Subject, Details, Hash FROM audit")]
    [InlineData("UPDATE audit_details SET \"After\" = '{}'")]
    [InlineData("DELETE FROM audit_details")]
    [InlineData("INSERT OR REPLACE INTO audit_details SELECT N, Salt, NULL, '{}' FROM audit_details")]
    public void The_file_itself_refuses_to_change_it(string sql) => Should.Throw<SqliteException>(() => Sql(sql)).Message.ShouldContain("not changed");

    [Theory]
    [InlineData("audit", "What = What || ' '")]
    [InlineData("audit", "At = At + 1")]
    [InlineData("audit", "PersonId = 77")]
    [InlineData("audit", "Subject = 'kilns/9'")]
    [InlineData("audit", "Hash = randomblob(32)")]
    [InlineData("audit_details", "\"After\" = '{\"name\":\"Nobody\"}'")]
    [InlineData("audit_details", "Salt = randomblob(16)")]
    [InlineData("audit_details", "\"Before\" = NULL, \"After\" = NULL")]
    public async Task A_changed_byte_is_found(string table, string change)
    {
        await owner.Add("Ines", "maker");
        var n = await Rows();
        var subject = (await Last())["subject"]!.GetValue<string>();
        subject.ShouldStartWith("people/");
        // Whoever has the file can take the guards off; the chain is what is left.
        Sql(
            string.Concat(
                new[]
                {
                    "audit_no_update",
                    "audit_no_delete",
                    "audit_no_replace",
                    "audit_details_no_update",
                    "audit_details_no_delete",
                    "audit_details_no_replace",
                }.Select(t => $"DROP TRIGGER {t};")
            ) + $"UPDATE {table} SET {change} WHERE N = {n}"
        );
        await owner.Post("/api/people", new { name = "Jo", role = "maker" });
        var found = await owner.Get("/api/audit/check");
        found["unbroken"]!.GetValue<bool>().ShouldBeFalse();
        found["firstBroken"]!.GetValue<int>().ShouldBe(n);
    }

    [Fact]
    public async Task Erased_she_is_in_no_file_and_the_chain_holds()
    {
        const string Name = "Quintessa Zoë";
        var id = await owner.Add(Name, "firer", 1);
        using var she = await studio.SignedIn(Name);
        var firing = (await she.Get("/api/firings"))[0]!;
        var lots = firing["firing"]!["lots"]!.DeepClone().AsArray();
        lots[0]!["whose"] = Name;
        await (await she.Put($"/api/firings/{firing["id"]}", firing["firing"]!.With("lots", lots), $"\"{firing["version"]}\"")).Read();
        await (
            await she.Post(
                $"/api/firings/{firing["id"]}/entries",
                new
                {
                    key = "z",
                    kind = "note",
                    text = $"{Name} packed it",
                }
            )
        ).Read(201);
        var own = (await she.Http.Create(Wire.Wire.GlazeFiring().With("notes", $"By {Name}.").AsObject()))["id"]!.GetValue<int>();
        await (await she.Post("/api/kilns/1/maintenance", new { kind = "shelves", note = "swept" })).Read(201);

        var export = JsonNode.Parse(await (await she.Http.GetAsync($"/api/people/{id}/export")).Content.ReadAsStringAsync())!;
        export["person"]!["name"]!.GetValue<string>().ShouldBe(Name);
        export["schedules"]![0]!["id"]!.GetValue<int>().ShouldBe(own);
        export["entries"]!.AsArray().Count.ShouldBe(1);
        export["lots"]!.AsArray().Count.ShouldBe(1);
        export["changes"]!.AsArray().Count.ShouldBeGreaterThan(4);
        export.ToJsonString().ShouldNotContain("hash", Case.Insensitive);
        using (var other = await Somebody("Ines"))
            (await other.Http.GetAsync($"/api/people/{id}/export")).StatusCode.ShouldBe(HttpStatusCode.NotFound);

        (await owner.Http.PostAsync($"/api/people/{id}/erase", null)).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        foreach (var file in Directory.EnumerateFiles(studio.Folder, "*", SearchOption.AllDirectories))
            Bytes.Of(file).IndexOf("Quintessa").ShouldBeLessThan(0, file);
        (await owner.Get("/api/audit/check"))["unbroken"]!.GetValue<bool>().ShouldBeTrue();
        var former = "former member 1";
        (await owner.Get($"/api/firings/{firing["id"]}"))["firing"]!["lots"]![0]!["whose"]!.GetValue<string>().ShouldBe(former);
        var entry = (await owner.Get($"/api/firings/{firing["id"]}/entries")).AsArray()[^1]!;
        entry["by"]!.GetValue<string>().ShouldBe(former);
        entry["text"]!.GetValue<string>().ShouldBe($"{former} packed it");
        (await owner.Get($"/api/schedules/{own}"))["notes"]!.GetValue<string>().ShouldBe($"By {former}.");
        (await owner.Get("/api/audit"))["items"]!.AsArray().ShouldContain(r => r!["who"] != null && r["who"]!["name"]!.GetValue<string>() == former);
        (await owner.Get("/api/people")).AsArray().ShouldNotContain(p => p!["id"]!.GetValue<int>() == id);
        (await owner.Http.GetAsync($"/api/people/{id}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        // Her name is free for somebody else.
        await owner.Add(Name, "maker");
    }

    [Fact]
    public async Task Names_from_before_there_were_accounts_are_somebodys_once_an_owner_says_so()
    {
        // The demo's people typed their names; nobody of them has an account.
        var names = (await owner.Get("/api/people/old-names")).AsArray();
        names.Count.ShouldBeGreaterThan(1);
        var (old, times) = (names[0]!["name"]!.GetValue<string>(), names[0]!["times"]!.GetValue<int>());
        var id = await owner.Add("Nell", "firer");
        await (await owner.Post($"/api/people/{id}/old-names", new { name = "" })).Problem("name");
        (await owner.Post("/api/people/9999/old-names", new { name = old })).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await owner.Post($"/api/people/{id}/old-names", new { name = old })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await owner.Get("/api/people/old-names")).AsArray().ShouldNotContain(n => n!["name"]!.GetValue<string>() == old);
        // Theirs now, in as many places.
        using var nell = await studio.SignedIn("Nell");
        var export = JsonNode.Parse(await (await nell.Http.GetAsync($"/api/people/{id}/export")).Content.ReadAsStringAsync())!;
        var found =
            export["entries"]!.AsArray().Count + export["lots"]!.AsArray().Count + export["maintenance"]!.AsArray().Count + export["practice"]!.AsArray().Count;
        found.ShouldBeInRange(1, times);
        (await owner.Get("/api/audit?words=old name"))["total"]!.GetValue<int>().ShouldBe(1);
        (await owner.Get("/api/audit/check"))["unbroken"]!.GetValue<bool>().ShouldBeTrue();
    }

    private async Task<Visitor> Somebody(string name)
    {
        await owner.Add(name, "maker");
        return await studio.SignedIn(name);
    }

    [Fact]
    public async Task Neither_password_nor_pin_is_in_any_file_nor_in_the_audit()
    {
        var id = await owner.Add("Ines", "maker");
        await owner.Put($"/api/people/{id}/pin", new { pin = "739154" });
        foreach (var file in Directory.EnumerateFiles(studio.Folder, "*", SearchOption.AllDirectories))
        {
            Bytes.Of(file).IndexOf(Visitor.Password).ShouldBeLessThan(0, file);
            Bytes.Of(file).IndexOf("739154").ShouldBeLessThan(0, file);
            if (!OperatingSystem.IsWindows())
                (File.GetUnixFileMode(file) & (UnixFileMode.GroupRead | UnixFileMode.OtherRead)).ShouldBe(UnixFileMode.None, file);
        }
        var text = await owner.Http.GetStringAsync("/api/audit/file?as=json");
        text.ShouldContain("changed the PIN of");
        text.ShouldNotContain("Hash", Case.Insensitive);
    }

    [Fact]
    public async Task It_is_filtered_told_in_parts_and_taken_away_as_a_file()
    {
        var id = await owner.Add("=1+1", "maker");
        using var other = await studio.SignedIn("=1+1");
        var all = await Rows();
        (await owner.Get($"/api/audit?personId={id}"))["total"]!.GetValue<int>().ShouldBe(1);
        (await owner.Get("/api/audit?from=2100-01-01T00:00:00Z"))["total"]!.GetValue<int>().ShouldBe(0);
        (await owner.Get("/api/audit?page=2"))["items"]!.AsArray().Count.ShouldBe(Math.Max(0, all - 50));
        await (await owner.Http.GetAsync("/api/audit?from=yesterday")).Problem("from");
        await (await owner.Http.GetAsync("/api/audit?page=0")).Problem("page");
        await (await owner.Http.GetAsync("/api/audit/file?as=xls")).Problem("as");
        var csv = await owner.Http.GetStringAsync("/api/audit/file?as=csv");
        csv.Split('\n').Length.ShouldBe(all + 2);
        csv.ShouldContain("'=1+1");
        JsonNode.Parse(await owner.Http.GetStringAsync("/api/audit/file?as=json"))!.AsArray().Count.ShouldBe(all);
    }
}
