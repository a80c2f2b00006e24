using System.Globalization;

namespace ZealousEmber.Core.People;

/// <summary>What the studio calls somebody.</summary>
public static class PersonName
{
    /// <summary>Characters at most.</summary>
    public const int Longest = 60;

    private const string Former = "former member";

    /// <summary>A name as typed, tidied; or what is wrong with it.</summary>
    public static Result<string> Read(string? typed)
    {
        var name = Text.OneLine(typed);
        return name is null ? new Problem("name", "What is this person called?")
            : name.Length > Longest ? new Problem("name", $"A name has at most {Longest} characters; this one has {name.Length}.")
            : name.StartsWith(Former, StringComparison.OrdinalIgnoreCase) ? new Problem("name", "That is what somebody is called who left.")
            : name;
    }

    /// <summary>What is left of the name of somebody whose data was erased.</summary>
    /// <param name="number">1 for the first who left.</param>
    public static string OfFormer(int number) => string.Create(CultureInfo.InvariantCulture, $"{Former} {number}");
}
