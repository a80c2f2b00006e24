using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Controllers.Bank;
using ZealousEmber.Core.Notation;

namespace ZealousEmber.App.Mapping;

/// <summary>Programs that were entered, on the wire.</summary>
internal static class BankMapping
{
    public static EnteredContract Write(EnteredProgram e)
    {
        static IReadOnlyList<AnswerContract> List(IEnumerable<ShownValue> values) => [.. values.Select(v => new AnswerContract(v.Question, v.Shown))];
        return new EnteredContract(
            e.KilnId,
            e.FiringId,
            e.ScheduleId,
            e.ScheduleVersion,
            e.Name,
            e.Kind,
            e.Controller,
            e.Slot,
            e.DelayMinutes,
            e.Code,
            e.IsClean,
            e.Slip,
            e.At.ToDateTimeOffset(),
            e.By,
            List(e.Program),
            List(e.Shown),
            NotationWriter.Write(e.Fired.Steps, e.Unit)
        );
    }
}
