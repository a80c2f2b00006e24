namespace ZealousEmber.Core.Firing.Live;

/// <summary>What is foretold of a firing when it is started.</summary>
public enum ForetoldKind
{
    /// <summary>The most its display will show, °C.</summary>
    Top,

    /// <summary>When its top is over: the display last falls below five degrees under the most, hours since the start.</summary>
    TopOver,

    /// <summary>Electricity, kWh.</summary>
    Energy,

    /// <summary>Gas, kg.</summary>
    Gas,

    /// <summary>When it is cool enough to open, hours since the start.</summary>
    Cool,

    /// <summary>What a shelf gets, °C of cone: the end point at 60 °C/h that does as much.</summary>
    Cone,
}

/// <summary>A number as it was foretold. Four firings in five are to lie between its ends.</summary>
/// <param name="Kind">Which, and in what unit.</param>
/// <param name="Shelf">Of a cone: its shelf; nothing for a shelf nobody has read yet.</param>
/// <param name="From">Lower end.</param>
/// <param name="Likely">Most likely.</param>
/// <param name="To">Upper end.</param>
/// <param name="Widened">So many times as wide as the kiln's own numbers would have it, since firings before lay outside; 1 as a rule.</param>
public sealed record ForetoldNumber(ForetoldKind Kind, string? Shelf, double From, double Likely, double To, double Widened = 1);

/// <summary>How many times as wide what is foretold of a kiln is told, by kind, since its last firings lay outside too often.</summary>
/// <param name="Top">Of the most its display shows.</param>
/// <param name="Hours">Of when its top is over.</param>
/// <param name="Energy">Of electricity or gas.</param>
/// <param name="Cool">Of when it may be opened.</param>
/// <param name="Cone">Of what its shelves get.</param>
public sealed record Widening(double Top = 1, double Hours = 1, double Energy = 1, double Cool = 1, double Cone = 1)
{
    /// <summary>It was right often enough.</summary>
    public static Widening None { get; } = new();

    /// <summary>Of one kind.</summary>
    public double Of(ForetoldKind kind) =>
        kind switch
        {
            ForetoldKind.Top => Top,
            ForetoldKind.TopOver => Hours,
            ForetoldKind.Energy or ForetoldKind.Gas => Energy,
            ForetoldKind.Cool => Cool,
            _ => Cone,
        };

    /// <summary>Of times and energy together, as a kiln's uncertainty is one number for both.</summary>
    public double OfHeat => Math.Max(Hours, Energy);
}
