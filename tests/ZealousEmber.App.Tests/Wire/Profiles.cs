using System.Text.Json;
using System.Text.Json.Serialization;
using ZealousEmber.Core.Controllers;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Controllers as they go over the wire.</summary>
internal static class Profiles
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull };

    /// <summary>Rates on digit keys, in programs.</summary>
    public static string Wedge => Of("Wedge");

    /// <summary>Cones and hours.</summary>
    public static string Stilt => Of("Stilt");

    /// <summary>Switches.</summary>
    public static string Bung => Of("Bung");

    private static string Of(string name) => JsonSerializer.Serialize(BuiltInProfiles.All.Single(p => p.Profile.Name == name).Data, Options);
}
