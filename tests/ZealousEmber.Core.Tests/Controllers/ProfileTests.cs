using System.Text.Json;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Controllers;

namespace ZealousEmber.Core.Tests.Controllers;

/// <summary>A profile says where it contradicts itself; those that ship do not.</summary>
public sealed class ProfileTests
{
    private const string Ladle = """
        {"name":"Ladle","unit":"C","give":"time","count":"ended","most":9,"cooling":"steps","ask":[
        {"id":"time","label":"in #","entry":"digits","format":"H.MM","min":1,"max":1439,"words":{"end":"0.00"}},
        {"id":"target","label":"be at #","entry":"arrows","format":"whole","min":20,"max":1300,"step":5}]}
        """;

    private static Result<ControllerProfile> Read(string json) => ProfileReader.Read(JsonSerializer.Deserialize<ProfileData>(json, BuiltInProfiles.Json)!);

    [Fact]
    public void The_example_of_the_paper_is_a_profile() => Read(Ladle).IsOk.ShouldBeTrue();

    [Theory]
    [InlineData("\"unit\":\"C\"", "\"unit\":\"K\"", "unit")]
    [InlineData("\"most\":9", "\"most\":200", "most")]
    [InlineData("\"name\":\"Ladle\"", "\"name\":\" \"", "name")]
    [InlineData("\"count\":\"ended\"", "\"count\":\"fixed\"", "ask[0].words.skip")]
    [InlineData("\"count\":\"ended\"", "\"count\":\"asked\"", "ask")]
    [InlineData("\"cooling\":\"steps\"", "\"cooling\":\"one\"", "coolTo")]
    [InlineData("\"end\":\"0.00\"", "\"end\":\"0.05\"", "ask[0].words.end")]
    [InlineData("\"end\":\"0.00\"", "\"end\":\"stop\"", "ask[0].words.end")]
    [InlineData("\"end\":\"0.00\"", "\"never\":\"0.00\"", "ask[0].words.never")]
    [InlineData("\"max\":1439", "\"max\":9999", "ask[0].places")]
    [InlineData("\"max\":1439", "\"max\":0", "ask[0].max")]
    [InlineData("\"max\":1439", "\"max\":\"04\"", "ask[0].max")]
    [InlineData("\"format\":\"H.MM\"", "\"format\":\"cone\"", "ask[0].min")]
    [InlineData("\"id\":\"target\"", "\"id\":\"time\"", "ask[1].id")]
    [InlineData("\"id\":\"target\"", "\"id\":\"speed\"", "ask[1].format")]
    [InlineData("\"id\":\"target\"", "\"id\":\"taget\"", "ask[1].id")]
    [InlineData("\"give\":\"time\"", "\"give\":\"cone\"", "speeds")]
    [InlineData("\"give\":\"time\"", "\"give\":\"rate\",\"hold\":\"every\"", "ask[0].id")]
    [InlineData("\"step\":5", "\"step\":0", "ask[1].step")]
    [InlineData("\"step\":5", "\"step\":5,\"unless\":{\"hold\":\"x\"}", "ask[1].unless")]
    [InlineData("\"label\":\"in #\"", "\"label\":\"\"", "ask[0].label")]
    [InlineData("\"give\":\"time\"", "\"give\":\"time\",\"slots\":[\"1\"]", "slots")]
    [InlineData("\"give\":\"time\"", "\"give\":\"time\",\"hands\":[\"door\"]", "hands[0]")]
    public void What_contradicts_itself_is_said_where_it_is(string was, string now, string field)
    {
        var changed = Ladle.Replace(was, now, StringComparison.Ordinal);
        changed.ShouldNotBe(Ladle);
        var read = Read(changed);
        read.IsOk.ShouldBeFalse();
        read.Problems.Select(p => p.Field).ShouldContain(field, string.Join(" | ", read.Problems));
    }

    [Fact]
    public void Far_too_many_questions_are_refused()
    {
        var question = new QuestionData("time", "in", "digits", "H.MM");
        Read(Ladle).Value.Ask.Length.ShouldBe(2);
        ProfileReader
            .Read(new ProfileData("Long", "C", "time", Count: "ended", Most: 9, Cooling: "steps", Ask: [.. Enumerable.Repeat(question, 200)]))
            .Problems.ShouldContain(p => p.Field == "ask" && p.Message.Contains("200"));
        ProfileReader.Read(new ProfileData(null, null, null)).Problems.Select(p => p.Field).ShouldBe(["name", "unit", "give"], ignoreOrder: true);
        ProfileReader
            .Read(new ProfileData("x", "C", "dials", Sections: [new(null, 2)], Positions: [new("on", 1), null]))
            .Problems.Select(p => p.Field)
            .ShouldBe(["sections", "positions", "apart"]);
    }
}
