namespace ZealousEmber.App.Contracts;

/// <summary>How the switches of a firing under way are turned; minutes since it was switched on.</summary>
/// <param name="Minute">Now.</param>
/// <param name="Sections">What its switches are called.</param>
/// <param name="Positions">What each can be turned to, the lowest first.</param>
/// <param name="Turns">As they were turned, then as they are to be.</param>
/// <param name="Due">Index of the next one nobody has made; as many as there are when only the off is left.</param>
/// <param name="OffMinute">When all are turned off; when they were, once they are.</param>
/// <param name="IsOff">They are.</param>
/// <param name="Power">Of the power on its plate that comes, as far as readings tell, a share; nothing without any.</param>
/// <param name="Cutoff">The cone that switches off by itself; nothing where there is no place for one.</param>
/// <param name="TimerMinutes">What the timer is set to; nothing where there is none.</param>
/// <param name="Says">What changes by the next turn, in words.</param>
public sealed record SwitchesContract(
    double Minute,
    IReadOnlyList<string> Sections,
    IReadOnlyList<string> Positions,
    IReadOnlyList<SwitchTurnContract> Turns,
    int Due,
    double OffMinute,
    bool IsOff,
    double? Power,
    string? Cutoff,
    double? TimerMinutes,
    string Says
);

/// <summary>A turn.</summary>
/// <param name="At">When it was made, or is to be.</param>
/// <param name="Positions">Of every section from then on.</param>
/// <param name="ShouldBe">What the program has there, °C; nothing where it has nothing.</param>
public sealed record SwitchTurnContract(double Minute, DateTimeOffset At, IReadOnlyList<string> Positions, bool IsMade, double? ShouldBe);
