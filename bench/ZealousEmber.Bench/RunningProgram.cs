using System.Diagnostics;

namespace ZealousEmber.Bench;

/// <summary>The program as a process of its own, so that what it costs is its own.</summary>
internal sealed class RunningProgram : IAsyncDisposable
{
    private RunningProgram(Process process, HttpClient http) => (Process, Http) = (process, http);

    public Process Process { get; }

    public HttpClient Http { get; }

    public static async Task<RunningProgram> Start(string folder)
    {
        var process = System.Diagnostics.Process.Start(
            new ProcessStartInfo("dotnet", ["exec", Path.Combine(AppContext.BaseDirectory, "ZealousEmber.App.dll")])
            {
                RedirectStandardOutput = true,
                Environment = { ["EMBER_DATA"] = folder, ["PORT"] = "0" },
            }
        )!;
        string? line;
        while ((line = await process.StandardOutput.ReadLineAsync()) is not null && !line.StartsWith("Zealous Ember is at ", StringComparison.Ordinal)) { }
        return new RunningProgram(
            process,
            new HttpClient { BaseAddress = new Uri(line!["Zealous Ember is at ".Length..].Split(';')[0]), Timeout = TimeSpan.FromMinutes(5) }
        );
    }

    public async ValueTask DisposeAsync()
    {
        Http.Dispose();
        Process.Kill();
        await Process.WaitForExitAsync();
        Process.Dispose();
    }
}
