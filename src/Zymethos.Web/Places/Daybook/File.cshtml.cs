using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Recipes;
using Zymethos.Work.Daybooks;

namespace Zymethos.Web.Places.Daybook;

/// <summary>The Daybook taken along, and brought in.</summary>
[RequestSizeLimit(MostBytes + 100_000)]
[RequestFormLimits(MultipartBodyLengthLimit = MostBytes + 100_000)]
public sealed class FileModel(DaybookFile file) : PageModel
{
    /// <summary>Largest file, in bytes.</summary>
    public const long MostBytes = 50_000_000;

    /// <summary>What is wrong with the file.</summary>
    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    /// <summary>Brings a file in.</summary>
    public async Task<IActionResult> OnPostAsync(IFormFile? daybook, CancellationToken cancel)
    {
        if (daybook is null || daybook.Length == 0)
            return Wrong([new Fault("", "Choose a file first.")]);
        if (daybook.Length > MostBytes)
            return Wrong([new Fault("", $"A Daybook has up to {MostBytes / 1_000_000} MB.")]);
        using var bytes = new MemoryStream();
        await daybook.CopyToAsync(bytes, cancel);
        var (words, faults) = await file.BringInAsync(bytes.GetBuffer().AsMemory(0, (int)bytes.Length), cancel);
        if (faults.Count > 0)
            return Wrong(faults);
        TempData[nameof(IndexModel.Said)] = words;
        return Redirect("/daybook");
    }

    private PageResult Wrong(IReadOnlyList<Fault> faults)
    {
        Faults = faults;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
