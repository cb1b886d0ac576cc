using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Parcels;
using Zymethos.Work.Daybooks;
using Zymethos.Work.Parcels;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Season;

/// <summary>Brings a season back from its file.</summary>
public sealed class BringModel(SeasonImport import, DaybookFile daybook, ParcelFile parcels) : PageModel
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

        if (document.Parcels is { } given)
            Said = $"{Said} {await ParcelsAsync(given, id, cancel)}";
        return RedirectToPage("/Season/Index", new { id });
    }

    // What cannot be kept of its parcels does not keep the season away either.
    private async Task<string> ParcelsAsync(JsonElement given, Guid season, CancellationToken cancel)
    {
        var (document, fault) = OpenJson.Read<ParcelsDocument>(JsonSerializer.SerializeToUtf8Bytes(given));
        var (words, faults) = document is null ? ("", [fault!]) : await parcels.BringInAsync(document, season, cancel);
        return faults.Count > 0 ? $"Its parcels were left out: {faults[0].Message}" : words;
    }

    private PageResult Wrong(IReadOnlyList<Fault> faults)
    {
        Faults = faults;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
