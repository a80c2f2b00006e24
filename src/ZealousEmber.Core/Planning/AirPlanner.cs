using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Planning;

/// <summary>
/// The air of a firing in a fuel kiln: oxidation for raw ware, and for glazes what the planning preference says. Body reduction begins at a guide cone,
/// before glazes seal. Source: the project's papers on the work, section 6, and on fuel kilns.
/// </summary>
internal static class AirPlanner
{
    private static readonly ConeEntry Guide = ConeTable.Of(Cone.Named("010")!.Value);
    private static readonly ConeEntry LowFire = ConeTable.Of(Cone.Named("4")!.Value);
    private const double BodyRate = 40;
    private const double BodyRise = 30;
    private const double CleanMinutes = 10;

    /// <summary>Whether glazes are reduced in it: that takes steps of its own.</summary>
    public static bool Reduces(PlanOptions wish, IKilnModel kiln, Cone? goal) =>
        kiln.Burns && wish.Kind is ScheduleKind.Glaze && wish.Preferences.Air != AirOption.Oxidising && goal is { } cone && cone.CompareTo(LowFire.Cone) >= 0;

    /// <summary>Puts the air into the steps of a climb, before its top is solved: oxidation, and body reduction where the guide cone falls.</summary>
    public static void AddTo(List<PlanStep> steps, PlanOptions wish, IKilnModel kiln, Cone? goal, PlanWriter write)
    {
        if (!kiln.Burns)
            return;
        var reduces = Reduces(wish, kiln, goal);
        var begins = FriendlyNumbers.Nearest(Guide.At60, wish.Unit);
        var ends = FriendlyNumbers.Nearest(Guide.At60 + BodyRise, wish.Unit);
        var body = false;
        for (var i = 0; i < steps.Count; i++)
        {
            var step = steps[i].Step;
            if (step.Pace.Kind == PaceKind.Natural)
                continue;
            var target = step.Target!.Value.Celsius;
            var from = i > 0 ? steps[i - 1].Step.Target!.Value.Celsius : kiln.Start.Celsius;
            if (!reduces || target <= begins || body)
            {
                steps[i] = In(steps[i], body ? After(wish) : Atmosphere.Oxidising);
                continue;
            }
            body = true;
            var parts = new List<PlanStep>();
            if (from < begins - 1)
                parts.Add(In(steps[i] with { Step = step.Changed(target: Temperature.FromCelsius(begins), hold: Duration.Zero).Value }, Atmosphere.Oxidising));
            parts.Add(
                In(
                    write.At(
                        write.Friendly(BodyRate),
                        ends,
                        Duration.Zero,
                        "body reduction",
                        $"From cone {Guide.Cone.Number} down, about three quarters of an hour with too little air: carbon monoxide reaches the clay’s "
                            + "iron before the glaze seals it. The climb slows, since gas leaves unburnt.",
                        "body-reduction"
                    ),
                    Atmosphere.HeavyReduction
                )
            );
            parts.Add(In(steps[i], After(wish)));
            steps.RemoveAt(i);
            steps.InsertRange(i, parts);
            i += parts.Count - 1;
        }
    }

    /// <summary>After the top is solved: the last of its hold clears the kiln. The same heat work in other air.</summary>
    public static void CleanUp(List<PlanStep> steps, int top, PlanOptions wish, IKilnModel kiln, Cone? goal, PlanWriter write)
    {
        if (!Reduces(wish, kiln, goal) || steps[top].Step.Hold < Duration.FromMinutes(CleanMinutes) || steps.Count >= wish.MaxSteps)
            return;
        var (step, clean) = (steps[top].Step, Duration.FromMinutes(CleanMinutes));
        var target = step.Target!.Value.Celsius;
        steps[top] = steps[top] with { Step = step.Changed(hold: step.Hold - clean).Value };
        steps.Insert(
            top + 1,
            In(
                write.At(
                    step.Pace.Rate?.KelvinsPerHour ?? BodyRate,
                    target,
                    clean,
                    "clean up",
                    "The last ten minutes with air enough: soot burns off and the surface clears. Some leave it out, for a smokier look.",
                    "clean-up"
                ),
                Atmosphere.Oxidising
            )
        );
    }

    private static Atmosphere After(PlanOptions wish) => wish.Preferences.Air == AirOption.BodyThenNeutral ? Atmosphere.Neutral : Atmosphere.LightReduction;

    private static PlanStep In(PlanStep step, Atmosphere air) => step with { Step = step.Step.In(air) };
}
