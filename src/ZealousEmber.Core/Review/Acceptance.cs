using NodaTime;

namespace ZealousEmber.Core.Review;

/// <summary>A finding somebody has looked at and accepts for one firing, with what speaks for it.</summary>
/// <param name="Id">Which finding.</param>
/// <param name="Severity">How grave it was then; should it grow graver, the acceptance no longer covers it.</param>
/// <param name="Note">Why, in a few words; up to <see cref="LongestNote"/> characters.</param>
/// <param name="At">When.</param>
/// <param name="By">Who, where somebody said; up to 60 characters.</param>
public sealed record Acceptance(string Id, Severity Severity, string Note, Instant At, string? By = null)
{
    /// <summary>Longest note.</summary>
    public const int LongestNote = 300;

    /// <summary>Most acceptances of one firing.</summary>
    public const int Most = 50;
}
