namespace ZealousEmber.Store.Saving;

/// <summary>Thrown when a write waited so long that it is better tried again.</summary>
public sealed class StoreBusyException() : Exception("Another write is taking long.");

/// <summary>
/// One writer at a time, in the order they came. SQLite allows no more, and would make the others wait on a thread each; here they wait without one,
/// and not for ever.
/// </summary>
public sealed class WriteQueue
{
    private readonly SemaphoreSlim turn = new(1, 1);
    private readonly TimeSpan longest;
    private long turns;

    /// <summary>A queue in which nobody waits longer than 5 s.</summary>
    public WriteQueue()
        : this(TimeSpan.FromSeconds(5)) { }

    /// <summary>A queue with another longest wait.</summary>
    public WriteQueue(TimeSpan longest) => this.longest = longest;

    /// <summary>Turns given so far: while it stays, nothing in the store has changed.</summary>
    public long Turns => Interlocked.Read(ref turns);

    /// <summary>Waits for a turn, to be given back by disposing it. Throws <see cref="StoreBusyException"/> when it does not come in time.</summary>
    public async Task<IDisposable> Enter(CancellationToken cancel)
    {
        if (!await turn.WaitAsync(longest, cancel))
            throw new StoreBusyException();
        return new Turn(this);
    }

    private sealed class Turn(WriteQueue queue) : IDisposable
    {
        private bool given;

        public void Dispose()
        {
            if (given)
                return;
            given = true;
            Interlocked.Increment(ref queue.turns);
            queue.turn.Release();
        }
    }
}
