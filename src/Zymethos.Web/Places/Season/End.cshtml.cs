using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Interchange.Documents;
using Zymethos.Web.Setup;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Season;

/// <summary>What is typed of a need when its season is over.</summary>
public sealed class OutcomeFields
{
    /// <summary>Id of the need.</summary>
    public string? Need { get; set; }

    /// <summary>Pieces that were made.</summary>
    public string? Made { get; set; }

    /// <summary>Pieces that were left over.</summary>
    public string? Left { get; set; }

    /// <summary>Pieces that were missing.</summary>
    public string? More { get; set; }

    /// <summary>Who wanted more.</summary>
    public string? Who { get; set; }

    /// <summary>What to do otherwise.</summary>
    public string? Advice { get; set; }
}

/// <summary>The end of a season: what was made, eaten and left over, what it took, and next year's season begun from it.</summary>
public sealed class EndModel(SeasonDesk desk, DaybookDesk daybook) : PageModel
{
    private const int MostPieces = 10_000;
    private const int LongestAdvice = 300;

    /// <summary>The season.</summary>
    public SeasonView Season { get; private set; } = null!;

    /// <summary>How it ended.</summary>
    public SeasonEnd End { get; private set; } = null!;

    /// <summary>What is typed, by need.</summary>
    [BindProperty]
    public List<OutcomeFields> Form { get; set; } = [];

    /// <summary>What was just done; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        static string? Number(int? value) => value?.ToString(CultureInfo.InvariantCulture);
        Form =
        [
            .. End.Needs.Select(n => new OutcomeFields
            {
                Need = n.Need.Id,
                Made = Number(n.Outcome?.Made ?? n.Baked),
                Left = Number(n.Outcome?.Left),
                More = Number(n.Outcome?.More),
                Who = n.Outcome?.WhoMore,
                Advice = n.Outcome?.Advice ?? n.ToChange,
            }),
        ];
        return Page();
    }

    /// <summary>Keeps what was said, and begins next year's season where that is asked.</summary>
    public async Task<IActionResult> OnPostAsync(Guid id, bool next, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        var outcomes = new List<OutcomeDocument>();
        for (var i = 0; i < Form.Count; i++)
        {
            var row = Form[i];
            if (!End.Needs.Any(n => n.Need.Id == row.Need))
                continue;
            outcomes.Add(
                new OutcomeDocument(
                    row.Need!,
                    Pieces(row.Made, $"Form[{i}].Made"),
                    Pieces(row.Left, $"Form[{i}].Left"),
                    Pieces(row.More, $"Form[{i}].More"),
                    Short(row.Who, 80),
                    Short(row.Advice, LongestAdvice)
                )
            );
            if (outcomes[^1] is { Made: { } made, Left: { } left } && left > made)
                ModelState.AddModelError($"Form[{i}].Left", "More is left than was made.");
        }

        if (!ModelState.IsValid)
            return Wrong();
        var faults = await desk.ChangeAsync(id, s => s with { Outcomes = outcomes }, "", cancel, Request.Form[Seen.Field].FirstOrDefault());
        if (faults.Count > 0)
        {
            ModelState.AddModelError("", faults[0].Message);
            return Wrong();
        }

        if (!next)
        {
            Said = "Kept.";
            return Redirect($"/season/{id}/end");
        }

        await FillAsync(id, cancel);
        var sheet = End.NextYear(Season.Row.Sheet);
        var (made2, wrong) = await desk.MakeAsync(sheet, cancel);
        if (made2 is not { } anew)
        {
            ModelState.AddModelError("", wrong[0].Message);
            return Wrong();
        }

        TempData[nameof(IndexModel.Said)] =
            "Next year’s season, from this one: dates a year on, amounts as they were eaten and wanted. Look it over.";
        return Redirect($"/season/{anew}");
    }

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongAt(string field) => ModelState.At(field);

    private async Task<bool> FillAsync(Guid id, CancellationToken cancel)
    {
        if (await desk.OpenAsync(id, cancel) is not { } season)
            return false;
        Season = season;
        ViewData[Seen.Field] = Seen.Of(season.Row);
        var names = (await desk.BookAsync(cancel)).ToDictionary(r => r.Key, r => r.Name, StringComparer.Ordinal);
        await daybook.RecordAsync(cancel);
        End = SeasonEnd.Of(season.Row.Sheet, names, (await daybook.BakesAsync(cancel)).Select(b => b.Document));
        return true;
    }

    private PageResult Wrong()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private int? Pieces(string? text, string field)
    {
        if (string.IsNullOrWhiteSpace(text))
            return null;
        if (int.TryParse(text.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var pieces) && pieces <= MostPieces)
            return pieces;
        ModelState.AddModelError(field, "A whole number, like 12.");
        return null;
    }

    private static string Short(string? text, int most)
    {
        var words = (text ?? "").Trim();
        return words.Length <= most ? words : words[..most];
    }
}
