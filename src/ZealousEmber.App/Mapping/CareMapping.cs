using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Store.Records;

namespace ZealousEmber.App.Mapping;

/// <summary>What is done to kilns, on the wire.</summary>
internal static class CareMapping
{
    public static CareContract Write(KilnCare care) =>
        new(care.Offset, care.Power, care.Note, care.ThermocoupleAfter, care.ShelvesAfter, care.VentAfter, care.BurnersAfter);

    public static MaintenanceContract Write(Maintenance m) => new(m.Id, m.Kind, m.At.ToDateTimeOffset(), m.By, m.Note);
}
