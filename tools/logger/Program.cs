using System.Globalization;
using ZealousEmber.Logger;

// A stand-in for a real logger: reads a file or a simulated kiln and pushes what it reads.
const string Usage = """
    ember-logger --to=http://127.0.0.1:5080 --firing=12 --token=ember_… (--csv=log.csv | --simulate=top-190 --program="100/h to 1000; off")
                 [--start=2026-11-28T08:00:00Z] [--speed=1] [--seed=1] [--name=box] [--stream=1]
    speed: times the pace of the readings; 0 as fast as they can be sent. start: when the firing was switched on; now when missing.
    """;
var given = args.Where(a => a.StartsWith("--", StringComparison.Ordinal) && a.Contains('='))
    .ToDictionary(a => a[2..a.IndexOf('=')], a => a[(a.IndexOf('=') + 1)..]);
string? Get(string name) => given.GetValueOrDefault(name);
if (
    Get("to") is not { } to
    || !int.TryParse(Get("firing"), out var firing)
    || Get("token") is not { } token
    || (Get("csv") is null && (Get("simulate") is null || Get("program") is null))
)
{
    Console.Error.WriteLine(Usage);
    return 2;
}
using var stop = new CancellationTokenSource();
Console.CancelKeyPress += (_, e) =>
{
    e.Cancel = true;
    stop.Cancel();
};
try
{
    var start = Get("start") is { } at ? DateTimeOffset.Parse(at, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal) : DateTimeOffset.UtcNow;
    var speed = double.Parse(Get("speed") ?? "1", CultureInfo.InvariantCulture);
    var readings = Get("csv") is { } path
        ? Sources.Csv(path, start, speed, stop.Token)
        : Sources.Simulated(Get("simulate")!, Get("program")!, ulong.Parse(Get("seed") ?? "1", CultureInfo.InvariantCulture), start, speed, stop.Token);
    using var http = new HttpClient { BaseAddress = new Uri(to) };
    await new Pusher(http, firing, token, Get("name") ?? "box", Get("stream") ?? "1").Run(readings, stop.Token);
    return 0;
}
catch (OperationCanceledException)
{
    return 0;
}
catch (Exception error) when (error is FormatException or IOException or InvalidOperationException or UriFormatException)
{
    Console.Error.WriteLine(error.Message);
    return 1;
}
