using System.Text;

namespace ZealousEmber.Core;

/// <summary>Tidying of what people type, before it is measured.</summary>
public static class Text
{
    /// <summary>One line, runs of white space and control characters made one space; nothing for an empty one.</summary>
    public static string? OneLine(string? text)
    {
        if (text is null)
            return null;
        var line = new StringBuilder(text.Length);
        foreach (var c in text)
        {
            if (!char.IsWhiteSpace(c) && !char.IsControl(c))
                line.Append(c);
            else if (line.Length > 0 && line[^1] != ' ')
                line.Append(' ');
        }
        var tidy = line.ToString().TrimEnd();
        return tidy.Length == 0 ? null : tidy;
    }

    /// <summary>With a small first letter, as it stands within a sentence.</summary>
    public static string Small(string text) => text.Length == 0 ? text : char.ToLowerInvariant(text[0]) + text[1..];

    /// <summary>With a capital, as a sentence begins.</summary>
    public static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>Several lines with plain line ends, trimmed; nothing for an empty one.</summary>
    public static string? Lines(string? text)
    {
        var tidy = text?.ReplaceLineEndings("\n").Trim();
        return string.IsNullOrEmpty(tidy) ? null : tidy;
    }
}
