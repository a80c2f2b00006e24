using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Services.People;

/// <summary>Who is signed in, and people, for the wire.</summary>
internal sealed class MeMapping(SignedIn signedIn, Repository<StudioKiln> kilns)
{
    private const string AloneMode = "alone";
    private const string SharedMode = "shared";

    public async Task<object> Write(Caller caller, CancellationToken cancel)
    {
        var all = await kilns.Search(null, cancel);
        IReadOnlyList<string> rights = [.. caller.Rights.Words(all.Select(k => k.Id))];
        if (caller.IsAlone)
            return new AloneContract(AloneMode, caller.Rights.Role, null, null, rights);
        var times = caller.SessionId is { } session ? signedIn.Times(session) : null;
        return new MeContract(
            SharedMode,
            caller.Rights.Role,
            caller.PersonId is { } person ? new NamedContract(person, caller.Name!) : null,
            Device(caller.DeviceId),
            rights,
            times?.IdleUntil.ToDateTimeOffset(),
            times?.EndsAt.ToDateTimeOffset(),
            times is { SteppedUpUntil: { } until } && until > signedIn.Now ? until.ToDateTimeOffset() : null
        );
    }

    /// <summary>A device by its name, also one that was taken away.</summary>
    public NamedContract? Device(int? id) => id is { } number && signedIn.Device(number) is { } device ? new NamedContract(device.Id, device.Name) : null;

    /// <summary>Somebody by name, also who left.</summary>
    public NamedContract? Person(int? id) => id is { } number && signedIn.Person(number) is { } person ? new NamedContract(person.Id, person.Name) : null;

    /// <summary>Somebody, as much of her as is told to who asks.</summary>
    public static MemberContract Write(PersonRecord person, Caller asks) =>
        asks.Rights.May(Right.Manage) || asks.PersonId == person.Id
            ? new MemberContract(person.Id, person.Name, person.Role, person.Version, [.. person.Kilns.Order()], person.HasPassword, person.HasPin)
            : new MemberContract(person.Id, person.Name, person.Role);
}
