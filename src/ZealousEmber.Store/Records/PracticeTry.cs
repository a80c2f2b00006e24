using NodaTime;

namespace ZealousEmber.Store.Records;

/// <summary>A task somebody tried.</summary>
/// <param name="Person">By name.</param>
/// <param name="Controller">Name of its profile.</param>
/// <param name="Task">Which.</param>
/// <param name="IsDone">It was right.</param>
/// <param name="Seconds">It took.</param>
/// <param name="Hints">Asked for.</param>
/// <param name="At">When.</param>
public sealed record PracticeTry(string Person, string Controller, string Task, bool IsDone, int Seconds, int Hints, Instant At);
