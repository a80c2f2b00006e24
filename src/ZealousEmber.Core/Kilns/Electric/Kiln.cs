using System.Collections.Immutable;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>What a person says of a kiln; what is missing is taken from its class. Percentages are of 100.</summary>
/// <param name="Name">One line, 1 … 60 characters.</param>
/// <param name="Class">Short name of a <see cref="KilnClass"/>.</param>
/// <param name="Brick">Hot face.</param>
/// <param name="HoldClock">What the controller does with a late climb.</param>
/// <param name="Notes">Anything worth keeping.</param>
/// <param name="Numbers">Values by the field names of <see cref="KilnLimits"/>.</param>
/// <param name="Unit">Scale of the temperatures among them.</param>
/// <param name="Chamber">Its inside and shelves; the usual ones of its class when missing.</param>
/// <param name="Props">Its props; the usual ones of its class when missing.</param>
/// <param name="ControllerId">The controller of the studio it is told its firings by; nothing where none is named.</param>
public sealed record KilnSpecification(
    string? Name,
    string? Class,
    Brick? Brick,
    HoldClock? HoldClock,
    string? Notes,
    IReadOnlyDictionary<string, double?> Numbers,
    TemperatureUnit Unit = TemperatureUnit.Celsius,
    Chamber? Chamber = null,
    PropStock? Props = null,
    int? ControllerId = null
);

/// <summary>An electric kiln as it stands in the studio. Cannot be built wrong.</summary>
public sealed record Kiln : StudioKiln
{
    /// <summary>Heat carried by a litre of room air a minute, W/K: 1.2 kg/m³ · 1005 J/(kg K) / 60 000.</summary>
    private const double AirPerLitreMinute = 1.2 * 1005 / 60_000;

    private Kiln(KilnClass kilnClass, string name)
        : base(name) => Class = kilnClass;

    /// <summary>What it was started from.</summary>
    public KilnClass Class { get; }

    /// <inheritdoc/>
    public override string ClassId => Class.Id;

    /// <inheritdoc/>
    public override string ClassName => Class.Name;

    /// <summary>Hot face.</summary>
    public Brick Brick { get; private init; }

    /// <summary>What its controller does with a late climb.</summary>
    public HoldClock HoldClock { get; private init; }

    /// <summary>Plate power with new elements, W, 300 … 150 000.</summary>
    public double Power { get; private init; }

    /// <summary>Supply, V.</summary>
    public double Voltage { get; private init; }

    /// <summary>Share of the plate's power the elements still give, 0.4 … 1.1.</summary>
    public double ElementHealth { get; private init; }

    /// <summary>Brick, metres.</summary>
    public double BrickThickness { get; private init; }

    /// <summary>Fibre behind it, metres; 0 for none.</summary>
    public double FibreThickness { get; private init; }

    /// <summary>Air a vent draws through it, L/min.</summary>
    public double VentFlow { get; private init; }

    /// <summary>Rings or banks of elements.</summary>
    public int Sections { get; private init; }

    /// <summary>Loss through gaps, W/K.</summary>
    public double Leak { get; private init; }

    /// <summary>Heat capacity of load and chamber against the usual; 1 until learned.</summary>
    public double HeatFactor { get; private init; }

    /// <summary>Conductivity of the walls against the usual; 1 until learned.</summary>
    public double LossFactor { get; private init; }

    /// <summary>Its inside and shelves.</summary>
    public override Chamber Chamber => OwnChamber ?? ChamberClass.Usual(Class.Id, Scale);

    /// <summary>Its props.</summary>
    public override PropStock Props => OwnProps ?? ChamberClass.UsualProps(Class.Id);

    /// <summary>Size against its class: the cube root of the volumes. Areas go with its square, loads with its cube.</summary>
    private double Scale => Math.Cbrt(Volume / Class.Volume);

    /// <summary>Power it can draw now, W.</summary>
    public double FullPower => Power * ElementHealth;

    /// <summary>Current it draws at full power, A, taken as a single phase.</summary>
    public double Current => FullPower / Voltage;

    /// <summary>Inside of the wall, m².</summary>
    public double InnerArea => Class.InnerArea * Scale * Scale;

    /// <summary>Outside of the wall, m². A thicker wall than its class's has more.</summary>
    public double OuterArea
    {
        get
        {
            // The outside grows with the wall: from the class's own ratio, √A goes in a straight line with thickness.
            var usual = Class.BrickThickness + Class.FibreThickness;
            var perMetre = (Math.Sqrt(Class.OuterArea) - Math.Sqrt(Class.InnerArea)) / usual;
            var root = Math.Sqrt(InnerArea) + perMetre * (BrickThickness + FibreThickness);
            return root * root;
        }
    }

    /// <summary>Heat capacity of elements and hot skin, J/K.</summary>
    public double Skin => Class.Skin * Scale * Scale;

    /// <summary>Loss through gaps and vent together, W/K.</summary>
    public double AirLoss => Leak + VentFlow * AirPerLitreMinute;

    /// <summary>The wall from the hot face outwards, with what was learned of it.</summary>
    public ImmutableArray<WallLayer> Wall
    {
        get
        {
            var brick = Brick == Brick.Light ? WallLayer.LightBrick(BrickThickness) : WallLayer.StandardBrick(BrickThickness);
            WallLayer[] layers = FibreThickness > 0 ? [brick, WallLayer.Fibre(FibreThickness)] : [brick];
            return [.. layers.Select(l => l with { Conductivity0 = l.Conductivity0 * LossFactor, Conductivity1 = l.Conductivity1 * LossFactor })];
        }
    }

    /// <summary>What its physics is worked out from.</summary>
    internal ThermalBody Body => new(InnerArea, OuterArea, Wall, AirLoss, Room.Celsius, Skin, HeatFactor, FullPower);

    /// <summary>The same kiln without what makes no difference to its heat: two that are alike in this are the same to whatever was learned of them.</summary>
    public Kiln Heat => this with { Name = "", Notes = null, Unit = TemperatureUnit.Celsius, OwnChamber = null, OwnProps = null, ControllerId = null };

    /// <summary>The same kiln under a controller that does this with a late climb.</summary>
    public Kiln With(HoldClock clock) => this with { HoldClock = clock };

    /// <summary>The same kiln with a display that is known to be off.</summary>
    public Kiln With(DisplayOffset? offset) => this with { Offset = offset };

    /// <summary>The same kiln with learned factors, elements and sureness, as shares; each within its limits, clamped to them otherwise.</summary>
    public Kiln Learned(double heatFactor, double lossFactor, double elementHealth, double uncertainty) =>
        this with
        {
            Uncertainty = Clamp(uncertainty, KilnLimits.Uncertainty),
            HeatFactor = Clamp(heatFactor, KilnLimits.HeatFactor),
            LossFactor = Clamp(lossFactor, KilnLimits.LossFactor),
            ElementHealth = Clamp(elementHealth, KilnLimits.ElementHealth),
        };

    /// <inheritdoc/>
    public override StudioKiln Unsure(double times) => this with { Uncertainty = Clamp(Uncertainty * times, KilnLimits.Uncertainty) };

    /// <summary>The same kiln with power, heat and loss so many times as much, of any size: a kiln to be tried, not kept.</summary>
    internal Kiln Scaled(double power, double heat, double loss) =>
        this with
        {
            ElementHealth = ElementHealth * power,
            HeatFactor = HeatFactor * heat,
            LossFactor = LossFactor * loss,
        };

    private static double Clamp(double share, KilnNumber limits) => Math.Clamp(share, limits.Least / 100, limits.Most / 100);

    /// <summary>What a full load of a kind of firing usually is in this kiln.</summary>
    public override KilnLoad UsualLoad(ScheduleKind kind, double fill = 1)
    {
        var raw = kind.FiresRaw();
        var size = Scale * Scale * Scale * fill;
        return new KilnLoad((raw ? Class.BisqueWare : Class.GlazeWare) * size, (raw ? Class.BisqueFurniture : Class.GlazeFurniture) * size, FirstFiring: raw);
    }

    /// <inheritdoc/>
    public override IKilnModel With(KilnLoad load, Temperature start) => new ElectricKiln(this, load, start);

    /// <summary>The same kiln as the words that make it.</summary>
    public KilnSpecification Specification() =>
        new(
            Name,
            Class.Id,
            Brick,
            HoldClock,
            Notes,
            new Dictionary<string, double?>
            {
                [KilnLimits.Volume.Field] = Volume,
                [KilnLimits.Power.Field] = Power,
                [KilnLimits.Voltage.Field] = Voltage,
                [KilnLimits.ElementHealth.Field] = Rounded(ElementHealth * 100),
                [KilnLimits.BrickThickness.Field] = Rounded(BrickThickness * 1000),
                [KilnLimits.FibreThickness.Field] = Rounded(FibreThickness * 1000),
                [KilnLimits.TopLimit.Field] = TopLimit.In(Unit),
                [KilnLimits.OpenLimit.Field] = Opens.In(Unit),
                [KilnLimits.Room.Field] = Room.In(Unit),
                [KilnLimits.Altitude.Field] = Altitude,
                [KilnLimits.VentFlow.Field] = VentFlow,
                [KilnLimits.Sections.Field] = Sections,
                [KilnLimits.Leak.Field] = Leak,
                [KilnLimits.HeatFactor.Field] = Rounded(HeatFactor * 100),
                [KilnLimits.LossFactor.Field] = Rounded(LossFactor * 100),
                [KilnLimits.Uncertainty.Field] = Rounded(Uncertainty * 100),
            },
            Unit,
            OwnChamber,
            OwnProps,
            ControllerId
        );

    // Takes off the binary dust of going through shares and metres.
    private static double Rounded(double value) => Math.Round(value, 9);

    /// <summary>
    /// Builds a kiln from what a person gave. Problems name <c>name</c>, <c>class</c>, <c>notes</c> and the fields of <see cref="KilnLimits"/>.
    /// </summary>
    public static Result<Kiln> Create(KilnSpecification words)
    {
        var problems = new List<Problem>();
        var (name, notes) = ReadWords(words.Name, words.Notes, problems);
        if (KilnClass.Find(words.Class) is not { } kind)
        {
            problems.Add(new Problem("class", $"A kiln starts from one of these: {string.Join(", ", KilnClass.All.Select(c => c.Id))}."));
            return Result<Kiln>.Failed(problems);
        }

        double Read(KilnNumber number, double usual) => number.Read(words.Numbers.GetValueOrDefault(number.Field), usual, words.Unit, problems);
        var volume = Read(KilnLimits.Volume, kind.Volume);
        // A smaller or larger kiln than its class has wall, leak and power in proportion.
        var area = Math.Pow(volume / kind.Volume, 2.0 / 3);
        var kiln = new Kiln(kind, name)
        {
            Brick = words.Brick ?? kind.Brick,
            HoldClock = words.HoldClock ?? HoldClock.WaitsForTarget,
            Notes = notes,
            Unit = words.Unit,
            OwnChamber = words.Chamber,
            OwnProps = words.Props,
            ControllerId = words.ControllerId,
            Volume = volume,
            Power = Read(KilnLimits.Power, Math.Round(kind.Power * area)),
            Voltage = Read(KilnLimits.Voltage, kind.Voltage),
            ElementHealth = Read(KilnLimits.ElementHealth, 100) / 100,
            BrickThickness = Read(KilnLimits.BrickThickness, kind.BrickThickness * 1000) / 1000,
            FibreThickness = Read(KilnLimits.FibreThickness, kind.FibreThickness * 1000) / 1000,
            Altitude = Read(KilnLimits.Altitude, 0),
            Room = Temperature.FromCelsius(Read(KilnLimits.Room, 20)),
            TopLimit = Temperature.FromCelsius(Read(KilnLimits.TopLimit, kind.TopLimit)),
            Opens = Temperature.FromCelsius(Read(KilnLimits.OpenLimit, 50)),
            VentFlow = Read(KilnLimits.VentFlow, 0),
            Sections = (int)Read(KilnLimits.Sections, kind.Sections),
            Leak = Read(KilnLimits.Leak, kind.Leak * area),
            HeatFactor = Read(KilnLimits.HeatFactor, 100) / 100,
            LossFactor = Read(KilnLimits.LossFactor, 100) / 100,
            Uncertainty = Read(KilnLimits.Uncertainty, 10) / 100,
        };
        if (kiln.OpensTooCold(KilnLimits.OpenLimit.Field) is { } tooCold)
            problems.Add(tooCold);
        return problems.Count > 0 ? Result<Kiln>.Failed(problems) : kiln;
    }
}
