using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Saying;
using ZealousEmber.Core.Saying.Reading;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Saying;

/// <summary>Whatever is typed: nothing is dropped, nothing taken twice, and the answer is always the same.</summary>
public sealed class CoverTests
{
    // Words of every kind, and what may stand between them, so that rules meet in ways nobody thought of.
    private static readonly string[] Words =
    [
        "26",
        "mugs",
        "6 mm",
        "bowls",
        "a",
        "dozen",
        "half",
        "the rest",
        "in",
        "Reed",
        "Oyster matte",
        "the matte",
        "white",
        "marsh",
        "for",
        "Tobin",
        "Kofi",
        "the class",
        "bisque",
        "glaze",
        "06",
        "to 6",
        "cone 6",
        "^04",
        "1222C",
        "Heron",
        "the small one",
        "tonight",
        "at 8",
        "8pm",
        "Friday",
        "ready by",
        "thrown yesterday",
        "threw",
        "on Sunday",
        "bone dry",
        "not",
        "wet",
        "damp",
        "all",
        "85 x 100",
        "10 in",
        "3/8",
        "tall",
        "500 g",
        "hold 10",
        "drop 60 and hold",
        "reduction from 900",
        "slow cool",
        "candle",
        "no",
        "plates",
        "without",
        "12",
        "4",
        "x",
        "pots",
        "pieces",
        "knees",
        "½",
        "é",
        "漢字",
        "🏺",
        "15–20",
        "in two hours",
        "5 Dec",
        "2230",
        "once-fired",
        "lustre",
        "closed",
        "solid",
        "must go",
        "cheap rate",
        "Otter",
        "glazed",
        "just",
        "please",
        "0",
        "99999999",
    ];

    private static readonly string[] Between = [" ", ", ", "; ", ". ", "\n", " and ", ": ", " / ", "(", ") ", "\t", "", " – "];

    private static readonly Gen<string> Sentences = Gen.Select(
            Gen.Int[0, Words.Length - 1].Select(i => Words[i]),
            Gen.Int[0, Between.Length - 1].Select(i => Between[i])
        )
        .Select(p => p.Item1 + p.Item2)
        .Array[1, 40]
        .Select(string.Concat)
        .Where(s => !string.IsNullOrWhiteSpace(s) && s.Length <= SayingReader.Longest);

    [Fact]
    public void Each_letter_and_digit_lies_in_exactly_one_list() =>
        Gen.OneOf(Sentences, Gen.String[1, 60].Where(s => !string.IsNullOrWhiteSpace(s)))
            .Sample(text => EachSignOnce(text, SaltmarshNames.Read(text)), iter: ZealousEmber.Tests.LongRun.Of(1500, 60000));

    [Fact]
    public void What_is_read_can_be_kept() =>
        Sentences.Sample(
            text =>
            {
                var said = SaltmarshNames.Read(text);
                foreach (var lot in said.Firing.Lots)
                {
                    (lot.Count is null or (>= 1 and <= WareLot.MostPieces)).ShouldBeTrue(text);
                    (lot.What?.Length ?? 0).ShouldBeLessThanOrEqualTo(Clay.LongestName);
                    (lot.Whose?.Length ?? 0).ShouldBeLessThanOrEqualTo(Clay.LongestName);
                }
                // Every choice points into the firing.
                foreach (
                    var setting in said
                        .Asked.SelectMany(a => a.Choices)
                        .SelectMany(c => c.Set)
                        .Where(s => s.Pointer.StartsWith("/lots/", StringComparison.Ordinal))
                )
                    int.Parse(setting.Pointer.Split('/')[2], System.Globalization.CultureInfo.InvariantCulture)
                        .ShouldBeInRange(0, said.Firing.Lots.Length - 1, text);
                said.Asked.ShouldAllBe(a => a.Choices.Length > 0);
            },
            iter: ZealousEmber.Tests.LongRun.Of(600, 40000)
        );

    [Fact]
    public void The_same_text_gives_the_same_answer() =>
        Sentences.Sample(text => Told(SaltmarshNames.Read(text)).ShouldBe(Told(SaltmarshNames.Read(text))), iter: ZealousEmber.Tests.LongRun.Of(200, 10000));

    [Theory]
    [InlineData("1 ")]
    [InlineData("a ")]
    [InlineData("20 mugs, ")]
    [InlineData("half ")]
    [InlineData("(")]
    [InlineData("9")]
    [InlineData("x")]
    [InlineData("for Ada ")]
    [InlineData("in the ")]
    [InlineData("06 or ")]
    [InlineData("not ")]
    [InlineData("Oyster, ")]
    [InlineData("thrown on ")]
    [InlineData("20 mugs 6 mm for Ada;")]
    [InlineData("\n")]
    public void The_longest_text_of_one_thing_over_and_over_is_read(string part)
    {
        var text = "z" + string.Concat(Enumerable.Repeat(part, SayingReader.Longest / part.Length + 1));
        text = text[..SayingReader.Longest];
        EachSignOnce(text, SaltmarshNames.Read(text));
    }

    [Fact]
    public void No_text_and_too_much_of_it_are_problems()
    {
        foreach (var text in new[] { null, "", "  \n\t ", new string('a', SayingReader.Longest + 1) })
            SayingReader.Read(text, SaltmarshNames.Context()).Problems.Single().Field.ShouldBe("text");
    }

    internal static void EachSignOnce(string text, Said said)
    {
        var times = new int[text.Length];
        foreach (
            var (from, to) in said
                .Read.Select(r => (r.From, r.To))
                .Concat(said.Asked.Select(a => (a.From, a.To)))
                .Concat(said.Unread.Select(u => (u.From, u.To)))
        )
        {
            (from >= 0 && from <= to && to <= text.Length).ShouldBeTrue($"{from} to {to} of {text}");
            for (var i = from; i < to; i++)
                times[i]++;
        }
        for (var i = 0; i < text.Length; i++)
        {
            times[i].ShouldBeLessThanOrEqualTo(1, $"“{text[i]}” at {i} of {text}");
            if (char.IsLetterOrDigit(text, i))
                times[i].ShouldBe(1, $"“{text[i]}” at {i} of {text}");
        }
    }

    private static string Told(Said said) =>
        string.Join(
            '\n',
            said.Read.Select(r => r.ToString())
                .Concat(said.Asked.Select(a => $"{a.From} {a.To} {a.About} {string.Join('|', a.Choices.Select(c => c.Label))}"))
                .Concat(said.Unread.Select(u => u.ToString()))
        )
        + string.Join(
            '\n',
            said.Firing.Lots.Select(l =>
                $"{l with { Typed = System.Collections.Immutable.ImmutableSortedDictionary<string, string>.Empty, GlazeIds = [] }} {string.Join(',', l.GlazeIds)}"
            )
        );
}
