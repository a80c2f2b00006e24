using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Kilns;

/// <summary>The two schedules the kiln model paper gives its figures for, here with the cooling down to 50 °C.</summary>
internal static class Figures
{
    public static Schedule Firing(ScheduleKind kind) =>
        kind == ScheduleKind.Glaze
            ? Make.Schedule("100/h to 200; 200/h to 1120; 60/h to 1222 hold 10m; off", kind)
            : Make.Schedule("60/h to 120 hold 2h; 100/h to 600; 130/h to 1000 hold 10m; off", kind);
}
