using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>A short word of safety at the step it belongs to. The kiln maker's manual, local codes and the studio's rules come first.</summary>
/// <param name="Segment">Index of the step.</param>
/// <param name="Text">One sentence.</param>
public sealed record Caution(int Segment, string Text)
{
    private static readonly Temperature SteamFrom = Temperature.FromCelsius(90);
    private static readonly Temperature BurnOutFrom = Temperature.FromCelsius(450);
    private static readonly Temperature OrganicsFrom = Temperature.FromCelsius(150);
    private static readonly Temperature GlareFrom = Temperature.FromCelsius(900);

    /// <summary>Each caution once, at the first step it concerns, in the order of the steps.</summary>
    public static IReadOnlyList<Caution> For(Schedule schedule, CompiledSchedule compiled)
    {
        var cautions = new List<Caution>();
        void Once(Func<Segment, CompiledSegment, bool> concerns, string text)
        {
            for (var i = 0; i < compiled.Segments.Length; i++)
            {
                if (!concerns(schedule.Segments[i], compiled.Segments[i]))
                    continue;
                cautions.Add(new Caution(i, text));
                return;
            }
        }

        bool Passes(CompiledSegment s, Temperature mark) => s.From < mark && s.To >= mark;
        if (schedule.Kind.FiresRaw())
            Once(
                (_, s) => Passes(s, SteamFrom),
                $"Damp ware bursts from steam: look with a cold mirror at the peephole before going past {Phrases.Number(SteamFrom.In(schedule.Unit))} "
                    + $"{schedule.Unit.Symbol()}."
            );
        if (schedule.Kind is ScheduleKind.Bisque or ScheduleKind.OnceFired)
            Once((_, s) => Passes(s, BurnOutFrom), "Clay gives off fumes and carbon monoxide while it burns out: vent on, air moving.");
        if (schedule.Kind == ScheduleKind.Refiring)
            Once((_, s) => Passes(s, OrganicsFrom), "Lustre and decals give off fumes: vent on, room aired, lid or plug open until they are gone.");
        Once((_, s) => Passes(s, GlareFrom), "Shaded eyewear at the peephole from here on; the glare harms eyes.");
        Once(
            (s, _) => s.Atmosphere is Atmosphere.LightReduction or Atmosphere.HeavyReduction,
            "Reduction makes carbon monoxide: alarm on, ventilation on, nobody asleep in the room."
        );
        Once(
            (s, c) => s.Pace.Kind == PaceKind.Natural && c.To < c.From,
            "Leave the lid shut until the studio's limit; opening hot cracks ware and burns hands."
        );
        return [.. cautions.OrderBy(c => c.Segment)];
    }
}
