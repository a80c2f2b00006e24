namespace ZealousEmber.Tests;

/// <summary>Files of the checkout the tests run in.</summary>
public static class Repository
{
    private static readonly string Root = FindRoot();

    public static string File(string path) => Path.Combine(Root, path);

    private static string FindRoot()
    {
        var folder = AppContext.BaseDirectory;
        while (!System.IO.File.Exists(Path.Combine(folder, "ZealousEmber.slnx")))
            folder = Path.GetDirectoryName(folder)!;
        return folder;
    }
}
