using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Diagnosis;

namespace ZealousEmber.App.Mapping;

/// <summary>How ware came out, on the wire.</summary>
internal static class ResultsMapping
{
    public static ResultsContract Write(FiringResults r) =>
        new(
            r.Out,
            r.Lost,
            [
                .. r.Faults.Select(f => new WareFaultContract(
                    f.Kind,
                    f.Lot,
                    f.Shelf is null ? null : new ShelfName(f.Shelf),
                    f.Count,
                    f.Severity,
                    f.Later ? true : null,
                    f.Note
                )),
            ],
            r.Word,
            r.IsReference
        );
}
