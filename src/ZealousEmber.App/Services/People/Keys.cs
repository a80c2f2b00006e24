using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.WebUtilities;

namespace ZealousEmber.App.Services.People;

/// <summary>Keys that cookies and QR codes carry: 256 random bits, kept as hashes only.</summary>
internal static class Keys
{
    public static string Make() => WebEncoders.Base64UrlEncode(RandomNumberGenerator.GetBytes(32));

    public static byte[] Hash(string key) => SHA256.HashData(Encoding.UTF8.GetBytes(key));

    public static string Name(byte[] hash) => Convert.ToHexString(hash);
}
