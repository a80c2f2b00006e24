using System.Security.Cryptography;
using System.Text;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using NodaTime;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Schedules;
using Calendar = Ical.Net.Calendar;
using Duration = Ical.Net.DataTypes.Duration;

namespace ZealousEmber.App.Starts;

/// <summary>Watch times as an iCalendar file (RFC 5545): one entry a moment, with a reminder a quarter of an hour before.</summary>
internal static class WatchCalendar
{
    public static byte[] Write(Schedule schedule, string? kiln, Instant start, IReadOnlyList<WatchMoment> moments)
    {
        // The same firing exported again replaces its entries.
        var name = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(schedule.Name)))[..12];
        var calendar = new Calendar { ProductId = "-//Zealous Ember//Watch times//EN" };
        foreach (var moment in moments)
        {
            var at = (start + moment.At).ToDateTimeUtc();
            var entry = new CalendarEvent
            {
                Uid = $"{name}-{start.ToUnixTimeSeconds()}-{moment.Kind}-{(long)moment.At.TotalMinutes}@zealous-ember".ToLowerInvariant(),
                Summary = $"{kiln ?? "Kiln"}: {moment.Text.Split([';', ':'])[0]}",
                Description = $"{schedule.Name}. {moment.Text}.",
                Start = new CalDateTime(at),
                End = new CalDateTime(at + moment.Lasts.ToTimeSpan()),
            };
            entry.Alarms.Add(
                new Alarm
                {
                    Action = AlarmAction.Display,
                    Description = entry.Summary,
                    Trigger = new Trigger(Duration.FromMinutes(-15)),
                }
            );
            calendar.Events.Add(entry);
        }
        return Encoding.UTF8.GetBytes(new CalendarSerializer().SerializeToString(calendar)!);
    }
}
