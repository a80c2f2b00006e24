using System.Collections.Immutable;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>How the flames are set.</summary>
public enum Flame
{
    /// <summary>No burner lit.</summary>
    Off,

    /// <summary>A small flame set by eye: 5 % of full fuel.</summary>
    Candle,

    /// <summary>A low flame set by eye: 10 % of full fuel.</summary>
    Low,

    /// <summary>By the gauge.</summary>
    Gauge,
}

/// <summary>How burners and damper stand.</summary>
/// <param name="Flame">How the flames are set.</param>
/// <param name="Lit">How many burners are lit, 0 where it is off.</param>
/// <param name="Pressure">At the burners, bar above the air's.</param>
/// <param name="Damper">How far it is open, 0 … 1.</param>
public readonly record struct BurnerSetting(Flame Flame, int Lit, double Pressure, double Damper)
{
    /// <summary>Fuel goes with the square root of the pressure: 5 % of it is a four-hundredth of the pressure.</summary>
    public const double CandleShare = 1 / 400.0;

    /// <summary>10 % of the fuel is a hundredth of the pressure.</summary>
    public const double LowShare = 1 / 100.0;

    // Lower down half a mark is much of the heat; from here on whole ones do.
    private const int HalvesTo = 4;

    /// <summary>All burners out.</summary>
    /// <param name="damper">0 with ports shut is closed up.</param>
    public static BurnerSetting Off(double damper) => new(Flame.Off, 0, 0, damper);

    /// <summary>Candles on some of the burners.</summary>
    public static BurnerSetting Candles(FuelKiln kiln, int lit, double damper) => new(Flame.Candle, lit, kiln.MostPressure * CandleShare, damper);

    /// <summary>All burners low.</summary>
    public static BurnerSetting AllLow(FuelKiln kiln, double damper) => new(Flame.Low, kiln.Burners, kiln.MostPressure * LowShare, damper);

    /// <summary>All burners by the gauge.</summary>
    public static BurnerSetting Gauge(FuelKiln kiln, double pressure, double damper) => new(Flame.Gauge, kiln.Burners, pressure, damper);

    /// <summary>
    /// The flames a hand can set, cold to hot, damper shut: candles one by one, all low, half marks of the gauge to four, then whole marks to full.
    /// </summary>
    public static ImmutableArray<BurnerSetting> Flames(FuelKiln kiln)
    {
        var flames = ImmutableArray.CreateBuilder<BurnerSetting>();
        for (var lit = 1; lit <= kiln.Burners; lit++)
            flames.Add(Candles(kiln, lit, 0));
        flames.Add(AllLow(kiln, 0));
        var most = kiln.MostPressure + 1e-9;
        for (var half = 1; half <= 2 * HalvesTo && half * kiln.Mark / 2 <= most; half++)
            flames.Add(Gauge(kiln, half * kiln.Mark / 2, 0));
        for (var mark = HalvesTo + 1; mark * kiln.Mark <= most; mark++)
            flames.Add(Gauge(kiln, mark * kiln.Mark, 0));
        return flames.ToImmutable();
    }

    /// <summary>In a few characters, to be kept: "gauge 2 0.25 0.5".</summary>
    public string Written =>
        string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{Flame.ToString().ToLowerInvariant()} {Lit} {Pressure:0.######} {Damper:0.####}");

    /// <summary>The setting that was written so; nothing for anything else.</summary>
    public static BurnerSetting? Read(string? written)
    {
        var parts = written?.Split(' ') ?? [];
        var number = System.Globalization.CultureInfo.InvariantCulture;
        return
            parts.Length == 4
            && Enum.TryParse<Flame>(parts[0], ignoreCase: true, out var flame)
            && int.TryParse(parts[1], number, out var lit)
            && double.TryParse(parts[2], number, out var bar)
            && double.TryParse(parts[3], number, out var damper)
            ? new BurnerSetting(flame, lit, bar, damper)
            : null;
    }

    /// <summary>True where ports and flue are shut with the burners out.</summary>
    public bool IsClosedUp => Lit == 0 && Damper <= 0;
}

/// <summary>Burners and damper set anew at a moment.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="Setting">How they stand from then on.</param>
public readonly record struct FuelTurn(double Minute, BurnerSetting Setting);
