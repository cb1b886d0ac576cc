using System.Collections.Immutable;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Work.Workshop;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Web.Places.Workshop;

/// <summary>A sheet of paper with the part of a template that stands on it.</summary>
/// <param name="Name">Which piece.</param>
/// <param name="Outline">Its outline.</param>
/// <param name="X">What of it lies left of the sheet, in millimetres.</param>
/// <param name="Y">What of it lies above the sheet.</param>
/// <param name="Number">Which of the piece's sheets, from 1, row by row.</param>
/// <param name="Of">How many sheets the piece has.</param>
public sealed record TemplateSheet(string Name, Outline Outline, double X, double Y, int Number, int Of);

/// <summary>The pieces of a house as templates, true to size, over as many sheets as each needs.</summary>
public sealed class TemplatesModel(CutterShelf shelf) : PageModel
{
    /// <summary>Width of what is printed on a sheet, in millimetres; it fits A4 and Letter.</summary>
    public const double Width = 180;

    /// <summary>Height of it.</summary>
    public const double Height = 235;

    /// <summary>By how much two sheets of one piece overlap.</summary>
    public const double Overlap = 10;

    /// <summary>Where crosses stand on every sheet: those of two sheets lie on each other.</summary>
    public static IReadOnlyList<(double X, double Y)> Marks { get; } =
    [
        (Overlap / 2, Overlap / 2),
        (Width - (Overlap / 2), Overlap / 2),
        (Overlap / 2, Height - (Overlap / 2)),
        (Width - (Overlap / 2), Height - (Overlap / 2)),
    ];

    /// <summary>What was typed.</summary>
    [BindProperty(SupportsGet = true)]
    public HouseForm Form { get; set; } = new();

    /// <summary>The sheets.</summary>
    public ImmutableArray<TemplateSheet> Sheets { get; private set; } = [];

    /// <summary>Lays them out.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        IReadOnlyList<KitchenCutter> cutters = User.Identity?.IsAuthenticated == true ? await shelf.AllAsync(cancel) : [];
        if (Form.Read((name, size) => CutterShelf.Find(cutters, name, size)) is not { } asked)
            return Redirect($"/workshop/house{Request.QueryString}");
        Sheets = [.. asked.Kinds.SelectMany(k => Of($"{k.Name}, cut {k.Count}", k.Outline))];
        return Page();
    }

    /// <summary>The sheets of one piece; turned where that needs fewer.</summary>
    public static IEnumerable<TemplateSheet> Of(string name, Outline outline)
    {
        var (columns, rows) = (Needed(outline.Width, Width), Needed(outline.Height, Height));
        for (var row = 0; row < rows; row++)
        {
            for (var column = 0; column < columns; column++)
                yield return new TemplateSheet(
                    name,
                    outline,
                    column * (Width - Overlap),
                    row * (Height - Overlap),
                    (row * columns) + column + 1,
                    rows * columns
                );
        }
    }

    private static int Needed(double length, double sheet) => Math.Max(1, (int)Math.Ceiling((length - Overlap) / (sheet - Overlap)));
}
