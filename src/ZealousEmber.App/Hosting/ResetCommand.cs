using ZealousEmber.Core.People;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Members;

namespace ZealousEmber.App.Hosting;

/// <summary><c>--reset=NAME</c>: a new password for somebody who forgot hers, asked at the terminal of the machine and never an argument.</summary>
internal static class ResetCommand
{
    /// <summary>Asks, and sets it; all sessions end. Throws <see cref="StudioFolderException"/> where it cannot be done.</summary>
    public static async Task Run(string name, string folder)
    {
        using var held = StudioFolder.Hold(folder, TimeProvider.System.GetUtcNow());
        Console.Error.Write($"New password for {name}: ");
        var password = ReadHidden();
        if (Secrets.Refusal(password, name) is { } why)
            throw new StudioFolderException(why);
        Console.Error.Write("Once more: ");
        if (ReadHidden() != password)
            throw new StudioFolderException("These were two different ones. Nothing was changed.");
        if (!await PeopleAtRest.SetPassword(folder, name, password!, TimeProvider.System))
            throw new StudioFolderException($"Nobody is called {name} here. Nothing was changed.");
        Console.WriteLine($"{name} has a new password, and is signed out everywhere.");
    }

    private static string? ReadHidden()
    {
        if (Console.IsInputRedirected)
            return Console.In.ReadLine();
        var typed = new System.Text.StringBuilder();
        for (var key = Console.ReadKey(intercept: true); key.Key != ConsoleKey.Enter; key = Console.ReadKey(intercept: true))
        {
            if (key.Key == ConsoleKey.Backspace)
                typed.Length = Math.Max(0, typed.Length - 1);
            else if (!char.IsControl(key.KeyChar))
                typed.Append(key.KeyChar);
        }
        Console.Error.WriteLine();
        return typed.ToString();
    }
}
