using System.Collections.Immutable;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>What a person says of a fuel kiln; what is missing is taken from its class. Percentages are of 100, areas cm², powers kW.</summary>
/// <param name="Name">One line, 1 … 60 characters.</param>
/// <param name="Class">Short name of a <see cref="FuelKilnClass"/>.</param>
/// <param name="Fuel">Propane when missing.</param>
/// <param name="Notes">Anything worth keeping.</param>
/// <param name="Numbers">Values by the field names of <see cref="FuelLimits"/>.</param>
/// <param name="Unit">Scale of the temperatures among them.</param>
/// <param name="Chamber">Its inside and shelves; the usual ones of its class when missing.</param>
/// <param name="Props">Its props; the usual ones of its class when missing.</param>
public sealed record FuelKilnSpecification(
    string? Name,
    string? Class,
    Fuel? Fuel,
    string? Notes,
    IReadOnlyDictionary<string, double?> Numbers,
    TemperatureUnit Unit = TemperatureUnit.Celsius,
    Chamber? Chamber = null,
    PropStock? Props = null
);

/// <summary>A gas kiln as it stands in the studio. Cannot be built wrong.</summary>
public sealed record FuelKiln : StudioKiln
{
    private const int MostMarks = 400;

    // Below this no flame of such power burns in a kiln: 30 cm² of flue to a burner of 35 kW, a tenth of that for the air beside it. m²/W.
    private const double LeastFlue = 30e-4 / 35_000;
    private const double LeastInlets = 3e-4 / 35_000;

    private FuelKiln(FuelKilnClass kilnClass, string name)
        : base(name) => Class = kilnClass;

    /// <summary>What it was started from.</summary>
    public FuelKilnClass Class { get; }

    /// <inheritdoc/>
    public override string ClassId => Class.Id;

    /// <inheritdoc/>
    public override string ClassName => Class.Name;

    /// <summary>What it burns.</summary>
    public Fuel Fuel { get; private init; } = Fuel.Propane;

    /// <summary>How many burners it has.</summary>
    public int Burners { get; private init; }

    /// <summary>Of one at full pressure, W.</summary>
    public double BurnerPower { get; private init; }

    /// <summary>Full pressure, bar above the air's.</summary>
    public double MostPressure { get; private init; }

    /// <summary>Of the gauge, bar.</summary>
    public double Mark { get; private init; }

    /// <summary>Flue with the damper out, m².</summary>
    public double Flue { get; private init; }

    /// <summary>Where air comes in, m².</summary>
    public double Inlets { get; private init; }

    /// <summary>Height that draws, m.</summary>
    public double Draft { get; private init; }

    /// <summary>Brick, metres.</summary>
    public double BrickThickness { get; private init; }

    /// <summary>Fibre behind it, metres; 0 for none.</summary>
    public double FibreThickness { get; private init; }

    /// <summary>Loss through joints and ports, W/K.</summary>
    public double Gap { get; private init; }

    /// <summary>Gas in a full cylinder, kg; 0 where it is piped.</summary>
    public double Cylinder { get; private init; }

    /// <summary>How many cylinders are there; 0 where nobody said.</summary>
    public int Cylinders { get; private init; }

    /// <summary>Minutes from one turn to the next, 15 … 60.</summary>
    public int TurnEvery { get; private init; }

    /// <summary>What the burners give against their plate; 1 until learned.</summary>
    public double BurnerFactor { get; private init; }

    /// <summary>Conductivity of the walls against the usual; 1 until learned.</summary>
    public double WallFactor { get; private init; }

    /// <summary>Openings of flue and inlets against what was measured; 1 until learned.</summary>
    public double AirFactor { get; private init; }

    /// <inheritdoc/>
    public override Chamber Chamber => OwnChamber ?? ChamberClass.Usual(Class.Id, Scale);

    /// <inheritdoc/>
    public override PropStock Props => OwnProps ?? ChamberClass.UsualProps(Class.Id);

    /// <summary>All burners at full pressure, W.</summary>
    public double FullPower => Burners * BurnerPower;

    /// <summary>The density of the air against that at sea level, δ.</summary>
    public double Thinness => Math.Pow(1 - 2.25577e-5 * Altitude, 5.2559);

    /// <summary>Lengths against those of its class.</summary>
    private double Scale => Math.Cbrt(Volume / Class.Volume);

    /// <summary>What its physics is worked out from: the lump and the wall of the kiln model paper, the inside a box.</summary>
    internal ThermalBody Body
    {
        get
        {
            var (w, d, h) = (Class.Inside.Width * Scale, Class.Inside.Depth * Scale, Class.Inside.Height * Scale);
            var thick = 2 * (BrickThickness + FibreThickness);
            var brick = new WallLayer(BrickThickness, 0.16 * WallFactor, 1.6e-4 * WallFactor, 700, 1000);
            var fibre = WallLayer.Fibre(FibreThickness);
            ImmutableArray<WallLayer> wall =
                FibreThickness > 0
                    ? [brick, fibre with { Conductivity0 = fibre.Conductivity0 * WallFactor, Conductivity1 = fibre.Conductivity1 * WallFactor }]
                    : [brick];
            return new ThermalBody(Box(w, d, h), Box(w + thick, d + thick, h + thick), wall, Gap, Room.Celsius, Class.Skin * Scale * Scale, 1);
        }
    }

    private static double Box(double w, double d, double h) => 2 * (w * d + d * h + h * w);

    /// <summary>The same kiln without what makes no difference to its heat: two that are alike in this are the same to whatever was learned of them.</summary>
    public FuelKiln Heat => this with { Name = "", Notes = null, Unit = TemperatureUnit.Celsius, OwnChamber = null, OwnProps = null };

    /// <inheritdoc/>
    public override KilnLoad UsualLoad(ScheduleKind kind, double fill = 1)
    {
        var raw = kind.FiresRaw();
        var size = Volume / Class.Volume * fill;
        return new KilnLoad((raw ? Class.BisqueWare : Class.GlazeWare) * size, (raw ? Class.BisqueFurniture : Class.GlazeFurniture) * size, FirstFiring: raw);
    }

    /// <inheritdoc/>
    public override IKilnModel With(KilnLoad load, Temperature start) => new LoadedFuelKiln(this, load, start);

    /// <summary>
    /// The same kind of kiln of another size: what was usual for the old size is what is usual for the new one; what somebody measured stays. Problems name
    /// <c>volume</c> and the fields that do not go with it.
    /// </summary>
    /// <param name="volume">Litres.</param>
    public Result<FuelKiln> Resized(double volume)
    {
        var said = Specification();
        Dictionary<string, double?> Only(double litres) => new() { [FuelLimits.Volume.Field] = litres };
        var before = Create(said with { Numbers = Only(Volume) });
        if (!before.IsOk)
            return before;
        var usual = before.Value.Specification().Numbers;
        var kept = said.Numbers.Where(n => n.Key != FuelLimits.Volume.Field && !IsUsual(n.Value, usual.GetValueOrDefault(n.Key)));
        return Create(said with { Numbers = Only(volume).Concat(kept).ToDictionary(n => n.Key, n => n.Value) });
    }

    // As people round what they read: three places.
    private static bool IsUsual(double? said, double? usual) => said is { } a && usual is { } b && Math.Abs(a - b) <= 0.0005 * Math.Max(1, Math.Abs(b));

    /// <summary>The same kiln with learned factors and sureness, as shares; each within its limits, clamped to them otherwise.</summary>
    public FuelKiln Learned(double burner, double wall, double air, double uncertainty) =>
        this with
        {
            BurnerFactor = Clamp(burner, FuelLimits.BurnerFactor),
            WallFactor = Clamp(wall, FuelLimits.WallFactor),
            AirFactor = Clamp(air, FuelLimits.AirFactor),
            Uncertainty = Clamp(uncertainty, FuelLimits.Uncertainty),
        };

    /// <inheritdoc/>
    public override StudioKiln Unsure(double times) => this with { Uncertainty = Clamp(Uncertainty * times, FuelLimits.Uncertainty) };

    /// <summary>The same kiln with its factors so many times as much, of any size: a kiln to be tried, not kept.</summary>
    internal FuelKiln Factored(double burner, double wall, double air) =>
        this with
        {
            BurnerFactor = BurnerFactor * burner,
            WallFactor = WallFactor * wall,
            AirFactor = AirFactor * air,
        };

    private static double Clamp(double share, KilnNumber limits) => Math.Clamp(share, limits.Least / 100, limits.Most / 100);

    /// <summary>The same kiln as the words that make it.</summary>
    public FuelKilnSpecification Specification() =>
        new(
            Name,
            Class.Id,
            Fuel,
            Notes,
            new Dictionary<string, double?>
            {
                [FuelLimits.Volume.Field] = Volume,
                [FuelLimits.Burners.Field] = Burners,
                [FuelLimits.BurnerPower.Field] = Rounded(BurnerPower / 1000),
                [FuelLimits.MostPressure.Field] = MostPressure,
                [FuelLimits.Mark.Field] = Mark,
                [FuelLimits.Flue.Field] = Rounded(Flue * 1e4),
                [FuelLimits.Inlets.Field] = Rounded(Inlets * 1e4),
                [FuelLimits.Draft.Field] = Draft,
                [FuelLimits.BrickThickness.Field] = Rounded(BrickThickness * 1000),
                [FuelLimits.FibreThickness.Field] = Rounded(FibreThickness * 1000),
                [FuelLimits.Gap.Field] = Gap,
                [FuelLimits.TopLimit.Field] = TopLimit.In(Unit),
                [FuelLimits.OpenLimit.Field] = Opens.In(Unit),
                [FuelLimits.Room.Field] = Room.In(Unit),
                [FuelLimits.Altitude.Field] = Altitude,
                [FuelLimits.Cylinder.Field] = Cylinder,
                [FuelLimits.Cylinders.Field] = Cylinders,
                [FuelLimits.TurnEvery.Field] = TurnEvery,
                [FuelLimits.BurnerFactor.Field] = Rounded(BurnerFactor * 100),
                [FuelLimits.WallFactor.Field] = Rounded(WallFactor * 100),
                [FuelLimits.AirFactor.Field] = Rounded(AirFactor * 100),
                [FuelLimits.Uncertainty.Field] = Rounded(Uncertainty * 100),
            },
            Unit,
            OwnChamber,
            OwnProps
        );

    // Takes off the binary dust of going through shares and metres.
    private static double Rounded(double value) => Math.Round(value, 9);

    /// <summary>
    /// Builds a kiln from what a person gave. Problems name <c>name</c>, <c>class</c>, <c>notes</c> and the fields of <see cref="FuelLimits"/>.
    /// </summary>
    public static Result<FuelKiln> Create(FuelKilnSpecification words)
    {
        var problems = new List<Problem>();
        var (name, notes) = ReadWords(words.Name, words.Notes, problems);
        if (FuelKilnClass.Find(words.Class) is not { } kind)
        {
            problems.Add(new Problem("class", $"A fuel kiln starts from one of these: {string.Join(", ", FuelKilnClass.All.Select(c => c.Id))}."));
            return Result<FuelKiln>.Failed(problems);
        }

        double Read(KilnNumber number, double usual) => number.Read(words.Numbers.GetValueOrDefault(number.Field), usual, words.Unit, problems);
        var volume = Read(FuelLimits.Volume, kind.Volume);
        // A smaller or larger kiln than its class: lengths by the cube root; openings, burners and gaps by its square; a stack stays.
        var length = Math.Cbrt(volume / kind.Volume);
        var area = length * length;
        var fuel = words.Fuel ?? Fuel.Propane;
        var kiln = new FuelKiln(kind, name)
        {
            Fuel = fuel,
            Notes = notes,
            Unit = words.Unit,
            OwnChamber = words.Chamber,
            OwnProps = words.Props,
            Volume = volume,
            Burners = (int)Math.Round(Read(FuelLimits.Burners, kind.Burners)),
            BurnerPower = Read(FuelLimits.BurnerPower, kind.BurnerPower * area / 1000) * 1000,
            MostPressure = Read(FuelLimits.MostPressure, kind.MostPressure),
            Mark = Read(FuelLimits.Mark, kind.Mark),
            Flue = Read(FuelLimits.Flue, kind.Flue * area * 1e4) / 1e4,
            Inlets = Read(FuelLimits.Inlets, kind.Inlets * area * 1e4) / 1e4,
            Draft = Read(FuelLimits.Draft, kind.HasStack ? kind.Draft : kind.Draft * length),
            BrickThickness = Read(FuelLimits.BrickThickness, kind.BrickThickness * 1000) / 1000,
            FibreThickness = Read(FuelLimits.FibreThickness, kind.FibreThickness * 1000) / 1000,
            Gap = Read(FuelLimits.Gap, kind.Gap * area),
            TopLimit = Temperature.FromCelsius(Read(FuelLimits.TopLimit, 1340)),
            Opens = Temperature.FromCelsius(Read(FuelLimits.OpenLimit, 50)),
            Room = Temperature.FromCelsius(Read(FuelLimits.Room, 20)),
            Altitude = Read(FuelLimits.Altitude, 0),
            Cylinder = Read(FuelLimits.Cylinder, fuel == Fuel.Propane ? 33 : 0),
            Cylinders = (int)Math.Round(Read(FuelLimits.Cylinders, 0)),
            TurnEvery = (int)Math.Round(Read(FuelLimits.TurnEvery, TurnPlanner.UsualEvery)),
            BurnerFactor = Read(FuelLimits.BurnerFactor, 100) / 100,
            WallFactor = Read(FuelLimits.WallFactor, 100) / 100,
            AirFactor = Read(FuelLimits.AirFactor, 100) / 100,
            Uncertainty = Read(FuelLimits.Uncertainty, 15) / 100,
        };
        if (kiln.OpensTooCold(FuelLimits.OpenLimit.Field) is { } tooCold)
            problems.Add(tooCold);
        void Opening(KilnNumber number, double area, double perWatt)
        {
            var least = perWatt * kiln.FullPower;
            if (area < least)
                problems.Add(
                    new Problem(
                        number.Field,
                        $"{number.Label} of {Phrases.Number(Rounded(area * 1e4))} cm² cannot breathe for burners of "
                            + $"{Phrases.Number(Math.Round(kiln.FullPower / 1000))} kW: it needs {Phrases.Number(Math.Ceiling(least * 1e4))} cm² at least."
                    )
                );
        }
        Opening(FuelLimits.Flue, kiln.Flue * kiln.AirFactor, LeastFlue);
        Opening(FuelLimits.Inlets, kiln.Inlets * kiln.AirFactor, LeastInlets);
        if (kiln.Mark > kiln.MostPressure)
            problems.Add(new Problem(FuelLimits.Mark.Field, "The marks are farther apart than the whole gauge is used."));
        if (kiln.MostPressure / kiln.Mark > MostMarks)
            problems.Add(new Problem(FuelLimits.Mark.Field, $"That would be more than {MostMarks} marks up to full pressure; no gauge has so many."));
        return problems.Count > 0 ? Result<FuelKiln>.Failed(problems) : kiln;
    }
}
