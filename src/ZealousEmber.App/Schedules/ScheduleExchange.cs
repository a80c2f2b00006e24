using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Files;
using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.App.Schedules;

/// <summary>Schedules out of the program and into it, in open formats.</summary>
internal static class ScheduleExchange
{
    private const int MostAtOnce = 500;

    public static void MapExchange(this WebApplication app)
    {
        var api = app.MapGroup("/api/schedules").Needs(Right.See).WithTags("Exchange");
        api.MapGet("export", Export)
            .WithSummary("Schedules as a file: ?ids=1,2 (all when left out), ?format=json or csv")
            .Produces<ScheduleFile>()
            .ProducesValidationProblem(422);
        api.MapPost("import", Import)
            .Needs(Right.OwnSchedules)
            .WithSummary("Import a file, JSON or CSV; all of it or nothing")
            .Accepts<ScheduleFile>("application/json", "text/csv")
            .WithMetadata(new BodySize(BodyLimit.Import))
            .RequireRateLimiting(LargeBodies.Queue)
            .Produces<ImportResponse>(201)
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> Export(string? ids, string? format, ScheduleRepository repository, IOptions<JsonOptions> json, CancellationToken cancel)
    {
        var wanted = (ids ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (wanted.Any(w => !int.TryParse(w, out _)))
            return ProblemResponses.Of([new Problem("ids", "The numbers of the schedules, with commas between: ids=1,2.")]);
        var numbers = wanted.Select(w => int.Parse(w, System.Globalization.CultureInfo.InvariantCulture)).ToHashSet();
        var found = await repository.All(numbers, cancel);
        if (numbers.Except(found.Select(s => s.Id)).ToList() is [var missing, ..])
            return ProblemResponses.NotFound($"schedule {missing}");

        var name = found.Count == 1 ? FileName(found[0].Item.Name) : "schedules";
        var schedules = found.Select(s => ScheduleMapping.Write(s.Item)).ToList();
        return format?.ToLowerInvariant() switch
        {
            null or "" or "json" => Results.File(
                JsonSerializer.SerializeToUtf8Bytes(
                    new ScheduleFile(ScheduleFile.FormatName, 1, schedules),
                    new JsonSerializerOptions(json.Value.SerializerOptions) { WriteIndented = true }
                ),
                "application/json",
                $"{name}.json"
            ),
            "csv" => Results.File(ScheduleCsv.Write(schedules), "text/csv; charset=utf-8", $"{name}.csv"),
            _ => ProblemResponses.Of([new Problem("format", "A format is json or csv.")]),
        };
    }

    private static async Task<IResult> Import(HttpRequest request, ScheduleRepository repository, IOptions<JsonOptions> json, CancellationToken cancel)
    {
        var wire =
            request.ContentType?.StartsWith("text/csv", StringComparison.OrdinalIgnoreCase) == true
                ? await ReadCsv(request, cancel)
                : await ReadJson(request, json.Value.SerializerOptions, cancel);
        if (!wire.IsOk)
            return ProblemResponses.Of(wire.Problems);

        var problems = new List<Problem>();
        var schedules = new List<Schedule>();
        foreach (var (i, one) in wire.Value.Index())
        {
            var read = ScheduleMapping.Read(one);
            problems.AddRange(read.Problems.Select(p => p.Under($"schedules[{i}]")));
            if (read.IsOk)
                schedules.Add(read.Value);
        }
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        var added = await repository.Add(schedules, Versions.Stamp(request), cancel);
        return Results.Created("/api/schedules", new ImportResponse([.. added.Select(ScheduleEndpoints.Write)]));
    }

    private static async Task<Result<IReadOnlyList<ScheduleContract?>>> ReadCsv(HttpRequest request, CancellationToken cancel)
    {
        using var reader = new StreamReader(request.Body);
        return Count(ScheduleCsv.Read(await reader.ReadToEndAsync(cancel)));
    }

    private static async Task<Result<IReadOnlyList<ScheduleContract?>>> ReadJson(HttpRequest request, JsonSerializerOptions options, CancellationToken cancel)
    {
        ScheduleFile? file;
        try
        {
            file = await JsonSerializer.DeserializeAsync<ScheduleFile>(request.Body, options, cancel);
        }
        catch (JsonException error)
        {
            throw new BadHttpRequestException("unreadable", StatusCodes.Status400BadRequest, error);
        }
        if (file?.Format != ScheduleFile.FormatName)
            return new Problem("format", $"This file does not say that it holds schedules; expected \"format\": \"{ScheduleFile.FormatName}\".");
        if (file.Version != 1)
            return new Problem(
                "version",
                $"This file is of version {file.Version?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "none"}; this program reads version 1."
            );
        return Count(Result(file.Schedules ?? []));
    }

    private static Result<IReadOnlyList<ScheduleContract?>> Result(IReadOnlyList<ScheduleContract?> schedules) => new List<ScheduleContract?>(schedules);

    private static Result<IReadOnlyList<ScheduleContract?>> Count(Result<IReadOnlyList<ScheduleContract?>> read) =>
        !read.IsOk ? read
        : read.Value.Count == 0 ? new Problem("schedules", "There is no schedule in this file.")
        : read.Value.Count > MostAtOnce ? new Problem("schedules", $"At most {MostAtOnce} schedules can be imported at once; this file has {read.Value.Count}.")
        : read;

    private static string FileName(string name)
    {
        var plain = new string([.. name.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')]).Trim('-');
        while (plain.Contains("--", StringComparison.Ordinal))
            plain = plain.Replace("--", "-", StringComparison.Ordinal);
        return plain.Length > 0 ? plain : "schedule";
    }
}
