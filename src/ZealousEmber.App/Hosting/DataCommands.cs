using ZealousEmber.Store.Files;

namespace ZealousEmber.App.Hosting;

/// <summary>
/// <c>--backup=FILE</c>, <c>--restore=FILE</c>, <c>--network=on</c>, <c>--reset=NAME</c> and <c>--check</c>: what is done to a data folder without serving it.
/// </summary>
internal static class DataCommands
{
    /// <summary>Does what is asked and says so; false when neither was asked. Throws <see cref="StudioFolderException"/> when it cannot be done.</summary>
    public static async Task<bool> Run(IConfiguration configuration, string folder)
    {
        if (configuration["backup"] is { Length: > 0 } to)
        {
            await Backup(folder, Path.GetFullPath(to));
            return true;
        }
        if (configuration["restore"] is { Length: > 0 } from)
        {
            using var held = StudioFolder.Hold(folder, TimeProvider.System.GetUtcNow());
            await StudioCopies.Restore(Path.GetFullPath(from), held, TimeProvider.System.GetUtcNow());
            Console.WriteLine($"{from} is now the studio in {folder}. What was there before is in {held.Backups}.");
            return true;
        }
        if (configuration["vocabulary"] is { Length: > 0 } words)
        {
            await File.WriteAllTextAsync(words, Vocabulary.Write());
            return true;
        }
        if (configuration["network"] is { Length: > 0 } network)
        {
            await NetworkCommand.Run(network, configuration, folder);
            return true;
        }
        if (configuration["reset"] is { Length: > 0 } name)
        {
            await ResetCommand.Run(name, folder);
            return true;
        }
        if (configuration.GetValue<bool>("check"))
        {
            if (await StudioCopies.DamageOf(folder) is { } damage)
                throw new StudioFolderException(
                    $"The data file in {folder} is damaged: {damage}. Make a backup of what there is, and restore the last good one."
                );
            Console.WriteLine($"The data file in {folder} is whole.");
            return true;
        }
        return false;
    }

    // The folder is not held: the copy is made beside a program that runs.
    private static async Task Backup(string folder, string file)
    {
        await StudioCopies.CopyOf(folder, file);
        Console.WriteLine($"The studio in {folder} was copied to {file}.");
    }
}
