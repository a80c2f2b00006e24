using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>How long a kiln takes from its top to the temperatures potters ask for.</summary>
internal static class CoolingMarks
{
    private static readonly double[] Marks = [1000, 500, 100, 50];

    /// <summary>Those it comes to before it may be opened.</summary>
    /// <param name="kiln">In whose unit.</param>
    /// <param name="after">How long after the top; nothing where it never is so hot.</param>
    public static IReadOnlyList<CoolingMark> Of(StudioKiln kiln, Func<Temperature, Duration?> after) =>
        [
            .. Marks
                .Select(t => Temperature.FromCelsius(t))
                .Where(t => t >= kiln.Opens)
                .Select(t => (At: t, After: after(t)))
                .Where(m => m.After > Duration.Zero)
                .Select(m => new CoolingMark(m.At.In(kiln.Unit), m.After!.Value.TotalMinutes)),
        ];
}
