using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>Numbers of the core in a controller's own unit.</summary>
internal sealed class StepWords(ControllerProfile profile)
{
    /// <summary>The word for a stretch without a rate of its own; nothing where it has none.</summary>
    public string? For(StretchKind kind) =>
        kind switch
        {
            StretchKind.Full => Pace.Word("full"),
            StretchKind.Off when profile.FullDownIsOff => Pace.Word("full"),
            _ => null,
        };

    /// <summary>The question that says how fast.</summary>
    public Question Pace => profile.Find("rate") ?? profile.Find("time")!;

    /// <summary>Degrees of its unit per hour or minute.</summary>
    public double RateOf(double celsiusPerHour) => Rate.PerHour(celsiusPerHour).PerHourIn(profile.Unit) / (profile.PerMinute ? 60 : 1);

    /// <summary>°C an hour.</summary>
    public double CelsiusPerHour(double rate) => Rate.PerHour(rate * (profile.PerMinute ? 60 : 1), profile.Unit).KelvinsPerHour;

    /// <summary>Degrees of its unit; also of what is no temperature, like the top less a thousand degrees.</summary>
    public double DegreesOf(double celsius) => IsFahrenheit ? celsius * 9 / 5 + 32 : celsius;

    /// <summary>°C.</summary>
    public double Celsius(double degrees) => IsFahrenheit ? (degrees - 32) * 5 / 9 : degrees;

    private bool IsFahrenheit => profile.Unit == TemperatureUnit.Fahrenheit;
}
