using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using Microsoft.EntityFrameworkCore.Storage;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Members;

/// <summary>Takes somebody's name out of everything: firings and counts stay, as those of "former member 17".</summary>
public sealed class Erasure(StudioContext context, WriteQueue queue)
{
    private const int Tries = 20;

    /// <summary>
    /// Erases somebody: account, sessions, certificates, and her name wherever it stands as a word, also in the words of the audit, which stays whole. Then the
    /// file is written anew, so that the name is in none of its bytes.
    /// </summary>
    public async Task<PersonRefusal> Erase(int id, Writer writer, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await context.Set<PersonRow>().FirstOrDefaultAsync(p => p.Id == id && p.FormerNumber == null, cancel) is not { } row)
            return PersonRefusal.NotFound;
        if (await PeopleStore.IsLastOwner(context, row, cancel))
            return PersonRefusal.LastOwner;
        var name = row.UserName!;
        var others = await context.Set<PersonRow>().Where(p => p.Id != id && p.FormerNumber == null).Select(p => p.UserName!).ToListAsync(cancel);
        var number = 1 + (await context.Set<PersonRow>().MaxAsync(p => p.FormerNumber, cancel) ?? 0);
        var former = PersonName.OfFormer(number);
        var named = Named(name, others);
        await using (var whole = await context.Database.BeginTransactionAsync(cancel))
        {
            await context.Set<SessionRow>().Where(s => s.PersonId == id).ExecuteDeleteAsync(cancel);
            await context.Set<CertificateRow>().Where(c => c.PersonId == id).ExecuteDeleteAsync(cancel);
            await context
                .Set<PersonRow>()
                .Where(p => p.Id == id)
                .ExecuteUpdateAsync(
                    p =>
                        p.SetProperty(r => r.UserName, former)
                            .SetProperty(r => r.NormalizedUserName, former.ToUpperInvariant())
                            .SetProperty(r => r.PasswordHash, (string?)null)
                            .SetProperty(r => r.PinHash, (string?)null)
                            .SetProperty(r => r.SecurityStamp, Guid.NewGuid().ToString("n"))
                            .SetProperty(r => r.FormerNumber, number)
                            .SetProperty(r => r.Version, r => r.Version + 1),
                    cancel
                );
            foreach (var table in context.Model.GetEntityTypes().Where(t => t.GetTableName() is not (AuditRow.Table or AuditDetailRow.Table)))
                await Rename(table, named, former, cancel);
            var blanked = await Blank(named, cancel);
            context.ChangeTracker.Clear();
            await context.Note(
                writer,
                "erased",
                $"people/{id}",
                new JsonObject { ["name"] = former, [AuditLog.Blanked] = new JsonArray([.. blanked.Select(n => JsonValue.Create(n))]) },
                cancel
            );
            await whole.CommitAsync(cancel);
        }
        await WriteAnew(cancel);
        return PersonRefusal.None;
    }

    /// <summary>Where the name stands by itself, as typed or as JSON has it; not where it is the beginning of another person's.</summary>
    private static Regex Named(string name, IReadOnlyList<string> others)
    {
        var longer = others
            .Where(o => o.Length > name.Length && o.StartsWith(name, StringComparison.OrdinalIgnoreCase))
            .Select(o => Regex.Escape(o[name.Length..]));
        var not = string.Join('|', longer);
        var ways = new[] { name, JsonValue.Create(name).ToJsonString()[1..^1] }.Distinct().Select(Regex.Escape);
        return new Regex(
            $@"(?<![\p{{L}}\p{{N}}])(?:{string.Join('|', ways)})(?![\p{{L}}\p{{N}}]){(not.Length > 0 ? $"(?!(?:{not}))" : "")}",
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
        );
    }

    private async Task Rename(IEntityType table, Regex named, string former, CancellationToken cancel)
    {
        // Names of tables and columns are the program's own.
        var name = table.GetTableName()!;
        var columns = table.GetProperties().Where(p => p.ClrType == typeof(string)).Select(p => p.GetColumnName()).ToList();
        if (columns.Count == 0)
            return;
        var connection = context.Database.GetDbConnection();
        var found = new List<(long Row, string Column, string Text)>();
        await using (var read = connection.CreateCommand())
        {
            read.Transaction = context.Database.CurrentTransaction!.GetDbTransaction();
            read.CommandText = $"SELECT rowid, {string.Join(", ", columns.Select(c => $"\"{c}\""))} FROM \"{name}\"";
            await using var rows = await read.ExecuteReaderAsync(cancel);
            while (await rows.ReadAsync(cancel))
            {
                for (var i = 0; i < columns.Count; i++)
                {
                    if (!rows.IsDBNull(i + 1) && rows.GetString(i + 1) is var text && named.IsMatch(text))
                        found.Add((rows.GetInt64(0), columns[i], named.Replace(text, former)));
                }
            }
        }
        foreach (var (row, column, text) in found)
        {
#pragma warning disable EF1002
            await context.Database.ExecuteSqlRawAsync($"UPDATE \"{name}\" SET \"{column}\" = {{0}} WHERE rowid = {{1}}", [text, row], cancel);
#pragma warning restore EF1002
        }
    }

    private async Task<List<int>> Blank(Regex named, CancellationToken cancel)
    {
        var blanked = new List<int>();
        await foreach (var row in context.Set<AuditDetailRow>().AsNoTracking().OrderBy(d => d.N).AsAsyncEnumerable().WithCancellation(cancel))
        {
            if (named.IsMatch(row.Before ?? "") || named.IsMatch(row.After ?? ""))
                blanked.Add(row.N);
        }
        foreach (var part in blanked.Chunk(200))
            await context
                .Set<AuditDetailRow>()
                .Where(d => part.Contains(d.N))
                .ExecuteUpdateAsync(d => d.SetProperty(r => r.Before, (string?)null).SetProperty(r => r.After, (string?)null), cancel);
        return blanked;
    }

    /// <summary>Nothing of before stays in free pages of the file, nor in the log of writes beside it.</summary>
    private async Task WriteAnew(CancellationToken cancel)
    {
        await context.Database.ExecuteSqlRawAsync("VACUUM", cancel);
        await context.Database.OpenConnectionAsync(cancel);
        try
        {
            await using var checkpoint = context.Database.GetDbConnection().CreateCommand();
            checkpoint.CommandText = "PRAGMA wal_checkpoint(TRUNCATE)";
            // Somebody who reads just now keeps the log a moment longer.
            for (var i = 0; i < Tries && Convert.ToInt64(await checkpoint.ExecuteScalarAsync(cancel), CultureInfo.InvariantCulture) != 0; i++)
                await Task.Delay(TimeSpan.FromMilliseconds(100), cancel);
        }
        finally
        {
            await context.Database.CloseConnectionAsync();
        }
    }
}
