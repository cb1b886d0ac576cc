using System.Collections.Immutable;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Interchange.Parcels;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>How each box of a board is packed, drawn to scale.</summary>
public sealed class PackModel(GiftDesk desk, BoxShelf boxes) : PageModel
{
    private GiftShelfDocument _shelf = new([], []);

    /// <summary>The board.</summary>
    public BoardView? View { get; private set; }

    /// <summary>Everybody's box.</summary>
    public ImmutableArray<ParcelPlan> Plans { get; private set; } = [];

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel)
    {
        View = await desk.OpenAsync(id, cancel);
        if (View is null)
            return NotFound();
        (_shelf, _) = await boxes.ReadAsync(cancel);
        Plans = BoxShelf.Plan(View, _shelf);
        return Page();
    }

    /// <summary>A letter for each kind in a box, with how many of it.</summary>
    public IEnumerable<(string Letter, string Words)> Legend(ParcelPlan plan) =>
        View!
            .Board.Cells.Where(c => c.Person == plan.Person && c.Pieces > 0)
            .Select(c => (Letter(c.Bake), $"{c.Pieces} {View.Board.Bakes[c.Bake].Bake.Name}"));

    /// <summary>The drawing of a box.</summary>
    public IHtmlContent Drawing(ParcelPlan plan) =>
        BoxDrawing.Of(
            plan.Box!,
            plan.Packed!,
            [.. plan.Kinds.Select(Letter)],
            [.. plan.Kinds.Select(b => _shelf.Sizes.First(s => s.Recipe == View!.Bakes[b].Recipe).Round)],
            $"{plan.Box!.Name} in {(plan.Packed!.Layers.Length == 1 ? "one layer" : $"{plan.Packed.Layers.Length} layers")}: "
                + string.Join(", ", Legend(plan).Select(l => $"{l.Letter} {l.Words}"))
        );

    private static string Letter(int bake) => ((char)('A' + (bake % 26))).ToString();
}
