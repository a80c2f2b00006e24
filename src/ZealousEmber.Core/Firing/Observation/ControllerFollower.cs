using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Firing.Observation;

/// <summary>What a controller is doing, as far as the display tells.</summary>
public enum LivePhase
{
    /// <summary>It has not begun.</summary>
    Waiting,

    /// <summary>Up to a target.</summary>
    Climb,

    /// <summary>At a target.</summary>
    Hold,

    /// <summary>Down to a target at a rate.</summary>
    Cool,

    /// <summary>The power is off.</summary>
    Off,
}

/// <summary>
/// A controller that is run beside the real one along what the display shows, so that the program knows which step the firing is in where no
/// link tells. It begins late where the firing does, and follows holds that are cut short or go on. Times in minutes, temperatures °C.
/// Source: the project's paper on the firing day, section 1.
/// </summary>
internal sealed class ControllerFollower(FiringProgram program, Kiln kiln)
{
    private const double Near = 2;
    private const double BeginsAbove = 4;
    private const double WellPast = 10;
    private const double Jump = 4;
    private const double LeavesBy = 6;
    private const double LeavesAt = 10;

    // Below this pace, °C/h, a hold and the step after it are told apart by smaller steps.
    private const double Slow = 40;
    private const double SlowLeavesBy = 2.5;
    private const double SlowStaysWithin = 1.2;
    private const double LeavesFor = 3;
    private const double StaysWithin = 3;
    private const double StaysFor = 2;
    private const double StaysUnseenFor = 5;
    private const double AtGoal = 0.7;
    private const double Pull = 0.15;
    private const double NotFull = 0.9;
    private const double Drawn = 0.03;

    // Nothing at all is a cut, not a controller that began later.
    private const double NoPower = 0.005;

    // Minutes.
    private const double MostApart = 1.5;
    private const int MostPieces = 24 * 60;

    // K that full power would have brought, or none would have lost, while it stayed where it was: it is held.
    private const double WouldHaveMoved = 6;

    private Slopes? can;
    private double level;
    private double lowest = double.MaxValue;
    private double lastTime = double.NaN;
    private double lastShown;
    private double leaving;
    private double staying;
    private double? held;
    private int heldStep;
    private bool toldBefore;

    /// <summary>Index of the step.</summary>
    public int Step { get; private set; }

    /// <summary>What it does.</summary>
    public LivePhase Phase { get; private set; } = LivePhase.Waiting;

    /// <summary>What is asked now; nothing with the power off.</summary>
    public double? SetPoint { get; private set; }

    /// <summary>Where the step goes.</summary>
    public double Goal { get; private set; }

    /// <summary>Minutes of the hold still to come; less than none once it should be over.</summary>
    public double HoldLeft { get; private set; }

    /// <summary>When the step began, its hold began.</summary>
    public double StepBegan { get; private set; }

    /// <summary>When the hold began; nothing before.</summary>
    public double? HoldBegan { get; private set; }

    /// <summary>The hold has gone on when it should have been over.</summary>
    public bool IsEndless { get; private set; }

    /// <summary>True while the link tells what is asked.</summary>
    public bool IsTold { get; private set; }

    /// <summary>Minutes it climbed, told by the display alone.</summary>
    public double Climbed { get; private set; }

    /// <summary>Minutes of those in which the display was well ahead of what this program asks: another program heats it.</summary>
    public double Led { get; private set; }

    /// <summary>When the power went off, in the step under way; nothing while it is on.</summary>
    public double? OffSince { get; private set; }

    /// <summary>How fast the set point moves, °C/h with its sign; 0 in a hold, the largest there is at full power.</summary>
    public double AskedRate =>
        Phase switch
        {
            LivePhase.Climb when Math.Abs((SetPoint ?? Goal) - Goal) < 1e-6 && !IsFull => 0,
            LivePhase.Climb => IsFull ? double.PositiveInfinity : Pace!.Value,
            LivePhase.Cool => -(Pace ?? 0),
            _ => 0,
        };

    private Segment Segment => program.Steps[Math.Min(Step, program.Steps.Length - 1)];

    private double? Pace => Segment.Pace.Rate?.KelvinsPerHour;

    private bool IsFull => Segment.Pace.Kind == PaceKind.Full;

    private bool IsLast => Step >= program.Steps.Length - 1;

    /// <summary>Moves on to a moment.</summary>
    /// <param name="now">Minutes.</param>
    /// <param name="shown">The display, °C.</param>
    /// <param name="share">Mean power share in the last minute, where it is known.</param>
    /// <param name="told">The set point the link tells.</param>
    /// <param name="linkTells">The link tells set points: none then means off.</param>
    /// <param name="sigma">Standard deviation of the display's mean, K.</param>
    /// <param name="slope">Of the display, °C/h.</param>
    /// <param name="can">What the kiln does here by itself and at full power; nothing where nobody knows.</param>
    public void Follow(double now, double shown, double? share, double? told, bool linkTells, double sigma, double slope, Slopes? can = null)
    {
        this.can = can;
        // Readings further apart than a minute are followed minute by minute between them: how often is told makes no difference.
        if (!double.IsNaN(lastTime) && Phase != LivePhase.Waiting && now - lastTime > MostApart)
        {
            var (from, was) = (lastTime, lastShown);
            var pieces = Math.Min(MostPieces, (int)Math.Ceiling(now - from));
            var between = (shown - was) / (now - from) * 60;
            var isTold = toldBefore;
            for (var i = 1; i < pieces; i++)
                FollowOnce(from + (now - from) * i / pieces, was + (shown - was) * i / pieces, null, null, false, sigma, between);
            toldBefore = isTold;
        }
        FollowOnce(now, shown, share, told, linkTells, sigma, slope);
    }

    private void FollowOnce(double now, double shown, double? share, double? told, bool linkTells, double sigma, double slope)
    {
        var minutes = double.IsNaN(lastTime) ? 0 : now - lastTime;
        (lastTime, lastShown) = (now, shown);
        IsTold = linkTells;
        if (Phase == LivePhase.Waiting)
        {
            lowest = Math.Min(lowest, shown);
            if (shown <= lowest + BeginsAbove && !(linkTells && told > shown + BeginsAbove))
                return;
            level = shown;
            // Switched on before anybody read it: the climbs it is well past are behind it.
            while (!IsLast && Segment.Pace.Kind != PaceKind.Natural && Segment.Target?.Celsius < shown - WellPast && Next > Segment.Target?.Celsius)
                Step++;
            Begin(now);
            return;
        }
        if (linkTells)
            FollowTold(now, minutes, shown, told);
        else
            FollowShown(now, minutes, shown, share, sigma);
        if (!linkTells && Phase == LivePhase.Hold)
            LeaveEarly(now, minutes, shown, share, slope);
        if (!linkTells && Phase != LivePhase.Hold)
            ReturnToHold(minutes, shown, share);
        toldBefore = linkTells;
    }

    /// <summary>Where it is, for a simulation to go on from; nothing where it has not begun.</summary>
    public ControllerState? State(double now)
    {
        if (Phase == LivePhase.Waiting)
            return null;
        var (phase, arrives) = Phase switch
        {
            LivePhase.Climb => (ControllerPhase.Climbing, IsFull || Pace is null ? now : now + Math.Max(0, Goal - (SetPoint ?? Goal)) / Pace.Value * 60),
            LivePhase.Cool => (ControllerPhase.Cooling, now + Math.Max(0, (SetPoint ?? Goal) - Goal) / Math.Max(1, Pace ?? 1) * 60),
            LivePhase.Hold => (ControllerPhase.Holding, now),
            _ => (ControllerPhase.Falling, now),
        };
        var goal = phase == ControllerPhase.Falling ? Math.Max(Goal, kiln.CoolsTo.Celsius) : Goal;
        return new ControllerState(
            Math.Min(Step, program.Steps.Length - 1),
            phase,
            Goal,
            goal,
            arrives * 60,
            (now + Math.Max(0, HoldLeft)) * 60,
            null,
            0,
            30,
            0
        );
    }

    /// <summary>Puts it back to where a cut found it: the step begins again from what the display shows.</summary>
    public void BeginAgain(double now, double shown)
    {
        if (Phase is LivePhase.Waiting or LivePhase.Off)
            return;
        (level, lastTime, lastShown) = (shown, now, shown);
        Begin(now);
    }

    /// <summary>Another program was keyed in, the same up to the step under way: that one begins again from what is shown.</summary>
    /// <param name="whole">What was fired so far, and what is fired now.</param>
    /// <param name="step">Where it goes on.</param>
    /// <param name="now">Minutes.</param>
    /// <param name="shown">The display, °C.</param>
    public void GoOnWith(FiringProgram whole, int step, double now, double shown)
    {
        program = whole;
        if (Phase == LivePhase.Waiting)
            return;
        Phase = LivePhase.Climb;
        (Step, held) = (step, null);
        BeginAgain(now, shown);
    }

    /// <summary>Somebody switched the power off for good.</summary>
    public void SwitchOff(double now)
    {
        if (Phase == LivePhase.Off && Step >= program.Steps.Length - 1)
            return;
        (Step, Phase, SetPoint, OffSince, held) = (program.Steps.Length - 1, LivePhase.Off, null, now, null);
        Goal = kiln.Opens.Celsius;
    }

    /// <summary>The hold under way goes on for so much longer.</summary>
    public void Extend(double minutes) => HoldLeft += minutes;

    private void Begin(double now)
    {
        (StepBegan, HoldBegan, IsEndless, leaving, staying, OffSince) = (now, null, false, 0, 0, null);
        var segment = Segment;
        Goal = segment.Target?.Celsius ?? kiln.Opens.Celsius;
        if (segment.Pace.Kind == PaceKind.Natural || (Goal < level && IsFull))
        {
            (Phase, SetPoint, OffSince) = (LivePhase.Off, null, now);
        }
        else if (Goal > level)
        {
            // Where the step before was not reached it sets out from what is shown.
            (Phase, SetPoint) = (
                LivePhase.Climb,
                IsFull ? Goal
                : Math.Abs(lastShown - level) <= Near + 1 ? level
                : Math.Min(Goal, lastShown)
            );
            HoldLeft = segment.HoldMinutes;
        }
        else if (Goal < level)
        {
            (Phase, SetPoint, HoldLeft) = (LivePhase.Cool, Math.Min(level, lastShown + Near), segment.HoldMinutes);
        }
        else
            Reached(now);
    }

    private void Reached(double now)
    {
        (Phase, SetPoint, HoldBegan, HoldLeft, OffSince) = (LivePhase.Hold, Goal, now, Segment.HoldMinutes, null);
        if (HoldLeft <= 0)
            End(now);
    }

    private void End(double now)
    {
        if (HoldBegan is not null)
            (held, heldStep) = (Goal, Step);
        level = Goal;
        if (IsLast)
        {
            // The program is over: the power is off.
            (Phase, SetPoint, OffSince) = (LivePhase.Off, null, now);
            return;
        }
        Step++;
        Begin(now);
    }

    private void FollowShown(double now, double minutes, double shown, double? share, double sigma)
    {
        var apart = Math.Max(Jump, 3 * sigma);
        switch (Phase)
        {
            case LivePhase.Climb:
                var set = IsFull ? Goal : Math.Min(Goal, SetPoint!.Value + Pace!.Value * minutes / 60);
                Climbed += minutes;
                if (!IsFull && shown - set > apart)
                    Led += minutes;
                if (!IsFull && (shown - set > apart || (set - shown > apart && share is < NotFull and >= NoPower)))
                    set = Math.Min(Goal, shown);
                // With some of its power on, and not all, the controller has the display on its set point.
                else if (!IsFull && share is > 0.02 and < 0.95)
                    set = Math.Min(Goal, set + Pull * (shown - set));
                SetPoint = set;
                var there = set >= Goal - 1e-9;
                if ((there && kiln.HoldClock == HoldClock.RunsByItself && !IsFull) || shown >= Goal - (there ? Near : AtGoal))
                    Reached(now);
                break;
            case LivePhase.Cool:
                var down = Math.Max(Goal, SetPoint!.Value - Pace!.Value * minutes / 60);
                if (down - shown > apart || (shown - down > apart && share > 1 - NotFull))
                    down = Math.Max(Goal, shown);
                SetPoint = down;
                if (down <= Goal + 1e-9 && (kiln.HoldClock == HoldClock.RunsByItself || shown <= Goal + Near))
                    Reached(now);
                break;
            case LivePhase.Hold:
                HoldLeft -= minutes;
                // It cannot be off while power is drawn.
                var goesOn = IsEndless || (share > Drawn && NextIsOff);
                if (HoldLeft <= 0 && !goesOn)
                    End(now);
                break;
            case LivePhase.Off when !IsLast && shown <= Math.Max(Goal, kiln.CoolsTo.Celsius) + Near:
                Reached(now);
                break;
            default:
                break;
        }
    }

    /// <summary>The link's own word: what is asked moves on, stays, or is nothing.</summary>
    private void FollowTold(double now, double minutes, double shown, double? told)
    {
        HoldLeft -= Phase == LivePhase.Hold ? minutes : 0;
        switch (Phase)
        {
            // It was held for longer than the program has it: what is asked is still the hold's.
            case LivePhase.Climb
            or LivePhase.Cool
                when told is { } still
                    && held is { } goal
                    && Step == heldStep + 1
                    && Math.Abs(still - goal) < 0.6
                    && Math.Abs((SetPoint ?? Goal) - goal) > LeavesBy:
                GoBack(goal);
                break;
            case LivePhase.Climb when told is { } past && Next > Goal && past > Goal + 1.5:
                // More than the target is asked: this step was over between two readings.
                Reached(now);
                if (Phase == LivePhase.Hold)
                    End(now);
                SetPoint = past;
                break;
            case LivePhase.Climb when told is { } up:
                SetPoint = up;
                if (up >= Goal - 0.6 && shown >= Goal - Near - 1)
                    Reached(now);
                else if (up >= Goal - 0.6 && up < Goal + 0.6 && kiln.HoldClock == HoldClock.RunsByItself && !IsFull)
                    Reached(now);
                else if (up < Goal - LeavesBy && HasLeft(up, shown))
                    End(now);
                break;
            case LivePhase.Cool when told is { } down:
                SetPoint = down;
                if (down <= Goal + 0.6 && shown <= Goal + Near + 1)
                    Reached(now);
                break;
            case LivePhase.Hold when told is { } at:
                IsEndless = HoldLeft < -1;
                if (HasMovedOn(at))
                    End(now);
                SetPoint = at;
                break;
            case LivePhase.Climb or LivePhase.Cool or LivePhase.Hold when toldBefore:
                // Nothing is asked any more: off, before its time or at it.
                while (!IsLast && Phase != LivePhase.Off)
                    End(now);
                (Phase, SetPoint) = (LivePhase.Off, null);
                OffSince ??= now;
                break;
            case LivePhase.Off when told is { } again:
                if (!IsLast && shown <= Math.Max(Goal, kiln.CoolsTo.Celsius) + Near + 1)
                    Reached(now);
                else if (held is { } goal && Math.Abs(again - goal) < LeavesBy)
                    GoBack(goal);
                break;
            default:
                break;
        }
    }

    private bool HasMovedOn(double told) => !IsLast && Next is { } next && (next > Goal ? told > Goal + 1.5 : told < Goal - 1.5);

    // A climb that is asked for less than it was, and the kiln is past it: the step after it began.
    private bool HasLeft(double told, double shown) => !IsLast && Next < Goal && told < shown - LeavesBy && SetPoint is { } set && set > told + LeavesBy;

    private bool NextIsOff => IsLast || program.Steps[Step + 1].Pace.Kind == PaceKind.Natural;

    private double? Next => IsLast ? null : program.Steps[Step + 1].Target?.Celsius ?? kiln.Opens.Celsius;

    private void LeaveEarly(double now, double minutes, double shown, double? share, double slope)
    {
        if (IsLast || Next is not { } next)
            return;
        var off = program.Steps[Step + 1].Pace.Kind == PaceKind.Natural;
        // A step of a few degrees an hour leaves it no faster, and is seen sooner by how far it went.
        var pace = program.Steps[Step + 1].Pace.Rate?.KelvinsPerHour;
        var (leaves, by) = (Math.Min(LeavesAt, pace / 2 ?? LeavesAt), pace < Slow ? SlowLeavesBy : LeavesBy);
        var left = next > Goal ? shown > Goal + by && slope > leaves : shown < Goal - by && slope < -leaves && !(off && share >= 0.02);
        leaving = left ? leaving + minutes : 0;
        if (leaving < LeavesFor)
            return;
        leaving = 0;
        (held, heldStep) = (Goal, Step);
        level = shown;
        Step++;
        Begin(now);
    }

    private void ReturnToHold(double minutes, double shown, double? share)
    {
        if (held is not { } goal || (Step != heldStep + 1 && !(Phase == LivePhase.Off && Step == heldStep)))
            return;
        var (within, by) = Pace < Slow ? (SlowStaysWithin, SlowLeavesBy) : (StaysWithin, LeavesBy);
        var stays = Math.Abs(shown - goal) <= within;
        // Where its power is told the set point is drawn to the display; what was to be gone since the step began is not.
        var gone = share is not null && HoldBegan is null && Pace is { } pace ? pace * (lastTime - StepBegan) / 60 : 0;
        var away = SetPoint is { } set ? (Math.Abs(set - goal) > by || gone > by) && !(share >= 0.95) : share is null || share > Drawn;
        staying = stays && away ? staying + minutes : 0;
        if (staying < (share is null ? StaysUnseenFor : StaysFor))
            return;
        // Told by nothing but the display: it stays although full power would climb on, or none would let it fall.
        if (
            share is null
            && staying
                / 60
                * (
                    SetPoint is { } asked
                        ? asked > goal
                            ? can?.FullPower ?? 0
                            : double.PositiveInfinity
                        : -(can?.NoPower ?? (goal > 400 ? -100 : 0))
                )
                < WouldHaveMoved
        )
            return;
        GoBack(goal);
    }

    private void GoBack(double goal)
    {
        (Step, Phase, Goal, SetPoint, IsEndless, staying, leaving, OffSince) = (heldStep, LivePhase.Hold, goal, goal, true, 0, 0, null);
        (HoldBegan, HoldLeft, held) = (HoldBegan ?? StepBegan, 0, null);
    }
}
