namespace ZealousEmber.Core.Ware;

/// <summary>What a limit says of something.</summary>
public enum Verdict
{
    /// <summary>Nothing is said.</summary>
    Fine,

    /// <summary>Worth a look.</summary>
    Look,

    /// <summary>Likely to spoil the ware.</summary>
    Danger,
}

/// <summary>Verdicts on rates: what is asked of a wall, beside what it can stand.</summary>
public static class RateLimit
{
    /// <summary>So far over its limit a rate is still fine: no controller and no clock is better.</summary>
    public const double FineOver = 1.07;

    /// <summary>From so many times its limit it is danger.</summary>
    public const double DangerFrom = 2;

    /// <summary>A rate against its limit, both °C/h without a sign.</summary>
    public static Verdict Of(double rate, double limit) =>
        rate <= limit * FineOver ? Verdict.Fine
        : rate <= limit * DangerFrom ? Verdict.Look
        : Verdict.Danger;
}
