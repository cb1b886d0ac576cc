using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;

namespace Zymethos.Web.Setup;

/// <summary>
/// A handler is not called when something it names is missing or of another kind: a form of the page always sends it, so this one came from
/// elsewhere or was cut short.
/// What a page binds to its properties is its own matter, and is answered at its field.
/// </summary>
public sealed class WholeForms : IAsyncPageFilter
{
    /// <inheritdoc />
    public Task OnPageHandlerSelectionAsync(PageHandlerSelectedContext context) => Task.CompletedTask;

    /// <inheritdoc />
    public async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        if (
            context.HandlerMethod?.Parameters.Any(p => context.ModelState.TryGetValue(p.Name, out var entry) && entry.Errors.Count > 0)
            == true
        )
        {
            context.Result = new StatusCodeResult(StatusCodes.Status400BadRequest);
            return;
        }

        await next();
    }
}
