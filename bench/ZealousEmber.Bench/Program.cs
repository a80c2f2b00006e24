using BenchmarkDotNet.Running;
using ZealousEmber.Bench;

// `dotnet run -c Release --project bench/ZealousEmber.Bench -- wire` for percentiles over a real socket;
// `-- keys` for the time from a keystroke to the redrawn curve in a real browser;
// `-- live` for twenty kilns with fifty watchers, and for opening a log of a million readings;
// `-- studio` for a studio of 5 000 firings and 3 000 schedules under load: every list, twenty kilns, fifty screens, ten editors;
// `-- logbook` for questions in a logbook of five thousand firings;
// `-- error` for the error of heat work against fixed seconds;
// `-- kiln` for the error of the kiln model against finer ones and a general solver;
// `-- residuals docs` to write the table and the plot of docs/model.md anew;
// anything else goes to BenchmarkDotNet: `-- --filter '*Preview*'`.
if (args is ["wire"])
    await WireLatency.Run();
else if (args is ["live"])
    await LiveBench.Run();
else if (args is ["studio", .. var folder])
    await StudioBench.Run(folder.FirstOrDefault());
else if (args is ["logbook"])
    await LogbookBench.Run();
else if (args is ["keys"])
    await KeystrokeLatency.Run();
else if (args is ["residuals", var docs])
    ResidualReport.Write(docs);
else if (args is ["error"])
    HeatWorkBench.PrintError();
else if (args is ["kiln"])
    KilnBench.PrintError();
else
    BenchmarkSwitcher.FromAssembly(typeof(PreviewBench).Assembly).Run(args);
