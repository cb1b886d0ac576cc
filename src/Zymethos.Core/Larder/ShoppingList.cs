using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Larder;

/// <summary>Something that is wanted for a bake.</summary>
/// <param name="Ingredient">What, as a line names it.</param>
/// <param name="Grams">How much; null for a line without a weight ("to taste", "for dusting").</param>
/// <param name="By">For which day's work.</param>
/// <param name="For">For what.</param>
/// <param name="Note">What else the line says; may be empty.</param>
public sealed record ShopWant(string Ingredient, double? Grams, LocalDate By, string For, string Note = "");

/// <summary>Something that is there.</summary>
/// <param name="Ingredient">What.</param>
/// <param name="Grams">How much; null for what is counted.</param>
/// <param name="Pieces">How many; null for what is weighed.</param>
/// <param name="BestBy">Until when it is good; null for what has no date.</param>
public sealed record OnHand(string Ingredient, double? Grams, int? Pieces, LocalDate? BestBy);

/// <summary>A line of a shopping list.</summary>
/// <param name="Good">What, as the shop calls it.</param>
/// <param name="Need">How much is wanted: pieces where it is bought by the piece, else grams; null for a line without a weight.</param>
/// <param name="Have">How much of that is there.</param>
/// <param name="Packages">What to take; empty for nothing, or where any amount is sold.</param>
/// <param name="Over">What stays over, in the unit of <paramref name="Need"/>.</param>
/// <param name="Why">For what, once each.</param>
/// <param name="Notes">What lines without a weight say; may be empty.</param>
public sealed record ShopLine(
    ShopGood Good,
    double? Need,
    double Have,
    ImmutableArray<Packages> Packages,
    double Over,
    ImmutableArray<string> Why,
    ImmutableArray<string> Notes
)
{
    /// <summary>How much is to be bought, in the unit of <see cref="Need"/>.</summary>
    public double Buy => Math.Max(0, (Need ?? 0) - Have);

    /// <summary>Whether nothing has to be bought.</summary>
    public bool IsThere => Need is not null && Buy <= 1e-6;

    /// <summary>What to take, as one says it in a shop: "2 dozen", "3 x 250 g", "1, for zest and juice".</summary>
    public string Words
    {
        get
        {
            if (Need is null)
                return Notes.IsEmpty ? "a little" : string.Join(", ", Notes);
            if (IsThere)
                return "is there";
            if (Good.Unit == ShopUnit.Weight)
                return Weight(Math.Ceiling(Buy / 5) * 5);
            if (Good.Name == ShopGood.Eggs)
                return string.Join(" and ", Packages.Select(Eggs));
            if (Good.Unit == ShopUnit.Pieces)
                return Math.Ceiling(Buy - 1e-6).ToString("0", CultureInfo.InvariantCulture);
            return string.Join(" and ", Packages.Select(p => p.Count == 1 ? Weight(p.Size) : $"{p.Count} x {Weight(p.Size)}"));
        }
    }

    private static string Eggs(Packages box) =>
        box.Size switch
        {
            12 => box.Count == 1 ? "a dozen" : $"{box.Count} dozen",
            6 => box.Count == 1 ? "half a dozen" : $"{box.Count} x 6",
            _ => $"{box.Count} x {box.Size:0}",
        };

    /// <summary>A weight in grams or kilograms.</summary>
    public static string Weight(double grams) =>
        grams >= 1000
            ? string.Create(CultureInfo.InvariantCulture, $"{grams / 1000:0.###} kg")
            : string.Create(CultureInfo.InvariantCulture, $"{grams:0.#} g");
}

/// <summary>
/// Turns what bakes use into what a shop sells: one line a good, rounded up to packages, less what is there. What is bought and there
/// always covers what is used: a white or a yolk wants its egg, zest and juice of one fruit share it.
/// </summary>
public static class ShoppingList
{
    /// <summary>The list, by name.</summary>
    /// <param name="wants">What is wanted.</param>
    /// <param name="there">What is there; what is past its date on the first day of use does not count.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    /// <param name="sizes">Packages of the kitchen's own, by good; null for none.</param>
    public static ImmutableArray<ShopLine> Of(
        IReadOnlyList<ShopWant> wants,
        IReadOnlyList<OnHand> there,
        IngredientKnowledge knowledge,
        IReadOnlyDictionary<string, ImmutableArray<double>>? sizes = null
    )
    {
        var goods = wants
            .Select(w => (Want: w, Good: ShopGood.Of(w.Ingredient, knowledge)))
            .Where(w => w.Good is not null)
            .GroupBy(w => w.Good!.Name, StringComparer.OrdinalIgnoreCase);
        return
        [
            .. goods
                .Select(g => Line(g.First().Good!, [.. g.Select(w => w.Want)], there, knowledge, sizes))
                .OrderBy(l => l.Good.Name, StringComparer.OrdinalIgnoreCase),
        ];
    }

    private static ShopLine Line(
        ShopGood good,
        IReadOnlyList<ShopWant> wants,
        IReadOnlyList<OnHand> there,
        IngredientKnowledge knowledge,
        IReadOnlyDictionary<string, ImmutableArray<double>>? sizes
    )
    {
        if (sizes is not null && sizes.TryGetValue(good.Name, out var own) && !own.IsEmpty)
            good = good with { Sizes = own, Unit = good.Unit == ShopUnit.Weight ? ShopUnit.Packages : good.Unit };
        var weighed = wants.Where(w => w.Grams is not null).ToList();
        var first = wants.Min(w => w.By);
        var have = there
            .Where(h =>
                (h.BestBy is null || h.BestBy >= first)
                && ShopGood.Of(h.Ingredient, knowledge) is { } of
                && of.Name.Equals(good.Name, StringComparison.OrdinalIgnoreCase)
            )
            .Sum(h => Have(good, h, knowledge));
        double? need = weighed.Count == 0 ? null : Need(good, weighed, knowledge);
        var buy = Math.Max(0, (need ?? 0) - have);
        var packages =
            good.Unit == ShopUnit.Weight || good.Sizes.IsEmpty
                ? []
                // A crumb more than a package is a package: nobody buys two cans for a spoon, but nobody goes without the spoon either.
                : PackageChoice.For(buy, good.Sizes);
        var taken = packages.IsEmpty
            ? good.Unit == ShopUnit.Pieces
                ? Math.Ceiling(buy - 1e-6)
                : Math.Ceiling(buy / 5) * 5
            : packages.Sum(p => p.Size * p.Count);
        return new ShopLine(
            good,
            need,
            have,
            packages,
            need is null ? 0 : Math.Max(0, have + taken - need.Value),
            [.. wants.Select(w => w.For).Where(f => f.Length > 0).Distinct()],
            [.. wants.Where(w => w.Grams is null).Select(w => w.Note).Where(n => n.Length > 0).Distinct()]
        );
    }

    /// <summary>How much of a good the wants use: pieces where it is bought by the piece, else grams.</summary>
    private static double Need(ShopGood good, List<ShopWant> wants, IngredientKnowledge knowledge)
    {
        double Sum(Func<string, bool> isIt) =>
            wants.Where(w => isIt(knowledge.Meant(w.Ingredient)?.Name ?? w.Ingredient)).Sum(w => w.Grams!.Value);
        if (good.Name == ShopGood.Eggs)
        {
            // Whites and yolks come out of the same eggs.
            var (whole, white, yolk) = (Sum(n => n == "egg"), Sum(n => n == "egg white"), Sum(n => n == "egg yolk"));
            return Whole(whole / Egg(knowledge, "egg", 50))
                + Math.Max(Whole(white / Egg(knowledge, "egg white", 33)), Whole(yolk / Egg(knowledge, "egg yolk", 17)));
        }

        if (good.Unit != ShopUnit.Pieces)
            return wants.Sum(w => w.Grams!.Value);
        var fruit = good.Name.TrimEnd('s');
        if (ShopGood.FruitOf(fruit) is null)
            return Whole(wants.Sum(w => w.Grams!.Value) / good.PieceGrams);
        double Of(string part) =>
            knowledge.Find($"{fruit} {part}") is { } known && known.Pieces.TryGetValue("piece", out var grams) && grams > 0
                ? Whole(Sum(n => n == $"{fruit} {part}") / grams)
                : Whole(Sum(n => n == $"{fruit} {part}") / good.PieceGrams);
        return Whole(Sum(n => n == fruit) / good.PieceGrams) + Math.Max(Math.Max(Of("zest"), Of("peel")), Of("juice"));
    }

    private static double Have(ShopGood good, OnHand there, IngredientKnowledge knowledge)
    {
        if (good.Unit != ShopUnit.Pieces)
            return there.Grams ?? 0;
        if (there.Pieces is { } pieces)
            return pieces;
        var name = knowledge.Meant(there.Ingredient)?.Name ?? there.Ingredient;
        // A carton of whites or a bottle of juice stands for no whole egg or fruit.
        if (name is "egg white" or "egg yolk" || name.Contains(' ', StringComparison.Ordinal) && ShopGood.FruitOf(name) is not null)
            return 0;
        var one = good.Name == ShopGood.Eggs ? Egg(knowledge, "egg", 50) : good.PieceGrams;
        return one > 0 ? Math.Floor(((there.Grams ?? 0) / one) + 1e-9) : 0;
    }

    private static double Egg(IngredientKnowledge knowledge, string name, double usual) =>
        knowledge.Find(name) is { } known && known.Pieces.TryGetValue("large", out var grams) && grams > 0 ? grams : usual;

    // A crumb of floating point wants no further egg.
    private static double Whole(double count) => Math.Ceiling(count - 1e-6);
}
