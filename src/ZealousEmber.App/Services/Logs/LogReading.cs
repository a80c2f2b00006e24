using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Services.Logs;

/// <summary>How times are written in a log.</summary>
public enum LogTime
{
    /// <summary>Day and time of day.</summary>
    Dates,

    /// <summary>Time of day alone.</summary>
    Clock,

    /// <summary>Since the first reading.</summary>
    Hours,

    /// <summary>Since the first reading.</summary>
    Minutes,

    /// <summary>Since the first reading.</summary>
    Seconds,

    /// <summary>Seconds, or milliseconds, since 1970.</summary>
    Epoch,

    /// <summary>Hours and minutes since the first reading: 26:10.</summary>
    Elapsed,

    /// <summary>Days as spreadsheets count them, since 30 December 1899.</summary>
    Days,
}

/// <summary>Which part of a date comes first; the year does where it has four digits.</summary>
public enum DateOrder
{
    /// <summary>28/11/2026.</summary>
    DayFirst,

    /// <summary>11/28/2026.</summary>
    MonthFirst,
}

/// <summary>How power is written in a log.</summary>
public enum LogPower
{
    /// <summary>0 … 1.</summary>
    Share,

    /// <summary>0 … 100.</summary>
    Percent,
}

/// <summary>How a log is to be read: guessed from its beginning, confirmed by somebody. Columns count from 0.</summary>
/// <param name="Delimiter">What separates cells: , ; | a tab, or blanks.</param>
/// <param name="Headed">Whether the first line names the columns.</param>
/// <param name="Time">The column of the time.</param>
/// <param name="Temperature">The column of the temperature.</param>
/// <param name="Date">A column of its own for the day.</param>
/// <param name="SetPoint">The column of what was asked.</param>
/// <param name="Power">The column of the power.</param>
/// <param name="Zone">Whose clock dates and times are by, where they do not say; the studio's when missing.</param>
/// <param name="FirstAt">When the first reading was taken, where the log counts from it. The firing's start when missing.</param>
/// <param name="HeadLines">Lines before the first reading; one where it is headed, when missing.</param>
/// <param name="Decimals">Which sign stands before tenths; when missing a comma where semicolons or tabs separate.</param>
/// <param name="FirstDay">The day of the first reading, where it has times of day only.</param>
public sealed record LogReading(
    string? Delimiter,
    bool Headed,
    int? Time,
    int? Temperature,
    int? Date = null,
    int? SetPoint = null,
    int? Power = null,
    LogTime TimeIn = LogTime.Dates,
    DateOrder Dates = DateOrder.DayFirst,
    TemperatureUnit Unit = TemperatureUnit.Celsius,
    LogPower PowerIn = LogPower.Percent,
    string? Zone = null,
    DateTimeOffset? FirstAt = null,
    int? HeadLines = null,
    LogDecimals? Decimals = null,
    DateOnly? FirstDay = null
)
{
    /// <summary>The sign before tenths, as it is told or usual beside such separators.</summary>
    internal LogDecimals DecimalSign => Decimals ?? (Delimiter is ";" or "\t" ? LogDecimals.Comma : LogDecimals.Point);
}

/// <summary>Pieces of a log to look at before it is taken in.</summary>
/// <param name="Head">Its beginning; the last line may be torn.</param>
/// <param name="Parts">Pieces from further on, so that the hot part is seen too; their first and last lines may be torn.</param>
public sealed record LogLookRequest(string? Head, IReadOnlyList<string?>? Parts = null);

/// <summary>What a log looks like.</summary>
/// <param name="Reading">How it is probably to be read.</param>
/// <param name="Headings">Of its columns; numbered where it names none.</param>
/// <param name="Rows">Its first readings.</param>
/// <param name="Asks">What the text does not say, by field of the reading.</param>
public sealed record LogLookResponse(LogReading Reading, IReadOnlyList<string> Headings, IReadOnlyList<IReadOnlyList<string>> Rows, IReadOnlyList<LogAsk> Asks);

/// <summary>A question of a log, and why.</summary>
public sealed record LogAsk(string Field, string Text);

/// <summary>What became of a log, or what would.</summary>
/// <param name="Readings">Lines that were read.</param>
/// <param name="Added">Those that are new.</param>
/// <param name="Skipped">Lines that could not be read.</param>
/// <param name="FirstSkipped">The first of them, with why.</param>
/// <param name="Gaps">Stretches without readings.</param>
/// <param name="Hottest">°C.</param>
/// <param name="Last">°C, of the last reading.</param>
/// <param name="Run">The firing it belongs to now; nothing where it was only tried.</param>
public sealed record LogTakenResponse(
    int Readings,
    int Added,
    int Skipped,
    IReadOnlyList<SkippedLine> FirstSkipped,
    DateTimeOffset From,
    DateTimeOffset To,
    int Gaps,
    double? Hottest,
    double? Last,
    RunContract? Run
);

/// <summary>A line that was not taken.</summary>
public sealed record SkippedLine(long Line, string Why);
