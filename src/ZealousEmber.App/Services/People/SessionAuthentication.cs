using System.Globalization;
using System.Security.Claims;
using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Authentication;
using Microsoft.Extensions.Options;
using ZealousEmber.App.Wire;

namespace ZealousEmber.App.Services.People;

/// <summary>Who asks, by the session's cookie and the device's. Where there are no accounts, whoever sits here.</summary>
internal sealed class SessionAuthentication(
    IOptionsMonitor<AuthenticationSchemeOptions> options,
    ILoggerFactory logger,
    UrlEncoder encoder,
    SignedIn signedIn,
    Cookies cookies
) : AuthenticationHandler<AuthenticationSchemeOptions>(options, logger, encoder)
{
    public const string Name = "session";

    /// <summary>Sent along by a page that asks by itself, nobody having touched it for a while.</summary>
    public const string ByItself = "Asked-By-Itself";

    protected override Task<AuthenticateResult> HandleAuthenticateAsync()
    {
        var caller = signedIn.Who(cookies.SessionKey(Request), cookies.DeviceKey(Request), isByHand: Request.Headers[ByItself].Count == 0);
        if (caller is null)
            return Task.FromResult(AuthenticateResult.NoResult());
        Context.Features.Set(caller);
        var identity = new ClaimsIdentity(Name, ClaimTypes.Name, ClaimTypes.Role);
        if (caller.PersonId is { } person)
            identity.AddClaim(new Claim(ClaimTypes.NameIdentifier, person.ToString(CultureInfo.InvariantCulture)));
        if (caller.Name is { } name)
            identity.AddClaim(new Claim(ClaimTypes.Name, name));
        identity.AddClaim(new Claim(ClaimTypes.Role, WireEnums.Word(caller.Rights.Role)));
        return Task.FromResult(AuthenticateResult.Success(new AuthenticationTicket(new ClaimsPrincipal(identity), Name)));
    }
}
