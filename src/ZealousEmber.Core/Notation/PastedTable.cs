using Superpower;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Notation;

/// <summary>
/// A table pasted from a spreadsheet: one step a row, tabs between the cells. With a heading row the columns may stand
/// in any order; without one they are rate, target, hold, reason, after an optional step number.
/// </summary>
internal sealed class PastedTable(string text, TemperatureUnit unit, Temperature start)
{
    private enum Column
    {
        Ignored,
        Rate,
        Time,
        Target,
        Hold,
        Reason,
    }

    private sealed record Cell(string Text, Place Place);

    private static readonly NotationTokenizer Tokenizer = new();

    private TemperatureUnit? rateUnit;
    private TemperatureUnit? targetUnit;
    private double ratePer = 1;
    private double holdIn = 1;
    private double timeIn = 1;
    private NotationError? error;

    public NotationResult Read()
    {
        var rows = Rows().ToList();
        var columns = ReadHeading(rows[0]);
        if (columns is not null)
            rows.RemoveAt(0);
        else
            columns = GuessColumns(rows);
        if (rows.Count == 0)
            return NotationReader.Failed(text, new Place(text.Length, 0), "There is a heading but no step below it.");

        var phrases = new List<Phrase>();
        foreach (var row in rows)
        {
            ReadRow(row, columns, phrases);
            if (error is not null)
                return new NotationResult(error);
        }
        return new PhraseReader(text, unit, start).Read(phrases);
    }

    private IEnumerable<List<Cell>> Rows()
    {
        var position = 0;
        foreach (var line in text.Split('\n'))
        {
            var cells = new List<Cell>();
            var at = position;
            foreach (var raw in line.Split('\t'))
            {
                var lead = raw.Length - raw.TrimStart().Length;
                var trimmed = raw.Trim();
                cells.Add(new Cell(trimmed, new Place(at + lead, trimmed.Length)));
                at += raw.Length + 1;
            }
            position += line.Length + 1;
            if (cells.Exists(c => c.Text.Length > 0))
                yield return cells;
        }
    }

    /// <summary>The columns, when the row is a heading: no digit in it and at least a target named.</summary>
    private Column[]? ReadHeading(List<Cell> row)
    {
        if (row.Exists(c => c.Text.Any(char.IsAsciiDigit)))
            return null;
        var columns = row.Select(c => NameOf(c.Text.ToLowerInvariant())).ToArray();
        if (!columns.Contains(Column.Target))
            return null;
        for (var i = 0; i < columns.Length; i++)
            ReadHeadingUnit(columns[i], row[i].Text);
        return columns;
    }

    private static Column NameOf(string heading)
    {
        bool Says(params string[] words) => words.Any(w => heading.Contains(w, StringComparison.Ordinal));
        return heading.Length == 0 ? Column.Ignored
            : Says("hold", "soak", "dwell") ? Column.Hold
            : Says("rate", "ramp", "climb", "pace", "speed", "/h", "per h", "/min") ? Column.Rate
            : Says("target", "temp", "set", "goal") || heading is "to" or "°c" or "°f" ? Column.Target
            : Says("time", "duration") ? Column.Time
            : Says("reason", "why", "note", "what") ? Column.Reason
            : Column.Ignored;
    }

    private void ReadHeadingUnit(Column column, string heading)
    {
        var words = heading.Split([' ', '(', ')', '/', '°', '[', ']', ','], StringSplitOptions.RemoveEmptyEntries);
        bool Says(params string[] any) => words.Any(w => any.Contains(w, StringComparer.OrdinalIgnoreCase));
        TemperatureUnit? scale =
            Says("F", "Fahrenheit") ? TemperatureUnit.Fahrenheit
            : Says("C", "Celsius") ? TemperatureUnit.Celsius
            : null;
        var hours = Says("h", "hr", "hrs", "hour", "hours");
        switch (column)
        {
            case Column.Rate:
                rateUnit = scale ?? rateUnit;
                ratePer = Says("min", "minute", "m") ? 60 : 1;
                break;
            case Column.Target:
                targetUnit = scale ?? targetUnit;
                break;
            case Column.Hold:
                holdIn = hours ? 60 : 1;
                break;
            case Column.Time:
                timeIn = hours ? 60 : 1;
                break;
        }
    }

    private static Column[] GuessColumns(List<List<Cell>> rows)
    {
        var numbered = rows.TrueForAll(r => r.Count >= 3) && rows.Select((r, i) => r[0].Text.TrimEnd('.', ')') == $"{i + 1}").All(same => same);
        Column[] plain = [Column.Rate, Column.Target, Column.Hold, Column.Reason];
        return numbered ? [Column.Ignored, .. plain] : plain;
    }

    private void ReadRow(List<Cell> row, Column[] columns, List<Phrase> phrases)
    {
        Cell? In(Column column)
        {
            var i = Array.IndexOf(columns, column);
            return i >= 0 && i < row.Count && row[i].Text is not ("" or "-" or "–" or "—") ? row[i] : null;
        }

        var (rate, time, target, hold) = (In(Column.Rate), In(Column.Time), In(Column.Target), In(Column.Hold));
        var temperature = target is null ? null : ReadCell(target, NotationGrammar.TemperatureCell, "a temperature");
        if (temperature is { Unit: null })
            temperature = temperature with { Unit = targetUnit };
        var pace =
            rate is not null ? ReadCell(rate, NotationGrammar.PaceCell, "a pace like 80, full or off")
            : time is not null && ReadTime(time, timeIn) is { } length ? new PaceText.InTime(length)
            : null;
        pace = pace switch
        {
            PaceText.AtRate { Rate: var r, PerHour: var per } p => p with
            {
                Rate = r with { Unit = r.Unit ?? rateUnit },
                PerHour = per == 1 && r.Place == p.Place ? ratePer : per,
            },
            _ => pace,
        };
        if (error is not null)
            return;
        if (pace is null || (temperature is null && pace is not PaceText.PowerOff))
        {
            error = NotationError.At(
                text,
                row[0].Place,
                pace is null ? "This row has no rate; expected a number, full or off." : "This row has no temperature to go to."
            );
            return;
        }
        phrases.Add(new Phrase.Step(Verb.None, pace.Place, pace, temperature));
        if (hold is not null && ReadTime(hold, holdIn) is { Minutes: not 0 } held)
            phrases.Add(new Phrase.Hold(held, null, hold.Place));
        if (In(Column.Reason) is { } reason)
            phrases.Add(new Phrase.Why(reason.Text, reason.Place));
    }

    /// <summary>A time; a bare number counts in the unit of its heading, minutes when it says none.</summary>
    private TimeText? ReadTime(Cell cell, double bareIn)
    {
        var time = ReadCell(cell, NotationGrammar.TimeCell, "a time like 45 or 1:30");
        var bare = cell.Text.All(c => char.IsAsciiDigit(c) || c == '.');
        return bare && time is not null ? time with { Minutes = time.Minutes * bareIn } : time;
    }

    private T? ReadCell<T>(Cell cell, TokenListParser<NotationToken, T> parser, string expected)
        where T : class
    {
        var parsed = parser.TryParse(Tokenizer.Cut(text, cell.Place));
        if (parsed.HasValue)
            return parsed.Value;
        error ??= NotationError.At(text, cell.Place, $"“{cell.Text}” is not understood here; expected {expected}.");
        return null;
    }
}
