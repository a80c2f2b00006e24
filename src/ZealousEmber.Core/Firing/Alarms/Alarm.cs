namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>How grave an alarm is.</summary>
public enum AlarmWeight
{
    /// <summary>Something to know.</summary>
    Note,

    /// <summary>Somebody is asked to look.</summary>
    Ask,

    /// <summary>The firing is not going as it should.</summary>
    Warn,

    /// <summary>Kiln, ware or people may come to harm. It stays until somebody has acknowledged it.</summary>
    Danger,
}

/// <summary>An alarm of a firing. Minutes since the start.</summary>
/// <param name="Id">As in the project's list: stuck-on, weak, steam-look.</param>
/// <param name="Weight">How grave.</param>
/// <param name="Since">When it was raised.</param>
/// <param name="Until">When it was over; nothing while it is not.</param>
/// <param name="Text">What is seen, what it means, what to do.</param>
/// <param name="Evidence">The numbers it rests on.</param>
/// <param name="AcknowledgedBy">Who has seen it; nothing while nobody has.</param>
/// <param name="Note">What they said.</param>
public sealed record Alarm(
    string Id,
    AlarmWeight Weight,
    double Since,
    double? Until,
    string Text,
    string Evidence,
    string? AcknowledgedBy = null,
    string? Note = null
);
