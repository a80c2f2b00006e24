using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Members;

/// <summary>Who is signed in, kept so that a restart in the night signs nobody out.</summary>
public sealed class SessionStore(StudioContext context, WriteQueue queue)
{
    /// <summary>All that are kept.</summary>
    public async Task<IReadOnlyList<SessionRecord>> Read(CancellationToken cancel) =>
        [
            .. (await context.Set<SessionRow>().AsNoTracking().ToListAsync(cancel)).Select(s => new SessionRecord(
                s.Id,
                s.Hash,
                s.PersonId,
                s.DeviceId,
                s.ByPin,
                new SessionTimes(s.BeganAt, s.SeenAt, s.SteppedUpUntil),
                s.Stamp
            )),
        ];

    /// <summary>Begins one; in the place of another, which is over.</summary>
    public async Task<SessionRecord> Add(SessionRecord session, int? instead, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = new SessionRow
        {
            Hash = session.Hash,
            PersonId = session.PersonId,
            DeviceId = session.DeviceId,
            ByPin = session.ByPin,
            BeganAt = session.Times.BeganAt,
            SeenAt = session.Times.SeenAt,
            SteppedUpUntil = session.Times.SteppedUpUntil,
            Stamp = session.Stamp,
        };
        await using var whole = await context.Database.BeginTransactionAsync(cancel);
        context.Add(row);
        if (instead is { } before)
            context.RemoveRange(await context.Set<SessionRow>().Where(s => s.Id == before).ToListAsync(cancel));
        await context.SaveChangesAsync(cancel);
        await context.Note(
            new Writer(session.PersonId, session.DeviceId),
            instead is null
                ? session.ByPin
                    ? "signed in by PIN"
                    : "signed in"
                : "gave the password again",
            $"people/{session.PersonId}",
            null,
            cancel
        );
        await whole.CommitAsync(cancel);
        return session with { Id = row.Id };
    }

    /// <summary>Ends one; a sign-out is told to the audit.</summary>
    public async Task Remove(SessionRecord session, bool isSignOut, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        await using var whole = await context.Database.BeginTransactionAsync(cancel);
        await context.Set<SessionRow>().Where(s => s.Id == session.Id).ExecuteDeleteAsync(cancel);
        if (isSignOut)
            await context.Note(new Writer(session.PersonId, session.DeviceId), "signed out", $"people/{session.PersonId}", null, cancel);
        await whole.CommitAsync(cancel);
    }

    /// <summary>Keeps when sessions and devices were last seen, and takes away what is over.</summary>
    public async Task Keep(
        IReadOnlyDictionary<int, Instant> seen,
        IReadOnlyCollection<int> over,
        IReadOnlyDictionary<int, Instant> devicesSeen,
        CancellationToken cancel
    )
    {
        using var turn = await queue.Enter(cancel);
        foreach (var (id, at) in seen)
            await context.Set<SessionRow>().Where(s => s.Id == id).ExecuteUpdateAsync(s => s.SetProperty(r => r.SeenAt, at), cancel);
        foreach (var (id, at) in devicesSeen)
            await context.Set<DeviceRow>().Where(d => d.Id == id).ExecuteUpdateAsync(d => d.SetProperty(r => r.SeenAt, at), cancel);
        if (over.Count > 0)
            await context.Set<SessionRow>().Where(s => over.Contains(s.Id)).ExecuteDeleteAsync(cancel);
    }
}
