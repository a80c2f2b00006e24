using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

/// <summary>A started firing as stored: what it is fired with as JSON, since it never changes.</summary>
internal sealed class FiringRunRow
{
    public int FiringId { get; set; }

    public int KilnId { get; set; }

    /// <summary>The kiln while it is under way; one firing at a time, by a unique index.</summary>
    public int? OccupiesKiln { get; set; }

    public string Link { get; set; } = "";

    public Instant StartsAt { get; set; }

    public Instant StartedAt { get; set; }

    public string? By { get; set; }

    public Instant? StoppedAt { get; set; }

    public Instant? CooledAt { get; set; }

    public Instant? OpenedAt { get; set; }

    public Instant? ReadAt { get; set; }

    public Instant? ClosedAt { get; set; }

    public string Document { get; set; } = "{}";

    public static FiringRunRow From(FiringRun run) =>
        new()
        {
            FiringId = run.FiringId,
            KilnId = run.KilnId,
            OccupiesKiln = run.IsUnderWay ? run.KilnId : null,
            Link = run.Link.ToString(),
            StartsAt = run.StartsAt,
            StartedAt = run.StartedAt,
            By = run.By,
            StoppedAt = run.StoppedAt,
            CooledAt = run.CooledAt,
            OpenedAt = run.OpenedAt,
            ReadAt = run.ReadAt,
            ClosedAt = run.ClosedAt,
            Document = StoredJson.Write(
                new StoredRun(
                    Program: [.. run.Program.Steps.Select(StoredStep.From)],
                    IsAsEntered: run.IsAsEntered,
                    Goal: run.Goal?.Number,
                    Kiln: StoredKiln.From(new PinnedKiln(0, run.Kiln)),
                    Load: run.Load,
                    Start: run.Start.Celsius,
                    Kind: run.Kind,
                    Speed: run.Speed,
                    Seed: run.Seed,
                    Faults: run.Faults.IsDefaultOrEmpty ? [] : [.. run.Faults],
                    Taught: run.Taught,
                    Foretold: run.Foretold.IsDefaultOrEmpty ? null : [.. run.Foretold],
                    Dials: run.Dials
                )
            ),
        };

    public FiringRun Read()
    {
        var d = StoredJson.Read<StoredRun>(Document);
        return new FiringRun(
            FiringId: FiringId,
            KilnId: KilnId,
            Link: StoredWord.Read<LinkKind>(Link),
            StartsAt: StartsAt,
            StartedAt: StartedAt,
            By: By,
            Program: FiringProgram.Create([.. d.Program.Select(s => s.Read())]).Value,
            IsAsEntered: d.IsAsEntered,
            Goal: d.Goal is null ? null : ConeNumber.Parse(d.Goal).Value,
            Kiln: d.Kiln.Read().Kiln,
            Load: d.Load,
            Start: Temperature.FromCelsius(d.Start),
            Kind: d.Kind,
            Speed: d.Speed,
            Seed: d.Seed,
            Faults: [.. d.Faults],
            StoppedAt: StoppedAt,
            OpenedAt: OpenedAt,
            CooledAt: CooledAt,
            ReadAt: ReadAt,
            ClosedAt: ClosedAt,
            Taught: d.Taught,
            Foretold: d.Foretold is null ? [] : [.. d.Foretold],
            Dials: d.Dials
        );
    }
}

/// <summary>What a firing was started with.</summary>
internal sealed record StoredRun(
    StoredStep[] Program,
    bool IsAsEntered,
    string? Goal,
    StoredKiln Kiln,
    KilnLoad Load,
    double Start,
    ScheduleKind Kind,
    double Speed,
    ulong Seed,
    SimulatedFault[] Faults,
    KilnTaught? Taught = null,
    ForetoldNumber[]? Foretold = null,
    DialCourse? Dials = null
);

/// <summary>An entry as stored: added, never changed.</summary>
internal sealed class FiringEntryRow
{
    public int Id { get; set; }

    public int FiringId { get; set; }

    public string Key { get; set; } = "";

    public string Kind { get; set; } = "";

    public Instant At { get; set; }

    public string? By { get; set; }

    public double? Celsius { get; set; }

    public string? Subject { get; set; }

    public string? Text { get; set; }

    public Instant? NotedAt { get; set; }

    public static FiringEntryRow From(int firingId, FiringEntry e) =>
        new()
        {
            FiringId = firingId,
            Key = e.Key,
            Kind = e.Kind.ToString(),
            At = e.At,
            By = e.By,
            Celsius = e.Celsius,
            Subject = e.Subject,
            Text = e.Text,
            NotedAt = e.NotedAt,
        };

    public FiringEntry Read() => new(Key, StoredWord.Read<EntryKind>(Kind), At, By, Celsius, Subject, Text, NotedAt);
}

/// <summary>The token a kiln's logger pushes with; only its hash is kept.</summary>
internal sealed class KilnTokenRow
{
    public int KilnId { get; set; }

    public byte[] Hash { get; set; } = [];

    public Instant MadeAt { get; set; }

    public string? By { get; set; }
}

/// <summary>Readings of a stream in a packed block; the last block of a stream is filled up before the next is begun.</summary>
internal sealed class SampleBlockRow
{
    public int Id { get; set; }

    public int FiringId { get; set; }

    public string Logger { get; set; } = "";

    public string Stream { get; set; } = "";

    public long First { get; set; }

    public long Last { get; set; }

    public int Count { get; set; }

    public byte[] Samples { get; set; } = [];
}
