using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;
using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Database;
using Assembly = System.Reflection.Assembly;

namespace ZealousEmber.App.Tests.Rules;

/// <summary>Dependencies point one way: App → Store → Core, and inside the core down its layers. Each rule says what it looked at, so that it cannot pass in vain.</summary>
public class ArchitectureTests
{
    private static readonly Assembly Core = typeof(Schedule).Assembly;
    private static readonly Assembly Store = typeof(StudioContext).Assembly;
    private static readonly Assembly App = typeof(Program).Assembly;

    /// <summary>The folders of the core from the ground up.</summary>
    private static readonly string[] Layers =
    [
        "Units", "Schedules", "Notation", "Cones", "Ware", "Packing", "Kilns", "Kilns.Thermal", "Kilns.Electric", "Kilns.Simulated", "Kilns.Fuel", "Review", "Planning", "Assessment", "Clock", "Firing", "Firing.Readings", "Firing.Observation", "Firing.Alarms", "Firing.Live", "Controllers", "Controllers.Fit",
        "Controllers.ReadingBack", "Controllers.Turning", "Controllers.Bank", "Controllers.Practice", "Learning", "Diagnosis", "Logbook",
    ];

    private static readonly Architecture House = new ArchLoader().LoadAssemblies(App, Store, Core).Build();

    private static IEnumerable<IType> TypesOf(Assembly assembly) => House.Types.Where(t => t.Assembly.FullName.StartsWith(assembly.GetName().Name + ",", StringComparison.Ordinal) || t.Assembly.Name.StartsWith(assembly.GetName().Name!, StringComparison.Ordinal));

    private static IReadOnlyList<string> NamespacesNamedBy(Assembly assembly)
    {
        using var file = new PEReader(File.OpenRead(assembly.Location));
        var reader = file.GetMetadataReader();
        return [.. reader.TypeReferences.Select(h => reader.GetTypeReference(h)).Select(r => $"{reader.GetString(r.Namespace)}.{reader.GetString(r.Name)}").Distinct()];
    }

    private static string Folder(IType type) => type.Namespace.FullName is "ZealousEmber.Core" or "" ? "" : type.Namespace.FullName["ZealousEmber.Core.".Length..];

    private static int Rank(string folder) => folder.Length == 0 ? 0 : Array.IndexOf(Layers, folder) + 1;

    [Fact]
    public void The_core_stands_on_arithmetic_time_and_a_parser_alone()
    {
        var references = Core.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        references.ShouldContain("NodaTime", "the rule sees what is there");
        references.Where(r => !r.StartsWith("System.", StringComparison.Ordinal)).Order().ShouldBe(["MathNet.Numerics", "NodaTime", "Superpower"]);
    }

    [Fact]
    public void The_core_names_no_clock_no_file_no_network_and_no_process()
    {
        var named = NamespacesNamedBy(Core);
        named.Count.ShouldBeGreaterThan(100);
        string[] forbidden =
        [
            "System.DateTime", "System.TimeProvider", "System.Diagnostics.Stopwatch", "NodaTime.SystemClock", "NodaTime.IClock", "System.IO.File", "System.IO.Directory", "System.IO.FileStream",
            "System.Net.", "System.Diagnostics.Process", "System.Console", "System.Guid", "System.Threading.Timer", "System.Threading.Thread",
        ];
        named.Where(n => forbidden.Any(f => f.EndsWith('.') ? n.StartsWith(f, StringComparison.Ordinal) : n == f)).ShouldBeEmpty();
    }

    /// <summary>Two shapes of one name would be one in the description of the API, and one of them would be told wrongly.</summary>
    [Fact]
    public void Every_shape_on_the_wire_has_a_name_of_its_own()
    {
        var shapes = App.GetExportedTypes().Where(t => t.Namespace?.StartsWith("ZealousEmber.App.", StringComparison.Ordinal) == true).Select(t => t.Name).ToList();
        shapes.Count.ShouldBeGreaterThan(100);
        shapes.GroupBy(n => n).Where(g => g.Count() > 1).Select(g => g.Key).ShouldBeEmpty();
    }

    [Fact]
    public void The_store_does_not_know_the_app_nor_the_web()
    {
        var references = Store.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        references.ShouldContain(Core.GetName().Name!);
        references.Where(r => r.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal) || r == App.GetName().Name).ShouldBeEmpty();
    }

    [Fact]
    public void The_folders_of_the_core_are_layers_without_cycles()
    {
        var types = TypesOf(Core).ToList();
        types.Count.ShouldBeGreaterThan(150);
        foreach (var folder in Layers) types.ShouldContain(t => Folder(t) == folder, $"there is something in {folder}");
        types.Select(Folder).Distinct().Where(f => f.Length > 0 && Rank(f) == 0).ShouldBeEmpty("every folder has its layer");

        var looked = 0;
        var upwards = new SortedSet<string>();
        foreach (var type in types)
        {
            foreach (var target in type.Dependencies.Select(d => d.Target).Where(t => t.FullName.StartsWith("ZealousEmber.Core", StringComparison.Ordinal)))
            {
                looked++;
                var (from, to) = (Folder(type), Folder(target));
                if (Rank(to) > Rank(from)) upwards.Add($"{from}: {type.Name} → {to}: {target.Name}");
            }
        }
        looked.ShouldBeGreaterThan(2000);
        upwards.ShouldBeEmpty();
    }

    [Fact]
    public void Folders_do_not_nest_more_than_two_deep() =>
        TypesOf(Core).Concat(TypesOf(Store)).Concat(TypesOf(App)).Select(t => t.Namespace.FullName).Distinct().Where(n => n.StartsWith("ZealousEmber.", StringComparison.Ordinal) && n.Count(c => c == '.') > 3).ShouldBeEmpty();

    [Fact]
    public void Only_the_store_touches_the_database() =>
        NamespacesNamedBy(App).Where(n => n.StartsWith("Microsoft.Data.Sqlite", StringComparison.Ordinal)).ShouldBe(["Microsoft.Data.Sqlite.SqliteException"], "only to say in a sentence what went wrong with a backup");
}
