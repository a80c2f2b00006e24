using System.Net.Http.Json;
using System.Text.Json.Nodes;
using NJsonSchema;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

public sealed class ExchangeTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private readonly HttpClient http = studio.Http;

    private async Task<int> Count() => (await (await http.GetAsync("/api/schedules")).Read()).AsArray().Count;

    [Fact]
    public async Task An_export_follows_its_published_schema()
    {
        var schema = await JsonSchema.FromFileAsync(Repository.File("docs/schedules.schema.json"));
        var response = await http.GetAsync("/api/schedules/export");
        response.Content.Headers.ContentDisposition!.FileName.ShouldBe("schedules.json");
        schema.Validate(await response.Content.ReadAsStringAsync()).ShouldBeEmpty();
        schema.Validate("""{"format":"zealous-ember-schedules","version":1,"schedules":[{"name":"x"}]}""").ShouldNotBeEmpty();
    }

    [Theory]
    [InlineData("json", "application/json")]
    [InlineData("csv", "text/csv")]
    public async Task What_goes_out_comes_in_the_same(string format, string type)
    {
        var odd = Wire.Schedule(Wire.Step(86.66666666666667, 150.125, 12.5), Wire.Step(null, 10, pace: "natural"))
            .With("name", "=SUM(A1), \"quoted\"; ü")
            .With("notes", "a\nb,c")
            .With("tags", new JsonArray("x", "y z"))
            .With("goalCone", "04");
        odd["segments"]![0]!["reason"] = "-because";
        odd["segments"]![0]!["atmosphere"] = "light-reduction";
        var id = (await http.Create(odd))["id"]!.GetValue<int>();

        var exported = await (await http.GetAsync($"/api/schedules/export?ids={id}&format={format}")).Content.ReadAsStringAsync();
        var imported = (await (await http.PostText("/api/schedules/import", exported, type)).Read(201))["imported"]!.AsArray().ShouldHaveSingleItem()!;

        var original = await (await http.GetAsync($"/api/schedules/{id}")).Read();
        foreach (var member in new[] { "name", "kind", "unit", "notes", "tags", "segments", "goalCone" })
            JsonNode.DeepEquals(imported[member], original[member]).ShouldBeTrue($"{member}: {imported[member]} is not {original[member]}");
    }

    [Fact]
    public async Task The_whole_library_survives_the_journey_through_a_spreadsheet()
    {
        var before = await (await http.GetAsync("/api/schedules")).Read();
        var csv = await (await http.GetAsync("/api/schedules/export?format=csv")).Content.ReadAsStringAsync();
        var imported = (await (await http.PostText("/api/schedules/import", csv, "text/csv")).Read(201))["imported"]!.AsArray();
        imported.Select(s => s!["name"]!.GetValue<string>()).ShouldBe(before.AsArray().Select(s => s!["name"]!.GetValue<string>()));
    }

    [Fact]
    public async Task A_spreadsheet_runs_nothing_from_a_name()
    {
        var id = (await http.Create(Wire.GlazeFiring().With("name", "=cmd()")))["id"];
        (await http.GetStringAsync($"/api/schedules/export?ids={id}&format=csv")).ShouldContain("\n'=cmd(),");
    }

    [Fact]
    public async Task A_small_hand_made_csv_is_enough()
    {
        const string csv = "Schedule;Kind;Unit;Target;Rate;Hold_minutes\nMine;bisque;C;600;100;0\nMine;;;1000;130;10\n";
        var imported = (await (await http.PostText("/api/schedules/import", csv, "text/csv")).Read(201))["imported"]![0]!;
        imported["segments"]!.AsArray().Count.ShouldBe(2);
        imported["segments"]![1]!.Number("holdMinutes").ShouldBe(10);
    }

    [Theory]
    [InlineData("{}", "application/json", "format", 422)]
    [InlineData("""{"format":"zealous-ember-schedules","version":2,"schedules":[]}""", "application/json", "version", 422)]
    [InlineData("""{"format":"zealous-ember-schedules","version":1,"schedules":[]}""", "application/json", "schedules", 422)]
    [InlineData(
        """{"format":"zealous-ember-schedules","version":1,"schedules":[{"name":"a","kind":"glaze","unit":"C","segments":[{"pace":"rate","rate":0,"target":5}]}]}""",
        "application/json",
        "schedules[0].segments[0].rate",
        422
    )]
    [InlineData("""{"format":"zealous-ember-schedules","version":1,"schedules":[{"name":7}]}""", "application/json", "schedules[0].name", 400)]
    [InlineData("", "text/csv", "schedules", 422)]
    [InlineData("name,steps\na,b\n", "text/csv", "schedules", 422)]
    [InlineData("schedule,kind,unit,rate,target\nMine,glaze,C,fast,900\n", "text/csv", "row 2, rate", 422)]
    [InlineData("schedule,kind,unit,rate,target\nMine,glaze,C,100,9000\n", "text/csv", "schedules[0].segments[0].target", 422)]
    public async Task A_wrong_file_is_told_where_and_nothing_is_taken_in(string body, string type, string field, int status)
    {
        var before = await Count();
        (await (await http.PostText("/api/schedules/import", body, type)).Problem(field, status)).ShouldNotBeNullOrWhiteSpace();
        (await Count()).ShouldBe(before);
    }

    [Fact]
    public async Task One_wrong_schedule_keeps_the_good_ones_out_too()
    {
        var before = await Count();
        var file = new JsonObject
        {
            ["format"] = "zealous-ember-schedules",
            ["version"] = 1,
            ["schedules"] = new JsonArray(Wire.GlazeFiring(), Wire.Schedule()),
        };
        await (await http.PostAsJsonAsync("/api/schedules/import", file)).Problem("schedules[1].segments");
        (await Count()).ShouldBe(before);
    }

    [Fact]
    public async Task Asking_for_what_is_not_there_is_told()
    {
        await (await http.GetAsync("/api/schedules/export?ids=123456")).Read(404);
        (await (await http.GetAsync("/api/schedules/export?ids=a")).Problem("ids")).ShouldContain("1,2");
        (await (await http.GetAsync("/api/schedules/export?format=xml")).Problem("format")).ShouldContain("json or csv");
    }
}
