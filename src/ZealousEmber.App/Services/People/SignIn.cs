using NodaTime;

namespace ZealousEmber.App.Services.People;

/// <summary>What every place that looks at a password has in common.</summary>
internal static class SignIn
{
    /// <summary>Whose tries are counted together: a name on a device of the studio, else from an address.</summary>
    public static (string Name, string Place) Who(string name, SignedIn signedIn, Cookies cookies, HttpContext context) =>
        (
            name.Trim().ToUpperInvariant(),
            signedIn.DeviceOf(cookies.DeviceKey(context.Request)) is { } device
                ? string.Create(System.Globalization.CultureInfo.InvariantCulture, $"device {device.Id}")
                : context.Connection.RemoteIpAddress?.ToString() ?? ""
        );

    /// <summary>429: not even the right password is looked at.</summary>
    public static IResult Locked(Duration wait, HttpResponse response)
    {
        var seconds = Math.Ceiling(wait.TotalSeconds);
        response.Headers.RetryAfter = seconds.ToString(System.Globalization.CultureInfo.InvariantCulture);
        return Results.Problem(
            statusCode: StatusCodes.Status429TooManyRequests,
            title: "Locked for a while",
            detail: $"Too many wrong tries. Try again in {Core.Phrases.Count((int)Math.Ceiling(seconds / 60), "minute")}."
        );
    }
}
