namespace ZealousEmber.App.Contracts;

/// <summary>How the program is reached.</summary>
/// <param name="IsOpen">Whether anybody but its own machine reaches it.</param>
/// <param name="Address">Where it listens.</param>
/// <param name="ForPhones">What a phone types, or a QR says.</param>
/// <param name="Names">Everything it answers to.</param>
/// <param name="Addresses">Those this machine has in its networks.</param>
/// <param name="Next">What was chosen for the next start; nothing for its own machine only.</param>
/// <param name="IsFixed">The environment says it, and the page cannot change it.</param>
/// <param name="HasOwner">Whether an owner could sign in, which opening it wants.</param>
/// <param name="Certificate">What it is sent with; nothing without TLS of its own.</param>
/// <param name="Proxies">The reverse proxies it hears.</param>
public sealed record NetworkContract(
    bool IsOpen,
    string Address,
    string? ForPhones,
    IReadOnlyList<string> Names,
    IReadOnlyList<string> Addresses,
    string? Next,
    bool IsFixed,
    bool HasOwner,
    CertificateContract? Certificate,
    IReadOnlyList<string> Proxies
);

/// <summary>A certificate.</summary>
/// <param name="IsOwn">Made here, by the studio's own authority.</param>
/// <param name="Until">It is renewed a month before by itself where it is the studio's own.</param>
/// <param name="Fingerprint">SHA-256 of the authority, else of the certificate itself, to compare by eye.</param>
public sealed record CertificateContract(bool IsOwn, DateTimeOffset Until, string Fingerprint);

/// <summary>Where it is to listen from the next start on; nothing for its own machine only.</summary>
public sealed record NetworkRequest(string? Address);

/// <summary>What a phone is to trust.</summary>
/// <param name="Fingerprint">SHA-256, in pairs.</param>
/// <param name="QrSvg">A QR that leads to the page of steps.</param>
/// <param name="Address">The same as text.</param>
public sealed record TrustContract(string Fingerprint, string QrSvg, string Address);
