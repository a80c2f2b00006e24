using BenchmarkDotNet.Running;
using ZealousEmber.Bench;

// `dotnet run -c Release --project bench/ZealousEmber.Bench -- wire` for percentiles over a real socket;
// anything else goes to BenchmarkDotNet: `-- --filter '*Preview*'`.
if (args is ["wire"]) await WireLatency.Run();
else BenchmarkSwitcher.FromAssembly(typeof(PreviewBench).Assembly).Run(args);
