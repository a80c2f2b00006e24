using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Json;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Rows;

/// <summary>A controller as stored: its profile as it is written in a file.</summary>
internal sealed class ControllerRow : EntityRow
{
    /// <summary>It came with the program.</summary>
    public bool BuiltIn { get; set; }

    public string Profile { get; set; } = "{}";

    public void Write(ListedController controller) => (Name, BuiltIn, Profile) = (controller.Profile.Name, controller.IsBuiltIn, StoredJson.Write(controller.Data));

    public ListedController Read() => ListedController.Own(StoredJson.Read<ProfileData>(Profile)).Value with { IsBuiltIn = BuiltIn };

    /// <summary>Puts those that come with the program on the shelf, and renews them when they have changed.</summary>
    public static async Task StockBuiltIns(StudioContext context, Instant now)
    {
        var there = await context.Set<ControllerRow>().Where(c => c.BuiltIn).ToDictionaryAsync(c => c.Name);
        foreach (var (data, profile) in BuiltInProfiles.All)
        {
            if (!there.TryGetValue(profile.Name, out var row)) context.Add(row = new ControllerRow());
            var before = row.Profile;
            row.Write(new ListedController(data, profile, true));
            if (row.Profile != before) row.Stamp(now, SaveStamp.Unknown);
        }
        await context.SaveChangesAsync();
    }
}
