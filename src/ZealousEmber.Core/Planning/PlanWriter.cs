using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>Steps and sentences of a plan, in the numbers of its scale.</summary>
internal sealed class PlanWriter(PlanOptions wish)
{
    /// <summary>A planned rate as a number people use that fires alike in both scales, °C/h.</summary>
    public double Friendly(double rate) => FriendlyNumbers.RateNear(rate, wish.Unit);

    /// <summary>A temperature people use at or below one, °C.</summary>
    public double BreakBelow(double celsius) => Break(celsius, Math.Floor);

    /// <summary>A temperature people use at or above one, °C.</summary>
    public double BreakAbove(double celsius) => Break(celsius, Math.Ceiling);

    /// <summary>A climb or a cooling at a rate that is friendly already.</summary>
    public PlanStep At(double rate, double target, Duration hold, string brief, string why, string by, Basis? basis = null) =>
        new(Segment(rate, target, hold, brief), why, by, Basis: basis);

    /// <summary>The segment of one.</summary>
    public Segment Segment(double rate, double target, Duration hold, string brief)
    {
        // A slow band of minutes would ask for more than any step may say.
        return Schedules
            .Segment.Of(Schedules.Pace.At(Rate.PerHour(Math.Min(rate, ScheduleLimits.Fastest.KelvinsPerHour))), Temperature.FromCelsius(target), hold, brief)
            .Value;
    }

    /// <summary>"60 °C".</summary>
    public string Pace(double kelvinsPerHour) => $"{Phrases.Number(Math.Round(Rate.PerHour(kelvinsPerHour).PerHourIn(wish.Unit)))} {wish.Unit.Symbol()}";

    /// <summary>"1222 °C".</summary>
    public string Degrees(double celsius) => $"{Phrases.Number(Math.Round(Temperature.FromCelsius(celsius).In(wish.Unit)))} {wish.Unit.Symbol()}";

    /// <summary>"mugs of 6 mm".</summary>
    public string Name(WareLot lot) => LoadNotes.Name(lot, wish.Units);

    private double Break(double celsius, Func<double, double> round)
    {
        var grain = wish.Unit == TemperatureUnit.Celsius ? 5 : 10;
        return Temperature.From(round(Temperature.FromCelsius(celsius).In(wish.Unit) / grain) * grain, wish.Unit).Celsius;
    }
}
