using System.Collections.Immutable;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>
/// What a hand can set, cold to hot: burners out with the damper shut by and by, one candle, more candles, all low, then the gauge by its marks. The
/// damper of each follows from the air that is wanted. Source: the fuel kiln paper, "Turn-up sheet".
/// </summary>
internal sealed class TurnLevels(FuelKiln kiln, Draft draft, bool raw)
{
    private const double CandleDamper = 0.6;
    private const double SteamBelow = 300;
    private const double SteamDamper = 0.3;
    private const int FineMarks = 40;
    private const int CoarseMarks = 20;

    /// <summary>Off with the damper from open to shut: only for cooling.</summary>
    private const int OffLevels = CoarseMarks + 1;

    // One small flame with the damper far open, before it is shut for the air it needs.
    private const int OpenCandles = 2;

    private readonly ImmutableArray<BurnerSetting> flames = BurnerSetting.Flames(kiln);

    /// <summary>How many there are, those that are only for cooling among them.</summary>
    public int Count => OffLevels + OpenCandles + flames.Length;

    /// <summary>The first that burns.</summary>
    public static int FirstLit => OffLevels;

    /// <summary>A level's setting where the air that is wanted can be had with it; nothing where it cannot.</summary>
    /// <param name="level">0 … <see cref="Count"/> − 1.</param>
    /// <param name="atmosphere">Wanted.</param>
    /// <param name="from">The chamber at the start of the turn, °C.</param>
    /// <param name="to">At its end, as wanted.</param>
    public BurnerSetting? Setting(int level, Atmosphere? atmosphere, double from, double to)
    {
        if (level < OffLevels)
            return atmosphere is null or Atmosphere.Oxidising ? BurnerSetting.Off(1 - level / (double)CoarseMarks) : null;
        level -= OffLevels;
        if (level < OpenCandles)
            return Checked(BurnerSetting.Candles(kiln, 1, level == 0 ? 1 : CandleDamper), atmosphere, from, to);
        return Damped(flames[level - OpenCandles], atmosphere, from, to);
    }

    /// <summary>All burners at a pressure with the damper for oxidising air at one temperature, °C; nothing where it has not the air for it.</summary>
    public BurnerSetting? Oxidising(double pressure, double celsius) => Damped(BurnerSetting.Gauge(kiln, pressure, 0), Atmosphere.Oxidising, celsius, celsius);

    /// <summary>A level's setting with the air as near as can be to what is wanted, where nothing gives it.</summary>
    public BurnerSetting Nearest(int level, Atmosphere? atmosphere, double celsius)
    {
        var aim = AirAim.Of(atmosphere, celsius, raw).Wanted;
        var flame = Setting(level, Atmosphere.Oxidising, celsius, celsius) ?? flames[Math.Max(0, level - (Count - flames.Length))];
        return flame with
        {
            Damper =
                FirstFrom(0, CoarseMarks, mark => draft.At(flame with { Damper = mark / (double)CoarseMarks }, celsius).Lambda >= aim) / (double)CoarseMarks,
        };
    }

    /// <summary>The damper that gives the air wanted at a flame, or nothing where no damper does.</summary>
    private BurnerSetting? Damped(BurnerSetting flame, Atmosphere? atmosphere, double from, double to)
    {
        var (first, last) = (AirAim.Of(atmosphere, from, raw), AirAim.Of(atmosphere, to, raw));
        double Lambda(int mark, int marks, double at) => draft.At(flame with { Damper = mark / (double)marks }, at).Lambda;
        if (first.IsOxidising)
        {
            var least = Math.Min(from, to) < SteamBelow ? (int)(SteamDamper * CoarseMarks) : 0;
            bool Enough(int mark) => Lambda(mark, CoarseMarks, from) >= first.Wanted && Lambda(mark, CoarseMarks, to) >= last.Wanted;
            if (!Enough(CoarseMarks))
                return Lambda(CoarseMarks, CoarseMarks, from) >= first.Least && Lambda(CoarseMarks, CoarseMarks, to) >= last.Least
                    ? flame with
                    {
                        Damper = 1,
                    }
                    : null;
            return flame with { Damper = FirstFrom(least, CoarseMarks, Enough) / (double)CoarseMarks };
        }
        // More damper, more air: the marks on both sides of the aim, and the nearer of them over the whole turn.
        double Off(int mark) => Math.Max(Math.Abs(Lambda(mark, FineMarks, from) - first.Wanted), Math.Abs(Lambda(mark, FineMarks, to) - last.Wanted));
        var above = FirstFrom(0, FineMarks, mark => (Lambda(mark, FineMarks, from) + Lambda(mark, FineMarks, to)) / 2 >= first.Wanted);
        var nearest = above > 0 && Off(above - 1) < Off(above) ? above - 1 : above;
        return first.Holds(Lambda(nearest, FineMarks, from)) && last.Holds(Lambda(nearest, FineMarks, to))
            ? flame with
            {
                Damper = nearest / (double)FineMarks,
            }
            : null;
    }

    private BurnerSetting? Checked(BurnerSetting setting, Atmosphere? atmosphere, double from, double to) =>
        AirAim.Of(atmosphere, from, raw).Holds(draft.At(setting, from).Lambda) && AirAim.Of(atmosphere, to, raw).Holds(draft.At(setting, to).Lambda)
            ? setting
            : null;

    /// <summary>The first whole number from one bound on for which something holds that holds from there on; the other bound where it never does.</summary>
    private static int FirstFrom(int low, int high, Func<int, bool> holds)
    {
        while (low < high)
        {
            var mid = (low + high) / 2;
            if (holds(mid))
                high = mid;
            else
                low = mid + 1;
        }
        return low;
    }
}
