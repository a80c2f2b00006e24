using NodaTime;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.Core.Logbook;

/// <summary>What a firing took, by the power its log shows.</summary>
public static class LoggedEnergy
{
    /// <summary>Energy, hours at full power and money; nothing where the log has no power.</summary>
    /// <param name="samples">In the order of time; shares of full power.</param>
    /// <param name="fullPower">W.</param>
    /// <param name="startsAt">When the log begins: a tariff goes by the clock.</param>
    /// <param name="zone">The studio's.</param>
    /// <param name="tariff">What electricity costs; no money where that is not known.</param>
    public static FiringEnergy? Of(IReadOnlyList<FiringSample> samples, double fullPower, Instant startsAt, DateTimeZone zone, Tariff tariff)
    {
        var (kwh, hours, cost) = (0.0, 0.0, 0.0);
        foreach (var (from, minutes, share) in LogCurve.Shares(samples))
        {
            var used = share * minutes / 60;
            hours += used;
            kwh += used * fullPower / 1000;
            cost += used * fullPower / 1000 * tariff.At((startsAt + Duration.FromMinutes(from)).InZone(zone).LocalDateTime);
        }
        return hours > 0 ? new FiringEnergy(kwh, hours, null, tariff.IsKnown ? cost : null) : null;
    }
}
