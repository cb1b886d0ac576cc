using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Work.Workshop;
using Zymethos.Workshop.Cutting;
using Zymethos.Workshop.Svg;

namespace Zymethos.Web.Places.Workshop;

/// <summary>The kitchen's cutters: read from a drawing, traced on the screen, or made from one of our own shapes.</summary>
[RequestSizeLimit(SvgOutline.MostCharacters * 2)]
[RequestFormLimits(MultipartBodyLengthLimit = SvgOutline.MostCharacters * 2)]
public sealed class CuttersModel(CutterShelf shelf) : PageModel
{
    /// <summary>The cutters.</summary>
    public IReadOnlyList<KitchenCutter> Cutters { get; private set; } = [];

    /// <summary>What a new one shall be called.</summary>
    [BindProperty]
    public string Name { get; set; } = "";

    /// <summary>One of our own shapes; empty for none.</summary>
    [BindProperty]
    public string Shape { get; set; } = "";

    /// <summary>Its longer side in millimetres; empty for the size that the drawing has.</summary>
    [BindProperty]
    public string Size { get; set; } = "";

    /// <summary>Its corners by numbers; empty for none.</summary>
    [BindProperty]
    public string Corners { get; set; } = "";

    /// <summary>What was traced, as a path; empty for nothing.</summary>
    [BindProperty]
    public string Traced { get; set; } = "";

    /// <summary>What is wrong; empty when nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>What became of it; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Shows them.</summary>
    public async Task OnGetAsync(CancellationToken cancel) => Cutters = await shelf.AllAsync(cancel);

    /// <summary>Keeps a cutter.</summary>
    public async Task<IActionResult> OnPostAsync(IFormFile? file, CancellationToken cancel)
    {
        var (outline, wrong) = await OutlineAsync(file, cancel);
        if (outline is not null)
            wrong = await shelf.KeepAsync(Name ?? "", outline, cancel);
        if (wrong.Length == 0)
        {
            Said = $"“{Name!.Trim()}” is kept: {outline!.Width / 10:0.#} by {outline.Height / 10:0.#} cm.";
            return RedirectToPage();
        }

        Wrong = wrong;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        Cutters = await shelf.AllAsync(cancel);
        return Page();
    }

    /// <summary>Puts one away.</summary>
    public async Task<IActionResult> OnPostRemoveAsync(Guid id, CancellationToken cancel)
    {
        Said = await shelf.RemoveAsync(id, cancel) ? "It is put away." : "It was put away already.";
        return RedirectToPage();
    }

    private async Task<(Outline? Outline, string Wrong)> OutlineAsync(IFormFile? file, CancellationToken cancel)
    {
        double? size = null;
        if (!string.IsNullOrWhiteSpace(Size))
        {
            if (CuttingForm.NumberOf(Size) is not { } typed || typed is < Outline.Smallest or > Outline.Largest)
                return (null, "The longer side is 5 mm to 1 m.");
            size = typed;
        }

        var name = (Name ?? "").Trim();
        if (file is { Length: > 0 })
        {
            if (file.Length > SvgOutline.MostCharacters)
                return (null, "A drawing has up to 2 MB.");
            using var reader = new StreamReader(file.OpenReadStream());
            var (read, wrong) = SvgOutline.Read(name, await reader.ReadToEndAsync(cancel));
            return read is null || size is null ? (read, wrong) : read.Sized(name, size.Value);
        }

        if (!string.IsNullOrWhiteSpace(Traced))
        {
            // A line drawn by hand has a size only when somebody says it.
            if (size is null)
                return (null, "Say how long the longer side of your cutter is: lay it on a ruler.");
            var (read, wrong) = CutterShelf.OfPath(name, Traced);
            return read is null ? (null, wrong) : read.Sized(name, size.Value);
        }

        if (!string.IsNullOrWhiteSpace(Corners))
        {
            var (read, wrong) = NumberedOutline.Read(name, Corners);
            return read is null || size is null ? (read, wrong) : read.Sized(name, size.Value);
        }

        return string.IsNullOrWhiteSpace(Shape)
            ? (null, "Bring a drawing, trace your cutter, or choose a shape.")
            : OwnShapes.Of(Shape, size ?? 60);
    }
}
