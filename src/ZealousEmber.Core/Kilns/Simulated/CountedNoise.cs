namespace ZealousEmber.Core.Kilns.Simulated;

/// <summary>
/// Randomness by counter: the same seed, channel and step give the same number whatever was asked before, at any speed. Mixing by SplitMix64
/// (Steele, Lea and Flood, OOPSLA 2014).
/// </summary>
/// <param name="seed">Of the firing.</param>
internal readonly struct CountedNoise(ulong seed)
{
    /// <summary>Even between 0 and 1, neither of them.</summary>
    public double Even(int channel, long step)
    {
        var z = seed + 0x9E3779B97F4A7C15UL * (ulong)(step + 1) + 0xD1B54A32D192ED03UL * (ulong)(channel + 1);
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9UL;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EBUL;
        z ^= z >> 31;
        return ((z >> 11) + 0.5) / (1UL << 53);
    }

    /// <summary>Normal, mean 0, standard deviation 1 (Box and Muller 1958).</summary>
    public double Normal(int channel, long step) =>
        Math.Sqrt(-2 * Math.Log(Even(channel * 2 + 1000, step))) * Math.Cos(2 * Math.PI * Even(channel * 2 + 1001, step));
}
