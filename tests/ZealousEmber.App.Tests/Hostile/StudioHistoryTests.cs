using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Live;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Hostile;

/// <summary>
/// Walks through random histories of a studio: kilns made, changed, converted and deleted, firings begun, cut, stopped and opened, readings that come in time,
/// late and from
/// the future, clocks put forward and back, the program started anew. After every step every page's address answers, and no hot kiln is told to be free.
/// </summary>
public sealed class StudioHistoryTests
{
    private const int Steps = 45;
    private const int LookedAt = 12;
    private static readonly string[] Programs =
    [
        """{"name":"Quick","kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":200,"target":1120},{"pace":"rate","rate":60,"target":1208,"holdMinutes":12},{"pace":"natural"}]}""",
        """{"name":"Full","kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"full","target":1100,"holdMinutes":10},{"pace":"natural","target":900},{"pace":"rate","rate":50,"target":800,"holdMinutes":60},{"pace":"natural"}]}""",
        """{"name":"Bisque","kind":"bisque","unit":"C","goalCone":"06","segments":[{"pace":"rate","rate":60,"target":90,"holdMinutes":120},{"pace":"full","target":1000},{"pace":"natural"}]}""",
        """{"name":"Dry","kind":"drying","unit":"C","segments":[{"pace":"rate","rate":40,"target":80,"holdMinutes":300},{"pace":"natural"}]}""",
    ];

    /// <summary>A few; many with <c>./test long</c>.</summary>
    public static TheoryData<int> Seeds => LongRun.Seeds(1, 12);

    [Theory]
    [MemberData(nameof(Seeds))]
    public async Task Whatever_happened_every_page_answers(int seed)
    {
        var history = new History(seed);
        try
        {
            await history.Begin();
            for (var i = 0; i < Steps; i++)
                await history.Step();
        }
        finally
        {
            await history.End();
        }
    }

    private sealed class History(int seed)
    {
        private readonly Random dice = new(seed);
        private readonly List<string> told = [];
        private readonly List<int> kilns = [];
        private readonly List<(int Firing, int Kiln, long Sequence)> firings = [];
        private readonly Dictionary<int, string> tokens = [];
        private IReadOnlyList<ApiOperation> pages = [];
        private RunningStudio studio = new EmptyStudio { LeavesFolder = true };

        private HttpClient Http => studio.Http;

        public async Task Begin()
        {
            await studio.InitializeAsync();
            pages =
            [
                .. new ApiDescription(await Http.GetOpenApi()).Operations.Where(o =>
                    o.Method == "GET" && o.Path is not ("/api/backup" or "/api/studio/backup" or "/api/studio/export")
                ),
            ];
            for (var i = 0; i < 2; i++)
                await Kiln();
            await Plan();
        }

        public async Task End()
        {
            await studio.DisposeAsync();
            Directory.Delete(studio.Folder, recursive: true);
        }

        public async Task Step()
        {
            switch (dice.Next(16))
            {
                case 0:
                    await Kiln();
                    break;
                case 1 or 2:
                    await Plan();
                    break;
                case 3 or 4:
                    await Start();
                    break;
                case 5 or 6 or 7:
                    await Push();
                    break;
                case 8:
                    await Note();
                    break;
                case 9:
                    await State();
                    break;
                case 10:
                    await ChangeKiln();
                    break;
                case 11:
                    await Delete();
                    break;
                case 12:
                    Forward(
                        dice.Next(3) switch
                        {
                            0 => TimeSpan.FromMinutes(20),
                            1 => TimeSpan.FromHours(5),
                            _ => TimeSpan.FromDays(3),
                        }
                    );
                    break;
                case 13:
                    Forward(-TimeSpan.FromHours(dice.Next(1, 9)));
                    break;
                case 14:
                    await Anew();
                    break;
                default:
                    await Read();
                    break;
            }
            await Look();
        }

        private void Forward(TimeSpan by)
        {
            told.Add($"clock {by}");
            studio.Clock.Forward(by);
        }

        private async Task Kiln()
        {
            var kind = new[] { "top-190", "front-200", "bench", "updraft-300", "downdraft-1000" }[dice.Next(5)];
            var made = await Said($"kiln {kind}", Http.PostAsJsonAsync("/api/kilns", new JsonObject { ["name"] = $"Kiln {kilns.Count}", ["class"] = kind }));
            if (made?["id"] is not { } id)
                return;
            kilns.Add(id.GetValue<int>());
            var token = await Said("token", Http.Send($"/api/kilns/{id}/token", null));
            tokens[kilns[^1]] = token!["token"]!.GetValue<string>();
        }

        private async Task Plan()
        {
            var text = Programs[dice.Next(Programs.Length)];
            var schedule = await Said("schedule", Http.PostText("/api/schedules", text));
            var kiln = kilns[dice.Next(kilns.Count)];
            var firing = await Said(
                $"firing in {kiln}",
                Http.PostAsJsonAsync(
                    "/api/firings",
                    new JsonObject
                    {
                        ["name"] = $"Firing {firings.Count}",
                        ["kind"] = JsonNode.Parse(text)!["kind"]!.GetValue<string>(),
                        ["kilnId"] = kiln,
                        ["scheduleId"] = schedule?["id"]?.DeepClone(),
                        ["lots"] =
                            dice.Next(2) == 0
                                ? null
                                : new JsonArray(
                                    new JsonObject
                                    {
                                        ["what"] = "mugs",
                                        ["count"] = 20,
                                        ["wall"] = 6,
                                        ["dryness"] = "damp",
                                    }
                                ),
                    }
                )
            );
            if (firing?["id"] is { } id)
                firings.Add((id.GetValue<int>(), kiln, 0));
        }

        private Task Start()
        {
            var (firing, _, _) = firings[dice.Next(firings.Count)];
            var link = new[] { "push", "hand", "simulated" }[dice.Next(3)];
            var starts = dice.Next(3) switch
            {
                0 => studio.Clock.GetUtcNow().AddHours(-6),
                1 => studio.Clock.GetUtcNow().AddHours(2),
                _ => studio.Clock.GetUtcNow(),
            };
            return Said(
                $"start {firing} {link}",
                Http.Start(
                    firing,
                    new JsonObject
                    {
                        ["link"] = link,
                        ["startsAt"] = starts.ToString("O"),
                        ["speed"] = link == "simulated" ? 60 : 1,
                    }
                )
            );
        }

        private async Task Push()
        {
            var at = dice.Next(firings.Count);
            var (firing, kiln, sequence) = firings[at];
            if (!tokens.TryGetValue(kiln, out var token))
                return;
            var (now, every, hot) = (studio.Clock.GetUtcNow(), new[] { 5, 30, 300, 900 }[dice.Next(4)], 20 + dice.NextDouble() * 1200);
            var from = now.AddMinutes(-dice.Next(0, 600));
            var samples = Enumerable
                .Range(1, dice.Next(2, 60))
                .Select(i =>
                    LiveWire.Sample(
                        sequence + i,
                        from.AddSeconds(i * every),
                        dice.Next(40) == 0 ? null : Math.Clamp(hot + i * (dice.NextDouble() - 0.3) * every / 30, -40, 1500),
                        dice.Next(2) == 0 ? dice.NextDouble() : null
                    )
                )
                .ToList();
            firings[at] = (firing, kiln, sequence + samples.Count);
            await Said(
                $"{samples.Count} readings for {firing} from {from:dd HH:mm} every {every} s at {hot:0}",
                Http.Send(
                    $"/api/firings/{firing}/samples",
                    LiveWire.Batch(dice.Next(3) == 0 ? samples.AsEnumerable().Reverse() : samples, $"{dice.Next(2)}"),
                    token: token
                )
            );
        }

        private Task Note()
        {
            var kind = new[] { "reading", "steam", "dry", "cone-down", "colour", "note", "turned", "acknowledged", "left-out", "weighed", "reprogrammed" }[
                dice.Next(11)
            ];
            var (firing, _, _) = firings[dice.Next(firings.Count)];
            return Said(
                $"{kind} of {firing}",
                Http.Send(
                    $"/api/firings/{firing}/entries",
                    new JsonObject
                    {
                        ["key"] = $"{dice.Next(1000)}",
                        ["kind"] = kind,
                        ["celsius"] = kind is "reading" or "colour" ? dice.Next(20, 1250) : null,
                        ["subject"] =
                            kind == "cone-down" ? "6"
                            : kind == "acknowledged" ? "power-cut"
                            : kind == "colour" ? "cherry"
                            : kind is "left-out" or "weighed" or "reprogrammed" ? $"{dice.Next(60)}"
                            : null,
                        ["text"] =
                            kind == "note" ? "seen"
                            : kind == "reprogrammed" ? "80/h to 1150 hold 5m; off"
                            : null,
                        ["setting"] = kind == "turned" ? new JsonObject { ["pressureBar"] = 0.1, ["damper"] = 0.5 } : null,
                        ["at"] = studio.Clock.GetUtcNow().AddMinutes(-dice.Next(0, 300)).ToString("O"),
                    }
                )
            );
        }

        private Task State()
        {
            var (firing, _, _) = firings[dice.Next(firings.Count)];
            var what = new[] { "stop", "opened", "read", "closed", "resume" }[dice.Next(5)];
            return Said($"{what} {firing}", Http.Send($"/api/firings/{firing}/{what}", new JsonObject()));
        }

        private Task ChangeKiln()
        {
            var kiln = kilns[dice.Next(kilns.Count)];
            var kind = new[] { "top-190", "front-200", "updraft-300", "updraft-700" }[dice.Next(4)];
            var body = new JsonObject
            {
                ["name"] = $"Kiln {kiln}",
                ["class"] = kind,
                ["power"] = dice.Next(2) == 0 ? 3000 : null,
                ["room"] = dice.Next(3) == 0 ? -15 : null,
                ["holdClock"] = kind.StartsWith("updraft", StringComparison.Ordinal) ? null : "runs",
            };
            return Said(
                $"kiln {kiln} becomes {kind}",
                Http.SendAsync(
                    new HttpRequestMessage(HttpMethod.Put, $"/api/kilns/{kiln}") { Content = JsonContent.Create(body), Headers = { { "If-Match", "*" } } }
                )
            );
        }

        private Task Delete()
        {
            var path = dice.Next(4) switch
            {
                0 => $"/api/kilns/{kilns[dice.Next(kilns.Count)]}",
                1 => $"/api/firings/{firings[dice.Next(firings.Count)].Firing}",
                2 => $"/api/schedules/{dice.Next(1, 6)}",
                _ => "",
            };
            return path.Length > 0
                ? Said($"delete {path}", Http.DeleteAsync(path))
                : Said("restore", Http.PostAsync($"/api/kilns/{kilns[dice.Next(kilns.Count)]}/restore", null));
        }

        private Task Read()
        {
            var (firing, _, _) = firings[dice.Next(firings.Count)];
            return Said(
                $"packs of {firing}",
                FuzzSend(
                    $"/api/firings/{firing}/reading",
                    """{"packs":[{"shelf":"top","cones":[{"cone":"6","clock":5}]}],"results":{"out":12,"lost":1,"faults":[]}}"""
                )
            );
        }

        private Task<HttpResponseMessage> FuzzSend(string path, string body) =>
            Http.SendAsync(
                new HttpRequestMessage(HttpMethod.Put, path)
                {
                    Content = new StringContent(body, System.Text.Encoding.UTF8, "application/json"),
                    Headers = { { "If-Match", "*" } },
                }
            );

        private async Task Anew()
        {
            told.Add("started anew");
            var (folder, clock) = (studio.Folder, studio.Clock);
            await studio.DisposeAsync();
            studio = new EmptyStudio
            {
                Folder = folder,
                Clock = clock,
                LeavesFolder = true,
            };
            await studio.InitializeAsync();
        }

        /// <summary>Some of the pages, and always those that say where it is hot.</summary>
        private async Task Look()
        {
            foreach (
                var page in pages
                    .Where(p => p.Path is "/api/room" or "/api/firings/runs" or "/api/logbook" or "/api/unreadable")
                    .Concat(dice.GetItems(pages.ToArray(), LookedAt))
            )
            {
                var number = page.Path.StartsWith("/api/kilns", StringComparison.Ordinal)
                    ? kilns[dice.Next(kilns.Count)]
                    : firings[dice.Next(firings.Count)].Firing;
                var path = page
                    .Path.Replace("{id}", $"{number}", StringComparison.Ordinal)
                    .Replace("{number}", "1", StringComparison.Ordinal)
                    .Replace("{entry}", "1", StringComparison.Ordinal)
                    .Replace("{key}", "1", StringComparison.Ordinal)
                    .Replace("{table}", "kilns", StringComparison.Ordinal);
                await Said($"look at {path}", Http.GetAsync(path), keep: false);
            }
            var hot = (await Http.Get("/api/firings/runs")).AsArray().Where(r => r!["openedAt"] is null).Select(r => r!["kilnId"]!.GetValue<int>()).ToHashSet();
            foreach (var kiln in (await Http.Get("/api/room")).AsArray())
            {
                if (hot.Contains(kiln!["kilnId"]!.GetValue<int>()))
                    kiln["firingId"].ShouldNotBeNull($"a firing is in it\n{string.Join('\n', told)}");
            }
        }

        private async Task<JsonNode?> Said(string what, Task<HttpResponseMessage> asked, bool keep = true)
        {
            using var response = await asked;
            if (keep)
                told.Add($"{what}: {(int)response.StatusCode}");
            var body = await response.Content.ReadAsStringAsync();
            ((int)response.StatusCode).ShouldBeLessThan(500, $"{what}\n{body}\n{string.Join('\n', told)}");
            return response.IsSuccessStatusCode && body.StartsWith('{') ? JsonNode.Parse(body) : null;
        }
    }
}
