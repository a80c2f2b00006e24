using System.Text.RegularExpressions;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Rules;

/// <summary>What the pages of the repository say of the code is so.</summary>
public sealed class DocsTests
{
    private static readonly Regex Named = new("`((?:[A-Za-z0-9_.-]+/)+)`");
    private static readonly Regex Path = new(@"`((?:src|web|docs|tests|scripts)/[A-Za-z0-9_./-]+\.[a-z]+)`");
    private static readonly Regex Link = new(@"\]\((?!https?:|#)([^)#]+)");

    private static string Map => File.ReadAllText(Repository.File("README.md")).Split("## Where things are")[1].Split("\n## ")[0];

    private static IEnumerable<string> Folders(string under) =>
        Directory.EnumerateDirectories(Repository.File(under)).Select(d => System.IO.Path.GetFileName(d)).Where(d => d is not ("bin" or "obj" or "wwwroot"));

    [Theory]
    [InlineData("src/ZealousEmber.Core")]
    [InlineData("src/ZealousEmber.Store")]
    [InlineData("src/ZealousEmber.App")]
    [InlineData("web/src/lib")]
    [InlineData("tests")]
    public void The_map_names_every_folder(string under)
    {
        var named = Named.Matches(Map).Select(m => m.Groups[1].Value.TrimEnd('/')).ToHashSet();
        var folders = Folders(under).ToList();
        folders.Count.ShouldBeGreaterThan(3);
        folders.Where(f => !named.Contains(f)).ShouldBeEmpty();
    }

    [Fact]
    public void The_map_names_no_folder_that_is_not_there()
    {
        var roots = new[]
        {
            "",
            "src/ZealousEmber.Core",
            "src/ZealousEmber.Store",
            "src/ZealousEmber.App",
            "src/ZealousEmber.App/Services",
            "web/src/lib",
            "tests",
        };
        var nested = Folders("src/ZealousEmber.Core").Select(f => $"src/ZealousEmber.Core/{f}");
        var named = Named.Matches(Map).Select(m => m.Groups[1].Value.TrimEnd('/')).Distinct().ToList();
        named.Count.ShouldBeGreaterThan(60);
        named.Where(n => !roots.Concat(nested).Any(r => Directory.Exists(Repository.File(System.IO.Path.Combine(r, n))))).ShouldBeEmpty();
    }

    public static TheoryData<string> Pages =>
        [
            .. Directory
                .EnumerateFiles(Repository.File("docs"), "*.md", SearchOption.AllDirectories)
                .Append(Repository.File("README.md"))
                .Select(f => System.IO.Path.GetRelativePath(Repository.File("."), f)),
        ];

    [Theory]
    [MemberData(nameof(Pages))]
    public void A_page_points_at_what_is_there(string page)
    {
        var text = File.ReadAllText(Repository.File(page));
        var beside = System.IO.Path.GetDirectoryName(Repository.File(page))!;
        Link.Matches(text).Select(m => m.Groups[1].Value).Where(l => !System.IO.Path.Exists(System.IO.Path.Combine(beside, l))).ShouldBeEmpty();
        if (page.Contains("decisions", StringComparison.Ordinal))
            return;
        Path.Matches(text)
            .Select(m => m.Groups[1].Value)
            .Where(p => p != "web/src/lib/api/openapi.json" && !System.IO.Path.Exists(Repository.File(p)))
            .ShouldBeEmpty();
    }
}
