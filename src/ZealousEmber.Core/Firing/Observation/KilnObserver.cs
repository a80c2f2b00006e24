using System.Collections.Immutable;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Thermal;

namespace ZealousEmber.Core.Firing.Observation;

/// <summary>How a minute was heated, as far as the observer is told.</summary>
/// <param name="Share">Mean power share; nothing where nobody knows.</param>
/// <param name="IsFull">Surely at full power, though no share is told.</param>
/// <param name="IsTrusted">What is told can be believed; nothing is learned from the rest.</param>
/// <param name="ByHand">Readings come from a hand, many minutes apart.</param>
internal readonly record struct Heating(double? Share, bool IsFull, bool IsTrusted, bool ByHand);

/// <summary>
/// The kiln model run beside the real kiln. Three walls with loss factors e^−0.15, 1, e^0.15 are led along the chamber's temperatures; every ten minutes
/// a heat balance, power · share − sensible − latent − into the walls = 0, corrects power, heat and loss (extended Kalman filter, Huber at 3 σ;
/// what the walls take is a parabola through the three). Power, heat and loss singly cannot be told apart: only what follows from them together.
/// Source: the project's paper on the firing day, section 2. Times in minutes, temperatures °C, power W.
/// </summary>
internal sealed class KilnObserver
{
    private const double Apart = 0.15;
    private const double RowMinutes = 10;
    private const double WeakestShare = 0.98;
    private const double Huber = 3;
    private const double OffShare = 0.01;
    private const double HandError = 0.12;
    private const double OfUncertainty = 1.28;

    private readonly Kiln kiln;
    private readonly KilnLoad load;
    private readonly ObserverTuning tuning;
    private readonly ThermalModel[] walls;
    private readonly Queue<Piece> recent = new();
    private Row row;

    /// <summary>Starts beside a kiln that is as warm throughout as it shows.</summary>
    /// <param name="kiln">With its stored numbers.</param>
    /// <param name="load">What stands in it.</param>
    /// <param name="start">°C, walls and all.</param>
    /// <param name="at">Minutes since the start.</param>
    /// <param name="tuning">What it starts from; as for a firing that goes on when missing.</param>
    public KilnObserver(Kiln kiln, KilnLoad load, double start, double at, ObserverTuning? tuning = null)
    {
        (this.kiln, this.load, Minutes, this.tuning) = (kiln, load, at, tuning ?? ObserverTuning.Live);
        walls = [.. new[] { -Apart, 0, Apart }.Select(ln => new ThermalModel(kiln.Scaled(1, 1, Math.Exp(ln)).Body, load, start))];
        Estimate = this.tuning.Prior ?? Before(kiln, load.HeatUnsure);
        row = new Row { From = at };
    }

    private KilnObserver(KilnObserver from)
    {
        (kiln, load, tuning, Minutes, Estimate, row) = (from.kiln, from.load, from.tuning, from.Minutes, from.Estimate, from.row);
        walls = [.. new[] { -Apart, 0, Apart }.Select((ln, i) => new ThermalModel(kiln.Scaled(1, 1, Math.Exp(ln)).Body, load, from.walls[i].State))];
        foreach (var piece in from.recent)
            recent.Enqueue(piece);
        (Rows, ApparentPower, AskedOfPower) = (from.Rows, from.ApparentPower, from.AskedOfPower);
    }

    /// <summary>What is known of a kiln before anything was seen of it.</summary>
    /// <param name="kiln">With its stored numbers.</param>
    /// <param name="heat">Standard deviation of ln of the heat capacity.</param>
    internal static KilnEstimate Before(Kiln kiln, double heat)
    {
        var unsure = kiln.Uncertainty / OfUncertainty;
        return new KilnEstimate(0, 0, 0, Covariance.Of(unsure, heat, unsure));
    }

    /// <summary>Until when the chamber was followed.</summary>
    public double Minutes { get; private set; }

    /// <summary>The chamber then.</summary>
    public double Chamber => walls[1].Chamber;

    /// <summary>The hottest it was.</summary>
    public double Hottest => walls[1].HottestSoFar;

    /// <summary>What is known of the kiln.</summary>
    public KilnEstimate Estimate { get; private set; }

    /// <summary>Heat balances made so far.</summary>
    public int Rows { get; private set; }

    /// <summary>ln of the power the last balance tells, on its own, against the stored; nothing where little power was on.</summary>
    public double? ApparentPower { get; private set; }

    /// <summary>Share of full power the model asks for the last balance.</summary>
    public double AskedOfPower { get; private set; }

    /// <summary>The same at this moment, to be led another way.</summary>
    public KilnObserver Copy() => new(this);

    /// <summary>Follows the chamber in a straight line to a moment.</summary>
    /// <param name="minutes">When.</param>
    /// <param name="chamber">°C there.</param>
    /// <param name="heating">How it was heated meanwhile.</param>
    /// <param name="sigma">Standard deviation of the temperature, K.</param>
    public void Follow(double minutes, double chamber, Heating heating, double sigma)
    {
        var span = minutes - Minutes;
        if (span <= 1e-9)
            return;
        var (from, pieces) = (Chamber, Math.Max(1, (int)Math.Ceiling(span - 1e-9)));
        for (var i = 1; i <= pieces; i++)
            Piecewise(span / pieces, from + (chamber - from) * i / pieces, heating);
        if (Minutes - row.From >= RowMinutes - 1e-6)
            Close(sigma, heating.ByHand);
    }

    /// <summary>Moves on by the model itself, with a share of the power it is estimated to give. Gives the chamber it comes to.</summary>
    public double Carry(double minutes, double share)
    {
        var (kilnNow, state) = ModelAt(Estimate);
        var model = new ThermalModel(kilnNow.Body, load, state);
        var at = Minutes;
        while (at < minutes - 1e-9)
        {
            var dt = Math.Min(1, minutes - at);
            model.StepWithPower(dt * 60, share * kilnNow.FullPower);
            at += dt;
            Piecewise(dt, model.Chamber, new Heating(share, false, false, false));
        }
        if (Minutes - row.From >= RowMinutes)
            row = new Row { From = Minutes };
        return model.Chamber;
    }

    /// <summary>The kiln and its warmth for any estimate: the walls by the same parabola.</summary>
    public (Kiln Kiln, ThermalState State) ModelAt(KilnEstimate estimate) => ModelAt(estimate.LnPower, estimate.LnHeat, estimate.LnLoss, Chamber);

    /// <summary>The same for any factors, and another temperature of the chamber.</summary>
    public (Kiln Kiln, ThermalState State) ModelAt(double lnPower, double lnHeat, double lnLoss, double chamber)
    {
        var x = Math.Clamp(lnLoss, -3 * Apart, 3 * Apart);
        var (low, mid, high) = (walls[0].State, walls[1].State, walls[2].State);
        var wall = ImmutableArray.CreateBuilder<double>(mid.Wall.Length);
        for (var i = 0; i < mid.Wall.Length; i++)
            wall.Add(Parabola(low.Wall[i], mid.Wall[i], high.Wall[i], x));
        var state = new ThermalState(chamber, mid.Display, wall.MoveToImmutable(), Math.Max(mid.Hottest, chamber));
        return (kiln.Scaled(Math.Exp(lnPower), Math.Exp(lnHeat), Math.Exp(lnLoss)), state);
    }

    /// <summary>
    /// How fast the kiln would have gone over the last minutes with no power and at full power, °C/h, and what its power and heat are:
    /// the walls' share as it was.
    /// </summary>
    public Slopes SlopesOver(double minutes)
    {
        double heat = 0,
            time = 0,
            latent = 0,
            capacity = 0;
        var x = Math.Clamp(Estimate.LnLoss, -3 * Apart, 3 * Apart);
        foreach (var piece in recent)
        {
            if (piece.Until <= Minutes - minutes + 1e-6)
                continue;
            heat += Parabola(piece.Low, piece.Mid, piece.High, x);
            latent += piece.Latent;
            capacity += piece.Capacity * piece.Seconds;
            time += piece.Seconds;
        }
        if (time <= 0)
            return new Slopes(0, 0, 0);
        capacity = capacity / time * Estimate.Heat;
        var power = kiln.FullPower * Estimate.Power;
        var lost = (heat + latent) / time;
        return new Slopes(-lost / capacity * 3600, (power - lost) / capacity * 3600, power / capacity * 60);
    }

    /// <summary>Doubts the power from here on: something changed in the firing.</summary>
    public void DoubtPower(double sd) => Estimate = Estimate with { Covariance = Estimate.Covariance.Plus(sd * sd, 0, 0) };

    private static double Parabola(double low, double mid, double high, double x)
    {
        var slope = (high - low) / (2 * Apart);
        var bend = (high + low - 2 * mid) / (2 * Apart * Apart);
        return mid + slope * x + bend * x * x;
    }

    private void Piecewise(double minutes, double chamber, Heating heating)
    {
        var (seconds, before, hottest) = (minutes * 60, Chamber, Hottest);
        var model = walls[1];
        var sensible = model.Sensible(before, chamber);
        var latent = model.LatentBetween(hottest, Math.Max(hottest, chamber));
        var capacity = model.Sensible(chamber - 0.5, chamber + 0.5);
        var taken = (walls[0].StepAlong(seconds, chamber), walls[1].StepAlong(seconds, chamber), walls[2].StepAlong(seconds, chamber));
        Minutes += minutes;
        recent.Enqueue(new Piece(Minutes, seconds, taken.Item1, taken.Item2, taken.Item3, latent, capacity));
        while (recent.Count > 0 && recent.Peek().Until < Minutes - 12)
            recent.Dequeue();
        row.Sensible += sensible;
        row.Latent += latent;
        row.Low += taken.Item1;
        row.Mid += taken.Item2;
        row.High += taken.Item3;
        row.Seconds += seconds;
        row.Untrusted |= !heating.IsTrusted;
        if (heating.Share is { } share)
            row.Drawn += share * seconds;
        else if (heating.IsFull)
            row.Drawn += seconds;
        else
            row.Unknown = true;
    }

    /// <summary>A heat balance over the row: what it tells of power, heat and loss.</summary>
    private void Close(double sigma, bool byHand)
    {
        var r = row;
        row = new Row { From = Minutes };
        var t = r.Seconds;
        var hours = t / 3600;
        if (tuning.Wanders)
            Estimate = Estimate with { Covariance = Estimate.Covariance.Plus(0.02 * 0.02 * hours, 0.01 * 0.01 * hours, 0.02 * 0.02 * hours) };
        var x = Math.Clamp(Estimate.LnLoss, -3 * Apart, 3 * Apart);
        var (sensible, latent) = (Estimate.Heat * r.Sensible / t, r.Latent / t);
        var wall = Parabola(r.Low, r.Mid, r.High, x) / t;
        var slope = ((r.High - r.Low) / (2 * Apart) + (r.High + r.Low - 2 * r.Mid) / (Apart * Apart) * x) / t;
        var full = kiln.FullPower;
        AskedOfPower = (sensible + latent + wall) / (full * Estimate.Power);
        ApparentPower = null;
        if (r.Untrusted)
            return;
        var share = r.Drawn / t;
        // No share was told: only what cannot be done with less than full power says something.
        if (r.Unknown)
        {
            if (AskedOfPower <= WeakestShare)
                return;
            share = 1;
        }
        if (share > 0.25 && sensible + latent + wall > 0)
            ApparentPower = Math.Log((sensible + latent + wall) / (full * share));
        Rows++;
        // As a share of full power, or with the power off of what the walls take: a kiln that is more of everything tells nothing apart, and the
        // filter must not be drawn towards less of everything.
        var power = full * Estimate.Power;
        var isOff = share < OffShare && Math.Abs(wall) > 0.005 * full;
        var unit = isOff ? Math.Abs(wall) : power;
        var e = (power * share - sensible - latent - wall) / unit;
        var capacity = Estimate.Heat * recent.Last().Capacity;
        var noise = capacity * Math.Sqrt(2) * sigma / t / unit;
        var balance = (byHand ? HandError : tuning.Balance) * full * (0.4 + 0.6 * share) / unit;
        var (ha, hh, hl) = isOff
            ? (0, -sensible / unit, (sensible + latent) * slope / (wall * unit))
            : ((sensible + latent + wall) / unit, -sensible / unit, -slope / unit);
        var (pa, ph, pl) = Estimate.Covariance.Times(ha, hh, hl);
        var s = ha * pa + hh * ph + hl * pl + noise * noise + balance * balance;
        // Huber: far off, it counts as if it were three standard deviations off.
        var off = Math.Abs(e) / Math.Sqrt(s);
        if (off > Huber)
            s *= off / Huber;
        var k = (pa / s, ph / s, pl / s);
        Estimate = new KilnEstimate(
            Limit(Estimate.LnPower - k.Item1 * e),
            Limit(Estimate.LnHeat - k.Item2 * e),
            Limit(Estimate.LnLoss - k.Item3 * e),
            Estimate.Covariance.Less(k, s)
        );
    }

    // Beyond this it is another kiln.
    private static double Limit(double ln) => Math.Clamp(ln, -0.9, 0.6);

    private record struct Row
    {
        public double From;
        public double Seconds;
        public double Sensible;
        public double Latent;
        public double Low;
        public double Mid;
        public double High;
        public double Drawn;
        public bool Unknown;
        public bool Untrusted;
    }

    private readonly record struct Piece(double Until, double Seconds, double Low, double Mid, double High, double Latent, double Capacity);
}

/// <summary>What a kiln does by itself here.</summary>
/// <param name="NoPower">°C/h with none.</param>
/// <param name="FullPower">°C/h with all.</param>
/// <param name="MostPerMinute">K/min that all its power alone would give the chamber.</param>
internal readonly record struct Slopes(double NoPower, double FullPower, double MostPerMinute);
