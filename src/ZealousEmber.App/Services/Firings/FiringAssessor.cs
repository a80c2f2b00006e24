using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Controllers.Bank;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.Firings;

/// <summary>What a firing would be fired with now: its kiln as learned, its load on its shelves, its schedule as it stands and as it was read back.</summary>
/// <param name="Kiln">The kiln with what stands in it, as warm as its room.</param>
/// <param name="Studio">The same kiln as it stands in the studio.</param>
/// <param name="Load">What stands in it.</param>
/// <param name="Schedule">The schedule it is planned with, as it is now; nothing while it has none.</param>
/// <param name="Entered">The program last read back right for this firing; nothing where none was.</param>
/// <param name="HasMovedOn">The schedule says something else now than when that was read back.</param>
internal sealed record FiringAtHand(IKilnModel Kiln, StudioKiln Studio, KilnLoad Load, Versioned<Schedule>? Schedule, EnteredProgram? Entered, bool HasMovedOn);

/// <summary>The one assessment of a firing from which plan, editor, print, set, sheet, start and live take their numbers.</summary>
internal sealed class FiringAssessor(
    Repository<FiringDraft> firings,
    FiringRuns runs,
    ScheduleRepository schedules,
    EnteredPrograms entered,
    StudioLookup lookup,
    FiringLoads loads
)
{
    private const double SameKilograms = 0.5;
    private const double SameShare = 0.02;

    /// <summary>Everything a firing would be started with; nothing while no kiln is chosen.</summary>
    public async Task<FiringAtHand?> AtHand(int firingId, FiringDraft firing, CancellationToken cancel)
    {
        if (firing.KilnId is not { } kilnId || await lookup.Kiln(kilnId) is not { } kiln)
            return null;
        var load = await LoadOf(firing, kiln, cancel);
        var schedule = firing.Schedule is { } pinned
            ? await schedules.Find(pinned.Id, cancel) ?? (pinned.Version is { } version ? await schedules.Version(pinned.Id, version, cancel) : null)
            : null;
        // What is turned by hand is told to no controller: the sheet of the schedule as it stands is what is set.
        var read = kiln is FuelKiln ? null : (await entered.Find(kilnId, firingId, cancel, 1)).FirstOrDefault();
        var clean = read is { IsClean: true } ? read : null;
        return new FiringAtHand(
            kiln.With(load, kiln.Room).Awaited(cancel),
            kiln,
            load,
            schedule,
            clean,
            clean is not null && schedule is not null && await HasMovedOn(clean, schedule, cancel)
        );
    }

    /// <summary>A firing as planned, set and watched.</summary>
    public async Task<FiringSummaries?> Of(int firingId, CancellationToken cancel)
    {
        if (await firings.Find(firingId, cancel) is not { } firing)
            return null;
        var at = await AtHand(firingId, firing.Item, cancel);
        var run = await runs.Find(firingId, cancel);
        var planned = at is { Schedule: { } schedule }
            ? Summary(PlannedAs(firing.Item, schedule), schedule.Id, schedule.Version, schedule.Item.Program, at.Kiln, at.Load)
            : null;
        var set =
            at is null ? null
            : at.Studio is FuelKiln
                ? planned is null ? null
                    : planned with { Source = ProgramSource.Schedule }
            : at.Entered is { } read ? Summary(ProgramSource.Entered, read.ScheduleId, read.ScheduleVersion, read.Fired, at.Kiln, at.Load)
            : null;
        var watched = run is null ? null : await Watched(firing.Item, run, at?.Entered, cancel);
        // Over, it is what it was: what was changed since is for the next one.
        return new FiringSummaries(planned, set, watched, run is { IsUnderWay: false } ? [] : [.. Differences(firing.Item, at, planned, set, watched, run)]);
    }

    /// <summary>By a program of it that is at hand.</summary>
    public FiringSummary? Summary(FiringDraft firing, FiringAtHand at, bool asSet) =>
        asSet
            ? at.Entered is { } read
                ? Summary(ProgramSource.Entered, read.ScheduleId, read.ScheduleVersion, read.Fired, at.Kiln, at.Load)
                : null
            : at.Schedule is { } schedule
                ? Summary(PlannedAs(firing, schedule), schedule.Id, schedule.Version, schedule.Item.Program, at.Kiln, at.Load)
                : null;

    private static ProgramSource PlannedAs(FiringDraft firing, Versioned<Schedule> schedule) =>
        firing.Schedule?.Version is { } pinned && pinned < schedule.Version ? ProgramSource.Schedule : ProgramSource.Plan;

    private async Task<KilnLoad> LoadOf(FiringDraft firing, StudioKiln kiln, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var written = await loads.Of(firing, cancel);
        var ware = written is null ? null : await LotMapping.Read(written, lookup, problems);
        var load = problems.Count == 0 && ware is not null ? KilnMapping.ReadLoad(written, ware, kiln, firing.Kind) : kiln.UsualLoad(firing.Kind);
        // Rows that are half written make no load; the kiln is taken to be full.
        return load.IsOk ? load.Value : kiln.UsualLoad(firing.Kind);
    }

    /// <summary>Whether what is planned is another program than the one that was told to the controller.</summary>
    private async Task<bool> HasMovedOn(EnteredProgram read, Versioned<Schedule> schedule, CancellationToken cancel)
    {
        if (read.ScheduleId is not { } id)
            return false;
        if (id == schedule.Id && (read.ScheduleVersion ?? schedule.Version) == schedule.Version)
            return false;
        var then = read.ScheduleVersion is { } version ? await schedules.Version(id, version, cancel) : await schedules.Find(id, cancel);
        return then?.Item.Program.Equals(schedule.Item.Program) != true;
    }

    private async Task<FiringSummary?> Watched(FiringDraft firing, FiringRun run, EnteredProgram? read, CancellationToken cancel)
    {
        var (id, version) = run.IsAsEntered && read?.Fired.Equals(run.Program) == true ? (read.ScheduleId, read.ScheduleVersion) : (null, null);
        if (
            id is null
            && firing.Schedule is { } pinned
            && (await schedules.Versions(pinned.Id, cancel)).OrderByDescending(v => v.Version).FirstOrDefault(v => v.Item.Program.Equals(run.Program))
                is { } found
        )
            (id, version) = (pinned.Id, found.Version);
        return Summary(ProgramSource.Run, id, version, run.Program, run.Model, run.Load);
    }

    private static FiringSummary? Summary(ProgramSource source, int? id, int? version, FiringProgram program, IKilnModel kiln, KilnLoad load)
    {
        if (kiln.Run(program) is not { IsOk: true, Value: var ran })
            return null;
        var gas = kiln is LoadedFuelKiln fuel && fuel.Turns(program) is { IsOk: true, Value: var turns } ? turns.TotalFuel : (double?)null;
        var down = ConePhrases.HottestDown(HeatWork.OfAll(kiln.Felt(ran.WholeCurve)));
        return new FiringSummary(
            Source: source,
            ScheduleId: id,
            Version: version,
            Line: NotationWriter.Write(program.Steps, TemperatureUnit.Celsius),
            TopC: Math.Round(program.Steps.Max(s => s.Target?.Celsius ?? 0), 2),
            PowerOnMinutes: Math.Round(ran.Compiled.Powered.TotalMinutes, 1),
            EnergyKwh: gas is null ? Math.Round(ran.Energy.Used, 2) : null,
            GasKg: gas is { } kg ? Math.Round(kg, 2) : null,
            OpensMinutes: ran.OpensAt is { } opens ? Math.Round(opens.TotalMinutes, 1) : null,
            LoadKg: Math.Round(load.WareMass, 2),
            FurnitureKg: Math.Round(load.FurnitureMass, 2),
            EndCone: down?.Number
        );
    }

    private static IEnumerable<SummaryDifference> Differences(
        FiringDraft firing,
        FiringAtHand? at,
        FiringSummary? planned,
        FiringSummary? set,
        FiringSummary? watched,
        FiringRun? run
    )
    {
        if (at is { HasMovedOn: true, Entered: not null } && planned is not null && set is not null)
            yield return Program(
                "planned",
                planned,
                "set",
                set,
                "The schedule was changed after it was read back from the controller: what is planned is not what is set."
            );
        if (set is not null && watched is not null && set.Source == ProgramSource.Entered && set.Line != watched.Line)
            yield return Program(
                "set",
                set,
                "watched",
                watched,
                "The firing was started with another program than the one last read back from the controller."
            );
        // What a controller was told of a plan is that plan, rounded to what it takes.
        var isThatPlan = run is { IsAsEntered: true } && at is { HasMovedOn: false } && set?.Line == watched?.Line;
        if (planned is not null && watched is not null && !isThatPlan && planned.Line != watched.Line)
            yield return Program(
                "planned",
                planned,
                "watched",
                watched,
                "The schedule was changed after the start: the firing goes on with what it was started with."
            );
        // With nothing written down as loaded the plan takes a full kiln, and the start what was said there: no change of anything.
        if (planned is not null && watched is not null && FiringLoads.IsWritten(firing))
        {
            if (Math.Abs(planned.LoadKg - watched.LoadKg) > SameKilograms)
                yield return new SummaryDifference(
                    ["planned", "watched"],
                    "load",
                    Kilograms(planned.LoadKg),
                    Kilograms(watched.LoadKg),
                    "What is loaded was changed after the start; the firing is followed with what was loaded then."
                );
            if (Math.Abs(planned.FurnitureKg - watched.FurnitureKg) > SameKilograms)
                yield return new SummaryDifference(
                    ["planned", "watched"],
                    "shelves",
                    Kilograms(planned.FurnitureKg),
                    Kilograms(watched.FurnitureKg),
                    "The shelves and props were changed after the start."
                );
            if (
                planned.Line == watched.Line
                && Math.Abs(planned.LoadKg - watched.LoadKg) <= SameKilograms
                && Heat(planned) is { } a
                && Heat(watched) is { } b
                && Math.Abs(a - b) > SameShare * Math.Max(a, b)
            )
                yield return new SummaryDifference(
                    ["planned", "watched"],
                    "kiln",
                    Energy(planned),
                    Energy(watched),
                    "The kiln was changed, or has taught something, since the start: planned again it would take another amount."
                );
        }
    }

    private static SummaryDifference Program(string a, FiringSummary first, string b, FiringSummary second, string text) =>
        new([a, b], "program", first.Line, second.Line, text);

    private static double? Heat(FiringSummary s) => s.EnergyKwh ?? s.GasKg;

    private static string Energy(FiringSummary s) =>
        s.EnergyKwh is { } kwh ? $"{Phrases.Number(Math.Round(kwh))} kWh" : $"{Phrases.Number(Math.Round(s.GasKg ?? 0, 1))} kg of gas";

    private static string Kilograms(double kg) => $"{Phrases.Number(Math.Round(kg, 1))} kg";
}
