namespace ZealousEmber.Store.Saving;

/// <summary>A row that cannot be read: from a damaged file, or written by another program.</summary>
/// <param name="Table">Its table.</param>
/// <param name="Id">Its number.</param>
/// <param name="Name">What it is called, as far as can be told.</param>
/// <param name="Why">What is wrong with it.</param>
public sealed record UnreadableRow(string Table, int Id, string Name, string Why);

/// <summary>Thrown where the one row asked for cannot be read.</summary>
public sealed class UnreadableRowException(UnreadableRow row) : Exception($"{row.Table} {row.Id}: {row.Why}")
{
    /// <summary>Which.</summary>
    public UnreadableRow Row { get; } = row;
}
