using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Contracts;

/// <summary>A kiln as somebody gives it; all but the class may be missing and is then that of the class. Bounds and meanings: GET /api/kilns/numbers.</summary>
/// <param name="Heat">electric or fuel; by its class when missing.</param>
/// <param name="Class">bench, top-100, top-190, top-290, front-200; or of a fuel kiln updraft-300, updraft-700, downdraft-1000.</param>
/// <param name="Unit">Scale of topLimit, openLimit and room; C when missing.</param>
/// <param name="Volume">Litres.</param>
/// <param name="Power">W of new elements.</param>
/// <param name="Voltage">V.</param>
/// <param name="ElementHealth">% of the power left.</param>
/// <param name="BrickThickness">mm.</param>
/// <param name="FibreThickness">mm; 0 for none.</param>
/// <param name="Altitude">m.</param>
/// <param name="VentFlow">L/min.</param>
/// <param name="Leak">W/K.</param>
/// <param name="HeatFactor">% of the usual heat capacity.</param>
/// <param name="LossFactor">% of the usual conductivity.</param>
/// <param name="Uncertainty">% either way.</param>
/// <param name="Chamber">Its inside and shelves; the usual ones of its class when missing.</param>
/// <param name="Props">Its props; the usual ones of its class when missing.</param>
/// <param name="HoldClock">waits: a hold begins when its target is reached; runs: the program goes on by itself. A named controller decides it.</param>
/// <param name="ControllerId">The controller of the studio it is told its firings by; none when missing.</param>
/// <param name="Fuel">propane or naturalGas; this and what follows is of a fuel kiln only.</param>
/// <param name="Burners">How many.</param>
/// <param name="BurnerPower">kW of one at full pressure.</param>
/// <param name="MostPressure">bar.</param>
/// <param name="Mark">bar between two marks of the gauge.</param>
/// <param name="Flue">cm².</param>
/// <param name="Inlets">cm².</param>
/// <param name="Draft">m.</param>
/// <param name="Gap">W/K.</param>
/// <param name="Cylinder">kg of gas in a full one; 0 where it is piped.</param>
/// <param name="BurnerFactor">% of what the burners' plate says.</param>
/// <param name="WallFactor">% of the usual conductivity.</param>
/// <param name="AirFactor">% of the openings measured.</param>
/// <param name="Cylinders">How many are at hand; 0 where it does not matter.</param>
/// <param name="TurnEvery">Minutes between turns, 15 to 60.</param>
public sealed record KilnContract(
    string? Name,
    string? Class,
    TemperatureUnit? Unit = null,
    double? Volume = null,
    double? Power = null,
    double? Voltage = null,
    double? ElementHealth = null,
    Brick? Brick = null,
    double? BrickThickness = null,
    double? FibreThickness = null,
    double? TopLimit = null,
    double? OpenLimit = null,
    double? Room = null,
    double? Altitude = null,
    double? VentFlow = null,
    double? Sections = null,
    double? Leak = null,
    double? HeatFactor = null,
    double? LossFactor = null,
    double? Uncertainty = null,
    HoldClock? HoldClock = null,
    string? Notes = null,
    ChamberContract? Chamber = null,
    PropsContract? Props = null,
    int? ControllerId = null,
    KilnHeatSource? Heat = null,
    string? Fuel = null,
    double? Burners = null,
    double? BurnerPower = null,
    double? MostPressure = null,
    double? Mark = null,
    double? Flue = null,
    double? Inlets = null,
    double? Draft = null,
    double? Gap = null,
    double? Cylinder = null,
    double? BurnerFactor = null,
    double? WallFactor = null,
    double? AirFactor = null,
    double? Cylinders = null,
    double? TurnEvery = null
)
{
    /// <summary>The same with a name to speak of it by, where it has none yet.</summary>
    internal KilnContract Named() => string.IsNullOrWhiteSpace(Name) ? this with { Name = "the kiln" } : this;
}

/// <summary>What heats a kiln.</summary>
public enum KilnHeatSource
{
    /// <summary>Elements.</summary>
    Electric,

    /// <summary>Burners.</summary>
    Fuel,
}

/// <summary>A stored kiln.</summary>
/// <param name="Amperes">Drawn at full power, as a single phase; nothing for a fuel kiln.</param>
public sealed record VersionedKilnContract(int Id, int Version, DateTimeOffset UpdatedAt, string ClassName, double? Amperes, KilnContract Kiln);

/// <summary>A class to start a kiln from.</summary>
public sealed record KilnClassContract(string Id, string Name, KilnHeatSource Heat, KilnContract Usual);

/// <summary>A number of a kiln: bounds and meaning.</summary>
public sealed record KilnNumberContract(string Field, string Label, string Unit, double Least, double Most, string Meaning, KilnHeatSource Heat);

/// <summary>What stands in the kiln; what is missing is that of a full kiln for this kind of firing.</summary>
/// <param name="Fill">Share of a usual full load, 0 … 1.5.</param>
/// <param name="WareKg">Dry ware.</param>
/// <param name="FurnitureKg">Shelves and props.</param>
/// <param name="WaterKg">Water still in raw ware.</param>
/// <param name="FirstFiring">Raw ware; by the kind of schedule when missing.</param>
/// <param name="Lots">The ware itself, lot by lot; its mass and water count where nothing else is said.</param>
/// <param name="Packed">So tight that little air comes between the ware.</param>
/// <param name="WitnessPack">Whether witness cones stand in sight; nothing is said of it when missing.</param>
/// <param name="FiringId">The load of a firing of the studio, with the shelves and props it is packed on, instead of lots.</param>
public sealed record LoadContract(
    double? Fill = null,
    double? WareKg = null,
    double? FurnitureKg = null,
    double? WaterKg = null,
    bool? FirstFiring = null,
    IReadOnlyList<LotContract?>? Lots = null,
    bool? Packed = null,
    bool? WitnessPack = null,
    int? FiringId = null
);

/// <summary>What the kiln makes of the schedule; temperatures in the schedule's unit.</summary>
/// <param name="Curve">What the chamber will do, to the end of the schedule.</param>
/// <param name="Setpoint">What is asked of it.</param>
/// <param name="Cooling">From the end of the schedule until it may be opened.</param>
/// <param name="LateMinutes">How late it is in all against what was written.</param>
/// <param name="EnergyKwh">Electricity.</param>
/// <param name="Uncertainty">Times and energy may be off by this share either way.</param>
/// <param name="Cost">In the studio's money; nothing where no price is known.</param>
/// <param name="CostNote">What the cost was reckoned with.</param>
/// <param name="OpenMinute">When it may be opened.</param>
/// <param name="OpenAt">The same by the clock, where a start was given.</param>
/// <param name="Duty">Share of full power in each five minutes.</param>
/// <param name="LostKwh">Given to the room while the schedule ran.</param>
/// <param name="StoredKwh">Still in kiln and load at its end; with the heat that boiled water off.</param>
/// <param name="Heat">What heats it; what follows is of a fuel kiln only.</param>
/// <param name="Turns">The turn-up sheet.</param>
/// <param name="Atmosphere">The air over time.</param>
/// <param name="Follow">How near the turns keep to the schedule.</param>
/// <param name="Fuel">What it takes.</param>
/// <param name="Trouble">What cannot be done of what was asked.</param>
/// <param name="Estimate">Where it is by what was seen; nothing where nothing was.</param>
/// <param name="EveryMinutes">Minutes between turns.</param>
/// <param name="ReplannedFrom">From when it was planned anew.</param>
public sealed record KilnPreview(
    string Name,
    IReadOnlyList<CurvePointContract> Curve,
    IReadOnlyList<CurvePointContract> Setpoint,
    IReadOnlyList<CurvePointContract> Cooling,
    double LateMinutes,
    double FullPowerMinutes,
    double EnergyKwh,
    double Uncertainty,
    double? Cost,
    string Currency,
    string? CostNote,
    double OpenMinute,
    DateTimeOffset? OpenAt,
    double OpenTemperature,
    IReadOnlyList<KilnStepPreview> Steps,
    KilnStallPreview? Stall,
    IReadOnlyList<double> Duty,
    double LostKwh,
    double StoredKwh,
    LoadPreview Load,
    KilnHeatSource Heat = KilnHeatSource.Electric,
    IReadOnlyList<TurnContract>? Turns = null,
    IReadOnlyList<AirContract>? Atmosphere = null,
    IReadOnlyList<AirStretchContract>? AirStretches = null,
    FollowContract? Follow = null,
    FuelUseContract? Fuel = null,
    IReadOnlyList<TurnTroubleContract>? Trouble = null,
    FuelEstimateContract? Estimate = null,
    int? EveryMinutes = null,
    double? ReplannedFrom = null
);

/// <summary>How one step goes.</summary>
/// <param name="BehindFrom">The temperature from which the kiln cannot keep to it.</param>
public sealed record KilnStepPreview(double LateMinutes, double? BehindFrom, double FullPowerMinutes, double EnergyKwh);

/// <summary>Where the kiln gives up.</summary>
public sealed record KilnStallPreview(int Segment, double Temperature, double Minute);

/// <summary>The load that was reckoned with.</summary>
public sealed record LoadPreview(double WareKg, double FurnitureKg, double WaterKg, bool FirstFiring);

/// <summary>What a kiln can do, at a glance; temperatures in its unit.</summary>
/// <param name="Chamber">Its inside and shelves, its own or those of its class.</param>
/// <param name="Props">Its props, its own or those of its class.</param>
/// <param name="Settings">Of a fuel kiln: the climb by setting and temperature.</param>
/// <param name="Coolings">Of a fuel kiln: how it cools by its damper, closed up first.</param>
public sealed record KilnPortraitContract(
    TemperatureUnit Unit,
    IReadOnlyList<PacePointContract> Climb,
    IReadOnlyList<PacePointContract> Fall,
    double Hottest,
    IReadOnlyList<UsualFiringContract> Usual,
    ChamberContract Chamber,
    PropsContract Props,
    IReadOnlyList<SettingClimbContract>? Settings = null,
    IReadOnlyList<DamperCoolingContract>? Coolings = null
);

/// <summary>How fast a fuel kiln climbs in the next half hour at a setting of all burners, come at 100 °C/h with a usual glaze load.</summary>
/// <param name="PressureBar">At the burners.</param>
/// <param name="Damper">For oxidising air, 0 … 1.</param>
/// <param name="Rate">Degrees an hour; less than none where it cools.</param>
public sealed record SettingClimbContract(double Temperature, double PressureBar, double Damper, double Rate);

/// <summary>How a fuel kiln cools after a usual glaze firing, burners out.</summary>
/// <param name="Damper">How far it stays open, ports with it; 0 is closed up.</param>
/// <param name="Curve">Minutes since the burners went out, until it may be opened.</param>
public sealed record DamperCoolingContract(double Damper, IReadOnlyList<CurvePointContract> Curve);

/// <summary>How fast it goes at a temperature, degrees an hour.</summary>
public sealed record PacePointContract(double Temperature, double Rate);

/// <summary>A usual firing, full.</summary>
/// <param name="FuelKg">Of a fuel kiln.</param>
/// <param name="Cylinders">Of a fuel kiln on cylinders: how many it takes.</param>
public sealed record UsualFiringContract(
    ScheduleKind Kind,
    string Line,
    double TopMinutes,
    double EnergyKwh,
    double? Cost,
    string Currency,
    double FullPowerMinutes,
    double OpenMinutes,
    IReadOnlyList<CoolingMark> Cooling,
    bool Reached,
    double? FuelKg = null,
    int? Cylinders = null
);

/// <summary>How long after the hold it is down to a temperature.</summary>
public sealed record CoolingMark(double Temperature, double Minutes);

/// <summary>A gas kiln, and how large it is to be.</summary>
/// <param name="Kiln">As it stands.</param>
/// <param name="Volume">Litres.</param>
public sealed record ResizeContract(KilnContract? Kiln, double? Volume);
