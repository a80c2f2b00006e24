using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.ReadingBack;

/// <summary>What a wrong answer would do to a firing: how hot, how long, which cone, what the ware loses.</summary>
public sealed class Consequences
{
    private const double Visible = 0.5;
    private const double ShortBand = 2 / 3.0;
    private readonly ControllerProfile profile;
    private readonly Temperature start;
    private readonly ImmutableArray<Band> bands;
    private readonly CompiledSchedule? wanted;
    private readonly double top;

    /// <param name="profile">Which controller.</param>
    /// <param name="program">As it was set.</param>
    /// <param name="kind">What for: it says in which bands time counts.</param>
    /// <param name="start">The kiln's temperature when it begins.</param>
    public Consequences(ControllerProfile profile, IReadOnlyList<Answer> program, ScheduleKind kind, Temperature start)
    {
        (this.profile, this.start, bands) = (profile, start, Band.Of(kind));
        wanted = Timed(program);
        top = wanted?.Curve.Peak.Celsius ?? 0;
    }

    /// <summary>The hottest of what was set.</summary>
    public Temperature Top => Temperature.FromCelsius(top);

    /// <summary>A difference with what it alone does.</summary>
    /// <param name="right">The answer that was set.</param>
    /// <param name="shown">The answer that was read.</param>
    /// <param name="changed">The program with it.</param>
    public ReadBackDifference Of(string? right, Answer shown, IReadOnlyList<Answer> changed)
    {
        var timed = Timed(changed);
        if (timed is null || wanted is null)
            return new ReadBackDifference(
                shown.Asked,
                right,
                shown.Shown,
                "It does not heat at all.",
                wanted is null ? 0 : -wanted.Powered.TotalMinutes,
                wanted is null ? 0 : start.Celsius - top
            );
        var (minutes, degrees) = ((timed.Powered - wanted.Powered).TotalMinutes, timed.Curve.Peak.Celsius - top);
        var text = shown.Asked.Question.Id switch
        {
            "slot" => "Another program would run.",
            "delay" => Delay(right, shown),
            "alarm" => Alarm(shown),
            _ => Curve(timed, minutes, degrees),
        };
        return new ReadBackDifference(shown.Asked, right, shown.Shown, text, minutes, degrees);
    }

    private string Curve(CompiledSchedule timed, double minutes, double degrees)
    {
        var said = new List<string>();
        string Degrees(double kelvins) =>
            $"{Phrases.Number(Math.Round(Math.Abs(TemperatureDifference.FromKelvins(kelvins).In(profile.Unit))))} {profile.Unit.Symbol()}";
        if (Math.Abs(degrees) >= Visible)
            said.Add($"the top is {Degrees(degrees)} {(degrees > 0 ? "higher" : "lower")}");
        var (before, after) = (ConePhrases.HottestDown(HeatWork.OfAll(wanted!.Curve)), ConePhrases.HottestDown(HeatWork.OfAll(timed.Curve)));
        if (before != after)
            said.Add($"{(after is { } falls ? $"cone {falls.Number} falls" : "no cone falls")}{(before is { } fell ? $" instead of {fell.Number}" : "")}");
        foreach (var band in bands.Where(b => b.HoursOf(wanted!.Curve) is > 0 and var had && b.HoursOf(timed.Curve) < had * ShortBand))
            said.Add(
                $"{band.Why} takes {Phrases.Number(Math.Round(band.HoursOf(timed.Curve), 1))} h instead of "
                    + $"{Phrases.Number(Math.Round(band.HoursOf(wanted!.Curve), 1))}"
            );
        if (Math.Abs(minutes) >= 1)
            said.Add($"it takes {Phrases.Hours(Duration.FromMinutes(Math.Round(Math.Abs(minutes))))} {(minutes > 0 ? "longer" : "less")}");
        if (said.Count == 0)
            return "Hardly anything: the firing is the same.";
        var text = Phrases.List(said);
        return $"{char.ToUpperInvariant(text[0])}{text[1..]}.";
    }

    private static string Delay(string? right, Answer shown)
    {
        var later = (shown.Value ?? 0) - (right is null ? 0 : shown.Asked.Question.ValueOf(right) ?? 0);
        return later == 0
            ? "It begins when it should."
            : $"It begins {Phrases.Hours(Duration.FromMinutes(Math.Abs(later)))} {(later > 0 ? "later" : "too early")}.";
    }

    private string Alarm(Answer shown)
    {
        if (shown.Meaning is not null)
            return "No alarm would sound.";
        var above = (shown.Value ?? 0) - Temperature.FromCelsius(top).In(profile.Unit);
        var far = $"{Phrases.Number(Math.Round(Math.Abs(above)))} {profile.Unit.Symbol()}";
        return above <= 0 ? $"The alarm comes {far} before the top, and may stop the firing." : $"The alarm comes {far} above the top.";
    }

    private CompiledSchedule? Timed(IReadOnlyList<Answer> program)
    {
        var schedule = ProgramSchedule.Of(profile, program, start);
        return schedule.IsOk && new PlainKiln(start).Times(schedule.Value) is { IsOk: true } timed ? timed.Value : null;
    }
}
