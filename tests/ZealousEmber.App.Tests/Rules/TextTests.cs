using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Rules;

/// <summary>Code that can be read on one screen.</summary>
public sealed class TextTests
{
    private const int Longest = 160;

    // What may follow a text on its line.
    private const int Tail = 12;

    /// <summary>Only a text that cannot be cut, an example of JSON for one, runs on.</summary>
    [Fact]
    public void No_line_is_longer_than_160_characters()
    {
        var (looked, longer) = (0, new List<string>());
        foreach (var file in new[] { "src", "tests", "tools", "bench" }.SelectMany(Sources))
        {
            foreach (var (i, line) in File.ReadLines(file).Index())
            {
                looked++;
                if (line.Length > Longest && !(line.IndexOf('"') is >= 0 and < Longest && line.LastIndexOf('"') >= Longest - Tail))
                    longer.Add($"{Path.GetFileName(file)}:{i + 1} {line.Trim()[..60]}");
            }
        }
        looked.ShouldBeGreaterThan(50_000);
        longer.ShouldBeEmpty();
    }

    private static IEnumerable<string> Sources(string folder) =>
        Directory
            .EnumerateFiles(Repository.File(folder), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Split('/').Any(part => part is "obj" or "bin" or "Migrations"));
}
