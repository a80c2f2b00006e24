using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns;

/// <summary>A kiln as it stands in a studio, whatever heats it: what people call it, where it stands, how large it is inside.</summary>
public abstract record StudioKiln
{
    /// <summary>Longest name, characters.</summary>
    public const int LongestName = 60;

    /// <summary>Longest notes, characters.</summary>
    public const int LongestNotes = 2000;

    private protected StudioKiln(string name) => Name = name;

    /// <summary>What people call it.</summary>
    public string Name { get; private protected init; }

    /// <summary>Short name of the class it was started from.</summary>
    public abstract string ClassId { get; }

    /// <summary>That class for people.</summary>
    public abstract string ClassName { get; }

    /// <summary>Anything worth keeping beside it.</summary>
    public string? Notes { get; private protected init; }

    /// <summary>The scale its temperatures were given in; the values themselves are °C.</summary>
    public TemperatureUnit Unit { get; private protected init; }

    /// <summary>Litres inside.</summary>
    public double Volume { get; private protected init; }

    /// <summary>Metres above sea level.</summary>
    public double Altitude { get; private protected init; }

    /// <summary>The air around it.</summary>
    public Temperature Room { get; private protected init; }

    /// <summary>The hottest its maker allows.</summary>
    public Temperature TopLimit { get; private protected init; }

    /// <summary>When the studio calls it safe to open.</summary>
    public Temperature Opens { get; private protected init; }

    /// <summary>How far times and energy may be off either way, a share; 0.1 until learned (kiln model paper).</summary>
    public double Uncertainty { get; private protected init; }

    /// <summary>What is to be added to its display to be true, as packs have taught; nothing until then. No part of what a person says of a kiln.</summary>
    public DisplayOffset? Offset { get; private protected init; }

    /// <summary>The controller of the studio it is told its firings by; nothing where none is named.</summary>
    public int? ControllerId { get; private protected init; }

    /// <summary>Its inside and shelves as somebody measured them; nothing where they are those of its class.</summary>
    public Chamber? OwnChamber { get; private protected init; }

    /// <summary>Its props as somebody counted them; nothing where they are those of its class.</summary>
    public PropStock? OwnProps { get; private protected init; }

    /// <summary>Its inside and shelves.</summary>
    public abstract Chamber Chamber { get; }

    /// <summary>Its props.</summary>
    public abstract PropStock Props { get; }

    /// <summary>The coolest it gets by itself in any time worth waiting for: 5 K above the room.</summary>
    public Temperature CoolsTo => Room + TemperatureDifference.FromKelvins(5);

    /// <summary>What a full load of a kind of firing usually is in this kiln.</summary>
    /// <param name="kind">Of the firing.</param>
    /// <param name="fill">How full, 1 being a usual full load.</param>
    public abstract KilnLoad UsualLoad(ScheduleKind kind, double fill = 1);

    /// <summary>The same kiln, its times and energy so many times as unsure, within what may be said of that.</summary>
    public abstract StudioKiln Unsure(double times);

    /// <summary>The kiln with what stands in it and as warm as it is: what firings are worked out on.</summary>
    public abstract IKilnModel With(KilnLoad load, Temperature start);

    /// <summary>A name and notes as they may be kept; problems at <c>name</c> and <c>notes</c>.</summary>
    private protected static (string Name, string? Notes) ReadWords(string? name, string? notes, List<Problem> problems)
    {
        var line = Text.OneLine(name);
        if (line is null)
            problems.Add(new Problem("name", "A kiln needs a name to call it by."));
        else if (line.Length > LongestName)
            problems.Add(new Problem("name", $"A kiln's name has at most {LongestName} characters; this one has {line.Length}."));
        var lines = Text.Lines(notes);
        if (lines?.Length > LongestNotes)
            problems.Add(new Problem("notes", $"Notes have at most {LongestNotes} characters; these have {lines.Length}."));
        return (line ?? "", lines);
    }

    /// <summary>A problem where it would never get as cold as it is to be opened.</summary>
    private protected Problem? OpensTooCold(string field) =>
        Opens < CoolsTo ? new Problem(field, "It never gets as cold as that: a kiln stops a few degrees above the room it stands in.") : null;
}
