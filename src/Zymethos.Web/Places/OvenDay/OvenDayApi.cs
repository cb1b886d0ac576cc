using Microsoft.AspNetCore.Mvc;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Web.Api;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>The JSON API for oven days. Stateless: everything needed stands in the document, nothing is kept.</summary>
public static class OvenDayApi
{
    /// <summary>Maps POST /api/v1/oven-days/plan.</summary>
    public static void MapOvenDayApi(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/v1/oven-days/plan", PlanAsync)
            .AllowAnonymous()
            .DisableAntiforgery()
            .RequireRateLimiting(ApiLimits.Policy)
            .WithName("PlanOvenDay")
            .WithSummary("Plans one baking day")
            .WithDescription(
                "Takes a self-contained day (kitchen, working span, bakes by value) and returns when each step starts, what the oven "
                    + "does, figures, a proven bound and reasons. Nothing is stored."
            )
            .Accepts<OvenDayDocument>("application/json")
            .Produces<PlanDocument>()
            .Produces<ProblemDetails>(StatusCodes.Status400BadRequest, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status409Conflict, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status413PayloadTooLarge, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status422UnprocessableEntity, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status429TooManyRequests, "application/problem+json");

    private static async Task<IResult> PlanAsync(HttpRequest request, PlanDay planner, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<OvenDayDocument>(request, cancel);
        if (read is not { } document)
            return problem!;
        var solve = document.Solve ?? new SolveDocument();
        var limit = TimeSpan.FromSeconds(Math.Clamp(double.IsFinite(solve.Seconds) ? solve.Seconds : 5, 0.2, 20));
        var answer = await planner.PlanAsync(document, limit, solve.Seed, cancel, isStranger: true);
        if (answer.Day is { } day)
            return Results.Json(DocumentWriter.Write(day), OpenJson.Options);
        return answer.Clash is { } clash
            ? Problems.Make(
                StatusCodes.Status409Conflict,
                "impossible-day",
                clash.IsProven ? "No plan satisfies all wishes." : "No plan was found that satisfies all wishes.",
                clash.WaysOut.Length > 0
                    ? $"What would help: {string.Join(" Or: ", clash.WaysOut.Take(2).Select(w => w.Text))}"
                    : "None of the usual ways out helps.",
                new Dictionary<string, object?>
                {
                    ["proven"] = clash.IsProven,
                    ["clash"] = clash.Clash,
                    ["waysOut"] = clash.WaysOut.Select(w => new
                    {
                        kind = DocumentWords.Of(w.Kind),
                        minutes = w.Minutes,
                        text = w.Text,
                    }),
                }
            )
            : Problems.Faults(WithBarePaths(document, answer.Faults));
    }

    /// <summary>Faults in bare steps are reported where the caller wrote them, not in the recipe that was made of them.</summary>
    private static List<Fault> WithBarePaths(OvenDayDocument document, IReadOnlyList<Fault> faults)
    {
        var result = faults.ToList();
        for (var i = 0; i < document.Bakes.Count; i++)
        {
            if (document.Bakes[i].Recipe is not null)
                continue;
            var made = $"bakes[{i}].recipe.";
            result = result.ConvertAll(f =>
                f.Path.StartsWith(made, StringComparison.Ordinal) ? f with { Path = $"bakes[{i}].{f.Path[made.Length..]}" } : f
            );
        }

        return result;
    }
}
