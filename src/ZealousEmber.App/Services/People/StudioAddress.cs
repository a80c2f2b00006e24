namespace ZealousEmber.App.Services.People;

/// <summary>Where phones of the studio's network find it.</summary>
/// <param name="Public">The address that was chosen, like <c>https://192.168.1.20:5443</c>; nothing while it listens to its own machine only.</param>
internal sealed record StudioAddress(string? Public)
{
    /// <summary>What a QR leads to.</summary>
    public string ForPhones(HttpRequest request) => Public ?? $"{request.Scheme}://{request.Host}";
}
