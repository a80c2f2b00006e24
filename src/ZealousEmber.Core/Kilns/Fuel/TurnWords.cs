using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A row of the turn-up sheet in words.</summary>
/// <param name="Set">What to set.</param>
/// <param name="Expect">What to look, smell and listen for.</param>
/// <param name="Why">Why it is there; nothing where the row before says it.</param>
/// <param name="Caution">The word of safety that belongs here; each once.</param>
public sealed record TurnText(string Set, string Expect, string? Why, string? Caution);

/// <summary>Puts a turn-up sheet into words a potter would use.</summary>
public static class TurnWords
{
    private const double Relights = 750;
    private const double Glare = 900;
    private const double Steam = 120;
    private const double SlowFrom = 850;

    /// <summary>One for each row, in order.</summary>
    public static IReadOnlyList<TurnText> Of(TurnPlan plan, FuelKiln kiln, FiringProgram? program, TemperatureUnit unit)
    {
        var texts = new List<TurnText>(plan.Turns.Length);
        var said = new HashSet<string>();
        string? Once(string key, string text) => said.Add(key) ? text : null;
        for (var i = 0; i < plan.Turns.Length; i++)
        {
            var (turn, before) = (plan.Turns[i], i > 0 ? plan.Turns[i - 1] : null);
            texts.Add(new TurnText(Set(turn, kiln), Expect(turn, before), Why(turn, before, program), Caution(turn, Once, unit)));
        }
        return texts;
    }

    /// <summary>A setting in words: "6 marks (0.30 bar), damper 50 %".</summary>
    public static string Setting(BurnerSetting setting, FuelKiln kiln)
    {
        var damper = $"damper {Phrases.Number(Math.Round(setting.Damper * 100, 1))} % open";
        var all = setting.Lit == kiln.Burners;
        return setting.Flame switch
        {
            Flame.Candle => $"{(all ? "candles on all burners" : setting.Lit == 1 ? "one burner as a candle" : $"{setting.Lit} burners as candles")}, {damper}",
            Flame.Low => $"{(all ? "all burners" : Phrases.Count(setting.Lit, "burner"))} low, {damper}",
            Flame.Gauge => $"{Marks(setting.Pressure / kiln.Mark)} ({setting.Pressure.ToString("0.###", System.Globalization.CultureInfo.InvariantCulture)} "
                + $"bar){(all ? "" : $" on {Phrases.Count(setting.Lit, "burner")}")}, {damper}",
            _ => setting.IsClosedUp ? "burners out, ports and flue shut" : $"burners out, {damper}",
        };
    }

    private static string Marks(double marks)
    {
        var whole = Math.Floor(marks + 0.01);
        if (Math.Abs(marks - 0.5) < 0.01)
            return "half a mark";
        return $"{(Math.Abs(marks - whole - 0.5) < 0.01 ? $"{Phrases.Number(whole)}½" : Phrases.Number(Math.Round(marks, 2)))} "
            + $"{(Math.Abs(marks - 1) < 0.01 ? "mark" : "marks")}";
    }

    private static string Set(PlannedTurn turn, FuelKiln kiln) =>
        turn.Kind switch
        {
            TurnKind.ShutOff => "Shut off: regulator down, tank valve shut, burners out, ports and flue shut",
            TurnKind.Look => "Look, and leave it",
            _ => Capital(Setting(turn.Setting, kiln)),
        };

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];

    private static string Expect(PlannedTurn turn, PlannedTurn? before)
    {
        if (turn.Kind == TurnKind.ShutOff)
            return "The roar stops, the glow fades slowly; no flame is left at any burner";
        if (turn.Setting.Lit == 0)
            return "No flame; it cools by the air it draws";
        var parts = new List<string>();
        if (turn.Celsius < Steam)
            parts.Add("a cold mirror at the peephole shows whether steam still comes");
        parts.Add(
            turn.Breath.Lambda switch
            {
                >= 1.08 when turn.Setting.Flame != Flame.Gauge => "a small quiet flame, no smell",
                >= 1.08 => "clear chamber, blue flame, no flame at the flue, no smell",
                >= 0.98 => "a hazy chamber, hardly any flame at the flue, no smell yet",
                >= 0.90 => $"a soft flame at the flue, {Length(turn.FlameAtFlue)}, and a sour smell",
                _ => $"flame at the flue, {Length(turn.FlameAtFlue)}, and at the first peephole; a strong sour smell. Black smoke is too much: open the "
                    + "damper a little",
            }
        );
        if (turn.Breath.PortPressure > 0)
            parts.Add("flame licks out of the ports: open the damper until it stays in");
        if (before is { Setting.Lit: > 0 } && turn.Kind == TurnKind.Turn && Math.Abs(turn.Setting.Pressure - before.Setting.Pressure) > 1e-6)
            parts.Add(turn.Setting.Pressure > before.Setting.Pressure ? "the burners roar louder" : "the burners roar less");
        return Capital(string.Join("; ", parts));
    }

    private static string Length(double metres) => metres < 0.05 ? "just to be seen" : $"about {Phrases.Number(Math.Max(5, Math.Round(metres * 20) * 5))} cm";

    private static string? Why(PlannedTurn turn, PlannedTurn? before, FiringProgram? program)
    {
        if (turn.Kind == TurnKind.ShutOff)
            return "The firing is done; closed up, it cools slowly and evenly.";
        var isNew = before is null || before.Step != turn.Step || before.InHold != turn.InHold;
        if (turn.IsLate && before is { IsLate: false })
            return "It has not come as far as wanted: the step goes on until it has.";
        if (!isNew || program is null || turn.Step >= program.Steps.Length)
            return null;
        var step = program.Steps[turn.Step];
        if (step.Reason is { } reason)
            return $"{Capital(reason)}.";
        return step.Atmosphere switch
        {
            Atmosphere.HeavyReduction =>
                "Body reduction: carbon monoxide takes oxygen out of the clay’s iron before the glaze seals it. The climb slows, since gas leaves unburnt.",
            Atmosphere.LightReduction when before?.Asked == Atmosphere.HeavyReduction =>
                "Light reduction keeps iron and copper glazes as they are while the kiln climbs again.",
            Atmosphere.Oxidising or null when before?.Asked is Atmosphere.LightReduction or Atmosphere.HeavyReduction =>
                "A clean end: the last soot burns off and the glaze surface clears.",
            _ when turn.InHold => "Held here as the schedule asks.",
            _ when turn.Celsius < Steam => "Slowly while there is water in the ware, with the damper open for the steam.",
            _ when turn.Celsius > SlowFrom && step.Atmosphere is null or Atmosphere.Oxidising =>
                "From here two thirds of the heat goes into the wall; only the rest climbs.",
            _ => null,
        };
    }

    private static string? Caution(PlannedTurn turn, Func<string, string, string?> once, TemperatureUnit unit)
    {
        string Degrees(double celsius) => $"{Phrases.Number(Math.Round(Temperature.FromCelsius(celsius).In(unit)))} {unit.Symbol()}";
        if (turn.Kind == TurnKind.ShutOff)
            return "Burns: leave it shut until it is safe to open. Regulator first, then the tank valve.";
        if (turn.Setting.Lit == 0)
            return null;
        return once(
            "light",
            "Gas: leak test first, damper open and 5 minutes of air before lighting. The gas fitter’s and the maker’s word comes before this sheet."
        )
            ?? (
                turn.Celsius < Relights
                    ? once("relight", $"Below {Degrees(Relights)} a lost flame does not relight: gas off, damper open, 5 minutes, then light again.")
                    : null
            )
            ?? (turn.Setting.Flame == Flame.Candle ? once("leave", "A candle is a fire: nobody leaves it beyond the studio’s rule.") : null)
            ?? (turn.Breath.Lambda < 0.98 ? once("co", "Carbon monoxide: alarm on, hood or open air, nobody asleep nearby.") : null)
            ?? (
                turn.FlameAtFlue > 0.05
                    ? once("flames", "Burns: burning gas stands at flue, ports and peepholes. Face and sleeves away, nothing above the flue.")
                    : null
            )
            ?? (turn.Celsius > Glare ? once("glare", "Glare: shaded eyewear at the peephole from here on.") : null);
    }

    /// <summary>What cannot be done, and what would help.</summary>
    public static string Of(TurnShortfall shortfall, FuelKiln kiln, TemperatureUnit unit)
    {
        string Degrees(double celsius) => $"{Phrases.Number(Math.Round(Temperature.FromCelsius(celsius).In(unit)))} {unit.Symbol()}";
        return shortfall.Trouble switch
        {
            TurnTrouble.ShortOfHeat =>
                $"Short of heat: with all it can burn in this air it comes to {Degrees(shortfall.Celsius)} where {Degrees(shortfall.Wanted)} is wanted. A "
                    + "slower climb, a lighter load or more open flue helps.",
            TurnTrouble.CannotBeHeldThisCool =>
                $"Cannot be held this cool: with one candle and the damper open it is still at {Degrees(shortfall.Celsius)} where "
                    + $"{Degrees(shortfall.Wanted)} is wanted. Prop the door, or light a burner only now and then.",
            _ => $"The air asked for cannot be had here with {kiln.Name}: the damper stands as near to it as it goes.",
        };
    }
}
