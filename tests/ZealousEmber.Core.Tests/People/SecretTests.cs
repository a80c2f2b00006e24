using System.Collections.Frozen;
using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.People;

namespace ZealousEmber.Core.Tests.People;

public sealed class SecretTests
{
    [Theory]
    [InlineData("Password1234!")]
    [InlineData("P@ssw0rd!2026")]
    [InlineData("letmein letmein")]
    [InlineData("poiuytrewq99")]
    [InlineData("AbcdefghijkL")]
    [InlineData("MajaMajaMaja")]
    [InlineData("ourpotterykiln1")]
    public void What_is_guessed_first_is_refused(string password) => Secrets.Refusal(password, "Maja").ShouldNotBeNull();

    [Theory]
    [InlineData("correct horse battery")]
    [InlineData("seven brown teapots")]
    [InlineData("Wörter ohne Zusammenhang")]
    [InlineData("窯の火は夜明けまで燃えている")]
    [InlineData("xk7!mQ2#vR9$")]
    public void What_is_long_and_odd_is_taken(string password) => Secrets.Refusal(password, "Maja").ShouldBeNull();

    [Fact]
    public void Whatever_is_typed_is_answered_and_length_decides_first() =>
        Gen.String[0, 200]
            .Sample(text =>
            {
                var refused = Secrets.Refusal(text, text.Length > 3 ? text[..3] : null);
                if (text.Length is < Secrets.ShortestPassword or > Secrets.LongestPassword)
                    refused.ShouldNotBeNull();
                return true;
            });

    [Fact]
    public void Of_a_million_pins_those_alike_or_in_a_row_are_refused()
    {
        var refused = Enumerable
            .Range(0, 1_000_000)
            .Select(n => n.ToString("000000", System.Globalization.CultureInfo.InvariantCulture))
            .Count(p => Secrets.PinRefusal(p) is not null);
        // Ten alike; 012345 to 456789 and the same backwards.
        refused.ShouldBe(10 + 5 + 5);
        foreach (var odd in new[] { null, "", "12 456", "12345", "1234567", "٣٤٥٦٧٨", "12345a" })
            Secrets.PinRefusal(odd).ShouldNotBeNull();
    }

    [Fact]
    public void The_fifth_miss_locks_for_a_minute_and_each_after_it_twice_as_long_up_to_an_hour()
    {
        var now = Instant.FromUtc(2026, 11, 24, 12, 0);
        var misses = default(Misses);
        for (var i = 0; i < 4; i++)
        {
            misses = misses.Missed(now);
            misses.Wait(now).ShouldBeNull();
        }
        foreach (var minutes in new[] { 1, 2, 4, 8, 16, 32, 60, 60, 60 })
        {
            misses = misses.Missed(now);
            misses.Wait(now).ShouldBe(Duration.FromMinutes(minutes));
            now += Duration.FromMinutes(minutes);
            misses.Wait(now).ShouldBeNull();
        }
        Misses.AreForgotten(now, now + Duration.FromHours(25)).ShouldBeTrue();
    }

    [Fact]
    public void A_session_ends_idle_or_at_its_longest()
    {
        var began = Instant.FromUtc(2026, 11, 24, 12, 0);
        Gen.Double[0, 14 * 60]
            .Sample(minutes =>
            {
                var seen = began + Duration.FromMinutes(Math.Min(minutes, 12 * 60));
                var times = new SessionTimes(began, seen, null);
                times.IsOver(times.IdleUntil - Duration.FromMilliseconds(1)).ShouldBeFalse();
                times.IsOver(times.IdleUntil).ShouldBeTrue();
                return times.IdleUntil <= began + SessionTimes.Most && times.IdleUntil <= seen + SessionTimes.Idle;
            });
    }

    [Fact]
    public void Rights_grow_from_display_to_owner_and_run_is_for_one_kiln()
    {
        var kilns = new[] { 2, 5 }.ToFrozenSet();
        var roles = new[] { Rights.Display, new Rights(Role.Maker, kilns), new Rights(Role.Firer, kilns), new Rights(Role.Owner, FrozenSet<int>.Empty) };
        foreach (var right in Enum.GetValues<Right>())
        {
            for (var i = 1; i < roles.Length; i++)
                (roles[i - 1].May(right, 2) && !roles[i].May(right, 2)).ShouldBeFalse($"{right}, {roles[i].Role}");
            Rights.Why(right).ShouldEndWith(".");
        }
        roles[2].May(Right.Run, 5).ShouldBeTrue();
        roles[2].May(Right.Run, 3).ShouldBeFalse();
        roles[2].May(Right.Run).ShouldBeFalse();
        roles[1].May(Right.Run, 5).ShouldBeFalse("a maker’s certificate alone starts nothing");
        roles[3].May(Right.Run).ShouldBeTrue();
        roles[2].Words([5, 2, 3]).ShouldBe(["see", "note-reading", "own-lots", "any-lots", "reserve", "run:2", "run:5", "own-schedules", "plan-week"]);
    }
}
