using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Notation;

/// <summary>Text to be read as steps.</summary>
/// <param name="Text">A line, several lines, or a table with tabs.</param>
/// <param name="Unit">Of numbers that carry none, and of the answer; C when missing.</param>
/// <param name="StartTemperature">Where the first step starts, in the unit; 20 °C when missing.</param>
public sealed record ParseRequest(string? Text, TemperatureUnit? Unit = null, double? StartTemperature = null);

/// <summary>Steps, in the unit asked for.</summary>
/// <param name="Line">The same steps as they would be written out.</param>
public sealed record ParseResponse(TemperatureUnit Unit, IReadOnlyList<SegmentContract> Segments, string Line);

/// <summary>The shorthand over the wire.</summary>
internal static class NotationEndpoints
{
    public static void MapNotation(this WebApplication app) =>
        app.MapPost("/api/notation/parse", (ParseRequest? request) => Parse(request ?? new ParseRequest(null)))
            .Needs(Right.BeSomebody)
            .WithTags("Notation")
            .WithSummary("Read a schedule as it is spoken, printed or pasted")
            .Produces<ParseResponse>()
            .ProducesValidationProblem(422);

    private static IResult Parse(ParseRequest request)
    {
        var problems = new List<Problem>();
        var unit = request.Unit ?? TemperatureUnit.Celsius;
        Temperature? start = null;
        if (request.StartTemperature is { } given)
        {
            var read = ScheduleLimits.ReadTemperature(given, unit, "startTemperature");
            problems.AddRange(read.Problems);
            if (read.IsOk)
                start = read.Value;
        }
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);

        var result = NotationReader.Read(request.Text, unit, start);
        return result.Error is { } error
            ? Results.Problem(
                statusCode: StatusCodes.Status422UnprocessableEntity,
                title: "This line is not understood.",
                detail: error.Message,
                extensions: new Dictionary<string, object?>
                {
                    ["position"] = error.Position,
                    ["length"] = error.Length,
                    ["line"] = error.Line,
                    ["column"] = error.Column,
                    ["errors"] = new Dictionary<string, string[]> { ["text"] = [error.Message] },
                }
            )
            : Results.Ok(
                new ParseResponse(unit, [.. result.Segments.Select(s => ScheduleMapping.Write(s, unit))], NotationWriter.Write(result.Segments, unit, start))
            );
    }
}
