using System.IO.Compression;
using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.AspNetCore.Connections;
using Microsoft.AspNetCore.ResponseCompression;
using NodaTime.Serialization.SystemTextJson;
using Scalar.AspNetCore;
using Serilog;
using Serilog.Events;
using ZealousEmber.App.Audit;
using ZealousEmber.App.Cones;
using ZealousEmber.App.Controllers;
using ZealousEmber.App.Devices;
using ZealousEmber.App.Diagnosis;
using ZealousEmber.App.Firings;
using ZealousEmber.App.Hosting;
using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Learning;
using ZealousEmber.App.Live;
using ZealousEmber.App.Logbook;
using ZealousEmber.App.Network;
using ZealousEmber.App.Notation;
using ZealousEmber.App.Packing;
using ZealousEmber.App.People;
using ZealousEmber.App.Planning;
using ZealousEmber.App.Preview;
using ZealousEmber.App.Say;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Services.Files;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Learning;
using ZealousEmber.App.Services.Live;
using ZealousEmber.App.Services.Network;
using ZealousEmber.App.Services.People;
using ZealousEmber.App.Sessions;
using ZealousEmber.App.Starts;
using ZealousEmber.App.Stock;
using ZealousEmber.App.Studio;
using ZealousEmber.App.Wire;
using ZealousEmber.Store;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Rows;

var builder = WebApplication.CreateBuilder(args);
var dataFolder = Path.GetFullPath(builder.Configuration["EMBER_DATA"] is { Length: > 0 } folder ? folder : "data");
try
{
    if (await DataCommands.Run(builder.Configuration, dataFolder))
        return 0;
    await Serve();
    return 0;
}
catch (StudioFolderException error)
{
    await Console.Error.WriteLineAsync(error.Message);
    return 1;
}
catch (IOException error) when (error.InnerException is AddressInUseException)
{
    await Console.Error.WriteLineAsync("Something answers on this port already; choose another with PORT.");
    return 1;
}

async Task Serve()
{
    var network = NetworkSettings.Read(builder.Configuration, ListenAddress.PortOf(builder.Configuration), dataFolder);
    using var certificates = network.SpeaksTls ? StudioCertificates.Open(network, dataFolder, TimeProvider.System) : null;
    builder.WebHost.ConfigureKestrel(kestrel =>
    {
        ListenAddress.Listen(kestrel, network, certificates);
        kestrel.Limits.MaxRequestBodySize = BodyLimit.Usual;
        // What is longer than our own limits is refused by ourselves, in words.
        (kestrel.Limits.MaxRequestLineSize, kestrel.Limits.MaxRequestHeadersTotalSize) = (64 * 1024, 128 * 1024);
    });
    builder.Services.AddSerilog(log =>
        log.MinimumLevel.Is(LogEventLevel.Warning)
            .MinimumLevel.Override("ZealousEmber", LogEventLevel.Information)
            // What the store refuses is answered with a message of its own; a fault of the program is logged where it is handled.
            .MinimumLevel.Override("Microsoft.EntityFrameworkCore", LogEventLevel.Fatal)
            .WriteTo.Console()
    );
    builder.Services.ConfigureHttpJsonOptions(json => WireJson(json.SerializerOptions));
    builder.Services.AddSingleton(TimeProvider.System);
    builder.Services.AddHttpContextAccessor();
    builder.Services.AddSingleton(services => StudioFolder.Hold(dataFolder, services.GetRequiredService<TimeProvider>().GetUtcNow()));
    builder.Services.AddStudioStore(dataFolder);
    builder.Services.AddPeople(network.PagesOverTls, network.Public);
    builder.Services.AddNetwork(network, certificates);
    builder.Services.AddScoped(StudioLookups.On);
    builder.Services.AddScoped<StudioExport>();
    builder.Services.AddScoped<FiringFiles>();
    builder.Services.AddScoped<ScheduleShare>();
    builder.Services.AddProblemResponses();
    builder.Services.AddApiDescription();
    builder.Services.AddLargeBodyQueue();
    // The build starts the program once to write down its API; that must not touch anybody's data.
    var isWritingApi = System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";
    builder.Services.AddSingleton<LiveFeeds>();
    builder.Services.AddSingleton<LiveFirings>();
    builder.Services.AddSingleton<KilnScores>();
    builder.Services.AddSingleton<LearnedKilns>();
    builder.Services.AddSingleton<LearnedFuelKilns>();
    builder.Services.AddSingleton<LogbookRefresh>();
    if (!isWritingApi)
        builder.Services.AddHostedService<LiveLoop>();
    builder.Services.AddSingleton<PackedFurniture>();
    builder.Services.AddScoped<FiringLoads>();
    builder.Services.AddScoped<SayingContexts>();
    builder.Services.AddScoped<FiringAssessor>();
    builder.Services.AddScoped<SwitchPlanner>();
    builder.Services.AddScoped<RunStarter>();
    builder.Services.AddScoped<FiringReader>();
    builder.Services.AddSignalR(hub => hub.KeepAliveInterval = TimeSpan.FromSeconds(3)).AddJsonProtocol(json => WireJson(json.PayloadSerializerOptions));
    builder.Services.AddResponseCompression();
    // The pages are sent once and then remembered; a third smaller is worth a few milliseconds.
    builder.Services.Configure<GzipCompressionProviderOptions>(gzip => gzip.Level = CompressionLevel.Optimal);
    builder.Services.Configure<BrotliCompressionProviderOptions>(brotli => brotli.Level = CompressionLevel.Optimal);

    var app = builder.Build();
    app.UseProxies(network);
    app.UseMiddleware<SecurityHeaders>();
    app.UseExceptionHandler(
        new ExceptionHandlerOptions { ExceptionHandler = context => ProblemResponses.Write(context, StatusCodes.Status500InternalServerError) }
    );
    app.UseStatusCodePages(context => ProblemResponses.Write(context.HttpContext, context.HttpContext.Response.StatusCode));
    app.UseMiddleware<RequestChecks>();
    app.UseResponseCompression();
    // The pages themselves are anybody's: they hold nothing of the studio.
    app.UseShippedPages();
    app.UseMiddleware<FollowedFirst>();
    app.UseAuthentication();
    app.UseAuthorization();
    app.UseRateLimiter();

    app.MapHealth();
    app.MapPeople();
    app.MapPersonData();
    app.MapOldNames();
    app.MapSessions();
    app.MapDevices();
    app.MapAudit();
    app.MapNetwork();
    app.MapSchedules();
    app.MapExchange();
    app.MapPreview();
    app.MapNotation();
    app.MapSay();
    app.MapCones();
    app.MapKilns();
    app.MapCombustion();
    app.MapTurns();
    app.MapFuelLearned();
    app.MapKilnScore();
    app.MapControllers();
    app.MapBanks();
    app.MapPractice();
    app.MapFit();
    app.MapReplay();
    app.MapRuns();
    app.MapRoom();
    app.MapFiringSamples();
    app.MapFiringReplay();
    app.MapEntries();
    app.MapLogFiles();
    app.MapDiagnosis();
    app.MapLearningReplay();
    app.MapKilnLearned();
    app.MapKilnCare();
    app.MapKilnHistory();
    app.MapKilnToken();
    app.MapReading();
    app.MapChanges();
    app.MapMorning();
    app.MapSheets();
    app.MapFiringForetold();
    app.MapFiringSwitches();
    app.MapLastTurns();
    app.MapLogbook();
    app.MapCompare();
    app.MapFiringFiles();
    app.MapScheduleShare();
    app.MapScheduleFiring();
    app.MapStudio();
    app.MapCopies();
    app.MapArchives();
    app.MapUnreadable();
    app.MapStock();
    app.MapPhotos();
    app.MapPlans();
    app.MapPacking();
    app.MapFirings();
    app.MapLots();
    app.MapStarts();
    app.MapOpenApi().ForAnybody();
    app.MapScalarApiReference("/api/docs", docs =>
            docs.WithTitle("Zealous Ember API").DisableDefaultFonts().DisableAgent().HideClientButton().HideDeveloperTools()
        )
        .ForAnybody();
    // Every other address is a place of the client; it says itself when there is no such place.
    app.MapFallbackToFile("", "index.html", ShippedPages.FileOptions).ForAnybody();
    app.MapFallbackToFile("{*path:regex(^(?!api/|openapi/).*$):nonfile}", "index.html", ShippedPages.FileOptions).ForAnybody();

    if (!isWritingApi)
    {
        await StudioStart.Open(app);
    }
    var followed = isWritingApi ? Task.CompletedTask : Task.Run(() => app.Services.GetRequiredService<LiveFirings>().FollowAll(CancellationToken.None));
    await app.StartAsync();
    await followed;
    Console.WriteLine($"Zealous Ember is at {string.Join(", ", app.Urls)}; its data is in {dataFolder}. Stop it with Ctrl C.");
    if (app.Urls.FirstOrDefault() is { } address)
        _ = WarmUp.Run(address);
    await app.WaitForShutdownAsync();
}

static void WireJson(JsonSerializerOptions json)
{
    json.NumberHandling = JsonNumberHandling.Strict;
    json.Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
    json.Converters.Add(new WireEnumConverter());
    json.Converters.Add(NodaConverters.OffsetDateTimeConverter);
    json.Converters.Add(new MomentConverter());
}

/// <summary>Named so that tests can start the program.</summary>
public partial class Program;
