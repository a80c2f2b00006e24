using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Settings;

/// <summary>A studio's own check lists, as JSON.</summary>
internal sealed class CheckListsRow : SettingsRow
{
    public string Before { get; set; } = "[]";

    public string After { get; set; } = "[]";

    public CheckLists Read() => new([.. StoredJson.Read<string[]>(Before)], [.. StoredJson.Read<string[]>(After)]);

    public void Write(CheckLists lists) => (Before, After) = (StoredJson.Write<string[]>([.. lists.Before]), StoredJson.Write<string[]>([.. lists.After]));
}
