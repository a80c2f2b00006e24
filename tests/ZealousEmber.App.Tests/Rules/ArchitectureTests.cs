using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;
using System.Text.RegularExpressions;
using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Database;
using ZealousEmber.Tests;
using Assembly = System.Reflection.Assembly;

namespace ZealousEmber.App.Tests.Rules;

/// <summary>
/// Dependencies point one way: App → Store → Core, and inside the core down its layers. Each rule says what it looked at, so that it cannot pass in vain.
/// </summary>
public class ArchitectureTests
{
    private static readonly Assembly Core = typeof(Schedule).Assembly;
    private static readonly Assembly Store = typeof(StudioContext).Assembly;
    private static readonly Assembly App = typeof(Program).Assembly;

    /// <summary>The folders of the core from the ground up.</summary>
    private static readonly string[] Layers =
    [
        "Units",
        "People",
        "Schedules",
        "Notation",
        "Cones",
        "Ware",
        "Packing",
        "Packing.Geometry",
        "Packing.Rules",
        "Packing.Search",
        "Kilns",
        "Kilns.Thermal",
        "Kilns.Electric",
        "Kilns.Simulated",
        "Kilns.Fuel",
        "Review",
        "Planning",
        "Assessment",
        "Clock",
        "Firing",
        "Firing.Readings",
        "Firing.Observation",
        "Firing.Alarms",
        "Firing.Live",
        "Controllers",
        "Controllers.Fit",
        "Controllers.ReadingBack",
        "Controllers.Turning",
        "Controllers.Bank",
        "Controllers.Practice",
        "Learning",
        "Diagnosis",
        "Logbook",
        "Saying",
        "Saying.Words",
        "Saying.Reading",
    ];

    private static readonly Architecture House = new ArchLoader().LoadAssemblies(App, Store, Core).Build();

    private static IEnumerable<IType> TypesOf(Assembly assembly) =>
        House.Types.Where(t =>
            t.Assembly.FullName.StartsWith(assembly.GetName().Name + ",", StringComparison.Ordinal)
            || t.Assembly.Name.StartsWith(assembly.GetName().Name!, StringComparison.Ordinal)
        );

    private static IReadOnlyList<string> NamespacesNamedBy(Assembly assembly)
    {
        using var file = new PEReader(File.OpenRead(assembly.Location));
        var reader = file.GetMetadataReader();
        return
        [
            .. reader
                .TypeReferences.Select(h => reader.GetTypeReference(h))
                .Select(r => $"{reader.GetString(r.Namespace)}.{reader.GetString(r.Name)}")
                .Distinct(),
        ];
    }

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
            "System.DateTime",
            "System.TimeProvider",
            "System.Diagnostics.Stopwatch",
            "NodaTime.SystemClock",
            "NodaTime.IClock",
            "System.IO.File",
            "System.IO.Directory",
            "System.IO.FileStream",
            "System.Net.",
            "System.Diagnostics.Process",
            "System.Console",
            "System.Guid",
            "System.Threading.Timer",
            "System.Threading.Thread",
        ];
        named.Where(n => forbidden.Any(f => f.EndsWith('.') ? n.StartsWith(f, StringComparison.Ordinal) : n == f)).ShouldBeEmpty();
    }

    /// <summary>Two shapes of one name would be one in the description of the API, and one of them would be told wrongly.</summary>
    [Fact]
    public void Every_shape_on_the_wire_has_a_name_of_its_own()
    {
        var shapes = App.GetExportedTypes()
            .Where(t => t.Namespace?.StartsWith("ZealousEmber.App.", StringComparison.Ordinal) == true)
            .Select(t => t.Name)
            .ToList();
        shapes.Count.ShouldBeGreaterThan(100);
        shapes.GroupBy(n => n).Where(g => g.Count() > 1).Select(g => g.Key).ShouldBeEmpty();
    }

    [Fact]
    public void The_store_does_not_know_the_app_nor_the_web()
    {
        var references = Store.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        references.ShouldContain(Core.GetName().Name!);
        references
            .Where(r => r.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal) || r == App.GetName().Name)
            .ShouldBe(["Microsoft.AspNetCore.Identity.EntityFrameworkCore"], "the framework's own store of accounts, and nothing of the web");
    }

    /// <summary>The folders of the store from the ground up.</summary>
    private static readonly string[] StoreLayers =
    [
        "Json",
        "Saving",
        "Records",
        "Rows",
        "Database",
        "Migrations",
        "Repositories",
        "Files",
        "Members",
        "Demo",
        "",
    ];

    /// <summary>The shared folders of the program from the ground up; above them lie the nouns of its addresses, and then what starts it.</summary>
    private static readonly string[] AppLayers =
    [
        "Wire",
        "Http",
        "Contracts",
        "Mapping",
        "Services.Network",
        "Services.People",
        "Services.Live",
        "Services.Learning",
        "Services.Logs",
        "Services.Firings",
        "Services.Files",
    ];
    private static readonly string[] AppTop = ["Hosting", ""];

    /// <summary>Where addresses lie that are not called like their folder.</summary>
    private static readonly Dictionary<string, string> Nouns = new()
    {
        ["clays"] = "Stock",
        ["glazes"] = "Stock",
        ["lots"] = "Stock",
        ["backup"] = "Studio",
        ["restore"] = "Studio",
        ["unreadable"] = "Studio",
        ["compare"] = "Logbook",
        ["room"] = "Live",
        ["plan"] = "Planning",
        ["practice"] = "Controllers",
        ["health"] = "Hosting",
        ["docs"] = "",
        ["openapi"] = "",
    };

    [Fact]
    public void The_folders_of_the_core_are_layers_without_cycles() =>
        AreLayers(
            Core,
            "ZealousEmber.Core",
            folder =>
                folder.Length == 0 ? 0
                : Array.IndexOf(Layers, folder) is >= 0 and var rank ? rank + 1
                : null,
            Layers,
            2000
        );

    [Fact]
    public void The_folders_of_the_store_are_layers_without_cycles() =>
        AreLayers(Store, "ZealousEmber.Store", folder => Array.IndexOf(StoreLayers, folder) is >= 0 and var rank ? rank : null, StoreLayers, 300);

    [Fact]
    public void The_folders_of_the_program_are_layers_without_cycles()
    {
        var nouns = TypesOf(App)
            .Where(t => IsIn(t, "ZealousEmber.App"))
            .Select(t => FolderOf(t, "ZealousEmber.App"))
            .Where(f => !AppLayers.Contains(f) && !AppTop.Contains(f))
            .Distinct()
            .ToList();
        nouns.Count.ShouldBeGreaterThan(12);
        nouns.ShouldAllBe(n => !n.Contains('.'), "a noun has no folders of its own");
        // Nouns stand side by side: none knows another.
        int? Rank(string folder) =>
            Array.IndexOf(AppLayers, folder) is >= 0 and var low ? low
            : Array.IndexOf(AppTop, folder) is >= 0 and var top ? AppLayers.Length + 1 + top
            : AppLayers.Length;
        AreLayers(App, "ZealousEmber.App", Rank, AppLayers, 1000, beside: (from, to) => nouns.Contains(from) && nouns.Contains(to));
    }

    /// <summary>Whoever looks for an address finds it in the folder of its noun.</summary>
    [Fact]
    public async Task Every_address_lies_in_the_folder_of_its_noun()
    {
        await using var studio = new EmptyStudio();
        await studio.InitializeAsync();
        var looked = 0;
        var elsewhere = new SortedSet<string>();
        foreach (var endpoint in studio.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>())
        {
            if (
                endpoint.Metadata.GetMetadata<System.Reflection.MethodInfo>() is not { DeclaringType.Namespace: { } folder }
                || !folder.StartsWith("ZealousEmber.App", StringComparison.Ordinal)
            )
                continue;
            var parts = endpoint.RoutePattern.RawText!.Trim('/').Split('/');
            if (parts[0] != "api" || folder == "ZealousEmber.App.Http")
                continue;
            looked++;
            var noun = Nouns.GetValueOrDefault(parts[1]) ?? $"{char.ToUpperInvariant(parts[1][0])}{parts[1][1..]}";
            if (folder != $"ZealousEmber.App.{noun}")
                elsewhere.Add($"{endpoint.RoutePattern.RawText} lies in {folder}, not in {noun}");
        }
        looked.ShouldBeGreaterThan(90);
        elsewhere.ShouldBeEmpty();
    }

    /// <param name="assembly">Whose folders.</param>
    /// <param name="root">Their common namespace.</param>
    /// <param name="rank">How high a folder lies; nothing for one that is not listed.</param>
    /// <param name="layers">Those that must be there.</param>
    /// <param name="least">How many references there are at least, so that it cannot pass in vain.</param>
    /// <param name="beside">Folders of one height that must not know each other.</param>
    private static void AreLayers(
        Assembly assembly,
        string root,
        Func<string, int?> rank,
        string[] layers,
        int least,
        Func<string, string, bool>? beside = null
    )
    {
        var types = TypesOf(assembly).Where(t => IsIn(t, root)).ToList();
        foreach (var folder in layers)
            types.ShouldContain(t => FolderOf(t, root) == folder, $"there is something in {folder}");
        types.Select(t => FolderOf(t, root)).Distinct().Where(f => rank(f) is null).ShouldBeEmpty("every folder has its layer");
        var looked = 0;
        var upwards = new SortedSet<string>();
        foreach (var type in types)
        {
            foreach (var target in type.Dependencies.Select(d => d.Target).Where(t => IsIn(t, root)))
            {
                looked++;
                var (from, to) = (FolderOf(type, root), FolderOf(target, root));
                if (from != to && (rank(to) > rank(from) || beside?.Invoke(from, to) == true))
                    upwards.Add($"{from}: {type.Name} → {to}: {target.Name}");
            }
        }
        looked.ShouldBeGreaterThan(least);
        upwards.ShouldBeEmpty();
    }

    private static bool IsIn(IType type, string root) =>
        type.Namespace?.FullName is { } folder && (folder == root || folder.StartsWith(root + ".", StringComparison.Ordinal));

    private static string FolderOf(IType type, string root) => type.Namespace.FullName == root ? "" : type.Namespace.FullName[(root.Length + 1)..];

    [Fact]
    public void Folders_do_not_nest_more_than_two_deep() =>
        TypesOf(Core)
            .Concat(TypesOf(Store))
            .Concat(TypesOf(App))
            .Select(t => t.Namespace.FullName)
            .Distinct()
            .Where(n => n.StartsWith("ZealousEmber.", StringComparison.Ordinal) && n.Count(c => c == '.') > 3)
            .ShouldBeEmpty();

    /// <summary>By what the program is linked with, and by what it names of the store: the database itself is the store's own.</summary>
    [Fact]
    public void Only_the_store_touches_the_database()
    {
        var references = App.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        references.ShouldContain(Store.GetName().Name!, "the rule sees what is there");
        references
            .Where(r =>
                r.Contains("EntityFramework", StringComparison.Ordinal)
                || r.Contains("Sqlite", StringComparison.Ordinal)
                || r.StartsWith("System.Data", StringComparison.Ordinal)
            )
            .ShouldBeEmpty();
        NamespacesNamedBy(App)
            .Where(n =>
                n.StartsWith("ZealousEmber.Store.Database.", StringComparison.Ordinal) || n.StartsWith("ZealousEmber.Store.Rows.", StringComparison.Ordinal)
            )
            .ShouldBeEmpty();
        Core.GetReferencedAssemblies().Select(a => a.Name!).ShouldNotContain(Store.GetName().Name!);
    }

    /// <summary>
    /// Under <c>with</c> an initialiser that was computed from a constructor parameter keeps the value of before. Such a property is computed when it is asked
    /// for,
    /// or the record is made anew by a method of its own.
    /// </summary>
    [Fact]
    public void No_record_keeps_what_it_worked_out_of_its_parameters()
    {
        var (looked, stale) = (0, new SortedSet<string>());
        foreach (
            var file in Directory
                .EnumerateFiles(Repository.File("src"), "*.cs", SearchOption.AllDirectories)
                .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal))
        )
        {
            foreach (Match record in Record.Matches(File.ReadAllText(file)))
            {
                looked++;
                var parameters = Parameter.Matches(record.Groups["parameters"].Value).Select(m => m.Groups["name"].Value).ToHashSet();
                foreach (Match member in Initialised.Matches(record.Groups["body"].Value))
                {
                    if (Word.Matches(member.Groups["value"].Value).Any(w => parameters.Contains(w.Value)))
                        stale.Add($"{record.Groups["name"].Value}: {member.Value.Trim()}");
                }
            }
        }
        looked.ShouldBeGreaterThan(100);
        stale.ShouldBeEmpty();
    }

    private static readonly Regex Record = new(
        @"^(?:\w+ )*record(?: struct| class)? (?<name>\w+)(?:<[^>]*>)?\((?<parameters>[^;{]*?)\)(?:\s*:[^{;]*)?\n\{\n(?<body>.*?)^\}",
        RegexOptions.Multiline | RegexOptions.Singleline
    );
    private static readonly Regex Parameter = new(@"(?<name>\w+)\s*(?:=[^,]*)?(?:,|$)");
    private static readonly Regex Initialised = new(
        @"^    (?:public|internal|private|protected) (?!const|static)[^\n=>(]*(?:\{ get;[^}]*\}|\w) = (?<value>[^\n]*);",
        RegexOptions.Multiline
    );
    private static readonly Regex Word = new(@"(?<![\w.])\w+");
}
