using System.Reflection;

namespace ZealousEmber.App.Wire;

/// <summary>A text that is one of the names a class lists as constants: the pages get it as a choice of them, so that a misspelling does not compile.</summary>
/// <param name="list">The class with the constants.</param>
[AttributeUsage(AttributeTargets.Property)]
internal sealed class NamedInAttribute(Type list) : Attribute
{
    /// <summary>The names, in the order they are written in.</summary>
    public IEnumerable<string> Names =>
        list.GetFields(BindingFlags.Public | BindingFlags.Static).Where(f => f.IsLiteral).Select(f => (string)f.GetRawConstantValue()!);
}
