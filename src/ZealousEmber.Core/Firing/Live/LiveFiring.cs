using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>
/// A firing as it is followed: readings go in, in the order of their time; where it is, how it will go on and what is wrong come out. The same readings
/// give the same answers, whenever they are given. Source: the project's paper on the firing day, sections 1 to 3; docs/firing-day.md.
/// </summary>
public sealed partial class LiveFiring : IFollowedFiring
{
    private const double LagMinutes = KilnPhysics.UsualLag / 60;
    private const double ShortGap = 10;
    private const double ShortGapByHand = 75;
    private const double ForecastEvery = 10;
    private const double NoReadingAfter = 10;
    private const double NoReadingIntervals = 5;
    private const double NoReadingAtFirst = 40;
    private const double GapIntervals = 2.5;
    private const double LongestInterval = 60;
    private const int IntervalsKept = 5;
    private const int FewestIntervals = 2;

    private WatchedFiring firing;
    private readonly ObserverTuning? afterwards;
    private readonly ControllerFollower shadow;
    private readonly ReadingNoise noise = new();
    private readonly ThermocoupleWatch thermocouple;
    private readonly PowerAlarms power;
    private readonly WeakAlarm weak;
    private readonly ForecastAlarms outlook;
    private readonly SteamLook steam;
    private readonly SlopeWindow window = new();
    private readonly ShareRecord shares = new();
    private readonly List<FiringSample> minute = [];
    private readonly Queue<double> apartLately = new();
    private readonly List<GapBridge> gaps = [];
    private readonly PlannedCourse promise;

    private KilnObserver? observer;
    private HeatWorkSoFar? work;
    private FiringSample? last;
    private double interval = 0.5;
    private double first;
    private double readUntil;
    private double nextForecast = double.NegativeInfinity;
    private double? topAt;
    private double? endAt;
    private double behindSince = double.NaN;
    private double sameSince = double.NaN;
    private double sameValue = double.NaN;
    private double dueSince;
    private double? carried;
    private double goneOnAt = double.NegativeInfinity;
    private bool linkTells;
    private double trustedFrom = double.NegativeInfinity;

    /// <summary>Begins to follow a firing.</summary>
    /// <param name="firing">Which.</param>
    /// <param name="afterwards">It is over: its log is gone through once more, to learn from it; nothing is looked ahead at.</param>
    public LiveFiring(WatchedFiring firing, ObserverTuning? afterwards = null)
    {
        (this.firing, this.afterwards) = (firing, afterwards);
        Board = new AlarmBoard();
        shadow = new ControllerFollower(firing.Program, firing.Kiln);
        thermocouple = new ThermocoupleWatch(Board, firing.Kiln.Room.Celsius);
        power = new PowerAlarms(Board);
        weak = new WeakAlarm(Board);
        outlook = new ForecastAlarms(Board);
        steam = new SteamLook(Board, firing);
        promise = new PlannedCourse(firing);
        Dials = firing.Dials is { } course ? DialsTurned.Begun(course) : null;
    }

    /// <summary>Its switches as they were turned; nothing where it has none.</summary>
    public DialsTurned? Dials { get; private set; }

    /// <summary>Somebody turned its switches; nothing where it has none. With everything off the power is off for good.</summary>
    public void Turned(double now, System.Collections.Immutable.ImmutableArray<string> positions)
    {
        Dials = Dials?.With(now, positions);
        if (Dials?.Course.IsOff(positions) == true)
            SwitchOff(now);
    }

    /// <summary>The turns to come were planned anew.</summary>
    public void GoOnTurning(DialCourse course) => Dials = Dials is { } so ? so with { Course = course } : null;

    /// <summary>Its alarms.</summary>
    public AlarmBoard Board { get; }

    /// <summary>The latest forecast; nothing before the first readings.</summary>
    public Forecast? Forecast { get; private set; }

    /// <summary>Minutes of the last reading taken; nothing before the first.</summary>
    public double? LastAt => last?.Minutes;

    /// <summary>What is watched.</summary>
    public WatchedFiring Firing => firing;

    /// <summary>A reading, later than those before it; earlier ones are left out.</summary>
    /// <returns>False where it came too late to be followed.</returns>
    public bool Add(FiringSample sample)
    {
        if (last is { } before && sample.Minutes <= before.Minutes)
            return false;
        LookForReadings(sample.Minutes);
        if (minute.Count > 0 && Math.Floor(sample.Minutes) > Math.Floor(minute[0].Minutes))
            CloseMinute();
        if (last is { } earlier)
        {
            Learn(sample.Minutes - earlier.Minutes);
            if (sample.Share is { } share)
                shares.Add(earlier.Minutes, sample.Minutes, share);
        }
        else if (sample.ByHand)
            interval = 30;
        linkTells |= sample.SetPoint is not null;
        last = sample;
        Board.Look(AlarmIds.NoReading, AlarmWeight.Warn, sample.Minutes, false, true, 0, 0, () => "");
        var verdict = thermocouple.Take(sample, observer?.SlopesOver(5).MostPerMinute ?? 20, carried);
        if (verdict == ReadingVerdict.Dropped)
        {
            if (thermocouple.IsLost)
                CarryOn(sample);
            return true;
        }
        carried = null;
        if (!sample.ByHand)
            noise.Add(sample.Celsius!.Value);
        LimitAlarm.Look(Board, sample.Minutes, sample.Celsius, LimitAlarm.Of(firing.Kiln.TopLimit, firing.Program), after: 0.5);
        LookAtSameness(sample);
        minute.Add(sample);
        if (sample.ByHand)
            CloseMinute();
        return true;
    }

    /// <summary>Time has come so far: what depends on the clock alone is looked at.</summary>
    /// <param name="now">Minutes since the start.</param>
    public void ComeTo(double now)
    {
        if (minute.Count > 0 && now >= Math.Floor(minute[0].Minutes) + 1.5)
            CloseMinute();
        LookForReadings(now);
        LookForEnd(now);
        steam.ComeTo(now);
    }

    /// <summary>Somebody switched it off for good.</summary>
    public void SwitchOff(double now)
    {
        shadow.SwitchOff(now);
        endAt ??= now;
        linkTells = false;
    }

    /// <summary>
    /// After a cut another program was keyed in: from a step on it is fired by that. What cannot be a program with what was fired before is left.
    /// </summary>
    /// <param name="step">Index of the step that was interrupted.</param>
    /// <param name="rest">From there on.</param>
    /// <param name="now">Minutes.</param>
    public void GoOnWith(int step, FiringProgram rest, double now)
    {
        if (endAt is not null || window.Last is not { Celsius: var shown } || step > shadow.Step || step < 0)
            return;
        if (FiringProgram.Create([.. firing.Program.Steps.Take(step), .. rest.Steps]) is not { IsOk: true, Value: var whole })
            return;
        firing = firing with { Program = whole };
        shadow.GoOnWith(whole, step, now, shown);
        (goneOnAt, resumed, nextForecast) = (now, null, double.NegativeInfinity);
    }

    /// <summary>Somebody looked for steam.</summary>
    /// <param name="now">Minutes.</param>
    /// <param name="isDry">Nothing on the mirror.</param>
    /// <param name="extendBy">At "steam": minutes the block goes on.</param>
    /// <param name="by">Who.</param>
    public void Looked(double now, bool isDry, double extendBy, string by)
    {
        if (!isDry && shadow.Phase == LivePhase.Hold)
            shadow.Extend(extendBy);
        steam.Looked(now, isDry, extendBy, by);
    }

    /// <summary>How far apart readings come: the middle of the last few, so that one that got lost does not count.</summary>
    private void Learn(double apart)
    {
        apartLately.Enqueue(Math.Min(apart, LongestInterval));
        if (apartLately.Count > IntervalsKept)
            apartLately.Dequeue();
        if (apartLately.Count >= FewestIntervals)
            interval = apartLately.Order().ElementAt(apartLately.Count / 2);
    }

    private void LookForReadings(double now)
    {
        if (last is not { } reading)
            return;
        // Before it is known how often they come, nobody is alarmed soon.
        var limit = apartLately.Count < FewestIntervals ? NoReadingAtFirst : Math.Max(NoReadingAfter, NoReadingIntervals * interval);
        if (now - reading.Minutes < limit)
            return;
        Board.Look(AlarmIds.NoReading, AlarmWeight.Warn, reading.Minutes + limit, true, false, 0, 0, () =>
            reading.ByHand
                ? $"The last was noted by hand, more than {PowerAlarms.Whole(limit)} min ago: look at the display, and note what it shows."
                : $"Nothing for {PowerAlarms.Whole(limit)} min."
        );
    }

    private void LookAtSameness(FiringSample sample)
    {
        if (sample.Celsius == sameValue)
            return;
        (sameValue, sameSince, dueSince) = (sample.Celsius!.Value, sample.Minutes, 0);
    }

    /// <summary>A lost thermocouple: the model goes on, with the power that is told or asked.</summary>
    private void CarryOn(FiringSample sample)
    {
        if (observer is null)
            return;
        var to = sample.Minutes - LagMinutes;
        if (to <= observer.Minutes)
            return;
        var share = shares.Mean(observer.Minutes, to) ?? (shadow.Phase is LivePhase.Climb or LivePhase.Hold ? Math.Clamp(observer.AskedOfPower, 0, 1) : 0);
        carried = observer.Carry(to, share);
        minute.Add(sample with { Celsius = carried });
    }
}
