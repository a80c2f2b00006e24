using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using ArchUnitNET.xUnitV3;
using Xunit;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace ZealousEmber.App.Tests.Rules;

/// <summary>Dependencies point one way: App → Store → Core.</summary>
public class ArchitectureTests
{
    private static readonly Architecture House =
        new ArchLoader().LoadAssemblies(typeof(Program).Assembly, typeof(StudioContext).Assembly, typeof(Schedule).Assembly).Build();

    [Fact]
    public void The_core_knows_neither_store_nor_app_nor_their_frameworks() =>
        Types().That().ResideInAssembly(typeof(Schedule).Assembly)
            .Should().NotDependOnAny(Types().That().ResideInNamespaceMatching(@"^ZealousEmber\.(Store|App)|^Microsoft\.(EntityFrameworkCore|AspNetCore|Extensions)"))
            .Check(House);

    [Fact]
    public void The_core_reads_no_clock_and_no_file() =>
        Types().That().ResideInAssembly(typeof(Schedule).Assembly)
            .Should().NotDependOnAny(Types().That().HaveFullNameMatching(@"^System\.(DateTime|DateTimeOffset|TimeProvider|Random|IO\.File|IO\.Directory)$"))
            .Check(House);

    [Fact]
    public void The_store_does_not_know_the_app() =>
        Types().That().ResideInAssembly(typeof(StudioContext).Assembly)
            .Should().NotDependOnAny(Types().That().ResideInAssembly(typeof(Program).Assembly))
            .Check(House);
}
