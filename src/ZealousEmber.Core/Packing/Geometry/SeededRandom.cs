namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>Numbers that look thrown and are the same every time (xorshift, Marsaglia 2003).</summary>
internal struct SeededRandom(ulong seed)
{
    private ulong state = seed * 2685821657736338717UL + 88172645463325252UL;

    /// <summary>From 0 up to 1.</summary>
    public double Next()
    {
        state ^= state << 13;
        state ^= state >> 7;
        state ^= state << 17;
        return (state >> 11) / (double)(1UL << 53);
    }

    /// <summary>Between two numbers.</summary>
    public double Between(double low, double high) => low + (high - low) * Next();
}
