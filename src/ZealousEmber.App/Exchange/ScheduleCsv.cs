using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using ZealousEmber.App.Schedules;
using ZealousEmber.Core;

namespace ZealousEmber.App.Exchange;

/// <summary>One row a step; what is said of the whole schedule stands in its first row and may be left out below.</summary>
internal static class ScheduleCsv
{
    private static readonly string[] Columns = ["schedule", "kind", "unit", "step", "pace", "rate", "target", "hold_minutes", "atmosphere", "reason", "tags", "notes", "goal_cone"];

    private static readonly CsvConfiguration Format = new(CultureInfo.InvariantCulture)
    {
        // A cell that starts like a formula is written with a quote mark before it, so that a spreadsheet runs nothing.
        InjectionOptions = InjectionOptions.Escape,
        InjectionCharacters = ['=', '@', '+', '-', '\t', '\r'],
        PrepareHeaderForMatch = header => header.Header.Trim().ToLowerInvariant(),
        MissingFieldFound = null,
        BadDataFound = null,
    };

    public static byte[] Write(IEnumerable<ScheduleContract> schedules)
    {
        var text = new StringWriter();
        using (var csv = new CsvWriter(text, Format with { NewLine = "\r\n" }))
        {
            foreach (var column in Columns) csv.WriteField(column);
            csv.NextRecord();
            foreach (var schedule in schedules)
            {
                foreach (var (i, step) in schedule.Segments!.Index())
                {
                    csv.WriteField(schedule.Name);
                    csv.WriteField(schedule.Kind);
                    csv.WriteField(schedule.Unit);
                    csv.WriteField(i + 1);
                    csv.WriteField(step!.Pace);
                    csv.WriteField(step.Rate);
                    csv.WriteField(step.Target);
                    csv.WriteField(step.HoldMinutes);
                    csv.WriteField(step.Atmosphere);
                    csv.WriteField(step.Reason);
                    csv.WriteField(i == 0 ? string.Join("; ", schedule.Tags ?? []) : null);
                    csv.WriteField(i == 0 ? schedule.Notes : null);
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
        using var csv = new CsvReader(new StringReader(text), Format with { Delimiter = Delimiter(text) });
        try
        {
            if (!csv.Read() || !csv.ReadHeader()) return new Problem("schedules", "This file is empty.");
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
                schedules.Add(new ScheduleContract(rowName, Cell(csv, "kind"), Cell(csv, "unit"), steps, Cell(csv, "notes"), Cell(csv, "tags")?.Split(';', StringSplitOptions.TrimEntries), Cell(csv, "goal_cone")));
            }
            (name, lastStep) = (rowName, step);
            var rate = Number(csv, "rate", problems);
            steps.Add(new SegmentContract(
                Cell(csv, "pace") ?? (rate is null ? null : "rate"), rate, Number(csv, "target", problems), Number(csv, "hold_minutes", problems),
                Cell(csv, "reason"), Cell(csv, "atmosphere")));
        }
        return problems.Count > 0 ? Result<IReadOnlyList<ScheduleContract?>>.Failed(problems) : schedules;
    }

    private static string? Cell(CsvReader csv, string column)
    {
        var cell = csv.GetField(column);
        if (cell is ['\'', var second, ..] && Format.InjectionCharacters.Contains(second)) cell = cell[1..];
        return string.IsNullOrWhiteSpace(cell) ? null : cell;
    }

    private static double? Number(CsvReader csv, string column, List<Problem> problems)
    {
        if (Cell(csv, column) is not { } cell) return null;
        if (double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var number)) return number;
        problems.Add(new Problem($"row {csv.Parser.Row}, {column}", $"“{cell}” is not a number."));
        return null;
    }
}
