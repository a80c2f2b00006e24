using System.Diagnostics;
using System.Net;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.People;

/// <summary>Signing in and out, and all that ends a session.</summary>
public sealed class SessionTests : IAsyncLifetime
{
    private readonly RunningStudio studio = new();
    private Visitor owner = null!;

    public async ValueTask InitializeAsync()
    {
        await studio.InitializeAsync();
        owner = await studio.Owner();
        await owner.Add("Ines", "maker");
    }

    public async ValueTask DisposeAsync()
    {
        owner.Dispose();
        await studio.DisposeAsync();
    }

    private static async Task<bool> IsIn(Visitor visitor) => (await visitor.Me()).StatusCode == HttpStatusCode.OK;

    [Fact]
    public async Task The_first_account_makes_it_a_shared_studio_for_everybody()
    {
        await using var fresh = new RunningStudio();
        await fresh.InitializeAsync();
        (await (await fresh.Http.GetAsync("/api/sessions/me")).Read())["mode"]!.GetValue<string>().ShouldBe("alone");
        using var first = fresh.Visitor();
        await (
            await first.Post(
                "/api/people",
                new
                {
                    name = "Maja",
                    role = "maker",
                    password = Visitor.Password,
                }
            )
        ).Problem("role");
        await (await first.Post("/api/people", new { name = "Maja", role = "owner" })).Problem("password");
        // Ten at once: one account is made, and only who made it is in.
        var tries = await Task.WhenAll(
            Enumerable
                .Range(0, 10)
                .Select(i =>
                    fresh.Http.PostAsync(
                        "/api/people",
                        Json(
                            new
                            {
                                name = $"Maja {i}",
                                role = "owner",
                                password = Visitor.OwnersPassword,
                            }
                        )
                    )
                )
        );
        tries.Count(t => t.StatusCode == HttpStatusCode.Created).ShouldBe(1);
        tries
            .Where(t => t.StatusCode != HttpStatusCode.Created)
            .ShouldAllBe(t => t.StatusCode == HttpStatusCode.Conflict || t.StatusCode == HttpStatusCode.Unauthorized);
        using var stranger = fresh.Visitor();
        (await stranger.Http.GetAsync("/api/kilns")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        (await stranger.Http.GetAsync("/")).StatusCode.ShouldNotBe(HttpStatusCode.Unauthorized, "the pages themselves are anybody’s");
    }

    private static System.Net.Http.Json.JsonContent Json(object body) => System.Net.Http.Json.JsonContent.Create(body);

    [Fact]
    public async Task The_cookie_is_out_of_reach_of_scripts_and_other_sites()
    {
        using var ines = studio.Visitor();
        var answer = await ines.SignIn("Ines");
        var cookie = answer.Headers.GetValues("Set-Cookie").Single();
        cookie.ShouldContain("httponly");
        cookie.ShouldContain("samesite=strict");
        cookie.ShouldContain("path=/");
        var me = await answer.Read(201);
        me["role"]!.GetValue<string>().ShouldBe("maker");
        me["rights"]!.AsArray().Select(r => r!.GetValue<string>()).ShouldBe(["see", "note-reading", "own-lots"]);
        // What is kept of the key is its hash.
        foreach (var file in Directory.EnumerateFiles(studio.Folder))
            Bytes.Of(file).IndexOf(ines.Cookie()!).ShouldBeLessThan(0, file);
    }

    [Fact]
    public async Task Signing_out_ends_this_session_at_once_and_no_other()
    {
        using var phone = await studio.SignedIn("Ines");
        using var desk = await studio.SignedIn("Ines");
        var old = phone.Cookie();
        (await phone.Http.DeleteAsync("/api/sessions/me")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        phone.Carry(old);
        (await IsIn(phone)).ShouldBeFalse();
        (await IsIn(desk)).ShouldBeTrue();
    }

    [Fact]
    public async Task A_password_given_again_makes_a_new_cookie_and_the_one_before_is_dead()
    {
        using var ines = await studio.SignedIn("Ines");
        var before = ines.Cookie();
        await (await ines.StepUp("not this one, surely")).Problem("password");
        var me = await (await ines.StepUp(Visitor.Password)).Read();
        me["steppedUpUntil"].ShouldNotBeNull();
        ines.Cookie().ShouldNotBe(before);
        using var thief = studio.Visitor();
        thief.Carry(before);
        (await IsIn(thief)).ShouldBeFalse();
        studio.Clock.Forward(TimeSpan.FromMinutes(10));
        (await (await ines.Me()).Read())["steppedUpUntil"].ShouldBeNull();
        // Signing in again is a new cookie as well.
        var again = ines.Cookie();
        await (await ines.SignIn("Ines")).Read(201);
        thief.Carry(again);
        (await IsIn(thief)).ShouldBeFalse();
    }

    [Fact]
    public async Task It_ends_after_half_an_hour_in_which_nobody_does_anything()
    {
        using var ines = await studio.SignedIn("Ines");
        studio.Clock.Forward(TimeSpan.FromMinutes(29));
        (await IsIn(ines)).ShouldBeTrue();
        studio.Clock.Forward(TimeSpan.FromMinutes(29));
        // What a page asks for by itself keeps nobody signed in.
        var request = new HttpRequestMessage(HttpMethod.Get, "/api/room");
        request.Headers.Add("Asked-By-Itself", "1");
        (await ines.Http.SendAsync(request)).StatusCode.ShouldBe(HttpStatusCode.OK);
        studio.Clock.Forward(TimeSpan.FromMinutes(1));
        (await IsIn(ines)).ShouldBeFalse();
    }

    [Fact]
    public async Task It_ends_after_twelve_hours_whatever_is_done()
    {
        using var ines = await studio.SignedIn("Ines");
        for (var i = 0; i < 12 * 60 / 20 - 1; i++)
        {
            studio.Clock.Forward(TimeSpan.FromMinutes(20));
            (await IsIn(ines)).ShouldBeTrue($"after {(i + 1) * 20} minutes");
        }
        studio.Clock.Forward(TimeSpan.FromMinutes(20));
        (await IsIn(ines)).ShouldBeFalse();
    }

    [Theory]
    [InlineData("password")]
    [InlineData("role")]
    [InlineData("erase")]
    public async Task What_changes_somebody_ends_all_her_sessions_and_the_pages_she_has_open(string what)
    {
        var id = await owner.Add($"Nora {what}", "firer");
        using var desk = await studio.SignedIn($"Nora {what}");
        await using var page = await RightsTests.Listen(desk);
        var closed = new TaskCompletionSource();
        page.Closed += _ =>
        {
            closed.TrySetResult();
            return Task.CompletedTask;
        };
        var done = what switch
        {
            "password" => await owner.Put($"/api/people/{id}/password", new { password = "another long sentence" }),
            "role" => await owner.Put($"/api/people/{id}", new { name = $"Nora {what}", role = "maker" }, "\"1\""),
            _ => await owner.Http.PostAsync($"/api/people/{id}/erase", null),
        };
        done.IsSuccessStatusCode.ShouldBeTrue();
        (await IsIn(desk)).ShouldBeFalse();
        await closed.Task.WaitAsync(TimeSpan.FromSeconds(5));
    }

    [Fact]
    public async Task Ones_own_new_password_signs_out_everywhere_else()
    {
        using var here = await studio.SignedIn("Ines");
        using var there = await studio.SignedIn("Ines");
        var id = (await (await here.Me()).Read())["person"]!["id"]!.GetValue<int>();
        await (await here.Put($"/api/people/{id}/password", new { password = "a much better sentence" })).Problem("current");
        await (await here.Put($"/api/people/{id}/password", new { current = "wrong, of course", password = "a much better sentence" })).Problem("current");
        (await here.Put($"/api/people/{id}/password", new { current = Visitor.Password, password = "a much better sentence" })).StatusCode.ShouldBe(
            HttpStatusCode.NoContent
        );
        (await IsIn(here)).ShouldBeTrue("with its new cookie");
        (await IsIn(there)).ShouldBeFalse();
        using var again = studio.Visitor();
        (await again.SignIn("Ines")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        await (await again.SignIn("Ines", "a much better sentence")).Read(201);
    }

    [Fact]
    public async Task Five_wrong_tries_lock_a_name_on_a_device_and_nowhere_else()
    {
        using var device = studio.Visitor();
        await RightsTests.Enrol(owner, device);
        using var other = studio.Visitor();
        foreach (var name in new[] { "Ines", "Nobody at all" })
        {
            for (var i = 0; i < 5; i++)
            {
                var missed = await (await device.SignIn(name, "wrong password here")).Read(401);
                missed["detail"]!.GetValue<string>().ShouldBe("Name and password do not go together.");
            }
            var locked = await device.SignIn(name);
            ((int)locked.StatusCode).ShouldBe(429);
            locked.Headers.RetryAfter!.Delta!.Value.TotalSeconds.ShouldBeInRange(50, 60);
        }
        await (await other.SignIn("Ines")).Read(201);
        studio.Clock.Forward(TimeSpan.FromSeconds(61));
        ((int)(await device.SignIn("Ines", "wrong once more, sorry")).StatusCode).ShouldBe(401);
        (await device.SignIn("Ines")).Headers.RetryAfter!.Delta!.Value.TotalSeconds.ShouldBeInRange(110, 120, "twice as long");
        studio.Clock.Forward(TimeSpan.FromSeconds(121));
        await (await device.SignIn("Ines")).Read(201);
        // Let in, it begins anew.
        ((int)(await device.SignIn("Ines", "wrong password here")).StatusCode).ShouldBe(401);
        await (await device.SignIn("Ines")).Read(201);
        (await owner.Get("/api/audit?words=locked"))["total"]!.GetValue<int>().ShouldBeGreaterThan(0);
    }

    [Fact]
    public async Task A_flood_from_one_place_is_stopped_and_others_are_answered()
    {
        using var flood = studio.Visitor();
        using var ines = await studio.SignedIn("Ines");
        var refused = 0;
        for (var i = 0; i < 60 && refused == 0; i++)
        {
            var answers = await Task.WhenAll(Enumerable.Range(0, 200).Select(_ => flood.Http.GetAsync("/api/health")));
            refused = answers.Count(a => (int)a.StatusCode == 429);
            answers.Where(a => (int)a.StatusCode == 429).ShouldAllBe(a => a.Headers.RetryAfter != null);
        }
        refused.ShouldBeGreaterThan(0);
        (await IsIn(ines)).ShouldBeTrue();
    }

    [Fact]
    public async Task A_hundred_guesses_at_once_are_five()
    {
        using var thief = studio.Visitor();
        var answers = await Task.WhenAll(Enumerable.Range(0, 40).Select(i => thief.SignIn("Ines", $"guess number {i} of many")));
        answers.Count(a => a.StatusCode == HttpStatusCode.Unauthorized).ShouldBe(5);
        answers.Count(a => (int)a.StatusCode == 429).ShouldBe(35);
    }

    [Fact]
    public async Task A_name_nobody_has_takes_as_long_as_one_somebody_has()
    {
        async Task<double> Median(string name)
        {
            var times = new List<double>();
            for (var i = 0; i < 9; i++)
            {
                studio.Clock.Forward(TimeSpan.FromHours(25));
                using var visitor = studio.Visitor();
                var began = Stopwatch.GetTimestamp();
                (await visitor.SignIn(name, "wrong password here")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
                times.Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
            }
            return times.Order().ElementAt(times.Count / 2);
        }
        await Median("Ines");
        // A hash is a hundred milliseconds; without one it would be one or two. How close they are is measured in bench/.
        var (somebody, nobody) = (await Median("Ines"), await Median("Nobody"));
        (nobody / somebody).ShouldBeInRange(0.5, 2);
    }

    [Fact]
    public async Task What_a_body_says_of_rights_and_owners_changes_nothing()
    {
        var id = await owner.Add("Tilo", "firer");
        using var tilo = await studio.SignedIn("Tilo");
        var made = await tilo.Http.PostAsync(
            "/api/schedules",
            Json(Wire.Wire.GlazeFiring().With("ownerId", 1).With("role", "owner").With("certified", true).With("updatedBy", "Maja"))
        );
        var schedule = (await made.Read(201))["id"]!.GetValue<int>();
        (await tilo.Http.Put(schedule, Wire.Wire.GlazeFiring().With("name", "Still his"), "\"1\"")).StatusCode.ShouldBe(HttpStatusCode.OK);
        (
            await tilo.Put(
                $"/api/people/{id}/pin",
                new
                {
                    pin = "739154",
                    role = "owner",
                    certificates = new[] { 1 },
                }
            )
        ).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        var me = await (await tilo.Me()).Read();
        me["role"]!.GetValue<string>().ShouldBe("firer");
        me["rights"]!.AsArray().Select(r => r!.GetValue<string>()).ShouldNotContain(r => r.StartsWith("run:", StringComparison.Ordinal) || r == "manage");
        // A header of one's own does not make one somebody else.
        var request = new HttpRequestMessage(HttpMethod.Post, "/api/firings/4/entries")
        {
            Content = Json(
                new
                {
                    key = "k1",
                    kind = "note",
                    text = "mine",
                }
            ),
        };
        request.Headers.Add("Studio-Person", "Maja");
        (await (await tilo.Http.SendAsync(request)).Read(201))["by"]!.GetValue<string>().ShouldBe("Tilo");
    }

    [Theory]
    [InlineData("short")]
    [InlineData("password1234")]
    [InlineData("P@ssw0rd!2026")]
    [InlineData("123456789012")]
    [InlineData("qwertyuiop12")]
    [InlineData("aaaaaaaaaaaa")]
    [InlineData("PotteryStudio1")]
    [InlineData("Ines Ines Ines")]
    public async Task Passwords_that_are_guessed_first_are_refused(string password) =>
        (
            await (
                await owner.Post(
                    "/api/people",
                    new
                    {
                        name = "Ines",
                        role = "maker",
                        password,
                    }
                )
            ).Problem("password")
        ).ShouldNotBeEmpty();

    [Theory]
    [InlineData("111111")]
    [InlineData("123456")]
    [InlineData("654321")]
    [InlineData("12345")]
    [InlineData("12345a")]
    [InlineData("1234567")]
    public async Task Pins_that_are_guessed_first_are_refused(string pin)
    {
        using var ines = await studio.SignedIn("Ines");
        var id = (await (await ines.Me()).Read())["person"]!["id"]!.GetValue<int>();
        await (await ines.Put($"/api/people/{id}/pin", new { pin })).Problem("pin");
    }

    [Fact]
    public async Task The_last_owner_stays_one()
    {
        var id = (await (await owner.Me()).Read())["person"]!["id"]!.GetValue<int>();
        (await owner.Put($"/api/people/{id}", new { name = "Maja", role = "maker" }, "\"1\"")).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        (await owner.Http.PostAsync($"/api/people/{id}/erase", null)).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        (await owner.Put($"/api/people/{id}", new { name = "Maja", role = "owner" })).StatusCode.ShouldBe((HttpStatusCode)428);
        (await owner.Put($"/api/people/{id}", new { name = "Maja", role = "owner" }, "\"9\"")).StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
        (await owner.Post("/api/people", new { name = "INES", role = "maker" })).StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task An_owner_without_a_password_keeps_no_studio_going()
    {
        var id = (await (await owner.Me()).Read())["person"]!["id"]!.GetValue<int>();
        await (await owner.Post("/api/people", new { name = "Otto", role = "owner" })).Read(201);
        (await owner.Http.PostAsync($"/api/people/{id}/erase", null)).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        (await owner.Put($"/api/people/{id}", new { name = "Maja", role = "maker" }, "\"1\"")).StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task Six_digits_alone_never_come_by_a_password()
    {
        var otto = (await (await owner.Post("/api/people", new { name = "Otto", role = "owner" })).Read(201))["id"]!.GetValue<int>();
        (await owner.Put($"/api/people/{otto}/pin", new { pin = "739154" })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        using var tablet = studio.Visitor();
        await RightsTests.Enrol(owner, tablet);
        await (await tablet.Post("/api/sessions", new { name = "Otto", pin = "739154" })).Read(201);
        var refused = await (await tablet.Put($"/api/people/{otto}/password", new { password = Visitor.Password })).Read(403);
        refused["right"]!.GetValue<string>().ShouldBe("manage");
        (await owner.Put($"/api/people/{otto}/password", new { password = Visitor.Password })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await (await tablet.SignIn("Otto")).Read(201);
    }

    [Fact]
    public async Task A_restart_in_the_night_signs_nobody_out()
    {
        var folder = Directory.CreateTempSubdirectory("ember-test-").FullName;
        string? cookie;
        await using (var before = new RunningStudio { Folder = folder, LeavesFolder = true })
        {
            await before.InitializeAsync();
            using var maja = await before.Owner();
            cookie = maja.Cookie();
        }
        await using var after = new RunningStudio { Folder = folder };
        await after.InitializeAsync();
        using var again = after.Visitor();
        again.Carry(cookie);
        (await (await again.Me()).Read())["person"]!["name"]!.GetValue<string>().ShouldBe("Maja");
    }
}
