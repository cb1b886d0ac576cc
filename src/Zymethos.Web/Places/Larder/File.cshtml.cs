using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Recipes;
using Zymethos.Work.Larder;

namespace Zymethos.Web.Places.Larder;

/// <summary>The larder taken along, and brought in.</summary>
[RequestSizeLimit(MostBytes + 100_000)]
[RequestFormLimits(MultipartBodyLengthLimit = MostBytes + 100_000)]
public sealed class FileModel(LarderFile larder) : PageModel
{
    /// <summary>Largest file, in bytes.</summary>
    public const long MostBytes = 5_000_000;

    /// <summary>What is wrong with the file.</summary>
    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    /// <summary>Brings a file in.</summary>
    public async Task<IActionResult> OnPostAsync(IFormFile? file, CancellationToken cancel)
    {
        if (file is null || file.Length == 0 || file.Length > MostBytes)
            return Wrong(
                [new Fault("", file is { Length: > 0 } ? $"A file has up to {MostBytes / 1_000_000} MB." : "Choose a file first.")]
            );
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, cancel);
        var (words, faults) = await larder.BringInAsync(bytes.GetBuffer().AsMemory(0, (int)bytes.Length), cancel);
        if (faults.Count > 0)
            return Wrong(faults);
        TempData[nameof(IndexModel.Said)] = words;
        return Redirect("/larder");
    }

    private PageResult Wrong(IReadOnlyList<Fault> faults)
    {
        Faults = faults;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
