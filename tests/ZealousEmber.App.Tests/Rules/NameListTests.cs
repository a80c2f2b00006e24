using System.Reflection;
using System.Text.RegularExpressions;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Review;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Rules;

/// <summary>What has a name on the wire is named once: a second list would part from the first, a misspelling would never be met.</summary>
public sealed class NameListTests
{
    private static readonly string[] Findings = Constants(typeof(FindingIds));
    private static readonly string[] Alarms = Constants(typeof(AlarmIds));

    [Fact]
    public void Every_alarm_has_its_words() => AlarmWords.Ids.ShouldBe(Alarms, ignoreOrder: true);

    [Fact]
    public void Every_change_has_a_row_and_every_row_a_change() => Patches.All.Select(p => p.Name).ShouldBe(Constants(typeof(Patches)), ignoreOrder: true);

    [Fact]
    public void Faults_are_mended_by_changes_there_are() =>
        FaultRules.All.Select(c => c.Patch).OfType<string>().Distinct().ShouldBeSubsetOf(Constants(typeof(Patches)));

    // How dry ware is, and what packing, which lies below the rules, says of a kiln.
    private static readonly string[] OfOthersToo = ["leather-hard", "nearly-empty"];

    /// <summary>Single words, "weak" say, mean other things elsewhere; those with a hyphen only this.</summary>
    [Fact]
    public void No_name_is_written_out_beside_its_list()
    {
        var names = Findings.Concat(Alarms).Where(n => n.Contains('-')).Except(OfOthersToo).ToList();
        names.Count.ShouldBeGreaterThan(60);
        var written = new Regex($"\"({string.Join('|', names)})\"");
        var twice = Directory
            .EnumerateFiles(Repository.File("src/ZealousEmber.Core"), "*.cs", SearchOption.AllDirectories)
            .Where(f => Path.GetFileName(f) is not ("FindingIds.cs" or "AlarmIds.cs") && !f.Split('/').Any(part => part is "obj" or "bin"))
            .SelectMany(f => written.Matches(File.ReadAllText(f)).Select(m => $"{Path.GetFileName(f)}: {m.Value}"));
        twice.ShouldBeEmpty();
    }

    [Fact]
    public void The_pages_know_the_same_names()
    {
        var types = File.ReadAllText(Repository.File("web/src/lib/api/schema.d.ts"));
        foreach (
            var (contract, property, names) in new[]
            {
                ("FindingContract", "id", Findings),
                ("AlarmContract", "id", Alarms),
                ("FiringPatch", "name", Constants(typeof(Patches))),
            }
        )
        {
            var type = Regex.Match(types, $@"\b{contract}: {{\s*(?:/\*\*.*?\*/\s*)?{property}:\s*([^;]+);", RegexOptions.Singleline);
            type.Success.ShouldBeTrue(contract);
            Regex.Matches(type.Groups[1].Value, "['\"]([^'\"]+)['\"]").Select(m => m.Groups[1].Value).ShouldBe(names, ignoreOrder: true, contract);
        }
    }

    private static string[] Constants(Type list) =>
        [.. list.GetFields(BindingFlags.Public | BindingFlags.Static).Where(f => f.IsLiteral).Select(f => (string)f.GetRawConstantValue()!)];
}
