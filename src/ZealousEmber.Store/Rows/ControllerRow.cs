using ZealousEmber.Core.Controllers;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

/// <summary>A controller as stored: its profile as it is written in a file.</summary>
internal sealed class ControllerRow : EntityRow
{
    /// <summary>It came with the program.</summary>
    public bool BuiltIn { get; set; }

    public string Profile { get; set; } = "{}";

    public void Write(ListedController controller) =>
        (Name, BuiltIn, Profile) = (controller.Profile.Name, controller.IsBuiltIn, StoredJson.Write(controller.Data));

    public ListedController Read() => ListedController.Own(StoredJson.Read<ProfileData>(Profile)).Value with { IsBuiltIn = BuiltIn };
}
