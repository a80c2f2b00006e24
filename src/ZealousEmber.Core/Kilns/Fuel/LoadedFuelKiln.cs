using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A fuel kiln with what stands in it: schedules are planned into turns on it, and its times are those of the turns.</summary>
/// <param name="Kiln">Which.</param>
/// <param name="Standing">What stands in it.</param>
/// <param name="Start">Its temperature when the first burner is lit.</param>
public sealed record LoadedFuelKiln(FuelKiln Kiln, KilnLoad Standing, Temperature Start) : IKilnModel
{
    // Worked out once for what it is; a changed copy works them out anew.
    private KilnPowers? powers;
    private readonly int? every;
    private CancellationToken waiting;
    private Tuple<FiringProgram, Result<TurnPlan>>? last;

    private LoadedFuelKiln(LoadedFuelKiln other) =>
        (Kiln, Standing, Start, every, UnderWay, Estimate, waiting) = (
            other.Kiln,
            other.Standing,
            other.Start,
            other.every,
            other.UnderWay,
            other.Estimate,
            other.waiting
        );

    /// <summary>Minutes between turns, 15 … 60.</summary>
    public int Every
    {
        get => every ?? Kiln.TurnEvery;
        init => every = value;
    }

    /// <summary>Where a firing is planned anew from; nothing before it has begun.</summary>
    public FiringUnderWay? UnderWay { get; init; }

    /// <summary>Where it is by what was seen; nothing where nothing was.</summary>
    public FuelEstimate? Estimate { get; init; }

    private KilnPowers Powers => powers ??= FuelPortrait.PowersOf(Kiln, Standing, waiting);

    /// <inheritdoc/>
    public string? Name => Kiln.Name;

    /// <inheritdoc/>
    public KilnLoad? Load => Standing;

    /// <inheritdoc/>
    public Temperature Boiling => Ware.Boiling.At(Kiln.Altitude);

    /// <inheritdoc/>
    public Temperature TopLimit => Kiln.TopLimit < ScheduleLimits.Hottest ? Kiln.TopLimit : ScheduleLimits.Hottest;

    /// <inheritdoc/>
    public Temperature Hottest => Powers.Hottest < TopLimit ? Powers.Hottest : TopLimit;

    /// <inheritdoc/>
    public Temperature Opens => Kiln.Opens;

    /// <inheritdoc/>
    public double? Uncertainty => Kiln.Uncertainty;

    /// <summary>All burners at full pressure, as bills count it.</summary>
    public double? FullPower => Kiln.FullPower * Kiln.Fuel.Gross / Kiln.Fuel.Net * Math.Sqrt(Kiln.Thinness);

    /// <inheritdoc/>
    public DisplayOffset? Offset => Kiln.Offset;

    /// <inheritdoc/>
    public bool HasElements => false;

    /// <inheritdoc/>
    public bool Burns => true;

    /// <inheritdoc/>
    public string? Convention(TemperatureUnit unit) => null;

    /// <inheritdoc/>
    public double? UsualWare(ScheduleKind kind) => Kiln.UsualLoad(kind).WareMass;

    /// <inheritdoc/>
    public Rate? FastestClimb(Temperature at) => PaceAt.Between(Powers.Climb, at);

    /// <inheritdoc/>
    public Rate? NaturalFall(Temperature at) => PaceAt.Between(Powers.Fall, at);

    /// <inheritdoc/>
    public IKilnModel Wetter(double kg) => this with { Standing = Standing with { FreeWater = kg } };

    /// <inheritdoc/>
    public IKilnModel Awaited(CancellationToken cancel) => this with { waiting = cancel };

    /// <summary>The firing as turns.</summary>
    public Result<TurnPlan> Turns(FiringProgram program)
    {
        if (last is { } known && ReferenceEquals(known.Item1, program))
            return known.Item2;
        var plan = TurnPlanner.Plan(Kiln, Standing, Start, program, Every, UnderWay, waiting);
        last = Tuple.Create(program, plan);
        return plan;
    }

    /// <inheritdoc/>
    public Result<KilnRun> Run(FiringProgram program)
    {
        var plan = Turns(program);
        return plan.IsOk ? plan.Value.Run(Kiln.Fuel) : Result<KilnRun>.Failed(plan.Problems);
    }

    /// <inheritdoc/>
    public Result<CompiledSchedule> Times(FiringProgram program)
    {
        var plan = Turns(program);
        return plan.IsOk ? plan.Value.Compiled : Result<CompiledSchedule>.Failed(plan.Problems);
    }

    /// <summary>Two are the same when kiln, load, start and turns are.</summary>
    public bool Equals(LoadedFuelKiln? other) =>
        other is not null
        && Kiln == other.Kiln
        && Standing == other.Standing
        && Start == other.Start
        && Every == other.Every
        && UnderWay == other.UnderWay
        && Estimate == other.Estimate;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Kiln, Standing, Start, Every, UnderWay);
}
