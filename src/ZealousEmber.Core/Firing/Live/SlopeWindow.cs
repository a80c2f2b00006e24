using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>The minutes of the last while, with the slopes of lines laid through them by least squares.</summary>
internal sealed class SlopeWindow
{
    private const double Longest = 45;

    private readonly List<MinuteMean> means = [];

    /// <summary>The latest.</summary>
    public MinuteMean? Last => means.Count > 0 ? means[^1] : null;

    /// <summary>Takes a minute.</summary>
    public void Add(MinuteMean mean)
    {
        means.Add(mean);
        if (means.Count > 200)
            means.RemoveRange(0, means.FindIndex(m => m.Minutes >= mean.Minutes - Longest));
    }

    /// <summary>°C/h over the last minutes; nothing where they do not reach back so far.</summary>
    public double? Over(double minutes)
    {
        if (means.Count < 2)
            return null;
        var from = means[^1].Minutes - minutes - 0.5;
        double n = 0,
            st = 0,
            sy = 0,
            stt = 0,
            sty = 0;
        var first = 0.0;
        for (var i = means.Count - 1; i >= 0 && (means[i].Minutes >= from || n < 2); i--)
        {
            var t = means[i].Minutes - means[^1].Minutes;
            (n, st, sy, stt, sty, first) = (n + 1, st + t, sy + means[i].Celsius, stt + t * t, sty + t * means[i].Celsius, t);
        }
        var spread = stt - st * st / n;
        return -first < minutes * 0.7 || spread <= 0 ? null : (sty - st * sy / n) / spread * 60;
    }
}
