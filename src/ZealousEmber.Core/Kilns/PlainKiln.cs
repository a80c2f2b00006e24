using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns;

/// <summary>
/// No kiln chosen: a plain one to plan by. It climbs 350 °C/h at room temperature, falling in a straight line to
/// 80 °C/h at 1250 °C and staying there; with the power off it halves its difference to the room every 3.5 h.
/// A convention for the screen, not a measurement.
/// </summary>
public sealed class PlainKiln : IKilnModel, IKilnPace
{
    private const double Room = 20;
    private const double ColdRate = 350;
    private const double HotRate = 80;
    private const double HotFrom = 1250;
    private const double HalvingHours = 3.5;
    private const int PiecesOnACurve = 48;
    private const double Slope = (ColdRate - HotRate) / (HotFrom - Room);

    /// <summary>Standing at room temperature.</summary>
    public static readonly PlainKiln Instance = new(Temperature.FromCelsius(Room));

    /// <summary>As warm as it is when it is switched on.</summary>
    public PlainKiln(Temperature start) => Start = start;

    /// <inheritdoc/>
    public Temperature Start { get; }

    /// <inheritdoc/>
    public string? Name => null;

    /// <inheritdoc/>
    public KilnLoad? Load => null;

    /// <summary>At sea level.</summary>
    public Temperature Boiling { get; } = Temperature.FromCelsius(100);

    /// <inheritdoc/>
    public Temperature TopLimit => ScheduleLimits.Hottest;

    /// <inheritdoc/>
    public Temperature Hottest => ScheduleLimits.Hottest;

    /// <inheritdoc/>
    public double? Uncertainty => null;

    /// <inheritdoc/>
    public double? FullPower => null;

    /// <inheritdoc/>
    public bool HasElements => false;

    /// <summary>The convention in a sentence, for the screen.</summary>
    public string? Convention(TemperatureUnit unit)
    {
        string Degrees(double kelvins) => Phrases.Number(Math.Round(TemperatureDifference.FromKelvins(kelvins).In(unit)));
        return $"Full power and off are timed for a plain kiln: {Degrees(ColdRate)} {unit.Symbol()}/h cold, {Degrees(HotRate)} at "
            + $"{Phrases.Number(Temperature.FromCelsius(HotFrom).In(unit))} {unit.Symbol()}; cooling halves every {Phrases.Number(HalvingHours)} h. A "
            + "kiln of your own will differ.";
    }

    /// <summary>5 K above the room at 20 °C; the last degrees would take for ever.</summary>
    public Temperature CoolsTo { get; } = Temperature.FromCelsius(Room + 5);

    /// <summary>50 °C, the usual limit for opening.</summary>
    public Temperature Opens { get; } = Temperature.FromCelsius(50);

    /// <inheritdoc/>
    public double? UsualWare(ScheduleKind kind) => null;

    /// <summary>Nothing: full power is not what limits a plan on it.</summary>
    public Rate? FastestClimb(Temperature at) => null;

    /// <inheritdoc/>
    public Rate? NaturalFall(Temperature at)
    {
        var fall = Cool(at, at - TemperatureDifference.FromKelvins(10));
        return fall[^1].Minutes > 0 ? Rate.PerHour((fall[0].Celsius - fall[^1].Celsius) / fall[^1].Minutes * 60) : null;
    }

    /// <inheritdoc/>
    public IKilnModel Wetter(double kg) => this;

    /// <inheritdoc/>
    public Result<CompiledSchedule> Times(FiringProgram program) => CompiledSchedule.From(program, Start, this);

    /// <summary>Never late and never at a loss; of energy nothing is known.</summary>
    public Result<KilnRun> Run(FiringProgram program)
    {
        var times = Times(program);
        if (!times.IsOk)
            return Result<KilnRun>.Failed(times.Problems);
        var compiled = times.Value;
        return new KilnRun(
            compiled,
            compiled.Curve,
            [.. compiled.Segments.Select(_ => new KilnStep(Duration.Zero, null, Duration.Zero, 0))],
            new Curve([compiled.Curve.Points[^1]]),
            compiled.Curve.LastFallThrough(Opens),
            new KilnEnergy(0, 0, 0),
            Duration.Zero,
            [],
            null
        );
    }

    /// <inheritdoc/>
    public IReadOnlyList<CurvePoint> Climb(Temperature from, Temperature to) => Trace(from.Celsius, to.Celsius, HoursToClimb);

    /// <inheritdoc/>
    public IReadOnlyList<CurvePoint> Cool(Temperature from, Temperature to)
    {
        var end = Math.Max(to.Celsius, Math.Min(CoolsTo.Celsius, from.Celsius));
        return Trace(from.Celsius, end, (a, b) => HalvingHours * Math.Log2((a - Room) / (b - Room)));
    }

    /// <summary>Points evenly spread over the temperature, each at its exact time.</summary>
    private static List<CurvePoint> Trace(double from, double to, Func<double, double, double> hours)
    {
        var points = new List<CurvePoint> { new(0, from) };
        if (Math.Abs(to - from) < 1e-9)
            return points;
        var pieces = Math.Clamp((int)Math.Ceiling(Math.Abs(to - from) / 10), 1, PiecesOnACurve);
        for (var i = 1; i <= pieces; i++)
        {
            // Finer towards the end, where a cooling curve bends most.
            var share = to < from ? 1 - Math.Pow(1 - i / (double)pieces, 2) : i / (double)pieces;
            var celsius = i == pieces ? to : from + (to - from) * share;
            points.Add(new CurvePoint(60 * hours(from, celsius), celsius));
        }
        return points;
    }

    /// <summary>
    /// dT/dt = 350 below the room, 350 − slope·(T − room) up to 1250 °C, 80 above; each piece solved exactly,
    /// the middle one being t = ln(rate at a / rate at b) / slope.
    /// </summary>
    private static double HoursToClimb(double from, double to)
    {
        var hours = 0.0;
        if (from < Room)
            hours += (Math.Min(to, Room) - from) / ColdRate;
        var (low, high) = (Math.Max(from, Room), Math.Min(to, HotFrom));
        if (high > low)
            hours += Math.Log((ColdRate - Slope * (low - Room)) / (ColdRate - Slope * (high - Room))) / Slope;
        if (to > HotFrom)
            hours += (to - Math.Max(from, HotFrom)) / HotRate;
        return hours;
    }
}
