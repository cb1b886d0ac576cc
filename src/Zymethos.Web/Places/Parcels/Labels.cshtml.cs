using System.Collections.Immutable;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime.Text;
using Zymethos.Interchange.Parcels;
using Zymethos.Paper;
using Zymethos.Web.Drawing;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>Labels of a board, at their true size.</summary>
public sealed class LabelsModel(GiftDesk desk, GiftLabels labels, KitchenBook book, BoxShelf boxes) : PageModel
{
    /// <summary>Most bytes of a file of label words.</summary>
    private const int LargestFile = 50_000;

    /// <summary>The board.</summary>
    public BoardView? View { get; private set; }

    /// <summary>Whether each kind has a label, not each box.</summary>
    public bool OfBakes { get; private set; }

    /// <summary>The sheets.</summary>
    public PaperSize Paper { get; private set; } = PaperSize.A4;

    /// <summary>When what the season does not date was made; empty where nobody said.</summary>
    public string Made { get; private set; } = "";

    /// <summary>The labels.</summary>
    public LabelSheet Sheet { get; private set; } = new([], "", LabelWords.English);

    /// <summary>Languages of labels.</summary>
    public ImmutableArray<LabelWords> Languages { get; private set; } = [];

    /// <summary>The sheets as they are cut apart.</summary>
    public CardSheets Cards { get; private set; } = null!;

    /// <summary>What is wrong with a file of label words; empty where nothing is.</summary>
    public string WrongWords { get; private set; } = "";

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, string? what, string? paper, string? made, string? words, CancellationToken cancel)
    {
        View = await desk.OpenAsync(id, cancel);
        if (View is null)
            return NotFound();
        OfBakes = what == "bakes";
        var shelf = await book.ShelfAsync(cancel);
        Paper =
            PaperSize.Of(paper)
            ?? (shelf.Known.Kitchen.Habit == Core.Kitchens.MeasuringHabit.UsCustomary ? PaperSize.Letter : PaperSize.A4);
        var day = LocalDatePattern.Iso.Parse(made ?? "");
        Made = day.Success ? made! : "";
        Languages = await labels.LanguagesAsync(cancel);
        Sheet = await labels.OfAsync(View, new LabelChoice(OfBakes, day.Success ? day.Value : null, words), cancel);
        Cards = new CardSheets(new PaperCards(2, OfBakes ? 4 : 2, [.. Sheet.Labels.Select(l => LabelCard.Of(l, Sheet.Words))]), Paper);
        return Page();
    }

    /// <summary>Takes label words in a language of the kitchen's own.</summary>
    public async Task<IActionResult> OnPostWordsAsync(Guid id, IFormFile? file, CancellationToken cancel)
    {
        if (await OnGetAsync(id, null, null, null, null, cancel) is NotFoundResult gone)
            return gone;
        LabelWords? words = null;
        if (file is null or { Length: 0 })
            WrongWords = "Choose a file first.";
        else if (file.Length > LargestFile)
            WrongWords = "That file is too long for label words.";
        else
        {
            using var reader = new StreamReader(file.OpenReadStream());
            (words, WrongWords) = LabelWords.Read(await reader.ReadToEndAsync(cancel));
        }

        if (words is not null)
        {
            var (shelf, row) = await boxes.ReadAsync(cancel);
            WrongWords = await boxes.KeepAsync(shelf with { Words = words }, row is null ? null : Seen.Of(row), cancel);
        }

        if (WrongWords.Length > 0)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        Said = $"Labels can be in {words!.Language} now.";
        return Redirect($"/parcels/{id}/labels?words={Uri.EscapeDataString(words.Code)}");
    }
}
