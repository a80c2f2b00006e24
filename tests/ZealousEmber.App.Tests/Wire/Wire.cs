using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Short ways to say requests and to read answers.</summary>
internal static class Wire
{
    public static JsonObject Step(double? rate, double? target, double hold = 0, string pace = "rate") =>
        new()
        {
            ["pace"] = pace,
            ["rate"] = rate,
            ["target"] = target,
            ["holdMinutes"] = hold,
        };

    public static JsonObject Schedule(params JsonObject[] steps) =>
        new()
        {
            ["name"] = "A firing",
            ["kind"] = "glaze",
            ["unit"] = "C",
            ["segments"] = new JsonArray([.. steps]),
        };

    public static JsonObject GlazeFiring() =>
        Schedule(Step(80, 200, 45), Step(null, 1040, pace: "full"), Step(60, 1210, 12), Step(55, 850, 90), Step(null, null, pace: "natural"));

    public static Task<HttpResponseMessage> Preview(this HttpClient http, JsonObject schedule, Action<JsonObject>? more = null)
    {
        var request = new JsonObject { ["schedule"] = schedule };
        more?.Invoke(request);
        return http.PostAsJsonAsync("/api/preview", request);
    }

    public static Task<HttpResponseMessage> PostText(this HttpClient http, string path, string body, string type = "application/json") =>
        http.PostAsync(path, new StringContent(body, Encoding.UTF8, type));

    public static async Task<JsonNode> Read(this HttpResponseMessage response, int status = 200)
    {
        var body = await response.Content.ReadAsStringAsync();
        ((int)response.StatusCode).ShouldBe(status, body);
        return JsonNode.Parse(body)!;
    }

    /// <summary>The first message at a field of problem details.</summary>
    public static async Task<string> Problem(this HttpResponseMessage response, string field, int status = 422)
    {
        var body = await response.Read(status);
        response.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
        body["status"]!.GetValue<int>().ShouldBe(status);
        var errors = body["errors"].ShouldNotBeNull(body.ToJsonString()).AsObject();
        errors.Select(e => e.Key).ShouldContain(field, body.ToJsonString());
        return errors[field]![0]!.GetValue<string>();
    }

    public static double Number(this JsonNode node, string name) => node[name]!.GetValue<double>();

    public static async Task<JsonNode> Create(this HttpClient http, JsonObject? schedule = null) =>
        await (await http.PostAsJsonAsync("/api/schedules", schedule ?? GlazeFiring())).Read(201);

    public static Task<HttpResponseMessage> Put(this HttpClient http, int id, JsonNode schedule, string? ifMatch)
    {
        var request = new HttpRequestMessage(HttpMethod.Put, $"/api/schedules/{id}") { Content = JsonContent.Create(schedule) };
        if (ifMatch is not null)
            request.Headers.TryAddWithoutValidation("If-Match", ifMatch);
        return http.SendAsync(request);
    }

    public static JsonObject With(this JsonNode schedule, string member, JsonNode? value)
    {
        var copy = schedule.DeepClone().AsObject();
        copy[member] = value;
        return copy;
    }
}
