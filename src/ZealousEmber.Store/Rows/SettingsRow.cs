namespace ZealousEmber.Store.Rows;

/// <summary>The row settings are stored in: the only one of its table.</summary>
internal abstract class SettingsRow
{
    public const int OnlyId = 1;

    public int Id { get; set; } = OnlyId;

    public int Version { get; set; }

    public string? SaveKey { get; set; }
}
