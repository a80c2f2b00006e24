using System.Collections;
using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace ZealousEmber.Store.Database;

/// <summary>Every answer of the database is read leniently: a damaged cell may spoil its own row, but never stops the reading of its table.</summary>
internal sealed class LenientReading : DbCommandInterceptor
{
    public override DbDataReader ReaderExecuted(DbCommand command, CommandExecutedEventData eventData, DbDataReader result) => new LenientReader(result);

    public override ValueTask<DbDataReader> ReaderExecutedAsync(
        DbCommand command,
        CommandExecutedEventData eventData,
        DbDataReader result,
        CancellationToken cancellationToken = default
    ) => ValueTask.FromResult<DbDataReader>(new LenientReader(result));
}

/// <summary>
/// A reader that brings whole numbers too large for their place to the largest there is, instead of throwing. SQLite itself turns every other kind into the
/// one asked for.
/// </summary>
internal sealed class LenientReader(DbDataReader inner) : DbDataReader
{
    public override int Depth => inner.Depth;

    public override int FieldCount => inner.FieldCount;

    public override bool HasRows => inner.HasRows;

    public override bool IsClosed => inner.IsClosed;

    public override int RecordsAffected => inner.RecordsAffected;

    public override object this[int ordinal] => inner[ordinal];

    public override object this[string name] => inner[name];

    public override int GetInt32(int ordinal) => (int)Math.Clamp(inner.GetInt64(ordinal), int.MinValue, int.MaxValue);

    public override short GetInt16(int ordinal) => (short)Math.Clamp(inner.GetInt64(ordinal), short.MinValue, short.MaxValue);

    public override byte GetByte(int ordinal) => (byte)Math.Clamp(inner.GetInt64(ordinal), byte.MinValue, byte.MaxValue);

    public override bool GetBoolean(int ordinal) => inner.GetBoolean(ordinal);

    public override long GetBytes(int ordinal, long dataOffset, byte[]? buffer, int bufferOffset, int length) =>
        inner.GetBytes(ordinal, dataOffset, buffer, bufferOffset, length);

    public override char GetChar(int ordinal) => inner.GetChar(ordinal);

    public override long GetChars(int ordinal, long dataOffset, char[]? buffer, int bufferOffset, int length) =>
        inner.GetChars(ordinal, dataOffset, buffer, bufferOffset, length);

    public override string GetDataTypeName(int ordinal) => inner.GetDataTypeName(ordinal);

    public override DateTime GetDateTime(int ordinal) => inner.GetDateTime(ordinal);

    public override decimal GetDecimal(int ordinal) => inner.GetDecimal(ordinal);

    public override double GetDouble(int ordinal) => inner.GetDouble(ordinal);

    public override IEnumerator GetEnumerator() => inner.GetEnumerator();

    public override Type GetFieldType(int ordinal) => inner.GetFieldType(ordinal);

    public override T GetFieldValue<T>(int ordinal) => inner.GetFieldValue<T>(ordinal);

    public override float GetFloat(int ordinal) => inner.GetFloat(ordinal);

    public override Guid GetGuid(int ordinal) => inner.GetGuid(ordinal);

    public override long GetInt64(int ordinal) => inner.GetInt64(ordinal);

    public override string GetName(int ordinal) => inner.GetName(ordinal);

    public override int GetOrdinal(string name) => inner.GetOrdinal(name);

    public override Stream GetStream(int ordinal) => inner.GetStream(ordinal);

    public override string GetString(int ordinal) => inner.GetString(ordinal);

    public override TextReader GetTextReader(int ordinal) => inner.GetTextReader(ordinal);

    public override object GetValue(int ordinal) => inner.GetValue(ordinal);

    public override int GetValues(object[] values) => inner.GetValues(values);

    public override bool IsDBNull(int ordinal) => inner.IsDBNull(ordinal);

    public override bool NextResult() => inner.NextResult();

    public override Task<bool> NextResultAsync(CancellationToken cancellationToken) => inner.NextResultAsync(cancellationToken);

    public override bool Read() => inner.Read();

    public override Task<bool> ReadAsync(CancellationToken cancellationToken) => inner.ReadAsync(cancellationToken);

    public override void Close() => inner.Close();

    public override Task CloseAsync() => inner.CloseAsync();

    protected override void Dispose(bool disposing)
    {
        if (disposing)
            inner.Dispose();
        base.Dispose(disposing);
    }

    public override async ValueTask DisposeAsync()
    {
        await inner.DisposeAsync();
        GC.SuppressFinalize(this);
    }
}
