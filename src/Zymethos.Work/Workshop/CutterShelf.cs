using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Workshop;
using Zymethos.Workshop.Cutting;
using Zymethos.Workshop.Svg;

namespace Zymethos.Work.Workshop;

/// <summary>A cutter of the kitchen with its outline.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Outline">Its outline, under its name.</param>
public sealed record KitchenCutter(Guid Id, Outline Outline);

/// <summary>The cutters and templates of a kitchen.</summary>
public sealed class CutterShelf(ZymethosContext context)
{
    /// <summary>The most cutters of a kitchen.</summary>
    public const int Most = 200;

    /// <summary>All of them by name. One whose outline can no longer be read is left out.</summary>
    public async Task<IReadOnlyList<KitchenCutter>> AllAsync(CancellationToken cancel)
    {
        var rows = await context.Cutters.AsNoTracking().OrderBy(c => c.Name).Take(Most).ToListAsync(cancel);
        return
        [
            .. rows.Select(r => (r.Id, Outline: OfPath(r.Name, r.Document.Path).Outline))
                .Where(c => c.Outline is not null)
                .Select(c => new KitchenCutter(c.Id, c.Outline!)),
        ];
    }

    /// <summary>Keeps a cutter.</summary>
    /// <param name="name">Its name, up to 60 characters.</param>
    /// <param name="outline">Its outline.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>Why it is not kept, in a sentence; empty where it is.</returns>
    public async Task<string> KeepAsync(string name, Outline outline, CancellationToken cancel)
    {
        name = name.Trim();
        if (name.Length is 0 or > 60)
            return "Give the cutter a name of up to 60 characters.";
        if (await context.Cutters.AnyAsync(c => c.Name == name, cancel))
            return $"There is a cutter “{name}” already. Give this one another name.";
        if (await context.Cutters.CountAsync(cancel) >= Most)
            return $"A kitchen keeps up to {Most} cutters.";
        context.Cutters.Add(
            new CutterRow
            {
                Id = Guid.CreateVersion7(),
                Name = name,
                Document = new CutterDocument(name, SvgOutline.PathOf(outline.Shape)),
            }
        );
        try
        {
            await context.SaveChangesAsync(cancel);
            return "";
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            context.ChangeTracker.Clear();
            return $"There is a cutter “{name}” already. Give this one another name.";
        }
    }

    /// <summary>Puts a cutter away; false where there is none.</summary>
    public async Task<bool> RemoveAsync(Guid id, CancellationToken cancel) =>
        await context.Cutters.Where(c => c.Id == id).ExecuteDeleteAsync(cancel) > 0;

    /// <summary>One of our own shapes at a size, or a cutter of the kitchen, which has its own.</summary>
    /// <param name="cutters">The kitchen's cutters.</param>
    /// <param name="name">Name of a shape, or id of a cutter.</param>
    /// <param name="size">Longer side in millimetres.</param>
    /// <returns>The outline, or why there is none.</returns>
    public static (Outline? Outline, string Wrong) Find(IReadOnlyList<KitchenCutter> cutters, string name, double size) =>
        Guid.TryParse(name, out var id)
            ? cutters.FirstOrDefault(c => c.Id == id) is { } own
                ? (own.Outline, "")
                : (null, "This cutter is put away. Choose another.")
            : OwnShapes.Of(name, size);

    /// <summary>The outline of a path in millimetres.</summary>
    /// <param name="name">What it shall be called.</param>
    /// <param name="path">The path of an SVG.</param>
    public static (Outline? Outline, string Wrong) OfPath(string name, string path) =>
        SvgOutline.Read(
            name,
            string.Create(
                CultureInfo.InvariantCulture,
                $"<svg width=\"1000mm\" height=\"1000mm\" viewBox=\"0 0 1000 1000\">"
                    + $"<path d=\"{System.Security.SecurityElement.Escape(path)}\"/></svg>"
            )
        );
}
