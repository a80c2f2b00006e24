using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace ZealousEmber.App.Contracts;

/// <summary>The name of a shelf: a word, or its number from the bottom; either is one on the wire.</summary>
[JsonConverter(typeof(ShelfNameConverter))]
public sealed record ShelfName(string Text)
{
    private const int HighestShelf = 99;

    private sealed class ShelfNameConverter : JsonConverter<ShelfName>
    {
        public override ShelfName? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.TokenType switch
            {
                JsonTokenType.String => new ShelfName(reader.GetString()!),
                JsonTokenType.Number when reader.TryGetInt32(out var number) && number is > 0 and <= HighestShelf => new ShelfName(
                    number.ToString(CultureInfo.InvariantCulture)
                ),
                JsonTokenType.Null => null,
                _ => throw new JsonException("A shelf is top, middle, bottom, or its number from the bottom, from 1."),
            };

        public override void Write(Utf8JsonWriter writer, ShelfName value, JsonSerializerOptions options)
        {
            if (int.TryParse(value.Text, NumberStyles.None, CultureInfo.InvariantCulture, out var number))
                writer.WriteNumberValue(number);
            else
                writer.WriteStringValue(value.Text);
        }
    }
}
