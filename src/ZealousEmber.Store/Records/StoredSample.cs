using System.Buffers.Binary;

namespace ZealousEmber.Store.Records;

/// <summary>A reading as a logger sent it.</summary>
/// <param name="Sequence">Its number in its stream.</param>
/// <param name="At">Milliseconds since 1970.</param>
/// <param name="Celsius">Nothing where there was no value.</param>
/// <param name="Share">Power share, where told.</param>
/// <param name="SetPoint">What was asked, where told.</param>
public readonly record struct StoredSample(long Sequence, long At, double? Celsius, double? Share, double? SetPoint)
{
    internal const int Size = 40;

    // In the place of the moment: it is none, and is not asked for again.
    private const long NoMoment = -1;

    // 2200; milliseconds since 1970.
    private const long LastMoment = 7_258_118_400_000;

    /// <summary>The mark of a reading that was refused for good.</summary>
    public static StoredSample Refused(long sequence) => new(sequence, NoMoment, null, null, null);

    /// <summary>A mark in the place of a reading that was refused; nothing is followed by it.</summary>
    public bool IsRefused => At == NoMoment;

    /// <summary>Packs readings, 40 bytes each; what is missing is NaN, which no reading is.</summary>
    internal static byte[] Pack(IReadOnlyList<StoredSample> samples)
    {
        var bytes = new byte[samples.Count * Size];
        for (var i = 0; i < samples.Count; i++)
        {
            var span = bytes.AsSpan(i * Size, Size);
            var s = samples[i];
            BinaryPrimitives.WriteInt64LittleEndian(span, s.Sequence);
            BinaryPrimitives.WriteInt64LittleEndian(span[8..], s.At);
            BinaryPrimitives.WriteDoubleLittleEndian(span[16..], s.Celsius ?? double.NaN);
            BinaryPrimitives.WriteDoubleLittleEndian(span[24..], s.Share ?? double.NaN);
            BinaryPrimitives.WriteDoubleLittleEndian(span[32..], s.SetPoint ?? double.NaN);
        }
        return bytes;
    }

    /// <summary>Adds what a block holds to a list; marks of refused readings only where they are asked for.</summary>
    internal static void Unpack(ReadOnlySpan<byte> bytes, List<StoredSample> into, bool withRefused = false)
    {
        static double? Value(ReadOnlySpan<byte> at)
        {
            var value = BinaryPrimitives.ReadDoubleLittleEndian(at);
            return double.IsNaN(value) ? null : value;
        }

        for (var at = 0; at + Size <= bytes.Length; at += Size)
        {
            var span = bytes.Slice(at, Size);
            var moment = BinaryPrimitives.ReadInt64LittleEndian(span[8..]);
            // From a damaged file: no such moment is in any calendar.
            if (moment is < 0 or > LastMoment && !(withRefused && moment == NoMoment))
                continue;
            into.Add(new StoredSample(BinaryPrimitives.ReadInt64LittleEndian(span), moment, Value(span[16..]), Value(span[24..]), Value(span[32..])));
        }
    }
}
