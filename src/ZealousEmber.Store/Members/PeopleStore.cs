using System.Collections.Frozen;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Members;

/// <summary>Why a change of people was not made.</summary>
public enum PersonRefusal
{
    /// <summary>It was made.</summary>
    None,

    /// <summary>There is no such person.</summary>
    NotFound,

    /// <summary>It was changed since.</summary>
    Version,

    /// <summary>Another one is called so.</summary>
    NameTaken,

    /// <summary>Without her nobody could manage the studio.</summary>
    LastOwner,

    /// <summary>Somebody else made the first account meanwhile.</summary>
    First,
}

/// <summary>Everybody with an account. Passwords and PINs come in as typed and are kept as hashes only.</summary>
public sealed class PeopleStore
{
    private readonly StudioContext context;
    private readonly WriteQueue queue;
    private readonly UserManager<PersonRow> users;
    private readonly IPasswordHasher<PersonRow> hasher;
    private readonly TimeProvider time;

    // What an unknown name is held against, so that it takes as long as a known one.
    private static string? nobodys;

    internal PeopleStore(StudioContext context, WriteQueue queue, UserManager<PersonRow> users, IPasswordHasher<PersonRow> hasher, TimeProvider time) =>
        (this.context, this.queue, this.users, this.hasher, this.time) = (context, queue, users, hasher, time);

    private DbSet<PersonRow> All => context.Set<PersonRow>();

    private IQueryable<PersonRow> Present => All.Where(p => p.FormerNumber == null);

    /// <summary>Everybody, those who left too, by name.</summary>
    public async Task<IReadOnlyList<PersonRecord>> Read(CancellationToken cancel)
    {
        var kilns = (await context.Set<CertificateRow>().AsNoTracking().ToListAsync(cancel)).ToLookup(c => c.PersonId, c => c.KilnId);
        return
        [
            .. (await All.AsNoTracking().ToListAsync(cancel))
                .OrderBy(p => p.UserName, StringComparer.CurrentCultureIgnoreCase)
                .Select(p => Read(p, kilns[p.Id])),
        ];
    }

    /// <summary>Adds somebody.</summary>
    /// <param name="name">What the studio calls her.</param>
    /// <param name="role">What she is to be.</param>
    /// <param name="password">As typed; nothing where she is to have none yet.</param>
    /// <param name="isFirst">It is asked for where nobody has an account, and done only there.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<(PersonRecord? Person, PersonRefusal Refused)> Add(string name, Role role, string? password, bool isFirst, CancellationToken cancel)
    {
        // Outside the queue: a hash takes a tenth of a second on purpose.
        var row = new PersonRow
        {
            UserName = name,
            Role = role,
            Version = 1,
            MadeAt = Now,
        };
        row.PasswordHash = password is null ? null : hasher.HashPassword(row, password);
        using var turn = await queue.Enter(cancel);
        if (await Present.AnyAsync(cancel) == isFirst)
            return (null, PersonRefusal.First);
        if (await IsTaken(name, except: 0, cancel))
            return (null, PersonRefusal.NameTaken);
        Made(await users.CreateAsync(row));
        return (Read(row, []), PersonRefusal.None);
    }

    /// <summary>Another name or role. A new role ends all sessions.</summary>
    public Task<PersonRefusal> Save(int id, int? readVersion, string name, Role role, CancellationToken cancel) =>
        Change(
            id,
            readVersion,
            async row =>
            {
                if (await IsTaken(name, id, cancel))
                    return PersonRefusal.NameTaken;
                if (role != Role.Owner && await IsLastOwner(context, row, cancel))
                    return PersonRefusal.LastOwner;
                if (role != row.Role)
                    row.SecurityStamp = NewStamp();
                (row.UserName, row.NormalizedUserName, row.Role) = (name, users.NormalizeName(name), role);
                return PersonRefusal.None;
            },
            cancel
        );

    /// <summary>A new password, which ends all sessions.</summary>
    public Task<PersonRefusal> SetPassword(int id, string password, CancellationToken cancel)
    {
        var hash = hasher.HashPassword(new PersonRow(), password);
        return Change(
            id,
            null,
            row =>
            {
                (row.PasswordHash, row.SecurityStamp) = (hash, NewStamp());
                return Task.FromResult(PersonRefusal.None);
            },
            cancel
        );
    }

    /// <summary>A new PIN.</summary>
    public Task<PersonRefusal> SetPin(int id, string pin, CancellationToken cancel)
    {
        var hash = hasher.HashPassword(new PersonRow(), pin);
        return Change(
            id,
            null,
            row =>
            {
                row.PinHash = hash;
                return Task.FromResult(PersonRefusal.None);
            },
            cancel
        );
    }

    /// <summary>The kilns somebody is certified for, in the place of those before.</summary>
    public Task<PersonRefusal> Certify(int id, IReadOnlyCollection<int> kilns, CancellationToken cancel) =>
        Change(
            id,
            null,
            async row =>
            {
                var held = await context.Set<CertificateRow>().Where(c => c.PersonId == row.Id).ToListAsync(cancel);
                context.RemoveRange(held.Where(c => !kilns.Contains(c.KilnId)));
                context.AddRange(kilns.Except(held.Select(c => c.KilnId)).Select(k => new CertificateRow { PersonId = row.Id, KilnId = k }));
                return PersonRefusal.None;
            },
            cancel
        );

    /// <summary>
    /// Who has this name and this password or PIN; nothing where there is none. It takes as long for a name nobody has as for one somebody has.
    /// </summary>
    public async Task<PersonRecord?> Check(string name, string secret, bool isPin, CancellationToken cancel)
    {
        var wanted = users.NormalizeName(name);
        var row = await Present.AsNoTracking().FirstOrDefaultAsync(p => p.NormalizedUserName == wanted, cancel);
        var kilns = await context.Set<CertificateRow>().Where(c => c.PersonId == (row == null ? 0 : row.Id)).Select(c => c.KilnId).ToListAsync(cancel);
        var hash = isPin ? row?.PinHash : row?.PasswordHash;
        nobodys ??= hasher.HashPassword(new PersonRow(), Guid.NewGuid().ToString());
        var fits = hasher.VerifyHashedPassword(row ?? new PersonRow(), hash ?? nobodys, secret) != PasswordVerificationResult.Failed;
        return fits && row is not null && hash is not null ? Read(row, kilns) : null;
    }

    private async Task<PersonRefusal> Change(int id, int? readVersion, Func<PersonRow, Task<PersonRefusal>> change, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await Present.FirstOrDefaultAsync(p => p.Id == id, cancel) is not { } row)
            return PersonRefusal.NotFound;
        if (readVersion is { } version && version != row.Version)
            return PersonRefusal.Version;
        var refused = await change(row);
        if (refused == PersonRefusal.None && context.ChangeTracker.HasChanges())
        {
            row.Version++;
            await context.SaveChangesAsync(cancel);
        }
        context.ChangeTracker.Clear();
        return refused;
    }

    private Task<bool> IsTaken(string name, int except, CancellationToken cancel)
    {
        var wanted = users.NormalizeName(name);
        return All.AnyAsync(p => p.NormalizedUserName == wanted && p.Id != except, cancel);
    }

    /// <summary>Whether nobody else could manage the studio: an owner who cannot sign in by a password counts for none.</summary>
    internal static async Task<bool> IsLastOwner(StudioContext context, PersonRow row, CancellationToken cancel) =>
        row.Role == Role.Owner
        && !await context.Set<PersonRow>().AnyAsync(p => p.Role == Role.Owner && p.PasswordHash != null && p.FormerNumber == null && p.Id != row.Id, cancel);

    private Instant Now => Instant.FromDateTimeOffset(time.GetUtcNow());

    private static string NewStamp() => Guid.NewGuid().ToString("n");

    private static void Made(IdentityResult result)
    {
        if (!result.Succeeded)
            throw new InvalidOperationException(string.Join(" ", result.Errors.Select(e => e.Description)));
    }

    private static PersonRecord Read(PersonRow row, IEnumerable<int> kilns) =>
        new(
            Id: row.Id,
            Name: row.UserName!,
            Role: row.Role,
            Version: row.Version,
            Kilns: kilns.ToFrozenSet(),
            HasPassword: row.PasswordHash is not null,
            HasPin: row.PinHash is not null,
            Stamp: row.SecurityStamp ?? "",
            FormerNumber: row.FormerNumber
        );
}
