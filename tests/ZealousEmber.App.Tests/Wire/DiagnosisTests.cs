using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

public sealed class DiagnosisTests(EmptyStudio studio) : IClassFixture<EmptyStudio>
{
    private Task<HttpResponseMessage> Ask(string body) => studio.Http.PostText("/api/diagnosis", body);

    [Fact]
    public async Task A_fault_is_explained_by_the_numbers_of_its_firing()
    {
        var told = await (
            await Ask("""{"faults":[{"fault":"dull-crystals","pieces":7,"numbers":{"band":0.4,"d60":1,"tc":2,"where":"oneGlaze","slowClay":false}}]}""")
        ).Read();
        var first = told["causes"]![0]!;
        (first["name"]!.GetValue<string>(), first["from"]!.GetValue<string>(), first.Number("points"), first["patch"]!.GetValue<string>()).ShouldBe(
            ("slow band too short", "firing", 5, "band+")
        );
        first.Number("share").ShouldBeGreaterThan(0.8);
        first["evidence"]![0]!["text"]!.GetValue<string>().ShouldContain("slow band 0.4 of what it needs");
        (
            told["patch"]!.GetValue<string>(),
            told["leading"]!.AsArray().Select(l => l!.GetValue<string>()).Single(),
            told["conflicts"]!.AsArray().Count
        ).ShouldBe(("band+", "slow band too short", 0));
        told["patchText"]!.GetValue<string>().ShouldContain("slow band");
        (await (await Ask("""{"faults":[{"fault":"crazing","numbers":{"opened":45,"d60":1,"where":"one-glaze"}}]}""")).Read())["patch"]!
            .GetValue<string>()
            .ShouldBe("-", "no schedule mends a glaze that does not fit");
    }

    /// <summary>Up at 100 °C/h, 20 minutes at 1210, down at 190 °C/h: a matte that wants three and a half hours in its band.</summary>
    private const string Inline = """
        {"faults":[{"fault":"dull-crystals","pieces":12,"lot":0}],"goalCone":"6","curve":[{"minute":0,"celsius":20},{"minute":654,"celsius":1110},{"minute":754,"celsius":1210},{"minute":774,"celsius":1210},{"minute":1137,"celsius":60}],
         "load":{"lots":[{"what":"plates","count":12,"wall":7,"glazes":[{"name":"Oyster","coneFrom":"5","coneTo":"7","slowFrom":1040,"slowTo":850,"slowHours":3.5}]}]},"packs":[{"shelf":"top","cones":[{"cone":"6","bendDegrees":90}]},{"shelf":"bottom","cones":[{"cone":"6","clock":5.5}]}]}
        """;

    [Fact]
    public async Task A_fault_is_explained_by_the_curve_the_load_and_the_packs_themselves()
    {
        var told = await (await Ask(Inline)).Read();
        var first = told["causes"]![0]!;
        (first["name"]!.GetValue<string>(), told["patch"]!.GetValue<string>()).ShouldBe(("slow band too short", "band+"));
        first["evidence"]![0]!.Number("value").ShouldBe(1 / 3.5, 0.01);
        // What is given as a number counts before what the log tells.
        var given = await (await Ask(Inline.Replace("\"lot\":0", "\"lot\":0,\"numbers\":{\"band\":1.2}", StringComparison.Ordinal))).Read();
        given["causes"]![0]!["name"]!.GetValue<string>().ShouldNotBe("slow band too short");
        await (await Ask(Inline.Replace("\"lot\":0", "\"lot\":4", StringComparison.Ordinal))).Problem("faults[0].lot");
        await (await Ask(Inline.Replace("\"clock\":5.5", "\"clock\":9", StringComparison.Ordinal))).Problem("packs[1].cones[0].clock");
        await (await Ask(Inline.Replace("\"celsius\":1110", "\"celsius\":20000", StringComparison.Ordinal))).Problem("curve[1]");
    }

    [Theory]
    [InlineData("""{}""", "faults")]
    [InlineData("""{"faults":[]}""", "faults")]
    [InlineData("""{"faults":[null]}""", "faults[0].fault")]
    [InlineData("""{"faults":[{"fault":"wobbly"}]}""", "faults[0].fault")]
    [InlineData("""{"faults":[{"fault":"burst","pieces":0}]}""", "faults[0].pieces")]
    [InlineData("""{"faults":[{"fault":"burst","numbers":{"water":"wet"}}]}""", "faults[0].numbers.water")]
    [InlineData("""{"faults":[{"fault":"burst","numbers":{"water":1e300}}]}""", "faults[0].numbers.water")]
    [InlineData("""{"faults":[{"fault":"burst","numbers":{"closed":1}}]}""", "faults[0].numbers.closed")]
    [InlineData("""{"faults":[{"fault":"burst","numbers":{"where":"upstairs"}}]}""", "faults[0].numbers.where")]
    [InlineData("""{"faults":[{"fault":"burst","numbers":{"moon":1}}]}""", "faults[0].numbers.moon")]
    public async Task What_cannot_be_weighed_is_said_at_its_field(string body, string field) => await (await Ask(body)).Problem(field);

    [Fact]
    public async Task Too_many_faults_are_refused() =>
        await (
            await Ask(
                new JsonObject { ["faults"] = new JsonArray([.. Enumerable.Range(0, 51).Select(_ => new JsonObject { ["fault"] = "burst" })]) }.ToJsonString()
            )
        ).Problem("faults");
}
