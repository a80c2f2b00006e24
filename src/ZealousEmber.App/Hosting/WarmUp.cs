namespace ZealousEmber.App.Hosting;

/// <summary>Asks the program itself for what the first page asks for, so that nobody waits for it to be compiled.</summary>
internal static class WarmUp
{
    private const string Sample =
        """{"schedule":{"name":"warm","kind":"glaze","unit":"C","goalCone":"6","segments":[{"rate":100,"target":1222,"holdMinutes":10}]}}""";

    private const string Sentence = """{"text":"26 mugs, 6 mm, bone dry, bisque 06 tomorrow at 9","now":"2026-01-01T12:00:00Z"}""";

    public static async Task Run(string address)
    {
        using var http = new HttpClient { BaseAddress = new Uri(address) };
        try
        {
            static StringContent Json(string text) => new(text, System.Text.Encoding.UTF8, "application/json");
            using var body = Json(Sample);
            using var sentence = Json(Sentence);
            await Task.WhenAll(
                http.GetStringAsync("/api/schedules?take=20"),
                http.GetStringAsync("/api/kilns"),
                http.PostAsync("/api/preview?cones=all", body)
            );
            // The line at home is typed into a few seconds later; its rules are made by then.
            await http.PostAsync("/api/say", sentence);
        }
        catch (HttpRequestException)
        {
            // Stopped while it started; there is nothing to warm any more.
        }
    }
}
