using NodaTime;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>What somebody can say of a started firing, and what becomes of it. Only in this order: on, off, opened, read, closed.</summary>
public abstract record RunChange
{
    private RunChange(string word) => Word = word;

    /// <summary>What it is called in its book: stopped, opened, read, closed, reopened, resumed.</summary>
    public string Word { get; }

    /// <summary>The power was taken off before its end.</summary>
    public static RunChange Stopped { get; } = new Stop();

    /// <summary>The kiln was opened.</summary>
    public static RunChange Opened { get; } = new Open();

    /// <summary>Its packs and ware were read.</summary>
    public static RunChange Read { get; } = new ReadIt();

    /// <summary>Nothing more is to be noted.</summary>
    public static RunChange Closed { get; } = new Close();

    /// <summary>There is more to be noted after all.</summary>
    public static RunChange Reopened { get; } = new Reopen();

    /// <summary>One that was stopped goes on.</summary>
    public static RunChange Resumed { get; } = new Resume();

    /// <summary>Every one.</summary>
    public static IReadOnlyList<RunChange> All { get; } = [Stopped, Opened, Read, Closed, Reopened, Resumed];

    /// <summary>Why it cannot be so at a moment, in a sentence; nothing where it can.</summary>
    public abstract string? Refusal(FiringRun run, Instant at);

    /// <summary>The firing after it. To be asked only where nothing is refused.</summary>
    public abstract FiringRun Of(FiringRun run, Instant at);

    private const string NotOpened = "The kiln has not been opened yet.";

    private sealed record Stop() : RunChange("stopped")
    {
        public override string? Refusal(FiringRun run, Instant at) =>
            run.State(at) switch
            {
                FiringState.Started or FiringState.Firing => null,
                FiringState.Cooling => "The power is off already; it is cooling.",
                FiringState.Stopped => "It was stopped already.",
                _ => "This firing is over.",
            };

        public override FiringRun Of(FiringRun run, Instant at) => run with { StoppedAt = at };
    }

    private sealed record Open() : RunChange("opened")
    {
        public override string? Refusal(FiringRun run, Instant at) =>
            run.State(at) switch
            {
                FiringState.Firing => "The power is on: stop it first. Never open a hot kiln.",
                FiringState.Opened or FiringState.Read or FiringState.Closed => "It was opened already.",
                _ => null,
            };

        public override FiringRun Of(FiringRun run, Instant at) =>
            run with
            {
                OpenedAt = at,
                StoppedAt = run.State(at) == FiringState.Started ? at : run.StoppedAt,
            };
    }

    private sealed record ReadIt() : RunChange("read")
    {
        public override string? Refusal(FiringRun run, Instant at) =>
            run.State(at) switch
            {
                FiringState.Opened => null,
                FiringState.Read => "It was read already.",
                FiringState.Closed => "It is closed: nothing more is to be noted.",
                _ => NotOpened,
            };

        public override FiringRun Of(FiringRun run, Instant at) => run with { ReadAt = at };
    }

    private sealed record Close() : RunChange("closed")
    {
        public override string? Refusal(FiringRun run, Instant at) =>
            run.State(at) switch
            {
                FiringState.Opened or FiringState.Read => null,
                FiringState.Closed => "It is closed already.",
                _ => NotOpened,
            };

        public override FiringRun Of(FiringRun run, Instant at) => run with { ClosedAt = at };
    }

    private sealed record Reopen() : RunChange("reopened")
    {
        public override string? Refusal(FiringRun run, Instant at) => run.State(at) == FiringState.Closed ? null : "It is not closed.";

        public override FiringRun Of(FiringRun run, Instant at) => run with { ClosedAt = null };
    }

    private sealed record Resume() : RunChange("resumed")
    {
        public override string? Refusal(FiringRun run, Instant at) =>
            run.State(at) != FiringState.Stopped ? "Only a firing that was stopped goes on again."
            : run.Link == LinkKind.Simulated ? "A simulated kiln that was stopped stays off."
            : null;

        public override FiringRun Of(FiringRun run, Instant at) => run with { StoppedAt = null, CooledAt = null };
    }
}
