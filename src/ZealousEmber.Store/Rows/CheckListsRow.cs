using System.Collections.Immutable;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

/// <summary>A studio's own check lists, as JSON.</summary>
internal sealed class CheckListsRow : SettingsRow
{
    public string Before { get; set; } = "[]";

    public string After { get; set; } = "[]";

    /// <summary>Nothing where it was written before gas kilns had lists: the usual ones.</summary>
    public string? GasBefore { get; set; }

    public string? GasAfter { get; set; }

    public CheckLists Read() =>
        new(
            Read(Before),
            Read(After),
            GasBefore is { } before ? Read(before) : CheckLists.Usual.GasBefore,
            GasAfter is { } after ? Read(after) : CheckLists.Usual.GasAfter
        );

    public void Write(CheckLists lists) =>
        (Before, After, GasBefore, GasAfter) = (Write(lists.Before), Write(lists.After), Write(lists.GasBefore), Write(lists.GasAfter));

    private static ImmutableArray<string> Read(string items) => [.. StoredJson.Read<string[]>(items)];

    private static string Write(ImmutableArray<string> items) => StoredJson.Write<string[]>([.. items]);
}
