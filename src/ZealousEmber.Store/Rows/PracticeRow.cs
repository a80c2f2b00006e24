using NodaTime;

namespace ZealousEmber.Store.Rows;

/// <summary>A task somebody tried; added, never changed.</summary>
internal sealed class PracticeRow
{
    public int Id { get; set; }

    public string Person { get; set; } = "";

    public string Controller { get; set; } = "";

    public string Task { get; set; } = "";

    public bool IsDone { get; set; }

    public int Seconds { get; set; }

    public int Hints { get; set; }

    public Instant At { get; set; }
}
