using NodaTime;
using ZealousEmber.Core.Controllers.Bank;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

/// <summary>A program that was entered and read back, as stored: added, never changed.</summary>
internal sealed class EnteredProgramRow
{
    public const string Table = "entered_programs";

    public int Id { get; set; }

    /// <summary>Of the device that sent it; sent again it is the same one.</summary>
    public string? CreateKey { get; set; }

    public int KilnId { get; set; }

    public int? FiringId { get; set; }

    public int? ScheduleId { get; set; }

    public int? ScheduleVersion { get; set; }

    public string Name { get; set; } = "";

    public string Kind { get; set; } = "";

    public string Controller { get; set; } = "";

    public string? Slot { get; set; }

    public string Code { get; set; } = "";

    public bool IsClean { get; set; }

    public string? Slip { get; set; }

    public Instant At { get; set; }

    public string? By { get; set; }

    /// <summary>What was to be entered, what was shown and what is fired, as JSON.</summary>
    public string Document { get; set; } = "{}";

    public static EnteredProgramRow From(EnteredProgram e, string? key) =>
        new()
        {
            CreateKey = key,
            KilnId = e.KilnId,
            FiringId = e.FiringId,
            ScheduleId = e.ScheduleId,
            ScheduleVersion = e.ScheduleVersion,
            Name = e.Name,
            Kind = e.Kind.ToString(),
            Controller = e.Controller,
            Slot = e.Slot,
            Code = e.Code,
            IsClean = e.IsClean,
            Slip = e.Slip,
            At = e.At,
            By = e.By,
            Document = StoredJson.Write(new StoredEntry(e.Unit, e.DelayMinutes, [.. e.Program], [.. e.Shown], [.. e.Fired.Steps.Select(StoredStep.From)])),
        };

    public EnteredProgram Read()
    {
        var entry = StoredJson.Read<StoredEntry>(Document);
        return new EnteredProgram(
            KilnId: KilnId,
            FiringId: FiringId,
            ScheduleId: ScheduleId,
            ScheduleVersion: ScheduleVersion,
            Name: Name,
            Kind: StoredWord.Read<ScheduleKind>(Kind),
            Controller: Controller,
            Slot: Slot,
            DelayMinutes: entry.DelayMinutes,
            Program: [.. entry.Program],
            Code: Code,
            Unit: entry.Unit,
            Fired: FiringProgram.Create([.. entry.Fired.Select(s => s.Read())]).Value,
            Shown: [.. entry.Shown],
            IsClean: IsClean,
            Slip: Slip,
            At: At,
            By: By
        );
    }
}

/// <summary>The long part of an entered program.</summary>
internal sealed record StoredEntry(TemperatureUnit Unit, double DelayMinutes, ShownValue[] Program, ShownValue[] Shown, StoredStep[] Fired);
