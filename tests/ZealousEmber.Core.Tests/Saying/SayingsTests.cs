using System.Text.Json;
using System.Text.RegularExpressions;
using NodaTime;
using NodaTime.Text;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Saying;

namespace ZealousEmber.Core.Tests.Saying;

/// <summary>Sentences with what they say, field by field: the paper’s, and ours that go over its rules one by one.</summary>
public sealed partial class SayingsTests
{
    public static TheoryData<string, int> Papers => From("sayings.jsonl");

    public static TheoryData<string, int> Ours => From("more-sayings.jsonl");

    [Theory]
    [MemberData(nameof(Papers))]
    public void A_sentence_of_the_paper_says_what_it_says(string text, int line) => Check("sayings.jsonl", text, line);

    [Theory]
    [MemberData(nameof(Ours))]
    public void A_sentence_of_ours_says_what_it_says(string text, int line) => Check("more-sayings.jsonl", text, line);

    private static void Check(string file, string text, int line)
    {
        var example = Lines(file)[line];
        example.GetProperty("text").GetString().ShouldBe(text);
        var said = SaltmarshNames.Read(text, example.GetProperty("now").GetString()!);
        var expected = example.GetProperty("expect");
        Firing(said.Firing, expected);
        var may = Words(example, "mayAsk");
        said.Asked.Select(a => a.About).Where(a => !may.Contains(a)).Order().ShouldBe(Words(example, "asked").Order());
        foreach (var ask in said.Asked.Where(a => a.About is Asks.Kind or Asks.Cone or Asks.Kiln or Asks.Dryness))
            ask.Choices.Length.ShouldBeGreaterThanOrEqualTo(2, ask.About);
        Proposals(said, example);
        var unread = said.Unread.Select(u => text[u.From..u.To]).ToList();
        foreach (var word in Words(example, "unread"))
            unread.ShouldContain(u => u.Contains(word, StringComparison.Ordinal));
        if (Words(example, "unread").Count == 0)
            unread.ShouldBeEmpty();
        CoverTests.EachSignOnce(text, said);
    }

    private static void Firing(SaidFiring firing, JsonElement expected)
    {
        Kebab(firing.Kind).ShouldBe(Text(expected, "kind"));
        (firing.Goal?.Number).ShouldBe(Text(expected, "goalCone"), "cone");
        (SaltmarshNames.Names.Kilns.FirstOrDefault(k => k.Id == firing.KilnId)?.Name).ShouldBe(Text(expected, "kiln"), "kiln");
        (firing.StartsAt?.ToInstant()).ShouldBe(At(expected, "startsAt"), "startsAt");
        (firing.ReadyBy?.ToInstant()).ShouldBe(At(expected, "readyBy"), "readyBy");
        var lots = expected.GetProperty("lots");
        firing.Lots.Length.ShouldBe(lots.GetArrayLength());
        foreach (var (i, lot) in lots.EnumerateArray().Index())
        {
            foreach (var field in lot.EnumerateObject())
                Field(firing.Lots[i], field.Name).ShouldBe(Plain(field.Value), $"lot {i}, {field.Name}");
        }
        if (!expected.TryGetProperty("wishes", out var wishes))
            return;
        foreach (var wish in wishes.EnumerateObject())
            Kebab(typeof(SaidWishes).GetProperty(Core.Text.Capital(wish.Name))!.GetValue(firing.Wishes)).ShouldBe(Plain(wish.Value), wish.Name);
    }

    private static void Proposals(Said said, JsonElement example)
    {
        if (!example.TryGetProperty("proposes", out var proposes))
            return;
        foreach (var proposal in proposes.EnumerateObject())
        {
            var first = said.Asked.First(a => a.About == proposal.Name).Choices[0].Set[0].Value;
            (first is OffsetDateTime at ? OffsetDateTimePattern.ExtendedIso.Format(at) : Kebab(first))!.ShouldStartWith(proposal.Value.GetString()!);
        }
    }

    private static string? Field(SaidLot lot, string name) =>
        name switch
        {
            "what" => lot.What,
            "count" => Kebab(lot.Count),
            "wall" => Kebab(lot.Wall),
            "dryness" => Kebab(lot.Dryness),
            "whose" => lot.Whose,
            "across" => Kebab(lot.Across),
            "deep" => Kebab(lot.Deep),
            "height" => Kebab(lot.Height),
            "handle" => Kebab(lot.Handle),
            "pieceKg" => Kebab(lot.PieceMass),
            "next" => Kebab(lot.Next),
            "must" => Kebab(lot.Must),
            "closedHollow" => Kebab(lot.ClosedHollow),
            "oneSided" => Kebab(lot.OneSided),
            "clay" => SaltmarshNames.ClayOf(lot),
            "glazes" => string.Join(", ", SaltmarshNames.GlazesOf(lot)),
            _ => throw new ArgumentException(name),
        };

    private static string? Kebab(object? value) =>
        value switch
        {
            null => null,
            bool flag => flag ? "true" : "false",
            IFormattable number and not Enum => number.ToString(null, System.Globalization.CultureInfo.InvariantCulture),
            _ => Capitals().Replace(value.ToString()!, "-$1").ToLowerInvariant(),
        };

    private static string? Plain(JsonElement value) =>
        value.ValueKind switch
        {
            JsonValueKind.Null => null,
            JsonValueKind.Array => string.Join(", ", value.EnumerateArray().Select(v => v.GetString())),
            JsonValueKind.True or JsonValueKind.False => value.GetRawText(),
            JsonValueKind.Number => value.GetDouble().ToString(System.Globalization.CultureInfo.InvariantCulture),
            _ => value.GetString(),
        };

    private static string? Text(JsonElement expected, string field) => expected.GetProperty(field).GetString();

    private static Instant? At(JsonElement expected, string field) =>
        Text(expected, field) is { } at ? OffsetDateTimePattern.ExtendedIso.Parse(at).Value.ToInstant() : null;

    private static List<string> Words(JsonElement example, string field) =>
        example.TryGetProperty(field, out var words) ? [.. words.EnumerateArray().Select(w => w.GetString()!)] : [];

    private static TheoryData<string, int> From(string file)
    {
        var data = new TheoryData<string, int>();
        foreach (var (i, line) in Lines(file).Index())
            data.Add(line.GetProperty("text").GetString()!, i);
        return data;
    }

    private static List<JsonElement> Lines(string file)
    {
        using var stream = typeof(SayingsTests).Assembly.GetManifestResourceStream(file)!;
        using var reader = new StreamReader(stream);
        return [.. reader.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => JsonDocument.Parse(l).RootElement)];
    }

    [GeneratedRegex("(?<!^)([A-Z])")]
    private static partial Regex Capitals();
}
