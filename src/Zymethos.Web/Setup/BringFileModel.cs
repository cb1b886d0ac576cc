using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Recipes;

namespace Zymethos.Web.Setup;

/// <summary>A page on which one file is brought in: all of it or nothing, with what is wrong said on the page.</summary>
/// <param name="after">Where it goes on when the file is in; that page says what became of it.</param>
public abstract class BringFileModel(string after) : PageModel
{
    /// <summary>Largest file, in bytes.</summary>
    public const long MostBytes = 5_000_000;

    /// <summary>What the whole form may hold: the file and a little beside it.</summary>
    public const long MostForm = MostBytes + 100_000;

    /// <summary>What is wrong with the file.</summary>
    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    /// <summary>What became of it; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Brings a file in.</summary>
    public async Task<IActionResult> OnPostAsync(IFormFile? file, CancellationToken cancel)
    {
        if (file is null || file.Length == 0 || file.Length > MostBytes)
            return Wrong(
                [new Fault("", file is { Length: > 0 } ? $"A file has up to {MostBytes / 1_000_000} MB." : "Choose a file first.")]
            );
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, cancel);
        var (words, faults) = await BringInAsync(bytes.GetBuffer().AsMemory(0, (int)bytes.Length), cancel);
        if (faults.Count > 0)
            return Wrong(faults);
        Said = words;
        return Redirect(after);
    }

    /// <summary>Brings in what the file holds.</summary>
    /// <returns>What became of it in words, or what is wrong.</returns>
    protected abstract Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(ReadOnlyMemory<byte> json, CancellationToken cancel);

    private PageResult Wrong(IReadOnlyList<Fault> faults)
    {
        Faults = faults;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
