namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>
/// Alarms with their hysteresis: raised after a condition has held for a time, over after another has held for a time. A danger is over only once
/// somebody has acknowledged it as well.
/// </summary>
public sealed class AlarmBoard
{
    private readonly Dictionary<string, Line> lines = [];
    private readonly List<Alarm> alarms = [];

    /// <summary>Every alarm of the firing, in the order they were raised.</summary>
    public IReadOnlyList<Alarm> All => alarms;

    /// <summary>Those that are not over.</summary>
    public IEnumerable<Alarm> Active => alarms.Where(a => a.Until is null);

    /// <summary>Whether one is raised and its cause still there.</summary>
    public bool IsOn(string id) => lines.TryGetValue(id, out var line) && line.IsOn;

    /// <summary>Looks at a condition.</summary>
    /// <param name="id">Of the alarm.</param>
    /// <param name="weight">How grave.</param>
    /// <param name="now">Minutes.</param>
    /// <param name="seen">It is so.</param>
    /// <param name="over">It surely is not.</param>
    /// <param name="after">Minutes it has to be so.</param>
    /// <param name="overAfter">Minutes it has to be over.</param>
    /// <param name="evidence">The numbers.</param>
    public void Look(string id, AlarmWeight weight, double now, bool seen, bool over, double after, double overAfter, Func<string> evidence)
    {
        if (!lines.TryGetValue(id, out var line))
            lines[id] = line = new Line();
        if (!line.IsOn)
        {
            line.Since = seen ? line.Since ?? now : null;
            if (line.Since is { } since && now - since >= after - 1e-6)
                Raise(id, line, weight, now, evidence());
            return;
        }
        if (seen && weight > alarms[line.At].Weight)
            alarms[line.At] = alarms[line.At] with { Weight = weight, Evidence = evidence() };
        line.OverSince = over ? line.OverSince ?? now : null;
        if (line.OverSince is { } from && now - from >= overAfter - 1e-6)
            Release(line, now);
    }

    /// <summary>A record of something that is over already.</summary>
    public void Record(string id, AlarmWeight weight, double since, double until, string evidence) =>
        alarms.Add(new Alarm(id, weight, since, until, AlarmWords.Of(id), evidence));

    /// <summary>Ends one, whatever its condition.</summary>
    public void End(string id, double now)
    {
        if (lines.TryGetValue(id, out var line) && line.IsOn)
            Release(line, now);
    }

    /// <summary>Ends one for good, seen or not: its moment is past. Unseen it is still told as such.</summary>
    public void Close(string id, double now)
    {
        End(id, now);
        var at = alarms.FindLastIndex(a => a.Id == id && a.Until is null);
        if (at >= 0)
            alarms[at] = alarms[at] with { Until = now };
    }

    /// <summary>Somebody has seen it; false when there is no such alarm that is not over.</summary>
    public bool Acknowledge(string id, string by, string? note, double now)
    {
        var at = alarms.FindLastIndex(a => a.Id == id && (a.Until is null || a.AcknowledgedBy is null));
        if (at < 0)
            return false;
        alarms[at] = alarms[at] with { AcknowledgedBy = by, Note = note };
        if (alarms[at].Until is null && lines.TryGetValue(id, out var line) && !line.IsOn)
            alarms[at] = alarms[at] with { Until = now };
        return true;
    }

    private void Raise(string id, Line line, AlarmWeight weight, double now, string evidence)
    {
        (line.IsOn, line.OverSince) = (true, null);
        // A danger nobody has acknowledged is still there: it is the same one.
        var still = alarms.FindLastIndex(a => a.Id == id && a.Until is null);
        if (still >= 0)
        {
            line.At = still;
            return;
        }
        line.At = alarms.Count;
        alarms.Add(new Alarm(id, weight, now, null, AlarmWords.Of(id), evidence));
    }

    private void Release(Line line, double now)
    {
        (line.IsOn, line.Since, line.OverSince) = (false, null, null);
        var alarm = alarms[line.At];
        if (alarm.Weight != AlarmWeight.Danger || alarm.AcknowledgedBy is not null)
            alarms[line.At] = alarm with { Until = now };
    }

    private sealed class Line
    {
        public bool IsOn { get; set; }

        public double? Since { get; set; }

        public double? OverSince { get; set; }

        public int At { get; set; }
    }
}
