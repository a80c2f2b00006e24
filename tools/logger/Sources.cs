using System.Globalization;
using System.Runtime.CompilerServices;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Logger;

/// <summary>Where readings come from: a file of them, or a simulated kiln.</summary>
internal static class Sources
{
    /// <summary>
    /// A CSV with a heading: minute (or at, with its offset), celsius, and share and set_point where they are known. Read at the pace it was written,
    /// times a speed; 0 is as fast as it can be sent.
    /// </summary>
    public static async IAsyncEnumerable<Reading> Csv(string path, DateTimeOffset start, double speed, [EnumeratorCancellation] CancellationToken cancel)
    {
        using var file = File.OpenText(path);
        var heading = (await file.ReadLineAsync(cancel) ?? "").Split(',').Select(h => h.Trim().ToLowerInvariant()).ToList();
        int Column(string name) => heading.IndexOf(name);
        var (minute, at, celsius, share, asked) = (Column("minute"), Column("at"), Column("celsius"), Column("share"), Column("set_point"));
        if (celsius < 0 || (minute < 0 && at < 0))
            throw new FormatException("The first line has to name the columns: minute or at, celsius, and share and set_point where they are known.");
        var begun = DateTimeOffset.UtcNow;
        for (long sequence = 1; await file.ReadLineAsync(cancel) is { } line; sequence++)
        {
            var cells = line.Split(',');
            double? Number(int column) =>
                column >= 0 && column < cells.Length && double.TryParse(cells[column], NumberStyles.Float, CultureInfo.InvariantCulture, out var value)
                    ? value
                    : null;
            var moment =
                minute >= 0
                    ? start.AddMinutes(Number(minute) ?? throw new FormatException($"Line {sequence + 1} has no minute."))
                    : DateTimeOffset.Parse(cells[at], CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal);
            await Wait(moment - start, begun, speed, cancel);
            yield return new Reading(sequence, moment, Number(celsius), Number(share), Number(asked));
        }
    }

    /// <summary>A simulated kiln of a class, with a program in shorthand.</summary>
    public static async IAsyncEnumerable<Reading> Simulated(
        string kind,
        string line,
        ulong seed,
        DateTimeOffset start,
        double speed,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        var made = Kiln.Create(new KilnSpecification("Simulated", kind, null, null, null, new Dictionary<string, double?>()));
        var read = NotationReader.Read(line, TemperatureUnit.Celsius);
        if (!made.IsOk)
            throw new FormatException(made.Problems[0].Message);
        if (read.Error is { } error)
            throw new FormatException(error.Message);
        var program = FiringProgram.Create(read.Segments);
        if (!program.IsOk)
            throw new FormatException(program.Problems[0].Message);
        var kiln = made.Value;
        var simulated = new SimulatedKiln(new SimulatedSetup(kiln, kiln.UsualLoad(ScheduleKind.Glaze), program.Value, kiln.Room.Celsius, seed));
        var begun = DateTimeOffset.UtcNow;
        while (!(simulated.Phase == ControllerPhase.Finished && simulated.Chamber <= kiln.Opens.Celsius))
        {
            var sample = simulated.Next();
            await Wait(TimeSpan.FromMinutes(simulated.Minutes), begun, speed, cancel);
            if (sample is { } s)
                yield return new Reading(s.Sequence, start.AddMinutes(s.Minutes), s.Celsius, s.Share, s.SetPoint);
        }
    }

    private static async Task Wait(TimeSpan since, DateTimeOffset begun, double speed, CancellationToken cancel)
    {
        if (speed <= 0)
            return;
        var due = begun + since / speed - DateTimeOffset.UtcNow;
        if (due > TimeSpan.Zero)
            await Task.Delay(due, cancel);
    }
}
