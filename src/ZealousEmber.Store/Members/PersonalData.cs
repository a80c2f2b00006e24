using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Json;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.Store.Members;

/// <summary>Everything the studio keeps of one person, in open form.</summary>
public sealed class PersonalData(StudioContext context, AuditLog audit)
{
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>As JSON; nothing where there is no such person. Neither password nor PIN is in it: they are kept as hashes only.</summary>
    public async Task<string?> Export(int id, CancellationToken cancel)
    {
        if (await context.Set<PersonRow>().AsNoTracking().FirstOrDefaultAsync(p => p.Id == id && p.FormerNumber == null, cancel) is not { } person)
            return null;
        var name = person.UserName!;
        var all = new JsonObject
        {
            ["person"] = JsonSerializer.SerializeToNode(
                new
                {
                    person.Id,
                    Name = name,
                    Role = person.Role.ToString().ToLowerInvariant(),
                    Since = person.MadeAt.ToString(),
                },
                Plain
            ),
            ["certificates"] = Rows(await context.Set<CertificateRow>().Where(c => c.PersonId == id).Select(c => c.KilnId).ToListAsync(cancel)),
            ["sessions"] = Rows(
                (await context.Set<SessionRow>().AsNoTracking().Where(s => s.PersonId == id).ToListAsync(cancel)).Select(s => new
                {
                    BeganAt = s.BeganAt.ToString(),
                    SeenAt = s.SeenAt.ToString(),
                    s.DeviceId,
                    s.ByPin,
                })
            ),
            ["schedules"] = Rows(
                (await context.Schedules.AsNoTracking().Where(s => s.OwnerId == id && s.DeletedAt == null).ToListAsync(cancel)).Select(s => new
                {
                    s.Id,
                    s.Name,
                    s.Notes,
                    Steps = Parsed(s.Segments),
                })
            ),
            ["lots"] = Rows(
                (await context.Set<FiringRow>().AsNoTracking().Where(f => f.DeletedAt == null && f.Lots.Contains(name)).ToListAsync(cancel)).SelectMany(f =>
                    Lots(f).Where(l => l.Whose == name).Select(l => new { Firing = f.Name, Lot = l })
                )
            ),
            ["entries"] = Rows(
                (await context.Set<FiringEntryRow>().AsNoTracking().Where(e => e.By == name).ToListAsync(cancel)).Select(e => new
                {
                    e.FiringId,
                    e.Kind,
                    At = e.At.ToString(),
                    e.Celsius,
                    e.Subject,
                    e.Text,
                })
            ),
            ["maintenance"] = Rows(
                (await context.Set<MaintenanceRow>().AsNoTracking().Where(m => m.By == name).ToListAsync(cancel)).Select(m => new
                {
                    m.KilnId,
                    m.Kind,
                    At = m.At.ToString(),
                    m.Note,
                })
            ),
            ["practice"] = Rows(await context.Set<PracticeRow>().AsNoTracking().Where(p => p.Person == name).ToListAsync(cancel)),
        };
        var changes = new JsonArray();
        await foreach (var row in audit.All(new AuditQuery(PersonId: id), cancel))
            changes.Add(
                new JsonObject
                {
                    ["n"] = row.N,
                    ["at"] = row.At.ToString(),
                    ["what"] = row.What,
                    ["subject"] = row.Subject,
                    ["before"] = Parsed(row.Before),
                    ["after"] = Parsed(row.After),
                }
            );
        all["changes"] = changes;
        return all.ToJsonString(Plain);
    }

    private static JsonNode? Rows<T>(IEnumerable<T> rows) => JsonSerializer.SerializeToNode(rows.ToList(), Plain);

    private static StoredLot[] Lots(FiringRow firing)
    {
        try
        {
            return StoredJson.Read<StoredLot[]>(firing.Lots);
        }
        catch (JsonException)
        {
            // A firing that cannot be read tells nothing of anybody.
            return [];
        }
    }

    private static JsonNode? Parsed(string? text)
    {
        try
        {
            return text is null ? null : JsonNode.Parse(text);
        }
        catch (JsonException)
        {
            return JsonValue.Create(text);
        }
    }
}
