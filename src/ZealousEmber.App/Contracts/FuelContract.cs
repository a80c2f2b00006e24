using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Contracts;

/// <summary>What is asked of a firing in a fuel kiln, beside its schedule.</summary>
internal interface IFuelOptions
{
    /// <summary>Minutes between turns, 15 to 60; 30 when missing.</summary>
    int? TurnEveryMinutes { get; }

    /// <summary>Turns as they are made; planned from the schedule when missing.</summary>
    IReadOnlyList<TurnRequest?>? Turns { get; }

    /// <summary>How long turns are followed, with no schedule to say it.</summary>
    double? Hours { get; }

    /// <summary>What was seen of it.</summary>
    IReadOnlyList<ObservationRequest?>? Observations { get; }

    /// <summary>From when it is planned anew.</summary>
    double? ReplanFromMinute { get; }
}

/// <summary>Burners and damper set anew.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="PressureBar">At the burners; 0 is off. May be missing for a candle or a low flame, which are set by eye.</param>
/// <param name="Damper">0 shut … 1 open.</param>
/// <param name="Lit">Burners lit; all when missing.</param>
/// <param name="Flame">candle, low or gauge; gauge when missing.</param>
public sealed record TurnRequest(double? Minute, double? PressureBar, double? Damper, int? Lit = null, Flame? Flame = null);

/// <summary>Something seen; just one of the four is given.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="Temperature">Read off a thermometer, in the schedule's unit.</param>
/// <param name="Colour">By eye: none, first-dull-red, dark-cherry, cherry, bright-orange-red, orange, yellow-orange, yellow or pale.</param>
/// <param name="ConeDown">A witness cone that is down now.</param>
/// <param name="AirSign">smell, clear, flame-at-flue or flame-at-ports.</param>
public sealed record ObservationRequest(double? Minute, double? Temperature = null, string? Colour = null, string? ConeDown = null, AirSign? AirSign = null);

/// <summary>A row of the turn-up sheet; temperatures in the schedule's unit.</summary>
/// <param name="Kind">turn, look or shut-off.</param>
/// <param name="Marks">The pressure in marks of the gauge; nothing for a flame set by eye.</param>
/// <param name="At">By the clock, where a start was given.</param>
/// <param name="Temperature">To expect then.</param>
/// <param name="EndTemperature">To expect at the next row.</param>
/// <param name="Wanted">Where the schedule wants it then.</param>
/// <param name="Colour">To expect then.</param>
/// <param name="Lambda">Air there is over air needed; nothing with the burners out.</param>
/// <param name="Band">The air that makes.</param>
/// <param name="PortPascal">At the ports; above 0 flame licks out.</param>
/// <param name="FlameAtFlueM">How far flame stands out of the flue, within a factor of two.</param>
/// <param name="Set">What to set, in words.</param>
/// <param name="Expect">What to look, smell and listen for.</param>
/// <param name="Why">Why it is there.</param>
/// <param name="Caution">The word of safety that belongs here.</param>
/// <param name="Done">It was made already.</param>
/// <param name="Cones">Cones of the pack that should go down before the next row.</param>
public sealed record TurnContract(
    double Minute,
    TurnKind Kind,
    double PressureBar,
    double Damper,
    int Lit,
    Flame Flame,
    double? Marks,
    int Segment,
    bool Hold,
    Atmosphere? Asked,
    DateTimeOffset? At,
    double Temperature,
    double EndTemperature,
    double Wanted,
    string Colour,
    double? Lambda,
    Atmosphere? Band,
    double PortPascal,
    double FlameAtFlueM,
    string Set,
    string Expect,
    string? Why,
    string? Caution,
    bool Late,
    bool Done,
    IReadOnlyList<ConeFallContract>? Cones = null
);

/// <summary>A cone of the pack that should go down.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="At">By the clock, where a start was given.</param>
public sealed record ConeFallContract(string Cone, double Minute, DateTimeOffset? At);

/// <summary>The air at a moment.</summary>
/// <param name="Lambda">At most 99.</param>
public sealed record AirContract(double Minute, double Lambda, Atmosphere Band);

/// <summary>A stretch with one kind of air, as it is written along a curve; minutes since the start.</summary>
public sealed record AirStretchContract(double FromMinute, double ToMinute, Atmosphere Band);

/// <summary>How near the turns keep to the schedule above 200 °C, degrees of the schedule's unit.</summary>
public sealed record FollowContract(double Rms, double Worst, double LateMinutes);

/// <summary>What it takes.</summary>
/// <param name="M3">At 15 °C.</param>
/// <param name="KwhGross">As bills count it.</param>
/// <param name="KwhNet">Without the heat of the steam.</param>
/// <param name="Cost">In the studio's money; nothing where no price is known.</param>
/// <param name="Cylinders">How many to have side by side; nothing where gas is piped.</param>
/// <param name="StarvesAtMinute">When one cylinder alone would be too cold, or empty; nothing where it lasts.</param>
/// <param name="CylinderKg">Gas in a full one.</param>
/// <param name="SpareC">How many degrees so many cylinders stay above too cold, with 15 % more use; nothing where no number lasts.</param>
/// <param name="LeftKg">What is then left in each.</param>
public sealed record FuelUseContract(
    double Kg,
    double M3,
    double KwhGross,
    double KwhNet,
    double? Cost,
    double PeakKgPerHour,
    int? Cylinders,
    double? StarvesAtMinute,
    double? CylinderKg,
    double? SpareC = null,
    double? LeftKg = null
);

/// <summary>What cannot be done of what was asked.</summary>
public sealed record TurnTroubleContract(TurnTrouble Trouble, int Segment, double Minute, double Temperature, double Wanted, string Text);

/// <summary>A number with how sure it is.</summary>
public sealed record FactorContract(double Mean, double Sd);

/// <summary>What turns and observations say of a firing; temperatures in the schedule's unit.</summary>
/// <param name="Minute">When.</param>
/// <param name="Low">One time in ten it is cooler.</param>
/// <param name="High">One time in ten it is hotter.</param>
/// <param name="Lambda">The air; nothing with the burners out.</param>
/// <param name="Burner">What the burners give against the kiln as stored.</param>
/// <param name="Wall">What the walls let through; hardly to be told from one firing.</param>
/// <param name="Air">The air it draws.</param>
/// <param name="EyeBias">How much hotter the eye sees it than it is.</param>
/// <param name="Curve">The chamber until then, as it was by all that is known.</param>
public sealed record FuelEstimateContract(
    double Minute,
    double Temperature,
    double Sd,
    double Low,
    double High,
    double? Lambda,
    FactorContract Burner,
    FactorContract Wall,
    FactorContract Air,
    FactorContract EyeBias,
    int Observations,
    bool ByThermometer,
    string Colour,
    IReadOnlyList<CurvePointContract> Curve
);
