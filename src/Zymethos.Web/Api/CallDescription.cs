using Microsoft.AspNetCore.Mvc;

namespace Zymethos.Web.Api;

/// <summary>How a call stands in the OpenAPI document.</summary>
internal static class CallDescription
{
    /// <summary>Names a call that takes and gives a JSON document, with the problems every call can answer with.</summary>
    public static void Describe<TIn, TOut>(this RouteHandlerBuilder call, string name, string summary, string description)
        where TIn : notnull =>
        call.WithName(name)
            .WithSummary(summary)
            .WithDescription(description)
            .Accepts<TIn>("application/json")
            .Produces<TOut>()
            .Produces<ProblemDetails>(StatusCodes.Status400BadRequest, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status413PayloadTooLarge, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status422UnprocessableEntity, "application/problem+json")
            .Produces<ProblemDetails>(StatusCodes.Status429TooManyRequests, "application/problem+json");
}
