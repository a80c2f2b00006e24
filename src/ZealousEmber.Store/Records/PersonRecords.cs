using System.Collections.Frozen;
using NodaTime;
using ZealousEmber.Core.People;

namespace ZealousEmber.Store.Records;

/// <summary>Somebody with an account.</summary>
/// <param name="Id">Number, for ever.</param>
/// <param name="Name">What the studio calls her.</param>
/// <param name="Role">What she is.</param>
/// <param name="Version">Counts its saves.</param>
/// <param name="Kilns">Numbers of the kilns she is certified for.</param>
/// <param name="HasPassword">Whether she may sign in by one.</param>
/// <param name="HasPin">Whether she may sign in by six digits on a device of the studio.</param>
/// <param name="Stamp">Another one ends all her sessions.</param>
/// <param name="FormerNumber">Her number among those whose data was erased.</param>
public sealed record PersonRecord(
    int Id,
    string Name,
    Role Role,
    int Version,
    FrozenSet<int> Kilns,
    bool HasPassword,
    bool HasPin,
    string Stamp,
    int? FormerNumber
);

/// <summary>A phone, tablet or screen that belongs to the studio.</summary>
/// <param name="Id">Number, for ever.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Hash">Of the secret it shows.</param>
/// <param name="MadeAt">When it was enrolled.</param>
/// <param name="SeenAt">When it last asked for anything.</param>
/// <param name="IsRevoked">It was taken away, and is nobody's any more.</param>
public sealed record DeviceRecord(int Id, string Name, byte[] Hash, Instant MadeAt, Instant? SeenAt, bool IsRevoked);

/// <summary>Somebody signed in.</summary>
/// <param name="Id">Number.</param>
/// <param name="Hash">Of the key its cookie carries.</param>
/// <param name="PersonId">Who.</param>
/// <param name="DeviceId">On which device of the studio; nothing for any other.</param>
/// <param name="ByPin">By six digits.</param>
/// <param name="Times">How long.</param>
/// <param name="Stamp">The person's own when it began.</param>
public sealed record SessionRecord(int Id, byte[] Hash, int PersonId, int? DeviceId, bool ByPin, SessionTimes Times, string Stamp);

/// <summary>A change, as the audit tells it.</summary>
/// <param name="N">Its place in the chain.</param>
/// <param name="At">When.</param>
/// <param name="PersonId">Who; nothing where nobody has an account, and for a logger.</param>
/// <param name="DeviceId">From which device of the studio.</param>
/// <param name="What">What was done.</param>
/// <param name="Subject">To what, as an address.</param>
/// <param name="Before">JSON of what was changed, as it was.</param>
/// <param name="After">The same, as it is.</param>
public sealed record AuditRecord(int N, Instant At, int? PersonId, int? DeviceId, string What, string Subject, string? Before, string? After);

/// <summary>What a look at the chain found.</summary>
/// <param name="Rows">How many there are.</param>
/// <param name="FirstBroken">The first that is not as it was written; nothing where all are.</param>
public sealed record AuditCheck(int Rows, int? FirstBroken);
