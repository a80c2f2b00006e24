using System.Collections.Immutable;
using System.Globalization;
using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Diagnosis;

namespace ZealousEmber.Core.Tests.Diagnosis;

/// <summary>Causes weighed by what a firing says of itself: the paper's own examples, and what must hold for any.</summary>
public sealed class DiagnosisTests
{
    /// <summary>"burn=0.55 slowClay where=oneClay" as numbers.</summary>
    private static FiringNumbers Numbers(string text)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(w => w.Split('=')).ToList();
        return new FiringNumbers(
            words.Where(w => w.Length == 2 && w[0] != "where").ToImmutableDictionary(w => w[0], w => double.Parse(w[1], CultureInfo.InvariantCulture)),
            [.. words.Where(w => w.Length == 1).Select(w => w[0])],
            words.Where(w => w[0] == "where").Select(w => (FaultPlace?)Enum.Parse<FaultPlace>(w[1], ignoreCase: true)).FirstOrDefault()
        );
    }

    private static FoundFault Found(string fault, string numbers, int pieces = 1, FaultSeverity severity = FaultSeverity.Looks) =>
        new(fault, Numbers(numbers), pieces, severity);

    public static TheoryData<string, string, string, string> Examples
    {
        get
        {
            using var stream = typeof(DiagnosisTests).Assembly.GetManifestResourceStream("fault-examples.csv")!;
            using var reader = new StreamReader(stream);
            var data = new TheoryData<string, string, string, string>();
            foreach (
                var cells in reader
                    .ReadToEnd()
                    .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                    .Skip(1)
                    .Select(r => r.Split(','))
            )
                data.Add(cells[0], cells[1], cells[2], cells[3]);
            return data;
        }
    }

    [Theory]
    [MemberData(nameof(Examples))]
    public void The_papers_examples_come_out_as_they_should(string fault, string numbers, string first, string patch)
    {
        var causes = Diagnoser.Of(fault, Numbers(numbers));
        causes[0].Rule.Name.ShouldStartWith(first);
        causes[0].Leads.ShouldBeTrue();
        Advice.Of([Found(fault, numbers)]).Patch.ShouldBe(patch == "-" ? null : patch);
    }

    [Fact]
    public void Every_fault_and_patch_is_known_and_every_condition_names_something()
    {
        FaultRules.All.Length.ShouldBe(108);
        FaultRules.Faults.Length.ShouldBe(25);
        FaultRules.FaultsIn(burns: false).Length.ShouldBe(20);
        FaultRules.All.Where(c => c.Patch is not null).ShouldAllBe(c => Patches.Find(c.Patch!) != null);
        FaultRules.All.ShouldAllBe(c => c.Evidence.Length > 0);
        var named = FaultRules.All.SelectMany(c => c.Evidence).SelectMany(e => e.All).Select(c => c.Name).ToHashSet();
        foreach (var number in FiringNumbers.Measured.Concat(FiringNumbers.Stated))
            named.ShouldContain(number.Name, "nothing is asked for that no cause is judged by");
    }

    [Fact]
    public void A_point_doubles_the_odds_and_a_missing_number_adds_none()
    {
        var nothing = Diagnoser.Of("burst", FiringNumbers.None);
        nothing.Sum(c => c.Share).ShouldBe(1, 1e-12);
        nothing.ShouldAllBe(c => c.Points == c.Rule.Base && c.Evidence.IsEmpty);
        var (one, other) = (nothing.Single(c => c.Rule.Name == "water in the wall"), nothing.Single(c => c.Rule.Name == "wetter than was said"));
        (one.Share / other.Share).ShouldBe(2, 1e-12, "a base of 1 against one of 0");

        var wet = Diagnoser.Of("burst", Numbers("water=0.9 wall=25"))[0];
        (wet.Rule.Name, wet.Points).ShouldBe(("water in the wall", 6));
        wet.Evidence.Select(e => e.Text)
            .ShouldBe([
                "0.9 of the water still in the wall at boiling (more than 0.6)",
                "0.9 of the water still in the wall at boiling (more than 0.3)",
                "wall 25 mm thick (more than 20)",
            ]);
        wet.Evidence[0].ShouldBe(wet.Evidence[0] with { Value = 0.9, Limit = 0.6, Points = 3 });
    }

    [Theory]
    [InlineData("opened=151", 4, "just past the limit")]
    [InlineData("opened=150", 1, "at the limit itself only the lower one is passed")]
    [InlineData("opened=60", -3, "at most")]
    [InlineData("", 0, "not known")]
    public void Limits_are_held_to_the_letter(string numbers, int points, string why) =>
        Diagnoser.Of("dunting", Numbers(numbers)).Single(c => c.Rule.Name == "opened too hot").Points.ShouldBe(points, why);

    [Fact]
    public void Conditions_that_belong_together_count_only_together()
    {
        int Points(string numbers) => Diagnoser.Of("uneven", Numbers(numbers)).Single(c => c.Rule.Name == "vent or draught").Points;
        (Points("bottomCold"), Points("vent"), Points("bottomCold vent")).ShouldBe((-1, -1, 1));
    }

    [Fact]
    public void Two_causes_that_are_close_lead_together()
    {
        Diagnoser.Of("pinholes", Numbers("burn=0.5")).Count(c => c.Leads).ShouldBe(1);
        var close = Diagnoser.Of("crazing", Numbers("opened=210 where=oneGlaze"));
        close.Where(c => c.Leads).Select(c => c.Rule.Name).ShouldBe(["glaze does not fit the body", "opened hot"], ignoreOrder: true);
    }

    [Fact]
    public void Changes_that_pull_apart_are_settled_and_said()
    {
        var boiled = Advice.Of([Found("blisters", "d60=15 hold=40"), Found("pinholes", "hold=2 heal=10 wantsHold topRate=120 d60=2")]);
        (boiled.Patch, boiled.Conflicts.Length).ShouldBe(("work-", 1));
        var shelves = Advice.Of([
            Found("underfired", "d60=-9 even=16 here=-10 where=oneShelf tc=-2"),
            Found("overfired", "d60=12 tc=3 even=16 here=9 where=oneShelf"),
        ]);
        (shelves.Patch, shelves.Conflicts.Length).ShouldBe(("even", 1));
        var holds = Advice.Of([
            Found("pinholes", "burn=1.2 hold=6 heal=12 wantsHold topRate=150 d60=-2 where=oneGlaze"),
            Found("overfired", "d60=1 hold=30 runny where=oneGlaze"),
        ]);
        (holds.Patch, holds.Conflicts.Length).ShouldBe((Patches.DropAndHold, 1));
        var apart = Advice.Of([Found("gone-matte", "wantsFast hours750=6 d60=0", 12), Found("dull-crystals", "band=0.4 d60=1 tc=2 where=oneGlaze", 3)]);
        (apart.Patch, apart.Conflicts.Length).ShouldBe((null, 1));
    }

    [Fact]
    public void More_pieces_and_graver_faults_come_first_and_the_bisque_may_go_along()
    {
        (string, string) both = ("d60=-13 tc=1 where=all", "opened=190 g573down=3 g226down=4 d60=-13 where=oneLot");
        Advice.Of([Found("underfired", both.Item1, 20), Found("dunting", both.Item2, 2)]).Patch.ShouldBe("work+");
        Advice.Of([Found("underfired", both.Item1, 5), Found("dunting", both.Item2, 5, FaultSeverity.Lost)]).Patch.ShouldBe("open");
        var along = Advice.Of([Found("underfired", both.Item1, 20), Found("black-core", "burn=0.5 wall=15", 4)]);
        (along.Patch, along.WithBisque).ShouldBe(("work+", "burn"));
    }

    /// <summary>Nothing known makes a cause vanish, and no evidence against it makes it likelier.</summary>
    [Fact]
    public void Weights_are_weights() =>
        Gen.Select(Gen.Double[-60, 60], Gen.Double[0, 120], Gen.Double[20, 400], Gen.Enum<FaultPlace>(), Gen.Bool)
            .Sample(
                (d60, hold, opened, place, runny) =>
                {
                    var values = new Dictionary<string, double>
                    {
                        ["d60"] = d60,
                        ["hold"] = hold,
                        ["opened"] = opened,
                    }.ToImmutableDictionary();
                    foreach (var fault in FaultRules.Faults)
                    {
                        var causes = Diagnoser.Of(fault, new FiringNumbers(values, runny ? ["runny"] : [], place));
                        causes.Sum(c => c.Share).ShouldBe(1, 1e-9);
                        causes.Select(c => c.Share).ShouldBe(causes.Select(c => c.Share).OrderDescending());
                        causes.ShouldAllBe(c => c.Share > 0 && c.Points == c.Rule.Base + c.Evidence.Sum(e => e.Points));
                        causes.Count(c => c.Leads).ShouldBeInRange(1, 2);
                    }
                }
            );
}
