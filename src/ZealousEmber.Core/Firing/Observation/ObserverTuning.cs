namespace ZealousEmber.Core.Firing.Observation;

/// <summary>What an observer starts from and how far it believes a heat balance.</summary>
/// <param name="Prior">What is known of the kiln before; its stored numbers, as sure as they are, when missing.</param>
/// <param name="Balance">Error of a balance made of a log, as a share of the power.</param>
/// <param name="Wanders">Power, heat and loss wander while it watches.</param>
public sealed record ObserverTuning(KilnEstimate? Prior = null, double Balance = ObserverTuning.UsualBalance, bool Wanders = true)
{
    internal const double UsualBalance = 0.03;

    /// <summary>For a firing that goes on.</summary>
    public static readonly ObserverTuning Live = new();
}
