using Shouldly;
using Xunit;
using ZealousEmber.Core.Learning;

namespace ZealousEmber.Core.Tests.Learning;

/// <summary>What is learned is told no surer than it is.</summary>
public sealed class LessonWordsTests
{
    [Theory]
    [InlineData(6.4, 1.5, 8, "its display reads 6 °C too low (± 2, by 8 packs)")]
    [InlineData(-9, 2, 3, "its display reads 9 °C too high (± 3, by 3 packs)")]
    [InlineData(-1, 4, 1, "its display may read 1 °C too high (± 5, by 1 pack): another pack makes it surer")]
    [InlineData(0.3, 4, 1, "its display may be true (± 5, by 1 pack): another pack makes it surer")]
    [InlineData(2, 2, 4, "its display is true as far as packs tell (± 3, by 4 packs)")]
    public void The_display_is_told_as_surely_as_it_is_known(double mean, double sd, int packs, string says) =>
        LessonWords.Display(new Estimated(mean, sd), packs).ShouldBe(says);

    [Fact]
    public void Before_the_first_pack_nothing_is_told() => LessonWords.Display(new Estimated(0, 8), 0).ShouldBeNull();

    [Theory]
    [InlineData(6, -6, 2, "the top gets 12 °C of cone more than the bottom; put what matters on the middle")]
    [InlineData(2, -1, 3, null)]
    public void Shelves_are_told_apart_only_where_they_surely_are(double top, double bottom, double sd, string? says) =>
        LessonWords
            .Evenness([("top", new Estimated(top, sd)), ("middle", new Estimated(0.5, sd)), ("bottom", new Estimated(bottom, sd))], s => $"the {s}")
            .ShouldBe(says);
}
