using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>Small doubts about a load and a wish: what if it were a little otherwise?</summary>
/// <param name="Thicker">Every wall that much thicker, mm; less than nothing for thinner.</param>
/// <param name="Wetter">Every lot that many steps wetter, on the scale of <see cref="Dryness"/>.</param>
/// <param name="Cooler">The goal that many cones cooler; less than nothing for hotter.</param>
public sealed record WhatIf(double Thicker = 0, int Wetter = 0, int Cooler = 0)
{
    /// <summary>Most that is asked of a wall, mm either way.</summary>
    public const double MostThicker = 50;

    /// <summary>Most steps and cones either way.</summary>
    public const int MostSteps = 10;

    /// <summary>The load and the wish as they would be then.</summary>
    /// <param name="load">As it is.</param>
    /// <param name="wish">As it is.</param>
    /// <param name="goal">The cone the plan as it is aims at; nothing for drying.</param>
    /// <returns>A problem at <c>coolerCones</c> when there is no such cone.</returns>
    public Result<(WareLoad Load, PlanOptions Wish)> Of(WareLoad load, PlanOptions wish, Cone? goal)
    {
        var other = load with { Lots = [.. load.Lots.Select(l => l.Changed(Thicker, Wetter))] };
        if (goal is not { } cone || Cooler == 0)
            return (other, wish with { Goal = Cooler == 0 ? wish.Goal : goal });
        var order = cone.Order - Cooler;
        return order < 0 || order >= Cone.All.Length
            ? new Problem("coolerCones", $"There is no cone {Math.Abs(Cooler)} {(Cooler > 0 ? "cooler" : "hotter")} than {cone.Number}.")
            : (other, wish with { Goal = Cone.All[order] });
    }
}
