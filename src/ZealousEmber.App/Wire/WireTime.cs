using System.Text.Json;
using System.Text.Json.Serialization;
using NodaTime;
using NodaTime.Text;
using ZealousEmber.Core;

namespace ZealousEmber.App.Wire;

/// <summary>Moments on the wire: a date and time with its offset. Without one nobody knows when it was: in autumn an hour comes twice.</summary>
internal static class WireTime
{
    /// <summary>What to say of text that is no moment.</summary>
    public const string Expected = "A moment is a date and time with its offset, like 2026-11-24T17:30:00+00:00.";

    /// <summary>A moment within the years anything is fired in; nothing, and a problem, for one outside them.</summary>
    public static OffsetDateTime? Check(OffsetDateTime? given, string field, List<Problem> problems)
    {
        // The longest possible firing lasts a century; further out the calendar itself ends.
        if (given is null or { Year: >= 1900 and <= 2400 })
            return given;
        problems.Add(new Problem(field, "A moment lies between the years 1900 and 2400."));
        return null;
    }

    /// <summary>The moment of a text; nothing where it is none, or says no offset.</summary>
    public static DateTimeOffset? Read(string? text) =>
        text is not null && OffsetDateTimePattern.ExtendedIso.Parse(text) is { Success: true, Value: { Year: >= 1 and <= 9998 } at }
            ? at.ToDateTimeOffset()
            : null;
}

/// <summary>Moments of contracts, in and out.</summary>
internal sealed class MomentConverter : JsonConverter<DateTimeOffset>
{
    public override DateTimeOffset Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        reader.TokenType == JsonTokenType.String && WireTime.Read(reader.GetString()) is { } at
            ? at
            : throw new JsonException("This is no NodaTime.OffsetDateTime.");

    public override void Write(Utf8JsonWriter writer, DateTimeOffset value, JsonSerializerOptions options) => writer.WriteStringValue(value);
}

/// <summary>Text as it is, and anything else as it is written: one wrong value of a list is told by itself, and does not take the others with it.</summary>
internal sealed class AnyText : JsonConverter<string?>
{
    public override string? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType is JsonTokenType.String)
            return reader.GetString();
        using var value = JsonDocument.ParseValue(ref reader);
        return value.RootElement.GetRawText();
    }

    public override void Write(Utf8JsonWriter writer, string? value, JsonSerializerOptions options) => writer.WriteStringValue(value);
}
