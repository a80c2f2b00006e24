using System.Diagnostics;
using System.Text.RegularExpressions;
using Shouldly;

namespace ZealousEmber.Tests;

/// <summary>The program as a process of its own, as it is started in earnest.</summary>
internal sealed partial class ProgramRun : IDisposable
{
    private readonly Process process;
    private readonly TaskCompletionSource<Uri> address = new(TaskCreationOptions.RunContinuationsAsynchronously);
    private readonly System.Text.StringBuilder said = new();

    private ProgramRun(Process process) => this.process = process;

    /// <summary>Long enough for a machine that builds and browses beside the tests; a quiet one never waits so long.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(4);

    /// <summary>All it said so far.</summary>
    public string Said
    {
        get
        {
            lock (said)
                return said.ToString();
        }
    }

    /// <summary>What it said to the person who started it; the log beside it, that pages are missing say, left out.</summary>
    public IReadOnlyList<string> Words =>
        [.. Said.Split('\n').Select(l => l.Trim()).Where(l => l.Length > 0 && !l.Contains(" WRN]", StringComparison.Ordinal))];

    public static ProgramRun Start(string folder, string[]? arguments = null, params (string Name, string Value)[] environment)
    {
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        foreach (var argument in (string[])["exec", Path.Combine(AppContext.BaseDirectory, "ZealousEmber.App.dll"), .. arguments ?? []])
            start.ArgumentList.Add(argument);
        start.Environment["EMBER_DATA"] = folder;
        start.Environment["PORT"] = "0";
        // It lives for a second or two; what makes a long run faster only costs it time.
        start.Environment["DOTNET_TieredPGO"] = "0";
        foreach (var (name, value) in environment)
            start.Environment[name] = value;
        var run = new ProgramRun(new Process { StartInfo = start });
        run.process.OutputDataReceived += (_, e) => run.Hear(e.Data);
        run.process.ErrorDataReceived += (_, e) => run.Hear(e.Data);
        run.process.Start();
        run.process.BeginOutputReadLine();
        run.process.BeginErrorReadLine();
        return run;
    }

    /// <summary>Where it answers, once it does.</summary>
    public async Task<Uri> Address()
    {
        var ended = process.WaitForExitAsync();
        if (await Task.WhenAny(address.Task, ended).WaitAsync(Patience) == ended)
            throw new ShouldAssertException($"it ended: {Said}");
        return await address.Task;
    }

    /// <summary>Its exit code, once it has ended by itself.</summary>
    public async Task<int> Ends()
    {
        await process.WaitForExitAsync().WaitAsync(Patience);
        return process.ExitCode;
    }

    /// <summary>Types at its terminal.</summary>
    public void Type(string text) => process.StandardInput.Write(text);

    /// <summary>Ends it in the middle of whatever it does.</summary>
    public void Kill()
    {
        if (!process.HasExited)
            process.Kill();
        process.WaitForExit();
    }

    public void Dispose()
    {
        Kill();
        process.Dispose();
    }

    private void Hear(string? line)
    {
        if (line is null)
            return;
        lock (said)
            said.AppendLine(line);
        if (Announcement().Match(line) is { Success: true } match)
            address.TrySetResult(new Uri(match.Groups[1].Value));
    }

    [GeneratedRegex(@"Zealous Ember is at (https?://[\d.:]+)")]
    private static partial Regex Announcement();
}
