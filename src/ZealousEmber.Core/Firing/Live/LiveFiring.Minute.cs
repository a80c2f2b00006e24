using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.Core.Firing.Live;

/// <content>What is done with every minute of readings.</content>
public sealed partial class LiveFiring
{
    private void CloseMinute()
    {
        var (mean, firstRead, lastRead) = (MinuteMean.Of(minute), minute[0].Minutes, minute[^1].Minutes);
        minute.Clear();
        var isCarried = carried is not null;
        if (observer is null)
            Start(mean);
        if (
            window.Last is { } before
            && mean.Minutes - before.Minutes > (mean.ByHand || before.ByHand ? ShortGapByHand : Math.Max(ShortGap, GapIntervals * interval))
        )
            Bridge(mean, firstRead);
        window.Add(mean);
        readUntil = lastRead;
        var sigma = noise.OfMean(mean.Count);
        var (r5, r10) = (window.Over(5) ?? 0, window.Over(10) ?? window.Over(4) ?? 0);
        var wasIn = (shadow.Step, shadow.Phase);
        shadow.Follow(
            mean.Minutes,
            mean.Celsius,
            shares.Mean(mean.Minutes - 1, mean.Minutes + 0.5),
            mean.SetPoint,
            linkTells,
            sigma,
            window.Over(3) ?? r5,
            observer!.SlopesOver(5)
        );
        Turned(wasIn, mean.Minutes);
        var full = IsFullInferred(mean, r5, sigma);
        var rows = observer!.Rows;
        var isSound =
            !isCarried
            && !Board.IsOn(AlarmIds.StuckOn)
            && !Board.IsOn(AlarmIds.NoHeat)
            && !Board.IsOn(AlarmIds.FallsFast)
            && !Board.IsOn(AlarmIds.Frozen)
            && !power.IsSilent(mean.Minutes)
            && mean.Minutes >= trustedFrom;
        var to = mean.Minutes - LagMinutes;
        observer.Follow(to, mean.Celsius, new Heating(ShareOver(observer.Minutes, to), full, isSound, mean.ByHand), sigma);
        work?.To(to, mean.Celsius);
        if (!isCarried)
            LookAround(mean, r5, r10, sigma, full);
        if (
            observer.Rows != rows
            && weak.Look(
                mean.Minutes,
                observer.Estimate,
                observer.ApparentPower,
                observer.Rows,
                shadow.Phase is LivePhase.Climb or LivePhase.Hold,
                power.IsSilent(mean.Minutes)
            )
            && afterwards is null
        )
            observer.DoubtPower(0.2);
        steam.See(mean.Minutes, mean.Celsius, shadow.Phase);
        LookForEnd(mean.Minutes);
        if (afterwards is null && mean.Minutes >= nextForecast && shadow.Phase != LivePhase.Waiting)
            LookAhead(mean.Minutes, !isCarried);
    }

    private void Start(MinuteMean mean)
    {
        first = mean.Celsius;
        observer = new KilnObserver(firing.Kiln, firing.Load, mean.Celsius, mean.Minutes - LagMinutes, afterwards ?? firing.Known);
        if (!firing.Cones.IsEmpty)
            work = new HeatWorkSoFar(firing.Cones, firing.Offset.Mean, mean.Minutes - LagMinutes, mean.Celsius);
    }

    /// <summary>What was told, or what follows from the power being off; the readings' time is the chamber's.</summary>
    private double? ShareOver(double from, double to) => shares.Mean(from, to) ?? (shadow.Phase == LivePhase.Off && shadow.OffSince <= from ? 0 : null);

    private void Turned((int Step, LivePhase Phase) was, double now)
    {
        var top = firing.Program.TopStep;
        if (
            topAt is null
            && was.Step <= top
            && ((shadow.Step == top && shadow.Phase == LivePhase.Hold) || shadow.Step > top || (shadow.Step == top && shadow.Phase == LivePhase.Off))
        )
            topAt = shadow.HoldBegan ?? now;
        var isOver = shadow.Phase == LivePhase.Off && shadow.Step == firing.Program.Steps.Length - 1;
        endAt = isOver ? endAt ?? shadow.OffSince ?? now : null;
        if (was != (shadow.Step, shadow.Phase))
            nextForecast = Math.Min(nextForecast, now);
        if (was.Step != shadow.Step)
            steam.StepOver(now, was.Step);
    }

    private bool IsFullInferred(MinuteMean mean, double r5, double sigma)
    {
        var behind = shadow.Phase == LivePhase.Climb && shadow.SetPoint - mean.Celsius > Math.Max(5, 4 * sigma) && r5 < 0.9 * shadow.AskedRate;
        behindSince = behind
            ? double.IsNaN(behindSince)
                ? mean.Minutes
                : behindSince
            : double.NaN;
        return behind && mean.Minutes - behindSince >= 5;
    }

    private void LookAround(MinuteMean mean, double r5, double r10, double sigma, bool full)
    {
        var now = mean.Minutes;
        var slopes = observer!.SlopesOver(5);
        var set = shadow.SetPoint is { } asked
            ? shadow.Phase is LivePhase.Climb or LivePhase.Hold
                ? Math.Min(asked, shadow.Goal)
                : asked
            : (double?)null;
        var share = shares.Mean(now - 1, now + 0.5);
        var told = shares.Mean(now - 6.5, now - 1.4)
            ?? (
                shares.IsTold(now) ? null
                : shadow.OffSince is { } off && now - off >= 7 ? 0
                : full && now - behindSince >= 10 ? 1
                : null
            );
        // How far it should have moved while it showed the same: as asked, at most as full power allows, or falling by itself.
        dueSince += shadow.Phase switch
        {
            LivePhase.Climb when share > 0.95 || full => slopes.FullPower / 60,
            LivePhase.Climb or LivePhase.Cool when !double.IsInfinity(shadow.AskedRate) && share is not < 0.05 => shadow.AskedRate / 60,
            LivePhase.Off => slopes.NoPower / 60,
            _ => 0,
        };
        power.Look(
            new MinuteFacts(
                Now: now,
                Shown: mean.Celsius,
                First: first,
                SigmaMean: sigma,
                R5: r5,
                R10: r10,
                R30: window.Over(30),
                Share: share,
                Share30: shares.Mean(now - 30, now),
                Told: told,
                NoPower: slopes.NoPower,
                FullPower: slopes.FullPower,
                Phase: shadow.Phase,
                SetPoint: set,
                AskedRate: shadow.AskedRate,
                Goal: shadow.Goal,
                SameFor: double.IsNaN(sameSince) ? 0 : now - sameSince,
                DueMeanwhile: Math.Abs(dueSince),
                IsFullInferred: full
            )
        );
    }

    private void LookForEnd(double now) =>
        outlook.LookForEnd(
            now,
            shadow.Phase is not LivePhase.Off and not LivePhase.Waiting,
            shadow.Step,
            shadow.Phase == LivePhase.Hold ? -shadow.HoldLeft : 0,
            firing.Program.Steps[Math.Min(shadow.Step, firing.Program.Steps.Length - 1)].HoldMinutes
        );

    private void LookAhead(double now, bool isSound)
    {
        nextForecast = Math.Floor(now / ForecastEvery + 1) * ForecastEvery;
        Forecast = MakeForecast(now);
        outlook.Look(Forecast, window.Last!.Value.Celsius, firing.GoalIndex, isSound && endAt is null);
    }

    private Forecast MakeForecast(double now)
    {
        var slope = shadow.Phase == LivePhase.Hold ? 0 : window.Over(5) ?? 0;
        var chamber = window.Last!.Value.Celsius + Math.Clamp(slope, -400, 400) / 60 * LagMinutes;
        var isOver = endAt is not null;
        return Forecaster.Of(
            observer!,
            firing.Load,
            firing.Program,
            firing.Kiln.Opens.Celsius,
            work,
            firing.GoalIndex,
            new ForecastStart(now, chamber, shadow.State(now), 0, isOver ? now - endAt!.Value : null, topAt, endAt, firing.Offset)
        );
    }

    private void Bridge(MinuteMean mean, double firstRead)
    {
        var bridge = GapSolver.Solve(
            observer!,
            firing.Load,
            firing.Program,
            shadow.State(window.Last!.Value.Minutes),
            readUntil + interval / 2 - observer!.Minutes,
            mean.Minutes - LagMinutes,
            mean.Celsius
        );
        gaps.Add(bridge);
        work?.Past(mean.Minutes - LagMinutes, mean.Celsius, bridge);
        var (from, start) = (observer!.Minutes, observer.Chamber);
        var curve = bridge.Curves.Length > 0 ? bridge.Curves[0] : [(from, start), (bridge.ToMinute, mean.Celsius)];
        foreach (var (minutes, celsius) in curve.Skip(1))
        {
            observer.Follow(minutes, celsius, new Heating(null, false, false, false), noise.Sigma);
            if (!bridge.NeedsOff && minutes < bridge.ToMinute - 0.5)
                shadow.Follow(minutes + LagMinutes, celsius, null, null, false, noise.Sigma, 0);
        }
        noise.Forget();
        trustedFrom = mean.Minutes + 10;
        if (!bridge.NeedsOff)
            return;
        shadow.BeginAgain(mean.Minutes, mean.Celsius);
        // Nobody knew of it before.
        Board.Record(
            AlarmIds.PowerCut,
            AlarmWeight.Warn,
            firstRead,
            firstRead,
            $"From {PowerAlarms.Whole(start)} to {PowerAlarms.Whole(mean.Celsius)} °C in {PowerAlarms.Whole(bridge.ToMinute - bridge.FromMinute)} min "
                + "without readings."
        );
    }
}
