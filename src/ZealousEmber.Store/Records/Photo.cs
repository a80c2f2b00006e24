using NodaTime;

namespace ZealousEmber.Store.Records;

/// <summary>Whose photo it is.</summary>
public enum PhotoOf
{
    /// <summary>A clay.</summary>
    Clay,

    /// <summary>A glaze.</summary>
    Glaze,

    /// <summary>An entry in the log of a firing.</summary>
    Entry,
}

/// <summary>A photo as stored.</summary>
/// <param name="ContentType">image/jpeg, image/png or image/webp.</param>
/// <param name="Bytes">The picture.</param>
/// <param name="TakenInAt">When it was saved; tells one photo of a thing from the next.</param>
public sealed record Photo(string ContentType, byte[] Bytes, Instant TakenInAt)
{
    private static readonly string[] Known = ["image/jpeg", "image/png", "image/webp"];

    /// <summary>What it is sent as: bytes of whatever kind where its own word is none of a photo.</summary>
    public string SentAs => Known.Contains(ContentType) ? ContentType : "application/octet-stream";

    /// <summary>What a file of it ends in.</summary>
    public string Extension => Known.Contains(ContentType) ? ContentType.Split('/')[1] : "bin";
}
