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
        var told = await (await Ask("""{"faults":[{"fault":"dull-crystals","pieces":7,"numbers":{"band":0.4,"d60":1,"tc":2,"where":"oneGlaze","slowClay":false}}]}""")).Read();
        var first = told["causes"]![0]!;
        (first["name"]!.GetValue<string>(), first["from"]!.GetValue<string>(), first.Number("points"), first["patch"]!.GetValue<string>()).ShouldBe(("slow band too short", "firing", 5, "band+"));
        first.Number("share").ShouldBeGreaterThan(0.8);
        first["evidence"]![0]!["text"]!.GetValue<string>().ShouldContain("slow band 0.4 of what it needs");
        (told["patch"]!.GetValue<string>(), told["leading"]!.AsArray().Select(l => l!.GetValue<string>()).Single(), told["conflicts"]!.AsArray().Count).ShouldBe(("band+", "slow band too short", 0));
        told["patchText"]!.GetValue<string>().ShouldContain("slow band");
        (await (await Ask("""{"faults":[{"fault":"crazing","numbers":{"opened":45,"d60":1,"where":"one-glaze"}}]}""")).Read())["patch"]!.GetValue<string>().ShouldBe("-", "no schedule mends a glaze that does not fit");
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
        await (await Ask(new JsonObject { ["faults"] = new JsonArray([.. Enumerable.Range(0, 51).Select(_ => new JsonObject { ["fault"] = "burst" })]) }.ToJsonString())).Problem("faults");
}
