namespace ZealousEmber.Core;

/// <summary>What is wrong with one value somebody gave, where, and how to mend it. A value, never thrown.</summary>
/// <param name="Field">Path of the field, in the words of the wire: <c>segments[2].target</c>. Empty for the whole.</param>
/// <param name="Message">One or two plain sentences: what is wrong and what would be right.</param>
public sealed record Problem(string Field, string Message)
{
    /// <summary>The same problem seen from one level further out: <c>target</c> under <c>segments[2]</c>.</summary>
    public Problem Under(string parent) => this with { Field = Field.Length == 0 ? parent : $"{parent}.{Field}" };
}

/// <summary>Either a value that is known to be right, or the problems that kept it from being made.</summary>
/// <typeparam name="T">What was asked for.</typeparam>
public sealed class Result<T>
{
    private readonly T? value;

    private Result(T? value, IReadOnlyList<Problem> problems) => (this.value, Problems) = (value, problems);

    /// <summary>Empty when there is a value.</summary>
    public IReadOnlyList<Problem> Problems { get; }

    /// <summary>True when <see cref="Value"/> may be read.</summary>
    public bool IsOk => Problems.Count == 0;

    /// <summary>The value. ReviewContext it when there are problems is a mistake in the program and throws.</summary>
    public T Value => IsOk ? value! : throw new InvalidOperationException(Problems[0].Message);

    /// <summary>A right value.</summary>
    public static implicit operator Result<T>(T value) => new(value, []);

    /// <summary>One problem.</summary>
    public static implicit operator Result<T>(Problem problem) => new(default, [problem]);

    /// <summary>At least one problem; an empty list is a mistake in the program and throws.</summary>
    public static Result<T> Failed(IReadOnlyList<Problem> problems) =>
        problems.Count > 0 ? new(default, problems) : throw new ArgumentException("no problem given", nameof(problems));
}
