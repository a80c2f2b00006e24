using Microsoft.AspNetCore.Identity;
using NodaTime;
using ZealousEmber.Core.People;

namespace ZealousEmber.Store.Rows;

/// <summary>Somebody with an account; what the framework keeps of users it does not use here is left out of the table.</summary>
internal sealed class PersonRow : IdentityUser<int>
{
    public Role Role { get; set; }

    public int Version { get; set; }

    public Instant MadeAt { get; set; }

    public string? PinHash { get; set; }

    /// <summary>The number somebody goes by whose data was erased.</summary>
    public int? FormerNumber { get; set; }
}

/// <summary>That somebody may fire a kiln.</summary>
internal sealed class CertificateRow
{
    public int PersonId { get; set; }

    public int KilnId { get; set; }
}

/// <summary>A phone, tablet or wall screen that belongs to the studio; of its secret only the hash is kept.</summary>
internal sealed class DeviceRow
{
    public int Id { get; set; }

    public string Name { get; set; } = "";

    public byte[] Hash { get; set; } = [];

    public Instant MadeAt { get; set; }

    public Instant? SeenAt { get; set; }

    /// <summary>Taken away; the row stays, since the audit names it.</summary>
    public Instant? RevokedAt { get; set; }
}

/// <summary>Somebody signed in; of the key only the hash is kept.</summary>
internal sealed class SessionRow
{
    public int Id { get; set; }

    public byte[] Hash { get; set; } = [];

    public int PersonId { get; set; }

    public int? DeviceId { get; set; }

    public bool ByPin { get; set; }

    public Instant BeganAt { get; set; }

    public Instant SeenAt { get; set; }

    public Instant? SteppedUpUntil { get; set; }

    /// <summary>The person's own when it began; with another it is over.</summary>
    public string Stamp { get; set; } = "";
}
