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
            KilnId: e.KilnId,
            FiringId: e.FiringId,
            ScheduleId: e.ScheduleId,
            ScheduleVersion: e.ScheduleVersion,
            Name: e.Name,
            Kind: e.Kind,
            Controller: e.Controller,
            Slot: e.Slot,
            DelayMinutes: e.DelayMinutes,
            Code: e.Code,
            Clean: e.IsClean,
            Slip: e.Slip,
            At: e.At.ToDateTimeOffset(),
            By: e.By,
            Program: List(e.Program),
            Shown: List(e.Shown),
            Line: NotationWriter.Write(e.Fired.Steps, e.Unit)
        );
    }
}
