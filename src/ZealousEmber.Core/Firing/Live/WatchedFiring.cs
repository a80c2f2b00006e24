using System.Collections.Immutable;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>What is watched: a program on a kiln with a load.</summary>
/// <param name="Kiln">With its stored numbers.</param>
/// <param name="Load">What stands in it.</param>
/// <param name="Program">As entered at its controller.</param>
/// <param name="Goal">The cone aimed at; nothing where there is none.</param>
/// <param name="Start">Of the kiln when it was switched on.</param>
/// <param name="Offset">What is to be added to the display to be true, K, with how sure; 0 ± 0 while nothing is known.</param>
/// <param name="Dials">How its switches are turned; nothing for a kiln that has none.</param>
/// <param name="Known">What firings before have taught of the kiln; nothing where it is only known by its stored numbers.</param>
public sealed record WatchedFiring(
    Kiln Kiln,
    KilnLoad Load,
    FiringProgram Program,
    Cone? Goal,
    Temperature Start,
    (double Mean, double Sd) Offset = default,
    ObserverTuning? Known = null,
    DialCourse? Dials = null
)
{
    private static readonly ImmutableArray<ImmutableArray<Cone>> Neighbours =
    [
        .. Cone.All.Select((_, at) => Cone.All.Skip(Math.Max(0, at - 1)).Take(at == 0 ? 2 : 3).ToImmutableArray()),
    ];

    private readonly ImmutableArray<Cone> others;

    /// <summary>The goal with its neighbours, coolest first; empty without a goal.</summary>
    public ImmutableArray<Cone> Cones
    {
        get => others.IsDefault ? Around(Goal) : others;
        init => others = value;
    }

    /// <summary>When water boils where it stands.</summary>
    public Temperature Boiling => Ware.Boiling.At(Kiln.Altitude);

    /// <summary>Index of the goal among <see cref="Cones"/>.</summary>
    public int GoalIndex => Goal is { } goal ? Cones.IndexOf(goal) : -1;

    /// <summary>Whether somebody has to look for steam when a step is over: a hold of raw ware below boiling.</summary>
    public bool IsSteamBlock(int step) =>
        Load.FirstFiring
        && step < Program.Steps.Length
        && Program.Steps[step] is { Target: { } target } s
        && s.HoldMinutes >= 10
        && target < Boiling
        && target > Kiln.Room;

    /// <summary>A goal with its neighbours, coolest first; empty without one.</summary>
    internal static ImmutableArray<Cone> Around(Cone? goal) => goal is { } cone ? Neighbours[cone.Order] : [];
}
