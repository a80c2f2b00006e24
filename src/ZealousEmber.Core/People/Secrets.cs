using System.Collections.Frozen;
using System.Globalization;

namespace ZealousEmber.Core.People;

/// <summary>What a password or a PIN must be. Neither is ever kept or shown; only its hash is.</summary>
public static class Secrets
{
    /// <summary>Signs a password has at least.</summary>
    public const int ShortestPassword = 12;

    /// <summary>Signs a password has at most.</summary>
    public const int LongestPassword = 128;

    private const int PinDigits = 6;
    private const int FewestLetters = 3;
    private const int LongestRun = 4;

    // What people choose first; alone, doubled, or with digits and signs round it. Rows of the keyboard are found by themselves.
    private static readonly FrozenSet<string> Common = (
        "password passwort pass admin administrator welcome letmein login master secret iloveyou loveyou hello princess sunshine dragon monkey football "
        + "baseball superman batman shadow michael jordan trustno trustnoone whatever changeme default access flower cheese freedom summer winter spring autumn "
        + "january february march april june july august september october november december monday tuesday wednesday thursday friday saturday sunday "
        + "computer internet service support guest user test testing demo root studio pottery potter ceramics ceramic kiln glaze clay firing stoneware "
        + "porcelain earthenware bisque zealous ember love baby angel qwerty qwertz azerty abc and the my your our is new old you"
    )
        .Split(' ')
        .ToFrozenSet();

    private static readonly string[] Rows =
    [
        "qwertyuiop",
        "asdfghjkl",
        "zxcvbnm",
        "qwertzuiop",
        "yxcvbnm",
        "azertyuiop",
        "qsdfghjklm",
        "abcdefghijklmnopqrstuvwxyz",
        "qazwsxedcrfvtgbyhnujm",
    ];

    /// <summary>What is wrong with a password; nothing where it may be used.</summary>
    /// <param name="password">As typed.</param>
    /// <param name="name">Whose it is to be: the name is no password.</param>
    public static string? Refusal(string? password, string? name)
    {
        var length = new StringInfo(password ?? "").LengthInTextElements;
        if (length < ShortestPassword)
            return $"A password has at least {ShortestPassword} signs; a few words in a row are easily kept in mind.";
        if (password!.Length > LongestPassword)
            return $"A password has at most {LongestPassword} signs.";
        if (password.Any(char.IsControl))
            return "A password is made of letters, digits, signs and blanks.";
        // Digits and signs round a word change nothing, and those that stand for its letters hardly more.
        var letters = Letters(password);
        if (letters.Distinct().Count() < FewestLetters || new[] { password, Plain(password), Plain(Bare(password)) }.Any(p => IsMadeOf(Letters(p), name)))
            return "That is one of the first things somebody would try. A few words that have nothing to do with each other are better.";
        return null;
    }

    /// <summary>What is wrong with a PIN; nothing where it may be used.</summary>
    public static string? PinRefusal(string? pin)
    {
        if (pin is not { Length: PinDigits } || !pin.All(char.IsAsciiDigit))
            return "A PIN is six digits.";
        var steps = pin.Zip(pin.Skip(1), (a, b) => b - a).Distinct().ToList();
        return steps is [0 or 1 or -1] ? "Six alike or six in a row are guessed first. Take others." : null;
    }

    private static string Letters(string text) => string.Concat(text.ToLowerInvariant().Where(char.IsLetter));

    /// <summary>Without what stands behind its last letter.</summary>
    private static string Bare(string text) => text.TrimEnd([.. text.Where(c => !char.IsLetter(c)).Distinct()]);

    /// <summary>Signs that stand for letters read as those.</summary>
    private static string Plain(string text) =>
        string.Concat(
            text.Select(c =>
                c switch
                {
                    '@' or '4' => 'a',
                    '3' or '€' => 'e',
                    '!' or '1' => 'i',
                    '0' => 'o',
                    '$' or '5' => 's',
                    '7' => 't',
                    _ => c,
                }
            )
        );

    /// <summary>True where letters are known words and runs of a keyboard one after another, and nothing else.</summary>
    private static bool IsMadeOf(string letters, string? name)
    {
        var own = Letters(name ?? "");
        var reached = new bool[letters.Length + 1];
        reached[0] = true;
        for (var from = 0; from < letters.Length; from++)
        {
            for (var to = from + 1; reached[from] && to <= letters.Length; to++)
            {
                var part = letters[from..to];
                reached[to] |= Common.Contains(part) || (own.Length > 0 && part == own) || IsRun(part);
            }
        }
        return reached[^1];
    }

    private static bool IsRun(string part) =>
        part.Length >= LongestRun
        && Rows.Any(r => r.Contains(part, StringComparison.Ordinal) || string.Concat(r.Reverse()).Contains(part, StringComparison.Ordinal));
}
