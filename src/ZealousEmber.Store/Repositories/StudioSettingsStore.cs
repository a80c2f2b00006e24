using NodaTime;
using NodaTime.TimeZones;
using ZealousEmber.Core.Clock;

namespace ZealousEmber.Store.Repositories;

/// <summary>What holds until somebody says otherwise.</summary>
public static class StudioSettingsStore
{
    /// <summary>The machine's own zone, no price, nobody's hours, no rule broken.</summary>
    public static readonly StudioSettings Defaults = new(SystemZone(), EnergyPrices.Unknown, [], AttendanceRule.MarkedMoments, [], StudioDisplay.Usual);

    private static DateTimeZone SystemZone()
    {
        try
        {
            return DateTimeZoneProviders.Tzdb.GetSystemDefault();
        }
        catch (DateTimeZoneNotFoundException)
        {
            return DateTimeZone.Utc;
        }
    }
}
