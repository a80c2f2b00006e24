using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using ZealousEmber.App.Tests.Wire;

namespace ZealousEmber.App.Tests.Live;

/// <summary>Short ways to plan, start and feed a firing over HTTP.</summary>
internal static class LiveWire
{
    private const string Glaze =
        """{"name":"Quick glaze","kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":200,"target":1120},{"pace":"rate","rate":60,"target":1208,"holdMinutes":12},{"pace":"natural"}]}""";

    /// <summary>A kiln of its own with a firing planned in it; the numbers of both.</summary>
    public static async Task<(int Kiln, int Firing)> Plan(this HttpClient http, string schedule = Glaze, string kilnClass = "top-190")
    {
        var kiln = await (await http.PostAsJsonAsync("/api/kilns", new JsonObject { ["name"] = "Teal", ["class"] = kilnClass })).Read(201);
        var made = await (await http.PostText("/api/schedules", schedule)).Read(201);
        var firing = await (
            await http.PostAsJsonAsync(
                "/api/firings",
                new JsonObject
                {
                    ["name"] = "Teal’s load",
                    ["kind"] = JsonNode.Parse(schedule)!["kind"]!.GetValue<string>(),
                    ["kilnId"] = kiln["id"]!.GetValue<int>(),
                    ["scheduleId"] = made["id"]!.GetValue<int>(),
                }
            )
        ).Read(201);
        return (kiln["id"]!.GetValue<int>(), firing["id"]!.GetValue<int>());
    }

    public static Task<HttpResponseMessage> Send(this HttpClient http, string path, object? body, string? person = "Maren", string? token = null)
    {
        var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body ?? new JsonObject()) };
        if (person is not null)
            request.Headers.Add("Studio-Person", person);
        if (token is not null)
            request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", token);
        return http.SendAsync(request);
    }

    public static Task<HttpResponseMessage> Start(this HttpClient http, int firing, JsonObject body) => http.Send($"/api/firings/{firing}/start", body);

    public static async Task<JsonNode> Get(this HttpClient http, string path) => await (await http.GetAsync(path)).Read();

    public static async Task<string> Token(this HttpClient http, int kiln) =>
        (await (await http.Send($"/api/kilns/{kiln}/token", null)).Read(201))["token"]!.GetValue<string>();

    public static JsonObject Batch(IEnumerable<JsonObject> samples, string stream = "1") =>
        new()
        {
            ["logger"] = "box",
            ["stream"] = stream,
            ["samples"] = new JsonArray([.. samples]),
        };

    public static JsonObject Sample(long sequence, DateTimeOffset at, double? celsius, double? share = null) =>
        new()
        {
            ["sequence"] = sequence,
            ["at"] = at.ToString("O"),
            ["celsius"] = celsius,
            ["share"] = share,
        };

    /// <summary>A climb of so many readings, half a minute apart.</summary>
    public static IEnumerable<JsonObject> Climb(DateTimeOffset from, int count, int first = 1) =>
        Enumerable.Range(first, count).Select(i => Sample(i, from.AddSeconds(30 * i), 20 + i * 1.5, 0.4));
}
