using System.Net.Http.Json;
using Shouldly;
using Xunit;

namespace ZealousEmber.App.Tests.Wire;

public sealed class NotationTests(SharedStudio studio)
{
    private Task<HttpResponseMessage> Parse(object body) => studio.Http.PostAsJsonAsync("/api/notation/parse", body);

    [Fact]
    public async Task A_line_becomes_steps_in_the_unit_asked_for()
    {
        var answer = await (await Parse(new { text = "80/h to 200 hold 45m; off", unit = "F" })).Read();
        var step = answer["segments"]![0]!;
        (step["pace"]!.GetValue<string>(), step.Number("rate"), step.Number("target"), step.Number("holdMinutes")).ShouldBe(("rate", 80, 200, 45));
        answer["segments"]![1]!["pace"]!.GetValue<string>().ShouldBe("natural");
        answer["segments"]![1]!["target"].ShouldBeNull();

        var mixed = await (await Parse(new { text = "80C/h to 200C", unit = "F" })).Read();
        (mixed["segments"]![0]!.Number("rate"), mixed["segments"]![0]!.Number("target")).ShouldBe((144, 392));
    }

    [Fact]
    public async Task An_error_says_where()
    {
        var problem = await (await Parse(new { text = "80/h to 200\nfull tu 1040", unit = "C" })).Read(422);
        problem["position"]!.GetValue<int>().ShouldBe(17);
        (problem["line"]!.GetValue<int>(), problem["column"]!.GetValue<int>(), problem["length"]!.GetValue<int>()).ShouldBe((2, 6, 2));
        problem["detail"]!.GetValue<string>().ShouldContain("“tu”");
    }

    [Fact]
    public async Task A_step_by_time_starts_where_it_is_told_to()
    {
        var answer = await (
            await Parse(
                new
                {
                    text = "1:00 to 300",
                    unit = "C",
                    startTemperature = 200,
                }
            )
        ).Read();
        answer["segments"]![0]!.Number("rate").ShouldBe(100);
        answer["line"]!.GetValue<string>().ShouldBe("100/h to 300");
    }

    [Fact]
    public async Task Nothing_an_unknown_unit_and_an_odd_start_are_told()
    {
        (await (await Parse(new { })).Read(422))["position"]!.GetValue<int>().ShouldBe(0);
        (await (await Parse(new { text = "off", unit = "R" })).Problem("unit")).ShouldContain("C or F");
        (await (await Parse(new { text = "off", startTemperature = 1e9 })).Problem("startTemperature")).ShouldContain("1400");
    }
}
