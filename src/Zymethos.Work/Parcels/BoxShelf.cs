using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Parcels;
using Zymethos.Store;
using Zymethos.Store.Parcels;
using Zymethos.Work.House;

namespace Zymethos.Work.Parcels;

/// <summary>Somebody's parcel: the box it goes into, and how.</summary>
/// <param name="Person">Index of the person on the board.</param>
/// <param name="Box">The box; null where none of the kitchen's holds all of it.</param>
/// <param name="Packed">How it lies in it; null likewise.</param>
/// <param name="Kinds">Indexes of the bakes that are packed, in the order of the kinds.</param>
/// <param name="Unsized">Bakes whose pieces nobody measured: they are not packed.</param>
/// <param name="Grams">What it weighs, the box itself counted in; null where something is not weighed.</param>
/// <param name="Cautions">What should not lie together, in sentences; empty for nothing.</param>
public sealed record ParcelPlan(
    int Person,
    GiftBoxDocument? Box,
    PackedBox? Packed,
    ImmutableArray<int> Kinds,
    ImmutableArray<string> Unsized,
    double? Grams,
    ImmutableArray<string> Cautions
);

/// <summary>Tins and boxes of a kitchen, and what fits into them.</summary>
public sealed class BoxShelf(ZymethosContext context)
{
    /// <summary>Most boxes, and most sizes of pieces.</summary>
    public const int Most = 100;

    private static readonly string[] StrongWords = ["ginger", "mint", "coffee", "anise", "garlic", "curry", "rum", "brandy"];

    /// <summary>What is on the shelf, and its row; the row is null where nobody wrote anything down.</summary>
    public async Task<(GiftShelfDocument Shelf, GiftShelfRow? Row)> ReadAsync(CancellationToken cancel) =>
        await context.GiftShelves.AsNoTracking().SingleOrDefaultAsync(cancel) is { } row
            ? (row.Document, row)
            : (new GiftShelfDocument([], []), null);

    /// <summary>Keeps it.</summary>
    /// <returns>What is wrong, in a sentence; empty when it was kept.</returns>
    public async Task<string> KeepAsync(GiftShelfDocument shelf, string? seen, CancellationToken cancel)
    {
        const string quicker =
            "The boxes were changed from another page meanwhile. What you typed is still here: look it over and keep it again.";
        var row = await context.GiftShelves.SingleOrDefaultAsync(cancel);
        if (Seen.IsStale(seen, Seen.Of(row)))
            return quicker;
        if (row is null)
            context.GiftShelves.Add(new GiftShelfRow { Document = shelf });
        else
            row.Document = shelf;
        try
        {
            await context.SaveChangesAsync(cancel);
            return "";
        }
        catch (DbUpdateException)
        {
            context.ChangeTracker.Clear();
            return quicker;
        }
    }

    /// <summary>Packs everybody's box: into the smallest that holds all of it, as long as there are such boxes.</summary>
    public static ImmutableArray<ParcelPlan> Plan(BoardView view, GiftShelfDocument shelf)
    {
        var left = shelf.Boxes.ToDictionary(b => b, b => b.Count);
        var plans = ImmutableArray.CreateBuilder<ParcelPlan>();
        for (var p = 0; p < view.Board.People.Length; p++)
        {
            var cells = view.Board.Cells.Where(c => c.Person == p && c.Pieces > 0).ToList();
            if (cells.Count == 0)
                continue;
            var sized = cells.Select(c => (Cell: c, Size: shelf.Sizes.FirstOrDefault(s => s.Recipe == view.Bakes[c.Bake].Recipe))).ToList();
            var packed = sized.Where(s => s.Size is not null).ToList();
            var kinds = packed
                .Select(s => new PackKind(SizeOf(s.Size!), s.Cell.Pieces, IsSoft(view.Board.Bakes[s.Cell.Bake].Bake.Recipe)))
                .ToImmutableArray();
            var fit = shelf
                .Boxes.Where(b => left[b] > 0)
                .OrderBy(b => b.Length * b.Width * b.Height * (b.Round ? Math.PI / 4 : 1))
                .Select(b => (Box: b, Packed: BoxPacking.Pack(SizeOf(b), kinds)))
                .FirstOrDefault(f => f.Packed.IsAllIn);
            if (kinds.IsEmpty)
                fit = default;
            if (fit.Box is not null)
                left[fit.Box]--;
            plans.Add(
                new ParcelPlan(
                    p,
                    fit.Box,
                    fit.Packed,
                    [.. packed.Select(s => s.Cell.Bake)],
                    [.. sized.Where(s => s.Size is null).Select(s => view.Board.Bakes[s.Cell.Bake].Bake.Name)],
                    sized.TrueForAll(s => s.Size?.Grams is not null) && fit.Box?.Grams is { } empty
                        ? empty + sized.Sum(s => s.Cell.Pieces * s.Size!.Grams!.Value)
                        : null,
                    [.. Unsafe(view, p), .. Cautions(view, cells), .. view.Post(p)]
                )
            );
        }

        return plans.ToImmutable();
    }

    private static IEnumerable<string> Unsafe(BoardView view, int person)
    {
        if (view.Faults.Any(f => f.Person == person))
            yield return $"Do not pack {view.Board.People[person].Name}'s box yet: something in it is not for them, "
                + "or nobody has looked at it.";
    }

    private static ImmutableArray<string> Cautions(BoardView view, List<Planning.Parcels.BoardCell> cells)
    {
        var recipes = cells.ConvertAll(c => view.Board.Bakes[c.Bake].Bake);
        var (soft, crisp) = (recipes.Where(r => IsSoft(r.Recipe)).ToList(), recipes.Where(r => !IsSoft(r.Recipe)).ToList());
        var strong = recipes.Where(r => StrongWords.Any(r.Names)).ToList();
        var said = new List<string>();
        if (soft.Count > 0 && crisp.Count > 0)
            said.Add($"Wrap {Names(soft)} by itself: what is soft makes {Names(crisp)} soft.");
        if (strong.Count > 0 && strong.Count < recipes.Count)
            said.Add($"Wrap {Names(strong)} by itself: everything beside it smells of it after two days.");
        var cold = recipes.Where(r => r.Recipe.Steps.Any(s => s.Cautions.Contains(Core.Safety.CautionKind.TimeAndTemperature))).ToList();
        if (cold.Count > 0)
            said.Add($"{Names(cold)} must be kept cold: no more than two hours on the way.");
        return [.. said];
    }

    private static string Names(List<GiftBake> bakes) =>
        bakes.Count == 1 ? bakes[0].Name : $"{string.Join(", ", bakes.Take(bakes.Count - 1).Select(b => b.Name))} and {bakes[^1].Name}";

    /// <summary>Whether a recipe's pieces are soft: breads, buns, loaves, cakes and muffins (common practice, no source).</summary>
    public static bool IsSoft(Recipe recipe) =>
        recipe.Kind
            is RecipeKind.Bread
                or RecipeKind.Buns
                or RecipeKind.QuickLoaf
                or RecipeKind.LayerCake
                or RecipeKind.RingCake
                or RecipeKind.FruitCake
                or RecipeKind.Muffins;

    private static BoxSize SizeOf(GiftBoxDocument box) => new(box.Name, box.Length, box.Width, box.Height, box.Round);

    private static PieceSize SizeOf(PieceSizeDocument size) => new(size.Length, size.Width, size.Height, size.Round, size.Grams);
}
