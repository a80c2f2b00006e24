using System.Globalization;
using System.Text;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Notation;

/// <summary>Writes steps as a line of shorthand that <see cref="NotationReader"/> reads back to the same steps.</summary>
public static class NotationWriter
{
    /// <summary>The line, numbers bare and in <paramref name="unit"/>.</summary>
    /// <param name="segments">Steps of a schedule.</param>
    /// <param name="unit">The scale to write in.</param>
    /// <param name="start">Where the first step starts, as given to the reader; 20 °C when not said.</param>
    public static string Write(IEnumerable<Segment> segments, TemperatureUnit unit, Temperature? start = null)
    {
        var line = new StringBuilder();
        var at = start ?? Temperature.FromCelsius(20);
        foreach (var segment in segments)
        {
            if (line.Length > 0)
                line.Append("; ");
            line.Append(Step(segment, unit, at));
            at = segment.Target ?? at;
        }
        return line.ToString();
    }

    private static string Step(Segment segment, TemperatureUnit unit, Temperature from)
    {
        var text = new StringBuilder();
        if (segment.Pace.Kind == PaceKind.Rate && segment.Target < from)
            text.Append("cool ");
        text.Append(
            segment.Pace.Rate is { } rate ? RateOrTime(rate, segment.Target!.Value, unit, from)
            : segment.Pace.Kind == PaceKind.Full ? "full"
            : "off"
        );
        if (segment.Target is { } target)
            text.Append(" to ").Append(Plain(target.In(unit)));
        if (segment.Hold > Duration.Zero)
            text.Append(" hold ").Append(Time(segment.HoldMinutes));
        text.Append(
            segment.Atmosphere switch
            {
                Atmosphere.Oxidising => " in oxidation",
                Atmosphere.Neutral => " in neutral",
                Atmosphere.LightReduction => " in light reduction",
                Atmosphere.HeavyReduction => " in heavy reduction",
                _ => "",
            }
        );
        if (segment.Reason is { } reason)
            text.Append(" \"").Append(reason.Replace("\"", "\"\"")).Append('"');
        return text.ToString();
    }

    /// <summary>A rate as a number; one with an endless tail that came from a time goes back to being that time.</summary>
    private static string RateOrTime(Rate rate, Temperature to, TemperatureUnit unit, Temperature from)
    {
        var number = Plain(rate.PerHourIn(unit));
        var minutes = Math.Round((to - from).Abs().Kelvins / rate.KelvinsPerHour * 60);
        var isTime =
            number.Length > 8
            && minutes >= 1
            && Rate.PerHour(NotationGrammar.ToDouble(Plain(PhraseReader.RateFor(from, to, minutes).PerHourIn(unit))), unit) == rate;
        return isTime ? Time(minutes) : number + "/h";
    }

    private static string Time(double minutes) =>
        minutes >= 60 && minutes == Math.Floor(minutes)
            ? string.Create(CultureInfo.InvariantCulture, $"{(long)minutes / 60}:{(long)minutes % 60:00}")
            : Plain(minutes) + "m";

    /// <summary>The shortest digits that read back to the same number, never with an exponent.</summary>
    private static string Plain(double value)
    {
        var text = value.ToString("R", CultureInfo.InvariantCulture);
        return text.Contains('E') ? value.ToString("0.####################", CultureInfo.InvariantCulture) : text;
    }
}
