namespace ZealousEmber.App.Hosting;

/// <summary>Asks the program itself for what the first page asks for, so that nobody waits for it to be compiled.</summary>
internal static class WarmUp
{
    private const string Sample =
        """{"schedule":{"name":"warm","kind":"glaze","unit":"C","goalCone":"6","segments":[{"rate":100,"target":1222,"holdMinutes":10}]}}""";

    public static async Task Run(string address)
    {
        using var http = new HttpClient { BaseAddress = new Uri(address) };
        try
        {
            using var body = new StringContent(Sample, System.Text.Encoding.UTF8, "application/json");
            await Task.WhenAll(
                http.GetStringAsync("/api/schedules?take=20"),
                http.GetStringAsync("/api/kilns"),
                http.PostAsync("/api/preview?cones=all", body)
            );
        }
        catch (HttpRequestException)
        {
            // Stopped while it started; there is nothing to warm any more.
        }
    }
}
