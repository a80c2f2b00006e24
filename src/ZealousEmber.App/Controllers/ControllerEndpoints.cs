using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;
using Answer = ZealousEmber.App.Http.Answer;

namespace ZealousEmber.App.Controllers;

/// <summary>The controllers there are, what can be said to them, and their keys.</summary>
internal static class ControllerEndpoints
{
    public static void MapControllers(this WebApplication app)
    {
        var api = app.MapGroup("/api/controllers").Needs(Right.See).WithTags("Controllers");
        api.AddEndpointFilter(
            async (context, next) =>
                await IsBuiltIn(context.HttpContext)
                    ? ProblemResponses.Of([
                        new Problem("name", "The controllers that come with the program are copied, not changed. Add a copy under a name of its own."),
                    ])
                    : await next(context)
        );
        new RepositoryEndpoints<ProfileData, ControllerListed, ListedController>("controller", ListedController.Own, ControllerMapping.Write, Right.Manage).Map(
            api,
            "/api/controllers"
        );
        api.MapPost("fit", async (FitRequestContract? request, StudioLookup lookup, Repository<ListedController> shelf, CancellationToken cancel) =>
                Answer.Of(await FitTask.Of(request, lookup, shelf, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithSummary("A schedule as a controller can be told it: the program, what is different, and the keys");
        api.MapPost("press", async (PressRequest? request, Repository<ListedController> shelf, CancellationToken cancel) =>
                Answer.Of(await Press(request, shelf, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithSummary("Keys pressed on a controller: what it says and remembers");
        api.MapPost("read-back", async (ReadBackRequest? request, Repository<ListedController> shelf, EnteredPrograms entered, CancellationToken cancel) =>
                Answer.Of(await ReadBackTask.Of(request, shelf, entered, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithSummary("What a controller shows beside what was set: differences, what they would do, and what somebody probably did");
    }

    /// <summary>A change of one that came with the program.</summary>
    private static async Task<bool> IsBuiltIn(HttpContext context) =>
        (HttpMethods.IsPut(context.Request.Method) || HttpMethods.IsDelete(context.Request.Method))
        && int.TryParse(context.Request.RouteValues["id"] as string, out var id)
        && (await context.RequestServices.GetRequiredService<Repository<ListedController>>().Find(id, context.RequestAborted))?.Item.IsBuiltIn == true;

    private static async Task<Result<PressResponse>> Press(PressRequest? wire, Repository<ListedController> shelf, CancellationToken cancel)
    {
        wire ??= new PressRequest();
        var problems = new List<Problem>();
        var profile = await ControllerMapping.ReadProfile(wire.ProfileId, wire.Profile, shelf, problems, cancel);
        var keys = ControllerMapping.ReadKeys(wire.Keys, problems);
        var memory = profile is null ? null : ControllerMapping.Read(wire.Memory, profile, problems);
        if (profile?.Give == StepForm.Dials)
            problems.Add(new Problem("profile", "Switches have no keys: they are turned by the clock."));
        if (problems.Count > 0)
            return Result<PressResponse>.Failed(problems);
        var machine = new KeyMachine(profile!, memory!).Press(keys);
        return new PressResponse(
            machine.Display,
            machine.Memory.State.ToString().ToLowerInvariant(),
            ControllerMapping.Write(machine.Memory.Program(profile!)),
            ControllerMapping.Write(machine.Memory)
        );
    }
}
