using System.Text.Json;
using System.Text.Json.Nodes;
using CsvHelper;
using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Files;
using ZealousEmber.App.Services.People;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Records;

namespace ZealousEmber.App.Audit;

/// <summary>What the addresses of the audit work with.</summary>
internal readonly record struct AuditStudio(AuditLog Audit, MeMapping Me);

/// <summary>Who changed what, and when.</summary>
internal static class AuditEndpoints
{
    private const int PageLength = 50;
    private const int MostPages = 1_000_000;

    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web)
    {
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static void MapAudit(this WebApplication app)
    {
        var api = app.MapGroup("/api/audit").WithTags("People").Needs(Right.Manage);
        api.MapGet("", Read)
            .WithSummary("Who changed what, the latest first: ?from=, ?to=, ?personId=, ?words=, ?page= from 1")
            .Produces<AuditPageContract>()
            .ProducesValidationProblem(422);
        api.MapGet("check", async ([AsParameters] AuditStudio studio, CancellationToken cancel) =>
                await studio.Audit.Check(cancel) is var found
                    ? Results.Ok(new AuditCheckContract(found.Rows, found.FirstBroken is null, found.FirstBroken))
                    : Results.Empty
            )
            .WithSummary("Whether every change is as it was written")
            .Produces<AuditCheckContract>();
        api.MapGet("file", Export).WithSummary("All of it as a file: ?as=csv or json").Produces(200, contentType: "text/csv").ProducesValidationProblem(422);
    }

    private static async Task<IResult> Read(
        string? from,
        string? to,
        int? personId,
        string? words,
        int? page,
        [AsParameters] AuditStudio studio,
        CancellationToken cancel
    )
    {
        var query = Query(from, to, personId, words);
        if (page is < 1 or > MostPages)
            return ProblemResponses.Of([.. query.Problems, new Problem("page", $"A page: 1 to {MostPages}.")]);
        if (!query.IsOk)
            return ProblemResponses.Of(query.Problems);
        var found = await studio.Audit.Read(query.Value, ((page ?? 1) - 1) * PageLength, PageLength, cancel);
        return Results.Ok(new AuditPageContract([.. found.Items.Select(r => Write(r, studio.Me))], found.Total));
    }

    private static async Task<IResult> Export(
        string? from,
        string? to,
        int? personId,
        string? words,
        string? @as,
        [AsParameters] AuditStudio studio,
        HttpResponse response,
        CancellationToken cancel
    )
    {
        var query = Query(from, to, personId, words);
        if (@as is not ("csv" or "json"))
            return ProblemResponses.Of([.. query.Problems, new Problem("as", "csv or json.")]);
        if (!query.IsOk)
            return ProblemResponses.Of(query.Problems);
        response.ContentType = @as == "csv" ? "text/csv; charset=utf-8" : "application/json";
        response.Headers.ContentDisposition = $"attachment; filename=\"audit.{@as}\"";
        await using var text = new StreamWriter(response.Body);
        if (@as == "csv")
        {
            await using var csv = new CsvWriter(text, CsvCells.Format);
            foreach (var heading in new[] { "n", "at", "who", "device", "what", "subject", "before", "after" })
                csv.WriteField(heading);
            await csv.NextRecordAsync();
            await foreach (var row in studio.Audit.All(query.Value, cancel))
            {
                csv.WriteField(row.N);
                csv.WriteField(row.At.ToString());
                csv.WriteField(CsvCells.Defused(studio.Me.Person(row.PersonId)?.Name));
                csv.WriteField(CsvCells.Defused(studio.Me.Device(row.DeviceId)?.Name));
                csv.WriteField(CsvCells.Defused(row.What));
                csv.WriteField(CsvCells.Defused(row.Subject));
                csv.WriteField(CsvCells.Defused(row.Before));
                csv.WriteField(CsvCells.Defused(row.After));
                await csv.NextRecordAsync();
            }
            return Results.Empty;
        }
        await text.WriteAsync("[");
        var isFirst = true;
        await foreach (var row in studio.Audit.All(query.Value, cancel))
        {
            await text.WriteAsync((isFirst ? "\n" : ",\n") + JsonSerializer.Serialize(Write(row, studio.Me), Plain));
            isFirst = false;
        }
        await text.WriteAsync("\n]\n");
        return Results.Empty;
    }

    private static Result<AuditQuery> Query(string? from, string? to, int? personId, string? words)
    {
        var problems = new List<Problem>();
        var query = new AuditQuery(Moment(from, "from", problems), Moment(to, "to", problems), personId, Text.OneLine(words));
        return problems.Count > 0 ? Result<AuditQuery>.Failed(problems) : query;
    }

    private static Instant? Moment(string? text, string field, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(text))
            return null;
        if (WireTime.Read(text) is { } at)
            return Instant.FromUnixTimeMilliseconds(at.ToUnixTimeMilliseconds());
        problems.Add(new Problem(field, WireTime.Expected));
        return null;
    }

    private static AuditContract Write(AuditRecord row, MeMapping me) =>
        new(row.N, row.At.ToDateTimeOffset(), me.Person(row.PersonId), me.Device(row.DeviceId), row.What, row.Subject, Parse(row.Before), Parse(row.After));

    private static JsonNode? Parse(string? text)
    {
        try
        {
            return text is null ? null : JsonNode.Parse(text);
        }
        catch (JsonException)
        {
            // Words somebody wrote over: the check finds them, and they are shown as they are.
            return JsonValue.Create(text);
        }
    }
}
