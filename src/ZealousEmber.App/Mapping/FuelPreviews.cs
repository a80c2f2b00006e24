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
                        Math.Round(t.Minute, 3),
                        t.Kind,
                        Math.Round(t.Setting.Pressure, 6),
                        Math.Round(t.Setting.Damper, 4),
                        t.Setting.Lit,
                        t.Setting.Flame,
                        t.Setting.Flame == Flame.Gauge ? Math.Round(t.Setting.Pressure / kiln.Kiln.Mark, 3) : null,
                        t.Step,
                        t.InHold,
                        t.Asked,
                        At(t.Minute),
                        Degrees(t.Celsius, unit),
                        Degrees(t.EndCelsius, unit),
                        Degrees(t.Wanted, unit),
                        EyeColour.At(t.Celsius).Name,
                        t.Setting.Lit > 0 ? Math.Round(t.Breath.Lambda, 4) : null,
                        t.Setting.Lit > 0 ? AirAim.Band(t.Breath.Lambda) : null,
                        Math.Round(t.Breath.PortPressure, 2),
                        Math.Round(t.FlameAtFlue, 2),
                        texts[i].Set,
                        texts[i].Expect,
                        texts[i].Why,
                        texts[i].Caution,
                        t.IsLate,
                        kiln.UnderWay is { } way && t.Minute < way.Minute - 1e-6,
                        Falls(i)
                    )
            ),
        ];
    }

    private static FuelUseContract Use(TurnPlan plan, FuelKiln kiln, double? cost)
    {
        var (kg, fuel, room) = (plan.TotalFuel, kiln.Fuel, kiln.Room.Celsius);
        var isBottled = kiln.Cylinder > 0;
        return new FuelUseContract(
            Math.Round(kg, 3),
            Math.Round(kg / fuel.Density, 3),
            Math.Round(kg * fuel.Gross / 3.6, 2),
            Math.Round(kg * fuel.Net / 3.6, 2),
            cost,
            Math.Round(plan.PeakFuel, 3),
            isBottled ? Cylinders.Count(kiln.Cylinder, plan, room) : null,
            isBottled ? Cylinders.StarvesAt(kiln.Cylinder, 1, plan, room) : null,
            isBottled ? kiln.Cylinder : null
        );
    }

    /// <summary>Where a firing is.</summary>
    public static FuelEstimateContract Write(FuelEstimate e, TemperatureUnit unit)
    {
        FactorContract Factor(FactorEstimate f) => new(Math.Round(f.Mean, 4), Math.Round(f.Sd, 4));
        return new FuelEstimateContract(
            e.Minute,
            Degrees(e.Celsius, unit),
            Difference(e.Sd, unit),
            Degrees(e.Celsius - e.Band, unit),
            Degrees(e.Celsius + e.Band, unit),
            e.Lambda is { } lambda ? Math.Round(lambda, 4) : null,
            Factor(e.Burner),
            Factor(e.Wall),
            Factor(e.Air),
            new FactorContract(Difference(e.EyeBias.Mean, unit), Difference(e.EyeBias.Sd, unit)),
            e.Observations,
            e.ByThermometer,
            EyeColour.At(e.Celsius).Name,
            CurvePointContract.From(e.Curve, unit)
        );
    }

    private static double Degrees(double celsius, TemperatureUnit unit) => Math.Round(Temperature.FromCelsius(celsius).In(unit), 2);

    private static double Difference(double kelvins, TemperatureUnit unit) => Math.Round(TemperatureDifference.FromKelvins(kelvins).In(unit), 2);
}
