using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>From when to when something was so, minutes since the start.</summary>
public readonly record struct MinuteSpan(double From, double To);

/// <summary>What is known of a firing, from which the numbers that causes are judged by follow.</summary>
/// <param name="Log">What the display showed; nothing where nobody logged.</param>
/// <param name="Kind">What it was for.</param>
/// <param name="Goal">The cone aimed at.</param>
/// <param name="Boiling">Where water boils.</param>
/// <param name="Load">What was in it; nothing where nobody said.</param>
/// <param name="Packs">What packs say, shelf by shelf.</param>
/// <param name="Equivalent">The end point at 60 °C/h that did as much as the log, with what is known of the display, °C; nothing without log or goal.</param>
/// <param name="EvenBefore">Usual spread of its shelves, °C of cone.</param>
/// <param name="OpenedAt">The chamber when it was opened, °C.</param>
/// <param name="ProgramTop">The hottest target of its program, °C.</param>
/// <param name="Bisque60">What is known of the bisque before: °C of cone past its goal.</param>
/// <param name="BisqueBurn">What is known of the bisque before: burn-out given over needed.</param>
/// <param name="Flags">What is so of the whole firing: of <see cref="FiringNumbers.Stated"/>'s names.</param>
/// <param name="Air">Its air, stretch by stretch; none where nothing is known of it.</param>
public sealed record FiringFacts(
    Curve? Log,
    ScheduleKind Kind,
    Cone? Goal,
    Temperature Boiling,
    WareLoad? Load,
    ImmutableArray<ShelfHeat> Packs,
    double? Equivalent = null,
    double? EvenBefore = null,
    double? OpenedAt = null,
    double? ProgramTop = null,
    double? Bisque60 = null,
    double? BisqueBurn = null,
    ImmutableHashSet<string>? Flags = null,
    ImmutableArray<AirStretch> Air = default
)
{
    private const double NearTop = 5;
    private const double Last = 100;
    private const double Stalled = 10;
    private const double ColderBottom = 3;
    private const double Glossy = 750;

    private readonly Derived<Curve?, ImmutableDictionary<string, (double Value, MinuteSpan Span)>> measured = new();

    private ImmutableDictionary<string, (double Value, MinuteSpan Span)> OfLog => measured.Of(Log, Measure);

    private IEnumerable<(string Name, double Value, MinuteSpan Span)> OfAir => AirNumbers.Of(Air.IsDefault ? [] : Air, Log);

    /// <summary>Numbers and what is so, where a fault is seen.</summary>
    /// <param name="faults">All faults of one kind.</param>
    public FoundFault Found(IReadOnlyCollection<WareFault> faults)
    {
        var lots = Load?.Lots ?? [];
        var most = faults.OrderByDescending(f => f.Count).First();
        var lot = faults.Where(f => f.Lot < lots.Length).OrderByDescending(f => f.Count).Select(f => lots[f.Lot!.Value]).FirstOrDefault();
        var numbers = Numbers(lot, faults.All(f => f.Shelf == most.Shelf) ? most.Shelf : null, WareFault.Where(faults, lots, Math.Max(1, Packs.Length)));
        if (faults.Any(f => f.Later))
            numbers = numbers with { Flags = numbers.Flags.Add("later") };
        return new FoundFault(most.Kind, numbers, faults.Sum(f => f.Count), faults.Max(f => f.Severity));
    }

    /// <summary>Numbers of a lot on a shelf: of the lot that minds most, and of the whole kiln, where it is not known.</summary>
    public FiringNumbers Numbers(WareLot? lot, string? shelf, FaultPlace? where)
    {
        var values = OfLog.ToDictionary(n => n.Key, n => n.Value.Value);
        foreach (var (name, value, _) in OfAir)
            values[name] = Math.Round(value, 1);
        void Put(string name, double? value)
        {
            if (value is { } known && double.IsFinite(known))
                values[name] = Math.Round(known, 3);
        }

        var ware = lot is not null ? [lot] : Load?.Lots ?? [];
        var thick = ware.IsEmpty ? null : ware.MaxBy(l => l.Depth);
        var here = Packs.FirstOrDefault(p => p.Shelf == shelf);
        Put("d60", Goal is { } goal ? (here?.Past(goal) ?? (Packs.Mean() ?? Equivalent) - ConeTable.Of(goal).Kinetics.EndPoint(60)) : null);
        var told = Packs.Where(p => p is { Offset: not null, Bound: 0 }).ToList();
        Put("tc", told.Count > 0 ? told.Average(p => p.Offset) : null);
        Put("even", Packs.Spread());
        Put("here", here is null || Packs.Length < 2 ? null : here.Equivalent - Packs.Mean());
        Put("evenGrew", Packs.Spread() - EvenBefore);
        Put("opened", OpenedAt);
        Put("wall", thick?.Wall);
        Put("bisque60", Kind == ScheduleKind.Bisque && Goal is { } aim ? (Packs.Mean() ?? Equivalent) - ConeTable.Of(aim).Kinetics.EndPoint(60) : Bisque60);
        if (Log is not null && thick is not null)
            OfWall(thick, ware, Put);
        else if (!Kind.FiresRaw())
            Put("burn", BisqueBurn);
        return new FiringNumbers(values.ToImmutableDictionary(), FlagsOf(ware), where);
    }

    /// <summary>Where on the log a number was measured; nothing for what is not of a stretch of it.</summary>
    /// <param name="number">By <see cref="FiringNumbers.Measured"/>'s names.</param>
    public MinuteSpan? Span(string number)
    {
        if (OfLog.TryGetValue(number, out var known))
            return known.Span;
        if (OfAir.Where(n => n.Name == number).Select(n => (MinuteSpan?)n.Span).FirstOrDefault() is { } air)
            return air;
        if (Log is null)
            return null;
        MinuteSpan? Between(Duration? from, Duration? to) => from is { } a && to is { } b && b > a ? new MinuteSpan(a.TotalMinutes, b.TotalMinutes) : null;
        Duration? Up(double t) => Log.FirstRiseThrough(Temperature.FromCelsius(t));
        Duration? Down(double t) => Log.LastFallThrough(Temperature.FromCelsius(t));
        var band = Load?.Glazes.Select(g => g.Slow).FirstOrDefault(s => s is not null);
        return number switch
        {
            "g573up" => Between(Up(WallGradient.Quartz.From), Up(WallGradient.Quartz.To)),
            "g573down" => Between(Down(WallGradient.Quartz.To), Down(WallGradient.Quartz.From)),
            "g226down" => Between(Down(WallGradient.Cristobalite.To), Down(WallGradient.Cristobalite.From)),
            "burn" when Kind.FiresRaw() => Between(Up(BurnOut.From.Celsius), Up(BurnOut.UpTo(Log.Peak).Celsius) ?? Log.EndOfTop),
            "band" when band is not null => Between(Down(band.From.Celsius), Down(band.To.Celsius)),
            "water" => Between(Duration.Zero, Up(Boiling.Celsius)),
            "opened" => new MinuteSpan(Log.Points[^1].Minutes, Log.Points[^1].Minutes),
            "d60" or "tc" or "here" or "even" => OfLog.TryGetValue("hold", out var top) ? top.Span : null,
            _ => null,
        };
    }

    private void OfWall(WareLot thick, ImmutableArray<WareLot> ware, Action<string, double?> put)
    {
        double? Across((double From, double To) band, bool up)
        {
            var (low, high) = (Temperature.FromCelsius(band.From), Temperature.FromCelsius(band.To));
            var span = up ? Log!.FirstRiseThrough(high) - Log.FirstRiseThrough(low) : Log!.LastFallThrough(low) - Log.LastFallThrough(high);
            return span is { } time && time > Duration.Zero ? WallGradient.In(thick.Depth, (high - low) / time).Kelvins : null;
        }

        put("g573up", Across(WallGradient.Quartz, up: true));
        put("g573down", Across(WallGradient.Quartz, up: false));
        put("g226down", Across(WallGradient.Cristobalite, up: false));
        if (Kind.FiresRaw())
        {
            var slow = ware.MaxBy(l => BurnOut.Needed(l.Wall, l.Clay?.BurnsOutSlowly == true, Load?.Packed == true))!;
            if (Log!.Peak > BurnOut.From)
                put("burn", BurnOut.Given(Log) / BurnOut.Needed(slow.Wall, slow.Clay?.BurnsOutSlowly == true, Load?.Packed == true));
            if (Log.FirstRiseThrough(Boiling) is { } boils)
                put("water", ware.Max(l => Drying.CentreShare(Drying.Progress(Log, Duration.Zero, boils) / (l.Depth * l.Depth * 1e-6))));
        }
        else
            put("burn", BisqueBurn);
        if (ware.SelectMany(l => l.Glazes).Select(g => g.Slow).Where(s => s is not null).MaxBy(s => s!.Lasts) is { } band && Log!.Peak > band.From)
            put("band", Log.TimeBetween(band.From, band.To).After / band.Lasts);
    }

    private ImmutableHashSet<string> FlagsOf(ImmutableArray<WareLot> ware)
    {
        var flags = (Flags ?? []).ToBuilder();
        void Set(string name, bool isSo)
        {
            if (isSo)
                flags.Add(name);
        }

        var glazes = ware.SelectMany(l => l.Glazes).ToList();
        var clays = ware.Select(l => l.Clay).OfType<Clay>().ToList();
        if (Goal is { } goal && Kind.MeltsGlaze())
        {
            var ranges = glazes.Select(g => g.Range).Concat(clays.Select(c => c.Range)).OfType<ConeRange>().ToList();
            Set("wantsHotter", ranges.Any(r => r.Coolest.CompareTo(goal) > 0));
            Set("wantsCooler", ranges.Any(r => r.Hottest.CompareTo(goal) < 0));
        }
        Set("wantsHold", glazes.Any(g => g.NeedsHold));
        Set("wantsFast", glazes.Any(g => g.WantsFastCooling));
        Set("runny", glazes.Any(g => g.Runny));
        Set("fades", glazes.Any(g => g.Fades));
        Set("slowClay", clays.Any(c => c.BurnsOutSlowly));
        Set("earthenware", clays.Any(c => c.Kind == ClayKind.Earthenware));
        Set("wide", ware.Any(l => l.Width is not null));
        Set("closed", ware.Any(l => l.ClosedHollow));
        Set("packed", Load?.Packed == true);
        Set("wetGlaze", Kind.MeltsGlaze() && ware.Any(l => l.Glazes.Length > 0 && l.Dryness != Dryness.BoneDry));
        Set("stalled", Log is not null && ProgramTop is { } top && Log.Peak.Celsius < top - Stalled);
        Set(
            "bottomCold",
            Packs.Length > 1
                && Packs.MinBy(p => p.Equivalent) is { } coldest
                && coldest.Shelf is "bottom" or "1"
                && Packs.Mean() - coldest.Equivalent > ColderBottom
        );
        return flags.ToImmutable();
    }

    /// <summary>Numbers that follow from the log alone, and where they were measured.</summary>
    private static ImmutableDictionary<string, (double, MinuteSpan)> Measure(Curve? log)
    {
        var all = ImmutableDictionary.CreateBuilder<string, (double, MinuteSpan)>();
        if (log is null)
            return all.ToImmutable();
        var points = log.Points;
        var peak = log.Peak.Celsius;
        double? Down(double t) => log.LastFallThrough(Temperature.FromCelsius(t))?.TotalMinutes;
        double? Up(double t) => log.FirstRiseThrough(Temperature.FromCelsius(t))?.TotalMinutes;
        var (first, last) = (Up(peak - NearTop) ?? points[0].Minutes, Down(peak - NearTop) ?? points[^1].Minutes);
        void Put(string name, double value, double from, double to)
        {
            if (double.IsFinite(value) && to > from)
                all[name] = (Math.Round(value, 2), new MinuteSpan(from, to));
        }

        Put("hold", log.TimeAbove(Temperature.FromCelsius(peak - NearTop)).TotalMinutes, first, Math.Max(last, first + 0.1));
        if (Down(peak - Last) is { } below)
            Put("heal", below - last, last, below);
        if (Up(peak - Last) is { } from && first > from)
            Put("topRate", (Last - NearTop) / (first - from) * 60, from, first);
        if (peak > Glossy + NearTop && Down(Glossy) is { } glossy && glossy > last)
            Put("hours750", (glossy - last) / 60, last, glossy);
        if (Up(200) is { } at200 && at200 > points[0].Minutes)
            Put("rate200", (200 - points[0].Celsius) / (at200 - points[0].Minutes) * 60, points[0].Minutes, at200);
        return all.ToImmutable();
    }
}
