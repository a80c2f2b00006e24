using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>Controllers that come with the program.</summary>
internal static class BuiltInControllers
{
    /// <summary>Puts those that come with the program on the shelf, and renews them when they have changed.</summary>
    public static async Task Stock(StudioContext context, Instant now)
    {
        var there = await context.Set<ControllerRow>().Where(c => c.BuiltIn).ToDictionaryAsync(c => c.Name);
        foreach (var (data, profile) in BuiltInProfiles.All)
        {
            if (!there.TryGetValue(profile.Name, out var row))
                context.Add(row = new ControllerRow());
            var before = row.Profile;
            row.Write(new ListedController(data, profile, true));
            if (row.Profile != before)
                row.Stamp(now, SaveStamp.Unknown);
        }
        await context.SaveChangesAsync();
    }
}
