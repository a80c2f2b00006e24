using System.Text.Json;

namespace ZealousEmber.App.Wire;

/// <summary>Text of values that may be of several kinds.</summary>
internal static class WireText
{
    /// <summary>The text of a value; nothing where it is none, or half of a character that no text holds.</summary>
    public static string? TextOf(this JsonElement value)
    {
        if (value.ValueKind != JsonValueKind.String)
            return null;
        try
        {
            return value.GetString();
        }
        catch (InvalidOperationException)
        {
            return null;
        }
    }
}
