namespace ZealousEmber.Core.Firing.Live;

/// <summary>Power shares of the last while, each the mean since the reading before.</summary>
internal sealed class ShareRecord
{
    private const double Longest = 45;

    private readonly List<(double From, double To, double Share)> pieces = [];

    /// <summary>Whether any was told lately.</summary>
    public bool IsTold(double now) => pieces.Count > 0 && now - pieces[^1].To < 15;

    /// <summary>Takes one.</summary>
    public void Add(double from, double to, double share)
    {
        if (to <= from)
            return;
        pieces.Add((Math.Max(from, to - 15), to, share));
        if (pieces.Count > 400)
            pieces.RemoveRange(0, Math.Max(1, pieces.FindIndex(p => p.To >= to - Longest)));
    }

    /// <summary>Mean between two moments; nothing where less than half of it is known.</summary>
    public double? Mean(double from, double to)
    {
        double sum = 0,
            known = 0;
        for (var i = pieces.Count - 1; i >= 0 && pieces[i].To > from; i--)
        {
            var span = Math.Min(to, pieces[i].To) - Math.Max(from, pieces[i].From);
            if (span <= 0)
                continue;
            sum += span * pieces[i].Share;
            known += span;
        }
        return known > 0 && known >= (to - from) / 2 ? sum / known : null;
    }
}
