using System.Text.Json.Serialization;
using Scalar.AspNetCore;
using Serilog;
using Serilog.Events;
using ZealousEmber.App.Clock;
using ZealousEmber.App.Cones;
using ZealousEmber.App.Exchange;
using ZealousEmber.App.Firings;
using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Notation;
using ZealousEmber.App.Planning;
using ZealousEmber.App.Preview;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.App.Studio;
using ZealousEmber.Store;
using ZealousEmber.Store.Demo;

var builder = WebApplication.CreateBuilder(args);
var dataFolder = Path.GetFullPath(builder.Configuration["EMBER_DATA"] is { Length: > 0 } folder ? folder : "data");

// Closed by default: this machine only, whatever else is configured.
builder.WebHost.UseUrls($"http://127.0.0.1:{builder.Configuration["PORT"] ?? "5080"}");
builder.WebHost.ConfigureKestrel(kestrel =>
{
    kestrel.AddServerHeader = false;
    kestrel.Limits.MaxRequestBodySize = BodyLimit.Usual;
});
builder.Services.AddSerilog(log => log
    .MinimumLevel.Is(LogEventLevel.Warning)
    .MinimumLevel.Override("ZealousEmber", LogEventLevel.Information)
    .WriteTo.Console());
builder.Services.ConfigureHttpJsonOptions(json =>
{
    json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
    json.SerializerOptions.Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
});
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddStudioStore(dataFolder);
builder.Services.AddScoped(Finder.On);
builder.Services.AddProblemResponses();
builder.Services.AddApiDescription();
builder.Services.AddResponseCompression();

var app = builder.Build();
app.UseExceptionHandler();
app.UseStatusCodePages();
app.UseResponseCompression();
app.UseMiddleware<SecurityHeaders>();
app.UseShippedPages();

app.MapGet("/api/health", () => Results.Ok(new Health("ok")))
    .WithTags("Program").WithSummary("Whether the program answers").Produces<Health>();
app.MapSchedules();
app.MapExchange();
app.MapPreview();
app.MapNotation();
app.MapCones();
app.MapKilns();
app.MapFit();
app.MapStudio();
app.MapStock();
app.MapPhotos();
app.MapPlans();
app.MapFirings();
app.MapStarts();
app.MapOpenApi();
app.MapScalarApiReference("/api/docs", docs => docs.WithTitle("Zealous Ember API").DisableDefaultFonts().DisableAgent().HideClientButton().HideDeveloperTools());
// Every other address is a place of the client; it says itself when there is no such place.
app.MapFallbackToFile("", "index.html", ShippedPages.FileOptions);
app.MapFallbackToFile("{*path:regex(^(?!api/|openapi/).*$):nonfile}", "index.html", ShippedPages.FileOptions);

// The build starts the program once to write down its API; that must not touch anybody's data.
if (System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name != "GetDocument.Insider")
{
    await StoreSetup.Prepare(app.Services, dataFolder);
    if (app.Configuration.GetValue<bool>("demo"))
    {
        await using var scope = app.Services.CreateAsyncScope();
        await SaltmarshLane.Seed(scope.ServiceProvider.GetRequiredService<StudioContext>(), TimeProvider.System);
    }
}
await app.StartAsync();
Console.WriteLine($"Zealous Ember is at {string.Join(", ", app.Urls)}; its data is in {dataFolder}. Stop it with Ctrl C.");
await app.WaitForShutdownAsync();

/// <summary>Answer of the health check.</summary>
/// <param name="Status">Always <c>ok</c>; a program that is not does not answer.</param>
internal sealed record Health(string Status);

/// <summary>Named so that tests can start the program.</summary>
public partial class Program;
