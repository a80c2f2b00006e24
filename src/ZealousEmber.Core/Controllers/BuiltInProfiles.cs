using System.Collections.Immutable;
using System.Text.Json;

namespace ZealousEmber.Core.Controllers;

/// <summary>The generic controllers that come with the program.</summary>
public static class BuiltInProfiles
{
    private static readonly Lazy<ImmutableArray<(ProfileData Data, ControllerProfile Profile)>> Table = new(Read);

    /// <summary>How profiles are written in files.</summary>
    public static JsonSerializerOptions Json { get; } = new(JsonSerializerDefaults.Web);

    /// <summary>Each as it is written and as it is used.</summary>
    public static ImmutableArray<(ProfileData Data, ControllerProfile Profile)> All => Table.Value;

    private static ImmutableArray<(ProfileData Data, ControllerProfile Profile)> Read()
    {
        using var stream = typeof(BuiltInProfiles).Assembly.GetManifestResourceStream("ZealousEmber.Core.Controllers.profiles.json")!;
        return [.. JsonSerializer.Deserialize<ProfileData[]>(stream, Json)!.Select(d => (d, ProfileReader.Read(d).Value))];
    }
}
