using System.Collections.Immutable;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>What is asked of a firing in a fuel kiln, read.</summary>
/// <param name="Every">Minutes between turns.</param>
/// <param name="Turns">As made; empty where they are to be planned.</param>
/// <param name="Hours">How long they are followed.</param>
/// <param name="Observations">What was seen.</param>
/// <param name="ReplanFrom">From when it is planned anew, minutes.</param>
internal sealed record FuelOptions(int Every, ImmutableArray<FuelTurn> Turns, double? Hours, IReadOnlyList<FuelObservation> Observations, double? ReplanFrom)
{
    /// <summary>Turns are to be followed as they are.</summary>
    public bool IsAsMade => !Turns.IsEmpty && ReplanFrom is null;
}

/// <summary>Reads turns and observations; problems name their fields.</summary>
internal static class FuelReading
{
    private const int MostTurns = 500;
    private const double MostHours = 240;
    private const double MostMinutes = MostHours * 60;

    /// <summary>What is asked; nothing where the kiln is no fuel kiln, with a problem where something only a fuel kiln has is asked for.</summary>
    public static FuelOptions? Read(IFuelOptions wire, IKilnModel kiln, TemperatureUnit unit, List<Problem> problems)
    {
        if (kiln is not LoadedFuelKiln { Kiln: var fuelKiln })
        {
            foreach (
                var (field, asked) in new[]
                {
                    ("turns", wire.Turns is not null),
                    ("observations", wire.Observations is not null),
                    ("replanFromMinute", wire.ReplanFromMinute is not null),
                }
            )
            {
                if (asked)
                    problems.Add(new Problem(field, "Only a fuel kiln is turned up by hand. Choose one, or leave this out."));
            }
            return null;
        }
        var before = problems.Count;
        var every = wire.TurnEveryMinutes ?? fuelKiln.TurnEvery;
        if (every is < TurnPlanner.ShortestEvery or > TurnPlanner.LongestEvery)
            problems.Add(
                new Problem("turnEveryMinutes", $"Turns come every {TurnPlanner.ShortestEvery} to {TurnPlanner.LongestEvery} minutes; this says {every}.")
            );
        if (wire.Hours is { } hours && !(hours > 0 && hours <= MostHours))
            problems.Add(new Problem("hours", $"A firing is followed for up to {Phrases.Number(MostHours)} hours; this says {Phrases.Number(hours)}."));
        if (wire.ReplanFromMinute is { } from && !(from >= 0 && from <= MostMinutes))
            problems.Add(new Problem("replanFromMinute", "A minute since the start, 0 or later."));
        var turns = ReadTurns(wire.Turns, fuelKiln, problems);
        var seen = ReadObservations(wire.Observations, unit, problems);
        return problems.Count > before ? null : new FuelOptions(every, turns, wire.Hours, seen, wire.ReplanFromMinute);
    }

    private static ImmutableArray<FuelTurn> ReadTurns(IReadOnlyList<TurnRequest?>? wire, FuelKiln kiln, List<Problem> problems)
    {
        if (wire is null)
            return [];
        if (wire.Count == 0)
            problems.Add(new Problem("turns", "There is no turn here. Leave it out to have the turns planned."));
        if (wire.Count > MostTurns)
            problems.Add(new Problem("turns", $"At most {MostTurns} turns; this has {wire.Count}."));
        var turns = ImmutableArray.CreateBuilder<FuelTurn>();
        var wrong = problems.Count;
        foreach (var (i, turn) in wire.Take(MostTurns).Index())
        {
            var here = problems.Count;
            void Wrong(string field, string what) => problems.Add(new Problem($"turns[{i}].{field}", what));
            if (!(turn?.Minute is { } minute && minute >= 0 && minute <= MostMinutes))
            {
                Wrong("minute", "When, in minutes since the start?");
                continue;
            }
            if (turns.Count > 0 && minute <= turns[^1].Minute)
                Wrong(
                    "minute",
                    $"Turns go on in order of time; this one is at {Phrases.Number(minute)} min, the one before at {Phrases.Number(turns[^1].Minute)}."
                );
            var setting = ReadSetting(turn, kiln, Wrong);
            if (problems.Count == here)
                turns.Add(new FuelTurn(minute, setting));
        }
        if (problems.Count == wrong && turns.Count > 0 && turns.All(t => t.Setting.Lit == 0))
            problems.Add(new Problem("turns", "No burner is lit in any of these turns."));
        return turns.ToImmutable();
    }

    /// <summary>How burners and damper stand; off where there is no pressure.</summary>
    internal static BurnerSetting ReadSetting(TurnRequest turn, FuelKiln kiln, Action<string, string> wrong)
    {
        var (flame, pressure, damper) = (turn.Flame ?? Flame.Gauge, turn.PressureBar, turn.Damper ?? double.NaN);
        if (!(damper >= 0 && damper <= 1))
            wrong(
                "damper",
                turn.Damper is { } said
                    ? $"The damper goes from 0 (shut) to 1 (open); this says {Phrases.Number(said)}."
                    : "How far is the damper open, 0 to 1?"
            );
        if (pressure is { } bar && !(bar >= 0 && bar <= kiln.MostPressure + 1e-9))
            wrong("pressureBar", $"These burners take 0 to {Phrases.Number(kiln.MostPressure)} bar; this says {Phrases.Number(bar)}.");
        var burns = flame != Flame.Off && (pressure > 0 || flame is Flame.Candle or Flame.Low);
        if (flame == Flame.Gauge && pressure is null)
            wrong("pressureBar", "At what pressure, in bar? 0 is off.");
        if (turn.Lit is { } lit)
        {
            if (lit < 0 || lit > kiln.Burners)
                wrong("lit", $"This kiln has {kiln.Burners} burners; this says {lit}.");
            else if (lit == 0 && burns)
                wrong("lit", "No burner is lit, and yet there is gas: light one, or set the pressure to 0.");
            else if (lit > 0 && !burns)
                wrong("pressureBar", "With no pressure no burner stays lit: give one, or light none.");
        }
        if (!burns)
            return BurnerSetting.Off(damper);
        var count = turn.Lit ?? kiln.Burners;
        return flame switch
        {
            Flame.Candle => BurnerSetting.Candles(kiln, count, damper),
            Flame.Low => BurnerSetting.AllLow(kiln, damper) with { Lit = count },
            _ => BurnerSetting.Gauge(kiln, pressure ?? 0, damper) with { Lit = count },
        };
    }

    private static List<FuelObservation> ReadObservations(IReadOnlyList<ObservationRequest?>? wire, TemperatureUnit unit, List<Problem> problems)
    {
        var seen = new List<FuelObservation>();
        if (wire?.Count > FuelEstimator.MostObservations)
            problems.Add(new Problem("observations", $"At most {FuelEstimator.MostObservations} observations; this has {wire.Count}."));
        foreach (var (i, o) in (wire ?? []).Take(FuelEstimator.MostObservations).Index())
        {
            var here = problems.Count;
            void Wrong(string field, string what) => problems.Add(new Problem($"observations[{i}]{(field.Length > 0 ? "." : "")}{field}", what));
            if (!(o?.Minute is { } minute && minute >= 0 && minute <= MostMinutes))
            {
                Wrong("minute", "When, in minutes since the start?");
                continue;
            }
            if (new object?[] { o.Temperature, o.Colour, o.ConeDown, o.AirSign }.Count(x => x is not null) != 1)
            {
                Wrong("", "Give just one of temperature, colour, coneDown and airSign.");
                continue;
            }
            double? celsius = null;
            if (o.Temperature is not null)
            {
                var read = ScheduleLimits.ReadTemperature(o.Temperature, unit, "temperature");
                foreach (var p in read.Problems)
                    Wrong("temperature", p.Message);
                if (read.IsOk)
                    celsius = read.Value.Celsius;
            }
            var colour = EyeColour.Find(o.Colour);
            if (o.Colour is not null && colour is null)
                Wrong("colour", $"A colour is one of {string.Join(", ", EyeColour.All.Select(c => Word(c)))}.");
            var cone = o.ConeDown is null ? null : ScheduleMapping.ReadCone(o.ConeDown, $"observations[{i}].coneDown", problems);
            if (o.ConeDown is not null && cone is null && problems.Count == here)
                Wrong("coneDown", "Which cone?");
            if (problems.Count == here)
                seen.Add(new FuelObservation(minute, celsius, colour, cone, o.AirSign));
        }
        return seen;
    }

    /// <summary>A colour's word on the wire.</summary>
    internal static string Word(EyeColour colour) => WireNaming.Policy.ConvertName(colour.Id);
}
