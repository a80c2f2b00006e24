using System.Text;

namespace ZealousEmber.App.Tests.People;

/// <summary>What is in a file, byte by byte.</summary>
internal sealed class Bytes
{
    private readonly byte[] bytes;

    private Bytes(byte[] bytes) => this.bytes = bytes;

    /// <summary>Also of a file another program has open.</summary>
    public static Bytes Of(string file)
    {
        if (file.EndsWith(".lock", StringComparison.Ordinal))
            return new Bytes([]);
        using var stream = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
        using var all = new MemoryStream();
        stream.CopyTo(all);
        return new Bytes(all.ToArray());
    }

    /// <summary>Where a text stands in it, in UTF-8; less than 0 where it does not.</summary>
    public int IndexOf(string text) => bytes.AsSpan().IndexOf(Encoding.UTF8.GetBytes(text));
}
