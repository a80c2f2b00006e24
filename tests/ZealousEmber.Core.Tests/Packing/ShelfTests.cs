using Shouldly;
using Xunit;
using ZealousEmber.Core.Packing.Geometry;

namespace ZealousEmber.Core.Tests.Packing;

/// <summary>One shelf at a time, against the best packings known of equal discs.</summary>
public sealed class ShelfTests
{
    private const double R = 50;
    private const double Slack = 1.003;
    private static readonly double[] InDisc =
    [
        1,
        2,
        2.155,
        2.414,
        2.701,
        3,
        3,
        3.305,
        3.613,
        3.813,
        3.924,
        4.03,
        4.236,
        4.328,
        4.521,
        4.615,
        4.792,
        4.864,
        4.864,
        5.122,
        5.252,
        5.44,
        5.545,
        5.652,
        5.753,
        5.828,
        5.906,
        6.015,
        6.139,
        6.198,
        6.292,
        6.429,
        6.487,
        6.611,
        6.697,
        6.747,
        6.759,
    ];
    private static readonly double[] InHalfDisc = [2, 2.414, 3, 3.613, 3.829, 4.162, 4.364, 4.864, 4.864, 5.312];
    private static readonly double[] InSquare = [2, 3.414, 3.932, 4, 4.828, 5.328, 5.732, 5.864, 6, 6.747, 7.022, 7.145, 7.463, 7.732, 7.864, 8];

    private static List<Place> Most(Outline outline, EqualPieces.Effort effort, double gap = 0) =>
        EqualPieces.Most(new ShelfSpace(outline, outline, [], [], [], null, 0), Body.Round(0, R, R * 0.65, 100), gap, 200, effort);

    [Theory]
    [InlineData("disc", 0.985)]
    [InlineData("half disc", 0.95)]
    [InlineData("square", 0.95)]
    public void As_many_equal_discs_go_in_as_anybody_has_found_but_one_at_worst(string shape, double inSum)
    {
        var (got, want) = (0, 0);
        foreach (
            var (i, best) in (
                shape switch
                {
                    "disc" => InDisc,
                    "half disc" => InHalfDisc,
                    _ => InSquare,
                }
            ).Index()
        )
        {
            var size = best * R * Slack;
            var outline = shape switch
            {
                "disc" => Outline.Of(true, 2 * size, 2 * size, 0),
                "half disc" => Outline.Of(true, 2 * size, 2 * size, 0).Cut(true, 0),
                _ => Outline.Of(false, size, size, 0),
            };
            var places = Most(outline, EqualPieces.Effort.Patient);
            places.Count.ShouldBeGreaterThanOrEqualTo(i, $"{i + 1} in a {shape}");
            foreach (var (a, p) in places.Index())
            {
                outline.Room(p.X, p.Y).ShouldBeGreaterThanOrEqualTo(R);
                foreach (var q in places.Take(a))
                    Math.Sqrt((p.X - q.X) * (p.X - q.X) + (p.Y - q.Y) * (p.Y - q.Y)).ShouldBeGreaterThanOrEqualTo(2 * R);
            }
            (got, want) = (got + Math.Min(places.Count, i + 1), want + i + 1);
        }
        ((double)got / want).ShouldBeGreaterThanOrEqualTo(inSum);
    }

    [Fact]
    public void A_gap_is_kept_between_discs_and_none_to_the_wall()
    {
        // Seven in a disc of 3 r: with a gap g in one of R + g/2 = 3 (r + g/2).
        const double gap = 6;
        var size = 3 * (R + gap / 2) - gap / 2;
        var places = Most(Outline.Of(true, 2 * size * Slack, 2 * size * Slack, 0), EqualPieces.Effort.Full, gap);
        places.Count.ShouldBe(7);
        places
            .SelectMany((p, i) => places.Take(i).Select(q => Math.Sqrt((p.X - q.X) * (p.X - q.X) + (p.Y - q.Y) * (p.Y - q.Y))))
            .Min()
            .ShouldBeGreaterThanOrEqualTo(2 * R + gap);
    }

    [Fact]
    public void The_tip_of_the_thermocouple_is_a_ball_not_a_post()
    {
        var space = new ShelfSpace(Outline.Of(true, 500, 500, 25), Outline.Of(true, 480, 480, 0), [], [], [], (0, 200, 120), 50);
        space.TipRadius(70).ShouldBe(0);
        space.TipRadius(80).ShouldBe(30, 1e-9);
        space.TipRadius(130).ShouldBe(50);
        (space with { Tip = (0, 200, -40) }).TipRadius(10).ShouldBe(30, 1e-9);
    }
}
