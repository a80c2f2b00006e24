using ZealousEmber.Core.Controllers;

namespace ZealousEmber.App.Contracts;

/// <summary>What was set, and what the controller shows.</summary>
/// <param name="Schedule">What for; a glaze firing when missing.</param>
/// <param name="ProfileId">A controller of the shelf,</param>
/// <param name="Profile">or one described here.</param>
/// <param name="Program">As it was set.</param>
/// <param name="Shown">What it shows, in the order it asks,</param>
/// <param name="Text">or as one text: parted by semicolons, bars, tabs or lines, else by blanks.</param>
/// <param name="Memory">What it held before, where that is known.</param>
/// <param name="StartTemperature">In the schedule's unit; 20 °C when missing.</param>
public sealed record ReadBackRequest(
    ScheduleContract? Schedule = null,
    int? ProfileId = null,
    ProfileData? Profile = null,
    IReadOnlyList<AnswerContract?>? Program = null,
    IReadOnlyList<string?>? Shown = null,
    string? Text = null,
    MemoryContract? Memory = null,
    double? StartTemperature = null
);

/// <summary>The comparison.</summary>
/// <param name="Matches">All was read, and all is right.</param>
/// <param name="Missing">Questions nothing was read for.</param>
/// <param name="Slips">What somebody probably did, the likeliest first.</param>
/// <param name="Fired">Where something is not right: what the kiln would do with what was read, and with what was set where nothing was read yet.</param>
public sealed record ReadBackResponse(
    bool Matches,
    IReadOnlyList<string> Missing,
    IReadOnlyList<DifferenceContract> Differences,
    IReadOnlyList<SlipContract> Slips,
    ScheduleContract? Fired = null
);

/// <summary>A value that is not what was set.</summary>
/// <param name="Wanted">Nothing where it should not come up at all.</param>
/// <param name="Consequence">What this alone would do.</param>
/// <param name="Minutes">Powered, more than wanted.</param>
/// <param name="Degrees">The hottest, more than wanted, in the controller's unit.</param>
public sealed record DifferenceContract(string Question, string? Wanted, string Shown, string Consequence, double Minutes, double Degrees);

/// <summary>A slip.</summary>
/// <param name="Questions">That it explains.</param>
/// <param name="Probability">0 to 1.</param>
public sealed record SlipContract(string Kind, IReadOnlyList<string> Questions, string Text, double Probability);
