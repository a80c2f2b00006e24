namespace ZealousEmber.Logger;

/// <summary>A reading to be sent; its sequence is its place in the stream.</summary>
internal sealed record Reading(long Sequence, DateTimeOffset At, double? Celsius, double? Share, double? SetPoint);
