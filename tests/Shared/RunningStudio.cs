using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;
using Xunit;

namespace ZealousEmber.Tests;

/// <summary>The whole program on a port of its own, with a database file of its own. Torn down with its folder.</summary>
public class RunningStudio : WebApplicationFactory<Program>, IAsyncLifetime
{
    /// <summary>Where its data lies.</summary>
    public string Folder { get; init; } = Directory.CreateTempSubdirectory("ember-test-").FullName;

    /// <summary>The clock the program runs by; it can be put forward.</summary>
    public MovableClock Clock { get; init; } = new();

    /// <summary>Its folder is left for another start.</summary>
    public bool LeavesFolder { get; init; }

    /// <summary>Whether it starts with the demo studio or empty.</summary>
    protected virtual bool Demo => true;

    public Uri Address => ClientOptions.BaseAddress;

    /// <summary>A client of a real socket.</summary>
    public HttpClient Http { get; private set; } = new();

    public ValueTask InitializeAsync()
    {
        if (Demo && !File.Exists(Path.Combine(Folder, "ember.db")))
            File.Copy(DemoDatabase.Value, Path.Combine(Folder, "ember.db"));
        UseKestrel(0);
        StartServer();
        Http = new HttpClient { BaseAddress = Address };
        return ValueTask.CompletedTask;
    }

    /// <summary>The demo studio, made by one start of the program and copied for every other; gone when the tests end.</summary>
    private static readonly Lazy<string> DemoDatabase = new(() =>
    {
        var copy = Path.Combine(Directory.CreateTempSubdirectory("ember-demo-").FullName, "ember.db");
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(Path.GetDirectoryName(copy)!, recursive: true);
        using var studio = new RunningStudio();
        studio.UseKestrel(0);
        studio.StartServer();
        using var connection = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={Path.Combine(studio.Folder, "ember.db")};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "VACUUM INTO $copy";
        command.Parameters.AddWithValue("$copy", copy);
        command.ExecuteNonQuery();
        return copy;
    });

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseEnvironment("Production");
        builder.UseSetting("EMBER_DATA", Folder);
        builder.UseSetting("PORT", "0");
        builder.UseSetting("demo", Demo ? "true" : "false");
        builder.ConfigureServices(services => services.Replace(ServiceDescriptor.Singleton<TimeProvider>(Clock)));
    }

    public override async ValueTask DisposeAsync()
    {
        Http.Dispose();
        await base.DisposeAsync();
        GC.SuppressFinalize(this);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        if (!LeavesFolder)
            Directory.Delete(Folder, recursive: true);
    }
}

/// <summary>The same without the demo studio.</summary>
public sealed class EmptyStudio : RunningStudio
{
    protected override bool Demo => false;
}

/// <summary>Now, plus whatever was added; it can be made to stand still, and then only goes where it is put.</summary>
public sealed class MovableClock : TimeProvider
{
    private TimeSpan ahead;
    private DateTimeOffset? stood;

    public void Forward(TimeSpan by) => ahead += by;

    public void StandStill() => stood ??= base.GetUtcNow();

    public override DateTimeOffset GetUtcNow() => (stood ?? base.GetUtcNow()) + ahead;
}
