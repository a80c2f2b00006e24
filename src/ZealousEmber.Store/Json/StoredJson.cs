using System.Text.Json;
using System.Text.Json.Serialization;

namespace ZealousEmber.Store.Json;

/// <summary>
/// What is stored as JSON: storage types of their own, enums as text, and the number of the schema they were written by, as
/// <c>{"schema":1,"data":…}</c>. Before there were numbers the data stood alone and enums were numbers or text; that is schema 0 and read like the rest.
/// </summary>
internal static class StoredJson
{
    /// <summary>The schema everything is written in.</summary>
    public const int Schema = 1;

    private static readonly JsonSerializerOptions Options = new()
    {
        // Numbers are read for what schema 0 wrote; text is what is written.
        Converters = { new JsonStringEnumConverter(allowIntegerValues: true) },
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>Data as text, with its schema.</summary>
    public static string Write<T>(T data) => JsonSerializer.Serialize(new Envelope<T>(Schema, data), Options);

    /// <summary>Data from text; throws <see cref="JsonException"/> for text that is none, or of a schema this program does not know.</summary>
    public static T Read<T>(string text)
    {
        using var document = JsonDocument.Parse(text);
        var (schema, data) =
            document.RootElement is { ValueKind: JsonValueKind.Object } root && root.TryGetProperty("schema", out var number)
                ? (number.GetInt32(), root.GetProperty("data"))
                : (0, document.RootElement);
        if (schema > Schema)
            throw new JsonException($"This was written by a newer version of the program (schema {schema}).");
        return data.Deserialize<T>(Options) ?? throw new JsonException("There is nothing here.");
    }

    private sealed record Envelope<T>([property: JsonPropertyName("schema")] int Schema, [property: JsonPropertyName("data")] T Data);
}
