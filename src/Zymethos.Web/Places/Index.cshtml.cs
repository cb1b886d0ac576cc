using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Zymethos.Web.Places;

/// <summary>The front door: leads to the Oven Day.</summary>
public sealed class IndexModel : PageModel
{
    /// <summary>Goes on to the Oven Day.</summary>
    public IActionResult OnGet() => LocalRedirect("/oven-day");
}
