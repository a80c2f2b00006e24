using Shouldly;
using Xunit;
using ZealousEmber.Core.Logbook;

namespace ZealousEmber.Core.Tests.Logbook;

public sealed class ComparisonTests
{
    private static FigureRow Row(int figure, params double?[] values)
    {
        var known = values.OfType<double>().ToList();
        var which = FiringFigure.All.Where(f => f.Name is not ("cost" or "kwh" or "gas" or "fullPowerHours")).ElementAt(figure);
        return new FigureRow(which, [.. values], (known.Max() - known.Min()) / which.Matters);
    }

    private static double Of(int figure, double times) => times * Row(figure, 0.0, 1.0).Figure.Matters;

    [Fact]
    public void Between_good_and_bad_it_says_what_sets_the_two_apart_not_what_scatters()
    {
        ComparedName[] firings = [new("A", true), new("B", true), new("C", false), new("D", false)];
        var apart = Row(0, Of(0, 10), Of(0, 10), Of(0, 13), Of(0, 13));
        var scatters = Row(1, Of(1, 10), Of(1, 20), Of(1, 10), Of(1, 20));
        Comparison.Of(firings, [scatters, apart]).ShouldHaveSingleItem().ShouldStartWith(apart.Figure.Label);
        var alike = firings.Select(f => f with { CameOutWell = false }).ToList();
        Comparison.Of(alike, [scatters, apart])[0].ShouldStartWith(scatters.Figure.Label);
    }

    [Fact]
    public void A_number_that_is_not_known_is_said_and_one_known_of_one_side_only_tells_nothing()
    {
        ComparedName[] firings = [new("A", true), new("B", false), new("C", false)];
        Comparison.Of(firings, [Row(0, Of(0, 10), null, Of(0, 14))]).ShouldHaveSingleItem().ShouldContain("not known in “B”");
        Comparison.Of(firings, [Row(0, null, Of(0, 10), Of(0, 14))]).ShouldBeEmpty();
    }

    [Fact]
    public void Costs_explain_nothing_and_four_sentences_are_enough()
    {
        ComparedName[] firings = [new("A", true), new("B", false)];
        var cost = FiringFigure.All.First(f => f.Name == "cost");
        Comparison.Of(firings, [new FigureRow(cost, [1.0, 1e6], 1e6)]).ShouldBeEmpty();
        Comparison.Of(firings, [.. Enumerable.Range(0, 7).Select(i => Row(i, 0.0, Of(i, 5)))]).Count.ShouldBe(4);
    }
}
