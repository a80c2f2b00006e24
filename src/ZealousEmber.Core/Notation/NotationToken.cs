using Superpower.Display;

namespace ZealousEmber.Core.Notation;

/// <summary>The words of the shorthand. The descriptions are what an error says was expected.</summary>
internal enum NotationToken
{
    [Token(Description = "a word nobody knows here")]
    Unknown,

    [Token(Description = "a number")]
    Number,

    [Token(Description = "a time like 1:30")]
    Clock,

    [Token(Description = "a reason in quotes")]
    Reason,

    [Token(Description = "the next step")]
    Separator,

    [Token(Example = "climb")]
    Climb,

    [Token(Example = "cool")]
    Cool,

    [Token(Example = "to")]
    To,

    [Token(Example = "at")]
    At,

    [Token(Example = "hold")]
    Hold,

    [Token(Example = "for")]
    For,

    [Token(Example = "no")]
    No,

    [Token(Example = "in")]
    In,

    [Token(Example = "full")]
    Full,

    [Token(Example = "power")]
    Power,

    [Token(Example = "off")]
    Off,

    [Token(Description = "°")]
    Degree,

    [Token(Description = "C or F")]
    Scale,

    [Token(Example = "/")]
    Per,

    [Token(Example = "h")]
    Hour,

    [Token(Example = "min")]
    Minute,

    [Token(Description = "an atmosphere")]
    Oxidising,

    [Token(Description = "an atmosphere")]
    Neutral,

    [Token(Description = "an atmosphere")]
    Light,

    [Token(Description = "an atmosphere")]
    Heavy,

    [Token(Example = "reduction")]
    Reduction,
}
