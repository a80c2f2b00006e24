using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Rules;

/// <summary>A dozen numbers in a row say nothing to a reader, and two of them changed over compile: they are filled by name.</summary>
public sealed class NamedArgumentTests
{
    private const int Many = 12;

    [Fact]
    public void What_takes_a_dozen_values_is_filled_by_name()
    {
        var (looked, byPlace) = (0, new List<string>());
        foreach (var file in Directory.EnumerateFiles(Repository.File("src"), "*.cs", SearchOption.AllDirectories))
        {
            if (file.Split('/').Any(part => part is "obj" or "bin" or "Migrations"))
                continue;
            var root = CSharpSyntaxTree.ParseText(File.ReadAllText(file), cancellationToken: TestContext.Current.CancellationToken).GetRoot();
            foreach (var made in root.DescendantNodes().OfType<BaseObjectCreationExpressionSyntax>().Where(m => m.ArgumentList?.Arguments.Count >= Many))
            {
                looked++;
                if (made.ArgumentList!.Arguments.Any(a => a.NameColon is null))
                    byPlace.Add($"{Path.GetFileName(file)}:{made.GetLocation().GetLineSpan().StartLinePosition.Line + 1}");
            }
        }
        looked.ShouldBeGreaterThan(50);
        byPlace.ShouldBeEmpty();
    }
}
