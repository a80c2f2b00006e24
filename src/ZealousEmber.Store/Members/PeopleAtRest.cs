using Microsoft.AspNetCore.Identity;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Members;

/// <summary>What is done to the people of a data folder without serving it, from the terminal of its machine.</summary>
public static class PeopleAtRest
{
    /// <summary>Whether an owner could sign in; false as well where there is no studio, or one from before there were accounts.</summary>
    public static async Task<bool> HasOwner(string folder)
    {
        if (!File.Exists(StudioFolder.DatabaseIn(folder)))
            return false;
        await using var context = Open(folder, null);
        try
        {
            return await context.Set<PersonRow>().AnyAsync(p => p.Role == Role.Owner && p.PasswordHash != null && p.FormerNumber == null);
        }
        catch (SqliteException)
        {
            return false;
        }
    }

    /// <summary>Gives somebody a new password, ends all her sessions, and tells the audit; false where nobody is called so. The folder is held.</summary>
    public static async Task<bool> SetPassword(string folder, string name, string password, TimeProvider time)
    {
        if (!File.Exists(StudioFolder.DatabaseIn(folder)))
            return false;
        await using var context = Open(folder, new AuditTrail(new Terminal(), time));
        try
        {
            var wanted = new UpperInvariantLookupNormalizer().NormalizeName(name);
            if (await context.Set<PersonRow>().FirstOrDefaultAsync(p => p.NormalizedUserName == wanted && p.FormerNumber == null) is not { } row)
                return false;
            row.PasswordHash = new PasswordHasher<PersonRow>(Options.Create(new PasswordHasherOptions { IterationCount = StoreSetup.Rounds })).HashPassword(
                row,
                password
            );
            row.SecurityStamp = Guid.NewGuid().ToString("n");
            row.Version++;
            context.RemoveRange(await context.Set<SessionRow>().Where(s => s.PersonId == row.Id).ToListAsync());
            await context.SaveChangesAsync();
            return true;
        }
        catch (SqliteException error)
        {
            throw new StudioFolderException($"The studio in {folder} cannot be changed: {error.Message}. Start it once with this version first.");
        }
    }

    private static StudioContext Open(string folder, AuditTrail? trail)
    {
        var options = new DbContextOptionsBuilder<StudioContext>()
            .UseSqlite($"Data Source={StudioFolder.DatabaseIn(folder)};Pooling=False")
            .AddInterceptors(new ConnectionSettings())
            .Options;
        return trail is null ? new StudioContext(options) : new StudioContext(options, trail);
    }

    /// <summary>Whoever sits at the machine itself.</summary>
    private sealed class Terminal : IWriters
    {
        public Writer? Current { get; } = new(null, null);
    }
}
