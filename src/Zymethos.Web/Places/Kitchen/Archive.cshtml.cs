using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Recipes;
using Zymethos.Store;
using Zymethos.Work.Archive;

namespace Zymethos.Web.Places.Kitchen;

/// <summary>The whole kitchen taken along, and brought in.</summary>
[RequestSizeLimit(MostBytes + 100_000)]
[RequestFormLimits(MultipartBodyLengthLimit = MostBytes + 100_000)]
public sealed class ArchiveModel(ZymethosContext context, KitchenBringing bringing) : PageModel
{
    /// <summary>Largest archive, in bytes as it is packed.</summary>
    public const long MostBytes = 300_000_000;

    /// <summary>What is wrong with the archive.</summary>
    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    /// <summary>Whether this is the kitchen that everybody may look at.</summary>
    public bool IsDemo { get; private set; }

    /// <summary>What the kitchen has now, and what would go.</summary>
    public string Holds { get; private set; } = "";

    /// <summary>What became of the last archive; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Shows what there is.</summary>
    public Task OnGetAsync(CancellationToken cancel) => CountAsync(cancel);

    /// <summary>Puts an archive in the place of this kitchen.</summary>
    public async Task<IActionResult> OnPostAsync(IFormFile? file, bool replace, CancellationToken cancel)
    {
        if (file is null || file.Length == 0)
            return await WrongAsync("Choose an archive first.", cancel);
        if (file.Length > MostBytes)
            return await WrongAsync($"An archive has up to {MostBytes / 1_000_000} MB.", cancel);
        if (!replace)
            return await WrongAsync("Tick that what is here now may go, then bring the archive in.", cancel);
        await using var zip = file.OpenReadStream();
        var (words, faults) = await bringing.BringInAsync(zip, cancel);
        if (faults.Count > 0)
            return await WrongAsync(faults, cancel);
        Said = words;
        return RedirectToPage();
    }

    private Task<IActionResult> WrongAsync(string words, CancellationToken cancel) => WrongAsync([new Fault("", words)], cancel);

    private async Task<IActionResult> WrongAsync(IReadOnlyList<Fault> faults, CancellationToken cancel)
    {
        Faults = faults;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        await CountAsync(cancel);
        return Page();
    }

    private async Task CountAsync(CancellationToken cancel)
    {
        static string Of(int count, string one, string many) => $"{count:N0} {(count == 1 ? one : many)}";
        IsDemo = await context.Kitchens.AnyAsync(k => k.IsDemo, cancel);
        Holds = string.Join(
            ", ",
            Of(await context.Recipes.CountAsync(cancel), "recipe", "recipes"),
            Of(await context.OvenDays.CountAsync(cancel), "planned day", "planned days"),
            Of(await context.Seasons.CountAsync(cancel), "season", "seasons"),
            Of(await context.BenchSessions.CountAsync(cancel), "day at the Bench", "days at the Bench"),
            Of(await context.PastBakes.CountAsync(cancel), "bake in the Daybook", "bakes in the Daybook"),
            Of(await context.BenchPhotos.CountAsync(cancel), "picture", "pictures"),
            Of(await context.People.CountAsync(cancel), "person", "people")
        );
    }
}
