using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Cones;

/// <summary>The cones something is made for, both ends among them.</summary>
/// <param name="Coolest">Lower end.</param>
/// <param name="Hottest">Upper end.</param>
public readonly record struct ConeRange(Cone Coolest, Cone Hottest)
{
    /// <summary>True when a cone lies in it.</summary>
    public bool Contains(Cone cone) => cone.CompareTo(Coolest) >= 0 && cone.CompareTo(Hottest) <= 0;

    /// <summary>The cones both are made for, or nothing.</summary>
    public ConeRange? Overlap(ConeRange other)
    {
        var low = Coolest.CompareTo(other.Coolest) >= 0 ? Coolest : other.Coolest;
        var high = Hottest.CompareTo(other.Hottest) <= 0 ? Hottest : other.Hottest;
        return low.CompareTo(high) <= 0 ? new ConeRange(low, high) : null;
    }

    /// <summary>Reads both ends; one alone means just that cone, none means nothing. Problems name <c>coneFrom</c> and <c>coneTo</c>.</summary>
    public static Result<ConeRange?> Read(string? from, string? to)
    {
        if (string.IsNullOrWhiteSpace(from) && string.IsNullOrWhiteSpace(to))
            return (ConeRange?)null;
        var low = ConeNumber.Parse(string.IsNullOrWhiteSpace(from) ? to : from, "coneFrom");
        var high = ConeNumber.Parse(string.IsNullOrWhiteSpace(to) ? from : to, "coneTo");
        if (!low.IsOk || !high.IsOk)
            return Result<ConeRange?>.Failed([.. low.Problems, .. high.Problems]);
        return low.Value.CompareTo(high.Value) > 0
            ? new Problem("coneTo", $"Cone {high.Value.Number} is cooler than cone {low.Value.Number}; the hotter one comes second.")
            : new ConeRange(low.Value, high.Value);
    }

    /// <summary>"cone 6", "cones 5 to 7".</summary>
    public override string ToString() => Coolest == Hottest ? $"cone {Coolest.Number}" : $"cones {Coolest.Number} to {Hottest.Number}";
}
