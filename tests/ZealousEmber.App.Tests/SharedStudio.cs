using Xunit;
using ZealousEmber.Tests;

[assembly: AssemblyFixture(typeof(ZealousEmber.App.Tests.SharedStudio))]

namespace ZealousEmber.App.Tests;

/// <summary>One program with the demo for all classes that ask it things, or keep to what they make themselves: a start takes seconds.</summary>
public sealed class SharedStudio : RunningStudio;
