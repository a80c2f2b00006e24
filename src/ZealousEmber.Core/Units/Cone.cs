using System.Collections.Immutable;
using System.Globalization;

namespace ZealousEmber.Core.Units;

/// <summary>
/// A pyrometric cone by its number. Numbers are names: they order as 022 … 01, 1 … 14 with 05½ and 5½ between, and
/// 04 and 4 are a hundred degrees apart.
/// </summary>
public readonly record struct Cone : IComparable<Cone>
{
    private static readonly ImmutableArray<string> Names =
    [
        .. Enumerable.Range(1, 22).Reverse().SelectMany(n => n == 5 ? ["05½", "05"] : new[] { $"0{n}" }),
        .. Enumerable.Range(1, 14).SelectMany(n => n == 5 ? ["5", "5½"] : new[] { n.ToString(CultureInfo.InvariantCulture) }),
    ];

    private readonly int order;

    private Cone(int order) => this.order = order;

    /// <summary>All cones there are reference points for, coolest first: 38 of them.</summary>
    public static ImmutableArray<Cone> All { get; } = [.. Enumerable.Range(0, Names.Length).Select(i => new Cone(i))];

    /// <summary>The number as potters write it: 04, 5½.</summary>
    public string Number => Names[order];

    /// <summary>Place in the order, 0 for the coolest.</summary>
    public int Order => order;

    /// <summary>The next hotter cone, or nothing after 14.</summary>
    public Cone? Hotter => order + 1 < Names.Length ? new Cone(order + 1) : null;

    /// <summary>The next cooler cone, or nothing before 022.</summary>
    public Cone? Cooler => order > 0 ? new Cone(order - 1) : null;

    /// <summary>
    /// The cone one slips to by adding or dropping the zero: 4 for 04. Nothing for 014 … 022 and 11 … 14 whose twin does not exist or is not mistaken.
    /// </summary>
    public Cone? Twin => Named(Number.StartsWith('0') ? Number[1..] : "0" + Number);

    /// <summary>The cone of a number written as <see cref="Number"/> writes it; nothing when there is none.</summary>
    public static Cone? Named(string number) => Names.IndexOf(number) is >= 0 and var place ? new Cone(place) : null;

    /// <inheritdoc/>
    public int CompareTo(Cone other) => order.CompareTo(other.order);

    /// <inheritdoc/>
    public override string ToString() => Number;
}
