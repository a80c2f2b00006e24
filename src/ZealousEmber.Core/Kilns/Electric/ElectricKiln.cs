using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>An electric kiln with what stands in it.</summary>
/// <param name="Kiln">Which.</param>
/// <param name="Standing">What stands in it.</param>
/// <param name="Start">Its temperature when it is switched on.</param>
public sealed record ElectricKiln(Kiln Kiln, KilnLoad Standing, Temperature Start) : IKilnModel
{
    private const double AsGoodAsNew = 0.93;

    private readonly Lazy<KilnPowers> powers = new(() => KilnPortrait.Powers(Kiln, Standing));
    private CancellationToken waiting;

    /// <inheritdoc/>
    public string? Name => Kiln.Name;

    /// <inheritdoc/>
    public KilnLoad? Load => Standing;

    /// <inheritdoc/>
    public Temperature Boiling => Ware.Boiling.At(Kiln.Altitude);

    /// <inheritdoc/>
    public Temperature TopLimit => Kiln.TopLimit < ScheduleLimits.Hottest ? Kiln.TopLimit : ScheduleLimits.Hottest;

    /// <inheritdoc/>
    public Temperature Hottest => powers.Value.Hottest < TopLimit ? powers.Value.Hottest : TopLimit;

    /// <inheritdoc/>
    public Temperature Opens => Kiln.Opens;

    /// <inheritdoc/>
    public double? Uncertainty => Kiln.Uncertainty;

    /// <inheritdoc/>
    public double? FullPower => Kiln.FullPower;

    /// <inheritdoc/>
    public DisplayOffset? Offset => Kiln.Offset;

    /// <inheritdoc/>
    public bool HasElements => true;

    /// <inheritdoc/>
    public double ElementHealth => Kiln.ElementHealth;

    /// <inheritdoc/>
    public IKilnModel? Renewed =>
        Kiln.ElementHealth < AsGoodAsNew
            ? new ElectricKiln(Kiln.Learned(Kiln.HeatFactor, Kiln.LossFactor, 1, Kiln.Uncertainty), Standing, Start) { waiting = waiting }
            : null;

    /// <inheritdoc/>
    public string? Convention(TemperatureUnit unit) => null;

    /// <inheritdoc/>
    public double? UsualWare(ScheduleKind kind) => Kiln.UsualLoad(kind).WareMass;

    /// <inheritdoc/>
    public Rate? FastestClimb(Temperature at) => PaceAt.Between(powers.Value.Climb, at);

    /// <inheritdoc/>
    public Rate? NaturalFall(Temperature at) => PaceAt.Between(powers.Value.Fall, at);

    /// <inheritdoc/>
    public IKilnModel Wetter(double kg) => new ElectricKiln(Kiln, Standing with { FreeWater = kg }, Start) { waiting = waiting };

    /// <inheritdoc/>
    public IKilnModel Awaited(CancellationToken cancel) => new ElectricKiln(Kiln, Standing, Start) { waiting = cancel };

    /// <inheritdoc/>
    public Result<KilnRun> Run(FiringProgram program)
    {
        waiting.ThrowIfCancellationRequested();
        return KilnRunner.Run(program, Start, Kiln, Standing);
    }

    /// <inheritdoc/>
    public Result<CompiledSchedule> Times(FiringProgram program)
    {
        waiting.ThrowIfCancellationRequested();
        var run = KilnRunner.Run(program, Start, Kiln, Standing, untilOpen: false);
        return run.IsOk ? run.Value.Compiled : Result<CompiledSchedule>.Failed(run.Problems);
    }

    /// <summary>Two are the same when kiln, load and start are.</summary>
    public bool Equals(ElectricKiln? other) => other is not null && Kiln == other.Kiln && Standing == other.Standing && Start == other.Start;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Kiln, Standing, Start);
}
