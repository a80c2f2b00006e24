using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

/// <summary>What clays and glazes have in common.</summary>
internal abstract class StockRow : EntityRow
{
    public string? ConeFrom { get; set; }

    public string? ConeTo { get; set; }
}

/// <summary>A clay as kept.</summary>
internal sealed class ClayRow : StockRow
{
    public string Kind { get; set; } = "";

    public double? Shrinkage { get; set; }

    public double? Absorption { get; set; }

    public bool BurnsOutSlowly { get; set; }

    public void Write(Clay clay) =>
        (Name, Kind, ConeFrom, ConeTo, Shrinkage, Absorption, BurnsOutSlowly, Notes) = (
            clay.Name,
            clay.Kind.ToString(),
            clay.Range?.Coolest.Number,
            clay.Range?.Hottest.Number,
            clay.Shrinkage,
            clay.Absorption,
            clay.BurnsOutSlowly,
            clay.Notes
        );

    public Clay Read() => Clay.Create(Name, StoredWord.Read<ClayKind>(Kind), ConeFrom, ConeTo, Shrinkage, Absorption, BurnsOutSlowly, Notes).Value;
}

/// <summary>A glaze as kept; its slow band in °C.</summary>
internal sealed class GlazeRow : StockRow
{
    public bool Runny { get; set; }

    public bool NeedsHold { get; set; }

    public bool Fades { get; set; }

    public bool WantsFastCooling { get; set; }

    public double? SlowFrom { get; set; }

    public double? SlowTo { get; set; }

    public double? SlowHours { get; set; }

    public void Write(Glaze glaze)
    {
        (Name, ConeFrom, ConeTo, Notes) = (glaze.Name, glaze.Range?.Coolest.Number, glaze.Range?.Hottest.Number, glaze.Notes);
        (Runny, NeedsHold, Fades, WantsFastCooling) = (glaze.Runny, glaze.NeedsHold, glaze.Fades, glaze.WantsFastCooling);
        (SlowFrom, SlowTo, SlowHours) = (glaze.Slow?.From.Celsius, glaze.Slow?.To.Celsius, glaze.Slow?.Lasts.TotalHours);
    }

    public Glaze Read() =>
        Glaze.Create(Name, ConeFrom, ConeTo, Runny, NeedsHold, Fades, WantsFastCooling, SlowFrom, SlowTo, SlowHours, TemperatureUnit.Celsius, Notes).Value;
}
