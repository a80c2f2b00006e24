using System.Globalization;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Services.Files;

/// <summary>A schedule to be given away: what came of it goes along in its notes, where every studio can read it.</summary>
internal sealed class ScheduleShare(ScheduleRepository schedules, FiringReader reader, FiringRecords records, Repository<StudioKiln> kilns)
{
    /// <summary>The file; nothing where there is no such schedule.</summary>
    /// <param name="id">Which.</param>
    /// <param name="most">Firings that are told of.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<ScheduleFile?> Of(int id, int most, CancellationToken cancel)
    {
        if (await schedules.Find(id, cancel) is not { Item: var schedule })
            return null;
        await reader.Refresh(cancel);
        var firings = (await records.Search(new LogbookQuery(ScheduleId: id), 0, most, cancel)).Items;
        var names = await kilns.FindAll([.. firings.Select(f => f.KilnId).Distinct()], cancel);
        var told = firings.Select(f =>
            $"{f.StartsAt.ToString("d MMM yyyy", CultureInfo.InvariantCulture)}, version {f.ScheduleVersion ?? 1}, "
            + $"{(names.TryGetValue(f.KilnId, out var kiln) ? $"{kiln.ClassName}, {Phrases.Number(kiln.Volume)} L" : "a kiln")}: {Came(f)}."
        );
        var notes = string.Join('\n', new[] { schedule.Notes, firings.Count > 0 ? "How its firings came out:" : null }.Where(n => n is not null).Concat(told));
        var contract = ScheduleMapping.Write(schedule) with
        {
            Notes =
                notes.Length > ScheduleLimits.Notes ? notes[..ScheduleLimits.Notes]
                : notes.Length == 0 ? null
                : notes,
        };
        return new ScheduleFile(ScheduleFile.FormatName, 1, [contract]);
    }

    private static string Came(LogbookRow f)
    {
        string?[] parts =
        [
            f.Reached is null ? null : $"cone {f.Reached}",
            f.Figures?["past"] is { } past ? $"{Phrases.Number(Math.Round(past))} °C of cone past its goal" : null,
            f.Out is { } count ? $"{count} out" : null,
            f.Lost is > 0 ? $"{f.Lost} lost" : null,
            f.Faults.Count > 0 ? string.Join(", ", f.Faults.Select(x => x.Replace('-', ' ')))
            : f.Out is not null && f.Lost is null or 0 ? "all good"
            : null,
            f.IsReference ? "the one to go by" : null,
        ];
        var said = parts.Where(p => p is not null).ToList();
        return said.Count > 0 ? string.Join(", ", said) : "not read";
    }
}
