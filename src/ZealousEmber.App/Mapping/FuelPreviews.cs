using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>What a fuel kiln makes of a firing, for the wire.</summary>
internal static class FuelPreviews
{
    /// <summary>A preview with the turns, the air, the fuel and the estimate.</summary>
    public static KilnPreview Add(
        KilnPreview preview,
        TurnPlan plan,
        LoadedFuelKiln kiln,
        FiringProgram? program,
        TemperatureUnit unit,
        Instant? begins,
        double? cost,
        Cone? goal
    ) =>
        preview with
        {
            Heat = KilnHeatSource.Fuel,
            Turns = Turns(plan, kiln, program, unit, begins, goal),
            AirStretches =
            [
                .. AirStretch.Of(plan.Air, plan.Powered.TotalMinutes).Select(s => new AirStretchContract(Math.Round(s.From, 2), Math.Round(s.To, 2), s.Band)),
            ],
            Atmosphere = [.. plan.Air.Select(a => new AirContract(Math.Round(a.Minute, 2), Math.Round(a.Lambda, 4), AirAim.Band(a.Lambda)))],
            Follow = new FollowContract(Difference(plan.Follow.Rms, unit), Difference(plan.Follow.Worst, unit), plan.Follow.Late.TotalMinutes),
            Fuel = Use(plan, kiln.Kiln, cost),
            Trouble =
            [
                .. plan.Trouble.Select(t => new TurnTroubleContract(
                    t.Trouble,
                    t.Step,
                    t.Minute,
                    Degrees(t.Celsius, unit),
                    Degrees(t.Wanted, unit),
                    TurnWords.Of(t, kiln.Kiln, unit)
                )),
            ],
            Estimate = kiln.Estimate is { } estimate ? Write(estimate, unit) : null,
            EveryMinutes = kiln.Every,
            ReplannedFrom = kiln.UnderWay?.Minute,
        };

    /// <summary>The rows of a sheet.</summary>
    public static IReadOnlyList<TurnContract> Turns(
        TurnPlan plan,
        LoadedFuelKiln kiln,
        FiringProgram? program,
        TemperatureUnit unit,
        Instant? begins,
        Cone? goal
    )
    {
        var texts = TurnWords.Of(plan, kiln.Kiln, program, unit);
        var falls = ConeFalls.Of(plan.Curve, goal);
        DateTimeOffset? At(double minute) => begins is { } from ? (from + Duration.FromMinutes(minute)).ToDateTimeOffset() : null;
        IReadOnlyList<ConeFallContract> Falls(int row)
        {
            var until = row + 1 < plan.Turns.Length ? plan.Turns[row + 1].Minute : double.PositiveInfinity;
            return
            [
                .. falls
                    .Where(f => f.Minute >= plan.Turns[row].Minute && f.Minute < until)
                    .Select(f => new ConeFallContract(f.Cone.Number, Math.Round(f.Minute, 1), At(f.Minute))),
            ];
        }

        return
        [
            .. plan.Turns.Select(
                (t, i) =>
                    new TurnContract(
                        Minute: Math.Round(t.Minute, 3),
                        Kind: t.Kind,
                        PressureBar: Math.Round(t.Setting.Pressure, 6),
                        Damper: Math.Round(t.Setting.Damper, 4),
                        Lit: t.Setting.Lit,
                        Flame: t.Setting.Flame,
                        Marks: t.Setting.Flame == Flame.Gauge ? Math.Round(t.Setting.Pressure / kiln.Kiln.Mark, 3) : null,
                        Segment: t.Step,
                        Hold: t.InHold,
                        Asked: t.Asked,
                        At: At(t.Minute),
                        Temperature: Degrees(t.Celsius, unit),
                        EndTemperature: Degrees(t.EndCelsius, unit),
                        Wanted: Degrees(t.Wanted, unit),
                        Colour: EyeColour.At(t.Celsius).Name,
                        Lambda: t.Setting.Lit > 0 ? Math.Round(t.Breath.Lambda, 4) : null,
                        Band: t.Setting.Lit > 0 ? AirAim.Band(t.Breath.Lambda) : null,
                        PortPascal: Math.Round(t.Breath.PortPressure, 2),
                        FlameAtFlueM: Math.Round(t.FlameAtFlue, 2),
                        Set: texts[i].Set,
                        Expect: texts[i].Expect,
                        Why: texts[i].Why,
                        Caution: texts[i].Caution,
                        Late: t.IsLate,
                        Done: kiln.UnderWay is { } way && t.Minute < way.Minute - 1e-6,
                        Cones: Falls(i)
                    )
            ),
        ];
    }

    private static FuelUseContract Use(TurnPlan plan, FuelKiln kiln, double? cost)
    {
        var (kg, fuel, room) = (plan.TotalFuel, kiln.Fuel, kiln.Room.Celsius);
        var isBottled = kiln.Cylinder > 0;
        var count = isBottled ? Cylinders.Count(kiln.Cylinder, plan, room) : null;
        CylinderMargin? margin = count is { } n ? Cylinders.Margin(kiln.Cylinder, n, plan, room) : null;
        return new FuelUseContract(
            Math.Round(kg, 3),
            Math.Round(kg / fuel.Density, 3),
            Math.Round(kg * fuel.Gross / 3.6, 2),
            Math.Round(kg * fuel.Net / 3.6, 2),
            cost,
            Math.Round(plan.PeakFuel, 3),
            count,
            isBottled ? Cylinders.StarvesAt(kiln.Cylinder, 1, plan, room) : null,
            isBottled ? kiln.Cylinder : null,
            margin is { } spare && double.IsFinite(spare.SpareKelvins) ? Math.Round(spare.SpareKelvins, 1) : null,
            margin is { } left ? Math.Round(left.LeftKg, 1) : null
        );
    }

    /// <summary>Where a firing is.</summary>
    public static FuelEstimateContract Write(FuelEstimate e, TemperatureUnit unit)
    {
        FactorContract Factor(FactorEstimate f) => new(Math.Round(f.Mean, 4), Math.Round(f.Sd, 4));
        return new FuelEstimateContract(
            Minute: e.Minute,
            Temperature: Degrees(e.Celsius, unit),
            Sd: Difference(e.Sd, unit),
            Low: Degrees(e.Celsius - e.Band, unit),
            High: Degrees(e.Celsius + e.Band, unit),
            Lambda: e.Lambda is { } lambda ? Math.Round(lambda, 4) : null,
            Burner: Factor(e.Burner),
            Wall: Factor(e.Wall),
            Air: Factor(e.Air),
            EyeBias: new FactorContract(Difference(e.EyeBias.Mean, unit), Difference(e.EyeBias.Sd, unit)),
            Observations: e.Observations,
            ByThermometer: e.ByThermometer,
            Colour: EyeColour.At(e.Celsius).Name,
            Curve: CurvePointContract.From(e.Curve, unit)
        );
    }

    private static double Degrees(double celsius, TemperatureUnit unit) => Math.Round(Temperature.FromCelsius(celsius).In(unit), 2);

    private static double Difference(double kelvins, TemperatureUnit unit) => Math.Round(TemperatureDifference.FromKelvins(kelvins).In(unit), 2);
}
