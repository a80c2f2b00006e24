using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Repositories;

/// <summary>A kiln as stored: its specification. Words are text, so that one nobody knows spoils only its own row.</summary>
internal sealed class KilnRow : EntityRow
{
    public string Class { get; set; } = "";

    public string Brick { get; set; } = "";

    public string HoldClock { get; set; } = "";

    public string Unit { get; set; } = "";

    public string Numbers { get; set; } = "{}";

    /// <summary>Its inside and shelves, as JSON; nothing where they are those of its class.</summary>
    public string? Chamber { get; set; }

    /// <summary>Its props, as JSON; nothing where they are those of its class.</summary>
    public string? Props { get; set; }

    public int? ControllerId { get; set; }

    public void Write(Kiln kiln)
    {
        (Name, Class, Brick, HoldClock, Unit, Notes) = (kiln.Name, kiln.Class.Id, kiln.Brick.ToString(), kiln.HoldClock.ToString(), kiln.Unit.ToString(), kiln.Notes);
        ControllerId = kiln.ControllerId;
        Numbers = StoredJson.Write(kiln.Specification().Numbers.ToDictionary(n => n.Key, n => n.Value!.Value));
        (Chamber, Props) = (StoredChamber.From(kiln.OwnChamber) is { } c ? StoredJson.Write(c) : null, StoredProps.From(kiln.OwnProps) is { } p ? StoredJson.Write(p) : null);
    }

    /// <summary>The checked kiln; one that does not pass its own rules throws.</summary>
    public Kiln Read() => Kiln.Create(new KilnSpecification(
        Name, Class, Enum.Parse<Brick>(Brick), Enum.Parse<HoldClock>(HoldClock), Notes, StoredJson.Read<Dictionary<string, double?>>(Numbers), Enum.Parse<TemperatureUnit>(Unit),
        Chamber is null ? null : StoredJson.Read<StoredChamber>(Chamber).Read(), Props is null ? null : StoredJson.Read<StoredProps>(Props).Read(), ControllerId)).Value;
}
