using NodaTime;
using ZealousEmber.Core.Kilns;

namespace ZealousEmber.Store.Records;

/// <summary>Something done to a kiln.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Kind">What.</param>
/// <param name="At">When.</param>
/// <param name="By">Who.</param>
/// <param name="Note">In words.</param>
public sealed record Maintenance(int Id, MaintenanceKind Kind, Instant At, string? By, string? Note);
