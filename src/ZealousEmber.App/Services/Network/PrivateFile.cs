namespace ZealousEmber.App.Services.Network;

/// <summary>Files for nobody but who runs the program.</summary>
internal static class PrivateFile
{
    public static void Write(string file, string text)
    {
        var arriving = file + ".arriving";
        File.Delete(arriving);
        var options = new FileStreamOptions { Mode = FileMode.CreateNew, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows())
            options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        using (var writer = new StreamWriter(new FileStream(arriving, options)))
            writer.Write(text);
        File.Move(arriving, file, overwrite: true);
    }
}
