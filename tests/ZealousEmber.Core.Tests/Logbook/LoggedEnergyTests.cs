using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Logbook;

namespace ZealousEmber.Core.Tests.Logbook;

/// <summary>Energy and money by the power a log shows.</summary>
public sealed class LoggedEnergyTests
{
    private const double Power = 9600;
    private static readonly DateTimeZone London = DateTimeZoneProviders.Tzdb["Europe/London"];
    private static readonly Tariff Flat = new(EnergyCarrier.Electricity, 0.3, []);

    // A clock that goes back at 02:00 on 25 October: the hour from one to two comes twice.
    private static readonly Instant Night = new LocalDateTime(2026, 10, 24, 22, 0).InZoneStrictly(London).ToInstant();

    private static List<FiringSample> Log(params double?[] shares) => [new(0, 20), .. shares.Select((s, i) => new FiringSample((i + 1) * 10, 500, s))];

    [Fact]
    public void Shares_of_full_power_add_up() =>
        Gen.Double[0, 1]
            .Array[1, 60]
            .Sample(shares =>
            {
                var used = LoggedEnergy.Of(Log([.. shares.Select(s => (double?)s)]), Power, Night, London, Flat);
                if (shares.Sum() <= 0)
                    used.ShouldBeNull();
                else
                {
                    used!.Kwh.ShouldBe(shares.Sum() / 6 * Power / 1000, 1e-9);
                    used.FullPowerHours!.Value.ShouldBe(shares.Sum() / 6, 1e-9);
                    used.Cost!.Value.ShouldBe(used.Kwh * 0.3, 1e-9);
                }
            });

    [Fact]
    public void The_night_rate_goes_by_the_clock_on_the_wall_also_when_it_is_put_back()
    {
        var cheap = new TariffBand(
            "Night",
            0.1,
            new WeeklySpan([.. Enum.GetValues<IsoDayOfWeek>().Where(d => d != IsoDayOfWeek.None)], new LocalTime(0, 0), new LocalTime(2, 0))
        );
        var night = new Tariff(EnergyCarrier.Electricity, 0.3, [cheap]);
        // From 22:00 for six hours at full power: two before midnight, then three by the night rate, since one hour comes twice, then one.
        var used = LoggedEnergy.Of(Log([.. Enumerable.Repeat((double?)1, 36)]), Power, Night, London, night)!;
        used.Cost!.Value.ShouldBe(Power / 1000 * (2 * 0.3 + 3 * 0.1 + 1 * 0.3), 1e-9);
    }

    [Fact]
    public void Without_power_or_a_price_there_is_no_sum()
    {
        LoggedEnergy.Of(Log(null, null), Power, Night, London, Flat).ShouldBeNull();
        LoggedEnergy.Of(Log(1), Power, Night, London, new Tariff(EnergyCarrier.Electricity, 0, []))!.Cost.ShouldBeNull();
    }
}
