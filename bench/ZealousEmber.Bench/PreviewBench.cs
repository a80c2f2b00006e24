using System.Text.Json;
using BenchmarkDotNet.Attributes;
using NodaTime;
using NodaTime.Serialization.SystemTextJson;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Preview;
using ZealousEmber.App.Wire;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Bench;

/// <summary>What one edit on the desk costs the server, without the wire.</summary>
[MemoryDiagnoser]
public class PreviewBench
{
    /// <summary>Twelve steps with full power, a controlled cooling and "off": all there is to compute.</summary>
    internal const string Line =
        "60/h to 90 hold 2:00; 80/h to 200; 100/h to 540; 60/h to 610; 150/h to 950; full to 1100; 110/h to 1140; 60/h to 1210 hold 12m; cool 150/h to "
        + "1040; cool 55/h to 850 hold 30m; cool 100/h to 700; off";

    internal static readonly PreviewRequest Request = new(
        new ScheduleContract(
            "Twelve steps",
            ScheduleKind.Glaze,
            TemperatureUnit.Celsius,
            [.. NotationReader.Read(Line, TemperatureUnit.Celsius).Segments.Select(s => ScheduleMapping.Write(s, TemperatureUnit.Celsius))]
        ),
        Start: new LocalDateTime(2026, 11, 24, 17, 30).WithOffset(Offset.Zero),
        Between: [new BandRequest(1000, 1300)]
    );

    [Benchmark(Baseline = true)]
    public object ReadShorthand() => NotationReader.Read(Line, TemperatureUnit.Celsius);

    internal static readonly PreviewRequest WithKiln = Request with { Kiln = new KilnContract("Heron", "top-190") };

    /// <summary>As the program itself reads and writes.</summary>
    internal static readonly JsonSerializerOptions Wire = new(JsonSerializerDefaults.Web)
    {
        Converters = { new WireEnumConverter(), NodaConverters.OffsetDateTimeConverter },
    };

    private static readonly PreviewResponse Answer = Make(Request);

    [Benchmark]
    public byte[] WriteTheAnswer() => JsonSerializer.SerializeToUtf8Bytes(Answer, Wire);

    [Benchmark]
    public object Preview() => Make(Request);

    [Benchmark]
    public object PreviewWithKiln() => Make(WithKiln);

    private static PreviewResponse Make(PreviewRequest request) => PreviewEndpoints.Make(request, StudioLookup.Nothing).GetAwaiter().GetResult().Value;
}
