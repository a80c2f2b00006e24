namespace ZealousEmber.Core.People;

/// <summary>What somebody is in a shared studio.</summary>
public enum Role
{
    /// <summary>Runs the studio: may do everything.</summary>
    Owner,

    /// <summary>Fires the kilns she is certified for.</summary>
    Firer,

    /// <summary>Has pots to be fired.</summary>
    Maker,

    /// <summary>A screen of the studio with nobody signed in: it only shows.</summary>
    Display,
}

/// <summary>What may be done, each a right of its own.</summary>
public enum Right
{
    /// <summary>Look at kilns, sheet, plan and shelf.</summary>
    See,

    /// <summary>What anybody with a name may do: have something worked out, and what is one's own.</summary>
    BeSomebody,

    /// <summary>Note a reading, a photo or a word of a firing.</summary>
    NoteReading,

    /// <summary>Add, change, hold, split and collect one's own lots.</summary>
    OwnLots,

    /// <summary>The same with anybody's lots, and load or lose them.</summary>
    AnyLots,

    /// <summary>Add and change firings, clays and glazes.</summary>
    Reserve,

    /// <summary>Start, stop, open and read a firing; for one kiln at a time.</summary>
    Run,

    /// <summary>Write schedules, and change those one wrote.</summary>
    OwnSchedules,

    /// <summary>Change anybody's schedules.</summary>
    AnySchedules,

    /// <summary>Plan the week, pin and accept.</summary>
    PlanWeek,

    /// <summary>Kilns, prices, rules, people, devices, copies, the audit.</summary>
    Manage,
}
