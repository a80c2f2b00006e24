namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>Told what happens in a simulation; times in seconds, temperatures °C, power W.</summary>
internal interface ISimulationObserver
{
    /// <summary>A step begins.</summary>
    void Began(int step, double chamber);

    /// <summary>The set point passes here; may lie ahead.</summary>
    void SetPoint(double seconds, double celsius);

    /// <summary>Time has passed, up to <paramref name="now"/>.</summary>
    void Passed(double now, double lasted, double power, double chamber);

    /// <summary>The controller could not keep to what was asked from here on.</summary>
    void FellBehind(double chamber);

    /// <summary>A climb or a cooling is over.</summary>
    void Reached(double chamber, bool stalled);

    /// <summary>A step is over, its hold too; the controller reckons with this temperature from here.</summary>
    void Ended(double level);
}
