namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>What the numbers of an electric kiln may be. One place.</summary>
public static class KilnLimits
{
    /// <summary>Litres inside.</summary>
    public static readonly KilnNumber Volume = new(
        "volume",
        "The volume",
        "L",
        2,
        2000,
        "The space inside, as on the plate. It sets the size of the walls and of a full load."
    );

    /// <summary>W of new elements.</summary>
    public static readonly KilnNumber Power = new(
        "power",
        "The power",
        "W",
        300,
        150_000,
        "What the plate says, in watts. It decides how fast the kiln can climb near the top."
    );

    /// <summary>V of the supply.</summary>
    public static readonly KilnNumber Voltage = new(
        "voltage",
        "The voltage",
        "V",
        90,
        700,
        "The supply the plate's power is meant for; only used to show the current it draws."
    );

    /// <summary>mm of brick.</summary>
    public static readonly KilnNumber BrickThickness = new(
        "brickThickness",
        "The brick",
        "mm",
        20,
        350,
        "How thick the hot brick is. Thicker brick loses less but takes longer to heat and to cool."
    );

    /// <summary>mm of fibre.</summary>
    public static readonly KilnNumber FibreThickness = new(
        "fibreThickness",
        "The fibre",
        "mm",
        0,
        200,
        "Fibre or board behind the brick, 0 if there is none. It keeps heat in and makes the cooling long."
    );

    /// <summary>% of the plate's power left.</summary>
    public static readonly KilnNumber ElementHealth = new(
        "elementHealth",
        "What the elements still give",
        "%",
        40,
        110,
        "New elements give 100 % of the plate's power; worn ones 85 % or less, and the top comes late."
    );

    /// <summary>m above sea level.</summary>
    public static readonly KilnNumber Altitude = new(
        "altitude",
        "The altitude",
        "m",
        -430,
        5500,
        "Height above the sea: water boils sooner higher up, so drying has to stay cooler."
    );

    /// <summary>°C of the room.</summary>
    public static readonly KilnNumber Room = new("room", "The room's temperature", "°C", -20, 45, "Of the air around the kiln. A cold shed cools it faster.");

    /// <summary>°C at the top.</summary>
    public static readonly KilnNumber TopLimit = new("topLimit", "The highest temperature", "°C", 300, 1400, "The hottest the maker allows.");

    /// <summary>°C to open at.</summary>
    public static readonly KilnNumber OpenLimit = new(
        "openLimit",
        "The temperature to open at",
        "°C",
        30,
        200,
        "When you call it safe to open; 50 °C is usual."
    );

    /// <summary>L/min of the vent.</summary>
    public static readonly KilnNumber VentFlow = new(
        "ventFlow",
        "The vent's air",
        "L/min",
        0,
        500,
        "Air a vent draws through the chamber, 0 for none. It costs a little power and cools a little faster."
    );

    /// <summary>Rings of elements.</summary>
    public static readonly KilnNumber Sections = new(
        "sections",
        "The number of sections",
        "",
        1,
        12,
        "Rings or banks of elements that can be switched by themselves."
    );

    /// <summary>W/K through gaps.</summary>
    public static readonly KilnNumber Leak = new(
        "leak",
        "The leak",
        "W/K",
        0,
        60,
        "Heat lost through the lid, joints and peepholes for each degree above the room."
    );

    /// <summary>% of the usual heat capacity.</summary>
    public static readonly KilnNumber HeatFactor = new(
        "heatFactor",
        "The heat it stores",
        "%",
        30,
        300,
        "How much heat load and chamber take up, against the usual; learned from logs."
    );

    /// <summary>% of the usual conductivity.</summary>
    public static readonly KilnNumber LossFactor = new(
        "lossFactor",
        "What the walls let through",
        "%",
        30,
        300,
        "How well the walls conduct, against the usual; learned from logs. More is worse insulation."
    );

    /// <summary>± % of times and energy.</summary>
    public static readonly KilnNumber Uncertainty = new(
        "uncertainty",
        "How sure times and power are",
        "%",
        1,
        50,
        "10 % either way until the kiln has been learned from its logs."
    );

    /// <summary>Every number, in the order a form asks for them.</summary>
    public static readonly IReadOnlyList<KilnNumber> All =
    [
        Volume,
        Power,
        Voltage,
        ElementHealth,
        BrickThickness,
        FibreThickness,
        TopLimit,
        OpenLimit,
        Room,
        Altitude,
        VentFlow,
        Sections,
        Leak,
        HeatFactor,
        LossFactor,
        Uncertainty,
    ];
}
