namespace ZealousEmber.Core.Controllers;

/// <summary>A controller on the studio's shelf.</summary>
/// <param name="Data">As it is written in a file.</param>
/// <param name="Profile">As it is used.</param>
/// <param name="IsBuiltIn">It came with the program: it is copied, not changed.</param>
public sealed record ListedController(ProfileData Data, ControllerProfile Profile, bool IsBuiltIn)
{
    /// <summary>One of the studio's own. Problems as <see cref="ProfileReader"/> names them.</summary>
    public static Result<ListedController> Own(ProfileData? data)
    {
        if (data is null)
            return new Problem("", "A controller is missing here.");
        var read = ProfileReader.Read(data);
        return read.IsOk ? new ListedController(data, read.Value, false) : Result<ListedController>.Failed(read.Problems);
    }
}
