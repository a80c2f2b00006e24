using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.People;

/// <summary>Somebody at a browser of her own, with its cookies.</summary>
internal sealed class Visitor : IDisposable
{
    public const string OwnersPassword = "seven brown teapots";
    public const string Password = "a wheel, a shelf, rain";

    private readonly HttpClientHandler handler = new() { AllowAutoRedirect = false };

    public Visitor(Uri address) => Http = new HttpClient(handler) { BaseAddress = address };

    public HttpClient Http { get; }

    public CookieContainer Cookies => handler.CookieContainer;

    /// <summary>The cookie of the session, or of the device.</summary>
    public string? Cookie(string name = "ember") => Cookies.GetCookies(Http.BaseAddress!)[name]?.Value;

    public void Carry(string? value, string name = "ember")
    {
        foreach (Cookie cookie in Cookies.GetCookies(Http.BaseAddress!))
            cookie.Expired |= cookie.Name == name;
        if (value is not null)
            Cookies.Add(Http.BaseAddress!, new Cookie(name, value));
    }

    public Task<HttpResponseMessage> SignIn(string name, string password = Password) => Post("/api/sessions", new { name, password });

    public Task<HttpResponseMessage> StepUp(string password = OwnersPassword) => Post("/api/sessions/step-up", new { password });

    public Task<HttpResponseMessage> Me() => Http.GetAsync("/api/sessions/me");

    public Task<HttpResponseMessage> Post(string path, object body) => Http.PostAsJsonAsync(path, body);

    public Task<HttpResponseMessage> Put(string path, object body, string? ifMatch = null)
    {
        var request = new HttpRequestMessage(HttpMethod.Put, path) { Content = JsonContent.Create(body) };
        if (ifMatch is not null)
            request.Headers.TryAddWithoutValidation("If-Match", ifMatch);
        return Http.SendAsync(request);
    }

    /// <summary>Somebody new, added by this owner.</summary>
    public async Task<int> Add(string name, string role, params int[] kilns)
    {
        var made = await (
            await Post(
                "/api/people",
                new
                {
                    name,
                    role,
                    password = Password,
                }
            )
        ).Read(201);
        var id = made["id"]!.GetValue<int>();
        if (kilns.Length > 0)
            await (await Put($"/api/people/{id}/certificates", new { kilnIds = kilns })).Read();
        return id;
    }

    public void Dispose()
    {
        Http.Dispose();
        handler.Dispose();
    }
}

internal static class VisitorOf
{
    public static Visitor Visitor(this RunningStudio studio) => new(studio.Address);

    /// <summary>The first owner, who gave her password again just now.</summary>
    public static async Task<Visitor> Owner(this RunningStudio studio, string name = "Maja")
    {
        var owner = studio.Visitor();
        var known = (await studio.Http.GetAsync("/api/sessions/me")).StatusCode == HttpStatusCode.Unauthorized;
        if (known)
            await (await owner.SignIn(name, Tests.People.Visitor.OwnersPassword)).Read(201);
        else
            await (
                await owner.Post(
                    "/api/people",
                    new
                    {
                        name,
                        role = "owner",
                        password = Tests.People.Visitor.OwnersPassword,
                    }
                )
            ).Read(201);
        await (await owner.StepUp()).Read();
        return owner;
    }

    public static async Task<Visitor> SignedIn(this RunningStudio studio, string name, string password = Tests.People.Visitor.Password)
    {
        var visitor = studio.Visitor();
        await (await visitor.SignIn(name, password)).Read(201);
        return visitor;
    }

    public static async Task<JsonNode> Get(this Visitor visitor, string path) => await (await visitor.Http.GetAsync(path)).Read();
}
