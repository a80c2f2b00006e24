using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Bank;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.Store.Demo;

/// <summary>What has been entered at the kilns of the made-up studio: one to rely on, one changed since, one long ago, and a slip.</summary>
internal static class SaltmarshBanks
{
    private static readonly (int Kiln, string Schedule, int Version, string? Slot, double DaysAgo, string By, string? Slip)[] Readings =
    [
        (1, "Drying, thick tiles", 1, "1", 44, "Tobin", null),
        (1, "Marsh White bisque, for dipping", 1, "2", 9.1, "Maren", null),
        (1, "Oyster matte, supper set", 3, "3", 1.6, "Tobin", "digit-dropped"),
        (1, "Oyster matte, supper set", 3, "3", 1.59, "Tobin", null),
        (2, "Tidewrack blue, test tiles", 2, null, 3.2, "Isolde", null),
    ];

    /// <summary>Adds them; kilns 1 and 2 name the controllers that are given.</summary>
    public static async Task Seed(
        StudioContext context,
        EnteredPrograms programs,
        ScheduleRepository schedules,
        IReadOnlyList<ControllerProfile> ofKilns,
        Instant now,
        CancellationToken cancel
    )
    {
        var ids = await context.Schedules.ToDictionaryAsync(s => s.Name, s => s.Id, cancel);
        foreach (var (kiln, name, version, slot, daysAgo, by, slip) in Readings)
        {
            var (id, profile) = (ids[name], ofKilns[kiln - 1]);
            var schedule = (await schedules.Version(id, version, cancel))!.Item;
            var fit = ControllerFit.Of(new ProgramRequest(schedule, profile, schedule.Goal, Temperature.FromCelsius(20), slot)).Value;
            ImmutableArray<ShownValue> program = [.. fit.Program.Select(a => new ShownValue(a.Asked.Id, a.Shown))];
            // The slip: a key that did not register.
            var shown = slip is null ? program : [.. program.Select(v => v.Question == "rate.2" ? v with { Shown = v.Shown[..^1] } : v)];
            await programs.Add(
                new EnteredProgram(
                    KilnId: kiln,
                    FiringId: null,
                    ScheduleId: id,
                    ScheduleVersion: version,
                    Name: schedule.Name,
                    Kind: schedule.Kind,
                    Controller: profile.Name,
                    Slot: slot,
                    DelayMinutes: 0,
                    Program: program,
                    Code: EntryCard.Code(profile, fit.Program),
                    Unit: profile.Unit,
                    Fired: fit.Schedule!,
                    Shown: shown,
                    IsClean: slip is null,
                    Slip: slip,
                    At: now - Duration.FromDays(daysAgo),
                    By: by
                ),
                null,
                cancel
            );
        }
    }
}
