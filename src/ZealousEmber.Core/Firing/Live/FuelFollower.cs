using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>A fuel firing at a moment, with its turns.</summary>
/// <param name="InForce">The plan that is followed.</param>
/// <param name="Kiln">What it was planned on.</param>
/// <param name="Fresh">The plan as it would be from now; nothing before the first turn and after the shut-off.</param>
/// <param name="FreshKiln">What that was planned on.</param>
/// <param name="Estimate">Where it is; nothing before anything was lit.</param>
/// <param name="Due">Index of the next row of the plan that nobody has made; the number of rows when all are.</param>
/// <param name="ReducingSince">Since when the last turn asks for reduction, minutes; nothing where it does not.</param>
/// <param name="Gas">What is left in the cylinders; nothing where gas is piped.</param>
public sealed record FuelMoment(
    TurnPlan InForce,
    LoadedFuelKiln Kiln,
    TurnPlan? Fresh,
    LoadedFuelKiln? FreshKiln,
    FuelEstimate? Estimate,
    int Due,
    double? ReducingSince,
    GasLeft? Gas
);

/// <summary>
/// Follows a firing in a fuel kiln by the turns that were made and by what was seen: colours, cones, smell, a thermometer where there is one. The same entries
/// give the same answers. Source: the project's paper on fuel kilns.
/// </summary>
public sealed class FuelFollower : IFollowedFiring
{
    private const double OpenSpread = 0.15;
    private const double StepMinutes = 10;
    private const double LateTurn = MadeTurns.Early;
    private const double Five = 5;
    private const double Tolerance = 8;
    private const double SpreadPerHour = 6;
    private const double LogEvery = 2;

    private readonly LoadedFuelKiln kiln;
    private readonly FiringRun run;
    private readonly SortedList<double, BurnerSetting> turns = [];
    private readonly List<FuelObservation> seen = [];
    private readonly List<double> replans = [];
    private readonly List<double> leftOut = [];
    private readonly List<WeighedCylinder> weighed = [];
    private readonly TurnPlan? original;
    private readonly Lazy<int> cylinders;
    private double? off;
    private (string Of, FuelMoment Moment)? known;
    private (double Minute, int Count, TurnPlan Plan, LoadedFuelKiln Kiln)? forced;
    private double? shown;
    private double loggedAt = double.NegativeInfinity;

    /// <summary>Begins to follow a firing.</summary>
    public FuelFollower(FiringRun run)
    {
        this.run = run;
        kiln = new LoadedFuelKiln((FuelKiln)run.Kiln, run.Load, run.Start);
        original = kiln.Turns(run.Program) is { IsOk: true } planned ? planned.Value : null;
        // As many as stand there, or as many as the sheet asked for.
        cylinders = new(() =>
            kiln.Kiln is { Cylinders: > 0 and var there } ? there
            : original is null ? 1
            : Cylinders.Count(kiln.Kiln.Cylinder, original, kiln.Kiln.Room.Celsius) ?? 1
        );
    }

    /// <inheritdoc/>
    public AlarmBoard Board { get; } = new();

    /// <summary>The chamber every five minutes, by turns and by what was seen, as a log would have it; empty before the first turn.</summary>
    /// <param name="until">Minutes since the start.</param>
    public List<FiringSample> Drawn(double until) =>
        At(until) is not { Estimate.Curve: var curve }
            ? []
            :
            [
                .. Enumerable
                    .Range(0, (int)(until / Five) + 1)
                    .Select(i => new FiringSample(i * Five, Math.Round(curve.At(Duration.FromMinutes(i * Five)).Celsius, 1))),
            ];

    /// <inheritdoc/>
    public double? LastAt { get; private set; }

    /// <summary>What the whole firing says of its kiln, up to when it was shut off; nothing where nothing was seen of it.</summary>
    public FuelEstimate? Taught =>
        seen.Count == 0 || turns.Count == 0 ? null : FuelEstimator.At(kiln.Kiln, kiln.Standing, kiln.Start.Celsius, Made, seen, off ?? LastAt ?? 0);

    /// <summary>What its turns came to: gas and air, up to when it was shut off; nothing where nobody turned anything.</summary>
    public (EnergyUse Gas, ImmutableArray<AirStretch> Air)? Burned
    {
        get
        {
            if (turns.Count == 0)
                return null;
            var end = off ?? LastAt ?? 0;
            var followed = TurnPlanner.Follow(kiln.Kiln, kiln.Standing, kiln.Start, Made, end);
            return (followed.Use(kiln.Kiln.Fuel), AirStretch.Of(followed.Air, end));
        }
    }

    /// <summary>The turns that were made, in order of time.</summary>
    public ImmutableArray<FuelTurn> Made => [.. turns.Select(t => new FuelTurn(t.Key, t.Value))];

    /// <summary>Somebody set burners or damper.</summary>
    /// <param name="minute">When.</param>
    /// <param name="setting">How they stand from then on.</param>
    public void Turned(double minute, BurnerSetting setting)
    {
        minute = Math.Max(0, minute);
        turns[minute] = setting;
        TurnAlarms.Answered(Board, minute);
        Advance(minute);
        // Out for good as long as nobody lights a burner again.
        off = setting.Lit == 0 && turns.Values.Any(s => s.Lit > 0) ? minute : null;
    }

    /// <summary>Somebody saw something.</summary>
    public void Saw(FuelObservation observation)
    {
        seen.Add(observation);
        Advance(observation.Minute);
    }

    /// <summary>Somebody leaves a row of the sheet out on purpose.</summary>
    /// <param name="minute">When it was said.</param>
    /// <param name="row">The row's own minute.</param>
    public void LeftOut(double minute, double row)
    {
        leftOut.Add(row);
        TurnAlarms.Answered(Board, minute);
        Advance(minute);
    }

    /// <summary>Somebody weighed a cylinder.</summary>
    public void Weighed(WeighedCylinder cylinder)
    {
        weighed.Add(cylinder);
        weighed.Sort((a, b) => a.Minute.CompareTo(b.Minute));
        Advance(cylinder.Minute);
    }

    /// <summary>Somebody took the plan as it was from a minute on.</summary>
    public void Replanned(double minute)
    {
        replans.Add(minute);
        replans.Sort();
        Advance(minute);
    }

    /// <inheritdoc/>
    public bool Add(FiringSample sample)
    {
        if (sample.Celsius is not { } celsius)
            return true;
        shown = celsius;
        // A logger tells every second; two minutes apart they say as much.
        if (!sample.ByHand && sample.Minutes - loggedAt < LogEvery)
            return true;
        loggedAt = sample.Minutes;
        Saw(new FuelObservation(Math.Max(0, sample.Minutes), celsius));
        return true;
    }

    /// <inheritdoc/>
    public void Looked(double now, bool isDry, double extendBy, string by) => Advance(now);

    /// <inheritdoc/>
    public void SwitchOff(double now)
    {
        if (off is null)
            Turned(now, BurnerSetting.Off(0));
    }

    /// <inheritdoc/>
    public ResumePlan? Resume(LiveReport report) => null;

    /// <summary>The plan, the estimate and what is due; nothing where the program cannot be fired in this kiln.</summary>
    public FuelMoment? At(double now)
    {
        if (original is null)
            return null;
        var key = $"{turns.Count} {seen.Count} {replans.Count} {leftOut.Count} {weighed.Count} {Math.Floor(now / 2)} {off}";
        if (known is { } before && before.Of == key)
            return before.Moment;
        var (plan, on) = InForce(now);
        if (GoalDownAt is { } down && down <= now + 1e-6)
            plan = MadeTurns.Ended(plan, down);
        var isLit = turns.Count > 0;
        var estimate = isLit ? FuelEstimator.At(kiln.Kiln, kiln.Standing, kiln.Start.Celsius, Made, seen, Math.Max(0, now)) : null;
        TurnPlan? fresh = null;
        LoadedFuelKiln? freshOn = null;
        // The cone has decided: there is nothing more to plan.
        if (estimate is not null && off is null && GoalDownAt is null && now < plan.Powered.TotalMinutes + 24 * 60)
        {
            freshOn = From(now);
            fresh = freshOn.Turns(run.Program) is { IsOk: true } planned ? planned.Value : null;
        }
        var due = MadeTurns.Due(plan.Turns, Made, kiln.Kiln);
        // Whatever was still to be turned before the goal cone went is past.
        while (due < plan.Turns.Length && plan.Turns[due] is { Kind: not TurnKind.ShutOff } row && (row.Minute < GoalDownAt - 1e-6 || IsLeftOut(row)))
            due++;
        double? reducing = null;
        for (var i = turns.Count - 1; i >= 0 && turns.Values[i].Lit > 0 && Reduces(plan, turns.Keys[i]); i--)
            reducing = turns.Keys[i];
        var moment = new FuelMoment(
            plan,
            on,
            fresh,
            freshOn,
            estimate,
            off is null ? due : plan.Turns.Length,
            off is null ? reducing : null,
            GasLeft.At(kiln.Kiln, cylinders.Value, Made, weighed, plan, Math.Max(0, now))
        );
        known = (key, moment);
        return moment;
    }

    /// <summary>When the goal cone, or a hotter one, was first seen down; nothing while it stands.</summary>
    private double? GoalDownAt =>
        run.Goal is { } goal && seen.Where(o => o.ConeDown is { } cone && cone.CompareTo(goal) >= 0).Select(o => (double?)o.Minute).Min() is { } at ? at : null;

    private bool IsLeftOut(PlannedTurn row) => leftOut.Any(minute => Math.Abs(minute - row.Minute) < 0.5);

    private static bool Reduces(TurnPlan plan, double minute) =>
        plan.Turns.LastOrDefault(t => t.Minute <= minute + LateTurn) is { Asked: Atmosphere.LightReduction or Atmosphere.HeavyReduction };

    /// <summary>
    /// The firing as it is planned anew at a minute: from the next five minutes on, by what was known at the last ones or since something was noted. So what is
    /// offered stays as it is until then, and what is taken is what was offered.
    /// </summary>
    private LoadedFuelKiln From(double minute)
    {
        var from = OnTheFive(minute);
        bool Was(double at) => at <= minute + 1e-6;
        var last = turns.Keys.Concat(seen.Select(o => o.Minute)).Where(Was).DefaultIfEmpty(0).Max();
        ImmutableArray<FuelTurn> made = [.. Made.Where(t => Was(t.Minute))];
        var estimate = FuelEstimator.At(kiln.Kiln, kiln.Standing, kiln.Start.Celsius, made, [.. seen.Where(o => Was(o.Minute))], Math.Max(from - Five, last));
        return kiln with { Kiln = estimate.Kiln, Estimate = estimate, UnderWay = new FiringUnderWay(from, made, original!.Segments, estimate.Correction) };
    }

    /// <summary>The next five minutes of the sheet, whose rows stand on them: nobody turns a valve at 14:03.</summary>
    private static double OnTheFive(double minute) => Math.Ceiling(Math.Max(0, minute) / Five - 1e-6) * Five;

    private (TurnPlan Plan, LoadedFuelKiln Kiln) InForce(double now)
    {
        var taken = replans.LastOrDefault(r => r <= now, double.NaN);
        if (double.IsNaN(taken))
            return (original!, kiln);
        var count = turns.Keys.Count(k => k <= taken) + seen.Count(o => o.Minute <= taken);
        if (forced is { } f && f.Minute == taken && f.Count == count)
            return (f.Plan, f.Kiln);
        var on = From(taken);
        var plan = on.Turns(run.Program) is { IsOk: true } planned ? planned.Value : original!;
        forced = (taken, count, plan, on);
        return (plan, on);
    }

    /// <inheritdoc/>
    public LiveReport Report(double now, bool withForecast = true)
    {
        var moment = At(now);
        var estimate = moment?.Estimate;
        var line = moment?.InForce.Line;
        double? wanted = line is not null && off is null && now <= line.Points[^1].Minutes ? line.At(Duration.FromMinutes(Math.Max(0, now))).Celsius : null;
        var step = moment is null ? 0 : moment.InForce.Segments.StepAt(now);
        if (moment is not null)
            LookAround(now, moment);
        var cones = estimate is null ? [] : run.Cones.Select(c => Work(c, estimate)).ToImmutableArray();
        var chamber = estimate?.Celsius;
        return new LiveReport(
            At: now,
            Display: shown,
            Chamber: chamber,
            Step: step,
            Phase: Phase(now, moment, step),
            StepSource: StepSource.Shadow,
            SetPoint: wanted,
            Deviation: chamber is { } c && wanted is { } w ? new Deviation(c - w, Late(moment!, now, c)) : null,
            Progress: run.Goal is { } goal && cones.FirstOrDefault(x => x.Cone == goal) is { Progress: var progress } && estimate is not null ? progress : null,
            Cones: cones,
            Gaps: [],
            Estimate: null,
            Alarms: [.. Board.All],
            Slope: Slope(estimate),
            Share: null,
            Forecast: moment is null || estimate is null ? null : Forecast(now, moment, estimate),
            TopAt: TopAt(moment, now),
            EndAt: off,
            HoldLeft: null,
            SteamAskedAt: null,
            SteamIsWanted: false
        );
    }

    /// <inheritdoc/>
    public NextThing? Next(LiveReport report)
    {
        if (At(report.At) is not { } moment)
            return null;
        if (off is not null)
            return new NextThing(
                NextKind.Open,
                report.Forecast?.Open.P50 ?? double.PositiveInfinity,
                report.At >= report.Forecast?.Open.P50 ? "Safe to open" : "Hot: do not open"
            );
        if (moment.Due >= moment.InForce.Turns.Length)
            return new NextThing(NextKind.PowerOff, report.At, "Shut off in order");
        var row = moment.InForce.Turns[moment.Due];
        return row.Kind == TurnKind.ShutOff
            ? new NextThing(
                NextKind.PowerOff,
                row.Minute,
                GoalDownAt is not null ? $"Cone {run.Goal!.Value.Number} is down: shut off in order" : "Look at the cones, then shut off in order"
            )
            : new NextThing(NextKind.Turn, row.Minute, row.Kind == TurnKind.Look ? "Look, and leave it" : TurnWords.Setting(row.Setting, kiln.Kiln));
    }

    /// <summary>How much later than planned it comes to where it is, minutes; nothing where it does not climb.</summary>
    private static double? Late(FuelMoment moment, double now, double celsius)
    {
        var (planned, step) = (moment.InForce.Curve, moment.InForce.Segments[moment.InForce.Segments.StepAt(now)]);
        if (now >= step.RampEnd.TotalMinutes || step.To <= step.From)
            return null;
        foreach (var point in planned.Points)
        {
            if (point.Celsius >= celsius)
                return now - point.Minutes;
        }
        return null;
    }

    private void Advance(double minute)
    {
        LastAt = Math.Max(LastAt ?? 0, minute);
        known = null;
    }

    private void LookAround(double now, FuelMoment moment)
    {
        TurnAlarms.Look(
            Board,
            now,
            new TurnsMade(moment.InForce, moment.Kiln.Kiln, moment.Due, turns.Count > 0, off is not null, GoalDownAt is not null),
            LateTurn
        );
        var limit = LimitAlarm.Of(kiln.Kiln.TopLimit, run.Program);
        // Without a thermometer what is estimated counts, once it is surely over.
        var known = moment.Estimate is { } e ? Math.Max(shown ?? double.MinValue, e.Celsius - (e.ByThermometer ? 0 : e.Sd)) : shown;
        LimitAlarm.Look(Board, now, known, limit, off is null, how: shown >= limit ? "" : "by what was turned and seen ");
    }

    private LivePhase Phase(double now, FuelMoment? moment, int step)
    {
        if (off is not null)
            return LivePhase.Off;
        if (moment is null || turns.Count == 0 || now < 0)
            return LivePhase.Waiting;
        var segment = moment.InForce.Segments[step];
        return now >= segment.RampEnd.TotalMinutes && segment.Hold > Duration.Zero ? LivePhase.Hold
            : segment.To >= segment.From ? LivePhase.Climb
            : LivePhase.Cool;
    }

    private double? TopAt(FuelMoment? moment, double now)
    {
        if (moment is null)
            return null;
        var top = moment.InForce.Segments[Math.Min(run.Program.TopStep, moment.InForce.Segments.Length - 1)].RampEnd.TotalMinutes;
        return off is { } end ? Math.Min(end, top)
            : top <= now ? top
            : null;
    }

    private static double? Slope(FuelEstimate? estimate)
    {
        if (estimate is null || estimate.Minute < StepMinutes)
            return null;
        var before = estimate.Curve.At(Duration.FromMinutes(estimate.Minute - StepMinutes)).Celsius;
        return (estimate.Curve.Points[^1].Celsius - before) * 60 / StepMinutes;
    }

    /// <summary>Heat work along the curve as it was by all that is known; the band is that of a cone told no better than the temperature.</summary>
    private static ConeSoFar Work(Cone cone, FuelEstimate estimate)
    {
        var kinetics = ConeTable.Of(cone).Kinetics;
        var work = HeatWork.Of(kinetics, estimate.Curve);
        var kelvin = estimate.Celsius + 273.15;
        var spread = Math.Exp(kinetics.Theta / (kelvin * kelvin) * Math.Max(Tolerance, estimate.Sd * 0.6) * 1.28);
        return new ConeSoFar(cone, new ProgressRange(work, work / spread, work * spread));
    }

    /// <summary>The plan as it would be from now, with a band that grows; closed up, the cooling.</summary>
    private Forecast Forecast(double now, FuelMoment moment, FuelEstimate estimate)
    {
        var plan = off is not null ? TurnPlanner.Follow(estimate.Kiln, kiln.Standing, kiln.Start, Made, Math.Max(now, 1)) : moment.Fresh ?? moment.InForce;
        var whole = plan.Cooling.Points.Length > 1 ? new Curve([.. plan.Curve.Points, .. plan.Cooling.Points[1..]]) : plan.Curve;
        var end = off ?? plan.Powered.TotalMinutes;
        var opens = plan.OpensAt?.TotalMinutes ?? double.PositiveInfinity;
        var top =
            off is not null ? end
            : plan.Segments.IsEmpty ? end
            : plan.Segments[Math.Min(run.Program.TopStep, plan.Segments.Length - 1)].RampEnd.TotalMinutes;
        double Early(double at) => Math.Max(now, at - 0.1 * Math.Max(0, at - now));
        Percentiles When(double at, double spread) => at <= now ? new(at, at, at) : new(Early(at), at, at + spread * (at - now));
        var points = ImmutableArray.CreateBuilder<ForecastPoint>();
        var last = double.IsInfinity(opens) ? whole.Points[^1].Minutes : opens;
        for (var minute = now; minute <= last + 1e-6; minute += Math.Max(StepMinutes, (last - now) / 60))
        {
            var at = whole.At(Duration.FromMinutes(Math.Max(0, minute))).Celsius;
            var band = 1.28 * Math.Min(60, estimate.Sd + SpreadPerHour * (minute - now) / 60) * Math.Clamp(at / 400, 0, 1);
            points.Add(new ForecastPoint(minute, new Percentiles(at - band, at, at + band)));
        }
        var cones = run.Cones.Select(c =>
        {
            var kinetics = ConeTable.Of(c).Kinetics;
            var work = HeatWork.Of(kinetics, plan.Curve);
            var kelvin = plan.Curve.Peak.Celsius + 273.15;
            var degrees = Math.Log(Math.Max(1e-12, work)) * kelvin * kelvin / kinetics.Theta;
            var (sd, slope) = (1.28 * Math.Max(Tolerance, estimate.Sd), kinetics.Theta / (kelvin * kelvin));
            return new ConeForecast(
                c,
                new Percentiles(work * Math.Exp(-sd * slope), work, work * Math.Exp(sd * slope)),
                new Percentiles(degrees - sd, degrees, degrees + sd)
            );
        });
        return new Forecast(
            now,
            points.ToImmutable(),
            When(top, OpenSpread),
            When(end, OpenSpread),
            When(opens, OpenSpread),
            [.. cones],
            plan.Stall is null ? 0 : 1,
            null
        );
    }
}
