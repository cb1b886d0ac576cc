using System.Collections.Immutable;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Parcels;
using Zymethos.Planning.Parcels;
using Zymethos.Work.Books;

namespace Zymethos.Work.Parcels;

/// <summary>What would help a box that lacks something.</summary>
/// <param name="Words">What, in a sentence.</param>
/// <param name="Look">Index of a bake to look at; null for none.</param>
/// <param name="Add">A bake to put on the board; null for none.</param>
/// <param name="Recipe">Key of a recipe to go and see; null for none.</param>
public sealed record BoxWay(string Words, int? Look = null, BoardBakeDocument? Add = null, string? Recipe = null);

/// <summary>Finds ways out for boxes that cannot be filled.</summary>
public static class BoxWays
{
    private const int MostOfTheBook = 4;

    /// <summary>Ways for one person, the nearest first.</summary>
    public static ImmutableArray<BoxWay> For(BoardView view, int person, BookShelf shelf)
    {
        var to = view.Board.People[person];
        var looks = Enumerable
            .Range(0, view.Bakes.Length)
            .Where(b => view.Stand(person, b).Verdict == GiftVerdict.Look)
            .Select(b => new BoxWay($"{view.Board.Bakes[b].Bake.Name}: {view.Stand(person, b).Words}.", Look: b));
        var versions = Enumerable
            .Range(0, view.Bakes.Length)
            .Where(b => view.Stand(person, b).Verdict == GiftVerdict.Never)
            .Select(b => Version(view.Bakes[b], view.Board.Bakes[b], to, shelf))
            .OfType<BoxWay>();
        var others = shelf
            .Recipes.Where(r => r.IsPlannable && !view.Bakes.Any(b => b.Recipe == r.Recipe.Key))
            .Select(r => GiftBake.Of(r.Recipe, "", shelf.Known.For(r.Recipe)))
            .Where(g => GiftCheck.Of(to, g).Verdict == GiftVerdict.Fine)
            .OrderByDescending(g => to.Likes.Any(g.Names))
            .ThenBy(g => to.Dislikes.Any(g.Names))
            .ThenBy(g => g.Name, StringComparer.OrdinalIgnoreCase)
            .Take(MostOfTheBook)
            .Select(g => new BoxWay(
                $"{g.Name} is fine for {to.Name}.",
                Add: new BoardBakeDocument("", g.Recipe.Key),
                Recipe: g.Recipe.Key
            ));
        return [.. looks, .. versions, .. others];
    }

    private static BoxWay? Version(BoardBakeDocument own, BoardBake bake, Recipient to, BookShelf shelf)
    {
        var recipe = bake.Bake.Recipe;
        var knowledge = shelf.Known.For(recipe);
        var (made, taken) = (recipe, new List<string>());
        foreach (var diet in DietsOf(to))
        {
            var version = Diets.VersionFor(made, diet, knowledge);
            if (!version.Left.IsEmpty)
                return null;
            (made, taken) = (version.Version, [.. taken, .. version.Taken]);
        }

        if (taken.Count == 0 || GiftCheck.Of(to, GiftBake.Of(made, own.Finish ?? "", knowledge)).Verdict != GiftVerdict.Fine)
            return null;
        var words = $"{bake.Bake.Name} as a batch of its own for {to.Name}: {string.Join(" ", taken)}";
        // A board can carry a recipe's own choices; what is swapped is changed in the recipe.
        return made.Swaps.SequenceEqual(recipe.Swaps)
            ? new BoxWay(words, Add: own with { Id = "", Made = null, Choices = Choices(made) })
            : new BoxWay(words, Recipe: own.Recipe);
    }

    private static Dictionary<string, string> Choices(Recipe recipe) =>
        recipe.Choices.ToDictionary(c => c.Key, c => c.Chosen, StringComparer.Ordinal);

    private static IEnumerable<Diet> DietsOf(Recipient to)
    {
        var diets = to.Diets.ToHashSet();
        foreach (var allergen in to.Avoids)
        {
            Diet? diet = allergen switch
            {
                Allergen.Egg => Diet.NoEgg,
                Allergen.Milk => Diet.NoMilk,
                Allergen.TreeNut or Allergen.Peanut => Diet.NoNuts,
                Allergen.Gluten or Allergen.Wheat => Diet.NoGluten,
                _ => null,
            };
            if (diet is { } own)
                diets.Add(own);
        }

        if (to.IsExpecting || to.Age != RecipientAge.Grown)
            diets.Add(Diet.NoAlcohol);
        if (to.Age == RecipientAge.Infant)
            diets.Add(Diet.NoHoney);
        return diets.Order();
    }
}
