using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

public sealed class KilnTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private static JsonObject Kiln(string name = "Teal", string kind = "top-190") => new() { ["name"] = name, ["class"] = kind };

    private async Task<JsonNode> Made(JsonObject? kiln = null) => await (await studio.Http.PostAsJsonAsync("/api/kilns", kiln ?? Kiln())).Read(201);

    [Fact]
    public async Task A_kiln_from_a_class_has_its_numbers_and_is_found_again()
    {
        var made = await Made(Kiln("Curlew", "front-200"));
        var kiln = (await (await studio.Http.GetAsync($"/api/kilns/{made["id"]}")).Read())["kiln"]!;
        kiln["name"]!.GetValue<string>().ShouldBe("Curlew");
        kiln.Number("volume").ShouldBe(200);
        kiln.Number("power").ShouldBe(12000);
        kiln.Number("brickThickness").ShouldBe(115);
        kiln.Number("fibreThickness").ShouldBe(50);
        (await (await studio.Http.GetAsync("/api/kilns")).Read()).AsArray().Select(k => (int)k!["id"]!).ShouldContain((int)made["id"]!);
    }

    [Fact]
    public async Task Another_volume_brings_its_own_power()
    {
        var made = await Made(
            new JsonObject
            {
                ["name"] = "Half",
                ["class"] = "top-190",
                ["volume"] = 95,
            }
        );
        made["kiln"]!.Number("power").ShouldBe(10000 * Math.Pow(0.5, 2.0 / 3), 1);
    }

    [Fact]
    public async Task Temperatures_may_be_in_fahrenheit()
    {
        var made = await Made(
            new JsonObject
            {
                ["name"] = "F",
                ["class"] = "top-190",
                ["unit"] = "F",
                ["openLimit"] = 122,
                ["topLimit"] = 2300,
            }
        );
        made["kiln"]!.Number("openLimit").ShouldBe(122);
        (
            await (
                await studio.Http.PostAsJsonAsync(
                    "/api/kilns",
                    new JsonObject
                    {
                        ["name"] = "F",
                        ["class"] = "top-190",
                        ["unit"] = "F",
                        ["openLimit"] = 500,
                    }
                )
            ).Problem("openLimit")
        ).ShouldContain("392 °F");
    }

    [Fact]
    public async Task A_save_needs_the_version_it_was_made_on()
    {
        var made = await Made();
        var id = (int)made["id"]!;
        async Task<HttpResponseMessage> Put(JsonNode kiln, string? tag)
        {
            var request = new HttpRequestMessage(HttpMethod.Put, $"/api/kilns/{id}") { Content = JsonContent.Create(kiln) };
            if (tag is not null)
                request.Headers.TryAddWithoutValidation("If-Match", tag);
            return await studio.Http.SendAsync(request);
        }
        var worn = made["kiln"]!.With("elementHealth", 88);
        ((int)(await Put(worn, null)).StatusCode).ShouldBe(428);
        (await (await Put(worn, "\"1\"")).Read())["version"]!.GetValue<int>().ShouldBe(2);
        var clash = await (await Put(made["kiln"]!.With("room", 12), "\"1\"")).Read(412);
        clash["current"]!["kiln"]!.Number("elementHealth").ShouldBe(88);
        (await (await Put(worn, "\"2\"")).Read())["version"]!.GetValue<int>().ShouldBe(2, "nothing changed, so nothing was saved");
    }

    [Fact]
    public async Task Deleting_can_be_undone()
    {
        var id = (int)(await Made(Kiln("Knot")))["id"]!;
        ((int)(await studio.Http.DeleteAsync($"/api/kilns/{id}")).StatusCode).ShouldBe(204);
        await (await studio.Http.GetAsync($"/api/kilns/{id}")).Read(404);
        await (await studio.Http.DeleteAsync($"/api/kilns/{id}")).Read(404);
        (await (await studio.Http.PostAsync($"/api/kilns/{id}/restore", null)).Read())["kiln"]!["name"]!.GetValue<string>().ShouldBe("Knot");
    }

    [Theory]
    [InlineData("""{"name":"x","class":"top-190","volume":0}""", "volume", "between 2 and 2000 L")]
    [InlineData("""{"name":"x","class":"top-190","power":900000}""", "power", "between 300 and 150000 W")]
    [InlineData("""{"name":"","class":"top-190"}""", "name", "needs a name")]
    [InlineData("""{"name":"x","class":"raku"}""", "class", "bench, top-100")]
    [InlineData("""{"name":"x"}""", "class", "starts from one of these")]
    [InlineData("""{"name":"x","class":"bench","brick":"clay"}""", "brick", "standard or light")]
    [InlineData("""{"name":"x","class":"bench","holdClock":"maybe"}""", "holdClock", "waits or runs")]
    [InlineData("""{"name":"x","class":"bench","openLimit":30,"room":28}""", "openLimit", "never gets as cold")]
    [InlineData("""{"name":"x","class":"bench","elementHealth":5}""", "elementHealth", "between 40 and 110 %")]
    public async Task A_kiln_that_cannot_be_is_refused_at_its_field(string body, string field, string says)
    {
        (await (await studio.Http.PostText("/api/kilns", body)).Problem(field)).ShouldContain(says);
        if (field != "name")
            (await (await studio.Http.PostText("/api/kilns/portrait", body)).Problem(field)).ShouldContain(says);
    }

    [Fact]
    public async Task A_portrait_tells_climb_fall_and_usual_firings()
    {
        var portrait = await (await studio.Http.PostAsJsonAsync("/api/kilns/portrait", Kiln())).Read();
        var climb = portrait["climb"]!.AsArray();
        climb.Single(p => p!.Number("temperature") == 600)!.Number("rate").ShouldBe(214, 15);
        climb.Zip(climb.Skip(1)).ShouldAllBe(pair => pair.First!.Number("rate") > pair.Second!.Number("rate"));
        portrait["fall"]!.AsArray().Count.ShouldBeGreaterThan(10);
        var glaze = portrait["usual"]!.AsArray().Single(u => u!["kind"]!.GetValue<string>() == "glaze")!;
        glaze.Number("energyKwh").ShouldBe(73.7, 3.7);
        glaze["cooling"]!.AsArray().Single(c => c!.Number("temperature") == 100)!.Number("minutes").ShouldBe(18.4 * 60, 55);
    }

    [Fact]
    public async Task With_a_kiln_the_preview_is_what_the_kiln_does()
    {
        var id = (int)(await Made())["id"]!;
        var plain = await (await studio.Http.Preview(Wire.GlazeFiring())).Read();
        var answer = await (await studio.Http.Preview(Wire.GlazeFiring(), r =>
            {
                r["kilnId"] = id;
                r["start"] = "2026-11-24T17:30:00+00:00";
            })).Read();
        var kiln = answer["kiln"]!;
        kiln["name"]!.GetValue<string>().ShouldBe("Teal");
        answer.Number("totalMinutes").ShouldBeGreaterThan(plain.Number("totalMinutes"));
        answer["kilnNote"].ShouldBeNull();
        answer["segments"]!.AsArray().Count.ShouldBe(5);
        kiln["steps"]!.AsArray().Count.ShouldBe(5);
        kiln.Number("energyKwh").ShouldBe(kiln.Number("lostKwh") + kiln.Number("storedKwh"), 0.005 * kiln.Number("energyKwh"));
        kiln["steps"]!.AsArray().Sum(s => s!.Number("energyKwh")).ShouldBe(kiln.Number("energyKwh"), 1e-6);
        var opens = DateTimeOffset.Parse(kiln["openAt"]!.GetValue<string>(), System.Globalization.CultureInfo.InvariantCulture);
        (opens - new DateTimeOffset(2026, 11, 24, 17, 30, 0, TimeSpan.Zero)).TotalMinutes.ShouldBe(kiln.Number("openMinute"), 0.01);
        answer["moments"]!.AsArray()[^1]!["kind"]!.GetValue<string>().ShouldBe("may-open");
    }

    [Fact]
    public async Task A_kiln_may_be_described_in_the_request_and_in_fahrenheit_it_is_the_same()
    {
        var celsius = await (await studio.Http.Preview(Wire.GlazeFiring(), r => r["kiln"] = new JsonObject { ["class"] = "top-190" })).Read();
        var converted = await (
            await studio.Http.PostAsJsonAsync("/api/schedules/convert", new JsonObject { ["schedule"] = Wire.GlazeFiring(), ["unit"] = "F" })
        ).Read();
        var fahrenheit = await (await studio.Http.Preview(converted.AsObject(), r =>
            {
                r["kiln"] = new JsonObject { ["class"] = "top-190" };
                r["startTemperature"] = 68;
            })).Read();
        fahrenheit["kiln"]!.Number("energyKwh").ShouldBe(celsius["kiln"]!.Number("energyKwh"), 0.01);
        fahrenheit["kiln"]!.Number("openTemperature").ShouldBe(122);
        fahrenheit["kiln"]!["curve"]!.AsArray().Max(p => p!.Number("temperature")).ShouldBe(2210, 1);
    }

    [Theory]
    [InlineData("top", "top")]
    [InlineData("open", "may-open")]
    public async Task A_start_may_be_told_from_the_other_end(string anchor, string kind)
    {
        var answer = await (await studio.Http.Preview(Wire.GlazeFiring(), r =>
            {
                r["kiln"] = Kiln();
                r["anchor"] = anchor;
                r["start"] = "2026-11-26T08:00:00+01:00";
            })).Read();
        answer["moments"]!.AsArray().Single(m => m!["kind"]!.GetValue<string>() == kind)!["at"]!
            .GetValue<DateTimeOffset>()
            .ShouldBe(new DateTimeOffset(2026, 11, 26, 8, 0, 0, TimeSpan.FromHours(1)), TimeSpan.FromSeconds(1));
        answer["startsAt"]!.GetValue<DateTimeOffset>().ShouldBeLessThan(new DateTimeOffset(2026, 11, 26, 0, 0, 0, TimeSpan.Zero));
    }

    [Fact]
    public async Task A_kiln_that_cannot_reach_it_says_how_far_it_gets()
    {
        var answer = await (
            await studio.Http.Preview(Wire.Schedule(Wire.Step(100, 200), Wire.Step(200, 1120), Wire.Step(60, 1222, 10)), r =>
                r["kiln"] = new JsonObject { ["class"] = "bench", ["elementHealth"] = 85 }
            )
        ).Read();
        var stall = answer["kiln"]!["stall"]!;
        stall.Number("segment").ShouldBe(2);
        stall.Number("temperature").ShouldBe(1155, 6);
        answer["findings"]!.AsArray().Select(f => f!["id"]!.GetValue<string>()).ShouldContain("kiln-cannot-reach");
    }

    [Fact]
    public async Task A_slow_step_is_found_and_its_mend_helps()
    {
        var schedule = Wire.Schedule(Wire.Step(100, 1100), Wire.Step(110, 1200, 5));
        void InHeron(JsonObject r) =>
            r["kiln"] = new JsonObject
            {
                ["name"] = "Heron",
                ["class"] = "top-190",
                ["elementHealth"] = 95,
            };
        var finding = (await (await studio.Http.Preview(schedule.DeepClone().AsObject(), InHeron)).Read())["findings"]!
            .AsArray()
            .Single(f => f!["segment"]!.GetValue<int>() == 1)!;
        finding["id"]!.GetValue<string>().ShouldBe("kiln-too-slow");
        finding["text"]!.GetValue<string>().ShouldContain("Heron cannot keep to 110 °C/h");
        var fix = finding["fix"]!;
        fix["text"]!.GetValue<string>().ShouldStartWith("Use ");
        schedule["segments"]!.AsArray()[1] = fix["steps"]![0]!.DeepClone();
        (await (await studio.Http.Preview(schedule.DeepClone().AsObject(), InHeron)).Read())["findings"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_nearly_empty_kiln_is_noted_with_how_fast_it_drops()
    {
        async Task<string[]> Notes(double fill)
        {
            var filled = new JsonObject
            {
                ["kiln"] = Kiln(),
                ["load"] = new JsonObject { ["fill"] = fill },
            };
            var preview = await studio.Http.Preview(Wire.GlazeFiring(), r =>
            {
                foreach (var (name, value) in filled)
                    r[name] = value?.DeepClone();
            });
            var findings = (await preview.Read())["findings"]!.AsArray();
            return [.. findings.Where(f => f!["id"]!.GetValue<string>() == "nearly-empty").Select(f => f!["text"]!.GetValue<string>())];
        }
        (await Notes(0.1)).ShouldHaveSingleItem().ShouldContain("Teal is nearly empty (4 kg of ware)");
        (await Notes(0.5)).ShouldBeEmpty();
    }

    [Theory]
    [InlineData("""{"fill":2}""", "load.fill")]
    [InlineData("""{"wareKg":-3}""", "load.wareKg")]
    [InlineData("""{"furnitureKg":1e9}""", "load.furnitureKg")]
    [InlineData("""{"wareKg":10,"waterKg":11,"firstFiring":true}""", "load.waterKg")]
    public async Task A_load_that_cannot_be_is_refused(string load, string field) => await (await studio.Http.Preview(Wire.GlazeFiring(), r =>
            {
                r["kiln"] = Kiln();
                r["load"] = JsonNode.Parse(load);
            })).Problem(field);

    [Fact]
    public async Task A_kiln_that_is_not_there_and_an_anchor_nobody_knows_are_said()
    {
        await (await studio.Http.Preview(Wire.GlazeFiring(), r => r["kilnId"] = 99999)).Problem("kilnId");
        await (await studio.Http.Preview(Wire.GlazeFiring(), r => r["anchor"] = "teatime")).Problem("anchor");
        await (await studio.Http.Preview(Wire.Schedule(Wire.Step(0.2, 1000)), r => r["kiln"] = Kiln())).Problem("schedule.segments");
    }

    [Fact]
    public async Task Cones_see_what_the_kiln_really_does()
    {
        var schedule = Wire.Schedule(Wire.Step(200, 1100), Wire.Step(60, 1200, 10)).With("goalCone", "6");
        var request = new JsonObject
        {
            ["cone"] = "6",
            ["find"] = "top",
            ["schedule"] = schedule.DeepClone(),
            ["kiln"] = new JsonObject { ["class"] = "top-190", ["elementHealth"] = 90 },
        };
        var solved = await (await studio.Http.PostAsJsonAsync("/api/cones/solve", request)).Read();
        solved.Number("progress").ShouldBe(1, 0.08);
        var plain = await (await studio.Http.PostAsJsonAsync("/api/cones/solve", request.With("kiln", null))).Read();
        solved.Number("top").ShouldBeLessThan(plain.Number("top"), "a slow kiln does more of the work on the way up");
        var ladder = await (
            await studio.Http.PostAsJsonAsync(
                "/api/cones/ladder",
                new JsonObject
                {
                    ["cone"] = "6",
                    ["schedule"] = schedule.DeepClone(),
                    ["kiln"] = Kiln(),
                }
            )
        ).Read();
        ladder.AsArray().Where(r => r!["top"] is not null).ShouldAllBe(r => r!.Number("energyKwh") > 30);
        var weak = request.With("kiln", new JsonObject { ["class"] = "bench", ["elementHealth"] = 60 });
        (await (await studio.Http.PostAsJsonAsync("/api/cones/solve", weak)).Problem("cone")).ShouldContain("at best");
    }
}
