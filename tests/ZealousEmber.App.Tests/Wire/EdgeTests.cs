using System.Collections.Concurrent;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Every field of every request taken to the edges of what any limit allows, and beyond: each is answered, none with a 500.</summary>
public sealed partial class EdgeTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    // The edges of temperatures, rates, times, counts, sizes, shares and what a number itself can be.
    private static readonly double[] Numbers =
    [
        double.MinValue,
        -1e9,
        -459.67,
        -459.68,
        -273.15,
        -273.16,
        -1,
        -1e-9,
        0,
        1e-300,
        0.5,
        1,
        12,
        20,
        26,
        27,
        64,
        65,
        100,
        121,
        573,
        1000,
        1222,
        1400,
        1401,
        2000,
        2001,
        2552,
        5940,
        5941,
        10_000,
        100_000,
        1e6,
        1e9,
        int.MaxValue,
        2147483648,
        double.MaxValue,
    ];

    private static readonly string[] Texts =
    [
        "",
        " ",
        "0",
        "-1",
        "022",
        "042",
        "10",
        "14",
        "15",
        "-273.16",
        "NaN",
        "é",
        "\u0000",
        "a\nb",
        "🏺",
        "2026-11-24T17:30:00Z",
        "9999-12-31T23:59:59+14:00",
        "24:00",
        "Europe/Nowhere",
        "bone-dry",
        "glaze",
        "F",
        .. new[] { 9, 41, 61, 81, 121, 2001, 20_000 }.Select(n => new string('x', n)),
        .. new[] { 60, 120, 2000 }.Select(n => string.Concat(Enumerable.Repeat("🏺", n))),
    ];

    [Theory]
    [MemberData(nameof(FuzzTests.Requests), MemberType = typeof(FuzzTests))]
    public async Task No_edge_of_any_field_gets_a_500(string address, string good)
    {
        var path = await FuzzTests.Addressed(studio, address);
        var failures = new ConcurrentBag<string>();
        // What plans and runs a kiln takes a hundred times as long as what only reads: there every other value, another half of them in every field.
        bool Is(string start) => path.StartsWith(start, StringComparison.Ordinal);
        var every =
            Is("/api/packing/choices") ? 12
            : Is("/api/live") ? 6
            : Is("/api/controllers/fit") ? 5
            : Is("/api/packing") || Is("/api/learning") || Is("PUT /api/firings") || Is("/api/compare") ? 3
            : Is("/api/plan") || Is("/api/starts") ? 2
            : 1;
        await Parallel.ForEachAsync(
            Variations(good).Where((_, i) => i % every == 0),
            new ParallelOptions { MaxDegreeOfParallelism = 4 },
            async (body, cancel) =>
            {
                using var response = await FuzzTests.Send(studio, path, body);
                var status = (int)response.StatusCode;
                if (status is 200 or 201)
                    return;
                var problem = await response.Content.ReadAsStringAsync(cancel);
                // 412: several save over one another here.
                if (
                    status is not (400 or 412 or 422)
                    || response.Content.Headers.ContentType?.MediaType != "application/problem+json"
                    || problem.Contains("Exception", StringComparison.Ordinal)
                )
                    failures.Add($"{status} {problem} for {(body.Length > 600 ? body[..600] : body)}");
            }
        );
        failures.ShouldBeEmpty();
    }

    /// <summary>One field of the request at a time, with everything of its kind in its place; of a list's entries, the first that has the field.</summary>
    private static IEnumerable<string> Variations(string good)
    {
        var fields = Leaves(JsonNode.Parse(good))
            .Select((leaf, i) => (Name: ListIndex().Replace(leaf.GetPath(), "[]"), i))
            .DistinctBy(f => f.Name)
            .Select(f => f.i);
        foreach (var i in fields)
        {
            var leaf = Leaves(JsonNode.Parse(good)).ElementAt(i);
            var isNumber = leaf.GetValueKind() == System.Text.Json.JsonValueKind.Number;
            foreach (
                var value in isNumber ? Numbers.Select(n => JsonValue.Create(n)!)
                : leaf.GetValueKind() == System.Text.Json.JsonValueKind.String ? Texts.Select(t => JsonValue.Create(t)!)
                : []
            )
            {
                var request = JsonNode.Parse(good)!;
                Leaves(request).ElementAt(i).ReplaceWith(value);
                yield return request.ToJsonString();
            }
        }
    }

    [GeneratedRegex(@"\[\d+\]")]
    private static partial Regex ListIndex();

    private static IEnumerable<JsonNode> Leaves(JsonNode? node) =>
        node switch
        {
            JsonObject o => o.SelectMany(member => Leaves(member.Value)),
            JsonArray a => a.SelectMany(Leaves),
            JsonValue v => [v],
            _ => [],
        };
}
