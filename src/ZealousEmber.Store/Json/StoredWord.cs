namespace ZealousEmber.Store.Json;

/// <summary>Words of the core as they are stored: by their names.</summary>
internal static class StoredWord
{
    /// <summary>
    /// What a word stands for. Throws <see cref="FormatException"/> for one that is none: a number is no word, though the framework would take any.
    /// </summary>
    public static T Read<T>(string text)
        where T : struct, Enum =>
        Enum.TryParse<T>(text, out var value) && Enum.IsDefined(value) && Enum.GetName(value) == text
            ? value
            : throw new FormatException($"“{text}” is none of {string.Join(", ", Enum.GetNames<T>())}.");
}
