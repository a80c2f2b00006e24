namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A gas cylinder.</summary>
/// <param name="Left">Gas in it, kg.</param>
/// <param name="Celsius">Liquid and steel, °C.</param>
internal readonly record struct CylinderState(double Left, double Celsius);

/// <summary>How near cylinders come to giving out in a firing, with 15 % more use than planned.</summary>
/// <param name="StarvesAt">The minute from which they are too cold or empty; nothing where they last.</param>
/// <param name="SpareKelvins">Least that they are above the temperature at which the pressure can no longer be kept up; below none where they are not.</param>
/// <param name="LeftKg">Gas left in each at the end, or when they give out.</param>
public readonly record struct CylinderMargin(double? StarvesAt, double SpareKelvins, double LeftKg);

/// <summary>
/// Gas cylinders as they cool: liquid that boils off takes its heat from liquid, steel and the air around; too cold, its pressure no longer reaches the
/// burners. Source: the fuel kiln paper, "Fuel"; its rule is good to 40 %.
/// </summary>
public static class Cylinders
{
    private const double AreaOf = 0.115;
    private const double HeatTransfer = 12;
    private const double Boiling = 0.38e6;
    private const double Liquid = 2500;
    private const double Steel = 480;
    private const double MoreUse = 1.15;
    private const double Left = 0.08;
    private const double StepSeconds = 60;
    private const int Most = 200;

    /// <summary>The temperature below which a cylinder cannot keep up a pressure at the burners, °C.</summary>
    /// <param name="bar">Above the air's.</param>
    public static double Coldest(double bar) => 2281.6 / (9.9065 - Math.Log(1.71 + bar)) - 273;

    /// <summary>What a cylinder gives for long, kg/h: the rule of thumb.</summary>
    /// <param name="kg">Gas in a full one.</param>
    /// <param name="left">Share that is left, 0 … 1.</param>
    /// <param name="bar">Pressure at the burners.</param>
    /// <param name="room">Of the air around it, °C.</param>
    public static double Steadily(double kg, double left, double bar, double room) => Math.Max(0, 0.11 * WetArea(kg, left) * (room - Coldest(bar)));

    private static double WetArea(double kg, double left) => AreaOf * Math.Pow(kg, 2 / 3.0) * (0.1 + 0.75 * left);

    /// <summary>When cylinders side by side, full at first, would starve by cold or run out; nothing where they do not.</summary>
    /// <param name="kg">Gas in a full one.</param>
    /// <param name="count">How many share the load.</param>
    /// <param name="plan">The firing.</param>
    /// <param name="room">Of the air around them, °C.</param>
    /// <returns>Minute.</returns>
    public static double? StarvesAt(double kg, int count, TurnPlan plan, double room) => Margin(kg, count, plan, room).StarvesAt;

    /// <summary>How near cylinders side by side, full at first, come to giving out.</summary>
    /// <param name="kg">Gas in a full one.</param>
    /// <param name="count">How many share the load.</param>
    /// <param name="plan">The firing.</param>
    /// <param name="room">Of the air around them, °C.</param>
    public static CylinderMargin Margin(double kg, int count, TurnPlan plan, double room)
    {
        var (cylinder, turn, spare) = (new CylinderState(kg, room), 0, double.PositiveInfinity);
        var width = KilnRun.Bin.TotalSeconds;
        for (var bin = 0; bin < plan.Fuel.Length; bin++)
        {
            var rate = plan.Fuel[bin] * MoreUse / count / width;
            for (var s = 0.0; s < width; s += StepSeconds)
            {
                var minute = (bin * width + s) / 60;
                while (turn + 1 < plan.Turns.Length && plan.Turns[turn + 1].Minute <= minute)
                    turn++;
                if (rate <= 0)
                    continue;
                cylinder = cylinder.Gives(rate, StepSeconds, kg, room);
                var bar = plan.Turns[turn].Setting.Pressure;
                spare = Math.Min(spare, cylinder.Celsius - Coldest(bar));
                if (cylinder.Starves(bar))
                    return new CylinderMargin(minute, spare, cylinder.Left);
            }
        }
        return new CylinderMargin(null, spare, cylinder.Left);
    }

    /// <summary>A cylinder after it has given gas for a while.</summary>
    /// <param name="from">As it was.</param>
    /// <param name="rate">kg/s.</param>
    /// <param name="seconds">For how long; a minute at most.</param>
    /// <param name="kg">Gas in a full one.</param>
    /// <param name="room">Of the air around it, °C.</param>
    internal static CylinderState Gives(this CylinderState from, double rate, double seconds, double kg, double room)
    {
        var capacity = Liquid * from.Left + Steel * kg;
        // Implicit, since a nearly empty cylinder has little to store heat in.
        var gain = HeatTransfer * WetArea(kg, from.Left / kg);
        var celsius = (capacity * from.Celsius + seconds * (gain * room - rate * Boiling)) / (capacity + seconds * gain);
        return new CylinderState(Math.Max(0, from.Left - rate * seconds), celsius);
    }

    /// <summary>Empty, or too cold to keep up a pressure at the burners, bar.</summary>
    internal static bool Starves(this CylinderState cylinder, double bar) => cylinder.Left <= 0 || cylinder.Celsius < Coldest(bar);

    /// <summary>The fewest that last with 15 % more use and 8 % left, and never starve; nothing where 200 do not.</summary>
    public static int? Count(double kg, TurnPlan plan, double room)
    {
        for (var n = Math.Max(1, (int)Math.Ceiling(plan.TotalFuel * MoreUse / (kg * (1 - Left)) - 1e-9)); n <= Most; n++)
        {
            if (StarvesAt(kg, n, plan, room) is null)
                return n;
        }
        return null;
    }
}
