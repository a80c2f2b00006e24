using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Planning;

/// <summary>What follows from the lots alone: sums, what decides, who clashes, and the pack to set up.</summary>
internal static class LoadSummaries
{
    public static async Task<Result<LoadSummary>> Make(LoadRequest? request, StudioLookup lookup)
    {
        request ??= new LoadRequest(null, null);
        var problems = new List<Problem>();
        if (request.Kind is null)
            problems.Add(WireEnums.Missing<ScheduleKind>("kind", "a kind of firing"));
        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        var load = request.Load ?? new LoadContract();
        var firing = await KilnAndLoad.Read(
            request.KilnId,
            request.Kiln,
            load with
            {
                Lots = load.Lots ?? [],
            },
            request.Kind ?? ScheduleKind.Glaze,
            Temperature.FromCelsius(20),
            lookup,
            problems
        );
        if (problems.Count > 0)
            return Result<LoadSummary>.Failed(problems);
        return Write(firing.Ware!, request.Kind!.Value, goal, firing.Kiln, (await lookup.Settings()).Display.Units);
    }

    public static LoadSummary Write(WareLoad load, ScheduleKind kind, Cone? goal, IKilnModel kiln, DisplayUnits units)
    {
        string Format(WareLot lot) => $"{lot.What}, {units.Wall(lot.Wall)}";
        var usual = kiln.UsualWare(kind);
        // Before the glaze comes, nothing has to share a cone.
        var shares = kind.MeltsGlaze();
        return new LoadSummary(
            Lots: load.Lots.Length,
            Pieces: load.Pieces,
            WareKg: load.Mass,
            Thickest: Format(load.Thickest),
            Wettest: load.Wettest.Dryness == Dryness.BoneDry ? "all bone dry" : Format(load.Wettest),
            SlowestToDry: Format(load.SlowestToDry),
            Clashes: shares ? [.. load.Clashes.Select(c => c.Format())] : [],
            Fill: usual > 0 ? load.Mass / usual : null,
            Notes: [.. LoadNotes.Of(load, kind, usual, units).Select(n => new PlanNoteContract(n.Id, n.Text))],
            Pack: goal is { } cone && kind != ScheduleKind.Drying ? [.. Pack(cone).Select(c => c.Number)] : [],
            Unweighed: LoadNotes.Unweighed(load, units),
            Weighing: LoadNotes.Weighing(load)
        );
    }

    /// <summary>Guide, target and guard.</summary>
    private static IEnumerable<Cone> Pack(Cone target) => new[] { target.Cooler, target, target.Hotter }.Where(c => c is not null).Select(c => c!.Value);
}
