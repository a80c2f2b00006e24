namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>
/// What stands between a controller and its kiln: elements and relays that give other than what is asked, a thermocouple that shows other than what is.
/// </summary>
internal interface IKilnPlant
{
    /// <summary>What the controller reads, °C; nothing where the thermocouple is broken.</summary>
    double? Shown { get; }

    /// <summary>A hold that is over does not end.</summary>
    bool HoldsForEver { get; }

    /// <summary>Moves the kiln on with the power that would bring what is shown to what is asked. Gives the power asked of the elements, W.</summary>
    /// <param name="seconds">How long.</param>
    /// <param name="asked">The set point at the end of it, °C.</param>
    /// <param name="perHour">How fast the set point moves, with its sign.</param>
    double Heat(double seconds, double asked, double perHour);

    /// <summary>Moves the kiln on with no power asked; gives what was drawn all the same.</summary>
    double Rest(double seconds);
}
