using Microsoft.AspNetCore.Mvc;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;
using Zymethos.Web.Api;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Places.Season;

/// <summary>The JSON API for seasons. Stateless: everything needed stands in the document, nothing is kept.</summary>
public static class SeasonsApi
{
    /// <summary>Maps POST /api/v1/seasons/plan.</summary>
    public static void MapSeasonsApi(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/v1/seasons/plan", PlanAsync)
            .AllowAnonymous()
            .DisableAntiforgery()
            .RequireRateLimiting(ApiLimits.Policy)
            .WithName("PlanSeason")
            .WithSummary("Plans a season of baking backward from its dates")
            .WithDescription(
                "Takes a self-contained season (kitchen, recipes, occasions, needs, sessions) and returns batches, when each piece of "
                    + "work falls, how everything waits for its date, every session to the minute, and needs that cannot be met with the "
                    + "reason. Nothing is stored."
            )
            .Accepts<SeasonDocument>("application/json")
            .Produces<SeasonPlanDocument>()
            .Produces<ProblemDetails>(StatusCodes.Status400BadRequest, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status413PayloadTooLarge, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status422UnprocessableEntity, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status429TooManyRequests, "application/problem+json");

    private static async Task<IResult> PlanAsync(HttpRequest request, SolverGate gate, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<SeasonDocument>(request, cancel);
        if (read is not { } document)
            return problem!;
        var reader = new SeasonReader();
        var wish = reader.Read(document);
        if (reader.Faults.Count > 0)
            return Problems.Faults(reader.Faults);
        var solve = document.Solve ?? new SolveDocument(15);
        var plan = await gate.RunForStrangerAsync(
            () => SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(solve.Seconds), solve.Seed), cancel),
            cancel
        );
        return Results.Json(SeasonWriter.Write(wish, plan), OpenJson.Options);
    }
}
