using System.Collections.Immutable;
using ZealousEmber.Core.Firing;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>A line that could not be read, as it was typed.</summary>
/// <param name="Line">The line.</param>
/// <param name="Why">What in it is asked, or is no word known here.</param>
public sealed record UnreadLine(string Line, string Why);

/// <summary>What became of a text.</summary>
/// <param name="Lots">Those that could be read.</param>
/// <param name="Unread">Lines that could not.</param>
/// <param name="Heading">The first line, where it was the heading of a table.</param>
public sealed record LotsRead(ImmutableArray<LotDraft> Lots, ImmutableArray<UnreadLine> Unread, string? Heading);

/// <summary>Lots one a line, as people say or paste them; each line a sentence. A first line of headings makes the others rows of a table.</summary>
public static class LotLines
{
    /// <summary>Longest text read at once, characters.</summary>
    public const int Longest = 20_000;

    /// <summary>Reads lines of a text; empty ones are passed over. A line with a question stays, with the question.</summary>
    public static LotsRead Read(string text, SayingContext context, UsualWare usual)
    {
        var (lots, unread) = (ImmutableArray.CreateBuilder<LotDraft>(), ImmutableArray.CreateBuilder<UnreadLine>());
        var lines = text.Split('\n').Select(l => l.Trim(' ', '\r')).Where(l => l.Trim().Length > 0).ToList();
        var heading = lines.Count > 1 && SaidTable.Of(new SaidText($"{lines[0]}\n")) is not null ? lines[0] : null;
        foreach (var line in heading is null ? lines : lines.Skip(1))
        {
            var said = SayingReader.Read(heading is null ? line : $"{heading}\n{line}", context);
            if (Why(said, heading is null ? line : $"{heading}\n{line}") is { } why)
                unread.Add(new UnreadLine(line, why));
            else
                lots.AddRange(said.Value.Firing.Lots.Select(l => SaidDrafts.Row(l, usual)));
        }
        return new LotsRead(lots.ToImmutable(), unread.ToImmutable(), heading);
    }

    /// <summary>What keeps a line from being taken; nothing when it is read whole. What the firing is for is nobody's question here.</summary>
    private static string? Why(Result<Said> said, string text)
    {
        if (!said.IsOk)
            return said.Problems[0].Message;
        var value = said.Value;
        if (value.Unread.Select(u => text[u.From..u.To]).FirstOrDefault() is { } word)
            return $"“{word}” is no word known here.";
        return value.Asked.FirstOrDefault(a => a.About != Asks.Kind) is { } asked ? asked.Text
            : value.Firing.Lots.IsEmpty ? "Say how many there are and what, like 26 mugs."
            : null;
    }
}
