namespace ZealousEmber.Core.Firing.Observation;

/// <summary>What is known of a kiln beyond its stored numbers: factors of its power, heat and loss, as logarithms, with how sure.</summary>
/// <param name="LnPower">ln of the power against the stored.</param>
/// <param name="LnHeat">ln of the heat capacity.</param>
/// <param name="LnLoss">ln of the walls' conductivity.</param>
/// <param name="Covariance">Of the three, row by row.</param>
public sealed record KilnEstimate(double LnPower, double LnHeat, double LnLoss, Covariance Covariance)
{
    /// <summary>Share of the stored power it gives.</summary>
    public double Power => Math.Exp(LnPower);

    /// <summary>Share of the stored heat capacity.</summary>
    public double Heat => Math.Exp(LnHeat);

    /// <summary>Share of the stored conductivity.</summary>
    public double Loss => Math.Exp(LnLoss);

    internal double this[int i] =>
        i switch
        {
            0 => LnPower,
            1 => LnHeat,
            _ => LnLoss,
        };
}

/// <summary>A symmetric covariance of power, heat and loss.</summary>
public readonly record struct Covariance(double PowerPower, double PowerHeat, double PowerLoss, double HeatHeat, double HeatLoss, double LossLoss)
{
    /// <summary>Three that have nothing to do with each other, from their standard deviations.</summary>
    public static Covariance Of(double power, double heat, double loss) => new(power * power, 0, 0, heat * heat, 0, loss * loss);

    /// <summary>Standard deviations.</summary>
    public (double Power, double Heat, double Loss) Sd => (Math.Sqrt(PowerPower), Math.Sqrt(HeatHeat), Math.Sqrt(LossLoss));

    /// <summary>After each wandered by so much more.</summary>
    internal Covariance Plus(double power, double heat, double loss) =>
        this with
        {
            PowerPower = PowerPower + power,
            HeatHeat = HeatHeat + heat,
            LossLoss = LossLoss + loss,
        };

    /// <summary>This times a vector.</summary>
    internal (double A, double H, double L) Times(double a, double h, double l) =>
        (PowerPower * a + PowerHeat * h + PowerLoss * l, PowerHeat * a + HeatHeat * h + HeatLoss * l, PowerLoss * a + HeatLoss * h + LossLoss * l);

    /// <summary>Less what a measurement told: P − k·kᵀ·s.</summary>
    internal Covariance Less((double A, double H, double L) k, double s) =>
        new(
            PowerPower - k.A * k.A * s,
            PowerHeat - k.A * k.H * s,
            PowerLoss - k.A * k.L * s,
            HeatHeat - k.H * k.H * s,
            HeatLoss - k.H * k.L * s,
            LossLoss - k.L * k.L * s
        );

    /// <summary>A lower triangle whose square it is (Cholesky), applied to three independent numbers.</summary>
    internal (double A, double H, double L) Draw(double z0, double z1, double z2)
    {
        var a = Math.Sqrt(Math.Max(0, PowerPower));
        var ha = a > 0 ? PowerHeat / a : 0;
        var hh = Math.Sqrt(Math.Max(0, HeatHeat - ha * ha));
        var la = a > 0 ? PowerLoss / a : 0;
        var lh = hh > 0 ? (HeatLoss - la * ha) / hh : 0;
        var ll = Math.Sqrt(Math.Max(0, LossLoss - la * la - lh * lh));
        return (a * z0, ha * z0 + hh * z1, la * z0 + lh * z1 + ll * z2);
    }
}
