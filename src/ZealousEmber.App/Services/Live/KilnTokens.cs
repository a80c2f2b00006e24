using System.Security.Cryptography;
using ZealousEmber.App.Services.People;

namespace ZealousEmber.App.Services.Live;

/// <summary>Tokens loggers push with: 256 random bits, of which only a hash is kept.</summary>
internal static class KilnTokens
{
    private const int Bytes = 32;

    /// <summary>A new one, to be told once.</summary>
    public static string Make() => "ember_" + Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(Bytes));

    /// <summary>What is kept of it.</summary>
    public static byte[] Hash(string token) => Keys.Hash(token);

    /// <summary>Whether a request carries it.</summary>
    public static bool IsCarried(HttpRequest request, byte[] hash)
    {
        const string Scheme = "Bearer ";
        var header = request.Headers.Authorization.ToString();
        return header.StartsWith(Scheme, StringComparison.OrdinalIgnoreCase)
            && CryptographicOperations.FixedTimeEquals(Hash(header[Scheme.Length..].Trim()), hash);
    }
}
