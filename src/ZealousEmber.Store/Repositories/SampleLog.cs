using Microsoft.EntityFrameworkCore;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>What became of a batch of readings.</summary>
/// <param name="Added">Those that are new, in the order of their sequence.</param>
/// <param name="Duplicates">How many were there already, the very same.</param>
/// <param name="Conflicts">Sequences that are there already with other content; the first stays.</param>
public sealed record AppendedSamples(IReadOnlyList<StoredSample> Added, int Duplicates, IReadOnlyList<long> Conflicts);

/// <summary>
/// The readings of firings, in packed blocks of a stream. Appending is idempotent by logger, stream and sequence; what is answered is on the disk.
/// </summary>
public sealed class SampleLog(StudioContext context, WriteQueue queue)
{
    internal const string Table = "sample_blocks";

    /// <summary>Readings in a full block: a stream of one a second rewrites 20 kB at most.</summary>
    private const int BlockSize = 512;

    private DbSet<SampleBlockRow> Blocks => context.Set<SampleBlockRow>();

    /// <summary>Adds a batch.</summary>
    /// <param name="firingId">Of which firing.</param>
    /// <param name="logger">Whose.</param>
    /// <param name="stream">Since its last restart.</param>
    /// <param name="samples">In any order.</param>
    /// <param name="cancel">Gives up before anything is written.</param>
    public async Task<AppendedSamples> Append(int firingId, string logger, string stream, IReadOnlyList<StoredSample> samples, CancellationToken cancel)
    {
        if (samples.Count == 0)
            return new AppendedSamples([], 0, []);
        using var turn = await queue.Enter(cancel);
        var (first, last) = (samples.Min(s => s.Sequence), samples.Max(s => s.Sequence));
        var mine = Blocks.Where(b => b.FiringId == firingId && b.Logger == logger && b.Stream == stream);
        var known = new Dictionary<long, StoredSample>();
        foreach (var bytes in await mine.AsNoTracking().Where(b => b.First <= last && b.Last >= first).Select(b => b.Samples).ToListAsync(cancel))
        {
            var there = new List<StoredSample>();
            StoredSample.Unpack(bytes, there, withRefused: true);
            foreach (var sample in there)
                known[sample.Sequence] = sample;
        }
        var (added, duplicates, conflicts) = (new List<StoredSample>(), 0, new List<long>());
        foreach (var sample in samples.OrderBy(s => s.Sequence))
        {
            if (!known.TryGetValue(sample.Sequence, out var before))
            {
                known[sample.Sequence] = sample;
                added.Add(sample);
            }
            else if (before == sample)
                duplicates++;
            else
                conflicts.Add(sample.Sequence);
        }
        if (added.Count > 0)
            await Write(firingId, logger, stream, mine, added, cancel);
        return new AppendedSamples([.. added.Where(s => !s.IsRefused)], duplicates, conflicts);
    }

    /// <summary>Takes a whole stream in, all of it or nothing; one that is there already is left as it is.</summary>
    /// <param name="firingId">Of which firing.</param>
    /// <param name="logger">Whose.</param>
    /// <param name="stream">The file's own name.</param>
    /// <param name="samples">In the order of their sequence.</param>
    /// <param name="cancel">Gives up, and nothing is kept.</param>
    /// <returns>How many are new.</returns>
    public async Task<int> Import(int firingId, string logger, string stream, List<StoredSample> samples, CancellationToken cancel)
    {
        const int BlocksAtOnce = 64;
        using var turn = await queue.Enter(cancel);
        if (await Blocks.AnyAsync(b => b.FiringId == firingId && b.Logger == logger && b.Stream == stream, cancel))
            return 0;
        await using var transaction = await context.Database.BeginTransactionAsync(cancel);
        for (var at = 0; at < samples.Count; at += BlockSize)
        {
            var row = new SampleBlockRow
            {
                FiringId = firingId,
                Logger = logger,
                Stream = stream,
            };
            Fill(row, samples.GetRange(at, Math.Min(BlockSize, samples.Count - at)));
            Blocks.Add(row);
            if (at / BlockSize % BlocksAtOnce != BlocksAtOnce - 1 && at + BlockSize < samples.Count)
                continue;
            await context.SaveChangesAsync(cancel);
            context.ChangeTracker.Clear();
        }
        await transaction.CommitAsync(cancel);
        return samples.Count;
    }

    /// <summary>What the logs of firings hang on, by firing: it changes with every reading that is added. Without reading any of them.</summary>
    public async Task<IReadOnlyDictionary<int, string>> Marks(IReadOnlyCollection<int> firings, CancellationToken cancel)
    {
        var found = await Blocks
            .AsNoTracking()
            .Where(b => firings.Contains(b.FiringId))
            .GroupBy(b => b.FiringId)
            .Select(g => new
            {
                g.Key,
                Count = g.Sum(b => b.Count),
                Last = g.Max(b => b.Id),
            })
            .ToListAsync(cancel);
        return found.ToDictionary(f => f.Key, f => $"{f.Count}.{f.Last}");
    }

    /// <summary>All readings of a firing, in the order of time.</summary>
    public async Task<List<StoredSample>> Read(int firingId, CancellationToken cancel)
    {
        // Millions are no rarity: a list that grows by doubling would hold them twice and copy them twenty times.
        var all = new List<StoredSample>(await Blocks.Where(b => b.FiringId == firingId).SumAsync(b => b.Count, cancel));
        var isSorted = true;
        await foreach (
            var bytes in Blocks
                .AsNoTracking()
                .Where(b => b.FiringId == firingId)
                .OrderBy(b => b.Id)
                .Select(b => b.Samples)
                .AsAsyncEnumerable()
                .WithCancellation(cancel)
        )
        {
            var from = all.Count;
            StoredSample.Unpack(bytes, all);
            for (var i = Math.Max(1, from); i < all.Count && isSorted; i++)
                isSorted = all[i].At >= all[i - 1].At;
        }
        if (!isSorted)
            all.Sort((a, b) => a.At != b.At ? a.At.CompareTo(b.At) : a.Sequence.CompareTo(b.Sequence));
        return all;
    }

    /// <summary>The highest sequence up to which a stream has no hole, from its first on; nothing where it has none.</summary>
    public async Task<long?> AcceptedThrough(int firingId, string logger, string stream, CancellationToken cancel)
    {
        long? through = null;
        var blocks = await Blocks
            .AsNoTracking()
            .Where(b => b.FiringId == firingId && b.Logger == logger && b.Stream == stream)
            .OrderBy(b => b.First)
            .ThenBy(b => b.Id)
            .Select(b => new
            {
                b.First,
                b.Last,
                b.Count,
                b.Id,
            })
            .ToListAsync(cancel);
        foreach (var block in blocks)
        {
            // A block without holes that goes on where the others end needs no look inside.
            if (block.Count == block.Last - block.First + 1 && (through is null || block.First <= through + 1))
                through = Math.Max(through ?? block.Last, block.Last);
            else
            {
                var inside = new List<StoredSample>();
                StoredSample.Unpack(
                    await Blocks.AsNoTracking().Where(b => b.Id == block.Id).Select(b => b.Samples).SingleAsync(cancel),
                    inside,
                    withRefused: true
                );
                foreach (var sequence in inside.Select(s => s.Sequence).Order())
                {
                    if (through is null || sequence == through + 1)
                        through = sequence;
                    else if (sequence > through + 1)
                        return through;
                }
            }
        }
        return through;
    }

    private async Task Write(int firingId, string logger, string stream, IQueryable<SampleBlockRow> mine, List<StoredSample> added, CancellationToken cancel)
    {
        var tail = await mine.OrderByDescending(b => b.Id).FirstOrDefaultAsync(cancel);
        var at = 0;
        if (tail is { Count: < BlockSize })
        {
            var there = new List<StoredSample>(BlockSize);
            StoredSample.Unpack(tail.Samples, there, withRefused: true);
            for (; at < added.Count && there.Count < BlockSize; at++)
                there.Add(added[at]);
            Fill(tail, there);
        }
        while (at < added.Count)
        {
            var next = added.GetRange(at, Math.Min(BlockSize, added.Count - at));
            at += next.Count;
            var row = new SampleBlockRow
            {
                FiringId = firingId,
                Logger = logger,
                Stream = stream,
            };
            Fill(row, next);
            Blocks.Add(row);
        }
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
    }

    private static void Fill(SampleBlockRow row, List<StoredSample> samples) =>
        (row.First, row.Last, row.Count, row.Samples) = (samples.Min(s => s.Sequence), samples.Max(s => s.Sequence), samples.Count, StoredSample.Pack(samples));
}
