using ZealousEmber.Core.People;

namespace ZealousEmber.App.Http;

/// <summary>Who asks, worked out once for each request.</summary>
/// <param name="Rights">What may be done.</param>
/// <param name="PersonId">Number of who is signed in; nothing for a screen, and where there are no accounts.</param>
/// <param name="Name">What the studio calls her.</param>
/// <param name="DeviceId">Number of the studio's device it comes from.</param>
/// <param name="SessionId">Number of the session.</param>
/// <param name="IsSteppedUp">The password was given again just now.</param>
/// <param name="IsAlone">There are no accounts.</param>
internal sealed record Caller(
    Rights Rights,
    int? PersonId = null,
    string? Name = null,
    int? DeviceId = null,
    int? SessionId = null,
    bool IsSteppedUp = false,
    bool IsAlone = false
)
{
    /// <summary>Whoever sits at a studio without accounts.</summary>
    public static readonly Caller Alone = new(Rights.Everything, IsAlone: true);

    /// <summary>Whether a password given again is all that is missing for something that may be done.</summary>
    public bool WantsPassword(Right right, bool again) => !IsAlone && !IsSteppedUp && (again || (right == Right.Manage && Rights.ByPin));
}

internal static class CallerOf
{
    /// <summary>Who asks; nothing where nobody is signed in.</summary>
    public static Caller? Caller(this HttpContext context) => context.Features.Get<Caller>();
}
