using System.Collections.Concurrent;
using System.Collections.Frozen;
using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Records;

namespace ZealousEmber.App.Services.People;

/// <summary>
/// Everybody with an account, every device and everybody signed in, held in memory: each request is answered from here, and no change of people takes effect
/// later than its answer.
/// </summary>
internal sealed class SignedIn(IServiceScopeFactory scopes, TimeProvider time)
{
    private static readonly Duration KeptAfter = Duration.FromMinutes(1);

    private sealed class Open(SessionRecord record)
    {
        public SessionRecord Record => record;

        // Set by many requests at once; the latest counts.
        private long seen = record.Times.SeenAt.ToUnixTimeMilliseconds();

        public Instant Seen
        {
            get => Instant.FromUnixTimeMilliseconds(Interlocked.Read(ref seen));
            set => Interlocked.Exchange(ref seen, value.ToUnixTimeMilliseconds());
        }

        public Instant Kept { get; set; } = record.Times.SeenAt;

        public SessionTimes Times => record.Times with { SeenAt = Seen };
    }

    private sealed record Known(
        FrozenDictionary<int, PersonRecord> People,
        FrozenDictionary<string, DeviceRecord> Devices,
        FrozenDictionary<int, DeviceRecord> AllDevices
    );

    private readonly ConcurrentDictionary<string, Open> sessions = new();
    private readonly ConcurrentDictionary<int, (Instant Seen, Instant Kept)> devicesSeen = new();
    private volatile Known known = new(
        FrozenDictionary<int, PersonRecord>.Empty,
        FrozenDictionary<string, DeviceRecord>.Empty,
        FrozenDictionary<int, DeviceRecord>.Empty
    );

    /// <summary>The program's clock, as fine as it is stored.</summary>
    public Instant Now => Instant.FromUnixTimeMilliseconds(time.GetUtcNow().ToUnixTimeMilliseconds());

    /// <summary>Whether anybody has an account.</summary>
    public bool IsShared => known.People.Values.Any(p => p.FormerNumber is null);

    /// <summary>Whether an owner could sign in.</summary>
    public bool HasOwner => People.Any(p => p is { Role: Role.Owner, HasPassword: true });

    /// <summary>Everybody who has an account.</summary>
    public IEnumerable<PersonRecord> People => known.People.Values.Where(p => p.FormerNumber is null);

    /// <summary>Somebody, also who left; nothing where there was nobody.</summary>
    public PersonRecord? Person(int id) => known.People.GetValueOrDefault(id);

    /// <summary>The devices of the studio, with when each was last seen.</summary>
    public IEnumerable<DeviceRecord> Devices =>
        known.Devices.Values.OrderBy(d => d.Id).Select(d => d with { SeenAt = devicesSeen.TryGetValue(d.Id, out var at) ? at.Seen : d.SeenAt });

    /// <summary>A device, also one that was taken away.</summary>
    public DeviceRecord? Device(int id) => known.AllDevices.GetValueOrDefault(id);

    /// <summary>The device whose secret this is; nothing where it is none of the studio's.</summary>
    public DeviceRecord? DeviceOf(string? key) => key is { Length: > 0 } ? known.Devices.GetValueOrDefault(Keys.Name(Keys.Hash(key))) : null;

    /// <summary>How long somebody is still signed in; nothing where it is over.</summary>
    public SessionTimes? Times(int session) => sessions.Values.FirstOrDefault(s => s.Record.Id == session)?.Times;

    /// <summary>Reads all of it, at the start and after every change of people or devices.</summary>
    public async Task Load(CancellationToken cancel, bool withSessions = false)
    {
        await using var scope = scopes.CreateAsyncScope();
        var people = await scope.ServiceProvider.GetRequiredService<PeopleStore>().Read(cancel);
        var devices = await scope.ServiceProvider.GetRequiredService<DeviceStore>().Read(cancel);
        known = new Known(
            people.ToFrozenDictionary(p => p.Id),
            devices.Where(d => !d.IsRevoked).ToFrozenDictionary(d => Keys.Name(d.Hash)),
            devices.ToFrozenDictionary(d => d.Id)
        );
        if (!withSessions)
            return;
        sessions.Clear();
        foreach (var session in await scope.ServiceProvider.GetRequiredService<SessionStore>().Read(cancel))
            sessions[Keys.Name(session.Hash)] = new Open(session);
    }

    /// <summary>Who asks, by the two cookies; nothing where nobody is signed in and the device is none of the studio's.</summary>
    /// <param name="sessionKey">Of the cookie of a session.</param>
    /// <param name="deviceKey">Of the cookie of a device.</param>
    /// <param name="isByHand">Somebody did something: it keeps her signed in. What a page asks for by itself does not.</param>
    public Caller? Who(string? sessionKey, string? deviceKey, bool isByHand)
    {
        if (!IsShared)
            return Caller.Alone;
        var now = Now;
        var device = DeviceOf(deviceKey);
        if (device is not null)
            devicesSeen.AddOrUpdate(device.Id, _ => (now, device.SeenAt ?? device.MadeAt), (_, before) => (now, before.Kept));
        if (Find(sessionKey, now) is { } open && Person(open.Record.PersonId) is { } person)
        {
            if (isByHand)
                open.Seen = now;
            return new Caller(
                new Rights(person.Role, person.Kilns, open.Record.ByPin),
                person.Id,
                person.Name,
                open.Record.DeviceId,
                open.Record.Id,
                open.Times.IsSteppedUp(now)
            );
        }
        return device is null ? null : new Caller(Rights.Display, DeviceId: device.Id);
    }

    /// <summary>Signs somebody in; the key goes into her cookie and nowhere else.</summary>
    /// <param name="person">Who.</param>
    /// <param name="deviceId">On which device of the studio.</param>
    /// <param name="byPin">By six digits.</param>
    /// <param name="instead">The session this one takes the place of.</param>
    /// <param name="steppedUp">The password was given again.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<(string Key, SessionRecord Session)> Begin(
        PersonRecord person,
        int? deviceId,
        bool byPin,
        int? instead,
        bool steppedUp,
        CancellationToken cancel
    )
    {
        var (now, key) = (Now, Keys.Make());
        var before = instead is { } id ? sessions.Values.FirstOrDefault(s => s.Record.Id == id) : null;
        var record = new SessionRecord(
            0,
            Keys.Hash(key),
            person.Id,
            deviceId,
            byPin,
            new SessionTimes(before?.Record.Times.BeganAt ?? now, now, steppedUp ? now + SessionTimes.StepUp : null),
            person.Stamp
        );
        await using var scope = scopes.CreateAsyncScope();
        record = await scope.ServiceProvider.GetRequiredService<SessionStore>().Add(record, instead, cancel);
        if (before is not null)
            sessions.TryRemove(Keys.Name(before.Record.Hash), out _);
        sessions[Keys.Name(record.Hash)] = new Open(record);
        return (key, record);
    }

    /// <summary>Signs out.</summary>
    public async Task End(int session, CancellationToken cancel)
    {
        if (sessions.Values.FirstOrDefault(s => s.Record.Id == session) is not { } open)
            return;
        sessions.TryRemove(Keys.Name(open.Record.Hash), out _);
        await using var scope = scopes.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<SessionStore>().Remove(open.Record, isSignOut: true, cancel);
    }

    /// <summary>Writes down when sessions and devices were last seen, where that has moved on, and forgets what is over.</summary>
    public async Task Keep(bool all, CancellationToken cancel)
    {
        var now = Now;
        var over = sessions.Where(s => !IsGood(s.Value, now)).ToList();
        var seen = sessions.Values.Where(s => s.Seen - s.Kept >= (all ? Duration.Epsilon : KeptAfter)).ToList();
        var devices = devicesSeen.Where(d => d.Value.Seen - d.Value.Kept >= (all ? Duration.Epsilon : KeptAfter)).ToList();
        if (over.Count + seen.Count + devices.Count == 0)
            return;
        await using var scope = scopes.CreateAsyncScope();
        await scope
            .ServiceProvider.GetRequiredService<SessionStore>()
            .Keep(
                seen.ToDictionary(s => s.Record.Id, s => s.Seen),
                [.. over.Select(s => s.Value.Record.Id)],
                devices.ToDictionary(d => d.Key, d => d.Value.Seen),
                cancel
            );
        foreach (var open in seen)
            open.Kept = open.Seen;
        foreach (var (key, _) in over)
            sessions.TryRemove(key, out _);
        foreach (var (id, at) in devices)
            devicesSeen[id] = (at.Seen, at.Seen);
    }

    private Open? Find(string? key, Instant now) =>
        key is { Length: > 0 } && sessions.TryGetValue(Keys.Name(Keys.Hash(key)), out var open) && IsGood(open, now) ? open : null;

    private bool IsGood(Open open, Instant now) =>
        !open.Times.IsOver(now)
        && Person(open.Record.PersonId) is { FormerNumber: null } person
        && person.Stamp == open.Record.Stamp
        && (open.Record.DeviceId is not { } device || Device(device) is { IsRevoked: false });
}
