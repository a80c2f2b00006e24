using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Authorization.Policy;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Http;

/// <summary>Whose an address is, where that decides who may use it.</summary>
internal enum NeedOf
{
    /// <summary>Nobody's in particular.</summary>
    Studio,

    /// <summary>The kiln whose number the address has.</summary>
    Kiln,

    /// <summary>The kiln of the firing whose number the address has.</summary>
    Firing,

    /// <summary>Who wrote the schedule whose number the address has.</summary>
    Schedule,

    /// <summary>Who wrote the schedule of the firing whose number the address has.</summary>
    FiringSchedule,
}

/// <summary>What an address wants of who asks.</summary>
/// <param name="Right">The right.</param>
/// <param name="Of">What it is for.</param>
/// <param name="PasswordAgain">The password given again within the last minutes.</param>
internal sealed record Need(Right Right, NeedOf Of = NeedOf.Studio, bool PasswordAgain = false) : IAuthorizationRequirement
{
    /// <summary>What was missing, for the answer.</summary>
    public sealed record Missing(Right Right, int? Kiln, bool StepUp);
}

internal static class NeedPolicies
{
    /// <summary>Whoever uses these addresses has to have this right; those of a group have it besides their own.</summary>
    public static TBuilder Needs<TBuilder>(this TBuilder addresses, Right right, NeedOf of = NeedOf.Studio, bool passwordAgain = false)
        where TBuilder : IEndpointConventionBuilder =>
        addresses.RequireAuthorization(new AuthorizationPolicyBuilder().AddRequirements(new Need(right, of, passwordAgain)).Build());

    /// <summary>Anybody, signed in or not.</summary>
    public static TBuilder ForAnybody<TBuilder>(this TBuilder addresses)
        where TBuilder : IEndpointConventionBuilder => addresses.AllowAnonymous();

    public static void AddNeeds(this IServiceCollection services)
    {
        services.AddSingleton<IAuthorizationHandler, NeedHandler>();
        services.AddSingleton<IAuthorizationHandler, NothingSaidHandler>();
        services.AddSingleton<IAuthorizationMiddlewareResultHandler, NeedAnswers>();
        services.AddAuthorizationBuilder().SetFallbackPolicy(new AuthorizationPolicyBuilder().AddRequirements(new NothingSaid()).Build());
    }
}

/// <summary>An address that says nothing of who may use it is nobody's.</summary>
internal sealed class NothingSaid : IAuthorizationRequirement;

internal sealed class NothingSaidHandler : AuthorizationHandler<NothingSaid, HttpContext>
{
    protected override Task HandleRequirementAsync(AuthorizationHandlerContext context, NothingSaid requirement, HttpContext resource)
    {
        // There is no such address at all: whoever may look at anything is told so.
        if (resource.GetEndpoint() is null && resource.Caller() is not null)
            context.Succeed(requirement);
        return Task.CompletedTask;
    }
}

/// <summary>Holds who asks to what an address needs, before a byte of the body is read.</summary>
internal sealed class NeedHandler : AuthorizationHandler<Need, HttpContext>
{
    protected override async Task HandleRequirementAsync(AuthorizationHandlerContext context, Need requirement, HttpContext resource)
    {
        if (resource.Caller() is not { } caller)
            return;
        var missing = await MissingOf(requirement, caller, resource);
        if (missing is null)
            context.Succeed(requirement);
        else if (resource.Features.Get<Need.Missing>() is null)
            resource.Features.Set(missing);
    }

    private static async Task<Need.Missing?> MissingOf(Need need, Caller caller, HttpContext http)
    {
        if (caller.IsAlone)
            return null;
        var (right, kiln) = (need.Right, (int?)null);
        if (right == Right.Run && caller.Rights.Role != Role.Owner)
            (right, kiln) = await KilnOf(need.Of, http);
        else if (right == Right.OwnSchedules && caller.Rights.May(Right.OwnSchedules) && !await IsOwn(need.Of, caller, http))
            right = Right.AnySchedules;
        if (!caller.Rights.May(right, kiln))
            return new Need.Missing(right, kiln, StepUp: false);
        return caller.WantsPassword(right, need.PasswordAgain) ? new Need.Missing(right, kiln, StepUp: true) : null;
    }

    /// <summary>A firing that has no kiln yet is no kiln's: whoever may plan one may say so.</summary>
    private static async Task<(Right Right, int? Kiln)> KilnOf(NeedOf of, HttpContext http)
    {
        if (Number(http) is not { } id)
            return (Right.Run, null);
        if (of == NeedOf.Kiln)
            return (Right.Run, id);
        return await http.RequestServices.GetRequiredService<FiringFinder>().PlaceOf(id, http.RequestAborted) is { Kiln: { } kiln }
            ? (Right.Run, kiln)
            : (Right.Reserve, null);
    }

    private static async Task<bool> IsOwn(NeedOf of, Caller caller, HttpContext http)
    {
        if (of == NeedOf.Studio || Number(http) is not { } id)
            return true;
        var services = http.RequestServices;
        var schedule = of == NeedOf.Schedule ? id : (await services.GetRequiredService<FiringFinder>().PlaceOf(id, http.RequestAborted))?.Schedule;
        // What is not there is nobody's, and answered as such.
        return schedule is null
            || await services.GetRequiredService<ScheduleRepository>().OwnerOf(schedule.Value, http.RequestAborted) is not { } owner
            || owner.Id == caller.PersonId
            || caller.Rights.May(Right.AnySchedules);
    }

    private static int? Number(HttpContext http) =>
        int.TryParse(http.GetRouteValue("id") as string, NumberStyles.None, CultureInfo.InvariantCulture, out var id) ? id : null;
}

/// <summary>401 for nobody; 403 for somebody, with the right that is missing.</summary>
internal sealed class NeedAnswers : IAuthorizationMiddlewareResultHandler
{
    public Task HandleAsync(RequestDelegate next, HttpContext context, AuthorizationPolicy policy, PolicyAuthorizationResult authorizeResult)
    {
        if (authorizeResult.Succeeded)
            return next(context);
        if (context.Caller() is null)
            return ProblemResponses.Write(context, StatusCodes.Status401Unauthorized, "Not signed in", "Sign in for that.");
        return context.Features.Get<Need.Missing>() is { } missing
            ? Forbidden(missing.Right, missing.Kiln, missing.StepUp).ExecuteAsync(context)
            : ProblemResponses.Write(context, StatusCodes.Status403Forbidden, "Not allowed", "Nobody may use this address.");
    }

    /// <summary>403: what is missing, in the words of the wire and in a sentence.</summary>
    public static IResult Forbidden(Right right, int? kiln = null, bool stepUp = false)
    {
        var more = new Dictionary<string, object?> { ["right"] = Rights.Word(right, kiln) };
        if (stepUp)
            more["stepUp"] = true;
        return Results.Problem(
            statusCode: StatusCodes.Status403Forbidden,
            title: stepUp ? "Password again" : "Not allowed",
            detail: stepUp ? "Give your password again for that." : Rights.Why(right),
            extensions: more
        );
    }
}
