using CsCheck;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests;

/// <summary>Schedules for tests: the fixed one people quote, and random ones as people would type them.</summary>
internal static class Make
{
    /// <summary>The glaze firing of the papers.</summary>
    public const string GlazeLine = "80/h to 200 hold 45m; full to 1040; 60/h to 1210 hold 12m; cool 55/h to 850 hold 1:30; off";

    public static Temperature Celsius(double value) => Temperature.FromCelsius(value);

    public static Segment Step(double? rate, double? target, double hold = 0, PaceKind pace = PaceKind.Rate) =>
        Segment.Create(pace, rate, target, hold, TemperatureUnit.Celsius).Value;

    public static Schedule Schedule(params Segment[] segments) =>
        Core.Schedules.Schedule.Create("A schedule", ScheduleKind.Glaze, TemperatureUnit.Celsius, segments).Value;

    /// <summary>A schedule from its shorthand, °C.</summary>
    public static Schedule Schedule(string line, ScheduleKind kind = ScheduleKind.Glaze) =>
        Core.Schedules.Schedule.Create("A schedule", kind, TemperatureUnit.Celsius, NotationReader.Read(line, TemperatureUnit.Celsius).Segments!).Value;

    /// <summary>Times on the plain kiln, from 20 °C.</summary>
    public static Result<CompiledSchedule> Plain(Schedule schedule) => Plain(schedule.Program);

    /// <summary>The same of a bare program.</summary>
    public static Result<CompiledSchedule> Plain(FiringProgram program) => PlainKiln.Instance.Times(program);

    /// <summary>A program from its shorthand, °C.</summary>
    public static FiringProgram Program(string line) => Schedule(line).Program;

    /// <summary>A kiln of a class, with numbers changed by their field names.</summary>
    public static Kiln Kiln(string kind, params (string Field, double Value)[] numbers) =>
        Core
            .Kilns.Electric.Kiln.Create(new KilnSpecification("A kiln", kind, null, null, null, numbers.ToDictionary(n => n.Field, n => (double?)n.Value)))
            .Value;

    public static readonly Gen<TemperatureUnit> Unit = Gen.Enum<TemperatureUnit>();

    /// <summary>Numbers as typed: up to three decimals.</summary>
    private static Gen<double> Typed(double low, double high) => Gen.Select(Gen.Double[low, high], Gen.Int[0, 3], (v, decimals) => Math.Round(v, decimals));

    /// <summary>One of a few fixed values.</summary>
    public static Gen<T> OneOf<T>(params T[] values) => Gen.Int[0, values.Length - 1].Select(i => values[i]);

    private static readonly Gen<string?> Reason = OneOf<string?>(null, null, "dry the glaze", "let the cones \"catch up\"", "semi; colon, comma → arrow");

    private static readonly Gen<Atmosphere?> Air = Gen.OneOf(Gen.Const((Atmosphere?)null), Gen.Enum<Atmosphere>().Select(a => (Atmosphere?)a));

    private static Gen<Segment> OneSegment(TemperatureUnit unit) =>
        Gen.Select(
            Gen.Frequency((5, Gen.Const(PaceKind.Rate)), (1, Gen.Const(PaceKind.Full))),
            unit == TemperatureUnit.Celsius ? Typed(0.5, 2000) : Typed(1, 3600),
            unit == TemperatureUnit.Celsius ? Typed(-20, 1400) : Typed(-4, 2552),
            Gen.OneOf(Gen.Const(0.0), Gen.Int[1, 5940].Select(m => (double)m), Typed(0, 5940)),
            Reason,
            Air,
            (pace, rate, target, hold, reason, air) => Segment.Create(pace, rate, target, hold, unit, reason, air).Value
        );

    /// <summary>Any schedule: steps up and down at a rate or at full power, now and then an "off" at the end.</summary>
    public static readonly Gen<Schedule> AnySchedule =
        from unit in Unit
        from segments in OneSegment(unit).Array[1, 12]
        from off in Gen.Bool
        select Core
            .Schedules.Schedule.Create(
                "Any",
                ScheduleKind.Bisque,
                unit,
                off ? [.. segments, Segment.Create(PaceKind.Natural, null, null, null, unit).Value] : segments
            )
            .Value;
}
