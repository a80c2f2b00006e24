using System.Net;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.People;

/// <summary>The studio's own devices: enrolled by a code, used with six digits, taken away.</summary>
public sealed class DeviceTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    [Fact]
    public async Task A_code_enrols_one_device_once_within_five_minutes()
    {
        using var owner = await studio.Owner();
        var offer = await (await owner.Post("/api/devices/pairings", new { name = "phone of Maja" })).Read(201);
        offer["qrSvg"]!.GetValue<string>().ShouldStartWith("<svg");
        var code = offer["address"]!.GetValue<string>().Split('#')[1];
        using var phone = studio.Visitor();
        using var thief = studio.Visitor();
        (await phone.Http.GetAsync("/api/room")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        var answers = await Task.WhenAll(Enumerable.Range(0, 20).Select(i => (i == 7 ? phone : thief).Post("/api/devices/pair", new { code })));
        answers.Count(a => a.StatusCode == HttpStatusCode.Created).ShouldBe(1);
        answers.Count(a => a.StatusCode == HttpStatusCode.Conflict).ShouldBe(19);
        var late = (await (await owner.Post("/api/devices/pairings", new { name = "late" })).Read(201))["address"]!.GetValue<string>().Split('#')[1];
        studio.Clock.Forward(TimeSpan.FromMinutes(5));
        (await phone.Post("/api/devices/pair", new { code = late })).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        await (await phone.Post("/api/devices/pair", new { code = "" })).Problem("code");
        await (await owner.StepUp()).Read();
        await (await owner.Post("/api/devices/pairings", new { name = " " })).Problem("name");
    }

    [Fact]
    public async Task Six_digits_are_good_on_a_device_of_the_studio_and_never_for_what_owners_do()
    {
        using var owner = await studio.Owner();
        var id = (await (await owner.Me()).Read())["person"]!["id"]!.GetValue<int>();
        (await owner.Put($"/api/people/{id}/pin", new { pin = "739154" })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        using var elsewhere = studio.Visitor();
        (await elsewhere.Post("/api/sessions", new { name = "Maja", pin = "739154" })).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        using var tablet = studio.Visitor();
        await RightsTests.Enrol(owner, tablet, "tablet by the kilns");
        var display = await (await tablet.Me()).Read();
        display["role"]!.GetValue<string>().ShouldBe("display");
        display["person"].ShouldBeNull();
        display["device"]!["name"]!.GetValue<string>().ShouldBe("tablet by the kilns");
        var me = await (await tablet.Post("/api/sessions", new { name = "Maja", pin = "739154" })).Read(201);
        me["role"]!.GetValue<string>().ShouldBe("owner");
        foreach (var address in new[] { "/api/audit", "/api/devices", "/api/studio/backup" })
            (await (await tablet.Http.GetAsync(address)).Read(403))["stepUp"]!.GetValue<bool>().ShouldBeTrue(address);
        (await tablet.Http.GetAsync("/api/kilns")).StatusCode.ShouldBe(HttpStatusCode.OK);
        await (await tablet.StepUp()).Read();
        (await tablet.Http.GetAsync("/api/audit")).StatusCode.ShouldBe(HttpStatusCode.OK);
        // Signed out, it is the studio's tablet again.
        await tablet.Http.DeleteAsync("/api/sessions/me");
        (await (await tablet.Me()).Read())["role"]!.GetValue<string>().ShouldBe("display");
    }

    [Fact]
    public async Task A_device_taken_away_is_nobodys_and_so_is_what_is_signed_in_on_it()
    {
        using var owner = await studio.Owner();
        await owner.Add("Ines", "maker");
        using var phone = studio.Visitor();
        await RightsTests.Enrol(owner, phone, "phone that gets lost");
        await using var page = await RightsTests.Listen(phone);
        var closed = new TaskCompletionSource();
        page.Closed += _ =>
        {
            closed.TrySetResult();
            return Task.CompletedTask;
        };
        await (await phone.SignIn("Ines")).Read(201);
        var devices = (await owner.Get("/api/devices")).AsArray();
        var lost = devices.Single(d => d!["name"]!.GetValue<string>() == "phone that gets lost")!;
        lost["seenAt"].ShouldNotBeNull();
        (await owner.Http.DeleteAsync($"/api/devices/{lost["id"]}")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await phone.Me()).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        await closed.Task.WaitAsync(TimeSpan.FromSeconds(5));
        (await owner.Http.DeleteAsync($"/api/devices/{lost["id"]}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await owner.Get("/api/devices")).AsArray().ShouldNotContain(d => d!["name"]!.GetValue<string>() == "phone that gets lost");
    }

    [Fact]
    public async Task An_owner_enrols_the_screen_she_sits_at()
    {
        using var owner = await studio.Owner();
        var made = await (await owner.Post("/api/devices", new { name = "desk" })).Read(201);
        made["isThis"]!.GetValue<bool>().ShouldBeTrue();
        owner.Cookie("ember-device").ShouldNotBeNull();
        foreach (var file in Directory.EnumerateFiles(studio.Folder))
            Bytes.Of(file).IndexOf(owner.Cookie("ember-device")!).ShouldBeLessThan(0, file);
    }
}
