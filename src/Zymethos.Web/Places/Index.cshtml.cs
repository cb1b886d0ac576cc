using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Zymethos.Web.Places;

/// <summary>The front door: leads to today.</summary>
public sealed class IndexModel : PageModel
{
    /// <summary>Goes on to today.</summary>
    public IActionResult OnGet() => LocalRedirect("/today");
}
