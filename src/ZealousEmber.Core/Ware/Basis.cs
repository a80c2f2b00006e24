using NodaTime;

namespace ZealousEmber.Core.Ware;

/// <summary>How a number came about: the answer to "why?" of somebody who wants to check it.</summary>
/// <param name="Formula">In the usual letters.</param>
/// <param name="Numbers">The same with this lot's numbers in it.</param>
/// <param name="Source">Where it is from, and how sure it is.</param>
public sealed record Basis(string Formula, string Numbers, string Source)
{
    private const string Fick =
        "Diffusion in a wall: Fick's law, Crank, The Mathematics of Diffusion. Steam through pores: Darcy's law, with a permeability fitted to practice. "
        + "An estimate for planning; a look for steam has the last word.";
    private const string Gradient =
        "Heat conduction in a wall (Carslaw and Jaeger, Conduction of Heat in Solids), thermal diffusivity 5·10⁻⁷ m²/s; the limit is set so that what "
        + "careful potters do every day is quiet.";

    private static string N(double value, int digits = 1) => Phrases.Number(Math.Round(value, digits));

    private static string Depth(WareLot lot) =>
        lot.OneSided ? $"L = 0.65 × {N(lot.Wall)} = {N(lot.Depth)} mm, dries from one side" : $"L = {N(lot.Wall)}/2 + 2 = {N(lot.Depth)} mm";

    /// <summary>A hold below boiling.</summary>
    public static Basis Drying(WareLot lot, double water, double holdAt, Duration hold) =>
        new(
            "m = m₀·C(∫D dt/L²);  B = steam pressure/strength ≈ r·L²·m/18 500, brought to 0.15",
            $"{lot.What}: {Depth(lot)}; m₀ = {N(water)} % ({Moisture.Format(lot.Dryness)}); D at {N(holdAt, 0)} °C = "
                + $"{N(Ware.Drying.Diffusivity(holdAt) * 1e9, 2)}·10⁻⁹ m²/s; held {Phrases.Hours(hold)}, half hours up",
            Fick
        );

    /// <summary>How a limit became the number of a planned step, °C/h.</summary>
    public static string Planned(double rate, double margin = DryingPlan.Margin) => $"planned at {N(margin, 2)} of it, in a round number: {N(rate, 0)} °C/h";

    /// <summary>What a schedule asks for beside a limit, °C/h.</summary>
    public static string Asked(double rate) =>
        $"here {N(rate, 0)} °C/h; fine to {N(RateLimit.FineOver, 2)} of the limit, danger from {N(RateLimit.DangerFrom)} times";

    /// <summary>A rate beside a wall's own limit, °C/h; told is what became of it: <see cref="Planned"/> or <see cref="Asked"/>.</summary>
    public static Basis Wall(WareLot lot, WallRule rule, double limit, string told) =>
        new(
            rule switch
            {
                WallRule.Raw => "r ≤ 12 600/L²: the middle lags 3.5 K at most",
                WallRule.FiredThrough => "r ≤ 23 400/L²: the middle lags 6.5 K at most",
                _ => "r ≤ 46 800/L² below 540 °C: the middle lags 13 K at most",
            },
            $"{lot.What}: {Depth(lot)}; limit {N(limit, 0)} °C/h, {told}",
            Gradient
        );

    /// <summary>
    /// Steam in a wall under a schedule as it is written: the worst B and where that is, °C; water when it went in and what is left in the middle at boiling,
    /// %.
    /// </summary>
    public static Basis Steaming(WareLot lot, double b, double at, double water, double left) =>
        new(
            "m = m₀·C(∫D dt/L²);  B = steam pressure/strength ≈ r·L²·m/18 500; fine to 0.35, danger over 1",
            $"{lot.What}: {Depth(lot)}; m₀ = {N(water)} % ({Moisture.Format(lot.Dryness)}), {N(left, 2)} % left at boiling; the worst near {N(at, 0)} °C: "
                + $"B = {N(Math.Min(b, 99), 2)}",
            Fick
        );

    /// <summary>A brisk climb: what the thickest could stand, and the pace people keep to.</summary>
    public static Basis Brisk(WareLot lot, bool raw, double limit, double pace) =>
        new(
            raw ? "r ≤ 12 600/L², and no more than people climb" : "r ≤ 46 800/L² below 540 °C, and no more than people climb",
            $"{lot.What}: {Depth(lot)}; it could stand {N(Math.Min(limit, 2000), 0)} °C/h, planned at {N(pace, 0)} °C/h at most",
            Gradient
        );

    /// <summary>A limit that is a rule of practice, °C/h, and what became of it.</summary>
    public static Basis Practice(string rule, double limit, string told) =>
        new(rule, $"limit {N(limit, 0)} °C/h, {told}", "Practice of glaze and lustre firing.");

    /// <summary>A slow stretch for crystals.</summary>
    public static Basis SlowBand(double from, double to, Duration lasts, string told) =>
        new("r = (upper − lower)/time", $"({N(from, 0)} − {N(to, 0)} °C)/{Phrases.Hours(lasts)}, {told}", "What the studio noted of the glaze.");

    /// <summary>A top by heat work.</summary>
    public static Basis HeatWork(string cone, double at60, double top, Duration hold) =>
        OfHeatWork(
            cone,
            at60,
            $"on this climb, with {(hold > Duration.Zero ? Phrases.Hours(hold) : "no hold")} at the top and the start of the cooling, at {N(top, 0)} °C"
        );

    /// <summary>What a firing does to its goal: the heat work of the cone at the end (1 is down), and how far past its end point that is, K.</summary>
    public static Basis HeatWorkDone(string cone, double at60, double progress, double offset) =>
        OfHeatWork(
            cone,
            at60,
            $"the whole of this firing comes to {N(Math.Min(progress, 999), progress < 10 ? 2 : 0)}, as if it had stopped {N(Math.Abs(offset), 0)} °C "
                + $"{(offset > 0 ? "past" : "short of")} the cone's end"
        );

    private static Basis OfHeatWork(string cone, double at60, string here) =>
        new(
            "∫ k(T) dt = 1 where the cone is down, k by Arrhenius' law for each cone",
            $"cone {cone} is down at {N(at60, 0)} °C when it climbs 60 °C/h there; {here}",
            "End points as published for self-supporting pyrometric cones; the kinetics were fitted to them. Witness cones have the last word."
        );

    /// <summary>What a kiln can do, °C/h.</summary>
    public static Basis Kiln(double at, double can) =>
        new(
            "power = losses + heat to store: climb = (P − losses)/heat capacity",
            $"near {N(at, 0)} °C with this load about {N(can, 0)} °C/h at full power",
            "The thermal model of the kiln, learned from its own logs where there are any."
        );

    /// <summary>A rate for flat ware, °C/h, and what became of its limit.</summary>
    public static Basis Flat(WareLot lot, double limit, string told) =>
        new(
            "r ≤ 170·(250/W)²: the middle lags 18 K behind the rim at most",
            $"{lot.What}: W = {N(lot.Width ?? 0, 0)} mm; limit {N(limit, 0)} °C/h, {told}",
            Gradient
        );

    /// <summary>A climb of flat ware below quartz, °C/h.</summary>
    public static Basis FlatClimbing(WareLot lot, double limit, string told) =>
        new(
            "r ≤ 283·(250/W)²: the middle lags 30 K behind the rim at most",
            $"{lot.What}: W = {N(lot.Width ?? 0, 0)} mm; limit {N(limit, 0)} °C/h, {told}",
            Gradient
        );

    /// <summary>Time for carbon to leave.</summary>
    public static Basis BurnsOut(WareLot lot, bool packed, Duration needed, string told) =>
        new(
            "1.5 h for walls to 6 mm, 3 h at 12, 5 h from 20; × 1.5 for dark, iron-bearing or recycled clay, × 1.5 packed",
            $"{lot.What}: {N(lot.Wall)} mm{(lot.Clay?.BurnsOutSlowly == true ? ", burns out slowly" : "")}{(packed ? ", packed" : "")}: "
                + $"{Phrases.Hours(needed)}, {told}",
            "Practice of bisque firing; carbon burns from about 650 to 950 °C as air reaches it."
        );

    /// <summary>Leather hard ware softens its water out first.</summary>
    public static Basis Shrinks(WareLot lot, Duration stay) => Shrinks($"{lot.What}: {Depth(lot)}; stay {Phrases.Hours(stay)}");

    /// <summary>Wet ware warmed while it shrinks, °C/h.</summary>
    public static Basis ShrinksAt(WareLot lot, double limit, double rate) =>
        Shrinks($"{lot.What}, {Moisture.Format(lot.Dryness)}: {Depth(lot)}; limit {N(limit)} °C/h, {Asked(rate)}");

    private static Basis Shrinks(string numbers) =>
        new(
            "r ≤ 1320/L² leather hard up to 60 °C, then 0.12·L² h, at least 6, at 40–65 °C; r ≤ 5280/L² damp",
            numbers,
            "Drying shrinkage of 0.3 % for each per cent of water; a lag of 4 % from skin to middle warps and tears. An estimate for planning."
        );
}
