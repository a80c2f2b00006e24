using System.Text.RegularExpressions;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Services.Logs;

/// <summary>What a column of a log may hold.</summary>
internal enum LogColumn
{
    Time,
    Temperature,
    SetPoint,
    Power,
}

/// <summary>What headings say of their columns, in the words of loggers and in some languages they are written in.</summary>
internal static partial class LogHeadings
{
    /// <summary>The columns that are named.</summary>
    public static Dictionary<LogColumn, int> Read(IReadOnlyList<string> headings)
    {
        var found = new Dictionary<LogColumn, int>();
        foreach (var (i, heading) in headings.Index())
        {
            var name = heading.ToLowerInvariant();
            LogColumn? column =
                Beside().IsMatch(name) ? null
                : TimeElsewhere().IsMatch(name) ? LogColumn.Time
                : Asked().IsMatch(name) ? LogColumn.SetPoint
                : Power().IsMatch(name) ? LogColumn.Power
                : Temperatures().IsMatch(name) ? LogColumn.Temperature
                : Times().IsMatch(name) ? LogColumn.Time
                : null;
            if (column is { } known)
                found.TryAdd(known, i);
        }
        return found;
    }

    /// <summary>The unit a heading says; nothing where it says none.</summary>
    public static TemperatureUnit? UnitOf(string heading) =>
        Unit().Match(heading.ToLowerInvariant()) is { Success: true } match
            ? match.Value.TrimEnd(')', ']', ' ')[^1] is 'f' || match.Value.Contains("fahr", StringComparison.Ordinal)
                ? TemperatureUnit.Fahrenheit
                : TemperatureUnit.Celsius
            : null;

    /// <summary>A unit and nothing else.</summary>
    public static bool IsUnit(string cell) => Alone().IsMatch(cell);

    /// <summary>It counts from the start.</summary>
    public static bool SaysElapsed(string heading) => Elapsed().IsMatch(heading.ToLowerInvariant());

    // Of the room, the junction or another kiln: not what is fired.
    [GeneratedRegex("ambient|room|junction|outside|board|remaining|left|segment|step|error|deviation|slope|rate")]
    private static partial Regex Beside();

    [GeneratedRegex(@"\bset|setpoint|target|wanted|demand t|\bsp\b|soll|consigne|consigna|instel|imposta|wunsch")]
    private static partial Regex Asked();

    [GeneratedRegex(@"power|duty|\bout\b|output|share|\bop\b|\bmv\b|heat(?:ing)? ?%|leistung|puissance|potencia|potenza|vermogen|stellgr")]
    private static partial Regex Power();

    [GeneratedRegex(
        @"temp|°|º|\uFFFD|chamber|actual|display|reading|process|\bpv\b|thermocouple|\btc ?\d*\b|\bt\d\b|\bist\b|istwert|kiln|celsius|fahrenheit|^[cf]$"
    )]
    private static partial Regex Temperatures();

    [GeneratedRegex(
        @"time|minute|\bmins?\b|hour|\bhrs?\b|second|\bsecs?\b|elapsed|date|when|clock|zeit|uhr|datum|heure|hora|fecha|tijd|^ora$|timestamp|^[hst]$"
    )]
    private static partial Regex Times();

    // French and Italian time begins like a temperature.
    [GeneratedRegex(@"^temp[so]\b")]
    private static partial Regex TimeElsewhere();

    [GeneratedRegex(@"[°º˚\uFFFD]\s*[cf]\b|celsius|fahrenheit|(?:^|[^a-z])[cf](?=[\])]*\s*$)|deg(?:rees)?\.? ?[cf]\b")]
    private static partial Regex Unit();

    [GeneratedRegex(@"^[\[(]?(?:[°º˚\uFFFD]? ?[CcFfKk]|deg\.? ?[CcFf]|%|min|hrs?|h|sec|s|kW|W|V|A|hh:mm(?::ss)?|dd[./-]mm[./-]yy(?:yy)?|yyyy-mm-dd)[\])]?$")]
    private static partial Regex Alone();

    [GeneratedRegex("elapsed|runtime|run time|duration|since|laufzeit|dauer|écoul|ecoul|transcur")]
    private static partial Regex Elapsed();
}
