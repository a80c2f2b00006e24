using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Learning;

/// <summary>A number with how sure it is.</summary>
/// <param name="Mean">Most likely.</param>
/// <param name="Sd">Standard deviation.</param>
public readonly record struct Estimated(double Mean, double Sd);

/// <summary>A pack that says so much else that it was not believed: 04 or 4?</summary>
/// <param name="Shelf">Where it stood.</param>
/// <param name="Told">The offset it tells, K.</param>
/// <param name="Expected">The offset that was expected, K.</param>
public sealed record HeldBack(string Shelf, double Told, double Expected);

/// <summary>
/// The offset of a display and the evenness of a kiln from the packs of its firings, one after another: offset, its slope, each shelf's own, as a Kalman
/// filter. A firing scatters by 3 K, a pack by 1.5 more; from one to the next they wander by 1, 0.3 and 0.5 K. What lies more than four standard deviations
/// off is held back until a second says the same. Source: the project's paper on the firing day, section 6. Temperatures in K.
/// </summary>
internal sealed class OffsetFilter
{
    private const double Scatter = 3;
    private const double OfPack = 1.5;
    private const double Believed = 4;
    private const double Widening = 12;
    private static readonly (double Offset, double Slope, double Shelf) Prior = (8, 4, 5);
    private static readonly (double Offset, double Slope, double Shelf) Walk = (1, 0.3, 0.5);

    private readonly List<string> shelves = [];
    private Gaussian state = new(2);
    private ImmutableArray<HeldBack> held = [];
    private double at = 0.36;

    public OffsetFilter() => NewThermocouple();

    /// <summary>Packs that were believed since the thermocouple was new.</summary>
    public int Readings { get; private set; }

    /// <summary>Packs of the last firing that were not believed.</summary>
    public ImmutableArray<HeldBack> Held => held;

    /// <summary>Another thermocouple: nothing is known of it yet.</summary>
    public void NewThermocouple()
    {
        state.Forget(0, Prior.Offset);
        state.Forget(1, Prior.Slope);
        (Readings, held) = (0, []);
    }

    /// <summary>Other elements: shelves may be otherwise now.</summary>
    public void NewElements()
    {
        for (var i = 2; i < state.Size; i++)
            state.Widen(i, 4);
    }

    /// <summary>Learns from the packs of a firing with a log.</summary>
    public void Learn(IReadOnlyList<ShelfHeat> packs, Cone goal)
    {
        state.Widen(0, Walk.Offset);
        state.Widen(1, Walk.Slope);
        for (var i = 2; i < state.Size; i++)
            state.Widen(i, Walk.Shelf);
        if (packs.Count == 0)
            return;
        at = (ConeTable.Of(goal).At60 - 1150) / 200;
        foreach (var pack in packs.Where(p => !shelves.Contains(p.Shelf)))
        {
            shelves.Add(pack.Shelf);
            state = state.With(Prior.Shelf);
        }
        var scattered = state.With(Scatter);
        var before = held;
        var doubted = false;
        var unbelieved = new List<HeldBack>();
        foreach (var pack in packs)
        {
            if (pack.Offset is not { } told)
                continue;
            var row = Row(pack.Shelf, scattered.Size, scatter: true);
            var noise = OfPack * OfPack + pack.Sd * pack.Sd;
            var expected = scattered.Mean(row);
            // One side says something only where it is not so.
            if (pack.Bound != 0 && Math.Sign(told - expected) != pack.Bound)
                continue;
            if (Math.Abs(told - expected) > Believed * Math.Sqrt(scattered.Variance(row) + noise))
            {
                if (!before.Any(h => Math.Sign(h.Told - h.Expected) == Math.Sign(told - expected)))
                {
                    unbelieved.Add(new HeldBack(pack.Shelf, told, expected));
                    continue;
                }
                if (!doubted)
                    scattered.Widen(0, Widening);
                doubted = true;
            }
            scattered.Learn(row, told, noise);
            Readings++;
        }
        held = [.. unbelieved];
        state = scattered.Without(scattered.Size - 1);
    }

    /// <summary>The offset at the goal that was last read, over the shelves that were read, K.</summary>
    public Estimated Offset
    {
        get
        {
            var row = Mean();
            row[1] = at;
            return new Estimated(state.Mean(row), Math.Sqrt(state.Variance(row)));
        }
    }

    /// <summary>The same as a line over temperature.</summary>
    public DisplayOffset Line => new(state.Mean(Mean()), state.Mean(Unit(1)), Offset.Sd, Readings);

    /// <summary>Each shelf against their mean, K, in the order they were first read.</summary>
    public ImmutableArray<(string Shelf, Estimated Own)> Shelves =>
        [
            .. shelves.Select(
                (shelf, i) =>
                {
                    var row = Mean();
                    row[0] = 0;
                    for (var j = 2; j < row.Length; j++)
                        row[j] = (j == i + 2 ? 1 : 0) - row[j];
                    return (shelf, new Estimated(state.Mean(row), Math.Sqrt(state.Variance(row))));
                }
            ),
        ];

    private double[] Mean()
    {
        var row = Unit(0);
        for (var i = 2; i < row.Length; i++)
            row[i] = 1.0 / shelves.Count;
        return row;
    }

    private double[] Unit(int index)
    {
        var row = new double[state.Size];
        row[index] = 1;
        return row;
    }

    private double[] Row(string shelf, int size, bool scatter)
    {
        var row = new double[size];
        (row[0], row[1], row[2 + shelves.IndexOf(shelf)]) = (1, at, 1);
        if (scatter)
            row[^1] = 1;
        return row;
    }
}
