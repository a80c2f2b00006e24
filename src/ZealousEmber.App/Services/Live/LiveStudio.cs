using NodaTime;
using ZealousEmber.Core.Firing;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Services.Live;

/// <summary>What the live addresses work with.</summary>
internal readonly record struct LiveStudio(Repository<FiringDraft> Firings, FiringRuns Runs, LiveFirings Live, TimeProvider Time)
{
    /// <summary>What a firing is called; nothing where its plan cannot be read.</summary>
    public async Task<string?> NameOf(int firing, CancellationToken cancel) => (await Firings.FindAll([firing], cancel)).GetValueOrDefault(firing)?.Name;

    /// <summary>The program's clock, as fine as it is stored.</summary>
    public Instant Now => Instant.FromUnixTimeMilliseconds(Time.GetUtcNow().ToUnixTimeMilliseconds());
}
