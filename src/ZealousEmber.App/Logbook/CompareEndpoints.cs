using System.Text.Json;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Logbook;

/// <summary>Firings beside each other.</summary>
internal static class CompareEndpoints
{
    private const int MostCompared = 12;

    public static void MapCompare(this WebApplication app) =>
        app.MapPost("/api/compare", Compare)
            .Needs(Right.BeSomebody)
            .WithTags("Logbook")
            .WithSummary("Firings on one chart, and what probably set them apart")
            .Produces<CompareResponse>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);

    private static async Task<IResult> Compare(CompareRequest? wire, FiringReader reader, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var ids = wire?.Firings?.Distinct().ToList() ?? [];
        if (ids.Count is < 2 or > MostCompared)
            problems.Add(new Problem("firings", $"Name 2 to {MostCompared} firings to compare; this names {ids.Count}."));
        var (align, celsius) = ReadAlignment(wire, problems);
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        await reader.Refresh(cancel);
        var firings = new List<ReadFiring>();
        foreach (var id in ids)
        {
            if (await reader.Read(id, cancel) is { } firing)
                firings.Add(firing);
            else
                return ProblemResponses.Of([new Problem("firings", $"Firing {id} was never started, or is not there.")]);
        }
        var rows = FigureRow.Compare([.. firings.Select(WithHealth)]);
        return Results.Ok(
            new CompareResponse(
                align,
                celsius,
                [.. firings.Select(f => Write(f, align, celsius))],
                [.. rows.Select(r => new ComparedNumber(r.Figure.Name, r.Figure.Label, r.Figure.Unit, r.Values, r.Weight, r.Weight >= FigureRow.Mattered))],
                Comparison.Of([.. firings.Select(f => new ComparedName(f.Draft.Item.Name, f.Record.Results.IsGood || f.Record.Results.IsReference))], rows)
            )
        );
    }

    private static (Alignment Align, double? Celsius) ReadAlignment(CompareRequest? wire, List<Problem> problems)
    {
        var (align, celsius) = (Alignment.Start, wire?.Celsius);
        switch (wire?.Align)
        {
            case null or { ValueKind: JsonValueKind.Null }:
                break;
            case { ValueKind: JsonValueKind.Number } number when number.TryGetDouble(out var through):
                (align, celsius) = (Alignment.Rise, through);
                break;
            case { ValueKind: JsonValueKind.String } word
                when Enum.TryParse<Alignment>(word.TextOf(), ignoreCase: true, out var named)
                    && Enum.IsDefined(named)
                    && !double.TryParse(word.TextOf(), out _):
                align = named;
                break;
            default:
                problems.Add(new Problem("align", "Laid over each other at start, top, rise or fall; a number is a rise through so many °C."));
                break;
        }
        if (align is Alignment.Rise or Alignment.Fall && celsius is null)
            problems.Add(new Problem("celsius", "Through which temperature, in °C?"));
        if (celsius is { } c && !(c is >= -20 and <= 1400))
            problems.Add(new Problem("celsius", "From −20 to 1400 °C."));
        return (align, align is Alignment.Rise or Alignment.Fall ? celsius : null);
    }

    private static FiringFigures WithHealth(ReadFiring firing)
    {
        var figures = firing.Record.Figures ?? FiringFigures.None;
        return firing.Taught?.History.FirstOrDefault(h => h.FiringId == firing.Run.FiringId) is { Learned: { Logs: > 0 } learned }
            ? figures with
            {
                Numbers = figures.Numbers.SetItem("health", Math.Round(learned.Health.Mean, 3)),
            }
            : figures;
    }

    private static ComparedFiring Write(ReadFiring f, Alignment align, double? celsius)
    {
        var curve = f.Log?.Thinned(TemperatureDifference.FromKelvins(1.5));
        var zero = curve is null ? null : Aligned.Zero(curve, align, celsius);
        return new ComparedFiring(
            f.Run.FiringId,
            f.Draft.Item.Name,
            f.Run.StartsAt.ToDateTimeOffset(),
            f.Run.KilnId,
            zero is { } z ? Math.Round(z, 1) : null,
            curve is null ? [] : [.. curve.Points.ToArray().Select(p => new CurveMinute(Math.Round(p.Minutes - (zero ?? 0), 1), Math.Round(p.Celsius, 1)))],
            [.. f.Record.Results.Faults.Select(x => x.Kind).Distinct()],
            f.Record.Results.Out,
            f.Record.Results.Lost,
            f.Record.Results.IsReference
        );
    }
}
