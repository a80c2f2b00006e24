using NodaTime;
using ZealousEmber.Store.Records;

namespace ZealousEmber.Store.Rows;

/// <summary>A photo's row, apart from the thing itself, so that lists stay light.</summary>
internal sealed class PhotoRow
{
    public PhotoOf Of { get; set; }

    public int OwnerId { get; set; }

    public string ContentType { get; set; } = "";

    public byte[] Bytes { get; set; } = [];

    public Instant TakenInAt { get; set; }
}
