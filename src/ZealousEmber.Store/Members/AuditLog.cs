using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Members;

/// <summary>Which changes to tell.</summary>
/// <param name="From">Not before.</param>
/// <param name="To">Before this.</param>
/// <param name="PersonId">Of this person.</param>
/// <param name="Words">What was done, or to what, holds this.</param>
public sealed record AuditQuery(Instant? From = null, Instant? To = null, int? PersonId = null, string? Words = null);

/// <summary>Who changed what and when. Nothing in it is ever changed; erasing somebody blanks words, and says so in a row of its own.</summary>
public sealed class AuditLog(StudioContext context, WriteQueue queue)
{
    /// <summary>The member of a row's words that names the rows whose words it blanked.</summary>
    internal const string Blanked = "blanked";

    private const int AtOnce = 500;

    /// <summary>A part of those that fit, the latest first.</summary>
    public async Task<Page<AuditRecord>> Read(AuditQuery query, int skip, int take, CancellationToken cancel)
    {
        var rows = Fitting(query);
        return new Page<AuditRecord>(
            await WithDetails(rows.OrderByDescending(a => a.N).Skip(skip).Take(take)).ToListAsync(cancel),
            await rows.CountAsync(cancel)
        );
    }

    /// <summary>All that fit, the earliest first, read as they are asked for.</summary>
    public async IAsyncEnumerable<AuditRecord> All(AuditQuery query, [EnumeratorCancellation] CancellationToken cancel)
    {
        for (var last = 0; ; )
        {
            var after = last;
            var part = await WithDetails(Fitting(query).Where(a => a.N > after).OrderBy(a => a.N).Take(AtOnce)).ToListAsync(cancel);
            foreach (var row in part)
                yield return row;
            if (part.Count < AtOnce)
                yield break;
            last = part[^1].N;
        }
    }

    /// <summary>Looks at every row and its words: each has to be as it was written, behind the one before it.</summary>
    public async Task<AuditCheck> Check(CancellationToken cancel)
    {
        var (rows, broken, hash) = (0, (int?)null, Array.Empty<byte>());
        var blanked = new HashSet<int>();
        var erased = new HashSet<int>();
        for (var last = 0; ; )
        {
            var after = last;
            var part = await context
                .Set<AuditRow>()
                .AsNoTracking()
                .Where(a => a.N > after)
                .OrderBy(a => a.N)
                .Take(AtOnce)
                .GroupJoin(context.Set<AuditDetailRow>().AsNoTracking(), a => a.N, d => d.N, (a, d) => new { Row = a, Details = d.FirstOrDefault() })
                .ToListAsync(cancel);
            foreach (var one in part)
            {
                rows++;
                var isWhole = one.Row.N == last + 1 && one.Row.Hash.AsSpan().SequenceEqual(one.Row.HashBehind(hash));
                if (isWhole && one.Details is { } details && !details.HashOf().AsSpan().SequenceEqual(one.Row.Details))
                {
                    isWhole = details is { Before: null, After: null };
                    blanked.Add(one.Row.N);
                }
                if (!isWhole || one.Details is null)
                    broken ??= one.Row.N;
                else if (one.Details.After is { } text)
                    erased.UnionWith(BlankedBy(text));
                (last, hash) = (one.Row.N, one.Row.Hash);
            }
            if (part.Count < AtOnce)
                break;
        }
        // Words are blanked by an erasure, which says of which rows; whoever blanks others leaves no such row.
        var unsaid = blanked.Except(erased).ToList();
        if (unsaid.Count > 0)
            broken = Math.Min(broken ?? int.MaxValue, unsaid.Min());
        return new AuditCheck(rows, broken);
    }

    /// <summary>Tells of something that changes no row: a copy that was taken away.</summary>
    public async Task Note(Writer writer, string what, string subject, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        await context.Note(writer, what, subject, null, cancel);
    }

    private static IEnumerable<int> BlankedBy(string after)
    {
        if (!after.Contains($"\"{Blanked}\"", StringComparison.Ordinal))
            return [];
        try
        {
            return JsonNode.Parse(after)?[Blanked] is JsonArray list ? [.. list.Select(n => n!.GetValue<int>())] : [];
        }
        catch (Exception error) when (error is JsonException or InvalidOperationException or FormatException)
        {
            return [];
        }
    }

    private IQueryable<AuditRow> Fitting(AuditQuery query)
    {
        var rows = context.Set<AuditRow>().AsNoTracking();
        if (query.From is { } from)
            rows = rows.Where(a => a.At >= from);
        if (query.To is { } to)
            rows = rows.Where(a => a.At < to);
        if (query.PersonId is { } person)
            rows = rows.Where(a => a.PersonId == person);
        if (query.Words is { } words)
            rows = rows.Where(a => (a.What + " " + a.Subject).Contains(words));
        return rows;
    }

    private IQueryable<AuditRecord> WithDetails(IQueryable<AuditRow> rows) =>
        from a in rows
        join d in context.Set<AuditDetailRow>() on a.N equals d.N into details
        from d in details.DefaultIfEmpty()
        select new AuditRecord(a.N, a.At, a.PersonId, a.DeviceId, a.What, a.Subject, d == null ? null : d.Before, d == null ? null : d.After);
}
