using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>
/// How a load is dried on its way up: the climb to a hold below boiling, the hold, and the climb past boiling. More water or more wall never
/// makes any of it shorter. Rates °C/h in friendly numbers, rounded down; temperatures °C. Source: the project's paper on what ware can stand.
/// </summary>
/// <param name="HoldAt">Where it is held.</param>
/// <param name="ToHold">The fastest climb to the hold.</param>
/// <param name="Hold">How long, in half hours.</param>
/// <param name="PastBoiling">The fastest climb from the hold to 130.</param>
/// <param name="To200">The fastest climb on to 200, where that is slowed for the thick; nothing where it is not.</param>
/// <param name="Slowest">The lot that sets the hold.</param>
/// <param name="Softens">The slow climb to 60 and the stay there that leather hard ware needs first; nothing for drier ware.</param>
public sealed record DryingPlan(double HoldAt, double ToHold, Duration Hold, double PastBoiling, double? To200, WareLot Slowest, LeatherHardStay? Softens)
{
    /// <summary>The climb past boiling ends here.</summary>
    public const double PastTo = 130;

    /// <summary>And where it is slowed for the thick, here.</summary>
    public const double SlowTo = 200;

    // Planned rates stay so far below what the ware can stand.
    internal const double Margin = 0.8;

    private const double Reference = 60;
    private const double RawPace = 100;
    private const double ThinWall = 10;
    private const double Slow = 30;
    private const double SlowestClimb = 10;
    private const double SoftensAt = 60;

    /// <summary>Plans the drying of a load.</summary>
    /// <param name="lots">What is in it; the worst of them speaks.</param>
    /// <param name="water">In each when it goes in, %.</param>
    /// <param name="boiling">Where water boils there.</param>
    /// <param name="unit">Scale of the friendly numbers.</param>
    /// <param name="past">A climb past boiling other than the usual, °C/h: a quicker one, for which it is held longer.</param>
    public static DryingPlan For(IReadOnlyCollection<WareLot> lots, Func<WareLot, double> water, Temperature boiling, TemperatureUnit unit, double? past = null)
    {
        var highest = (boiling - Drying.BelowBoiling).Celsius;
        double HoldsAt(TemperatureUnit scale) =>
            FriendlyNumbers.NearestFive(highest - 2.5, scale) is var near && near > highest ? FriendlyNumbers.NearestFive(highest - 6, scale) : near;
        // As long in both scales, whose numbers lie a degree apart.
        var (holdAt, countedAt) = (HoldsAt(unit), HoldsAt(TemperatureUnit.Celsius));
        var each = lots.Select(l => (Lot: l, Needs: Need.Of(l, water(l), countedAt, boiling, past))).ToList();
        var (slowest, needs) = each.MaxBy(e => (e.Needs.Hold, e.Lot.Depth))!;
        var hold = each.Max(e => e.Needs.Hold);
        var leather = lots.Where(l => l.Dryness == Dryness.LeatherHard).MaxBy(l => l.Depth);
        double Friendly(double rate) => FriendlyNumbers.RateNear(rate, unit);
        return new DryingPlan(
            holdAt,
            Friendly(lots.Min(l => ToTheHold(l))),
            Duration.FromMinutes(Math.Ceiling(hold * 2 - 1e-9) * 30),
            Friendly(past is { } quick ? Math.Min(quick, lots.Min(l => Margin * WallGradient.RawUp(l.Depth))) : lots.Min(l => Past(l, water(l)))),
            each.Any(e => e.Needs.Slowed is not null) ? Friendly(each.Min(e => e.Needs.Slowed ?? double.MaxValue)) : null,
            slowest,
            leather is null
                ? null
                : new LeatherHardStay(
                    FriendlyNumbers.Nearest(SoftensAt, unit),
                    Friendly(Math.Min(20, Margin * Shrinking.Fastest(leather.Depth, Dryness.LeatherHard)!.Value)),
                    Duration.FromMinutes(Math.Ceiling(Shrinking.Stay(leather.Depth).TotalHours * 2 - 1e-9) * 30)
                )
        );
    }

    /// <summary>
    /// The fastest climb past boiling: thin dry walls hardly mind it; from 10 mm on it falls as the steam of thicker walls asks, without a jump, down to 30.
    /// </summary>
    internal static double Past(WareLot lot, double water)
    {
        double thin = water > 1 || lot.OneSided ? 60 : 80;
        return lot.Wall <= ThinWall ? thin : Math.Max(Slow, thin * Math.Pow(Drying.Depth(ThinWall, false) / lot.Depth, 2));
    }

    private static double ToTheHold(WareLot lot) =>
        lot.Dryness switch
        {
            Dryness.BoneDry when lot.OneSided => 60,
            Dryness.BoneDry => 80,
            Dryness.CoolToTouch => 60,
            Dryness.Damp => Math.Min(40, Margin * Shrinking.Fastest(lot.Depth, Dryness.Damp)!.Value),
            _ => Math.Min(15, Margin * Shrinking.Fastest(lot.Depth, Dryness.Damp)!.Value),
        };

    /// <summary>What one lot asks for, as if it stood alone: then nothing that another asks for makes it less.</summary>
    /// <param name="Hold">Hours at the hold.</param>
    /// <param name="Slowed">The climb to 200, where the hold alone would be too long.</param>
    private sealed record Need(double Hold, double? Slowed)
    {
        public static Need Of(WareLot lot, double water, double holdAt, Temperature boiling, double? past)
        {
            var (least, most) = lot.Dryness switch
            {
                Dryness.BoneDry when water <= 1 => (lot.OneSided ? 2.0 : 1.0, 12.0),
                Dryness.BoneDry or Dryness.CoolToTouch => (2, 18),
                _ => (3, 24),
            };
            // After its stay leather hard ware is damp.
            var dries = lot.Dryness == Dryness.LeatherHard ? Moisture.Of(Dryness.Damp) : water;
            var depth = lot.Depth;
            var limit = Math.Min(RawPace, Margin * WallGradient.RawUp(depth));
            var before = Drying.Progress(20, holdAt, (holdAt - 20) / Reference * 3600);
            double HoursFor(double past, double rate, double b) =>
                Math.Max(0, Climb(holdAt, past, rate, boiling).ProgressFor(depth, dries, b) - before) / Drying.Diffusivity(holdAt) / 3600;

            var hours = HoursFor(Math.Min(past ?? 30, limit), limit, Steam.Planned);
            if (hours <= most)
                return new Need(Math.Max(least, hours), null);
            // A longer hold helps the thick little; a slower climb past boiling helps more.
            double Slow(double rate) => HoursFor(Math.Min(30, rate), rate, Steam.PlannedSlow);
            if (Slow(limit) <= most)
                return new Need(most, null);
            if (limit <= SlowestClimb || Slow(SlowestClimb) is var slowest && slowest > most)
                return new Need(Math.Max(most, Slow(Math.Min(limit, SlowestClimb))), Math.Min(limit, SlowestClimb));
            return new Need(most, Roots.Rising(Slow, most, SlowestClimb, limit, 0.05));
        }

        private static SteamClimb Climb(double from, double past, double rate, Temperature boiling)
        {
            var first = 60 * (PastTo - from) / past;
            var end = Math.Max(SlowTo, boiling.Celsius + Steam.Watched.Kelvins) + 5;
            return new SteamClimb(new Curve([new(0, from), new(first, PastTo), new(first + 60 * (end - PastTo) / rate, end)]), boiling);
        }
    }
}

/// <summary>What leather hard ware needs before it counts as damp.</summary>
/// <param name="At">Where it stays, °C.</param>
/// <param name="Climb">The fastest climb to it, °C/h.</param>
/// <param name="Stay">How long.</param>
public sealed record LeatherHardStay(double At, double Climb, Duration Stay);
