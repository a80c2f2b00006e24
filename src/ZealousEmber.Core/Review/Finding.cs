using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>How much a finding matters.</summary>
public enum Severity
{
    /// <summary>Good to know.</summary>
    Note,

    /// <summary>Worth a look before firing.</summary>
    Look,

    /// <summary>Likely to spoil ware or hurt the kiln.</summary>
    Danger,
}

/// <summary>Something an experienced colleague would say about a schedule.</summary>
/// <param name="Id">The rule that speaks, stable across versions: <c>cools-no-further</c>.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Segment">Index of the step it is about.</param>
/// <param name="From">Where on the curve it begins.</param>
/// <param name="To">Where on the curve it ends.</param>
/// <param name="Text">What, in one plain sentence.</param>
/// <param name="Why">Why it matters, in one more.</param>
/// <param name="Fixes">What would mend it, the likeliest first; empty when nothing in the schedule does.</param>
public sealed record Finding(string Id, Severity Severity, int Segment, Duration From, Duration To, string Text, string Why, params ImmutableArray<Fix> Fixes)
{
    /// <summary>How its numbers came about; nothing where no sum is behind it.</summary>
    public Basis? Basis { get; init; }
}
