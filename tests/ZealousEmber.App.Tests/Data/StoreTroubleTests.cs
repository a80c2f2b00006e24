using System.Data.Common;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.TestHost;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Data;

/// <summary>A studio whose disk can be made full, and whose writers can be kept waiting.</summary>
public sealed class TroubledStudio : RunningStudio
{
    public FullDisk Disk { get; } = new();

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        base.ConfigureWebHost(builder);
        builder.ConfigureTestServices(services => services.AddSingleton<IInterceptor>(Disk).AddSingleton(new WriteQueue(TimeSpan.FromMilliseconds(300))));
    }
}

/// <summary>Gives every connection no page more than the file has, while it is full.</summary>
public sealed class FullDisk : DbConnectionInterceptor
{
    public bool IsFull { get; set; }

    public override async Task ConnectionOpenedAsync(DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = IsFull ? "PRAGMA max_page_count = 1" : "PRAGMA max_page_count = 1073741823";
        await command.ExecuteScalarAsync(cancellationToken);
    }
}

public sealed class StoreTroubleTests(TroubledStudio studio) : IClassFixture<TroubledStudio>
{
    private async Task<string> Health() => (await (await studio.Http.GetAsync("/api/health")).Read())["status"]!.GetValue<string>();

    private static JsonObject Long(string name) => Wire.Wire.GlazeFiring().With("name", name).With("notes", string.Concat(Enumerable.Repeat("wet ", 490)));

    private async Task Execute(string sql)
    {
        await using var scope = studio.Services.CreateAsyncScope();
        await scope
            .ServiceProvider.GetRequiredService<StudioContext>()
            .Database.ExecuteSqlRawAsync(sql.Replace("{", "{{", StringComparison.Ordinal).Replace("}", "}}", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_full_disk_is_said_and_recovered_from()
    {
        (await Health()).ShouldBe("ok");
        studio.Disk.IsFull = true;
        HttpResponseMessage? refused = null;
        for (var i = 0; i < 50 && refused is null; i++)
        {
            var response = await studio.Http.PostAsJsonAsync("/api/schedules", Long($"full {i}"));
            if ((int)response.StatusCode != 201)
                refused = response;
        }
        var problem = await refused.ShouldNotBeNull("the disk is full at some time").Read(507);
        problem["detail"]!.GetValue<string>().ShouldContain("disk is full");
        (await Health()).ShouldBe("degraded");
        (await (await studio.Http.GetAsync("/api/schedules")).Read()).AsArray().Count.ShouldBeGreaterThan(0, "reading goes on");
        studio.Disk.IsFull = false;
        await studio.Http.Create(Long("room again"));
        (await Health()).ShouldBe("ok");
    }

    [Fact]
    public async Task A_writer_that_waits_too_long_is_told_when_to_come_back_and_nothing_else_waits()
    {
        using (await studio.Services.GetRequiredService<WriteQueue>().Enter(default))
        {
            var writers = Enumerable.Range(0, 60).Select(_ => studio.Http.PostAsJsonAsync("/api/schedules", Wire.Wire.GlazeFiring())).ToList();
            (await Health()).ShouldBe("ok");
            (await studio.Http.GetAsync("/api/schedules")).IsSuccessStatusCode.ShouldBeTrue();
            foreach (var response in await Task.WhenAll(writers))
            {
                ((int)response.StatusCode).ShouldBe(503);
                response.Headers.RetryAfter.ShouldNotBeNull();
            }
        }
        await studio.Http.Create();
    }

    [Theory]
    [InlineData("schedules", "Segments", "[{")]
    [InlineData("controllers", "Profile", "{")]
    [InlineData("kilns", "Numbers", "not json")]
    [InlineData("clays", "Kind", "fudge")]
    [InlineData("glazes", "ConeFrom", "ninety")]
    [InlineData("firings", "Lots", "{}")]
    public async Task A_row_that_cannot_be_read_is_shown_as_such_and_takes_nothing_down(string table, string column, string value)
    {
        var before = (await (await studio.Http.GetAsync($"/api/{table}")).Read()).AsArray();
        var id = before[0]!["id"]!.GetValue<int>();
        await Execute($"CREATE TABLE undo_{table} AS SELECT Id, {column} AS Was FROM {table}; UPDATE {table} SET {column} = '{value}' WHERE Id = {id}");
        try
        {
            var unreadable = (await (await studio.Http.GetAsync("/api/unreadable")).Read())
                .AsArray()
                .Where(r => r!["table"]!.GetValue<string>() == table)
                .ShouldHaveSingleItem()!;
            unreadable["id"]!.GetValue<int>().ShouldBe(id);
            (await (await studio.Http.GetAsync($"/api/{table}")).Read()).AsArray().Count.ShouldBe(before.Count - 1, "the others are there");
            (await (await studio.Http.GetAsync($"/api/{table}/{id}")).Read(409))["raw"]!.GetValue<string>().ShouldBe(unreadable["raw"]!.GetValue<string>());
            var raw = await studio.Http.GetAsync(unreadable["raw"]!.GetValue<string>());
            (await raw.Read())["Id"]!.GetValue<int>().ShouldBe(id);
            (await studio.Http.GetAsync("/api/studio/export")).IsSuccessStatusCode.ShouldBeTrue();
        }
        finally
        {
            await Execute($"UPDATE {table} SET {column} = (SELECT Was FROM undo_{table} WHERE undo_{table}.Id = {table}.Id) WHERE Id = {id}");
        }
        (await (await studio.Http.GetAsync($"/api/{table}")).Read()).AsArray().Count.ShouldBe(before.Count);
    }

    [Fact]
    public async Task What_durability_rests_on_is_set_for_every_connection()
    {
        await using var scope = studio.Services.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<StudioContext>().Database;
        Task<string> Pragma(string name)
        {
            var sql = "SELECT CAST(* AS TEXT) AS Value FROM pragma_*".Replace("*", name, StringComparison.Ordinal);
            return database.SqlQueryRaw<string>(sql).SingleAsync();
        }
        (await Pragma("journal_mode")).ShouldBe("wal");
        (await Pragma("synchronous")).ShouldBe("2", "FULL");
        (await Pragma("foreign_keys")).ShouldBe("1");
    }

    [Fact]
    public async Task Nobody_but_the_asked_for_tables_comes_out_raw()
    {
        await (await studio.Http.GetAsync("/api/unreadable/sqlite_master/1")).Read(404);
        await (await studio.Http.GetAsync("/api/unreadable/kilns/99999")).Read(404);
    }
}
