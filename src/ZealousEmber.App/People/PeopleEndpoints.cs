using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.People;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.People;

/// <summary>What the addresses of people work with.</summary>
internal readonly record struct PeopleStudio(PeopleStore People, SignedIn SignedIn, Cookies Cookies, Locks Locks);

/// <summary>Everybody with an account.</summary>
internal static class PeopleEndpoints
{
    public static void MapPeople(this WebApplication app)
    {
        var api = app.MapGroup("/api/people").WithTags("People").Needs(Right.See);
        api.MapGet("", All).WithSummary("Everybody with an account, by name").Produces<MemberContract[]>();
        api.MapPost("", Add)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("Add somebody. The first is an owner with a password, and makes the studio a shared one")
            .Produces<MemberContract>(201)
            .ProducesProblem(409)
            .ProducesValidationProblem(422);
        api.MapGet("{id:int}", One).WithSummary("Somebody").Produces<MemberContract>().ProducesProblem(404);
        api.MapPut("{id:int}", Save)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("Another name or role, over the version named in If-Match")
            .Produces<MemberContract>()
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(412)
            .ProducesProblem(428)
            .ProducesValidationProblem(422);
        api.MapPut("{id:int}/password", SetPassword)
            .Needs(Right.BeSomebody)
            .WithSummary("A new password: one's own with the one before, or an owner's gift. All sessions end")
            .Produces(204)
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        api.MapPut("{id:int}/pin", SetPin)
            .Needs(Right.BeSomebody)
            .WithSummary("Six digits for the studio's own devices")
            .Produces(204)
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        api.MapPut("{id:int}/certificates", Certify)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("The kilns somebody may fire")
            .Produces<MemberContract>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
    }

    private static IResult All([AsParameters] PeopleStudio studio, HttpContext context)
    {
        var asks = context.Caller()!;
        return Results.Ok(studio.SignedIn.People.OrderBy(p => p.Name, StringComparer.CurrentCultureIgnoreCase).Select(p => MeMapping.Write(p, asks)));
    }

    private static IResult One(int id, [AsParameters] PeopleStudio studio, HttpContext context)
    {
        if (studio.SignedIn.Person(id) is not { FormerNumber: null } person)
            return ProblemResponses.NotFound("person");
        Versions.WriteTag(context.Response, person.Version, null);
        return Results.Ok(MeMapping.Write(person, context.Caller()!));
    }

    private static async Task<IResult> Add(PersonRequest? wire, [AsParameters] PeopleStudio studio, HttpContext context, CancellationToken cancel)
    {
        var isFirst = context.Caller()!.IsAlone;
        var (name, problems) = Read(wire);
        if (isFirst && wire?.Role is not (null or Role.Owner))
            problems.Add(new Problem("role", "The first account is an owner’s: somebody has to be able to add the others."));
        if (isFirst && string.IsNullOrEmpty(wire?.Password))
            problems.Add(new Problem("password", "The first account needs a password; nobody else could give it one."));
        else if (wire?.Password is { Length: > 0 } password && Secrets.Refusal(password, name) is { } why)
            problems.Add(new Problem("password", why));
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        var (person, refused) = await studio.People.Add(name!, wire!.Role!.Value, Empty(wire.Password), isFirst, cancel);
        if (person is null)
            return Refused(refused);
        await studio.SignedIn.Load(cancel);
        if (isFirst)
        {
            var device = studio.SignedIn.DeviceOf(studio.Cookies.DeviceKey(context.Request));
            var (key, _) = await studio.SignedIn.Begin(person, device?.Id, byPin: false, instead: null, steppedUp: false, cancel);
            studio.Cookies.GiveSession(context.Response, key);
        }
        Versions.WriteTag(context.Response, person.Version, null);
        return Results.Created($"/api/people/{person.Id}", MeMapping.Write(person, new Caller(Rights.Everything)));
    }

    private static async Task<IResult> Save(int id, PersonRequest? wire, [AsParameters] PeopleStudio studio, HttpContext context, CancellationToken cancel)
    {
        if (studio.SignedIn.Person(id) is not { FormerNumber: null })
            return ProblemResponses.NotFound("person");
        if (!Versions.TryReadIfMatch(context.Request, out var version))
            return Versions.PreconditionFailed(context.Request);
        var (name, problems) = Read(wire);
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        var refused = await studio.People.Save(id, version, name!, wire!.Role!.Value, cancel);
        await studio.SignedIn.Load(cancel);
        if (refused == PersonRefusal.Version && studio.SignedIn.Person(id) is { } current)
            return Versions.Conflict("person", current.Version, null, MeMapping.Write(current, context.Caller()!), context.Response);
        return refused == PersonRefusal.None ? One(id, studio, context) : Refused(refused);
    }

    private static async Task<IResult> SetPassword(
        int id,
        PasswordRequest? wire,
        [AsParameters] PeopleStudio studio,
        HttpContext context,
        CancellationToken cancel
    )
    {
        var asks = context.Caller()!;
        // A first password is an owner's to give: six digits alone never come by one.
        var isSelf = asks.PersonId == id && studio.SignedIn.Person(id) is { HasPassword: true };
        if (!isSelf && NotOwner(asks) is { } forbidden)
            return forbidden;
        if (studio.SignedIn.Person(id) is not { FormerNumber: null } person)
            return ProblemResponses.NotFound("person");
        if (Secrets.Refusal(wire?.Password, person.Name) is { } why)
            return ProblemResponses.Of([new Problem("password", why)]);
        if (isSelf)
        {
            if (string.IsNullOrEmpty(wire?.Current))
                return ProblemResponses.Of([new Problem("current", "Give the password you have now.")]);
            var who = SignIn.Who(person.Name, studio.SignedIn, studio.Cookies, context);
            if (studio.Locks.Try(who) is { } wait)
                return SignIn.Locked(wait, context.Response);
            if (await studio.People.Check(person.Name, wire.Current, isPin: false, cancel) is null)
                return ProblemResponses.Of([new Problem("current", "That is not the password you have now.")]);
            studio.Locks.Right(who);
        }
        var refused = await studio.People.SetPassword(id, wire!.Password!, cancel);
        await studio.SignedIn.Load(cancel);
        if (refused != PersonRefusal.None)
            return Refused(refused);
        if (isSelf && studio.SignedIn.Person(id) is { } again)
        {
            var (key, _) = await studio.SignedIn.Begin(again, asks.DeviceId, byPin: false, instead: asks.SessionId, steppedUp: false, cancel);
            studio.Cookies.GiveSession(context.Response, key);
        }
        return Results.NoContent();
    }

    private static async Task<IResult> SetPin(int id, PinRequest? wire, [AsParameters] PeopleStudio studio, HttpContext context, CancellationToken cancel)
    {
        if (context.Caller()!.PersonId != id && NotOwner(context.Caller()!) is { } forbidden)
            return forbidden;
        if (studio.SignedIn.Person(id) is not { FormerNumber: null })
            return ProblemResponses.NotFound("person");
        if (Secrets.PinRefusal(wire?.Pin) is { } why)
            return ProblemResponses.Of([new Problem("pin", why)]);
        var refused = await studio.People.SetPin(id, wire!.Pin!, cancel);
        await studio.SignedIn.Load(cancel);
        return refused == PersonRefusal.None ? Results.NoContent() : Refused(refused);
    }

    private static async Task<IResult> Certify(
        int id,
        CertificatesRequest? wire,
        [AsParameters] PeopleStudio studio,
        Repository<StudioKiln> kilns,
        HttpContext context,
        CancellationToken cancel
    )
    {
        if (studio.SignedIn.Person(id) is not { FormerNumber: null })
            return ProblemResponses.NotFound("person");
        if (wire?.KilnIds is null)
            return ProblemResponses.Of([new Problem("kilnIds", "The numbers of the kilns are missing.")]);
        var known = (await kilns.Search(null, cancel)).Select(k => k.Id).ToHashSet();
        var problems = wire
            .KilnIds.Select((k, i) => (k, i))
            .Where(k => !known.Contains(k.k))
            .Select(k => new Problem($"kilnIds[{k.i}]", $"There is no kiln {k.k}."))
            .ToList();
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        var refused = await studio.People.Certify(id, [.. wire.KilnIds.Distinct()], cancel);
        await studio.SignedIn.Load(cancel);
        return refused == PersonRefusal.None ? One(id, studio, context) : Refused(refused);
    }

    private static (string? Name, List<Problem> Problems) Read(PersonRequest? wire)
    {
        var problems = new List<Problem>();
        var name = PersonName.Read(wire?.Name);
        problems.AddRange(name.Problems);
        if (wire?.Role is null or Role.Display)
            problems.Add(new Problem("role", "owner, firer or maker."));
        return (name.IsOk ? name.Value : null, problems);
    }

    private static IResult? NotOwner(Caller asks) =>
        !asks.Rights.May(Right.Manage) ? NeedAnswers.Forbidden(Right.Manage)
        : asks.WantsPassword(Right.Manage, again: true) ? NeedAnswers.Forbidden(Right.Manage, stepUp: true)
        : null;

    private static IResult Refused(PersonRefusal refused) =>
        refused switch
        {
            PersonRefusal.NameTaken => ProblemResponses.Conflict("Somebody is called so already. A second name or an initial tells them apart."),
            PersonRefusal.LastOwner => ProblemResponses.Conflict("This is the last owner with a password: nobody could manage the studio any more."),
            PersonRefusal.First => ProblemResponses.Conflict("Somebody made the first account just now. Sign in, or ask an owner."),
            _ => ProblemResponses.NotFound("person"),
        };

    private static string? Empty(string? text) => string.IsNullOrEmpty(text) ? null : text;
}
