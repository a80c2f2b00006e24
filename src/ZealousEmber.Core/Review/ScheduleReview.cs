using System.Collections.Immutable;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>Reads a timed schedule and says what is worth saying, each with mends that were tried: they remove it and bring nothing new.</summary>
public static class ScheduleReview
{
    // What these say explains what the others say of the same firing: naming both would be naming one cause twice.
    private static readonly (string Cause, bool SameStep, string[] Follows)[] Causes =
    [
        (
            FindingIds.RateSlip,
            true,
            [
                FindingIds.SteamRisk,
                FindingIds.BurnOutShort,
                FindingIds.QuartzUp,
                FindingIds.WallClimb,
                FindingIds.QuartzDown,
                FindingIds.CristobaliteDown,
                FindingIds.KilnTooSlow,
                FindingIds.SlowBandShort,
                FindingIds.CooledSlowly,
                FindingIds.GlazeWater,
                FindingIds.OrganicsFast,
                FindingIds.GlazedAlready,
                FindingIds.DriesTooFast,
            ]
        ),
        (FindingIds.RateSlip, false, [FindingIds.GoalPassed, FindingIds.GoalMissed, FindingIds.ElementsAge]),
        (
            FindingIds.TargetSlip,
            false,
            [
                FindingIds.RateSlip,
                FindingIds.SteamRisk,
                FindingIds.BurnOutShort,
                FindingIds.QuartzUp,
                FindingIds.WallClimb,
                FindingIds.QuartzDown,
                FindingIds.KilnTooSlow,
                FindingIds.HoldSlip,
                FindingIds.DriesTooFast,
                FindingIds.DoesNothing,
                FindingIds.GoalMissed,
                FindingIds.GoalPassed,
                FindingIds.ZeroSlip,
                FindingIds.CoolsByItself,
                FindingIds.CoolsNoFurther,
            ]
        ),
        (
            FindingIds.OffInClimb,
            false,
            [
                FindingIds.GoalMissed,
                FindingIds.GoalPassed,
                FindingIds.BurnOutShort,
                FindingIds.QuartzDown,
                FindingIds.CristobaliteDown,
                FindingIds.DoesNothing,
                FindingIds.KilnTooSlow,
                FindingIds.QuartzUp,
                FindingIds.WallClimb,
            ]
        ),
        (FindingIds.TargetUnreached, false, [FindingIds.GoalMissed, FindingIds.KilnTooSlow, FindingIds.SlowBandShort, FindingIds.BurnOutShort]),
        (FindingIds.HoldSlip, true, [FindingIds.GoalPassed, FindingIds.HoldLong, FindingIds.SteamRisk, FindingIds.ElementsAge]),
        (FindingIds.HoldSlip, false, [FindingIds.SteamRisk]),
        (
            FindingIds.ScaleSlip,
            false,
            [
                FindingIds.OutsideCones,
                FindingIds.KilnTooSlow,
                FindingIds.OverKilnLimit,
                FindingIds.KilnCannotReach,
                FindingIds.SteamRisk,
                FindingIds.BurnOutShort,
                FindingIds.QuartzUp,
                FindingIds.WallClimb,
                FindingIds.HoldSlip,
                FindingIds.OrganicsFast,
                FindingIds.GlazedAlready,
                FindingIds.GlazeWater,
                FindingIds.RateSlip,
                FindingIds.CoolsNoFurther,
                FindingIds.TargetSlip,
            ]
        ),
        (FindingIds.ZeroSlip, false, [FindingIds.OutsideCones]),
        (FindingIds.ConesClash, false, [FindingIds.OutsideCones]),
        (FindingIds.OverKilnLimit, true, [FindingIds.KilnTooSlow, FindingIds.KilnCannotReach, FindingIds.GoalPassed, FindingIds.ElementsAge]),
        (FindingIds.KilnCannotReach, false, [FindingIds.GoalMissed, FindingIds.KilnTooSlow]),
        (FindingIds.GoalPassed, true, [FindingIds.KilnTooSlow]),
        (FindingIds.LeatherHard, false, [FindingIds.SteamRisk, FindingIds.ClosedHollow, FindingIds.DriesTooFast, FindingIds.LoadedHot, FindingIds.HoldSlip]),
        (FindingIds.LoadedHot, false, [FindingIds.SteamRisk, FindingIds.DriesTooFast, FindingIds.GlazeWater]),
        (FindingIds.OrganicsFast, true, [FindingIds.GlazedAlready]),
        (FindingIds.SteamRisk, false, [FindingIds.NoCandle]),
        (FindingIds.KilnCannotReach, true, [FindingIds.ShortOfHeat]),
    ];

    private const int MostFixes = 2;
    private const int MostTries = 16;
    private const int MostRounds = 4;

    /// <summary>What is to be said, each cause once, the gravest first, then in the order of the steps; a well-made schedule gets nothing.</summary>
    public static IReadOnlyList<Finding> Of(ReviewContext context)
    {
        var findings = Together(All(context));
        if (!context.WithFixes)
            return findings;
        var tries = MostTries;
        return [.. findings.Select(f => f with { Fixes = [.. Proven(context, f, findings, () => tries-- > 0).Take(MostFixes)] })];
    }

    // Where every rate is wrong, nothing else that could be said of it means anything.
    private static IReadOnlyList<Finding> All(ReviewContext context) =>
        RateSlip.PerMinute(context) is { } all
            ? [all]
            :
            [
                .. SlipReview.Of(context),
                .. WaterReview.Of(context),
                .. BurnOutReview.Of(context),
                .. SizeChangeReview.Of(context),
                .. GlazedReview.Of(context),
                .. GoalReview.Of(context),
                .. GlazeReview.Of(context),
                .. PracticeReview.Of(context),
                .. KilnReview.Of(context),
                .. AtmosphereReview.Of(context),
                .. TurnReview.Of(context),
                .. NoFurther(context),
            ];

    /// <summary>
    /// Findings of several reviewers as one list: what only follows from another is left out; the gravest first, then in the order of the steps.
    /// </summary>
    private static IReadOnlyList<Finding> Together(IReadOnlyList<Finding> findings) =>
        [
            .. findings
                .Where(f =>
                    !Causes.Any(c =>
                        c.Follows.Contains(f.Id) && findings.Any(other => other != f && other.Id == c.Cause && (!c.SameStep || other.Segment == f.Segment))
                    )
                )
                .OrderByDescending(f => f.Severity)
                .ThenBy(f => f.Segment),
        ];

    /// <summary>The mends of a finding that remove it and bring no other; what one brings to light is mended with it.</summary>
    private static IEnumerable<Fix> Proven(ReviewContext context, Finding finding, IReadOnlyList<Finding> before, Func<bool> mayTry)
    {
        var seen = new List<Schedule>();
        foreach (var fix in finding.Fixes)
        {
            if (!mayTry())
                yield break;
            if (Settled(context, fix, before) is not { } made || seen.Any(s => s.SameContent(made.Schedule)) || !Gone(finding, made.Findings, before))
                continue;
            seen.Add(made.Schedule);
            if (fix.Apply(context.Schedule).Value.SameContent(made.Schedule))
                yield return fix;
            else
            {
                var (was, comes) = (
                    context.Schedule.Segments[context.Schedule.Program.TopStep].Target,
                    made.Schedule.Segments[made.Schedule.Program.TopStep].Target
                );
                var top =
                    comes is { } target && comes != was && !fix.Text.StartsWith("Top ", StringComparison.Ordinal)
                        ? $", top {Phrases.Number(target.In(made.Schedule.Unit))}"
                        : "";
                yield return Fix.Between(fix.Text + top, context.Schedule.Program, made.Schedule.Program, fix.Unit, fix.Kind, fix.Goal);
            }
        }
    }

    /// <summary>
    /// A schedule with a mend made, and with those of what it brings: a cone that is missed then, a fault that hid behind the first. Nothing where that does
    /// not end well.
    /// </summary>
    private static (Schedule Schedule, IReadOnlyList<Finding> Findings)? Settled(ReviewContext context, Fix fix, IReadOnlyList<Finding> before)
    {
        var made = fix.Apply(context.Schedule);
        if (!made.IsOk || made.Value.SameContent(context.Schedule))
            return null;
        var schedule = made.Value;
        for (var round = 0; round < MostRounds; round++)
        {
            if (context.After(schedule) is not { } after)
                return null;
            var findings = Of(after);
            if (Brings(findings, before).FirstOrDefault() is not { } news)
                return (schedule, findings);
            var candidates = Together(All(after with { WithFixes = true })).First(f => f.Id == news.Id && f.Segment == news.Segment).Fixes;
            if (candidates.Select(c => c.Apply(schedule)).FirstOrDefault(c => c.IsOk && !c.Value.SameContent(schedule)) is not { } next)
                return null;
            schedule = next.Value;
        }
        return null;
    }

    /// <summary>What was not there before: another rule that speaks, or one that speaks of more steps, or more gravely.</summary>
    private static IEnumerable<Finding> Brings(IReadOnlyList<Finding> after, IReadOnlyList<Finding> before) =>
        after.Where(f => after.Count(x => x.Id == f.Id) > before.Count(x => x.Id == f.Id) || f.Severity > before.Where(x => x.Id == f.Id).Max(x => x.Severity));

    private static bool Gone(Finding finding, IReadOnlyList<Finding> after, IReadOnlyList<Finding> before) =>
        after.Count(x => x.Id == finding.Id) < before.Count(x => x.Id == finding.Id);

    private static IEnumerable<Finding> NoFurther(ReviewContext context)
    {
        for (var i = 0; i < context.Schedule.Segments.Length; i++)
        {
            if (CoolsNoFurther(context.Schedule.Segments[i], i, context.Compiled.Segments[i], context.Schedule.Unit) is { } finding)
                yield return finding;
        }
    }

    /// <summary>"Off to 10 °C" in a room at 20: the kiln stops short of it.</summary>
    private static Finding? CoolsNoFurther(Segment segment, int index, CompiledSegment compiled, TemperatureUnit unit)
    {
        if (segment.Target is not { } target || target >= compiled.To || compiled.To > compiled.From)
            return null;
        return new Finding(
            FindingIds.CoolsNoFurther,
            Severity.Note,
            index,
            compiled.Start,
            compiled.End,
            $"Left to itself the kiln stops near {Phrases.Number(Math.Round(compiled.To.In(unit)))} {unit.Symbol()}, above the "
                + $"{Phrases.Number(target.In(unit))} asked for.",
            "A kiln cools no further than the room it stands in, and the last degrees take very long."
        );
    }
}
