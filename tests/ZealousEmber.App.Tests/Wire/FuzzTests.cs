using System.Text.Json.Nodes;
using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Live;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Good requests taken apart at random, at every address that reads a body: each is answered, none with a 500.</summary>
public sealed partial class FuzzTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private static readonly string[] Oddities =
    [
        "null",
        "\"x\"",
        "-1",
        "1e308",
        "-1e308",
        "[]",
        "{}",
        "true",
        "0",
        "\"\"",
        "1e-300",
        "\"NaN\"",
        "\"04\"",
        "[null]",
        "1e999",
        "\"\\u0000\"",
        "2147483648",
    ];

    public static TheoryData<string, string> Requests =>
        new()
        {
            {
                "/api/preview",
                $$"""{"schedule":{{Firing}},"startTemperature":20,"goalCone":"6","start":"2026-11-24T17:30:00Z","between":[{"from":1,"to":2}]}"""
            },
            { "/api/preview?cones=all", $$"""{"schedule":{{Firing}}}""" },
            { "/api/schedules", Firing },
            { "/api/schedules/convert", $$"""{"schedule":{{Firing}},"unit":"F"}""" },
            { "/api/schedules/import", $$"""{"format":"zealous-ember-schedules","version":1,"schedules":[{{Firing}}]}""" },
            { "/api/notation/parse", """{"text":"80/h to 200 hold 45m; off","unit":"C","startTemperature":20}""" },
            { "/api/cones/solve", $$"""{"cone":"6","find":"top","holdMinutes":10,"approach":60,"unit":"C","schedule":{{Firing}},"startTemperature":20}""" },
            { "/api/cones/solve", """{"cone":"6","find":"hold","top":1200,"approach":60,"unit":"C"}""" },
            { "/api/cones/ladder", $$"""{"cone":"6","schedule":{{Firing}},"startTemperature":20}""" },
            { "/api/cones/read", $$"""{"cone":"6","clock":5,"schedule":{{Firing}},"startTemperature":20}""" },
            {
                "/api/cones/work",
                """{"unit":"C","curve":[{"minute":0,"temperature":20},{"minute":600,"temperature":1200},{"minute":900,"temperature":100}]}"""
            },
            {
                "/api/preview",
                $$"""{"schedule":{{Firing}},"kiln":{{Kiln}},"load":{"fill":0.8,"wareKg":30,"furnitureKg":30,"waterKg":1,"firstFiring":true},"anchor":"top","start":"2026-11-24T17:30:00Z"}"""
            },
            { "/api/preview", $$"""{"schedule":{{Firing}},"load":{"lots":{{Lots}} } }""" },
            {
                "/api/plan",
                $$"""{"load":{"lots":{{Lots}} },"kind":"glaze","goalCone":"6","drying":"by-the-wall","approach":"last-hundred","cooling":"off","hold":"none","bisque":"always-open","goal":"coolest","holdMinutes":10,"maxSteps":20,"unit":"C","name":"n","kiln":{{Kiln}},"startTemperature":20}"""
            },
            {
                "/api/plan",
                """{"load":{"lots":[{"what":"bowls","count":8,"wall":6,"dryness":"cool-to-touch","glazedAlready":true}]},"kind":"refiring","goalCone":"019","start":"2026-11-24T17:30:00Z","startTemperature":20}"""
            },
            {
                "/api/plan",
                """{"load":{"lots":[{"what":"slabs","count":8,"wall":14,"width":300,"dryness":"leather-hard"}]},"kind":"drying","unit":"F","maxSteps":9}"""
            },
            {
                "/api/plan/what-if",
                $$"""{"plan":{"load":{"lots":{{Lots}},"packed":true,"witnessPack":false},"kind":"bisque","kiln":{{Kiln}} },"thickerMm":2,"wetter":1,"coolerCones":1,"laterHours":3,"start":"2026-11-24T17:30:00Z"}"""
            },
            { "/api/plan/load", $$"""{"load":{"lots":{{Lots}} },"kind":"glaze","goalCone":"6","kiln":{{Kiln}} }""" },
            { "/api/lots/read", """{"text":"26 mugs ⌀85 × 100, 6 mm"}""" },
            { "/api/say", """{"text":"26 mugs ⌀85 × 100, 6 mm, thrown yesterday, bisque 04","now":"2026-12-02T10:00:00+00:00","unit":"F"}""" },
            {
                "/api/packing",
                """{"kind":"bisque","chamber":{"shape":"round","width":585,"depth":585,"height":710,"raise":25,"shelves":[{"width":530,"depth":530,"thickness":18,"count":8,"half":false},{"width":530,"depth":260,"thickness":18,"count":8,"half":true}],"peepholes":[110,330,560],"thermocouple":{"z":400,"reach":30}},"props":{"across":38,"mostStacked":2,"stock":[{"height":25,"count":12},{"height":125,"count":18}]},"rules":{"gap":6,"above":25,"lid":25,"wall":25,"prop":6,"tip":50,"tipShelf":15},"load":{"lots":[{"what":"mugs","count":14,"wall":6,"must":true,"piece":{"shape":"round","across":85,"deep":85,"height":100,"handle":35,"foot":60,"stacking":"layers","most":3,"step":100}},{"what":"tiles","count":5,"wall":8,"piece":{"shape":"rectangle","across":100,"deep":120,"height":8,"stacking":"flat"}}]},"keep":{"openings":[125],"regions":["front","back"],"pieces":[{"shelf":1,"lot":0,"x":10,"y":-30,"turn":20,"stack":1,"held":true},{"shelf":1,"lot":0}]},"handles":"turned","packs":true,"shelves":"half"}"""
            },
            {
                "/api/packing/check",
                """{"kind":"glaze","kiln":{"class":"top-190"},"load":{"lots":[{"what":"mugs","count":14,"wall":6,"must":true,"piece":{"shape":"round","across":85,"deep":85,"height":100,"handle":35,"foot":60,"stacking":"layers","most":3,"step":100}},{"what":"tiles","count":5,"wall":8,"piece":{"shape":"rectangle","across":100,"deep":120,"height":8,"stacking":"flat"}}]},"shelves":[{"number":1,"region":"full","z":25,"thickness":18,"opening":667,"props":[{"x":246,"y":0,"heights":[25]},{"x":-123,"y":213,"heights":[25]},{"x":-123,"y":-213,"heights":[25]}],"pieces":[{"lot":0,"x":10,"y":20,"turn":0,"stack":1}],"pack":{"x":-10,"y":-236,"peephole":110},"wareKg":1,"areaShare":0.1}],"handles":"any","packs":true}"""
            },
            {
                "/api/packing/firings",
                """{"kind":"glaze","kiln":{"class":"top-100"},"load":{"lots":[{"what":"mugs","count":14,"wall":6,"must":true,"piece":{"shape":"round","across":85,"deep":85,"height":100,"handle":35,"foot":60,"stacking":"layers","most":3,"step":100}},{"what":"tiles","count":5,"wall":8,"piece":{"shape":"rectangle","across":100,"deep":120,"height":8,"stacking":"flat"}}]}}"""
            },
            {
                "/api/firings",
                """{"name":"Thursday","kind":"bisque","kilnId":1,"unit":"C","goalCone":"06","lots":[{"what":"mugs","count":12,"wall":6,"dryness":"damp","glazeIds":[1],"next":"brushing","must":true,"piece":{"shape":"round","across":85,"deep":85,"height":100,"handle":35,"foot":60,"stacking":"layers","most":3,"step":100}}],"drying":"long-hold","approach":"one-rate","cooling":"off","hold":"half-hour","bisque":"always-open","holdMinutes":5,"scheduleId":1,"packed":true,"witnessPack":true,"dropBy":45,"packing":{"handles":"turned","keep":{"openings":[125],"pieces":[{"shelf":1,"lot":0,"x":10,"y":-30,"turn":20,"stack":1,"held":true}]}},"startsAt":"2026-11-24T17:30:00Z","accepted":[{"id":"steam-risk","severity":"look","note":"dried on the lid","at":"2026-11-24T17:30:00Z"}]}"""
            },
            {
                "/api/clays",
                """{"name":"Marsh","kind":"stoneware","coneFrom":"5","coneTo":"7","shrinkage":12,"absorption":2,"burnsOutSlowly":true,"notes":"n"}"""
            },
            {
                "/api/glazes",
                """{"name":"Oyster","coneFrom":"5","coneTo":"7","runny":true,"slowFrom":1040,"slowTo":850,"slowHours":3.5,"unit":"C","notes":"n"}"""
            },
            { "/api/kilns", Kiln },
            { "/api/kilns/portrait", Kiln },
            { "/api/controllers", Profiles.Wedge },
            { "/api/controllers", Profiles.Stilt },
            { "/api/controllers", Profiles.Bung },
            {
                "/api/controllers/fit",
                $$"""{"schedule":{{Firing}},"profile":{{Profiles.Wedge}},"goalCone":"6","startTemperature":20,"slot":"2","delayMinutes":90}"""
            },
            { "/api/controllers/fit", $$"""{"schedule":{{Firing}},"profile":{{Profiles.Stilt}},"kiln":{{Kiln}},"load":{"lots":{{Lots}} } }""" },
            {
                "/api/controllers/press",
                $$"""{"profile":{{Profiles.Wedge}},"keys":["open","1","take","more~1.5","until 3","hand lid","take"],"memory":{"slot":"2","slots":{"2":{"rate.1":"100","count":"3"} },"shared":{"alarm":"1200"},"state":"ask","at":"count","typed":"1","hands":["lid"]} }"""
            },
            {
                "/api/controllers/read-back",
                $$"""{"schedule":{{Firing}},"profile":{{Profiles.Wedge}},"program":[{"question":"slot","shown":"1"},{"question":"count","shown":"1"},{"question":"rate.1","shown":"100"},{"question":"target.1","shown":"1000"},{"question":"hold.1","shown":"0.10"},{"question":"alarm","shown":"1100"},{"question":"delay","shown":"0.00"}],"shown":["1","1","10","1000","10 min","1100","0"],"memory":{"state":"rest"},"startTemperature":20}"""
            },
            {
                "/api/controllers/fit",
                """{"schedule":{"kind":"glaze","unit":"C","goalCone":"022","segments":[{"pace":"rate","rate":400,"target":590},{"pace":"natural"}]},"profileId":10,"kiln":{"class":"bench"},"done":[{"minute":0,"positions":["1","1"]},{"minute":20,"positions":["1","2"]}],"readings":[{"minute":20,"temperature":90}]}"""
            },
            {
                "/api/kilns/{kiln}/entered",
                $$"""{"schedule":{{Firing}},"goalCone":"6","startTemperature":20,"slot":"2","delayMinutes":90,"shown":["2","3","100"],"slip":"kept"}"""
            },
            {
                "/api/practice/check",
                """{"profileId":1,"task":"over-bisque","memory":{"slot":"2","slots":{"2":{"rate.1":"100","count":"3"} },"state":"ask","at":"count","typed":"1"},"answers":[1210,12,500],"found":"rate.1","seconds":30,"hints":1}"""
            },
            { "/api/practice/check", """{"profileId":1,"task":"read-glaze","answers":[1210,12,500]}""" },
            {
                "/api/packing/choices",
                """{"kind":"glaze","kiln":{"class":"top-100"},"load":{"lots":[{"what":"mugs","count":30,"wall":6,"piece":{"across":85,"height":100,"handle":35}}]},"shelves":"full"}"""
            },
            {
                "/api/live/replay",
                $$"""{"schedule":{{Firing}},"kiln":{{Kiln}},"load":{"fill":0.8},"goalCone":"6","startTemperature":20,"samples":[{"minute":0,"celsius":20,"share":0.1,"setPoint":20},{"minute":5,"celsius":27,"share":0.2,"setPoint":27},{"minute":30,"celsius":60}],"untilMinute":40,"reportAt":[1,35]}"""
            },
            {
                "/api/learning/replay",
                $$"""{"kiln":{{Kiln}},"firings":[{"schedule":{{Firing}},"load":{"fill":0.8},"goalCone":"6","startTemperature":20,"log":[{"minute":0,"celsius":20,"share":0.1},{"minute":5,"celsius":27,"share":0.2}],"packs":[{"shelf":"top","cones":[{"cone":"5","bendDegrees":90},{"cone":"6","clock":2}]}],"newThermocouple":true,"newElements":false}]}"""
            },
            {
                "/api/diagnosis",
                $$"""{"faults":[{"fault":"dull-crystals","pieces":3,"severity":"refire","numbers":{"band":0.4,"wantsHold":true,"where":"oneLot"},"lot":0,"shelf":"top","later":false}],"curve":[{"minute":0,"celsius":20},{"minute":600,"celsius":1200},{"minute":900,"celsius":100}],"load":{"lots":{{Lots}} },"packs":[{"shelf":2,"cones":[{"cone":"6","bendDegrees":80}]}],"schedule":{{Firing}},"goalCone":"6","kind":"glaze","kiln":{{Kiln}},"openedCelsius":60}"""
            },
            { "/api/compare", """{"firings":[4,5,6],"align":"rise","celsius":600}""" },
            {
                "PUT /api/firings/{started}/reading",
                """{"packs":[{"shelf":"top","cones":[{"cone":"5","bendDegrees":120},{"cone":"6","clock":4.5}]},{"shelf":1,"cones":[{"cone":"6","bendDegrees":30}]}],"results":{"out":12,"lost":1,"faults":[{"kind":"pinholes","lot":null,"shelf":"top","count":2,"severity":"refire","later":true,"note":"n"}],"word":"w","reference":true}}"""
            },
            { "PUT /api/kilns/{kiln}/care", """{"offset":5,"power":0.9,"note":"n","thermocoupleAfter":80,"shelvesAfter":15,"ventAfter":50}""" },
            { "/api/kilns/{kiln}/maintenance", """{"kind":"shelves","at":"2026-11-24T17:30:00Z","note":"n"}""" },
            { "/api/firings/{started}/entries", """{"key":"k","kind":"note","at":"2026-11-24T17:30:00Z","celsius":812,"subject":"6","text":"n"}""" },
            {
                "/api/starts",
                $$"""{"schedule":{{Firing}},"kiln":{{Kiln}},"from":"2026-11-24T17:30:00Z","until":"2026-11-25T17:30:00Z","openBy":"2026-11-30T17:30:00Z","studio":{{Hours}}}"""
            },
            { "/api/starts/calendar", $$"""{"schedule":{{Firing}},"kiln":{{Kiln}},"start":"2026-11-24T17:30:00Z"}""" },
            { "/api/cones/solve", $$"""{"cone":"6","find":"top","schedule":{{Firing}},"kiln":{{Kiln}}}""" },
        };

    /// <summary>The address, with a kiln that names a controller where it wants one.</summary>
    internal static async Task<string> Addressed(RunningStudio studio, string path)
    {
        if (path.Contains("{started}", StringComparison.Ordinal))
        {
            var (_, firing) = await studio.Http.Plan();
            await (await studio.Http.Start(firing, new JsonObject { ["link"] = "hand", ["startsAt"] = "2026-11-24T12:00:00Z" })).Read(201);
            return path.Replace("{started}", $"{firing}", StringComparison.Ordinal);
        }
        if (!path.Contains("{kiln}", StringComparison.Ordinal))
            return path;
        var kiln = await (await studio.Http.PostText("/api/kilns", Kiln.Replace("\"notes\":\"n\"", "\"controllerId\":1", StringComparison.Ordinal))).Read(201);
        return path.Replace("{kiln}", kiln["id"]!.ToString(), StringComparison.Ordinal);
    }

    private const string Kiln =
        """{"name":"Teal","class":"top-190","unit":"C","volume":190,"power":10000,"elementHealth":95,"brick":"standard","brickThickness":76,"topLimit":1290,"openLimit":50,"room":20,"altitude":4,"leak":1,"heatFactor":100,"lossFactor":100,"holdClock":"waits","notes":"n"}""";

    private const string Lots =
        """[{"what":"mugs","count":12,"wall":6,"width":100,"closedHollow":false,"oneSided":false,"dryness":"bone-dry","clay":{"name":"Marsh","coneFrom":"5","coneTo":"7"},"glazes":[{"name":"Oyster","coneFrom":"5","coneTo":"7"}],"whose":"Maren","next":"dipping","pieceKg":0.5,"glazedAlready":false}]""";

    private const string Hours =
        """{"timeZone":"Europe/London","currency":"£","price":0.3,"bands":[{"name":"night","price":0.1,"hours":{"days":["mon"],"from":"23:00","to":"07:00"},"firstMonth":11,"lastMonth":3}],"people":[{"name":"Maren","hours":[{"days":["tue"],"from":"08:00","to":"18:00"}]}],"rule":"marked-moments","marked":["top"]}""";

    private static string Firing => Wire.GlazeFiring().With("notes", "n").With("tags", new JsonArray("a")).With("goalCone", "6").ToJsonString();

    [Theory]
    [MemberData(nameof(Requests))]
    public async Task Nothing_that_is_sent_gets_a_500(string address, string good)
    {
        var path = await Addressed(studio, address);
        ((int)(await Send(studio, path, good)).StatusCode).ShouldBeInRange(200, 201, "the request is good before it is broken");
        var bodies = new List<string>();
        Gen.Select(Gen.Int[0, 200], Gen.Int[0, Oddities.Length - 1], Gen.Int[0, 3])
            .Array[1, 4]
            .Select(changes => Break(good, changes))
            .Sample(
                body =>
                {
                    lock (bodies)
                        bodies.Add(body);
                },
                iter: 150
            );
        foreach (var body in bodies.Distinct())
        {
            var response = await Send(studio, path, body);
            ((int)response.StatusCode).ShouldBeOneOf(200, 201, 400, 422);
            if (response.IsSuccessStatusCode)
            {
                // A schedule, or a kiln of before, may be called "NaN"; only one that nobody sent is a broken number.
                var told = KilnNames().Replace(await response.Content.ReadAsStringAsync(), "");
                if (!body.Contains("NaN", StringComparison.OrdinalIgnoreCase))
                    told.ShouldNotContain("NaN", Case.Sensitive);
            }
            else
                response.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json", body);
        }
    }

    /// <summary>Sends a body to an address; those that save in place say so before it.</summary>
    internal static Task<HttpResponseMessage> Send(RunningStudio studio, string path, string body) =>
        path.StartsWith("PUT ", StringComparison.Ordinal)
            ? studio.Http.PutAsync(path[4..], new StringContent(body, System.Text.Encoding.UTF8, "application/json"))
            : studio.Http.PostText(path, body);

    /// <summary>Members dropped or swapped for something odd; now and then the text is cut off.</summary>
    private static string Break(string good, (int At, int Odd, int How)[] changes)
    {
        var request = JsonNode.Parse(good)!.AsObject();
        var text = good;
        foreach (var (at, odd, how) in changes)
        {
            var places = Places(request).ToList();
            if (places.Count == 0)
                break;
            var (parent, key) = places[at % places.Count];
            if (how == 0)
                parent.Remove(key);
            else
                parent[key] = JsonNode.Parse(Oddities[odd]);
            text = request.ToJsonString();
            if (how == 3 && odd == 0)
                text = text[..(at % text.Length)];
        }
        return text;
    }

    private static IEnumerable<(JsonObject Parent, string Key)> Places(JsonNode? node) =>
        node switch
        {
            JsonObject o => o.SelectMany(member => Places(member.Value).Prepend((o, member.Key))),
            JsonArray a => a.SelectMany(Places),
            _ => [],
        };

    [System.Text.RegularExpressions.GeneratedRegex("\"kiln\":\"[^\"]*\"")]
    private static partial System.Text.RegularExpressions.Regex KilnNames();
}
