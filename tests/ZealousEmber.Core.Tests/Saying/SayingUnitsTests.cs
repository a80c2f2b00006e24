using Shouldly;
using Xunit;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Saying;
using ZealousEmber.Core.Saying.Reading;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Saying;

/// <summary>Other studios: inches, °F, other kilns and names.</summary>
public sealed class SayingUnitsTests
{
    [Fact]
    public void A_bare_wall_is_in_the_studios_unit()
    {
        var said = SayingReader.Read("12 mugs, walls 1/4, bone dry, bisque 06", SaltmarshNames.Context(length: LengthUnit.Inch)).Value;
        said.Firing.Lots.Single().Wall.ShouldBe(6.35);
        said.Firing.Lots.Single().Typed["wall"].ShouldBe("1/4 in");
        SayingReader.Read("12 mugs, walls 6, bone dry, bisque 06", SaltmarshNames.Context()).Value.Firing.Lots.Single().Wall.ShouldBe(6);
    }

    [Fact]
    public void A_bare_temperature_is_on_the_studios_scale()
    {
        var said = SayingReader.Read("bisque to 1830, 12 mugs", SaltmarshNames.Context(unit: TemperatureUnit.Fahrenheit)).Value;
        said.Asked.Single().About.ShouldBe(Asks.Cone);
        said.Asked.Single().Choices[0].Label.ShouldBe("cone 06");
        var reduced = SayingReader.Read("glaze cone 10, reduction from 1650, 12 mugs", SaltmarshNames.Context(unit: TemperatureUnit.Fahrenheit)).Value;
        reduced.Firing.Wishes.Air.ShouldBe(AirOption.BodyThenLight);
    }

    [Fact]
    public void Where_one_kiln_is_electric_it_is_the_electric_one()
    {
        var two = SaltmarshNames.Context() with
        {
            Names = SaltmarshNames.Names with { Kilns = [new KnownKiln(4, "Plover", 80, false), new KnownKiln(5, "Grebe", 500, true)] },
        };
        SayingReader.Read("bisque 06 in the electric kiln, 6 mugs", two).Value.Firing.KilnId.ShouldBe(4);
        SayingReader.Read("bisque 06 in the big one, 6 mugs", two).Value.Firing.KilnId.ShouldBe(5);
        var none = two with { Names = two.Names with { Kilns = [] } };
        var said = SayingReader.Read("bisque 06 in the electric kiln, 6 mugs", none).Value;
        said.Firing.KilnId.ShouldBeNull();
        said.Firing.Kind.ShouldBe(ScheduleKind.Bisque);
    }

    [Theory]
    [InlineData("thrown yesterday")]
    [InlineData("freshly thrown")]
    [InlineData("made this morning")]
    [InlineData("wet")]
    [InlineData("soft leather hard")]
    [InlineData("freshly glazed")]
    [InlineData("still damp")]
    [InlineData("trimmed on Monday")]
    [InlineData("drying for three days")]
    public void What_speaks_of_water_is_never_a_person(string state)
    {
        foreach (var text in new[] { $"30 mugs, 6 mm, {state}", $"30 mugs {state}, bisque", $"{state}: 30 mugs", $"30 Mugs, {Text.Capital(state)}" })
        {
            var said = SaltmarshNames.Read(text);
            said.Firing.Lots.ShouldAllBe(l => l.Whose == null);
            said.Asked.ShouldAllBe(a => a.About != Asks.Whose);
            said.Firing.Lots.Single().Dryness.ShouldNotBeNull(text);
        }
    }

    [Theory]
    [InlineData("made {0} days ago", 0, Dryness.LeatherHard)]
    [InlineData("made {0} days ago", 1, Dryness.LeatherHard)]
    [InlineData("made {0} days ago", 2, Dryness.Damp)]
    [InlineData("made {0} days ago", 3, Dryness.Damp)]
    [InlineData("made {0} days ago", 4, Dryness.CoolToTouch)]
    [InlineData("made {0} days ago", 6, Dryness.CoolToTouch)]
    [InlineData("made {0} days ago", 7, Dryness.BoneDry)]
    [InlineData("trimmed {0} days ago", 1, Dryness.Damp)]
    [InlineData("12 mm, made {0} days ago", 13, Dryness.CoolToTouch)]
    [InlineData("12 mm, made {0} days ago", 14, Dryness.BoneDry)]
    [InlineData("22 mm, made {0} days ago", 27, Dryness.CoolToTouch)]
    [InlineData("22 mm, made {0} days ago", 28, Dryness.BoneDry)]
    public void Days_lead_to_a_proposal_and_a_question(string words, int days, Dryness proposed)
    {
        var said = SaltmarshNames.Read($"bisque 06, 12 jars, {string.Format(System.Globalization.CultureInfo.InvariantCulture, words, days)}");
        said.Firing.Lots.Single().Dryness.ShouldBe(proposed);
        var ask = said.Asked.Single();
        ask.About.ShouldBe(Asks.Dryness);
        ask.Choices[0].Set.Single().Value.ShouldBe(proposed);
    }

    [Theory]
    [InlineData("12 mugs, walls 6 mm, bone dry, walls 8 mm, bisque 06", Asks.Wall, 6.0, 8.0)]
    [InlineData("12 mugs 100 tall, bone dry, 120 tall, bisque 06", Asks.Size, 100.0, 120.0)]
    [InlineData("12 mugs 500 g, bone dry, 400 g each, bisque 06", Asks.Weight, 0.5, 0.4)]
    public void Two_numbers_of_one_thing_are_asked_about(string text, string about, double first, double second)
    {
        var ask = SaltmarshNames.Read(text).Asked.ShouldHaveSingleItem();
        ask.About.ShouldBe(about);
        ask.Choices.Select(c => c.Set.Single().Value).ShouldBe([first, second]);
    }

    [Fact]
    public void More_lots_than_a_kiln_takes_stay_unread()
    {
        var text = string.Join(", ", Enumerable.Range(1, WareLot.MostLots + 40).Select(i => $"{i} cups"));
        var said = SaltmarshNames.Read(text);
        said.Firing.Lots.Length.ShouldBe(WareLot.MostLots);
        CoverTests.EachSignOnce(text, said);
        said.Unread.Length.ShouldBeGreaterThan(0);
    }
}
