using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Store.Json;
using ZealousEmber.Store.Records;

namespace ZealousEmber.Store.Rows;

/// <summary>Something done to a kiln, as stored.</summary>
internal sealed class MaintenanceRow
{
    public const string Table = "maintenance";

    public int Id { get; set; }

    public int KilnId { get; set; }

    public string Kind { get; set; } = "";

    public Instant At { get; set; }

    public string? By { get; set; }

    public string? Note { get; set; }

    public string? CreateKey { get; set; }

    public Instant? DeletedAt { get; set; }

    public Maintenance Read() => new(Id, StoredWord.Read<MaintenanceKind>(Kind), At, By, Note);
}

/// <summary>What somebody said over what a kiln has taught, and when it is to be reminded of; as JSON.</summary>
internal sealed class KilnCareRow
{
    public const string Table = "kiln_care";

    public int KilnId { get; set; }

    public string Document { get; set; } = "{}";

    public KilnCare Read() => StoredJson.Read<KilnCare>(Document);
}
