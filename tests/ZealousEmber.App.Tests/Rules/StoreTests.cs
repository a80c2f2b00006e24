using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Demo;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Rules;

public sealed class StoreTests(EmptyStudio studio) : IClassFixture<EmptyStudio>
{
    [Fact]
    public async Task The_migrations_say_what_the_model_says()
    {
        await using var scope = studio.Services.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<StudioContext>().Database.HasPendingModelChanges().ShouldBeFalse();
    }

    [Fact]
    public async Task Everything_lies_in_one_file_and_is_there_the_next_day()
    {
        var id = (await studio.Http.Create())["id"]!.GetValue<int>();
        File.Exists(Path.Combine(studio.Folder, "ember.db")).ShouldBeTrue();

        // Another reader of the same file, as after a restart.
        await using var scope = studio.Services.CreateAsyncScope();
        var schedules = scope.ServiceProvider.GetRequiredService<ScheduleRepository>();
        (await schedules.Find(id, default))!.Item.Name.ShouldBe("A firing");

        // And the demo never moves into a studio that has something of its own.
        await SaltmarshLane.Seed(scope.ServiceProvider, TimeProvider.System);
        (await schedules.All([], default)).ShouldAllBe(s => s.Item.Name == "A firing");
    }
}
