using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Kilns.Electric;

namespace ZealousEmber.Core.Learning;

/// <summary>
/// Power and loss of a kiln from the logs of its firings, one after another, and with them the health of its elements. A log is gone through once more without
/// anything wandering meanwhile, its heat fresh, the mains of that day up to 2 % off and not carried on; from one firing to the next the power wanders by 1.2
/// %. A firing
/// more than two standard deviations off makes the power doubtful and is gone through again. Source: the project's paper on the firing day, section 6.
/// </summary>
internal sealed class ElementFilter
{
    private const double Heat = 0.07;
    private const double Balance = 0.08;
    private const double Mains = 0.02;
    private const double Walk = 0.012;
    private const double Jump = 2;
    private const double Widening = 0.12;
    private const int FiringsForNew = 3;

    private readonly KilnEstimate first;
    private (double Mean, double Variance) heat;
    private (double Ln, double Variance, double Shared)? asNew;

    /// <summary>Of a kiln nothing is known of but its stored numbers.</summary>
    public ElementFilter(Kiln kiln) => Now = first = KilnObserver.Before(kiln, Heat);

    /// <summary>What is known: the heat is that of all loads together.</summary>
    public KilnEstimate Now { get; private set; }

    /// <summary>Firings behind it.</summary>
    public int Firings { get; private set; }

    /// <summary>Firings since the elements were new; nothing where nobody said when that was.</summary>
    public int? SinceNew { get; private set; }

    /// <summary>Heat capacity against the usual, of all loads so far.</summary>
    public Estimated HeatFactor =>
        heat.Variance > 0 ? new Estimated(Math.Exp(heat.Mean), Math.Exp(heat.Mean) * Math.Sqrt(heat.Variance)) : new Estimated(1, Heat);

    /// <summary>
    /// Power against that of the first firings with new elements; against the stored power where that was never seen. A model that is off is so in both, and
    /// cancels.
    /// </summary>
    public Estimated Health
    {
        get
        {
            var (ln, variance) = asNew is { } n
                ? (Now.LnPower - n.Ln, Math.Max(0, Now.Covariance.PowerPower + n.Variance - 2 * n.Shared))
                : (Now.LnPower, Now.Covariance.PowerPower);
            var health = Math.Exp(ln);
            return new Estimated(health, health * Math.Sqrt(variance));
        }
    }

    /// <summary>Other elements: their power is as good as unknown.</summary>
    public void NewElements()
    {
        (SinceNew, asNew) = (0, null);
        Now = Now with { LnPower = 0, Covariance = Now.Covariance with { PowerPower = first.Covariance.PowerPower, PowerHeat = 0, PowerLoss = 0 } };
    }

    /// <summary>Learns from a log.</summary>
    /// <param name="follow">Goes through the log from what was known before; nothing where there is too little of it.</param>
    public void Learn(Func<ObserverTuning, KilnEstimate?> follow)
    {
        var widened = Now.Covariance.PowerPower + Walk * Walk;
        if (Through(follow, widened) is not { } after)
            return;
        // What a measurement moves is as uncertain as what it takes away of the variance.
        if (Math.Abs(after.LnPower - Now.LnPower) > Jump * Math.Sqrt(Math.Max(0, widened - after.Covariance.PowerPower)))
        {
            widened += Widening * Widening;
            after = Through(follow, widened) ?? after;
        }
        Heed(after);
        Now = after with { LnHeat = 0, Covariance = after.Covariance with { PowerHeat = 0, HeatLoss = 0, HeatHeat = Heat * Heat } };
        Firings++;
        if (SinceNew is null)
            return;
        SinceNew++;
        if (SinceNew <= FiringsForNew)
            asNew = (Now.LnPower, Now.Covariance.PowerPower, Now.Covariance.PowerPower);
        // What firings since have told apart is no longer known in common.
        else if (asNew is { } n)
            asNew = n with { Shared = n.Shared * Math.Clamp(Now.Covariance.PowerPower / widened, 0, 1) };
    }

    private void Heed(KilnEstimate after)
    {
        var told = after.Covariance.HeatHeat;
        var weight = heat.Variance > 0 ? 1 / heat.Variance : 0;
        heat = ((heat.Mean * weight + after.LnHeat / told) / (weight + 1 / told), 1 / (weight + 1 / told));
    }

    /// <summary>With the mains of that day in the power, and taken out of it again.</summary>
    private KilnEstimate? Through(Func<ObserverTuning, KilnEstimate?> follow, double power)
    {
        const double Day = Mains * Mains;
        var (loss, both) = (Now.Covariance.LossLoss, Now.Covariance.PowerLoss);
        var prior = new KilnEstimate(Now.LnPower, 0, Now.LnLoss, new Covariance(power + Day, 0, both, Heat * Heat, 0, loss));
        if (follow(new ObserverTuning(prior, Balance, Wanders: false)) is not { } after)
            return null;
        // The power without the mains, given power with them and loss: linear in both.
        var det = (power + Day) * loss - both * both;
        var (ga, gl) = (1 - Day * loss / det, Day * both / det);
        var (da, dl) = (after.LnPower - prior.LnPower, after.LnLoss - prior.LnLoss);
        var given = power - (ga * ga * (power + Day) + 2 * ga * gl * both + gl * gl * loss);
        var c = after.Covariance;
        return after with
        {
            LnPower = Now.LnPower + ga * da + gl * dl,
            Covariance = c with
            {
                PowerPower = given + ga * ga * c.PowerPower + 2 * ga * gl * c.PowerLoss + gl * gl * c.LossLoss,
                PowerLoss = ga * c.PowerLoss + gl * c.LossLoss,
                PowerHeat = ga * c.PowerHeat + gl * c.HeatLoss,
            },
        };
    }
}
