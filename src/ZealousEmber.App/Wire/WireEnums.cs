using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using NodaTime;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Wire;

/// <summary>Names of the core as words of the wire: <c>once-fired</c>, and the few that go by a shorter word of their own.</summary>
internal sealed class WireNaming : JsonNamingPolicy
{
    public static readonly WireNaming Policy = new();

    private static readonly Dictionary<string, string> Own = new()
    {
        [nameof(TemperatureUnit.Celsius)] = "C",
        [nameof(TemperatureUnit.Fahrenheit)] = "F",
        [nameof(LengthUnit.Millimetre)] = "mm",
        [nameof(LengthUnit.Inch)] = "in",
        [nameof(MassUnit.Kilogram)] = "kg",
        [nameof(MassUnit.Pound)] = "lb",
        [nameof(HoldClock.WaitsForTarget)] = "waits",
        [nameof(HoldClock.RunsByItself)] = "runs",
        [nameof(IsoDayOfWeek.Monday)] = "mon",
        [nameof(IsoDayOfWeek.Tuesday)] = "tue",
        [nameof(IsoDayOfWeek.Wednesday)] = "wed",
        [nameof(IsoDayOfWeek.Thursday)] = "thu",
        [nameof(IsoDayOfWeek.Friday)] = "fri",
        [nameof(IsoDayOfWeek.Saturday)] = "sat",
        [nameof(IsoDayOfWeek.Sunday)] = "sun",
    };

    public override string ConvertName(string name) => Own.GetValueOrDefault(name) ?? KebabCaseLower.ConvertName(name);
}

/// <summary>The serializer's own converter of enums, kept from reading a list of words or a number as one word.</summary>
internal sealed class WireEnumConverter : JsonConverterFactory
{
    private static readonly JsonStringEnumConverter Words = new(WireNaming.Policy, allowIntegerValues: false);

    public override bool CanConvert(Type type) => type.IsEnum;

    public override JsonConverter CreateConverter(Type type, JsonSerializerOptions options) =>
        (JsonConverter)
            Activator.CreateInstance(
                typeof(OneWord<>).MakeGenericType(type),
                BindingFlags.Instance | BindingFlags.Public,
                null,
                [Words.CreateConverter(type, options)],
                null
            )!;

    private sealed class OneWord<T>(JsonConverter inner) : JsonConverter<T>
        where T : struct, Enum
    {
        private readonly JsonConverter<T> inner = (JsonConverter<T>)inner;

        public override T Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options)
        {
            var word = reader.TokenType == JsonTokenType.String ? reader.GetString() : null;
            return word is not null && WireEnums.Knows<T>(word)
                ? inner.Read(ref reader, type, options)
                : throw new JsonException($"The JSON value could not be converted to {typeof(T)}.");
        }

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => inner.Write(writer, value, options);
    }
}

/// <summary>The words of the wire outside a JSON body, and what to say of one that nobody knows.</summary>
internal static partial class WireEnums
{
    /// <summary>Every word of an enum, in its order.</summary>
    public static IEnumerable<string> Words(Type type) =>
        Enum.GetNames(type).Where(n => n != nameof(IsoDayOfWeek.None) || type != typeof(IsoDayOfWeek)).Select(WireNaming.Policy.ConvertName);

    /// <summary>The word of a value.</summary>
    public static string Word<T>(T value)
        where T : struct, Enum => WireNaming.Policy.ConvertName(value.ToString());

    /// <summary>The value of a word, or nothing. Case and white space around it do not matter.</summary>
    public static T? Read<T>(string? word)
        where T : struct, Enum =>
        word is null ? null
        : Table<T>.Values.TryGetValue(word.Trim(), out var value) ? value
        : null;

    /// <summary>True for a word of an enum.</summary>
    public static bool Knows<T>(string word)
        where T : struct, Enum => Table<T>.Values.ContainsKey(word);

    /// <summary>"A kind of firing is missing here; it is drying, bisque, glaze or once-fired."</summary>
    public static Problem Missing<T>(string field, string what)
        where T : struct, Enum => new(field, $"Here {what} is missing; it is {Choices(typeof(T))}.");

    /// <summary>"“raku” is not a kind of firing; it is drying, bisque, glaze or once-fired."</summary>
    public static Problem Unknown<T>(string field, string what, string? word)
        where T : struct, Enum =>
        string.IsNullOrWhiteSpace(word)
            ? Missing<T>(field, what)
            : new(field, $"“{(word.Length > 40 ? word[..40] + "…" : word)}” is not {what}; it is {Choices(typeof(T))}.");

    /// <summary>What a word that the serializer refused would have had to be; nothing where it refused something else.</summary>
    public static string? Expected(JsonException refused) =>
        EnumName().Match(refused.Message) is { Success: true } match && TypeNamed(match.Groups[1].Value.TrimEnd('.')) is { IsEnum: true } type
            ? $"This word is not known here; it is {Choices(type)}."
            : null;

    private static string Choices(Type type)
    {
        var words = Words(type).ToList();
        return words.Count < 2 ? string.Concat(words) : $"{string.Join(", ", words.SkipLast(1))} or {words[^1]}";
    }

    private static Type? TypeNamed(string name) =>
        typeof(Problem).Assembly.GetType(name) ?? typeof(WireEnums).Assembly.GetType(name) ?? typeof(IsoDayOfWeek).Assembly.GetType(name);

    [GeneratedRegex(@"could not be converted to (?:System\.Nullable`1\[)?([\w.+]+)")]
    private static partial Regex EnumName();

    private static class Table<T>
        where T : struct, Enum
    {
        public static readonly Dictionary<string, T> Values = Enum.GetValues<T>()
            .Distinct()
            .Where(v => !(v is IsoDayOfWeek.None))
            .ToDictionary(v => WireNaming.Policy.ConvertName(v.ToString()), v => v, StringComparer.OrdinalIgnoreCase);
    }
}
