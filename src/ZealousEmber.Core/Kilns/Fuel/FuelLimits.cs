using ZealousEmber.Core.Kilns.Electric;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>What the numbers of a fuel kiln may be. One place.</summary>
public static class FuelLimits
{
    /// <summary>Litres inside.</summary>
    public static readonly KilnNumber Volume = new(
        "volume",
        "The volume",
        "L",
        40,
        20_000,
        "The space inside. It sets the size of walls, burners and flue, and of a full load."
    );

    /// <summary>How many burners.</summary>
    public static readonly KilnNumber Burners = new("burners", "The number of burners", "", 1, 24, "All that can be lit.");

    /// <summary>kW of one burner.</summary>
    public static readonly KilnNumber BurnerPower = new(
        "burnerPower",
        "A burner's power",
        "kW",
        1,
        500,
        "What one burner gives at full pressure; its plate or its jet size says."
    );

    /// <summary>bar at full.</summary>
    public static readonly KilnNumber MostPressure = new(
        "mostPressure",
        "Full pressure",
        "bar",
        0.005,
        6,
        "The pressure at the burners behind the regulator with everything open."
    );

    /// <summary>bar of a mark.</summary>
    public static readonly KilnNumber Mark = new(
        "mark",
        "A mark of the gauge",
        "bar",
        0.001,
        1,
        "How far apart the lines of the gauge are: turns are given on them."
    );

    /// <summary>cm² of flue.</summary>
    public static readonly KilnNumber Flue = new("flue", "The flue", "cm²", 5, 20_000, "The opening where the gas leaves, with the damper all the way out.");

    /// <summary>cm² of inlets.</summary>
    public static readonly KilnNumber Inlets = new("inlets", "The inlets", "cm²", 2, 10_000, "The gaps around the burners through which air is drawn in.");

    /// <summary>m that draw.</summary>
    public static readonly KilnNumber Draft = new(
        "draft",
        "The height that draws",
        "m",
        0.2,
        30,
        "From burner to flue in an updraft kiln; the stack's height in a downdraft kiln."
    );

    /// <summary>mm of brick.</summary>
    public static readonly KilnNumber BrickThickness = KilnLimits.BrickThickness;

    /// <summary>mm of fibre.</summary>
    public static readonly KilnNumber FibreThickness = KilnLimits.FibreThickness;

    /// <summary>W/K through gaps.</summary>
    public static readonly KilnNumber Gap = new("gap", "The gaps", "W/K", 0, 200, "Heat lost through joints and ports for each degree above the room.");

    /// <summary>°C at the top.</summary>
    public static readonly KilnNumber TopLimit = KilnLimits.TopLimit;

    /// <summary>°C to open at.</summary>
    public static readonly KilnNumber OpenLimit = KilnLimits.OpenLimit;

    /// <summary>°C of the room.</summary>
    public static readonly KilnNumber Room = KilnLimits.Room;

    /// <summary>m above sea level.</summary>
    public static readonly KilnNumber Altitude = new(
        "altitude",
        "The altitude",
        "m",
        -430,
        5500,
        "Height above the sea: water boils sooner, and both fuel and air come thinner."
    );

    /// <summary>kg of gas in a cylinder.</summary>
    public static readonly KilnNumber Cylinder = new(
        "cylinder",
        "The cylinder",
        "kg",
        0,
        500,
        "What a full gas cylinder holds; 0 for gas that is piped or from a tank."
    );

    /// <summary>How many cylinders there are.</summary>
    public static readonly KilnNumber Cylinders = new(
        "cylinders",
        "The cylinders at hand",
        "",
        0,
        200,
        "How many can stand side by side; 0 where it does not matter."
    );

    /// <summary>Minutes between turns.</summary>
    public static readonly KilnNumber TurnEvery = new(
        "turnEvery",
        "A turn every",
        "min",
        TurnPlanner.ShortestEvery,
        TurnPlanner.LongestEvery,
        "How often somebody goes to the kiln. Every 15 minutes keeps closest, every hour loosest."
    );

    /// <summary>% of the usual heat of the burners.</summary>
    public static readonly KilnNumber BurnerFactor = new(
        "burnerFactor",
        "What the burners give",
        "%",
        40,
        250,
        "Against what their power and pressure say; learned from firings."
    );

    /// <summary>% of the usual conductivity.</summary>
    public static readonly KilnNumber WallFactor = new(
        "wallFactor",
        "What the walls let through",
        "%",
        40,
        250,
        "Against the usual for such walls. More is worse insulation."
    );

    /// <summary>% of the usual openings.</summary>
    public static readonly KilnNumber AirFactor = new(
        "airFactor",
        "The air it draws",
        "%",
        40,
        250,
        "Openings of flue and inlets against what was measured; learned from firings."
    );

    /// <summary>± % of times and fuel.</summary>
    public static readonly KilnNumber Uncertainty = new(
        "uncertainty",
        "How sure times and fuel are",
        "%",
        1,
        50,
        "15 % either way until the kiln has been learned from its firings."
    );

    /// <summary>Every number, in the order a form asks for them.</summary>
    public static readonly IReadOnlyList<KilnNumber> All =
    [
        Volume,
        Burners,
        BurnerPower,
        MostPressure,
        Mark,
        Flue,
        Inlets,
        Draft,
        BrickThickness,
        FibreThickness,
        Gap,
        TopLimit,
        OpenLimit,
        Room,
        Altitude,
        Cylinder,
        Cylinders,
        TurnEvery,
        BurnerFactor,
        WallFactor,
        AirFactor,
        Uncertainty,
    ];
}
