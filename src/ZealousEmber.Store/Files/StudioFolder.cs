using System.Globalization;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Files;

/// <summary>Thrown when the program cannot run on a data folder; the message is a sentence for the person who started it.</summary>
public sealed class StudioFolderException(string message) : Exception(message);

/// <summary>A studio's data folder, held by one program at a time. The lock goes with the process, however it ends.</summary>
public sealed class StudioFolder : IDisposable
{
    private const UnixFileMode OwnerOnly = UnixFileMode.UserRead | UnixFileMode.UserWrite;
    private readonly FileStream held;

    private StudioFolder(string path, FileStream held) => (Path, this.held) = (path, held);

    /// <summary>Where it is.</summary>
    public string Path { get; }

    /// <summary>The database.</summary>
    public string Database => DatabaseIn(Path);

    /// <summary>Where copies made by the program itself are put.</summary>
    public string Backups => System.IO.Path.Combine(Path, "backups");

    /// <summary>A name for a file that is needed for as long as an answer takes; cleared away at the next start, however this one ends.</summary>
    public string WorkingFile()
    {
        Directory.CreateDirectory(Working);
        return System.IO.Path.Combine(Working, Guid.NewGuid().ToString("n"));
    }

    private string Working => System.IO.Path.Combine(Path, "working");

    /// <summary>What an ended program left half made: copies that were never sent, a restore that never came to its end.</summary>
    private void ClearWork()
    {
        if (Directory.Exists(Working))
            Directory.Delete(Working, recursive: true);
        foreach (var left in Directory.EnumerateFiles(Path, "ember.db.arriving*"))
            File.Delete(left);
    }

    /// <summary>The database of a folder.</summary>
    public static string DatabaseIn(string folder) => System.IO.Path.Combine(folder, "ember.db");

    /// <summary>
    /// Makes the folder where it is missing and takes hold of it. Throws <see cref="StudioFolderException"/> when another program has it, or it cannot be
    /// written to.
    /// </summary>
    public static StudioFolder Hold(string folder, DateTimeOffset now)
    {
        var file = System.IO.Path.Combine(folder, "ember.lock");
        try
        {
            if (!Directory.Exists(folder))
            {
                Directory.CreateDirectory(folder);
                if (!OperatingSystem.IsWindows())
                    File.SetUnixFileMode(folder, OwnerOnly | UnixFileMode.UserExecute);
            }
            var held = new FileStream(file, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
            try
            {
                File.WriteAllText(
                    HolderIn(folder),
                    string.Create(CultureInfo.InvariantCulture, $"process {Environment.ProcessId}, since {now:yyyy-MM-dd HH:mm}")
                );
            }
            catch (IOException error) when (StoreHealth.IsFull(error))
            {
                // On a full disk nobody is told who holds it; it is held all the same.
            }
            var taken = new StudioFolder(folder, held);
            taken.ClearWork();
            return taken;
        }
        catch (UnauthorizedAccessException)
        {
            throw new StudioFolderException($"The data folder {folder} cannot be written to. Choose another with EMBER_DATA, or change who may write there.");
        }
        catch (IOException) when (File.Exists(file))
        {
            throw new StudioFolderException(
                $"Another Zealous Ember is running on {folder} ({Holder(folder)}). Stop it first, or choose another folder with EMBER_DATA."
            );
        }
        catch (IOException error)
        {
            throw new StudioFolderException($"The data folder {folder} cannot be used: {error.Message}");
        }
    }

    /// <summary>Keeps what is in the folder to the person who runs the program.</summary>
    public void MakePrivate()
    {
        if (OperatingSystem.IsWindows())
            return;
        foreach (var file in Directory.EnumerateFiles(Path, "ember.*"))
            File.SetUnixFileMode(file, OwnerOnly);
    }

    /// <summary>Lets go.</summary>
    public void Dispose() => held.Dispose();

    // Who holds it is told beside the lock: a locked file cannot be read.
    private static string HolderIn(string folder) => System.IO.Path.Combine(folder, "ember.holder");

    private static string Holder(string folder) => File.Exists(HolderIn(folder)) ? File.ReadAllText(HolderIn(folder)) : "a process that does not say which";
}
