using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

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

    /// <summary>What a fuel kiln burns; nothing for an electric one, which has brick and a controller's clock instead.</summary>
    public string? Fuel { get; set; }

    public void Write(StudioKiln kiln)
    {
        (Name, Class, Unit, Notes) = (kiln.Name, kiln.ClassId, kiln.Unit.ToString(), kiln.Notes);
        (Brick, HoldClock) = kiln is Kiln electric ? (electric.Brick.ToString(), electric.HoldClock.ToString()) : ("", "");
        Fuel = (kiln as FuelKiln)?.Fuel.Id;
        ControllerId = kiln.ControllerId;
        var numbers = kiln is FuelKiln fired ? fired.Specification().Numbers : ((Kiln)kiln).Specification().Numbers;
        Numbers = StoredJson.Write(numbers.ToDictionary(n => n.Key, n => n.Value!.Value));
        (Chamber, Props) = (
            StoredChamber.From(kiln.OwnChamber) is { } c ? StoredJson.Write(c) : null,
            StoredProps.From(kiln.OwnProps) is { } p ? StoredJson.Write(p) : null
        );
    }

    /// <summary>The checked kiln; one that does not pass its own rules throws.</summary>
    public StudioKiln Read()
    {
        var (numbers, unit) = (StoredJson.Read<Dictionary<string, double?>>(Numbers), StoredWord.Read<TemperatureUnit>(Unit));
        var (chamber, props) = (
            Chamber is null ? null : StoredJson.Read<StoredChamber>(Chamber).Read(),
            Props is null ? null : StoredJson.Read<StoredProps>(Props).Read()
        );
        return Fuel is not null
            ? FuelKiln.Create(new FuelKilnSpecification(Name, Class, Core.Kilns.Fuel.Fuel.Find(Fuel), Notes, numbers, unit, chamber, props)).Value
            : Kiln.Create(
                new KilnSpecification(
                    Name,
                    Class,
                    StoredWord.Read<Brick>(Brick),
                    StoredWord.Read<HoldClock>(HoldClock),
                    Notes,
                    numbers,
                    unit,
                    chamber,
                    props,
                    ControllerId
                )
            ).Value;
    }
}
