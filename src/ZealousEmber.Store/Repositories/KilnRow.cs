using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Store.Repositories;

/// <summary>A kiln as kept: the words that make it.</summary>
internal sealed class KilnRow : EntityRow
{
    public string Class { get; set; } = "";

    public Brick Brick { get; set; }

    public HoldClock HoldClock { get; set; }

    public TemperatureUnit Unit { get; set; }

    public Dictionary<string, double> Numbers { get; set; } = [];

    public void Write(Kiln kiln)
    {
        var words = kiln.Specification();
        (Name, Class, Brick, HoldClock, Unit, Notes) = (kiln.Name, kiln.Class.Id, kiln.Brick, kiln.HoldClock, kiln.Unit, kiln.Notes);
        Numbers = words.Numbers.ToDictionary(n => n.Key, n => n.Value!.Value);
    }

    /// <summary>The checked kiln; a row that does not pass its own rules means a damaged file and throws.</summary>
    public Kiln Read() => Kiln.Create(new KilnSpecification(Name, Class, Brick, HoldClock, Notes, Numbers.ToDictionary(n => n.Key, n => (double?)n.Value), Unit)).Value;
}
