using System.Collections.Immutable;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Learning;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.Firings;

/// <summary>A started firing with all that is known of it.</summary>
/// <param name="Draft">As it was planned.</param>
/// <param name="Run">As it was started.</param>
/// <param name="Record">As it was read.</param>
/// <param name="Samples">Its log.</param>
/// <param name="Load">What was in it; nothing where nobody said, or only half.</param>
/// <param name="Taught">What its kiln has taught.</param>
/// <param name="Entries">What was noted.</param>
/// <param name="Gas">What a fuel kiln took by its turns.</param>
/// <param name="Air">The air of a fuel kiln by its turns.</param>
/// <param name="IsByTurns">Its log is worked out from its turns and what was seen: nobody logged enough of it.</param>
internal sealed record ReadFiring(
    Versioned<FiringDraft> Draft,
    FiringRun Run,
    FiringRecord Record,
    List<FiringSample> Samples,
    WareLoad? Load,
    KilnKnowledge? Taught,
    IReadOnlyList<FiringEntry> Entries,
    EnergyUse? Gas = null,
    ImmutableArray<AirStretch> Air = default,
    bool IsByTurns = false
)
{
    private readonly Derived<List<FiringSample>, Curve?> drawn = new();
    private readonly Derived<(FiringRecord Record, List<FiringSample> Samples), ImmutableArray<double>> worked = new();

    /// <summary>What the display showed; nothing without a log.</summary>
    public Curve? Log => drawn.Of(Samples, LogCurve.Of);

    /// <summary>Heat work of every cone along it; empty without a log.</summary>
    public ImmutableArray<double> Progress => worked.Of((Record, Samples), from => from.Record.Figures?.Progress is { IsDefaultOrEmpty: false } known ? known
            : !Run.IsFuel ? new FinishedFiring(Run.Watched, from.Samples).Progress()
            : Log is null ? []
            : [.. HeatWork.OfAll(Log)]);

    /// <summary>What the packs say, shelf by shelf.</summary>
    public ImmutableArray<ShelfHeat> Packs => [.. Record.Packs.Select(p => ShelfHeat.Of(p, Progress.IsEmpty ? null : c => Progress[c.Order]))];

    /// <summary>The kiln it is fired in again: as its firings have taught.</summary>
    public StudioKiln Kiln => Taught?.Kiln ?? Run.Kiln;

    /// <summary>The chamber when it was opened, as it was noted, or read within the hour before.</summary>
    public double? OpenedAt =>
        Entries.LastOrDefault(e => e.Kind == EntryKind.State && e.Subject == "opened")?.Celsius
        ?? (Run.OpenedAt is { } opened && Log is not null && Run.Minutes(opened) - Log.Points[^1].Minutes <= 60 ? Log.Points[^1].Celsius : null);

    /// <summary>Its air by its turns; where nobody noted any, as its program asked.</summary>
    public ImmutableArray<AirStretch> Breathed =>
        !Run.IsFuel ? []
        : !Air.IsDefaultOrEmpty ? Air
        : Log is null ? []
        : AirStretch.Asked(Run.Program, Log);

    /// <summary>What causes are judged by.</summary>
    public FiringFacts Facts()
    {
        double? equivalent = null;
        if (Run.Goal is { } goal && !Progress.IsEmpty)
            equivalent = ConeTable.Of(goal).Kinetics.EndPoint(60, Math.Max(Progress[goal.Order], 1e-9)) + (Run.Taught?.Offset ?? 0);
        var flags = ImmutableHashSet.CreateBuilder<string>();
        if (Run.Program.Steps.Any(s => s.Atmosphere is Atmosphere.LightReduction or Atmosphere.HeavyReduction))
            flags.Add("reduction");
        if (Run.Kiln is Kiln { VentFlow: > 0 })
            flags.Add("vent");
        if (Taught?.WasWeak(Run.FiringId, Run.Kind, Temperature.FromCelsius(Run.Program.Steps.Max(s => s.Target?.Celsius ?? 0))) == true)
            flags.Add("weak");
        if (Run.StoppedAt is { } stopped && FiringEnd.GaveUp(Samples, Run.Minutes(stopped)))
            flags.Add("stalled");
        var before = Taught?.History.LastOrDefault(h => h.At < Run.StartsAt);
        return new FiringFacts(
            Log: Log,
            Kind: Run.Kind,
            Goal: Run.Goal,
            Boiling: Boiling.At(Run.Kiln.Altitude),
            Load: Load,
            Packs: Packs,
            Equivalent: equivalent,
            EvenBefore: before?.Learned.Evenness,
            OpenedAt: OpenedAt,
            ProgramTop: Run.StoppedAt is null ? Run.Program.Steps.Max(s => s.Target?.Celsius) : null,
            Flags: flags.ToImmutable(),
            Air: Breathed
        );
    }

    /// <summary>The firing in numbers.</summary>
    public FiringFigures Figures(StudioSettings studio)
    {
        var facts = Facts();
        return FiringFigures.Of(
            Log,
            facts.Numbers(null, null, null),
            facts.Packs,
            Run.Goal,
            Progress,
            Gas is { } gas ? OfGas(gas, studio) : OfElements(studio),
            Run.Kiln.Opens
        );
    }

    private FiringEnergy OfGas(EnergyUse gas, StudioSettings studio) =>
        new(
            gas.Kwh,
            null,
            gas.Kwh * 3.6 / ((FuelKiln)Run.Kiln).Fuel.Gross,
            studio.Prices.Knows([gas]) ? studio.Prices.Cost([gas], Run.StartsAt, studio.Zone) : null
        );

    private FiringEnergy? OfElements(StudioSettings studio) =>
        Run.IsFuel ? null : LoggedEnergy.Of(Samples, Run.Electric.FullPower, Run.StartsAt, studio.Zone, studio.Prices.Of(EnergyCarrier.Electricity));

    /// <summary>The program it was fired with as a schedule.</summary>
    public Schedule AsSchedule(Schedule? named) =>
        named?.With(Run.Program) ?? Schedule.Create(Draft.Item.Name, Run.Kind, TemperatureUnit.Celsius, [.. Run.Program.Steps], goal: Run.Goal).Value;
}

/// <summary>Whether the logbook is up to date: each request has a reader of its own, and what is missing is worked out by one of them.</summary>
internal sealed class LogbookRefresh
{
    private long since = -1;

    /// <summary>Turns of writing after which nothing was missing.</summary>
    public long Since
    {
        get => Interlocked.Read(ref since);
        set => Interlocked.Exchange(ref since, value);
    }

    /// <summary>Whoever works something out holds this.</summary>
    public SemaphoreSlim One { get; } = new(1, 1);
}

/// <summary>Reads finished firings, and keeps the logbook's figures of them.</summary>
internal sealed class FiringReader(
    Repository<FiringDraft> firings,
    FiringRuns runs,
    SampleLog samples,
    FiringRecords records,
    Repository<StudioKiln> kilns,
    LearnedKilns taught,
    StudioLookup lookup,
    WriteQueue writes,
    LogbookRefresh fresh
)
{
    /// <summary>A started firing; nothing where there is none.</summary>
    public async Task<ReadFiring?> Read(int id, CancellationToken cancel, bool withTaught = true)
    {
        if (await runs.Find(id, cancel) is not { } run || await firings.Find(id, cancel) is not { } draft)
            return null;
        var problems = new List<Problem>();
        var load = draft.Item.Lots.IsEmpty
            ? null
            : await LotMapping.Read(new LoadContract(Lots: [.. draft.Item.Lots.Select(FiringMapping.Write)], Packed: draft.Item.Packed), lookup, problems);
        var kiln =
            withTaught && await kilns.Find(run.KilnId, cancel) is { } found && found.Of<Kiln>() is { } electric
                ? (await taught.Of(electric, cancel)).Kiln
                : null;
        var entries = FiringEntry.InForce(await runs.Entries(id, cancel));
        var stored = await samples.Read(id, cancel);
        var fuel = run.IsFuel ? RunningFiring.AtItsEnd(run, stored, entries).Live as FuelFollower : null;
        var burned = fuel?.Burned;
        var read = FinishedLog.Of(run, stored);
        // Where no logger was, what hands read off is the log.
        if (read.Count == 0 && !run.IsFuel)
            read =
            [
                .. entries
                    .Where(e => e is { Kind: EntryKind.Reading, Celsius: not null } && !(e.At > run.OpenedAt))
                    .OrderBy(e => e.At)
                    .Select(e => new FiringSample(run.Minutes(e.At), e.Celsius, ByHand: true)),
            ];
        var drawn = fuel is null || LogCurve.Tells(read) ? null : fuel.Drawn(run.OpenedAt is { } opened ? run.Minutes(opened) : fuel.LastAt ?? 0);
        return new ReadFiring(
            draft,
            run,
            await records.Find(id, cancel),
            drawn ?? read,
            problems.Count == 0 ? load : null,
            kiln,
            entries,
            burned?.Gas,
            burned?.Air ?? [],
            drawn is not null
        );
    }

    /// <summary>Works out what is missing in the logbook.</summary>
    public async Task Refresh(CancellationToken cancel)
    {
        if (fresh.Since == writes.Turns)
            return;
        await fresh.One.WaitAsync(cancel);
        try
        {
            var turns = writes.Turns;
            var stale = await records.Stale(cancel);
            var studio = stale.Count == 0 ? null : await lookup.Settings();
            foreach (var (id, of) in stale)
            {
                try
                {
                    if (await Read(id, cancel, withTaught: false) is { } firing)
                        await Save(firing, studio!, of, cancel);
                }
                catch (UnreadableRowException)
                {
                    // Shown as unreadable; the logbook goes on without it.
                }
            }
            // Only now: whoever asks meanwhile waits, and does not read half a logbook.
            fresh.Since = turns;
        }
        finally
        {
            fresh.One.Release();
        }
    }

    /// <summary>Works out one firing anew.</summary>
    public async Task Refresh(int id, CancellationToken cancel)
    {
        if (await Read(id, cancel, withTaught: false) is { Run.OpenedAt: not null } firing)
            await Save(firing, await lookup.Settings(), FiringRecords.Mark(firing.Draft.Version), cancel);
    }

    private async Task Save(ReadFiring firing, StudioSettings studio, string of, CancellationToken cancel)
    {
        var figures = firing.Figures(studio);
        await records.SaveFigures(firing.Run.FiringId, Index(firing, figures), figures, of, cancel);
    }

    private static FiringIndex Index(ReadFiring f, FiringFigures figures)
    {
        var (draft, run) = (f.Draft.Item, f.Run);
        var lots = f.Load?.Lots ?? [];
        IEnumerable<string?> words =
        [
            draft.Name,
            run.By,
            run.Kind.ToString(),
            run.Goal?.Number,
            .. draft.Lots.SelectMany(l => new[] { l.What, l.Whose }),
            .. lots.SelectMany(l => l.Glazes.Select(g => g.Name)),
            .. lots.Select(l => l.Clay?.Name),
            f.Record.Results.Word,
            .. f.Record.Results.Faults.Select(x => x.Kind),
            .. f.Entries.Where(e => e.Kind == EntryKind.Note).Select(e => e.Text),
        ];
        Cone? reached = figures["reached"] is { } order ? Cone.All[(int)order] : null;
        return new FiringIndex(
            KilnId: run.KilnId,
            StartsAt: run.StartsAt,
            Name: draft.Name,
            Kind: run.Kind,
            Goal: run.Goal,
            Reached: reached,
            Schedule: draft.Schedule is { } schedule ? new PlannedBy(schedule.Id, schedule.Version) : null,
            By: run.By,
            Glazes: [.. draft.Lots.SelectMany(l => l.GlazeIds).Distinct()],
            Clays: [.. draft.Lots.Select(l => l.ClayId).OfType<int>().Distinct()],
            People: [.. draft.Lots.Select(l => l.Whose).Append(run.By).OfType<string>().Distinct()],
            Words: string.Join(' ', words.Where(w => w is not null))
        );
    }
}
