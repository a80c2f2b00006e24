namespace ZealousEmber.Tests;

/// <summary>How long properties look: a while each time, far longer with <c>./test long</c>.</summary>
public static class LongRun
{
    private static readonly bool IsAsked = Environment.GetEnvironmentVariable("EMBER_LONG") is { Length: > 0 };

    /// <summary>How many of something are tried.</summary>
    /// <param name="usual">Each time.</param>
    /// <param name="longer">When a long look is asked for.</param>
    public static int Of(int usual, int longer) => IsAsked ? longer : usual;

    /// <summary>So many seeds, from 1.</summary>
    public static Xunit.TheoryData<int> Seeds(int usual, int longer) => [.. Enumerable.Range(1, Of(usual, longer))];
}
