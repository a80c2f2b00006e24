using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Json;
using ZealousEmber.Store.Records;

namespace ZealousEmber.Store.Rows;

/// <summary>What was read of a finished firing, and what the logbook finds it by.</summary>
internal sealed class FiringRecordRow
{
    public int FiringId { get; set; }

    public int Version { get; set; }

    public Instant UpdatedAt { get; set; }

    public string? UpdatedBy { get; set; }

    public string? SaveKey { get; set; }

    public string Packs { get; set; } = "[]";

    public string Results { get; set; } = "{}";

    public bool IsReference { get; set; }

    public double? TopHours { get; set; }

    public double? Last100Hours { get; set; }

    public double? Past { get; set; }

    public double? PackOffset { get; set; }

    public double? Kwh { get; set; }

    public double? Cost { get; set; }

    public double? FullPowerHours { get; set; }

    /// <summary>What the figures were worked out from; nothing where they are to be worked out again.</summary>
    public string? FiguresOf { get; set; }

    public int KilnId { get; set; }

    public Instant StartsAt { get; set; }

    public string Name { get; set; } = "";

    public string Kind { get; set; } = "";

    public string? Goal { get; set; }

    public string? Reached { get; set; }

    public int? ScheduleId { get; set; }

    public int? ScheduleVersion { get; set; }

    public string? By { get; set; }

    /// <summary>Numbers between bars, so that one of them is found: |1|3|.</summary>
    public string Glazes { get; set; } = "|";

    public string Clays { get; set; } = "|";

    /// <summary>Names between bars, lower case.</summary>
    public string People { get; set; } = "|";

    public string Faults { get; set; } = "|";

    public int? Out { get; set; }

    public int? Lost { get; set; }

    /// <summary>Everything a search looks through, lower case.</summary>
    public string SearchText { get; set; } = "";

    public const string Table = "firing_records";

    /// <summary>What it means, with the figures that lie beside it; without those where they cannot be read.</summary>
    public FiringRecord Read(FiringFiguresRow? figures) =>
        new(
            FiringId,
            Version,
            UpdatedAt,
            UpdatedBy,
            SaveKey,
            Packs == "[]" ? [] : [.. StoredJson.Read<StoredPack[]>(Packs).Select(p => p.Read())],
            Results == "{}" ? FiringResults.None : StoredJson.Read<StoredResults>(Results).Read(),
            FiringFiguresRow.Readable(figures),
            FiguresOf
        );

    /// <summary>The figures the logbook is followed by.</summary>
    public void Write(FiringFigures f) =>
        (TopHours, Last100Hours, Past, PackOffset, Kwh, Cost, FullPowerHours) = (
            f["topHours"],
            f["last100"],
            f["past"],
            f["offset"],
            f["kwh"],
            f["cost"],
            f["fullPowerHours"]
        );

    public void WriteReading(ImmutableArray<ReadPack> packs, FiringResults results)
    {
        (Packs, Results) = (StoredJson.Write(packs.Select(StoredPack.From)), StoredJson.Write(StoredResults.From(results)));
        (IsReference, Out, Lost) = (results.IsReference, results.Out, results.Lost);
        Faults = Between(results.Faults.Select(f => f.Kind).Distinct());
        FiguresOf = null;
    }

    public static string Between(IEnumerable<string> words) => words.Aggregate("|", (all, word) => $"{all}{word}|");
}

/// <summary>The figures of a firing as JSON, apart from its row, so that the logbook is looked through fast.</summary>
internal sealed class FiringFiguresRow
{
    public int FiringId { get; set; }

    public string Figures { get; set; } = "";

    public const string Table = "firing_figures";

    public FiringFigures Read() => StoredJson.Read<StoredFigures>(Figures).Read();

    /// <summary>The figures of a row; nothing where there is none, or where it cannot be read.</summary>
    public static FiringFigures? Readable(FiringFiguresRow? row) => row is null ? null : RowReader.TryRead(Table, row.FiringId, "", row, r => r.Read()).Item;
}

internal sealed record StoredPack(string Shelf, StoredCone[] Cones)
{
    public static StoredPack From(ReadPack pack) => new(pack.Shelf, [.. pack.Cones.Select(c => new StoredCone(c.Cone.Number, c.Bend))]);

    public ReadPack Read() => ReadPack.Create(Shelf, [.. Cones.Select(c => new ConeRead(ConeNumber.Parse(c.Cone).Value, c.Bend))]).Value;
}

internal sealed record StoredCone(string Cone, double Bend);

internal sealed record StoredResults(int? Out, int? Lost, WareFault[] Faults, string? Word, bool IsReference)
{
    public static StoredResults From(FiringResults r) => new(r.Out, r.Lost, [.. r.Faults], r.Word, r.IsReference);

    /// <summary>Lots may have gone since; what was noted of them stays.</summary>
    public FiringResults Read() =>
        FiringResults.Create(Out, Lost, Faults, [.. Enumerable.Repeat((int?)null, Core.Ware.WareLot.MostLots)], Word, IsReference).Value;
}

internal sealed record StoredFigures(Dictionary<string, double> Numbers, double[] Minutes, double[] Celsius, double[] Progress)
{
    public static StoredFigures From(FiringFigures f) =>
        new(
            f.Numbers.ToDictionary(),
            [.. f.Thumbnail.Select(p => p.Minutes)],
            [.. f.Thumbnail.Select(p => p.Celsius)],
            [.. f.Progress.Select(p => Math.Round(p, 6))]
        );

    public FiringFigures Read() => new(Numbers.ToImmutableDictionary(), [.. Minutes.Zip(Celsius, (m, c) => new CurvePoint(m, c))], [.. Progress]);
}
