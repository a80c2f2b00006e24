namespace ZealousEmber.App.Contracts;

/// <summary>Lots as people say or paste them.</summary>
/// <param name="Text">One lot a line: 26 mugs ⌀85 × 100, 6 mm, Marsh White, cool to touch, the class.</param>
public sealed record LotLinesRequest(string? Text);

/// <summary>The lots that could be read, and the lines that could not.</summary>
/// <param name="Heading">The first line, where it was the heading of a table.</param>
public sealed record LotLinesResponse(IReadOnlyList<LotContract> Lots, IReadOnlyList<UnreadLineContract> Unread, string? Heading = null);

/// <summary>Ware the studio has written down before, each with its sizes; no counts.</summary>
public sealed record UsualLots(IReadOnlyList<LotContract> Lots);

/// <summary>A line that could not be read, as it was typed.</summary>
public sealed record UnreadLineContract(string Line, string Why);
