using System.Globalization;
using ZealousEmber.Core;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>A program keyed in after a cut, as an entry says it.</summary>
internal static class Reprogramming
{
    /// <summary>Where it goes on, and with what; problems name <c>subject</c> and <c>text</c>.</summary>
    public static Result<(int Step, FiringProgram Program)> Read(string? subject, string? text)
    {
        if (!int.TryParse(subject, NumberStyles.None, CultureInfo.InvariantCulture, out var step) || step >= ScheduleLimits.Segments)
            return new Problem("subject", "The step it goes on at, counted from 0.");
        var read = NotationReader.Read(text ?? "", TemperatureUnit.Celsius);
        if (read.Error is { } error)
            return new Problem("text", $"The program from there on, in shorthand and °C: {error.Message}");
        var program = FiringProgram.Create(read.Segments);
        return program.IsOk ? (step, program.Value) : Result<(int, FiringProgram)>.Failed([.. program.Problems.Select(p => new Problem("text", p.Message))]);
    }
}
