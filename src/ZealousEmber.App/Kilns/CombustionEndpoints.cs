using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Kilns;

/// <summary>A flame with so much air in a chamber so hot.</summary>
/// <param name="Fuel">propane or naturalGas.</param>
/// <param name="Temperature">Of the chamber, °C.</param>
/// <param name="Lambda">Air there is over air needed, 0.6 … 20.</param>
public sealed record CombustionRequest(string? Fuel, double? Temperature, double? Lambda);

/// <summary>What stays of its heat, and what leaves.</summary>
/// <param name="Available">Share of the fuel's net heat that stays; less than none where the air carries out more than the flame gives.</param>
/// <param name="CoPercentDry">Carbon monoxide in the gas without its steam.</param>
/// <param name="O2PercentDry">Oxygen in it.</param>
/// <param name="UnburntShare">Share of the net heat that leaves unburnt.</param>
/// <param name="Band">What people call this air.</param>
public sealed record CombustionResponse(double Available, double CoPercentDry, double O2PercentDry, double UnburntShare, Atmosphere Band);

/// <summary>A setting of a kiln at a temperature.</summary>
/// <param name="KilnId">A fuel kiln of the studio.</param>
/// <param name="Temperature">Of the chamber, °C.</param>
public sealed record BreathRequest(
    int? KilnId,
    KilnContract? Kiln,
    double? Temperature,
    double? PressureBar,
    double? Damper,
    int? Lit = null,
    Flame? Flame = null
);

/// <summary>How a kiln breathes at a setting.</summary>
/// <param name="PortPascal">At the ports, less than 0 where it draws.</param>
/// <param name="Set">The setting in words.</param>
public sealed record BreathResponse(
    double Lambda,
    Atmosphere Band,
    double PortPascal,
    double FuelKgPerHour,
    double AirKgPerHour,
    double FlameAtFlueM,
    double HeatKw,
    CombustionResponse Flame,
    string Set
);

/// <summary>The air desk: what air does to a flame.</summary>
internal static class CombustionEndpoints
{
    private const double Hottest = 1500;
    private const double Coldest = -20;
    private const double MostAir = 20;

    public static void MapCombustion(this WebApplication app)
    {
        var api = app.MapGroup("/api/kilns").Needs(Right.See).WithTags("Fuel kilns");
        api.MapPost("combustion", (CombustionRequest? request) => Answer.Of(Burn(request)))
            .Needs(Right.BeSomebody)
            .WithSummary("How much of a fuel’s heat stays in a chamber, by its air");
        api.MapPost("breath", async (BreathRequest? request, StudioLookup lookup) => Answer.Of(await Breathe(request, lookup)))
            .Needs(Right.BeSomebody)
            .WithSummary("The air, the draft and the heat of a setting");
    }

    private static Result<CombustionResponse> Burn(CombustionRequest? wire)
    {
        var problems = new List<Problem>();
        var fuel = FuelMappingOf(wire?.Fuel, problems);
        var at = ReadTemperature(wire?.Temperature, problems);
        if (!(wire?.Lambda is { } lambda && lambda >= Combustion.LeastAir && lambda <= MostAir))
            problems.Add(
                new Problem(
                    "lambda",
                    $"The air goes from {Phrases.Number(Combustion.LeastAir)} to {Phrases.Number(MostAir)} times what the fuel "
                        + $"needs{(wire?.Lambda is { } said ? $"; this says {Phrases.Number(said)}" : "")}. With less there is soot, with none no flame."
                )
            );
        return problems.Count > 0 ? Result<CombustionResponse>.Failed(problems) : Flame(fuel!, at, wire!.Lambda!.Value, 20);
    }

    private static Fuel? FuelMappingOf(string? word, List<Problem> problems)
    {
        if (word is null)
            problems.Add(new Problem("fuel", $"Which fuel: {string.Join(", ", Fuel.All.Select(f => f.Id))}?"));
        return FuelMapping.ReadFuel(word, "fuel", problems);
    }

    private static double ReadTemperature(double? given, List<Problem> problems)
    {
        if (given is { } at && at >= Coldest && at <= Hottest)
            return at;
        problems.Add(
            new Problem(
                "temperature",
                $"The chamber is between {Phrases.Number(Coldest)} and {Phrases.Number(Hottest)} "
                    + $"°C{(given is { } said ? $"; this says {Phrases.Number(said)}" : "")}."
            )
        );
        return 0;
    }

    private static CombustionResponse Flame(Fuel fuel, double at, double lambda, double room)
    {
        var gas = Combustion.Gas(fuel, lambda, at);
        return new CombustionResponse(
            Math.Round(Combustion.Available(fuel, lambda, at, room), 5),
            Math.Round(gas.CarbonMonoxidePercent, 4),
            Math.Round(gas.OxygenPercent, 4),
            Math.Round(Combustion.UnburntShare(fuel, lambda, at), 5),
            AirAim.Band(lambda)
        );
    }

    private static async Task<Result<BreathResponse>> Breathe(BreathRequest? wire, StudioLookup lookup)
    {
        var problems = new List<Problem>();
        var kiln = wire?.Kiln is { } described ? KilnMapping.Read(described.Named()) : null;
        problems.AddRange((kiln?.Problems ?? []).Select(p => p.Under("kiln")));
        var named = wire?.KilnId is { } id ? await lookup.Kiln(id) : null;
        if ((kiln is { IsOk: true } ? kiln.Value : named) is not FuelKiln fired)
        {
            if (problems.Count == 0)
                problems.Add(new Problem("kilnId", "Choose a fuel kiln of the studio, or describe one."));
            return Result<BreathResponse>.Failed(problems);
        }
        var at = ReadTemperature(wire!.Temperature, problems);
        var setting = FuelReading.ReadSetting(new TurnRequest(0, wire.PressureBar, wire.Damper, wire.Lit, wire.Flame), fired, (field, what) =>
            problems.Add(new Problem(field, what))
        );
        if (problems.Count == 0 && setting.Lit == 0)
            problems.Add(new Problem("pressureBar", "With the burners out there is no flame to tell of."));
        if (problems.Count > 0)
            return Result<BreathResponse>.Failed(problems);
        var look = FuelSetting.Of(fired, setting, at);
        return new BreathResponse(
            Math.Round(look.Breath.Lambda, 4),
            AirAim.Band(look.Breath.Lambda),
            Math.Round(look.Breath.PortPressure, 2),
            Math.Round(look.Breath.Fuel * 3600, 3),
            Math.Round(look.Breath.Air * 3600, 2),
            Math.Round(look.FlameAtFlue, 2),
            Math.Round(look.Heat / 1000, 2),
            Flame(fired.Fuel, at, Math.Max(Combustion.LeastAir, look.Breath.Lambda), fired.Room.Celsius),
            TurnWords.Setting(setting, fired)
        );
    }
}
