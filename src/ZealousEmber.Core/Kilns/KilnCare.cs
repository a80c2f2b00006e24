namespace ZealousEmber.Core.Kilns;

/// <summary>What is done to a kiln.</summary>
public enum MaintenanceKind
{
    /// <summary>New elements.</summary>
    Elements,

    /// <summary>A new thermocouple.</summary>
    Thermocouple,

    /// <summary>Shelves scraped and washed.</summary>
    Shelves,

    /// <summary>The vent looked at.</summary>
    Vent,

    /// <summary>Burners cleaned, hoses and fittings looked at and leak tested.</summary>
    Burners,

    /// <summary>Anything else.</summary>
    Other,
}

/// <summary>What somebody says over what a kiln has taught, and after how many firings it is to be reminded.</summary>
/// <param name="Offset">To be added to the display, K, whatever was learned; nothing where that counts.</param>
/// <param name="Power">Share of the stored power, whatever was learned.</param>
/// <param name="Note">Why.</param>
/// <param name="ThermocoupleAfter">Firings after which it is changed; 0 for never.</param>
/// <param name="ShelvesAfter">Firings after which shelves are washed.</param>
/// <param name="VentAfter">Firings after which the vent is looked at.</param>
/// <param name="BurnersAfter">Firings after which burners and hoses are looked at.</param>
public sealed record KilnCare(
    double? Offset = null,
    double? Power = null,
    string? Note = null,
    int ThermocoupleAfter = 80,
    int ShelvesAfter = 15,
    int VentAfter = 50,
    int BurnersAfter = 20
)
{
    /// <summary>Farthest a display is said to be off, K.</summary>
    public const double MostOffset = 60;

    /// <summary>Most firings between two reminders.</summary>
    public const int MostFirings = 1000;

    /// <summary>As usual, nothing overruled.</summary>
    public static readonly KilnCare Usual = new();
}
