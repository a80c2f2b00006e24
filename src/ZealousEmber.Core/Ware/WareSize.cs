namespace ZealousEmber.Core.Ware;

/// <summary>The size of a piece as far as its weight follows from it; lengths in mm, as it stands.</summary>
/// <param name="Round">Round from above; else a rectangle.</param>
/// <param name="Across">The body, or one side.</param>
/// <param name="Deep">A rectangle's other side.</param>
/// <param name="Height">Of one piece.</param>
/// <param name="Foot">Across the foot, where the piece opens upwards from it as a bowl does; nothing where it stands straight.</param>
public sealed record WareSize(bool Round, double Across, double Deep, double Height, double? Foot = null)
{
    // Plastic clay at 25 % water shrinks to a dry body of 1.8 to 2.0 g/cm³; stoneware and earthenware lie on both sides of the middle.
    private const double DryDensity = 1.9e-6;

    /// <summary>
    /// kg of a dry piece: a floor and sides as thick as its wall, with a roof where it is closed; solid where the wall leaves no room inside.
    /// Handles, spouts and feet are left out, and so is that a wall is given at its thickest: they about make up for each other.
    /// </summary>
    public double DryMass(double wall, bool closed)
    {
        var inside = Math.Max(0, Height - (closed ? 2 : 1) * wall);
        return DryDensity * (Volume(0, Height) - (inside > 0 ? Volume(wall, inside) : 0));
    }

    /// <summary>mm³ of the body's form with its sides drawn in by so much, and so tall.</summary>
    private double Volume(double inset, double height)
    {
        var (across, deep) = (Math.Max(0, Across - 2 * inset), Math.Max(0, Deep - 2 * inset));
        if (!Round)
            return across * deep * height;
        var foot = Foot is { } stands ? Math.Clamp(stands - 2 * inset, 0, across) : across;
        return Math.PI / 12 * height * (across * across + across * foot + foot * foot);
    }
}
