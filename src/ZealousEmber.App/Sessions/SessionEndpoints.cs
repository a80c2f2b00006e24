using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.People;
using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Sessions;

/// <summary>What signing in works with.</summary>
internal readonly record struct SignInStudio(PeopleStore People, SignedIn SignedIn, Cookies Cookies, Locks Locks, MeMapping Me, AuditLog Audit);

/// <summary>Signing in and out.</summary>
internal static class SessionEndpoints
{
    private const int LongestTyped = 1000;

    public static void MapSessions(this WebApplication app)
    {
        var api = app.MapGroup("/api/sessions").WithTags("People");
        api.MapPost("", Begin)
            .ForAnybody()
            .WithSummary("Sign in: by password, or on a device of the studio by PIN")
            .Produces<MeContract>(201)
            .ProducesProblem(401)
            .ProducesProblem(429)
            .ProducesValidationProblem(422);
        api.MapGet("me", Me).Needs(Right.See).WithSummary("Who is signed in here, and what may be done").Produces<MeContract>().ProducesProblem(401);
        api.MapPost("step-up", StepUp)
            .Needs(Right.BeSomebody)
            .WithSummary("Give the password again; it counts for ten minutes")
            .Produces<MeContract>()
            .ProducesProblem(429)
            .ProducesValidationProblem(422);
        api.MapDelete("me", End).Needs(Right.See).WithSummary("Sign out").Produces(204);
    }

    private static async Task<IResult> Begin(SignInRequest? wire, [AsParameters] SignInStudio studio, HttpContext context, CancellationToken cancel)
    {
        var name = Text.OneLine(wire?.Name);
        var isPin = wire?.Password is null && wire?.Pin is not null;
        var secret = isPin ? wire?.Pin : wire?.Password;
        var problems = new List<Problem>();
        if (name is null || name.Length > LongestTyped)
            problems.Add(new Problem("name", "What is your name here?"));
        if (string.IsNullOrEmpty(secret) || secret.Length > LongestTyped)
            problems.Add(new Problem(isPin ? "pin" : "password", isPin ? "Your six digits." : "Your password."));
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        var device = studio.SignedIn.DeviceOf(studio.Cookies.DeviceKey(context.Request));
        var who = SignIn.Who(name!, studio.SignedIn, studio.Cookies, context);
        if (studio.Locks.Try(who) is { } wait)
            return SignIn.Locked(wait, context.Response);
        var person = await studio.People.Check(name!, secret!, isPin, cancel);
        // Six digits are one of two things that are asked for; the other is the studio's own device.
        if (person is null || (isPin && device is null))
            return await Missed(who, device, studio, cancel);
        studio.Locks.Right(who);
        var before = context.Caller()?.SessionId;
        if (before is { } left)
            await studio.SignedIn.End(left, cancel);
        var (key, session) = await studio.SignedIn.Begin(person, device?.Id, isPin, instead: null, steppedUp: false, cancel);
        studio.Cookies.GiveSession(context.Response, key);
        return Results.Created("/api/sessions/me", await Written(person, session, studio, cancel));
    }

    /// <summary>The same words whoever it was, and whatever was wrong.</summary>
    private static async Task<IResult> Missed((string Name, string Place) who, DeviceRecord? device, SignInStudio studio, CancellationToken cancel)
    {
        if (studio.Locks.IsLocked(who))
        {
            var known = studio.SignedIn.People.FirstOrDefault(p => p.Name.ToUpperInvariant() == who.Name);
            await studio.Audit.Note(
                new Writer(null, device?.Id),
                "was locked out",
                known is null ? "sessions" : string.Create(System.Globalization.CultureInfo.InvariantCulture, $"people/{known.Id}"),
                cancel
            );
        }
        return Results.Problem(statusCode: StatusCodes.Status401Unauthorized, title: "Not signed in", detail: "Name and password do not go together.");
    }

    private static async Task<IResult> Me([AsParameters] SignInStudio studio, HttpContext context, CancellationToken cancel) =>
        Results.Ok(await studio.Me.Write(context.Caller()!, cancel));

    private static async Task<IResult> StepUp(StepUpRequest? wire, [AsParameters] SignInStudio studio, HttpContext context, CancellationToken cancel)
    {
        if (context.Caller() is not { PersonId: { } id, SessionId: { } before } caller || studio.SignedIn.Person(id) is not { } person)
            return ProblemResponses.Conflict("There are no accounts here; nothing wants a password.");
        if (string.IsNullOrEmpty(wire?.Password) || wire.Password.Length > LongestTyped)
            return ProblemResponses.Of([new Problem("password", "Your password.")]);
        var who = SignIn.Who(person.Name, studio.SignedIn, studio.Cookies, context);
        if (studio.Locks.Try(who) is { } wait)
            return SignIn.Locked(wait, context.Response);
        if (await studio.People.Check(person.Name, wire.Password, isPin: false, cancel) is null)
            return ProblemResponses.Of([new Problem("password", "That is not your password.")]);
        studio.Locks.Right(who);
        var isByPin = caller.Rights.ByPin;
        var (key, session) = await studio.SignedIn.Begin(person, caller.DeviceId, isByPin, instead: before, steppedUp: true, cancel);
        studio.Cookies.GiveSession(context.Response, key);
        return Results.Ok(await Written(person, session, studio, cancel));
    }

    private static async Task<IResult> End([AsParameters] SignInStudio studio, HttpContext context, CancellationToken cancel)
    {
        if (context.Caller()?.SessionId is { } session)
            await studio.SignedIn.End(session, cancel);
        studio.Cookies.TakeSession(context.Response);
        return Results.NoContent();
    }

    private static Task<object> Written(PersonRecord person, SessionRecord session, SignInStudio studio, CancellationToken cancel) =>
        studio.Me.Write(
            new Caller(
                new Rights(person.Role, person.Kilns, session.ByPin),
                person.Id,
                person.Name,
                session.DeviceId,
                session.Id,
                session.Times.IsSteppedUp(studio.SignedIn.Now)
            ),
            cancel
        );
}
