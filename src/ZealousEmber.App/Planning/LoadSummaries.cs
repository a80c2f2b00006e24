using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Planning;

/// <summary>What follows from the lots alone: sums, what decides, who clashes, and the pack to set up.</summary>
internal static class LoadSummaries
{
    public static async Task<Result<LoadSummary>> Make(LoadRequest? request, Finder find)
    {
        request ??= new LoadRequest(null, null);
        var problems = new List<Problem>();
        var kind = WireTerms.Kinds.Read(request.Kind);
        if (kind is null) problems.Add(new Problem("kind", WireTerms.Kinds.Refuse(request.Kind, "a kind of firing")));
        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems);
        var load = request.Load ?? new LoadContract();
        var firing = await FiringKiln.Read(request.KilnId, request.Kiln, load with { Lots = load.Lots ?? [] }, kind ?? ScheduleKind.Glaze, Temperature.FromCelsius(20), find, problems);
        return problems.Count > 0 ? Result<LoadSummary>.Failed(problems) : Write(firing.Ware!, kind!.Value, goal, firing);
    }

    public static LoadSummary Write(WareLoad load, ScheduleKind kind, Cone? goal, FiringKiln firing)
    {
        static string Format(WareLot lot) => $"{lot.What}, {Phrases.Number(lot.Wall)} mm";
        var usual = firing.UsualMass(kind);
        // Before the glaze comes, nothing has to share a cone.
        var shares = kind is ScheduleKind.Glaze or ScheduleKind.OnceFired;
        return new LoadSummary(
            load.Lots.Length, load.Pieces, load.Mass, Format(load.Thickest), Format(load.Wettest), Format(load.SlowestToDry), shares ? [.. load.Clashes.Select(c => c.Format())] : [],
            usual > 0 ? load.Mass / usual : null, [.. LoadNotes.Of(load, kind, usual).Select(n => new PlanNoteContract(n.Id, n.Text))], goal is { } cone && kind != ScheduleKind.Drying ? [.. Pack(cone).Select(c => c.Number)] : []);
    }

    /// <summary>Guide, target and guard.</summary>
    private static IEnumerable<Cone> Pack(Cone target) => new[] { target.Cooler, target, target.Hotter }.Where(c => c is not null).Select(c => c!.Value);
}
