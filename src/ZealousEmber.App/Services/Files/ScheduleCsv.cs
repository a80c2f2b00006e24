using System.Globalization;
using System.Text;
using CsvHelper;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Services.Files;

/// <summary>One row a step; what is said of the whole schedule stands in its first row and may be left out below.</summary>
internal static class ScheduleCsv
{
    private static readonly string[] Columns =
    [
        "schedule",
        "kind",
        "unit",
        "step",
        "pace",
        "rate",
        "target",
        "hold_minutes",
        "atmosphere",
        "reason",
        "tags",
        "notes",
        "goal_cone",
    ];

    public static byte[] Write(IEnumerable<ScheduleContract> schedules)
    {
        var text = new StringWriter();
        using (var csv = new CsvWriter(text, CsvCells.Format with { NewLine = "\r\n" }))
        {
            foreach (var column in Columns)
                csv.WriteField(column);
            csv.NextRecord();
            foreach (var schedule in schedules)
            {
                foreach (var (i, step) in schedule.Segments!.Index())
                {
                    csv.WriteField(CsvCells.Defused(schedule.Name));
                    csv.WriteField(WireEnums.Word(schedule.Kind!.Value));
                    csv.WriteField(WireEnums.Word(schedule.Unit!.Value));
                    csv.WriteField(i + 1);
                    csv.WriteField(WireEnums.Word(step!.Pace!.Value));
                    csv.WriteField(step.Rate);
                    csv.WriteField(step.Target);
                    csv.WriteField(step.HoldMinutes);
                    csv.WriteField(step.Atmosphere is { } air ? WireEnums.Word(air) : null);
                    csv.WriteField(CsvCells.Defused(step.Reason));
                    csv.WriteField(CsvCells.Defused(i == 0 ? string.Join("; ", schedule.Tags ?? []) : null));
                    csv.WriteField(CsvCells.Defused(i == 0 ? schedule.Notes : null));
                    csv.WriteField(i == 0 ? schedule.GoalCone : null);
                    csv.NextRecord();
                }
            }
        }
        return [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(text.ToString())];
    }

    /// <summary>Rows back to schedules: a new one begins where the name changes or the step number starts again.</summary>
    public static Result<IReadOnlyList<ScheduleContract?>> Read(string text)
    {
        text = text.TrimStart('\uFEFF');
        using var csv = new CsvReader(new StringReader(text), CsvCells.Format with { Delimiter = Delimiter(text) });
        try
        {
            if (!csv.Read() || !csv.ReadHeader())
                return new Problem("schedules", "This file is empty.");
            if (new[] { "schedule", "target" }.Where(c => !csv.HeaderRecord!.Contains(c, StringComparer.OrdinalIgnoreCase)).ToList() is [var missing, ..])
                return new Problem("schedules", $"The first row has no column “{missing}”; expected {string.Join(", ", Columns)}.");
            return ReadRows(csv);
        }
        catch (CsvHelperException)
        {
            return new Problem("schedules", $"Row {csv.Parser.Row} could not be read as comma-separated values.");
        }
    }

    /// <summary>Whichever parts the heading most; spreadsheets of other countries use a semicolon.</summary>
    private static string Delimiter(string text)
    {
        var heading = text.Split('\n')[0];
        return new[] { ",", ";", "\t" }.MaxBy(d => heading.Split(d).Length)!;
    }

    private static Result<IReadOnlyList<ScheduleContract?>> ReadRows(CsvReader csv)
    {
        var schedules = new List<ScheduleContract?>();
        var steps = new List<SegmentContract?>();
        var problems = new List<Problem>();
        var (name, lastStep) = ("", 0.0);
        while (csv.Read())
        {
            var rowName = Cell(csv, "schedule") ?? (schedules.Count > 0 ? name : "");
            var step = Number(csv, "step", problems) ?? lastStep + 1;
            if (schedules.Count == 0 || rowName != name || step <= lastStep)
            {
                steps = [];
                schedules.Add(
                    new ScheduleContract(
                        rowName,
                        Word<ScheduleKind>(csv, "kind", "a kind of firing", problems),
                        Word<TemperatureUnit>(csv, "unit", "a unit of temperature", problems),
                        steps,
                        Cell(csv, "notes"),
                        Cell(csv, "tags")?.Split(';', StringSplitOptions.TrimEntries),
                        Cell(csv, "goal_cone")
                    )
                );
            }
            (name, lastStep) = (rowName, step);
            var rate = Number(csv, "rate", problems);
            steps.Add(
                new SegmentContract(
                    Word<PaceKind>(csv, "pace", "a pace", problems) ?? (rate is null ? null : PaceKind.Rate),
                    rate,
                    Number(csv, "target", problems),
                    Number(csv, "hold_minutes", problems),
                    Cell(csv, "reason"),
                    Word<Atmosphere>(csv, "atmosphere", "an atmosphere", problems)
                )
            );
        }
        return problems.Count > 0 ? Result<IReadOnlyList<ScheduleContract?>>.Failed(problems) : schedules;
    }

    /// <summary>
    /// Text that a spreadsheet would run gets a quote mark before it; so does text that begins with one, or reading could not tell them apart.
    /// </summary>
    private static T? Word<T>(CsvReader csv, string column, string what, List<Problem> problems)
        where T : struct, Enum
    {
        if (Cell(csv, column) is not { } cell)
            return null;
        if (WireEnums.Read<T>(cell) is { } known)
            return known;
        problems.Add(WireEnums.Unknown<T>($"row {csv.Parser.Row}, {column}", what, cell));
        return null;
    }

    private static string? Cell(CsvReader csv, string column)
    {
        var cell = CsvCells.Armed(csv.GetField(column));
        return string.IsNullOrWhiteSpace(cell) ? null : cell;
    }

    private static double? Number(CsvReader csv, string column, List<Problem> problems)
    {
        if (Cell(csv, column) is not { } cell)
            return null;
        if (double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var number))
            return number;
        problems.Add(new Problem($"row {csv.Parser.Row}, {column}", $"“{cell}” is not a number."));
        return null;
    }
}
