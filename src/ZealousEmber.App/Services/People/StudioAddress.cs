namespace ZealousEmber.App.Services.People;

/// <summary>Where phones of the studio's network find it.</summary>
/// <param name="Public">The address that was chosen with the port it listens on, like <c>https://192.168.1.20:5080</c>; nothing while it is closed.</param>
internal sealed record StudioAddress(Func<int, string?> Public)
{
    /// <summary>What a QR leads to.</summary>
    public string ForPhones(HttpRequest request) => Public(request.HttpContext.Connection.LocalPort) ?? $"{request.Scheme}://{request.Host}";
}
