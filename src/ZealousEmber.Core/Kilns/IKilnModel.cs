using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns;

/// <summary>
/// A kiln with what stands in it and as warm as it is: all that planner, reviewer, clock and preview ask of one. An electric kiln, a fuel
/// kiln and "no kiln chosen" answer in their own ways; nobody above asks which of them it is.
/// </summary>
public interface IKilnModel
{
    /// <summary>What people call it; nothing while no kiln is chosen.</summary>
    string? Name { get; }

    /// <summary>What stands in it, as far as heat goes; nothing where that makes no difference to the model.</summary>
    KilnLoad? Load { get; }

    /// <summary>Its temperature when it is switched on.</summary>
    Temperature Start { get; }

    /// <summary>When water boils where it stands.</summary>
    Temperature Boiling { get; }

    /// <summary>The hottest its maker allows.</summary>
    Temperature TopLimit { get; }

    /// <summary>The hottest it gets with this load, never more than <see cref="TopLimit"/>.</summary>
    Temperature Hottest { get; }

    /// <summary>When it may be opened.</summary>
    Temperature Opens { get; }

    /// <summary>How far its times and energy may be off either way, a share; nothing where that is not known.</summary>
    double? Uncertainty { get; }

    /// <summary>Most heat it can draw, W; nothing where that is not known.</summary>
    double? FullPower { get; }

    /// <summary>What is to be added to its display to be true; nothing while nobody read a pack in it. Its curves are what the display shows.</summary>
    DisplayOffset? Offset => null;

    /// <summary>True where heat comes from elements that grow old above 1200 °C.</summary>
    bool HasElements { get; }

    /// <summary>Share of their power its elements still give; 1 where it has none.</summary>
    double ElementHealth => 1;

    /// <summary>The same kiln with new elements; nothing where they are as good as new.</summary>
    IKilnModel? Renewed => null;

    /// <summary>True where burners heat it: its air can be chosen, and hands turn it up.</summary>
    bool Burns => false;

    /// <summary>What its times rest on, where that is a convention; for the screen.</summary>
    /// <param name="unit">Scale of the numbers in it.</param>
    string? Convention(TemperatureUnit unit);

    /// <summary>kg of ware usual in it for a kind of firing; nothing where that is not known.</summary>
    double? UsualWare(ScheduleKind kind);

    /// <summary>The fastest it can climb at a temperature with this load; nothing where that is not known.</summary>
    Rate? FastestClimb(Temperature at);

    /// <summary>How fast it falls by itself at a temperature, without a sign; nothing where that is not known.</summary>
    Rate? NaturalFall(Temperature at);

    /// <summary>The same kiln holding other water; what does not boil water off stays as it is.</summary>
    /// <param name="kg">Water still in the ware.</param>
    IKilnModel Wetter(double kg);

    /// <summary>
    /// The whole firing, until it may be opened. Problems name <c>segments[0].target</c> when a first "off" would have to climb and
    /// <c>segments</c> when it would last longer than can be worked out. A kiln that cannot get there is no problem of the program:
    /// <see cref="KilnRun.Stall"/> says so.
    /// </summary>
    Result<KilnRun> Run(FiringProgram program);

    /// <summary>The same kiln, worked out only while somebody waits: a run that is given up throws <see cref="OperationCanceledException"/>.</summary>
    IKilnModel Awaited(CancellationToken cancel) => this;

    /// <summary>Only the times, to the end of the last step: what solvers ask again and again.</summary>
    Result<CompiledSchedule> Times(FiringProgram program);
}
