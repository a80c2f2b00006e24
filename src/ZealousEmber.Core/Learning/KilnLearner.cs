using System.Collections.Immutable;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Learning;

/// <summary>What a kiln has taught.</summary>
/// <param name="Offset">To be added to the display to be true, at the goal last read, K.</param>
/// <param name="Line">The same over temperature.</param>
/// <param name="Packs">Packs behind it.</param>
/// <param name="Held">Packs of the last firing that were not believed.</param>
/// <param name="Shelves">Each shelf against their mean, °C of cone.</param>
/// <param name="Health">Power of its elements against new ones.</param>
/// <param name="Power">Power against the stored.</param>
/// <param name="Heat">Heat capacity of the load against the usual.</param>
/// <param name="Loss">Conductivity of the walls against the usual.</param>
/// <param name="Logs">Logs behind these.</param>
/// <param name="Estimate">Power and loss as they are carried on.</param>
public sealed record KilnLessons(
    Estimated Offset,
    DisplayOffset Line,
    int Packs,
    ImmutableArray<HeldBack> Held,
    ImmutableArray<(string Shelf, Estimated Own)> Shelves,
    Estimated Health,
    Estimated Power,
    Estimated Heat,
    Estimated Loss,
    int Logs,
    KilnEstimate Estimate
)
{
    /// <summary>Between its hottest and its coolest shelf, °C of cone; nothing while fewer than two were read.</summary>
    public double? Evenness => Shelves.Length < 2 ? null : Shelves.Max(s => s.Own.Mean) - Shelves.Min(s => s.Own.Mean);

    /// <summary>A kiln with its power, loss and display as they were learned, and as sure as that is.</summary>
    public Kiln Of(Kiln kiln) =>
        (
            Logs == 0
                ? kiln
                : kiln.Learned(
                    kiln.HeatFactor,
                    kiln.LossFactor * Loss.Mean,
                    kiln.ElementHealth * Power.Mean,
                    Math.Min(kiln.Uncertainty, 1.28 * Math.Max(Power.Sd, Loss.Sd))
                )
        ).With(Packs == 0 ? null : Line);
}

/// <summary>Learns a kiln from its firings, one after another.</summary>
public sealed class KilnLearner(Kiln kiln)
{
    private readonly OffsetFilter offset = new();
    private readonly ElementFilter elements = new(kiln);

    /// <summary>The thermocouple was changed before the next firing.</summary>
    public void NewThermocouple() => offset.NewThermocouple();

    /// <summary>The elements were changed before the next firing.</summary>
    public void NewElements()
    {
        offset.NewElements();
        elements.NewElements();
    }

    /// <summary>Learns power and loss from the log of a firing in this kiln.</summary>
    public void Learn(FinishedFiring firing) => Learn(firing.Estimate);

    /// <summary>
    /// The same from what goes through the log, once or twice: from what is known before and what is known of the display; nothing where there is too little
    /// of it.
    /// </summary>
    public void Learn(Func<ObserverTuning, DisplayOffset?, KilnEstimate?> follow)
    {
        var line = offset.Readings > 0 ? offset.Line : null;
        elements.Learn(tuning => follow(tuning, line));
    }

    /// <summary>Learns offset and evenness from the packs of a firing.</summary>
    /// <param name="packs">As read.</param>
    /// <param name="progress">Heat work of every cone along what the display showed; empty without a log.</param>
    /// <param name="goal">The cone it was fired to.</param>
    public void Learn(IReadOnlyList<ReadPack> packs, ImmutableArray<double> progress, Cone? goal)
    {
        if (progress.IsDefaultOrEmpty)
            return;
        var read = packs.Select(p => ShelfHeat.Of(p, c => progress[c.Order])).ToList();
        // Without a goal: the cone that was nearest to falling.
        var aim = goal ?? (packs.Count > 0 ? packs[0].Cones.MinBy(c => Math.Abs(c.Bend - 90)).Cone : (Cone?)null);
        if (aim is { } cone)
            offset.Learn(read, cone);
    }

    /// <summary>What was learned so far.</summary>
    public KilnLessons Learned
    {
        get
        {
            var sd = elements.Now.Covariance.Sd;
            return new KilnLessons(
                offset.Offset,
                offset.Line,
                offset.Readings,
                offset.Held,
                offset.Shelves,
                elements.Health,
                new Estimated(elements.Now.Power, elements.Now.Power * sd.Power),
                elements.HeatFactor,
                new Estimated(elements.Now.Loss, elements.Now.Loss * sd.Loss),
                elements.Firings,
                elements.Now
            );
        }
    }
}
