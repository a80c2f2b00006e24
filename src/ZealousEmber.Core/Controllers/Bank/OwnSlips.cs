namespace ZealousEmber.Core.Controllers.Bank;

/// <summary>What slips a studio makes, from what people said had happened.</summary>
public static class OwnSlips
{
    // A slip of the studio's own counts as much as this weight of the usual ones, which come to about 130 in all.
    private const double WeightOfOne = 2;

    /// <summary>Weight to add to each kind of slip.</summary>
    public static IReadOnlyDictionary<string, double> Of(IEnumerable<string> kinds) =>
        kinds.GroupBy(k => k).ToDictionary(g => g.Key, g => g.Count() * WeightOfOne);
}
