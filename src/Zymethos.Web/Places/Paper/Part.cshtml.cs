using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Paper;

namespace Zymethos.Web.Places.Paper;

/// <summary>One part as a page, as it comes out of the printer.</summary>
public sealed class PartModel(PaperDesk desk) : PageModel
{
    /// <summary>What is printed, and on what.</summary>
    [BindProperty(SupportsGet = true, Name = "")]
    public PaperChoice Choice { get; set; } = new();

    /// <summary>Which part it is.</summary>
    public PaperKind Kind { get; private set; } = null!;

    /// <summary>The part; null where there is nothing to print of it.</summary>
    public PaperPart? Part { get; private set; }

    /// <summary>The sheets.</summary>
    public PaperSize Paper { get; private set; } = PaperSize.A4;

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(string part, CancellationToken cancel)
    {
        if (PaperDesk.Kinds.FirstOrDefault(k => k.Key == part) is not { } kind)
            return NotFound();
        Kind = kind;
        Paper = await desk.SizeAsync(Choice, cancel);
        Part = await desk.PartAsync(part, Choice, cancel);
        return Page();
    }
}
