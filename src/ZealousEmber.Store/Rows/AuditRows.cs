using System.Security.Cryptography;
using System.Text;
using NodaTime;

namespace ZealousEmber.Store.Rows;

/// <summary>A change, in the chain: each row holds the hash of the one before. No word of it may be blanked, so that it holds no words of people.</summary>
internal sealed class AuditRow
{
    public const string Table = "audit";

    /// <summary>1 for the first, without gaps.</summary>
    public int N { get; set; }

    public Instant At { get; set; }

    public int? PersonId { get; set; }

    public int? DeviceId { get; set; }

    public string What { get; set; } = "";

    /// <summary>The address of what was changed, without <c>/api/</c>.</summary>
    public string Subject { get; set; } = "";

    /// <summary>Of <see cref="AuditDetailRow"/>, with its salt.</summary>
    public byte[] Details { get; set; } = [];

    public byte[] Hash { get; set; } = [];

    /// <summary>What its hash is to be behind that of the row before.</summary>
    public byte[] HashBehind(byte[] before)
    {
        using var all = new MemoryStream();
        using (var write = new BinaryWriter(all, Encoding.UTF8))
        {
            write.Write(before.Length);
            write.Write(before);
            write.Write(N);
            write.Write(At.ToUnixTimeMilliseconds());
            write.Write(PersonId ?? -1);
            write.Write(DeviceId ?? -1);
            write.Write(What);
            write.Write(Subject);
            write.Write(Details);
        }
        return SHA256.HashData(all.ToArray());
    }
}

/// <summary>The words of a change. Erasing somebody blanks those with her name; the chain holds on all the same.</summary>
internal sealed class AuditDetailRow
{
    public const string Table = "audit_details";

    public int N { get; set; }

    public byte[] Salt { get; set; } = [];

    /// <summary>JSON of what was changed, as it was.</summary>
    public string? Before { get; set; }

    /// <summary>The same, as it is.</summary>
    public string? After { get; set; }

    public byte[] HashOf()
    {
        using var all = new MemoryStream();
        using (var write = new BinaryWriter(all, Encoding.UTF8))
        {
            write.Write(Salt);
            write.Write(Before is not null);
            write.Write(Before ?? "");
            write.Write(After is not null);
            write.Write(After ?? "");
        }
        return SHA256.HashData(all.ToArray());
    }
}
