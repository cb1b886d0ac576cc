using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Work.Daybooks;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Season;

/// <summary>Brings a season back from its file.</summary>
public sealed class BringModel(SeasonImport import, DaybookFile daybook) : PageModel
{
    private const long Largest = 8_000_000;

    /// <summary>The file.</summary>
    [BindProperty]
    public IFormFile? Upload { get; set; }

    /// <summary>What is wrong with it; empty when nothing is.</summary>
    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    /// <summary>What was just done; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The form.</summary>
    public void OnGet()
    {
        // Nothing to prepare.
    }

    /// <summary>Reads the file and makes the season.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        if (Upload is not { Length: > 0 } file)
            return Wrong([new Fault("", "Choose a file first.")]);
        if (file.Length > Largest)
            return Wrong([new Fault("", "The file is too large: at most 8 MB.")]);
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, cancel);
        var (document, fault) = OpenJson.Read<SeasonDocument>(bytes.ToArray());
        if (document is null)
            return Wrong([fault!]);
        var result = await import.BringAsync(document, cancel);
        if (result.Id is not { } id)
            return Wrong(result.Faults);
        Said = result.Said;
        if (document.Bakes is { Count: > 0 } bakes)
        {
            // What cannot be kept of the Daybook does not keep the season away.
            var (words, faults) = await daybook.BringInAsync(new DaybookDocument(DaybookDocument.Name, 1, bakes), cancel);
            Said = $"{Said} {(faults.Count > 0 ? $"Its bakes were left out: {faults[0].Message}" : words)}";
        }

        return RedirectToPage("/Season/Index", new { id });
    }

    private PageResult Wrong(IReadOnlyList<Fault> faults)
    {
        Faults = faults;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
