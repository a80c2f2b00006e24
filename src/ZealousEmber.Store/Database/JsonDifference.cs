using System.Text.Json.Nodes;

namespace ZealousEmber.Store.Database;

/// <summary>What differs between two documents, each with no more than that: a firing of forty lots of which one was changed is told by that one.</summary>
internal static class JsonDifference
{
    /// <summary>The differing parts of both; nothing on both sides where they are alike.</summary>
    public static (JsonNode? Before, JsonNode? After) Between(JsonNode? before, JsonNode? after)
    {
        if (JsonNode.DeepEquals(before, after))
            return (null, null);
        if (before is JsonObject one && after is JsonObject other)
            return Members(one, other);
        // Rows of as many: those that differ, by their place.
        if (before is JsonArray rows && after is JsonArray others && rows.Count == others.Count)
            return Members(Numbered(rows), Numbered(others));
        return (before?.DeepClone(), after?.DeepClone());
    }

    private static (JsonNode? Before, JsonNode? After) Members(JsonObject before, JsonObject after)
    {
        JsonObject was = [],
            comes = [];
        foreach (var name in before.Select(m => m.Key).Union(after.Select(m => m.Key)))
        {
            var (one, other) = Between(before[name], after[name]);
            if (one is not null)
                was[name] = one;
            if (other is not null)
                comes[name] = other;
        }
        return (was.Count > 0 ? was : null, comes.Count > 0 ? comes : null);
    }

    private static JsonObject Numbered(JsonArray rows) =>
        new(rows.Select((r, i) => KeyValuePair.Create(i.ToString(System.Globalization.CultureInfo.InvariantCulture), r?.DeepClone())));
}
