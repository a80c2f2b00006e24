using ZealousEmber.Core.Kilns.Thermal;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>What a controller is doing.</summary>
public enum ControllerPhase
{
    /// <summary>Up to a target.</summary>
    Climbing,

    /// <summary>Down to a target at a rate.</summary>
    Cooling,

    /// <summary>Down to a target with the power off.</summary>
    Falling,

    /// <summary>Staying at a target.</summary>
    Holding,

    /// <summary>The program is over; the power is off.</summary>
    Finished,
}

/// <summary>Where a controller is in its program. Times are seconds since the start, temperatures °C.</summary>
/// <param name="Step">Index of the step; the number of steps when it has finished.</param>
/// <param name="Phase">What it is doing.</param>
/// <param name="Level">Where the step began, as the controller reckons it.</param>
/// <param name="Goal">Where the phase ends.</param>
/// <param name="Arrives">When the set point is at its target.</param>
/// <param name="HoldEnds">When a hold is over.</param>
/// <param name="MarkedAt">Since when a late climb is watched; nothing while it is not.</param>
/// <param name="MarkedChamber">The chamber then.</param>
/// <param name="Stride">Length of the next step of the simulation, s.</param>
/// <param name="Slope">Of the chamber in the last one, °C/s.</param>
public sealed record ControllerState(
    int Step,
    ControllerPhase Phase,
    double Level,
    double Goal,
    double Arrives,
    double HoldEnds,
    double? MarkedAt,
    double MarkedChamber,
    double Stride,
    double Slope
);

/// <summary>A kiln with its controller at a moment; can be stored and gone on from.</summary>
/// <param name="Seconds">Since the start of the firing.</param>
/// <param name="Kiln">How warm it is.</param>
/// <param name="Controller">What the controller does; nothing before it was switched on.</param>
public sealed record SimulationState(double Seconds, ThermalState Kiln, ControllerState? Controller = null);

/// <summary>How finely a simulation is worked out.</summary>
/// <param name="Step">Usual step, s.</param>
/// <param name="Nodes">Nodes through the wall.</param>
/// <param name="Longest">A quiet stretch may take steps up to this, s.</param>
/// <param name="Bend">A stretch is quiet where the chamber leaves a straight line by less than this in a step, K.</param>
public sealed record Fineness(double Step, int Nodes, double Longest, double Bend = 0.02)
{
    /// <summary>30 s and 12 nodes, up to 60 s where little happens: good to a degree and a minute or two (docs/model.md).</summary>
    public static readonly Fineness Usual = new(30, ThermalModel.UsualNodes, 60);
}
