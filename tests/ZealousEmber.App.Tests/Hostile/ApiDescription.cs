using System.Text.Json.Nodes;

namespace ZealousEmber.App.Tests.Hostile;

/// <summary>An address of the API with what may be sent to it, as its own description has it.</summary>
/// <param name="Method">GET, POST and the like.</param>
/// <param name="Path">With its places in braces.</param>
/// <param name="Query">Names of what may stand after the question mark.</param>
/// <param name="Body">What a body looks like; nothing where there is none.</param>
internal sealed record ApiOperation(string Method, string Path, IReadOnlyList<string> Query, JsonNode? Body);

/// <summary>The API's own description, read so that a new address is called without a line being written for it.</summary>
internal sealed class ApiDescription(JsonNode document)
{
    private const int Deepest = 7;

    /// <summary>Every address.</summary>
    public IReadOnlyList<ApiOperation> Operations { get; } =
    [
        .. document["paths"]!
            .AsObject()
            .SelectMany(path =>
                path.Value!.AsObject()
                    .Where(o => o.Key is "get" or "post" or "put" or "delete" or "patch")
                    .Select(o => new ApiOperation(
                        o.Key.ToUpperInvariant(),
                        path.Key,
                        [
                            .. (o.Value!["parameters"]?.AsArray() ?? [])
                                .Where(p => p!["in"]?.GetValue<string>() == "query")
                                .Select(p => p!["name"]!.GetValue<string>()),
                        ],
                        o.Value["requestBody"]?["content"]?["application/json"]?["schema"]?.DeepClone()
                    ))
            ),
    ];

    /// <summary>A body of some shape: mostly what it could be, here and there what it could not.</summary>
    public JsonNode? Make(JsonNode? schema, string name, HostileValues values, int depth = 0)
    {
        if (schema is null || depth > Deepest)
            return null;
        if (schema["$ref"]?.GetValue<string>() is { } reference)
            return Make(document["components"]!["schemas"]![reference[(reference.LastIndexOf('/') + 1)..]], name, values, depth);
        if ((schema["oneOf"] ?? schema["anyOf"])?.AsArray() is { Count: > 0 } any)
            return Make(any[values.Next(any.Count)], name, values, depth);
        if (values.IsOdd)
            return values.Odd();
        if (schema["enum"]?.AsArray() is { Count: > 0 } words)
            return words[values.Next(words.Count)]?.DeepClone();
        var type = schema["type"] is JsonArray types
            ? types.Select(t => t!.GetValue<string>()).FirstOrDefault(t => t != "null") ?? "null"
            : schema["type"]?.GetValue<string>();
        switch (type)
        {
            case "object" when schema["properties"] is JsonObject properties:
                var made = new JsonObject();
                foreach (var (key, inner) in properties)
                {
                    if (!values.IsLeftOut)
                        made[key] = Make(inner, key, values, depth + 1);
                }
                return made;
            case "object":
                var map = new JsonObject();
                for (var i = values.Next(3); i > 0; i--)
                    map[values.Text("key")] = Make(schema["additionalProperties"] as JsonObject, name, values, depth + 1);
                return map;
            case "array":
                return new JsonArray([.. Enumerable.Range(0, values.Next(depth < 3 ? 5 : 3)).Select(_ => Make(schema["items"], name, values, depth + 1))]);
            case "integer":
                return values.Whole(name);
            case "number":
                return values.Number();
            case "boolean":
                return values.Next(2) == 0;
            default:
                return values.Text(name);
        }
    }
}
