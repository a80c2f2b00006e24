using System.Globalization;
using System.Security.Cryptography;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using NodaTime;
using NodaTime.Text;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Database;

/// <summary>Writes a row of the audit for every row somebody's request adds, changes or deletes.</summary>
public sealed class AuditTrail(IWriters writers, TimeProvider time)
{
    private static readonly JsonSerializerOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    // Worked out from others, kept elsewhere as they came, or versions of what is audited itself.
    private static readonly HashSet<Type> LeftOut =
    [
        typeof(AuditRow),
        typeof(AuditDetailRow),
        typeof(SessionRow),
        typeof(SampleBlockRow),
        typeof(FiringFiguresRow),
        typeof(ScheduleVersionRow),
    ];

    // Secrets, keys of devices, and what only counts or repeats.
    private static readonly HashSet<string> Untold =
    [
        nameof(PersonRow.PasswordHash),
        nameof(PersonRow.PinHash),
        nameof(PersonRow.SecurityStamp),
        nameof(PersonRow.ConcurrencyStamp),
        nameof(PersonRow.NormalizedUserName),
        nameof(DeviceRow.Hash),
        nameof(DeviceRow.SeenAt),
        nameof(EntityRow.Version),
        nameof(EntityRow.UpdatedAt),
        nameof(EntityRow.UpdatedBy),
        nameof(EntityRow.SaveKey),
        nameof(EntityRow.CreateKey),
        nameof(ScheduleRow.SearchText),
        nameof(FiringRecordRow.FiguresOf),
    ];

    /// <summary>One change, with what it was taken of: a row that is added has its number only afterwards.</summary>
    internal sealed record Change(string What, Func<string> Subject, JsonObject? Before, JsonObject? After);

    /// <summary>Who asked for it; nothing where the program does it by itself.</summary>
    internal Writer? Writer => writers.Current;

    private Instant Now => Instant.FromUnixTimeMilliseconds(time.GetUtcNow().ToUnixTimeMilliseconds());

    /// <summary>Everything that is about to be saved and is audited.</summary>
    internal static List<Change> Of(ChangeTracker tracker)
    {
        tracker.DetectChanges();
        return
        [
            .. tracker
                .Entries()
                .Where(e => e.State is EntityState.Added or EntityState.Modified or EntityState.Deleted && !LeftOut.Contains(e.Entity.GetType()))
                .Select(Of)
                .OfType<Change>(),
        ];
    }

    /// <summary>The rows of changes, behind the last one there is. Called once per save, within its transaction.</summary>
    internal async Task Add(StudioContext context, Writer writer, IReadOnlyList<Change> changes, CancellationToken cancel)
    {
        var last = await context.Set<AuditRow>().AsNoTracking().OrderByDescending(a => a.N).Select(a => new { a.N, a.Hash }).FirstOrDefaultAsync(cancel);
        var (n, hash) = (last?.N ?? 0, last?.Hash ?? []);
        foreach (var change in changes)
        {
            var details = new AuditDetailRow
            {
                N = ++n,
                Salt = RandomNumberGenerator.GetBytes(16),
                Before = change.Before?.ToJsonString(Plain),
                After = change.After?.ToJsonString(Plain),
            };
            var row = new AuditRow
            {
                N = n,
                At = Now,
                PersonId = writer.PersonId,
                DeviceId = writer.DeviceId,
                What = change.What,
                Subject = change.Subject(),
                Details = details.HashOf(),
            };
            hash = row.Hash = row.HashBehind(hash);
            context.AddRange(row, details);
        }
    }

    private static Change? Of(EntityEntry entry)
    {
        JsonObject? before = null,
            after = null;
        var isDeletedMark = false;
        foreach (var property in entry.Properties.Where(p => !Untold.Contains(p.Metadata.Name) && !p.Metadata.IsPrimaryKey()))
        {
            var (was, comes) = (
                entry.State == EntityState.Added ? null : property.OriginalValue,
                entry.State == EntityState.Deleted ? null : property.CurrentValue
            );
            if (Equals(was, comes))
                continue;
            if (property.Metadata.Name == nameof(EntityRow.DeletedAt))
            {
                isDeletedMark = true;
                continue;
            }
            var name = JsonNamingPolicy.CamelCase.ConvertName(property.Metadata.Name);
            var (one, other) = entry.State == EntityState.Modified ? JsonDifference.Between(Read(was), Read(comes)) : (Read(was), Read(comes));
            if (one is not null)
                (before ??= [])[name] = one;
            if (other is not null)
                (after ??= [])[name] = other;
        }
        // A row whose secret alone was changed was changed as well, though nothing is told of it.
        var secret = entry.Properties.FirstOrDefault(p =>
            p.IsModified && p.Metadata.Name is nameof(PersonRow.PasswordHash) or nameof(PersonRow.PinHash) or nameof(DeviceRow.Hash)
        );
        if (entry.State == EntityState.Modified && before is null && after is null && !isDeletedMark && secret is null)
            return null;
        var what =
            isDeletedMark && entry.State == EntityState.Modified
                ? entry.CurrentValues[nameof(EntityRow.DeletedAt)] is null
                    ? "restored"
                    : "deleted"
                : entry.State switch
                {
                    EntityState.Added => "added",
                    EntityState.Deleted => "deleted",
                    _ => secret?.Metadata.Name switch
                    {
                        nameof(PersonRow.PasswordHash) => "changed the password of",
                        nameof(PersonRow.PinHash) => "changed the PIN of",
                        _ => "changed",
                    },
                };
        return new Change(what, () => Subject(entry.Entity), before, after);
    }

    private static JsonNode? Read(object? value) =>
        value switch
        {
            null => null,
            byte[] bytes => JsonValue.Create(string.Create(CultureInfo.InvariantCulture, $"{bytes.Length} bytes")),
            string text when text.Length > 0 && text[0] is '{' or '[' => Parse(text),
            string text => JsonValue.Create(text),
            Instant at => JsonValue.Create(InstantPattern.ExtendedIso.Format(at)),
            bool yes => JsonValue.Create(yes),
            int number => JsonValue.Create(number),
            long number => JsonValue.Create(number),
            double number when double.IsFinite(number) => JsonValue.Create(number),
            var other => JsonValue.Create(Convert.ToString(other, CultureInfo.InvariantCulture)),
        };

    private static JsonNode? Parse(string text)
    {
        try
        {
            return JsonNode.Parse(text);
        }
        catch (JsonException)
        {
            return JsonValue.Create(text);
        }
    }

    private static string Subject(object row) =>
        row switch
        {
            ScheduleRow s => $"schedules/{s.Id}",
            KilnRow k => $"kilns/{k.Id}",
            ControllerRow c => $"controllers/{c.Id}",
            ClayRow c => $"clays/{c.Id}",
            GlazeRow g => $"glazes/{g.Id}",
            FiringRow f => $"firings/{f.Id}",
            FiringRunRow r => $"firings/{r.FiringId}/run",
            FiringEntryRow e => $"firings/{e.FiringId}/entries/{e.Id}",
            FiringRecordRow r => $"firings/{r.FiringId}/reading",
            EnteredProgramRow e => $"kilns/{e.KilnId}/entered/{e.Id}",
            KilnTokenRow t => $"kilns/{t.KilnId}/token",
            KilnCareRow c => $"kilns/{c.KilnId}/care",
            MaintenanceRow m => $"kilns/{m.KilnId}/maintenance/{m.Id}",
            PhotoRow p => $"{p.Of.ToString().ToLowerInvariant()}s/{p.OwnerId}/photo",
            PersonRow p => $"people/{p.Id}",
            CertificateRow c => $"people/{c.PersonId}/certificates/{c.KilnId}",
            DeviceRow d => $"devices/{d.Id}",
            PracticeRow p => $"practice/{p.Id}",
            StudioSettingsRow => "studio",
            PlanningPreferencesRow => "studio/ways",
            CheckListsRow => "studio/check-lists",
            _ => row.GetType().Name,
        };
}
