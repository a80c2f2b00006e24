using ZealousEmber.Core.People;

namespace ZealousEmber.App.Services.People;

/// <summary>The two cookies there are: of whoever is signed in, and of a device of the studio.</summary>
/// <param name="IsTls">Whether pages come over TLS: the names then begin with <c>__Host-</c>, and the browser sends them over nothing else.</param>
internal sealed record Cookies(bool IsTls)
{
    // Browsers keep no cookie longer.
    private static readonly TimeSpan DeviceKept = TimeSpan.FromDays(400);

    private string Session => Name("ember");

    private string Device => Name("ember-device");

    public string? SessionKey(HttpRequest request) => request.Cookies[Session];

    public string? DeviceKey(HttpRequest request) => request.Cookies[Device];

    public void GiveSession(HttpResponse response, string key) => response.Cookies.Append(Session, key, Options(SessionTimes.Most.ToTimeSpan()));

    public void GiveDevice(HttpResponse response, string key) => response.Cookies.Append(Device, key, Options(DeviceKept));

    public void TakeSession(HttpResponse response) => response.Cookies.Delete(Session, Options(null));

    public void TakeDevice(HttpResponse response) => response.Cookies.Delete(Device, Options(null));

    private string Name(string name) => IsTls ? $"__Host-{name}" : name;

    private CookieOptions Options(TimeSpan? kept) =>
        new()
        {
            HttpOnly = true,
            SameSite = SameSiteMode.Strict,
            Secure = IsTls,
            Path = "/",
            MaxAge = kept,
            IsEssential = true,
        };
}
