using System.ComponentModel;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using ZealousEmber.Core.People;

namespace ZealousEmber.App.Contracts;

/// <summary>Somebody, or a device, by number and name.</summary>
public sealed record NamedContract(int Id, string Name);

/// <summary>Who is signed in here.</summary>
/// <param name="Mode">alone or shared.</param>
/// <param name="Role">What she is; display for a device of the studio with nobody signed in.</param>
/// <param name="Person">Who; nothing for a display, and where there are no accounts.</param>
/// <param name="Device">The studio's device it is.</param>
/// <param name="Rights">Everything that may be done here.</param>
/// <param name="IdleUntil">The end, if nothing more is done by hand.</param>
/// <param name="EndsAt">The end, whatever is done.</param>
/// <param name="SteppedUpUntil">Until when the password given again counts.</param>
public sealed record MeContract(
    [property: Description("alone or shared")] string Mode,
    Role Role,
    NamedContract? Person,
    NamedContract? Device,
    IReadOnlyList<string> Rights,
    DateTimeOffset? IdleUntil,
    DateTimeOffset? EndsAt,
    DateTimeOffset? SteppedUpUntil
);

/// <summary>The same where there are no accounts.</summary>
public sealed record AloneContract(string Mode, Role Role, NamedContract? Person, NamedContract? Device, IReadOnlyList<string> Rights);

/// <summary>Somebody with an account; what is hers alone only for herself and for owners.</summary>
public sealed record MemberContract(
    int Id,
    string Name,
    Role Role,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] int? Version = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] IReadOnlyList<int>? Certificates = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] bool? HasPassword = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] bool? HasPin = null
);

/// <summary>Somebody to be added, or changed.</summary>
public sealed record PersonRequest(string? Name, Role? Role, string? Password = null);

/// <summary>A password to be.</summary>
public sealed record PasswordRequest(string? Current, string? Password);

/// <summary>A PIN to be.</summary>
public sealed record PinRequest(string? Pin);

/// <summary>The kilns somebody may fire.</summary>
public sealed record CertificatesRequest(IReadOnlyList<int>? KilnIds);

/// <summary>To sign in: a name, with a password or on a device of the studio with a PIN.</summary>
public sealed record SignInRequest(string? Name, string? Password, string? Pin);

/// <summary>The password given again.</summary>
public sealed record StepUpRequest(string? Password);

/// <summary>A device to be enrolled: the one that asks, or one that reads the code.</summary>
public sealed record DeviceRequest(string? Name);

/// <summary>A device of the studio.</summary>
/// <param name="Id">Number.</param>
/// <param name="Name">What it is called.</param>
/// <param name="EnrolledAt">Since when.</param>
/// <param name="SeenAt">When it last asked for anything.</param>
/// <param name="IsThis">Whether it is the one that asks.</param>
public sealed record DeviceContract(int Id, string Name, DateTimeOffset EnrolledAt, DateTimeOffset? SeenAt, bool IsThis);

/// <summary>A code that enrols one device, once.</summary>
/// <param name="Address">What the QR says: opened on the device, it is enrolled.</param>
/// <param name="QrSvg">The same as a drawing.</param>
/// <param name="Until">It is taken until then.</param>
public sealed record PairingContract(string Address, string QrSvg, DateTimeOffset Until);

/// <summary>The code a device read.</summary>
public sealed record PairRequest(string? Code);

/// <summary>A name typed before there were accounts.</summary>
/// <param name="Name">As typed.</param>
/// <param name="Times">In how many places it stands.</param>
public sealed record OldNameContract(string Name, int Times);

/// <summary>An old name that is somebody's.</summary>
public sealed record OldNameRequest(string? Name);

/// <summary>A change, as the audit tells it.</summary>
/// <param name="N">Its place in the chain.</param>
/// <param name="At">When.</param>
/// <param name="Who">Who; nothing where there are no accounts, and for a logger.</param>
/// <param name="Device">From which device of the studio.</param>
/// <param name="What">What was done.</param>
/// <param name="Subject">To what, as an address.</param>
/// <param name="Before">What was changed, as it was.</param>
/// <param name="After">The same, as it is.</param>
public sealed record AuditContract(
    int N,
    DateTimeOffset At,
    NamedContract? Who,
    NamedContract? Device,
    string What,
    string Subject,
    JsonNode? Before,
    JsonNode? After
);

/// <summary>A part of the audit.</summary>
public sealed record AuditPageContract(IReadOnlyList<AuditContract> Items, int Total);

/// <summary>What a look at the whole chain found.</summary>
/// <param name="Rows">How many changes there are.</param>
/// <param name="Unbroken">Whether every one is as it was written.</param>
/// <param name="FirstBroken">The first that is not.</param>
public sealed record AuditCheckContract(int Rows, bool Unbroken, int? FirstBroken);
