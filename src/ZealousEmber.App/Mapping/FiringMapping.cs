using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Mapping;

/// <summary>Between the wire and the core, for firings.</summary>
internal static class FiringMapping
{
    private const int LongestId = 60;
    private const int MostGlazes = 12;

    public static VersionedFiringContract Write(Versioned<FiringDraft> stored)
    {
        var firing = stored.Item;
        var p = firing.Preferences;
        return new(
            stored.Id,
            stored.Version,
            stored.UpdatedAt.ToDateTimeOffset(),
            new FiringContract(
                Name: firing.Name,
                Kind: firing.Kind,
                KilnId: firing.KilnId,
                GoalCone: firing.Goal?.Number,
                Unit: firing.Unit,
                Lots: [.. firing.Lots.Select(Write)],
                Drying: p.Drying,
                Approach: p.Approach,
                Cooling: p.Cooling,
                Hold: p.Hold,
                Bisque: p.Bisque,
                Goal: p.Goal,
                DropBy: p.DropBy,
                HoldMinutes: firing.HoldMinutes,
                ScheduleId: firing.Schedule?.Id,
                Packed: firing.Packed,
                WitnessPack: firing.WitnessPack,
                StartsAt: firing.StartsAt,
                Accepted: [.. firing.Accepted.Select(a => new AcceptanceContract(a.Id, a.Severity, a.Note, a.At.ToDateTimeOffset(), a.By))],
                ScheduleVersion: firing.Schedule?.Version,
                KilnVersion: firing.Kiln?.Version,
                KilnAsPlanned: firing.Kiln is { } kiln ? KilnMapping.Write(kiln.Kiln) : null,
                Packing: PackingMapping.Write(firing.Packing),
                Air: p.Air,
                Pace: p.Pace,
                Anyway: firing.Anyway
            )
        );
    }

    /// <summary>A firing as it is written; neither schedule nor kiln is pinned yet.</summary>
    public static Result<FiringDraft> Read(FiringContract? wire, Instant now, string? by)
    {
        if (wire is null)
            return new Problem("", "A firing is missing here.");
        var problems = new List<Problem>();
        if (wire.Kind is null)
            problems.Add(WireEnums.Missing<ScheduleKind>("kind", "a kind of firing"));
        var goal = ScheduleMapping.ReadCone(wire.GoalCone, "goalCone", problems);
        var lots = (wire.Lots ?? []).Take(WareLot.MostLots + 1).Select(lot => ReadLot(lot ?? new LotContract(What: null, Count: null, Wall: null))).ToList();
        var starts = WireTime.Check(wire.StartsAt, "startsAt", problems);
        var accepted = (wire.Accepted ?? [])
            .Take(Acceptance.Most + 1)
            .Select((a, i) => ReadAcceptance(a ?? new AcceptanceContract(null, null, null), i, now, by, problems))
            .ToList();
        var firing = FiringDraft.Create(
            wire.Name,
            wire.Kind ?? default,
            wire.KilnId,
            goal,
            wire.Unit ?? TemperatureUnit.Celsius,
            lots,
            PlanningTerms.Read(wire, PlanningPreferences.Usual),
            wire.HoldMinutes,
            null,
            wire.Packed == true,
            wire.WitnessPack == true,
            starts,
            accepted,
            packing: PackingMapping.Read(wire.Packing, problems),
            anyway: wire.Anyway == true
        );
        problems.AddRange(firing.Problems);
        return problems.Count > 0 ? Result<FiringDraft>.Failed(problems) : firing;
    }

    private static Acceptance ReadAcceptance(AcceptanceContract wire, int i, Instant now, string? by, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(wire.Id) || wire.Id.Length > LongestId)
            problems.Add(new Problem($"accepted[{i}].id", "Say which finding is accepted."));
        if (wire.Severity is null)
            problems.Add(new Problem($"accepted[{i}].severity", "A finding is a note, a look or a danger."));
        var at = wire.At is { Year: >= 1970 and < 9000 } said ? Instant.FromDateTimeOffset(said) : now;
        // One that was given before keeps who gave it; a new one is given by whoever asks.
        return new Acceptance(wire.Id ?? "", wire.Severity ?? default, wire.Note ?? "", at, wire.By ?? (wire.At is null ? by : null));
    }

    private static LotDraft ReadLot(LotContract lot) =>
        new(
            What: lot.What?.Trim(),
            Count: lot.Count,
            Wall: lot.Wall,
            Width: lot.Width,
            ClosedHollow: lot.ClosedHollow == true,
            OneSided: lot.OneSided == true,
            Dryness: lot.Dryness ?? Dryness.BoneDry,
            ClayId: lot.ClayId,
            GlazeIds: [.. (lot.GlazeIds ?? []).Take(MostGlazes)],
            Whose: lot.Whose?.Trim(),
            Next: lot.Next ?? NextStep.Dipping,
            PieceMass: lot.PieceKg,
            Typed: (lot.Typed ?? new Dictionary<string, string>()).Where(t => t.Value is not null).ToImmutableSortedDictionary(),
            GlazedAlready: lot.GlazedAlready == true,
            Piece: PieceMapping.Read(lot.Piece),
            Must: lot.Must == true
        );

    internal static LotContract Write(LotDraft lot) =>
        new(
            What: lot.What,
            Count: lot.Count,
            Wall: lot.Wall,
            Width: lot.Width,
            ClosedHollow: lot.ClosedHollow,
            OneSided: lot.OneSided,
            Dryness: lot.Dryness,
            ClayId: lot.ClayId,
            Clay: null,
            GlazeIds: lot.GlazeIds,
            Glazes: null,
            Whose: lot.Whose,
            Next: lot.Next,
            PieceKg: lot.PieceMass,
            Typed: lot.Typed.IsEmpty ? null : lot.Typed,
            GlazedAlready: lot.GlazedAlready ? true : null,
            Piece: PieceMapping.Write(lot.Piece),
            Must: lot.Must ? true : null
        );
}
