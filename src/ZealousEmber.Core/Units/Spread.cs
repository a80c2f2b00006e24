namespace ZealousEmber.Core.Units;

/// <summary>How bands are told.</summary>
public static class Spread
{
    /// <summary>Four in five of a normal number lie within so many standard deviations of its mean.</summary>
    public const double FourInFive = 1.2816;
}
